import { catalogue } from '../../catalogue.ts';

/** What core/germination/cardinalFit.ts says. */
export const WORDS = catalogue({
  oneTemperature: 'one temperature',
  temperatures: (size: number) => `${size} temperatures`,
  halfCameUpAtThree: (size: string) => `half came up at ${size}; three or more are needed`,
  theRatesDoNotRise: 'the rates do not rise with temperature; look at the counts again',
});
