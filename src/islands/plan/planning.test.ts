import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../../tests/support/demoHouse.ts';
import { batchProgress } from '../../core/batch/progress.ts';
import { tablesOfHouse } from '../../core/plan/schedule/seasonTables.ts';
import type { OfferShown } from '../../contracts/plan/planner.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import { layHouse, standingOn, tilesIn } from '../house/layout.ts';
import { adoption, changedSince, scenarioOf, seasonWith, weeksAt } from './scenario.ts';
import { matching, NO_FILTER } from './FilterBar.tsx';
import { lanesOf } from './lanes.ts';
import { newlyOver } from '../../core/plan/schedule/roomUse.ts';
import { isTrying, NOTHING_TRIED, planTried, stepInto } from './trial.ts';
import { bandsOf, inTrouble, overRoomAhead, type Worked } from './useSeason.ts';
import { priceWords } from '../../ui/priceWords.ts';
import { changesOf, changeWords, offerWords } from './words.ts';

const { house, batches } = demoHouse();
const now = { house, initial: batches };
const work = (h: HouseData, list: readonly SeasonBatch[]): Worked[] => {
  const tables = tablesOfHouse(h);
  const containers = new Map(h.containers.map((c) => [c.id, c]));
  return list.map((batch) => ({
    batch,
    progress: batchProgress({
      crop: h.crops.find((c) => c.id === batch.cropId)!,
      plan: batch.plan,
      state: batch.state,
      offHeat: h.offHeat,
      tables,
      containers,
      today: h.today,
    }),
  }));
};
const worked = work(house, batches);
const byId = new Map(worked.map((w) => [w.batch.id, w]));
const tables = tablesOfHouse(house);
const loose = worked.find((w) => w.batch.state.phase === 'planned' && w.progress.stands.length >= 4)!;
const placeName = (id: number) => house.places.find((p) => p.id === id)!.name;

describe('what is tried on a batch', () => {
  it('another date makes the days named void; another place or day keeps the rest', () => {
    const plan = { ...loose.batch.plan, steps: { pot: 20_950 } };
    expect(planTried(plan, { ...NOTHING_TRIED, shift_days: 3 })).toMatchObject({
      transplantOn: plan.transplantOn + 3,
      steps: {},
    });
    const moved = planTried(plan, {
      ...NOTHING_TRIED,
      place: { stage: 'space', placeId: 6 },
      step: { key: 'harden', day: 20_970 },
    });
    expect(moved.places).toEqual({ ...plan.places, space: 6 });
    expect(moved.steps).toEqual({ pot: 20_950, harden: 20_970 });
    expect(isTrying({ ...NOTHING_TRIED, batchId: 1 })).toBe(false);
    expect(isTrying(null)).toBe(false);
  });

  it('only what is new over room, or worse, is said', () => {
    const run = (placeId: number, from: number, to: number, most_slots: number) => ({ placeId, from, to, most_slots });
    const before = [run(1, 10, 20, 4)];
    expect(newlyOver(before, [run(1, 12, 18, 3)])).toEqual([]);
    expect(newlyOver(before, [run(1, 10, 20, 5), run(2, 3, 4, 1), run(1, 10, 22, 4)])).toHaveLength(3);
  });
});

describe('words of changes and offers', () => {
  const step = stepInto(loose.progress, 'pot')!;
  const other = loose.batch.plan.places.pot === 4 ? 5 : 4;
  const proposed = {
    id: loose.batch.id,
    places: { ...loose.batch.plan.places, pot: other },
    steps: { pot: step.day + 4 },
  };

  it('say the stage, the place and the days', () => {
    const [change] = changesOf(loose, proposed);
    expect(changeWords(change!, placeName)).toBe(`pot in ${placeName(other)}, 4 days later`);
    expect(changesOf(loose, { ...proposed, places: loose.batch.plan.places, steps: { pot: step.day } })).toEqual([]);
  });

  it('say what an offer asks and what it costs', () => {
    const offer = (part: Partial<OfferShown>): OfferShown => ({
      price: { later_days: 0, atRisk_count: 0, heat_kWh: 0, heat_money: 0, moves_trays: 0 },
      kind: 'days',
      cost: 1,
      heat_kWh: 0,
      later_days: 0,
      cleared_slotDays: 2,
      share_frac: null,
      batches: [proposed],
      setPoints: [],
      lack: null,
      ...part,
    });
    expect(offerWords(offer({}), byId, house)).toContain(
      `${loose.batch.name}: pot in ${placeName(other)}, 4 days later`,
    );
    expect(
      offerWords(
        offer({
          kind: 'set-point',
          setPoints: [
            {
              placeId: 4,
              setPoints: [
                { week: house.today, setPoint_C: 18 },
                { week: house.today + 7, setPoint_C: 18 },
              ],
            },
          ],
        }),
        byId,
        house,
      ),
    ).toBe('Bench 2 at 18°C for 2 weeks from 12 Apr');
    expect(offerWords(offer({ kind: 'fewer', share_frac: 0.75 }), byId, house)).toContain('75%');
    expect(
      offerWords(offer({ kind: 'more-room', lack: { placeId: 6, slots: 3.2, from: 1, to: 5 } }), byId, house),
    ).toContain('Find 4 tray spaces more in Frames for 4 days');
  });

  it('has one price in the same words everywhere: days, plants at risk, heat with its money, trays carried', () => {
    const nothing = { later_days: 0, atRisk_count: 0.3, heat_kWh: 0.2, heat_money: 0.1, moves_trays: 0 };
    expect(priceWords(nothing)).toBe('costs nothing');
    expect(priceWords({ later_days: 1, atRisk_count: 14.6, heat_kWh: 40, heat_money: 12, moves_trays: 6 })).toBe(
      '1 day later · 15 plants more at risk · 40 kWh more, €12.00 · 6 trays more carried',
    );
    expect(priceWords({ later_days: -2, atRisk_count: -1, heat_kWh: -11.4, heat_money: -3.4, moves_trays: -1 })).toBe(
      '2 days sooner · 1 plant fewer at risk · 11 kWh less, €3.40 · 1 tray fewer carried',
    );
  });
});

describe('lanes', () => {
  const bands = worked.flatMap(bandsOf);
  const from = house.today - 40;
  const to = house.today + 80;
  const { lanes, height } = lanesOf(house.places, tables, bands, from, to, 600);

  it('stand from warmest to coldest, none overlaps the next, bands lie inside their room', () => {
    lanes.forEach((lane, i) => {
      const next = lanes[i + 1];
      if (next) expect([lane.mean_C >= next.mean_C, lane.top + lane.height <= next.top]).toEqual([true, true]);
      for (const { band, top } of lane.laid) {
        expect((top + band.slots) * lane.perSlot_px).toBeLessThanOrEqual(lane.roomHeight_px + 1e-6);
      }
      expect(lane.tints[0]!.from).toBe(from);
      expect(lane.tints.at(-1)!.to).toBe(to + 1);
    });
    expect(height).toBeGreaterThan(500);
  });

  it('hang over exactly on the days that are over room, and show the set-point of each run of weeks', () => {
    const over = overRoomAhead(house, worked);
    for (const lane of lanes) {
      const days = lane.over
        .filter((run) => run.to > house.today)
        .reduce((sum, run) => sum + (run.to - Math.max(run.from, house.today)), 0);
      const expected = over
        .filter((run) => run.placeId === lane.place.id)
        .reduce((sum, run) => sum + run.to - run.from, 0);
      expect(days, lane.place.name).toBe(expected);
      const isSet = lane.place.temperature?.kind === 'set-point';
      expect(lane.setPoints.length > 0).toBe(isSet);
    }
    const weeks = weeksAt(house.today, null)
      .map((w) => ({ week: house.today + 7, setPoint_C: w.setPoint_C }))
      .slice(0, 1);
    const changed = lanesOf(
      house.places.map((p) => (p.id === 4 ? { ...p, setPoints: weeks } : p)),
      tables,
      [],
      from,
      to,
      600,
    );
    expect(changed.lanes.find((l) => l.place.id === 4)!.setPoints.map((s) => s.setPoint_C)).toEqual([20, null, 20]);
  });
});

describe('filters', () => {
  const over = overRoomAhead(house, worked);
  const left = (part: object) =>
    worked.length - (matching({ ...NO_FILTER, ...part }, worked, over, house.today)?.size ?? 0);
  it('leave what they name', () => {
    expect(matching(NO_FILTER, worked, over, house.today)).toBeNull();
    const tomato = house.crops.find((c) => c.name === 'tomato')!.id;
    expect(left({ cropId: tomato })).toBe(batches.filter((b) => b.cropId === tomato).length);
    expect(left({ trouble: 'pinned' })).toBe(0);
    expect(left({ trouble: 'over' })).toBeGreaterThan(2);
    expect(left({ trouble: 'late' })).toBe(worked.filter(inTrouble).length);
    expect(left({ week: house.today })).toBeGreaterThan(3);
  });
});

describe('the plan of the house', () => {
  it('lays places to scale, none over another, and every tray in a tray space of its own', () => {
    for (const width of [1100, 700]) {
      const { drawn, height_px } = layHouse(house.places, width);
      for (const a of drawn) {
        expect(a.rect.x + a.rect.width).toBeLessThanOrEqual(width + 1);
        expect(a.rect.y + a.rect.height).toBeLessThan(height_px);
        expect(a.rect.width / a.rect.height).toBeCloseTo(a.place.size!.width_m / a.place.size!.depth_m, 6);
        for (const b of drawn) {
          if (a === b) continue;
          const apart =
            a.rect.x + a.rect.width <= b.rect.x + 1e-6 ||
            b.rect.x + b.rect.width <= a.rect.x + 1e-6 ||
            a.rect.y + a.rect.height <= b.rect.y + 1e-6 ||
            b.rect.y + b.rect.height <= a.rect.y + 1e-6;
          expect(apart, `${a.place.name} and ${b.place.name}`).toBe(true);
        }
      }
    }
  });

  it('places without a size find a row of their own', () => {
    const { drawn } = layHouse(
      house.places.map((p) => (p.id > 5 ? { ...p, size: null } : p)),
      900,
    );
    const lowest = Math.max(...drawn.filter((d) => d.place.id <= 5).map((d) => d.rect.y + d.rect.height));
    for (const one of drawn.filter((d) => d.place.id > 5)) expect(one.rect.y).toBeGreaterThanOrEqual(lowest);
  });

  it('shows what stands there on a day, and counts what hangs over', () => {
    const { drawn } = layHouse(house.places, 900);
    for (const day of [house.today, house.today + 24, house.today + 60]) {
      const standing = standingOn(worked, day, house.today);
      for (const one of drawn) {
        const here = standing.get(one.place.id) ?? [];
        const tiles = tilesIn(one, here);
        const cells = tiles.flatMap((t) => t.cells.map((c) => `${c.column}/${c.row}`));
        expect(new Set(cells).size).toBe(cells.length);
        const slots = here.reduce((sum, s) => sum + Math.max(1, Math.round(s.slots)), 0);
        expect(cells.length + tiles.reduce((sum, t) => sum + t.over, 0)).toBe(slots);
        expect(cells.length).toBeLessThanOrEqual(one.place.room_trays);
      }
    }
  });
});

describe('what-ifs', () => {
  const copy = scenarioOf(now);

  it('a copy is the season as it is, and adopting it writes nothing', () => {
    const same = seasonWith(now, copy);
    expect(work(same.house, same.batches).map((w) => w.progress.late_days)).toEqual(
      worked.map((w) => w.progress.late_days),
    );
    expect(adoption(now, copy)).toEqual({ batches: [], setPoints: [], rooms: [] });
    expect(changedSince(now, copy)).toEqual([]);
  });

  it('adopting writes only what differs; what was changed since is named', () => {
    const data = {
      places: copy.places.map((p) => (p.id === 4 ? { ...p, room_trays: 60, setPoints: weeksAt(house.today, 18) } : p)),
      batches: copy.batches.map((b) => (b.id === loose.batch.id ? { ...b, age_frac: 0.7, steps: {} } : b)),
    };
    const { batches: changed, setPoints, rooms } = adoption(now, data);
    expect(changed).toEqual([expect.objectContaining({ id: loose.batch.id, age_frac: 0.7 })]);
    expect(setPoints.map((s) => [s.placeId, s.setPoints.length])).toEqual([[4, 30]]);
    expect(rooms).toEqual([{ placeId: 4, room_trays: 60 }]);
    const later = { ...now, initial: batches.map((b) => (b.id === loose.batch.id ? { ...b, version: 2 } : b)) };
    expect(changedSince(later, data).map((b) => b.id)).toEqual([loose.batch.id]);
    const young = work(seasonWith(now, data).house, seasonWith(now, data).batches).find(
      (w) => w.batch.id === loose.batch.id,
    )!;
    expect(young.progress.stands[0]!.from).toBeGreaterThanOrEqual(loose.progress.stands[0]!.from);
  });
});
