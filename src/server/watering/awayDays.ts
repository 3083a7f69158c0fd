import { fieldProblem } from '../../contracts/problem.ts';
import { wholeNumber } from '../../contracts/fields.ts';
import { WORDS } from '../../words/en/watering/waterViews.ts';
import { MOST_AWAY_days } from './waterViews.ts';

/** Three days, as of a long weekend. */
const USUAL_days = 3;

/** Days away an address asks for. @throws ProblemError for none that can be worked out */
export function awayDays(url: URL): number {
  const asked = url.searchParams.get('away');
  if (asked === null) return USUAL_days;
  const read = wholeNumber(WORDS.awayDays, 1, MOST_AWAY_days).safeParse(asked.trim() === '' ? NaN : Number(asked));
  if (!read.success) throw fieldProblem('away', read.error.issues[0]!.message);
  return read.data;
}
