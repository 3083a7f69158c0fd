import Papa from 'papaparse';
import { GUST_OF_MEAN, windFrom, type WindUnit } from '../core/weather/siteWind.ts';
import { dayFromCivil, dayFromIso, type DayNumber } from '../core/calendar/dayNumber.ts';
import type { WeatherDay } from '../core/weather/weatherDay.ts';
import { WORDS } from '../words/en/house/weatherFile.ts';

export const WEATHER_UNITS = ['C', 'F', 'tenths'] as const;
export type WeatherUnit = (typeof WEATHER_UNITS)[number];

/** Which column is what; names as in the first line of the file. */
export interface WeatherColumns {
  readonly date: string;
  readonly least: string;
  readonly most: string | null;
  readonly rain: string | null;
  /** Column of the strongest gust, or of the mean wind, and its unit. */
  readonly wind?: string | null;
  readonly windIs?: 'gust' | 'mean';
  readonly windUnit?: WindUnit;
  /** Column and value by which one place is chosen from many. */
  readonly station: string | null;
  readonly stationIs: string | null;
  readonly unit: WeatherUnit;
}

export interface WeatherFile {
  /** By day, each once. */
  readonly days: readonly WeatherDay[];
  /** Lines that could not be read, the first hundred. */
  readonly problems: readonly { readonly line: number; readonly message: string }[];
  readonly problemCount: number;
  /** Days told twice: the same twice is one day, unlike ones are left out. */
  readonly repeated: number;
  readonly unlike: readonly DayNumber[];
  /** Places the file tells of, when it tells of more than the one chosen. */
  readonly stations: readonly string[];
  /** What looks wrong as a whole, in words; the file is not to be kept until it is settled. */
  readonly doubts: readonly string[];
}

const MOST_LINES = 120_000;
const MOST_GUST_m_s = 100;
const GUESSES: Readonly<Record<'date' | 'least' | 'most' | 'rain' | 'wind' | 'station', RegExp>> = {
  date: /^(date|day|datum)$/i,
  least: /^(tmin|temp_?min|min_?temp.*|minimum.*|t_?min.*|least.*)$/i,
  most: /^(tmax|temp_?max|max_?temp.*|maximum.*|t_?max.*|most.*)$/i,
  rain: /^(prcp|precip\w*|rain\w*)$/i,
  wind: /^(w?gust\w*|wind_?gust\w*|max_?gust\w*|wsf[gi5]|fx)$/i,
  station: /^(station|location|site|place|id)$/i,
};

/** The columns of a CSV, and which of them look like what. */
export function columnsOf(text: string): { names: string[]; guess: Partial<Record<keyof typeof GUESSES, string>> } {
  const { data } = Papa.parse<string[]>(text.slice(0, 20_000), { preview: 1 });
  const names = (data[0] ?? []).map((name) => name.trim()).filter(Boolean);
  const guess = Object.fromEntries(
    Object.entries(GUESSES).flatMap(([key, like]) => {
      const name = names.find((n) => like.test(n));
      return name === undefined ? [] : [[key, name]];
    }),
  );
  return { names, guess };
}

/** Reads daily weather from a CSV with its columns matched. */
export function readWeatherCsv(text: string, columns: WeatherColumns): WeatherFile {
  const { data } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => name.trim(),
  });
  const reader = new Reader(columns.unit);
  const stations = new Set<string>();
  data.slice(0, MOST_LINES).forEach((row, i) => {
    if (columns.station !== null) {
      const station = (row[columns.station] ?? '').trim();
      if (station !== '') stations.add(station);
      if (columns.stationIs !== null && station !== columns.stationIs) return;
    }
    const line = i + 2;
    const day = dayOf(row[columns.date] ?? '');
    if (day === null) return reader.problem(line, WORDS.isNoDateSuchAs(row[columns.date] ?? ''));
    const figure = (name: string | null): number | null | undefined => {
      const raw = name === null ? '' : (row[name] ?? '').trim();
      if (raw === '' || /^(na|nan|null|-9999(\.0+)?)$/i.test(raw)) return null;
      const value = Number(raw.replace(',', '.'));
      return Number.isFinite(value) ? value : undefined;
    };
    const [least, most, rain] = [figure(columns.least), figure(columns.most), figure(columns.rain)];
    const wind = figure(columns.wind ?? null);
    if (least === undefined) return reader.problem(line, WORDS.isNoTemperature(row[columns.least]));
    const gust =
      wind == null ? null : windFrom(wind, columns.windUnit ?? 'm/s') * (columns.windIs === 'mean' ? GUST_OF_MEAN : 1);
    reader.take(line, day, least, most ?? null, rain ?? null, gust);
  });
  if (data.length > MOST_LINES) reader.problem(MOST_LINES + 2, WORDS.onlyTheFirstLinesAre(MOST_LINES));
  return reader.done(columns.stationIs === null ? [...stations] : []);
}

/** Reads a GHCN-Daily station file (.dly): fixed columns, tenths of a degree, a month to a line. @source NOAA NCEI GHCN-Daily readme, section III */
export function readDly(text: string): WeatherFile {
  const reader = new Reader('tenths');
  const stations = new Set<string>();
  const months = new Map<string, { line: number; year: number; month: number; of: Map<string, (number | null)[]> }>();
  text.split(/\r?\n/).forEach((row, i) => {
    if (row.trim() === '') return;
    const [year, month, element] = [Number(row.slice(11, 15)), Number(row.slice(15, 17)), row.slice(17, 21)];
    if (row.length < 29 || !Number.isInteger(year) || !(month >= 1 && month <= 12))
      return reader.problem(i + 1, WORDS.notALineOfA);
    stations.add(row.slice(0, 11));
    if (!DLY_ELEMENTS.includes(element)) return;
    const values = Array.from({ length: 31 }, (_, d) => {
      const at = 21 + d * 8;
      const value = Number(row.slice(at, at + 5));
      // A quality flag means that it failed a check.
      const flagged = (row[at + 6] ?? ' ') !== ' ';
      return !Number.isFinite(value) || value === -9999 || flagged ? null : value;
    });
    const key = `${year}-${month}`;
    const entry = months.get(key) ?? { line: i + 1, year, month, of: new Map<string, (number | null)[]>() };
    entry.of.set(element, values);
    months.set(key, entry);
  });
  for (const { line, year, month, of } of months.values()) {
    const length =
      dayFromCivil(month === 12 ? year + 1 : year, month === 12 ? 1 : month + 1, 1) - dayFromCivil(year, month, 1);
    for (let d = 0; d < length; d++) {
      const [least, most, rain] = ['TMIN', 'TMAX', 'PRCP'].map((e) => of.get(e)?.[d] ?? null) as [
        number | null,
        number | null,
        number | null,
      ];
      const gust = of.get('WSFG')?.[d] ?? of.get('WSF5')?.[d] ?? null;
      if (least !== null || most !== null || rain !== null || gust !== null)
        reader.take(line, dayFromCivil(year, month, d + 1), least, most, rain, gust === null ? null : gust / 10);
    }
  }
  return reader.done(stations.size > 1 ? [...stations] : []);
}

/** Lowest, highest, rain, strongest gust and fastest five seconds. */
const DLY_ELEMENTS = ['TMIN', 'TMAX', 'PRCP', 'WSFG', 'WSF5'];

/** Whether a text is a .dly file and not a CSV. */
export const looksLikeDly = (text: string): boolean => /^[A-Z]{2}[\w-]{9}\d{6}[A-Z]{4}[ \d-]{5}/.test(text);

const TO_C: Readonly<Record<WeatherUnit, (value: number) => number>> = {
  C: (value) => value,
  F: (value) => ((value - 32) * 5) / 9,
  tenths: (value) => value / 10,
};

/** Gathers days, refusing what no weather was. */
class Reader {
  readonly #unit: WeatherUnit;
  readonly #days = new Map<DayNumber, WeatherDay>();
  readonly #problems: { line: number; message: string }[] = [];
  #problemCount = 0;
  #repeated = 0;
  readonly #unlike = new Set<DayNumber>();
  readonly #raw: number[] = [];

  constructor(unit: WeatherUnit) {
    this.#unit = unit;
  }

  problem(line: number, message: string): void {
    this.#problemCount++;
    if (this.#problems.length < 100) this.#problems.push({ line, message });
  }

  take(
    line: number,
    day: DayNumber,
    least: number | null,
    most: number | null,
    rain: number | null,
    gust_m_s: number | null,
  ): void {
    if (least !== null) this.#raw.push(least);
    const convert = TO_C[this.#unit];
    const one: { -readonly [K in keyof WeatherDay]: WeatherDay[K] } = {
      day,
      least_C: least === null ? null : Math.round(convert(least) * 100) / 100,
      most_C: most === null ? null : Math.round(convert(most) * 100) / 100,
      rain_mm: rain === null || rain < 0 ? null : this.#unit === 'tenths' ? rain / 10 : rain,
    };
    // The strongest gust ever measured was 113 m/s (WMO); more is a slip of units, and the day's temperatures still stand.
    if (gust_m_s !== null && gust_m_s >= 0 && gust_m_s <= MOST_GUST_m_s) one.gust_m_s = Math.round(10 * gust_m_s) / 10;
    else if (gust_m_s !== null) this.problem(line, WORDS.aGustOfMS(Math.round(gust_m_s)));
    // Records of the world lie between -89.2 and 56.7 (WMO weather and climate extremes archive).
    for (const value of [one.least_C, one.most_C])
      if (value !== null && (value < -90 || value > 60)) return this.problem(line, WORDS.cWasNeverMeasured(value));
    if (one.least_C !== null && one.most_C !== null && one.least_C > one.most_C)
      return this.problem(line, WORDS.theLowestIsAboveThe(one.least_C, one.most_C));
    const before = this.#days.get(day);
    if (before) {
      this.#repeated++;
      if (before.least_C !== one.least_C || before.most_C !== one.most_C) this.#unlike.add(day);
      return;
    }
    this.#days.set(day, one);
  }

  done(stations: readonly string[]): WeatherFile {
    for (const day of this.#unlike) this.#days.delete(day);
    const days = [...this.#days.values()].sort((a, b) => a.day - b.day);
    const doubts: string[] = [];
    if (stations.length > 1) doubts.push(WORDS.itTellsOfPlacesChoose(stations.length, stations.slice(0, 4).join(', ')));
    const sorted = this.#raw.sort((a, b) => a - b);
    const median = sorted[sorted.length >> 1] ?? 0;
    const high = sorted[Math.floor(sorted.length * 0.98)] ?? 0;
    if (this.#unit === 'C' && (median > 60 || high > 60))
      doubts.push(WORDS.lowestTemperaturesUpToThese(Math.round(high)));
    else if (this.#unit === 'C' && median > 28) doubts.push(WORDS.theMiddleOneOfAll(Math.round(median)));
    if (this.#unit === 'tenths' && sorted.length > 30 && high < 60 && high - (sorted[0] ?? 0) < 80)
      doubts.push(WORDS.asTenthsOfADegree);
    if (this.#unit === 'F' && sorted.length > 300 && high < 40) doubts.push(WORDS.asFahrenheitNoNightHere);
    return {
      days,
      problems: this.#problems,
      problemCount: this.#problemCount,
      repeated: this.#repeated,
      unlike: [...this.#unlike].sort((a, b) => a - b),
      stations,
      doubts,
    };
  }
}

/** A day written 2024-05-31, 2024/5/31, 20240531 or with a time behind it; others are not guessed. */
function dayOf(text: string): DayNumber | null {
  const match = /^\s*(\d{4})[-/.]?(\d{1,2})[-/.]?(\d{1,2})(?:[T ].*)?\s*$/.exec(text);
  if (!match) return null;
  return dayFromIso(`${match[1]}-${match[2]!.padStart(2, '0')}-${match[3]!.padStart(2, '0')}`);
}
