import { civilFromDay, dayFromCivil, type DayNumber } from '../calendar/dayNumber.ts';
import { rungOdds, type RungOdds } from './feasible.ts';
import type { LadderDay } from './ladder.ts';
import { rungsFor, type Programme } from './programme.ts';
import { shelterOf } from './ladder.ts';
import type { Hardiness } from '../books/crop.ts';
import type { Place } from '../books/place.ts';
import type { Season } from '../plan/season.ts';
import type { Site } from '../weather/site.ts';
import { shutWorth_K } from './ladderOfBatch.ts';
import { Derived, Remembered } from '../numerics/remembered.ts';

/** Days either side of the middle that are looked at. */
const ABOUT_days = 21;

/** Days of the site's years about a day of the year, as ladders look at them. */
export function daysAbout(season: Season, day: number, about = ABOUT_days): LadderDay[] {
  const history = season.site?.history ?? [];
  const byDay = new Map(history.map((d) => [d.day, d]));
  const { month, day: dayOfMonth } = civilFromDay(day);
  const years = new Set(history.map((d) => civilFromDay(d.day).year));
  return [...years].flatMap((year) => {
    const middle = dayFromCivil(year, month, month === 2 ? Math.min(28, dayOfMonth) : dayOfMonth);
    return Array.from({ length: 2 * about + 1 }, (_, i): LadderDay | null => {
      const d = byDay.get(middle - about + i);
      const next = byDay.get(middle - about + i + 1);
      if (!d || d.least_C === null || d.most_C === null || !next || next.least_C === null) return null;
      return { day: d.day, most_C: d.most_C, night_C: next.least_C, morning_C: d.least_C, gust_m_s: null, spread_K: 0 };
    }).filter((d) => d !== null);
  });
}

/** Hardy plants are hardened so many days before the last frost, the others about it. Common practice, no source. */
const HARDY_EARLIER_days = 35;

/** Middle of the time in which plants of a hardiness are hardened, by the site's last frost. */
export function usualHardeningDay(hardiness: Hardiness, lastFrost: DayNumber): DayNumber {
  return lastFrost - (hardiness === 'hardy' ? HARDY_EARLIER_days : 0);
}

/** Where plants are hardened when nothing else is said: the first frame, else the first ground. */
export function usualHardeningPlace<P extends Pick<Place, 'kind'>>(places: readonly P[]): P | null {
  return places.find(({ kind }) => kind === 'frame') ?? places.find(({ kind }) => kind === 'ground') ?? null;
}

/** More than there are programmes, hardinesses and places together in a season. */
const MOST_held = 500;
const held = new Derived<Site, Remembered<RungOdds[]>>();

/** How often each rung of a programme can be done here about a day, for plants of a hardiness hardened in a place. */
export function programmeOdds(
  season: Season,
  programme: Programme,
  hardiness: Hardiness,
  placeId: number | null,
  day: number,
): RungOdds[] {
  const { world, site, tables } = season;
  if (!site || site.history.length === 0) return [];
  const key = JSON.stringify([programme, hardiness, placeId, day]);
  const bySite = held.get(site, () => new Remembered<RungOdds[]>(MOST_held));
  return bySite.get(key, () => {
    const rungs = rungsFor(programme, hardiness);
    const shelter_K = rungs.map((r) => shelterOf(r, shutWorth_K(r.placeId ?? placeId, world, site, tables)));
    return rungOdds({ rungs, shelter_K, caution: 0 }, daysAbout(season, day));
  });
}
