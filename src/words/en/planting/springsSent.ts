import { catalogue } from '../../catalogue.ts';

/** What server/planting/springsSent.ts says. */
export const WORDS = catalogue({
  nothingToGoBy: 'Nothing to go by',
  thereIsNeitherHistoryNor: 'There is neither history nor usual temperatures: import some under Weather.',
});
