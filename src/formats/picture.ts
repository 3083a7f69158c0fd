import sharp from 'sharp';

/** A picture as it is kept: a JPEG of its pixels alone. */
export interface CleanPicture {
  readonly jpeg: Buffer;
  readonly width: number;
  readonly height: number;
}

/** Larger pictures are not opened: a small file can unfold to a great many pixels. */
const MOST_PIXELS = 50_000_000;
const QUALITY = 78;
const KINDS: readonly string[] = ['jpeg', 'png', 'webp'];

/**
 * Draws a picture anew: upright as its camera says, no longer than a number of pixels, without what a camera writes beside them (place,
 * time, device). null: it is no JPEG, PNG or WebP that can be read, or too large.
 */
export async function cleanPicture(bytes: Uint8Array, most_px: number): Promise<CleanPicture | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    if (!KINDS.includes((await picture.metadata()).format)) return null;
    const { data, info } = await picture
      .rotate()
      .resize({ width: most_px, height: most_px, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch {
    return null;
  }
}
