import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { hourly_C, sun_W_m2 } from '../weather/hourly.ts';
import { lidDays, type LidSchool, type StructureHour } from './lid.ts';
import {
  built,
  GLAZING,
  requireStructure,
  structureHour,
  throughOpening_m3_s,
  USUAL_FRAME,
  type StructureSpec,
  type StructureState,
} from './structure.ts';

const LATITUDE = 52;
const DAY_OF_YEAR = 95;
/** A day by the hour, for as many days as asked. */
const weather = (least_C: number, most_C: number, clear = 0.95, days = 2, wind_m_s = 2): StructureHour[] =>
  Array.from({ length: 24 * days }, (_, i) => ({
    day: Math.floor(i / 24),
    hour: i % 24,
    temp_C: hourly_C({ hour: (i % 24) + 0.5, least_C, most_C, dayLength_h: 13 }),
    sun_W_m2: sun_W_m2(LATITUDE, DAY_OF_YEAR, clear, (i % 24) + 0.5),
    wind_m_s,
    cloud_frac: 1 - clear,
  }));
const start: StructureState = [4, 8, 8];
const MODEL: LidSchool = { kind: 'model' };
const home = { from_h: 7, to_h: 19 };
const run = (
  spec: StructureSpec,
  hours: readonly StructureHour[],
  school: LidSchool = MODEL,
  range = { least_C: 4, most_C: 27 },
) => lidDays(spec, hours, range, home, school, start, 8);

describe('a frame in sun, against the trade', () => {
  it('shut at about 0 outside it is at 20 to 30 and more by mid-morning or noon (common practice, no source)', () => {
    const [day] = run(USUAL_FRAME, weather(-1, 6));
    const at = (hour: number) => day!.shut_C[day!.hours.indexOf(hour)]!;
    expect(at(10)).toBeGreaterThan(12);
    expect(at(12)).toBeGreaterThan(20);
    expect(day!.shutMost_C).toBeGreaterThan(20);
    expect(day!.shutMost_C).toBeLessThan(45);
    expect(day!.shutMostAt).toBeGreaterThanOrEqual(12);
  });
  it('a frost-guarded double-film frame: -2 outside at dawn, held by the heater at 8 to 10, 19 by mid-morning in sun (common practice, no source)', () => {
    const spec: StructureSpec = { ...USUAL_FRAME, glazing: 'double-film', heater: { power_W: 1500, set_C: 8 } };
    const [, day] = run(spec, weather(-2, 9));
    const at = (hour: number) => day!.shut_C[day!.hours.indexOf(hour)]!;
    expect(at(5)).toBeGreaterThan(7);
    expect(at(5)).toBeLessThan(11);
    // 19 told for the mid-morning, no clock given: reached between eight and ten, within 6 degrees of it at nine.
    expect(at(7)).toBeLessThan(19);
    expect(at(10)).toBeGreaterThan(19);
    expect(Math.abs(at(9) - 19)).toBeLessThan(6);
  });
  it('unheated single film on a clear night is worth from nothing to 9 degrees, a tight box more (common practice, no source)', () => {
    const worth = (spec: StructureSpec) => {
      const [day] = run(spec, weather(-4, 8));
      return (
        Math.min(...day!.shut_C.slice(20)) -
        Math.min(
          ...weather(-4, 8)
            .slice(20, 24)
            .map((h) => h.temp_C),
        )
      );
    };
    const film = worth(USUAL_FRAME);
    expect(film).toBeGreaterThan(-1.5);
    expect(film).toBeLessThan(9);
    expect(worth({ ...USUAL_FRAME, glazing: 'double-glass', night: 'blanket' })).toBeGreaterThan(film);
  });
  it('water and bricks keep the night milder and the noon cooler', () => {
    const plain = run(USUAL_FRAME, weather(1, 12))[1]!;
    const mass = run({ ...USUAL_FRAME, water_L: 200 }, weather(1, 12))[1]!;
    expect(mass.shutMost_C).toBeLessThan(plain.shutMost_C);
    expect(Math.min(...mass.shut_C)).toBeGreaterThan(Math.min(...plain.shut_C));
  });
});

describe('the step of the model', () => {
  it('agrees with a general ODE solver over a sunny day, lid ajar, within 0.4 K', () => {
    const spec: StructureSpec = { ...USUAL_FRAME, water_L: 60 };
    const b = built(spec);
    const hours = weather(2, 13, 0.9, 1);
    let state: StructureState = [5, 8, 8];
    let y = [5, 8, 8];
    let worst = 0;
    const open = 0.12;
    for (const h of hours) {
      state = structureHour(b, state, h, { open_frac: open, night: 'none', heater: false, watered: false }, 8);
      // The same network written down as equations, with ventilation and sky of the moment.
      const { light_frac, sky_K } = GLAZING[spec.glazing];
      const light = h.sun_W_m2 * b.floor_m2 * (light_frac + (1 - light_frac) * open);
      const glass = b.glass_W_K * (1 - Math.min(1, (open * spec.opening_m2) / b.floor_m2));
      const gaps = (2 * b.floor_m2 * spec.height_m * 1200) / 3600;
      const derivative = (_t: number, [air, floor, mass]: number[]): number[] => {
        const vent = 1200 * throughOpening_m3_s(open * spec.opening_m2, 0.3, h.wind_m_s, air! - h.temp_C);
        const toOut =
          (b.wall_W_K + gaps + vent) * (h.temp_C - air!) + glass * (h.temp_C - sky_K * (1 - h.cloud_frac) - air!);
        const floorFlow = 8 * b.floor_m2 * (floor! - air!);
        const massFlow = b.mass_W_K * (mass! - air!);
        return [
          (toOut + floorFlow + massFlow + 0.33 * light) / b.air_J_K,
          (-floorFlow + 1.2 * b.floor_m2 * (8 - floor!) + 0.3 * light) / (b.floor_m2 * 158_000),
          -massFlow / b.mass_J_K,
        ];
      };
      const solver = new Solver(3);
      solver.absoluteTolerance = 1e-8;
      solver.relativeTolerance = 1e-8;
      y = solver.solve(derivative, 0, y, 3600).y;
      for (const k of [0, 1, 2]) worst = Math.max(worst, Math.abs(state[k]! - y[k]!));
    }
    console.info(`structure against the solver: worst ${worst.toFixed(3)} K`);
    expect(worst).toBeLessThan(0.4);
  });
  it('air through an opening by wind and by warmth, by hand', () => {
    expect(throughOpening_m3_s(1, 1, 4, 0)).toBeCloseTo(0.1);
    expect(throughOpening_m3_s(1, 1, 0, 10)).toBeCloseTo(0.2 * Math.sqrt(98.1 / 285), 6);
    expect(throughOpening_m3_s(1, 1, 0, -5)).toBe(0);
  });
  it('refuses what cannot be built, naming it', () => {
    expect(() => requireStructure({ ...USUAL_FRAME, width_m: NaN })).toThrow(/width/);
    expect(() => requireStructure({ ...USUAL_FRAME, steps: [{ name: 'x', open_frac: 0.5 }] })).toThrow(/steps/);
  });
});

describe('opening and shutting', () => {
  it('as advised the plants stay in their range where shut they would not', () => {
    const [day] = run(USUAL_FRAME, weather(3, 15));
    expect(day!.tooHotFrom).not.toBeNull();
    expect(day!.most_C).toBeLessThan(27.5);
    expect(day!.moves[0]!.step).toBeGreaterThan(0);
    expect(day!.moves.at(-1)).toMatchObject({ step: 0 });
    expect(day!.moves.every((m) => m.hour >= home.from_h && m.hour <= home.to_h)).toBe(true);
  });
  it('with nobody there till evening it is opened before they leave', () => {
    const hours = weather(3, 15);
    const [day] = lidDays(USUAL_FRAME, hours, { least_C: 4, most_C: 27 }, { from_h: 7, to_h: 8 }, MODEL, start, 8);
    expect(day!.moves.length).toBeGreaterThan(0);
    expect(day!.moves.every((m) => m.hour === 7 || m.hour === 8)).toBe(true);
    expect(day!.most_C).toBeLessThan(day!.shutMost_C);
  });
  it('dull cold days leave it shut', () => {
    const [day] = run(USUAL_FRAME, weather(2, 6, 0));
    expect(day!.moves).toEqual([]);
    expect(day!.tooHotFrom).toBeNull();
  });
  it('the other schools open by their own threshold', () => {
    const outdoor = run(USUAL_FRAME, weather(3, 15), { kind: 'outdoor', at_C: 10 })[0]!;
    const first = outdoor.moves[0]!;
    const hours = weather(3, 15);
    expect(hours[first.hour]!.temp_C).toBeGreaterThanOrEqual(10);
    expect(first.hour === 7 || hours[first.hour - 1]!.temp_C < 10).toBe(true);
    const indoor = run(USUAL_FRAME, weather(3, 15), { kind: 'indoor', at_C: 18 })[0]!;
    const k = indoor.hours.indexOf(indoor.moves[0]!.hour);
    expect(indoor.advised_C[k - 1]!).toBeGreaterThanOrEqual(18);
  });
  it('at night each thing more holds more, and enough is said by the range', () => {
    const spec: StructureSpec = { ...USUAL_FRAME, heater: { power_W: 800, set_C: 5 } };
    const [day] = run(spec, weather(-5, 9));
    const low = Object.fromEntries(day!.night.map((n) => [n.act, n]));
    expect(low['fleece']!.least_C).toBeGreaterThan(low['nothing']!.least_C);
    expect(low['blanket']!.least_C).toBeGreaterThan(low['fleece']!.least_C);
    expect(low['heater']!.least_C).toBeGreaterThan(4);
    expect(low['heater']!.enough).toBe(true);
    expect(low['heater']!.kWh).toBeGreaterThan(0);
    expect(low['nothing']!.enough).toBe(false);
    expect(run(USUAL_FRAME, weather(-5, 9))[0]!.night.map((n) => n.act)).not.toContain('heater');
  });
  it('a forecast that ends early has no night after its last day', () => {
    const days = run(USUAL_FRAME, weather(3, 15, 0.9, 2).slice(0, 40));
    expect(days).toHaveLength(2);
    expect(days[1]!.night).toEqual([]);
  });
});
