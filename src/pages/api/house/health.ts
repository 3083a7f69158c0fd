import { endpoint, json } from '../../../server/edge.ts';
import { readHealth } from '../../../server/house/health.ts';

export const GET = endpoint(async () => {
  const health = await readHealth();
  return json(health, health.ok ? 200 : 503);
});
