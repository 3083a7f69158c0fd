import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: Trace. */
export const WORDS = catalogue({
  cannotBeRead: 'The readings cannot be had now; what is drawn may be old.',
  readingsOverTime: 'Readings over time',
  readings: 'Readings',
  earlier: 'Earlier',
  later: 'Later',
  closer: 'Closer',
  wider: 'Wider',
  readingsArrowKeysMovePlus: 'Readings: arrow keys move, plus and minus zoom; the table below says the same',
  on: 'on',
  theSameAsATable: 'The same as a table',
  at: 'At',
  heaterOn: 'heater on',
  sixHours: '6 h',
  day: 'day',
  week: 'week',
  month: 'month',
  season: 'season',
  year: 'year',
  outside: 'outside',
  air: 'air',
  bed: 'bed',
  set: 'set',
  medium: 'medium',
});
