import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Container } from '../books/container.ts';
import { feedFor, rateForNitrogen, strengthOf, type Feed } from './feed.ts';
import { keepFor } from './keep.ts';
import { loose_L, partsFor } from './mix.ts';
import { frustum_L, layersOf, perTray } from './pot.ts';
import { believable, minutesFor, paceOf, USUAL_PACE_perMin, type Timed } from './rates.ts';
import { planSession, type SessionLine } from './session.ts';
import { USUAL_POTTING } from './settings.ts';
import { onHand, toBuy } from './stock.ts';
import { workedBy, type Mark } from './timer.ts';

const pot: Container = {
  id: 6,
  name: '10 cm pot',
  kind: 'pot',
  cells: 1,
  perCarryingTray: 35,
  footprint_slots: 1,
  volume_L: 0,
  shape: { section: 'round', top_mm: 95, base_mm: 70, height_mm: 90 },
};

describe('litres of a pot', () => {
  it('are those of a cylinder and a box where it does not narrow', () => {
    const box = { section: 'square', top_mm: 100, base_mm: 100, height_mm: 100 } as const;
    expect(frustum_L(box, 100)).toBeCloseTo(1, 12);
    expect(frustum_L({ ...box, section: 'round' }, 50)).toBeCloseTo(Math.PI / 8, 12);
  });

  it('add up from layer to layer, and to what is stated', () => {
    const measured = layersOf(pot, 30);
    expect(measured.base_L + measured.top_L).toBeCloseTo(frustum_L(pot.shape!, 90), 12);
    const stated = layersOf({ ...pot, volume_L: 0.5 }, 30);
    expect(stated.base_L + stated.top_L).toBeCloseTo(0.5, 12);
    expect(stated.base_L / 0.5).toBeCloseTo(measured.base_L / frustum_L(pot.shape!, 90), 12);
    // A base as deep as the pot is all base.
    expect(layersOf(pot, 90).top_L).toBeCloseTo(0, 12);
    expect(layersOf({ ...pot, volume_L: 0.9 }, 0)).toMatchObject({ top_L: 0.9, doubtful: true });
  });

  it('of a tray are shared out over its cells', () => {
    const tray: Container = { ...pot, kind: 'cell-tray', cells: 60, volume_L: 3, shape: null };
    expect(layersOf(tray, 0).top_L).toBeCloseTo(0.05, 12);
    expect([perTray(tray), perTray(pot)]).toEqual([60, 35]);
  });

  it('are refused where the base is deeper than the pot, or nothing was measured, saying what to do', () => {
    expect(() => layersOf(pot, 91)).toThrow(/9.1 cm deep does not go into 10 cm pot, which is 9 cm deep/);
    expect(() => layersOf({ ...pot, shape: null, volume_L: 0.5 }, 30)).toThrow(/write its width and height/);
    expect(() => frustum_L({ ...pot.shape!, top_mm: 0 }, 10)).toThrow(RangeError);
  });
});

describe('mixes', () => {
  const items = new Map([
    [1, { id: 1, name: 'compost', pack: 60 }],
    [2, { id: 2, name: 'grit', pack: 20 }],
    [3, { id: 3, name: 'own compost', pack: 0 }],
  ]);
  it('are measured loose, settling and waste on top', () => {
    expect(loose_L(100, { settle_frac: 0.1, waste_frac: 0.05 })).toBeCloseTo(115.5, 12);
  });
  it('share a part among mixes and open whole bags', () => {
    const recipe = {
      id: 1,
      name: 'mix',
      parts: [
        { itemId: 1, parts: 6 },
        { itemId: 2, parts: 2 },
      ],
    };
    const rich = {
      id: 2,
      name: 'rich',
      parts: [
        { itemId: 3, parts: 1 },
        { itemId: 1, parts: 1 },
      ],
    };
    const need = partsFor(
      [
        { recipe, litres: 80 },
        { recipe: rich, litres: 120 },
      ],
      items,
    );
    expect(need).toEqual([
      { itemId: 1, name: 'compost', litres: 120, bags: 2, left_L: 0 },
      { itemId: 2, name: 'grit', litres: 20, bags: 1, left_L: 0 },
      { itemId: 3, name: 'own compost', litres: 60, bags: null, left_L: null },
    ]);
  });
  it('whose parts add up to nothing are refused by name', () => {
    const none = { id: 1, name: 'air', parts: [{ itemId: 1, parts: 0 }] };
    expect(() => partsFor([{ recipe: none, litres: 1 }], items)).toThrow(/parts of air add up to nothing/);
  });
});

describe('feed', () => {
  const feed: Feed = {
    name: 'powder',
    form: 'powder',
    basis: 'w/w',
    n_percent: 20,
    p_percent: 10,
    k_percent: 20,
    named: 'oxide',
    rate_perL: 1,
    density_kg_L: 1,
    ec_mS: 1,
  };
  const can = { fraction: 0.5, water_L: 10, injector: null, water_mS: 0.3 };
  it('goes into a can at a share of the label rate', () => {
    expect(feedFor(feed, can)).toMatchObject({ amount: 5, unit: 'g', n_ppm: 100, finished_L: 10, ec_mS: 0.8 });
  });
  it('of a tank is as strong at the plants as out of a can', () => {
    const tank = feedFor(feed, { ...can, injector: 100 });
    expect(tank).toMatchObject({ amount: 500, finished_L: 1000, n_ppm: 100 });
  });
  it('by weight of a liquid counts how heavy it is; by w/v it does not', () => {
    const liquid: Feed = { ...feed, form: 'liquid', density_kg_L: 1.2, rate_perL: 5 };
    expect(strengthOf(liquid, 5).n_ppm).toBeCloseTo(1200, 9);
    expect(strengthOf({ ...liquid, basis: 'w/v' }, 5).n_ppm).toBeCloseTo(1000, 9);
  });
  it('the other way round gives the rate for so many ppm', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 500, noNaN: true }), (n) => {
        expect(strengthOf(feed, rateForNitrogen(feed, n)).n_ppm).toBeCloseTo(n, 8);
      }),
    );
  });
  it('without a stated conductivity none is guessed', () => {
    expect(feedFor({ ...feed, ec_mS: null }, can).ec_mS).toBeNull();
  });
  it.each([
    [{ injector: 0 }, /parts of water for one of stock is 0/],
    [{ fraction: 0 }, /share of the label rate/],
    [{ water_L: NaN }, /litres is NaN/],
  ])('%j is refused', (wrong, why) => {
    expect(() => feedFor(feed, { ...can, ...wrong })).toThrow(why);
  });
  it('labels that cannot be are refused', () => {
    expect(() => feedFor({ ...feed, n_percent: 60, k_percent: 60 }, can)).toThrow(/N \+ P \+ K/);
    expect(() => rateForNitrogen({ ...feed, n_percent: 0 }, 100)).toThrow(/nitrogen of the feed/);
  });
});

describe('how many to keep', () => {
  it('none spare when none are lost, and enough when some are', () => {
    expect(keepFor(100, 0, 0.9)).toBe(100);
    expect(keepFor(1, 0.5, 0.9)).toBe(4);
  });
});

describe('the house’s own pace', () => {
  const timed = (containerId: number, cropId: number, perMinute: number): Timed => ({
    containerId,
    cropId,
    plants: perMinute * 20,
    minutes: 20,
    people: 1,
  });
  it('begins at the usual one, widely', () => {
    const pace = paceOf([], 1, 1);
    expect(pace.perMinute).toBeCloseTo(USUAL_PACE_perMin, 12);
    expect(pace.low).toBeLessThan(5);
    expect(pace.high).toBeGreaterThan(11);
  });
  it('moves with what is timed: most for the same container and crop, least for another container', () => {
    const seen = [timed(1, 1, 4), timed(1, 1, 4), timed(1, 1, 4)];
    const [same, crop, container] = [paceOf(seen, 1, 1), paceOf(seen, 1, 2), paceOf(seen, 2, 1)];
    expect(same.perMinute).toBeLessThan(crop.perMinute);
    expect(crop.perMinute).toBeLessThan(container.perMinute);
    expect(container.perMinute).toBeLessThan(USUAL_PACE_perMin);
    expect(same).toMatchObject({ own: 3, all: 3 });
    expect(container).toMatchObject({ own: 0, all: 3 });
    expect(same.high / same.low).toBeLessThan(paceOf([], 1, 1).high / paceOf([], 1, 1).low);
  });
  it('goes to what is timed often, and is not moved by clocks that were wrong', () => {
    const many = Array.from({ length: 50 }, () => timed(1, 1, 5));
    expect(paceOf(many, 1, 1).perMinute).toBeCloseTo(5, 1);
    const wrong: Timed[] = [
      { ...timed(1, 1, 5), minutes: 0.05 },
      { ...timed(1, 1, 5), minutes: 6000 },
    ];
    expect(wrong.map(believable)).toEqual([false, false]);
    expect(paceOf(wrong, 1, 1).perMinute).toBeCloseTo(USUAL_PACE_perMin, 12);
  });
  it('with one effect is the textbook’s conjugate normal', () => {
    // One observation, everything shared: precision-weighted mean of prior and what was seen.
    const spread = 0.4 ** 2 + 0.25 ** 2 + 0.15 ** 2;
    const weight = spread / (spread + 0.2 ** 2);
    const seen = paceOf([timed(1, 1, 4)], 1, 1).perMinute;
    const expected = Math.exp((1 - weight) * Math.log(USUAL_PACE_perMin) + weight * Math.log(4));
    expect(seen).toBeCloseTo(expected, 10);
  });
  it('hands share the plants', () => {
    const pace = paceOf([], 1, 1);
    expect(minutesFor(630, 1, pace).usual).toBeCloseTo(85, 9);
    expect(minutesFor(630, 2, pace).usual).toBeCloseTo(42.5, 9);
  });
});

describe('the timer', () => {
  const at = (minute: number, kind: Mark['kind']): Mark => ({ kind, at_ms: minute * 60_000 });
  it('counts what was worked, pauses left out, double taps once', () => {
    const marks = [at(0, 'start'), at(0.1, 'start'), at(10, 'pause'), at(11, 'pause'), at(30, 'start'), at(45, 'done')];
    expect(workedBy(marks, 9e9)).toMatchObject({ minutes: 25, state: 'done', forgotten: false });
    expect(workedBy([...marks, at(50, 'start')], 9e9).minutes).toBe(25);
  });
  it('runs on while it runs, and marks that come late are put in their place', () => {
    expect(workedBy([at(0, 'start')], 7 * 60_000)).toMatchObject({ minutes: 7, state: 'running' });
    expect(workedBy([at(10, 'pause'), at(0, 'start')], 9e9)).toMatchObject({ minutes: 10, state: 'paused' });
  });
  it('goes over midnight and a night the clocks change by the minutes that passed', () => {
    // 27 March 2027, 23:30 to 28 March 02:30 British Summer Time: two hours, not three.
    const marks: Mark[] = [
      { kind: 'start', at_ms: Date.parse('2027-03-27T23:30:00Z') },
      { kind: 'done', at_ms: Date.parse('2027-03-28T02:30:00+01:00') },
    ];
    expect(workedBy(marks, 0).minutes).toBe(120);
  });
  it('left on overnight is not believed', () => {
    expect(workedBy([at(0, 'start')], 14 * 3_600_000)).toMatchObject({ state: 'running', forgotten: true });
  });
});

describe('a session', () => {
  const line = (batchId: number, more: Partial<SessionLine> = {}): SessionLine => ({
    batchId,
    name: `batch ${batchId}`,
    cropId: 1,
    plants: 70,
    container: pot,
    recipe: { id: 1, name: 'mix', parts: [{ itemId: 1, parts: 1 }] },
    base: null,
    base_mm: 0,
    from: { id: 1, order: 1 },
    to: { id: 5, order: 5 },
    traysFrom: 2,
    spare_days: 6,
    ...more,
  });
  const plan = (lines: SessionLine[], people = 1) => planSession(lines, people, USUAL_POTTING, new Map(), []);
  it('does what cannot wait first, then what goes the same way together', () => {
    const lines = [
      line(1),
      line(2, { from: { id: 9, order: 9 } }),
      line(3),
      line(4, { spare_days: -2, from: { id: 9, order: 9 } }),
      line(5, { spare_days: 2 }),
    ];
    expect(plan(lines).lines.map((l) => l.batchId)).toEqual([4, 5, 1, 3, 2]);
  });
  it('is the same whatever order the batches were chosen in', () => {
    const lines = [1, 2, 3, 4, 5, 6].map((id) => line(id, { spare_days: (id * 5) % 7, plants: 30 + id }));
    expect(plan([...lines].reverse())).toEqual(plan(lines));
  });
  it('counts pots, part trays and a trolley shared by trays that go the same way', () => {
    const one = plan([line(1)]);
    expect(one.lines[0]).toMatchObject({ trays: 2, partTray: 0, trips: 1 });
    expect(plan([line(1, { plants: 71 })]).lines[0]).toMatchObject({ trays: 3, partTray: 1 });
    // Four batches of two trays fill one trolley of eight.
    expect(plan([line(1), line(2), line(3), line(4)]).trips).toBe(1);
    expect(plan([line(1), line(2, { to: { id: 4, order: 4 } })]).trips).toBe(2);
  });
  it('is quicker with more hands, and as wide as its parts allow', () => {
    const [alone, two] = [plan([line(1), line(2)]), plan([line(1), line(2)], 2)];
    expect(two.minutes.usual).toBeLessThan(alone.minutes.usual);
    expect(alone.minutes.low).toBeLessThan(alone.minutes.usual);
    const sum = alone.lines.reduce((all, l) => all + l.minutes.high - l.minutes.usual, 0);
    expect(alone.minutes.high - alone.minutes.usual).toBeLessThan(sum);
    expect(plan([]).plants).toBe(0);
  });
  it('refuses nobody, nothing and a base deeper than the pot', () => {
    expect(() => plan([line(1)], 0)).toThrow(/people/);
    expect(() => plan([line(1, { plants: 0 })])).toThrow(/plants of batch 1/);
    expect(() => plan([line(1, { base: line(1).recipe, base_mm: 120 })])).toThrow(/12 cm deep does not go/);
  });
});

describe('stock', () => {
  it('is the last count and what came and went since', () => {
    const moves = [
      { id: 1, kind: 'in', amount: 500 },
      { id: 2, kind: 'count', amount: 420 },
      { id: 3, kind: 'used', amount: -120 },
      { id: 4, kind: 'corrected', amount: 20 },
    ] as const;
    expect(onHand(moves)).toEqual({ amount: 320, check: false, counted: true });
    expect(onHand([{ id: 1, kind: 'used', amount: -5 }])).toEqual({ amount: -5, check: true, counted: false });
  });
  it('is bought in whole packs so that the least is left', () => {
    expect(toBuy(300, 320, 100, 250)).toEqual({ amount: 80, packs: 1 });
    expect(toBuy(300, 500, 100, 250)).toEqual({ amount: 0, packs: 0 });
    expect(toBuy(30, -10, 0, 0)).toEqual({ amount: 40, packs: null });
  });
});
