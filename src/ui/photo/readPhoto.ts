import { WORDS } from '../../words/en/ui/photo.ts';

/** A picture as it is worked with on the device: upright, small, without anything a camera writes beside the pixels. */
export interface Photo {
  readonly pixels: ImageData;
  /** As a JPEG, for keeping. */
  toJpeg(): Promise<Blob>;
}

/** Larger files are no photographs of a phone. */
const MOST_bytes = 60 * 1024 * 1024;
const QUALITY = 0.8;

/**
 * Reads a picture of a camera: turned upright, made small; drawn anew, so that place, time and device in it are gone.
 * @param most_px of its longer side
 * @throws Error in words that say what to do
 */
export async function readPhoto(file: Blob, most_px: number): Promise<Photo> {
  if (file.size > MOST_bytes) throw new Error(WORDS.tooLarge);
  let whole: ImageBitmap;
  try {
    whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new Error(isHeic(file) ? WORDS.heic : WORDS.notAPicture);
  }
  const by = Math.min(1, most_px / Math.max(whole.width, whole.height));
  const [width, height] = [Math.max(1, Math.round(whole.width * by)), Math.max(1, Math.round(whole.height * by))];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error(WORDS.noCanvas);
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, width, height);
  whole.close();
  return {
    pixels: context.getImageData(0, 0, width, height),
    toJpeg: () =>
      new Promise((resolve, reject) =>
        canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error(WORDS.noCanvas))), 'image/jpeg', QUALITY),
      ),
  };
}

const isHeic = (file: Blob): boolean =>
  /hei[cf]/.test(file.type) || /\.hei[cf]$/i.test((file as { readonly name?: string }).name ?? '');
