import { openApiDocument } from '../../contracts/api.ts';
import { endpoint, json } from '../../server/edge.ts';

export const GET = endpoint(async () => json(openApiDocument()));
