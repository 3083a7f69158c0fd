import { createServer, type Server } from 'node:http';
import { isoFromDay } from '../src/core/calendar/dayNumber.ts';
import { localTimeAt } from '../src/core/calendar/localDay.ts';
import { hourly_C } from '../src/core/weather/hourly.ts';
import { dayLength_h } from '../src/core/weather/sun.ts';
import { usualSpread_K } from '../src/core/weather/score.ts';
import { normalQuantile } from '../src/core/numerics/normal.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { FORECAST_FORMAT, type ForecastFile } from '../src/contracts/weather/forecast.ts';
import { trueDays, type TrueDay } from './demoWeather.ts';

/** Where the made-up service foretells. */
export interface ServiceSite {
  readonly latitude_deg: number;
  readonly timeZone: string;
  readonly name: string;
}

/** How the service behaves; anything but 'well' is for trying out what the application makes of it. */
export type Mode = 'well' | 'down' | 'slow' | 'rubbish' | 'short' | 'fahrenheit';

/** Forecasts are made anew every so often. */
const EVERY_ms = 3 * 3_600_000;
const DAYS = 11;
const HOUR_ms = 3_600_000;
/** Errors from one day to the next are alike. */
const ALIKE = 0.75;

const normal = (random: () => number) => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));

/** The weather foretold for a day at a lead: the truth with an error that grows with it; the same whenever it is asked. */
function foretold(
  truth: TrueDay,
  lead: number,
  error: { readonly t: number; readonly wind: number; readonly sky: number },
): TrueDay {
  const off = 0.85 * usualSpread_K(lead) * error.t;
  const clear = Math.min(1, Math.max(0, truth.clear + (0.06 + 0.03 * lead) * error.sky));
  return {
    ...truth,
    least_C: truth.least_C + off,
    most_C: Math.max(truth.least_C + off + 1, truth.most_C + off + 0.3 * lead * error.sky),
    clear,
    gust_m_s: truth.gust_m_s * Math.exp((0.08 + 0.03 * lead) * error.wind),
  };
}

/** A forecast as the service makes it at an instant: ten days by the hour, and the last days as its station had them. */
export function madeUpForecast(at_ms: number, site: ServiceSite): ForecastFile {
  const made_ms = Math.floor(at_ms / EVERY_ms) * EVERY_ms;
  const truth = trueDays();
  const today = localTimeAt(made_ms, site.timeZone).day;
  // Errors belong to the day foretold and the day it is foretold on.
  const random = seededRandom(today * 97 + 13);
  const days = new Map<number, TrueDay>();
  const error = { t: normal(random), wind: normal(random), sky: normal(random) };
  for (let lead = 0; lead < DAYS; lead++) {
    const day = truth.get(today + lead);
    if (!day) break;
    days.set(day.day, foretold(day, lead, error));
    for (const key of ['t', 'wind', 'sky'] as const)
      error[key] = ALIKE * error[key] + Math.sqrt(1 - ALIKE ** 2) * normal(random);
  }
  const start = Date.UTC(1970, 0, 1) + (today - 1) * 86_400_000;
  const hours: ForecastFile['hours'] = [];
  for (let ms = start; ms < start + (DAYS + 2) * 86_400_000; ms += HOUR_ms) {
    const { day, minute } = localTimeAt(ms, site.timeZone);
    const d = days.get(day);
    // The tenth day's night ends on the eleventh.
    if (!d || day - today > 10 || (day - today === 10 && minute >= 9 * 60)) continue;
    const hour = minute / 60;
    const light = dayLength_h(site.latitude_deg, dayOfYear(day));
    const next = days.get(day + 1)?.least_C ?? d.least_C;
    // Solar noon comes an hour later by a summer clock.
    const temp = hourly_C({
      hour: (hour + 23) % 24,
      least_C: d.least_C,
      most_C: d.most_C,
      dayLength_h: light,
      nextLeast_C: next,
      reached: true,
    });
    const byDay = hour >= 7 && hour < 20;
    const gust = d.gust_m_s * (byDay ? 1 - 0.25 * Math.abs((hour - 14) / 7) : 0.6);
    const tenth = (v: number) => Math.round(10 * v) / 10;
    hours.push({
      at: new Date(ms).toISOString(),
      temp_C: tenth(temp),
      wind_m_s: tenth(gust / 1.6),
      gust_m_s: tenth(gust),
      rain_mm: d.rain_mm > 0 && hour >= 10 && hour < 16 ? tenth(d.rain_mm / 6) : 0,
      cloud_frac: Math.round(100 * (1 - d.clear)) / 100,
    });
  }
  const observed = Array.from({ length: 40 }, (_, i) => truth.get(today - 40 + i))
    .filter((d) => d !== undefined)
    .map((d) => ({
      day: isoFromDay(d.day),
      least_C: d.least_C,
      most_C: d.most_C,
      rain_mm: d.rain_mm,
      gust_m_s: d.gust_m_s,
    }));
  return { format: FORECAST_FORMAT, source: site.name, made_at: new Date(made_ms).toISOString(), hours, observed };
}

function dayOfYear(day: number): number {
  const date = new Date(day * 86_400_000);
  return Math.floor((date.getTime() - Date.UTC(date.getUTCFullYear(), 0, 1)) / 86_400_000) + 1;
}

export interface WeatherService {
  /** With {at} to be filled in. */
  readonly url: string;
  mode: Mode;
  stop(): Promise<void>;
}

/** Starts the made-up weather service on loopback, on any free port. */
export async function startWeatherService(site: ServiceSite): Promise<WeatherService> {
  const service = { mode: 'well' as Mode };
  const server: Server = createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://127.0.0.1');
    const at_ms = Date.parse(url.searchParams.get('at') ?? '');
    const say = (status: number, text: string) =>
      response.writeHead(status, { 'content-type': 'application/json' }).end(text);
    if (url.pathname !== '/forecast' || !Number.isFinite(at_ms))
      return void say(400, '{"error":"ask /forecast?at=INSTANT"}');
    if (service.mode === 'down') return void say(503, '{"error":"out of order"}');
    if (service.mode === 'slow') return; // never answers
    if (service.mode === 'rubbish') return void say(200, '<html>Moved</html>');
    const made = madeUpForecast(at_ms, site);
    if (service.mode === 'short') made.hours.splice(60);
    if (service.mode === 'fahrenheit')
      for (const h of made.hours) h.temp_C = Math.min(60, Math.round(h.temp_C * 1.8 + 32));
    say(200, JSON.stringify(made));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  return Object.assign(service, {
    url: `http://127.0.0.1:${port}/forecast?at={at}`,
    stop: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  });
}
