import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stackBands } from './stack.ts';

describe('stackBands', () => {
  it('never lets two bands overlap, and says which hang out of the lane', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            from: fc.integer({ min: 0, max: 60 }),
            days: fc.integer({ min: 1, max: 30 }),
            slots: fc.integer({ min: 1, max: 9 }),
          }),
          { maxLength: 40 },
        ),
        fc.integer({ min: 0, max: 40 }),
        (raw, room) => {
          const bands = raw.map(({ from, days, slots }) => ({
            from,
            to: from + days,
            slots,
          }));
          const { laid, depth } = stackBands(bands, room);
          expect(laid).toHaveLength(bands.length);
          for (const a of laid) {
            const fullest = Math.max(
              ...Array.from({ length: a.band.to - a.band.from }, (_, i) =>
                bands
                  .filter((b) => b.from <= a.band.from + i && b.to > a.band.from + i)
                  .reduce((sum, b) => sum + b.slots, 0),
              ),
            );
            expect(a.over).toBe(a.top + a.band.slots > room && fullest > room);
            expect(a.top + a.band.slots).toBeLessThanOrEqual(depth);
            for (const b of laid) {
              if (a === b) continue;
              const together = a.band.from < b.band.to && b.band.from < a.band.to;
              const overlap = a.top < b.top + b.band.slots && b.top < a.top + a.band.slots;
              expect(together && overlap).toBe(false);
            }
          }
        },
      ),
      { seed: 5, numRuns: 200 },
    );
  });
  it('keeps bands one after another on the same height', () => {
    const { laid } = stackBands([{ from: 0, to: 5, slots: 4 }, { from: 5, to: 9, slots: 4 }], 4); // prettier-ignore
    expect(laid.map((l) => [l.top, l.over])).toEqual([[0, false], [0, false]]); // prettier-ignore
  });
});
