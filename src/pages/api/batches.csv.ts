import { endpoint, file } from '../../server/edge.ts';
import { readSeason } from '../../server/season.ts';
import { batchesCsv } from '../../server/files/takeAlong.ts';

export const GET = endpoint(async () => file(batchesCsv(await readSeason()), 'text/csv', 'crook-batches.csv'));
