import type { ReactNode } from 'react';
import { pseudo } from './pseudo.ts';

/** What may stand within a sentence: words, a figure, or an element with its own words. */
export type Part = ReactNode;

/** A sentence with elements within it, its words and parts in their order. */
export function rich(words: TemplateStringsArray, ...parts: readonly Part[]): Part[] {
  return words.flatMap((text, i) => [...(text === '' ? [] : [text]), ...(i < parts.length ? [parts[i]] : [])]);
}

/** Names within a catalogue that are addresses or keys, never words. */
const NO_WORDS = new Set(['href', 'path', 'id']);

/**
 * The words of one screen: sentences, and functions that put figures into them. A server started with CROOK_WORDS=pseudo
 * speaks the pseudo-language instead, by which tests find what stands outside the catalogues.
 */
export function catalogue<const T>(words: T): T {
  const { process } = globalThis as { process?: { env?: Record<string, string | undefined> } };
  return process?.env?.['CROOK_WORDS'] === 'pseudo' ? (inPseudo(words) as T) : words;
}

function inPseudo(words: unknown, name = ''): unknown {
  if (NO_WORDS.has(name)) return words;
  if (typeof words === 'string') return pseudo(words);
  if (typeof words === 'function')
    return (...parts: unknown[]) => inPseudo((words as (...args: unknown[]) => unknown)(...parts));
  if (Array.isArray(words)) return words.map((each) => inPseudo(each));
  // An element that was put into a sentence has said its own words.
  if (
    typeof words !== 'object' ||
    words === null ||
    Object.getPrototypeOf(words) !== Object.prototype ||
    '$$typeof' in words
  )
    return words;
  return Object.fromEntries(Object.entries(words).map(([key, each]) => [key, inPseudo(each, key)]));
}
