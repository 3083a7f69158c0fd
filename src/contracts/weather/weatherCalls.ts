import type { Call } from '../call.ts';
import { forecastImport, typedForecast } from './forecast.ts';
import { plantingSettingsInput } from '../hardening/hardening.ts';
import { siteReadingInput } from './siteReadings.ts';
import { frostChoice, weatherDrop, weatherImport } from './weather.ts';
import { WORDS } from '../../words/en/weather/weatherCalls.ts';

/** Calls of the weather, hardening and planting out. */
export const WEATHER_CALLS: readonly Call[] = [
  {
    method: 'get',
    path: '/api/weather',
    summary: WORDS.weatherHistoryAndFrostThreshold,
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
    summary: WORDS.takeTheFrostDatesAt,
    body: frostChoice,
    status: 200,
  },
  {
    method: 'delete',
    path: '/api/weather/source',
    summary: WORDS.takeOutTheDaysOf,
    body: weatherDrop,
    status: 200,
  },
  { method: 'get', path: '/api/weather/forecast', summary: WORDS.theForecastInUseIts, status: 200 },
  {
    method: 'post',
    path: '/api/weather/forecast',
    summary: WORDS.aForecastTypedDayBy,
    body: typedForecast,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/weather/forecast/file',
    summary: WORDS.aForecastFromAJson,
    body: forecastImport,
    status: 201,
  },
  { method: 'get', path: '/api/weather/readings', summary: WORDS.readingsByHandAndWhat, status: 200 },
  {
    method: 'post',
    path: '/api/weather/readings',
    summary: WORDS.aReadingOfMaxMin,
    body: siteReadingInput,
    status: 201,
  },
  { method: 'get', path: '/api/hardening', summary: WORDS.laddersAndOrdersByThe, status: 200 },
  {
    method: 'get',
    path: '/api/planting/out',
    summary: WORDS.firstDaysOutOfA,
    status: 200,
  },
  { method: 'get', path: '/api/planting', summary: WORDS.gatesOfPlantingOutWith, status: 200 },
  {
    method: 'get',
    path: '/api/planting/springs',
    summary: WORDS.whatOddsAreDrawnFrom,
    status: 200,
  },
  {
    method: 'put',
    path: '/api/planting/settings',
    summary: WORDS.changeHowTheHouseHardens,
    body: plantingSettingsInput,
    status: 200,
  },
];
