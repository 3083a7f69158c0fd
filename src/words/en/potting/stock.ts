import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: Stock. */
export const WORDS = catalogue({
  stock: 'Stock',
  enoughForTheComingWeeks: (weeks: number) => `enough for the coming ${weeks} weeks of the plan`,
  toBuyForTheComing: (buysCount: number, weeks: number, cost: string) =>
    `${buysCount} to buy for the coming ${weeks} weeks, ${cost} by the prices here`,
  thingsInTheBook: 'Things in the book',
  shoppingListCsv: 'Shopping list, CSV',
  print: 'Print',
  kind: 'Kind',
  state: 'State',
  thing: 'Thing',
  onHand: 'On hand',
  needed: 'Needed',
  least: 'Least',
  toBuy: 'To buy',
  usedIn4Weeks: 'Used in 4 weeks',
  belowNothingCountIt: 'below nothing: count it',
  neverCounted: 'never counted',
  countOrAdd: (name: string) => `Count or add ${name}`,
  countAdd: 'Count, add',
  sessionsTakePotsTraysLabels: (weeks: Part, link: Part) =>
    rich`Sessions take pots, trays, labels and mix out by themselves. What is needed comes from the plan of the coming ${weeks} weeks and from sessions not yet done; mixes are those of ${link}.`,
  howWePot: 'how we pot',
  typeHowMuch: 'Type how much.',
  counted: (figure: number) => `counted ${figure}`,
  cameIn: (figure: number) => `${figure} came in`,
  used: (figure: number) => `${figure} used`,
  pieces: 'Pieces',
  thatIsWhatThereIs: 'That is what there is',
  cameIn2: 'Came in',
  used2: 'Used',
});
