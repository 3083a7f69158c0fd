import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/heat/structure.ts';

export const GLAZINGS = ['single-film', 'double-film', 'single-glass', 'double-glass', 'polycarbonate'] as const;
export type Glazing = (typeof GLAZINGS)[number];
export const STRUCTURE_KINDS = ['frame', 'tunnel', 'house'] as const;
export type StructureKind = (typeof STRUCTURE_KINDS)[number];

/**
 * Loss through a glazing, W/(m2 K), light let through, and how far a clear sky pulls its outer face below the air, K.
 * @source greenhouse heat-loss coefficients of handbooks (single film 6.8, double film 4.0, glass 6.2, twin-wall 3.5; from memory); light and sky common practice, no source
 */
export const GLAZING: Readonly<
  Record<Glazing, { readonly u_W_m2K: number; readonly light_frac: number; readonly sky_K: number }>
> = {
  'single-film': { u_W_m2K: 6.8, light_frac: 0.87, sky_K: 3.5 },
  'double-film': { u_W_m2K: 4.0, light_frac: 0.76, sky_K: 2 },
  'single-glass': { u_W_m2K: 6.2, light_frac: 0.88, sky_K: 2 },
  'double-glass': { u_W_m2K: 3.0, light_frac: 0.78, sky_K: 1 },
  polycarbonate: { u_W_m2K: 3.5, light_frac: 0.8, sky_K: 1.5 },
};

/** A frame, tunnel or small house as it is built. */
export interface StructureSpec {
  readonly kind: StructureKind;
  readonly length_m: number;
  readonly width_m: number;
  /** Mean height inside. */
  readonly height_m: number;
  readonly glazing: Glazing;
  /** Share of the sides that is glazed; the rest is board or wall. */
  readonly sidesGlazed_frac: number;
  readonly water_L: number;
  readonly bricks_kg: number;
  /** Hot bed under it, W/m2; 0 = none. */
  readonly hotBed_W_m2: number;
  /** Lid or door steps from shut to widest, share of the whole opening. */
  readonly steps: readonly { readonly name: string; readonly open_frac: number }[];
  /** Whole opening: lid, doors, vents. */
  readonly opening_m2: number;
  /** Cover drawn over at night. */
  readonly night: NightCover;
  readonly heater: { readonly power_W: number; readonly set_C: number } | null;
  readonly fan: { readonly flow_m3_h: number; readonly set_C: number } | null;
  /** Shade over the glazing, share of light kept out. */
  readonly shade_frac: number;
}

export const NIGHT_COVERS = ['none', 'fleece', 'blanket'] as const;
export type NightCover = (typeof NIGHT_COVERS)[number];
/** Share of the loss through the glazing that is left. Common practice, no source. */
const NIGHT_LEFT: Readonly<Record<NightCover, number>> = { none: 1, fleece: 0.8, blanket: 0.45 };

/** A cold frame to start from. Common practice, no source. */
export const USUAL_FRAME: StructureSpec = {
  kind: 'frame',
  length_m: 2.4,
  width_m: 1.2,
  height_m: 0.4,
  glazing: 'single-film',
  sidesGlazed_frac: 0,
  water_L: 0,
  bricks_kg: 0,
  hotBed_W_m2: 0,
  steps: [
    { name: 'shut', open_frac: 0 },
    { name: 'ajar', open_frac: 0.12 },
    { name: WORDS.halfOpen, open_frac: 0.4 },
    { name: 'open', open_frac: 1 },
  ],
  opening_m2: 2.4,
  night: 'none',
  heater: null,
  fan: null,
  shade_frac: 0,
};

/** @throws RangeError naming the quantity */
export function requireStructure(spec: StructureSpec): void {
  requireRange('length, m', spec.length_m, 0.3, 200);
  requireRange('width, m', spec.width_m, 0.3, 50);
  requireRange('height, m', spec.height_m, 0.1, 8);
  requireRange(WORDS.shareOfTheSidesGlazed, spec.sidesGlazed_frac, 0, 1);
  requireRange('water, L', spec.water_L, 0, 100_000);
  requireRange(WORDS.bricksKg, spec.bricks_kg, 0, 100_000);
  requireRange(WORDS.hotBedWM2, spec.hotBed_W_m2, 0, 200);
  requireRange('opening, m2', spec.opening_m2, 0.01, 2000);
  requireRange('shade', spec.shade_frac, 0, 0.95);
  if (!(spec.steps.length >= 2 && spec.steps[0]!.open_frac === 0))
    throw new RangeError('steps of the lid: two at least, the first of them shut');
}

/** Weather of an hour. */
export interface OutHour {
  readonly temp_C: number;
  readonly sun_W_m2: number;
  readonly wind_m_s: number;
  readonly cloud_frac: number;
}

/** Air with leaves, trays and floor, and stored water or brick, degrees C. */
export type StructureState = readonly [air: number, floor: number, mass: number];

const STEP_s = 120;
export const STEPS_PER_HOUR = 3600 / STEP_s;
const AIR_J_m3K = 1200;
/** Leaves, trays' rims and the inner face go with the air, J/(m2 K). Common practice, no source. */
const WITH_AIR_J_m2K = 6000;
/** Trays and the top of the floor: 6 cm of moist medium, J/(m2 K). */
const FLOOR_J_m2K = 158_000;
/** Water spread on the floor for the night, L/m2. */
const WATERED_L_m2 = 8;
const WATER_J_LK = 4186;
const BRICK_J_kgK = 840;
/** Air to floor; floor to the ground below, W/(m2 K). Common practice, no source. */
const FLOOR_W_m2K = 8;
const GROUND_W_m2K = 1.2;
/** Faces of drums and bottles, of bricks stacked apart: W/K for each. Common practice, no source. */
const WATER_W_LK = 0.09;
const BRICK_W_kgK = 0.1;
/** Of the light inside: warms air and leaves, warms the floor; the rest dries trays or goes out again. Common practice, no source. */
const SUN_AIR = 0.33;
const SUN_FLOOR = 0.3;
/** Boards and walls, W/(m2 K). */
const WALL_W_m2K = 1.6;
/** Air changed through gaps with all shut, times an hour. Common practice, no source. */
const GAPS_per_h: Readonly<Record<StructureKind, number>> = { frame: 2, tunnel: 1, house: 0.8 };
/** Height of the opening that draws. */
const DRAW_m: Readonly<Record<StructureKind, number>> = { frame: 0.3, tunnel: 1.8, house: 1.8 };

/** How a structure stands at a moment. */
export interface StructureMode {
  /** Share of its opening. */
  readonly open_frac: number;
  readonly night: NightCover;
  readonly heater: boolean;
  readonly watered: boolean;
}

/**
 * Air through an opening, m3/s: the larger of wind and warmth.
 * @source single-sided ventilation: Warren 1977 and Warren & Parkins 1985, Q = 0.025 A v and Q = (Cd/3) A sqrt(g H dT/T), Cd 0.6 (from memory)
 */
export function throughOpening_m3_s(area_m2: number, draw_m: number, wind_m_s: number, warmer_K: number): number {
  const byWind = 0.025 * area_m2 * wind_m_s;
  const byWarmth = (0.6 / 3) * area_m2 * Math.sqrt((9.81 * draw_m * Math.max(0, warmer_K)) / 285);
  return Math.max(byWind, byWarmth);
}

/** A structure in plain numbers. */
export interface Built {
  readonly spec: StructureSpec;
  readonly floor_m2: number;
  readonly air_J_K: number;
  readonly glass_W_K: number;
  readonly wall_W_K: number;
  readonly mass_J_K: number;
  readonly mass_W_K: number;
}

export function built(spec: StructureSpec): Built {
  requireStructure(spec);
  const floor_m2 = spec.length_m * spec.width_m;
  const sides = 2 * (spec.length_m + spec.width_m) * spec.height_m;
  // A tunnel's or house's roof is longer than its floor.
  const roof = floor_m2 * (spec.kind === 'frame' ? 1.05 : 1.3);
  return {
    spec,
    floor_m2,
    air_J_K: floor_m2 * (WITH_AIR_J_m2K + AIR_J_m3K * spec.height_m),
    glass_W_K: (roof + sides * spec.sidesGlazed_frac) * GLAZING[spec.glazing].u_W_m2K,
    wall_W_K: sides * (1 - spec.sidesGlazed_frac) * WALL_W_m2K,
    mass_J_K: spec.water_L * WATER_J_LK + spec.bricks_kg * BRICK_J_kgK,
    mass_W_K: spec.water_L * WATER_W_LK + spec.bricks_kg * BRICK_W_kgK,
  };
}

/**
 * An hour of a structure in steps of two minutes, backward Euler: stable however small the air's heat. Ventilation and sky are
 * those of the step's start.
 * @param ground_C below the floor
 * @param each called after each step with the air
 * @returns the state at the end; heater's energy is added to `used.kWh`
 * @accuracy within 0.4 K of a general ODE solver over a sunny day (tested)
 */
export function structureHour(
  b: Built,
  state: StructureState,
  hour: OutHour,
  mode: StructureMode,
  ground_C: number,
  each?: (air_C: number) => void,
  used?: { kWh: number },
): StructureState {
  const { spec } = b;
  const { light_frac, sky_K } = GLAZING[spec.glazing];
  const light = hour.sun_W_m2 * b.floor_m2 * (1 - spec.shade_frac) * (light_frac + (1 - light_frac) * mode.open_frac);
  const closed = 1 - Math.min(1, (mode.open_frac * spec.opening_m2) / b.floor_m2);
  const glass = b.glass_W_K * NIGHT_LEFT[mode.night] * closed;
  const sky = hour.temp_C - sky_K * (1 - hour.cloud_frac);
  const gaps = (GAPS_per_h[spec.kind] * b.floor_m2 * spec.height_m * AIR_J_m3K) / 3600;
  const floor_J_K = b.floor_m2 * (FLOOR_J_m2K + (mode.watered ? WATERED_L_m2 * WATER_J_LK : 0));
  const gFloor = b.floor_m2 * FLOOR_W_m2K;
  const gGround = b.floor_m2 * GROUND_W_m2K;
  const [toAir, toFloor] = [light * SUN_AIR, light * SUN_FLOOR + b.floor_m2 * spec.hotBed_W_m2];
  let [air, floor, mass] = state;
  for (let i = 0; i < STEPS_PER_HOUR; i++) {
    const area = mode.open_frac * spec.opening_m2;
    const vent = area > 0 ? throughOpening_m3_s(area, DRAW_m[spec.kind], hour.wind_m_s, air - hour.temp_C) : 0;
    const fan = spec.fan && air > spec.fan.set_C ? spec.fan.flow_m3_h / 3600 : 0;
    const out = b.wall_W_K + gaps + AIR_J_m3K * (vent + fan);
    const [ca, cf, cm] = [b.air_J_K / STEP_s, floor_J_K / STEP_s, b.mass_J_K / STEP_s];
    // Floor and mass hang on the air alone: eliminate them.
    const df = cf + gFloor + gGround;
    const dm = cm + b.mass_W_K;
    const fixedFloor = (cf * floor + gGround * ground_C + toFloor) / df;
    const fixedMass = dm > 0 ? (cm * mass) / dm : 0;
    const hang = ca + out + glass + gFloor * (1 - gFloor / df) + (dm > 0 ? b.mass_W_K * (1 - b.mass_W_K / dm) : 0);
    const drive =
      ca * air + out * hour.temp_C + glass * sky + toAir + gFloor * fixedFloor + (dm > 0 ? b.mass_W_K * fixedMass : 0);
    let next = drive / hang;
    if (mode.heater && spec.heater && next < spec.heater.set_C) {
      const power = Math.min(spec.heater.power_W, (spec.heater.set_C - next) * hang);
      next += power / hang;
      if (used) used.kWh += (power * STEP_s) / 3.6e6;
    }
    air = next;
    floor = fixedFloor + (gFloor / df) * air;
    if (dm > 0) mass = fixedMass + (b.mass_W_K / dm) * air;
    each?.(air);
  }
  return [air, floor, mass];
}
