import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overByDay, stackBands, type Layable } from './stack.ts';

const someBands = fc
  .array(
    fc.record({
      from: fc.integer({ min: 0, max: 60 }),
      days: fc.integer({ min: 1, max: 30 }),
      slots: fc.integer({ min: 1, max: 9 }),
    }),
    { maxLength: 40 },
  )
  .map((raw) => raw.map(({ from, days, slots }) => ({ from, to: from + days, slots })));

const usedOn = (bands: readonly Layable[], day: number): number =>
  bands.filter((b) => b.from <= day && b.to > day).reduce((sum, b) => sum + b.slots, 0);

describe('stackBands', () => {
  it('never lets two bands overlap, and is as deep as its deepest band', () => {
    fc.assert(
      fc.property(someBands, fc.integer({ min: 0, max: 40 }), (bands, room) => {
        const { laid, depth } = stackBands(bands, room);
        expect(laid).toHaveLength(bands.length);
        expect(depth).toBe(Math.max(0, ...laid.map((l) => l.top + l.band.slots)));
        for (const a of laid) {
          for (const b of laid) {
            if (a === b) continue;
            const together = a.band.from < b.band.to && b.band.from < a.band.to;
            const overlap = a.top < b.top + b.band.slots && b.top < a.top + a.band.slots;
            expect(together && overlap).toBe(false);
          }
        }
      }),
      { seed: 5, numRuns: 200 },
    );
  });
  it('keeps bands one after another on the same height', () => {
    const { laid, depth } = stackBands(
      [
        { from: 0, to: 5, slots: 4 },
        { from: 5, to: 9, slots: 4 },
      ],
      4,
    );
    expect(laid.map((l) => l.top)).toEqual([0, 0]);
    expect(depth).toBe(4);
  });
  it('finds the order of laying that fits where laying by first day does not', () => {
    const bands = [
      { from: 0, to: 3, slots: 1 },
      { from: 0, to: 10, slots: 1 },
      { from: 2, to: 10, slots: 1 },
      { from: 3, to: 10, slots: 1 },
    ];
    expect(stackBands(bands, 3).depth).toBe(3);
  });
});

describe('overByDay', () => {
  it('says for each day what counting bands one by one says', () => {
    fc.assert(
      fc.property(someBands, fc.integer({ min: 0, max: 40 }), (bands, room) => {
        const runs = overByDay(bands, room);
        for (let day = 0; day < 95; day++) {
          const said = runs.find((run) => run.from <= day && run.to > day)?.slots ?? 0;
          expect(said).toBe(Math.max(0, usedOn(bands, day) - room));
        }
      }),
      { seed: 6, numRuns: 200 },
    );
  });
});
