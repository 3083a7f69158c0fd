import { inTransaction } from '../inTransaction.ts';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import type { Mark } from '../../core/potting/timer.ts';
import type { PottingSettings } from '../../core/potting/settings.ts';
import type { StockMove } from '../../core/potting/stock.ts';
import type { SessionLineInput, SessionRecord } from '../../contracts/potting/potting.ts';
import { NurseryModel } from '../house/models.ts';
import { ms, rows, run, type Db, type In, type Row } from '../sql.ts';

const COLUMNS = 'id, version, on_day::text AS on_day, people, lines, closed';

const sessionOf = (r: Row): SessionRecord => ({
  id: r['id'] as number,
  version: r['version'] as number,
  on: requireDay(r['on_day'] as string),
  people: r['people'] as string[],
  lines: r['lines'] as SessionLineInput[],
  closed: r['closed'] as boolean,
});

/** Open sessions, then closed ones, the newest first. */
export async function readSessions(db: Db, most = 60): Promise<SessionRecord[]> {
  const found = await rows(
    db,
    `SELECT ${COLUMNS} FROM potting_sessions ORDER BY closed, on_day DESC, id DESC LIMIT ${most}`,
  );
  return found.map(sessionOf);
}

export async function readSession(db: Db, id: number, transaction: In = null): Promise<SessionRecord | null> {
  const found = await rows(
    db,
    `SELECT ${COLUMNS} FROM potting_sessions WHERE id = $1 ${transaction ? 'FOR UPDATE' : ''}`,
    [id],
    transaction,
  );
  return found[0] ? sessionOf(found[0]) : null;
}

/** Makes a session; the same key again gives the one made. */
export async function insertSession(
  db: Db,
  session: Pick<SessionRecord, 'on' | 'people' | 'lines'>,
  key: string,
): Promise<number> {
  await run(
    db,
    `INSERT INTO potting_sessions (idempotency_key, on_day, people, lines) VALUES ($1, $2, $3::jsonb, $4::jsonb)
     ON CONFLICT (idempotency_key) DO NOTHING`,
    [key, isoFromDay(session.on), JSON.stringify(session.people), JSON.stringify(session.lines)],
  );
  const found = await rows(db, 'SELECT id FROM potting_sessions WHERE idempotency_key = $1', [key]);
  return found[0]!['id'] as number;
}

/** Changes a session if it still has the version it was read at. */
export async function updateSession(
  db: Db,
  id: number,
  version: number,
  session: Pick<SessionRecord, 'on' | 'people' | 'lines' | 'closed'>,
): Promise<boolean> {
  const done = await rows(
    db,
    `UPDATE potting_sessions SET version = version + 1, on_day = $3, people = $4::jsonb, lines = $5::jsonb, closed = $6
     WHERE id = $1 AND version = $2 RETURNING id`,
    [
      id,
      version,
      isoFromDay(session.on),
      JSON.stringify(session.people),
      JSON.stringify(session.lines),
      session.closed,
    ],
  );
  return done.length === 1;
}

/** Marks of a session's timers by batch, oldest first. */
export async function readMarks(db: Db, sessionId: number): Promise<Map<number, Mark[]>> {
  const found = await rows(db, 'SELECT batch_id, kind, at FROM potting_marks WHERE session_id = $1 ORDER BY id', [
    sessionId,
  ]);
  const marks = new Map<number, Mark[]>();
  for (const r of found) {
    const list = marks.get(r['batch_id'] as number) ?? [];
    list.push({ kind: r['kind'] as Mark['kind'], at_ms: ms(r['at'])! });
    marks.set(r['batch_id'] as number, list);
  }
  return marks;
}

/** Writes a tap on a timer; the same key again writes nothing. */
export async function insertMark(
  db: Db,
  mark: { readonly sessionId: number; readonly batchId: number } & Mark,
  key: string,
): Promise<void> {
  await inTransaction(db, async (transaction) =>
    run(
      db,
      `INSERT INTO potting_marks (idempotency_key, session_id, batch_id, kind, at) VALUES ($1, $2, $3, $4, to_timestamp($5))
       ON CONFLICT (idempotency_key) DO NOTHING`,
      [key, mark.sessionId, mark.batchId, mark.kind, mark.at_ms / 1000],
      transaction,
    ),
  );
}

export interface StockMoveRow extends StockMove {
  readonly itemId: number;
  readonly day: number;
  readonly note: string;
  readonly eventId: number | null;
  readonly authorId: number | null;
}

/** The stock's log from the last count of each thing on, oldest first. */
export async function readStockMoves(db: Db, transaction: In = null): Promise<StockMoveRow[]> {
  const found = await rows(
    db,
    `SELECT m.id::int AS id, m.item_id, m.kind, m.amount, m.event_id, m.on_day::text AS on_day, m.note, m.author_id FROM stock_moves m
     WHERE m.id >= coalesce((SELECT max(c.id) FROM stock_moves c WHERE c.item_id = m.item_id AND c.kind = 'count'), 0)
       OR m.on_day >= (SELECT max(on_day) - 35 FROM stock_moves)
     ORDER BY m.id`,
    [],
    transaction,
  );
  return found.map((r) => ({
    id: r['id'] as number,
    itemId: r['item_id'] as number,
    kind: r['kind'] as StockMove['kind'],
    amount: Number(r['amount']),
    day: requireDay(r['on_day'] as string),
    note: r['note'] as string,
    eventId: r['event_id'] as number | null,
    authorId: r['author_id'] as number | null,
  }));
}

export interface NewStockMove {
  readonly itemId: number;
  readonly kind: StockMove['kind'];
  readonly amount: number;
  readonly day: number;
  readonly note: string;
  readonly eventId: number | null;
  /** Line of the water log it goes with. */
  readonly waterLineId?: number;
  readonly key: string;
}

/** Writes lines of the stock's log; a key that was used writes nothing. */
export async function insertStockMoves(db: Db, moves: readonly NewStockMove[], transaction: In = null): Promise<void> {
  if (moves.length === 0) return;
  await run(
    db,
    `INSERT INTO stock_moves (idempotency_key, item_id, kind, amount, event_id, on_day, note, water_line_id)
     SELECT * FROM unnest($1::text[], $2::int[], $3::text[], $4::float8[], $5::int[], $6::date[], $7::text[], $8::int[])
     ON CONFLICT (idempotency_key) DO NOTHING`,
    [
      moves.map((m) => m.key),
      moves.map((m) => m.itemId),
      moves.map((m) => m.kind),
      moves.map((m) => m.amount),
      moves.map((m) => m.eventId),
      moves.map((m) => isoFromDay(m.day)),
      moves.map((m) => m.note),
      moves.map((m) => m.waterLineId ?? null),
    ],
    transaction,
  );
}

/** What a line of the water log took out of the stock. */
export async function stockOfWater(
  db: Db,
  waterLineId: number,
  transaction: In = null,
): Promise<{ readonly itemId: number; readonly amount: number }[]> {
  const sql = 'SELECT item_id, sum(amount) AS amount FROM stock_moves WHERE water_line_id = $1 GROUP BY item_id';
  const found = await rows(db, sql, [waterLineId], transaction);
  return found.map((row) => ({ itemId: row['item_id'] as number, amount: Number(row['amount']) }));
}

/** What lines of a batch's log took out of the stock, by thing (below 0 = taken), corrections included. */
export async function stockOfEvents(
  db: Db,
  eventIds: readonly number[],
  transaction: In = null,
): Promise<Map<number, number>> {
  const found = await rows(
    db,
    'SELECT item_id, sum(amount) AS amount FROM stock_moves WHERE event_id = ANY($1) GROUP BY item_id',
    [[...eventIds]],
    transaction,
  );
  return new Map(found.map((r) => [r['item_id'] as number, Number(r['amount'])]));
}

/** Changes how the house pots; false when someone changed the nursery's settings meanwhile. */
export async function updatePotting(version: number, settings: PottingSettings): Promise<boolean> {
  const [changed] = await NurseryModel.update(
    { potting: settings, version: version + 1 },
    { where: { id: 1, version } },
  );
  return changed === 1;
}
