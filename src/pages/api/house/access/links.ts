import { linkInput } from '../../../../contracts/house/access.ts';
import { body, endpoint, json } from '../../../../server/edge.ts';
import { calledAt } from '../../../../server/house/device.ts';
import { makeLink } from '../../../../server/house/links.ts';

export const POST = endpoint(async (context) => {
  const { personId } = await body(context, linkInput);
  return json(await makeLink(personId, calledAt(context).origin), 201);
});
