import { requireRange } from '../numerics/guard.ts';
import { airGap_m2K_W, INSIDE_m2K_W, MATERIALS, resistance_m2K_W, type Layer } from './materials.ts';
import { WORDS } from '../../words/en/heat/mat.ts';

/** The room a mat lies in. Temperatures in degrees Celsius. */
export type MatRoom =
  /** A room kept at least so warm by day and by night; warmer where outside is warmer. */
  | { readonly kind: 'kept'; readonly day_C: number; readonly night_C: number }
  /** A cold house or shed: outside and so many kelvin more. */
  | { readonly kind: 'outside'; readonly plusDay_K: number; readonly plusNight_K: number };

/** A heat mat without a thermostat: constant watts, day and night. */
export interface MatSpec {
  readonly power_W: number;
  readonly length_m: number;
  readonly width_m: number;
  /** Share of the underside of the trays the mat lies under: 1, a half where one mat is split under two flats. */
  readonly under_frac: number;
  /** What lies under it, from the mat down; empty: it lies on the bare shelf. */
  readonly below: readonly Layer[];
  /** Open rack between mat and tray for the gentle school, mm; 0: the tray stands on the mat. */
  readonly rack_mm: number;
  /** Trays under a lid or a bag. */
  readonly covered: boolean;
  /** Medium above the room as the grower measured it, K; null: by the layers. */
  readonly measured_K: number | null;
  readonly room: MatRoom;
}

/** A mat to start from: one flat of 0.53 by 0.33 m. Common practice, no source. */
export const USUAL_MAT: MatSpec = {
  power_W: 25,
  length_m: 0.53,
  width_m: 0.33,
  under_frac: 1,
  below: [{ material: 'card', thickness_m: 0.006 }],
  rack_mm: 0,
  covered: false,
  measured_K: null,
  room: { kind: 'kept', day_C: 18, night_C: 14 },
};

/** How a mat stands above its room when all has settled, about two hours after it is switched on. */
export interface MatRise {
  /** Medium at the seed above the room, mean over the tray. */
  readonly medium_K: number;
  /** Face of the mat above the room. */
  readonly surface_K: number;
  /** Share of the watts that goes down into the shelf. */
  readonly down_frac: number;
  readonly power_W_m2: number;
}

/** Tray on its mat, air between their faces; half the depth of a tray's medium. As for a zone (network.ts). */
const CONTACT_m2K_W = 0.04;
const MEDIUM_m = 0.05;
/** Wet medium to the room, air, radiation and drying together, W/(m2 K): open, and under a lid or bag that lets some by. Common practice, no source. */
const OPEN_W_m2K = 14;
const COVERED_W_m2K = 10;
/** What an open rack of 20 mm and more loses sideways to the room, W/(m2 K); less in proportion under that. Common practice, no source. */
const RACK_W_m2K = 6;
const RACK_FULL_mm = 20;

/**
 * A mat by its layers, steady: watts go up through tray and medium, down through what lies under it, and out sideways of a rack.
 * @returns what was measured stands in place of the layers' figure for the medium
 * @throws RangeError for what cannot be built, naming the quantity
 * @source resistances as ISO 6946 (materials.ts); trade figures it is held against: surface about 40, medium 20-30 by room (common practice, no source)
 */
export function matRise(mat: MatSpec): MatRise {
  requireRange(WORDS.powerOfTheMatW, mat.power_W, 1, 5000);
  requireRange(WORDS.lengthOfTheMatM, mat.length_m, 0.1, 20);
  requireRange(WORDS.widthOfTheMatM, mat.width_m, 0.1, 5);
  requireRange(WORDS.shareOfTheTrayOver, mat.under_frac, 0.1, 1);
  requireRange(WORDS.rackMm, mat.rack_mm, 0, 100);
  const power_W_m2 = mat.power_W / (mat.length_m * mat.width_m);
  const mediumHalf = MEDIUM_m / 2 / MATERIALS.medium.conductivity_W_mK;
  const gap = mat.rack_mm > 0 ? Math.max(CONTACT_m2K_W, airGap_m2K_W(mat.rack_mm, 'up')) : CONTACT_m2K_W;
  const top = mediumHalf + 1 / (mat.covered ? COVERED_W_m2K : OPEN_W_m2K);
  const up = 1 / (gap + mediumHalf + top);
  const down = 1 / (resistance_m2K_W(mat.below) + INSIDE_m2K_W.down);
  const aside = RACK_W_m2K * Math.min(1, mat.rack_mm / RACK_FULL_mm);
  const surface_K = power_W_m2 / (up + down + aside);
  // Where the mat reaches under only a part of the tray, its heat spreads over the whole.
  const medium_K = surface_K * up * top * mat.under_frac;
  return {
    medium_K: mat.measured_K ?? medium_K,
    surface_K,
    down_frac: down / (up + down + aside),
    power_W_m2,
  };
}

/** The room round a mat on a day with so much outside. Nothing cools a kept room below what is outside. */
export function roomOn(
  room: MatRoom,
  outside: { readonly day_C: number; readonly night_C: number } | null,
): { day_C: number; night_C: number } {
  if (room.kind === 'kept')
    return {
      day_C: Math.max(room.day_C, outside?.day_C ?? -Infinity),
      night_C: Math.max(room.night_C, outside?.night_C ?? -Infinity),
    };
  if (outside === null) throw new RangeError(WORDS.theRoomFollowsOutsideWrite);
  return { day_C: outside.day_C + room.plusDay_K, night_C: outside.night_C + room.plusNight_K };
}

/** Above this the face of a mat softens trays and dries medium from below. Common practice, no source; the maker's label goes first. */
export const HOT_FACE_C = 45;
/** kWh of a day: a mat without a thermostat takes its watts all day and night. */
export const perDay_kWh = (mat: Pick<MatSpec, 'power_W'>): number => (24 * mat.power_W) / 1000;
