import { describe, expect, it } from 'vitest';
import { UNSOWN, type BatchState } from '../batch/reduce.ts';
import type { Progress } from '../batch/progress.ts';
import type { Container } from '../books/container.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Chain, Milestone, MilestoneKey } from '../plan/schedule/chain.ts';
import { feedFor, rateForNitrogen, strengthOf, type Feed } from './feed.ts';
import { keepFor } from './keep.ts';
import { frustum_L, layersOf } from './pot.ts';
import { believable, paceOf, USUAL_PACE_perMin, type Timed } from './rates.ts';
import { readyOf, showsReady } from './ready.ts';
import { lastPottedOn, restedOn, restUntil } from './rest.ts';
import { planSession, type SessionLine } from './session.ts';
import { USUAL_POTTING } from './settings.ts';
import { binomialAtLeast } from '../numerics/binomial.ts';

const TODAY = 1000;
const pot: Container = {
  id: 6,
  name: 'pot',
  kind: 'pot',
  cells: 1,
  perCarryingTray: 10,
  footprint_slots: 1,
  volume_L: 1,
  shape: { section: 'square', top_mm: 100, base_mm: 100, height_mm: 100 },
};
const cells: Container = { ...pot, id: 2, kind: 'cell-tray', cells: 50, volume_L: 2, shape: null };
const pan: Container = { ...cells, id: 1, kind: 'seed-tray', cells: 200 };
const containers = new Map([pot, cells, pan].map((one) => [one.id, one]));

/** A batch up on a day, due for its pot on another. */
function ready(
  days: Partial<Record<MilestoneKey, number>>,
  state: Partial<BatchState> = {},
  sowContainerId = cells.id,
  settings = USUAL_POTTING,
) {
  const milestones = Object.entries(days).map(([key, day]) => ({ key, day, dueOn: day }) as unknown as Milestone);
  const progress = { forecast: { kind: 'chain', milestones } as unknown as Chain } as Progress;
  const plan = { sowContainerId, potContainerId: pot.id, places: {} } as unknown as BatchPlan;
  return readyOf(plan, { ...UNSOWN, phase: 'growing', ...state }, progress, containers, settings, TODAY);
}
const sign = (of: NonNullable<BatchState['sign']>['sign'], ago: number, leaves: number | null = null) => ({
  sign: { sign: of, day: TODAY - ago, leaves },
});

describe('when a batch is ready for its pot', () => {
  it('by the forecast: now, soon within a week, later; urgent when it has stood but for two days', () => {
    const says = (pot: number) => ready({ 'half-up': TODAY - 30, pot: TODAY + pot })!.says;
    expect(says(0)).toBe('now');
    expect(says(1)).toBe('soon');
    expect(says(7)).toBe('soon');
    expect(says(8)).toBe('later');
    // It stands eight days: two of them left is urgent, three is not.
    expect(says(-5)).toBe('now');
    expect(says(-6)).toBe('urgent');
    expect(ready({ pot: TODAY + 8 })).toMatchObject({
      job: 'pot',
      readyOn: TODAY + 8,
      harmOn: TODAY + 16,
      bySign: false,
    });
    expect(ready({ pot: TODAY + 8 })).toMatchObject({
      why: expect.stringContaining('by the forecast') as string,
      whyDay: TODAY + 8,
    });
  });
  it('by a sign: roots or touching leaves are ready whatever the forecast says, and harm four days on', () => {
    expect(ready({ pot: TODAY + 20 }, sign('roots', 0))).toMatchObject({
      says: 'now',
      bySign: true,
      harmOn: TODAY + 4,
      why: 'roots at the base of the cell {day}',
      whyDay: TODAY,
    });
    expect(ready({ pot: TODAY + 20 }, sign('touching', 2))!.says).toBe('urgent');
    expect(ready({ pot: TODAY + 20 }, sign('touching', 1))!.says).toBe('now');
  });
  it('leaves counted are ready at the number the house goes by', () => {
    expect(ready({ pot: TODAY + 20 }, sign('leaves', 0, 4))).toMatchObject({
      says: 'now',
      why: '4 true leaves counted {day}',
    });
    expect(ready({ pot: TODAY + 20 }, sign('leaves', 0, 3))).toMatchObject({ says: 'later', bySign: false });
    expect(ready({ pot: TODAY + 20 }, sign('true-leaves', 0))).toMatchObject({ says: 'later', bySign: false });
    expect(showsReady({ sign: 'leaves', day: TODAY, leaves: null }, 1)).toBe(false);
  });
  it('"not yet" is believed for two days', () => {
    expect(ready({ pot: TODAY - 3 }, sign('not-yet', 1))!.says).toBe('soon');
    expect(ready({ pot: TODAY - 3 }, sign('not-yet', 2))!.says).toBe('now');
    expect(ready({ pot: TODAY + 20 }, sign('roots', 0))!.says).toBe('now');
  });
  it('seedlings of one pan are pricked out ten days after half are up, where the pot is a week further off', () => {
    const from = (half: number, pot?: number, more = {}, settings = USUAL_POTTING) =>
      ready({ 'half-up': TODAY + half, ...(pot === undefined ? {} : { pot: TODAY + pot }) }, more, pan.id, settings);
    expect(from(-5)).toMatchObject({ job: 'prick-out', readyOn: TODAY + 5, says: 'soon' });
    expect(from(-5, 12)).toMatchObject({ job: 'pot' });
    expect(from(-5, 13)).toMatchObject({ job: 'prick-out' });
    // Past its day the week runs from today.
    expect(from(-20, 7)).toMatchObject({ job: 'pot' });
    expect(from(-20, 8)).toMatchObject({ job: 'prick-out', says: 'urgent' });
    expect(ready({ 'half-up': TODAY - 5, pot: TODAY + 13 })).toMatchObject({ job: 'pot' });
    expect(ready({ arrive: TODAY - 5 }, {}, pan.id)).toBeNull();
    expect(from(-5, undefined, sign('true-leaves', 0))).toMatchObject({ says: 'now', bySign: true });
    expect(from(-5, undefined, sign('leaves', 0, 1))).toMatchObject({ says: 'now', bySign: true });
    expect(from(-5, undefined, sign('leaves', 0, 1), { ...USUAL_POTTING, prickLeaves: 2 })!.bySign).toBe(false);
  });
  it('potted plants are potted on when a sign seen after the potting asks for it', () => {
    const potted = (of: Partial<BatchState>) => ready({}, { phase: 'potted', facts: { pot: TODAY - 10 }, ...of });
    expect(potted({})).toBeNull();
    expect(potted(sign('not-yet', 0))).toBeNull();
    expect(potted(sign('roots', 10))).toBeNull();
    expect(potted(sign('roots', 9))).toMatchObject({ job: 'pot-on', bySign: true, readyOn: TODAY, says: 'urgent' });
    expect(ready({}, { phase: 'potted', ...sign('roots', 3) })).toMatchObject({ job: 'pot-on' });
  });
  it('nothing lies ahead of a batch not up, hardening or out, or that cannot be worked out', () => {
    for (const phase of ['planned', 'sown', 'hardening', 'planted', 'ended'] as const)
      expect(ready({ 'half-up': TODAY, pot: TODAY }, { phase })).toBeNull();
    expect(ready({ pot: TODAY }, { phase: 'emerged' })).toMatchObject({ job: 'pot' });
    expect(ready({})).toBeNull();
    const unreachable = { forecast: { kind: 'unreachable' } } as unknown as Progress;
    expect(
      readyOf({} as BatchPlan, { ...UNSOWN, phase: 'growing' }, unreachable, containers, USUAL_POTTING, TODAY),
    ).toBeNull();
  });
});

describe('the rest after potting', () => {
  const of = (pot: number | undefined, ...moves: number[]) =>
    ({ facts: pot === undefined ? {} : { pot }, moves: moves.map((day) => ({ day })) }) as unknown as BatchState;
  it('counts from the last potting, pricking out and potting on among them', () => {
    expect(lastPottedOn(of(undefined))).toBeNull();
    expect(lastPottedOn(of(10))).toBe(10);
    expect(lastPottedOn(of(undefined, 4, 8))).toBe(8);
    expect(lastPottedOn(of(10, 4, 8))).toBe(10);
    expect(lastPottedOn(of(6, 4, 8))).toBe(8);
    expect(restedOn(of(10), 3)).toBe(13);
    expect(restedOn(of(undefined), 3)).toBe(-Infinity);
  });
  it('is told until the day before it ends', () => {
    expect(restUntil(of(10), 3, 12)).toBe(13);
    expect(restUntil(of(10), 3, 13)).toBeNull();
    expect(restUntil(of(undefined), 3, 0)).toBeNull();
  });
});

describe('a session', () => {
  const mix = (id: number) => ({ id, name: `mix ${id}`, parts: [{ itemId: 1, parts: 1 }] });
  const items = new Map([[1, { id: 1, name: 'compost', pack: 50 }]]);
  const line = (batchId: number, more: Partial<SessionLine> = {}): SessionLine => ({
    batchId,
    name: `batch ${batchId}`,
    cropId: 1,
    plants: 20,
    container: pot,
    recipe: null,
    base: null,
    base_mm: 0,
    from: { id: 1, order: 1 },
    to: { id: 2, order: 2 },
    traysFrom: 1,
    spare_days: 9,
    ...more,
  });
  const plan = (lines: SessionLine[], people = 1, timed: readonly Timed[] = []) =>
    planSession(lines, people, USUAL_POTTING, items, timed);

  it('litres are those of the pots with what settles and is wasted, each mix by itself, none for what has no mix', () => {
    const made = plan([
      line(1, { recipe: mix(1), base: mix(2), base_mm: 25 }),
      line(2, { recipe: mix(1) }),
      line(3, { recipe: mix(3), container: { ...pot, volume_L: 1 }, base: mix(2), base_mm: 100 }),
      line(4),
    ]);
    const more = 1.1 * 1.05;
    expect(Object.fromEntries(made.mixes.map(({ recipeId, litres }) => [recipeId, litres / more / 20]))).toEqual({
      1: expect.closeTo(1.75, 9) as number,
      2: expect.closeTo(1.25, 9) as number,
    });
    expect(made.parts[0]!.litres).toBeCloseTo(60 * more, 9);
    expect(made.lines.find((l) => l.batchId === 1)).toMatchObject({
      base_L: expect.closeTo(5 * more, 9) as number,
      top_L: expect.closeTo(15 * more, 9) as number,
    });
    // A base nobody wants is not laid, however deep it is written.
    expect(plan([line(1, { recipe: mix(1), base_mm: 25 })]).lines[0]!.base_L).toBe(0);
  });
  it('adds up plants, labels and pots by container', () => {
    const made = plan([line(1), line(2, { plants: 25 }), line(3, { container: cells, plants: 60 })]);
    expect(made).toMatchObject({ plants: 105, labels: 7 });
    expect(made.pots).toEqual([
      { containerId: 2, count: 60, trays: 2 },
      { containerId: 6, count: 45, trays: 5 },
    ]);
  });
  it('trips: the larger of what comes and what goes, shared on one way, none where nothing is carried', () => {
    const trips = (...lines: SessionLine[]) => plan(lines).lines.map((l) => l.trips);
    expect(trips(line(1, { traysFrom: 9 }))).toEqual([2]);
    expect(trips(line(1, { plants: 90 }))).toEqual([2]);
    expect(trips(line(1, { traysFrom: 5 }), line(2, { traysFrom: 3 }))).toEqual([1, 0]);
    expect(trips(line(1, { traysFrom: 5 }), line(2, { traysFrom: 4 }))).toEqual([1, 1]);
    expect(trips(line(1, { traysFrom: 5 }), line(2, { traysFrom: 4 }), line(3, { traysFrom: 7 }))).toEqual([1, 1, 0]);
    expect(trips(line(1, { from: null, to: null }))).toEqual([0]);
    expect(trips(line(1, { from: null }), line(2, { from: null, to: { id: 7, order: 9 } }))).toEqual([1, 1]);
    expect(trips(line(1, { to: null }), line(2, { to: null }))).toEqual([1, 0]);
  });
  it('minutes: setting out, the trips shared among the hands, and the work, its spreads added by squares', () => {
    const one = plan([line(1)], 2);
    expect(one.carry_min).toBe(1.5);
    expect(one.minutes.usual).toBeCloseTo(15 + 1.5 + 20 / (2 * USUAL_PACE_perMin), 9);
    const two = plan([line(1), line(2, { plants: 40 })]);
    const [a, b] = two.lines;
    expect(two.minutes.usual - two.minutes.low).toBeCloseTo(
      Math.hypot(a!.minutes.usual - a!.minutes.low, b!.minutes.usual - b!.minutes.low),
      9,
    );
    expect(two.minutes.high - two.minutes.usual).toBeCloseTo(
      Math.hypot(a!.minutes.high - a!.minutes.usual, b!.minutes.high - b!.minutes.usual),
      9,
    );
    expect(two.minutes.usual).toBeCloseTo(15 + two.carry_min + a!.minutes.usual + b!.minutes.usual, 9);
  });
  it('order: harmed already, then up to three days to spare, then by way, pot and mix', () => {
    const order = (...lines: SessionLine[]) => plan(lines).lines.map((l) => l.batchId);
    expect(
      order(
        line(1, { spare_days: 4 }),
        line(2, { spare_days: 3 }),
        line(3, { spare_days: 0 }),
        line(4, { spare_days: -1 }),
      ),
    ).toEqual([4, 3, 2, 1]);
    expect(order(line(1, { from: { id: 5, order: 5 } }), line(2, { from: null }), line(3))).toEqual([2, 3, 1]);
    expect(order(line(1, { to: { id: 5, order: 5 } }), line(2, { to: null }), line(3))).toEqual([2, 3, 1]);
    expect(order(line(1), line(2, { container: cells }))).toEqual([2, 1]);
    expect(order(line(1, { recipe: mix(2) }), line(2, { recipe: mix(1) }), line(3))).toEqual([3, 2, 1]);
    expect(order(line(2), line(1))).toEqual([1, 2]);
  });
  it('its figures carry where they come from', () => {
    expect(plan([line(1)]).explanation.minutes.source).toBe('common practice, no source');
    const timed: Timed = { containerId: 6, cropId: 1, plants: 100, minutes: 20, people: 1 };
    const { minutes, litres } = plan([line(1)], 2, [timed]).explanation;
    expect(minutes.source).toMatch(/own log/i);
    expect(minutes.inputs.map((i) => i.value)).toEqual(['15 min', '2', '1 of 3 min']);
    expect(litres.inputs.map((i) => i.value)).toEqual(['10%', '5%']);
  });
});

describe('a pace that may be believed', () => {
  const timed = (plants: number, minutes: number, people = 1) =>
    believable({ containerId: 1, cropId: 1, plants, minutes, people });
  it('from five plants and a minute on, at 0.2 to 60 plants a minute and hand', () => {
    expect([timed(5, 1), timed(4, 1), timed(5, 0.99), timed(60, 1), timed(61, 1)]).toEqual([
      true,
      false,
      false,
      true,
      false,
    ]);
    expect([
      timed(10, 50),
      timed(10, 51),
      timed(100, 1, 2),
      timed(20, 50, 2),
      timed(19, 50, 2),
      timed(10, 2, 0),
    ]).toEqual([true, false, true, true, false, false]);
  });
  it('is learned as by hand: one day moves the log of the pace by its share of what spreads', () => {
    const one: Timed = { containerId: 1, cropId: 1, plants: 100, minutes: 10, people: 2 };
    const moved = (containerId: number, cropId: number) =>
      Math.log(paceOf([one], containerId, cropId).perMinute / USUAL_PACE_perMin);
    const off = Math.log(5 / USUAL_PACE_perMin);
    const all = 0.4 ** 2 + 0.25 ** 2 + 0.15 ** 2;
    expect(moved(1, 1)).toBeCloseTo((off * all) / (all + 0.2 ** 2), 9);
    expect(moved(1, 2)).toBeCloseTo((off * (0.4 ** 2 + 0.25 ** 2)) / (all + 0.2 ** 2), 9);
    expect(moved(2, 1)).toBeCloseTo((off * 0.4 ** 2) / (all + 0.2 ** 2), 9);
    const { low, high, perMinute, own } = paceOf([one, { ...one, minutes: 1000 }], 1, 1);
    expect(own).toBe(1);
    expect(Math.log(high / perMinute)).toBeCloseTo(1.2816 * Math.sqrt(all - all ** 2 / (all + 0.04) + 0.04), 9);
    expect(Math.log(perMinute / low)).toBeCloseTo(Math.log(high / perMinute), 9);
  });
});

describe('pots, feeds and how many to keep', () => {
  it('stated litres a quarter off the measures are believed, more are doubted; a pot and a pan are one, a tray its cells', () => {
    expect(layersOf({ ...pot, volume_L: 1.25 }, 0).doubtful).toBe(false);
    expect(layersOf({ ...pot, volume_L: 1.26 }, 0).doubtful).toBe(true);
    expect(layersOf({ ...pot, volume_L: 0.75 }, 0).doubtful).toBe(false);
    expect(layersOf({ ...pot, volume_L: 0.74 }, 0).doubtful).toBe(true);
    expect(layersOf(cells, 0)).toEqual({ base_L: 0, top_L: 0.04, doubtful: false });
    expect(layersOf(pan, 0).top_L).toBe(2);
    expect(layersOf({ ...pot, cells: 4, volume_L: 3, shape: null }, 0).top_L).toBe(3);
    expect(frustum_L(pot.shape!, 25)).toBeCloseTo(0.25, 12);
  });
  const feed: Feed = {
    name: 'feed',
    form: 'liquid',
    basis: 'w/w',
    n_percent: 5,
    p_percent: 4,
    k_percent: 6,
    named: 'element',
    rate_perL: 4,
    density_kg_L: 1.2,
    ec_mS: 1.5,
  };
  it('a liquid by weight weighs its density; elements and oxides are told from each other', () => {
    const s = strengthOf(feed, 4);
    expect(s.n_ppm).toBeCloseTo(240, 9);
    expect(s.p_ppm).toBeCloseTo(192, 9);
    expect(s.p2o5_ppm).toBeCloseTo(192 / 0.43642, 1);
    expect(s.k2o_ppm).toBeCloseTo(288 / 0.83015, 1);
    expect(strengthOf({ ...feed, basis: 'w/v' }, 4).n_ppm).toBeCloseTo(200, 9);
    expect(strengthOf({ ...feed, form: 'powder' }, 4).n_ppm).toBeCloseTo(200, 9);
    expect(rateForNitrogen(feed, 240)).toBeCloseTo(4, 9);
    expect(() => rateForNitrogen({ ...feed, n_percent: 0 }, 100)).toThrow(RangeError);
  });
  it('an injector is asked for stock, and only a liquid needs its weight', () => {
    const asked = { fraction: 0.5, water_L: 10, injector: 100, water_mS: 0.3 };
    expect(feedFor(feed, asked)).toMatchObject({
      amount: 2000,
      finished_L: 1000,
      rate_perL: 2,
      unit: 'mL',
      ec_mS: 1.05,
    });
    expect(() => feedFor(feed, { ...asked, injector: 0 })).toThrow(/stock/);
    expect(() => feedFor({ ...feed, density_kg_L: 0 }, asked)).toThrow(/litre/);
    expect(feedFor({ ...feed, form: 'powder', density_kg_L: 0 }, asked).unit).toBe('g');
    expect(() => feedFor({ ...feed, n_percent: 60, p_percent: 60 }, asked)).toThrow(RangeError);
    expect(feedFor({ ...feed, ec_mS: null }, asked).ec_mS).toBeNull();
  });
  it('keeps the fewest that are enough, one fewer is not', () => {
    for (const [wanted, loss, sure] of [
      [1, 0.05, 0.9],
      [9, 0.3, 0.95],
      [100, 0.05, 0.9],
      [100, 0.8, 0.999],
      [5000, 0.1, 0.6],
    ] as const) {
      const n = keepFor(wanted, loss, sure);
      expect(binomialAtLeast(wanted, n, 1 - loss)).toBeGreaterThanOrEqual(sure);
      if (n > wanted) expect(binomialAtLeast(wanted, n - 1, 1 - loss)).toBeLessThan(sure);
    }
    expect(keepFor(1, 0.5, 0.5)).toBe(1);
    expect(keepFor(7, 0, 0.999)).toBe(7);
  });
});
