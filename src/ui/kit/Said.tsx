import { Check } from 'lucide-react';
import { Toast } from 'radix-ui';
import { useEffect, useState } from 'react';
import { saidBefore } from './said.ts';

/** Says for a few seconds what the page before has done. */
export function Said() {
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => setWords(saidBefore()), []);
  return (
    <Toast.Provider duration={5_000} swipeDirection="down" label="Message">
      <Toast.Root className="kit-said" open={words !== null} onOpenChange={(open) => !open && setWords(null)}>
        <Check size={18} aria-hidden="true" />
        <Toast.Title>{words}</Toast.Title>
        <Toast.Close className="link-btn min-h-9">Close</Toast.Close>
      </Toast.Root>
      <Toast.Viewport className="kit-said-place" />
    </Toast.Provider>
  );
}
