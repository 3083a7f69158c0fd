import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelAttributeColumnOptions,
  type Sequelize,
} from 'sequelize';
import type { MilestoneKey } from '../core/plan/schedule/chain.ts';
import type { EventKind, PlantingDetails, PottingDetails, SplitSnapshot } from '../core/batch/event.ts';
import type {
  Container,
  Crop,
  EmergencePoint,
  JoinsAt,
  OffHeatRule,
  PlaceKind,
  PlaceLight,
  PlaceSize,
  PlaceTemperature,
  PotShape,
  WorkKey,
  Stage,
} from '../core/model.ts';
import type { GateKey, GateMode } from '../core/planting/gates.ts';
import type { PlantingSettings } from '../core/planting/settings.ts';
import type { VarietyFigures } from '../core/books/varietyFigures.ts';
import type { Exposure } from '../core/weather/siteWind.ts';
import type { CoolSchool } from '../core/plan/placement/coolCap.ts';
import type { OwnBands } from '../core/growth/bands.ts';
import type { PlanningSettings } from '../core/plan/placement/planning.ts';
import type { Weights } from '../core/plan/placement/instance.ts';
import type { PottingSettings } from '../core/potting/settings.ts';
import type { MonthNormal } from '../core/plan/schedule/outsideClimate.ts';
import type { DemoClock, LotTest, SeedTreatment } from '../contracts/records.ts';
import type { FrostChoice } from '../contracts/weather/weather.ts';

export type Columns<M extends Model> = Record<keyof InferAttributes<M>, ModelAttributeColumnOptions>;

const column = (type: ModelAttributeColumnOptions['type'], field: string, allowNull = false) => ({
  type,
  field,
  allowNull,
});
export const figure = (field: string, allowNull = false) => column(DataTypes.DOUBLE, field, allowNull);
export const whole = (field: string, allowNull = false) => column(DataTypes.INTEGER, field, allowNull);
export const text = (field: string, allowNull = false) => column(DataTypes.TEXT, field, allowNull);
const flag = (field: string) => column(DataTypes.BOOLEAN, field);
const day = (field: string, allowNull = false) => column(DataTypes.DATEONLY, field, allowNull);
export const json = (field: string, allowNull = false) => column(DataTypes.JSONB, field, allowNull);
export const id = { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true };
export const version = { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 };

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

export class CropModel extends Model<InferAttributes<CropModel>, InferCreationAttributes<CropModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare group: Crop['group'];
  declare light: Crop['light'];
  declare depth_mm: number;
  declare germMin_C: number;
  declare germBest_C: number;
  declare germMax_C: number;
  declare germBase_C: number;
  declare germCeiling_C: number;
  declare germBest_days: number;
  declare emergence: EmergencePoint[];
  declare synonyms: string;
  declare botanical: string;
  declare family: string;
  declare kind: Crop['kind'];
  declare germUsual_frac: number;
  declare thousandSeed_g: number | null;
  declare storage_years: number;
  declare pretreat: Crop['pretreat'];
  declare chill_weeks: number;
  declare sowIn: Crop['sowIn'];
  declare cellsUsual_count: number;
  declare potUsual_cm: number | null;
  declare growCeiling_C: number;
  declare checkNight_C: number | null;
  declare boltCold_C: number | null;
  declare boltCold_days: number | null;
  declare boltWarm_C: number | null;
  declare boltWarm_days: number | null;
  declare boltDay_h: number | null;
  declare comfortNight_C: number;
  declare comfortDay_C: number;
  declare dliLeast: number;
  declare dliGood: number;
  declare bands: CreationOptional<OwnBands>;
  declare openAirFrom: CreationOptional<Stage | null>;
  declare hardyTo_C: number;
  declare inRow_cm: number;
  declare rows_cm: number;
  declare caution: string;
  declare growDay_C: number;
  declare growNight_C: number;
  declare base_C: number;
  declare growOptimum_C: number;
  declare weeksLow: number;
  declare weeksHigh: number;
  declare potAt_frac: number;
  declare potted: boolean;
  declare hardening_days: number;
  declare hardiness: Crop['hardiness'];
  declare plantSoilMin_C: number;
  declare plantNightMin_C: number;
  declare weeksFromLastFrost: number;
  declare source: string;
  declare seedBalls: CreationOptional<boolean>;
}

export class VarietyModel extends Model<InferAttributes<VarietyModel>, InferCreationAttributes<VarietyModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare cropId: number;
  declare name: string;
  declare note: string;
  declare figures: CreationOptional<VarietyFigures>;
}

export class LotModel extends Model<InferAttributes<LotModel>, InferCreationAttributes<LotModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare varietyId: number;
  declare code: string;
  declare receivedOn: string | null;
  declare germination_percent: number | null;
  declare testedOn: string | null;
  declare seeds_count: number | null;
  declare thousandSeed_g: CreationOptional<number | null>;
  declare weight_g: CreationOptional<number | null>;
  declare packet_seeds: CreationOptional<number | null>;
  declare packet_price: CreationOptional<number | null>;
  declare light: CreationOptional<Crop['light'] | null>;
  declare depth_mm: CreationOptional<number | null>;
  declare treatment: CreationOptional<SeedTreatment>;
  declare storage_C: CreationOptional<number | null>;
  declare moisture_percent: CreationOptional<number | null>;
  declare tests: CreationOptional<LotTest<string>[]>;
  declare note: CreationOptional<string>;
}

export class PlaceModel extends Model<InferAttributes<PlaceModel>, InferCreationAttributes<PlaceModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: PlaceKind;
  declare lit: boolean;
  declare room_trays: number;
  declare walkOrder: number;
  declare temperature: CreationOptional<PlaceTemperature>;
  declare closed: CreationOptional<{ from: string; to: string }[]>;
  declare size: CreationOptional<PlaceSize | null>;
  declare light: CreationOptional<PlaceLight | null>;
  declare wet_K: CreationOptional<number | null>;
}

export class PlacePeriodModel extends Model<
  InferAttributes<PlacePeriodModel>,
  InferCreationAttributes<PlacePeriodModel>
> {
  declare placeId: number;
  declare from: string;
  declare day_C: number;
  declare night_C: number;
}

export class PlaceSetPointModel extends Model<
  InferAttributes<PlaceSetPointModel>,
  InferCreationAttributes<PlaceSetPointModel>
> {
  declare placeId: number;
  declare week: string;
  declare setPoint_C: number | null;
}

export class ContainerModel extends Model<InferAttributes<ContainerModel>, InferCreationAttributes<ContainerModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: Container['kind'];
  declare cells: number;
  declare perCarryingTray: number;
  declare footprint_slots: number;
  declare volume_L: number;
  declare shape: CreationOptional<PotShape | null>;
}

export class BatchModel extends Model<InferAttributes<BatchModel>, InferCreationAttributes<BatchModel>> {
  declare id: CreationOptional<number>;
  declare version: CreationOptional<number>;
  declare code: string;
  declare letter: string;
  declare cropId: number;
  declare varietyId: number | null;
  declare lotId: number | null;
  declare plantsWanted: number;
  declare spare_frac: number;
  declare transplantOn: string;
  declare hardening_days: number;
  declare germinatePlaceId: number | null;
  declare growPlaceId: number | null;
  declare potPlaceId: number | null;
  declare hardenPlaceId: number | null;
  declare sowContainerId: number;
  declare potContainerId: number | null;
  declare note: string;
  declare splitFromId: CreationOptional<number | null>;
  declare spacePlaceId: CreationOptional<number | null>;
  declare steps: CreationOptional<Partial<Record<WorkKey, string>>>;
  declare before_days: CreationOptional<number>;
  declare after_days: CreationOptional<number>;
  declare weight: CreationOptional<number>;
  declare age_frac: CreationOptional<number>;
  declare pinned: CreationOptional<boolean>;
  declare joins: CreationOptional<(Omit<JoinsAt, 'on'> & { on: string }) | null>;
  declare familyId: CreationOptional<number | null>;
  declare offHeat: CreationOptional<OffHeatRule | null>;
  declare resownFromId: CreationOptional<number | null>;
  declare programmeId: CreationOptional<number | null>;
  declare coverId: CreationOptional<number | null>;
  declare gates: CreationOptional<Partial<Record<GateKey, GateMode>>>;
  declare idempotencyKey: CreationOptional<string | null>;
  declare requestHash: CreationOptional<string | null>;
  declare planned: CreationOptional<Partial<Record<MilestoneKey, string>> | null>;
}

export class BatchEventModel extends Model<InferAttributes<BatchEventModel>, InferCreationAttributes<BatchEventModel>> {
  declare id: CreationOptional<number>;
  declare batchId: number;
  declare kind: EventKind;
  declare day: string;
  declare count: number | null;
  declare placeId: number | null;
  declare note: string;
  declare cause: string;
  declare correctsId: number | null;
  declare snapshot: SplitSnapshot | null;
  declare tray: CreationOptional<number | null>;
  declare details: CreationOptional<PottingDetails | null>;
  declare planting: CreationOptional<PlantingDetails | null>;
  declare recordedAt: CreationOptional<Date>;
  declare idempotencyKey: string;
  declare requestHash: string;
}

/** Defines every model on a connection. */
export function defineModels(sequelize: Sequelize): void {
  const on = (tableName: string) => ({
    sequelize,
    tableName,
    timestamps: false,
  });

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

  const crops: Columns<CropModel> = {
    id,
    version,
    name: text('name'),
    group: text('crop_group'),
    light: text('light'),
    depth_mm: figure('depth_mm'),
    germMin_C: figure('germ_min_c'),
    germBest_C: figure('germ_best_c'),
    germMax_C: figure('germ_max_c'),
    germBase_C: figure('germ_base_c'),
    germCeiling_C: figure('germ_ceiling_c'),
    germBest_days: figure('germ_best_days'),
    emergence: json('emergence'),
    synonyms: text('synonyms'),
    botanical: text('botanical'),
    family: text('family'),
    kind: text('crop_kind'),
    germUsual_frac: figure('germ_usual_frac'),
    thousandSeed_g: figure('thousand_seed_g', true),
    storage_years: figure('storage_years'),
    pretreat: text('pretreat'),
    chill_weeks: figure('chill_weeks'),
    sowIn: text('sow_in'),
    cellsUsual_count: whole('cells_usual'),
    potUsual_cm: figure('pot_usual_cm', true),
    growCeiling_C: figure('grow_ceiling_c'),
    checkNight_C: figure('check_night_c', true),
    boltCold_C: figure('bolt_cold_c', true),
    boltCold_days: whole('bolt_cold_days', true),
    boltWarm_C: figure('bolt_warm_c', true),
    boltWarm_days: whole('bolt_warm_days', true),
    boltDay_h: figure('bolt_day_h', true),
    comfortNight_C: figure('comfort_night_c'),
    comfortDay_C: figure('comfort_day_c'),
    dliLeast: figure('dli_least'),
    dliGood: figure('dli_good'),
    bands: { ...json('bands'), defaultValue: {} },
    openAirFrom: text('open_air_from', true),
    hardyTo_C: figure('hardy_to_c'),
    inRow_cm: figure('in_row_cm'),
    rows_cm: figure('rows_cm'),
    caution: text('caution'),
    growDay_C: figure('grow_day_c'),
    growNight_C: figure('grow_night_c'),
    base_C: figure('base_c'),
    growOptimum_C: figure('grow_optimum_c'),
    weeksLow: figure('weeks_low'),
    weeksHigh: figure('weeks_high'),
    potAt_frac: figure('pot_at_frac'),
    potted: flag('potted'),
    hardening_days: whole('hardening_days'),
    hardiness: text('hardiness'),
    plantSoilMin_C: figure('plant_soil_min_c'),
    plantNightMin_C: figure('plant_night_min_c'),
    weeksFromLastFrost: figure('weeks_from_last_frost'),
    source: text('source'),
    seedBalls: { ...flag('seed_balls'), defaultValue: false },
  };
  CropModel.init(crops, on('crops'));

  const varieties: Columns<VarietyModel> = {
    id,
    version,
    cropId: whole('crop_id'),
    name: text('name'),
    note: text('note'),
    figures: { ...json('figures'), defaultValue: {} },
  };
  VarietyModel.init(varieties, on('varieties'));

  const lots: Columns<LotModel> = {
    id,
    version,
    varietyId: whole('variety_id'),
    code: text('code'),
    receivedOn: day('received_on', true),
    germination_percent: figure('germination_percent', true),
    testedOn: day('tested_on', true),
    seeds_count: whole('seeds_count', true),
    thousandSeed_g: figure('thousand_seed_g', true),
    weight_g: figure('weight_g', true),
    packet_seeds: whole('packet_seeds', true),
    packet_price: figure('packet_price', true),
    light: { ...text('light'), allowNull: true },
    depth_mm: figure('depth_mm', true),
    treatment: { ...text('treatment'), defaultValue: 'none' },
    storage_C: figure('storage_c', true),
    moisture_percent: figure('moisture_percent', true),
    tests: { ...json('tests'), defaultValue: [] },
    note: { ...text('note'), defaultValue: '' },
  };
  LotModel.init(lots, on('lots'));

  const places: Columns<PlaceModel> = {
    id,
    version,
    name: text('name'),
    kind: text('kind'),
    lit: flag('lit'),
    room_trays: figure('room_trays'),
    walkOrder: whole('walk_order'),
    temperature: { ...json('temperature'), defaultValue: { kind: 'written' } },
    closed: { ...json('closed'), defaultValue: [] },
    size: json('size', true),
    light: json('light', true),
    wet_K: figure('wet_k', true),
  };
  PlaceModel.init(places, on('places'));

  const periods: Columns<PlacePeriodModel> = {
    placeId: { ...whole('place_id'), primaryKey: true },
    from: { ...text('from_month_day'), primaryKey: true },
    day_C: figure('day_c'),
    night_C: figure('night_c'),
  };
  PlacePeriodModel.init(periods, on('place_periods'));

  const setPoints: Columns<PlaceSetPointModel> = {
    placeId: { ...whole('place_id'), primaryKey: true },
    week: { ...day('week'), primaryKey: true },
    setPoint_C: figure('set_point_c', true),
  };
  PlaceSetPointModel.init(setPoints, on('place_set_points'));

  const containers: Columns<ContainerModel> = {
    id,
    version,
    name: text('name'),
    kind: text('kind'),
    cells: whole('cells'),
    perCarryingTray: whole('per_carrying_tray'),
    footprint_slots: figure('footprint_slots'),
    volume_L: figure('volume_l'),
    shape: json('shape', true),
  };
  ContainerModel.init(containers, on('containers'));

  const batches: Columns<BatchModel> = {
    id,
    version,
    code: text('code'),
    letter: text('letter'),
    cropId: whole('crop_id'),
    varietyId: whole('variety_id', true),
    lotId: whole('lot_id', true),
    plantsWanted: whole('plants_wanted'),
    spare_frac: figure('spare_frac'),
    transplantOn: day('transplant_on'),
    hardening_days: whole('hardening_days'),
    germinatePlaceId: whole('germinate_place_id', true),
    growPlaceId: whole('grow_place_id', true),
    potPlaceId: whole('pot_place_id', true),
    hardenPlaceId: whole('harden_place_id', true),
    sowContainerId: whole('sow_container_id'),
    potContainerId: whole('pot_container_id', true),
    note: text('note'),
    splitFromId: whole('split_from_id', true),
    spacePlaceId: whole('space_place_id', true),
    steps: { ...json('steps'), defaultValue: {} },
    before_days: { ...whole('before_days'), defaultValue: 3 },
    after_days: { ...whole('after_days'), defaultValue: 7 },
    weight: { ...figure('weight'), defaultValue: 1 },
    age_frac: { ...figure('age_frac'), defaultValue: 1 },
    pinned: { ...flag('pinned'), defaultValue: false },
    joins: json('joins', true),
    familyId: whole('family_id', true),
    offHeat: json('off_heat', true),
    resownFromId: whole('resown_from_id', true),
    programmeId: whole('programme_id', true),
    coverId: whole('cover_id', true),
    gates: { ...json('gates'), defaultValue: {} },
    idempotencyKey: { ...text('idempotency_key'), allowNull: true },
    requestHash: { ...text('request_hash'), allowNull: true },
    planned: json('planned', true),
  };
  BatchModel.init(batches, on('batches'));

  const events: Columns<BatchEventModel> = {
    id,
    batchId: whole('batch_id'),
    kind: text('kind'),
    day: day('on_day'),
    count: whole('count', true),
    placeId: whole('place_id', true),
    note: text('note'),
    cause: text('cause'),
    correctsId: whole('corrects_id', true),
    snapshot: json('snapshot', true),
    tray: whole('tray', true),
    details: json('details', true),
    planting: json('planting', true),
    recordedAt: {
      ...column(DataTypes.DATE, 'recorded_at'),
      defaultValue: DataTypes.NOW,
    },
    idempotencyKey: text('idempotency_key'),
    requestHash: text('request_hash'),
  };
  BatchEventModel.init(events, on('batch_events'));
}
