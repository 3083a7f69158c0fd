import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
} from 'sequelize';
import { id, version, tableOn, type Columns, text, figure, json, whole, flag, day } from '../columns.ts';
import type { Crop, EmergencePoint } from '../../core/books/crop.ts';
import type { OwnBands } from '../../core/growth/bands.ts';
import type { Stage } from '../../core/plan/stage.ts';
import type { VarietyFigures } from '../../core/books/varietyFigures.ts';
import type { SeedTreatment, LotTest } from '../../core/books/records.ts';
import type { PlaceKind, PlaceTemperature, PlaceSize, PlaceLight, WaterBy } from '../../core/books/place.ts';
import type { Container, PotShape } from '../../core/books/container.ts';

export class CropModel extends Model<InferAttributes<CropModel>, InferCreationAttributes<CropModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
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
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare cropId: number;
  declare name: string;
  declare note: string;
  declare figures: CreationOptional<VarietyFigures>;
}

export class LotModel extends Model<InferAttributes<LotModel>, InferCreationAttributes<LotModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
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
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: PlaceKind;
  declare lit: boolean;
  declare room_trays: number;
  declare walkOrder: number;
  declare door: CreationOptional<string>;
  declare level: CreationOptional<number>;
  declare temperature: CreationOptional<PlaceTemperature>;
  declare closed: CreationOptional<{ from: string; to: string }[]>;
  declare size: CreationOptional<PlaceSize | null>;
  declare light: CreationOptional<PlaceLight | null>;
  declare wet_K: CreationOptional<number | null>;
  declare waterBy: CreationOptional<WaterBy>;
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
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: Container['kind'];
  declare cells: number;
  declare rows: CreationOptional<number | null>;
  declare perCarryingTray: number;
  declare footprint_slots: number;
  declare volume_L: number;
  declare shape: CreationOptional<PotShape | null>;
}

/** Defines the models of the books on a connection. */
export function defineBookModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
  const crops: Columns<CropModel> = {
    id,
    retiredOn: day('retired_on', true),
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
    retiredOn: day('retired_on', true),
    version,
    cropId: whole('crop_id'),
    name: text('name'),
    note: text('note'),
    figures: { ...json('figures'), defaultValue: {} },
  };
  VarietyModel.init(varieties, on('varieties'));

  const lots: Columns<LotModel> = {
    id,
    retiredOn: day('retired_on', true),
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
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    kind: text('kind'),
    lit: flag('lit'),
    room_trays: figure('room_trays'),
    walkOrder: whole('walk_order'),
    door: { ...text('door'), defaultValue: '' },
    level: { ...whole('level'), defaultValue: 0 },
    temperature: { ...json('temperature'), defaultValue: { kind: 'written' } },
    closed: { ...json('closed'), defaultValue: [] },
    size: json('size', true),
    light: json('light', true),
    wet_K: figure('wet_k', true),
    waterBy: { ...text('water_by'), defaultValue: 'hand' },
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
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    kind: text('kind'),
    cells: whole('cells'),
    rows: whole('cell_rows', true),
    perCarryingTray: whole('per_carrying_tray'),
    footprint_slots: figure('footprint_slots'),
    volume_L: figure('volume_l'),
    shape: json('shape', true),
  };
  ContainerModel.init(containers, on('containers'));
}
