import { effectiveEvents } from '../batch/reduce.ts';
import type { BatchView } from '../plan/season.ts';
import type { Look } from './belief.ts';

/** What is to be done with the lid or bag over seed. */
export type LidAdvice =
  /** The first are up: it comes off. */
  | 'off'
  /** Drops run on it: open it for an hour. */
  | 'air'
  /** It is clear inside: the surface dries, water from below. */
  | 'dry';

/** What was seen on a lid says something for a day. Common practice, no source. */
const SEEN_ms = 24 * 3_600_000;

/** Whether a tray was under its lid at an instant: from each line of its log on, until half are up. */
export function lidAt(
  { events, state }: Pick<BatchView, 'events' | 'state'>,
  noonOf_ms: (day: number) => number,
): (at_ms: number) => boolean {
  const changes = effectiveEvents(events)
    .filter(({ kind }) => kind === 'cover')
    .map(({ day, count }) => ({ at_ms: noonOf_ms(day), on: count === 1 }));
  if (changes.length === 0) return () => false;
  const halfUp = state.facts['half-up'];
  const until_ms = halfUp === undefined ? Infinity : noonOf_ms(halfUp);
  return (at_ms) => at_ms < until_ms && (changes.findLast((change) => change.at_ms <= at_ms)?.on ?? false);
}

/** What to do with the lid of a tray; null: nothing. Common practice, no source. */
export function lidAdvice(
  lid: boolean,
  up_count: number,
  seen: { readonly look: Look; readonly at_ms: number; readonly onLid: boolean } | null,
  now_ms: number,
): LidAdvice | null {
  if (!lid) return null;
  if (up_count > 0) return 'off';
  if (!seen?.onLid || now_ms - seen.at_ms > SEEN_ms || seen.look === 'moist') return null;
  return seen.look === 'wet' ? 'air' : 'dry';
}
