import { openApiDocument } from '../../contracts/openApi.ts';
import { endpoint, json } from '../../server/edge.ts';

export const GET = endpoint(async () => json(openApiDocument()));
