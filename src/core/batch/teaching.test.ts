import { describe, expect, it } from 'vitest';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import type { World } from '../house/world.ts';
import { teaching } from './teaching.ts';

interface Said {
  readonly batchId: number;
  readonly by: string;
}
const kept = (batchId: number, logId: number, taught = 'emergence') => ({ batchId, logId, taught, estimate: {} });
const events = (...ids: number[]) => ids.map((id) => ({ id, kind: id === 1 ? 'sown' : 'counted', day: 100 + id }));
const books = { crops: [], varieties: [], places: [], containers: [], programmes: [], covers: [] };

/** A house of batches by number with their logs, and what was kept; crops stand for all its books. */
const house = (logs: Record<number, unknown[]>, estimates: unknown[], crop = 'a'): World =>
  ({
    ...books,
    crops: [crop],
    nursery: {},
    kept: { mark: '', pottings: [], estimates },
    batches: Object.keys(logs).map((id) => ({ id: Number(id) })),
    events: new Map(Object.entries(logs).map(([id, log]) => [Number(id), log])),
  }) as unknown as World;

function teacher() {
  const asked: string[] = [];
  const by = teaching<Said>({
    taught: 'emergence',
    fromLog: (_world, batch, log, tables) => {
      asked.push(`log ${batch.id}`);
      if (log.length === 1) return null;
      if (log.length > 3) throw new Error('cannot be read');
      return { batchId: batch.id, by: `log ${log.length} ${(tables as unknown as { says: string }).says}` };
    },
    fromKept: (world, { batchId }) => {
      asked.push(`kept ${batchId}`);
      if (batchId === 66) throw new Error('the book no longer says');
      return { batchId, by: `kept with book ${String(world.crops[0])}` };
    },
  });
  return { by, asked };
}
const tables = (says: string) => ({ says }) as unknown as SeasonTables;

describe('what batches teach', () => {
  it('is as kept while the log has not gone on, else from the log; closed seasons first; what cannot be read says nothing', () => {
    const { by } = teacher();
    const logs = { 1: events(1, 2), 2: events(1, 2, 3), 3: events(1), 4: events(1, 2, 3, 4) };
    const estimates = [kept(1, 2), kept(2, 2), kept(9, 5), kept(66, 5), kept(8, 5, 'growth')];
    expect(by(house(logs, estimates), () => tables('now'))).toEqual([
      { batchId: 9, by: 'kept with book a' },
      { batchId: 1, by: 'kept with book a' },
      { batchId: 2, by: 'log 3 now' },
    ]);
  });

  it('is worked out once for a log and its tables; other tables that say the same leave the same object', () => {
    const { by, asked } = teacher();
    const world = house({ 1: events(1, 2) }, []);
    const [one, other, third] = [tables('same'), tables('same'), tables('otherwise')];
    const [first] = by(world, () => one);
    expect(by(world, () => one)[0]).toBe(first);
    expect(asked).toEqual(['log 1']);
    expect(by(world, () => other)[0]).toBe(first);
    expect(by(world, () => third)[0]).toEqual({ batchId: 1, by: 'log 2 otherwise' });
    expect(asked).toEqual(['log 1', 'log 1', 'log 1']);
  });

  it('what was kept follows the books, and is gone through once while neither changes', () => {
    const { by, asked } = teacher();
    const estimates = [kept(9, 5)];
    const [first] = by(house({}, estimates), () => tables(''));
    expect(by(house({}, estimates), () => tables(''))[0]).toBe(first);
    // Another reading of what was kept: the same estimate in another list.
    expect(by(house({}, [...estimates]), () => tables(''))[0]).toBe(first);
    expect(asked).toEqual(['kept 9']);
    expect(by(house({}, estimates, 'b'), () => tables(''))).toEqual([{ batchId: 9, by: 'kept with book b' }]);
  });

  it('what is kept of a log as the log said it stays the same object, so that nothing that follows is worked out again', () => {
    const same = { batchId: 1, by: 'the same' };
    const by = teaching<Said>({ taught: 'emergence', fromLog: () => ({ ...same }), fromKept: () => ({ ...same }) });
    const logs = { 1: events(1, 2) };
    const [first] = by(house(logs, []), () => tables(''));
    const [second] = by(house(logs, [kept(1, 2)]), () => tables(''));
    expect(second).toBe(first);
    // Nor when its season is closed, and it is among the batches no more.
    expect(by(house({}, [kept(1, 2)], 'b'), () => tables(''))[0]).toBe(first);
  });

  it('asks for the tables of the day the batch was sown', () => {
    const days: (number | null)[] = [];
    teacher().by(house({ 1: events(1, 2), 2: events(2, 3) }, []), (day) => {
      days.push(day);
      return tables('');
    });
    expect(days).toEqual([101, null]);
  });
});
