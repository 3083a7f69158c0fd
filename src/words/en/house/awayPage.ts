import { catalogue } from '../../catalogue.ts';

/** What the page says while the database is away. */
export const WORDS = catalogue({
  toTheRound: 'To the round',
  title: 'Crook: one moment',
  away: 'The database is away',
  nothingIsLost:
    'Nothing is lost. This page tries again every three seconds and goes on by itself when the database is back.',
  startAgain: 'If it stays away for a minute, stop Crook and run bin/start again on the machine it runs on.',
});
