import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Look } from '../../core/watering/belief.ts';
import type { WaterLineKind, WaterWay } from '../../core/watering/waterLine.ts';
import { column, day, figure, flag, id, tableOn, text, version, whole, type Columns } from '../columns.ts';

export class WaterLineModel extends Model<InferAttributes<WaterLineModel>, InferCreationAttributes<WaterLineModel>> {
  declare id: CreationOptional<number>;
  declare idempotencyKey: string;
  declare requestHash: string;
  declare kind: WaterLineKind;
  declare batchId: number | null;
  declare placeId: number | null;
  declare at: Date;
  declare look: Look | null;
  declare weight_g: number | null;
  declare way: WaterWay | null;
  declare litres: number | null;
  declare fed: boolean;
  declare water_C: number | null;
  declare air_C: number | null;
  declare humidity_frac: number | null;
  declare onLid: CreationOptional<boolean>;
  declare scaleId: CreationOptional<number | null>;
  declare note: string;
  declare correctsId: number | null;
  declare authorId: CreationOptional<number | null>;
  declare waited: CreationOptional<boolean>;
}

export class ScaleModel extends Model<InferAttributes<ScaleModel>, InferCreationAttributes<ScaleModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare device: string;
  declare batchId: number | null;
  declare trays: number;
  declare tare_g: number;
}

/** Defines the models of water on a connection. */
export function defineWaterModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
  const lines: Columns<WaterLineModel> = {
    id,
    idempotencyKey: text('idempotency_key'),
    requestHash: text('request_hash'),
    kind: text('kind'),
    batchId: whole('batch_id', true),
    placeId: whole('place_id', true),
    at: column(DataTypes.DATE, 'at'),
    look: text('look', true),
    weight_g: figure('weight_g', true),
    way: text('way', true),
    litres: figure('litres', true),
    fed: flag('fed'),
    water_C: figure('water_c', true),
    air_C: figure('air_c', true),
    humidity_frac: figure('humidity_frac', true),
    onLid: { ...flag('on_lid'), defaultValue: false },
    scaleId: whole('scale_id', true),
    note: text('note'),
    correctsId: whole('corrects_id', true),
    // By the database: whoever writes in this transaction.
    authorId: { ...whole('author_id', true), defaultValue: sequelize.literal('writing_person()') },
    waited: { ...flag('waited'), defaultValue: false },
  };
  WaterLineModel.init(lines, on('water_lines'));
  const scales: Columns<ScaleModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    device: text('device'),
    batchId: whole('batch_id', true),
    trays: whole('trays'),
    tare_g: figure('tare_g'),
  };
  ScaleModel.init(scales, on('scales'));
}
