import { requireRange } from '../numerics/guard.ts';
import type { Layer } from './materials.ts';
import { WORDS } from '../../words/en/heat/zone.ts';

export type CoverKind = 'none' | 'fleece' | 'single' | 'double';
export const COVERS: readonly CoverKind[] = ['none', 'fleece', 'single', 'double'];
export type HeaterKind = 'mat' | 'cable' | 'slab' | 'water' | 'hot-bed';
export const HEATERS: readonly HeaterKind[] = ['mat', 'cable', 'slab', 'water', 'hot-bed'];
export type SensorRole = 'medium' | 'bed' | 'air';

export type Thermostat =
  | { readonly kind: 'on-off'; readonly differential_K: number; readonly minOn_s: number; readonly minOff_s: number }
  /** Time-proportioned: the share of each cycle the heater is on. */
  | { readonly kind: 'pi'; readonly band_K: number; readonly reset_s: number; readonly cycle_s: number };

/** A heated bench or chamber as it is built. */
export interface ZoneSpec {
  readonly length_m: number;
  readonly width_m: number;
  readonly heater: { readonly kind: HeaterKind; readonly power_W: number };
  /** The heated layer: sand with its cable, slab, water, or the mat itself. */
  readonly bed: Layer;
  /** Under it, from the heater down. May be empty. */
  readonly below: readonly Layer[];
  readonly medium_m: number;
  /** Height of the air between the trays and the cover. */
  readonly air_m: number;
  /** Resistance of the side walls. */
  readonly sides_m2K_W: number;
  readonly cover: { readonly day: CoverKind; readonly night: CoverKind };
  /** What stands round it, in kelvin above outside; 0 when it stands outside. */
  readonly around: { readonly plusDay_K: number; readonly plusNight_K: number };
  /** Share of the sun outside that reaches the cover. */
  readonly sun_frac: number;
  readonly sensor: SensorRole;
  readonly thermostat: Thermostat;
  /** No set-point above this, and above `cutOut_C` at the sensor the heater goes off whatever else is asked. */
  readonly mostSet_C: number;
  readonly cutOut_C: number;
  /** What the house's own nights say: loss and heat held, times what is built. */
  readonly fit: { readonly loss_factor: number; readonly capacity_factor: number };
}

/** A bench to start from. Common practice, no source. */
export const USUAL_ZONE: ZoneSpec = {
  length_m: 2.4,
  width_m: 1.2,
  heater: { kind: 'cable', power_W: 320 },
  bed: { material: 'sand', thickness_m: 0.05 },
  below: [{ material: 'foam', thickness_m: 0.1 }],
  medium_m: 0.05,
  air_m: 0.25,
  sides_m2K_W: 0.7,
  cover: { day: 'single', night: 'single' },
  around: { plusDay_K: 0, plusNight_K: 0 },
  sun_frac: 1,
  sensor: 'medium',
  thermostat: { kind: 'on-off', differential_K: 1, minOn_s: 180, minOff_s: 180 },
  mostSet_C: 30,
  cutOut_C: 38,
  fit: { loss_factor: 1, capacity_factor: 1 },
};

export function area_m2({ length_m, width_m }: Pick<ZoneSpec, 'length_m' | 'width_m'>): number {
  return length_m * width_m;
}

/**
 * Refuses what cannot be built.
 * @throws RangeError naming the quantity, its value and what is wanted
 */
export function requireZone(zone: ZoneSpec): void {
  requireRange(WORDS.lengthOfTheZoneM, zone.length_m, 0.1, 60);
  requireRange(WORDS.widthOfTheZoneM, zone.width_m, 0.1, 20);
  requireRange(WORDS.powerOfTheHeaterW, zone.heater.power_W, 1, 100_000);
  requireRange(WORDS.depthOfTheMediumM, zone.medium_m, 0.005, 0.5);
  requireRange(WORDS.heightOfTheAirM, zone.air_m, 0.02, 5);
  requireRange(WORDS.resistanceOfTheSidesM2, zone.sides_m2K_W, 0.05, 20);
  requireRange(WORDS.shareOfTheSun, zone.sun_frac, 0, 1);
  for (const layer of [zone.bed, ...zone.below])
    requireRange(WORDS.thicknessOfM(layer.material), layer.thickness_m, 0.0005, 2);
  requireRange(WORDS.lossFactor, zone.fit.loss_factor, 0.1, 10);
  requireRange(WORDS.capacityFactor, zone.fit.capacity_factor, 0.1, 10);
}
