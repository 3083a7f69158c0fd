import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: words. */
export const WORDS = catalogue({
  sow: 'Sow',
  growOn: 'Grow on',
  pot: 'Pot',
  space: 'Space',
  harden: 'Harden',
  in: (placeId: string) => `in ${placeId}`,
  anotherPlace: 'another place',
  at: (setPoint_C: string) => `at ${setPoint_C}`,
  forFrom: (placeId: string, to: string, weeks: string, week: string) => `${placeId} ${to} for ${weeks} from ${week}`,
  findMoreInForThen: (counted: string, placeId: string, counted2: string, name: string) =>
    `Find ${counted} more in ${placeId} for ${counted2}, then ${name} fits`,
  traySpace: 'tray space',
  anotherWay: 'Another way',
  letGoOut: (name: string, plant: string) => `Let ${name} go out ${plant}`,
  asItIs: (name: string) => `${name}: as it is`,
  day: 'day',
  week: 'week',
  raiseOfSplitTheRest: (round: number, name: string) => `Raise ${round}% of ${name}; split the rest off`,
});
