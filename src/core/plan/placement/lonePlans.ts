import { below, seededRandom } from '../../numerics/random.ts';
import { bestPlan, type InsertionScratch } from './insert.ts';
import { addToPool, type Pool } from './pool.ts';
import { emptyState, restoreRow, type State } from './state.ts';
import { NONE } from './track.ts';

/** How often a place's set-points are as found, and a stage has its place given. */
const AS_FOUND_frac = 0.5;
const FIXED_PLACE_frac = 0.5;

/**
 * Puts plans into the pool that no search would look for: each batch in an empty house, with set-points half as found and
 * half by chance, on a day or two by chance, and each stage's place given half the time.
 * @param each how many are tried for every batch
 */
export function addLonePlans(pool: Pool, found: State, scratch: InsertionScratch, each: number, seed: number): void {
  const { problem } = pool;
  const { blocks: B, placeCount: P, instance } = problem;
  const random = seededRandom(seed);
  const lone = emptyState(problem);
  const frozen = instance.frozenBlocks;
  for (let n = 0; n < each; n++) {
    for (let p = 0; p < P; p++) {
      const levels = instance.places[p]!.levels.length;
      if (levels < 2) continue;
      const row = found.rows.slice(p * B, (p + 1) * B);
      if (random() >= AS_FOUND_frac) row.fill(below(random, levels), frozen);
      restoreRow(lone, p, row, ++problem.versions);
    }
    for (const task of problem.tasks) {
      if (task.spec.pinned) continue;
      const { stageCount: K, first, lo, hi } = task;
      const days = new Int16Array(K + 1).fill(NONE);
      for (let i = 1 + below(random, 2); i > 0; i--) {
        const k = first + below(random, K + 1 - first);
        if (k === first && task.spec.inProgress) continue;
        days[k] = lo[k]! + below(random, Math.max(1, hi[k]! - lo[k]! + 1));
      }
      const places = Int16Array.from({ length: K }, (_, k) => {
        const will = instance.stages[task.spec.stages[k]!]!.places;
        const free =
          will.length === 0 || random() >= FIXED_PLACE_frac || (k === first && task.spec.inProgress !== undefined);
        return free ? NONE : will[below(random, will.length)]!;
      });
      const plan = bestPlan(lone, task, scratch, { days, places });
      if (plan) addToPool(pool, lone, plan, Infinity);
    }
  }
}
