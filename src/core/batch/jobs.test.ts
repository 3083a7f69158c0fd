import { describe, expect, it } from 'vitest';
import type { Container } from '../books/container.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Chain, Milestone, MilestoneKey } from '../plan/schedule/chain.ts';
import type { LadderOfBatch } from './work.ts';
import type { Progress } from './progress.ts';
import { UNSOWN, type BatchState } from './reduce.ts';
import { roundOf, workOf, type Job, type WorkInput } from './work.ts';

// One batch with its days written down by hand: which work is asked of it, when, where and with what number.
const DAYS = { sow: 10, 'first-up': 14, 'half-up': 16, 'off-heat': 17, pot: 40, space: 55, harden: 60, plant: 70 };
const tray: Container = {
  id: 1,
  name: 'tray of 50',
  kind: 'cell-tray',
  cells: 50,
  perCarryingTray: 1,
  footprint_slots: 1,
  volume_L: 2,
  shape: null,
};
const pot: Container = { ...tray, id: 2, name: '9 cm pot', kind: 'pot', cells: 1, perCarryingTray: 10 };
const BASE: BatchPlan = {
  plantsWanted: 100,
  spare_frac: 0.1,
  transplantOn: 70,
  hardening_days: 8,
  places: { germinate: 1, grow: 2, pot: 3, harden: 4 },
  sowContainerId: 1,
  potContainerId: 2,
};
const chainOf = (days: Partial<Record<MilestoneKey, number>>): Chain =>
  ({
    kind: 'chain',
    milestones: Object.entries(days).map(([key, day]) => ({ key, day, dueOn: day }) as unknown as Milestone),
  }) as unknown as Chain;
interface More extends Partial<Omit<WorkInput, 'plan' | 'progress'>> {
  readonly plan?: object;
  readonly days?: Partial<Record<MilestoneKey, number>>;
  readonly progress?: object;
}
function input(state: Partial<BatchState>, more: More = {}): WorkInput {
  const { plan, days, progress, ...rest } = more;
  const its = { ...BASE, ...plan };
  return {
    batchId: 7,
    plan: its,
    state: { ...UNSOWN, ...state },
    progress: {
      forecast: chainOf(days ?? DAYS),
      out: null,
      plants: { sown_count: 110, expected_count: 95 },
      ...progress,
    } as unknown as Progress,
    containers: new Map([tray, pot].map((one) => [one.id, one])),
    ...rest,
  };
}
const kinds = (jobs: readonly Job[]) => jobs.map((job) => job.kind);
const only = (jobs: readonly Job[], kind: Job['kind']): Job => {
  const found = jobs.filter((job) => job.kind === kind);
  expect(found).toHaveLength(1);
  return found[0]!;
};
const sown = { phase: 'sown', facts: { sow: 10 }, sown_count: 110, alive_count: 110, placeId: 1 } as const;
const growing = { ...sown, phase: 'growing', facts: { sow: 10, 'off-heat': 17 }, up_count: 96, placeId: 2 } as const;
const potted = {
  ...growing,
  phase: 'potted',
  facts: { ...growing.facts, pot: 40 },
  alive_count: 95,
  up_count: 95,
  moves: [{ containerId: 2, day: 40, count: 95, last: true }],
  placeId: 3,
  lastDay: 40,
  stays: [
    { placeId: 1, from: 10 },
    { placeId: 2, from: 17 },
    { placeId: 3, from: 40 },
  ],
} as const;
const hardening = {
  ...potted,
  phase: 'hardening',
  facts: { ...potted.facts, harden: 60 },
  rung: 1,
  rungOn: 60,
  placeId: 4,
} as const;

describe('all that lies ahead of a batch', () => {
  it('planned: from sowing to planting, in order of day', () => {
    const jobs = workOf(input({}));
    expect(kinds(jobs).filter((kind) => kind !== 'rung')).toEqual([
      'sow',
      'look',
      'off-heat',
      'pot',
      'space',
      'harden',
      'plant',
    ]);
    expect(jobs.map((job) => job.dueOn)).toEqual([...jobs.map((job) => job.dueOn)].sort((a, b) => a - b));
    expect(only(jobs, 'sow')).toMatchObject({
      dueOn: 10,
      placeId: 1,
      toPlaceId: null,
      trays: 3,
      count: 110,
      countWord: 'cells sown',
      why: '110 cells for 100 plants; half up about {day}',
      whyDay: 16,
    });
    expect(only(jobs, 'off-heat')).toMatchObject({ placeId: 1, toPlaceId: 2, trays: 3 });
    expect(only(jobs, 'pot')).toMatchObject({
      placeId: 2,
      toPlaceId: 3,
      count: 95,
      max_count: 110,
      why: 'grown enough: 10 trays of 9 cm pot; look for roots at the base',
    });
    expect(only(jobs, 'space')).toMatchObject({ dueOn: 55, placeId: 3, toPlaceId: null, trays: 10 });
    expect(only(jobs, 'harden')).toMatchObject({ dueOn: 60, toPlaceId: 4, trays: 10, whyDay: 70 });
    expect(only(jobs, 'plant')).toMatchObject({ dueOn: 70, placeId: 4, count: 95, max_count: 1_000_000 });
  });
  it('each step done is asked for no more, and none of what it makes needless', () => {
    expect(kinds(workOf(input(sown)))).not.toContain('sow');
    expect(kinds(workOf(input(growing)))).toEqual(expect.not.arrayContaining(['look', 'off-heat']));
    expect(kinds(workOf(input(growing)))).toContain('pot');
    const after = kinds(workOf(input({ ...potted, wateredOn: 40 })));
    expect(after).toEqual(expect.not.arrayContaining(['pot', 'off-heat', 'water']));
    expect(after).toContain('space');
    const spaced = kinds(workOf(input({ ...potted, facts: { ...potted.facts, space: 55 }, wateredOn: 40 })));
    expect(spaced).not.toContain('space');
    expect(kinds(workOf(input({ ...hardening, wateredOn: 40 })))).toEqual(
      expect.not.arrayContaining(['space', 'harden', 'pot', 'off-heat']),
    );
    const fromTray = { ...growing, phase: 'hardening', facts: { ...growing.facts, harden: 60 }, rung: 1 } as const;
    expect(kinds(workOf(input(fromTray)))).not.toContain('pot');
    expect(
      kinds(workOf(input({ ...sown, phase: 'hardening', facts: { sow: 10, harden: 60 }, rung: 1 }))),
    ).not.toContain('off-heat');
    expect(kinds(workOf(input({ ...sown, phase: 'potted', facts: { sow: 10, pot: 40 } })))).not.toContain('off-heat');
  });
  it('a batch that is never potted hardens from where it grows, in its tray', () => {
    const { pot: _p, space: _s, ...days } = DAYS;
    const jobs = workOf(input(growing, { plan: { potContainerId: null }, days }));
    expect(kinds(jobs).filter((kind) => kind !== 'rung')).toEqual(['harden', 'plant']);
    expect(only(jobs, 'harden')).toMatchObject({ placeId: 2, toPlaceId: 4, trays: 3 });
    expect(only(jobs, 'plant').trays).toBe(3);
    expect(only(workOf(input(growing)), 'harden').trays).toBe(10);
  });
  it('plugs are taken in, not sown, and nothing is counted up or taken off the heat', () => {
    const { sow: _s, 'first-up': _f, 'half-up': _h, 'off-heat': _o, ...rest } = DAYS;
    const jobs = workOf(
      input(
        {},
        {
          plan: { joins: { stage: 'grow', days: 20 } },
          days: { ...rest, arrive: 25 },
        },
      ),
    );
    expect(kinds(jobs).filter((kind) => kind !== 'rung')).toEqual(['arrive', 'pot', 'space', 'harden', 'plant']);
    expect(only(jobs, 'arrive')).toMatchObject({ dueOn: 25, count: 110, countWord: 'plugs', placeId: 2 });
  });
  it('seed that wants treating is treated so many days before, once', () => {
    const crop = { pretreat: 'chill', chill_weeks: 2 } as const;
    const treat = only(workOf(input({}, { crop })), 'treat');
    expect(treat).toMatchObject({ dueOn: 10 - 14, trays: 0, whyDay: 10 });
    expect(kinds(workOf(input({ treatedOn: 0 }, { crop })))).not.toContain('treat');
    expect(kinds(workOf(input({}, { crop: { pretreat: 'none', chill_weeks: 2 } })))).not.toContain('treat');
    expect(kinds(workOf(input({ ...sown }, { crop })))).not.toContain('treat');
  });
  it('nothing of a batch that has ended or cannot be worked out', () => {
    expect(workOf(input({ ...growing, phase: 'ended' }))).toEqual([]);
    expect(workOf(input(growing, { progress: { forecast: { kind: 'unreachable' } } }))).toEqual([]);
  });
  it('a look says what was counted, and offers it again', () => {
    expect(only(workOf(input({ ...sown, up_count: 30 })), 'look')).toMatchObject({
      count: 30,
      max_count: 110,
      why: '30 of 110 up; half expected {day}',
    });
    expect(only(workOf(input({})), 'look')).toMatchObject({
      count: 0,
      max_count: 110,
      why: 'nothing counted yet; half expected {day}',
    });
    expect(only(workOf(input(sown)), 'off-heat').why).toMatch(/^half up by the forecast/);
    expect(only(workOf(input({ ...sown, up_count: 60 })), 'off-heat').why).toMatch(/^60 of 110 up/);
  });
  it('roots seen bring the potting forward to their day, never back', () => {
    const seen = (day: number, leaves: number | null = null) =>
      only(
        workOf(
          input(
            { ...growing, sign: { sign: leaves === null ? 'roots' : 'leaves', day, leaves } },
            { potting: { rest_days: 3, potLeaves: 5 } },
          ),
        ),
        'pot',
      );
    expect(seen(33)).toMatchObject({ dueOn: 33, why: 'roots at the base of the cell: 10 trays of 9 cm pot' });
    expect(seen(45).dueOn).toBe(40);
    expect(seen(33, 4).dueOn).toBe(40);
    expect(seen(33, 5).dueOn).toBe(33);
    const usual = only(workOf(input({ ...growing, sign: { sign: 'leaves', day: 33, leaves: 4 } })), 'pot');
    expect(usual.dueOn).toBe(33);
    expect(
      only(workOf(input(growing, { progress: { plants: { sown_count: 110, expected_count: 9 } } })), 'pot').why,
    ).toMatch(/: 1 tray of/);
    expect(
      only(workOf(input(growing, { progress: { plants: { sown_count: 110, expected_count: 0 } } })), 'pot').why,
    ).toMatch(/: 1 tray of/);
  });
  it('planting waits for the day the gates open, and is asked of those alive', () => {
    expect(only(workOf(input(hardening, { progress: { out: { on: 77 } } })), 'plant')).toMatchObject({
      dueOn: 77,
      max_count: 95,
    });
    expect(only(workOf(input(hardening, { progress: { out: { on: 60 } } })), 'plant').dueOn).toBe(70);
    expect(only(workOf(input(hardening, { progress: { out: { on: null } } })), 'plant').dueOn).toBe(70);
  });
});

describe('watering in after potting', () => {
  const asked = (state: Partial<BatchState>) => kinds(workOf(input({ ...potted, ...state }))).includes('water');
  it('is asked until it is logged, or the plants have plainly gone on', () => {
    expect(asked({})).toBe(true);
    expect(asked({ wateredOn: 39 })).toBe(true);
    expect(asked({ wateredOn: 40 })).toBe(false);
    expect(asked({ facts: { ...potted.facts, space: 40 } })).toBe(false);
    expect(asked({ facts: { ...potted.facts, space: 39 } })).toBe(true);
    expect(asked({ stays: [...potted.stays, { placeId: 4, from: 41 }] })).toBe(false);
    expect(asked({ facts: { ...potted.facts, harden: 45 }, rung: 1 })).toBe(false);
  });
  it('says until when they rest, and hardening waits for it', () => {
    const jobs = workOf(
      input({ ...potted, facts: { ...potted.facts, pot: 59 }, moves: [{ ...potted.moves[0], day: 59 }], lastDay: 59 }),
    );
    expect(only(jobs, 'water')).toMatchObject({ dueOn: 59, whyDay: 62, placeId: 3, trays: 10 });
    expect(only(jobs, 'harden')).toMatchObject({ dueOn: 62 });
    expect(only(jobs, 'harden').why).toMatch(/^rested after potting; step 1/);
    const sooner = workOf(
      input(
        { ...potted, facts: { ...potted.facts, pot: 59 }, moves: [{ ...potted.moves[0], day: 59 }], lastDay: 59 },
        { potting: { rest_days: 1, potLeaves: 4 } },
      ),
    );
    expect(only(sooner, 'water').whyDay).toBe(60);
    expect(only(sooner, 'harden').dueOn).toBe(60);
    expect(only(sooner, 'harden').why).toMatch(/^step 1/);
  });
});

describe('a day’s round', () => {
  it('offers the step a batch waits for from its day on, one at a time', () => {
    expect(kinds(roundOf(input({}), 9))).toEqual([]);
    expect(kinds(roundOf(input({}), 10))).toEqual(['sow']);
    expect(kinds(roundOf(input({}), 90))).toEqual(['sow']);
    expect(kinds(roundOf(input({ ...sown, lastCountOn: 14 }), 14))).toEqual([]);
    expect(kinds(roundOf(input({ ...sown, lastCountOn: 13 }), 14))).toEqual(['look']);
  });
  it('a job put off is not offered until its day', () => {
    expect(kinds(roundOf(input({ held: { sow: 12 } }), 11))).toEqual([]);
    expect(kinds(roundOf(input({ held: { sow: 12 } }), 12))).toEqual(['sow']);
  });
  it('watering in and treating go on beside the next step; watering in is asked for three days', () => {
    const state = { ...potted, facts: { ...potted.facts, pot: 58 }, moves: [{ ...potted.moves[0], day: 58 }] };
    expect(kinds(roundOf(input(state, { days: { ...DAYS, space: 59 } }), 59))).toEqual(['water', 'space']);
    expect(kinds(roundOf(input({ ...state, facts: { ...state.facts, space: 57 } }), 61))).toEqual(['water', 'harden']);
    expect(kinds(roundOf(input({ ...state, facts: { ...state.facts, space: 57 } }), 62))).toEqual(['harden']);
    const crop = { pretreat: 'soak', chill_weeks: 0 } as const;
    expect(kinds(roundOf(input({}, { crop }), 10))).toEqual(['treat', 'sow']);
  });
  it('how it stands is asked a week after planting, for three weeks, until it is said', () => {
    const out = {
      ...hardening,
      phase: 'planted',
      facts: { ...hardening.facts, plant: 70 },
      planted_count: 90,
    } as const;
    expect(roundOf(input(out), 76)).toEqual([]);
    expect(roundOf(input(out), 77)[0]).toMatchObject({
      kind: 'stood',
      count: 90,
      max_count: 90,
      whyDay: 70,
      logs: { kind: 'stood', cause: 'well' },
    });
    expect(roundOf(input(out), 98)).toHaveLength(1);
    expect(roundOf(input(out), 99)).toEqual([]);
    expect(roundOf(input({ ...out, stood: { stood: 'well', day: 78, count: 90 } }), 80)).toEqual([]);
    expect(workOf(input({ ...out, facts: {} }))).toEqual([]);
  });
});

describe('steps of the ladder', () => {
  const rung = (words: string, days: number) => ({ words, days });
  const rungs = [rung('first', 2), rung('second', 3), rung('third', 1)] as unknown as LadderOfBatch['rungs'];
  const ladder = (decisions: object[], more: Partial<LadderOfBatch> = {}): LadderOfBatch =>
    ({
      rungs,
      today: 61,
      decisions,
      hardened: false,
      setBackTo: null,
      order: '',
      unit: 'C',
      ...more,
    }) as unknown as LadderOfBatch;
  const go = (at: number, climbs = false) => ({
    say: 'go',
    rung: at,
    climbs,
    served: 1,
    of: 2,
    limit: null,
    done: false,
  });
  const rungsOf = (state: Partial<BatchState>, its?: LadderOfBatch) =>
    workOf(input(state, its ? { ladder: its } : {})).filter((job) => job.kind === 'rung');

  it('without a forecast one after the other, each after the days of the one before', () => {
    const empty = ladder([]);
    expect(rungsOf({ ...hardening, wateredOn: 40 }, empty).map((job) => [job.count, job.dueOn])).toEqual([
      [2, 62],
      [3, 65],
    ]);
    expect(rungsOf({ ...hardening, rung: 2, rungOn: 63 }, empty).map((job) => [job.count, job.dueOn])).toEqual([
      [3, 66],
    ]);
    expect(rungsOf({ ...hardening, rungOn: null }, empty)[0]!.dueOn).toBe(62);
    expect(rungsOf(growing, empty).map((job) => [job.count, job.dueOn, job.max_count])).toEqual([
      [2, 62, 3],
      [3, 65, 3],
    ]);
  });
  it('today’s by the forecast, then the days on which a new one begins; not again once it is logged', () => {
    const its = ladder([go(1), go(2, true), go(2), go(3, true)], { order: 'out at 10:00' });
    const jobs = rungsOf(hardening, its);
    expect(jobs.map((job) => [job.count, job.dueOn])).toEqual([
      [1, 61],
      [2, 62],
      [3, 64],
    ]);
    expect(jobs[0]!.why).toBe('step 1 of 3: first, day 1 of 2; out at 10:00');
    expect(jobs[1]!.why).toMatch(/^by the forecast step 2/);
    expect(rungsOf({ ...hardening, rungLoggedOn: 61 }, its).map((job) => job.dueOn)).toEqual([62, 64]);
    expect(rungsOf({ ...hardening, rungOn: 62 }, its).map((job) => job.dueOn)).toEqual([62, 64]);
    expect(rungsOf(hardening, ladder([go(1)], { hardened: true }))).toEqual([]);
  });
  it('kept in, the tap logs a day that does not count; set back, the step it is set back to', () => {
    const back = { say: 'back', rung: 0, climbs: false, served: 1, of: 2, limit: null, done: false };
    expect(rungsOf(hardening, ladder([back]))[0]).toMatchObject({ count: 0, logs: { kind: 'held', cause: 'rung' } });
    expect(rungsOf(hardening, ladder([{ ...go(0), say: 'hold' }]))[0]).toMatchObject({ count: 1 });
    expect(rungsOf(hardening, ladder([{ ...go(0), say: 'hold' }]))[0]!.logs).toBeUndefined();
    const set = rungsOf({ ...hardening, rung: 3 }, ladder([go(2)], { setBackTo: 2 }));
    expect(set).toHaveLength(1);
    expect(set[0]).toMatchObject({ count: 2, dueOn: 61 });
    expect(set[0]!.why).toMatch(/^set back to step 2: step 2/);
  });
  it('comes before the planting, however late that is', () => {
    const late = { ...hardening, facts: { ...hardening.facts } };
    const days = { ...DAYS, plant: 58 };
    expect(kinds(roundOf(input(late, { ladder: ladder([go(1)]), days }), 61))).toEqual(['rung']);
  });
});
