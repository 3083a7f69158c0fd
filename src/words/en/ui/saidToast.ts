import { catalogue } from '../../catalogue.ts';

/** Words of ui: SaidToast. */
export const WORDS = catalogue({
  message: 'Message',
  close: 'Close',
  undo: 'Undo',
  undoBelow: 'Undo it: the button stands in the message.',
});
