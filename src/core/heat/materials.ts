import { WORDS } from '../../words/en/heat/materials.ts';
/** What a layer is made of. */
export interface Material {
  readonly name: string;
  /** Thermal conductivity, W/(m K). */
  readonly conductivity_W_mK: number;
  readonly density_kg_m3: number;
  /** Specific heat, J/(kg K). */
  readonly heat_J_kgK: number;
}

/**
 * Design values of common layers.
 * @source ISO 10456:2007 tables 3 and 4 for sand and gravel, concrete, timber, steel, water and insulation (from memory);
 * card, wet medium and compost: common practice, no source
 */
export const MATERIALS = {
  foam: { name: WORDS.rigidFoamEps, conductivity_W_mK: 0.036, density_kg_m3: 20, heat_J_kgK: 1450 },
  'dense-foam': { name: WORDS.denseFoamXps, conductivity_W_mK: 0.034, density_kg_m3: 35, heat_J_kgK: 1450 },
  card: { name: WORDS.corrugatedCard, conductivity_W_mK: 0.06, density_kg_m3: 120, heat_J_kgK: 1700 },
  timber: { name: WORDS.softwoodBoard, conductivity_W_mK: 0.13, density_kg_m3: 500, heat_J_kgK: 1600 },
  sand: { name: WORDS.sand, conductivity_W_mK: 2, density_kg_m3: 1950, heat_J_kgK: 1045 },
  concrete: { name: WORDS.concrete, conductivity_W_mK: 1.35, density_kg_m3: 2000, heat_J_kgK: 1000 },
  steel: { name: WORDS.steelShelf, conductivity_W_mK: 50, density_kg_m3: 7800, heat_J_kgK: 450 },
  water: { name: WORDS.water, conductivity_W_mK: 0.6, density_kg_m3: 1000, heat_J_kgK: 4190 },
  medium: { name: WORDS.moistMedium, conductivity_W_mK: 0.5, density_kg_m3: 800, heat_J_kgK: 3300 },
  compost: { name: WORDS.hotBedCompost, conductivity_W_mK: 0.5, density_kg_m3: 700, heat_J_kgK: 2800 },
} as const satisfies Readonly<Record<string, Material>>;

export type MaterialKey = keyof typeof MATERIALS;
export const MATERIAL_KEYS = Object.keys(MATERIALS) as readonly MaterialKey[];

/** A plane layer across the direction of the heat. */
export interface Layer {
  readonly material: MaterialKey;
  readonly thickness_m: number;
}

/** Which way heat flows through a surface or an air gap. */
export type Flow = 'up' | 'across' | 'down';

/** Inside surface resistances, m2 K/W. @source ISO 6946:2017 table 7 */
export const INSIDE_m2K_W: Readonly<Record<Flow, number>> = { up: 0.1, across: 0.13, down: 0.17 };
/** Outside surface resistance, m2 K/W. @source ISO 6946:2017 table 7 */
export const OUTSIDE_m2K_W = 0.04;

/** Unventilated air gaps: thickness in mm, resistance by flow. @source ISO 6946:2017 table 8 */
const AIR_GAPS: readonly (readonly [mm: number, up: number, across: number, down: number])[] = [
  [0, 0, 0, 0],
  [5, 0.11, 0.11, 0.11],
  [7, 0.13, 0.13, 0.13],
  [10, 0.15, 0.15, 0.15],
  [15, 0.16, 0.17, 0.17],
  [25, 0.16, 0.18, 0.19],
  [50, 0.16, 0.18, 0.21],
  [100, 0.16, 0.18, 0.22],
  [300, 0.16, 0.18, 0.23],
];

/**
 * Resistance of an unventilated air gap, m2 K/W; values between the table's are interpolated, as the standard says.
 * @param thickness_mm 0 to 300
 * @throws RangeError out of bounds
 * @source ISO 6946:2017 table 8
 * @example airGap_m2K_W(25, 'across') // 0.18
 */
export function airGap_m2K_W(thickness_mm: number, flow: Flow): number {
  if (!(thickness_mm >= 0 && thickness_mm <= 300)) throw new RangeError(WORDS.airGapIsMmTo(thickness_mm));
  const column = flow === 'up' ? 1 : flow === 'across' ? 2 : 3;
  const i = Math.max(
    1,
    AIR_GAPS.findIndex(([mm]) => mm >= thickness_mm),
  );
  const [a, b] = [AIR_GAPS[i - 1]!, AIR_GAPS[i]!];
  return a[column] + ((b[column] - a[column]) * (thickness_mm - a[0])) / (b[0] - a[0]);
}

/**
 * Resistance of plane layers on each other, m2 K/W: the sum of thickness over conductivity.
 * @throws RangeError for a thickness that is not above 0 and at most 2 m
 * @source ISO 6946:2017, 6.7.1.1
 * @example resistance_m2K_W([{ material: 'foam', thickness_m: 0.072 }]) // 2
 */
export function resistance_m2K_W(layers: readonly Layer[]): number {
  return layers.reduce((sum, { material, thickness_m }) => {
    if (!(thickness_m > 0 && thickness_m <= 2))
      throw new RangeError(WORDS.thicknessOfIsMMore(MATERIALS[material].name, thickness_m));
    return sum + thickness_m / MATERIALS[material].conductivity_W_mK;
  }, 0);
}

/** Heat a layer holds, J/(m2 K). */
export function capacity_J_m2K({ material, thickness_m }: Layer): number {
  const { density_kg_m3, heat_J_kgK } = MATERIALS[material];
  return density_kg_m3 * heat_J_kgK * thickness_m;
}
