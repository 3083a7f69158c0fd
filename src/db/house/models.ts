import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
  DataTypes,
} from 'sequelize';
import { day, id, version, tableOn, type Columns, text, figure, whole, json, flag, column } from '../columns.ts';
import type { CanWait, HalfOfDay, JobStage } from '../../core/house/houseJob.ts';
import type { HeatLook, RoundLineKind } from '../../core/house/roundLine.ts';
import type { Role } from '../../core/house/roles.ts';
import type { PersonMark } from '../../core/house/people.ts';
import type { OffHeatRule } from '../../core/germination/offHeatRule.ts';
import type { MonthNormal } from '../../core/plan/schedule/outsideClimate.ts';
import type { CoolSchool } from '../../core/plan/placement/coolCap.ts';
import type { Weights } from '../../core/plan/placement/instance.ts';
import type { PlanningSettings } from '../../core/plan/placement/planning.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import type { Exposure } from '../../core/weather/siteWind.ts';
import type { PottingSettings } from '../../core/potting/settings.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import type { PlantingSettings } from '../../core/planting/settings.ts';

export class NurseryModel extends Model<InferAttributes<NurseryModel>, InferCreationAttributes<NurseryModel>> {
  declare id: number;
  declare version: CreationOptional<number>;
  declare name: string;
  declare placeName: string;
  declare latitude_deg: number;
  declare longitude_deg: number;
  declare timeZone: string;
  declare temperatureUnit: 'C' | 'F';
  declare lengthUnit: 'cm' | 'in';
  declare currency: CreationOptional<string>;
  declare firstWeekday: number;
  declare lastFrost: string;
  declare firstFrost: string;
  declare spare_frac: number;
  declare offHeat: OffHeatRule;
  declare outside: CreationOptional<MonthNormal[] | null>;
  declare outsideBy: CreationOptional<'typed' | 'guess'>;
  declare height_m: CreationOptional<number | null>;
  declare byTheSea: CreationOptional<boolean | null>;
  declare coolSchool: CreationOptional<CoolSchool>;
  declare coolMost_C: CreationOptional<number>;
  declare weights: CreationOptional<Partial<Weights>>;
  declare planning: CreationOptional<Partial<PlanningSettings>>;
  declare demoClock: DemoClock | null;
  declare feedKey: CreationOptional<string>;
  declare learning: CreationOptional<boolean>;
  declare exposure: CreationOptional<Exposure | null>;
  declare coldest_C: CreationOptional<number | null>;
  declare climateYears: CreationOptional<number | null>;
  declare offHeatCool: CreationOptional<OffHeatRule | null>;
  declare potting: CreationOptional<Partial<PottingSettings>>;
  declare frost: CreationOptional<FrostChoice | null>;
  declare planting: CreationOptional<Partial<PlantingSettings>>;
}

export class PersonModel extends Model<InferAttributes<PersonModel>, InferCreationAttributes<PersonModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare initials: string;
  declare mark: PersonMark;
  declare role: CreationOptional<Role>;
  declare retiredOn: CreationOptional<string | null>;
}

export class HouseJobModel extends Model<InferAttributes<HouseJobModel>, InferCreationAttributes<HouseJobModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare minutes: number;
  declare firstOn: string;
  declare every_days: number | null;
  declare lastOn: string | null;
  declare yearFrom: string | null;
  declare yearTo: string | null;
  declare half: HalfOfDay | null;
  declare canWait: CanWait;
  declare placeId: number | null;
  declare batchId: number | null;
  declare cropId: number | null;
  declare stage: JobStage | null;
  declare personId: number | null;
  declare retiredOn: CreationOptional<string | null>;
}

export class RoundLineModel extends Model<InferAttributes<RoundLineModel>, InferCreationAttributes<RoundLineModel>> {
  declare id: CreationOptional<number>;
  declare idempotencyKey: string;
  declare requestHash: string;
  declare kind: RoundLineKind;
  declare jobKey: string;
  declare on: string;
  declare houseJobId: number | null;
  declare forPersonId: number | null;
  declare minutes: number | null;
  declare work: string | null;
  declare trays: number | null;
  declare look: HeatLook | null;
  declare note: string;
  declare correctsId: number | null;
  declare authorId: CreationOptional<number | null>;
  declare recordedAt: CreationOptional<Date>;
  declare waited: CreationOptional<boolean>;
  declare tappedAt: CreationOptional<Date | null>;
}

/** Defines the models of the house on a connection. */
export function defineHouseModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
  const nursery: Columns<NurseryModel> = {
    id: { type: DataTypes.INTEGER, primaryKey: true },
    version,
    name: text('name'),
    placeName: text('place_name'),
    latitude_deg: figure('latitude_deg'),
    longitude_deg: figure('longitude_deg'),
    timeZone: text('time_zone'),
    temperatureUnit: text('temperature_unit'),
    lengthUnit: text('length_unit'),
    currency: { ...text('currency'), defaultValue: 'EUR' },
    firstWeekday: whole('first_weekday'),
    lastFrost: text('last_frost'),
    firstFrost: text('first_frost'),
    spare_frac: figure('spare_frac'),
    offHeat: json('off_heat'),
    outside: json('outside', true),
    outsideBy: { ...text('outside_by'), defaultValue: 'typed' },
    height_m: figure('height_m', true),
    byTheSea: flag('by_the_sea', true),
    coolSchool: { ...text('cool_school'), defaultValue: 'gentle' },
    coolMost_C: { ...figure('cool_most_c'), defaultValue: 20 },
    weights: { ...json('weights'), defaultValue: {} },
    planning: { ...json('planning'), defaultValue: {} },
    demoClock: json('demo_clock', true),
    feedKey: { ...text('feed_key'), defaultValue: DataTypes.UUIDV4 },
    learning: { ...flag('learning'), defaultValue: true },
    exposure: text('exposure', true),
    coldest_C: figure('coldest_c', true),
    climateYears: whole('climate_years', true),
    offHeatCool: json('off_heat_cool', true),
    potting: { ...json('potting'), defaultValue: {} },
    frost: json('frost', true),
    planting: { ...json('planting'), defaultValue: {} },
  };
  NurseryModel.init(nursery, on('nursery'));
  const people: Columns<PersonModel> = {
    id,
    version,
    name: text('name'),
    initials: text('initials'),
    mark: text('mark'),
    role: { ...text('role'), defaultValue: 'grower' },
    retiredOn: day('retired_on', true),
  };
  PersonModel.init(people, on('people'));
  const jobs: Columns<HouseJobModel> = {
    id,
    version,
    name: text('name'),
    minutes: figure('minutes'),
    firstOn: day('first_on'),
    every_days: whole('every_days', true),
    lastOn: day('last_on', true),
    yearFrom: text('year_from', true),
    yearTo: text('year_to', true),
    half: text('half', true),
    canWait: text('can_wait'),
    placeId: whole('place_id', true),
    batchId: whole('batch_id', true),
    cropId: whole('crop_id', true),
    stage: text('stage', true),
    personId: whole('person_id', true),
    retiredOn: day('retired_on', true),
  };
  HouseJobModel.init(jobs, on('house_jobs'));
  const lines: Columns<RoundLineModel> = {
    id,
    idempotencyKey: text('idempotency_key'),
    requestHash: text('request_hash'),
    kind: text('kind'),
    jobKey: text('job_key'),
    on: day('on_day'),
    houseJobId: whole('house_job_id', true),
    forPersonId: whole('for_person_id', true),
    minutes: figure('minutes', true),
    work: text('work', true),
    trays: figure('trays', true),
    look: json('look', true),
    note: text('note'),
    correctsId: whole('corrects_id', true),
    // By the database: whoever writes in this transaction.
    authorId: { ...whole('author_id', true), defaultValue: sequelize.literal('writing_person()') },
    recordedAt: { ...column(DataTypes.DATE, 'recorded_at'), defaultValue: DataTypes.NOW },
    waited: { ...flag('waited'), defaultValue: false },
    tappedAt: column(DataTypes.DATE, 'tapped_at', true),
  };
  RoundLineModel.init(lines, on('round_lines'));
}
