import { describe, expect, it } from 'vitest';
import { logLine as line } from '../../../tests/support/logLines.ts';
import { countsOf, teachingCounts } from './looks.ts';

const log = [
  line('sown', 10, 120),
  line('counted', 15, 30, { tray: 1 }),
  line('counted', 15, 2, { tray: 2 }),
  line('counted', 17, 50, { tray: 1 }),
  line('counted', 17, 4, { tray: 2 }),
];

describe('what a batch teaches by', () => {
  it('is all of its trays, until one is left out with its share of the seeds', () => {
    expect(teachingCounts(log, 2)).toEqual(countsOf(log));
    const without = [...log, line('left-out', 18, null, { tray: 2, cause: 'dried out' })];
    expect(teachingCounts(without, 2)).toEqual({
      sownOn: 10,
      sown: 60,
      counts: [
        { day: 15, up: 30 },
        { day: 17, up: 50 },
      ],
    });
    // What is counted stays counted for everything else.
    expect(countsOf(without)).toEqual(countsOf(log));
  });

  it('is nothing when it is left out whole, and all again when that is withdrawn', () => {
    const out = line('left-out', 18, null, { cause: 'miscounted' });
    expect(teachingCounts([...log, out], 2)).toBeNull();
    const back = line('withdrawn', 19, null, { correctsId: out.id });
    expect(teachingCounts([...log, out, back], 2)).toEqual(countsOf(log));
  });
});
