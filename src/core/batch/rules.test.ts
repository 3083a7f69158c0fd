import { describe, expect, it } from 'vitest';
import type { BatchEvent, EventKind, Phase, PottingDetails } from './event.ts';
import { logLine as line, pottingDetails as details } from '../../../tests/support/logLines.ts';
import { effectiveEvents, reduceLog, splitSnapshot, UNSOWN, type BatchState } from './reduce.ts';
import { refusalOf, STEPS, upByTrays } from './refusal.ts';

const state = (more: Partial<BatchState> = {}): BatchState => ({
  ...UNSOWN,
  phase: 'growing',
  facts: { sow: 10 },
  sown_count: 100,
  alive_count: 90,
  up_count: 80,
  lastDay: 20,
  ...more,
});
const refused = (its: BatchState, kind: EventKind, count: number | null = null, more: Partial<BatchEvent> = {}) =>
  refusalOf(its, line(kind, 20, count, more))?.field ?? 'taken';
const of = (...lines: BatchEvent[]): BatchState => {
  const read = reduceLog(lines);
  expect(read.refusal).toBeNull();
  return read.state;
};
const sown = line('sown', 10, 100, { placeId: 1 });

describe('what may follow what', () => {
  const phases: readonly Phase[] = ['planned', 'sown', 'emerged', 'growing', 'potted', 'hardening', 'planted', 'ended'];
  it('each step from its first phase to its last, and from no other', () => {
    for (const [kind, step] of Object.entries(STEPS)) {
      const [from, upTo] = [phases.indexOf(step.from), phases.indexOf(step.upTo)];
      phases.forEach((phase, i) => {
        const its = state({
          phase,
          up_count: null,
          ...(phase === 'planned' ? { alive_count: null, sown_count: null } : {}),
        });
        const count = kind === 'hardening-started' || kind === 'off-heat' ? null : 5;
        expect(refused(its, kind as EventKind, count), `${kind} while ${phase}`).toBe(
          i >= from && i <= upTo ? 'taken' : 'kind',
        );
      });
    }
  });
  it('says that it is logged already, or where the batch stands', () => {
    const again = refusalOf(state({ facts: { sow: 10, 'off-heat': 18 } }), line('off-heat', 21))!;
    expect(again.reason).toMatch(/logged already/);
    expect(refusalOf(state({ phase: 'planned' }), line('potted', 21, 5))!.reason).toBe('the batch is not sown yet');
  });
  it('not before the last line, on its day it may; what is free of days may come at any time', () => {
    expect(refusalOf(state(), line('moved', 19))).toMatchObject({ field: 'day' });
    expect(refusalOf(state(), line('moved', 20))).toBeNull();
    expect(refusalOf(state({ lastDay: null }), line('moved', 1))).toBeNull();
    expect(refusalOf(state(), line('note', 1))).toBeNull();
    expect(refusalOf(state({ phase: 'ended' }), line('note', 30))).toBeNull();
    expect(refused(state({ phase: 'ended' }), 'moved')).toBe('kind');
  });
  it('a hold is for sixty days at the most', () => {
    expect(refused(state(), 'held', 60)).toBe('taken');
    expect(refused(state(), 'held', 61)).toBe('count');
    expect(refused(state(), 'held', null)).toBe('taken');
  });
  it('a split begins a batch and nothing else', () => {
    expect(refused(state({ lastDay: null }), 'split-in', 5)).toBe('taken');
    expect(refused(state(), 'split-in', 5)).toBe('kind');
  });
  it('counting ends with potting, spacing is of potted plants and once, moving on of those up', () => {
    expect(refused(state({ phase: 'growing' }), 'counted', 85)).toBe('taken');
    expect(refused(state({ phase: 'potted' }), 'counted', 85)).toBe('kind');
    expect(refused(state({ phase: 'growing' }), 'spaced')).toBe('kind');
    expect(refused(state({ phase: 'potted' }), 'spaced')).toBe('taken');
    expect(refused(state({ phase: 'potted', facts: { sow: 10, space: 15 } }), 'spaced')).toBe('kind');
    const on = { details: details() };
    expect(refused(state({ phase: 'sown' }), 'moved-on', 5, on)).toBe('kind');
    expect(refused(state({ phase: 'emerged' }), 'moved-on', 5, on)).toBe('taken');
    expect(refused(state({ phase: 'potted' }), 'moved-on', 5, on)).toBe('taken');
    expect(refused(state({ phase: 'hardening' }), 'moved-on', 5, on)).toBe('kind');
    expect(refused(state({ phase: 'emerged' }), 'moved-on', 5)).toBe('kind');
  });
  it('before sowing nothing is lost or moved; planted out nothing is lost, moved or split, but it may be seen and ended', () => {
    for (const kind of ['lost', 'moved', 'split-out'] as const) {
      expect(refused(state({ phase: 'planned' }), kind, 5)).toBe('kind');
      expect(refused(state({ phase: 'planted' }), kind, 5)).toBe('kind');
    }
    expect(refused(state({ phase: 'planted' }), 'stood', 5)).toBe('taken');
    expect(refused(state({ phase: 'hardening' }), 'stood', 5)).toBe('kind');
    expect(refused(state({ phase: 'planted' }), 'ended')).toBe('taken');
    expect(refused(state({ phase: 'planned', lastDay: null }), 'ended')).toBe('taken');
  });
});

describe('how many there can be', () => {
  it('what needs a number is refused without one', () => {
    const missing = ['counted', 'lost', 'split-out'] as const;
    for (const kind of missing) expect(refused(state(), kind), kind).toBe('count');
    expect(refused(state({ phase: 'planned' }), 'sown')).toBe('count');
    expect(refused(state({ phase: 'planned' }), 'arrived')).toBe('count');
    expect(refused(state(), 'potted')).toBe('count');
    expect(refused(state({ phase: 'sown' }), 'emerged')).toBe('taken');
    expect(refused(state({ phase: 'hardening', rung: 1 }), 'rung')).toBe('count');
  });
  it('at least one is sown, comes, is potted, lost or split off', () => {
    expect(refused(state({ phase: 'planned' }), 'sown', 0)).toBe('count');
    expect(refused(state({ phase: 'planned' }), 'sown', 1)).toBe('taken');
    expect(refused(state({ phase: 'planned' }), 'arrived', 0)).toBe('count');
    expect(refused(state({ phase: 'planned' }), 'arrived', 1)).toBe('taken');
    expect(refused(state(), 'potted', 0)).toBe('count');
    expect(refused(state(), 'potted', 1)).toBe('taken');
    expect(refused(state(), 'lost', 0)).toBe('count');
    expect(refused(state(), 'lost', 1)).toBe('taken');
    expect(refused(state(), 'split-out', 0)).toBe('count');
    expect(refused(state(), 'split-out', 1)).toBe('taken');
  });
  it('no more up than sown or alive, and never fewer than before', () => {
    expect(refused(state({ alive_count: 100 }), 'counted', 100)).toBe('taken');
    expect(refused(state({ alive_count: 120 }), 'counted', 101)).toBe('count');
    expect(refused(state(), 'counted', 90)).toBe('taken');
    expect(refused(state(), 'counted', 91)).toBe('count');
    expect(refused(state(), 'counted', 80)).toBe('taken');
    expect(refused(state(), 'counted', 79)).toBe('count');
    const young = state({ phase: 'sown' });
    expect([90, 91, 80, 79].map((n) => refused(young, 'emerged', n))).toEqual(['taken', 'count', 'taken', 'count']);
    expect(refused(state({ up_count: null }), 'counted', 0)).toBe('taken');
  });
  it('no more lost, planted or split off than there are; a split leaves at least one', () => {
    expect([90, 91].map((n) => refused(state(), 'lost', n))).toEqual(['taken', 'count']);
    expect([90, 91].map((n) => refused(state({ phase: 'hardening' }), 'planted-out', n))).toEqual(['taken', 'count']);
    expect([89, 90].map((n) => refused(state(), 'split-out', n))).toEqual(['taken', 'count']);
  });
  it('potted, thrown out and left over come out of what there was and what doubles gave', () => {
    const pot = (count: number, more: Partial<PottingDetails> = {}) =>
      refused(state(), 'potted', count, { details: details(more) });
    expect([90, 91].map((n) => pot(n))).toEqual(['taken', 'count']);
    expect(pot(85, { culled: { weak: 3, leggy: 1 }, leftOver: 1 })).toBe('taken');
    expect(pot(85, { culled: { weak: 3, leggy: 2 }, leftOver: 1 })).toBe('count');
    expect(pot(95, { doubled: 5 })).toBe('taken');
    expect(pot(96, { doubled: 5 })).toBe('count');
    const said = refusalOf(state(), line('potted', 20, 95, { details: details({ doubled: 2, leftOver: 1 }) }))!.reason;
    expect(said).toBe(
      'only 90 are left, and 2 from doubles; 95 potted and 1 thrown out or left over are more than that',
    );
    expect(refusalOf(state(), line('potted', 20, 95, { details: details() }))!.reason).toBe('only 90 are left');
  });
  it('a step is one up or any down, from the first', () => {
    const on = (rung: number, n: number) => refused(state({ phase: 'hardening', rung }), 'rung', n);
    expect([on(2, 3), on(2, 4), on(2, 1), on(2, 0)]).toEqual(['taken', 'count', 'taken', 'count']);
    expect(refused(state({ phase: 'potted' }), 'rung', 1)).toBe('kind');
  });
});

describe('counted tray by tray', () => {
  it('goes on as it began: by trays or as a whole', () => {
    expect(refused(state({ up_count: null }), 'counted', 5, { tray: 1 })).toBe('taken');
    expect(refused(state({ up_count: 0 }), 'counted', 5, { tray: 1 })).toBe('taken');
    expect(refused(state({ up_count: 1 }), 'counted', 5, { tray: 1 })).toBe('count');
    expect(refused(state({ trayUp: { 1: 5 }, up_count: 5 }), 'counted', 60)).toBe('count');
    expect(refused(state({ trayUp: { 1: 5 }, up_count: 5 }), 'counted', 5, { tray: 1 })).toBe('taken');
    expect(refused(state({ trayUp: { 1: 5 }, up_count: 5 }), 'counted', 4, { tray: 1 })).toBe('count');
    expect(refused(state({ trayUp: { 1: 5 }, up_count: 5 }), 'counted', 5, { tray: 2 })).toBe('taken');
  });
  it('after a loss each tray may have fewer, by those lost and no more, until it is counted again', () => {
    const lost = of(
      sown,
      line('counted', 15, 30, { tray: 1 }),
      line('counted', 15, 20, { tray: 2 }),
      line('lost', 16, 6),
    );
    expect(lost).toMatchObject({ up_count: 44, traysToCount: [1, 2], lost_count: 6, alive_count: 94 });
    expect(refused(lost, 'counted', 24, { tray: 1 })).toBe('taken');
    expect(refused(lost, 'counted', 23, { tray: 1 })).toBe('count');
    // Four of the six were of tray 1: two are still gone from tray 2.
    expect(upByTrays(lost, 1, 26)).toBe(44);
    expect(upByTrays(lost, 1, 30)).toBe(44);
    expect(upByTrays(lost, 1, 36)).toBe(50);
    const one = of(
      sown,
      line('counted', 15, 30, { tray: 1 }),
      line('counted', 15, 20, { tray: 2 }),
      line('lost', 16, 6),
      line('counted', 17, 26, { tray: 1 }),
    );
    expect(one).toMatchObject({ up_count: 44, traysToCount: [2] });
    expect(upByTrays(one, 2, 19)).toBe(45);
    expect(refused(one, 'counted', 25, { tray: 1 })).toBe('count');
  });
});

describe('what a log makes of a batch', () => {
  it('a hold runs from its day; a plain one adds to it, one that names its days stands instead', () => {
    const held = (...lines: BatchEvent[]) => of(sown, ...lines).held;
    expect(held(line('held', 20, 3, { cause: 'pot' }))).toEqual({ pot: 23 });
    expect(held(line('held', 20, null, { cause: 'pot' }))).toEqual({ pot: 21 });
    expect(held(line('held', 20, 5, { cause: 'pot' }), line('held', 21, null, { cause: 'pot' }))).toEqual({ pot: 25 });
    expect(held(line('held', 20, 5, { cause: 'pot' }), line('held', 21, 1, { cause: 'pot' }))).toEqual({ pot: 22 });
    expect(held(line('held', 20, 5, { cause: 'pot' }), line('held', 21, 0, { cause: 'pot' }))).toEqual({ pot: 21 });
  });
  it('days hardening was held are kept, and those a shorter hold takes back are not', () => {
    const days = (...lines: BatchEvent[]) => of(sown, ...lines).rungHeld;
    const hold = (day: number, count: number | null) => line('held', day, count, { cause: 'rung' });
    expect(days(hold(20, 3))).toEqual([20, 21, 22]);
    expect(days(hold(20, 4), hold(21, 1))).toEqual([20, 21]);
    expect(days(hold(20, 4), hold(21, 0))).toEqual([20]);
    expect(days(hold(20, 4), hold(21, null))).toEqual([20, 21, 22, 23]);
    expect(days(line('held', 20, 3, { cause: 'pot' }))).toEqual([]);
  });
  it('cover, treatment, watering and signs are told without moving its last day', () => {
    const its = of(
      sown,
      line('cover', 30, 1),
      line('treated', 8),
      line('treated', 9),
      line('watered', 25),
      line('watered', 22),
      line('sign', 26, 3, { cause: 'leaves' }),
    );
    expect(its).toMatchObject({
      covered: true,
      treatedOn: 8,
      wateredOn: 25,
      sign: { sign: 'leaves', day: 26, leaves: 3 },
      lastDay: 10,
    });
    expect(of(sown, line('cover', 11, 1), line('cover', 12, 0)).covered).toBe(false);
  });
  it('half up is the day of the count that reached half of those expected, the lost among them', () => {
    const half = (frac: number, ...lines: BatchEvent[]) => reduceLog([sown, ...lines], frac).state.facts['half-up'];
    expect(half(0.8, line('counted', 15, 40))).toBe(15);
    expect(half(0.8, line('counted', 15, 39))).toBeUndefined();
    expect(half(0.8, line('counted', 15, 30), line('lost', 16, 10), line('counted', 17, 30))).toBe(17);
    expect(half(0.8, line('counted', 15, 30), line('lost', 16, 10), line('counted', 17, 29))).toBeUndefined();
    expect(half(0.8, line('counted', 15, 40), line('emerged', 18, 60))).toBe(15);
    expect(half(0.8, line('counted', 15, 9), line('off-heat', 19))).toBe(19);
    expect(half(0.8, line('counted', 15, 40), line('off-heat', 19))).toBe(15);
    expect(of(sown, line('emerged', 18)).up_count).toBeNull();
    expect(of(sown, line('counted', 14, 0), line('counted', 15, 1), line('counted', 16, 2)).facts['first-up']).toBe(15);
  });
  it('a potting: what is neither potted, thrown out nor left over of those counted has died', () => {
    const pot = (count: number, more: Partial<PottingDetails> = {}) =>
      of(
        sown,
        line('counted', 15, 80),
        line('off-heat', 16),
        line('sign', 17, null, { cause: 'roots' }),
        line('potted', 40, count, { details: details(more) }),
      );
    expect(pot(70)).toMatchObject({ lost_count: 10, left_count: 0, alive_count: 70, up_count: 70, sign: null });
    expect(pot(70, { culled: { weak: 4 }, leftOver: 5 })).toMatchObject({ lost_count: 5, left_count: 5 });
    expect(pot(78, { doubled: 6, culled: { weak: 3 } })).toMatchObject({ lost_count: 8 });
    expect(pot(85)).toMatchObject({ lost_count: 0, up_count: 85 });
    expect(pot(70).moves).toEqual([{ containerId: 6, day: 40, count: 70, last: true }]);
    expect(of(sown, line('off-heat', 16), line('potted', 40, 70)).moves).toEqual([]);
    expect(of(sown, line('off-heat', 16), line('potted', 40, 70, { details: details() })).lost_count).toBe(0);
    const on = of(
      sown,
      line('emerged', 15, 80),
      line('moved-on', 25, 75, { details: details({ containerId: 3 }) }),
      line('off-heat', 26),
      line('potted', 40, 70, { details: details() }),
    );
    expect(on.moves.map(({ containerId, last }) => [containerId, last])).toEqual([
      [3, false],
      [6, true],
    ]);
    expect(on.lost_count).toBe(10);
  });
  it('losses and splits come off what stands, an end before planting loses the rest', () => {
    expect(of(sown, line('counted', 15, 80), line('lost', 16, 85))).toMatchObject({
      up_count: 0,
      alive_count: 15,
      lost_count: 85,
    });
    expect(of(sown, line('counted', 15, 80), line('split-out', 16, 30))).toMatchObject({
      up_count: 50,
      alive_count: 70,
      lost_count: 0,
    });
    expect(of(sown, line('split-out', 16, 30))).toMatchObject({ up_count: null, alive_count: 70 });
    expect(of(sown, line('lost', 16, 30)).up_count).toBeNull();
    expect(of(sown, line('counted', 15, 80), line('ended', 16, null, { cause: 'mice' }))).toMatchObject({
      phase: 'ended',
      endCause: 'mice',
      lost_count: 80,
    });
    expect(of(sown, line('ended', 16)).lost_count).toBe(0);
  });
  it('planting: the number said, else all that stand; the rest are left over; the bed has its own cover', () => {
    const out = (count: number | null, more: Partial<BatchEvent> = {}) =>
      of(
        sown,
        line('counted', 15, 80),
        line('off-heat', 16),
        line('cover', 17, 1),
        line('hardening-started', 40),
        line('planted-out', 50, count, more),
      );
    expect(out(70)).toMatchObject({ planted_count: 70, left_count: 10, covered: null, phase: 'planted' });
    expect(out(null)).toMatchObject({ planted_count: 80, left_count: 0 });
    expect(of(sown, line('off-heat', 16), line('planted-out', 50)).planted_count).toBe(100);
    expect(out(80, { planting: { coverId: 3 } as never }).covered).toBe(true);
    expect(out(80, { planting: { coverId: null } as never }).covered).toBe(false);
    const ended = of(
      sown,
      line('counted', 15, 80),
      line('off-heat', 16),
      line('planted-out', 50, 80),
      line('ended', 60),
    );
    expect(ended.lost_count).toBe(0);
  });
  it('places: a stay for each new one, none for the same again', () => {
    const its = of(
      sown,
      line('moved', 12, null, { placeId: 2 }),
      line('counted', 13, 5, { placeId: 2 }),
      line('moved', 14, null, { placeId: 1 }),
    );
    expect(its.stays).toEqual([
      { placeId: 1, from: 10 },
      { placeId: 2, from: 12 },
      { placeId: 1, from: 14 },
    ]);
    expect(its.placeId).toBe(1);
  });
  it('a split hands on where it stood, with its own number and never more up than that', () => {
    const before = of(sown, line('counted', 15, 80), line('off-heat', 16), line('hardening-started', 40));
    const into = (count: number) => of(line('split-in', 41, count, { snapshot: splitSnapshot(before), placeId: 4 }));
    expect(into(30)).toMatchObject({
      phase: 'hardening',
      alive_count: 30,
      up_count: 30,
      rung: 1,
      rungOn: 40,
      sown_count: 100,
      lastCountOn: 15,
      moves: [],
    });
    expect(into(95).up_count).toBe(80);
    expect(of(line('split-in', 41, 30, { snapshot: splitSnapshot(of(sown)) })).up_count).toBeNull();
    expect(() => reduceLog([line('split-in', 41, 30)])).toThrow(/without the state it came from/);
  });
  it('corrections stand in the place of what they correct, the last of a chain, and a withdrawn line is gone', () => {
    const [a, b] = [line('counted', 15, 30), line('counted', 16, 40)];
    const better = line('counted', 15, 31, { correctsId: a.id });
    const best = line('counted', 15, 32, { correctsId: better.id });
    expect(effectiveEvents([sown, a, b, better, best]).map((e) => e.count)).toEqual([100, 32, 40]);
    expect(
      effectiveEvents([sown, a, b, line('withdrawn', 17, null, { correctsId: a.id })]).map((e) => e.count),
    ).toEqual([100, 40]);
  });
  it('the first line that cannot follow is told, with what stood before it', () => {
    const bad = line('counted', 15, 300);
    const { state: its, refusal } = reduceLog([sown, bad, line('counted', 16, 5)]);
    expect(refusal).toMatchObject({ field: 'count', event: bad });
    expect(its.up_count).toBeNull();
  });
});
