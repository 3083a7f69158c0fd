import { requireRange } from '../numerics/guard.ts';

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

/** What one person does, place by place. */
export interface Share {
  readonly person: number;
  readonly keys: readonly string[];
  /** Work and walking. */
  readonly minutes: number;
}

export interface Choice {
  readonly shares: readonly Share[];
  readonly left: readonly string[];
  /** Weight of what is left. */
  readonly lost: number;
}

/** Minutes are reckoned in steps of this. Each job and each walk is rounded up to it, so that what is chosen always fits. */
const STEP_min = 0.5;
const MOST_min = 600;
const steps = (minutes: number): number => Math.ceil(minutes / STEP_min - 1e-9);

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
    const from = new Int16Array(room + 1).fill(-2);
    const inner = new Int16Array(room + 1);
    best.push(value);
    came.push({ from, inner });
    if (byPlace[p]!.length === 0) continue;
    const { value: gain } = packs[p]!;
    for (let q = -1; q < p; q++) {
      if (q >= 0 && byPlace[q]!.length === 0) continue;
      const walk = steps(task.walk_min(q, p));
      for (let t = 0; t + walk <= room; t++) {
        const before = q < 0 ? (t === 0 ? 0 : -1) : best[q]![t]!;
        if (before < 0) continue;
        for (let s = 1; t + walk + s <= room; s++) {
          // Only where the pack gets better with this step: the rest is never better than what is there.
          if (gain[s]! <= gain[s - 1]!) continue;
          const total = before + gain[s]!;
          if (total <= value[t + walk + s]!) continue;
          value[t + walk + s] = total;
          from[t + walk + s] = q;
          inner[t + walk + s] = s;
        }
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

interface Pack {
  readonly value: Float64Array;
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
  return { value, taken, sizes };
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

/** Minutes of a person's jobs with the walk between, the jobs in walking order. */
export function minutesOf(task: Pick<ChoiceTask, 'walk_min'>, jobs: readonly ChoiceJob[]): number {
  let at = -1;
  let sum = 0;
  for (const { place, minutes } of [...jobs].sort((a, b) => a.place - b.place)) {
    if (place !== at) sum += task.walk_min(at, place);
    at = place;
    sum += minutes;
  }
  return sum;
}

/**
 * Shares the round out among the people here so that what is left until tomorrow costs least. For one person it is exact
 * (`chooseOne`); for several each in turn takes the best of what is there, in every order of them, then two by two they exchange as
 * long as that is better. Jobs that somebody has go to nobody else.
 * @throws RangeError when nobody is here, or minutes are under 0 or over 600
 */
export function chooseRound(task: ChoiceTask): Choice {
  const { people, jobs } = task;
  requireRange('people here', people.length, 1, 12);
  requireRange('minutes', task.minutes, 0, MOST_min);
  let best: number[][] | null = null;
  let top = -1;
  for (const order of ordersOf(people.length)) {
    const shares = inTurn(task, order);
    const worth = weightOf(jobs, shares.flat());
    if (worth > top + 1e-9) [best, top] = [shares, worth];
  }
  if (people.length > 1) best = improve(task, best!);
  const chosen = new Set(best!.flat());
  const left = jobs.filter((_, i) => !chosen.has(i));
  return {
    shares: best!.map((indices, at) => ({
      person: people[at]!,
      keys: indices.map((i) => jobs[i]!.key),
      minutes: minutesOf(
        task,
        indices.map((i) => jobs[i]!),
      ),
    })),
    left: left.map(({ key }) => key),
    lost: left.reduce((sum, { weight }) => sum + weight, 0),
  };
}

const weightOf = (jobs: readonly ChoiceJob[], indices: readonly number[]): number =>
  indices.reduce((sum, i) => sum + jobs[i]!.weight, 0);

/** Every order of two or three; of more, each as the first. */
function ordersOf(n: number): number[][] {
  const all = Array.from({ length: n }, (_, i) => i);
  if (n === 2) return [all, [1, 0]];
  if (n === 3) return [all, [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]];
  return all.map((first) => [first, ...all.filter((i) => i !== first)]);
}

const mayDo = (task: ChoiceTask, at: number) => (i: number) => {
  const { holder } = task.jobs[i]!;
  // Somebody who is not here has nothing today.
  return holder === null || holder === task.people[at] || !task.people.includes(holder);
};

function inTurn(task: ChoiceTask, order: readonly number[]): number[][] {
  const shares: number[][] = task.people.map(() => []);
  const taken = new Set<number>();
  for (const at of order) {
    const open = task.jobs.flatMap((_, i) => (taken.has(i) || !mayDo(task, at)(i) ? [] : [i]));
    shares[at] = bestOf(task, open);
    for (const i of shares[at]!) taken.add(i);
  }
  return shares;
}

const bestOf = (task: ChoiceTask, open: readonly number[]): number[] =>
  chooseOne(
    task,
    open.map((i) => task.jobs[i]!),
  ).chosen.map((i) => open[i]!);

/** Two by two, what both have and what nobody has is shared out anew, as long as it gets better. */
function improve(task: ChoiceTask, shares: number[][]): number[][] {
  const { jobs, people } = task;
  for (let round = 0; round < 4; round++) {
    let better = false;
    for (let a = 0; a < people.length; a++)
      for (let b = 0; b < people.length; b++) {
        if (a === b) continue;
        const others = new Set(shares.flatMap((share, at) => (at === a || at === b ? [] : share)));
        const open = jobs.flatMap((_, i) => (others.has(i) ? [] : [i]));
        const before = weightOf(jobs, [...shares[a]!, ...shares[b]!]);
        // The second keeps a part of what it has, place by place; the first takes the best of the rest.
        const places = [...new Set(shares[b]!.map((i) => jobs[i]!.place))];
        for (const place of places) {
          const keeps = new Set(shares[b]!.filter((i) => jobs[i]!.place !== place));
          const first = bestOf(
            task,
            open.filter((i) => !keeps.has(i) && mayDo(task, a)(i)),
          );
          const firstHas = new Set(first);
          const second = bestOf(
            task,
            open.filter((i) => !firstHas.has(i) && mayDo(task, b)(i)),
          );
          if (weightOf(jobs, [...first, ...second]) > before + 1e-9) {
            [shares[a], shares[b]] = [first, second];
            better = true;
            break;
          }
        }
      }
    if (!better) break;
  }
  return shares;
}

/**
 * All the work shared out among the people here, each a stretch of the walk, so that the longest share is as short as stretches
 * allow. Exact by trying every cut between places. Jobs that somebody has go to them.
 */
export function shareAll(task: Omit<ChoiceTask, 'minutes'>): Choice {
  const { people, jobs } = task;
  requireRange('people here', people.length, 1, 12);
  const here = (holder: number | null) => holder !== null && people.includes(holder);
  const free = jobs.filter(({ holder }) => !here(holder));
  const had = people.map((person) => jobs.filter(({ holder }) => holder === person));
  const places = [...new Set(free.map(({ place }) => place))].sort((a, b) => a - b);
  const cost = (at: number, from: number, to: number) =>
    minutesOf(task, [...had[at]!, ...free.filter(({ place }) => places.slice(from, to).includes(place))]);
  // most[k][i]: the longest share when the first k people do the first i places.
  const n = places.length;
  let most = Array.from({ length: n + 1 }, (_, i) => cost(0, 0, i));
  const cuts: number[][] = [];
  for (let k = 1; k < people.length; k++) {
    const from: number[] = [];
    most = Array.from({ length: n + 1 }, (_, i) => {
      let best = Infinity;
      for (let j = 0; j <= i; j++) {
        const longest = Math.max(most[j]!, cost(k, j, i));
        if (longest < best - 1e-9) [best, from[i]] = [longest, j];
      }
      return best;
    });
    cuts.push(from);
  }
  let to = n;
  const shares: Share[] = [];
  for (let k = people.length - 1; k >= 0; k--) {
    const from = k === 0 ? 0 : cuts[k - 1]![to]!;
    const own = [...had[k]!, ...free.filter(({ place }) => places.slice(from, to).includes(place))].sort(
      (a, b) => a.place - b.place,
    );
    shares.unshift({ person: people[k]!, keys: own.map(({ key }) => key), minutes: minutesOf(task, own) });
    to = from;
  }
  return { shares, left: [], lost: 0 };
}
