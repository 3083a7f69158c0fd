import { frostDates, frostSeasons, monthDayOf } from '../../core/climate/frost.ts';
import { OUT_HARM_C, riskOffsets } from '../../core/planting/outDates.ts';
import type { FrostChoice } from '../../contracts/weather.ts';
import type { World } from '../../db/world.ts';
import { USUAL_RISK_frac } from '../planting/outFrom.ts';
import type { Site } from './site.ts';

/** Springs wanted before the site's years stand for the mean date that was typed. */
const LEAST_YEARS = 5;
const held = new WeakMap<Site, FrostChoice | null>();

/** When plants of each hardiness may be out at a risk, by the site's lows. */
export function outFromOf(lows: Site['lows'], risk_frac: number, south: boolean): FrostChoice['outFrom'] {
  const at = riskOffsets(lows, risk_frac, south);
  return Object.fromEntries(
    Object.entries(OUT_HARM_C).map(([hardiness, harm_C]) => {
      const offset = at(harm_C);
      return [hardiness, offset === null || !Number.isFinite(offset) ? null : monthDayOf(offset + 1, south ? 7 : 1)];
    }),
  ) as FrostChoice['outFrom'];
}

/** The frosts the season goes by: as chosen; else, with years enough, the site's own at one year in ten; else the typed mean (null). */
export function frostGoneBy(site: Site | null, world: World): FrostChoice | null {
  const { frost, latitude_deg } = world.nursery;
  if (frost || !site) return frost;
  const known = held.get(site);
  if (known !== undefined) return known;
  const south = latitude_deg < 0;
  const springs = frostDates(frostSeasons(site.lows, 0, south), 'spring', south).years;
  const made = springs >= LEAST_YEARS ? { threshold_C: 0, risk_frac: USUAL_RISK_frac, outFrom: outFromOf(site.lows, USUAL_RISK_frac, south) } : null; // prettier-ignore
  held.set(site, made);
  return made;
}
