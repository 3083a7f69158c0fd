import { familyPatch } from '../../../../contracts/plan/planning.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { changeFamily } from '../../../../server/batch/families.ts';

export const PATCH = endpoint(async (context) =>
  json(await changeFamily(idParam(context), await body(context, familyPatch))),
);
