import { z } from 'zod';
import type { Call } from '../call.ts';
import { freeText, isoDay, recordId } from '../fields.ts';
import { WORDS } from '../../words/en/house/photosContract.ts';

/** Largest picture taken, bytes; a device makes it small before it is sent. */
export const MOST_PHOTO_bytes = 1_400_000;
/** Longer side of what is kept, pixels. */
export const PHOTO_px = 1280;

/** A photo of one batch, place or alarm, upright, as base64 of a JPEG, PNG or WebP. What a camera writes beside the pixels is not kept. */
export const photoInput = z
  .strictObject({
    idempotencyKey: z.string().min(8).max(64),
    batchId: recordId('batch').nullable().default(null),
    placeId: recordId('place').nullable().default(null),
    alarmId: recordId('alarm').nullable().default(null),
    day: isoDay(WORDS.day),
    note: freeText(WORDS.note, 500),
    picture: z
      .base64({ error: WORDS.picture })
      .max(Math.ceil((MOST_PHOTO_bytes * 4) / 3) + 4, { error: WORDS.tooLarge }),
  })
  .superRefine((photo, ctx) => {
    if ([photo.batchId, photo.placeId, photo.alarmId].filter((id) => id !== null).length !== 1)
      ctx.addIssue({ code: 'custom', path: ['batchId'], message: WORDS.ofOne });
  });
export type PhotoInput = z.output<typeof photoInput>;

/** What a photo shows: one of the three is a number. */
export interface PhotoOf {
  readonly batchId?: number | undefined;
  readonly placeId?: number | undefined;
  readonly alarmId?: number | undefined;
}

/** A photo as lists show it; the picture has an address of its own. Days are day numbers, instants epoch ms. */
export interface Photo {
  readonly id: number;
  readonly batchId: number | null;
  readonly placeId: number | null;
  readonly alarmId: number | null;
  readonly on: number;
  readonly note: string;
  readonly width: number;
  readonly height: number;
  /** When it was taken: tapped on the device, else written. */
  readonly at_ms: number;
  readonly authorId: number | null;
  /** Day on which its picture was taken out; null: it is there. */
  readonly removedOn: number | null;
  readonly removedBy: number | null;
}

/** Address of a picture. */
export const pictureOf = (id: number): string => `/api/house/photos/${id}/picture.jpg`;
/** Address of the photos of one thing, or of all. */
export const photosOf = ({ batchId, placeId, alarmId }: PhotoOf): string => {
  const of = Object.entries({ batch: batchId, place: placeId, alarm: alarmId }).find(([, id]) => id !== undefined);
  return of ? `/api/house/photos?${of[0]}=${of[1]}` : '/api/house/photos';
};

export const PHOTO_NOTE_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/house/photos',
    summary: 'A photo of a batch, a place or an alarm, upright; place, time and device in the file are not kept',
    body: photoInput,
    status: 201,
  },
  { method: 'get', path: '/api/house/photos', summary: 'Photos, of ?batch=, ?place= or ?alarm= alone', status: 200 },
  {
    method: 'get',
    path: '/api/house/photos/{id}/picture.jpg',
    summary: 'A picture',
    status: 200,
    type: 'image/jpeg',
  },
  {
    method: 'delete',
    path: '/api/house/photos/{id}',
    summary: 'Takes the picture of a photo out for good; that there was one stays written',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/house/photos.zip',
    summary: 'All pictures with photos.csv, which says what each shows',
    status: 200,
    type: 'application/zip',
  },
];
