import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page potting/mixes. */
export const WORDS = catalogue({
  mixes: 'Mixes',
  name: 'Name',
  parts: 'Parts',
  note: 'Note',
  change: (name: string | number) => `Change ${name}`,
  addAMix: 'Add a mix',
  writeWhatMixesAreMade: (link: Part) => rich`Write what mixes are made of into the ${link} first.`,
  bookOfStock: 'book of stock',
});
