import { Zip, ZipPassThrough } from 'fflate';
import Papa from 'papaparse';
import { requireDay, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { MOST_PHOTO_bytes, PHOTO_px, type Photo, type PhotoInput, type PhotoOf } from '../../contracts/house/photos.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { readAlarm } from '../../db/heat/alarms.ts';
import { insertPhoto, photoByKey, readPhotos, readPicture, removePicture } from '../../db/house/photos.ts';
import { ageOfWrite_ms, inTransaction } from '../../db/inTransaction.ts';
import { toCell } from '../../formats/csvText.ts';
import { cleanPicture } from '../../formats/picture.ts';
import type { Season } from '../../core/plan/season.ts';
import { requireNear } from '../batch/batchInput.ts';
import { tappedAt } from '../batch/changeBatches.ts';
import { database } from '../database.ts';
import { readForLog } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { WORDS } from '../../words/en/house/photosServer.ts';

/** Photos listed at once. */
const MOST_LISTED = 400;

/** Photos of one batch, place or alarm, or of the whole house, the newest first. */
export const photosFor = ({ world }: Pick<Season, 'world'>, of: PhotoOf): Promise<Photo[]> =>
  readPhotos(database(), of, world.nursery.timeZone, MOST_LISTED);

/** What an address asks photos of. */
export function photosAsked(url: URL): PhotoOf {
  const id = (name: string): number | undefined => {
    const text = url.searchParams.get(name);
    if (text === null) return undefined;
    if (!/^[1-9]\d{0,8}$/.test(text)) throw fieldProblem(name, WORDS.aNumber(name));
    return Number(text);
  };
  return { batchId: id('batch'), placeId: id('place'), alarmId: id('alarm') };
}

/** Writes a photo down. The same key twice writes once. */
export async function takePhoto(input: PhotoInput): Promise<{ readonly id: number; readonly repeated: boolean }> {
  const { world, now } = await readForLog();
  const { batchId, placeId, alarmId, day, idempotencyKey } = input;
  if (requireDay(day) > now.today) throw fieldProblem('day', WORDS.aDayToCome);
  requireNear('day', day, now.today);
  const missing = (path: string): never => {
    throw fieldProblem(path, WORDS.notThere);
  };
  if (batchId !== null && !world.batches.some(({ id }) => id === batchId)) missing('batchId');
  if (placeId !== null && !world.places.some(({ id }) => id === placeId)) missing('placeId');
  if (alarmId !== null && !(await readAlarm(database(), alarmId))) missing('alarmId');
  const bytes = Buffer.from(input.picture, 'base64');
  const picture = bytes.length > MOST_PHOTO_bytes ? null : await cleanPicture(bytes, PHOTO_px);
  if (!picture) throw fieldProblem('picture', WORDS.notAPicture);
  const requestHash = hashOf(input);
  const waited = tappedAt(ageOfWrite_ms(), now.instant_ms);
  return inTransaction(database(), async (transaction) => {
    const more = {
      ...picture,
      requestHash,
      recordedAt_ms: now.instant_ms,
      waited: 'tappedAt_ms' in waited,
      tappedAt_ms: waited.tappedAt_ms ?? null,
    };
    const id = await insertPhoto(database(), input, more, transaction);
    if (id !== null) return { id, repeated: false };
    const known = (await photoByKey(database(), idempotencyKey, transaction))!;
    if (known.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.keyUsed);
    return { id: known.id, repeated: true };
  });
}

/** The picture of a photo. */
export async function pictureOr404(id: number): Promise<Buffer> {
  const jpeg = await readPicture(database(), id);
  if (!jpeg) throw new ProblemError(404, WORDS.noPicture, WORDS.noneOfThisNumber);
  return jpeg;
}

/** Takes the picture of a photo out for good. */
export async function removePhoto(id: number): Promise<void> {
  const { now } = await readForLog();
  const done = await inTransaction(database(), (transaction) =>
    removePicture(database(), id, now.instant_ms, transaction),
  );
  if (!done) throw new ProblemError(404, WORDS.noPicture, WORDS.noneOfThisNumber);
}

/** All pictures with a list of them, read one after another as they are sent. */
export async function photosZip({ world }: Season): Promise<ReadableStream<Uint8Array>> {
  const photos = await readPhotos(database(), {}, world.nursery.timeZone, 1_000_000);
  const codes = new Map(world.batches.map(({ id, code }) => [id, code]));
  const places = new Map(world.places.map(({ id, name }) => [id, name]));
  const people = new Map(world.people.map(({ id, name }) => [id, name]));
  const nameOf = ({ id, on, batchId, removedOn }: Photo): string =>
    removedOn !== null
      ? ''
      : `${isoFromDay(on)}${batchId === null ? '' : `-${codes.get(batchId) ?? batchId}`}-${id}.jpg`;
  const list = Papa.unparse(
    {
      fields: ['file', 'day', 'taken_at', 'batch_code', 'place', 'alarm', 'note', 'author', 'removed_on'],
      data: photos.map((photo) => [
        nameOf(photo),
        isoFromDay(photo.on),
        new Date(photo.at_ms).toISOString(),
        photo.batchId === null ? '' : (codes.get(photo.batchId) ?? String(photo.batchId)),
        toCell(photo.placeId === null ? '' : (places.get(photo.placeId) ?? '')),
        photo.alarmId ?? '',
        toCell(photo.note),
        toCell(photo.authorId === null ? '' : (people.get(photo.authorId) ?? '')),
        photo.removedOn === null ? '' : isoFromDay(photo.removedOn),
      ]),
    },
    { newline: '\r\n' },
  );
  const left = photos.filter(({ removedOn }) => removedOn === null);
  let zip: Zip;
  const add = (name: string, bytes: Uint8Array): void => {
    const entry = new ZipPassThrough(name);
    zip.add(entry);
    entry.push(bytes, true);
  };
  return new ReadableStream({
    start(controller) {
      zip = new Zip((error, bytes, final) => {
        if (error) return controller.error(error);
        controller.enqueue(bytes);
        if (final) controller.close();
      });
      add('photos.csv', Buffer.from(list, 'utf8'));
    },
    async pull() {
      const next = left.shift();
      if (!next) return zip.end();
      // Taken out while the others were sent: the list says it was there.
      const jpeg = await readPicture(database(), next.id);
      if (jpeg) add(nameOf(next), jpeg);
      else add(`${nameOf(next)}.removed`, new Uint8Array());
    },
  });
}
