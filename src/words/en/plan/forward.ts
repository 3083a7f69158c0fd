import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/forward.ts says. */
export const WORDS = catalogue({
  tooColdOrTooHot: 'too cold or too hot there: it never comes up',
  tooColdThereItNever: 'too cold there: it never grows to potting size',
  tooColdThereItNever2: 'too cold there: it never grows ready for hardening',
});
