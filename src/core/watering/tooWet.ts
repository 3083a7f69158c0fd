import type { PlaceAir } from './placeAir.ts';
import { factorQuantile, WATERED, WET_ABOVE, type DryingBelief } from './belief.ts';
import { afterHour, type TrayWater } from './trayWater.ts';

const HOUR_ms = 3_600_000;
/** Evenings on which a surface is wet before it is said why. Common practice, no source. */
export const WET_EVENINGS = 3;
/** From this hour on water is late: the surface stays wet into the night. Common practice, no source. */
export const LATE_h = 15;
/** Air that takes next to nothing up, and air too cool for wet seedlings. Common practice, no source. */
const STILL_kPa = 0.35;
const COOL_C = 14;
/** More plants than this over the usual of a tray are dense. Common practice, no source. */
const DENSE = 1.3;
/** Hours of wet surface in a week, weighed by how fast moulds and gnats go at that warmth, from which a risk is some, and high. Common practice, no source. */
const RISK_h = { some: 60, high: 100 } as const;

/** Why a surface stays wet, what to change first in front. */
export type WetCause = 'late' | 'much' | 'dense' | 'still' | 'cool';

/** How wet the surface of a batch's trays was over the last days. */
export interface WetSurface {
  /** Evenings running, the last one first, on which it was wet at dusk; at most seven are looked back. */
  readonly evenings: number;
  /** Hours of the last seven days in which it was wet, and the same weighed by warmth. */
  readonly wet_h: number;
  readonly weighed_h: number;
  readonly risk: 'little' | 'some' | 'high';
  readonly causes: readonly WetCause[];
}

/** How fast damping-off, algae and gnats go at a warmth, 0 to 1: best about 15 to 26. Common practice, no source. */
export function warmthFor(temp_C: number): number {
  if (temp_C <= 5 || temp_C >= 35) return 0;
  if (temp_C < 15) return (temp_C - 5) / 10;
  if (temp_C > 26) return (35 - temp_C) / 9;
  return 1;
}

/**
 * How wet a surface was over the last seven days, worked out from its waterings, and why.
 * @param dusks_ms instants of the last evenings' dusk, the last one first
 * @param hourOf wall-clock hour of an instant
 * @param dense plants in a tray over the usual of it
 */
export function wetSurface(
  tray: TrayWater,
  belief: DryingBelief,
  air: PlaceAir,
  at: {
    readonly now_ms: number;
    readonly dusks_ms: readonly number[];
    readonly hourOf: (at_ms: number) => number;
    readonly dense: number;
  },
): WetSurface {
  const factor = factorQuantile(belief, 0.5);
  const from_ms = at.now_ms - 7 * 24 * HOUR_ms;
  let share = NaN;
  let [wet_h, weighed_h, deficit, temp, hours] = [0, 0, 0, 0, 0];
  const wetAt = new Map<number, boolean>();
  let [late, much] = [0, 0];
  const waterings = [...tray.waterings];
  for (const hour of air.hours) {
    if (hour.at_ms >= at.now_ms) break;
    while (waterings.length > 0 && waterings[0]! < hour.at_ms + HOUR_ms) {
      const when = waterings.shift()!;
      if (when >= from_ms) {
        if (at.hourOf(when) >= LATE_h) late++;
        if (share > WET_ABOVE) much++;
      }
      share = WATERED;
    }
    if (Number.isNaN(share)) continue;
    share = afterHour(tray, share, hour, factor);
    for (const dusk of at.dusks_ms)
      if (dusk >= hour.at_ms && dusk < hour.at_ms + HOUR_ms) wetAt.set(dusk, share > WET_ABOVE);
    if (hour.at_ms < from_ms) continue;
    hours++;
    deficit += hour.deficit_kPa;
    temp += hour.temp_C;
    if (share > WET_ABOVE) {
      wet_h++;
      weighed_h += warmthFor(hour.temp_C);
    }
  }
  let evenings = 0;
  while (evenings < at.dusks_ms.length && wetAt.get(at.dusks_ms[evenings]!)) evenings++;
  const causes: WetCause[] = [];
  if (late > 0) causes.push('late');
  if (much > 0) causes.push('much');
  if (at.dense > DENSE) causes.push('dense');
  if (hours > 0 && deficit / hours < STILL_kPa) causes.push('still');
  if (hours > 0 && temp / hours < COOL_C) causes.push('cool');
  return {
    evenings,
    wet_h,
    weighed_h,
    risk: weighed_h >= RISK_h.high ? 'high' : weighed_h >= RISK_h.some ? 'some' : 'little',
    // Where nothing else stands out, it was given more than the air takes up.
    causes: causes.length > 0 ? causes : ['much'],
  };
}
