import { expm, solve } from '../numerics/expm.ts';
import { airGap_m2K_W, capacity_J_m2K, INSIDE_m2K_W, MATERIALS, OUTSIDE_m2K_W, resistance_m2K_W } from './materials.ts';
import { area_m2, requireZone, type CoverKind, type ZoneSpec } from './zone.ts';

/**
 * A linear thermal network: capacity_J_K[i] dx_i/dt = sum of conductances x differences + inputs.
 * Inputs are in the order given: sources are watts (or any figure with its share), boundaries temperatures.
 */
export interface Network {
  readonly capacity_J_K: readonly number[];
  /** Between two nodes. */
  readonly links: readonly { readonly a: number; readonly b: number; readonly conductance_W_K: number }[];
  /** From an input that is a temperature to a node. */
  readonly boundaries: readonly { readonly input: number; readonly node: number; readonly conductance_W_K: number }[];
  /** From an input that is a power, watts arriving at a node for one unit of it. */
  readonly sources: readonly { readonly input: number; readonly node: number; readonly share_W: number }[];
  readonly inputs: number;
}

/** x(t + dt) = phi x(t) + gamma u, with u held over the step. Row-major: phi n x n, gamma n x inputs. */
export interface Step {
  readonly n: number;
  readonly inputs: number;
  readonly dt_s: number;
  readonly phi: Float64Array;
  readonly gamma: Float64Array;
}

/** Rates dx/dt = a x + b u, per second. */
export function ratesOf(network: Network): { a: Float64Array; b: Float64Array } {
  const n = network.capacity_J_K.length;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n * network.inputs);
  for (const { a: i, b: j, conductance_W_K: g } of network.links) {
    const [ci, cj] = [network.capacity_J_K[i]!, network.capacity_J_K[j]!];
    a[i * n + i]! -= g / ci;
    a[i * n + j]! += g / ci;
    a[j * n + j]! -= g / cj;
    a[j * n + i]! += g / cj;
  }
  for (const { input, node, conductance_W_K: g } of network.boundaries) {
    a[node * n + node]! -= g / network.capacity_J_K[node]!;
    b[node * network.inputs + input]! += g / network.capacity_J_K[node]!;
  }
  for (const { input, node, share_W } of network.sources)
    b[node * network.inputs + input]! += share_W / network.capacity_J_K[node]!;
  return { a, b };
}

/**
 * The exact step of a linear network with inputs held over it: exp of [[A, B], [0, 0]] dt.
 * @param dt_s seconds, above 0
 * @source Van Loan 1978, IEEE Trans. Automatic Control 23, 395-404
 * @accuracy 1e-9 K against the analytic answer of one node
 */
export function stepOf(network: Network, dt_s: number): Step {
  if (!(dt_s > 0)) throw new RangeError(`dt_s is ${dt_s}; more than 0 wanted`);
  const n = network.capacity_J_K.length;
  const { inputs } = network;
  const size = n + inputs;
  const { a, b } = ratesOf(network);
  const whole = new Float64Array(size * size);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) whole[i * size + j] = a[i * n + j]! * dt_s;
    for (let j = 0; j < inputs; j++) whole[i * size + n + j] = b[i * inputs + j]! * dt_s;
  }
  const e = expm(whole, size);
  const phi = new Float64Array(n * n);
  const gamma = new Float64Array(n * inputs);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) phi[i * n + j] = e[i * size + j]!;
    for (let j = 0; j < inputs; j++) gamma[i * inputs + j] = e[i * size + n + j]!;
  }
  return { n, inputs, dt_s, phi, gamma };
}

/** The state after one step. */
export function advance(step: Step, x: ArrayLike<number>, u: ArrayLike<number>): Float64Array {
  const { n, inputs, phi, gamma } = step;
  const out = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += phi[i * n + j]! * x[j]!;
    for (let j = 0; j < inputs; j++) sum += gamma[i * inputs + j]! * u[j]!;
    out[i] = sum;
  }
  return out;
}

/** Where it all settles with the inputs held for ever. */
export function settled(network: Network, u: ArrayLike<number>): Float64Array {
  const n = network.capacity_J_K.length;
  const { a, b } = ratesOf(network);
  const right = new Float64Array(n);
  for (let i = 0; i < n; i++) for (let j = 0; j < network.inputs; j++) right[i]! -= b[i * network.inputs + j]! * u[j]!;
  return solve(a, right, n, 1);
}

/** Nodes of a zone. */
export const BED = 0;
export const MEDIUM = 1;
export const AIR = 2;
/** Inputs of a zone: heater watts, sun on the flat outside W/m2, what is round it, the floor under it. */
export const HEATER = 0;
export const SUN = 1;
export const AROUND = 2;
export const FLOOR = 3;
export const ZONE_INPUTS = 4;

/** How a zone stands at a moment. */
export interface ZoneMode {
  readonly cover: CoverKind;
  /** Lid or cover thrown open. */
  readonly open: boolean;
}

/** Trays lie on the bed with air between. Common practice, no source. */
const CONTACT_m2K_W = 0.04;
/** Water that leaves the medium and settles under a cover carries heat besides. Common practice, no source, W/(m2 K). */
const DAMP_W_m2K = 2;
/** Bare medium: to the air that passes, and by radiation and drying to what is round it. Common practice, no source, W/(m2 K). */
const BARE_AIR_W_m2K = 4;
const BARE_AROUND_W_m2K = 10;
/** Air that changes through gaps, times an hour. Common practice, no source. */
const CHANGES_per_h: Readonly<Record<CoverKind, number>> = { none: 0, fleece: 8, single: 1, double: 1 };
/** With no cover or an open one, air goes by freely, W/(m2 K). Common practice, no source. */
const FREE_W_m2K = 12;
/** Share of the sun that comes through. Common practice, no source. */
export const CLEAR_frac: Readonly<Record<CoverKind, number>> = { none: 1, fleece: 0.85, single: 0.85, double: 0.75 };
/** Of the sun inside, what warms medium and air; the rest is spent on water or thrown back. Common practice, no source. */
const SUN_TO_MEDIUM = 0.3;
const SUN_TO_AIR = 0.2;
/** Trays, leaves and cover move with the air, J/(m2 K). Common practice, no source. */
const WITH_AIR_J_m2K = 6000;
const AIR_J_m3K = 1200;

/** Resistance of a cover from the air under it to the air outside, m2 K/W. @source ISO 6946 surfaces and a 25 mm gap; fleece as film, but leaky (common practice, no source) */
export function cover_m2K_W(cover: CoverKind): number {
  const surfaces = INSIDE_m2K_W.up + OUTSIDE_m2K_W;
  if (cover === 'double') return surfaces + airGap_m2K_W(25, 'up');
  return surfaces;
}

/**
 * The network of a zone as it stands: bed, medium, air; heat from the heater into the bed, sun into medium and air.
 * Neglected: heat between trays and the bench's edge, the sky's pull on a clear night (2-4 K under thin film at most),
 * water's heat beyond a fixed share.
 */
export function networkOf(zone: ZoneSpec, mode: ZoneMode): Network {
  requireZone(zone);
  const S = area_m2(zone);
  const loss = zone.fit.loss_factor;
  const held = zone.fit.capacity_factor;
  const bedHalf = zone.bed.thickness_m / 2 / MATERIALS[zone.bed.material].conductivity_W_mK;
  const mediumHalf = zone.medium_m / 2 / MATERIALS.medium.conductivity_W_mK;
  const toMedium = S / (bedHalf + CONTACT_m2K_W + mediumHalf);
  const toFloor = (S * loss) / (bedHalf + resistance_m2K_W(zone.below) + INSIDE_m2K_W.down);
  const bare = mode.open || mode.cover === 'none';
  const toAir = S * (bare ? BARE_AIR_W_m2K : 1 / (mediumHalf + INSIDE_m2K_W.up) + DAMP_W_m2K);
  const sides = (2 * (zone.length_m + zone.width_m) * zone.air_m) / zone.sides_m2K_W;
  const changes = (CHANGES_per_h[mode.cover] * S * zone.air_m * AIR_J_m3K) / 3600;
  const through = bare ? S * FREE_W_m2K : S / cover_m2K_W(mode.cover) + changes;
  const clear = zone.sun_frac * S * (mode.open ? 1 : CLEAR_frac[mode.cover]);
  return {
    capacity_J_K: [
      S * capacity_J_m2K(zone.bed) * held,
      S * capacity_J_m2K({ material: 'medium', thickness_m: zone.medium_m }) * held,
      S * (WITH_AIR_J_m2K + AIR_J_m3K * zone.air_m) * held,
    ],
    links: [
      { a: BED, b: MEDIUM, conductance_W_K: toMedium },
      { a: MEDIUM, b: AIR, conductance_W_K: toAir },
    ],
    boundaries: [
      { input: FLOOR, node: BED, conductance_W_K: toFloor },
      { input: AROUND, node: AIR, conductance_W_K: (through + sides) * loss },
      ...(bare ? [{ input: AROUND, node: MEDIUM, conductance_W_K: S * BARE_AROUND_W_m2K * loss }] : []),
    ],
    sources: [
      { input: HEATER, node: BED, share_W: 1 },
      { input: SUN, node: MEDIUM, share_W: clear * SUN_TO_MEDIUM },
      { input: SUN, node: AIR, share_W: clear * SUN_TO_AIR },
    ],
    inputs: ZONE_INPUTS,
  };
}
