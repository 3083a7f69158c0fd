import { copyEntry, dropCopies, mendCleared } from './secondCopy.ts';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What was tapped or typed on this device and the application has not taken yet. */
export interface Waiting {
  /** Key of the call: however often it goes out, it is done once. */
  readonly key: string;
  readonly path: string;
  readonly body: object;
  /** What was done and to what, as a list says it. */
  readonly words: string;
  /** Batch whose page tells more; null: none. */
  readonly batchId: number | null;
  /** Job of the round that it does; null: none. */
  readonly job: string | null;
  /** By this device's clock, which may be wrong: the order is that of the entries, never that of the times. */
  readonly at_ms: number;
  /** Whose hands: another may hold the device when it goes out. */
  readonly personId: number | null;
  /** How often the application failed on it. */
  readonly failures: number;
  /** Why the application did not take it; null: not sent yet, or no answer. */
  readonly refused: string | null;
}

/** An entry with its place in the order of taps. */
export interface Kept extends Waiting {
  readonly seq: number;
}

interface Schema extends DBSchema {
  waiting: { key: number; value: Waiting & { seq?: number }; indexes: { key: string } };
}

/** Beside it, so that a page of the version before can go on with its own: under 'mark' what tells a browser's storage from one that was cleared. */
interface About extends DBSchema {
  about: { key: string; value: string };
}

async function lookWhetherCleared(
  all: () => Promise<readonly Kept[]>,
  add: (entry: Waiting) => Promise<void>,
): Promise<void> {
  const db = await openDB<About>('crook-about', 1, { upgrade: (made) => void made.createObjectStore('about') });
  const mark = (await db.get('about', 'mark')) ?? null;
  const next = await mendCleared(mark, all, add);
  if (next !== mark) await db.put('about', next, 'mark');
  db.close();
}

/** Where entries are kept: in order, each under its key. */
interface Store {
  /** Whether what it holds outlives the page. */
  readonly lasts: boolean;
  all(): Promise<Kept[]>;
  add(entry: Waiting): Promise<void>;
  change(key: string, change: Partial<Waiting>): Promise<void>;
  drop(keys: readonly string[]): Promise<void>;
}

const NAME = 'crook';
/** Raised with a step in `upgrade` when entries get another form: what waits in the old one is taken along, never lost. */
const FORM = 1;

async function lasting(): Promise<Store> {
  const db: IDBPDatabase<Schema> = await openDB<Schema>(NAME, FORM, {
    upgrade(old) {
      if (old.objectStoreNames.contains('waiting')) return;
      old
        .createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true })
        .createIndex('key', 'key', { unique: true });
    },
    // A newer version of the application, in another window, may go on.
    blocking: () => {
      db.close();
      closeWaiting();
    },
    terminated: () => closeWaiting(),
  });
  const all = async () => (await db.getAll('waiting')) as Kept[];
  const add = async (entry: Waiting): Promise<void> => {
    const work = db.transaction('waiting', 'readwrite', { durability: 'strict' });
    const there = await work.store.index('key').getKey(entry.key);
    const seq = there ?? (await work.store.add(entry));
    await work.done;
    copyEntry(entry, seq);
  };
  // What could not be looked at is no reason not to keep.
  if (typeof localStorage !== 'undefined') await lookWhetherCleared(all, add).catch(() => undefined);
  return {
    lasts: true,
    all,
    add,
    async change(key, change) {
      const work = db.transaction('waiting', 'readwrite');
      const there = await work.store.index('key').get(key);
      if (there) await work.store.put({ ...there, ...change });
      await work.done;
    },
    async drop(keys) {
      const work = db.transaction('waiting', 'readwrite');
      const gone = async (key: string) => {
        const seq = await work.store.index('key').getKey(key);
        if (seq !== undefined) await work.store.delete(seq);
      };
      await Promise.all([...keys.map(gone), work.done]);
      dropCopies(keys);
    },
  };
}

/** Where a browser keeps nothing (a private window, storage refused): until the page is closed. */
function passing(): Store {
  let seq = 0;
  const entries = new Map<string, Kept>();
  return {
    lasts: false,
    all: async () => [...entries.values()],
    async add(entry) {
      if (!entries.has(entry.key)) entries.set(entry.key, { ...entry, seq: ++seq });
    },
    async change(key, change) {
      const there = entries.get(key);
      if (there) entries.set(key, { ...there, ...change });
    },
    async drop(keys) {
      for (const key of keys) entries.delete(key);
    },
  };
}

let opened: Promise<Store> | undefined;
const open = (): Promise<Store> => (opened ??= lasting().catch(passing));
/** Forgets what is open, as a page that is closed does. */
export function closeWaiting(): void {
  opened = undefined;
}

const CHANNEL = 'crook-waiting';
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
const listeners = new Set<() => void>();
channel?.addEventListener('message', () => listeners.forEach((listen) => listen()));
/** Changes that follow each other closely are told as one: who listens reads all that waits. */
const TELL_ms = 100;
let telling: ReturnType<typeof setTimeout> | null = null;
function tell(): void {
  telling ??= setTimeout(() => {
    telling = null;
    channel?.postMessage('changed');
    listeners.forEach((listen) => listen());
  }, TELL_ms);
}

/** Hears of every change of what waits, from any page of this device. @returns how to stop */
export function onWaiting(listen: () => void): () => void {
  listeners.add(listen);
  return () => listeners.delete(listen);
}

/** What waits on this device, in the order in which it was tapped. */
export const allWaiting = async (): Promise<Kept[]> => (await open()).all();

/** Whether what waits outlives this page. */
export const waitingLasts = async (): Promise<boolean> => (await open()).lasts;

/**
 * Keeps an entry; the same key twice keeps the first. A store that is full or fails keeps it until the page is closed.
 * @returns whether it outlives the page
 */
export async function keepWaiting(entry: Waiting): Promise<boolean> {
  let store = await open();
  try {
    await store.add(entry);
  } catch {
    const before = await store.all().catch(() => []);
    store = passing();
    for (const one of before) await store.add(one);
    await store.add(entry);
    opened = Promise.resolve(store);
  }
  tell();
  return store.lasts;
}

export async function changeWaiting(key: string, change: Partial<Waiting>): Promise<void> {
  await (await open()).change(key, change);
  tell();
}

/** Lets entries go: they were taken, or the grower has seen why they cannot be. */
export async function dropWaiting(...keys: readonly string[]): Promise<void> {
  await (await open()).drop(keys);
  tell();
}
