import { catalogue } from '../../catalogue.ts';

/** What server/books/bookCalls.ts says. */
export const WORDS = catalogue({
  noSuchCall: 'No such call',
  seeApiOpenapiJsonFor: 'See /api/openapi.json for what there is.',
});
