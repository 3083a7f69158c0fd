import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AGE_HEADER } from '../contracts/house/device.ts';
import type { EntriesInput } from '../contracts/house/entries.ts';
import { PERSON_HEADER } from '../contracts/house/holder.ts';
import { allWaiting, closeWaiting, dropWaiting, waitingLasts } from '../device/waiting.ts';
import { call, freshKey, trouble } from './call.ts';
import { clearedHere, clearedSeen } from '../device/secondCopy.ts';
import { doOrKeep, postLine, sendKept, takeOver } from './logPost.ts';

const line = (idempotencyKey: string) => ({ idempotencyKey, kind: 'note' as const, day: '2027-04-12' });
const answer = (status: number, body: object) => new Response(JSON.stringify(body), { status });
const taken = (path = '') => answer(201, { eventId: path.length, repeated: false });
const keys = async () => (await allWaiting()).map(({ key }) => key);
let old: Map<string, string>;

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  closeWaiting();
  old = new Map();
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('localStorage', {
    get length() {
      return old.size;
    },
    key: (i: number) => [...old.keys()][i] ?? null,
    getItem: (k: string) => old.get(k) ?? null,
    setItem: (k: string, v: string) => void old.set(k, v),
    removeItem: (k: string) => void old.delete(k),
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

const away = () => vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
/** The application as it answers; what was sent, in order. */
function answers(how: (path: string, key: string, ages: readonly unknown[]) => Response | Promise<Response>): string[] {
  const sent: string[] = [];
  const one = (path: string, { idempotencyKey }: { idempotencyKey: string }, ages: readonly unknown[]) => {
    sent.push(idempotencyKey);
    return how(path, idempotencyKey, ages);
  };
  vi.stubGlobal('fetch', async (path: string, { body, headers }: { body: string; headers: Record<string, string> }) => {
    const asked = JSON.parse(body) as { idempotencyKey: string; entries?: EntriesInput['entries'] };
    if (!asked.entries) return one(path, asked, [Number(headers[AGE_HEADER]), headers[PERSON_HEADER]]);
    // What comes together is answered one by one, and no more after a failure.
    const all: { status: number; body: unknown }[] = [];
    for (const { path: to, body: line, age_ms, personId } of asked.entries) {
      const said = await one(to, line as { idempotencyKey: string }, [age_ms, String(personId ?? 'nobody')]);
      all.push({ status: said.status, body: await said.json() });
      if (said.status >= 500) break;
    }
    return answer(200, all);
  });
  return sent;
}

describe('a browser that clears its database', () => {
  it('what waited is put back in its order from the second copy, and told; a picture is only told of', async () => {
    away();
    await postLine(7, line('first-000001'), { name: 'Leek' });
    await postLine(7, line('second-00001'), { name: 'Leek' });
    await doOrKeep({
      ...{ path: '/api/house/photos', words: 'Photo, Leek' },
      body: { idempotencyKey: 'photo-000001', jpeg: 'x'.repeat(60_000) },
    });
    expect(await keys()).toEqual(['first-000001', 'second-00001', 'photo-000001']);
    vi.stubGlobal('indexedDB', new IDBFactory());
    closeWaiting();
    expect(await keys()).toEqual(['first-000001', 'second-00001']);
    expect(clearedHere()).toMatchObject({ back: 2, lost: [{ words: 'Photo, Leek' }] });
    // Sent, it is gone from both, and told no more once it was seen.
    const sent = answers(taken);
    await sendKept();
    expect(sent).toEqual(['first-000001', 'second-00001']);
    clearedSeen();
    closeWaiting();
    expect(await keys()).toEqual([]);
    expect(clearedHere()).toBeNull();
    expect([...old.keys()].filter((key) => key.startsWith('crook-copy/'))).toEqual([]);
  });

  it('one that was not cleared brings nothing back: what the service worker has sent stays sent', async () => {
    away();
    await postLine(7, line('first-000001'));
    const copy = old.get('crook-copy/first-000001')!;
    await dropWaiting('first-000001');
    old.set('crook-copy/first-000001', copy);
    closeWaiting();
    expect(await keys()).toEqual([]);
    expect(old.has('crook-copy/first-000001')).toBe(false);
    expect(clearedHere()).toBeNull();
  });

  it('a full second place loses nothing of the first', async () => {
    vi.stubGlobal('localStorage', {
      ...localStorage,
      length: 0,
      key: () => null,
      getItem: () => null,
      removeItem: () => undefined,
      setItem: () => {
        throw new Error('QuotaExceededError');
      },
    });
    away();
    expect(await postLine(7, line('first-000001'))).toMatchObject({ kind: 'kept', lasts: true });
    expect(await keys()).toEqual(['first-000001']);
  });
});

describe('a log line without a network', () => {
  it('is kept before it is sent, outlives a browser that is closed, then goes out in order under the same keys, once', async () => {
    away();
    expect(await postLine(1, line('key-one-1'), { name: 'Leek A' })).toEqual({ kind: 'kept', lasts: true });
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept', lasts: true });
    closeWaiting();
    expect((await allWaiting()).map(({ words, batchId }) => [words, batchId])).toEqual([
      ['Leek A: note', 1],
      ['note', 2],
    ]);
    expect(await sendKept()).toEqual({ sent: 0 });
    const sent = answers(async (path, key) => {
      // It is still there while it is on its way: a page that is closed now loses nothing.
      expect(await keys()).toContain(key);
      return taken(path);
    });
    expect(await sendKept()).toEqual({ sent: 2 });
    expect(sent).toEqual(['key-one-1', 'key-two-2']);
    expect(await keys()).toEqual([]);
    expect(await sendKept()).toEqual({ sent: 0 });
  });

  it('keeps the order of taps whatever the clock of the device says, and tells how long ago each was', async () => {
    away();
    const clock = vi.spyOn(Date, 'now').mockReturnValue(9_000_000);
    await postLine(1, line('key-one-1'));
    // Somebody sets the clock of the phone right: two hours back.
    clock.mockReturnValue(1_800_000);
    await postLine(2, line('key-two-2'));
    clock.mockReturnValue(2_400_000);
    const ages: unknown[] = [];
    answers((path, _key, all) => {
      ages.push(all);
      return taken(path);
    });
    await sendKept();
    // The first would have been tapped in time to come: the application marks it.
    expect(ages).toEqual([
      [-6_600_000, 'nobody'],
      [600_000, 'nobody'],
    ]);
  });

  it('a network that hangs or a server in trouble keeps it, and what waits goes out before what was just tapped', async () => {
    vi.stubGlobal('fetch', (_: string, { signal }: { signal: AbortSignal }) => {
      expect(signal).toBeInstanceOf(AbortSignal);
      return Promise.reject(new DOMException('timed out', 'TimeoutError'));
    });
    expect((await postLine(1, line('key-one-1'))).kind).toBe('kept');
    vi.stubGlobal('fetch', () => Promise.resolve(answer(503, { detail: 'Away.', status: 503 })));
    expect((await postLine(2, line('key-two-2'))).kind).toBe('kept');
    const sent = answers(taken);
    expect((await postLine(3, line('key-three'))).kind).toBe('done');
    expect(sent).toEqual(['key-one-1', 'key-two-2', 'key-three']);
    expect(await keys()).toEqual([]);
  });

  it('a network that says nothing at all lets go of who stands there after some seconds, and goes on trying', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout'] });
    let answerNow: (response: Response) => void = () => undefined;
    vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => (answerNow = resolve)));
    const tapped = postLine(1, line('key-one-1'));
    for (let i = 0; i < 50; i++) await new Promise((next) => setImmediate(next));
    await vi.advanceTimersByTimeAsync(6_100);
    vi.useRealTimers();
    expect((await tapped).kind).toBe('kept');
    answerNow(taken());
    await vi.waitFor(async () => expect(await keys()).toEqual([]));
  });

  it('a line on which the server fails each time is shown as not taken, and holds up nothing for ever', async () => {
    answers((path) => (path.includes('/1/') ? answer(500, { detail: 'Something failed.', status: 500 }) : taken(path)));
    expect((await postLine(1, line('key-one-1'))).kind).toBe('kept');
    expect((await postLine(2, line('key-two-2'))).kind).toBe('kept');
    expect(await sendKept()).toEqual({ sent: 1 });
    expect((await allWaiting()).map(({ batchId, refused }) => [batchId, refused])).toEqual([[1, 'Something failed.']]);
  });

  it('is not sent twice by two who send at once, nor what another page has sent', async () => {
    away();
    await postLine(1, line('key-one-1'));
    await postLine(2, line('key-two-2'));
    const sent = answers(taken);
    await Promise.all([sendKept(), sendKept(), sendKept()]);
    expect(sent).toEqual(['key-one-1', 'key-two-2']);
    // The same key again is the same entry.
    away();
    await postLine(3, line('key-three'));
    await postLine(3, line('key-three'));
    expect(await keys()).toEqual(['key-three']);
  });

  it('what is refused later stays with the reason until it is let go, and holds up nothing', async () => {
    away();
    for (const i of [1, 2, 3]) await postLine(i, line(`key-no-${i}`));
    answers((path) =>
      path.includes('/1/')
        ? answer(422, { detail: 'That day is still to come.', status: 422 })
        : path.includes('/2/')
          ? taken(path)
          : answer(503, { detail: 'Away.', status: 503 }),
    );
    expect(await sendKept()).toEqual({ sent: 1 });
    expect((await allWaiting()).map(({ batchId, refused }) => [batchId, refused])).toEqual([
      [1, 'That day is still to come.'],
      [3, null],
    ]);
    // Tried again it is taken: a clock a day behind is put right.
    answers(taken);
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(await sendKept(true)).toEqual({ sent: 1 });
    expect(await keys()).toEqual([]);
    away();
    await postLine(4, line('key-four-4'));
    await dropWaiting('key-four-4');
    expect(await keys()).toEqual([]);
  });

  it('what is refused at once is told to who tapped it, and does not wait', async () => {
    answers(() => answer(422, { detail: 'That day is still to come.', status: 422 }));
    expect(await postLine(1, line('key-one-1'))).toMatchObject({ kind: 'problem', problem: { status: 422 } });
    expect(await keys()).toEqual([]);
  });
});

describe('a browser that keeps nothing', () => {
  it('holds what is tapped until the page is closed, and says so', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('refused', 'SecurityError');
      },
    });
    closeWaiting();
    away();
    expect(await postLine(1, line('key-one-1'))).toEqual({ kind: 'kept', lasts: false });
    expect(await waitingLasts()).toBe(false);
    const sent = answers(taken);
    expect(await sendKept()).toEqual({ sent: 1 });
    expect(sent).toEqual(['key-one-1']);
  });

  it('whose store is full goes on until the page is closed, with all that waited', async () => {
    away();
    await postLine(1, line('key-one-1'));
    const add = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(await postLine(2, line('key-two-2'))).toEqual({ kind: 'kept', lasts: false });
    add.mockRestore();
    expect(await keys()).toEqual(['key-one-1', 'key-two-2']);
  });
});

describe('what a version before has kept', () => {
  it('is taken over in its order, with what was refused, and nonsense beside it does no harm', async () => {
    const kept = (key: string, at_ms: number, refused: string | null) =>
      old.set(`crook.line.${key}`, JSON.stringify({ batchId: 7, line: line(key), at_ms, refused, personId: 3 }));
    kept('later-one', 2_000, null);
    kept('early-one', 1_000, 'No.');
    old.set('crook.line.x', '{broken');
    old.set('something-else', '1');
    await takeOver();
    expect((await allWaiting()).map(({ key, refused, personId, path }) => [key, refused, personId, path])).toEqual([
      ['early-one', 'No.', 3, '/api/batch/7/events'],
      ['later-one', null, 3, '/api/batch/7/events'],
    ]);
    expect([...old.keys()].filter((key) => !key.startsWith('crook-'))).toEqual(['crook.line.x', 'something-else']);
    await takeOver();
    expect(await keys()).toHaveLength(2);
  });
});

describe('keys', () => {
  it('are made where the browser has no secure context: plain HTTP under a name of the house', () => {
    vi.stubGlobal('crypto', { getRandomValues: (bytes: Uint8Array) => bytes.map((_, i) => (i * 37) % 256) });
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
