import type { InsertionScratch, Terms } from './insert.ts';
import { waysBy, type ClashCell, type Offer } from './offers.ts';
import type { Task } from './problem.ts';
import type { State } from './state.ts';

/** How many days sooner it is tried to begin, so that there is slack. */
const SOONER_days = [4, 8, 14];

/**
 * Ways to take one batch out of the way of a place and some days in which it may become tight: another place for that stage, there
 * and gone before, come after it, and begun sooner with all its places kept. Nothing is changed by making them.
 * @param cell days as indexes of the instance
 */
export function waysRound(state: State, task: Task, cell: ClashCell, scratch: InsertionScratch): Offer[] {
  const plan = state.plans[task.index];
  if (!plan || task.spec.pinned) return [];
  const terms: Terms[] = [];
  const { first, stageCount, spec, lo, hi } = task;
  const begins = spec.inProgress || spec.startsOn !== undefined ? first + 1 : first;
  for (let k = first; k < stageCount; k++) {
    if (plan.places[k] !== cell.place || plan.days[k]! >= cell.to || plan.days[k + 1]! <= cell.from) continue;
    const inProgress = spec.inProgress !== undefined && k === first;
    if (!inProgress) terms.push({ notPlaces: spec.stages.map((_, i) => new Set(i === k ? [cell.place] : [])) });
    if (cell.from >= lo[k + 1]!) terms.push({ hi: withDay(hi, k + 1, Math.min(hi[k + 1]!, cell.from)) });
    if (k >= begins && cell.to <= hi[k]!) terms.push({ lo: withDay(lo, k, Math.max(lo[k]!, cell.to)) });
  }
  return waysBy(state, task, [...terms, ...soonerTerms(state, task)], scratch);
}

/** Begun some days sooner, in the same places. */
export function soonerTerms(state: State, { index, first, stageCount, spec, lo, hi }: Task): Terms[] {
  const plan = state.plans[index];
  const begins = spec.inProgress || spec.startsOn !== undefined ? first + 1 : first;
  if (!plan || begins >= stageCount) return [];
  return SOONER_days.map((days) => plan.days[begins]! - days)
    .filter((day) => day >= lo[begins]!)
    .map((day) => ({ places: plan.places, hi: withDay(hi, begins, day) }));
}

function withDay(days: Int16Array, at: number, day: number): Int16Array {
  const changed = days.slice();
  changed[at] = day;
  return changed;
}
