import type { ReactNode } from 'react';

/** What may stand within a sentence: words, a figure, or an element with its own words. */
export type Part = ReactNode;

/** A sentence with elements within it, its words and parts in their order. */
export function rich(words: TemplateStringsArray, ...parts: readonly Part[]): Part[] {
  return words.flatMap((text, i) => [...(text === '' ? [] : [text]), ...(i < parts.length ? [parts[i]] : [])]);
}

/** The words of one screen: sentences, and functions that put figures into them. */
export function catalogue<const T>(words: T): T {
  return words;
}
