import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const ROOMS = [
  'batch',
  'plan',
  'germination',
  'growth',
  'watering',
  'heat',
  'potting',
  'hardening',
  'planting',
  'weather',
  'books',
  'house',
];
/** What a floor has besides rooms: what all its rooms stand on, or what is not a room by its nature. */
const BESIDES: Readonly<Record<string, readonly string[]>> = {
  core: ['calendar', 'numerics', 'units', 'vision'],
  contracts: [],
  db: ['migrations'],
  server: [],
  islands: [],
  // Words of the frame, of the parts all screens are made of, of labels, and of core's shared floor.
  'words/en': ['layouts', 'ui', 't', 'calendar', 'units', 'numerics'],
  // The short address that labels carry, and the calls.
  pages: ['api', 't'],
  'pages/api': [],
};

const foldersOf = (floor: string): string[] =>
  readdirSync(new URL(`./${floor}`, import.meta.url), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);

describe('the house', () => {
  it.each(Object.keys(BESIDES))('has the same rooms on every floor: %s', (floor) => {
    expect(foldersOf(floor).filter((name) => !ROOMS.includes(name) && !BESIDES[floor]!.includes(name))).toEqual([]);
  });
});
