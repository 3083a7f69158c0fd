import { ProblemError } from '../../../../contracts/problem.ts';
import { batchPageData } from '../../../../server/batch/batchPageData.ts';
import { endpoint, idParam, json } from '../../../../server/edge.ts';
import { readSeason } from '../../../../server/plan/season.ts';

export const GET = endpoint(async (context) => {
  const id = idParam(context);
  const data = batchPageData(await readSeason(), String(id));
  if (!data) throw new ProblemError(404, 'No such batch', `There is no batch number ${id} in an open season.`);
  return json(data);
});
