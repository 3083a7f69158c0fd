import { catalogue } from '../catalogue.ts';

/** Questions a what-if may begin with. */
export const WHAT_IF = catalogue({
  heading: 'Begin with a question',
  about:
    'Each makes a copy of the season with that one thing otherwise. Plan it, and see it beside the season as it is.',
  moreRoom: (place: string) => `Half as much room again in ${place}`,
  cooler: (difference: string) => `Heat ${difference} cooler`,
  noFilm: 'Without the second film: more light, more heat',
  secondFilm: 'A second film over the house: less heat, less light',
  young: 'Younger plants: out at four fifths of their size',
  later: 'Everything a week later',
  same: 'A plain copy, to change as I like',
  changed: 'Changed. Now plan this what-if to see what it brings.',
});
