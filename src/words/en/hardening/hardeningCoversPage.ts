import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page hardening/covers. */
export const WORDS = catalogue({
  covers: 'Covers',
  coversFramesAndHouses: 'Covers, frames and houses',
  whatEachIsWorthOn: (link: Part) =>
    rich`What each is worth on the night, in degrees. Read the low under it and outside on the same morning, three nights at least, and its own worth replaces the figure written here: ${link}.`,
  readings: 'Readings',
  name: 'Name',
  layers: 'Layers',
  worth: 'Worth',
  from: 'From',
  toHand: 'To hand',
  over: 'Over',
  note: 'Note',
  ownNightsGiveOrTake: (nights: string | number, spread_K: string | number) =>
    `${nights} own nights, give or take ${spread_K}`,
  asWritten: (nights: string | number) => `as written${nights}`,
  of3NightsRead: (nights: string | number) => `, ${nights} of 3 nights read`,
  change: (name: string | number) => `Change ${name}`,
  addACoverFrameOr: 'Add a cover, frame or house',
});
