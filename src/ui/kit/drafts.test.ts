import { beforeEach, describe, expect, it } from 'vitest';
import { draftOf, forgetDraft, keepDraft } from './drafts.ts';

const DAY_ms = 24 * 3_600_000;
const typed = { version: 3, typed: { name: 'Bench', lit: true }, extra: { tests: [1] } };

describe('what was typed and not sent', () => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    const storage = {
      getItem: (name: string) => kept.get(name) ?? null,
      setItem: (name: string, text: string) => void kept.set(name, text),
      removeItem: (name: string) => void kept.delete(name),
    };
    Object.defineProperty(globalThis, 'localStorage', { value: storage, configurable: true });
  });

  it('comes back as it was, until it is forgotten', () => {
    keepDraft('lots/1', typed);
    expect(draftOf('lots/1', 3)).toMatchObject(typed);
    expect(draftOf('lots/2', 3)).toBeNull();
    forgetDraft('lots/1');
    expect(draftOf('lots/1', 3)).toBeNull();
  });

  it('is not put over what somebody changed since, and goes after a month', () => {
    keepDraft('lots/1', typed, 0);
    expect(draftOf('lots/1', 3, 30 * DAY_ms - 1)).not.toBeNull();
    expect(draftOf('lots/1', 4, 0)).toBeNull();
    // Once it was not wanted it is gone.
    expect(draftOf('lots/1', 3, 0)).toBeNull();
    keepDraft('lots/1', typed, 0);
    expect(draftOf('lots/1', 3, 30 * DAY_ms)).toBeNull();
  });

  it('a browser that keeps nothing, or something else under that name, is no trouble', () => {
    localStorage.setItem('crook-typed:a', '{"typed":3}');
    expect(draftOf('a', 0)).toBeNull();
    localStorage.setItem('crook-typed:a', 'not json');
    expect(draftOf('a', 0)).toBeNull();
    Object.defineProperty(globalThis, 'localStorage', {
      get: () => {
        throw new Error('not allowed');
      },
      configurable: true,
    });
    keepDraft('a', typed);
    expect(draftOf('a', 3)).toBeNull();
    forgetDraft('a');
  });
});
