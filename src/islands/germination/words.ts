import type { Verdict, VerdictKind } from '../../core/germination/verdict.ts';
import { shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/germination/germinationWords.ts';

/** The verdict in one word or two, and how it is marked. */
export const VERDICT_WORDS: Readonly<Record<VerdictKind, string>> = {
  'too soon': WORDS.tooSoonToSay,
  'count again': WORDS.countAgain,
  'on time': WORDS.onTime,
  early: WORDS.early,
  late: WORDS.late,
  few: WORDS.tooFewWillCome,
  'likely dead': WORDS.mostLikelyDead,
  'enough up': WORDS.enoughAreUp,
};
export const BAD: readonly VerdictKind[] = ['late', 'few', 'likely dead'];

/** What a batch that is counted no longer came to. */
export function settledWords(plants: {
  readonly cameUp_count: number;
  readonly sown_count: number;
  readonly by: string;
}): string {
  return WORDS.ofCameUpByWhat(
    plants.cameUp_count,
    plants.sown_count,
    plants.by === 'planted' ? WORDS.plantedOut : plants.by,
  );
}

/** A chance as a grower says it; never certain either way. */
export function odds(frac: number): string {
  if (frac >= 0.995) return 'over 99 in 100';
  if (frac <= 0.005) return 'under 1 in 100';
  return WORDS.in100(Math.round(100 * frac));
}

/** What the verdict rests on, in a sentence or two. */
export function reasonOf(verdict: Verdict, up: number | null, sown: number, needed: number, today: number): string {
  const { expectedNow, expectedEnd, fewer_frac } = verdict;
  const band = WORDS.to(expectedNow.low, expectedNow.high);
  const since = verdict.countedOn === null ? 0 : today - verdict.countedOn;
  // A count that is days old is not how things stand.
  const when =
    since >= 2 && verdict.kind !== 'enough up'
      ? WORDS.onDaysAgoCountAgain(shortDay(verdict.countedOn!), since, band)
      : '.';
  const end = WORDS.ofInTheEndNine(Math.round(expectedEnd.mean), sown, expectedEnd.low, expectedEnd.high);
  switch (verdict.kind) {
    case 'too soon':
      return up === null
        ? WORDS.nothingCountedYetOfShould(band, sown, dayWords(verdict.halfOn, today))
        : WORDS.littleWasToBeExpected(dayWords(verdict.halfOn, today));
    case 'count again':
      return WORDS.wereUpOnDaysAgo(up, shortDay(verdict.countedOn!), since, Math.round(expectedEnd.mean), sown);
    case 'enough up':
      return WORDS.areUpAndAreWanted(up, needed);
    case 'likely dead':
      return WORDS.nothingIsUpWhereShould(band, odds(verdict.dead_frac));
    case 'few':
      return WORDS.upOfAndNearlyAll(up, sown, when, end);
    case 'late':
      return WORDS.upAndByWhatWas(up, odds(fewer_frac ?? 0), when, end);
    default:
      return WORDS.upExpect(up, when, end);
  }
}

export function dayWords(day: number | null, today: number): string {
  if (day === null) return WORDS.notWithinFourMonths;
  if (day === today) return WORDS.today;
  return day < today ? WORDS.by(shortDay(day)) : WORDS.about(shortDay(day));
}
