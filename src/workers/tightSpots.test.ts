import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../tests/support/demoHouse.ts';
import { tightSpots } from './tightSpots.ts';

describe('where the season may become tight', () => {
  const whole = demoHouse();
  // What uses one bench, and nothing else: few enough to be worked out several times.
  const bench = whole.house.places.find((p) => p.name === 'Bench 2')!;
  const uses = whole.batches.filter((b) => Object.values(b.plan.places).includes(bench.id)).slice(0, 12);
  const sent = {
    house: {
      ...whole.house,
      places: whole.house.places.map((p) => (p.id === bench.id ? { ...p, room_trays: 24 } : p)),
    },
    batches: uses,
  };
  const answer = tightSpots(sent);

  it('the bench is found, with the weeks and the batches that stand there', () => {
    const [first] = answer.spots;
    expect(first!.placeId).toBe(bench.id);
    expect(first!.odds_frac).toBeGreaterThan(0.2);
    for (const id of first!.batchIds) expect(uses.some((b) => b.id === id)).toBe(true);
    expect(answer.weeks.every((w) => w.odds_frac >= 0.05)).toBe(true);
  });

  it('an offer eases it by what it says when it is taken', () => {
    const spot = answer.spots.find((s) => s.ease)!;
    const { offer, after_frac } = spot.ease!;
    expect(after_frac).toBeLessThan(spot.odds_frac);
    const of = offer.batches[0]!;
    const taken = {
      ...sent,
      batches: sent.batches.map((b) =>
        b.id === of.id ? { ...b, plan: { ...b.plan, places: of.places, steps: of.steps } } : b,
      ),
    };
    const now = tightSpots(taken).spots.filter(
      (s) => s.placeId === spot.placeId && s.from < spot.to && s.to > spot.from,
    );
    expect(Math.max(0, ...now.map((s) => s.odds_frac))).toBeCloseTo(after_frac, 6);
  });

  it('what is pinned is not asked to move', () => {
    const pinned = { ...sent, batches: sent.batches.map((b) => ({ ...b, pinned: true })) };
    expect(tightSpots(pinned).spots.every((s) => s.ease === null)).toBe(true);
  });
});
