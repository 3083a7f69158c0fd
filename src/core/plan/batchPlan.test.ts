import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { readPlan, USUAL_PLAN, usualWhereUnsaid, writtenPlan, type BatchPlan } from './batchPlan.ts';

const places = { germinate: 1, grow: 2, pot: 3, harden: 4, space: null };
const least: BatchPlan = {
  plantsWanted: 100,
  spare_frac: 0.15,
  transplantOn: requireDay('2028-02-29'),
  hardening_days: 8,
  places,
  sowContainerId: 2,
  potContainerId: null,
};
const whole: BatchPlan = {
  ...least,
  potContainerId: 6,
  steps: { sow: requireDay('2027-12-31'), pot: requireDay('2028-01-20') },
  before_days: 0,
  after_days: 0,
  weight: 2,
  age_frac: 0.7,
  sure_frac: 0.8,
  joins: { stage: 'pot', on: requireDay('2028-01-02'), age_weeks: 5, leaves_count: null },
  offHeat: { kind: 'half-up' },
  programmeId: 3,
  coverId: 4,
  gates: { soil: 'off' },
};

describe('a plan, written and read', () => {
  it('comes back as it was, every part of it, plugs that join at either stage', () => {
    const { places: its, ...written } = writtenPlan(whole);
    expect(written).toMatchObject({
      transplantOn: '2028-02-29',
      steps: { sow: '2027-12-31', pot: '2028-01-20' },
      joins: { stage: 'pot', on: '2028-01-02', age_weeks: 5 },
    });
    expect(readPlan(written, its)).toEqual(whole);
    const grow = { ...whole, joins: { ...whole.joins!, stage: 'grow' as const, age_weeks: null, leaves_count: 3 } };
    expect(readPlan(writtenPlan(grow), places)).toEqual(grow);
  });
  it('what is not said is as usual, and none is not taken for unsaid', () => {
    expect(writtenPlan(least)).toEqual({ ...least, transplantOn: '2028-02-29', ...USUAL_PLAN });
    expect(readPlan(writtenPlan(least), places)).toEqual({ ...least, ...USUAL_PLAN });
    expect(usualWhereUnsaid({ before_days: 0, after_days: undefined })).toMatchObject({
      before_days: 0,
      after_days: 7,
    });
  });
  it('leaves what is not of the plan: what the house has learned, a note beside it', () => {
    expect(writtenPlan({ ...least, emergence_factor: 1.2, growth_factor: 1.1 })).not.toHaveProperty('growth_factor');
    const beside = { ...writtenPlan(least), note: 'by the door' };
    expect(readPlan(beside, places)).not.toHaveProperty('note');
  });
  it('reads a row that gives its columns by getters, and refuses a day that is none', () => {
    const columns = writtenPlan(whole);
    const row = Object.create(
      null,
      Object.fromEntries(Object.entries(columns).map(([key, value]) => [key, { get: () => value, enumerable: false }])),
    ) as typeof columns;
    expect(readPlan(row, places)).toEqual(whole);
    expect(() => readPlan({ ...columns, transplantOn: '2027-02-29' }, places)).toThrow(RangeError);
  });
});
