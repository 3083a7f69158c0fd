import { ledgerView } from '../../../server/batch/ledger.ts';
import { endpoint, json } from '../../../server/edge.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async ({ url }) => json(await ledgerView(await readSeason(), url)));
