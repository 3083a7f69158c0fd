import { oldTraysPatch } from '../../../../contracts/germination/oldTrays.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { leaveOutFile } from '../../../../server/germination/oldTrays.ts';

export const PATCH = endpoint(async (context) => {
  await leaveOutFile(idParam(context), await body(context, oldTraysPatch));
  return json({ saved: true });
});
