import { describe, expect, it } from 'vitest';
import { robustPool, type Observed, type Scales } from './robustPool.ts';

const SCALES: Scales = { base_sd: 0.25, group_sds: [0.1, 0.1], noise_sd: 0.08, wrong_frac: 0.15, wrong_sd: 0.7 };
const see = (value: number, groups: Observed['groups'] = [1, 1], sd = 0.03): Observed => ({ value, sd, groups });

/** The mixture answer by adding up all ways of right and wrong: exact, for a few observations. */
function exact(target: Observed['groups'], seen: readonly Observed[], s: Scales): { mean: number; sd: number } {
  const n = seen.length;
  const cov = (a: Observed['groups'], b: Observed['groups']) =>
    s.group_sds.reduce((sum, sd, k) => sum + (a[k] !== null && a[k] === b[k] ? sd ** 2 : 0), s.base_sd ** 2);
  const whole = s.group_sds.reduce((sum, sd) => sum + sd ** 2, s.base_sd ** 2);
  let [total, m1, m2] = [0, 0, 0];
  for (let ways = 0; ways < 2 ** n; ways++) {
    const wrong = seen.map((_, i) => (ways >> i) & 1);
    const K = seen.map((a, i) =>
      seen.map((b, j) =>
        i === j ? whole + s.noise_sd ** 2 + a.sd ** 2 + wrong[i]! * s.wrong_sd ** 2 : cov(a.groups, b.groups),
      ),
    );
    const { inverse, determinant } = invert(K);
    const y = seen.map((o) => o.value);
    const link = seen.map((o) => cov(target, o.groups));
    const times = (v: readonly number[]) => inverse.map((row) => row.reduce((sum, k, j) => sum + k * v[j]!, 0));
    const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
    const weight =
      wrong.reduce((p, w) => p * (w ? s.wrong_frac : 1 - s.wrong_frac), 1) *
      Math.exp(-dot(y, times(y)) / 2) *
      determinant ** -0.5;
    const mean = dot(link, times(y));
    total += weight;
    m1 += weight * mean;
    m2 += weight * (whole - dot(link, times(link)) + mean ** 2);
  }
  return { mean: m1 / total, sd: Math.sqrt(m2 / total - (m1 / total) ** 2) };
}

/** Gauss and Jordan. */
function invert(matrix: readonly (readonly number[])[]): { inverse: number[][]; determinant: number } {
  const n = matrix.length;
  const a = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  let determinant = 1;
  for (let i = 0; i < n; i++) {
    const pivot = a[i]![i]!;
    determinant *= pivot;
    a[i] = a[i]!.map((v) => v / pivot);
    for (let k = 0; k < n; k++) if (k !== i) a[k] = a[k]!.map((v, j) => v - a[k]![i]! * a[i]![j]!);
  }
  return { inverse: a.map((row) => row.slice(n)), determinant };
}

describe('learning that one bad observation does not upset', () => {
  it('one observation is the mixture worked out by hand', () => {
    for (const value of [0.1, 0.4, 0.7, 1.1, -0.9]) {
      const ours = robustPool([1, 1], [see(value)], SCALES);
      const by = exact([1, 1], [see(value)], SCALES);
      expect(ours.mean).toBeCloseTo(by.mean, 4);
      // Between right and wrong the answer has two humps, wider than what was thought before: that much is not followed.
      expect(Math.abs(ours.sd / by.sd - 1)).toBeLessThan(0.3);
    }
  });

  it('several agree with all the ways of right and wrong added up', () => {
    const sets: Observed[][] = [
      [see(0.1), see(0.15), see(0.05, [1, 2])],
      [see(1.1), see(0, [1, 2]), see(0.02, [1, 3]), see(-0.05, [2, 4]), see(0.04, [2, 5])],
      [see(0.3), see(0.33, [1, 2]), see(-0.6, [1, 3]), see(0.28, [2, 4])],
    ];
    for (const seen of sets)
      for (const target of [
        [1, 1],
        [1, null],
        [null, null],
      ]) {
        const ours = robustPool(target, seen, SCALES);
        const by = exact(target, seen, SCALES);
        expect(Math.abs(ours.mean - by.mean)).toBeLessThan(0.02);
        expect(Math.abs(ours.sd / by.sd - 1)).toBeLessThan(0.15);
      }
  });

  it('nothing seen is what was thought before, and nonsense is refused', () => {
    const { mean, sd } = robustPool([1, 1], [], SCALES);
    expect(mean).toBe(0);
    expect(sd).toBeCloseTo(Math.hypot(0.25, 0.1, 0.1), 12);
    expect(() => robustPool([1, 1], [see(NaN)], SCALES)).toThrow(RangeError);
  });
});
