import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { methodsOf } from './knownCalls.ts';
import { movedTo } from './movedAddresses.ts';

const SRC = new URL('..', import.meta.url).pathname;
const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });

/** Pages by a pattern that their addresses have. */
const pages = filesIn(join(SRC, 'pages'))
  .map((path) => path.slice(join(SRC, 'pages').length))
  .filter((path) => !path.startsWith('/api/'))
  .map((path) => path.replace(/\.(astro|ts)$/, '').replace(/\/index$/, '') || '/')
  .map((address) => ({ address, pattern: new RegExp(`^${address.replace(/\[\w+\]/g, '[^/]+')}$`) }));

/** Every address that is written in the text of a screen, what varies in it as an x. */
const written = filesIn(SRC)
  .filter((path) => /\.(tsx?|astro)$/.test(path) && !path.includes('.test.') && !path.includes('/migrations/'))
  .filter((path) => !path.endsWith('movedAddresses.ts'))
  .flatMap((path) => {
    const text = readFileSync(path, 'utf8')
      // What is added right behind a word is a query.
      .replace(/(?<=[a-z])\$\{(?:[^{}]|\{[^{}]*\})*\}/g, '')
      .replace(/\$\{(?:[^{}]|\{[^{}]*\})*\}/g, 'x');
    const found = [...text.matchAll(/["'`](\/[a-z][\w./-]*|\/)(?=["'`?#])/g)].map((m) => m[1]!);
    return found.map((address) => ({ address, path: path.slice(SRC.length) }));
  });

describe('addresses', () => {
  it('every call that a screen makes is a call of the API', () => {
    const calls = written.filter(({ address }) => address.startsWith('/api/'));
    expect(calls.length).toBeGreaterThan(80);
    // A book's name stands in a call as what varies.
    const unknown = calls.filter(({ address }) => methodsOf(address.replace('/books/x', '/books/crops')) === null);
    expect(unknown.filter(({ address }) => !['/api/', '/api/books/x/x/retired'].includes(address))).toEqual([]);
  });

  it('every link of a screen leads to a page', () => {
    const ways = ['sow', 'count', 'harden', 'pot', 'plant-out', 'season', 'what-if', 'batches'];
    const rooms = new Set(pages.map(({ address }) => address.split('/')[1]!).concat(ways));
    const links = written.filter(({ address }) => rooms.has(address.split('/')[1]!));
    expect(links.length).toBeGreaterThan(150);
    expect(links.filter(({ address }) => !pages.some(({ pattern }) => pattern.test(address)))).toEqual([]);
  });

  it('an address from before leads to a page, and no page of today is led away', () => {
    for (const [before, today] of [
      ['/batches', null],
      ['/batches/17/edit', '/batch/17/edit'],
      ['/season', '/plan/season'],
      ['/sow/sheet', '/germination/sheet'],
      ['/sow', '/germination/sow'],
      ['/count/K7M', '/germination/count/K7M'],
      ['/books/weather', '/weather/years'],
      ['/pot/sessions/4', '/potting/sessions/4'],
    ] as const) {
      const now = movedTo(before)!;
      if (today) expect(now).toBe(today);
      if (today) expect(pages.some(({ pattern }) => pattern.test(now))).toBe(true);
    }
    expect(movedTo('/api/feed/abc.ics')).toBe('/api/house/feed/abc.ics');
    expect(methodsOf('/api/house/feed/abc.ics')).toEqual(['GET']);
    expect(movedTo('/potting')).toBeNull();
    expect(movedTo('/seasons')).toBeNull();
    for (const { address } of pages) expect(movedTo(address.replace(/\[\w+\]/g, 'x'))).toBeNull();
  });
});
