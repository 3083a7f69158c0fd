import { catalogue } from '../../catalogue.ts';

/** Words of the weather screens: TypeForecast. */
export const WORDS = catalogue({
  sunAndCloud: 'sun and cloud',
  day: 'Day',
  lowest: (unit: string) => `Lowest, °${unit}`,
  highest: (unit: string) => `Highest, °${unit}`,
  gusts: (unit: string) => `Gusts, ${unit}`,
  sky: 'Sky',
  today: 'Today',
  lowest2: 'Lowest',
  highest2: 'Highest',
  gusts2: 'Gusts',
  sky2: (dayHead: string) => `Sky, ${dayHead}`,
  goBy: (toldCount: string) => `Go by ${toldCount}`,
  it: 'it',
  clear: 'clear',
  dull: 'dull',
  day2: 'day',
  typed: (days: string) => `${days} typed; everything goes by it until a newer one comes.`,
});
