import { dayFromIso, requireDay } from '../../core/calendar/dayNumber.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { planCells, PLAN_COLUMNS, type PlanColumn } from '../../formats/batchColumns.ts';
import { readPlanVersions } from '../../db/batch/planVersions.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/batch/planVersions.ts';

/** Words of a plan's cells where their name in a file does not say it plainly. */
const CELL_WORDS: Readonly<Partial<Record<PlanColumn, string>>> = {
  transplant_on: WORDS.outOn,
  germinate: WORDS.germinatesIn,
  grow: WORDS.growsOnIn,
  pot: WORDS.pottedStandsIn,
  space: WORDS.spacedStandsIn,
  harden: WORDS.hardensIn,
  sow_tray: WORDS.sownIn,
  pot_container: WORDS.setInto,
  days_before: WORDS.daysBeforeThatAreAs,
  days_after: WORDS.daysAfterThatAreAs,
  size_percent: WORDS.sizeAtPlantingOut,
  spare_percent: 'spare, %',
  sure_percent: WORDS.howSure,
  day_sow: WORDS.dayOfSowing,
  day_off_heat: WORDS.dayOffTheHeat,
  day_pot: WORDS.dayOfPotting,
  day_space: WORDS.dayOfSpacing,
  day_harden: WORDS.dayHardeningStarts,
  day_plant: WORDS.dayOfPlanting,
};
const wordsOf = (column: PlanColumn): string => CELL_WORDS[column] ?? column.replaceAll('_', ' ');

/** A version of a plan: from when it stood, and what was changed with it. */
export interface VersionLine {
  readonly version: number;
  readonly fromDay: number;
  /** Minutes since midnight at the nursery. */
  readonly fromMinute: number;
  readonly authorId: number | null;
  readonly changes: readonly { readonly what: string; readonly before: string; readonly after: string }[];
}

export interface PlanHistory {
  /** The latest first. */
  readonly versions: readonly VersionLine[];
  /** The day asked for, and the plan as it stood at its end; null where there was none yet. */
  readonly on: number;
  readonly version: number | null;
  readonly cells: readonly { readonly what: string; readonly value: string }[] | null;
}

/**
 * Every version of a batch's plan, and the plan as it stood on a day.
 * @param on YYYY-MM-DD; anything else: today
 * @returns null where there is no such batch
 */
export async function planHistory(
  { world, now }: Season,
  batchId: number,
  on: string | null,
): Promise<PlanHistory | null> {
  const versions = await readPlanVersions(database(), batchId);
  if (versions.length === 0) return null;
  const { timeZone } = world.nursery;
  const at = versions.map(({ version, from_ms, batch, authorId }) => {
    const { day, minute } = localTimeAt(from_ms, timeZone);
    return { version, fromDay: day, fromMinute: minute, authorId, cells: planCells(batch, world) };
  });
  const day = on !== null && dayFromIso(on) !== null ? requireDay(on) : Math.max(now.today, at.at(-1)!.fromDay);
  const stood = at.filter((one) => one.fromDay <= day).at(-1) ?? null;
  const lines = at.map(({ cells, ...line }, i): VersionLine => {
    const before = at[i - 1]?.cells;
    const changed = before ? PLAN_COLUMNS.filter((column) => String(before[column]) !== String(cells[column])) : [];
    return {
      ...line,
      changes: changed.map((column) => ({
        what: wordsOf(column),
        before: String(before![column]),
        after: String(cells[column]),
      })),
    };
  });
  return {
    versions: lines.reverse(),
    on: day,
    version: stood?.version ?? null,
    cells:
      stood &&
      PLAN_COLUMNS.filter((column) => column !== 'code' && String(stood.cells[column]) !== '').map((column) => ({
        what: wordsOf(column),
        value: String(stood.cells[column]),
      })),
  };
}
