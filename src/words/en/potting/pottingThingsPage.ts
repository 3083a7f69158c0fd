import { catalogue } from '../../catalogue.ts';

/** Words of the page potting/things. */
export const WORDS = catalogue({
  name: 'Name',
  kind: 'Kind',
  countedIn: 'Counted in',
  waterItHolds: 'Water it holds, %',
  waterMeans:
    'of its volume, between drained and wilting: compost about 28, vermiculite 30, perlite 12, grit 4; empty: 28',
  feedOfTheBookIt: 'Feed of the book it is',
  takenWithTheWater: 'what is given with the water is taken from it',
  containerOfTheBookIt: 'Container of the book it is, or carries',
  inAPackOrBag: 'In a pack or bag',
  leastToKeep: 'Least to keep',
  priceOfAPack: 'Price of a pack',
  thingsInStock: 'Things in stock',
  thingsInTheBookOf: 'Things in the book of stock',
  pack: 'Pack',
  price: 'Price',
  change: (name: string | number) => `Change ${name}`,
  addAThing: 'Add a thing',
  saveIt: 'Save it',
  addIt: 'Add it',
  loose: 'loose',
  words0WhenItComesLoose: '0 when it comes loose; in the unit it is counted in',
});
