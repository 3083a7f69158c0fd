import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { PhotoOf } from '../../contracts/house/photos.ts';
import type { Answer } from '../../device/send.ts';
import { doOrKeep, type KeptAnswer } from '../logPost.ts';
import { dayNow } from '../today.ts';
import { WORDS } from '../../words/en/house/photos.ts';

/** A picture that is to be kept. */
export interface PictureTaken {
  /** As a data address: shown as it is; its second part is what a call carries. */
  readonly url: string;
  readonly key: string;
}

/** Keeps a photo of something: sent at once, or when there is a network. @param name of what is shown, for the list of what waits */
export function keepPhoto(
  of: PhotoOf,
  name: string,
  today: number,
  note: string,
  { url, key }: PictureTaken,
): Promise<Answer<unknown> | KeptAnswer> {
  return doOrKeep({
    path: '/api/house/photos',
    body: { idempotencyKey: key, ...of, day: isoFromDay(dayNow(today)), note, picture: url.split(',')[1] },
    words: WORDS.photo(name),
    ...(of.batchId === undefined ? {} : { batchId: of.batchId }),
  });
}

/** A picture as a data address. */
export function dataUrlOf(picture: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error());
    reader.readAsDataURL(picture);
  });
}
