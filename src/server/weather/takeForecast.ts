import { dayOfYear } from '../../core/calendar/dayNumber.ts';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { dayWeathers, type DayWeather, type Sky } from '../../core/weather/forecast.ts';
import { hoursOfDays } from '../../formats/readForecast.ts';
import { localHours } from '../../core/weather/forecast.ts';
import { outsideClimate } from '../../core/plan/schedule/outsideClimate.ts';
import { forecastFile, type ForecastFile, type TypedForecast } from '../../contracts/weather/forecast.ts';
import { fieldProblem } from '../../contracts/problem.ts';
import type { NurseryRecord } from '../../core/house/nursery.ts';
import { addObserved, CLOCKS_DIFFER_ms, freeInstant, insertForecast } from '../../db/weather/site.ts';
import { type ForecastLow } from '../../core/weather/forecast.ts';
import type { Db } from '../../db/sql.ts';
import type { World } from '../../core/house/world.ts';
import type { Now } from '../../core/calendar/localDay.ts';
import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { WORDS } from '../../words/en/weather/takeForecast.ts';

/** Days a forecast may be old when it is taken in. */
const OLDEST_days = 3;
/** A mean this far from the usual is asked about. */
const UNLIKE_K = 18;

type Place = Pick<NurseryRecord, 'timeZone' | 'outside' | 'latitude_deg'>;

/**
 * What is wrong with a forecast that Zod cannot see; null when it may be taken. `path` names the field.
 */
export function forecastFault(
  file: ForecastFile,
  place: Place,
  now: Now,
): { readonly path: string; readonly message: string } | null {
  const made_ms = Date.parse(file.made_at);
  if (made_ms > now.instant_ms + CLOCKS_DIFFER_ms)
    return { path: 'made_at', message: `made_at: ${WORDS.isStillToComeIs(file.made_at)}` };
  if (made_ms < now.instant_ms - OLDEST_days * 86_400_000)
    return {
      path: 'made_at',
      message: `made_at: ${WORDS.madeDaysAgoAForecast(Math.round((now.instant_ms - made_ms) / 86_400_000), OLDEST_days)}`,
    };
  const at = file.hours.map((h) => Date.parse(h.at));
  const seen = new Set<number>();
  for (const [i, ms] of at.entries()) {
    if (seen.has(ms)) return { path: `hours.${i}.at`, message: WORDS.atIsThereTwice(file.hours[i]!.at) };
    seen.add(ms);
  }
  const last = Math.max(...at);
  if (last <= now.instant_ms) return { path: 'hours', message: `hours: ${WORDS.allOfThemArePast}` };
  if (last > now.instant_ms + 20 * 86_400_000)
    return { path: 'hours', message: `hours: ${WORDS.moreThanDaysAheadAre}` };
  for (const [i, h] of file.hours.entries())
    if (h.gust_m_s != null && h.wind_m_s != null && h.gust_m_s < 0.7 * h.wind_m_s)
      return { path: `hours.${i}.gust_m_s`, message: WORDS.gustMSGustsBelow };
  return unlikeSite(file, place, now);
}

/** Whether the temperatures cannot be those of the place: Fahrenheit or tenths taken for degrees. */
function unlikeSite(file: ForecastFile, place: Place, now: Now): { path: string; message: string } | null {
  const mean = file.hours.reduce((sum, h) => sum + h.temp_C, 0) / file.hours.length;
  if (!place.outside) return null;
  const { day_C, night_C } = outsideClimate(place.outside, now.today, 8);
  const usual = (day_C[4]! + night_C[4]!) / 2;
  if (Math.abs(mean - usual) <= UNLIKE_K) return null;
  const f = Math.abs((mean - 32) / 1.8 - usual) <= 10 ? WORDS.areTheyInFahrenheitSend : '';
  const message = WORDS.tempCDegreesCOn(mean.toFixed(0), usual.toFixed(0), f || WORDS.isItAnotherPlaceOr);
  return { path: 'hours', message };
}

/** Lows of whole days, kept for the score. */
export function lowsOf(days: readonly DayWeather[], madeOn: number): ForecastLow[] {
  return days.flatMap((d) =>
    d.least_C === null || d.day < madeOn
      ? []
      : [
          {
            day: d.day,
            lead: d.day - madeOn,
            least_C: round(d.least_C),
            most_C: d.most_C === null ? null : round(d.most_C),
            gust_m_s: d.gust_m_s,
          },
        ],
  );
}

const round = (t: number): number => Math.round(10 * t) / 10;

/**
 * Takes a forecast in, from a service or a file.
 * @throws ProblemError with the field at fault; nothing is written then and the last good one stays
 */
export async function takeForecast(
  db: Db,
  world: World,
  now: Now,
  value: unknown,
  kind: 'service' | 'file',
): Promise<{ readonly fresh: boolean; readonly days: number; readonly observed: number; readonly source: string }> {
  const parsed = forecastFile.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    throw fieldProblem(issue.path.join('.') || 'text', issue.message);
  }
  const file = parsed.data;
  const fault = forecastFault(file, world.nursery, now);
  if (fault) throw fieldProblem(fault.path, fault.message);
  const made_ms = Date.parse(file.made_at);
  const madeOn = localTimeAt(made_ms, world.nursery.timeZone).day;
  const days = dayWeathers(localHours(file.hours, world.nursery.timeZone), madeOn);
  const fresh = await insertForecast(
    db,
    { source: file.source, kind, made_ms, madeOn, hours: file.hours },
    lowsOf(days, madeOn),
    now.instant_ms,
  );
  const past = file.observed.filter((d) => requireDay(d.day) < now.today);
  const observed = await addObserved(db, past, file.source);
  return { fresh, days: days.length, observed, source: file.source };
}

const TYPED = WORDS.typedByHand;
const CLOUD: Readonly<Record<Sky, number>> = { clear: 0.1, broken: 0.5, dull: 0.9 };

/** Takes in a forecast typed day by day. */
export async function takeTyped(
  db: Db,
  world: World,
  now: Now,
  input: TypedForecast,
): Promise<{ readonly days: number }> {
  const typed = input.days.map((d) => ({ ...d, day: requireDay(d.day), cloud_frac: CLOUD[d.sky] }));
  typed.forEach((d, i) => {
    if (d.day < now.today) throw fieldProblem(`days.${i}.day`, WORDS.isPastLogItAs(isoFromDay(d.day)));
    if (d.day > now.today + 9) throw fieldProblem(`days.${i}.day`, WORDS.aForecastReachesTenDays);
  });
  const noon = solarNoon_h(world, now.instant_ms);
  const hours = hoursOfDays(typed, world.nursery.latitude_deg, dayOfYear, noon);
  const told = hours.map((h) => ({
    ...h,
    at: instantOf(h.day, h.hour, world.nursery.timeZone),
    temp_C: round(h.temp_C),
  }));
  const kept = told.map(({ day: _d, hour: _h, ...rest }) => rest);
  const fault = unlikeSite({ hours: kept } as ForecastFile, world.nursery, now);
  if (fault) throw fieldProblem('days', fault.message);
  await insertForecast(
    db,
    {
      source: TYPED,
      kind: 'typed',
      made_ms: await freeInstant(db, TYPED, now.instant_ms),
      madeOn: now.today,
      hours: kept,
    },
    lowsOf(dayWeathers(hours, now.today), now.today),
    now.instant_ms,
  );
  return { days: typed.length };
}

/** The instant of an hour by the wall clock, ISO; of an hour that is skipped, the one after. */
function instantOf(day: number, hour: number, timeZone: string): string {
  let guess = day * 86_400_000 + hour * 3_600_000;
  for (let i = 0; i < 2; i++) {
    const local = localTimeAt(guess, timeZone);
    guess += ((day - local.day) * 1440 + hour * 60 - local.minute) * 60_000;
  }
  return new Date(guess).toISOString();
}
