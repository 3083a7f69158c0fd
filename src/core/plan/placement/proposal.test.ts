import { describe, expect, it } from 'vitest';
import type { Place } from '../../books/place.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { SeasonInstance } from './fromSeason.ts';
import { proposalOf, proposedBatch, withSetPoints } from './proposal.ts';
import type { PlacedBatch, Solution } from './solution.ts';

const MONDAY = 20_916;
const FRAME = 31;
const BENCH = 17;

const place = (id: number, more: Partial<Place> = {}): Place => ({
  id,
  name: `Place ${id}`,
  kind: 'bench',
  lit: false,
  room_trays: 20,
  walkOrder: id,
  periods: [],
  ...more,
});
const bench = place(BENCH, {
  temperature: {
    kind: 'set-point',
    levels_C: [24, 12, 18],
    usual_C: 18,
    nightDrop_K: 0,
    unheatedPlus_K: 2,
    loss_W_per_K: 10,
  },
});
const frame = place(FRAME, { temperature: { kind: 'written' } });

const plan = (more: Partial<BatchPlan> = {}): BatchPlan =>
  ({ places: { germinate: 1, grow: 2, pot: 3, harden: 4 }, joins: null, ...more }) as BatchPlan;

/** Two places, of which the first is heated, and batches through germinate, grow, pot and harden, five weeks of which the first is frozen. */
function season(batches: readonly { pinned?: boolean; at?: number; later_days?: number }[]): SeasonInstance {
  return {
    from: MONDAY,
    placeIds: [BENCH, FRAME],
    usualLevels: [0, 0],
    batches: batches.map(({ later_days = 0 }, i) => ({
      id: 100 + i,
      stages: ['germinate', 'grow', 'pot', 'harden'],
      later_days,
    })),
    instance: {
      frozenBlocks: 1,
      places: [{ levels: [12, 18, 24].map((setPoint_C) => ({ setPoint_C })) }, { levels: [{ setPoint_C: null }] }],
      batches: batches.map(({ pinned = false, at }) => ({ pinned, inProgress: at === undefined ? null : { at } })),
    },
  } as unknown as SeasonInstance;
}
const solution = (batches: readonly Partial<PlacedBatch>[]): Solution =>
  ({
    batches: batches.map((one, i) => ({ id: i, stays: [], out: null, ...one })),
    rows: [
      [0, 1, 2, 1, 0],
      [0, 0, 0, 0, 0],
    ],
  }) as unknown as Solution;
const plans = new Map([0, 1, 2].map((i) => [100 + i, plan()]));

describe('an answer read back', () => {
  it('names the places and days of what is to come, in days of the calendar', () => {
    const stays = [
      { stage: 0, place: 0, from: 8, to: 15 },
      { stage: 1, place: 1, from: 15, to: 30 },
    ];
    const { batches, unplaced } = proposalOf(season([{}]), solution([{ stays, out: 44 }]), plans, [bench, frame]);
    expect(unplaced).toEqual([]);
    expect(batches).toEqual([
      {
        id: 100,
        places: { germinate: BENCH, grow: FRAME, pot: 3, harden: 4 },
        steps: { sow: MONDAY + 8, 'off-heat': MONDAY + 15, plant: MONDAY + 44 },
      },
    ]);
  });

  it('says nothing of those that are pinned or kept as they are, and names those without a way', () => {
    const said = proposalOf(
      season([{ pinned: true }, {}, {}]),
      solution([{ out: 30 }, { out: 30, kept: true }, {}]),
      plans,
      [bench, frame],
    );
    expect(said.batches).toEqual([]);
    expect(said.unplaced).toEqual([102]);
  });

  it('a place nothing stands in is off in its free weeks; one that is used keeps its level; frozen weeks are left alone', () => {
    const stays = [{ stage: 0, place: 0, from: 14, to: 21 }];
    const { setPoints } = proposalOf(season([{}]), solution([{ stays, out: 40 }]), plans, [bench, frame]);
    expect(setPoints).toEqual([
      {
        placeId: BENCH,
        setPoints: [
          { week: MONDAY + 7, setPoint_C: null },
          { week: MONDAY + 14, setPoint_C: 24 },
          { week: MONDAY + 21, setPoint_C: null },
          { week: MONDAY + 28, setPoint_C: null },
        ],
      },
    ]);
  });

  it('a batch that is kept still needs the week of the morning on which it leaves', () => {
    const stays = [{ stage: 0, place: 0, from: 14, to: 21 }];
    const week = (kept: boolean) =>
      proposalOf(season([{}]), solution([{ stays, out: 40, kept }]), plans, [bench, frame]).setPoints[0]!.setPoints[2];
    expect(week(true)).toEqual({ week: MONDAY + 21, setPoint_C: 18 });
    expect(week(false)).toEqual({ week: MONDAY + 21, setPoint_C: null });
  });

  it('an empty place is kept at the least of its set-points that is warm enough, else it is off', () => {
    const idle = (idle_C: number | null) =>
      proposalOf(season([{}]), solution([{}]), plans, [bench, frame], idle_C).setPoints[0]!.setPoints[0]!.setPoint_C;
    expect(idle(null)).toBeNull();
    expect(idle(5)).toBe(12);
    expect(idle(12)).toBe(12);
    expect(idle(12.5)).toBe(18);
    expect(idle(18.1)).toBe(24);
    expect(idle(24.1)).toBeNull();
    // The book's own order stays as it was.
    expect(bench.temperature).toMatchObject({ levels_C: [24, 12, 18] });
  });
});

describe('one batch', () => {
  const stays = [
    { stage: 1, place: 1, from: 3, to: 20 },
    { stage: 2, place: 1, from: 20, to: 40 },
  ];
  it('the stage it is in has its place but no day any more', () => {
    const { steps, places } = proposedBatch(season([{ at: 1 }]), 0, stays, 60, plan());
    expect(steps).toEqual({ pot: MONDAY + 20, plant: MONDAY + 60 });
    expect(places.grow).toBe(FRAME);
  });

  it('plugs come on their own day, not by a step; another stage of theirs has its day', () => {
    const joins = { stage: 'grow', on: MONDAY + 3 } as BatchPlan['joins'];
    expect(proposedBatch(season([{}]), 0, stays, 60, plan({ joins })).steps).toEqual({
      pot: MONDAY + 20,
      plant: MONDAY + 60,
    });
    expect(proposedBatch(season([{}]), 0, stays, 60, plan()).steps['off-heat']).toBe(MONDAY + 3);
  });

  it('goes out on the day it is planned for, before what the weather keeps it', () => {
    expect(proposedBatch(season([{ later_days: 4 }]), 0, [], 60, plan()).steps).toEqual({ plant: MONDAY + 56 });
  });

  it('spaced out where it is potted is no place of its own', () => {
    const spaced = (space: number) =>
      proposedBatch(season([{}]), 0, [], 60, plan({ places: { germinate: 1, grow: 2, pot: 3, space, harden: 4 } }))
        .places;
    expect(spaced(3).space).toBeNull();
    expect(spaced(9).space).toBe(9);
  });
});

describe('a place with proposed set-points', () => {
  const kept = place(5, {
    setPoints: [
      { week: MONDAY + 14, setPoint_C: 20 },
      { week: MONDAY, setPoint_C: 18 },
    ],
  });
  it('has them in place of its own for the same weeks, in order', () => {
    const asked = [
      { week: MONDAY + 14, setPoint_C: 12 },
      { week: MONDAY + 7, setPoint_C: null },
    ];
    expect(withSetPoints(kept, asked).setPoints).toEqual([
      { week: MONDAY, setPoint_C: 18 },
      { week: MONDAY + 7, setPoint_C: null },
      { week: MONDAY + 14, setPoint_C: 12 },
    ]);
    expect(withSetPoints(place(6), asked).setPoints).toHaveLength(2);
  });
  it('is the same where nothing is proposed', () => {
    expect(withSetPoints(kept, undefined)).toBe(kept);
    expect(withSetPoints(kept, [])).toBe(kept);
  });
});
