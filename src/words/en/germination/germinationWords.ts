import { catalogue } from '../../catalogue.ts';

/** Words of the germination screens: words. */
export const WORDS = catalogue({
  tooSoonToSay: 'Too soon to say',
  countAgain: 'Count again',
  onTime: 'On time',
  early: 'Early',
  late: 'Late',
  tooFewWillCome: 'Too few will come',
  mostLikelyDead: 'Most likely dead',
  enoughAreUp: 'Enough are up',
  ofCameUpByWhat: (cameUp_count: number, sown_count: number, by: string) =>
    `${cameUp_count} of ${sown_count} came up, by what was ${by} and lost since.`,
  plantedOut: 'planted out',
  in100: (round: number) => `${round} in 100`,
  to: (low: number, high: number) => `${low} to ${high}`,
  onDaysAgoCountAgain: (countedOn: string, since: number, band: string) =>
    ` on ${countedOn}, ${since} days ago: count again. Today ${band} should be up.`,
  ofInTheEndNine: (mean: number, sown: number, low: number, high: number) =>
    `${mean} of ${sown} in the end (nine in ten times ${low} to ${high})`,
  littleWasToBeExpected: (halfOn: string) => `Little was to be expected yet. Half are expected ${halfOn}.`,
  areUpAndAreWanted: (up: number | null, needed: number) => `${up} are up and ${needed} are wanted.`,
  nothingIsUpWhereShould: (band: string, dead_frac: string) =>
    `Nothing is up where ${band} should be by now. The odds that nothing comes are ${dead_frac}.`,
  upOfAndNearlyAll: (up: number | null, sown: number, when: string, end: string) =>
    `${up} up of ${sown}, and nearly all that will come have${when} Expect ${end}.`,
  upAndByWhatWas: (up: number | null, odds: string, when: string, end: string) =>
    `${up} up, and by what was thought it would be fewer only ${odds} times${when} Expect ${end}.`,
  upExpect: (up: number | null, when: string, end: string) => `${up} up${when} Expect ${end}.`,
  notWithinFourMonths: 'not within four months',
  by: (day: string) => `by ${day}`,
  about: (day: string) => `about ${day}`,
  nothingCountedYetOfShould: (band: string, sown: number, halfOn: string) =>
    `Nothing counted yet; ${band} of ${sown} should be up today. Half are expected ${halfOn}.`,
  wereUpOnDaysAgo: (up: number | null, countedOn: string, since: number, mean: number, sown: number) =>
    `${up} were up on ${countedOn}, ${since} days ago; ${mean} of ${sown} are thought to come in the end, if all is well. Nobody has looked since.`,
  today: 'today',
});
