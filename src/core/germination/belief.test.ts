import stdNormalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { describe, expect, it } from 'vitest';
import {
  afterLooks,
  beliefOf,
  chanceOfAtLeast,
  countChances,
  meanOfChances,
  meansOf,
  quantileOfChances,
  stillComing_frac,
  upByNow_frac,
  upShare,
  type Look,
  type Prior,
} from './belief.ts';

const prior: Prior = {
  logTime: 0.05,
  logTime_sd: 0.2,
  sigma: 0.22,
  sigma_logSd: 0,
  most_frac: 0.8,
  most_seeds: 20,
  dead_frac: 0.04,
};

/** The same by plain summing over a fine grid, each look's chance written out seed by seed: shares nothing with the model's code. */
function summed(of: Prior, looks: readonly Look[], sown: number) {
  const up = looks.at(-1)?.up ?? 0;
  const share = (progress: number, logTime: number) =>
    progress > 0 ? stdNormalCdf((Math.log(progress) - logTime) / of.sigma, 0, 1) : 0;
  const points: { weight: number; logTime: number; g: number }[] = [];
  for (let i = 0; i < 240; i++) {
    const z = -4.5 + (9 * (i + 0.5)) / 240;
    const logTime = of.logTime + z * of.logTime_sd;
    const shares = [0, ...looks.map((look) => share(look.progress, logTime))];
    for (let j = 0; j < 240; j++) {
      const g = (j + 0.5) / 240;
      const a = of.most_frac * of.most_seeds;
      const b = (1 - of.most_frac) * of.most_seeds;
      let log = (-z * z) / 2 + (a - 1) * Math.log(g) + (b - 1) * Math.log(1 - g);
      looks.forEach((look, k) => {
        const came = look.up - (looks[k - 1]?.up ?? 0);
        if (came > 0) log += came * Math.log(g * (shares[k + 1]! - shares[k]!));
      });
      log += (sown - up) * Math.log(1 - g * shares.at(-1)!);
      points.push({ weight: Math.exp(log), logTime, g });
    }
  }
  // Against the same sum before any look: what the looks were worth, to weigh against a dead tray.
  const alive = points.reduce((sum, { weight }) => sum + weight, 0);
  const mean = (f: (p: (typeof points)[number]) => number) =>
    points.reduce((sum, p) => sum + p.weight * f(p), 0) / alive;
  return { alive, mean, share };
}

const LOOKS: readonly (readonly Look[])[] = [
  [{ progress: 0.8, up: 4 }],
  [
    { progress: 0.9, up: 10 },
    { progress: 1.2, up: 30 },
  ],
  [
    { progress: 0.7, up: 0 },
    { progress: 1.1, up: 12 },
    { progress: 1.5, up: 31 },
    { progress: 2, up: 33 },
  ],
];

describe('what is thought of a tray, against plain summing on a fine grid', () => {
  it.each(LOOKS)('time, its error and the share that comes (looks %#)', (...looks) => {
    const truth = summed(prior, looks, 40);
    const found = meansOf(afterLooks(beliefOf(prior), looks, 40));
    const logTime = truth.mean((p) => p.logTime);
    const most = truth.mean((p) => p.g);
    expect(found.logTime).toBeCloseTo(logTime, 2);
    expect(found.logTime_sd).toBeCloseTo(Math.sqrt(truth.mean((p) => (p.logTime - logTime) ** 2)), 2);
    expect(Math.abs(found.most_frac - most)).toBeLessThan(0.01);
    expect(Math.abs(found.most_sd - Math.sqrt(truth.mean((p) => (p.g - most) ** 2)))).toBeLessThan(0.01);
    expect(found.sigma).toBeCloseTo(prior.sigma, 9);
    // Something came up: it is not dead.
    expect(afterLooks(beliefOf(prior), looks, 40).dead_frac).toBe(0);
  });

  it('nothing up weighs a dead tray against a slow or a poor one', () => {
    for (const progress of [0.6, 1, 1.6, 2.5]) {
      const alive = summed(prior, [{ progress, up: 0 }], 40).alive / summed(prior, [], 40).alive;
      const dead = prior.dead_frac / (prior.dead_frac + (1 - prior.dead_frac) * alive);
      const found = afterLooks(beliefOf(prior), [{ progress, up: 0 }], 40);
      expect(Math.abs(found.dead_frac - dead)).toBeLessThan(0.012);
      expect(found.weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1 - found.dead_frac, 9);
    }
  });

  it.each(LOOKS)('how many will be up, and whether a seed not seen still comes (looks %#)', (...looks) => {
    const truth = summed(prior, looks, 40);
    const belief = afterLooks(beliefOf(prior), looks, 40);
    const last = looks.at(-1)!;
    const still = (p: { g: number; logTime: number }, progress: number) => {
      const was = truth.share(last.progress, p.logTime);
      const now = progress === Infinity ? 1 : truth.share(progress, p.logTime);
      return (p.g * (now - was)) / (1 - p.g * was);
    };
    for (const progress of [last.progress + 0.2, last.progress + 1]) {
      const chances = countChances(belief, progress, 40, last);
      expect(meanOfChances(chances)).toBeCloseTo(last.up + (40 - last.up) * truth.mean((p) => still(p, progress)), 0);
      expect(chances.slice(0, last.up).every((c) => c === 0)).toBe(true);
    }
    expect(stillComing_frac(belief, last)).toBeCloseTo(
      truth.mean((p) => still(p, Infinity)),
      2,
    );
  });

  it('before any look: the chance of each count is a mean of binomials, and a dead tray has none', () => {
    const truth = summed(prior, [], 12);
    const found = countChances(beliefOf(prior), 1.1, 12);
    const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k);
    for (let k = 0; k <= 12; k++) {
      const alive = truth.mean((p) => {
        const up = p.g * truth.share(1.1, p.logTime);
        return choose(12, k) * up ** k * (1 - up) ** (12 - k);
      });
      const wanted = (1 - prior.dead_frac) * alive + (k === 0 ? prior.dead_frac : 0);
      expect(Math.abs(found[k]! - wanted)).toBeLessThan(0.004);
    }
    expect(stillComing_frac(beliefOf(prior), null)).toBeCloseTo((1 - prior.dead_frac) * prior.most_frac, 2);
    expect(upByNow_frac(beliefOf(prior), 1.1)).toBeCloseTo(
      truth.mean((p) => truth.share(1.1, p.logTime)),
      3,
    );
  });
});

describe('small parts of a belief', () => {
  it('a share up is half at the half, nothing before sowing, the normal by the log of time', () => {
    expect(upShare(1, 0.2)).toBe(0.5);
    expect(upShare(0, 0.2)).toBe(0);
    expect(upShare(-1, 0.2)).toBe(0);
    expect(upShare(Math.exp(0.2), 0.2)).toBeCloseTo(0.841344746, 8);
  });

  it('an unsure spread is looked at from well below to well above, and a wide tray makes it wider', () => {
    const unsure = { ...prior, sigma_logSd: 0.3, dead_frac: 0 };
    const before = beliefOf(unsure);
    expect([...before.sigmas].map((s) => Math.log(s / unsure.sigma) / 0.3)).toEqual(
      [-1.8, -0.9, 0, 0.9, 1.8].map((z) => expect.closeTo(z, 9) as number),
    );
    const narrow = [
      { progress: 0.9, up: 2 },
      { progress: 1.1, up: 70 },
      { progress: 1.4, up: 80 },
    ];
    const wide = [
      { progress: 0.6, up: 12 },
      { progress: 1, up: 40 },
      { progress: 1.8, up: 70 },
    ];
    const said = (looks: readonly Look[]) => meansOf(afterLooks(before, looks, 100));
    expect(said(narrow).sigma).toBeLessThan(unsure.sigma);
    expect(said(wide).sigma).toBeGreaterThan(unsure.sigma);
    expect(said(wide).logSigma).toBeCloseTo(Math.log(said(wide).sigma), 12);
    expect(said(wide).logSigma_sd).toBeLessThan(0.3);
    expect(meansOf(before).logSigma_sd).toBeGreaterThan(said(wide).logSigma_sd);
  });

  it('a grid drawn about what matters is nearer to the truth than one about a loose prior', () => {
    const loose = { ...prior, logTime_sd: 0.6, dead_frac: 0 };
    const looks = LOOKS[2]!;
    const wide = meansOf(afterLooks(beliefOf(loose), looks, 40));
    const close = meansOf(afterLooks(beliefOf(loose, { ...wide, logSigma: Math.log(loose.sigma) }), looks, 40));
    const truth = summed(loose, looks, 40).mean((p) => p.logTime);
    expect(Math.abs(close.logTime - truth)).toBeLessThan(0.0005);
    expect(Math.abs(close.logTime - truth)).toBeLessThan(Math.abs(wide.logTime - truth) / 10);
  });

  it('quantiles, tails and means of chances are those of the list', () => {
    const chances = Float64Array.of(0.1, 0.2, 0.3, 0.4);
    expect([0.05, 0.1, 0.11, 0.3, 0.6, 0.61, 1].map((q) => quantileOfChances(chances, q))).toEqual([
      0, 0, 1, 1, 2, 3, 3,
    ]);
    expect(quantileOfChances(Float64Array.of(0.5, 0.4), 0.95)).toBe(1);
    expect([-1, 0, 1, 3, 4].map((k) => chanceOfAtLeast(chances, k))).toEqual([
      1,
      1,
      expect.closeTo(0.9, 12),
      expect.closeTo(0.4, 12),
      0,
    ]);
    expect(meanOfChances(chances)).toBeCloseTo(2, 12);
  });

  it('counts that fall, are more than sown, or look back in time are refused; the same again is not', () => {
    const look = (...looks: [number, number][]) =>
      afterLooks(
        beliefOf(prior),
        looks.map(([progress, up]) => ({ progress, up })),
        40,
      );
    expect(() => look([1, 10], [1.2, 9])).toThrow(/10 then 9 of 40/);
    expect(() => look([1, 41])).toThrow(RangeError);
    expect(() => look([1, 10], [0.9, 12])).toThrow(RangeError);
    expect(() => look([1, NaN])).toThrow(RangeError);
    expect(look([1, 10], [1, 10]).dead_frac).toBe(0);
    expect(look()).toEqual(beliefOf(prior));
    expect(look([2, 40]).dead_frac).toBe(0);
  });

  it('all of a tray up leaves nothing to come; a belief that it is dead leaves nothing either', () => {
    const all = afterLooks(beliefOf(prior), [{ progress: 1.5, up: 12 }], 12);
    const chances = countChances(all, 9, 12, { progress: 1.5, up: 12 });
    expect(chances[12]).toBeCloseTo(1, 7);
    const dead = { ...beliefOf(prior), dead_frac: 1, weights: new Float64Array(beliefOf(prior).weights.length) };
    expect(countChances(dead, 2, 12)[0]).toBe(1);
    expect(upByNow_frac(dead, 2)).toBe(0);
    expect(meansOf(dead)).toMatchObject({ logTime: 0, logTime_sd: 0, most_frac: 0, most_sd: 0 });
    expect(stillComing_frac(dead, null)).toBe(0);
  });
});
