import type { Kept, Waiting } from './waiting.ts';

/**
 * A second copy of what waits on this device. A browser that wants room clears the database of a site as a whole; what a page keeps in its
 * local storage it leaves alone. Pages only: the service worker has no such place, and what it sends is let go here when a page looks.
 */
const PREFIX = 'crook-copy/';
const MARK = 'crook-born';
const CLEARED = 'crook-cleared';
/** Longer entries (pictures) are only told of: the place is small. */
const MOST_chars = 40_000;

/** An entry as it is copied; `body` is null where it was too long. */
type Copy = Omit<Kept, 'body'> & { readonly body: object | null };

/** What was lost when a browser cleared its database, for the grower to do again. */
export interface Cleared {
  /** Entries put back from the second copy. */
  readonly back: number;
  /** What could not be put back. */
  readonly lost: readonly { readonly words: string; readonly at_ms: number }[];
}

const place = (): Storage | null => {
  try {
    return typeof localStorage === 'undefined' ? null : localStorage;
  } catch {
    return null;
  }
};

function write(key: string, value: string): void {
  try {
    place()?.setItem(key, value);
  } catch {
    // Full: the first copy stands.
  }
}

function readJson<T>(key: string): T | null {
  try {
    return JSON.parse(place()?.getItem(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

export function copyEntry(entry: Waiting, seq: number): void {
  const whole = JSON.stringify({ ...entry, seq });
  write(PREFIX + entry.key, whole.length <= MOST_chars ? whole : JSON.stringify({ ...entry, seq, body: null }));
}

export function dropCopies(keys: readonly string[]): void {
  for (const key of keys) place()?.removeItem(PREFIX + key);
}

/** All copies, in the order of taps. */
function copies(): Copy[] {
  const here = place();
  if (here === null) return [];
  return Array.from({ length: here.length }, (_, i) => here.key(i))
    .flatMap((key) => (key?.startsWith(PREFIX) ? (readJson<Copy>(key) ?? []) : []))
    .sort((a, b) => a.seq - b.seq);
}

/**
 * Looks whether the database was cleared since a page last opened it, and puts back what the second copy holds.
 * @param mark the mark the database carries; null: none
 * @param all what the database holds
 * @param add puts an entry back
 * @returns the mark it is to carry from now on
 */
export async function mendCleared(
  mark: string | null,
  all: () => Promise<readonly Kept[]>,
  add: (entry: Waiting) => Promise<void>,
): Promise<string> {
  const before = place()?.getItem(MARK) ?? null;
  const kept = copies();
  if (before !== null && before === mark) {
    // What was sent by the service worker meanwhile. Read after the copies, so that none is taken for sent that is just being kept.
    const held = new Set((await all()).map(({ key }) => key));
    dropCopies(kept.flatMap(({ key }) => (held.has(key) ? [] : [key])));
    return mark;
  }
  const next = mark ?? `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`;
  if (before !== null && kept.length > 0) {
    for (const { seq: _seq, body, ...entry } of kept) if (body !== null) await add({ ...entry, body });
    const lost = kept.filter(({ body }) => body === null);
    dropCopies(lost.map(({ key }) => key));
    const told: Cleared = {
      back: kept.length - lost.length,
      lost: lost.map(({ words, at_ms }) => ({ words, at_ms })),
    };
    write(CLEARED, JSON.stringify(told));
  }
  write(MARK, next);
  return next;
}

/** What the browser cleared, until the grower has seen it; null: nothing. */
export const clearedHere = (): Cleared | null => readJson<Cleared>(CLEARED);
export const clearedSeen = (): void => place()?.removeItem(CLEARED);
