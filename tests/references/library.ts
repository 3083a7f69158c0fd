import { readFileSync } from 'node:fs';
import { cropsFromLibrary, type LibraryTexts } from '../../src/contracts/books/cropLibrary.ts';
import type { Crop } from '../../src/core/books/crop.ts';
import type { Place } from '../../src/core/books/place.ts';

const read = (name: string): string => readFileSync(new URL(`../../src/stores/${name}`, import.meta.url), 'utf8');

export const texts: LibraryTexts = {
  crops: read('crop-library.csv'),
  tables: read('crop-tables.csv'),
  bolting: read('crop-bolting.csv'),
  emergenceDays: read('emergence-days.csv'),
  emergencePercent: read('emergence-percent.csv'),
};

export const crops: readonly Crop[] = cropsFromLibrary(texts);

export function cropNamed(name: string): Crop {
  const crop = crops.find((c) => c.name === name);
  if (!crop) throw new Error(`no crop ${name} in the library`);
  return crop;
}

let nextId = 1;
/** A place at one temperature by day and one by night all year. */
export function steadyPlace(day_C: number, night_C = day_C, kind: Place['kind'] = 'bench'): Place {
  const id = nextId++;
  return {
    id,
    name: `Place ${id}`,
    kind,
    lit: kind !== 'dark-chamber',
    room_trays: 40,
    walkOrder: id,
    periods: [{ from: '01-01', day_C, night_C }],
  };
}
