import { catalogue } from '../../catalogue.ts';

/** What server/heat/hotBed.ts says. */
export const WORDS = catalogue({
  noSuchPlace: 'No such place',
  thereIsNoPlaceNumber: (placeId: number) => `There is no place number ${placeId}.`,
  notAHotBed: 'Not a hot bed',
  thatDayHasNotCome: 'That day has not come yet.',
  withdrawnAlready: 'Withdrawn already',
  thatLineIsNotThere: 'That line is not there any more: someone withdrew it.',
  buildTheHotBedNow: 'build the hot bed now',
  buildTheHotBedBy: (buildBy: string) => `build the hot bed by ${buildBy}`,
  turnTheBedAndAdd: (turnBy: string, least_C: string) =>
    `turn the bed and add fresh stuff by ${turnBy}: by night the medium comes under ${least_C}, which what is sown there wants`,
  hotSpotsAboutPutA: (spot_C: string) =>
    `hot spots about ${spot_C}: put a stick thermometer where you set trays, and leave the hottest free`,
  blocksUnderTheLidOn: 'blocks under the lid on a bright day: it gets too warm under it',
  readTheStickThermometerIn: 'read the stick thermometer in the middle of the bed and write it down',
  isNoHotBedSay: (place: string) => `${place} is no hot bed; say so under its warmth first.`,
  thisKeyWasUsedFor: 'This key was used for another line; use a fresh one for each.',
  itIsWantedAndTakes: (buildBy: string, first: string) =>
    `${buildBy}: it is wanted ${first} and takes about ten days to warm; gloves, and wash hands after manure`,
});
