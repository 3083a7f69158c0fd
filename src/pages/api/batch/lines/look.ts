import { lookAtLines } from '../../../../contracts/batch/batchLines.ts';
import { lookAtBatchLines } from '../../../../server/batch/batchLines.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) => json(await lookAtBatchLines((await body(context, lookAtLines)).lines)));
