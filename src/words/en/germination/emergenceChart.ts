import { catalogue } from '../../catalogue.ts';

/** Words of the germination screens: EmergenceChart. */
export const WORDS = catalogue({
  wanted: (needed: number) => `wanted ${needed}`,
  other: (i: number) => `other${i}`,
  today: 'today',
});
