import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { germinationRate } from '../germination/germinationRate.ts';
import { cropAs, cropOfBatch } from './varietyFigures.ts';

const tomato = cropNamed('tomato');

describe('a variety that is otherwise than its crop', () => {
  it('has its own figures and the crop’s for the rest; without any it is the crop itself', () => {
    const hardier = cropAs(tomato, { plantNightMin_C: 7, weeksHigh: 7 });
    expect(hardier).toMatchObject({ plantNightMin_C: 7, weeksHigh: 7, weeksLow: tomato.weeksLow, id: tomato.id });
    expect(cropAs(tomato, {})).toBe(tomato);
    expect(cropAs(tomato, null)).toBe(tomato);
  });

  it('that comes up in half the time does so at every temperature of the table', () => {
    const quick = cropAs(tomato, { germBest_days: tomato.germBest_days / 2 });
    for (const t of [15, 20, 25, 30]) expect(germinationRate(quick)(t)).toBeCloseTo(2 * germinationRate(tomato)(t), 9);
  });

  it('is the same object for the same two, so that what hangs on it is not worked out anew', () => {
    const figures = { weeksHigh: 9 };
    expect(cropAs(tomato, figures)).toBe(cropAs(tomato, figures));
  });

  it('of a batch: by its variety, else the crop; a crop that is gone is said', () => {
    const house = { crops: [tomato], varieties: [{ id: 4, figures: { hardening_days: 12 } }] };
    expect(cropOfBatch(house, { cropId: tomato.id, varietyId: 4 }).hardening_days).toBe(12);
    expect(cropOfBatch(house, { cropId: tomato.id, varietyId: null })).toBe(tomato);
    expect(() => cropOfBatch(house, { cropId: 99_999 })).toThrow('no crop number');
  });
});
