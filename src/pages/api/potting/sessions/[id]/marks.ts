import { markInput } from '../../../../../contracts/potting/potting.ts';
import { body, endpoint, idParam, json } from '../../../../../server/edge.ts';
import { markTimer } from '../../../../../server/potting/change.ts';

export const POST = endpoint(async (context) =>
  json(await markTimer(idParam(context), await body(context, markInput)), 201),
);
