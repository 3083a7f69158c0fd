import { createServer, request as ask, type IncomingMessage } from 'node:http';

/** A network between a browser and the application, which can be cut, lose answers, and bring a new version. */
export interface Network {
  readonly url: string;
  /** Nothing gets through. */
  cut(): void;
  /** All gets through again, to this application from now on. */
  back(url?: string): void;
  /** The next so many answers to writes are lost on their way: the application has done what was asked. */
  loseAnswers(count: number): void;
  /** Does something so many milliseconds after the next write has gone to the application. */
  atNextWrite(after_ms: number, act: () => void): void;
  /** From now on the application comes with another service worker, as after an update. */
  newVersion(): void;
  /** Keys of the writes that reached the application, in order. */
  readonly written: readonly string[];
  stop(): Promise<void>;
}

export async function startNetwork(target: string): Promise<Network> {
  let to = new URL(target);
  let isCut = false;
  let lose = 0;
  let version = 0;
  let atWrite: (() => void) | null = null;
  const written: string[] = [];
  const keysIn = (body: Buffer): string[] => {
    const { idempotencyKey, entries } = JSON.parse(body.toString() || '{}') as {
      idempotencyKey?: string;
      entries?: { body: { idempotencyKey: string } }[];
    };
    return entries?.map((entry) => entry.body.idempotencyKey) ?? [idempotencyKey ?? ''];
  };
  const bodyOf = async (message: IncomingMessage): Promise<Buffer> => {
    const parts: Buffer[] = [];
    for await (const part of message) parts.push(part as Buffer);
    return Buffer.concat(parts);
  };
  const server = createServer((incoming, outgoing) => {
    if (isCut) return void incoming.socket.destroy();
    void bodyOf(incoming).then((body) => {
      const call = ask(
        {
          host: to.hostname,
          port: to.port,
          path: incoming.url,
          method: incoming.method,
          headers: { ...incoming.headers, ...(incoming.url === '/sw.js' ? { 'accept-encoding': 'identity' } : {}) },
        },
        (answer) => {
          void (async () => {
            const isWrite = incoming.method === 'POST';
            if (isWrite && (answer.statusCode ?? 500) < 500) written.push(...keysIn(body));
            if (isCut) return void incoming.socket.destroy();
            if (isWrite && lose > 0) {
              lose--;
              return void incoming.socket.destroy();
            }
            if (incoming.url === '/sw.js' && version > 0) {
              const script = (await bodyOf(answer)).toString();
              outgoing.writeHead(200, { 'content-type': 'text/javascript' });
              // Another list of what the application is made of is another build.
              return void outgoing.end(
                script.replace('{"revision":', `{"revision":"${version}","url":"/crook.svg?${version}"},{"revision":`),
              );
            }
            outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
            answer.pipe(outgoing);
          })();
        },
      );
      call.on('error', () => incoming.socket.destroy());
      call.end(body);
      if (incoming.method === 'POST') {
        atWrite?.();
        atWrite = null;
      }
    });
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as { port: number };
  return {
    url: `http://127.0.0.1:${port}`,
    cut: () => {
      isCut = true;
      server.closeAllConnections();
    },
    back: (url) => {
      if (url !== undefined) to = new URL(url);
      isCut = false;
    },
    loseAnswers: (count) => (lose = count),
    atNextWrite: (after_ms, act) => (atWrite = () => void setTimeout(act, after_ms)),
    newVersion: () => version++,
    written,
    stop: () =>
      new Promise((stopped) => {
        server.close(() => stopped());
        server.closeAllConnections();
      }),
  };
}
