import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { Job } from '../batch/work.ts';
import { leavingBatchJob, leavingHouseJob, leavingWeight, RISK_frac, type LeavingOf } from './leaving.ts';

const today = requireDay('2027-04-12');
const JOB: Job = {
  batchId: 1,
  kind: 'sow',
  dueOn: today,
  placeId: 1,
  toPlaceId: null,
  trays: 2,
  count: null,
  max_count: null,
  countWord: '',
  why: '',
  whyDay: null,
};
const noon = (day: number) => day + 0.5;
const step = (key: string, day: number) => ({ key, t: noon(day), day, dueOn: day, status: 'forecast' as const });
const of = (more: Partial<LeavingOf>, ready = today + 50, window_days = 8): LeavingOf =>
  ({
    job: JOB,
    plan: {
      transplantOn: ready + window_days,
      before_days: 3,
      after_days: 0,
      hardening_days: 7,
    },
    progress: {
      forecast: {
        kind: 'chain',
        ready_t: noon(ready),
        milestones: [step('sow', today), step('half-up', today + 10), step('harden', ready), step('plant', ready + 7)],
      },
    },
    expected_count: 100,
    leggy: false,
    decision: null,
    ...more,
  }) as unknown as LeavingOf;

describe('what leaving a job until tomorrow costs', () => {
  it('is a day for what carries the batch on, and plants by how tight its date is', () => {
    const wide = leavingBatchJob(of({}, today + 50, 40), today);
    const tight = leavingBatchJob(of({}, today + 50, 8), today);
    expect(wide).toMatchObject({ late_days: 1, mustNow: false });
    expect(wide.plants).toBeLessThan(0.1);
    expect(tight.plants).toBeGreaterThan(3);
    expect(tight.cause).toBe('in-time');
  });

  it('is seedlings that stretch, trays nobody looks into, pots left dry', () => {
    const at = (kind: Job['kind'], more: Partial<LeavingOf> = {}) =>
      leavingBatchJob(of({ job: { ...JOB, kind }, ...more }), today);
    expect(at('off-heat', { leggy: true })).toMatchObject({ plants: 100 * RISK_frac.stretch, cause: 'stretch' });
    expect(at('off-heat')).toMatchObject({ plants: 0, cause: 'none' });
    expect(at('water')).toMatchObject({ plants: 100 * RISK_frac.dry, mustNow: true });
    // Half is expected only in ten days.
    expect(at('look')).toMatchObject({ plants: 0 });
    expect(at('stood')).toMatchObject({ plants: 0, late_days: 0 });
  });

  it('of plants that must come in is the chance that the night is as cold as it is told', () => {
    const back = (figure: number, stress: 'cold' | 'wind' = 'cold', limit = 4) =>
      leavingBatchJob(
        of({
          job: { ...JOB, kind: 'rung' },
          decision: {
            say: 'back',
            rung: 1,
            climbs: false,
            served: 1,
            of: 3,
            done: false,
            limit: { stress, rung: 2, figure, limit },
          },
        }),
        today,
      );
    expect(back(4)).toMatchObject({ plants: 50, mustNow: true, cause: 'weather' });
    expect(back(1).plants).toBeGreaterThan(95);
    expect(back(14, 'wind', 8).plants).toBeGreaterThan(95);
  });

  it('of a job of the house is as the grower said', () => {
    const weigh = (can: 'yes' | 'better-not' | 'no') => leavingWeight(leavingHouseJob(can), 0);
    expect(weigh('yes')).toBeLessThan(weigh('better-not'));
    expect(weigh('better-not')).toBeLessThan(weigh('no'));
    expect(leavingHouseJob('no').mustNow).toBe(true);
  });
});
