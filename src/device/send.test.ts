import { beforeEach, describe, expect, it, vi } from 'vitest';
import { sendWaiting, type Answer, type Post } from './send.ts';
import { allWaiting, dropWaiting, keepWaiting } from './waiting.ts';

const entry = (key: string, path = '/api/house/round/lines') => ({
  key,
  path,
  body: { idempotencyKey: key },
  words: key,
  batchId: null,
  job: null,
  at_ms: Date.now() - 5000,
  personId: 2,
  failures: 0,
  refused: null,
});
const PHOTO = '/api/house/photos';
const refused: Answer<unknown> = {
  kind: 'problem',
  problem: { type: 'about:blank', title: 'No', status: 409, detail: 'somebody was quicker' },
};
const broken: Answer<unknown> = {
  kind: 'problem',
  problem: { type: 'about:blank', title: 'Broken', status: 500, detail: 'broken' },
};

/** An application that does what it is sent, and how it was called. */
function application(answerTo: (key: string) => Answer<unknown> = () => ({ kind: 'done', value: {} })) {
  const calls: string[][] = [];
  const done: string[] = [];
  const one = (body: object): Answer<unknown> => {
    const { idempotencyKey } = body as { idempotencyKey: string };
    const answer = answerTo(idempotencyKey);
    if (answer.kind === 'done') done.push(idempotencyKey);
    return answer;
  };
  const post: Post = async (path, body) => {
    if (path !== '/api/house/entries') {
      calls.push([(body as { idempotencyKey: string }).idempotencyKey]);
      return one(body);
    }
    const { entries } = body as { entries: { body: { idempotencyKey: string } }[] };
    calls.push(entries.map((each) => each.body.idempotencyKey));
    const answers = [];
    for (const each of entries) {
      const answer = one(each.body);
      if (answer.kind === 'offline') return answer;
      answers.push(
        answer.kind === 'done'
          ? { status: 201, body: answer.value }
          : { status: answer.problem.status, body: answer.problem },
      );
      if (answer.kind === 'problem' && answer.problem.status >= 500) break;
    }
    return { kind: 'done', value: answers };
  };
  return { post, calls, done };
}

const keys = async () => (await allWaiting()).map(({ key }) => key);

vi.stubGlobal('navigator', {});
beforeEach(async () => {
  await dropWaiting(...(await keys()));
});

describe('what waits is sent', () => {
  it('together, in its order, what goes by itself between', async () => {
    for (const key of ['a', 'b']) await keepWaiting(entry(key));
    await keepWaiting(entry('p', PHOTO));
    for (let i = 0; i < 110; i++) await keepWaiting(entry(`n${i}`));
    const { post, calls, done } = application();
    const { waits, answers } = await sendWaiting(post);
    expect(waits).toBe(false);
    expect(calls.map((call) => call.length)).toEqual([2, 1, 100, 10]);
    expect(done).toEqual(['a', 'b', 'p', ...Array.from({ length: 110 }, (_, i) => `n${i}`)]);
    expect(answers.size).toBe(113);
    expect(await keys()).toEqual([]);
  });

  it('past what is refused, which stays with its reason and is sent again only when asked', async () => {
    for (const key of ['a', 'b', 'c']) await keepWaiting(entry(key));
    const first = application((key) => (key === 'b' ? refused : { kind: 'done', value: {} }));
    expect((await sendWaiting(first.post)).waits).toBe(false);
    expect(first.done).toEqual(['a', 'c']);
    expect((await allWaiting()).map(({ key, refused: why }) => [key, why])).toEqual([['b', 'somebody was quicker']]);
    const second = application();
    await sendWaiting(second.post);
    expect(second.calls).toEqual([]);
    await sendWaiting(second.post, true);
    expect(second.done).toEqual(['b']);
  });

  it('up to where the application fails; what follows waits, and goes on after three times', async () => {
    for (const key of ['a', 'b', 'c']) await keepWaiting(entry(key));
    const app = application((key) => (key === 'b' ? broken : { kind: 'done', value: {} }));
    expect((await sendWaiting(app.post)).waits).toBe(true);
    expect(await keys()).toEqual(['b', 'c']);
    expect((await sendWaiting(app.post)).waits).toBe(true);
    expect((await sendWaiting(app.post)).waits).toBe(false);
    expect(app.done).toEqual(['a', 'c']);
    expect((await allWaiting()).map(({ key, refused: why }) => [key, why])).toEqual([['b', 'broken']]);
  });

  it('not at all without a network: all of it waits on', async () => {
    for (const key of ['a', 'b']) await keepWaiting(entry(key));
    const away = application(() => ({ kind: 'offline' }));
    expect((await sendWaiting(away.post)).waits).toBe(true);
    expect(await keys()).toEqual(['a', 'b']);
    expect(away.calls).toEqual([['a', 'b']]);
  });

  it('one by one to an application that does not know the call', async () => {
    for (const key of ['a', 'b']) await keepWaiting(entry(key));
    const { post, done } = application();
    const before: Post = async (path, body, headers) =>
      path === '/api/house/entries'
        ? { kind: 'problem', problem: { type: 'about:blank', title: 'No such call', status: 404, detail: '' } }
        : post(path, body, headers);
    expect((await sendWaiting(before)).waits).toBe(false);
    expect(done).toEqual(['a', 'b']);
  });
});
