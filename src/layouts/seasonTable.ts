import { isOver } from '../core/batch/event.ts';
import { civilFromDay } from '../core/calendar/dayNumber.ts';
import { isTrouble, punctuality } from '../core/batch/tolerance.ts';
import { milestoneOf, type MilestoneKey } from '../core/plan/schedule/chain.ts';
import type { BatchView, Season } from '../core/plan/season.ts';
import { punctualityWords, shortDay } from '../ui/format.ts';
import { Derived } from '../core/numerics/remembered.ts';
import { saidOf } from '../words/en/codes.ts';
import { WORDS } from '../words/en/seasonTable.ts';

const KEYS: readonly MilestoneKey[] = ['sow', 'half-up', 'pot', 'harden', 'plant'];
const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign]!);

/**
 * Rows of the season's table as HTML. Written as text because 500 rows through the page's template take longer than all
 * the rest of the page; every text is escaped here.
 */
export function tableRows(season: Season): string {
  const thisYear = civilFromDay(season.now.today).year;
  return season.batches.map((view) => written.get(view, () => row(view, thisYear), [thisYear])).join('');
}

/** A batch that has not changed keeps its row. */
const written = new Derived<BatchView, string>();

function row({ batch, name, state, progress, fault, plants }: BatchView, thisYear: number): string {
  const chain = progress.forecast.kind === 'chain' ? progress.forecast : null;
  const cells = KEYS.map((key) => {
    const milestone = chain && milestoneOf(chain, key);
    if (!milestone) return '<td></td>';
    const on = key === 'plant' ? (progress.out?.on ?? milestone.day) : milestone.day;
    const day = shortDay(on, thisYear);
    return milestone.status === 'done'
      ? `<td data-sort="${on}"><span class="text-ink2">${WORDS.done(day)}</span></td>`
      : `<td data-sort="${on}">${day}</td>`;
  });
  const over = isOver(state.phase);
  const kind = punctuality(progress, batch.plan);
  const bad = !over && isTrouble(kind);
  const words =
    fault !== null
      ? WORDS.cannotBeWorkedOut(escaped(fault))
      : over
        ? saidOf(state.phase)
        : punctualityWords(kind, progress.late_days);
  return (
    `<tr><td><a href="/batch/${batch.id}">${escaped(name)}</a></td><td>${escaped(batch.code)}</td>` +
    `<td class="r">${batch.plan.plantsWanted}</td><td class="r">${over ? plants.out_count : plants.expected_count}</td>${cells.join('')}` +
    `<td>${bad ? `<span class="tag bad">${words}</span>` : words}</td></tr>`
  );
}
