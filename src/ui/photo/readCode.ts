interface Detector {
  detect(source: ImageBitmapSource): Promise<readonly { readonly rawValue: string }[]>;
}
type DetectorClass = (new (options: { formats: string[] }) => Detector) & {
  getSupportedFormats(): Promise<readonly string[]>;
};

/** Reads a QR code in a picture; null: none in it. */
export type ReadCode = (source: HTMLVideoElement | HTMLCanvasElement) => Promise<string | null>;

/** The browser's own reader where it has one, else one that is loaded when it is wanted. */
export async function codeReader(): Promise<ReadCode> {
  const own = (globalThis as { readonly BarcodeDetector?: DetectorClass }).BarcodeDetector;
  if (own && (await own.getSupportedFormats().catch((): string[] => [])).includes('qr_code')) {
    const detector = new own({ formats: ['qr_code'] });
    return async (source) => (await detector.detect(source))[0]?.rawValue ?? null;
  }
  const { codeIn } = await import('./codeIn.ts');
  const canvas = document.createElement('canvas');
  return async (source) => {
    const [width, height] = sizeOf(source);
    if (width === 0 || height === 0) return null;
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) return null;
    context.drawImage(source, 0, 0, width, height);
    const { data } = context.getImageData(0, 0, width, height);
    const grey = new Uint8ClampedArray(width * height);
    for (let i = 0; i < grey.length; i++) grey[i] = (data[4 * i]! + 2 * data[4 * i + 1]! + data[4 * i + 2]!) / 4;
    return codeIn(grey, width, height);
  };
}

const sizeOf = (source: HTMLVideoElement | HTMLCanvasElement): [number, number] =>
  source instanceof HTMLVideoElement ? [source.videoWidth, source.videoHeight] : [source.width, source.height];
