import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const SRC = new URL('..', import.meta.url).pathname;
const walk = (dir: string): string[] =>
  readdirSync(dir).flatMap((name) => {
    const path = `${dir}/${name}`;
    return statSync(path).isDirectory() ? walk(path) : [path];
  });

describe('a catalogue of words', () => {
  const speakers = new Map<string, string[]>();
  for (const file of walk(SRC.replace(/\/$/, ''))) {
    if (!/\.(tsx?|astro)$/.test(file) || file.includes('/words/')) continue;
    const text = readFileSync(file, 'utf8');
    for (const [, from] of text.matchAll(/import \{ WORDS \} from '([^']+)'/g)) {
      const path = resolve(dirname(file), from!);
      speakers.set(path, [...(speakers.get(path) ?? []), text]);
    }
  }

  it('holds nothing that is not said', () => {
    const unsaid = walk(`${SRC}words/en`).flatMap((file) => {
      const text = readFileSync(file, 'utf8');
      if (!text.includes('export const WORDS')) return [];
      const by = speakers.get(file) ?? [];
      return [...text.matchAll(/^ {2}(\w+):/gm)]
        .map((m) => m[1]!)
        .filter((key) => !by.some((said) => new RegExp(`WORDS\\.${key}\\b`).test(said)))
        .map((key) => `${file.slice(SRC.length)}: ${key}`);
    });
    expect(unsaid).toEqual([]);
  });
});
