import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { call, freshKey, trouble } from './call.ts';
import { dropLine, keptLines, postLine, sendKept } from './logPost.ts';

const store = new Map<string, string>();
const line = (idempotencyKey: string) => ({ idempotencyKey, kind: 'note' as const, day: '2027-04-12' });
const answer = (status: number, body: object) => new Response(JSON.stringify(body), { status });
let clock_ms = 0;

beforeEach(() => {
  store.clear();
  clock_ms = 1_000;
  vi.spyOn(Date, 'now').mockImplementation(() => clock_ms++);
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('localStorage', {
    get length() {
      return store.size;
    },
    key: (i: number) => [...store.keys()][i] ?? null,
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
    removeItem: (k: string) => void store.delete(k),
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

const away = () => vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));

describe('a log line without a network', () => {
  it('is kept before it is sent, then sent in order under the same keys, once', async () => {
    away();
    expect(await postLine(1, line('key-one-1'))).toEqual({ kind: 'kept' });
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept' });
    expect(await sendKept()).toEqual({ sent: 0 });
    const sent: string[] = [];
    vi.stubGlobal('fetch', (path: string, init: { body: string }) => {
      const { idempotencyKey } = JSON.parse(init.body) as { idempotencyKey: string };
      // It is still there while it is on its way: a page that is closed now loses nothing.
      expect(keptLines().map((kept) => kept.line.idempotencyKey)).toContain(idempotencyKey);
      sent.push(`${path} ${idempotencyKey}`);
      return Promise.resolve(answer(201, { eventId: sent.length, repeated: false }));
    });
    expect(await sendKept()).toEqual({ sent: 2 });
    expect(sent).toEqual(['/api/batch/1/events key-one-1', '/api/batch/2/events key-two-2']);
    expect(keptLines()).toEqual([]);
    expect(await sendKept()).toEqual({ sent: 0 });
  });

  it('a network that hangs or a server in trouble keeps it, and a line just tapped takes away no other', async () => {
    vi.stubGlobal('fetch', (_: string, { signal }: { signal: AbortSignal }) => {
      expect(signal).toBeInstanceOf(AbortSignal);
      return Promise.reject(new DOMException('timed out', 'TimeoutError'));
    });
    expect(await postLine(1, line('key-one-1'))).toEqual({ kind: 'kept' });
    vi.stubGlobal('fetch', () => Promise.resolve(answer(503, { detail: 'Away.', status: 503 })));
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept' });
    expect(keptLines().map((kept) => kept.batchId)).toEqual([1, 2]);
    const order: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
      order.push(path);
      return Promise.resolve(answer(201, { eventId: 9, repeated: false }));
    });
    // What waits goes out before what was just tapped: a log is told in the order of its taps.
    expect((await postLine(3, line('key-three'))).kind).toBe('done');
    expect(order).toEqual(['/api/batch/1/events', '/api/batch/2/events', '/api/batch/3/events']);
    expect(keptLines()).toEqual([]);
  });

  it('a line on which the server fails each time is shown as not taken, and holds up nothing for ever', async () => {
    vi.stubGlobal('fetch', (path: string) =>
      Promise.resolve(
        path.includes('/1/')
          ? answer(500, { detail: 'Something failed.', status: 500 })
          : answer(201, { eventId: 9, repeated: false }),
      ),
    );
    expect(await postLine(1, line('key-one-1'))).toEqual({ kind: 'kept' });
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept' });
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(keptLines().map((kept) => [kept.batchId, kept.refused])).toEqual([[1, 'Something failed.']]);
  });

  it('what another page has sent is not sent again from here', async () => {
    away();
    await postLine(1, line('key-one-1'));
    await postLine(2, line('key-two-2'));
    // Some time passes.
    await new Promise((later) => setTimeout(later, 10));
    store.delete('crook.line.key-one-1');
    const sent: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
      sent.push(path);
      return Promise.resolve(answer(201, { eventId: 9, repeated: false }));
    });
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(sent).toEqual(['/api/batch/2/events']);
  });

  it('is not sent twice by two who send at once', async () => {
    away();
    await postLine(1, line('key-one-1'));
    const sent: string[] = [];
    vi.stubGlobal('fetch', (path: string) => {
      sent.push(path);
      return Promise.resolve(answer(201, { eventId: 9, repeated: false }));
    });
    await Promise.all([sendKept(), sendKept(), sendKept()]);
    expect(sent).toEqual(['/api/batch/1/events']);
  });

  it('what is refused later stays with the reason until it is let go, and holds up nothing', async () => {
    away();
    await postLine(1, line('key-one-1'));
    await postLine(2, line('key-two-2'));
    await postLine(3, line('key-three'));
    vi.stubGlobal('fetch', (path: string) =>
      Promise.resolve(
        path.includes('/1/')
          ? answer(422, { detail: 'That day is still to come.', status: 422 })
          : path.includes('/2/')
            ? answer(201, { eventId: 1, repeated: false })
            : answer(503, { detail: 'Away.', status: 503 }),
      ),
    );
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(keptLines().map((kept) => [kept.batchId, kept.refused])).toEqual([
      [1, 'That day is still to come.'],
      [3, null],
    ]);
    // Tried again it is taken: a clock a day behind is put right.
    vi.stubGlobal('fetch', () => Promise.resolve(answer(201, { eventId: 2, repeated: false })));
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(await sendKept(true)).toEqual({ sent: 1 });
    expect(keptLines()).toEqual([]);
    away();
    await postLine(4, line('key-four-4'));
    dropLine('key-four-4');
    expect(keptLines()).toEqual([]);
  });

  it('survives a store that holds nonsense', () => {
    store.set('crook.line.x', '{broken');
    expect(keptLines()).toEqual([]);
  });
});

describe('keys', () => {
  it('are made where the browser has no secure context: plain HTTP under a name of the house', () => {
    vi.stubGlobal('crypto', {
      getRandomValues: (bytes: Uint8Array) => bytes.map((_, i) => (i * 37 + store.size) % 256),
    });
    expect(freshKey()).toMatch(/^[0-9a-f-]{36}$/);
  });
});

describe('a call', () => {
  it('tells a problem in words, fields first, and an answer that is no JSON as well', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        answer(422, { detail: 'Look again', status: 422, errors: [{ path: 'a', message: 'A is wrong.' }] }),
      ),
    );
    const problem = await call('POST', '/api/x', {});
    expect(problem.kind === 'problem' && trouble(problem)).toBe('A is wrong.');
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('<html>', { status: 502 })));
    const odd = await call('GET', '/api/x');
    expect(odd.kind === 'problem' && odd.problem.status).toBe(502);
  });
});
