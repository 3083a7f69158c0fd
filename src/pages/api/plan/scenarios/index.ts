import { scenarioInput } from '../../../../contracts/plan/planning.ts';
import { body, endpoint, IMPORT_BYTES, json } from '../../../../server/edge.ts';
import { addScenario, scenarios } from '../../../../server/plan/scenarios.ts';

export const GET = endpoint(async () => json(await scenarios()));
export const POST = endpoint(async (context) =>
  json(await addScenario(await body(context, scenarioInput, IMPORT_BYTES)), 201),
);
