import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../../../tests/support/demoHouse.ts';
import { batchProgress } from '../../batch/progress.ts';
import { mondayOf } from '../../calendar/week.ts';
import { tablesOfHouse } from '../schedule/seasonTables.ts';
import { heatShareOf_kWh, reckon } from './reckon.ts';

const { house, batches } = demoHouse();
const containers = new Map(house.containers.map((c) => [c.id, c]));
function added(places = house.places) {
  const tables = tablesOfHouse({ ...house, places });
  const worked = batches.map((batch) => ({
    plan: batch.plan,
    over: batch.state.phase === 'planted' || batch.state.phase === 'ended',
    progress: batchProgress({
      crop: house.crops.find((c) => c.id === batch.cropId)!,
      plan: batch.plan,
      state: batch.state,
      offHeat: house.offHeat,
      tables,
      containers,
      today: house.today,
    }),
  }));
  return {
    worked,
    tables,
    sum: reckon({ today: house.today, places, tables, weights: house.weights, batches: worked }),
  };
}

describe('a season added up', () => {
  const { worked, tables, sum } = added();
  const slotsOn = (placeId: number, day: number) =>
    worked
      .flatMap((w) => w.progress.stands)
      .reduce((n, s) => n + (s.placeId === placeId && s.from <= day && s.to > day ? s.slots : 0), 0);

  it('room and overflow are those of counting day by day', () => {
    let over = 0;
    for (const place of house.places) {
      let peak = 0;
      for (let day = house.today; day < house.today + 200; day++) {
        const used = slotsOn(place.id, day);
        peak = Math.max(peak, used);
        over += Math.max(0, used - place.room_trays);
      }
      expect(sum.peaks.find((p) => p.placeId === place.id)!.peak_slots, place.name).toBe(peak);
    }
    expect(sum.over_slotDays).toBe(over);
  });

  it('heat is loss x kelvin x hours over the weeks in use, by hand for one place', () => {
    const bench = house.places.find((p) => p.id === 3)!;
    const t = bench.temperature!;
    if (t.kind !== 'set-point') throw new Error('Bench 1 is held at a set-point');
    let kWh = 0;
    for (let day = house.today; day < house.today + 300; day++) {
      const monday = mondayOf(day);
      const inUse = [0, 1, 2, 3, 4, 5, 6].some((i) => monday + i >= house.today && slotsOn(3, monday + i) > 0);
      if (!inUse) continue;
      const i = day - tables.outside!.from;
      const free = [tables.outside!.day_C[i]! + t.unheatedPlus_K, tables.outside!.night_C[i]! + t.unheatedPlus_K];
      kWh +=
        (t.loss_W_per_K *
          12 *
          (Math.max(0, t.usual_C! - free[0]!) + Math.max(0, t.usual_C! - t.nightDrop_K - free[1]!))) /
        1000;
    }
    expect(sum.heatOf.find((h) => h.placeId === 3)!.heat_kWh).toBeCloseTo(kWh, 6);
    expect(sum.money).toBeCloseTo(sum.heat_kWh * house.weights.heat_perkWh, 9);
  });

  it('a higher set-point costs more, changed week by week it counts its changes', () => {
    const first = mondayOf(house.today) + 7;
    const at = (setPoints: (number | null)[]) =>
      added(
        house.places.map((p) =>
          p.id === 3 ? { ...p, setPoints: setPoints.map((setPoint_C, i) => ({ week: first + 7 * i, setPoint_C })) } : p,
        ),
      ).sum;
    expect(at([25, 25, 25]).heat_kWh).toBeGreaterThan(sum.heat_kWh);
    expect(at([23, 23]).setPointChanges).toBe(0);
    expect(at([25, 20, 25]).setPointChanges).toBe(4);
  });

  it('a batch’s share of the heat is never more than the place’s own, and nothing where nothing is heated', () => {
    const stand = { placeId: 3, from: house.today, to: house.today + 21, slots: 10 };
    const whole = heatShareOf_kWh([{ ...stand, slots: 40 }], house.places, tables);
    expect(heatShareOf_kWh([stand], house.places, tables)).toBeCloseTo(whole / 4, 9);
    expect(heatShareOf_kWh([{ ...stand, placeId: 6 }], house.places, tables)).toBe(0);
  });
});
