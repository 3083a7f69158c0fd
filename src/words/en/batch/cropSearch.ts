import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the batch screens: CropSearch. */
export const WORDS = catalogue({
  aBatchKeepsItsCrop: '(a batch keeps its crop)',
  crop: 'Crop',
  noSuchCropYet: (link: Part) => rich`No such crop yet. ${link}.`,
  addItToTheBook: 'Add it to the book',
});
