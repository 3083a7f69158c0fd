import { catalogue } from '../../catalogue.ts';

/** Words of the germination screens: SowTogether. */
export const WORDS = catalogue({
  or: ' or ',
  sowTogether: 'Sow together',
  weekOf: 'Week of',
  howManyChambers: 'How many chambers',
  waitOrGoElsewhere: 'Wait, or go elsewhere',
  wantsTo: (low_C: string, high_C: string) => `: wants ${low_C} to ${high_C}`,
  sharingCostsAgainstEveryLot: (lost: string) => `Sharing costs ${lost} against every lot at its own best.`,
  oneMoreChamberWouldSave: (words: string, round: number) => `${words} One more chamber would save ${round}.`,
  nearest: (name: string, now_C: string) => `nearest: ${name}, ${now_C}`,
  best: (best_C: string) => ` best ${best_C}`,
  dSlower: (round: number) => `${round} d slower`,
  atItsBest: 'at its best',
  atEachDegree: (name: string) => `${name} at each degree`,
  openTheBatch: 'Open the batch',
  daysToHalfUpAnd: (name: string) => `${name}: days to half up and percent of the best, at each degree`,
  days: 'days',
  coolCropsGetGentleHeat: 'Cool crops get gentle heat only (a rule of the nursery).',
  chamber: 'chamber',
  tray: 'tray',
  trayDay: 'tray-day',
  coolCropsGetNone: 'Cool crops get no heat here (a rule of the nursery).',
  coolCropsAsWarm: 'Cool crops are heated like warm ones (a rule of the nursery).',
  wantsOrMoreWhichThe: (unit: string) =>
    `: wants ${unit} or more, which the rule for cool crops does not give; sow it unheated`,
});
