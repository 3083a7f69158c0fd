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

/** So many steps of the dynamic programme are gone through at most: about a tenth of a second of a phone. */
const MOST_steps = 3_500_000;

/**
 * Shares the round out among the people here so that what is left until tomorrow costs least. For one person it is exact
 * (`chooseOne`). For several, places are given to people, each takes the best of theirs and then of what nobody took; a place goes to
 * somebody else as long as that is better, and at last single jobs are exchanged. Jobs that somebody has go to nobody else.
 * @throws RangeError when nobody is here, or minutes are under 0 or over 600
 */
export function chooseRound(task: ChoiceTask): Choice {
  const { people, jobs } = task;
  requireRange('people here', people.length, 1, 12);
  requireRange('minutes', task.minutes, 0, MOST_min);
  const shares = people.length === 1 ? [bestOf(task, all(task).filter(mayDo(task, 0)))] : amongSeveral(task);
  const chosen = new Set(shares.flat());
  const left = jobs.filter((_, i) => !chosen.has(i));
  return {
    shares: shares.map((indices, at) => {
      const own = [...indices].sort((i, j) => jobs[i]!.place - jobs[j]!.place);
      return {
        person: people[at]!,
        keys: own.map((i) => jobs[i]!.key),
        minutes: minutesOf(
          task,
          own.map((i) => jobs[i]!),
        ),
      };
    }),
    left: left.map(({ key }) => key),
    lost: left.reduce((sum, { weight }) => sum + weight, 0),
  };
}

const all = ({ jobs }: ChoiceTask): number[] => jobs.map((_, i) => i);
const weightOf = (jobs: readonly ChoiceJob[], indices: readonly number[]): number =>
  indices.reduce((sum, i) => sum + jobs[i]!.weight, 0);

const mayDo =
  (task: ChoiceTask, at: number) =>
  (i: number): boolean => {
    const { holder } = task.jobs[i]!;
    // Somebody who is not here has nothing today.
    return holder === null || holder === task.people[at] || !task.people.includes(holder);
  };

const bestOf = (task: ChoiceTask, open: readonly number[]): number[] =>
  chooseOne(
    task,
    open.map((i) => task.jobs[i]!),
  ).chosen.map((i) => open[i]!);

function amongSeveral(task: ChoiceTask): number[][] {
  const { jobs, people, places } = task;
  const n = people.length;
  const room = task.minutes / STEP_min;
  const visited = new Set(jobs.map(({ place }) => place)).size;
  let solves = Math.max(2 * n, Math.floor(MOST_steps / Math.max(1, (visited * visited * room * room) / 4)));
  const solved = new Map<string, number[]>();
  const best = (open: readonly number[]): number[] => {
    const key = open.join();
    const known = solved.get(key);
    if (known) return known;
    solves--;
    const found = bestOf(task, open);
    solved.set(key, found);
    return found;
  };
  /** Each the best of their places, then of what nobody took. @param of person of each place; -1: whoever comes first */
  const sharesBy = (of: readonly number[]): number[][] => {
    const taken = new Set<number>();
    const shares = people.map((_, at) => {
      const own = best(
        all(task).filter((i) => !taken.has(i) && [at, -1].includes(of[jobs[i]!.place]!) && mayDo(task, at)(i)),
      );
      for (const i of own) taken.add(i);
      return own;
    });
    return shares.map((own, at) => {
      if (solves <= 0) return own;
      const more = best(all(task).filter((i) => (own.includes(i) || !taken.has(i)) && mayDo(task, at)(i)));
      for (const i of own) taken.delete(i);
      for (const i of more) taken.add(i);
      return more;
    });
  };
  let shares = exchange(task, sharesBy(Array.from({ length: places }, () => -1)));
  let top = weightOf(jobs, shares.flat());
  const tryWith = (of: readonly number[]): boolean => {
    const next = exchange(task, sharesBy(of));
    const worth = weightOf(jobs, next.flat());
    if (worth <= top + 1e-9) return false;
    [shares, top] = [next, worth];
    return true;
  };
  // Stretches of the walk to begin with, then place by place.
  let of = Array.from({ length: places }, (_, p) => Math.min(n - 1, Math.floor((p * n) / places)));
  if (solves > 0 && !tryWith(of)) of = ownersOf(task, shares);
  for (let better = true; better && solves > 0;) {
    better = false;
    for (let place = 0; place < places && solves > 0; place++)
      for (let at = -1; at < n && solves > 0; at++) {
        if (of[place] === at) continue;
        const moved = of.map((owner, p) => (p === place ? at : owner));
        if (!tryWith(moved)) continue;
        of = moved;
        better = true;
      }
  }
  return shares;
}

/** Who has most to do at each place. */
function ownersOf({ jobs, places }: ChoiceTask, shares: readonly (readonly number[])[]): number[] {
  return Array.from({ length: places }, (_, place) => {
    const worth = shares.map((own) =>
      weightOf(
        jobs,
        own.filter((i) => jobs[i]!.place === place),
      ),
    );
    return worth.indexOf(Math.max(...worth));
  });
}

/** Longer lists of what is left are gone through for pairs no more. */
const MOST_pairs = 16;

/** Single jobs put in, exchanged for better ones, or handed over to make room, as long as that is better. */
function exchange(task: ChoiceTask, from: readonly (readonly number[])[]): number[][] {
  const { jobs, people } = task;
  const shares = from.map((own) => [...own]);
  const room = task.minutes + 1e-9;
  const fits = (own: readonly number[]) => stepped(task, own) <= room;
  const worth = (own: readonly number[]) => weightOf(jobs, own);
  /** The best change of one share by what is left. */
  const better = (own: readonly number[], at: number, left: readonly number[]): number[] | null => {
    let [found, top]: [number[] | null, number] = [null, worth(own) + 1e-9];
    const look = (next: number[]) => {
      if (worth(next) > top && fits(next)) [found, top] = [next, worth(next)];
    };
    const open = left.filter(mayDo(task, at));
    for (const i of open) {
      look([...own, i]);
      for (const j of own) look([...own.filter((k) => k !== j), i]);
    }
    if (open.length <= MOST_pairs)
      for (const i of open)
        for (const k of open) if (i < k) for (const j of [-1, ...own]) look([...own.filter((one) => one !== j), i, k]);
    return found;
  };
  for (let changed = true; changed;) {
    changed = false;
    const leftOf = () => {
      const taken = new Set(shares.flat());
      return all(task).filter((i) => !taken.has(i));
    };
    for (let at = 0; at < people.length; at++) {
      const next = better(shares[at]!, at, leftOf());
      if (!next) continue;
      shares[at] = next;
      changed = true;
    }
    if (changed || task.jobs.length > 60) continue;
    // Handed over, or exchanged between two, to make room for something that is left.
    handing: for (let a = 0; a < people.length; a++)
      for (let b = 0; b < people.length; b++) {
        if (a === b) continue;
        for (const i of shares[a]!)
          for (const j of [-1, ...shares[b]!]) {
            if (!mayDo(task, b)(i) || (j >= 0 && !mayDo(task, a)(j))) continue;
            const toB = [...shares[b]!.filter((k) => k !== j), i];
            const toA = [...shares[a]!.filter((k) => k !== i), ...(j < 0 ? [] : [j])];
            if (!fits(toB) || !fits(toA)) continue;
            const left = leftOf();
            const [moreA, moreB] = [better(toA, a, left), better(toB, b, left)];
            if (!moreA && !moreB) continue;
            if (moreA) [shares[a], shares[b]] = [moreA, toB];
            else [shares[a], shares[b]] = [toA, moreB!];
            changed = true;
            break handing;
          }
      }
  }
  return shares;
}

/** Minutes as the programme reckons them: each job and each walk rounded up to a step. */
function stepped(task: ChoiceTask, own: readonly number[]): number {
  let at = -1;
  let sum = 0;
  for (const i of [...own].sort((a, b) => task.jobs[a]!.place - task.jobs[b]!.place)) {
    const { place, minutes } = task.jobs[i]!;
    if (place !== at) sum += steps(task.walk_min(at, place));
    at = place;
    sum += Math.max(1, steps(minutes));
  }
  return sum * STEP_min;
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
