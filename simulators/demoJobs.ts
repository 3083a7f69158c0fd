import { requireDay } from '../src/core/calendar/dayNumber.ts';
import type { HouseJob } from '../src/core/house/houseJob.ts';

type DemoJob = Omit<HouseJob, 'id' | 'placeId' | 'batchId' | 'cropId' | 'personId'> & {
  readonly place: number | null;
  readonly crop: string | null;
  readonly person: number | null;
};

const EVERY_YEAR = { lastOn: null, yearFrom: null, yearTo: null } as const;
const FOR_ALL = { place: null, crop: null, stage: null, person: null } as const;

/** What the demo nursery does beside its batches; places by number, people by their place in the list. */
export const DEMO_JOBS: readonly DemoJob[] = [
  {
    ...EVERY_YEAR,
    ...FOR_ALL,
    name: 'Fill the paraffin heater',
    minutes: 8,
    firstOn: requireDay('2027-04-12'),
    every_days: 2,
    yearFrom: '10-15',
    yearTo: '05-10',
    half: 'evening',
    canWait: 'no',
    place: 5,
  },
  {
    ...EVERY_YEAR,
    ...FOR_ALL,
    name: 'Change sticky traps',
    minutes: 12,
    firstOn: requireDay('2027-04-12'),
    every_days: 14,
    half: null,
    canWait: 'yes',
    place: 3,
  },
  {
    ...EVERY_YEAR,
    ...FOR_ALL,
    name: 'Wash trays',
    minutes: 25,
    firstOn: requireDay('2027-04-12'),
    every_days: 7,
    half: null,
    canWait: 'yes',
    person: 3,
  },
  {
    ...EVERY_YEAR,
    ...FOR_ALL,
    name: 'Stake',
    minutes: 15,
    firstOn: requireDay('2027-04-12'),
    every_days: 21,
    half: null,
    canWait: 'better-not',
    crop: 'tomato',
    stage: 'potted',
  },
  {
    ...EVERY_YEAR,
    ...FOR_ALL,
    name: 'Test the residual-current devices',
    minutes: 5,
    firstOn: requireDay('2027-04-12'),
    every_days: 91,
    half: 'morning',
    canWait: 'better-not',
    person: 1,
  },
];
