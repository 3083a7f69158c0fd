import { catalogue } from '../../catalogue.ts';

/** What db/house/seasons.ts says. */
export const WORDS = catalogue({
  theSeasonIsClosed: 'The season is closed',
  seasonIsClosedAndIts: (name: string) =>
    `Season ${name} is closed, and its batches are kept as they came out. Open it again under Books, Seasons to change anything in it.`,
  isInSeasonWhichIs: (day: string, name: string) =>
    `${day} is in season ${name}, which is closed. Choose another day, or open that season again.`,
});
