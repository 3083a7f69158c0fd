import { describe, expect, it } from 'vitest';
import { horizonDays, newlyOver, overRoom, OVER_slots, roomOn, roomUsed } from './roomUse.ts';

const stand = (placeId: number, from: number, to: number, slots: number) => ({ placeId, from, to, slots });
const room = (id: number, room_trays: number, closed?: { from: number; to: number }[]) => ({
  id,
  room_trays,
  ...(closed ? { closed } : {}),
});

describe('room taken', () => {
  it('counts a batch on its first day and not on the day it leaves', () => {
    const used = roomUsed([stand(1, 102, 105, 4), stand(1, 104, 106, 2), stand(2, 100, 101, 1)], 100, 8);
    expect([...used.get(1)!]).toEqual([0, 0, 4, 4, 6, 2, 0, 0]);
    expect([...used.get(2)!]).toEqual([1, 0, 0, 0, 0, 0, 0, 0]);
    expect(used.has(3)).toBe(false);
  });

  it('counts what stood there before the days asked for, and no further than they go', () => {
    expect([...roomUsed([stand(1, 90, 102, 3), stand(1, 103, 200, 5)], 100, 5).get(1)!]).toEqual([3, 3, 0, 5, 5]);
    expect([...roomUsed([stand(1, 90, 100, 3)], 100, 2).get(1)!]).toEqual([0, 0]);
  });
});

describe('over room', () => {
  it('is told by runs of days, the first day it fits again not among them, with the most it is over by', () => {
    const stands = [stand(1, 100, 110, 8), stand(1, 103, 105, 4), stand(1, 104, 107, 1)];
    expect(overRoom(stands, [room(1, 10)], 100, 20)).toEqual([{ placeId: 1, from: 103, to: 105, most_slots: 3 }]);
    expect(overRoom(stands, [room(1, 8)], 100, 20)).toEqual([{ placeId: 1, from: 103, to: 107, most_slots: 5 }]);
    expect(overRoom(stands, [room(1, 13)], 100, 20)).toEqual([]);
  });

  it('full is not over; the rounding of sums is not over; a whole tray is', () => {
    const full = (slots: number) => overRoom([stand(1, 100, 102, slots)], [room(1, 10)], 100, 5);
    expect(full(10)).toEqual([]);
    expect(full(10 + OVER_slots / 2)).toEqual([]);
    expect(full(11)).toEqual([{ placeId: 1, from: 100, to: 102, most_slots: 1 }]);
  });

  it('a run that has not ended with the days asked for ends there; two runs are two', () => {
    const stands = [stand(1, 100, 102, 5), stand(1, 104, 120, 6)];
    expect(overRoom(stands, [room(1, 4)], 100, 8)).toEqual([
      { placeId: 1, from: 100, to: 102, most_slots: 1 },
      { placeId: 1, from: 104, to: 108, most_slots: 2 },
    ]);
  });

  it('is in order of day, then of place; places nobody stands in say nothing', () => {
    const stands = [stand(2, 100, 103, 9), stand(1, 100, 103, 9), stand(3, 99, 101, 9)];
    const found = overRoom(stands, [room(3, 1), room(1, 1), room(2, 1), room(4, 0)], 99, 10);
    expect(found.map(({ placeId, from }) => [placeId, from])).toEqual([
      [3, 99],
      [1, 100],
      [2, 100],
    ]);
  });

  it('on days a place is closed, both ends included, it has no room at all', () => {
    const closed = room(1, 10, [{ from: 102, to: 103 }]);
    expect([101, 102, 103, 104].map((day) => roomOn(closed, day))).toEqual([10, 0, 0, 10]);
    expect(overRoom([stand(1, 100, 110, 3)], [closed], 100, 10)).toEqual([
      { placeId: 1, from: 102, to: 104, most_slots: 3 },
    ]);
  });

  it('is new where it was not over before, or reaches higher or longer than before', () => {
    const run = (from: number, to: number, most_slots: number, placeId = 1) => ({ placeId, from, to, most_slots });
    const before = [run(100, 110, 4)];
    expect(newlyOver(before, [run(100, 110, 4), run(102, 105, 3)])).toEqual([]);
    for (const after of [run(99, 110, 4), run(100, 111, 4), run(100, 110, 5), run(100, 110, 4, 2)])
      expect(newlyOver(before, [after])).toEqual([after]);
  });
});

describe('how far a season reaches', () => {
  it('is to the day the last of it goes, at least a day and no further than a thousand', () => {
    expect(horizonDays([], 100)).toBe(1);
    expect(horizonDays([{ to: 90 }], 100)).toBe(1);
    expect(horizonDays([{ to: 130 }, { to: 120 }], 100)).toBe(31);
    expect(horizonDays([{ to: 5_000 }], 100)).toBe(1_000);
  });
});
