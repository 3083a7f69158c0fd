import { useEffect, useRef, useState } from 'react';
import { draftOf, forgetDraft, keepDraft } from './drafts.ts';

/**
 * What is typed into an editor of its own making, kept in this browser until it is sent or let go, as forms of the kit keep theirs.
 * @param name null: it is not kept
 * @param version of what is changed: a draft of another is not put over it
 */
export function useKept<T>(name: string | null, version: number, first: () => T) {
  const [typed, setTyped] = useState<T>(first);
  const [restored, setRestored] = useState(false);
  const start = useRef('');
  /** What was sent or let go: not kept again. */
  const settled = useRef('');
  // Once, in the browser: what was typed before a reload is put back.
  useEffect(() => {
    if (name === null || start.current !== '') return;
    start.current = JSON.stringify(typed);
    const kept = draftOf(name, version)?.extra?.['parts'];
    if (kept === undefined) return;
    setTyped({ ...typed, ...(kept as T) });
    setRestored(true);
  }, [name, version, typed]);
  useEffect(() => {
    if (name === null || start.current === '') return;
    const now = JSON.stringify(typed);
    if (now === settled.current) return;
    if (now !== start.current) keepDraft(name, { version, typed: {}, extra: { parts: JSON.parse(now) as unknown } });
    else if (!restored) forgetDraft(name);
  }, [name, version, typed, restored]);
  const forget = (): void => {
    settled.current = JSON.stringify(typed);
    if (name !== null) forgetDraft(name);
    setRestored(false);
  };
  return {
    typed,
    setTyped,
    restored,
    /** It is sent. */
    forget,
    /** Back to how it began. */
    discard: (): void => {
      setTyped(first());
      forget();
    },
  };
}
