import { inTransaction } from '../inTransaction.ts';
import { QueryTypes, UniqueConstraintError, type ModelStatic, type Sequelize, type Transaction } from 'sequelize';
import type { ContainerInput, LotInput, PlaceInput } from '../../contracts/books/books.ts';
import type { CropInput, VarietyInput } from '../../contracts/books/crops.ts';
import type { NurseryInput } from '../../contracts/house/settings.ts';
import type { CoverInput, ProgrammeInput } from '../../contracts/hardening/hardening.ts';
import { CoverModel, ProgrammeModel } from '../hardening/models.ts';
import type { FeedInput, MixInput, StockItemInput } from '../../contracts/potting/potting.ts';
import { FeedModel, MixModel, StockItemModel } from '../potting/models.ts';
import type { DemoClock } from '../../core/house/nursery.ts';
import {
  ContainerModel,
  CropModel,
  LotModel,
  PlaceModel,
  PlacePeriodModel,
  PlaceSetPointModel,
  VarietyModel,
} from './models.ts';
import { HouseJobModel, NurseryModel, PersonModel } from '../house/models.ts';
import type { HouseJobInput } from '../../contracts/house/round.ts';
import { ScaleModel } from '../watering/models.ts';
import type { ScaleInput } from '../../contracts/watering/scales.ts';
import type { PersonInput } from '../../contracts/house/people.ts';

/** What a book's line is made of, by book. */
export interface BookInputs {
  crops: CropInput;
  varieties: VarietyInput;
  lots: LotInput;
  places: PlaceInput;
  containers: ContainerInput;
  mixes: MixInput;
  feeds: FeedInput;
  stock: StockItemInput;
  covers: CoverInput;
  programmes: ProgrammeInput;
  people: PersonInput;
  jobs: HouseJobInput;
  scales: ScaleInput;
}
export type BookName = keyof BookInputs;

/** How a write to a book ended. */
export type BookWrite =
  | { readonly kind: 'written'; readonly id: number; readonly version: number }
  | { readonly kind: 'taken' }
  | { readonly kind: 'stale' }
  | { readonly kind: 'missing' };

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the books differ in columns only; inputs are checked by Zod before
export const MODELS: Readonly<Record<BookName, ModelStatic<any>>> = {
  crops: CropModel,
  varieties: VarietyModel,
  lots: LotModel,
  places: PlaceModel,
  containers: ContainerModel,
  mixes: MixModel,
  feeds: FeedModel,
  stock: StockItemModel,
  covers: CoverModel,
  programmes: ProgrammeModel,
  people: PersonModel,
  jobs: HouseJobModel,
  scales: ScaleModel,
};

/** Adds a line to a book. */
export async function insertLine<B extends BookName>(db: Sequelize, book: B, input: BookInputs[B]): Promise<BookWrite> {
  return refusingDoubles(() =>
    inTransaction(db, async (transaction) => {
      const { periods, setPoints, ...columns } = withoutLists(input);
      const row = await MODELS[book].create(columns, { transaction });
      if (periods) await writeLists(row.id as number, periods, setPoints ?? [], transaction);
      return { kind: 'written', id: row.id as number, version: 1 };
    }),
  );
}

/** Changes a line if it still has the version it was read at. */
export async function updateLine<B extends BookName>(
  db: Sequelize,
  book: B,
  id: number,
  version: number,
  input: BookInputs[B],
): Promise<BookWrite> {
  return refusingDoubles(() =>
    inTransaction(db, async (transaction) => {
      const { periods, setPoints, ...columns } = withoutLists(input);
      const [changed] = await MODELS[book].update(
        { ...columns, version: version + 1 },
        { where: { id, version }, transaction },
      );
      if (changed === 0) {
        const there = await MODELS[book].count({ where: { id }, transaction });
        return { kind: there ? 'stale' : 'missing' };
      }
      if (periods) await writeLists(id, periods, setPoints ?? [], transaction);
      return { kind: 'written', id, version: version + 1 };
    }),
  );
}

/** Changes the nursery's settings; false when someone else was first. */
export async function updateNursery(
  input: NurseryInput,
  typed: { readonly frost: boolean; readonly outside: boolean },
): Promise<boolean> {
  const { version, outside, outsideBy: _told, ...rest } = input;
  // Places may hang on it: it can be changed, not taken away.
  const columns = {
    ...rest,
    ...(outside && typed.outside ? { outside, outsideBy: 'typed' as const } : {}),
    ...(typed.frost ? { frost: null } : {}),
  };
  return inTransaction(NurseryModel.sequelize!, async (transaction) => {
    const [changed] = await NurseryModel.update(
      { ...columns, version: version + 1 },
      { where: { id: 1, version }, transaction },
    );
    return changed === 1;
  });
}

/** Sets the demo's clock. Does not count as an edit of the settings. */
export async function updateDemoClock(demoClock: DemoClock): Promise<void> {
  await NurseryModel.update({ demoClock }, { where: { id: 1 } });
}

/** Runs a query and returns its rows, for checks such as health. */
export async function ping(db: Sequelize): Promise<void> {
  await db.query('SELECT 1', { type: QueryTypes.SELECT });
}

/** A place's periods and weekly set-points, in place of those before. */
async function writeLists(
  placeId: number,
  periods: PlaceInput['periods'],
  setPoints: PlaceInput['setPoints'],
  transaction: Transaction,
): Promise<void> {
  await PlacePeriodModel.destroy({ where: { placeId }, transaction });
  await PlacePeriodModel.bulkCreate(
    periods.map((period) => ({ ...period, placeId })),
    { transaction },
  );
  await PlaceSetPointModel.destroy({ where: { placeId }, transaction });
  await PlaceSetPointModel.bulkCreate(
    setPoints.map((setPoint) => ({ ...setPoint, placeId })),
    { transaction },
  );
}

function withoutLists(
  input: object,
): { periods?: PlaceInput['periods']; setPoints?: PlaceInput['setPoints'] } & Record<string, unknown> {
  return { ...input };
}

async function refusingDoubles(write: () => Promise<BookWrite>): Promise<BookWrite> {
  try {
    return await write();
  } catch (error) {
    if (error instanceof UniqueConstraintError) return { kind: 'taken' };
    throw error;
  }
}
