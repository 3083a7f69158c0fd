import { later } from './later.tsx';
import { Suspense, useEffect, useState } from 'react';
import { saidBefore, SAYING, type Saying } from './said.ts';

/** Said all the same where the message cannot be loaded: a line that was tapped is kept, and that must be known. */
const Plain = ({ words }: Saying) => (
  <p className="kit-said kit-said-place" role="status">
    {words}
  </p>
);
// Most pages have nothing to say.
const readToast = () => import('./SaidToast.tsx');
const SaidToast = later(() => readToast().then((m) => m.SaidToast), Plain);

/** When the page stands. */
const SOON_ms = 3_000;

/** Says for a few seconds what the page before has done, and what is done on this one. */
export function Said() {
  const [said, setSaid] = useState<readonly (Saying & { readonly id: number })[]>([]);
  useEffect(() => {
    // The latest stands; what was said before it can be taken back where it was done.
    const say = (saying: Saying) => setSaid((list) => [{ ...saying, id: (list[0]?.id ?? 0) + 1 }]);
    const before = saidBefore();
    if (before !== null) say({ words: before });
    const hear = (event: Event) => say((event as CustomEvent<Saying>).detail);
    window.addEventListener(SAYING, hear);
    // Ready before it is wanted: what is said without a network is said best.
    const soon = setTimeout(() => void readToast().catch(() => undefined), SOON_ms);
    return () => {
      clearTimeout(soon);
      window.removeEventListener(SAYING, hear);
    };
  }, []);
  return (
    <Suspense fallback={null}>
      {said.map((one) => (
        <SaidToast key={one.id} {...one} />
      ))}
    </Suspense>
  );
}
