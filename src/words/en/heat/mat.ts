import { catalogue } from '../../catalogue.ts';

/** What core/heat/mat.ts says. */
export const WORDS = catalogue({
  powerOfTheMatW: 'power of the mat, W',
  lengthOfTheMatM: 'length of the mat, m',
  widthOfTheMatM: 'width of the mat, m',
  shareOfTheTrayOver: 'share of the tray over the mat',
  rackMm: 'rack, mm',
  theRoomFollowsOutsideWrite: 'the room follows outside: write down the usual temperatures outside',
});
