import type { Look, Prior } from '../../src/core/germination/belief.ts';
import { normalQuantile } from '../../src/core/numerics/normal.ts';
import type { Random } from '../../src/core/numerics/random.ts';

/** A tray drawn by chance from what a prior says of its lot: its true log time and share, and looks at it. */
export interface MadeUpTray {
  readonly logTime: number;
  readonly most_frac: number;
  readonly looks: readonly Look[];
}

const normal = (random: Random): number => normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, random())));

/** Beta by order of uniforms would need whole numbers: two gammas by Marsaglia & Tsang 2000. */
function gamma(random: Random, shape: number): number {
  if (shape < 1) return gamma(random, shape + 1) * random() ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const z = normal(random);
    const v = (1 + c * z) ** 3;
    if (v > 0 && Math.log(random()) < (z * z) / 2 + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** Each seed by itself: comes or not, and at its own log-normal time. */
export function madeUpTray(random: Random, prior: Prior, sown: number, progresses: readonly number[]): MadeUpTray {
  const logTime = prior.logTime + prior.logTime_sd * normal(random);
  const a = gamma(random, prior.most_frac * prior.most_seeds);
  const b = gamma(random, (1 - prior.most_frac) * prior.most_seeds);
  const most_frac = a / (a + b);
  const dead = random() < prior.dead_frac;
  const sigma = prior.sigma * Math.exp(prior.sigma_logSd * normal(random));
  const times: number[] = [];
  for (let i = 0; i < sown; i++) {
    const comes = random() < most_frac;
    const time = Math.exp(logTime + sigma * normal(random));
    if (comes && !dead) times.push(time);
  }
  const looks = progresses.map((progress) => ({ progress, up: times.filter((t) => t <= progress).length }));
  return { logTime, most_frac: dead ? 0 : most_frac, looks };
}
