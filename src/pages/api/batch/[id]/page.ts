import { ProblemError } from '../../../../contracts/problem.ts';
import { batchPageData } from '../../../../server/batch/batchPageData.ts';
import { endpoint, idParam, json } from '../../../../server/edge.ts';
import { readSeason } from '../../../../server/plan/season.ts';
import { WORDS } from '../../../../words/en/batch/idPageApi.ts';

export const GET = endpoint(async (context) => {
  const id = idParam(context);
  const data = batchPageData(await readSeason(), String(id));
  if (!data) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(id));
  return json(data);
});
