import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/watering/core.ts';

/**
 * Water is told as a share of what a tray holds: 1 watered and drained, 0 wilting. What the air takes is told as demand, the mm a wet
 * surface would lose; a tray gives less of it the drier it is. Leaves give all they are asked for down to half (FAO-56 eq. 84 with
 * p = 0.5), the bare surface only while it is wet (FAO-56 ch. 7, falling stage).
 */
const LEAVES_FROM = 0.5;
const SURFACE_FROM = 0.7;
const CRUST_FROM = 0.2;
const CRUST_GIVES = 0.15;

/** Share of the demand a tray gives: 0 when it is dry. @param cover share of ground the leaves cover, 0 to 1 */
export function gives(share: number, cover: number): number {
  const leaves = Math.min(1, share / LEAVES_FROM);
  return cover * leaves + (1 - cover) * surfaceGives(share);
}

function surfaceGives(share: number): number {
  if (share >= SURFACE_FROM) return 1;
  if (share <= CRUST_FROM) return (CRUST_GIVES * share) / CRUST_FROM;
  return CRUST_GIVES + ((1 - CRUST_GIVES) * (share - CRUST_FROM)) / (SURFACE_FROM - CRUST_FROM);
}

/** Between these shares what a tray gives is a straight line. */
const CORNERS = [1, SURFACE_FROM, LEAVES_FROM, CRUST_FROM, 0] as const;
/** Drier than this is dry: the rest is given so slowly that no demand reaches its end. */
const NOTHING = 1e-6;

/**
 * Demand that brings a tray from one share down to another, mm: exact, because what it gives is straight between corners.
 * @returns Infinity for a share of 0
 * @throws RangeError for shares outside 0 to 1
 */
export function demandBetween_mm(from: number, to: number, capacity_mm: number, cover: number): number {
  requireRange(WORDS.share, from, 0, 1);
  requireRange(WORDS.share, to, 0, 1);
  requireRange(WORDS.capacity, capacity_mm, 1e-3, 1e4);
  requireRange(WORDS.cover, cover, 0, 1);
  if (to >= from) return 0;
  if (to < NOTHING) return Infinity;
  let sum = 0;
  for (let i = 0; i + 1 < CORNERS.length; i++) {
    const top = Math.min(from, CORNERS[i]!);
    const bottom = Math.max(to, CORNERS[i + 1]!);
    if (bottom >= top) continue;
    const [a, b] = [gives(top, cover), gives(bottom, cover)];
    sum += Math.abs(a - b) < 1e-12 ? (top - bottom) / a : ((top - bottom) * Math.log(a / b)) / (a - b);
  }
  return sum * capacity_mm;
}

/**
 * Share left after a demand.
 * @throws RangeError for shares outside 0 to 1 or a demand below 0
 */
export function shareAfter(from: number, demand_mm: number, capacity_mm: number, cover: number): number {
  requireRange(WORDS.share, from, 0, 1);
  requireRange(WORDS.mm, demand_mm, 0, 1e6);
  requireRange(WORDS.capacity, capacity_mm, 1e-3, 1e4);
  requireRange(WORDS.cover, cover, 0, 1);
  let share = from;
  let left = demand_mm / capacity_mm;
  for (let i = 0; i + 1 < CORNERS.length && left > 0 && share > NOTHING; i++) {
    const bottom = CORNERS[i + 1]!;
    if (share <= bottom) continue;
    const [a, b] = [gives(share, cover), gives(bottom, cover)];
    const slope = (a - b) / (share - bottom);
    const needed = bottom === 0 ? Infinity : Math.abs(slope) < 1e-12 ? (share - bottom) / a : Math.log(a / b) / slope;
    if (left >= needed) {
      left -= needed;
      share = bottom;
    } else {
      share = Math.abs(slope) < 1e-12 ? share - left * a : share - (a * (1 - Math.exp(-slope * left))) / slope;
      left = 0;
    }
  }
  return Math.max(0, share);
}

/** An hour of a tray: what the air asks, and what comes onto it. */
export interface TrayHour {
  readonly demand_mm: number;
  /** Rain, or a can, over the surface that dries. */
  readonly added_mm: number;
}

/** Where the water of some hours went; all in mm over the surface that dries. */
export interface WaterBalance {
  /** Share left after each hour. */
  readonly shares: readonly number[];
  readonly added_mm: number;
  readonly lost_mm: number;
  readonly drained_mm: number;
  readonly stored_mm: number;
}

/**
 * Water of a tray hour by hour: what is added and does not fit drains, then the air takes its part. What came in is what went out, what
 * drained and what is stored more than before.
 * @param factor how much faster this tray dries than it is worked out to
 */
export function balanceOf(
  hours: readonly TrayHour[],
  of: { readonly share: number; readonly capacity_mm: number; readonly cover: number; readonly factor: number },
): WaterBalance {
  const { capacity_mm, cover, factor } = of;
  let share = of.share;
  let [added, lost, drained] = [0, 0, 0];
  const shares = hours.map(({ demand_mm, added_mm }) => {
    requireRange(WORDS.mm, added_mm, 0, 1e5);
    const full = share + added_mm / capacity_mm;
    const held = Math.min(1, full);
    added += added_mm;
    drained += (full - held) * capacity_mm;
    share = shareAfter(held, demand_mm * factor, capacity_mm, cover);
    lost += (held - share) * capacity_mm;
    return share;
  });
  return {
    shares,
    added_mm: added,
    lost_mm: lost,
    drained_mm: drained,
    stored_mm: (share - of.share) * capacity_mm,
  };
}
