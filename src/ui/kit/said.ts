const NAME = 'crook-said';

/** Says something on the page that is opened next: a form that is saved leads on to another. */
export function sayOnNextPage(words: string): void {
  try {
    sessionStorage.setItem(NAME, words);
  } catch {
    // Where nothing is kept nothing is said.
  }
}

/** What was to be said on this page, once. */
export function saidBefore(): string | null {
  try {
    const words = sessionStorage.getItem(NAME);
    sessionStorage.removeItem(NAME);
    return words;
  } catch {
    return null;
  }
}
