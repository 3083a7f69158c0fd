import { catalogue } from '../../catalogue.ts';

/** What the round on paper says. */
export const WORDS = catalogue({
  roundOnPaper: 'Round on paper',
  what: 'For a day without any phone: two places a page, with boxes, codes and room for numbers and times. What was done is typed in below.',
  nothingDue: 'Nothing is due today.',
  halves: { morning: 'Morning', evening: 'Evening' },
  done: 'Done',
  code: 'Code',
  job: 'Job',
  number: 'Number',
  time: 'Time',
  line: (trays: number, minutes: string, why: string) =>
    `${trays > 0 ? `${trays} ${trays === 1 ? 'tray' : 'trays'}, ` : ''}${minutes}. ${why}`,
  waterTo: (name: string) => `Water, ${name}`,
  waterLine: (trays: number, how: string, litres: string) =>
    `${trays === 1 ? '1 tray' : `${trays} trays`}, ${how}, ${litres}`,
  lookFirst: 'look first',
  again: (clock: string) => `again by ${clock}`,
  withFeed: 'with feed',
  print: 'Print',
  typeIn: 'Type in what was done',
  timeOf: (job: string) => `Time of ${job}`,
  numberOf: (job: string) => `Number of ${job}`,
  isDone: (job: string) => `${job} was done`,
  timeLike: 'a time such as 7:40, not after now',
  dayOfThePaper: 'Day of the paper',
  saveAll: (n: number) => `Save ${n} ${n === 1 ? 'job' : 'jobs'}`,
  saved: (n: number) => `${n} ${n === 1 ? 'job' : 'jobs'} saved.`,
  notTaken: (n: number) => `${n} not taken; they are marked below.`,
  lookAgain: 'Look at the times and numbers marked below.',
  numberLike: 'a whole number',
  kept: 'kept on this device',
});
