import {
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { ProgrammeKind, Rung } from '../../core/hardening/programme.ts';
import type { StructureSpec } from '../../core/heat/structure.ts';
import { day, figure, id, json, text, tableOn, version, whole, type Columns } from '../columns.ts';

export class CoverModel extends Model<InferAttributes<CoverModel>, InferCreationAttributes<CoverModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare layers: number;
  declare worth_K: number;
  declare soil_K: CreationOptional<number>;
  declare toHand_m2: number;
  declare placeId: number | null;
  declare structure: StructureSpec | null;
  declare note: string;
}

export class ProgrammeModel extends Model<InferAttributes<ProgrammeModel>, InferCreationAttributes<ProgrammeModel>> {
  declare id: CreationOptional<number>;
  declare retiredOn: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
  declare name: string;
  declare kind: ProgrammeKind;
  declare rungs: Rung[];
}

/** Defines the models of covers and programmes on a connection. */
export function defineHardeningModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
  const covers: Columns<CoverModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    layers: whole('layers'),
    worth_K: figure('worth_k'),
    soil_K: { ...figure('soil_k'), defaultValue: 0 },
    toHand_m2: figure('to_hand_m2'),
    placeId: whole('place_id', true),
    structure: json('structure', true),
    note: { ...text('note'), defaultValue: '' },
  };
  CoverModel.init(covers, on('covers'));
  const programmes: Columns<ProgrammeModel> = {
    id,
    retiredOn: day('retired_on', true),
    version,
    name: text('name'),
    kind: text('kind'),
    rungs: json('rungs'),
  };
  ProgrammeModel.init(programmes, on('programmes'));
}
