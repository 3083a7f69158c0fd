import { catalogue } from '../../catalogue.ts';

/** Words of the frame BooksFrame. */
export const WORDS = catalogue({
  books: 'Books',
  crops: 'Crops',
  varieties: 'Varieties',
  lots: 'Lots',
  failures: 'Failures',
  places: 'Places',
  containers: 'Containers',
  weather: 'Weather',
  people: 'People',
  settings: 'Settings',
  seasons: 'Seasons',
  ledger: 'Ledger',
  importAndExport: 'Import and export',
  jobsOfTheHouse: 'Jobs of the house',
  walkingOrder: 'Walking order',
});
