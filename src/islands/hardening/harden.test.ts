import { siteWind } from '../../core/weather/siteWind.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { historyColumns, springInputOf } from '../../contracts/planting/springs.ts';
import { stepsFrom } from './CoverEditor.tsx';
import { endWords } from './LadderRow.tsx';
import { treads } from './stairs.ts';

describe('stairs', () => {
  const box = { column: 72, height: 88, top: 6, base: 44 };
  const day = (rung: number, say: 'go' | 'hold' | 'back' = 'go') => ({ rung, say, climbs: false, done: false });
  it('climb with the step, a column a day, and stay in their row', () => {
    const made = treads([day(0, 'back'), day(3), day(7)], 2, 7, box);
    expect(made.map((t) => t.x)).toEqual([144, 216, 288]);
    expect(made[0]!.y).toBe(44);
    expect(made[2]!.y).toBe(6);
    expect(made[1]!.y).toBeLessThan(made[0]!.y);
    expect(treads([], 0, 0, box)).toEqual([]);
  });
});

describe('steps of a lid as typed', () => {
  it('names with per cents; what is no figure goes as it is, so that the answer can name it', () => {
    expect(stepsFrom('shut 0, ajar 12%, both doors 100')).toEqual([
      { name: 'shut', open_frac: 0 },
      { name: 'ajar', open_frac: 0.12 },
      { name: 'both doors', open_frac: 1 },
    ]);
    expect(stepsFrom('shut 0, wide')[1]).toEqual({ name: 'wide', open_frac: 'wide' });
    expect(stepsFrom(' , ')).toEqual([]);
  });
});

describe('when a batch is hardened, in words', () => {
  const today = 20_920;
  it('the middle day with its band, one day when they are the same, and none in sight', () => {
    const end = { p10: today + 3, p50: today + 5, p90: today + 9 };
    expect(endWords({ end, hardened: false }, today)).toMatch(
      /^hardened 17 Apr, 15 Apr to 21 Apr in eight springs of ten, 5 days$/,
    );
    expect(endWords({ end: { p10: today, p50: today, p90: today }, hardened: false }, today)).toBe('hardened 12 Apr');
    expect(endWords({ end: { ...end, p50: null }, hardened: false }, today)).toBe('finish date unknown');
    expect(endWords({ end, hardened: true }, today)).toBe('hardened');
  });
});

describe('history sent to the page', () => {
  it('comes back day by day to a tenth of a degree, gaps and all', () => {
    const degrees = fc.option(
      fc.integer({ min: -300, max: 400 }).map((n) => n / 10),
      { nil: null },
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(fc.integer({ min: 9000, max: 9400 }), degrees, degrees), {
          selector: ([day]) => day,
          maxLength: 60,
        }),
        (list) => {
          const history = list
            .map(([day, least_C, most_C]) => ({ day, least_C, most_C }))
            .sort((a, b) => a.day - b.day);
          const input = {
            from: 1,
            days: 1,
            runs: 1,
            seed: 1,
            wind: siteWind([], null),
            near: [],
            soil_C: null,
            latitude_deg: 52,
            usual: null,
          };
          const back = springInputOf({ input, ...historyColumns(history), tasks: [] }).history;
          expect(back.filter((d) => history.some((h) => h.day === d.day))).toEqual(history);
          expect(back.filter((d) => !history.some((h) => h.day === d.day)).every((d) => d.least_C === null)).toBe(true);
        },
      ),
      { seed: 2, numRuns: 100 },
    );
  });
});
