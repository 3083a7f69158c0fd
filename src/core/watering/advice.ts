import { belowShare_prob, DRY_BELOW, WATERED, WET_ABOVE, type DryingBelief, type SinceThen } from './belief.ts';

/** What a tray wants now. */
export type WaterWant =
  /** Before it is looked at again it would be dry. */
  | 'now'
  /** It lasts until it is looked at again. */
  | 'later'
  /** Still wet: water now does harm. */
  | 'not';

/** A tray that may go dry before the next look by more than this chance is watered. Common practice, no source. */
export const DRY_RISK = 0.02;
/** One that is wet with more than this chance has none. */
const WET_CHANCE = 0.06;

export interface WaterAdvice {
  readonly want: WaterWant;
  /** Chance that it is dry before the next look unless it is watered, and that it is wet now. */
  readonly dry_prob: number;
  readonly wet_prob: number;
  /** Even watered now it may be dry before the next look: it wants a second look in between. */
  readonly secondLook: boolean;
}

/**
 * Whether a tray is watered now, and whether it lasts.
 * @param now as it stood when it was last watered or seen, with what the air has asked since
 * @param ahead_mm what the air will ask until the next look
 * @param least share of its water it must not go below
 */
export function waterAdvice(
  belief: DryingBelief,
  now: SinceThen,
  ahead_mm: number,
  least: number = DRY_BELOW,
): WaterAdvice {
  const wet_prob = 1 - belowShare_prob(belief, now, WET_ABOVE);
  const dry_prob = belowShare_prob(belief, { ...now, demand_mm: now.demand_mm + ahead_mm }, least);
  const risky = dry_prob > DRY_RISK;
  const want = risky ? (wet_prob > WET_CHANCE ? 'not' : 'now') : wet_prob > 0.5 ? 'not' : 'later';
  const watered = { ...now, share: WATERED, demand_mm: ahead_mm };
  const secondLook = want === 'now' ? belowShare_prob(belief, watered, least) > DRY_RISK : want === 'not' && risky;
  return { want, dry_prob, wet_prob, secondLook };
}

/** Litres that fill trays again, what runs through counted in. @param share of its water that is left */
export const refill_L = (water_L: number, share: number, runsThrough_frac = 0.1): number =>
  Math.max(0, 1 - share) * water_L * (1 + runsThrough_frac);
