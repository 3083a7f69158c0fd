import { inUse } from '../../core/books/inUse.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { localHourAt, localTimeAt } from '../../core/calendar/localDay.ts';
import type { Season } from '../../core/plan/season.ts';
import { whileAway } from '../../core/watering/waterPlan.ts';
import { waterWeeks } from '../../core/watering/waterWeeks.ts';
import type { AirDay, AirFor, PlaceWaterView, WaterPlanView } from '../../contracts/watering/waterViews.ts';
import type { Person } from '../../core/house/people.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { WORDS } from '../../words/en/watering/waterViews.ts';
import { pacedMinutes } from '../house/roundJobs.ts';
import { placeWater } from './placeWater.ts';
import { demandOn } from './waterDemand.ts';
import { AHEAD_days, MORNING_h, waterNow, type WaterNow } from './waterNow.ts';

const HOUR_ms = 3_600_000;
/** Deficit between which seedlings neither sweat nor dry, kPa. Common practice, no source. */
const RIGHT_kPa = { least: 0.3, most: 1 } as const;
/** Days are away at most as the weather is known. */
export const MOST_AWAY_days = AHEAD_days - 1;
const LINES = 12;

const airFor = (kPa: number): AirFor => (kPa < RIGHT_kPa.least ? 'damp' : kPa > RIGHT_kPa.most ? 'dry' : 'right');

const peopleHere = ({ people }: Season['world']): Person[] =>
  inUse(people).map(({ id, name, initials, mark }) => ({ id, name, initials, mark }));

/** Water and air of a place. @throws ProblemError 404 where there is none of this number */
export function placeWaterView(season: Season, placeId: number): PlaceWaterView {
  const { world, now, batches } = season;
  const { timeZone } = world.nursery;
  const place = world.places.find(({ id }) => id === placeId);
  if (!place) throw new ProblemError(404, WORDS.noSuchPlace, WORDS.thereIsNoPlaceNumber(placeId));
  const water = waterNow(season);
  const air = water.airs.get(placeId)!;
  const names = new Map(batches.map((view) => [view.batch.id, view.name]));
  const at = (ms: number) => localTimeAt(ms, timeZone);
  return {
    place: { id: placeId, name: place.name },
    places: inUse(world.places).map(({ id, name }) => ({
      id,
      name,
      now: [...water.trays.values()].filter(({ tray, want }) => tray.placeId === id && want === 'now').length,
    })),
    today: now.today,
    minute: now.minute,
    water: placeWater(season, placeId),
    days: airDays(season, water, placeId),
    hours: air.hours
      .filter(({ at_ms }) => at_ms > water.now_ms - HOUR_ms && at_ms < water.now_ms + 48 * HOUR_ms)
      .map(({ temp_C, deficit_kPa, demand_mm, day, hour }, i) => ({
        at: i,
        day,
        hour: Math.floor(hour),
        temp_C,
        deficit_kPa,
        demand_mm,
      })),
    read: water.lines
      .filter((line) => line.placeId === placeId && line.kind === 'air')
      .slice(-5)
      .reverse()
      .map(({ id, at_ms, air_C, humidity_frac, water_C }) => ({ id, ...at(at_ms), air_C, humidity_frac, water_C })),
    lines: water.lines
      .filter(({ batchId }) => batchId !== null && water.trays.get(batchId)?.tray.placeId === placeId)
      .slice(-LINES)
      .reverse()
      .map(({ id, kind, batchId, at_ms, look, weight_g, authorId }) => ({
        ...{ id, kind, batchId: batchId!, name: names.get(batchId!) ?? '', look, weight_g, by: authorId },
        ...at(at_ms),
      })),
    people: peopleHere(world),
    chamber: place.kind === 'dark-chamber' || place.kind === 'lit-chamber',
  };
}

/** Air of a place by day (six to six) and the night that follows, from yesterday on. */
export function airDays({ now, world }: Season, water: WaterNow, placeId: number): AirDay[] {
  const air = water.airs.get(placeId)!;
  const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
  const noon_ms = (day: number) =>
    water.now_ms + ((day - now.today) * 24 + 12 - localHourAt(water.now_ms, world.nursery.timeZone)) * HOUR_ms;
  return Array.from({ length: 4 }, (_, i) => {
    const day = now.today - 1 + i;
    const noon = noon_ms(day);
    const within = (from: number, to: number) =>
      air.hours.filter(({ at_ms }) => at_ms >= noon + from * HOUR_ms && at_ms < noon + to * HOUR_ms);
    const [byDay, byNight] = [within(-6, 6), within(6, 18)];
    const [day_kPa, night_kPa] = [mean(byDay.map((h) => h.deficit_kPa)), mean(byNight.map((h) => h.deficit_kPa))];
    return {
      day,
      byDay_kPa: day_kPa,
      byNight_kPa: night_kPa,
      byDay: airFor(day_kPa),
      // By night air is moister without harm: only full air is damp.
      byNight: night_kPa < RIGHT_kPa.least / 2 ? 'damp' : airFor(Math.max(RIGHT_kPa.least, night_kPa)),
      demand_mm: [...byDay, ...byNight].reduce((sum, h) => sum + h.demand_mm, 0),
    };
  });
}

const weeksHeld = new Derived<Season['batches'], WaterPlanView['weeks']>();

/** What must be set up for some days away, and litres and minutes a day by week. */
export function waterPlanView(season: Season, away_days: number): WaterPlanView {
  const { world, now, batches } = season;
  const water = waterNow(season);
  const morning = water.now_ms + ((MORNING_h * 60 - now.minute) / 60) * HOUR_ms;
  const to_ms = morning + away_days * 24 * HOUR_ms;
  const names = new Map(world.places.map(({ id, name }) => [id, name]));
  const away = batches.flatMap((view) => {
    const today = water.trays.get(view.batch.id);
    if (!today) return [];
    const { tray } = today;
    const while_ = whileAway(today, water.airs.get(tray.placeId)!, water.now_ms, to_ms);
    return [
      {
        batchId: view.batch.id,
        code: view.batch.code,
        name: view.name,
        placeId: tray.placeId,
        place: names.get(tray.placeId) ?? '',
        trays: tray.trays,
        dry: while_.lastsTo_ms === null ? null : localTimeAt(while_.lastsTo_ms, world.nursery.timeZone),
        lasts: while_.lasts,
        waterings: while_.waterings,
        litres: tray.trays * tray.holding.water_L * while_.waterings * 0.7,
        minutes: while_.waterings * pacedMinutes(season, 'water', tray.trays).minutes,
        dryAt: while_.lastsTo_ms ?? Infinity,
      },
    ];
  });
  return {
    today: now.today,
    away_days,
    people: peopleHere(world),
    away: away.sort((a, b) => a.dryAt - b.dryAt).map(({ dryAt: _dryAt, ...line }) => line),
    weeks: weeksHeld.get(batches, () => weeksOf(season), [season.site, season.tables]),
  };
}

function weeksOf(season: Season): WaterPlanView['weeks'] {
  const { now } = season;
  const stands = season.batches.flatMap(({ progress }) => progress.stands.filter(({ to }) => to > now.today));
  return waterWeeks(stands, now.today, demandOn(season)).map((week) => ({
    ...week,
    minutesADay: week.traysADay < 0.5 ? 0 : pacedMinutes(season, 'water', week.traysADay).minutes,
  }));
}

/** Place a page shows: the one asked for, else the first where something wants water, else the first there is. */
export function placeToShow(season: Season, asked: string | null): number {
  const places = inUse(season.world.places);
  const found = places.find(({ id }) => String(id) === asked);
  if (found) return found.id;
  const water = waterNow(season);
  const wanting = new Set(
    [...water.trays.values()].filter(({ want }) => want === 'now').map(({ tray }) => tray.placeId),
  );
  return (places.find(({ id }) => wanting.has(id)) ?? places[0]!).id;
}
