import { siteReadingInput } from '../../../contracts/siteReadings.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/season.ts';
import { logReading, readingsView } from '../../../server/site/readings.ts';

export const GET = endpoint(async () => json(readingsView(await readSeason())));
export const POST = endpoint(async (context) => json(await logReading(await body(context, siteReadingInput)), 201));
