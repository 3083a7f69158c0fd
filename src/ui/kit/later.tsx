import { lazy, type ComponentType, type LazyExoticComponent } from 'react';
import { Failed } from './Failed.tsx';
import { WORDS } from '../../words/en/ui/later.ts';

/** Stands where a part could not be loaded. */
const Missing = () => <Failed words={WORDS.missing} />;

/**
 * A part that is loaded when it is wanted. Where it cannot be had, for want of a connection, what stands around it goes on: what is typed
 * and shown stays.
 * @param instead what stands there then; by default a sentence that says so
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  instead: ComponentType<P> = Missing,
): LazyExoticComponent<ComponentType<P>> {
  return lazy(() =>
    load().then(
      (part) => ({ default: part }),
      () => ({ default: instead }),
    ),
  );
}
