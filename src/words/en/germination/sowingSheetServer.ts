import { catalogue } from '../../catalogue.ts';

/** What server/germination/sowingSheet.ts says. */
export const WORDS = catalogue({
  noPlaceChosen: 'no place chosen',
});
