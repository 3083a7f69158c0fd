import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { daysToEmerge, germinationRate } from './germinationRate.ts';
import { taughtByOldTray, type OldTray, type OldTrayTaught } from './oldTrays.ts';

const tomato = cropNamed('tomato');
const book_days = daysToEmerge(germinationRate(tomato), 21)!;
/** A tray of 100 of which half are up after so many times the book's days, by the logistic curve. */
const tray = (times: number, more: Partial<OldTray> = {}): OldTray => ({
  sownOn: 1000,
  seeds: 100,
  temperature_C: 21,
  counts: Array.from({ length: 12 }, (_, i) => 2 * (i + 1)).map((after) => ({
    day: 1000 + after,
    up: Math.round(95 / (1 + Math.exp(-7 * Math.log(after / (times * book_days))))),
  })),
  ...more,
});
const times = (of: OldTray) => Math.exp((taughtByOldTray(tomato, of, 0.95) as OldTrayTaught).logTime);

describe('a tray of years before', () => {
  it('says how many times the book’s days it took, slower and quicker, within five in a hundred', () => {
    for (const factor of [0.75, 1, 1.4]) expect(times(tray(factor)) / factor).toBeCloseTo(1, 1);
    expect(times(tray(1.4)) / 1.4).toBeGreaterThan(0.95);
    expect(taughtByOldTray(tomato, tray(1), 0.95)).toMatchObject({ temperature_C: 21, book_days, up: 95 });
  });
  it('at another temperature the same days are more or less than the book’s', () => {
    expect(times(tray(1, { temperature_C: 15 }))).toBeLessThan(times(tray(1)));
  });
  it('says why it teaches nothing', () => {
    const why = (more: Partial<OldTray>) => taughtByOldTray(tomato, tray(1, more), 0.95);
    expect(why({ temperature_C: 1 })).toMatch(/never comes up at that temperature/);
    expect(why({ counts: [{ day: 1008, up: 50 }] })).toMatch(/two counts/);
    expect(
      why({
        counts: [
          { day: 1000, up: 0 },
          { day: 1008, up: 50 },
        ],
      }),
    ).toMatch(/two counts/);
    expect(
      why({
        counts: [
          { day: 1006, up: 1 },
          { day: 1008, up: 2 },
        ],
      }),
    ).toMatch(/fewer than three/);
    expect(
      typeof why({
        counts: [
          { day: 1006, up: 1 },
          { day: 1008, up: 3 },
        ],
      }),
    ).toBe('object');
  });
});
