import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: FeedMixer. */
export const WORDS = catalogue({
  writeAFeedIntoThe: 'Write a feed into the book first.',
  feed: 'Feed',
  weakAndLateHalfThe: 'weak and late: half the label rate, and not while plants rest after potting',
  bookOfFeeds: 'Book of feeds',
  shareOfTheLabelRate: 'Share of the label rate',
  words05IsHalf: '0.5 is half',
  theCanHolds: 'The can holds',
  theStockTankHolds: 'The stock tank holds',
  injectorPartsOfWaterFor: 'Injector: parts of water for one of stock',
  noInjector: 'empty: no injector',
  conductivityOfYourWaterMs: 'Conductivity of your water, mS/cm',
  notMeasured: 'empty: not measured',
  ofInto: (name: string, water: string) => `of ${name} into ${water}`,
  nitrogenAtThePlants: 'nitrogen at the plants',
  reachThePlants: 'reach the plants',
  ofFeedThatReachesThe: (rate_perL: number, unit: string, unitOf: string) =>
    `Of feed, ${rate_perL} ${unit} ${unitOf} that reaches the plants`,
  nutrient: 'Nutrient',
  asElementPpm: 'As element, ppm',
  asTheOxidePpm: 'As the oxide, ppm',
  nitrogenN: 'Nitrogen, N',
  phosphorusPAndPO: 'Phosphorus, P and P₂O₅',
  potassiumKAndKO: 'Potassium, K and K₂O',
  theLabelGivesNoConductivity: 'The label gives no conductivity, so none is guessed: measure it.',
  inPureWater: ', in pure water',
  whyTheseFigures: 'Why these figures',
  ppmGToALitre:
    'ppm = g to a litre × 10 × per cent: 1 g/L of a 20% feed is 200 ppm. P = 0.4364 P₂O₅ and K = 0.8301 K₂O, by atomic weights. A tank holds the rate times what it makes.',
  withTodaysWater: 'With today’s water',
  batchesAndLitres: (n: number, litres: string) =>
    `${n === 1 ? '1 batch is' : `${n} batches are`} due for feed: ${litres}.`,
  intoTheCan: 'Fill the can for them',
  chooseTheUsualFeed:
    'Choose the feed given with the water under How we pot: then it is taken from the stock as it is given.',
  takenWhenWatered: 'It is taken from the stock when they are marked as watered.',
  notYet: 'Not yet',
  notToBeFedYet: 'Not to be fed yet',
  restsUntil: (name: Part, until: Part) => rich`${name} rests until ${until}`,
  theLabelIsTheRule:
    'The label is the rule: follow its rate, its cautions and its crops, wear what it asks for, never mix feeds it does not name together, and keep feed out of drains and drinking water (a backflow preventer on every injector, as your local code asks).',
  ofTheLabelRate: (rate: number, form: string, unitOf: string, share: number, share2: string) =>
    `${rate} ${form} ${unitOf}, ${share}% of the label rate${share2}`,
  moreThanTheLabelAllows: ': more than the label allows',
  forNitrogen: 'For so much nitrogen, ppm',
  typeTheFigureYouWant: 'type the figure you want',
  aQuarter: 'a quarter',
  threeQuarters: 'three quarters',
  aboutMsCmByThe: (ec_mS: string, inPureWater: string) =>
    `About ${ec_mS} mS/cm by the label${inPureWater}; measure to be sure.`,
  half: 'half',
  full: 'full',
});
