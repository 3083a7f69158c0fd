import { fieldProblem } from '../../contracts/problem.ts';
import { wholeNumber } from '../../contracts/fields.ts';
import { WORDS } from '../../words/en/watering/waterViews.ts';
import { MOST_AWAY_days } from './waterViews.ts';

/** Three days, as of a long weekend. */
const USUAL_days = 3;

const read = (asked: string | null) =>
  wholeNumber(WORDS.awayDays, 1, MOST_AWAY_days).safeParse(
    asked === null ? USUAL_days : asked.trim() === '' ? NaN : Number(asked),
  );

/** The same for a page, which shows the usual days where an address asks for none that there are. */
export const awayDaysOr = (url: URL): number => read(url.searchParams.get('away')).data ?? USUAL_days;

/** Days away an address asks for. @throws ProblemError for none that can be worked out */
export function awayDays(url: URL): number {
  const days = read(url.searchParams.get('away'));
  if (!days.success) throw fieldProblem('away', days.error.issues[0]!.message);
  return days.data;
}
