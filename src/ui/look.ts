/** How the pages look on this device: kept in a cookie, so that the server draws them so from the start. */
export const LOOK_COOKIE = 'crook-look';

const CHOICES = {
  theme: ['system', 'light', 'dim'],
  contrast: ['usual', 'high'],
  text: ['usual', 'large', 'largest'],
} as const;

export interface Look {
  readonly theme: (typeof CHOICES.theme)[number];
  readonly contrast: (typeof CHOICES.contrast)[number];
  readonly text: (typeof CHOICES.text)[number];
}

/** One of some words; the first of them where it is none. */
const oneOf = <T extends string>(words: readonly [T, ...T[]], word: string | undefined): T =>
  words.find((one) => one === word) ?? words[0];

/** The look a cookie header asks for; the usual where it asks for none, or for what there is not. */
export function lookIn(cookies: string): Look {
  const value = cookies
    .split(';')
    .map((one) => one.trim())
    .find((one) => one.startsWith(`${LOOK_COOKIE}=`))
    ?.slice(LOOK_COOKIE.length + 1);
  const [theme, contrast, text] = (value ?? '').split('.');
  return {
    theme: oneOf(CHOICES.theme, theme),
    contrast: oneOf(CHOICES.contrast, contrast),
    text: oneOf(CHOICES.text, text),
  };
}

const YEAR_s = 365 * 86_400;

/** Changes the look of this page, and of all those opened after it on this device. */
export function takeLook(next: Look): void {
  document.cookie = `${LOOK_COOKIE}=${next.theme}.${next.contrast}.${next.text}; path=/; max-age=${YEAR_s}; samesite=strict`;
  Object.assign(document.documentElement.dataset, next);
}
