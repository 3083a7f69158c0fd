/** Header in which a device says whose hands a call comes from; else the cookie of the same meaning says it. */
export const PERSON_HEADER = 'x-crook-person';
export const PERSON_COOKIE = 'crook-person';

/** The person a header of cookies names; null: none, or not a number. */
export function personIn(cookies: string): number | null {
  for (const part of cookies.split(';')) {
    const [name, value] = part.trim().split('=');
    if (name === PERSON_COOKIE && /^[1-9]\d{0,8}$/.test(value ?? '')) return Number(value);
  }
  return null;
}
