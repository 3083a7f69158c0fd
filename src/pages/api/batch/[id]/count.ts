import { ProblemError } from '../../../../contracts/problem.ts';
import { endpoint, idParam, json } from '../../../../server/edge.ts';
import { countPadView } from '../../../../server/germination/countPad.ts';
import { batchIn, readSeason } from '../../../../server/plan/season.ts';
import { WORDS } from '../../../../words/en/batch/idCountApi.ts';

export const GET = endpoint(async (context) => {
  const season = await readSeason();
  const view = await countPadView(season, batchIn(season, idParam(context)));
  if (!view) throw new ProblemError(409, WORDS.notSown, WORDS.thisBatchIsNotSown);
  return json(view);
});
