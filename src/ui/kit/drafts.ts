const PREFIX = 'crook-typed:';
/** A draft nobody came back for is no longer wanted. */
const KEPT_ms = 30 * 24 * 3_600_000;

/** What was typed into a form and not sent. */
export interface Draft {
  readonly version: number;
  readonly typed: Readonly<Record<string, string | boolean>>;
  readonly extra: Readonly<Record<string, unknown>> | null;
}
type Kept = Draft & { readonly at_ms: number };

/** Whether a value of the browser's store is a draft; no schema, so that every page with a form is spared the package. */
function isKept(value: unknown): value is Kept {
  if (typeof value !== 'object' || value === null) return false;
  const { at_ms, version, typed, extra } = value as Partial<Kept>;
  return (
    typeof at_ms === 'number' &&
    typeof version === 'number' &&
    typeof typed === 'object' &&
    typed !== null &&
    Object.values(typed).every((one) => typeof one === 'string' || typeof one === 'boolean') &&
    (extra === null || (typeof extra === 'object' && !Array.isArray(extra)))
  );
}

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
    const kept: unknown = JSON.parse(localStorage.getItem(PREFIX + name) ?? 'null');
    if (isKept(kept) && kept.version === version && now_ms - kept.at_ms < KEPT_ms) return kept;
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
