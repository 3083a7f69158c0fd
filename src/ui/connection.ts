import { useEffect, useState } from 'react';

/** Told when the application is found to be away, or to answer again. */
const CHANGED = 'crook-connection';

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
    const look = () => setSince(lostAt_ms);
    look();
    window.addEventListener(CHANGED, look);
    return () => window.removeEventListener(CHANGED, look);
  }, []);
  return since;
}
