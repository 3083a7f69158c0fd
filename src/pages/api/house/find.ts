import type { FindAnswer } from '../../../contracts/house/search.ts';
import { endpoint, json } from '../../../server/edge.ts';
import { findable } from '../../../server/house/findable.ts';
import { readSeason } from '../../../server/plan/season.ts';

export const GET = endpoint(async () => json({ things: findable(await readSeason()) } satisfies FindAnswer));
