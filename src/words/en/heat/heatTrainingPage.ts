import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/training. */
export const WORDS = catalogue({
  aUsualBench: 'A usual bench',
  trainingNight: 'Training night',
  aMadeUpNightOn: 'A made-up night on a made-up bench built like yours. Nothing here reaches the real one.',
  toTheHeat: 'To the heat',
});
