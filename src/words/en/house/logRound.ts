import { catalogue } from '../../catalogue.ts';

/** What server/house/logRound.ts says. */
export const WORDS = catalogue({
  aDayToCome: 'day: a job is logged when it is done; choose today or a day before',
  nobodyOfThisNumber: 'person: nobody of the house has this number, or they have left; choose another',
  noSuchJob: 'job: the house has no such job any more; read the round again',
  keyUsed: 'key: it was used for another line; send a new one',
  doneAlready: 'Done already',
  somebodyDidIt: 'Somebody has logged this job already. Nothing was written twice.',
  didIt: (name: string) => `${name} has logged this job already. Nothing was written twice.`,
  noSuchLine: 'line: there is no such line of this job, or it was taken back already',
  walkChanged: 'The order was changed',
  walkChangedSince:
    'Somebody changed the places or their order since you opened this page. Open it again and move them anew.',
});
