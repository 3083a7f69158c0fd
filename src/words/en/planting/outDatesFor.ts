import { catalogue } from '../../catalogue.ts';

/** What server/planting/outDatesFor.ts says. */
export const WORDS = catalogue({
  thereIsNoSuchCrop: 'There is no such crop.',
});
