import { describe, expect, it } from 'vitest';
import { demoHouse, withPlans } from '../../tests/support/demoHouse.ts';
import { readyInTime_frac } from '../core/batch/inTime.ts';
import { batchProgress, type Progress } from '../core/batch/progress.ts';
import type { PlannedSteps } from '../core/plan/batchPlan.ts';
import type { WorkKey } from '../core/plan/stage.ts';
import { withSetPoints, type ProposedBatch, type ProposedSetPoints } from '../core/plan/placement/proposal.ts';
import { milestoneOf } from '../core/plan/schedule/chain.ts';
import { overRoom, type OverRoom } from '../core/plan/schedule/roomUse.ts';
import { tablesOfHouse } from '../core/plan/schedule/seasonTables.ts';
import type { SeasonBatch } from '../contracts/plan/seasonData.ts';
import type { PlanAnswer, PlanRequest, SeasonSent } from '../contracts/plan/planner.ts';
import { presentState } from '../core/plan/placement/present.ts';
import { bandsOf, isTender } from '../core/growth/bands.ts';
import { temperatureOn } from '../core/plan/schedule/placeClimate.ts';
import { prepare } from './prepared.ts';
import { offersFor } from './seasonOffers.ts';
import { makeRoom, planSeason } from './seasonPlanner.ts';

const USUAL: Pick<PlanRequest, 'seed' | 'look' | 'only' | 'setPoints' | 'sure_frac'> = {
  sure_frac: null,
  seed: 1,
  look: 'usual',
  only: null,
  setPoints: true,
};

function planned(sent: SeasonSent, options: Partial<PlanRequest> = {}): PlanAnswer {
  const run = planSeason({ ...sent, ...USUAL, ...options }, null);
  for (;;) {
    const { done, value } = run.next();
    if (done === true) return value;
  }
}

/** The application's own forecasts with some plans and set-points taken over: another way to the same days. */
function forecasts(
  { house, batches }: SeasonSent,
  proposed: readonly ProposedBatch[] = [],
  setPoints: readonly ProposedSetPoints[] = [],
): { progress: Map<number, Progress>; over: OverRoom[] } {
  const places = house.places.map((p) => withSetPoints(p, setPoints.find((s) => s.placeId === p.id)?.setPoints));
  const tables = tablesOfHouse({ ...house, places });
  const containers = new Map(house.containers.map((c) => [c.id, c]));
  const progress = new Map(
    batches.map((batch) => {
      const part = proposed.find((p) => p.id === batch.id);
      const plan = part ? { ...batch.plan, places: part.places, steps: part.steps } : batch.plan;
      const crop = house.crops.find((c) => c.id === batch.cropId)!;
      const { state, weather } = batch;
      return [
        batch.id,
        batchProgress({ crop, plan, state, offHeat: house.offHeat, tables, containers, today: house.today, weather }),
      ];
    }),
  );
  const stands = [...progress.values()].flatMap((p) => p.stands);
  return { progress, over: overRoom(stands, places, house.today, 300) };
}

function expectOnItsDays(steps: PlannedSteps, progress: Progress, name: string): void {
  expect(progress.forecast.kind, name).toBe('chain');
  if (progress.forecast.kind !== 'chain') return;
  for (const [key, day] of Object.entries(steps)) {
    const milestone = milestoneOf(progress.forecast, key as WorkKey);
    if (milestone && milestone.status !== 'done') expect(milestone.day, `${name} ${key}`).toBe(day);
  }
}

describe('planning the demo season', () => {
  const sent = demoHouse();
  const answer = planned(sent);

  it('the application’s own forecasts fall on the planned days, and nothing is over room', () => {
    expect(answer.proposal.unplaced).toEqual([]);
    const { progress, over } = forecasts(sent, answer.proposal.batches, answer.proposal.setPoints);
    for (const { id, steps } of answer.proposal.batches) {
      expectOnItsDays(steps, progress.get(id)!, sent.batches.find((b) => b.id === id)!.name);
    }
    expect(forecasts(sent).over.length).toBeGreaterThan(0);
    expect(over).toEqual([]);
  });

  it('planned again right after it was taken, nothing changes', () => {
    const of = new Map(answer.proposal.setPoints.map((s) => [s.placeId, s.setPoints]));
    const taken = withPlans(
      {
        ...sent,
        house: {
          ...sent.house,
          places: sent.house.places.map((p) => ({ ...withSetPoints(p, of.get(p.id)), version: 2 })),
        },
      },
      (b) => answer.proposal.batches.find((p) => p.id === b.id) ?? null,
    );
    expect(planned(taken, { seed: 2 }).proposal.batches).toEqual([]);
  });

  it('gives no tender crop a night that checks it, from coming up to hardening', () => {
    const { progress } = forecasts(sent, answer.proposal.batches, answer.proposal.setPoints);
    const places = sent.house.places.map((p) =>
      withSetPoints(p, answer.proposal.setPoints.find((s) => s.placeId === p.id)?.setPoints),
    );
    const tables = tablesOfHouse({ ...sent.house, places });
    let looked = 0;
    for (const { id } of answer.proposal.batches) {
      const batch = sent.batches.find((b) => b.id === id)!;
      const crop = sent.house.crops.find((c) => c.id === batch.cropId)!;
      if (!isTender(crop) || batch.state.phase !== 'planned') continue;
      for (const { stage, placeId, from, to } of progress.get(id)!.stands) {
        const line = bandsOf(crop, stage).checkNight_C;
        const place = sent.house.places.find((p) => p.id === placeId)!;
        if (stage !== 'harden') expect(['frame', 'ground'], `${batch.name} ${stage}`).not.toContain(place.kind);
        for (let day = from; line !== null && day < to; day++) {
          expect(temperatureOn(tables.climateOf(placeId), day).night_C, batch.name).toBeGreaterThanOrEqual(line);
          looked++;
        }
      }
    }
    expect(looked).toBeGreaterThan(100);
  });

  it('is the same for the same seed; what has happened stays', () => {
    expect(planned(sent)).toEqual(answer);
    const { progress } = forecasts(sent);
    const after = forecasts(sent, answer.proposal.batches, answer.proposal.setPoints).progress;
    for (const batch of sent.batches) {
      const past = (p: Progress) => p.stands.filter((s) => s.to < sent.house.today);
      expect(past(after.get(batch.id)!)).toEqual(past(progress.get(batch.id)!));
    }
  });

  it('what the weather keeps is hardened from the day it would be without, and has its room until it is let out', () => {
    // As good three weeks before: by the plants alone it would go out sooner where that saves something.
    const EARLY = { before_days: 21, after_days: 21 };
    const waits = (b: SeasonBatch) => b.state.phase === 'planned';
    const weather = (b: SeasonBatch) => {
      const p50 = b.plan.transplantOn + 6;
      return { p10: p50 - 3, p50, p90: p50 + 5, inTime_frac: 0.3 };
    };
    const held = {
      ...sent,
      batches: sent.batches.map((b) => (waits(b) ? { ...b, plan: { ...b.plan, ...EARLY }, weather: weather(b) } : b)),
    };
    const { proposal } = planned(held);
    const { progress, over } = forecasts(held, proposal.batches, proposal.setPoints);
    expect(over).toEqual([]);
    const kept = held.batches.filter(waits).flatMap((b) => {
      const steps = proposal.batches.find((p) => p.id === b.id)?.steps;
      return steps ? [{ b, steps, p50: b.weather!.p50! }] : [];
    });
    expect(kept.length).toBeGreaterThan(3);
    for (const { b, steps, p50 } of kept) {
      expect(steps.plant, b.name).toBeGreaterThanOrEqual(b.plan.transplantOn);
      // Not put off because the weather may: it would let it out later still.
      const latest = b.plan.transplantOn + EARLY.after_days - b.plan.hardening_days;
      expect(steps.harden, b.name).toBeLessThanOrEqual(latest);
      expect(progress.get(b.id)!.stands.at(-1)!.to, b.name).toBeGreaterThanOrEqual(p50);
    }
  });

  it('from empty: batches without places get them', () => {
    const empty = withPlans(sent, ({ state }) =>
      state.phase === 'planned' ? { places: { germinate: null, grow: null, pot: null, harden: null } } : null,
    );
    const filled = planned(empty);
    expect(filled.proposal.unplaced).toEqual([]);
    const { progress, over } = forecasts(empty, filled.proposal.batches, filled.proposal.setPoints);
    expect(over).toEqual([]);
    expect([...progress.values()].every((p) => p.forecast.kind === 'chain')).toBe(true);
  });

  it('leaves pinned batches where they are, in the place and month asked for moves nothing else', () => {
    const loose = sent.batches.find((b) => b.state.phase === 'planned')!;
    const pinned = { ...sent, batches: sent.batches.map((b) => (b.id === loose.id ? { ...b, pinned: true } : b)) };
    expect(planned(pinned).proposal.batches.some((b) => b.id === loose.id)).toBe(false);
    const { house } = sent;
    const part = planned(sent, { only: { placeId: 4, from: house.today + 7, to: house.today + 35 } });
    const { progress } = forecasts(sent);
    const stands = (id: number) =>
      progress.get(id)!.stands.some((s) => s.placeId === 4 && s.from < house.today + 35 && s.to > house.today + 7);
    const whole = forecasts(sent, part.proposal.batches);
    const after = whole.progress;
    const slotsOver = (over: readonly OverRoom[]) => over.reduce((sum, run) => sum + run.most_slots, 0);
    expect(slotsOver(whole.over)).toBeLessThan(slotsOver(forecasts(sent).over));
    for (const run of whole.over)
      expect(
        forecasts(sent).over.some((old) => old.placeId === run.placeId && old.from <= run.from && old.to >= run.to),
      ).toBe(true);
    for (const batch of sent.batches) {
      if (!stands(batch.id)) expect(after.get(batch.id)!.stands, batch.name).toEqual(progress.get(batch.id)!.stands);
    }
  });

  it.each([
    ['Bench 2', 14, 28],
    ['Bench 1', 35, 63],
  ])(
    'weeks that are kept keep who stands there, their set-points and what is known of their days: %s',
    (name, a, b) => {
      const placeId = sent.house.places.find((p) => p.name === name)!.id;
      const kept = { placeId, from: sent.house.today + a, to: sent.house.today + b };
      const stood = (progress: ReadonlyMap<number, Progress>) =>
        [...progress].flatMap(([id, p]) =>
          p.stands.some((s) => s.placeId === placeId && s.from < kept.to && s.to > kept.from) ? [id] : [],
        );
      const before = stood(forecasts(sent).progress);
      expect(before.length).toBeGreaterThan(0);
      const { proposal } = planned(sent, { keep: [kept] });
      expect(proposal.batches.filter((b) => before.includes(b.id))).toEqual([]);
      expect(proposal.batches.length).toBeGreaterThan(0);
      const weeks = proposal.setPoints.find((s) => s.placeId === placeId)!.setPoints.map((s) => s.week);
      expect(weeks.length).toBeGreaterThan(0);
      expect(weeks.filter((week) => week < kept.to && week + 7 > kept.from)).toEqual([]);
      expect(stood(forecasts(sent, proposal.batches, proposal.setPoints).progress).sort()).toEqual(before.sort());
      // And what keeps them warm, before those weeks and after: none is less sure of its days.
      const [was, is] = [forecasts(sent).progress, forecasts(sent, proposal.batches, proposal.setPoints).progress];
      for (const id of before) {
        const { plan } = sent.batches.find((b) => b.id === id)!;
        const sure = (p: Progress) => readyInTime_frac(p, plan, sent.house.today);
        expect(sure(is.get(id)!), `batch ${id}`).toBeCloseTo(sure(was.get(id)!)!, 6);
      }
      // Without it some of them move.
      expect(answer.proposal.batches.some((b) => before.includes(b.id))).toBe(true);
    },
  );

  it('keeps cool crops out of warmer set-points than the nursery’s rule', () => {
    const strict = { ...sent, house: { ...sent.house, coolMost_C: 18 } };
    const { proposal } = planned(strict);
    const cool = new Set(strict.house.crops.filter((c) => c.group === 'cool').map((c) => c.id));
    const { progress } = forecasts(strict, proposal.batches, proposal.setPoints);
    for (const batch of strict.batches) {
      if (!cool.has(batch.cropId) || batch.state.phase !== 'planned') continue;
      for (const stand of progress.get(batch.id)!.stands) {
        if (stand.stage === 'harden') continue;
        const place = strict.house.places.find((p) => p.id === stand.placeId)!;
        const weeks = proposal.setPoints.find((s) => s.placeId === place.id)?.setPoints ?? [];
        for (const week of weeks) {
          if (week.week + 6 < stand.from || week.week >= stand.to) continue;
          expect(week.setPoint_C === null || week.setPoint_C <= 18, `${batch.name} in ${place.name}`).toBe(true);
        }
      }
    }
  });
});

describe('the season as it is', () => {
  it('counts every batch that stands somewhere, overdue ones as well', () => {
    const sent = demoHouse();
    const { problem, season, batches } = prepare(sent);
    const state = presentState(problem, season, batches);
    const { progress } = forecasts(sent);
    for (const task of problem.tasks) expect(state.plans[task.index], task.spec.name).not.toBeNull();
    problem.instance.places.forEach((place, p) => {
      for (let d = 1; d < 90; d++) {
        let used = 0;
        for (const { stands } of progress.values()) {
          for (const s of stands)
            if (s.placeId === place.id && s.from - season.from <= d && s.to - season.from > d) used += s.slots;
        }
        expect(problem.room[p * problem.days + d]! - state.free[p * problem.days + d]!, `${place.name} day ${d}`).toBe(
          used * 100,
        );
      }
    });
  });
});

describe('closed days', () => {
  it('nothing is planned there then, and what stands there is over room', () => {
    const sent = demoHouse();
    const closed = [{ from: sent.house.today + 20, to: sent.house.today + 26 }];
    const shut = {
      ...sent,
      house: { ...sent.house, places: sent.house.places.map((p) => (p.id === 4 ? { ...p, closed } : p)) },
    };
    expect(
      forecasts(shut).over.some((run) => run.placeId === 4 && run.from <= closed[0]!.from && run.to > closed[0]!.to),
    ).toBe(true);
    const { proposal } = planned(shut);
    const { progress } = forecasts(shut, proposal.batches, proposal.setPoints);
    for (const [id, { stands }] of progress) {
      const there = stands.filter((s) => s.placeId === 4 && s.from <= closed[0]!.to && s.to > closed[0]!.from);
      if (!proposal.unplaced.includes(id)) expect(there).toEqual([]);
    }
  });
});

describe('what cannot be placed is said, with what would place it', () => {
  const sent = demoHouse();
  const planting = sent.batches.find((b) => b.state.phase === 'planned' && b.plan.potContainerId !== null)!;
  const one = { ...sent, batches: [planting] };

  it('a batch with more trays than any place holds: raise part of it, or find room', () => {
    const huge = withPlans(one, () => ({ plantsWanted: 4000 }));
    const { proposal, offers } = planned(huge);
    expect(proposal.unplaced).toEqual([planting.id]);
    const kinds = offers[0]!.offers.map((o) => o.kind);
    expect(kinds).toContain('more-room');
    const lack = offers[0]!.offers.find((o) => o.kind === 'more-room')!.lack!;
    expect(lack.slots).toBeGreaterThan(0);
    expect(lack.to).toBeGreaterThan(lack.from);
    const half = withPlans(one, () => ({ plantsWanted: 1300 }));
    const part = planned(half);
    if (part.proposal.unplaced.length > 0) expect(part.offers[0]!.offers.map((o) => o.kind)).toContain('fewer');
  });

  it('capacity zero everywhere, no place that suits, ranges that leave no set-point: said, nothing falls over', () => {
    const noRoom = { ...one, house: { ...one.house, places: one.house.places.map((p) => ({ ...p, room_trays: 0 })) } };
    expect(planned(noRoom).proposal.unplaced).toEqual([planting.id]);
    const bare = withPlans(one, () => ({ places: { germinate: null, grow: null, pot: null, harden: null } }));
    const dark = { ...bare, house: { ...bare.house, places: bare.house.places.filter((p) => !p.lit) } };
    expect(planned(dark).proposal.unplaced).toEqual([planting.id]);
    const fussy = {
      ...one,
      house: {
        ...one.house,
        crops: one.house.crops.map((c) =>
          c.id === planting.cropId ? { ...c, germMin_C: 29.9, germBest_C: 30, germMax_C: 30.1 } : c,
        ),
      },
    };
    expect(planned(fussy).proposal.unplaced).toEqual([planting.id]);
    expect(planned({ ...one, batches: [] }).proposal).toMatchObject({ batches: [], unplaced: [] });
  });

  it('a date too near: a later one is offered, and is really to be had', () => {
    const soon = withPlans(one, () => ({ transplantOn: one.house.today + 12 }));
    const { proposal, offers } = planned(soon);
    expect(proposal.unplaced).toEqual([planting.id]);
    const late = offers[0]!.offers.find((o) => o.kind === 'late')!;
    const [batch] = late.batches;
    const { progress } = forecasts(soon, [batch!]);
    expectOnItsDays(batch!.steps, progress.get(planting.id)!, planting.name);
  });
});

describe('offers', () => {
  const sent = demoHouse();
  const before = forecasts(sent);

  it('clear the overflow they say they clear, and cost the days they say', () => {
    const troubles = before.over.map(({ placeId, from, to }) => ({ kind: 'over' as const, placeId, from, to }));
    const offers = offersFor({ ...sent, troubles });
    expect(offers.some((list) => list.length > 1)).toBe(true);
    const slotDays = (at: OverRoom, progress: Map<number, Progress>) => {
      let sum = 0;
      const room = sent.house.places.find((p) => p.id === at.placeId)!.room_trays;
      for (let day = at.from; day < at.to; day++) {
        let used = 0;
        for (const p of progress.values())
          for (const s of p.stands) if (s.placeId === at.placeId && s.from <= day && s.to > day) used += s.slots;
        sum += Math.max(0, used - room);
      }
      return sum;
    };
    offers.forEach((list, i) => {
      const at = before.over[i]!;
      for (const offer of list) {
        const after = forecasts(sent, offer.batches, offer.setPoints);
        const cleared = slotDays(at, before.progress) - slotDays(at, after.progress);
        expect(cleared).toBeCloseTo(offer.cleared_slotDays, 6);
        if (offer.kind === 'set-point') continue;
        for (const { id, steps } of offer.batches) {
          expectOnItsDays(steps, after.progress.get(id)!, `${offer.kind} ${id}`);
          const shift = after.progress.get(id)!.late_days! - before.progress.get(id)!.late_days!;
          expect(shift).toBe(offer.later_days);
        }
      }
    });
  });

  it('one batch put where the grower wants it: others give way, few of them, and nothing new is over room', () => {
    const wantedOf = sent.batches.find(
      (b) => b.state.phase === 'planned' && before.progress.get(b.id)!.stands.length >= 3,
    )!;
    const answer = makeRoom({
      ...sent,
      batchId: wantedOf.id,
      wanted: { id: wantedOf.id, places: { ...wantedOf.plan.places, grow: 3 }, steps: {} },
    });
    expect(['clear', 'made room', 'over']).toContain(answer.kind);
    expect(answer.batches[0]!.places.grow).toBe(3);
    expect(answer.batches.length).toBeLessThanOrEqual(6);
    const impossible = makeRoom({
      ...sent,
      batchId: wantedOf.id,
      wanted: { id: wantedOf.id, places: { ...wantedOf.plan.places, germinate: 7 }, steps: {} },
    });
    expect(impossible).toMatchObject({ kind: 'no way', batches: [] });
  });
});

describe('plugs that are bought in', () => {
  it('stand from the day they come, whatever is planned after it', () => {
    const sent = demoHouse();
    const plain = sent.batches.find((b) => b.state.phase === 'planned' && b.plan.potContainerId === null)!;
    const on = sent.house.today + 3;
    const plugs: SeasonBatch = {
      ...plain,
      plan: {
        ...plain.plan,
        transplantOn: sent.house.today + 70,
        joins: { on, stage: 'grow', age_weeks: 3 },
        places: { ...plain.plan.places, germinate: null },
      },
    };
    const { proposal } = planned({ ...sent, batches: sent.batches.map((b) => (b.id === plain.id ? plugs : b)) });
    const { season, problem } = prepare({ ...sent, batches: [plugs] });
    const task = problem.tasks[season.batches.findIndex((b) => b.id === plain.id)]!;
    expect([task.lo[0], task.hi[0]]).toEqual([on - season.from, on - season.from]);
    expect(proposal.unplaced).not.toContain(plain.id);
  });
});
