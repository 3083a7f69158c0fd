import { z } from 'zod';
import { version } from '../../../../contracts/fields.ts';
import { scenarioPatch } from '../../../../contracts/plan/planning.ts';
import { body, endpoint, idParam, IMPORT_BYTES, json } from '../../../../server/edge.ts';
import { changeScenario, removeScenario } from '../../../../server/plan/scenarios.ts';

export const PUT = endpoint(async (context) =>
  json(await changeScenario(idParam(context), await body(context, scenarioPatch, IMPORT_BYTES))),
);
export const DELETE = endpoint(async (context) => {
  await removeScenario(idParam(context), (await body(context, z.strictObject({ version }))).version);
  return json({ done: true });
});
