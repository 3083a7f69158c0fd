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

/** Something said on this page, with what takes it back where that can be done. */
export interface Saying {
  readonly words: string;
  readonly undo?: (() => Promise<void>) | undefined;
}
/** Told when something is to be said on this page. */
export const SAYING = 'crook-saying';

/** Says something on this page for some seconds, with a button that takes it back. */
export function sayHere(saying: Saying): void {
  window.dispatchEvent(new CustomEvent<Saying>(SAYING, { detail: saying }));
}
