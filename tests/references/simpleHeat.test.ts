import { lusolve, type MathArray } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { matRise, roomOn, USUAL_MAT, type MatSpec } from '../../src/core/heat/mat.ts';

/**
 * Nodes of a mat, its tray's medium and the room by their heat balances, solved as equations by mathjs. Resistances are written
 * out from ISO 6946:2017 (thickness over conductivity, surfaces 0.10 up and 0.17 down, air gap of 25 mm up 0.16) and ISO 10456;
 * contact, wet surface and rack common practice, no source.
 */
function balance(
  mat: MatSpec,
  below_m2K_W: number,
  gap_m2K_W: number,
  rack_W_m2K: number,
): { face: number; seed: number } {
  const half = 0.025 / 0.5;
  const [face, seed] = [0, 1];
  const up = 1 / (gap_m2K_W + half);
  const off = 1 / (half + 1 / (mat.covered ? 10 : 14));
  const down = 1 / (below_m2K_W + 0.17);
  const a = [
    [up + down + rack_W_m2K, -up],
    [-up, up + off],
  ];
  const x = lusolve(a, [mat.power_W / (mat.length_m * mat.width_m), 0] as unknown as MathArray) as number[][];
  return { face: x[face]![0]!, seed: x[seed]![0]! * mat.under_frac };
}

const FOAM = { material: 'foam', thickness_m: 0.025 } as const;

describe('a mat without a thermostat', () => {
  it.each([
    ['on foam', { below: [FOAM] }, 0.025 / 0.036, 0.04, 0],
    ['on a bare metal shelf', { below: [] }, 0, 0.04, 0],
    ['on card', {}, 0.1, 0.04, 0],
    ['under an open rack of 25 mm', { rack_mm: 25 }, 0.1, 0.16, 6],
    ['under a lid', { covered: true }, 0.1, 0.04, 0],
    ['split under two flats', { under_frac: 0.5 }, 0.1, 0.04, 0],
  ] as const)('%s is as its balance of heat says', (_name, change, below, gap, rack) => {
    const mat = { ...USUAL_MAT, ...change } as MatSpec;
    const { face, seed } = balance(mat, below, gap, rack);
    expect(matRise(mat).surface_K).toBeCloseTo(face, 9);
    expect(matRise(mat).medium_K).toBeCloseTo(seed, 9);
  });

  it('gives what growers find: face about 40, medium 20 to 30 by the room (common practice, no source)', () => {
    const { medium_K } = matRise(USUAL_MAT);
    const { surface_K } = matRise({ ...USUAL_MAT, below: [FOAM] });
    expect(18 + surface_K).toBeGreaterThan(36);
    expect(18 + surface_K).toBeLessThan(46);
    for (const room of [11, 15, 19]) {
      expect(room + medium_K).toBeGreaterThan(20);
      expect(room + medium_K).toBeLessThan(30);
    }
    // Card or foam sends heat up, a rack takes the edge off, a lid keeps it in.
    const rise = (change: Partial<MatSpec>) => matRise({ ...USUAL_MAT, ...change }).medium_K;
    expect(rise({ below: [] })).toBeLessThan(rise({ below: [{ material: 'card', thickness_m: 0.006 }] }));
    expect(rise({ below: [FOAM] })).toBeGreaterThan(medium_K);
    expect(rise({ rack_mm: 30 })).toBeLessThan(medium_K / 1.8);
    expect(rise({ covered: true })).toBeGreaterThan(medium_K);
    expect(rise({ measured_K: 9 })).toBe(9);
  });

  it('refuses what cannot be built, and a room outside of which nothing is known', () => {
    expect(() => matRise({ ...USUAL_MAT, width_m: 0 })).toThrow('width of the mat');
    expect(() => matRise({ ...USUAL_MAT, rack_mm: 500 })).toThrow('rack');
    expect(() => roomOn({ kind: 'outside', plusDay_K: 2, plusNight_K: 1 }, null)).toThrow('usual temperatures outside');
    expect(roomOn({ kind: 'kept', day_C: 18, night_C: 12 }, { day_C: 25, night_C: 5 })).toEqual({
      day_C: 25,
      night_C: 12,
    });
  });
});
