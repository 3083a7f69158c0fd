import { requireDay } from '../src/core/calendar/dayNumber.ts';
import { normalQuantile } from '../src/core/numerics/normal.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { outsideClimate } from '../src/core/schedule/outsideClimate.ts';
import type { WeatherDay } from '../src/contracts/weatherFile.ts';
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
