import { siteReadingInput } from '../../../contracts/weather/siteReadings.ts';
import { body, endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { logReading, readingsView } from '../../../server/weather/siteReadings.ts';

export const GET = endpoint(async () => json(readingsView(await readSeason())));
export const POST = endpoint(async (context) => json(await logReading(await body(context, siteReadingInput)), 201));
