import { trackOf, type Problem } from './problem.ts';

/** What a stage gains at each level of a place, added up to each day, and the days on which it may not be there. */
export interface LevelGrowth {
  readonly gained: readonly Float64Array[];
  /** By level: first day from a day on which it may not be there. */
  readonly bad: readonly Int16Array[];
  readonly tolls: readonly Float64Array[] | null;
  /** Whether the heat may go off at the midnight before it is ready. */
  readonly offAtMidnight: boolean;
}

export function levelGrowth(problem: Problem, stage: number, place: number): LevelGrowth {
  const { days: D, instance } = problem;
  const track = trackOf(problem, stage, place);
  // What has nothing to gain has only days to stand.
  const counts = instance.stages[stage]!.need > 0;
  const added = (list: Float64Array, of: (x: number) => number) => {
    const sum = new Float64Array(D + 1);
    for (let d = 0; d < D; d++) sum[d + 1] = sum[d]! + of(list[d]!);
    return sum;
  };
  return {
    gained: track.gains.map((list) => added(list, (x) => (x === x ? (counts ? x : 1) : 0))),
    bad: track.gains.map((list) => {
      const bad = new Int16Array(D + 1).fill(D);
      for (let d = D - 1; d >= 0; d--) bad[d] = list[d] === list[d] ? bad[d + 1]! : d;
      return bad;
    }),
    tolls: track.tolls && track.tolls.map((list) => added(list, (x) => x)),
    offAtMidnight: counts && track.offAtMidnight !== null,
  };
}
