import { readSessions, readStockMoves } from '../../db/potting/potting.ts';
import type { ReadyLine, SessionRecord, StockLine } from '../../contracts/potting/potting.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { readyList } from './ready.ts';
import { stockView } from './stock.ts';

/** What is ready for potting, and the sessions there are. */
export async function readyPage(season: Season): Promise<{ ready: ReadyLine[]; sessions: SessionRecord[] }> {
  const sessions = await readSessions(database());
  return { ready: readyList(season, sessions), sessions };
}

/** The stock as it stands. */
export async function stockPage(season?: Season): Promise<{ lines: StockLine[]; today: number; weeks: number }> {
  const now = season ?? (await readSeason());
  const [moves, sessions] = await Promise.all([readStockMoves(database()), readSessions(database())]);
  return {
    lines: stockView(now, moves, sessions),
    today: now.now.today,
    weeks: now.world.nursery.potting.ahead_weeks,
  };
}
