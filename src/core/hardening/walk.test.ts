import { describe, expect, it } from 'vitest';
import { OPEN_RUNG as bare } from '../../../tests/support/rung.ts';
import { NEARLY } from './ladder.ts';
import type { Rung } from './programme.ts';
import { ladderWalk } from './walk.ts';

describe('a ladder walked through known weather', () => {
  const one: Rung = { ...bare, days: 1 };
  const walk = (rungs: Rung[], days: { most: number; least: number; gust: number }[], at = { rung: 0, served: 0 }) =>
    ladderWalk({ rungs, shelter_K: rungs.map(() => 0) })(
      at,
      {
        least_C: Float32Array.from(days, (d) => d.least),
        most_C: Float32Array.from(days, (d) => d.most),
        gust_m_s: Float32Array.from(days, (d) => d.gust),
        row: 0,
        days: days.length,
      },
      0,
    );
  const fine = { most: 18, least: 9, gust: 5 };
  it('climbs on the mark of heat and gust, and not a hair beyond it', () => {
    const climbed = (d: Partial<typeof fine>) => walk([one], [{ ...fine, ...d }, fine, fine, fine]);
    expect(climbed({})).toBe(1);
    expect(climbed({ most: 33 })).toBe(1);
    expect(climbed({ most: 33.5 })).toBe(2);
    expect(climbed({ gust: 12 })).toBe(1);
    expect(climbed({ gust: 12.5 })).toBe(2);
  });
  it('a day too hot, too windy or too cold does not count for the step it is on', () => {
    const served = (d: Partial<typeof fine>) =>
      walk([{ ...one, days: 2 }], [{ ...fine, ...d }, fine, fine, fine], { rung: 1, served: 1 });
    expect(served({})).toBe(1);
    expect(served({ most: 33.5 })).toBe(2);
    expect(served({ most: 33 })).toBe(1);
    expect(served({ gust: 12.5 })).toBe(2);
    expect(walk([{ ...one, days: 2 }], [fine, { ...fine, least: 4 }, fine, fine], { rung: 1, served: 1 })).toBe(2);
  });
  it('waits where two stresses would meet, on the same marks as the decision of a day', () => {
    const shade: Rung = { ...one, sun_frac: 0.3 };
    const on = (gust: number, night: number) =>
      walk([shade, one], [{ ...fine, gust }, { ...fine, least: night }, fine, fine, fine], { rung: 1, served: 1 });
    expect(on(NEARLY.gust_frac * 12 - 0.01, 9)).toBe(1);
    expect(on(11, 9)).toBe(2);
    expect(on(5, 6)).toBe(1);
    expect(on(5, 5.9)).toBe(2);
  });
});
