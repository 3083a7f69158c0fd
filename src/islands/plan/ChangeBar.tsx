import { later } from '../../ui/kit/later.tsx';
import type { usePlanChanges } from './usePlanChanges.ts';
import { Suspense } from 'react';
import { WORDS } from '../../words/en/plan/changeBar.ts';

// Comes when there is something to undo.
const Tip = later(
  () => import('../../ui/kit/Tip.tsx').then((m) => m.Tip),
  ({ children }) => children,
);

type Changes = Pick<ReturnType<typeof usePlanChanges>, 'undoable' | 'busy' | 'undo'>;

/** Takes back the last change of the plan. */
export function UndoButton({ changes }: { readonly changes: Changes }) {
  const button = (
    <button
      type="button"
      className="btn"
      disabled={!changes.undoable || changes.busy}
      onClick={() => void changes.undo()}
    >
      {WORDS.undo2}
    </button>
  );
  if (!changes.undoable) return button;
  return (
    <Suspense fallback={button}>
      <Tip words={WORDS.undo(changes.undoable.words)}>{button}</Tip>
    </Suspense>
  );
}

/** What the last change did, or why it was not done; said aloud as well. */
export function Said({ message }: { readonly message: string }) {
  return (
    <p role="status" aria-live="polite" className={message ? 'note-bar my-2' : 'sr-only'}>
      {message}
    </p>
  );
}
