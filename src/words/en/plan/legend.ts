import { catalogue } from '../../catalogue.ts';

/** The legend of the season's drawing. */
export const WORDS = catalogue({
  legend: 'Legend',
  now: 'stands there now',
  planned: 'planned',
  past: 'past',
  chosen: 'chosen',
  pinned: 'pinned',
  over: 'over room',
  table: 'The same as a table',
  ground: 'A lane is coloured by its temperature and as high as its room.',
});
