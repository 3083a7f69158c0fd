import type { APIRoute } from 'astro';
import { liveStream } from '../../../server/heat/live.ts';

/** Server-sent events: the state of every zone, when it changes. */
export const GET: APIRoute = ({ request }) =>
  new Response(liveStream(request.signal), {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
