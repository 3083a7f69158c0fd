const PLAIN = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const ACCENTED = 'áƀçđéƒĝĥíĵķłɱñóþɋŕšŧúṽŵẋýžÁƁÇĐÉƑĜĤÍĴĶŁṀÑÓÞɊŔŠŦÚṼŴẊÝŽ';
const OF: ReadonlyMap<string, string> = new Map([...PLAIN].map((letter, i) => [letter, [...ACCENTED][i]!]));

/** How much longer another language may be than English. */
const LONGER_frac = 0.3;

/**
 * A sentence in a language nobody speaks, which can still be read: every plain letter accented, and the whole longer, as
 * German or Finnish would be. Plain letters on a page are then words that stand outside the catalogues.
 */
export function pseudo(sentence: string): string {
  const letters = [...sentence].filter((c) => OF.has(c)).length;
  if (letters === 0) return sentence;
  const [, before, words, after] = /^(\s*)([\s\S]*?)(\s*)$/.exec(sentence)!;
  // {day} and its like are filled in later by the screen.
  const said = words!.replaceAll(/\{\w+\}|[A-Za-z]/g, (c) => OF.get(c) ?? c);
  const more = ' ñó'.repeat(Math.ceil((LONGER_frac * letters) / 3));
  return `${before}${said}${more}${after}`;
}
