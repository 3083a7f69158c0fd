import type { Settled } from '../../core/vision/countCells.ts';
import type { Phase } from '../../core/batch/event.ts';
import type { Verdict } from '../../core/germination/verdict.ts';

/** What the count pad of a batch goes by. Days are day numbers. */
export interface CountPadView {
  readonly batchId: number;
  readonly name: string;
  readonly code: string;
  readonly sown: number;
  readonly sownOn: number;
  readonly cells: number;
  /** Rows and columns of its tray, for counting in a photo; null: a pan without cells. */
  readonly grid: { readonly rows: number; readonly columns: number } | null;
  /** Lines by which a photo of this crop is counted, as corrections have settled them. */
  readonly settled: Settled;
  readonly trays: number;
  /** Up by tray, where it is counted by trays. */
  readonly trayUp: Readonly<Record<number, number>>;
  readonly up: number | null;
  readonly covered: boolean | null;
  readonly phase: Phase;
  readonly verdict: Verdict;
  readonly needed: number;
  readonly today: number;
  readonly onHeat: readonly { readonly code: string; readonly name: string; readonly countedToday: boolean }[];
}
