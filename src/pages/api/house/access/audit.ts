import { endpoint, json } from '../../../../server/edge.ts';
import { auditBefore } from '../../../../server/house/links.ts';

export const GET = endpoint(async ({ url }) => {
  const before = Number(url.searchParams.get('before'));
  return json(await auditBefore(Number.isSafeInteger(before) && before > 0 ? before : null));
});
