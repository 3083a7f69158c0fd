import { catalogue } from '../../catalogue.ts';

/** What pages/house/jobs.astro says. */
export const WORDS = catalogue({
  jobsOfTheHouse: 'Jobs of the house',
  theyStandInTheRound:
    'What is not done to one batch: the heater filled, traps changed, trays washed, tomatoes staked. They stand in the round, in the week’s hours and in the calendar like any other work.',
  job: 'Job',
  usual: [
    'Fill the heater',
    'Change sticky traps',
    'Wash trays',
    'Stake',
    'Clean the gutters',
    'Test the residual-current device',
  ],
  minutes: 'Minutes it takes',
  firstDay: 'First day',
  everyDays: 'Days from one time to the next',
  emptyIsOnce: 'Leave empty for a job that is done once',
  half: 'Half of the day',
  either: 'either',
  canWait: 'Can it wait until tomorrow?',
  weighs: 'By this it is weighed when there is not time for everything',
  atPlace: 'At a place',
  orCrop: 'Or for a crop',
  atStage: 'at this stage',
  orBatch: 'Or for one batch',
  noneInParticular: 'none in particular',
  noStage: 'no stage',
  who: 'Who usually does it',
  anybody: 'anybody',
  whatFor: 'What it is for',
  when: 'Only at times',
  yearFrom: 'From this day of each year',
  yearTo: 'To this day',
  monthDay: 'Month and day such as 10-15; it may cross the new year',
  lastDay: 'Last day of all',
  emptyIsNoEnd: 'Leave empty for no end',
  theHouse: 'the house',
  cropAt: (crop: string, stage: string) => `${crop}, ${stage}`,
  next: 'Next',
  noneComes: 'none within a year',
  howOften: 'How often',
  takes: 'Takes',
  often: (every: number | null) =>
    every === null
      ? 'once'
      : every === 1
        ? 'every day'
        : every % 7 === 0
          ? every === 7
            ? 'every week'
            : `every ${every / 7} weeks`
          : `every ${every} days`,
  change: (name: string) => `Change ${name}`,
  addAJob: 'Add a job',
  save: 'Save',
  add: 'Add',
  caution:
    'Fuel and flame: fill a heater cold and outside where its maker says so, with a way for its fumes; keep a carbon monoxide alarm where it burns. Lift with two where it is heavy. Labels, makers’ instructions and local codes go before anything written here.',
});
