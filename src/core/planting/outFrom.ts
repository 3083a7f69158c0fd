import { civilFromDay, dayFromCivil } from '../calendar/dayNumber.ts';
import { nearestOccurrence } from '../calendar/monthDay.ts';
import { usualSoil_C } from '../weather/soil.ts';
import { usualSurface_C } from '../weather/soilSurface.ts';
import type { Crop } from '../books/crop.ts';
import { earliestOut, riskOffsets, type OutDate, type SiteUsual } from './outDates.ts';
import { outsideClimate } from '../plan/schedule/outsideClimate.ts';
import type { CoverRecord } from '../hardening/records.ts';
import type { World } from '../house/world.ts';
import type { Site } from '../weather/site.ts';
import { Derived, Remembered } from '../numerics/remembered.ts';

/** Risk taken where none is chosen. */
export const USUAL_RISK_frac = 0.1;

/** First day a crop may go out in the season of a day, and what decides it. `day` null: never in its spring half. */
export interface OutFrom {
  readonly day: number | null;
  readonly by: OutDate['by'] | 'frost date';
  /** From the season's first day: nothing holds it back at all. */
  readonly fromStart: boolean;
}

interface Held {
  readonly at: (threshold_C: number) => number | null;
  readonly usual: SiteUsual | null;
}
/** Risks tried that are kept. */
const MOST_held = 40;
const held = new Derived<Site, Remembered<Held>>();

function heldFor(site: Site, world: World, risk_frac: number): Held {
  const { latitude_deg, outside } = world.nursery;
  const south = latitude_deg < 0;
  const bySite = held.get(site, () => new Remembered<Held>(MOST_held));
  return bySite.get(`${risk_frac} ${south}`, () => newHeld(site, outside, latitude_deg, risk_frac));
}

function newHeld(site: Site, outside: World['nursery']['outside'], latitude_deg: number, risk_frac: number): Held {
  const south = latitude_deg < 0;
  let usual: SiteUsual | null = null;
  if (outside) {
    const from = dayFromCivil(2001, south ? 7 : 1, 1);
    const climate = outsideClimate(outside, from, 366);
    const soil = usualSoil_C(climate, 0.1, latitude_deg);
    const surface = usualSurface_C(climate, latitude_deg);
    usual = {
      soil_C: (d) => soil(from + d),
      night_C: (d) => climate.night_C[d]!,
      sun_K: (d) => surface[d]! - (climate.day_C[d]! + climate.night_C[d]!) / 2,
    };
  }
  return { at: riskOffsets(site.lows, risk_frac, south), usual };
}

/**
 * First day a crop may stand out under a cover, at the grower's risk, by the site's own years; without them by the mean last frost
 * and the crop's weeks. Covers count by the school chosen: degrees on the night, or weeks a layer.
 * @param near a day of the season meant
 */
export function outFrom(
  site: Site,
  world: World,
  crop: Crop,
  cover: Pick<CoverRecord, 'id' | 'layers' | 'worth_K' | 'soil_K'> | null,
  near: number,
  risk_frac = world.nursery.frost?.risk_frac ?? USUAL_RISK_frac,
): OutFrom {
  const { planting, latitude_deg, lastFrost } = world.nursery;
  const byWeeks = planting.layerSchool === 'weeks';
  const sooner = byWeeks && cover ? Math.round(7 * planting.layer_weeks * cover.layers) : 0;
  const cover_K = byWeeks || !cover ? 0 : Math.max(0, site.worths.get(cover.id)?.worth_K ?? cover.worth_K);
  if (site.lows.length === 0) {
    const open = nearestOccurrence(lastFrost, near) + 7 * crop.weeksFromLastFrost;
    // Without usual nights degrees cannot be told in days: a layer counts its weeks.
    const blind = !site.usual && cover ? Math.round(7 * planting.layer_weeks * cover.layers) : sooner;
    return { day: open - blind - daysOf(cover_K, site, open), by: 'frost date', fromStart: false };
  }
  const { at, usual } = heldFor(site, world, risk_frac);
  const { offset, by } = earliestOut(
    crop,
    at,
    usual,
    cover_K,
    byWeeks ? 0 : (cover?.soil_K ?? 0),
    byWeeks ? 0 : (cover?.layers ?? 0),
  );
  if (offset === null) return { day: null, by, fromStart: false };
  const south = latitude_deg < 0;
  const { year, month } = civilFromDay(near);
  const start = dayFromCivil(south && month < 7 ? year - 1 : year, south ? 7 : 1, 1);
  return { day: Math.max(start, start + offset - sooner), by, fromStart: offset - sooner <= 0 };
}

/** Days that degrees on the night are worth about a day, by how fast the usual nights rise. */
function daysOf(cover_K: number, site: Site, day: number): number {
  if (!site.usual || cover_K === 0) return 0;
  const i = day - site.usual.from;
  const rise = ((site.usual.night_C[i + 15] ?? NaN) - (site.usual.night_C[i - 15] ?? NaN)) / 30;
  return rise > 0.02 ? Math.min(35, Math.round(cover_K / rise)) : 0;
}
