import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: TightSpots. */
export const WORDS = catalogue({
  roomInOtherSprings: 'Room in other springs',
  roomIfTheSpringIs: 'Room, if the spring is slow or quick',
  tryingThePlanInSome: 'trying the plan in some hundred springs',
  thatCouldNotBeWorked: 'That could not be worked out. The plan itself is not touched.',
  everythingKeepsItsRoomIn: (runs: number) => `Everything keeps its room in ${runs} springs.`,
  tryItIn500Springs: 'Try it in 500 springs',
  shortIn: (placeId: string, odds_frac: string) => `${placeId}: short in ${odds_frac}`,
  toThenByAbout: (from: string, shortDay: string, counted: string) =>
    `${from} to ${shortDay}, then by about ${counted}; `,
  traySpace: 'tray space',
  standThere: (batchIdsCount: Part) => rich`${batchIdsCount}stand there`,
  andMore: (batchIdsCount: number) => `and ${batchIdsCount} more `,
  noOneChangeEasesIt: 'No one change eases it: find room elsewhere for those weeks.',
  allThatMayBeShort: (weeksCount: string) => `All ${weeksCount} that may be short`,
  place: 'Place',
  weekOf: 'Week of',
  of100Springs: 'Of 100 springs',
  traySpacesOver: 'Tray spaces over',
  springsDrawnDaysToCome: (runs: number) =>
    `${runs} springs drawn: days to come up spread by a fifth, growth by 17%, and the weather as the odds of planting out have it. Nothing gives way in them; in the house you will move things.`,
  thenShortIn: (after_frac: string, price: string) => `then short in ${after_frac} · ${price}`,
  toBeTakenOnceThe: 'to be taken once the plan is',
  noneOf100Springs: 'none of 100 springs',
  of100Springs2: (round: number) => `${round} of 100 springs`,
  week: 'week',
});
