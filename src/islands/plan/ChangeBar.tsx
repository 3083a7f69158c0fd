import type { usePlanChanges } from './usePlanChanges.ts';
import { Tip } from '../../ui/kit/Tip.tsx';
import { WORDS } from '../../words/en/plan/changeBar.ts';

type Changes = Pick<ReturnType<typeof usePlanChanges>, 'undoable' | 'busy' | 'undo'>;

/** Takes back the last change of the plan. */
export function UndoButton({ changes }: { readonly changes: Changes }) {
  return (
    <Tip words={changes.undoable ? WORDS.undo(changes.undoable.words) : undefined}>
      <button
        type="button"
        className="btn"
        disabled={!changes.undoable || changes.busy}
        onClick={() => void changes.undo()}
      >
        {WORDS.undo2}
      </button>
    </Tip>
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
