import { z } from 'zod';
import {
  breakInput,
  calibrationInput,
  heatSettingsInput,
  overrideInput,
  readingsImport,
  takeInput,
  zoneInput,
  zonePatch,
} from './heat.ts';
import { familyInput, familyPatch, planChangeInput, scenarioInput, scenarioPatch, undoInput } from './planning.ts';
import { batchInput, batchPatch, eventInput, sowAgainInput, importInput, splitInput } from './batches.ts';
import { clockInput, containerInput, cropInput, lotInput, nurseryInput, placeInput, varietyInput } from './books.ts';
import { version } from './fields.ts';
import { frostChoice, weatherDrop, weatherImport } from './weather.ts';
import {
  feedInput,
  markInput,
  mixInput,
  outcomeInput,
  pottingSettingsInput,
  sessionInput,
  sessionPatch,
  stockItemInput,
  stockMoveInput,
} from './potting.ts';

interface Call {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly summary: string;
  readonly body?: z.ZodType;
  /** Answer when it went well. */
  readonly status: number;
  readonly type?: string;
}

const book = (name: string, one: string, input: z.ZodType): Call[] => [
  {
    method: 'get',
    path: `/api/${name}`,
    summary: `All lines of the book of ${name}`,
    status: 200,
  },
  {
    method: 'post',
    path: `/api/${name}`,
    summary: `Add a ${one}`,
    body: input,
    status: 201,
  },
  {
    method: 'put',
    path: `/api/${name}/{id}`,
    summary: `Change a ${one}; 409 with both versions when it is stale`,
    body: z.object({ version, line: input }),
    status: 200,
  },
];

/** Every call of the application. The OpenAPI document is made from this, and a test holds it against the endpoints. */
export const CALLS: readonly Call[] = [
  {
    method: 'get',
    path: '/api/health',
    summary: 'Database, migrations and clock',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/openapi.json',
    summary: 'This document',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/clock',
    summary: 'The application’s now',
    status: 200,
  },
  {
    method: 'put',
    path: '/api/clock',
    summary: 'Set, run or pause the demo’s clock',
    body: clockInput,
    status: 200,
  },
  { method: 'get', path: '/api/heat/zones', summary: 'Every heated zone as it stands', status: 200 },
  { method: 'post', path: '/api/heat/zones', summary: 'Add a heated zone', body: zoneInput, status: 201 },
  {
    method: 'get',
    path: '/api/heat/zones/{id}',
    summary: 'A zone: sizing, hours to harm, totals, sensors, set-points',
    status: 200,
  },
  {
    method: 'put',
    path: '/api/heat/zones/{id}',
    summary: 'Change a zone; 409 with both versions when it is stale',
    body: zonePatch,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/heat/zones/{id}/override',
    summary: 'A set-point by hand that ends by itself',
    body: overrideInput,
    status: 201,
  },
  { method: 'delete', path: '/api/heat/zones/{id}/override', summary: 'Back to the plan', status: 200 },
  {
    method: 'post',
    path: '/api/heat/zones/{id}/break',
    summary: 'Break or mend the simulated bench of the demo',
    body: breakInput,
    status: 200,
  },
  {
    method: 'get',
    path: '/api/heat/zones/{id}/fit',
    summary: 'What the last nights say of its loss and capacity',
    status: 200,
  },
  { method: 'post', path: '/api/heat/zones/{id}/fit', summary: 'Go by what the last nights say', status: 200 },
  { method: 'delete', path: '/api/heat/zones/{id}/fit', summary: 'Forget what was learned', status: 200 },
  {
    method: 'get',
    path: '/api/heat/zones/{id}/series',
    summary: 'Lowest, mean and highest by bucket: from, to in epoch ms, width in points',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/heat/zones/{id}/readings',
    summary: 'Readings as they were taken, as=json or csv',
    status: 200,
  },
  { method: 'get', path: '/api/heat/alarms', summary: 'Alarms, open ones first', status: 200 },
  { method: 'post', path: '/api/heat/alarms', summary: 'A test alarm', status: 201 },
  { method: 'post', path: '/api/heat/alarms/{id}', summary: 'Somebody has the alarm', body: takeInput, status: 200 },
  { method: 'get', path: '/api/heat/sensors/{id}', summary: 'The last minutes of a sensor, uncorrected', status: 200 },
  {
    method: 'post',
    path: '/api/heat/sensors/{id}',
    summary: 'Keep an offset found in ice or beside another',
    body: calibrationInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/heat/settings',
    summary: 'Tariff, quiet hours, how long readings are kept',
    status: 200,
  },
  { method: 'put', path: '/api/heat/settings', summary: 'Change them', body: heatSettingsInput, status: 200 },
  {
    method: 'post',
    path: '/api/heat/import',
    summary: 'Readings of a logger, CSV with its columns matched',
    body: readingsImport,
    status: 200,
  },
  {
    method: 'get',
    path: '/api/heat/live',
    summary: 'Server-sent events: state of zones and alarms',
    status: 200,
    type: 'text/event-stream',
  },
  {
    method: 'get',
    path: '/api/potting/ready',
    summary: 'What is ready for potting, and potting sessions',
    status: 200,
  },
  {
    method: 'post',
    path: '/api/potting/sessions',
    summary: 'Plan a potting session of some batches',
    body: sessionInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/potting/sessions/{id}',
    summary: 'A session: order, pots, mix, minutes, room, timers, outcomes',
    status: 200,
  },
  {
    method: 'put',
    path: '/api/potting/sessions/{id}',
    summary: 'Change a session; 409 with both versions when it is stale',
    body: sessionPatch,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/potting/sessions/{id}/marks',
    summary: 'Start, pause or end the timer of a batch',
    body: markInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/potting/sessions/{id}/outcomes',
    summary: 'What the potting of a batch came to, or a correction of it',
    body: outcomeInput,
    status: 201,
  },
  { method: 'get', path: '/api/potting/stock', summary: 'Stock on hand, needed and to buy', status: 200 },
  {
    method: 'post',
    path: '/api/potting/stock',
    summary: 'A count, a delivery or something used',
    body: stockMoveInput,
    status: 201,
  },
  { method: 'get', path: '/api/shopping.csv', summary: 'What to buy, as CSV', status: 200, type: 'text/csv' },
  {
    method: 'put',
    path: '/api/potting/settings',
    summary: 'Change how the house pots',
    body: pottingSettingsInput,
    status: 200,
  },
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
  { method: 'get', path: '/api/nursery', summary: 'Settings', status: 200 },
  {
    method: 'put',
    path: '/api/nursery',
    summary: 'Change settings',
    body: nurseryInput,
    status: 200,
  },
  ...book('crops', 'crop', cropInput),
  ...book('varieties', 'variety', varietyInput),
  ...book('lots', 'lot', lotInput),
  ...book('places', 'place', placeInput),
  ...book('containers', 'container', containerInput),
  ...book('mixes', 'mix', mixInput),
  ...book('feeds', 'feed', feedInput),
  ...book('stock', 'thing of the stock', stockItemInput),
  {
    method: 'get',
    path: '/api/batches',
    summary: 'All batches with state and forecast',
    status: 200,
  },
  {
    method: 'post',
    path: '/api/batches',
    summary: 'Make a batch',
    body: batchInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/batches/{id}',
    summary: 'One batch with chain and log',
    status: 200,
  },
  {
    method: 'patch',
    path: '/api/batches/{id}',
    summary: 'Change a plan; 409 with both versions when stale',
    body: batchPatch,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/events',
    summary: 'Log, correct or withdraw a line',
    body: eventInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/split',
    summary: 'Split part off into its own batch',
    body: splitInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/batches/{id}/sow-again',
    summary: 'The same plan sown anew from today, with the cause in the log',
    body: sowAgainInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/labels.pdf',
    summary: 'Labels of trays as PDF: ?batches=1,2&sheet=a4-24&skip=0',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/round',
    summary: 'Work due today, in walking order',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/season',
    summary: 'Places, crops and batches as the drawing of the season reads them',
    status: 200,
  },
  { method: 'get', path: '/api/season/plan', summary: 'The last changes of the season plan', status: 200 },
  {
    method: 'post',
    path: '/api/season/plan',
    summary: 'Take over a plan of the season, all or nothing',
    body: planChangeInput,
    status: 201,
  },
  {
    method: 'post',
    path: '/api/season/undo',
    summary: 'Undo a change of the season plan',
    body: undoInput,
    status: 200,
  },
  {
    method: 'post',
    path: '/api/families',
    summary: 'Make a succession or an insurance pair',
    body: familyInput,
    status: 201,
  },
  {
    method: 'patch',
    path: '/api/families/{id}',
    summary: 'Change batches made together',
    body: familyPatch,
    status: 200,
  },
  { method: 'get', path: '/api/scenarios', summary: 'What-ifs kept', status: 200 },
  { method: 'post', path: '/api/scenarios', summary: 'Keep a what-if', body: scenarioInput, status: 201 },
  { method: 'put', path: '/api/scenarios/{id}', summary: 'Change a what-if', body: scenarioPatch, status: 200 },
  { method: 'delete', path: '/api/scenarios/{id}', summary: 'Take out a what-if', status: 200 },
  {
    method: 'post',
    path: '/api/import',
    summary: 'Preview or read in batches from CSV',
    body: importInput,
    status: 200,
  },
  {
    method: 'get',
    path: '/api/batches.csv',
    summary: 'Batches as CSV',
    status: 200,
    type: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/log.csv',
    summary: 'The log as CSV',
    status: 200,
    type: 'text/csv',
  },
  {
    method: 'get',
    path: '/api/work.ics',
    summary: 'Work to come as an iCalendar file',
    status: 200,
    type: 'text/calendar',
  },
  {
    method: 'get',
    path: '/api/feed/{key}.ics',
    summary: 'The same as a feed, by its key',
    status: 200,
    type: 'text/calendar',
  },
];

const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  current: z.unknown().optional(),
  yours: z.unknown().optional(),
});

/** OpenAPI 3.1 document of the calls, its bodies made from the Zod schemas. */
export function openApiDocument(): object {
  const schemaOf = (schema: z.ZodType) => {
    const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, {
      io: 'input',
      unrepresentable: 'any',
    });
    return rest;
  };
  const problemAnswer = (description: string) => ({
    description,
    content: {
      'application/problem+json': {
        schema: { $ref: '#/components/schemas/Problem' },
      },
    },
  });
  const paths: Record<string, Record<string, unknown>> = {};
  for (const call of CALLS) {
    const parameters = [...call.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: name === 'id' ? 'integer' : 'string' },
    }));
    (paths[call.path] ??= {})[call.method] = {
      summary: call.summary,
      ...(parameters.length > 0 ? { parameters } : {}),
      ...(call.body
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: schemaOf(call.body) } },
            },
          }
        : {}),
      responses: {
        [call.status]: {
          description: 'Done',
          content: { [call.type ?? 'application/json']: {} },
        },
        ...(call.body
          ? {
              422: problemAnswer('A field is at fault'),
              409: problemAnswer('Changed by someone else'),
            }
          : {}),
        503: problemAnswer('The database is away'),
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Crook',
      version: '1',
      description: 'Days are YYYY-MM-DD at the nursery; temperatures are degrees Celsius.',
    },
    paths,
    components: { schemas: { Problem: schemaOf(problem) } },
  };
}
