import { z } from 'zod';
import type { EventKind } from '../../core/batch/event.ts';
import { isoDay, recordId } from '../fields.ts';

/** Lines of the ledger shown when no days are asked for: the newest. */
export const LEDGER_LINES = 2_000;
/** And at most, of the days asked for. */
export const MOST_LEDGER_LINES = 10_000;

const asked = <T extends z.ZodType>(schema: T) => z.union([z.literal(''), schema]).optional();

/** Which lines: of one season, of some days. What is empty is not asked for. */
export const ledgerAsked = z.strictObject({
  season: asked(z.coerce.number().pipe(recordId('season'))),
  from: asked(isoDay('from')),
  to: asked(isoDay('to')),
});
export type LedgerAsked = z.infer<typeof ledgerAsked>;

/** A line of the ledger as it is shown. */
export interface LedgerRow {
  readonly id: number;
  readonly day: number;
  readonly batchId: number;
  readonly batch: string;
  readonly code: string;
  readonly kind: EventKind;
  readonly correctsId: number | null;
  readonly count: number | null;
  readonly place: string;
  readonly note: string;
  readonly by: string;
  /** When it was tapped, where it waited on a device: at the nursery's time, or that the device's clock is not to be trusted. */
  readonly tapped: string;
  /** It still counts: nothing corrected or withdrew it, and its batch was not voided. */
  readonly counts: boolean;
  /** Its batch is of an open season, so that it can be corrected. */
  readonly isOpen: boolean;
}

export interface LedgerView {
  /** Lines there are of what is asked for. */
  readonly count: number;
  readonly lines: readonly LedgerRow[];
}
