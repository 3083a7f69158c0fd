import { catalogue } from '../../catalogue.ts';

/** What core/germination/cardinalFit.ts says. */
export const WORDS = catalogue({
  oneTemperature: 'one temperature',
  temperatures: (size: number) => `${size} temperatures`,
});
