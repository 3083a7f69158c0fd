import { frostDates, frostSeasons, monthDayOf } from '../../core/weather/frost.ts';
import { OUT_HARM_C, riskOffsets } from '../../core/planting/outDates.ts';
import type { Hardiness } from '../../core/books/crop.ts';
import { lastOut } from '../../core/planting/lastOut.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import type { World } from '../../core/house/world.ts';
import { USUAL_RISK_frac } from '../../core/planting/outFrom.ts';
import type { Site } from '../../core/weather/site.ts';
import { Derived } from '../../core/numerics/remembered.ts';

/** Springs wanted before the site's years stand for the mean date that was typed. */
const LEAST_YEARS = 5;
const held = new Derived<Site, FrostChoice | null>();

/** When plants of each hardiness may be out at a risk, by the site's lows. @param cover_K what a cover is worth on the night */
export function outFromOf(at: ReturnType<typeof riskOffsets>, south: boolean, cover_K = 0): FrostChoice['outFrom'] {
  return Object.fromEntries(
    Object.entries(OUT_HARM_C).map(([hardiness, harm_C]) => {
      const offset = at(harm_C - cover_K);
      return [hardiness, offset === null || !Number.isFinite(offset) ? null : monthDayOf(offset + 1, south ? 7 : 1)];
    }),
  ) as FrostChoice['outFrom'];
}

/** Last days to set out for autumn, by hardiness. */
function lastOutOf(
  at: ReturnType<typeof riskOffsets>,
  latitude_deg: number,
  cover_K = 0,
): NonNullable<FrostChoice['lastOut']> {
  return Object.fromEntries(
    (Object.keys(OUT_HARM_C) as Hardiness[]).map((hardiness) => {
      const { offset } = lastOut({ hardiness }, at, latitude_deg, cover_K);
      return [hardiness, offset === null ? null : monthDayOf(offset, latitude_deg < 0 ? 7 : 1)];
    }),
  ) as NonNullable<FrostChoice['lastOut']>;
}

/**
 * The frosts the season goes by: as chosen; else, with years enough, the site's own at one year in ten; else the typed mean (null).
 * With the site's years, covers come with their own dates.
 */
export function frostGoneBy(site: Site | null, world: World): FrostChoice | null {
  const { frost } = world.nursery;
  return site ? held.get(site, () => choiceOf(site, world), [frost]) : frost;
}

function choiceOf(site: Site, world: World): FrostChoice | null {
  const { frost, latitude_deg } = world.nursery;
  const south = latitude_deg < 0;
  const springs = frostDates(frostSeasons(site.lows, 0, south), 'spring', south).years;
  const risk_frac = frost?.risk_frac ?? USUAL_RISK_frac;
  if (springs < LEAST_YEARS) return frost;
  const at = riskOffsets(site.lows, risk_frac, south);
  const worth = (id: number, written: number) => Math.max(0, site.worths.get(id)?.worth_K ?? written);
  const under = Object.fromEntries(world.covers.map((c) => [c.id, outFromOf(at, south, worth(c.id, c.worth_K))]));
  const autumn = riskOffsets(site.lows, risk_frac, south, 'autumn');
  const lastUnder = Object.fromEntries(
    world.covers.map((c) => [c.id, lastOutOf(autumn, latitude_deg, worth(c.id, c.worth_K))]),
  );
  const last = { lastOut: lastOutOf(autumn, latitude_deg), lastUnder };
  const chosen = frost?.by === 'guess' ? null : frost;
  return { threshold_C: 0, risk_frac, outFrom: outFromOf(at, south), ...chosen, under, ...last };
}
