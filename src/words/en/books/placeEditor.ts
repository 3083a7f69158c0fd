import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: PlaceEditor. */
export const WORDS = catalogue({
  name: 'Name',
  kind: 'Kind',
  hasLight: 'Has light',
  roomStandardTrays: 'Room, standard trays',
  placeInTheRound: 'Place in the round',
  door: 'Door',
  aTunnelOrHouseOne: 'A tunnel or house one goes in by; places behind one door are walked together',
  level: 'Level',
  theGroundIs0: '0 is the ground, 1 the storey or the row of shelves above',
  words1IsWalkedFirst: '1 is walked first',
  aWetTrayIsCooler: 'A wet tray is cooler than the air by',
  saveThePlace: 'Save the place',
  addThePlace: 'Add the place',
  temperatureThroughTheYear: 'Temperature through the year',
  writeTheMonthAndDay:
    'Write the month and day it begins (03-01 is 1 March); it lasts until the next begins. What the plants feel, not the dial; in a frame or on standing ground the highest and the lowest of the day.',
  from: 'From',
  day: (unit: string) => `Day, °${unit}`,
  night: (unit: string) => `Night, °${unit}`,
  takeOut: 'Take out',
  period: (i: number, part: string) => `Period ${i}, ${part}`,
  takeOutPeriod: (i: number) => `Take out period ${i}`,
  addAPeriod: 'Add a period',
  houseOrBay: 'house or bay',
  openTraysAFewDegrees: 'open trays a few degrees, bagged or covered next to none; empty: the usual',
  wateredBy: 'Watered by',
  waterBy: {
    hand: 'hand: can, rose or mist',
    mat: 'a capillary mat under the trays',
    flood: 'flooding the bench',
    line: 'drip lines',
  },
  standingGround: 'standing ground',
});
