import type { APIRoute } from 'astro';
import { heatLive } from '../../../server/heat/live.ts';
import { eventStream } from '../../../server/live.ts';

/** Server-sent events: the state of every zone, when it changes. */
export const GET: APIRoute = ({ request }) => eventStream(heatLive, request.signal);
