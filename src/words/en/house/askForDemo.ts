import { catalogue } from '../../catalogue.ts';

/** Answers to the wish for the demo. */
export const WORDS = catalogue({
  begun: 'Already begun',
  neverOverwritten:
    'This nursery is begun; the demo never takes its place. Start another one with its own CROOK_STATE.',
});
