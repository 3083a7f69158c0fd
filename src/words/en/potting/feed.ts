import { catalogue } from '../../catalogue.ts';

/** What core/potting/feed.ts says. */
export const WORDS = catalogue({
  rateToALitre: 'rate, to a litre',
  shareOfTheLabelRate: 'share of the label rate',
  conductivityOfTheWaterMs: 'conductivity of the water, mS/cm',
  partsOfWaterForOne: 'parts of water for one of stock',
  nitrogenOfTheFeed: 'nitrogen of the feed, %',
  ppmOfNitrogen: 'ppm of nitrogen',
  labelRateToALitre: 'label rate, to a litre',
  weightOfALitreKg: 'weight of a litre, kg',
});
