import { inflateSync } from 'node:zlib';
import { PDFDocument, PDFName, PDFNumber, PDFRawStream } from 'pdf-lib';
import { describe, expect, it } from 'vitest';
import { LABEL_SHEETS } from '../../src/core/batch/labelSheets.ts';
import { readTrayCode } from '../../src/core/batch/trayCode.ts';
import { labelsPdf } from '../../src/server/batch/labels.ts';
import { codeIn } from '../../src/ui/photo/codeIn.ts';

/** What is printed on labels, read back from the PDF by a library that shares nothing with the one that draws it (npm @zxing/library). */
async function codesIn(bytes: Uint8Array): Promise<string[]> {
  const pdf = await PDFDocument.load(bytes);
  return pdf.context.enumerateIndirectObjects().flatMap(([, object]) => {
    if (!(object instanceof PDFRawStream) || object.dict.get(PDFName.of('Subtype')) !== PDFName.of('Image')) return [];
    const side = (name: string) => object.dict.lookup(PDFName.of(name), PDFNumber).asNumber();
    const [width, height] = [side('Width'), side('Height')];
    const data = inflateSync(object.contents);
    const colours = data.length / (width * height);
    // Masks of opacity are images as well.
    if (colours !== 3) return [];
    // White around it, as on paper.
    const rim = 24;
    const wide = width + 2 * rim;
    const grey = new Uint8ClampedArray(wide * (height + 2 * rim)).fill(255);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) grey[(y + rim) * wide + x + rim] = data[3 * (y * width + x)]!;
    return [codeIn(grey, wide, height + 2 * rim) ?? 'none'];
  });
}

describe('codes on labels', () => {
  it('lead to their trays when they are read back from the PDF', async () => {
    const labels = ['936-1', 'ULT-12', 'K7M-3', '5GE-104', 'ATF-2', 'X9YZ-1999'].map((code) => ({
      title: 'Tomato Ridge Ember C',
      code,
      lines: ['x'],
    }));
    const pdf = await labelsPdf(labels, LABEL_SHEETS[0]!, 'http://192.168.1.20:4310', 2);
    const read = await codesIn(pdf);
    // One of these is not read as it stands, only when it is turned a little.
    expect(read.sort()).toEqual(labels.map(({ code }) => `http://192.168.1.20:4310/t/${code}`).sort());
    expect(read.map(readTrayCode)).toContainEqual({ code: 'ULT', tray: 12 });
    expect(codeIn(new Uint8ClampedArray(200 * 200).fill(200), 200, 200)).toBeNull();
  });
});
