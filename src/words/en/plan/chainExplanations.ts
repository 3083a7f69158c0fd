import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/chainExplanations.ts says. */
export const WORDS = catalogue({
  logged: 'Logged.',
  plannedForThisDayOr: (rule: string) => `${rule} Planned for this day or as soon after as it is ready.`,
  plannedDay: 'planned day',
  thatDayHasPassedWithout: (rule: string) => `${rule} That day has passed without a log, so today is taken.`,
  countedBackFromTheTransplant:
    'Counted back from the transplant date: hardening, growing, then the days to emerge at the temperature of the place.',
  transplantDate: 'transplant date',
  boughtInAsPlugsThey: 'Bought in as plugs: they come on this day and are not sown here.',
  orderedFor: 'ordered for',
  theFirst5ShowAt: (toFixed: string) =>
    `The first 5% show at ${toFixed} of the way to half up. Look every day from here.`,
  halfAreUpWhenThe: 'Half are up when the daily germination rate at the temperature of the place adds up to 1.',
  ruleOfThisBatch: 'Rule of this batch',
  ruleForCrops: (group: string) => `Rule for ${group} crops`,
  houseRule: 'House rule',
  offTheHeat: (whose: string, rule: string) => `${whose}: off the heat ${rule}`,
  readyForThePotAt: (round: number, name: string) =>
    `Ready for the pot at ${round}% of its growth, counted in degree-days above ${name}'s base, by the hour where a place follows the weather, and by its light.`,
  leavesTouchAboutHalfWay:
    'Leaves touch about half way through its time in the pot: lift out every other plant, twice the room.',
  grownEnoughToMeetThe:
    'Grown enough to meet the weather, and not sooner than its hardening days before the transplant date.',
  days: (hardening_days: number) => `${hardening_days} days`,
  hardeningDaysThenOutThe: (hardening_days: number) =>
    `${hardening_days} hardening days, then out. The weather and the soil have the last word.`,
  askedFor: 'asked for',
  byDay: (name: string) => `${name} by day`,
  byNight: (name: string) => `${name} by night`,
  ofMolMADay: (toFixed: string, dliGood: number) => `${toFixed} of ${dliGood} mol/m² a day`,
  growthByLight: 'growth by light',
  ofWhatWarmthAloneGives: (round: number) => `${round}% of what warmth alone gives`,
  aWetTrayCoolerThan: 'a wet tray, cooler than the air by',
  atThat: 'at that',
  days2: (toFixed: string) => `${toFixed} days`,
  ownVarietyAndLotBy: 'own variety and lot, by your counts',
  xTheTime: (toFixed: string) => `${toFixed} x the time`,
  learnedFromYourBatches: 'learned from your batches',
  growthThanTheBook: (percent: number, factor: string) => `${percent}% ${factor} growth than the book`,
  aDayAdds: 'a day adds',
  fromHalfUp: 'from half up',
  cardinalTemperatures: (source: string) => `cardinal temperatures: ${source}`,
  place: 'place',
  more: 'more',
  less: 'less',
  logNormalSpreadInThermal: (spreadSigma: number, commonPractice: string) =>
    `log-normal spread in thermal time, sigma ${spreadSigma} (${commonPractice})`,
  hardening: 'hardening',
  light: 'light',
  base: 'base',
});
