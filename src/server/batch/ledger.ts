import { batchesOfLots, countLedger, readLedger, type LedgerLine } from '../../db/batch/ledger.ts';
import { database } from '../database.ts';

/** Lines of the ledger on one page. */
export const LEDGER_PAGE_lines = 200;

/** A page of the log, newest first, of all seasons (null) or of one. */
export interface LedgerPage {
  readonly count: number;
  readonly page: number;
  readonly pages: number;
  readonly lines: readonly LedgerLine[];
}

export async function ledgerPage(seasonId: number | null, asked: string | null): Promise<LedgerPage> {
  const db = database();
  const count = await countLedger(db, seasonId);
  const pages = Math.max(1, Math.ceil(count / LEDGER_PAGE_lines));
  const page = Math.min(pages, Math.max(1, Math.floor(Number(asked ?? 1)) || 1));
  const offset = (page - 1) * LEDGER_PAGE_lines;
  const lines = await readLedger(db, seasonId, { order: 'newest', limit: LEDGER_PAGE_lines, offset });
  return { count, page, pages, lines };
}

/** How many batches were made of each lot, over all seasons. */
export const timesLotsWereSown = (): Promise<ReadonlyMap<number, number>> => batchesOfLots(database());
