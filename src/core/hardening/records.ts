import type { Versioned } from '../books/records.ts';
import type { StructureSpec } from '../heat/structure.ts';
import type { Programme } from './programme.ts';

/** Fleece, film or a frame that keeps frost off. */
export interface Cover {
  readonly id: number;
  readonly name: string;
  readonly layers: number;
  /** Degrees it is worth on the night, as written down. */
  readonly worth_K: number;
  /** Soil at 10 cm under it is warmer by so much when it has lain for a fortnight. */
  readonly soil_K: number;
  readonly toHand_m2: number;
  /** The place it stands over; null: it is laid where it is wanted. */
  readonly placeId: number | null;
  readonly structure: StructureSpec | null;
  readonly note: string;
}

export type CoverRecord = Versioned<Cover>;
export type ProgrammeRecord = Versioned<Programme>;
