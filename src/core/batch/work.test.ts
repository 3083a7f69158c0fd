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
import { batchProgress } from './progress.ts';
import { reduceLog } from './reduce.ts';
import type { BatchEvent } from './event.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import { overRoom, roomUsed } from '../plan/schedule/roomUse.ts';
import { seasonTables } from '../plan/schedule/seasonTables.ts';
import { roundOf, workOf } from './work.ts';

const today = requireDay(DEMO_TODAY);
const tables = seasonTables(DEMO_PLACES, requireDay('2026-01-01'), 4 * 366, { normals: DEMO_OUTSIDE });
const containers = new Map(USUAL_CONTAINERS.map((c) => [c.id, c]));

function worked(
  crop: string,
  plan: BatchPlan,
  events: readonly Omit<BatchEvent, 'id' | 'correctsId' | 'snapshot'>[],
  on = today,
) {
  const { state, refusal } = reduceLog(events.map((e, i) => ({ ...e, id: i + 1, correctsId: null, snapshot: null })));
  expect(refusal).toBeNull();
  const progress = batchProgress({
    crop: cropNamed(crop),
    plan,
    state,
    offHeat: DEMO_NURSERY.offHeat,
    tables,
    containers,
    today: on,
  });
  const input = { batchId: 1, plan, state, progress, containers };
  return { state, progress, work: workOf(input), round: roundOf(input, on) };
}

describe('the demo season', () => {
  const season = demoSeason(crops).map((b) => ({
    name: `${b.crop} ${b.variety}`,
    ...worked(b.crop, b.plan, b.events),
    plan: b.plan,
  }));

  it('has every stage present, some late, one lost', () => {
    const phases = new Set(season.map((b) => b.state.phase));
    expect([...phases].sort()).toEqual(
      ['emerged', 'ended', 'growing', 'hardening', 'planned', 'planted', 'potted', 'sown']
        .filter((p) => phases.has(p as 'sown'))
        .sort(),
    );
    expect(phases.size).toBe(8);
    expect(season.length).toBeGreaterThanOrEqual(40);
    expect(
      season.filter((b) => (b.progress.late_days ?? 0) > 1 && b.state.phase !== 'ended').length,
    ).toBeGreaterThanOrEqual(3);
    expect(season.filter((b) => b.state.phase === 'ended')).toHaveLength(1);
  });

  it('offers each batch at most one step, never before its day, in a place it has', () => {
    for (const batch of season) {
      expect(batch.round.length, batch.name).toBeLessThanOrEqual(1);
      for (const job of batch.round) {
        expect(job.dueOn).toBeLessThanOrEqual(today);
        expect(job.placeId).not.toBeNull();
        expect(job.trays).toBeGreaterThan(0);
      }
      const days = batch.work.map((job) => job.dueOn);
      expect(days).toEqual([...days].sort((a, b) => a - b));
    }
  });

  it('stands never overlap in time and follow each other without a gap', () => {
    for (const { progress, name } of season) {
      progress.stands.forEach((stand, i) => {
        expect(stand.to, name).toBeGreaterThan(stand.from);
        if (i > 0) expect(stand.from, name).toBe(progress.stands[i - 1]!.to);
      });
    }
  });

  it('room by place is the plain sum of what stands there, day by day', () => {
    const stands = season.flatMap((b) => b.progress.stands);
    const used = roomUsed(stands, today, 90);
    for (const place of DEMO_PLACES) {
      for (let day = today; day < today + 90; day++) {
        const slow = stands
          .filter((s) => s.placeId === place.id && s.from <= day && day < s.to)
          .reduce((sum, s) => sum + s.slots, 0);
        expect(used.get(place.id)?.[day - today] ?? 0).toBe(slow);
      }
    }
    for (const run of overRoom(stands, DEMO_PLACES, today, 90)) {
      const room = DEMO_PLACES.find((p) => p.id === run.placeId)!.room_trays;
      expect(Math.max(...used.get(run.placeId)!.slice(run.from - today, run.to - today)) - room).toBe(run.most_slots);
    }
  });
});

describe('one batch through its work', () => {
  const plan: BatchPlan = {
    plantsWanted: 100,
    spare_frac: 0.1,
    transplantOn: requireDay('2027-06-10'),
    hardening_days: 8,
    places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
    sowContainerId: 2,
    potContainerId: 6,
  };
  const done = (kind: BatchEvent['kind'], day: number, count: number | null = null) => ({
    kind,
    day,
    count,
    placeId: null,
    note: '',
    cause: '',
  });

  it('asks for sowing on its day, looks, off heat, pot, and shows how late', () => {
    const free = worked('tomato', plan, []);
    const sowOn = free.work[0]!.dueOn;
    expect(free.work.map((job) => job.kind)).toEqual([
      'sow',
      'look',
      'off-heat',
      'pot',
      'space',
      'harden',
      'rung',
      'rung',
      'rung',
      'rung',
      'rung',
      'rung',
      'plant',
    ]);
    expect(worked('tomato', plan, [], sowOn - 1).round).toEqual([]);
    expect(worked('tomato', plan, [], sowOn).round).toMatchObject([{ kind: 'sow', count: 110, trays: 2, placeId: 1 }]);
    const late = worked('tomato', plan, [], sowOn + 4);
    expect([late.round[0]!.dueOn, late.progress.late_days]).toEqual([
      sowOn,
      expect.toSatisfy((n: number) => n >= 3 && n <= 5),
    ]);

    const sown = worked('tomato', plan, [done('sown', sowOn, 110)], sowOn + 5);
    expect(sown.round[0]).toMatchObject({ kind: 'look', max_count: 110 });
    const up = worked('tomato', plan, [done('sown', sowOn, 110), done('emerged', sowOn + 6, 60)], sowOn + 6);
    expect(up.round[0]).toMatchObject({ kind: 'off-heat', dueOn: sowOn + 6, toPlaceId: 3 });
    expect(up.round[0]!.why).toContain('60 of 110 up');
  });

  it('counts once a day and leaves a held job until tomorrow', () => {
    const sowOn = worked('tomato', plan, []).work[0]!.dueOn;
    const log = [done('sown', sowOn, 110), done('counted', sowOn + 5, 3)];
    expect(worked('tomato', plan, log, sowOn + 5).round).toEqual([]);
    expect(worked('tomato', plan, log, sowOn + 6).round).toMatchObject([{ kind: 'look' }]);
    const held = [{ ...done('held', sowOn), cause: 'sow' }];
    expect(worked('tomato', plan, held, sowOn).round).toEqual([]);
    expect(worked('tomato', plan, held, sowOn + 1).round).toMatchObject([{ kind: 'sow' }]);
  });
});
