import { catalogue } from '../../../catalogue.ts';

/** What core/plan/schedule/placeClimate.ts says. */
export const WORDS = catalogue({
  followsOutsideWriteDownThe: (place: string) => `${place} follows outside: write down the usual temperatures outside`,
  hasNoTemperatureGiveIt: (place: string) => `${place} has no temperature: give it at least one period`,
});
