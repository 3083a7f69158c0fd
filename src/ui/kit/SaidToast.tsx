import { Check } from 'lucide-react';
import { Toast } from 'radix-ui';
import { useState } from 'react';
import { WORDS } from '../../words/en/ui/saidToast.ts';

/** A message that goes by itself after some seconds, or when it is closed. */
export function SaidToast({ words }: { readonly words: string }) {
  const [open, setOpen] = useState(true);
  return (
    <Toast.Provider duration={5_000} swipeDirection="down" label={WORDS.message}>
      <Toast.Root className="kit-said" open={open} onOpenChange={setOpen}>
        <Check size={18} aria-hidden="true" />
        <Toast.Title>{words}</Toast.Title>
        <Toast.Close className="link-btn min-h-9">{WORDS.close}</Toast.Close>
      </Toast.Root>
      <Toast.Viewport className="kit-said-place" />
    </Toast.Provider>
  );
}
