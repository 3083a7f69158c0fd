import { Op, type Sequelize } from 'sequelize';
import type { StartingPlace } from '../../core/house/startingHouses.ts';
import type { NurseryRecord } from '../../core/house/nursery.ts';
import type { MonthNormal } from '../../core/plan/schedule/outsideClimate.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import { BatchModel } from '../batch/models.ts';
import { ContainerModel, PlaceModel, PlacePeriodModel } from '../books/models.ts';
import { inTransaction } from '../inTransaction.ts';
import { NurseryModel } from './models.ts';

/** What is written of a nursery that begins. */
export interface NurseryBegun {
  readonly settings: Pick<
    NurseryRecord,
    | 'name'
    | 'placeName'
    | 'latitude_deg'
    | 'longitude_deg'
    | 'timeZone'
    | 'temperatureUnit'
    | 'lengthUnit'
    | 'currency'
    | 'firstWeekday'
    | 'lastFrost'
    | 'firstFrost'
  > & {
    readonly height_m: number;
    readonly byTheSea: boolean;
    readonly outside: MonthNormal[];
    readonly frost: FrostChoice;
  };
  readonly places: readonly StartingPlace[];
  readonly containerIds: readonly number[];
  /** Day from which the other containers are out of use, YYYY-MM-DD. */
  readonly today: string;
}

/** Begins a nursery, all of it or nothing; false when it has places or batches already. */
export async function writeBegun(db: Sequelize, begun: NurseryBegun): Promise<boolean> {
  return inTransaction(db, async (transaction) => {
    const nursery = await NurseryModel.findByPk(1, { transaction, lock: true });
    const there =
      (await PlaceModel.count({ transaction })) > 0 || (await BatchModel.count({ transaction })) > 0 || !nursery;
    if (there || nursery.demoClock !== null || nursery.byTheSea !== null) return false;
    await nursery.update({ ...begun.settings, outsideBy: 'guess', version: nursery.version + 1 }, { transaction });
    for (const [i, { key: _key, periods, size, temperature, ...place }] of begun.places.entries()) {
      const row = await PlaceModel.create(
        { ...place, walkOrder: i + 1, size, ...(temperature ? { temperature } : {}) },
        { transaction },
      );
      await PlacePeriodModel.bulkCreate(
        periods.map((period) => ({ ...period, placeId: row.id })),
        { transaction },
      );
    }
    await ContainerModel.update(
      { retiredOn: begun.today },
      { where: { id: { [Op.notIn]: [...begun.containerIds] }, retiredOn: null }, transaction },
    );
    return true;
  });
}
