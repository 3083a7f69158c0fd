import { requireDay } from '../src/core/calendar/dayNumber.ts';
import { normalQuantile } from '../src/core/numerics/normal.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { outsideClimate } from '../src/core/plan/schedule/outsideClimate.ts';
import type { WeatherDay } from '../src/core/weather/weatherDay.ts';
import { DEMO_OUTSIDE } from './demoBooks.ts';

/** How one day takes after the one before, and how far days lie from the usual, K. Invented. */
const ALIKE = 0.72;
const SPREAD_K = 2.7;

/** Made-up daily weather of the demo's site: its usual days and nights with spells about them, some days missing. */
export function demoWeather(from: string, to: string, seed = 41): WeatherDay[] {
  const [first, last] = [requireDay(from), requireDay(to)];
  const { day_C, night_C } = outsideClimate(DEMO_OUTSIDE, first, last - first + 1);
  const random = seededRandom(seed);
  const normal = () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  const days: WeatherDay[] = [];
  let spell = 0;
  for (let day = first; day <= last; day++) {
    spell = ALIKE * spell + Math.sqrt(1 - ALIKE ** 2) * normal();
    const i = day - first;
    // A clear day is warmer by day and colder by night.
    const clear = 1.2 * normal();
    const least = night_C[i]! + SPREAD_K * spell - clear;
    const most = Math.max(least + 1, day_C[i]! + SPREAD_K * spell + clear);
    if (random() < 0.0012) continue;
    const tenth = (value: number) => Math.round(10 * value) / 10;
    const rain_mm = random() < 0.38 ? tenth(9 * random() ** 2) : 0;
    days.push({ day, least_C: tenth(least), most_C: tenth(most), rain_mm });
  }
  return days;
}

/** A day of the demo's weather as it will really come. */
export interface TrueDay {
  readonly day: number;
  readonly least_C: number;
  readonly most_C: number;
  /** Share of the sky that is clear. */
  readonly clear: number;
  readonly gust_m_s: number;
  readonly rain_mm: number;
}

/** Weather worth meeting in the demo's spring: what a day is drawn towards. Invented. */
const EVENTS: readonly {
  readonly from: string;
  readonly to: string;
  readonly least_C?: number;
  readonly most_C?: number;
  readonly clear?: number;
  readonly gust_m_s?: number;
}[] = [
  { from: '2027-04-12', to: '2027-04-12', least_C: 4.6, most_C: 14.2, clear: 0.75, gust_m_s: 7.5 },
  { from: '2027-04-13', to: '2027-04-13', least_C: 4.1, most_C: 15.1, clear: 0.9, gust_m_s: 6 },
  { from: '2027-04-14', to: '2027-04-14', least_C: 3.2, most_C: 11.5, clear: 0.5, gust_m_s: 9 },
  { from: '2027-04-15', to: '2027-04-15', least_C: -1.8, most_C: 9.4, clear: 0.95, gust_m_s: 6 },
  { from: '2027-04-16', to: '2027-04-16', least_C: -2.6, most_C: 11.2, clear: 0.95, gust_m_s: 5 },
  { from: '2027-04-19', to: '2027-04-19', least_C: 6.5, most_C: 12.4, clear: 0.1, gust_m_s: 21 },
  { from: '2027-05-03', to: '2027-05-08', least_C: 9.5, most_C: 22, clear: 0.7, gust_m_s: 6 },
  { from: '2027-05-11', to: '2027-05-11', least_C: -0.6, most_C: 14, clear: 0.95, gust_m_s: 5 },
];

/** Years of weather that ship, and the last day of it that is a reading on the demo's first day. */
export const DEMO_YEARS = { from: '1997-01-01', to: '2027-04-11', ends: '2028-12-31' } as const;

let made: ReadonlyMap<number, TrueDay> | null = null;

/** The weather the demo's clock runs through, by day; the same every time. */
export function trueDays(): ReadonlyMap<number, TrueDay> {
  if (made) return made;
  const random = seededRandom(907);
  const normal = () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  const days = new Map<number, TrueDay>();
  let wind = 0;
  let last: WeatherDay | null = null;
  for (const d of demoWeather(DEMO_YEARS.from, DEMO_YEARS.ends)) {
    // A day the screen missed had weather all the same.
    for (let day = (last?.day ?? d.day - 1) + 1; day <= d.day; day++) {
      wind = 0.5 * wind + Math.sqrt(0.75) * normal();
      const clear = Math.min(1, Math.max(0, 0.5 + 0.06 * (d.most_C! - d.least_C! - 9) + 0.15 * normal()));
      days.set(day, {
        day,
        least_C: d.least_C!,
        most_C: d.most_C!,
        clear,
        gust_m_s: Math.round(75 * Math.exp(0.38 * wind)) / 10,
        rain_mm: d.rain_mm ?? 0,
      });
    }
    last = d;
  }
  for (const { from, to, ...event } of EVENTS)
    for (let day = requireDay(from); day <= requireDay(to); day++) days.set(day, { ...days.get(day)!, ...event });
  return (made = days);
}
