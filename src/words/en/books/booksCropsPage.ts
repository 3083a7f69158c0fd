import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page books/crops. */
export const WORDS = catalogue({
  aNewCrop: 'A new crop',
  crops: 'Crops',
  addACrop: 'Add a crop',
  findACrop: 'Find a crop',
  anyOfItsNames: 'any of its names',
  kinds: { vegetable: 'Vegetables', herb: 'Herbs', flower: 'Flowers', shrub: 'Shrubs and trees' },
  noCropIsCalledSo: 'No crop is called so.',
  allCropsOfTheLibrary: (foundCount: Part) => rich`All ${foundCount} crops of the library`,
  ofYourOwnHalfUp: (trays_count: Part, time_factor: Part, learning: Part) =>
    rich`${trays_count} of your own: half up ${time_factor}.  ${learning}`,
  plansGoByIt: 'Plans go by it.',
  plansGoByTheBook: 'Plans go by the book: learning is switched off in the settings.',
  tray: 'tray',
});
