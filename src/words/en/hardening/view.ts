import { catalogue } from '../../catalogue.ts';

/** What server/hardening/view.ts says. */
export const WORDS = catalogue({
  nightForetold: 'night foretold',
  toldTooWarmByUsually: 'told too warm by, usually, taken off',
  toldTooColdByUsually: 'told too cold by, usually, added',
  stepWantsAtLeast: (k: number) => `step ${k} wants at least`,
  theyWouldMeet: 'they would meet',
  itsUsualError: 'its usual error',
  placeAndCover: 'place and cover',
  of: (gust_m_s: string, gust_m_s2: string) => `${gust_m_s} of ${gust_m_s2}`,
  hOld: (source: string, age_h: number) => `${source}, ${age_h} h old`,
  out: (rung: string, words: string) => `out ${rung}: ${words}`,
  backIn: 'back in',
  on: (part: string, rung: string) => `${part} on, ${rung}`,
  theForecastLowLessOf: (caution: number) =>
    `The forecast low, less ${caution} of its usual error, plus what place and cover are worth, must be at or above the step’s floor, and gusts at or below its ceiling; a day raises one stress at the most; a day held does not count.`,
  stepsAndLimitsErrorsBy: (part: string, pairs: number) =>
    `steps and limits ${part}; errors by this site’s own score over ${pairs} nights`,
  gusts: 'gusts',
  forecast: 'forecast',
  none: 'none',
});
