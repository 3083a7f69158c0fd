import { describe, expect, it } from 'vitest';
import { madeUpTray } from '../../../tests/support/madeUpTray.ts';
import { seededRandom } from '../numerics/random.ts';
import { afterLooks, beliefOf, PLAIN_PRIOR, stillComing_frac } from './belief.ts';
import { trayEstimate } from './learning.ts';

/** Trays whose counting stopped at 40 to 70% up, when they went off the heat: quick and slow, good and poor, by chance. */
const SOWN = 100;

function stopped(seed: number, share: number, sigma: number, trays: number) {
  const random = seededRandom(seed);
  const prior = { logTime: 0, logTime_sd: 0.25, sigma, sigma_logSd: 0, most_frac: share, most_seeds: 25, dead_frac: 0 };
  const every = Array.from({ length: 40 }, (_, i) => (i + 1) * 0.12);
  return Array.from({ length: trays }, () => {
    const tray = madeUpTray(random, prior, SOWN, every);
    const stop = (0.4 + 0.3 * random()) * SOWN;
    const at = tray.looks.findIndex((look) => look.up >= stop);
    return { ...tray, looks: tray.looks.slice(0, at + 1), end: tray.looks.at(-1)!.up };
  }).filter(({ looks }) => looks.length >= 2);
}

describe('learning from trays stopped at 40-70% up', () => {
  it.each([
    [0.85, 0.2],
    [0.95, 0.2],
    [0.7, 0.2],
    [0.85, 0.3],
  ])('share %s, spread %s: time within 3%, and nine in ten bands hold the truth', (share, sigma) => {
    let bias = 0;
    let held = 0;
    let n = 0;
    for (const tray of stopped(7, share, sigma, 250)) {
      const estimate = trayEstimate(tray.looks, SOWN, share);
      if (!estimate) continue;
      const off = estimate.logTime - tray.logTime;
      bias += off;
      if (Math.abs(off) <= 1.645 * estimate.logTime_sd) held++;
      n++;
    }
    expect(n).toBeGreaterThan(175);
    expect(Math.abs(Math.exp(bias / n) - 1)).toBeLessThan(0.03);
    expect(held / n).toBeGreaterThan(0.85);
    expect(held / n).toBeLessThan(0.95);
  });

  it('and what is still to come is neither forgotten nor promised: expected in the end against what came', () => {
    let expected = 0;
    let came = 0;
    for (const { looks, end } of stopped(11, 0.85, 0.2, 400)) {
      const last = looks.at(-1)!;
      const belief = afterLooks(
        beliefOf({ ...PLAIN_PRIOR, logTime: 0, logTime_sd: 0.25, most_frac: 0.85 }),
        looks,
        SOWN,
      );
      expected += last.up + (SOWN - last.up) * stillComing_frac(belief, last);
      came += end;
    }
    expect(expected / came).toBeGreaterThan(0.97);
    expect(expected / came).toBeLessThan(1.03);
  });
});
