import type { Call } from '../call.ts';
import { forecastImport, typedForecast } from './forecast.ts';
import { plantingSettingsInput } from '../hardening/hardening.ts';
import { siteReadingInput } from './siteReadings.ts';
import { frostChoice, weatherDrop, weatherImport } from './weather.ts';

/** Calls of the weather, hardening and planting out. */
export const WEATHER_CALLS: readonly Call[] = [
  {
    method: 'get',
    path: '/api/weather',
    summary: 'Weather history and frost: ?threshold=0&risk=0.1',
    status: 200,
  },
  {
    method: 'post',
    path: '/api/weather',
    summary: 'Daily weather from a CSV with its columns matched, or a GHCN-Daily .dly; preview or keep',
    body: weatherImport,
    status: 200,
  },
  {
    method: 'put',
    path: '/api/weather/frost',
    summary: 'Take the frost dates at a threshold and a risk',
    body: frostChoice,
    status: 200,
  },
  {
    method: 'delete',
    path: '/api/weather/source',
    summary: 'Take out the days of one source',
    body: weatherDrop,
    status: 200,
  },
  { method: 'get', path: '/api/weather/forecast', summary: 'The forecast in use, its age and its score', status: 200 },
  {
    method: 'post',
    path: '/api/weather/forecast',
    summary: 'A forecast typed day by day',
    body: typedForecast,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/weather/forecast/file',
    summary: 'A forecast from a JSON file, as docs/FORECAST.md says',
    body: forecastImport,
    status: 201,
  },
  { method: 'get', path: '/api/weather/readings', summary: 'Readings by hand and what they teach', status: 200 },
  {
    method: 'post',
    path: '/api/weather/readings',
    summary: 'A reading of max-min or soil thermometer, a correction or withdrawal',
    body: siteReadingInput,
    status: 201,
  },
  { method: 'get', path: '/api/hardening', summary: 'Ladders and orders by the forecast', status: 200 },
  {
    method: 'get',
    path: '/api/planting/out',
    summary: 'First days out of a crop at the risk taken: ?crop=1&near=2027-05-20',
    status: 200,
  },
  { method: 'get', path: '/api/planting', summary: 'Gates of planting out with odds', status: 200 },
  {
    method: 'get',
    path: '/api/planting/springs',
    summary: 'What odds are drawn from, for a page to try them',
    status: 200,
  },
  {
    method: 'put',
    path: '/api/planting/settings',
    summary: 'Change how the house hardens and plants out',
    body: plantingSettingsInput,
    status: 200,
  },
];
