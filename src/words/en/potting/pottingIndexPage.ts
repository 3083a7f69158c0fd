import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page potting/index. */
export const WORDS = catalogue({
  pot: 'Pot',
  ready: (urgent: Part, readyNow: Part) => rich`${urgent}${readyNow} ready`,
  cannotWait: (urgent: string | number) => `${urgent} cannot wait, `,
  sessionOf: (on: Part, linesCount: Part, join: Part, link: Part, on2: Part) =>
    rich`Session of ${on}: ${linesCount}, ${join}.  ${link} ${on2}`,
  goOnWithIt: 'Go on with it',
  leftOpenSince: (on: Part) => rich`left open since ${on}`,
  waterInAndSpaceOut: 'Water in and space out, the coming two weeks',
  day: 'Day',
  trays: 'Trays',
  batch: 'Batch',
  work: 'Work',
  where: 'Where',
  everyOtherPotToA: ', every other pot to a second tray',
  noPlaceChosen: 'no place chosen',
  loggedOnThe: (link: Part) => rich`Logged on the ${link}.`,
  round: 'round',
  sessionsDone: 'Sessions done',
  batches: 'batches',
  batch2: 'batch',
});
