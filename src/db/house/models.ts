import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
  DataTypes,
} from 'sequelize';
import { day, id, version, tableOn, type Columns, text, figure, whole, json, flag } from '../columns.ts';
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
  declare retiredOn: CreationOptional<string | null>;
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
    retiredOn: day('retired_on', true),
  };
  PersonModel.init(people, on('people'));
}
