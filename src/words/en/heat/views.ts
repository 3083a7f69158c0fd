import { catalogue } from '../../catalogue.ts';

/** What server/heat/views.ts says. */
export const WORDS = catalogue({
  lower: (unit: string) => `${unit} lower`,
  moreFoamBelow: (lengthUnit: string) => `${lengthUnit} more foam below`,
  aFleeceOverIt: 'a fleece over it',
  filmOverIt: 'film over it',
  doubleFilmOverIt: 'double film over it',
  noCoverByNight: 'no cover by night',
});
