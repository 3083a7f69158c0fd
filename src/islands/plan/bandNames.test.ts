import { describe, expect, it } from 'vitest';
import { bandNames, calledIn } from './bandNames.ts';
import { ZOOMS, zoomOf } from './zoom.ts';

const CROPS = [
  { id: 1, name: 'sweet corn' },
  { id: 2, name: 'tomato' },
] as never;
const corn = { name: 'Sweet corn Row Eleven A', code: 'K7M', cropId: 1 };

describe('the name of a batch in so much room', () => {
  it.each([
    [160, 'Sweet corn Row Eleven A'],
    [90, 'Row Eleven A'],
    [77, 'Row Eleven A'],
    [76, 'K7M'],
    [20, 'K7M'],
    [15, ''],
  ])('%i px: %s', (width, words) => {
    expect(calledIn(corn, CROPS, width)).toBe(words);
  });
  it('its crop and letter, where the variety is long', () => {
    expect(calledIn({ name: 'Tomato Old Orchard Wall B', code: 'ABC', cropId: 2 }, CROPS, 60)).toBe('Tomato B');
  });
  it('a name that is not its crop’s stays whole, or is the code', () => {
    expect([100, 30].map((w) => calledIn({ name: 'Trial nine', code: 'X9', cropId: 2 }, CROPS, w))).toEqual([
      'Trial nine',
      'X9',
    ]);
  });
});

describe('where names stand', () => {
  const x = (day: number) => 10 * day;
  const batch = { ...corn, id: 5 };
  const worked = new Map([[5, { batch }]]) as never;
  const names = (bands: readonly (readonly [from: number, to: number, slots: number])[], today: number) =>
    bandNames(
      [
        {
          perSlot_px: 4,
          laid: bands.map(([from, to, slots], index) => ({ top: 0, band: { batchId: 5, index, from, to, slots } })),
        },
      ] as never,
      worked,
      x,
      { today, crops: CROPS },
    ).get(5);

  it('once a batch, on the band that says most, of those to come', () => {
    expect(names([[0, 40, 4], [40, 60, 4], [60, 70, 4]], 45)).toMatchObject({ index: 1, words: 'Row Eleven A' }); // prettier-ignore
    expect(names([[0, 40, 4], [40, 60, 4]], 90)).toMatchObject({ index: 0, words: corn.name }); // prettier-ignore
  });
  it('never on a band too low or too short', () => {
    expect(names([[0, 40, 2]], 0)).toBeUndefined();
    expect(names([[0, 3, 4]], 0)).toBeUndefined();
  });
  it('begins today on a band that stands now: what is past is pale', () => {
    expect(names([[0, 40, 4]], 20)).toMatchObject({ x: 205 });
    expect(names([[20, 40, 4]], 10)).toMatchObject({ x: 205 });
  });
});

describe('spans', () => {
  it('show at least what they are called, as wide as the screen lets', () => {
    for (const width of [240, 780, 1600]) {
      const [season, month, week] = (['season', 'month', 'week'] as const).map((s) => ZOOMS[zoomOf(s, 200, width)]!);
      expect(8 * week!).toBeLessThanOrEqual(width);
      expect(35 * month! <= width || month === ZOOMS[0]).toBe(true);
      expect(200 * season! <= width || season === ZOOMS[0]).toBe(true);
      expect(season! <= month! && month! <= week!).toBe(true);
    }
    expect(ZOOMS[zoomOf('week', 200, 780)]).toBe(90);
    expect(ZOOMS[zoomOf('month', 200, 780)]).toBe(20);
    expect(zoomOf('week', 4, 780)).toBe(ZOOMS.length - 1);
  });
});
