import type { SpringsSent } from '../../contracts/planting/springs.ts';
import { springInput, ODDS_AHEAD_days, oddsTask } from '../../core/planting/oddsOfBatch.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { historyColumns } from '../../contracts/planting/springs.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/planting/springsSent.ts';

/** What a page needs to try odds by itself: the same springs, and a task for each batch that goes out soon. */
export function springsSent(season: Season): SpringsSent {
  const { site } = season;
  const input = site && springInput(site);
  if (!site || !input) throw new ProblemError(409, WORDS.nothingToGoBy, WORDS.thereIsNeitherHistoryNor);
  const { history, usual, ...rest } = input;
  return {
    input: {
      ...rest,
      usual: usual && {
        day_C: Array.from(usual.day_C, toHundredths),
        night_C: Array.from(usual.night_C, toHundredths),
      },
    },
    ...historyColumns(history),
    tasks: season.batches.flatMap((view) =>
      view.batch.plan.transplantOn <= site.today + ODDS_AHEAD_days ? (oddsTask(season, view) ?? []) : [],
    ),
  };
}

const toHundredths = (t: number): number => Math.round(100 * t) / 100;
