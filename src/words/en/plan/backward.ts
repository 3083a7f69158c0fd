import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/backward.ts says. */
export const WORDS = catalogue({
  theTransplantDateLiesOutside: 'the transplant date lies outside the seasons worked out',
  tooColdThereBeforeThat: 'too cold there before that date: it never grows enough',
});
