import { describe, expect, it, vi } from 'vitest';
import { Latest } from './latest.ts';

describe('what was read last', () => {
  it('is read once for a mark, by all who ask at once, and again when the mark moves', async () => {
    const latest = new Latest<string>();
    const read = vi.fn(async (last: string | null) => `after ${last}`);
    expect(await Promise.all([latest.at('1', read), latest.at('1', read)])).toEqual(['after null', 'after null']);
    expect(await latest.at('1', read)).toBe('after null');
    expect(read).toHaveBeenCalledTimes(1);
    expect(await latest.at('2', read)).toBe('after after null');
    expect(latest.last).toBe('after after null');
  });
  it('a reading that failed is tried again, and what stood before stands', async () => {
    const latest = new Latest<string>();
    await latest.at('1', async () => 'first');
    await expect(latest.at('2', () => Promise.reject(new Error('away')))).rejects.toThrow('away');
    expect(latest.last).toBe('first');
    expect(await latest.at('2', async () => 'second')).toBe('second');
  });
  it('a slow reading of an older mark never replaces a later one', async () => {
    const latest = new Latest<string>();
    let release = (_: string): void => {};
    const slow = latest.at('1', () => new Promise((resolve) => (release = resolve)));
    expect(await latest.at('2', async () => 'new')).toBe('new');
    release('old');
    expect(await slow).toBe('old');
    expect(latest.last).toBe('new');
    expect(await latest.at('2', () => Promise.reject(new Error('not asked')))).toBe('new');
  });
});
