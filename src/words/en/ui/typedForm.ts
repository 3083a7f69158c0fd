import { catalogue } from '../../catalogue.ts';

/** Words of ui: TypedForm. */
export const WORDS = catalogue({
  saved: 'Saved.',
  keptHere: 'Kept on this device; it is sent when there is a network.',
  keptUntilClosed: 'Kept until this page is closed: this browser keeps nothing longer.',
});
