import { catalogue } from '../../catalogue.ts';

/** What core/numerics/robustPool.ts says. */
export const WORDS = catalogue({
  chanceThatSomethingWasWrong: 'chance that something was wrong',
  observedFigure: 'observed figure',
  itsError: 'its error',
});
