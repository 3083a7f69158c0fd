import { requireRange } from '../numerics/guard.ts';
import type { Container, PotShape } from '../books/container.ts';
import { WORDS } from '../../words/en/potting/pot.ts';

const L_PER_MM3 = 1e-6;

/**
 * Litres from the base of a pot up to a depth: a frustum of a cone or of a square pyramid.
 * @param depth_mm from the base, 0 to the height
 * @throws RangeError for measures that are not above 0 or a depth beyond the height
 * @source V = h/3 (A1 + A2 + sqrt(A1 A2)), any book of solid geometry; checked against numerical integration
 */
export function frustum_L(shape: PotShape, depth_mm: number): number {
  requireShape(shape);
  requireRange(WORDS.depthMm, depth_mm, 0, shape.height_mm);
  const across = shape.base_mm + ((shape.top_mm - shape.base_mm) * depth_mm) / shape.height_mm;
  const area = (d: number) => (shape.section === 'round' ? (Math.PI / 4) * d * d : d * d);
  const [a, b] = [area(shape.base_mm), area(across)];
  return (depth_mm / 3) * (a + b + Math.sqrt(a * b)) * L_PER_MM3;
}

function requireShape({ top_mm, base_mm, height_mm }: PotShape): void {
  requireRange(WORDS.widthAtTheTopMm, top_mm, 1, 2000);
  requireRange(WORDS.widthAtTheBaseMm, base_mm, 1, 2000);
  requireRange(WORDS.heightMm, height_mm, 1, 2000);
}

/** How far stated litres and those of the measures may lie apart before the book is doubted. */
const DOUBTFUL_frac = 0.25;

export interface Layers {
  readonly base_L: number;
  readonly top_L: number;
  /** Whether stated litres and measures disagree so far that one of them must be wrong. */
  readonly doubtful: boolean;
}

/**
 * Litres of the richer base and of the mix above it in one pot (or one cell). The stated litres are the whole; the measures
 * give the base. Without stated litres (0) the measures give both.
 * @param depth_mm of the base; 0 = one mix throughout
 * @throws RangeError when the base is deeper than the pot, or the pot has no measures to work from
 */
export function layersOf(container: Container, depth_mm: number): Layers {
  requireRange(WORDS.depthOfTheBaseMm, depth_mm, 0, 2000);
  const shape = container.shape ?? null;
  const each = container.kind === 'pot' || container.kind === 'seed-tray' ? 1 : container.cells;
  const stated = container.volume_L / each;
  if (shape === null) {
    if (depth_mm > 0) throw new RangeError(WORDS.hasNoMeasuresWriteIts(container.name));
    return { base_L: 0, top_L: stated, doubtful: false };
  }
  if (depth_mm > shape.height_mm)
    throw new RangeError(WORDS.aBaseCmDeepDoes(depth_mm / 10, container.name, shape.height_mm / 10));
  const measured = frustum_L(shape, shape.height_mm);
  const whole = stated > 0 ? stated : measured;
  const base_L = Math.min(whole, frustum_L(shape, depth_mm) * (whole / measured));
  return { base_L, top_L: whole - base_L, doubtful: Math.abs(whole / measured - 1) > DOUBTFUL_frac };
}

/** Plants one tray carries: pots of a carrying tray, or cells. */
export function perTray(container: Pick<Container, 'kind' | 'cells' | 'perCarryingTray'>): number {
  return container.kind === 'pot' ? container.perCarryingTray : container.cells;
}
