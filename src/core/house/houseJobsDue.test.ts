import { describe, expect, it } from 'vitest';
import { gridOf } from '../books/container.ts';
import { isoFromDay, requireDay } from '../calendar/dayNumber.ts';
import type { Season } from '../plan/season.ts';
import type { HouseJobRecord } from './houseJob.ts';
import { houseJobsBetween, houseJobsToday } from './houseJobsDue.ts';
import { houseJobKey, roundLog, type RoundLine } from './roundLine.ts';

const today = requireDay('2027-04-12');
const JOB: HouseJobRecord = {
  ...{ id: 7, version: 1, retiredOn: null, name: 'Stake', minutes: 15, firstOn: today - 30, every_days: 7 },
  ...{ lastOn: null, yearFrom: null, yearTo: null, half: null, canWait: 'yes' },
  ...{ placeId: null, batchId: null, cropId: 3, stage: 'potted', personId: null },
};
/** A batch with what it has come to by its log. */
const batch = (id: number, phase: string, facts: Record<string, number>, cropId = 3) => ({
  batch: { id, cropId },
  name: `batch ${id}`,
  state: { phase, facts, placeId: 5 },
  progress: { forecast: { kind: 'impossible' } },
});
const season = (batches: object[], ...jobs: Partial<HouseJobRecord>[]): Season =>
  ({ world: { houseJobs: jobs.map((job) => ({ ...JOB, ...job })) }, now: { today }, batches }) as unknown as Season;
const NONE = roundLog([]);
const keys = (due: readonly { key: string }[]) => due.map(({ key }) => key);
const line = (kind: RoundLine['kind'], jobKey: string): RoundLine => ({
  ...{ id: 1, kind, jobKey, on: today, forPersonId: null, minutes: null, work: null, trays: null, look: null },
  ...{ note: '', correctsId: null, authorId: null, recordedAt_ms: 0 },
});

describe('jobs of the house that are due', () => {
  it('for a crop at a stage begin when each of its batches comes to it, and end with the stage', () => {
    const there = season(
      [
        batch(1, 'potted', { pot: today - 8 }),
        batch(2, 'hardening', { pot: today - 20, harden: today - 3 }),
        batch(3, 'planted', { pot: today - 40, plant: today - 2 }),
        batch(4, 'potted', { pot: today - 8 }, 9),
      ],
      {},
    );
    expect(keys(houseJobsToday(there, NONE))).toEqual([houseJobKey(7, 1, isoFromDay(today - 1))]);
    // Done once for each: asked for through hardening, no more once it is planted out.
    const once = season([...there.batches] as object[], { every_days: null });
    expect(houseJobsToday(once, NONE).map((due) => due.batch?.batch.id)).toEqual([1, 2]);
    expect(houseJobsToday(there, NONE)[0]!.placeId).toBe(5);
  });

  it('done are not asked for, today nor in the days to come; put off they are back tomorrow', () => {
    const here = season([], { cropId: null, stage: null, firstOn: today });
    const [key, next] = [houseJobKey(7, null, isoFromDay(today)), houseJobKey(7, null, isoFromDay(today + 7))];
    expect(keys(houseJobsToday(here, NONE))).toEqual([key]);
    expect(houseJobsToday(here, roundLog([line('done', key)]))).toEqual([]);
    expect(houseJobsToday(here, roundLog([line('held', key)]))).toEqual([]);
    const later = { ...here, now: { ...here.now, today: today + 1 } };
    expect(keys(houseJobsToday(later, roundLog([line('held', key)])))).toEqual([key]);
    expect(keys(houseJobsBetween(here, NONE, today + 1, today + 8))).toEqual([next]);
    expect(houseJobsBetween(here, roundLog([line('done', next)]), today + 1, today + 8)).toEqual([]);
    expect(houseJobsToday(season([], { cropId: null, stage: null, retiredOn: '2027-04-01' }), NONE)).toEqual([]);
  });
});

describe('the cells of a tray', () => {
  it('lie as its book says, else as trays usually do', () => {
    const grid = (cells: number, rows: number | null = null) => gridOf({ kind: 'cell-tray', cells, rows });
    expect(grid(104)).toEqual({ rows: 8, columns: 13 });
    expect(grid(60)).toEqual({ rows: 6, columns: 10 });
    expect(grid(40)).toEqual({ rows: 5, columns: 8 });
    expect(grid(84)).toEqual({ rows: 7, columns: 12 });
    expect(grid(60, 5)).toEqual({ rows: 5, columns: 12 });
    // Rows that do not part the cells evenly are none.
    expect(grid(60, 7)).toEqual({ rows: 6, columns: 10 });
  });
});
