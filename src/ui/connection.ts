import { useEffect, useState, useSyncExternalStore } from 'react';

/** Told when the application is found to be away, or to answer again. */
const CHANGED = 'crook-connection';

const LASTS_ms = 700;

let lostAt_ms: number | null = null;

/** How a call ended: whether the application was reached at all. */
export function tellReached(reached: boolean, now_ms: number = Date.now()): void {
  if (typeof window === 'undefined' || reached === (lostAt_ms === null)) return;
  lostAt_ms = reached ? null : now_ms;
  window.dispatchEvent(new Event(CHANGED));
  if (reached) window.dispatchEvent(new Event(BACK));
}

/** Told when the application answers again. */
const BACK = 'crook-back';

/** Hears that the application answers again. @returns how to stop */
export function onBack(listen: () => void): () => void {
  window.addEventListener(BACK, listen);
  return () => window.removeEventListener(BACK, listen);
}

/** Told when the application answers that this device is not signed in (any more). */
const SIGNED_OUT = 'crook-signed-out';
let signedOut = false;

/** How a call ended: whether this device has to sign in first. */
export function tellSignedOut(out: boolean): void {
  if (typeof window === 'undefined' || out === signedOut) return;
  signedOut = out;
  window.dispatchEvent(new Event(SIGNED_OUT));
}

/** Whether this device has to sign in again. */
export const useSignedOut = (): boolean =>
  useSyncExternalStore(
    (listen) => {
      window.addEventListener(SIGNED_OUT, listen);
      return () => window.removeEventListener(SIGNED_OUT, listen);
    },
    () => signedOut,
    () => false,
  );

/** Since when the application has not been reached, by this device; null: it answers as far as is known. */
export function useLostSince(): number | null {
  const [since, setSince] = useState<number | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = () => {
      clearTimeout(timer);
      // Calls are broken off when a page is left: that is no lost connection.
      if (lostAt_ms === null) setSince(null);
      else timer = setTimeout(() => setSince(lostAt_ms), LASTS_ms);
    };
    look();
    window.addEventListener(CHANGED, look);
    return () => {
      clearTimeout(timer);
      window.removeEventListener(CHANGED, look);
    };
  }, []);
  return since;
}
