/** A job that may be chosen. */
export interface ChoiceJob {
  readonly key: string;
  /** Index of its place in walking order. */
  readonly place: number;
  readonly minutes: number;
  /** What is lost by leaving it. */
  readonly weight: number;
  /** Person who has it; null: anybody. */
  readonly holder: number | null;
}

export interface ChoiceTask {
  readonly jobs: readonly ChoiceJob[];
  /** Minutes to walk from place to place, in walking order: row -1 (first) is from the door. */
  readonly walk_min: (from: number, to: number) => number;
  readonly places: number;
  /** People here, and minutes each has. */
  readonly people: readonly number[];
  readonly minutes: number;
}

/** Minutes are reckoned in steps of this. Each job and each walk is rounded up to it, so that what is chosen always fits. */
export const STEP_min = 0.5;
export const steps = (minutes: number): number => Math.ceil(minutes / STEP_min - 1e-9);

/**
 * The jobs one person does in the time that is there so that least is lost by what is left: places in walking order, each with the
 * walk from the place before. Exact for minutes in half-minute steps, by dynamic programming over places and minutes.
 * @returns indices of the jobs chosen, in walking order, and half-minutes used
 */
export function chooseOne(
  task: Omit<ChoiceTask, 'people'>,
  jobs: readonly ChoiceJob[],
): { chosen: number[]; used: number } {
  const room = Math.floor(task.minutes / STEP_min + 1e-9);
  const byPlace = Array.from({ length: task.places }, (_, place) =>
    jobs.flatMap((job, i) => (job.place === place ? [i] : [])),
  );
  // Best weight when place p is the last one gone to and so many steps are used; -1: cannot be.
  const best: Float64Array[] = [];
  const came: { from: Int16Array; inner: Int16Array }[] = [];
  const packs = byPlace.map((indices) =>
    pack(
      indices.map((i) => jobs[i]!),
      room,
    ),
  );
  for (let p = 0; p < task.places; p++) {
    const value = new Float64Array(room + 1).fill(-1);
    const inner = new Int16Array(room + 1);
    const from = new Int16Array(room + 1).fill(-2);
    best.push(value);
    came.push({ from, inner });
    if (byPlace[p]!.length === 0) continue;
    const { arrived, last } = arrivals(task, p, room, best);
    const { value: gain, grows } = packs[p]!;
    for (let t = 0; t <= room; t++) {
      const before = arrived[t]!;
      if (before < 0) continue;
      for (const s of grows) {
        if (t + s > room) break;
        const total = before + gain[s]!;
        if (total <= value[t + s]!) continue;
        value[t + s] = total;
        inner[t + s] = s;
        from[t + s] = last[t]!;
      }
    }
  }
  let [at, used, top] = [-1, 0, 0];
  best.forEach((value, p) =>
    value.forEach((v, t) => {
      if (v > top + 1e-12) [at, used, top] = [p, t, v];
    }),
  );
  const chosen: number[] = [];
  let [p, t] = [at, used];
  while (p >= 0) {
    const { from, inner } = came[p]!;
    const s = inner[t]!;
    chosen.unshift(...unpack(packs[p]!, s).map((i) => byPlace[p]![i]!));
    const q = from[t]!;
    t -= s + steps(task.walk_min(q, p));
    p = q;
  }
  return { chosen, used };
}

/** Best weight on coming to a place when so many steps are used, the walk to it among them, and the place one comes from. */
function arrivals(
  { walk_min }: Pick<ChoiceTask, 'walk_min'>,
  place: number,
  room: number,
  best: readonly Float64Array[],
): { arrived: Float64Array; last: Int16Array } {
  const arrived = new Float64Array(room + 1).fill(-1);
  const last = new Int16Array(room + 1).fill(-2);
  for (let q = -1; q < place; q++) {
    const walk = steps(walk_min(q, place));
    for (let t = 0; t + walk <= room; t++) {
      const before = q < 0 ? (t === 0 ? 0 : -1) : best[q]![t]!;
      if (before <= arrived[t + walk]!) continue;
      arrived[t + walk] = before;
      last[t + walk] = q;
    }
  }
  return { arrived, last };
}

interface Pack {
  readonly value: Float64Array;
  /** Steps with which more can be done than with one step less. */
  readonly grows: readonly number[];
  readonly taken: readonly Uint8Array[];
  readonly sizes: readonly number[];
}

/** The 0/1 knapsack of a place for every number of steps. */
function pack(jobs: readonly ChoiceJob[], room: number): Pack {
  const value = new Float64Array(room + 1);
  const sizes = jobs.map(({ minutes }) => Math.max(1, steps(minutes)));
  const taken = jobs.map((job, i) => {
    const took = new Uint8Array(room + 1);
    for (let t = room; t >= sizes[i]!; t--) {
      const better = value[t - sizes[i]!]! + job.weight;
      if (better > value[t]!) {
        value[t] = better;
        took[t] = 1;
      }
    }
    return took;
  });
  const grows = Array.from(value.keys()).filter((t) => t > 0 && value[t]! > value[t - 1]!);
  return { value, grows, taken, sizes };
}

function unpack({ taken, sizes }: Pack, room: number): number[] {
  const chosen: number[] = [];
  let t = room;
  for (let i = taken.length - 1; i >= 0; i--) {
    if (taken[i]![t] === 0) continue;
    chosen.unshift(i);
    t -= sizes[i]!;
  }
  return chosen;
}
