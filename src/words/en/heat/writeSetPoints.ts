import { catalogue } from '../../catalogue.ts';

/** What server/heat/writeSetPoints.ts says. */
export const WORDS = catalogue({
  noSuchPlace: 'No such place',
  thereIsNoPlaceNumber: (placeId: number) => `There is no place number ${placeId}.`,
  theSeasonHasChanged: 'The season has changed',
  someoneElseChangedSinceThis: (join: string, changedCount: string) =>
    `Someone else changed ${join}${changedCount} since this plan was made. Nothing was written. Look at the season as it now stands and plan again.`,
  andMore: (changedCount: number) => ` and ${changedCount} more`,
  cannotBeSetTo: (name: string, setPoint_C: number) => `${name} cannot be set to ${setPoint_C}.`,
  thisPlace: 'This place',
});
