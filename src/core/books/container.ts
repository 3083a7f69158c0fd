export const CONTAINER_KINDS = ['seed-tray', 'cell-tray', 'block', 'pot'] as const;

export type ContainerKind = (typeof CONTAINER_KINDS)[number];

/** A pot or cell that narrows evenly from its top to its base, inside measures. */
export interface PotShape {
  readonly section: 'round' | 'square';
  /** Across the top at the filling line, and across the base. */
  readonly top_mm: number;
  readonly base_mm: number;
  /** From the base to the filling line. */
  readonly height_mm: number;
}

export interface Container {
  readonly id: number;
  readonly name: string;
  /** A tray of soil blocks counts its blocks as cells. */
  readonly kind: ContainerKind;
  /** Cells of a tray, or plants of one seed tray. 1 for a pot. */
  readonly cells: number;
  /** Pots carried by one carrying tray; 1 for trays. */
  readonly perCarryingTray: number;
  /** Tray slots one tray (or one full carrying tray) takes. */
  readonly footprint_slots: number;
  readonly volume_L: number;
  /** Inside measures of one pot, cell or block, for filling in layers; null = not measured. */
  readonly shape?: PotShape | null;
}
