import { endpoint, file } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';
import { batchesCsv } from '../../../server/house/takeAlong.ts';

export const GET = endpoint(async () => file(batchesCsv(await readSeason()), 'text/csv', 'crook-batches.csv'));
