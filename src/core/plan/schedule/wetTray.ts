import type { Place } from '../../books/place.ts';

/** Degrees the medium of an open wet tray stands under the air by evaporation. Common practice, no source: 2 to 4 K, next to none under a bag. */
export const OPEN_WET_K = 2;

/**
 * Degrees the medium of a wet tray is cooler than the air of a place: as written down for it, else the usual. What is heated is
 * held where it is set, and what was measured or written down by periods is what plants feel: nothing comes off those.
 */
export function wetTray_K({ temperature, wet_K }: Pick<Place, 'temperature' | 'wet_K'>): number {
  if (wet_K != null) return wet_K;
  return temperature?.kind === 'outside' ? OPEN_WET_K : 0;
}
