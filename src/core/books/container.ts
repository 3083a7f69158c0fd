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
  /** Rows of cells along the short side; null or not given: as near as can be to a tray's usual shape. */
  readonly rows?: number | null;
  /** Pots carried by one carrying tray; 1 for trays. */
  readonly perCarryingTray: number;
  /** Tray slots one tray (or one full carrying tray) takes. */
  readonly footprint_slots: number;
  readonly volume_L: number;
  /** Inside measures of one pot, cell or block, for filling in layers; null = not measured. */
  readonly shape?: PotShape | null;
}

/** Long side of a tray by its short side. Common practice, no source: 540 by 280 mm with its rim, 8 by 13 cells. */
const LONG_BY_SHORT = 1.6;

/** Rows and columns of a tray's cells, the columns along its long side; of a pot or a seed tray 1 by 1. */
export function gridOf({ kind, cells, rows }: Pick<Container, 'kind' | 'cells' | 'rows'>): {
  readonly rows: number;
  readonly columns: number;
} {
  if (kind === 'pot' || kind === 'seed-tray') return { rows: 1, columns: 1 };
  if (rows && cells % rows === 0) return { rows, columns: cells / rows };
  let best = 1;
  const off = (n: number) => Math.abs(Math.log(cells / n / n / LONG_BY_SHORT));
  for (let n = 1; n <= cells; n++) if (cells % n === 0 && off(n) < off(best)) best = n;
  return { rows: best, columns: cells / best };
}
