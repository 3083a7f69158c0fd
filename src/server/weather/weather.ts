import { civilFromDay, dayFromCivil } from '../../core/calendar/dayNumber.ts';
import { dayOfMonthDay } from '../../core/calendar/monthDay.ts';
import {
  dateAtRisk,
  frostDates,
  frostOdds,
  frostSeasons,
  frostsSeen,
  monthDayOf,
  seasonOffset,
} from '../../core/weather/frost.ts';
import { springBandFromNormals, springOddsFromNormals } from '../../core/weather/normalFrost.ts';
import { nightsKnown } from '../../core/weather/nightsKnown.ts';
import { usualSoil_C } from '../../core/weather/soil.ts';
import { usualSurface_C } from '../../core/weather/soilSurface.ts';
import { dayLength_h } from '../../core/weather/sun.ts';
import { outsideClimate } from '../../core/plan/schedule/outsideClimate.ts';
import { earliestOut, LAYER_K, OUT_HARM_C, riskOffsets, type SiteUsual } from '../../core/planting/outDates.ts';
import { lastOut } from '../../core/planting/lastOut.ts';
import type { CropRecord } from '../../core/books/records.ts';
import type { FrostView, WeatherImport, WeatherPreview, WeatherView } from '../../contracts/weather/weather.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import { looksLikeDly, readDly, readWeatherCsv } from '../../formats/weatherFile.ts';
import { type WeatherDay } from '../../core/weather/weatherDay.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { World } from '../../core/house/world.ts';
import { dropWeather, readWeather, updateFrost, writeWeather } from '../../db/weather/weather.ts';
import { database } from '../database.ts';
import { lastYears, nightTrend } from '../../core/weather/climateYears.ts';
import { outFromOf } from './siteFrost.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { Derived, Remembered } from '../../core/numerics/remembered.ts';
import { WORDS } from '../../words/en/weather/weatherServer.ts';

const USUAL = { threshold_C: 0, risk_frac: 0.1 } as const;
const MOST_GAPS = 12;
/** Cool crops go out when a hard frost is as rare as asked, warm ones when any is; and the soil is warm enough. Common practice, no source. */
const HARD_FROST_C = -2.2;
const COOL_SOIL_C = 7;
const WARM_SOIL_C = 13;

const viewsOf = new Derived<World, Remembered<FrostView>>();

/** Frost by the years known, at a threshold and a risk; worked out once for what is written down, a day and the weather known. */
export function frostView(
  season: Season,
  days: readonly WeatherDay[],
  threshold_C: number,
  risk_frac: number,
): FrostView {
  const views = viewsOf.get(season.world, () => new Remembered<FrostView>(MOST_VIEWS));
  const key = JSON.stringify([threshold_C, risk_frac, season.now.today, days.length, season.site?.key ?? null]);
  return views.get(key, () => newFrostView(season, days, threshold_C, risk_frac));
}
/** Thresholds and risks tried that are kept. */
const MOST_VIEWS = 8;

function newFrostView(season: Season, days: readonly WeatherDay[], threshold_C: number, risk_frac: number): FrostView {
  const { nursery } = season.world;
  const nights = nightsKnown(nursery);
  const south = nursery.latitude_deg < 0;
  const startMonth = south ? 7 : 1;
  const lows = days.flatMap((d) => (d.least_C === null ? [] : [{ day: d.day, least_C: d.least_C }]));
  const seasons = frostSeasons(lows, threshold_C, south);
  const [spring, autumn] = (['spring', 'autumn'] as const).map((side) => frostDates(seasons, side, south)) as [
    ReturnType<typeof frostDates>,
    ReturnType<typeof frostDates>,
  ];
  const offset = (day: number | null) => (day === null ? null : seasonOffset(day, startMonth));
  const hardDates = frostDates(frostSeasons(lows, HARD_FROST_C, south), 'spring', south);
  const unknown = nursery.outside && spring.years === 0;
  const guessed = unknown ? springOddsFromNormals(nursery.outside!, threshold_C, south, nights) : null;
  const guessedHard =
    nursery.outside && hardDates.years === 0
      ? springOddsFromNormals(nursery.outside, HARD_FROST_C, south, nights)
      : null;
  const { year, month } = civilFromDay(season.now.today);
  const from = dayFromCivil(month >= startMonth ? year : year - 1, startMonth, 1);
  const outside = nursery.outside ? outsideClimate(nursery.outside, from, 366) : null;
  const soil = outside ? usualSoil_C(outside, 0.1, nursery.latitude_deg) : null;
  const odds = (dates: typeof spring, guess: Float64Array | null, at: number): number | null => {
    if (at > 196) return null;
    return dates.years > 0 ? frostOdds(dates, at) : (guess?.[at] ?? null);
  };
  const surface = outside ? usualSurface_C(outside, nursery.latitude_deg) : null;
  const at = riskOffsets(lows, risk_frac, south);
  const autumnAt = riskOffsets(lows, risk_frac, south, 'autumn');
  const usual =
    outside && soil
      ? {
          soil_C: (d: number) => soil(from + d),
          night_C: (d: number) => outside.night_C[d]!,
          sun_K: (d: number) => surface![d]! - (outside.day_C[d]! + outside.night_C[d]!) / 2,
        }
      : null;
  /** Whether half of the crops of a group may go out: by each crop's own first day. null: no years to say. */
  const groups = new Map((['cool', 'warm'] as const).map((group) => [group, middleOut(season, group, at, usual)]));
  const mayGo = (group: 'cool' | 'warm', offset_: number): boolean | null => {
    if (lows.length === 0) return null;
    const first = groups.get(group);
    return offset_ <= 196 && first !== null && first !== undefined && offset_ >= first;
  };
  const out =
    lows.length === 0
      ? []
      : season.world.crops.map((crop) => outLine(crop, at, usual, startMonth, autumnAt, nursery.latitude_deg));
  const lasts = AUTUMN.map((hardiness) => ({
    hardiness,
    open: lastOut({ hardiness }, lows.length > 0 ? autumnAt : null, nursery.latitude_deg).offset ?? 365,
    layer: lastOut({ hardiness }, lows.length > 0 ? autumnAt : null, nursery.latitude_deg, LAYER_K).offset ?? 365,
  }));
  const halves = Array.from({ length: 24 }, (_, i) => {
    const m = ((startMonth - 1 + (i >> 1)) % 12) + 1;
    const y = civilFromDay(from).year + (startMonth - 1 + (i >> 1) >= 12 ? 1 : 0);
    const day = dayFromCivil(y, m, i % 2 === 0 ? 8 : 23);
    const at = day - from;
    const frost_frac = odds(spring, guessed, at);
    const hard = odds(hardDates, guessedHard, at);
    const soil_C = soil?.(day) ?? null;
    const { nursery: n } = season.world;
    return {
      day,
      day_C: outside?.day_C[at] ?? null,
      night_C: outside?.night_C[at] ?? null,
      soil_C,
      frost_frac,
      light_h: dayLength_h(n.latitude_deg, ((at + (south ? 181 : 0)) % 365) + 1),
      seen_years: spring.years === 0 || at > 196 ? null : frostsSeen(spring, at),
      cool: mayGo('cool', at) ?? (hard !== null && hard <= risk_frac && (soil_C ?? 0) >= COOL_SOIL_C),
      autumn:
        at < MIDSUMMER
          ? []
          : lasts
              .filter((last) => at <= Math.max(last.open, last.layer))
              .map(({ hardiness, open }) => ({ hardiness, layer: at > open })),
      warm: mayGo('warm', at) ?? (frost_frac !== null && frost_frac <= risk_frac && (soil_C ?? 0) >= WARM_SOIL_C),
    };
  });
  const band =
    spring.years === 0 && nursery.outside
      ? springBandFromNormals(nursery.outside, threshold_C, south, risk_frac, nights)
      : null;
  return {
    threshold_C,
    risk_frac,
    isGuess: nursery.outsideBy === 'guess',
    south,
    out,
    layer_K: LAYER_K,
    years: seasons.map((s) => ({
      label: south ? `${s.year}/${String((s.year + 1) % 100).padStart(2, '0')}` : String(s.year),
      lastSpring: s.lastSpring,
      firstAutumn: s.firstAutumn,
      springKnown: s.springKnown,
      autumnKnown: s.autumnKnown,
      missing: s.springMissing + s.autumnMissing,
      springOffset: offset(s.lastSpring),
      autumnOffset: offset(s.firstAutumn),
    })),
    spring: { used: spring.years, without: spring.without, at: springAt(spring, guessed, band, risk_frac, startMonth) },
    autumn: { used: autumn.years, without: autumn.without, at: dateAtRisk(autumn, risk_frac) },
    halves,
    from: spring.years > 0 ? 'years' : guessed ? 'normals' : 'nothing',
  };
}

/** Cool crops set out for autumn and winter, by hardiness. */
const AUTUMN = ['hardy', 'half-hardy'] as const;
/** Days into the season from which setting out is for autumn. */
const MIDSUMMER = 172;

/** Days into the season by which half of a group's crops may go out in the open; null: not in its spring half. */
function middleOut(
  season: Season,
  group: 'cool' | 'warm',
  at: (threshold_C: number) => number | null,
  usual: SiteUsual | null,
): number | null {
  const days = season.world.crops
    .filter((crop) => crop.group === group)
    .map((crop) => earliestOut(crop, at, usual, 0).offset ?? Infinity)
    .sort((a, b) => a - b);
  const middle = days[days.length >> 1] ?? Infinity;
  return Number.isFinite(middle) ? middle : null;
}

const MOST_LAYERS = 2;

/** A crop's first day out, in the open and under covers. */
function outLine(
  crop: CropRecord,
  at: (threshold_C: number) => number | null,
  usual: SiteUsual | null,
  startMonth: 1 | 7,
  autumnAt: ReturnType<typeof riskOffsets>,
  latitude_deg: number,
): FrostView['out'][number] {
  const dates = Array.from({ length: MOST_LAYERS + 1 }, (_, n) => earliestOut(crop, at, usual, n * LAYER_K, 0, n));
  const open = dates[0]!.offset;
  return {
    cropId: crop.id,
    name: crop.name,
    hardiness: crop.hardiness,
    last:
      crop.group === 'warm'
        ? []
        : [0, 1].map((layers) => {
            const { offset, by } = lastOut(crop, autumnAt, latitude_deg, layers * LAYER_K);
            return { date: offset === null ? null : monthDayOf(offset, startMonth), by };
          }),
    dates: dates.map(({ offset, by }) => ({
      date: offset === null ? null : monthDayOf(offset, startMonth),
      by,
      sooner_days: offset === null || open === null ? null : open - offset,
    })),
  };
}

/** The spring date at a risk: by the years, or guessed from normals with the band that comes of not knowing how far nights swing. */
function springAt(
  dates: ReturnType<typeof frostDates>,
  guessed: Float64Array | null,
  band: { readonly from: number; readonly to: number } | null,
  risk_frac: number,
  startMonth: 1 | 7,
) {
  if (dates.years > 0 || guessed === null) return dateAtRisk(dates, risk_frac);
  const offset = guessed.findIndex((o) => o <= risk_frac);
  if (offset <= 0)
    return { date: null, offset: offset === 0 ? -Infinity : Infinity, from: null, to: null, widened: true };
  const word = (o: number) => monthDayOf(Math.max(0, o), startMonth);
  return {
    date: word(offset),
    offset,
    from: word(Math.min(offset, band?.from ?? offset)),
    to: word(Math.max(offset, band?.to ?? offset)),
    widened: true,
  };
}

/** The weather of the site as far as it is written down. */
export async function weatherView(season: Season, threshold_C?: number, risk_frac?: number): Promise<WeatherView> {
  const { nursery } = season.world;
  const all = await readWeather(database());
  const days = lastYears(all, season.now.today, nursery.climateYears);
  const chosen = nursery.frost;
  const sources = new Map<string, { from: number; to: number; days: number }>();
  const gaps: { from: number; to: number }[] = [];
  let last: number | null = null;
  for (const { day, source, least_C } of all) {
    const s = sources.get(source) ?? { from: day, to: day, days: 0 };
    sources.set(source, { from: Math.min(s.from, day), to: Math.max(s.to, day), days: s.days + 1 });
    if (least_C === null) continue;
    if (last !== null && day > last + 1) gaps.push({ from: last + 1, to: day - 1 });
    last = day;
  }
  return {
    version: nursery.version,
    trend: nightTrend(all),
    climateYears: nursery.climateYears ?? null,
    wind: season.site?.wind ?? null,
    sources: [...sources].map(([name, s]) => ({ name, ...s })),
    gaps: gaps.sort((a, b) => b.to - b.from - (a.to - a.from)).slice(0, MOST_GAPS),
    gapCount: gaps.length,
    lastFrost: nursery.lastFrost,
    firstFrost: nursery.firstFrost,
    chosen,
    frost: frostView(
      season,
      days,
      threshold_C ?? chosen?.threshold_C ?? USUAL.threshold_C,
      risk_frac ?? chosen?.risk_frac ?? USUAL.risk_frac,
    ),
  };
}

/** Says what is in a file, and keeps it when asked to and nothing about it is in doubt. */
export async function importWeather(input: WeatherImport): Promise<WeatherPreview> {
  const { now } = await readSeason();
  const dly = looksLikeDly(input.text);
  if (!dly && input.columns === null) throw fieldProblem('columns', WORDS.sayWhichColumnHoldsThe);
  const file = dly ? readDly(input.text) : readWeatherCsv(input.text, input.columns!);
  const past = file.days.filter((d) => d.day <= now.today);
  const doubts = [...file.doubts];
  if (past.length < file.days.length) doubts.push(WORDS.daysAreStillToCome(file.days.length - past.length));
  if (past.length === 0) doubts.push(WORDS.noDayOfWeatherCould);
  if (input.commit && doubts.length > 0) throw fieldProblem('text', doubts.join(' '));
  const lows = past.flatMap((d) => d.least_C ?? []);
  const highs = past.flatMap((d) => d.most_C ?? []);
  return {
    days: past.length,
    from: past[0]?.day ?? null,
    to: past.at(-1)?.day ?? null,
    least_C: lows.length > 0 ? lows.reduce((a, b) => Math.min(a, b)) : null,
    most_C: highs.length > 0 ? highs.reduce((a, b) => Math.max(a, b)) : null,
    problems: file.problems,
    problemCount: file.problemCount,
    repeated: file.repeated,
    unlike: file.unlike.slice(0, 20),
    stations: file.stations,
    doubts,
    written: input.commit ? await writeWeather(database(), past, input.name) : null,
  };
}

/** Takes the frosts of the site at a threshold and a risk: dates and warnings of the season go by them from now on. */
export async function chooseFrost(version: number, threshold_C: number, risk_frac: number): Promise<WeatherView> {
  const season = await readSeason();
  const { frost } = await weatherView(season, threshold_C, risk_frac);
  const { spring, autumn } = frost;
  if (!spring.at?.date)
    throw fieldProblem(
      'risk_frac',
      spring.at && spring.at.offset < 0 ? WORDS.atThisThresholdFrostIs : WORDS.thereIsNeitherHistoryNor,
    );
  const dates = { lastFrost: spring.at.date, ...(autumn.at?.date ? { firstFrost: autumn.at.date } : {}) };
  // A frost before midwinter would make the season's other half its own.
  if (dates.firstFrost && dayOfMonthDay(dates.firstFrost, 2001) === dayOfMonthDay(dates.lastFrost, 2001))
    throw fieldProblem('threshold_C', WORDS.atThisThresholdThereIs);
  const south = season.world.nursery.latitude_deg < 0;
  const days = await readWeather(database());
  const lows = days.flatMap((d) => (d.least_C === null ? [] : [{ day: d.day, least_C: d.least_C }]));
  const outFrom =
    lows.length > 0
      ? outFromOf(riskOffsets(lows, risk_frac, south), south)
      : (Object.fromEntries(
          Object.keys(OUT_HARM_C).map((hardiness) => [hardiness, monthDayOf(spring.at!.offset + 1, south ? 7 : 1)]),
        ) as FrostChoice['outFrom']);
  if (!(await updateFrost(version, { threshold_C, risk_frac, outFrom }, dates))) {
    const { world } = await readSeason();
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedTheSettingsSince, {
      current: { version: world.nursery.version, frost: world.nursery.frost },
      yours: { version, threshold_C, risk_frac },
    });
  }
  return weatherView(await readSeason());
}

/** Takes out the days of one source. */
export async function forgetWeather(source: string): Promise<WeatherView> {
  if ((await dropWeather(database(), source)) === 0)
    throw new ProblemError(404, WORDS.noSuchSource, WORDS.noDayOfWeatherIs);
  return weatherView(await readSeason());
}
