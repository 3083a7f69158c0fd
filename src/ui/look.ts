import { z } from 'zod';

/** How the pages look on this device: kept in a cookie, so that the server draws them so from the start. */
export const LOOK_COOKIE = 'crook-look';

const look = z.object({
  theme: z.enum(['system', 'light', 'dim']).catch('system'),
  contrast: z.enum(['usual', 'high']).catch('usual'),
  text: z.enum(['usual', 'large', 'largest']).catch('usual'),
});
export type Look = z.infer<typeof look>;

const USUAL: Look = { theme: 'system', contrast: 'usual', text: 'usual' };

/** The look a cookie header asks for; the usual where it asks for none. */
export function lookIn(cookies: string): Look {
  const value = cookies
    .split(';')
    .map((one) => one.trim())
    .find((one) => one.startsWith(`${LOOK_COOKIE}=`))
    ?.slice(LOOK_COOKIE.length + 1);
  const [theme, contrast, text] = (value ?? '').split('.');
  return value === undefined ? USUAL : look.parse({ theme, contrast, text });
}

const YEAR_s = 365 * 86_400;

/** Changes the look of this page, and of all those opened after it on this device. */
export function takeLook(next: Look): void {
  document.cookie = `${LOOK_COOKIE}=${next.theme}.${next.contrast}.${next.text}; path=/; max-age=${YEAR_s}; samesite=strict`;
  Object.assign(document.documentElement.dataset, next);
}
