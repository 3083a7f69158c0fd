import {
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type CreationOptional,
  type Sequelize,
  DataTypes,
} from 'sequelize';
import { id, version, day, tableOn, type Columns, text, whole, figure, json, flag, column } from '../columns.ts';
import type { WorkKey } from '../../core/plan/stage.ts';
import type { JoinsAt } from '../../core/plan/batchPlan.ts';
import type { OffHeatRule } from '../../core/germination/offHeatRule.ts';
import type { GateKey, GateMode } from '../../core/planting/gates.ts';
import type { MilestoneKey } from '../../core/plan/schedule/chain.ts';
import type { EventKind, SplitSnapshot, PottingDetails, PlantingDetails } from '../../core/batch/event.ts';

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
  declare sure_frac: CreationOptional<number | null>;
  declare seasonId: number;
  declare voidedAt: CreationOptional<Date | null>;
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
  declare waited: CreationOptional<boolean>;
  declare tappedAt: CreationOptional<Date | null>;
  declare idempotencyKey: string;
  declare requestHash: string;
}

/** Defines the models of batches and their log on a connection. */
export function defineBatchModels(sequelize: Sequelize): void {
  const on = tableOn(sequelize);
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
    sure_frac: figure('sure_frac', true),
    seasonId: whole('season_id'),
    voidedAt: column(DataTypes.DATE, 'voided_at', true),
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
    waited: { ...column(DataTypes.BOOLEAN, 'waited'), defaultValue: false },
    tappedAt: { ...column(DataTypes.DATE, 'tapped_at'), allowNull: true },
    idempotencyKey: text('idempotency_key'),
    requestHash: text('request_hash'),
  };
  BatchEventModel.init(events, on('batch_events'));
}
