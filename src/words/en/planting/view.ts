import { catalogue } from '../../catalogue.ts';

/** What server/planting/view.ts says. */
export const WORDS = catalogue({
  today: 'today',
  everyGatePasses: 'every gate passes',
  noCover: 'no cover',
  inTheOpen: 'in the open',
  planItForReadyAnd: (later: string, inTime_frac: string) =>
    `plan it for ${later}: ready and fit by then or within its days after in ${inTime_frac} of springs`,
  putOverItInTime: (toLowerCase: string, inTime_frac: string) =>
    `put ${toLowerCase} over it: in time in ${inTime_frac} of springs`,
  notLikelyThisSpring: 'not likely this spring',
  likelyOut: (p50: string) => `likely out ${p50}`,
  neverRareEnoughInThis: 'never rare enough in this season at your risk: it wants more cover',
  frostIsRareEnoughSince: (on: string) => `frost is rare enough since ${on}`,
  frostIsRareEnoughFrom: (on: string) => `frost is rare enough from ${on}`,
  soilIsNotKnownTake: (depth: string) => `soil is not known: take a reading at ${depth}`,
  soilAtWantsForDays: (figure: string, depth: string, wants: string, soil_days: number) =>
    `soil ${figure} at ${depth}, wants ${wants} for ${soil_days} days`,
  noNightIsKnownRead: 'no night is known: read the max-min thermometer',
  ofNightsRunningAtOr: (figure: number, wants: number | null, t: string) =>
    `${figure} of ${wants} nights running at ${t} or more`,
  noForecastTypeOneOr: 'no forecast: type one or wait for it',
  oddsOfOrLessBears: (figure: string, t: string, figure2: string, wants: string) =>
    `${figure} odds of ${t} or less${figure2}, bears ${wants}`,
  inTheNightAfter: (on: string) => ` in the night after ${on}`,
  noWindIsForetoldLook: 'no wind is foretold: look at another forecast',
  gustsToOnBears: (figure: string, on: string, wants: string) => `gusts to ${figure} on ${on}, bears ${wants}`,
  itsLadderIsDone: 'its ladder is done',
  onStepOf: (figure: number | null, wants: number | null) => `on step ${figure} of ${wants}`,
  goesOutWithoutCover: 'goes out without cover',
  ofCoverWantedFree: (wants: string, figure: string) => `${wants} of cover wanted, ${figure} free`,
  noHeatIsForetoldLook: 'no heat is foretold: look at another forecast',
  atTheHottestOfDays: (t: string, knownCount: number, air_C: string) =>
    `${t} at the hottest of ${knownCount} days, bears ${air_C}`,
  orFrom: (cooler: string) => `, or from ${cooler}`,
  bears: (figure: string, on: string, wants: string) => `${figure} ${on}, bears ${wants}`,
  soilBears: (figure: string, wants: string) => `soil ${figure}, bears ${wants}`,
  dryWindGustsTo: (on: string, figure: string) => `dry wind ${on}, gusts to ${figure}`,
  plantTowardsEveningWaterIn: (what: string, wait: string) =>
    `${what}: plant towards evening, water in, shade over it for some days${wait}`,
  theHighestOddsOverThe:
    'The highest odds, over the coming nights, of the temperature that hurts the crop: the forecast low, its usual bias taken off, with the error forecasts of that lead have had here.',
  theStrongestGustForetoldFor: 'The strongest gust foretold for the coming days: plants freshly set have no hold.',
  theHottestHourOfThe:
    'The hottest hour of the coming three days, the soil, and a warm dry wind: plants without roots in the ground cannot drink. Evening and shade are the way out.',
  theLadderOfItsProgramme: 'The ladder of its programme, by what was logged.',
  groundOfThePlantsAt: 'Ground of the plants at their distances against the cover not lying elsewhere.',
  coverSafelyWorth: 'cover safely worth',
  hurtAt: 'hurt at',
  riskTaken: 'risk taken',
  daysInARow: 'days in a row',
  coverWorth: 'cover worth',
  nightsInARow: 'nights in a row',
  daysLookedAt: 'days looked at',
  usualErrorOnTheDay: 'usual error on the day',
  onTheTenth: 'on the tenth',
  lowestOfPastNightsBy:
    'Lowest of past nights by your thermometer, the station, or the forecast of the day; with a cover its safe worth is added.',
  theFirstDayFromWhich:
    'The first day from which the night that hurts this crop, less what its cover is worth, comes in no more than the share of years you take; and soil and usual nights are warm enough.',
  soilAt10CmRuns:
    'Soil at 10 cm runs after the mean air, a good fifth of the way each day, put right by your thermometer; it must stay at the crop’s least for the days in a row.',
  theForecastInUseLimits: (commonPractice: string) => `the forecast in use; limits ${commonPractice}`,
  yourOwnLog: 'your own log',
  theSiteSOwnYears: (commonPractice: string) => `the site’s own years and readings; limits ${commonPractice}`,
  least: 'least',
});
