import type { Sequelize, Transaction } from 'sequelize';
import { isoFromDay } from '../src/core/calendar/dayNumber.ts';
import { insertPhoto } from '../src/db/house/photos.ts';
import { signAs } from '../src/db/inTransaction.ts';
import { ScaleModel } from '../src/db/watering/models.ts';
import { insertWaterLines, type NewWaterLine } from '../src/db/watering/water.ts';
import { MORNING_min, morningOf } from '../src/server/clock.ts';
import { photographed } from '../simulators/demoPhotos.ts';
import type { NurserySeed } from './setUp.ts';

/** The photos a demo begins with. */
export async function writePhotos(
  db: Sequelize,
  { photos = [], nursery }: NurserySeed,
  ids: { readonly batchIds: readonly number[]; readonly placeIds: ReadonlyMap<number, number> },
  transaction: Transaction,
): Promise<void> {
  for (const [i, photo] of photos.entries()) {
    const key = `seed photo ${i}`;
    if (photo.person !== null) await signAs(db, photo.person, transaction);
    await insertPhoto(
      db,
      {
        idempotencyKey: key,
        batchId: photo.batch === null ? null : ids.batchIds[photo.batch - 1]!,
        placeId: photo.place === null ? null : ids.placeIds.get(photo.place)!,
        alarmId: null,
        day: isoFromDay(photo.day),
        note: photo.note,
      },
      {
        ...(await photographed(photo)),
        requestHash: key,
        recordedAt_ms: morningOf(photo.day, nursery.timeZone),
        waited: false,
        tappedAt_ms: null,
      },
      transaction,
    );
  }
}

/** What a demo's hands wrote of water and air. */
export async function writeWater(
  db: Sequelize,
  { water = [], air = [], nursery }: NurserySeed,
  ids: { readonly batchIds: readonly number[]; readonly placeIds: ReadonlyMap<number, number> },
  transaction: Transaction,
): Promise<void> {
  const bare = {
    look: null,
    weight_g: null,
    way: null,
    litres: null,
    fed: false,
    water_C: null,
    air_C: null,
    humidity_frac: null,
    onLid: false,
    scaleId: null,
    note: '',
    correctsId: null,
    waited: false,
  };
  // The seed's mornings are at eight.
  const at = (day: number, minute: number) => morningOf(day, nursery.timeZone) + (minute - MORNING_min) * 60_000;
  const lines: (NewWaterLine & { readonly person: number })[] = [
    ...water.map(({ batch, person, day, minute, kind, look }, i) => ({
      ...bare,
      ...keyed(`seed water ${i}`),
      ...{ person, kind, look, batchId: ids.batchIds[batch - 1]!, placeId: null, at_ms: at(day, minute) },
    })),
    ...air.map(({ place, person, day, minute, ...read }, i) => ({
      ...bare,
      ...keyed(`seed air ${i}`),
      ...read,
      ...{ person, kind: 'air' as const, batchId: null, placeId: ids.placeIds.get(place)!, at_ms: at(day, minute) },
    })),
  ];
  for (const { person, ...line } of lines.sort((a, b) => a.at_ms - b.at_ms)) {
    await signAs(db, person, transaction);
    await insertWaterLines([line], transaction);
  }
}

/** A demo's scales, under the trays they stand under. */
export async function writeScales(
  { scales = [] }: NurserySeed,
  batchIds: readonly number[],
  transaction: Transaction,
): Promise<void> {
  await ScaleModel.bulkCreate(
    scales.map(({ batch, name, device, trays, tare_g }) => ({
      ...{ name, device, trays, tare_g, batchId: batchIds[batch - 1]! },
    })),
    { transaction },
  );
}

const keyed = (key: string) => ({ idempotencyKey: key, requestHash: key });
