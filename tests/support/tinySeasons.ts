import { seededRandom } from '../../src/core/numerics/random.ts';
import { USUAL_WEIGHTS, type Instance, type LevelSpec } from '../../src/core/plan/placement/instance.ts';

const DAYS = 28;

/** A made-up season of two to four batches, a heated bench, a heated chamber and a frame, with too little room. */
export function tinySeason(seed: number): Instance {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const outside = Array.from({ length: DAYS }, (_, d) => 6 + d * 0.25 + random() * 2);
  const level = (setPoint_C: number | null, loss: number): LevelSpec => ({
    setPoint_C,
    day_C: Float64Array.from(outside, (t) => Math.max(t + 3, setPoint_C ?? -99)),
    night_C: Float64Array.from(outside, (t) => Math.max(t, (setPoint_C ?? -99) - 2)),
    heat_kWh: Float64Array.from(outside, (t) => (setPoint_C === null ? 0 : loss * Math.max(0, setPoint_C - t))),
  });
  const place = (id: number, name: string, room_slots: number, levels: LevelSpec[]) => ({
    id,
    name,
    room_slots,
    closed: [] as const,
    levels,
    row: new Array<number>(5).fill(levels.length - 1),
  });
  const growth = (base_C: number) => (day_C: number, night_C: number) => Math.max(0, (day_C + night_C) / 2 - base_C);
  const stages = Array.from({ length: 4 }, (_, i) => ({
    name: `stage ${i}`,
    gain: growth(i < 2 ? 8 : 4),
    need: i % 2 === 0 ? between(20, 45) : between(15, 40),
    standstill_days: 0,
    least_days: 1,
    mostWait_days: i % 2 === 0 ? 0 : 2,
    low_C: i < 2 ? 7 : 0,
    high_C: 40,
    mostSetPoint_C: null,
    places: i % 2 === 0 ? [0, 1] : [1, 2],
    comfort: { low_C: i < 2 ? 10 : 2, high_C: 30 },
    fair_days: 8,
  }));
  return {
    days: DAYS,
    blockDays: 7,
    blockOffset: 0,
    frozenBlocks: 0,
    today: 0,
    places: [
      place(1, 'Chamber', between(2, 4), [level(null, 0), level(18, 0.4)]),
      place(2, 'Bench', between(3, 5), [level(null, 0), level(16, 0.8)]),
      place(3, 'Frame', between(2, 5), [level(null, 0)]),
    ],
    stages,
    batches: Array.from({ length: between(2, 4) }, (_, i) => {
      const way = between(0, 1) * 2;
      const slots = between(1, 2);
      return {
        id: i + 1,
        name: `Batch ${i + 1}`,
        stages: [way, way + 1],
        slots: [slots, slots + between(0, 1)],
        trays: slots,
        target: between(14, 22),
        before_days: 1,
        after_days: 1,
        weight: 1,
        spread_days: between(0, 2),
      };
    }),
    weights: { ...USUAL_WEIGHTS, mostLate_days: 2, mostEarly_days: 1 },
  };
}
