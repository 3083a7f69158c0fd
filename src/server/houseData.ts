import type { HouseData, SeasonBatch } from '../contracts/seasonData.ts';
import { TABLE_DAYS, type Season } from './season.ts';

/** What the islands work from: crops (all, or those of the batches given), places, containers, settings. */
export function houseData(season: Season, cropIds: ReadonlySet<number> | null): HouseData {
  const { world, now, tables } = season;
  const plain = <T extends { version: number }>({ version: _version, ...rest }: T) => rest;
  return {
    today: now.today,
    tablesFrom: tables.from,
    tableDays: TABLE_DAYS,
    unit: world.nursery.temperatureUnit,
    lastFrost: world.nursery.lastFrost,
    firstFrost: world.nursery.firstFrost,
    spare_frac: world.nursery.spare_frac,
    offHeat: world.nursery.offHeat,
    crops: world.crops.filter((crop) => cropIds === null || cropIds.has(crop.id)).map(plain),
    varieties: cropIds === null ? world.varieties.map(({ id, cropId, name }) => ({ id, cropId, name })) : [],
    lots: cropIds === null ? world.lots.map(({ id, varietyId, code }) => ({ id, varietyId, code })) : [],
    places: world.places.map(plain),
    containers: world.containers.map(plain),
  };
}

/** The batches of the season's drawing: those not ended, and those ended or planted in this season. */
export function seasonBatches(season: Season): SeasonBatch[] {
  return season.batches.map(({ batch, name, state }) => {
    const { held: _held, endCause: _cause, ...rest } = state;
    return {
      id: batch.id,
      version: batch.version,
      code: batch.code,
      name,
      cropId: batch.cropId,
      plan: batch.plan,
      state: rest,
    };
  });
}
