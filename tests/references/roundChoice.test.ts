import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { chooseRound, minutesOf, shareAll, type ChoiceTask } from '../../src/core/house/roundChoice.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { leastLost } from '../support/leastLost.ts';
import { madeUpRound } from '../support/madeUpRounds.ts';

/** The choice of a round against a solver of mixed integer programs (HiGHS: Huangfu & Hall 2018, Math. Prog. Comp. 10, 119-142; npm highs). */
let highs: Awaited<ReturnType<typeof loadHighs>>;
beforeAll(async () => {
  highs = await loadHighs();
});

const total = ({ jobs }: ChoiceTask): number => jobs.reduce((sum, { weight }) => sum + weight, 0);

describe('the choice of a round', () => {
  it('loses no more than the proven least, for one person', () => {
    const random = seededRandom(41);
    for (let run = 0; run < 25; run++) {
      const task = madeUpRound(random, 1);
      expect(chooseRound(task).lost).toBeCloseTo(leastLost(highs, task), 6);
    }
  });

  it('is within 2% of the proven best of what can be kept, for two and three', () => {
    const random = seededRandom(42);
    for (let run = 0; run < 12; run++) {
      const task = madeUpRound(random, 2 + (run % 2));
      const best = total(task) - leastLost(highs, task);
      expect(total(task) - chooseRound(task).lost).toBeGreaterThanOrEqual(0.98 * best - 1e-9);
    }
  });

  it('fits the time with its walks, does nothing twice, and leaves to each what they have', () => {
    const random = seededRandom(43);
    for (let run = 0; run < 40; run++) {
      const made = madeUpRound(random, 3);
      const task = {
        ...made,
        jobs: made.jobs.map((job, i) => ({ ...job, holder: i % 4 === 0 ? 1 + (i % 3) : i % 7 === 0 ? 99 : null })),
      };
      const { shares, left, lost } = chooseRound(task);
      const done = shares.flatMap(({ keys }) => keys);
      expect([...done, ...left].sort()).toEqual(task.jobs.map(({ key }) => key).sort());
      for (const { person, keys, minutes } of shares) {
        const own = task.jobs.filter(({ key }) => keys.includes(key));
        expect(minutes).toBeCloseTo(minutesOf(task, own));
        expect(minutes).toBeLessThanOrEqual(task.minutes + 1e-9);
        // 99 is not here: theirs may be done by anybody.
        for (const { holder } of own) expect([null, 99, person]).toContain(holder);
      }
      const lostBy = task.jobs.filter(({ key }) => left.includes(key)).reduce((sum, { weight }) => sum + weight, 0);
      expect(lost).toBeCloseTo(lostBy);
    }
  });

  it('with no time does nothing, and refuses a round without people', () => {
    const task = madeUpRound(seededRandom(44), 1);
    expect(chooseRound({ ...task, minutes: 0 }).shares[0]!.keys).toEqual([]);
    expect(() => chooseRound({ ...task, people: [] })).toThrow(/people here/);
    expect(() => chooseRound({ ...task, minutes: NaN })).toThrow(/minutes/);
  });
});

describe('all of a round shared out', () => {
  it('gives each a stretch of the walk, the longest as short as any cut makes it', () => {
    const random = seededRandom(45);
    for (let run = 0; run < 20; run++) {
      const task = madeUpRound(random, 2);
      const { shares, left } = shareAll(task);
      expect(left).toEqual([]);
      expect(shares.flatMap(({ keys }) => keys).sort()).toEqual(task.jobs.map(({ key }) => key).sort());
      const longest = Math.max(...shares.map(({ minutes }) => minutes));
      for (let cut = 0; cut <= task.places; cut++) {
        const part = (before: boolean) => task.jobs.filter(({ place }) => place < cut === before);
        expect(longest).toBeLessThanOrEqual(Math.max(minutesOf(task, part(true)), minutesOf(task, part(false))) + 1e-9);
      }
    }
  });
});
