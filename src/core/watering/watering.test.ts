import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/random.ts';
import { waterAdvice } from './advice.ts';
import {
  alikeOf,
  believe,
  belowShare_prob,
  factorQuantile,
  FACTORS,
  NOTHING_SEEN,
  withLook,
  withWeight,
  type DryingBelief,
  type Look,
} from './belief.ts';
import { balanceOf, demandBetween_mm, gives, shareAfter } from './drying.ts';
import { holdingOf } from './holding.ts';
import { wetSurfaceHour_mm } from './evaporation.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const capacity = fc.double({ min: 0.5, max: 60, noNaN: true });

describe('what a tray gives', () => {
  it('falls as it dries, to nothing', () => {
    for (const cover of [0, 0.3, 1]) {
      expect(gives(1, cover)).toBe(1);
      expect(gives(0, cover)).toBe(0);
      for (let s = 0; s < 1; s += 0.01) expect(gives(s + 0.01, cover)).toBeGreaterThanOrEqual(gives(s, cover));
    }
  });

  it('after a demand is what a thousand small steps come to', () => {
    fc.assert(
      fc.property(share, fc.double({ min: 0, max: 40, noNaN: true }), capacity, share, (from, demand, mm, cover) => {
        let left = from;
        for (let i = 0; i < 4000; i++) left = Math.max(0, left - (gives(left, cover) * demand) / 4000 / mm);
        expect(shareAfter(from, demand, mm, cover)).toBeCloseTo(left, 2);
      }),
      { numRuns: 60 },
    );
  });

  it('and the demand that brings it there undo each other', () => {
    fc.assert(
      fc.property(share, share, capacity, share, (a, b, mm, cover) => {
        const [from, to] = [Math.max(a, b), Math.max(0.01, Math.min(a, b))];
        if (from <= to) return;
        const demand = demandBetween_mm(from, to, mm, cover);
        expect(shareAfter(from, demand, mm, cover)).toBeCloseTo(to, 6);
      }),
    );
  });

  it('balances: what came in is what went out, drained and is stored', () => {
    const hour = fc.record({
      demand_mm: fc.double({ min: 0, max: 2, noNaN: true }),
      added_mm: fc.oneof(fc.constant(0), fc.double({ min: 0, max: 30, noNaN: true })),
    });
    fc.assert(
      fc.property(fc.array(hour, { maxLength: 60 }), share, capacity, share, (hours, from, mm, cover) => {
        const { added_mm, lost_mm, drained_mm, stored_mm, shares } = balanceOf(hours, {
          ...{ share: from, capacity_mm: mm, cover, factor: 1.3 },
        });
        expect(lost_mm + drained_mm + stored_mm).toBeCloseTo(added_mm, 6);
        expect(Math.min(lost_mm, drained_mm)).toBeGreaterThanOrEqual(0);
        for (const s of shares) expect(s >= 0 && s <= 1).toBe(true);
      }),
    );
  });

  it('cannot be asked of what is not', () => {
    expect(() => shareAfter(1.2, 1, 10, 0)).toThrow(/share of the water it holds is 1.2/);
    expect(() => shareAfter(1, -1, 10, 0)).toThrow(/water, mm/);
    expect(() => demandBetween_mm(1, 0.5, 0, 0)).toThrow(/water a tray holds/);
    expect(demandBetween_mm(1, 0, 10, 0)).toBe(Infinity);
  });
});

describe('what is held', () => {
  const tray = { kind: 'cell-tray', footprint_slots: 1, volume_L: 3, perCarryingTray: 1 } as const;
  it('goes by the litres of mix; without them by the usual, which is said', () => {
    const known = holdingOf(tray);
    expect(known.guessed).toBe(false);
    expect(known.water_L).toBeCloseTo(0.84, 9);
    expect(known.capacity_mm).toBeCloseTo(0.84 / (0.54 * 0.28), 6);
    expect(holdingOf({ ...tray, volume_L: 0 })).toMatchObject({ ...known, guessed: true });
    expect(holdingOf({ ...tray, kind: 'pot', volume_L: 0.5, perCarryingTray: 15 }).water_L).toBeCloseTo(2.1, 6);
    expect(holdingOf(tray, 1).water_L).toBeCloseTo(1.84, 6);
  });
});

/** Usual days of the trade: what the air asks in a day of a wet surface. */
const houseDay_mm = (temp_C: number, humidity: number, light_MJ: number, bottom_K = 0): number =>
  Array.from({ length: 24 }, (_, h) => {
    const sun = Math.max(0, Math.sin((Math.PI * (h - 6)) / 12));
    const vapour = humidity * 0.6108 * Math.exp((17.27 * temp_C) / (temp_C + 237.3));
    const light_W_m2 = (sun * light_MJ * 1e6 * Math.PI) / 24 / 3600;
    return wetSurfaceHour_mm({ temp_C, vapour_kPa: vapour, air_m_s: 0.15, light_W_m2, bottom_K, height_m: 50 });
  }).reduce((a, b) => a + b, 0);

describe('the trade', () => {
  const days = (of: ReturnType<typeof holdingOf>, day_mm: number, cover: number): number =>
    demandBetween_mm(1, 0.35, of.capacity_mm, cover) / day_mm;

  it('waters boards of blocks at 20 degrees every second day (common practice, no source)', () => {
    const blocks = holdingOf({ kind: 'block', footprint_slots: 1, volume_L: 4.8, perCarryingTray: 1 });
    expect(days(blocks, houseDay_mm(20, 0.65, 4), 0.4)).toBeGreaterThan(1.5);
    expect(days(blocks, houseDay_mm(20, 0.65, 4), 0.4)).toBeLessThan(3.2);
  });

  it('waters 10 cm pots at 18 to 25 degrees every two to three days (common practice, no source)', () => {
    const pots = holdingOf({ kind: 'pot', footprint_slots: 1, volume_L: 0.5, perCarryingTray: 15 });
    for (const [temp, least, most] of [
      [18, 2, 6],
      [25, 1.5, 3.5],
    ] as const) {
      const every = days(pots, houseDay_mm(temp, 0.6, 6), 0.8);
      expect(every).toBeGreaterThan(least);
      expect(every).toBeLessThan(most);
    }
  });

  it('finds that bottom heat dries trays sooner, and small cells before deep ones', () => {
    expect(houseDay_mm(20, 0.65, 4, 4)).toBeGreaterThan(1.2 * houseDay_mm(20, 0.65, 4));
    const cells = (volume_L: number) =>
      holdingOf({ kind: 'cell-tray', footprint_slots: 1, volume_L, perCarryingTray: 1 });
    expect(days(cells(2.2), 4, 0.3)).toBeLessThan(0.5 * days(cells(4.8), 4, 0.3) + 0.2);
  });
});

describe('what is thought of how fast a tray dries', () => {
  const known = { humidity: true, light: true };
  const then = { share: 1, demand_mm: 6, capacity_mm: 8, cover: 0.4 };
  const seeing = (...looks: readonly Look[]) =>
    looks.reduce((evidence, look) => withLook(evidence, then, look), NOTHING_SEEN);

  it('begins about as worked out, wider where the air is guessed, and by trays like it', () => {
    const [sure, unsure] = [believe(NOTHING_SEEN, known), believe(NOTHING_SEEN, { humidity: false, light: false })];
    expect(factorQuantile(sure, 0.5)).toBeCloseTo(1, 6);
    const width = (b: DryingBelief) => factorQuantile(b, 0.9) / factorQuantile(b, 0.1);
    expect(width(unsure)).toBeGreaterThan(1.3 * width(sure));
    expect(factorQuantile(believe(NOTHING_SEEN, known, { mean: Math.log(1.6), sd: 0.1 }), 0.5)).toBeCloseTo(1.6, 1);
  });

  it('moves with what is seen; one slip of the thumb does not carry it off', () => {
    const dry = seeing('dry', 'dry', 'dry', 'dry', 'dry');
    const belief = believe(dry, known);
    expect(belief.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    const before = factorQuantile(belief, 0.5);
    expect(before).toBeGreaterThan(1.05);
    expect(factorQuantile(believe(withLook(dry, then, 'wet'), known), 0.5)).toBeGreaterThan(0.85 * before);
    expect(dry.seen).toBe(5);
  });

  it('comes to the factor that weights tell, though one of them is wrong', () => {
    let evidence = NOTHING_SEEN;
    for (const wrong of [0, 0, 1, 0, 0, 0]) {
      const left = shareAfter(1, 1.5 * then.demand_mm, then.capacity_mm, then.cover);
      evidence = withWeight(evidence, then, wrong ? Math.min(1, left + 0.6) : left);
    }
    // Five weights right and one wrong, and what was thought before: within a tenth.
    expect(Math.abs(factorQuantile(believe(evidence, known), 0.5) / 1.5 - 1)).toBeLessThan(0.1);
    expect(() => withWeight(evidence, then, -0.1)).toThrow(/share/);
  });

  it('goes by trays of the same place and container more than by others, and by one that is far off little', () => {
    const weighed = (factor: number) =>
      withWeight(NOTHING_SEEN, then, shareAfter(1, factor * then.demand_mm, then.capacity_mm, then.cover));
    const here = [1.5, 1.5, 1.5].map((f) => ({ evidence: weighed(f), placeId: 1, containerId: 1 }));
    const alike = alikeOf(here, 1, 1);
    expect(Math.exp(alike.mean)).toBeGreaterThan(1.3);
    expect(alike.sd).toBeLessThan(alikeOf([], 1, 1).sd);
    expect(alikeOf(here, 2, 2).mean).toBeLessThan(0.6 * alike.mean);
    const far = alikeOf([...here, { evidence: weighed(0.3), placeId: 1, containerId: 1 }], 1, 1);
    expect(far.mean).toBeGreaterThan(0.6 * alike.mean);
    expect(alikeOf([], 1, 1).mean).toBe(0);
  });

  it('gives chances that are those of its factors, drawn one by one', () => {
    const random = seededRandom(3);
    const belief = believe(seeing('moist'), { humidity: false, light: true });
    const ahead = { ...then, demand_mm: 9 };
    let below = 0;
    const draws = 20_000;
    for (let i = 0; i < draws; i++) {
      const factor = factorQuantile(belief, Math.min(1 - 1e-9, Math.max(1e-9, random())));
      if (shareAfter(1, factor * ahead.demand_mm, ahead.capacity_mm, ahead.cover) < 0.35) below++;
    }
    expect(Math.abs(belowShare_prob(belief, ahead, 0.35) - below / draws)).toBeLessThan(0.015);
    expect(belowShare_prob(belief, { ...then, demand_mm: 0 }, 0.35)).toBe(0);
    expect(belowShare_prob(belief, { ...then, share: 0.2 }, 0.35)).toBe(1);
    expect(FACTORS).toHaveLength(61);
  });

  it.each([
    ['wet this morning: no water', 0.4, 3, 'not', false],
    ['half empty with a hot day ahead: now', 5, 4, 'now', false],
    ['half empty with a day that would empty it full: now, and once more in between', 5, 8, 'now', true],
    ['wet, and yet a day that empties it: none now, but a second look', 1, 9, 'not', true],
    ['a dull day and half full: it lasts', 3.4, 0.4, 'later', false],
  ] as const)('says what to do: %s', (_words, so_far_mm, ahead_mm, want, secondLook) => {
    const evidence = [3, 4, 5, 6].reduce(
      (all, demand_mm) =>
        withWeight(all, { ...then, demand_mm }, shareAfter(1, demand_mm, then.capacity_mm, then.cover)),
      NOTHING_SEEN,
    );
    const advice = waterAdvice(believe(evidence, known), { ...then, demand_mm: so_far_mm }, ahead_mm);
    expect([advice.want, advice.secondLook]).toEqual([want, secondLook]);
  });

  it('has a tray watered once the chance that it goes dry is over two in a hundred, not only when it likely will', () => {
    const evidence = [3, 4, 5, 6].reduce(
      (all, demand_mm) =>
        withWeight(all, { ...then, demand_mm }, shareAfter(1, demand_mm, then.capacity_mm, then.cover)),
      NOTHING_SEEN,
    );
    const at = (ahead_mm: number) => waterAdvice(believe(evidence, known), { ...then, demand_mm: 3.4 }, ahead_mm);
    const first = Array.from({ length: 60 }, (_, i) => at(0.05 * i)).findIndex(({ want }) => want === 'now');
    expect(first).toBeGreaterThan(0);
    expect(at(0.05 * (first - 1))).toMatchObject({ want: 'later' });
    expect(at(0.05 * (first - 1)).dry_prob).toBeLessThanOrEqual(0.02);
    expect(at(0.05 * first).dry_prob).toBeGreaterThan(0.02);
    expect(at(0.05 * first).dry_prob).toBeLessThan(0.04);
  });
});
