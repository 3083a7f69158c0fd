import { USUAL_UP_frac } from '../germination/usual.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import { cellsToSow } from './trays.ts';
import type { BatchState } from './reduce.ts';
import { WORDS } from '../../words/en/batch/plants.ts';

/** The parts of a batch's state that its plants follow from. */
export type PlantState = Pick<
  BatchState,
  | 'phase'
  | 'facts'
  | 'sown_count'
  | 'alive_count'
  | 'up_count'
  | 'lost_count'
  | 'left_count'
  | 'planted_count'
  | 'moves'
  | 'lastCountOn'
>;

/** What a number of plants rests on, from a wish to what stands in pots. */
export type PlantsBy = 'wanted' | 'sown' | 'counted' | 'bought' | 'potted' | 'planted' | 'ended';

/** The plants of a batch: what is in hand, what is thought to come of it, and what became of the rest. */
export interface Plants {
  /** Standing in the nursery, as far as somebody has counted; 0 before anything is counted or come. */
  readonly inHand_count: number;
  /** Thought to stand there once all are up: what trays, pots, room and planting are reckoned with. */
  readonly expected_count: number;
  /** Cells, seeds or plugs sown or come; those of the plan before that. */
  readonly sown_count: number;
  /** Known to have come up or been bought: in hand, lost, left over and out together. */
  readonly cameUp_count: number;
  readonly lost_count: number;
  /** Good ones that were given away or left over. */
  readonly left_count: number;
  readonly out_count: number;
  readonly by: PlantsBy;
  /** Day of the count or the work it rests on; null: nothing logged. */
  readonly on: number | null;
}

/**
 * The one account of a batch's plants.
 * @param coming_frac chance that a seed not yet seen still comes up, by the counts and what is thought of the lot, 0 to 1
 * @throws RangeError for a chance out of bounds
 */
export function plantsOf(
  state: PlantState,
  plan: Pick<BatchPlan, 'plantsWanted' | 'spare_frac'>,
  coming_frac: number = USUAL_UP_frac,
): Plants {
  if (!(coming_frac >= 0 && coming_frac <= 1)) throw new RangeError(`coming_frac: ${coming_frac}, wanted 0 to 1`);
  const { phase, facts, sown_count, alive_count, up_count, lost_count, left_count, planted_count, moves } = state;
  const cells = sown_count ?? cellsToSow(plan);
  const gone = { lost_count, left_count, out_count: planted_count ?? 0 };
  const told = (inHand_count: number, expected_count: number, by: PlantsBy, on: number | null): Plants => ({
    inHand_count,
    expected_count,
    sown_count: cells,
    cameUp_count: inHand_count + lost_count + left_count + (planted_count ?? 0),
    ...gone,
    by,
    on,
  });
  if (sown_count === null || alive_count === null)
    return phase === 'ended'
      ? told(0, 0, 'ended', null)
      : told(0, Math.max(1, Math.round(cells * coming_frac)), 'wanted', null);
  if (phase === 'ended') return told(0, 0, 'ended', state.lastCountOn);
  if (phase === 'planted') return told(0, 0, 'planted', facts.plant ?? null);
  const standing = up_count ?? 0;
  // Set into a container of their own each plant has been in a hand.
  const last = moves.at(-1)?.day ?? facts.pot;
  if (last !== undefined) return told(standing, standing, 'potted', last);
  if (facts.arrive !== undefined) return told(standing, standing, 'bought', facts.arrive);
  const expected = Math.round(standing + Math.max(0, alive_count - standing) * coming_frac);
  return up_count === null
    ? told(0, expected, 'sown', facts.sow ?? null)
    : told(standing, Math.max(standing, expected), 'counted', state.lastCountOn);
}

/** What a number of plants rests on, as it follows the number. `{day}` stands for a day. */
export function plantsByWords(plants: Plants): string {
  const { by, inHand_count, expected_count, sown_count } = plants;
  switch (by) {
    case 'wanted':
      return WORDS.expectedOfToBeSown(sown_count);
    case 'sown':
      return WORDS.expectedOfSownNotCounted(sown_count);
    case 'counted':
      return expected_count > inHand_count
        ? WORDS.expectedOfSownCountedUp(sown_count, inHand_count)
        : WORDS.countedDayOfSown(sown_count);
    case 'bought':
      return WORDS.comeAsPlugsDay;
    case 'potted':
      return WORDS.pottedDay;
    case 'planted':
      return WORDS.plantedOutDay;
    case 'ended':
      return 'ended';
  }
}
