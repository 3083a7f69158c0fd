import { catalogue } from '../../catalogue.ts';

/** Words of ui: ExplanationText. */
export const WORDS = catalogue({
  source: (source: string) => `Source: ${source}.`,
});
