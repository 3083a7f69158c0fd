import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: HowMany. */
export const WORDS = catalogue({
  typeFigures: 'Type figures.',
  whatItDependsOn: 'What it depends on',
  sureOfGoodPlants: (plantsWanted: number) => `Sure of ${plantsWanted} good plants`,
  in100: (round: number) => `${round} in 100`,
  sproutsTo100SeedBalls: 'Sprouts to 100 seed balls',
  germination: 'Germination',
  inYourMixOfThe: 'In your mix, of the test',
  lostBeforePotting: 'Lost before potting',
  thrownOut: 'Thrown out',
  seedsToACell: 'Seeds to a cell',
  doublesTeasedApart: 'Doubles teased apart',
  words0ThinnedToOne: '0 = thinned to one',
  answer: 'Answer',
  noNumberWillDoWith:
    'No number will do with these figures: nothing would come of it. Test the seed, or take another lot.',
  seedsToSowThenPricked: 'seeds to sow, then pricked out',
  seedsInCells: (cells: number) => `seeds, in ${cells} cells`,
  theLastFull: (round: number) => `, the last ${round}% full`,
  sowingMixSettlingAndWaste: 'sowing mix, settling and waste in it',
  ofSeed: 'of seed',
  oddsOfEndingShort: 'odds of ending short',
  lotHasLeftTooFew: (code: string, seeds_count: string, seeds_count2: number) =>
    `Lot ${code} has ${seeds_count} left: ${seeds_count2} too few.`,
  eachBarIsTheChance:
    'Each bar is the chance of that many good plants: every case counted (binomial through germination, field, losses and culls).',
  eachBarIsTheChance2: 'Each bar is the chance of that many good plants, by the normal curve for so many.',
  asPlannedNowToEnd: (cellsNow: string, short_frac: string, mean_plants: number) =>
    `As planned now, ${cellsNow}: ${short_frac} to end short, ${mean_plants} expected.`,
  thisIsThePlan: 'This is the plan',
  sowInThePlan: (cells: number, seedTray: string) => `Sow ${cells} ${seedTray} in the plan`,
  seeds: 'seeds',
  cells: 'cells',
  wanted: (wanted: number) => `${wanted} wanted`,
  goodPlants: (from: number, to: number) => `Good plants, from ${from} to ${to}; the taller the bar, the likelier`,
  packets: (cost: string) => `packets${cost}`,
  seed: 'seed',
  chanceOfEachNumberOf: (from: number, chancesCount: number, wanted: number, short_frac: string) =>
    `Chance of each number of good plants from ${from} to ${chancesCount}; short of ${wanted}: ${short_frac}`,
});
