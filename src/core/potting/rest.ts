import type { BatchState } from '../batch/reduce.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';

/** The last day plants were set into another container, pricked out and potted on included; null: never. */
export function lastPottedOn({ facts, moves }: Pick<BatchState, 'facts' | 'moves'>): DayNumber | null {
  const last = Math.max(facts.pot ?? -Infinity, moves.at(-1)?.day ?? -Infinity);
  return last === -Infinity ? null : last;
}

/** The day from which potted plants may be hardened, fed and put in full sun; -Infinity when nothing was potted. */
export function restedOn(state: Pick<BatchState, 'facts' | 'moves'>, rest_days: number): DayNumber {
  const last = lastPottedOn(state);
  return last === null ? -Infinity : last + rest_days;
}

/** The same day while it is still to come; null when it is past or nothing was potted. */
export function restUntil(
  state: Pick<BatchState, 'facts' | 'moves'>,
  rest_days: number,
  today: DayNumber,
): DayNumber | null {
  const on = restedOn(state, rest_days);
  return on > today ? on : null;
}
