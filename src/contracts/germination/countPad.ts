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
