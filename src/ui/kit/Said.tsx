import { lazy, Suspense, useEffect, useState } from 'react';
import { saidBefore, SAYING, type Saying } from './said.ts';

// Most pages have nothing to say.
const SaidToast = lazy(() => import('./SaidToast.tsx').then((m) => ({ default: m.SaidToast })));

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
    return () => window.removeEventListener(SAYING, hear);
  }, []);
  return (
    <Suspense fallback={null}>
      {said.map((one) => (
        <SaidToast key={one.id} {...one} />
      ))}
    </Suspense>
  );
}
