import { catalogue } from '../../catalogue.ts';

/** Words of the house screens: Seasons. */
export const WORDS = catalogue({
  season: (name: string) => `Season ${name}`,
  to: (firstDay: string, lastDay: string) => `${firstDay} to ${lastDay}`,
  closeIt: 'Close it',
  nameAndDays: 'Name and days',
  itsBatches: 'Its batches',
  openItAgain: 'Open it again',
  closeItAndCarryThem: 'Close it and carry them over',
  leaveItOpen: 'Leave it open',
  addASeason: 'Add a season',
  forAutumnSowingsSayBatches:
    'For autumn sowings, say. Batches go into the season that begins last of those that hold their day out. The usual seasons make themselves.',
  toSowOrStanding: (open_count: number) => `, ${open_count} to sow or standing`,
  openTheCurrentOne: (standing: string) => `open, the current one${standing}`,
  name: 'Name',
  firstDay: 'First day',
  lastDay: 'Last day',
  saveIt: 'Save it',
  addIt: 'Add it',
  batch: 'batch',
  batches: 'batches',
  open: (standing: string) => `open${standing}`,
  closed: 'closed',
  over: 'over: all its plants are gone; close it',
});
