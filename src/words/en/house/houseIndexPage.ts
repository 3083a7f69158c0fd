import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page house/index. */
export const WORDS = catalogue({
  planOfTheHouse: 'Plan of the house',
  thereAreNoPlacesYet: (link: Part) =>
    rich`There are no places yet. Write them down in the ${link}, with their size and where they lie.`,
  bookOfPlaces: 'book of places',
  theDrawingNeedsScriptThe: (link: Part) => rich`The drawing needs script; the ${link} says where everything stands.`,
  tableOfTheSeason: 'table of the season',
});
