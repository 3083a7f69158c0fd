import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: Conflicts. */
export const WORDS = catalogue({
  noClashes: 'No clashes',
  everythingHasRoomAndGoes: 'Everything has room and goes out within its days.',
  clashes: 'Clashes',
  lookingForWaysOut: 'looking for ways out',
  noWayOutFoundPlan: 'No way out found. Plan the season, or change a date.',
  clearsTrayDays: (cleared_slotDays: number) => `clears ${cleared_slotDays} tray-days`,
  fewer: 'Fewer',
  theFirst: (troublesCount: number) => `The first ${troublesCount}`,
  all: (troublesCount: number) => `All ${troublesCount}`,
  isOverBy: (place: Part, counted: Part) => rich`${place} is over by ${counted}`,
  traySpace: 'tray space',
  to: (from: string, shortDay: string) => `${from} to ${shortDay}`,
  cannotBe: 'cannot be',
  dLate: (late: undefined | number | null) => `${late} d late`,
  clash: 'clash',
  clashes2: 'clashes',
});
