import { Check, Undo2 } from 'lucide-react';
import { Toast } from 'radix-ui';
import { useState } from 'react';
import type { Saying } from './said.ts';
import { WORDS } from '../../words/en/ui/saidToast.ts';

/** Long enough to read it and to reach the button with a hand that is wet. */
const STAYS_ms = 5_000;
const STAYS_WITH_UNDO_ms = 12_000;

/** A message that goes by itself after some seconds, or when it is closed; what it tells of can be taken back. */
export function SaidToast({ words, undo }: Saying) {
  const [open, setOpen] = useState(true);
  return (
    <Toast.Provider duration={undo ? STAYS_WITH_UNDO_ms : STAYS_ms} swipeDirection="down" label={WORDS.message}>
      <Toast.Root className="kit-said" open={open} onOpenChange={setOpen}>
        <Check size={18} aria-hidden="true" />
        <Toast.Title>{words}</Toast.Title>
        {undo && (
          <Toast.Action asChild altText={WORDS.undoBelow}>
            <button type="button" className="btn small" onClick={() => void undo()}>
              <Undo2 size={16} aria-hidden="true" /> {WORDS.undo}
            </button>
          </Toast.Action>
        )}
        <Toast.Close className="link-btn min-h-9">{WORDS.close}</Toast.Close>
      </Toast.Root>
      <Toast.Viewport className="kit-said-place" />
    </Toast.Provider>
  );
}
