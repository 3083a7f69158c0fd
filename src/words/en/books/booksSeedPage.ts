import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page books/seed. */
export const WORDS = catalogue({
  tested: (testedOn: string | number) => `tested ${testedOn}`,
  varieties: 'Varieties',
  noneYetABatchCan: 'None yet. A batch can do without, but its log is worth more with them.',
  crop: 'Crop',
  variety: 'Variety',
  lots: 'Lots',
  hasFiguresOfItsOwn: (figuresCount: Part) => rich`has ${figuresCount} figures of its own`,
  change: (name: string | number) => `Change ${name}`,
  addAVariety: 'Add a variety',
});
