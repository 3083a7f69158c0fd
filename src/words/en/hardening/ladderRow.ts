import { catalogue } from '../../catalogue.ts';

/** Words of the hardening screens: LadderRow. */
export const WORDS = catalogue({
  in: 'in',
  hard: 'hard',
  back: 'back',
  hold: 'hold',
  go: 'go',
  onStepOf: (rung: number, rungsCount: number) => `on step ${rung} of ${rungsCount}`,
  begins: (startsOn: string) => `begins ${startsOn}`,
  heldUntil: (trialUntil: string) => `, held until ${trialUntil}`,
  finishDateUnknown: 'finish date unknown',
  hardened: (p50: string) => `hardened ${p50}`,
  hardenedToInEightSprings: (p50: string, p10: string, p90: string, today: string) =>
    `hardened ${p50}, ${p10} to ${p90} in eight springs of ten${today}`,
  up: 'up',
  day: 'day',
  leftAndRightHoldIt: (name: string, words: string) =>
    `${name}: ${words}; left and right hold it, Enter keeps, Escape drops`,
});
