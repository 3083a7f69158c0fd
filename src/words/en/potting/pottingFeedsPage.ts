import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page potting/feeds. */
export const WORDS = catalogue({
  name: 'Name',
  form: 'Form',
  perCentOnTheLabel: 'Per cent on the label are',
  ofItsWeightWW: 'of its weight (w/w)',
  weightIn100MlW: 'weight in 100 mL (w/v)',
  theLabelNames: 'The label names',
  labelRateGOrMl: (unitOf: string | number) => `Label rate, g or mL ${unitOf}`,
  weightOfALiquid: (unitOf: string | number) => `Weight of a liquid, ${unitOf}`,
  ofNoAccountForA: 'of no account for a powder',
  conductivityAtThatRateMs: 'Conductivity at that rate, mS/cm',
  onlyIfTheLabelSays: 'only if the label says',
  note: 'Note',
  feeds: 'Feeds',
  bookOfFeeds: 'Book of feeds',
  as: 'As',
  rate: (unitOf: Part) => rich`Rate, ${unitOf}`,
  change: (name: string | number) => `Change ${name}`,
  addAFeedFromIts: 'Add a feed, from its label',
  saveIt: 'Save it',
  addIt: 'Add it',
});
