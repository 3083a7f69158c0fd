import { catalogue } from '../../catalogue.ts';

/** Words of the page heat/sensors/[id]. */
export const WORDS = catalogue({
  outside: 'Outside',
  checkTheSensor: (role: string | number) => `Check the ${role} sensor`,
  toTheHeat: 'To the heat',
});
