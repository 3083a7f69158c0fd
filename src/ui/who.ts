import { useEffect, useState } from 'react';
import { PERSON_COOKIE, personIn } from '../contracts/house/holder.ts';

/** Who holds this device: a person of the house, remembered in a cookie, so that the server draws pages for the same hands. */
const YEAR_s = 365 * 86_400;
/** Where a name typed before there were people of the house is remembered. */
const TYPED = 'crook-who';
const CHANGED = 'crook-person-changed';

/** Number of the person who holds this device; null: nobody said. */
export function personHere(): number | null {
  if (typeof document === 'undefined') return null;
  return personIn(document.cookie);
}

/** Another person takes the device, or nobody (null). */
export function takeDevice(id: number | null, name: string): void {
  document.cookie = `${PERSON_COOKIE}=${id ?? ''}; path=/; max-age=${id === null ? 0 : YEAR_s}; samesite=strict`;
  document.documentElement.dataset['person'] = id === null ? '' : name;
  window.dispatchEvent(new Event(CHANGED));
}

/** The name of whoever holds the device; else what was last typed as one on it. */
function nameHere(): string {
  const person = document.documentElement.dataset['person'] ?? '';
  if (person !== '') return person;
  try {
    return localStorage.getItem(TYPED) ?? '';
  } catch {
    return '';
  }
}

/** The name a line is signed with: whoever holds the device unless another is typed; what is typed is remembered. */
export function useSignature(): {
  readonly by: string;
  readonly setBy: (by: string) => void;
  readonly remember: () => void;
} {
  const [by, setBy] = useState('');
  useEffect(() => {
    const take = () => setBy(nameHere());
    take();
    window.addEventListener(CHANGED, take);
    return () => window.removeEventListener(CHANGED, take);
  }, []);
  const remember = () => {
    try {
      localStorage.setItem(TYPED, by.trim());
    } catch {
      // It is typed again next time.
    }
  };
  return { by, setBy, remember };
}
