import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import type { Photo, PhotoInput, PhotoOf } from '../../contracts/house/photos.ts';
import { ms, rows, run, type Db, type In, type Row } from '../sql.ts';

const COLUMNS = `p.id, p.batch_id, p.place_id, p.alarm_id, p.on_day::text AS on_day, p.note, p.width, p.height,
  coalesce(p.tapped_at, p.recorded_at) AS at, p.author_id, p.removed_by`;

const photoRecord = (r: Row): Photo => ({
  id: r['id'] as number,
  batchId: r['batch_id'] as number | null,
  placeId: r['place_id'] as number | null,
  alarmId: r['alarm_id'] as number | null,
  on: requireDay(r['on_day'] as string),
  note: r['note'] as string,
  width: r['width'] as number,
  height: r['height'] as number,
  at_ms: ms(r['at'])!,
  authorId: r['author_id'] as number | null,
  removedOn: r['removed_on'] === null ? null : requireDay(r['removed_on'] as string),
  removedBy: r['removed_by'] as number | null,
});

/** Photos of one batch, place or alarm, or all but those of voided batches; the newest first. */
export async function readPhotos(
  db: Db,
  { batchId, placeId, alarmId }: PhotoOf,
  timeZone: string,
  most: number,
): Promise<Photo[]> {
  const found = await rows(
    db,
    `SELECT ${COLUMNS}, (p.removed_at AT TIME ZONE $5)::date::text AS removed_on FROM photos p LEFT JOIN batches b ON b.id = p.batch_id
      WHERE ($1::int IS NULL OR p.batch_id = $1) AND ($2::int IS NULL OR p.place_id = $2) AND ($3::int IS NULL OR p.alarm_id = $3)
        AND (b.id IS NULL OR $1::int IS NOT NULL OR b.voided_at IS NULL)
      ORDER BY p.on_day DESC, p.id DESC LIMIT $4`,
    [batchId ?? null, placeId ?? null, alarmId ?? null, most, timeZone],
  );
  return found.map(photoRecord);
}

/** The picture of a photo; null: there is no such photo, or its picture was taken out. */
export async function readPicture(db: Db, id: number): Promise<Buffer | null> {
  const [found] = await rows(db, 'SELECT jpeg FROM photos WHERE id = $1', [id]);
  return (found?.['jpeg'] as Buffer | null | undefined) ?? null;
}

/** What is written of a picture beside what was asked. */
export interface NewPicture {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
  readonly requestHash: string;
  readonly recordedAt_ms: number;
  readonly waited: boolean;
  readonly tappedAt_ms: number | null;
}

/** The photo written under a key, with what was asked; null: none was. */
export async function photoByKey(
  db: Db,
  key: string,
  transaction: In = null,
): Promise<{ readonly id: number; readonly requestHash: string } | null> {
  const [found] = await rows(
    db,
    'SELECT id, request_hash AS "requestHash" FROM photos WHERE idempotency_key = $1',
    [key],
    transaction,
  );
  return (found as { id: number; requestHash: string } | undefined) ?? null;
}

/** Writes a photo; null: the same key was written by another call meanwhile. */
export async function insertPhoto(
  db: Db,
  { idempotencyKey, batchId, placeId, alarmId, day, note }: Omit<PhotoInput, 'picture'>,
  { jpeg, width, height, requestHash, recordedAt_ms, waited, tappedAt_ms }: NewPicture,
  transaction: In,
): Promise<number | null> {
  const [made] = await run(
    db,
    `INSERT INTO photos (idempotency_key, request_hash, batch_id, place_id, alarm_id, on_day, note, width, height, jpeg, recorded_at, waited, tapped_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, to_timestamp($11), $12, to_timestamp($13)) ON CONFLICT (idempotency_key) DO NOTHING RETURNING id`,
    [
      idempotencyKey,
      requestHash,
      batchId,
      placeId,
      alarmId,
      isoFromDay(requireDay(day)),
      note,
      width,
      height,
      jpeg,
      recordedAt_ms / 1000,
      waited,
      tappedAt_ms === null ? null : tappedAt_ms / 1000,
    ],
    transaction,
  );
  return (made?.['id'] as number | undefined) ?? null;
}

/** Takes the picture of a photo out; false: there is none. */
export async function removePicture(db: Db, id: number, removedAt_ms: number, transaction: In): Promise<boolean> {
  const done = await run(
    db,
    'UPDATE photos SET jpeg = NULL, removed_at = to_timestamp($2), removed_by = writing_person() WHERE id = $1 AND jpeg IS NOT NULL RETURNING id',
    [id, removedAt_ms / 1000],
    transaction,
  );
  return done.length === 1;
}
