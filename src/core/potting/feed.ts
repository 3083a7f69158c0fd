import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/potting/feed.ts';

/** A feed by its label. */
export interface Feed {
  readonly name: string;
  readonly form: 'powder' | 'liquid';
  /** Per cent by weight, or weight in 100 mL of a liquid where the label says w/v. */
  readonly basis: 'w/w' | 'w/v';
  readonly n_percent: number;
  readonly p_percent: number;
  readonly k_percent: number;
  /** How the label names phosphorus and potassium: as oxides (P2O5, K2O) or as the elements. */
  readonly named: 'oxide' | 'element';
  /** Label rate, g (powder) or mL (liquid) to a litre of water. */
  readonly rate_perL: number;
  /** kg/L of a liquid. */
  readonly density_kg_L: number;
  /** Electrical conductivity the label states for the label rate in pure water, mS/cm; null = not stated. */
  readonly ec_mS: number | null;
}

/** P in P2O5 and K in K2O by weight. @source standard atomic weights (IUPAC 2021, abridged): P 30.974, K 39.098, O 15.999 */
export const P_IN_P2O5 = (2 * 30.974) / (2 * 30.974 + 5 * 15.999);
export const K_IN_K2O = (2 * 39.098) / (2 * 39.098 + 15.999);

export interface FeedQuestion {
  /** Share of the label rate; a half is weak. */
  readonly fraction: number;
  /** Litres of the can, or of the stock tank when there is an injector. */
  readonly water_L: number;
  /** Litres that come out of the injector for one of stock (100 of a 1:100); null = no injector. */
  readonly injector: number | null;
  /** Of the water itself, mS/cm. */
  readonly water_mS: number;
}

/** Milligrams to a litre of finished feed. */
export interface Strength {
  readonly n_ppm: number;
  readonly p_ppm: number;
  readonly p2o5_ppm: number;
  readonly k_ppm: number;
  readonly k2o_ppm: number;
}

export interface FeedAnswer extends Strength {
  /** g or mL of feed to put into the water given. */
  readonly amount: number;
  readonly unit: 'g' | 'mL';
  /** g or mL to a litre of what reaches the plants. */
  readonly rate_perL: number;
  /** Litres that reach the plants. */
  readonly finished_L: number;
  readonly ec_mS: number | null;
}

/** Grams of feed in a litre of water at so many g or mL to the litre. */
const grams = (feed: Feed, rate_perL: number): number =>
  feed.form === 'liquid' && feed.basis === 'w/w' ? rate_perL * feed.density_kg_L : rate_perL;

/**
 * Nutrients of a litre at so many g or mL to the litre: 1 g/L of 20% N is 200 ppm N.
 * @source ppm = g/L x 10 x %; oxide to element by atomic weights (0.4364 and 0.8301 in handbooks)
 */
export function strengthOf(feed: Feed, rate_perL: number): Strength {
  requireRange(WORDS.rateToALitre, rate_perL, 0, 1000);
  const perPercent = grams(feed, rate_perL) * 10;
  const oxide = feed.named === 'oxide';
  const [p, k] = [perPercent * feed.p_percent, perPercent * feed.k_percent];
  return {
    n_ppm: perPercent * feed.n_percent,
    p_ppm: oxide ? p * P_IN_P2O5 : p,
    p2o5_ppm: oxide ? p : p / P_IN_P2O5,
    k_ppm: oxide ? k * K_IN_K2O : k,
    k2o_ppm: oxide ? k : k / K_IN_K2O,
  };
}

/**
 * How much feed goes into a can, or into the tank of an injector, and what reaches the plants.
 * @throws RangeError for an injector of 0, a label that adds up to more than 100% or other figures out of bounds
 */
export function feedFor(feed: Feed, question: FeedQuestion): FeedAnswer {
  const { fraction, water_L, injector, water_mS } = question;
  requireFeed(feed);
  requireRange(WORDS.shareOfTheLabelRate, fraction, 0.01, 2);
  requireRange('litres', water_L, 0.1, 100_000);
  requireRange(WORDS.conductivityOfTheWaterMs, water_mS, 0, 5);
  if (injector !== null) requireRange(WORDS.partsOfWaterForOne, injector, 1, 1000);
  const rate = feed.rate_perL * fraction;
  const finished = injector === null ? water_L : water_L * injector;
  return {
    ...strengthOf(feed, rate),
    amount: rate * finished,
    unit: feed.form === 'powder' ? 'g' : 'mL',
    rate_perL: rate,
    finished_L: finished,
    // Salts add up nearly in proportion while they are weak.
    ec_mS: feed.ec_mS === null ? null : water_mS + feed.ec_mS * fraction,
  };
}

/** g or mL to a litre that give so many ppm of nitrogen. @throws RangeError when the feed holds none */
export function rateForNitrogen(feed: Feed, n_ppm: number): number {
  requireRange(WORDS.nitrogenOfTheFeed, feed.n_percent, 0.01, 100);
  requireRange(WORDS.ppmOfNitrogen, n_ppm, 0, 5000);
  return n_ppm / (10 * feed.n_percent * grams(feed, 1));
}

export function requireFeed(feed: Feed): void {
  requireRange(WORDS.labelRateToALitre, feed.rate_perL, 0.001, 200);
  for (const key of ['n_percent', 'p_percent', 'k_percent'] as const) requireRange(key, feed[key], 0, 100);
  requireRange('N + P + K, %', feed.n_percent + feed.p_percent + feed.k_percent, 0.001, 100);
  if (feed.form === 'liquid') requireRange(WORDS.weightOfALitreKg, feed.density_kg_L, 0.5, 2.5);
}
