import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: PlacedForYou. */
export const WORDS = catalogue({
  toGerminate: 'to germinate',
  toGrowOn: 'to grow on',
  inThePot: 'in the pot',
  spacedOut: 'spaced out',
  toHardenOff: 'to harden off',
  lookingForPlacesBesideWhat: 'Looking for places beside what stands there.',
  chooseThePlacesMyself: 'Choose the places myself',
  placedForYou: 'Placed for you',
  outTakeThatDay: (out: string) => `Out ${out}: take that day`,
  itCannotBeReadyBy: (shortDay: string) => `It cannot be ready by ${shortDay}. `,
  thereIsNoRoomFor: 'There is no room for all of it.',
  isShortTo: (house: string, counted: string, from: string, shortDay: string) =>
    `${house} is ${counted} short, ${from} to ${shortDay}`,
  traySpace: 'tray space',
  notEvenATenthOf: 'Not even a tenth of it would fit: fewer plants, another date, or more room.',
  aboutOfItWouldFit: (round: number) => `About ${round}% of it would fit. You may make it all the same.`,
  noWayToThisDate: 'No way to this date was found.',
  tooLittleTimeIsLeft: 'Too little time is left for it, or too much: try another date.',
  noPlaceIsOfA: (part: string) => `No place is of a kind that will do ${part}.`,
  nightsOfOrMore: (low_C: string) => `nights of ${low_C} or more`,
  daysOfOrLess: (high_C: string) => `days of ${high_C} or less`,
  sow: (sow: string) => `sow ${sow}`,
  out: (out: string, inDays: string) => `out ${out}, ${inDays}`,
  withinItsDays: 'within its days',
  toEveryPlaceIsToo: (
    toUpperCase: string,
    slice: string,
    from: string,
    to: string,
    why: string,
    house: string,
    temperature_C: string,
    nightsOfOrMore: string,
  ) =>
    `${toUpperCase}${slice}, ${from} to ${to}: every place is too ${why}. ${house} comes nearest with ${temperature_C}; it wants ${nightsOfOrMore}.`,
  placesNotLookedFor: 'Places could not be looked for; those that fit best by their temperature are taken.',
});
