/** The first letter that none of the others has: of batches taken out or moved none comes twice. */
export function freeLetter(taken: readonly string[]): string {
  const others = new Set(taken);
  let n = 0;
  while (others.has(letterOf(n))) n++;
  return letterOf(n);
}

/** A, B, ... Z, AA, AB, ... */
export function letterOf(n: number): string {
  const letters: string[] = [];
  let rest = n;
  do {
    letters.unshift(String.fromCharCode(65 + (rest % 26)));
    rest = Math.floor(rest / 26) - 1;
  } while (rest >= 0);
  return letters.join('');
}
