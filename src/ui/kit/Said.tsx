import { lazy, Suspense, useEffect, useState } from 'react';
import { saidBefore } from './said.ts';

// Most pages have nothing to say.
const SaidToast = lazy(() => import('./SaidToast.tsx').then((m) => ({ default: m.SaidToast })));

/** Says for a few seconds what the page before has done. */
export function Said() {
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => setWords(saidBefore()), []);
  if (words === null) return null;
  return (
    <Suspense fallback={null}>
      <SaidToast words={words} />
    </Suspense>
  );
}
