import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: ZoneLearn. */
export const WORDS = catalogue({
  learnedFromItsNights: 'Learned from its nights',
  lossHeatHeldTimesAs: (
    words: string,
    loss_factor: string,
    capacity_factor: string,
    hours: number,
    decimal: string,
    unit: string,
    decimal2: string,
    unit2: string,
    kept: string,
  ) =>
    `${words} Loss ${loss_factor}, heat held ${capacity_factor} times as built, from ${hours} hours of night; predicted within ${decimal} °${unit} of measured, ${decimal2} °${unit2} as built. ${kept}`,
  theWatchAndTheAnswers: 'The watch and the answers on the heat page go by it.',
  comparesTheLastFourNights: 'Compares the last four nights’ readings with the zone as built.',
  lookAtTheLastNights: 'Look at the last nights',
  goByIt: 'Go by it',
  forgetIt: 'Forget it',
  mediumAsPredictedAgainstAs: 'Medium as predicted against as measured, night after night',
  darkMeasuredPlumDashedPredicted: 'Dark: measured. Plum, dashed: predicted with the figures above.',
  hour: (hour: number) => `${Math.round(hour)} h`,
});
