import { sessionInput } from '../../../../contracts/potting/potting.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { makeSession } from '../../../../server/potting/change.ts';

export const POST = endpoint(async (context) => json(await makeSession(await body(context, sessionInput)), 201));
