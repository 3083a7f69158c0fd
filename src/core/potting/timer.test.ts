import { describe, expect, it } from 'vitest';
import { workedBy, workedSince, type Mark } from './timer.ts';

const MINUTE = 60_000;
const at = (minute: number, kind: Mark['kind']): Mark => ({ kind, at_ms: minute * MINUTE });

describe('what was worked, with marks that are not sent yet', () => {
  const marks = [at(0, 'start'), at(10, 'pause'), at(15, 'start'), at(40, 'pause'), at(60, 'start'), at(75, 'done')];
  it.each([0, 1, 2, 3, 4, 5, 6])('is the same as if all were sent: %i were', (sent) => {
    // Read a minute after the last that was sent; looked at two minutes after the last of all.
    const read = ((marks[sent - 1]?.at_ms ?? -2 * MINUTE) / MINUTE + 1) * MINUTE;
    const before = workedBy(marks.slice(0, sent), read);
    const now = 77 * MINUTE;
    expect(workedSince(before, read, marks.slice(sent), now)).toEqual(
      sent % 2 === 1 && sent < 6
        ? // A stretch that goes on is cut in two by the reading: its length counts from there.
          { ...workedBy(marks, now), longest_min: expect.any(Number) }
        : workedBy(marks, now),
    );
  });

  it('runs on where nothing was tapped since', () => {
    const before = workedBy([at(0, 'start')], 5 * MINUTE);
    expect(workedSince(before, 5 * MINUTE, [], 9 * MINUTE)).toMatchObject({ minutes: 9, state: 'running' });
  });

  it('stands still where it is paused or done, whatever is tapped after', () => {
    const paused = workedBy([at(0, 'start'), at(4, 'pause')], 5 * MINUTE);
    expect(workedSince(paused, 5 * MINUTE, [], 60 * MINUTE)).toEqual(paused);
    expect(workedSince(paused, 5 * MINUTE, [at(6, 'pause')], 60 * MINUTE)).toMatchObject({
      minutes: 4,
      state: 'paused',
    });
    const done = workedBy([at(0, 'start'), at(4, 'done')], 5 * MINUTE);
    expect(workedSince(done, 5 * MINUTE, [at(6, 'start')], 60 * MINUTE)).toEqual(done);
  });
});
