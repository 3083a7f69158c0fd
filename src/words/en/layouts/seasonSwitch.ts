import { catalogue } from '../../catalogue.ts';

/** Words of the frame SeasonSwitch. */
export const WORDS = catalogue({
  season: 'Season',
  closed: ', closed',
});
