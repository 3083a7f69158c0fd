import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page potting/house. */
export const WORDS = catalogue({
  howWePot: 'How we pot',
  ourOwnPace: 'Our own pace',
  plantsAPersonSetsIn:
    'Plants a person sets in a minute when all is set out. It begins at 7.4, 630 plants in 85 minutes (common practice, no source), and moves with every session that is timed; a container learns from other crops, and a crop from other containers, as far as they share something.',
  into: 'Into',
  crop: 'Crop',
  aMinute: 'A minute',
  fourTimesOfFive: 'Four times of five',
  timed: 'Timed',
  to: (low: Part, high: Part) => rich`${low} to ${high}`,
});
