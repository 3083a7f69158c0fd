import { afterEach, describe, expect, it, vi } from 'vitest';
import { catalogue, rich } from './catalogue.ts';
import { pseudo } from './pseudo.ts';

const WORDS = {
  plain: 'Sow today',
  of: (up: number) => `${up} of 12 up {day}`,
  link: (a: unknown) => rich`See ${a as never} first.`,
  pages: [{ href: '/potting', name: 'Pot' }],
} as const;

describe('the words of a screen', () => {
  afterEach(() => vi.unstubAllEnvs());

  it('are said as they are written', () => {
    expect(catalogue(WORDS)).toBe(WORDS);
    expect(WORDS.of(3)).toBe('3 of 12 up {day}');
  });

  it('keep an element in its place within a sentence', () => {
    const element = { $$typeof: 'element' };
    expect(rich`See ${element as never} first.`).toEqual(['See ', element, ' first.']);
    expect(rich`${'a'}${2}`).toEqual(['a', 2]);
  });

  it('in the pseudo-language have no plain letter, but what is filled in, addresses and elements', () => {
    vi.stubEnv('CROOK_WORDS', 'pseudo');
    const said = catalogue(WORDS);
    expect(said.plain).not.toMatch(/[a-z]/i);
    expect(said.of(3)).toMatch(/^3 .* 12 .*\{day\}/);
    const element = { $$typeof: 'element', word: 'See' };
    const link = said.link(element);
    expect(link[1]).toBe(element);
    expect(link[0]).not.toMatch(/[a-z]/i);
    expect(said.pages[0]).toEqual({ href: '/potting', name: pseudo('Pot') });
  });
});

describe('the pseudo-language', () => {
  it('is a third longer, keeps the spaces at the ends, and leaves what has no letters', () => {
    const long = 'The forecast low must be at or above the floor of the step';
    expect(pseudo(long).length).toBeGreaterThan(1.25 * long.length);
    expect(pseudo(' trays ')).toMatch(/^ \S.*\S $/u);
    expect(pseudo('12 °, ')).toBe('12 °, ');
  });
});
