import { factorQuantile, WATERED } from './belief.ts';
import type { PlaceAir } from './placeAir.ts';
import { afterHour, type WaterToday } from './trayWater.ts';

const HOUR_ms = 3_600_000;

/** A batch while nobody is there. */
export interface WhileAway {
  readonly batchId: number;
  /** Watered just before leaving, it lasts until then, as likely more as less; null: as long as the weather is known. */
  readonly lastsTo_ms: number | null;
  /** It lasts until somebody is back, also if it dries a third faster than thought. */
  readonly lasts: boolean;
  /** Waterings it wants in between. */
  readonly waterings: number;
}

/** Trays are let dry no further while nobody looks: a third faster than thought. Common practice, no source. */
const FASTER = 1.35;

/**
 * What trays want while nobody is there, watered well just before.
 * @param from_ms when they are left, @param to_ms when somebody is back
 */
export function whileAway(today: WaterToday, air: PlaceAir, from_ms: number, to_ms: number): WhileAway {
  const { tray, belief } = today;
  const median = factorQuantile(belief, 0.5);
  const run = (factor: number): { dryAt_ms: number | null; waterings: number } => {
    let share: number = WATERED;
    let dryAt_ms: number | null = null;
    let waterings = 0;
    for (const hour of air.hours) {
      if (hour.at_ms < from_ms) continue;
      if (hour.at_ms >= to_ms) break;
      share = afterHour(tray, share, hour, factor);
      if (share >= tray.least) continue;
      dryAt_ms ??= hour.at_ms + HOUR_ms;
      waterings++;
      share = WATERED;
    }
    return { dryAt_ms, waterings };
  };
  const likely = run(median);
  const fast = run(median * FASTER);
  return {
    batchId: tray.batchId,
    lastsTo_ms: likely.dryAt_ms,
    lasts: fast.dryAt_ms === null,
    waterings: fast.waterings,
  };
}

/** Litres a day that a wet surface of so much loses at a demand, what runs through counted in. */
export const litresOf = (demand_mm: number, surface_m2: number, runsThrough_frac = 0.1): number =>
  demand_mm * surface_m2 * (1 + runsThrough_frac);
