import { readFile } from 'node:fs/promises';
import { cropsFromLibrary, type LibraryTexts } from '../src/contracts/books/cropLibrary.ts';
import type { Crop } from '../src/core/books/crop.ts';

/** The crop library that ships with the application. */
export async function libraryCrops(): Promise<Crop[]> {
  const read = (name: string) => readFile(new URL(`../src/stores/${name}`, import.meta.url), 'utf8');
  const texts: LibraryTexts = {
    crops: await read('crop-library.csv'),
    tables: await read('crop-tables.csv'),
    bolting: await read('crop-bolting.csv'),
    emergenceDays: await read('emergence-days.csv'),
    emergencePercent: await read('emergence-percent.csv'),
  };
  return cropsFromLibrary(texts);
}
