import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { call, trouble } from './call.ts';
import { keptLines, postLine, sendKept } from './logPost.ts';

const store = new Map<string, string>();
const line = (idempotencyKey: string) => ({ idempotencyKey, kind: 'note', day: '2027-04-12' });
const answer = (status: number, body: object) => new Response(JSON.stringify(body), { status });

beforeEach(() => {
  store.clear();
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('a log line without a network', () => {
  it('is kept, then sent in order under the same keys, once', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    expect(await postLine(1, line('key-one-1'))).toEqual({ kind: 'kept' });
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept' });
    expect(await sendKept()).toEqual({ sent: 0, refused: [] });
    const sent: string[] = [];
    vi.stubGlobal('fetch', (path: string, init: { body: string }) => {
      sent.push(`${path} ${(JSON.parse(init.body) as { idempotencyKey: string }).idempotencyKey}`);
      return Promise.resolve(answer(201, { eventId: sent.length, repeated: false }));
    });
    expect(await sendKept()).toEqual({ sent: 2, refused: [] });
    expect(sent).toEqual(['/api/batches/1/events key-one-1', '/api/batches/2/events key-two-2']);
    expect(keptLines()).toEqual([]);
    expect(await sendKept()).toEqual({ sent: 0, refused: [] });
  });

  it('a refusal is told and does not hold up the rest; a server in trouble does', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    await postLine(1, line('key-one-1'));
    await postLine(2, line('key-two-2'));
    let n = 0;
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        n++ === 0
          ? answer(422, { detail: 'Not sown yet.', status: 422 })
          : answer(503, { detail: 'Away.', status: 503 }),
      ),
    );
    expect(await sendKept()).toEqual({ sent: 0, refused: ['Not sown yet.'] });
    expect(keptLines().map((kept) => kept.batchId)).toEqual([2]);
  });

  it('survives a store that holds nonsense', () => {
    store.set('crook.unsent', '{broken');
    expect(keptLines()).toEqual([]);
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
