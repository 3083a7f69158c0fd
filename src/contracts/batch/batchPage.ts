import type { Choice } from '../plan/seasonData.ts';
import type { Person } from '../../core/house/people.ts';
import type { Phase } from '../../core/batch/event.ts';
import type { Plants } from '../../core/batch/plants.ts';
import type { ExpectedOut } from '../../core/batch/progress.ts';
import type { Punctuality } from '../../core/batch/tolerance.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { ChainResult } from '../../core/plan/schedule/chain.ts';
import type { EventRecord } from '../../core/batch/record.ts';

/** What the page of a batch shows. */
export interface BatchPageData {
  readonly id: number;
  readonly version: number;
  readonly code: string;
  readonly name: string;
  readonly note: string;
  readonly plan: BatchPlan;
  readonly phase: Phase;
  readonly plants: Plants;
  /** What the number of plants rests on; {day} stands for a day. */
  readonly plantsWords: string;
  /** Most plants it can have. */
  readonly most_count: number;
  readonly out: ExpectedOut | null;
  readonly punctuality: Punctuality;
  /** Why it cannot be worked out; null: it can. */
  readonly fault: string | null;
  readonly planned: ChainResult;
  readonly forecast: ChainResult;
  readonly late_days: number | null;
  readonly ruleSowOn: number;
  readonly events: readonly EventRecord[];
  /** When lines that waited on a device were tapped, in words, by the number of the line. */
  readonly tapped: Readonly<Record<number, string>>;
  readonly places: readonly Choice[];
  readonly people: readonly Person[];
  readonly seasonId: number;
  /** Open seasons it may belong to. */
  readonly seasons: readonly { readonly id: number; readonly name: string }[];
  readonly placeNow: string | null;
  readonly splitFrom: { readonly id: number; readonly code: string } | null;
  readonly today: number;
  readonly unit: 'C' | 'F';
}
