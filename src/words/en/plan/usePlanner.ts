import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: usePlanner. */
export const WORDS = catalogue({
  layingOut: 'laying out',
  thePlanCouldNotBe: (message: string) => `The plan could not be worked out: ${message}. Nothing was changed.`,
});
