import { describe, expect, it } from 'vitest';
import { jobPace, usualMinutes } from './minutes.ts';
import { holdersOn, JOB_KEY, roundLog, type RoundLine } from './roundLine.ts';
import { walk_min, type WalkPlace } from './walk.ts';

const line = (id: number, more: Partial<RoundLine>): RoundLine => ({
  id,
  kind: 'done',
  jobKey: 'own/1//2027-04-12',
  on: 20_000,
  forPersonId: null,
  minutes: null,
  work: null,
  trays: null,
  look: null,
  note: '',
  correctsId: null,
  authorId: null,
  recordedAt_ms: 0,
  ...more,
});

describe('lines of the round', () => {
  it('say what is done, and no longer when they are taken back', () => {
    const done = [line(1, {}), line(2, { kind: 'held', jobKey: 'own/2//2027-04-12' })];
    expect([...roundLog(done).done.keys()]).toEqual(['own/1//2027-04-12']);
    expect(roundLog(done).heldOn.get('own/2//2027-04-12')).toBe(20_000);
    const back = roundLog([...done, line(3, { kind: 'withdrawn', correctsId: 1 })]);
    expect(back.done.size).toBe(0);
  });

  it('say who has a job: the last who took it, on that day alone', () => {
    const log = roundLog([
      line(1, { kind: 'taken', forPersonId: 4 }),
      line(2, { kind: 'taken', forPersonId: 7 }),
      line(3, { kind: 'taken', forPersonId: 4, jobKey: '17/pot/' }),
      line(4, { kind: 'given', forPersonId: null, jobKey: '17/pot/' }),
    ]);
    expect([...holdersOn(log, 20_000)]).toEqual([['own/1//2027-04-12', 7]]);
    expect(holdersOn(log, 20_001).size).toBe(0);
  });

  it('are about keys of jobs alone', () => {
    for (const key of [
      'own/1//2027-04-12',
      'own/1/17/2027-04-12',
      'heat/2/evening/2027-04-12',
      '17/off-heat/',
      '17/rung/3',
    ])
      expect(key).toMatch(JOB_KEY);
    for (const key of ['', 'own/x//2027-04-12', 'heat/2/noon/2027-04-12', '17', "1/pot/'; --"])
      expect(key).not.toMatch(JOB_KEY);
  });
});

describe('minutes', () => {
  it('are the usual ones until something is timed, then move towards what is timed', () => {
    expect(jobPace([], 'space')).toEqual({ factor: 1, timed: 0 });
    const slow = (n: number) =>
      Array.from({ length: n }, () => ({ work: 'space', trays: 9, minutes: 2 * usualMinutes('space', 9) }));
    expect(jobPace(slow(3), 'space').factor).toBeCloseTo(Math.SQRT2, 6);
    expect(jobPace(slow(30), 'space').factor).toBeGreaterThan(1.85);
    expect(jobPace(slow(30), 'sow').factor).toBe(1);
  });

  it('do not believe a clock that was forgotten', () => {
    const usual = Array.from({ length: 9 }, () => ({ work: 'sow', trays: 4, minutes: usualMinutes('sow', 4) }));
    const forgotten = { work: 'sow', trays: 4, minutes: 900 };
    expect(jobPace([...usual, forgotten], 'sow')).toEqual({ factor: 1, timed: 9 });
  });
});

describe('the walk', () => {
  const at = (x_m: number | null, more: Partial<WalkPlace> = {}): WalkPlace => ({
    id: 1,
    door: '',
    level: 0,
    x_m,
    y_m: x_m === null ? null : 0,
    ...more,
  });
  it('costs the way by the plan, a door and stairs', () => {
    expect(walk_min(at(0), at(50))).toBeCloseTo(1.5);
    expect(walk_min(at(0), at(50, { door: 'Tunnel' }))).toBeCloseTo(2);
    expect(walk_min(at(0), at(50, { level: 2 }))).toBeCloseTo(2.5);
    expect(walk_min(at(0), at(null))).toBeCloseTo(0.8);
    expect(walk_min(null, at(50))).toBeCloseTo(0.5);
  });
});
