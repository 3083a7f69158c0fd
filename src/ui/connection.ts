import { useEffect, useState } from 'react';

/** Told when the application is found to be away, or to answer again. */
const CHANGED = 'crook-connection';

const LASTS_ms = 700;

let lostAt_ms: number | null = null;

/** How a call ended: whether the application was reached at all. */
export function tellReached(reached: boolean, now_ms: number = Date.now()): void {
  if (typeof window === 'undefined' || reached === (lostAt_ms === null)) return;
  lostAt_ms = reached ? null : now_ms;
  window.dispatchEvent(new Event(CHANGED));
}

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
