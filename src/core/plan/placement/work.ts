import type { Plants } from '../../batch/plants.ts';
import type { Progress } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { mondayOf } from '../../calendar/week.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Container } from '../../books/container.ts';
import type { WorkKey } from '../stage.ts';
import { WORK_KEYS } from '../stage.ts';
import { traysFor } from '../../batch/trays.ts';
import { milestoneOf } from '../schedule/chain.ts';
import { handsOf, type HousePace, type PlanningSettings } from './planning.ts';

/** Minutes of work at each step of a batch, by one person. The one account of it, for the planner and for what is shown. */
export function stepMinutes(
  plan: Pick<BatchPlan, 'sowContainerId' | 'potContainerId'>,
  plants: Pick<Plants, 'sown_count' | 'expected_count'>,
  containers: ReadonlyMap<number, Container>,
  planning: Pick<PlanningSettings, 'sow_minPerTray' | 'plant_minPerTray'>,
  pace: HousePace,
): Readonly<Record<WorkKey, number>> {
  const sowTray = containers.get(plan.sowContainerId);
  const pot = plan.potContainerId === null ? undefined : containers.get(plan.potContainerId);
  const up = Math.max(1, plants.expected_count);
  const sown_trays = sowTray ? traysFor(Math.max(1, plants.sown_count), sowTray) : 0;
  const pots_trays = pot ? traysFor(up, pot) : sown_trays;
  const carry = pace.carry_minPerTray;
  return {
    sow: planning.sow_minPerTray * sown_trays,
    'off-heat': carry * sown_trays,
    pot: pot ? up / pace.pot_perMinute + carry * pots_trays : 0,
    space: pot ? carry * pots_trays : 0,
    harden: carry * pots_trays,
    plant: planning.plant_minPerTray * sown_trays,
  };
}

/** Work of one week and the hands there are for it. */
export interface WeekWork {
  /** Its Monday. */
  readonly week: DayNumber;
  readonly hours: number;
  /** null: not bound. */
  readonly hands_h: number | null;
}

/** Hours of the work still to come, week by week from today to the last. */
export function hoursByWeek(
  batches: readonly { readonly plan: BatchPlan; readonly progress: Progress; readonly over: boolean }[],
  containers: ReadonlyMap<number, Container>,
  planning: PlanningSettings,
  pace: HousePace,
  today: DayNumber,
): WeekWork[] {
  const minutes = new Map<DayNumber, number>();
  let last = mondayOf(today);
  for (const { plan, progress, over } of batches) {
    if (over || progress.forecast.kind !== 'chain') continue;
    const of = stepMinutes(plan, progress.plants, containers, planning, pace);
    for (const key of WORK_KEYS) {
      const milestone = milestoneOf(progress.forecast, key);
      if (!milestone || milestone.day < today || milestone.status === 'done' || milestone.status === 'reckoned')
        continue;
      const week = mondayOf(milestone.day);
      last = Math.max(last, week);
      minutes.set(week, (minutes.get(week) ?? 0) + of[key]);
    }
  }
  const first = mondayOf(today);
  return Array.from({ length: (last - first) / 7 + 1 }, (_, i) => {
    const week = first + 7 * i;
    return { week, hours: (minutes.get(week) ?? 0) / 60, hands_h: handsOf(planning, week) };
  });
}
