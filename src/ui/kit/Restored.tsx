import { WORDS } from '../../words/en/ui/restored.ts';

/** Says that what was typed before and not saved is back, and lets it go. */
export function Restored({ onDiscard }: { readonly onDiscard: () => void }) {
  return (
    <p className="note-bar mb-3 flex flex-wrap items-center gap-x-4" role="status">
      {WORDS.whatYouTypedHereBefore}
      <button type="button" className="link-btn min-h-9" onClick={onDiscard}>
        {WORDS.discardIt}
      </button>
    </p>
  );
}
