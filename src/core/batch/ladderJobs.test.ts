import { describe, expect, it } from 'vitest';
import { cropNamed, crops } from '../../../tests/references/library.ts';
import {
  DEMO_NURSERY,
  DEMO_OUTSIDE,
  DEMO_PLACES,
  DEMO_TODAY,
  USUAL_CONTAINERS,
} from '../../../simulators/demoBooks.ts';
import { demoSeason } from '../../../simulators/demoSeason.ts';
import type { BatchEvent } from './event.ts';
import { batchProgress } from './progress.ts';
import { reduceLog } from './reduce.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import { ladderAhead, shelterOf, type LadderDay } from '../hardening/ladder.ts';
import { PROGRAMMES, rungsFor } from '../hardening/programme.ts';
import { seasonTables } from '../plan/schedule/seasonTables.ts';
import { roundOf, workOf, type LadderOfBatch } from './work.ts';

const today = requireDay(DEMO_TODAY);
const tables = seasonTables(DEMO_PLACES, requireDay('2026-01-01'), 4 * 366, { normals: DEMO_OUTSIDE });
const containers = new Map(USUAL_CONTAINERS.map((c) => [c.id, c]));
const made = demoSeason(crops).find((b) => b.crop === 'onion')!;
const rungs = rungsFor(PROGRAMMES[0]!, 'hardy');
const rules = { rungs, shelter_K: rungs.map((r) => shelterOf(r, 2)), caution: 0.5 };
const mild: Partial<LadderDay> = { most_C: 18, night_C: 9, morning_C: 9, gust_m_s: 4 };

/** The onion's work on a day, with a forecast and perhaps more in its log. */
function work(
  weather: (i: number) => Partial<LadderDay>,
  more: readonly Partial<BatchEvent>[] = [],
  ladder: Partial<LadderOfBatch> = {},
  on = today,
) {
  const log = [...made.events, ...more].map((e, i) => ({
    placeId: null,
    cause: '',
    note: '',
    count: null,
    ...e,
    id: i + 1,
    correctsId: null,
    snapshot: null,
  })) as BatchEvent[];
  const { state, refusal } = reduceLog(log);
  expect(refusal).toBeNull();
  const crop = cropNamed('onion');
  const { plan } = made;
  const progress = batchProgress({ crop, plan, state, offHeat: DEMO_NURSERY.offHeat, tables, containers, today: on });
  const days = Array.from({ length: 10 }, (_, i): LadderDay => ({
    day: on + i,
    spread_K: 1,
    most_C: null,
    night_C: null,
    morning_C: null,
    gust_m_s: null,
    ...weather(i),
  }));
  const decisions = ladderAhead(rules, { rung: state.rung, served: 1 }, days, -Infinity, -Infinity);
  const input = {
    batchId: 1,
    plan,
    state,
    progress,
    containers,
    ladder: {
      rungs,
      today: on,
      decisions,
      hardened: false,
      setBackTo: null,
      order: 'out at 11:00',
      unit: 'C' as const,
      ...ladder,
    },
  };
  return { state, all: workOf(input), round: roundOf(input, on) };
}

describe('a ladder in the round', () => {
  it('in mild weather offers the next step today with its order, and the climbs the forecast foresees', () => {
    const { state, round, all } = work(() => mild);
    const [job] = round.filter((j) => j.kind === 'rung');
    expect(job).toMatchObject({ dueOn: today, count: state.rung + 1 });
    expect(job!.why).toMatch(/; out at 11:00$/);
    const climbs = all.filter((j) => j.kind === 'rung').map((j) => [j.dueOn - today, j.count]);
    expect(climbs.slice(0, 3)).toEqual([
      [0, state.rung + 1],
      [1, state.rung + 2],
      [2, state.rung + 3],
    ]);
  });
  it('before it is hardened the ladder comes before planting, however late that is', () => {
    const { round } = work(() => mild, [], {}, made.plan.transplantOn + 3);
    expect(round[0]!.kind).toBe('rung');
    const done = work(() => mild, [], { hardened: true }, made.plan.transplantOn + 3);
    expect(done.all.some((j) => j.kind === 'rung')).toBe(false);
    expect(done.round[0]!.kind).toBe('plant');
  });
  it('in a gale one tap logs a day that does not count; set back, it logs the step below', () => {
    const { round } = work((i) => (i === 0 ? { ...mild, gust_m_s: 26 } : mild));
    expect(round[0]).toMatchObject({ kind: 'rung', logs: { kind: 'held', cause: 'rung' } });
    expect(round[0]!.why).toMatch(/^keep them in: gusts of/);
    const back = work(() => mild, [], { setBackTo: 3 });
    expect(back.round[0]).toMatchObject({
      kind: 'rung',
      count: 3,
      why: expect.stringMatching(/^set back to step 3/) as string,
    });
  });
  it('is not asked again once it is logged or held', () => {
    const { state } = work(() => mild);
    const logged = work(() => mild, [{ kind: 'rung', day: today, count: state.rung + 1 }]);
    expect(logged.round.some((j) => j.kind === 'rung')).toBe(false);
    const held = work(() => mild, [{ kind: 'held', day: today, cause: 'rung' }]);
    expect(held.round.some((j) => j.kind === 'rung')).toBe(false);
  });
  it('without a forecast it holds and says that it does not know', () => {
    const { round } = work(() => ({}));
    expect(round[0]!.why).toMatch(/no forecast for it/);
  });
  it('a week after planting out it is asked how it stands, for three weeks, and not after it is answered', () => {
    const planted = { kind: 'planted-out', day: today, count: 380 } as const;
    expect(work(() => mild, [planted], {}, today + 6).round).toEqual([]);
    const asked = work(() => mild, [planted], {}, today + 7).round;
    expect(asked).toMatchObject([{ kind: 'stood', count: 380, logs: { kind: 'stood', cause: 'well' } }]);
    expect(work(() => mild, [planted], {}, today + 40).round).toEqual([]);
    const answered = { kind: 'stood', day: today + 7, cause: 'losses', count: 350 } as const;
    expect(work(() => mild, [planted, answered], {}, today + 8).all).toEqual([]);
  });
});
