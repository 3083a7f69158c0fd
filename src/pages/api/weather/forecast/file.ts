import { forecastImport } from '../../../../contracts/weather/forecast.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../../server/edge.ts';
import { importForecast } from '../../../../server/weather/importForecast.ts';

export const POST = endpoint(async (context) =>
  json(await importForecast((await body(context, forecastImport, IMPORT_BYTES)).text), 201),
);
