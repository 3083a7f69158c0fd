import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { logLine, pottingDetails } from '../../../tests/support/logLines.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE, DEMO_PLACES, USUAL_CONTAINERS } from '../../../simulators/demoBooks.ts';
import { requireDay, type DayNumber } from '../calendar/dayNumber.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import { milestoneOf, type Chain } from '../plan/schedule/chain.ts';
import { seasonTables } from '../plan/schedule/seasonTables.ts';
import type { BatchEvent } from './event.ts';
import {
  batchProgress,
  checksOf,
  containerNow,
  planAsItStands,
  stageOfPhase,
  type ChainState,
  type Progress,
  type ProgressInput,
  type Stand,
} from './progress.ts';
import { reduceLog, UNSOWN } from './reduce.ts';

const tables = seasonTables(DEMO_PLACES, requireDay('2026-01-01'), 4 * 366, { normals: DEMO_OUTSIDE });
const containers = new Map(USUAL_CONTAINERS.map((c) => [c.id, c]));
/** Trays of 60 for 120 cells; 10 cm pots, 15 to a carrying tray. */
const [CELLS, POTS, SEED_TRAY] = [2, 6, 4];
const [DARK, LIT, BENCH, SECOND_BENCH, BAY, FRAMES] = [1, 2, 3, 4, 5, 6];
const out = requireDay('2027-06-10');
const plan: BatchPlan = {
  plantsWanted: 100,
  spare_frac: 0.2,
  transplantOn: out,
  hardening_days: 10,
  places: { germinate: DARK, grow: BENCH, pot: SECOND_BENCH, harden: FRAMES },
  sowContainerId: CELLS,
  potContainerId: POTS,
};
const sowOn = requireDay('2027-04-05');
const sown = logLine('sown', sowOn, 120, { placeId: DARK });

function progressOf(
  log: readonly BatchEvent[],
  today: DayNumber = sowOn,
  more: Partial<ProgressInput> = {},
): Progress & { forecast: Chain } {
  const { state, refusal } = reduceLog(log);
  expect(refusal).toBeNull();
  const crop = cropNamed('tomato');
  const progress = batchProgress({
    crop,
    plan,
    state,
    offHeat: DEMO_NURSERY.offHeat,
    tables,
    containers,
    today,
    ...more,
  });
  expect(progress.forecast.kind).toBe('chain');
  return progress as Progress & { forecast: Chain };
}
const short = (stands: readonly Stand[]) =>
  stands.map(({ stage, placeId, from, to, trays, slots }) => [stage, placeId, to - from, trays, slots]);
const dayOf = ({ forecast }: { forecast: Chain }, key: Parameters<typeof milestoneOf>[1]) =>
  milestoneOf(forecast, key)!.day;

describe('where a batch takes room', () => {
  it('follows its chain: cells in trays, then pots in carrying trays, twice the room once they are spaced', () => {
    const progress = progressOf([sown]);
    const day = (key: Parameters<typeof milestoneOf>[1]) => dayOf(progress, key);
    expect(progress.stands.map(({ stage, placeId }) => [stage, placeId])).toEqual([
      ['germinate', DARK],
      ['grow', BENCH],
      ['pot', SECOND_BENCH],
      ['space', SECOND_BENCH],
      ['harden', FRAMES],
    ]);
    // 120 cells are two trays of 60; the 102 plants of them expected are seven carrying trays of 15.
    expect(progress.stands.map(({ trays, slots }) => [trays, slots])).toEqual([
      [2, 2],
      [2, 2],
      [7, 7],
      [7, 14],
      [7, 14],
    ]);
    // No day between two of them, none twice; the day out is not taken any more.
    const days = ['sow', 'off-heat', 'pot', 'space', 'harden', 'plant'] as const;
    expect(progress.stands.map(({ from }) => from)).toEqual(days.slice(0, -1).map(day));
    expect(progress.stands.map(({ to }) => to)).toEqual(days.slice(1).map(day));
  });

  it('without a pot they stay in their trays, and without spacing they take no more room', () => {
    const plain = progressOf([sown], sowOn, { plan: { ...plan, potContainerId: null } });
    expect(short(plain.stands).map(([stage, place, , trays, slots]) => [stage, place, trays, slots])).toEqual([
      ['germinate', DARK, 2, 2],
      ['grow', BENCH, 2, 2],
      ['harden', FRAMES, 2, 2],
    ]);
  });

  it('goes where it was carried: days of the log stay as they were, the rest is where it stands now', () => {
    const { stands } = progressOf(
      [sown, logLine('moved', sowOn + 3, null, { placeId: LIT }), logLine('moved', sowOn + 5, null, { placeId: DARK })],
      sowOn + 6,
    );
    expect(short(stands).slice(0, 3)).toEqual([
      ['germinate', DARK, 3, 2, 2],
      ['germinate', LIT, 2, 2, 2],
      ['germinate', DARK, expect.any(Number), 2, 2],
    ]);
    expect(stands[2]!.from).toBe(sowOn + 5);
    // The bench of the plan is still to come.
    expect(stands[3]).toMatchObject({ stage: 'grow', placeId: BENCH });
  });

  it('once carried, the stage it is in is planned where it stands, and the others where they were', () => {
    const carried = [sown, logLine('emerged', sowOn + 7, 100), logLine('off-heat', sowOn + 10, null, { placeId: BAY })];
    const { stands } = progressOf(carried, sowOn + 12);
    expect(stands.map(({ stage, placeId }) => [stage, placeId])).toEqual([
      ['germinate', DARK],
      ['grow', BAY],
      ['pot', SECOND_BENCH],
      ['space', SECOND_BENCH],
      ['harden', FRAMES],
    ]);
    expect(stands[1]!.from).toBe(sowOn + 10);
  });

  it('pricked out into a seed tray in between they stand in that from that day, as plants and no more as cells', () => {
    const details = pottingDetails({ containerId: SEED_TRAY });
    const up = logLine('emerged', sowOn + 7, 100);
    const off = logLine('off-heat', sowOn + 10, null, { placeId: BENCH });
    const { stands, forecast } = progressOf(
      [sown, up, off, logLine('moved-on', sowOn + 16, 90, { details })],
      sowOn + 17,
    );
    // Two trays of 60 until then; 90 plants in seed trays of 80; then 90 pots, six carrying trays.
    expect(short(stands).map(([stage, , days, trays]) => [stage, days, trays])).toEqual([
      ['germinate', 10, 2],
      ['grow', 6, 2],
      ['grow', dayOf({ forecast }, 'pot') - (sowOn + 16), 2],
      ['pot', expect.any(Number), 6],
      ['space', expect.any(Number), 6],
      ['harden', expect.any(Number), 6],
    ]);
  });

  it('potted by the log they stand in the pot that was used, from the day it was done', () => {
    const small = pottingDetails({ containerId: 7 });
    const log = [
      sown,
      logLine('emerged', sowOn + 7, 100),
      logLine('off-heat', sowOn + 10, null, { placeId: BENCH }),
      logLine('potted', sowOn + 30, 90, { placeId: BAY, details: small }),
    ];
    const { stands } = progressOf(log, sowOn + 31);
    // 7 cm pots go 35 to a carrying tray.
    expect(stands.filter(({ stage }) => stage !== 'germinate' && stage !== 'grow').map(({ trays }) => trays)).toEqual([
      3, 3, 3,
    ]);
    expect(stands.find(({ stage }) => stage === 'pot')).toMatchObject({ placeId: BAY, from: sowOn + 30, slots: 3 });
    // A potting noted without a container is one into the pot of the plan.
    const plainly = progressOf([...log.slice(0, 3), logLine('potted', sowOn + 30, 90, { placeId: BAY })], sowOn + 31);
    expect(plainly.stands.find(({ stage }) => stage === 'pot')).toMatchObject({ trays: 6 });
  });

  it('is given back on the day it was lost, and nothing is taken in containers nobody knows', () => {
    const { stands } = progressOf([sown, logLine('ended', sowOn + 9, null, { cause: 'damping off' })], sowOn + 20);
    expect(Math.max(...stands.map(({ to }) => to))).toBe(sowOn + 9);
    expect(progressOf([sown], sowOn, { containers: new Map() }).stands).toEqual([]);
    const noPots = new Map([...containers].filter(([id]) => id !== POTS));
    expect(progressOf([sown], sowOn, { containers: noPots }).stands.map(({ stage }) => stage)).toEqual([
      'germinate',
      'grow',
    ]);
  });
});

describe('when a batch is expected out', () => {
  const weather = (p50: number | null, p90: number | null) => ({
    p10: p50,
    p50: p50 === null ? null : out + p50,
    p90: p90 === null ? null : out + p90,
    inTime_frac: 0.4,
  });
  const expected = (p50: number | null, p90: number | null) => {
    const progress = progressOf([sown], sowOn, { weather: weather(p50, p90) });
    return { progress, out: progress.out! };
  };

  it('is the plants’ own day where nothing is known of the weather', () => {
    expect(progressOf([sown]).out).toEqual({
      on: out,
      p90: null,
      plants_on: out,
      by: 'plants',
      inTime_frac: null,
    });
    expect(progressOf([sown]).late_days).toBe(0);
  });

  it('is the later of the plants’ day and the one ladder and gates let, and the chain says the same', () => {
    const later = expected(5, 12);
    expect(later.out).toEqual({ on: out + 5, p90: out + 12, plants_on: out, by: 'weather', inTime_frac: 0.4 });
    expect(later.progress.late_days).toBe(5);
    const plant = milestoneOf(later.progress.forecast, 'plant')!;
    expect(plant).toMatchObject({ day: out + 5, dueOn: out + 5 });
    expect(JSON.stringify(plant.explanation)).toMatch(/2027-06-10.*40% of springs/);
    // The days before it stay the plants' own, and they stand in the frames until then.
    const plain = progressOf([sown]);
    expect(dayOf(later.progress, 'harden')).toBe(dayOf(plain, 'harden'));
    expect(later.progress.stands.at(-1)!.to).toBe(out + 5);
  });

  it('weather that lets them out before they are ready, or on the same day, changes nothing', () => {
    for (const p50 of [0, -6]) {
      const { progress, out: said } = expected(p50, p50);
      expect(said).toMatchObject({ on: out, p90: out, plants_on: out, by: 'plants', inTime_frac: 0.4 });
      expect(progress.forecast).toEqual(progressOf([sown]).forecast);
    }
  });

  it('is unknown where half of the springs never let them out; they stand until the plants’ own day', () => {
    const { progress, out: said } = expected(null, null);
    expect(said).toMatchObject({ on: null, p90: null, plants_on: out, by: 'weather' });
    expect(progress.late_days).toBeNull();
    expect(dayOf(progress, 'plant')).toBe(out);
    expect(progress.stands.at(-1)!.to).toBe(out);
  });

  it('is what the log says once they are out, whatever the weather', () => {
    const log = [
      sown,
      logLine('emerged', sowOn + 7, 100),
      logLine('off-heat', sowOn + 10, null, { placeId: BENCH }),
      logLine('potted', sowOn + 30, 90, { placeId: SECOND_BENCH }),
      logLine('hardening-started', out - 12, null, { placeId: FRAMES }),
      logLine('planted-out', out - 2, 90),
    ];
    const progress = progressOf(log, out, { weather: weather(20, 30) });
    expect(progress.out).toMatchObject({ on: out - 2, by: 'log', p90: null, inTime_frac: null });
    expect(progress.late_days).toBe(-2);
    expect(progress.stands.at(-1)).toMatchObject({ stage: 'harden', placeId: FRAMES, to: out - 2 });
  });

  it('plants ready before hardening is due are early by whole days, until hardening has begun', () => {
    const early = progressOf([sown]).early_days;
    expect(early).toBeGreaterThan(0);
    expect(early).toBe(out - 10 - Math.floor(progressOf([sown]).forecast.ready_t));
    const due = { ...plan, steps: { ...plan.steps, harden: out - 13 } } as BatchPlan;
    expect(progressOf([sown], sowOn, { plan: due }).early_days).toBe(early - 3);
    const hardening = [
      sown,
      logLine('emerged', sowOn + 7, 100),
      logLine('off-heat', sowOn + 10, null, { placeId: BENCH }),
      logLine('potted', sowOn + 30, 90, { placeId: SECOND_BENCH }),
      logLine('hardening-started', sowOn + 45, null, { placeId: FRAMES }),
    ];
    expect(progressOf(hardening, sowOn + 46).early_days).toBe(0);
  });

  it('a plan known already is taken as it is, and so is all that was worked out without the weather', () => {
    const planned = { kind: 'unreachable', stage: 'grow', placeId: null, reason: 'as it was' } as const;
    expect(progressOf([sown], sowOn, { planned }).planned).toBe(planned);
    const plain = progressOf([sown]);
    const again = progressOf([], sowOn, { plain, weather: weather(5, 12) });
    expect(again.planned).toBe(plain.planned);
    expect(again.plants).toBe(plain.plants);
    expect(again.out!.on).toBe(out + 5);
  });

  it('where no chain can be had nothing is said of days or room', () => {
    const today = requireDay('2027-01-05');
    const ended = batchProgress({
      crop: cropNamed('pepper'),
      plan: { ...plan, transplantOn: requireDay('2027-03-20'), places: { ...plan.places, germinate: FRAMES } },
      state: UNSOWN,
      offHeat: DEMO_NURSERY.offHeat,
      tables: seasonTables(DEMO_PLACES, today, 60, { normals: DEMO_OUTSIDE }),
      containers,
      today,
      weather: weather(5, 12),
    });
    expect(ended.forecast.kind).toBe('unreachable');
    expect(ended).toMatchObject({ late_days: null, early_days: 0, stands: [], out: null });
  });
});

describe('what a batch stands in', () => {
  const state = (more: Partial<ChainState>): ChainState => ({ ...UNSOWN, ...more });

  it('its stage follows its phase; spaced plants are in a stage of their own', () => {
    const stageOf = (phase: ChainState['phase'], facts = {}) => stageOfPhase(state({ phase, facts }));
    expect(stageOf('planned')).toBeNull();
    expect(stageOf('sown')).toBe('germinate');
    expect(stageOf('emerged')).toBe('germinate');
    expect(stageOf('growing')).toBe('grow');
    expect(stageOf('potted')).toBe('pot');
    expect(stageOf('potted', { space: 1 })).toBe('space');
    expect(stageOf('hardening')).toBe('harden');
    expect(stageOf('planted')).toBeNull();
    expect(stageOf('ended')).toBeNull();
  });

  it('its plan is the same object while it stands where it was to stand', () => {
    expect(planAsItStands(plan, state({ phase: 'growing', placeId: BENCH }))).toBe(plan);
    expect(planAsItStands(plan, state({ phase: 'growing', placeId: null }))).toBe(plan);
    expect(planAsItStands(plan, state({ phase: 'planned', placeId: BAY }))).toBe(plan);
    expect(planAsItStands(plan, state({ phase: 'growing', placeId: BAY })).places).toEqual({
      ...plan.places,
      grow: BAY,
    });
    // Spaced plants stand with the potted ones, unless they are carried elsewhere.
    expect(planAsItStands(plan, state({ phase: 'potted', facts: { space: 1 }, placeId: SECOND_BENCH }))).toBe(plan);
    expect(planAsItStands(plan, state({ phase: 'potted', facts: { space: 1 }, placeId: BAY })).places).toEqual({
      ...plan.places,
      space: BAY,
    });
  });

  it('each setting into another container is a check, before or after the last pot', () => {
    const move = (day: number, last: boolean) => ({ containerId: 1, day, count: 10, last });
    expect(checksOf({ moves: [] })).toEqual({ before: 0, after: 0 });
    expect(checksOf({ moves: [move(1, false), move(5, false)] })).toEqual({ before: 2, after: 0 });
    expect(checksOf({ moves: [move(1, false), move(5, true), move(9, false)] })).toEqual({ before: 1, after: 1 });
    expect(checksOf({ moves: [move(5, true)] })).toEqual({ before: 0, after: 0 });
  });

  it('is the container of the last move, else the one sown into, else the pot of a potting without one', () => {
    const move = (containerId: number, day: number) => ({ containerId, day, count: 10, last: false });
    expect(containerNow(state({}), plan)).toBe(CELLS);
    expect(containerNow(state({ lastDay: 20, moves: [move(SEED_TRAY, 10), move(7, 20)] }), plan)).toBe(7);
    expect(containerNow(state({ lastDay: 20, facts: { pot: 20 } }), plan)).toBe(POTS);
    expect(containerNow(state({ lastDay: 20, facts: { pot: 20 }, moves: [move(7, 20)] }), plan)).toBe(7);
    expect(containerNow(state({ lastDay: 20, facts: { pot: 20 }, moves: [move(SEED_TRAY, 10)] }), plan)).toBe(POTS);
    expect(containerNow(state({ lastDay: 20, facts: { pot: 20 } }), { ...plan, potContainerId: null })).toBe(CELLS);
  });
});
