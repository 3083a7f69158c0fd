import { endpoint, json } from '../../../../server/edge.ts';
import { askForDemo } from '../../../../server/house/askForDemo.ts';

export const POST = endpoint(async () => {
  await askForDemo();
  return json({ started: true }, 202);
});
