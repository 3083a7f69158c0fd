import { requireRange } from '../numerics/guard.ts';
import { chooseOne, STEP_min, steps, type ChoiceJob, type ChoiceTask } from './onePersonsRound.ts';

export type { ChoiceJob, ChoiceTask } from './onePersonsRound.ts';

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

/** A round is no longer. */
const MOST_min = 600;

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

/** So many steps of the dynamic programmes are gone through at most: about 80 ms of a desk machine, a third of a second of a phone. */
const MOST_steps = 6_000_000;

/**
 * Shares the round out among the people here so that what is left until tomorrow costs least. For one person it is exact
 * (`chooseOne`). For several, jobs are given prices by which people part them among themselves, and at last single jobs are exchanged. Jobs
 * that somebody has go to nobody else.
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

/**
 * Each job gets a price that rises while several want it and falls while nobody does (Lagrangian relaxation, the prices moved by
 * subgradients: Held, Wolfe & Crowder 1974, Math. Programming 6, 62-88). What one takes at the prices leaves the others the rest, each of
 * whom takes the best of it in turn. What the prices cannot explain is a bound: where the shares reach it, they are the best there are.
 */
function amongSeveral(task: ChoiceTask): number[][] {
  const { jobs, people } = task;
  const weights = jobs.map(({ weight }) => weight);
  const open = people.map((_, at) => all(task).filter(mayDo(task, at)));
  const alike = open.every((own) => own.length === open[0]!.length);
  let solves = Math.max(3 * people.length, Math.min(MOST_solves, Math.floor(MOST_steps / costOf(task))));
  const best = (indices: readonly number[], worth: readonly number[]): number[] => {
    solves--;
    const wanted = indices.filter((i) => worth[i]! > 1e-9);
    return chooseOne(
      task,
      wanted.map((i) => ({ ...jobs[i]!, weight: worth[i]! })),
    ).chosen.map((i) => wanted[i]!);
  };
  /** Each in turn takes the best of what the others do not have, as long as that is better. */
  const settle = (shares: number[][], first: number): number[][] => {
    const n = people.length;
    for (let still = 0, at = first; still < n && solves > 0; at = (at + 1) % n) {
      const others = new Set(shares.flatMap((own, k) => (k === at ? [] : own)));
      const next = best(
        open[at]!.filter((i) => !others.has(i)),
        weights,
      );
      still = weightOf(jobs, next) > weightOf(jobs, shares[at]!) + 1e-9 ? 1 : still + 1;
      if (still === 1 || shares[at]!.length === 0) shares[at] = next;
    }
    return shares;
  };
  let shares: number[][] = people.map(() => []);
  let top = -1;
  const seen = new Set<string>();
  const look = (from: number[][], first: number): void => {
    const settled = settle(from, first);
    // What has been looked at, or is far behind, is not looked at for single jobs.
    const key = [...settled.flat()].sort((i, j) => i - j).join();
    if (seen.has(key) || weightOf(jobs, settled.flat()) < NEAR_frac * top) return;
    seen.add(key);
    const next = exchange(task, settled);
    const worth = weightOf(jobs, next.flat());
    if (worth > top + 1e-9) [shares, top] = [next, worth];
  };
  look(
    people.map(() => []),
    0,
  );
  let prices = weights.map(() => 0);
  let [bound, stale, stride] = [Infinity, 0, 1];
  for (let turn = 0; solves > 0 && top < bound - 1e-9; turn++) {
    const worth = weights.map((weight, i) => weight - prices[i]!);
    const wants = alike ? [best(open[0]!, worth)] : open.map((own) => best(own, worth));
    const wanted = people.map((_, at) => wants[alike ? 0 : at]!);
    const most =
      prices.reduce((sum, price) => sum + price, 0) +
      wanted.reduce((sum, own) => sum + own.reduce((part, i) => part + worth[i]!, 0), 0);
    [bound, stale] = most < bound - 1e-9 ? [most, 0] : [bound, stale + 1];
    if (stale >= 8) [stride, stale] = [stride / 2, 0];
    const first = turn % people.length;
    look(
      wanted.map((own, at) => (at === first ? own : [])),
      (first + 1) % people.length,
    );
    const excess = weights.map((_, i) => wanted.filter((own) => own.includes(i)).length - 1);
    const length = excess.reduce((sum, x, i) => sum + (x < 0 && prices[i] === 0 ? 0 : x * x), 0);
    if (length === 0) break;
    const step = (stride * Math.max(most - top, 0.01 * top)) / length;
    prices = prices.map((price, i) => Math.max(0, price + step * excess[i]!));
  }
  return shares;
}

/** Shares that keep less than this of the best ones so far are not tried further. */
const NEAR_frac = 0.95;

/** So many times at most one person's best is looked for. */
const MOST_solves = 400;

/** Steps of one look for one person's best. */
function costOf({ jobs, minutes }: ChoiceTask): number {
  const room = minutes / STEP_min;
  const places = new Set(jobs.map(({ place }) => place)).size;
  return 1 + places * room * (places / 2 + Math.min(room, (8 * jobs.length) / places)) + jobs.length * room;
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
