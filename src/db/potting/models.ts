import {
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Feed } from '../../core/potting/feed.ts';
import type { StockKind, StockUnit } from '../../core/potting/stock.ts';
import { day, figure, id, json, text, tableOn, version, whole, type Columns } from '../columns.ts';

export class MixModel extends Model<InferAttributes<MixModel>, InferCreationAttributes<MixModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare parts: { itemId: number; parts: number }[];
  declare note: string;
}

export class FeedModel extends Model<InferAttributes<FeedModel>, InferCreationAttributes<FeedModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare form: Feed['form'];
  declare basis: Feed['basis'];
  declare n_percent: number;
  declare p_percent: number;
  declare k_percent: number;
  declare named: Feed['named'];
  declare rate_perL: number;
  declare density_kg_L: number;
  declare ec_mS: number | null;
  declare note: string;
}

export class StockItemModel extends Model<InferAttributes<StockItemModel>, InferCreationAttributes<StockItemModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: StockKind;
  declare unit: StockUnit;
  declare containerId: number | null;
  declare pack: number;
  declare least: number;
  declare price: number | null;
  declare feedId: CreationOptional<number | null>;
  declare held_frac: CreationOptional<number | null>;
}

/** Defines the models of potting on a connection. */
export function definePottingModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
  const mixes: Columns<MixModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    parts: json('parts'),
    note: text('note'),
  };
  MixModel.init(mixes, on('mixes'));
  const feeds: Columns<FeedModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    form: text('form'),
    basis: text('basis'),
    n_percent: figure('n_percent'),
    p_percent: figure('p_percent'),
    k_percent: figure('k_percent'),
    named: text('named'),
    rate_perL: figure('rate_per_l'),
    density_kg_L: figure('density_kg_l'),
    ec_mS: figure('ec_ms', true),
    note: text('note'),
  };
  FeedModel.init(feeds, on('feeds'));
  const stock: Columns<StockItemModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    kind: text('kind'),
    unit: text('unit'),
    containerId: whole('container_id', true),
    pack: figure('pack'),
    least: figure('least'),
    price: figure('price', true),
    feedId: whole('feed_id', true),
    held_frac: figure('held_frac', true),
  };
  StockItemModel.init(stock, on('stock_items'));
}
