import { catalogue } from '../../catalogue.ts';

const one = (figure: number, digits = 1): string => String(Math.round(figure * 10 ** digits) / 10 ** digits);

/** What server/house/roundJobs.ts says. */
export const WORDS = catalogue({
  pottingUsual: (perMinute: number) => `${one(perMinute)} plants a minute, the usual figure; nothing timed here yet`,
  pottingTimed: (perMinute: number, timed: number) =>
    `${one(perMinute)} plants a minute by ${timed} ${timed === 1 ? 'potting' : 'pottings'} timed here`,
  withSetUp: (pace: string, setUp_min: number) => `${pace}, and ${setUp_min} min to set out`,
  usualFigures: 'the usual figures; nothing timed here yet',
  timedHere: (timed: number, factor: number) =>
    `${timed} ${timed === 1 ? 'job' : 'jobs'} timed here: ${one(factor, 2)} times the usual figures`,
  asSaid: 'as written down for this job; not timed yet',
  medianOf: (timed: number) => `${timed} times timed here, the middle one`,
  costsNothing: 'tomorrow will do as well',
  costsLittle: 'little is lost by tomorrow',
  aDay: 'a day later',
  plantsAtRisk: (plants: number) => `${plants} ${plants === 1 ? 'plant' : 'plants'} at risk`,
  tomorrowCosts: (what: string) => `left until tomorrow: ${what}`,
  causes: {
    'in-time': 'less likely to be ready in time',
    stretch: 'seedlings on the heat stretch',
    dry: 'potted and dry',
    weather: 'what they stand in today is more than they bear',
    'pot-bound': 'past their last good day, they are pot-bound',
    unseen: 'half may be up, and stay warm and dark',
    unwatered: 'trays go dry',
    check: 'a fault in the heat would go unseen until tomorrow',
    said: 'as written down for this job',
    late: '',
    none: '',
  },
  done: 'Done',
  jobOfTheHouse: (every_days: number | null) =>
    every_days === null
      ? 'job of the house, once'
      : every_days === 1
        ? 'job of the house, every day'
        : `job of the house, every ${every_days} days`,
  lookAtTheHeat: (half: 'morning' | 'evening') =>
    half === 'morning' ? 'Morning look at the heat' : 'Evening look at the heat',
  allRight: 'All right',
  readsRight: 'reads right? sensor in its cell? leads and plugs dry?',
  doneTo: (what: string, name: string, count: number | null) => `${what}: ${name}${count === null ? '' : `, ${count}`}`,
});
