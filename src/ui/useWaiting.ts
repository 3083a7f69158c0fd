import { useSyncExternalStore } from 'react';
import { allWaiting, onWaiting, type Kept } from '../device/waiting.ts';

/** Before it was read, and on the server. */
const NOTHING: readonly Kept[] = [];
let now: readonly Kept[] = NOTHING;
let stop: (() => void) | null = null;
let reading = false;
let again = false;
const listeners = new Set<() => void>();

/** Read once for all parts of the page, and once more where it changed meanwhile: a week's entries are many. */
async function read(): Promise<void> {
  if (reading) {
    again = true;
    return;
  }
  reading = true;
  do {
    again = false;
    now = await allWaiting().catch(() => now);
    listeners.forEach((listen) => listen());
  } while (again);
  reading = false;
}

function subscribe(listen: () => void): () => void {
  listeners.add(listen);
  if (stop === null) {
    stop = onWaiting(() => void read());
    void read();
  }
  return () => {
    listeners.delete(listen);
    if (listeners.size > 0) return;
    stop?.();
    stop = null;
  };
}

/** What waits on this device, as it changes, from any page of it. */
export const useWaiting = (): readonly Kept[] =>
  useSyncExternalStore(
    subscribe,
    () => now,
    () => NOTHING,
  );
