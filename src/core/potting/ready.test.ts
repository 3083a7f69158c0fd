import { describe, expect, it } from 'vitest';
import { DEMO_OUTSIDE, DEMO_PLACES, USUAL_CONTAINERS } from '../../../simulators/demoBooks.ts';
import { libraryCrops } from '../../../bin/libraryCrops.ts';
import type { BatchEvent, PottingDetails } from '../batch/event.ts';
import { batchProgress, checksOf, containerNow } from '../batch/progress.ts';
import { reduceLog } from '../batch/reduce.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import { roundOf, workOf } from '../batch/work.ts';
import { milestoneOf } from '../plan/schedule/chain.ts';
import { climateStart } from '../plan/schedule/placeClimate.ts';
import { seasonTables } from '../plan/schedule/seasonTables.ts';
import { readyOf } from './ready.ts';
import { restUntil } from './rest.ts';
import { USUAL_POTTING } from './settings.ts';

const crops = await libraryCrops();
const tomato = crops.find((c) => c.name === 'tomato')!;
const containers = new Map(USUAL_CONTAINERS.map((c) => [c.id, c]));
const SOWN = requireDay('2027-03-10');
const tables = seasonTables(DEMO_PLACES, climateStart(SOWN), 800, { normals: DEMO_OUTSIDE });
const plan: BatchPlan = {
  plantsWanted: 100,
  spare_frac: 0.15,
  transplantOn: requireDay('2027-05-25'),
  hardening_days: 8,
  places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
  sowContainerId: 2,
  potContainerId: 6,
};
let id = 1;
const line = (kind: BatchEvent['kind'], after: number, rest: Partial<BatchEvent> = {}): BatchEvent => ({
  id: id++,
  kind,
  day: SOWN + after,
  count: null,
  placeId: null,
  note: '',
  cause: '',
  correctsId: null,
  snapshot: null,
  ...rest,
});
const details = (containerId: number, more: Partial<PottingDetails> = {}): PottingDetails => ({
  containerId,
  doubled: 0,
  culled: {},
  leftOver: 0,
  minutes: null,
  people: 1,
  sessionId: null,
  ...more,
});
const up = [
  line('sown', 0, { count: 115, placeId: 1 }),
  line('emerged', 6, { count: 60 }),
  line('off-heat', 6, { placeId: 3 }),
  line('counted', 12, { count: 108 }),
];
const at = (events: readonly BatchEvent[], today: number, its: BatchPlan = plan) => {
  const { state, refusal } = reduceLog(events);
  const progress = batchProgress({
    crop: tomato,
    plan: its,
    state,
    offHeat: { kind: 'half-up' },
    tables,
    containers,
    today,
  });
  const input = { batchId: 1, plan: its, state, progress, containers };
  return {
    refusal,
    state,
    progress,
    ready: readyOf(its, state, progress, containers, USUAL_POTTING, today),
    work: workOf(input),
    round: roundOf(input, today),
  };
};
const potOn = () => {
  const { forecast } = at(up, SOWN + 12).progress;
  return forecast.kind === 'chain' ? milestoneOf(forecast, 'pot')!.dueOn : 0;
};

describe('ready for a pot', () => {
  it('goes by the forecast: later, soon, now, and urgent when it has stood too long', () => {
    const says = [-20, -5, 0, 3, 7].map((d) => at(up, Math.max(SOWN + 12, potOn() + d)).ready?.says);
    expect(says.slice(1)).toEqual(['soon', 'now', 'now', 'urgent']);
  });
  it('goes by signs before the forecast, and a "not yet" holds two days', () => {
    const today = potOn() - 3;
    const after = today - SOWN;
    const roots = at([...up, line('sign', after, { cause: 'roots' })], today);
    expect(roots.ready).toMatchObject({ job: 'pot', says: 'now', bySign: true, harmOn: today + 4 });
    // The round offers it today, days before the forecast.
    expect(roots.round[0]).toMatchObject({ kind: 'pot', dueOn: today });
    const few = at([...up, line('sign', after, { cause: 'leaves', count: 3 })], today);
    expect(few.ready).toMatchObject({ says: 'soon', bySign: false });
    expect(at([...up, line('sign', after, { cause: 'leaves', count: 4 })], today).ready?.says).toBe('now');
    const due = potOn() + 1;
    const not = [...up, line('sign', due - SOWN, { cause: 'not-yet' })];
    expect(at(not, due).ready?.says).toBe('soon');
    expect(at(not, due + 2).ready?.says).toBe('now');
  });
  it('out of a seed pan is pricked out first when its pot is far off, and at once when it has none', () => {
    const pan = { ...plan, sowContainerId: 4 };
    expect(at(up, SOWN + 18, { ...pan, potContainerId: null }).ready).toMatchObject({ job: 'prick-out', says: 'now' });
    const leaf = [...up, line('sign', 13, { cause: 'true-leaves' })];
    expect(at(leaf, SOWN + 13, { ...pan, potContainerId: null }).ready).toMatchObject({ bySign: true });
  });
});

describe('what a potting came to', () => {
  const potted = (count: number, more: Partial<PottingDetails> = {}) =>
    line('potted', 30, { count, placeId: 5, details: details(6, more) });
  it('comes out of what there was, and doubles add to it', () => {
    // 108 were counted; some that came later may be potted as well, but no more than were sown.
    expect(at([...up, potted(112)], SOWN + 30).state).toMatchObject({ up_count: 112, lost_count: 0 });
    expect(at([...up, potted(104)], SOWN + 30).state).toMatchObject({ up_count: 104, lost_count: 4 });
    expect(at([...up, potted(116)], SOWN + 30).refusal).toMatchObject({
      field: 'count',
      reason: 'only 115 are left',
    });
    expect(at([...up, potted(118, { doubled: 4 })], SOWN + 30).state).toMatchObject({ alive_count: 118 });
    expect(at([...up, potted(100, { culled: { weak: 6 }, leftOver: 13 })], SOWN + 30).refusal?.reason).toMatch(
      /only 115 are left; 100 potted and 19 thrown out or left over/,
    );
  });
  it('stands in its new container from that day, and a second potting is another', () => {
    const day = SOWN + 30;
    const big = [...up, potted(100), line('moved-on', 45, { count: 98, details: details(5) })];
    const { state, progress } = at(big, SOWN + 46);
    expect(containerNow(state, plan)).toBe(5);
    expect(checksOf(state)).toEqual({ before: 0, after: 1 });
    const inPots = progress.stands.filter((s) => s.from >= day && s.from < SOWN + 60);
    expect(inPots[0]).toMatchObject({ from: day, to: SOWN + 45, slots: Math.ceil(98 / 15) });
    expect(inPots[1]).toMatchObject({ from: SOWN + 45, slots: Math.ceil(98 / 18) });
    // It stands still again, so it is ready no sooner than with one potting.
    const once = at([...up, potted(98)], SOWN + 46).progress.forecast;
    const twice = progress.forecast;
    if (once.kind !== 'chain' || twice.kind !== 'chain') throw new Error('no chain');
    expect(twice.ready_t - once.ready_t).toBeGreaterThan(1.2);
  });
  it('a pricking out before the pot is not the potting', () => {
    const pan = { ...plan, sowContainerId: 4 };
    const events = [...up, line('moved-on', 16, { count: 104, details: details(2) })];
    const { state, progress } = at(events, SOWN + 17, pan);
    expect(state.phase).toBe('growing');
    expect(containerNow(state, pan)).toBe(2);
    expect(checksOf(state)).toEqual({ before: 1, after: 0 });
    expect(progress.stands.find((s) => s.from === SOWN + 16)).toMatchObject({ stage: 'grow', slots: 2 });
    expect(progress.stands.find((s) => s.stage === 'pot')).toMatchObject({ slots: Math.ceil(104 / 15) });
  });
  it('is watered in, then rests: no step of hardening until then', () => {
    const late = { ...plan, transplantOn: SOWN + 36, hardening_days: 5 };
    const events = [...up, line('potted', 30, { count: 100, placeId: 5, details: details(6) })];
    const { round, work, state } = at(events, SOWN + 30, late);
    expect(round[0]).toMatchObject({ kind: 'water', dueOn: SOWN + 30 });
    expect(work.find((j) => j.kind === 'harden')!.dueOn).toBeGreaterThanOrEqual(SOWN + 33);
    expect(restUntil(state, 3, SOWN + 30)).toBe(SOWN + 33);
    expect(restUntil(state, 3, SOWN + 33)).toBeNull();
    const wet = at([...events, line('watered', 30)], SOWN + 30, late);
    expect(wet.round.some((j) => j.kind === 'water')).toBe(false);
  });
  it('moved on before it is up, or without its container, is refused', () => {
    expect(at([up[0]!, line('moved-on', 2, { count: 50, details: details(2) })], SOWN + 3).refusal?.reason).toMatch(
      /when they are up/,
    );
    expect(at([...up, line('moved-on', 20, { count: 50 })], SOWN + 21).refusal?.reason).toMatch(/which container/);
  });
});
