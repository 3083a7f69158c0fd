import type { APIRoute } from 'astro';
import { houseLive } from '../../../server/house/houseLive.ts';
import { eventStream } from '../../../server/live.ts';

/** Server-sent events: that something was written, from whatever device. */
export const GET: APIRoute = ({ request }) => eventStream(houseLive, request.signal);
