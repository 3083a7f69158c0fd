import stdNormalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { describe, expect, it } from 'vitest';
import { knockOn, type KnockOnBatch, type SpringOfBatch } from './knockOn.ts';

const FROM = 1000;
const BENCH = { id: 1, room_trays: 10 };
const slow = (id: number, from: number, days: (spring: SpringOfBatch) => number, slots = 6): KnockOnBatch => ({
  id,
  standsIf: (spring) => [{ placeId: 1, from: FROM + from, to: FROM + from + Math.round(days(spring)), slots }],
});
const fixed = (id: number, from: number, to: number, slots = 6): KnockOnBatch => slow(id, from, () => to - from, slots);
const run = (batches: readonly KnockOnBatch[], places: Parameters<typeof knockOn>[0]['places'] = [BENCH]) =>
  knockOn({ batches, places, from: FROM, days: 140, runs: 2000, seed: 3 });

describe('room in other springs', () => {
  it('is short as often as the closed form says that one is still there when the next one comes', () => {
    // 60 days of growth, the next one 9 days after that: still there when 60 e^(s z) rounds to 70 or more.
    const spread = Math.hypot(0.15, 0.08);
    const odds = 1 - stdNormalCdf(Math.log(69.5 / 60) / spread, 0, 1);
    const { spots, weeks } = run([slow(7, 0, (s) => 60 * s.growth), fixed(8, 69, 100)]);
    expect(spots).toHaveLength(1);
    expect(Math.abs(spots[0]!.odds_frac - odds)).toBeLessThan(0.06);
    expect(spots[0]).toMatchObject({ placeId: 1, from: FROM + 63, over_slots: 2, batchIds: [7, 8] });
    // The week in which they first meet is the likeliest; those after it less and less.
    expect(weeks.map((w) => w.from)).toEqual(weeks.map((_, i) => FROM + 63 + 7 * i));
    weeks.forEach((w, i) => expect(w.odds_frac).toBeLessThanOrEqual(weeks[Math.max(0, i - 1)]!.odds_frac));
  });

  it('goes by days to come up and by the weather as well, and by nothing that is fixed', () => {
    const emergence = run([slow(1, 0, (s) => 20 * s.emergence), fixed(2, 25, 60)]).spots[0]!;
    expect(Math.abs(emergence.odds_frac - (1 - stdNormalCdf(Math.log(25.5 / 20) / 0.2, 0, 1)))).toBeLessThan(0.06);
    const weather = run([slow(1, 0, (s) => (s.weather > 0.7 ? 40 : 20)), fixed(2, 30, 60)]).spots[0]!;
    expect(Math.abs(weather.odds_frac - 0.3)).toBeLessThan(0.06);
    expect(run([fixed(1, 0, 30), fixed(2, 30, 60)])).toMatchObject({ weeks: [], spots: [] });
  });

  it('has years that are slow for all: two batches are late together more often than apart', () => {
    // Each is still there in about a sixth of springs; both at once only for the years that they share.
    const both = run([slow(1, 0, (s) => 60 * s.growth, 3), slow(2, 0, (s) => 60 * s.growth, 3), fixed(3, 70, 100, 5)])
      .spots[0]!;
    const one = run([slow(1, 0, (s) => 60 * s.growth), fixed(3, 70, 100, 5)]).spots[0]!.odds_frac;
    expect(both.odds_frac).toBeGreaterThan(one * one * 1.15);
    expect(both.odds_frac).toBeLessThan(one);
  });

  it('counts a place that is closed as none, keeps places apart, and names the weakest first', () => {
    const places = [
      { ...BENCH, closed: [{ from: FROM + 14, to: FROM + 20 }] },
      { id: 2, room_trays: 4 },
    ];
    const other: KnockOnBatch = { id: 9, standsIf: () => [{ placeId: 2, from: FROM, to: FROM + 7, slots: 5 }] };
    const { spots } = run([fixed(1, 0, 30), other], places);
    expect(spots.map((s) => [s.placeId, s.from - FROM, s.to - FROM, s.odds_frac, s.over_slots])).toEqual([
      [1, 14, 21, 1, 6],
      [2, 0, 7, 1, 1],
    ]);
  });

  it('is the same for the same seed', () => {
    const batches = [slow(7, 0, (s) => 60 * s.growth * s.emergence), fixed(8, 66, 100)];
    expect(run(batches)).toEqual(run(batches));
  });
});
