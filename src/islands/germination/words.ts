import type { Verdict, VerdictKind } from '../../core/germination/verdict.ts';
import { shortDay } from '../../ui/format.ts';

/** The verdict in one word or two, and how it is marked. */
export const VERDICT_WORDS: Readonly<Record<VerdictKind, string>> = {
  'too soon': 'Too soon to say',
  'count again': 'Count again',
  'on time': 'On time',
  early: 'Early',
  late: 'Late',
  few: 'Too few will come',
  'likely dead': 'Most likely dead',
  'enough up': 'Enough are up',
};
export const BAD: readonly VerdictKind[] = ['late', 'few', 'likely dead'];

/** What a batch that is counted no longer came to. */
export function settledWords(plants: {
  readonly cameUp_count: number;
  readonly sown_count: number;
  readonly by: string;
}): string {
  return `${plants.cameUp_count} of ${plants.sown_count} came up, by what was ${plants.by === 'planted' ? 'planted out' : plants.by} and lost since.`;
}

/** A chance as a grower says it; never certain either way. */
export function odds(frac: number): string {
  if (frac >= 0.995) return 'over 99 in 100';
  if (frac <= 0.005) return 'under 1 in 100';
  return `${Math.round(100 * frac)} in 100`;
}

/** What the verdict rests on, in a sentence or two. */
export function reasonOf(verdict: Verdict, up: number | null, sown: number, needed: number, today: number): string {
  const { expectedNow, expectedEnd, fewer_frac } = verdict;
  const band = `${expectedNow.low} to ${expectedNow.high}`;
  const since = verdict.countedOn === null ? 0 : today - verdict.countedOn;
  // A count that is days old is not how things stand.
  const when =
    since >= 2 && verdict.kind !== 'enough up'
      ? ` on ${shortDay(verdict.countedOn!)}, ${since} days ago: count again. Today ${band} should be up.`
      : '.';
  const end = `${Math.round(expectedEnd.mean)} of ${sown} in the end (nine in ten times ${expectedEnd.low} to ${expectedEnd.high})`;
  switch (verdict.kind) {
    case 'too soon':
      return up === null
        ? `Nothing counted yet; ${band} of ${sown} should be up today. Half are expected ${dayWords(verdict.halfOn, today)}.`
        : `Little was to be expected yet. Half are expected ${dayWords(verdict.halfOn, today)}.`;
    case 'count again':
      return `${up} were up on ${shortDay(verdict.countedOn!)}, ${since} days ago; ${Math.round(expectedEnd.mean)} of ${sown} are thought to come in the end, if all is well. Nobody has looked since.`;
    case 'enough up':
      return `${up} are up and ${needed} are wanted.`;
    case 'likely dead':
      return `Nothing is up where ${band} should be by now. The odds that nothing comes are ${odds(verdict.dead_frac)}.`;
    case 'few':
      return `${up} up of ${sown}, and nearly all that will come have${when} Expect ${end}.`;
    case 'late':
      return `${up} up, and by what was thought it would be fewer only ${odds(fewer_frac ?? 0)} times${when} Expect ${end}.`;
    default:
      return `${up} up${when} Expect ${end}.`;
  }
}

export function dayWords(day: number | null, today: number): string {
  if (day === null) return 'not within four months';
  if (day === today) return 'today';
  return day < today ? `by ${shortDay(day)}` : `about ${shortDay(day)}`;
}
