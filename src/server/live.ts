const EVERY_ms = 1_500;
/** Most who may listen to one at once; more are told to come again. */
const MOST = 100;

/** What is told to all who listen: read while somebody does, and sent when it is another than before. */
export interface Broadcast {
  /** A stream of server-sent events until the listener goes. */
  stream(signal: AbortSignal): ReadableStream<Uint8Array>;
}

/** @param read what is to be told, as one line of text */
export function broadcast(read: () => Promise<string>): Broadcast {
  const listeners = new Set<(text: string) => void>();
  let timer: NodeJS.Timeout | null = null;
  let last = '';

  /** Looks once for all who listen. */
  async function look(): Promise<void> {
    const text = await read();
    const news = text === last ? ': still here\n\n' : `data: ${text}\n\n`;
    last = text;
    for (const tell of listeners) tell(news);
  }

  function stream(signal: AbortSignal): ReadableStream<Uint8Array> {
    const encoder = new TextEncoder();
    let tell: ((text: string) => void) | null = null;
    const leave = () => {
      if (tell) listeners.delete(tell);
      if (listeners.size === 0 && timer) {
        clearInterval(timer);
        timer = null;
        // What was seen while somebody listened is old for the next who comes.
        last = '';
      }
    };
    return new ReadableStream({
      start(controller) {
        tell = (text) => {
          try {
            controller.enqueue(encoder.encode(text));
          } catch {
            leave();
          }
        };
        if (listeners.size >= MOST) {
          tell('retry: 30000\n\n');
          controller.close();
          return;
        }
        tell(`retry: 3000\n${last ? `data: ${last}\n` : ': hello\n'}\n`);
        listeners.add(tell);
        timer ??= setInterval(() => void look().catch(() => undefined), EVERY_ms);
        signal.addEventListener('abort', leave);
      },
      cancel: leave,
    });
  }
  return { stream };
}

/** The answer of an endpoint that streams. */
export const eventStream = (of: Broadcast, signal: AbortSignal): Response =>
  new Response(of.stream(signal), {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
