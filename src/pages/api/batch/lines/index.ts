import { makeLines } from '../../../../contracts/batch/batchLines.ts';
import { makeBatchLines } from '../../../../server/batch/batchLines.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';

export const POST = endpoint(async (context) => json(await makeBatchLines(await body(context, makeLines)), 201));
