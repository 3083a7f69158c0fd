import { CloudOff } from 'lucide-react';
import { WORDS } from '../../words/en/ui/failed.ts';

interface Props {
  readonly words: string;
  /** Tries it again. */
  readonly onAgain?: () => void;
}

/** Something that could not be read, with a button that tries it again. */
export function Failed({ words, onAgain }: Props) {
  return (
    <p role="alert" className="note-bar bad my-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <CloudOff size={20} aria-hidden="true" className="flex-none" />
      <span>{words}</span>
      {onAgain && (
        <button type="button" className="btn small" onClick={onAgain}>
          {WORDS.again}
        </button>
      )}
    </p>
  );
}
