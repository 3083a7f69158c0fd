import { catalogue } from '../../catalogue.ts';

/** What contracts/house/begin.ts says. */
export const WORDS = catalogue({
  setUpTheDemo: 'Set up the demo nursery in place of one that was not begun; the server starts again with it',
  myNursery: 'My nursery',
  heightAboveTheSeaIn: 'height above the sea in metres',
  byTheSeaYesOr: 'by the sea: yes or no',
  lengthsCmOrIn: 'lengths: cm or in',
  currencyThreeCapitalLettersSuch: 'currency: three capital letters such as EUR',
  firstWeekday: 'first weekday',
  houseChooseOne: 'house: choose one',
  roomInTrays: 'room in trays',
  placesAtMost20: 'places: at most 20',
  traysChooseOneAtLeast: 'trays: choose one at least',
  traysAtMost50: 'trays: at most 50',
  acceptedFrostRisk: 'accepted frost risk',
  beginANurseryThatHas: 'Begin a nursery that has nothing yet',
  townsByTheBeginningOf:
    'Towns by the beginning of their name (q=), or the time zone of coordinates (at=latitude,longitude)',
});
