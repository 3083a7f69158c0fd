import { BinaryBitmap, HybridBinarizer, QRCodeReader, RGBLuminanceSource } from './zxing.ts';

/** Turned by so much, radians, a code is read that straight is not: its squares then fall otherwise on the pixels. */
const TURNS = [0, 0.13, -0.21, 0.4] as const;

/**
 * The text of a QR code in a grey picture; null: none is to be read in it.
 * @param grey light of each pixel, row by row, 0 to 255
 */
export function codeIn(grey: Uint8ClampedArray, width: number, height: number): string | null {
  for (const turn of TURNS) {
    const turned = turn === 0 ? { grey, width, height } : turnedBy(grey, width, height, turn);
    try {
      const source = new RGBLuminanceSource(turned.grey, turned.width, turned.height);
      return new QRCodeReader().decode(new BinaryBitmap(new HybridBinarizer(source))).getText();
    } catch {
      // Not this way: turned a little further it may be.
    }
  }
  return null;
}

/** A picture turned about its middle, white where nothing was; the nearest pixel. */
function turnedBy(grey: Uint8ClampedArray, width: number, height: number, turn: number) {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const w = Math.ceil(width * Math.abs(cos) + height * Math.abs(sin));
  const h = Math.ceil(width * Math.abs(sin) + height * Math.abs(cos));
  const out = new Uint8ClampedArray(w * h).fill(255);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const u = Math.round((x - w / 2) * cos + (y - h / 2) * sin + width / 2);
      const v = Math.round((y - h / 2) * cos - (x - w / 2) * sin + height / 2);
      if (u >= 0 && u < width && v >= 0 && v < height) out[y * w + x] = grey[v * width + u]!;
    }
  return { grey: out, width: w, height: h };
}
