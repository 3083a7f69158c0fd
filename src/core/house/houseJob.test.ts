import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isoFromDay, requireDay } from '../calendar/dayNumber.ts';
import { inItsYear, openTime, timesBetween, type HouseJob } from './houseJob.ts';

const day = requireDay;
const JOB: HouseJob = {
  id: 1,
  name: 'Fill the heater',
  minutes: 8,
  firstOn: day('2027-01-04'),
  every_days: 7,
  lastOn: null,
  yearFrom: null,
  yearTo: null,
  half: null,
  canWait: 'no',
  placeId: null,
  batchId: null,
  cropId: null,
  stage: null,
  personId: null,
};
const onDays = (job: HouseJob, from: string, to: string) =>
  timesBetween(job, job.firstOn, day(from), day(to)).map(({ on }) => isoFromDay(on));

describe('times of a job of the house', () => {
  it('come again and again from the first day on, over a leap day, until the last', () => {
    expect(onDays(JOB, '2027-01-01', '2027-01-20')).toEqual(['2027-01-04', '2027-01-11', '2027-01-18']);
    expect(onDays({ ...JOB, firstOn: day('2028-02-22') }, '2028-02-25', '2028-03-08')).toEqual([
      '2028-02-29',
      '2028-03-07',
    ]);
    expect(onDays({ ...JOB, lastOn: day('2027-01-11') }, '2027-01-01', '2027-02-01')).toEqual([
      '2027-01-04',
      '2027-01-11',
    ]);
  });

  it('come in their part of the year alone, which may cross the new year', () => {
    const winter = { ...JOB, yearFrom: '10-15', yearTo: '05-10' };
    expect(inItsYear(winter, day('2027-12-31'))).toBe(true);
    expect(inItsYear(winter, day('2027-05-10'))).toBe(true);
    expect(inItsYear(winter, day('2027-05-11'))).toBe(false);
    expect(onDays(winter, '2027-05-01', '2027-06-01')).toEqual(['2027-05-03', '2027-05-10']);
  });

  it('of a job that is done once: one, asked for until it is done', () => {
    const once = { ...JOB, every_days: null };
    const open = (today: string, done = false) => openTime(once, once.firstOn, day(today), () => done);
    expect(open('2027-01-03')).toBeNull();
    expect(open('2027-06-03')).toEqual({ on: once.firstOn, until: null });
    expect(open('2027-06-03', true)).toBeNull();
  });

  it('are asked for one at a time: the last one that is due', () => {
    const done = new Set<number>();
    const open = (today: string) => openTime(JOB, JOB.firstOn, day(today), (on) => done.has(on))?.on ?? null;
    expect(open('2027-01-20')).toBe(day('2027-01-18'));
    done.add(day('2027-01-18'));
    expect(open('2027-01-24')).toBeNull();
    expect(open('2027-01-25')).toBe(day('2027-01-25'));
  });

  it('are those of trying each day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 90 }),
        (every_days, from, span) => {
          const job = { ...JOB, every_days, yearFrom: '11-20', yearTo: '02-10' };
          const tried = [];
          for (let on = job.firstOn + from; on <= job.firstOn + from + span; on++)
            if ((on - job.firstOn) % every_days === 0 && inItsYear(job, on)) tried.push(on);
          expect(
            timesBetween(job, job.firstOn, job.firstOn + from, job.firstOn + from + span).map(({ on }) => on),
          ).toEqual(tried);
        },
      ),
      { seed: 29, numRuns: 200 },
    );
  });
});
