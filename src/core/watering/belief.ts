import { requireRange } from '../numerics/guard.ts';
import { normalCdf } from '../numerics/normal.ts';
import { Remembered } from '../numerics/remembered.ts';
import { robustPool } from '../numerics/robustPool.ts';
import { demandBetween_mm, shareAfter } from './drying.ts';
import { WORDS } from '../../words/en/watering/core.ts';

/** How a tray is found, by eye and by lifting it. */
export const LOOKS = ['dry', 'moist', 'wet'] as const;
export type Look = (typeof LOOKS)[number];

/** Below the first a tray is called dry, above the second wet; how far hands differ on that, as shares. Common practice, no source. */
export const DRY_BELOW = 0.35;
export const WET_ABOVE = 0.7;
const HANDS_sd = 0.09;
/** Looks that say nothing: the wrong tray, a dry corner, a slip of the thumb. Common practice, no source. */
const SLIPS = 0.05;
/** How far a weighing is off, share of what it holds: scales, wet leaves, a stone in the tray. Common practice, no source. */
const WEIGHED_sd = 0.06;

const STEPS = 61;
const WIDEST = 1.8;
const STEP = (2 * WIDEST) / (STEPS - 1);
const LOGS: readonly number[] = Array.from({ length: STEPS }, (_, i) => -WIDEST + STEP * i);
/** How much faster a tray may dry than it is worked out to: a sixth to six times. */
export const FACTORS: readonly number[] = LOGS.map(Math.exp);

/** How far one drying differs from the next of the same tray: weather within the hour, a corner missed. Common practice, no source. */
const DRYING_sd = 0.12;

/** What looks and weighings of one tray say of its factor: how well each of FACTORS fits them. */
export interface DryingEvidence {
  /** Those of dryings that are over. */
  readonly fits: readonly number[];
  /** Those since it was last watered: of this drying, which is like the others but not the same. */
  readonly since: readonly number[];
  readonly seen: number;
}

const EVEN: readonly number[] = FACTORS.map(() => 1);
export const NOTHING_SEEN: DryingEvidence = { fits: EVEN, since: EVEN, seen: 0 };

const NEAR = Math.ceil((3 * DRYING_sd) / STEP);
const KERNEL = Array.from({ length: 2 * NEAR + 1 }, (_, i) => Math.exp(-0.5 * (((i - NEAR) * STEP) / DRYING_sd) ** 2));

/** Weights as another drying has them: each a little off. */
function blurred(weights: readonly number[]): number[] {
  return weights.map((_, i) => {
    let [sum, part] = [0, 0];
    for (let k = -NEAR; k <= NEAR; k++) {
      const weight = weights[i + k];
      if (weight === undefined) continue;
      sum += KERNEL[k + NEAR]!;
      part += KERNEL[k + NEAR]! * weight;
    }
    return part / sum;
  });
}

const multiplied = (a: readonly number[], b: readonly number[]): number[] => {
  const all = a.map((one, i) => one * b[i]!);
  const most = Math.max(...all);
  return all.map((one) => one / most);
};

/** It was watered: what was seen of the drying before says a little less of the next. */
export const watered = (evidence: DryingEvidence): DryingEvidence =>
  evidence.since === EVEN
    ? evidence
    : { ...evidence, fits: multiplied(evidence.fits, blurred(evidence.since)), since: EVEN };

/** What is thought of a tray's factor: weights of FACTORS that add up to 1. */
export type DryingBelief = readonly number[];

/** A tray as it stood at some time, and what the air has asked of it since. */
export interface SinceThen {
  /** Share of its water then; WATERED where it was watered well. */
  readonly share: number;
  readonly demand_mm: number;
  readonly capacity_mm: number;
  readonly cover: number;
}
/** Share of its water that a tray has after a can: not each corner is reached. Common practice, no source. */
export const WATERED = 0.95;

const chanceOf = (look: Look, share: number): number => {
  const dry = normalCdf((DRY_BELOW - share) / HANDS_sd);
  const wet = normalCdf((share - WET_ABOVE) / HANDS_sd);
  const fits = look === 'dry' ? dry : look === 'wet' ? wet : Math.max(0, 1 - dry - wet);
  return (1 - SLIPS) * fits + SLIPS / LOOKS.length;
};

const shareBy = ({ share, demand_mm, capacity_mm, cover }: SinceThen, factor: number): number =>
  shareAfter(share, factor * demand_mm, capacity_mm, cover);

const withFit = ({ fits, since, seen }: DryingEvidence, fit: (factor: number) => number): DryingEvidence => ({
  fits,
  since: multiplied(since, FACTORS.map(fit)),
  seen: seen + 1,
});

/** With how it was found. */
export const withLook = (evidence: DryingEvidence, then: SinceThen, look: Look): DryingEvidence =>
  withFit(evidence, (factor) => chanceOf(look, shareBy(then, factor)));

/**
 * With what its weight said: the share of its water that is left. Heavy tails, so that one wrong weight spoils nothing.
 * @throws RangeError for a share under 0 (lighter than an empty tray) or over 1.2
 */
export function withWeight(evidence: DryingEvidence, then: SinceThen, left: number): DryingEvidence {
  requireRange(WORDS.share, left, 0, 1.2);
  return withFit(evidence, (factor) => {
    const off = (shareBy(then, factor) - left) / WEIGHED_sd;
    return (1 + (off * off) / 3) ** -2;
  });
}

/** What is known of the air of a place; what is not makes it wide. */
export interface AirKnown {
  readonly humidity: boolean;
  readonly light: boolean;
}

/** Log factor that trays like this one were found to have, and how sure that is. */
export interface Alike {
  readonly mean: number;
  readonly sd: number;
}

/**
 * What is thought of a tray: about as worked out, or as trays like it were found, with heavy tails (Student, 4 degrees of freedom), wider
 * where humidity or light are guessed; then what was seen of it. Widths common practice, no source.
 * @param alike null: nothing was seen of others
 */
export function believe(
  evidence: DryingEvidence,
  { humidity, light }: AirKnown,
  alike: Alike | null = null,
): DryingBelief {
  const guessed = Math.hypot(humidity ? 0 : 0.3, light ? 0 : 0.2);
  const scale = alike ? alike.sd : Math.hypot(0.3, guessed);
  const mean = alike?.mean ?? 0;
  const slow = evidence.fits.map((fit, i) => fit * (1 + ((LOGS[i]! - mean) / scale) ** 2 / 4) ** -2.5);
  const weights = multiplied(blurred(slow), evidence.since);
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

/** What looks and weighings say of a log factor, as a figure and its error; null: next to nothing. */
interface Told {
  readonly value: number;
  readonly sd: number;
}

/** Before anything is seen, for reading a figure out of the fits. */
const BROAD_sd = 0.7;

function told(evidence: DryingEvidence): Told | null {
  const { fits } = watered(evidence);
  const weights = fits.map((fit, i) => fit * Math.exp(-0.5 * (LOGS[i]! / BROAD_sd) ** 2));
  const sum = weights.reduce((a, b) => a + b, 0);
  const mean = weights.reduce((a, w, i) => a + w * LOGS[i]!, 0) / sum;
  const variance = weights.reduce((a, w, i) => a + w * (LOGS[i]! - mean) ** 2, 0) / sum;
  const precision = 1 / variance - BROAD_sd ** -2;
  return precision < 0.2 ? null : { value: mean / variance / precision, sd: precision ** -0.5 };
}

/** How far log factors differ: those of a house together, by place, by container, by the hand that waters, and from tray to tray. Common practice, no source. */
const SCALES = { base_sd: 0.15, group_sds: [0.3, 0.15, 0.1], noise_sd: 0.12, wrong_frac: 0.05, wrong_sd: 0.8 } as const;

const pooled = new Remembered<Alike>(300);

/** A tray with where and in what it stands. */
export interface SeenTray {
  readonly evidence: DryingEvidence;
  readonly placeId: number | null;
  readonly containerId: number;
  /** Who watered it last; null: nobody said. */
  readonly handId?: number | null;
}

/** What trays of a house say of one that stands at a place in a container and is watered by somebody. One that is far off moves it little. */
export function alikeOf(
  seen: readonly SeenTray[],
  placeId: number | null,
  containerId: number,
  handId: number | null = null,
): Alike {
  const observed = seen.flatMap(({ evidence, placeId: place, containerId: container, handId: hand = null }) => {
    const one = told(evidence);
    return one
      ? [{ value: Math.max(-5, Math.min(5, one.value)), sd: Math.min(10, one.sd), groups: [place, container, hand] }]
      : [];
  });
  const target = [placeId, containerId, handId];
  // Most writes of a house change nothing that was seen of its trays.
  return pooled.get(JSON.stringify([target, observed]), () => {
    const { mean, sd } = robustPool(target, observed, SCALES);
    return { mean, sd: Math.hypot(sd, SCALES.noise_sd) };
  });
}

/** The factor below which a share p of belief lies. */
export function factorQuantile(belief: DryingBelief, p: number): number {
  requireRange(WORDS.share, p, 0, 1);
  let below = 0;
  for (let i = 0; i < STEPS; i++) {
    const w = belief[i]!;
    if (below + w >= p) return Math.exp(LOGS[i]! + STEP * ((p - below) / w - 0.5));
    below += w;
  }
  return FACTORS[STEPS - 1]!;
}

/** Chance that a tray is below a share after what the air will have asked. */
export function belowShare_prob(belief: DryingBelief, then: SinceThen, share: number): number {
  const { demand_mm, capacity_mm, cover } = then;
  if (then.share <= share) return 1;
  if (demand_mm <= 0) return 0;
  // It is below where its factor is above that which takes it just there.
  const just = Math.log(demandBetween_mm(then.share, share, capacity_mm, cover) / demand_mm);
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    // The weight of a step of the grid lies evenly about its middle.
    const part = (just - LOGS[i]!) / STEP + 0.5;
    sum += belief[i]! * (1 - Math.min(1, Math.max(0, part)));
  }
  return sum;
}
