import { logLine } from '../../../tests/support/logLines.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EVENT_KINDS, type BatchEvent } from './event.ts';
import { effectiveEvents, reduceLog, splitSnapshot, UNSOWN } from './reduce.ts';
import { refusalOf } from './refusal.ts';

const event = (kind: BatchEvent['kind'], day: number, rest: Partial<BatchEvent> = {}) => logLine(kind, day, null, rest);

const life = (): BatchEvent[] => [
  event('sown', 10, { count: 100, placeId: 1 }),
  event('counted', 14, { count: 12 }),
  event('emerged', 15, { count: 55 }),
  event('off-heat', 15, { placeId: 2 }),
  event('counted', 20, { count: 90 }),
  event('potted', 30, { count: 84, placeId: 3 }),
  event('spaced', 40),
  event('lost', 41, { count: 4, cause: 'slugs' }),
  event('hardening-started', 50, { placeId: 4 }),
  event('rung', 51, { count: 2 }),
  event('planted-out', 58, { count: 80 }),
];

describe('a whole life', () => {
  it('reads as it was lived', () => {
    const { state, refusal } = reduceLog(life());
    expect(refusal).toBeNull();
    expect(state).toMatchObject({
      phase: 'planted',
      facts: { sow: 10, 'first-up': 14, 'half-up': 15, 'off-heat': 15, pot: 30, space: 40, harden: 50, plant: 58 },
      sown_count: 100,
      up_count: 80,
      planted_count: 80,
      // 90 were counted, 84 potted: 6 died, 4 went to slugs. Ten cells never came.
      lost_count: 10,
      placeId: 4,
      rung: 2,
    });
    expect(state.stays.map((stay) => [stay.placeId, stay.from])).toEqual([
      [1, 10],
      [2, 15],
      [3, 30],
      [4, 50],
    ]);
  });

  it('off the heat without a logged half up stands for it', () => {
    const { state } = reduceLog([event('sown', 1, { count: 9 }), event('off-heat', 6)]);
    expect(state.facts).toEqual({ sow: 1, 'half-up': 6, 'off-heat': 6 });
  });

  it('the first count above none is the first up, later ones and none are not', () => {
    const counts = [event('sown', 1, { count: 9 }), event('counted', 4, { count: 0 })];
    expect(reduceLog(counts).state.facts).toEqual({ sow: 1 });
    const { state } = reduceLog([...counts, event('counted', 5, { count: 2 }), event('counted', 6, { count: 4 })]);
    // 4 of 9 are more than half of the 85% thought to come.
    expect(state.facts).toEqual({ sow: 1, 'first-up': 5, 'half-up': 6 });
  });

  it('half up has the day of the count that passed it, not the day the tray was moved', () => {
    const late = [
      event('sown', 1, { count: 100 }),
      event('counted', 6, { count: 30 }),
      event('counted', 8, { count: 50 }),
    ];
    expect(reduceLog([...late, event('off-heat', 14)]).state.facts['half-up']).toBe(8);
    // Of a lot of which a third comes, 20 are more than half.
    expect(reduceLog(late, 0.33).state.facts['half-up']).toBe(6);
  });

  it('a hold puts one job off and changes nothing else', () => {
    const { state } = reduceLog([event('sown', 1, { count: 9 }), event('held', 5, { cause: 'look' })]);
    expect(state.held).toEqual({ look: 6 });
    expect(state.phase).toBe('sown');
  });
});

describe('corrections', () => {
  it('take the place of what they correct, chains of them too', () => {
    const sown = event('sown', 10, { count: 100 });
    const first = event('sown', 11, { count: 90, correctsId: sown.id });
    const second = event('sown', 9, { count: 95, correctsId: first.id });
    expect(effectiveEvents([sown, first, second])).toEqual([second]);
    expect(reduceLog([sown, first, second]).state).toMatchObject({ facts: { sow: 9 }, sown_count: 95 });
  });
  it('a withdrawn line is gone, and a withdrawal of the end opens the batch again', () => {
    const end = event('ended', 12, { cause: 'lost' });
    const events = [event('sown', 10, { count: 100 }), end];
    expect(reduceLog(events).state.phase).toBe('ended');
    expect(reduceLog([...events, event('withdrawn', 13, { correctsId: end.id })]).state.phase).toBe('sown');
  });
});

describe('what cannot be', () => {
  it.each([
    ['up before sown', [], event('emerged', 5, { count: 1 }), 'kind'],
    ['more up than sown', [event('sown', 1, { count: 10 })], event('emerged', 5, { count: 11 }), 'count'],
    [
      'counts that fall',
      [event('sown', 1, { count: 10 }), event('counted', 4, { count: 8 })],
      event('counted', 5, { count: 7 }),
      'count',
    ],
    ['a day before the last', [event('sown', 10, { count: 10 })], event('counted', 9, { count: 1 }), 'day'],
    ['potted twice', life().slice(0, 6), event('potted', 31, { count: 10 }), 'kind'],
    ['more potted than there are', life().slice(0, 5), event('potted', 31, { count: 101 }), 'count'],
    ['a step left out', life().slice(0, 9), event('rung', 52, { count: 4 }), 'count'],
    ['spaced in its sowing tray', life().slice(0, 4), event('spaced', 20), 'kind'],
    ['anything after the end', [event('ended', 3)], event('sown', 4, { count: 5 }), 'kind'],
  ] as const)('%s', (_, before, next, field) => {
    const { refusal } = reduceLog([...before, next]);
    expect(refusal).toMatchObject({ field, event: { id: next.id } });
  });

  it('whatever is sent, no accepted log has fewer than none left or more up than sown', () => {
    const any = fc.record({
      kind: fc.constantFrom(...EVENT_KINDS.filter((kind) => kind !== 'split-in' && kind !== 'withdrawn')),
      day: fc.integer({ min: 0, max: 60 }),
      count: fc.option(fc.integer({ min: 0, max: 120 }), { nil: null }),
      placeId: fc.option(fc.integer({ min: 1, max: 5 }), { nil: null }),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 40 }), (raw) => {
        const kept: BatchEvent[] = [];
        for (const one of raw) {
          const next = event(one.kind, one.day, one);
          if (reduceLog([...kept, next]).refusal === null) kept.push(next);
        }
        const { state } = reduceLog(kept);
        if (state.alive_count !== null) expect(state.alive_count).toBeGreaterThanOrEqual(0);
        if (state.sown_count !== null) expect(state.up_count ?? 0).toBeLessThanOrEqual(state.sown_count);
        const facts = ['sow', 'first-up', 'half-up', 'off-heat', 'pot', 'space', 'harden', 'plant']
          .map((k) => state.facts[k as 'sow'])
          .filter((d) => d !== undefined);
        expect(facts).toEqual([...facts].sort((a, b) => a - b));
      }),
      { seed: 13, numRuns: 600 },
    );
  });
});

describe('a split', () => {
  it('goes on from the state it came from', () => {
    const parent = reduceLog(life().slice(0, 6)).state;
    const part = reduceLog([event('split-in', 31, { count: 20, placeId: 3, snapshot: splitSnapshot(parent) })]).state;
    expect(part).toMatchObject({ phase: 'potted', alive_count: 20, facts: parent.facts, placeId: 3 });
    expect(refusalOf(part, event('spaced', 35))).toBeNull();
    expect(refusalOf(UNSOWN, event('split-out', 1, { count: 3 }))).not.toBeNull();
  });
});

describe('hardening held by hand', () => {
  const line = (kind: BatchEvent['kind'], day: number, count: number | null, cause = ''): Omit<BatchEvent, 'id'> => ({
    kind,
    day,
    count,
    placeId: null,
    note: '',
    cause,
    correctsId: null,
    snapshot: null,
  });
  const begun = [
    line('sown', 1, 10),
    line('emerged', 6, 6),
    line('off-heat', 7, null),
    line('hardening-started', 20, null),
  ];
  const after = (...more: readonly Omit<BatchEvent, 'id'>[]) =>
    reduceLog([...begun, ...more].map((e, i) => ({ ...e, id: i + 1 })));

  it('for so many days, the day itself the first; fewer take back, none lets go', () => {
    expect(after(line('held', 21, 3, 'rung')).state).toMatchObject({ held: { rung: 24 }, rungHeld: [21, 22, 23] });
    const less = after(line('held', 21, 3, 'rung'), line('held', 21, 1, 'rung')).state;
    expect(less).toMatchObject({ held: { rung: 22 }, rungHeld: [21] });
    expect(after(line('held', 21, 3, 'rung'), line('held', 21, 0, 'rung')).state.rungHeld).toEqual([]);
    expect(after(line('held', 21, 61, 'rung')).refusal).toMatchObject({ field: 'count' });
  });
  it('a step up by one or back by any, never past the next', () => {
    const { state } = after(line('rung', 21, 2), line('rung', 22, 1));
    expect(state).toMatchObject({ rung: 1, rungOn: 22, rungLoggedOn: 22 });
    expect(after(line('rung', 21, 1), line('rung', 22, 1)).state).toMatchObject({
      rung: 1,
      rungOn: 20,
      rungLoggedOn: 22,
    });
    expect(after(line('rung', 21, 3)).refusal).toMatchObject({
      field: 'count',
      reason: expect.stringMatching(/1 to 2/) as string,
    });
  });
  it('how it stood is asked only of what is planted out', () => {
    expect(after(line('stood', 22, 9, 'well')).refusal).toMatchObject({ field: 'kind' });
    expect(after(line('planted-out', 25, 9), line('stood', 32, 8, 'losses')).state.stood).toEqual({
      stood: 'losses',
      day: 32,
      count: 8,
    });
  });
});
