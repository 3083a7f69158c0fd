import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: SiteStrip. */
export const WORDS = catalogue({
  lastOut: (hardiness: string) => `last out ${hardiness}`,
});
