import { holderInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { takeTablet } from '../../../../server/house/signIn.ts';

export const POST = endpoint(async (context) =>
  json(await takeTablet(context.locals.caller, await body(context, holderInput))),
);
