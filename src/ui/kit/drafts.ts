import { z } from 'zod';

const PREFIX = 'crook-typed:';
/** A draft nobody came back for is no longer wanted. */
const KEPT_ms = 30 * 24 * 3_600_000;

const draft = z.object({
  at_ms: z.number(),
  version: z.number(),
  typed: z.record(z.string(), z.union([z.string(), z.boolean()])),
  extra: z.record(z.string(), z.unknown()).nullable(),
});

/** What was typed into a form and not sent. */
export type Draft = Omit<z.infer<typeof draft>, 'at_ms'>;

/** Keeps what is typed in this browser. Where it keeps nothing the form works all the same. */
export function keepDraft(name: string, typed: Draft, now_ms: number = Date.now()): void {
  try {
    localStorage.setItem(PREFIX + name, JSON.stringify({ ...typed, at_ms: now_ms }));
  } catch {
    // Full, or not allowed: nothing is kept.
  }
}

/** What was typed before; null where nothing was, it is a month old, or what it changed has another version by now. */
export function draftOf(name: string, version: number, now_ms: number = Date.now()): Draft | null {
  try {
    const kept = draft.safeParse(JSON.parse(localStorage.getItem(PREFIX + name) ?? 'null'));
    if (kept.success && kept.data.version === version && now_ms - kept.data.at_ms < KEPT_ms) return kept.data;
    localStorage.removeItem(PREFIX + name);
  } catch {
    // As above.
  }
  return null;
}

export function forgetDraft(name: string): void {
  try {
    localStorage.removeItem(PREFIX + name);
  } catch {
    // As above.
  }
}
