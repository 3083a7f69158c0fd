import { SIGN_WORDS } from '../batch/event.ts';
import { containerNow, type Progress } from '../batch/progress.ts';
import type { BatchState } from '../batch/reduce.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Container } from '../books/container.ts';
import { milestoneOf } from '../plan/schedule/chain.ts';
import type { PottingSettings } from './settings.ts';
import { WORDS } from '../../words/en/potting/ready.ts';

export type PottingJob = 'prick-out' | 'pot' | 'pot-on';
export const POTTING_WORDS: Readonly<Record<PottingJob, string>> = {
  'prick-out': WORDS.prickOut,
  pot: WORDS.potUp,
  'pot-on': WORDS.potOn,
};

/** What a batch waits for in potting, and how long it can. Days are day numbers. */
export interface Ready {
  readonly job: PottingJob;
  /** Ready by the forecast. */
  readonly readyOn: DayNumber;
  /** urgent: waiting harms it now or within days; now: ready; soon: within a week; later. */
  readonly says: 'urgent' | 'now' | 'soon' | 'later';
  /** From this day its roots run round the cell and it checks. */
  readonly harmOn: DayNumber;
  /** Whether a sign or only the forecast says so. */
  readonly bySign: boolean;
  /** {day} stands for a day. */
  readonly why: string;
  readonly whyDay: DayNumber | null;
}

/** From half up to the first true leaf in a seed tray, days. Common practice, no source. */
const PRICK_days = 10;
/** How long a plant stands ready for its pot before it is checked, days. Common practice, no source. */
const STANDS_days = 8;
/** A "not yet" is believed for so long, and a sign of roots or touching harms after so long. Common practice, no source. */
const NOT_YET_days = 2;
const SIGN_STANDS_days = 4;
const SOON_days = 7;
const URGENT_days = 2;

/**
 * Whether a batch is ready to be pricked out, potted or potted on: by the last sign looked for, else by its forecast.
 * null when nothing of the kind lies ahead of it.
 */
export function readyOf(
  plan: BatchPlan,
  state: BatchState,
  progress: Progress,
  containers: ReadonlyMap<number, Container>,
  settings: PottingSettings,
  today: DayNumber,
): Ready | null {
  const { forecast } = progress;
  if (forecast.kind !== 'chain') return null;
  const job = jobOf(plan, state, progress, containers, today);
  if (job === null) return null;
  const { sign } = state;
  const potted = state.facts.pot ?? null;
  const fresh = sign !== null && (job !== 'pot-on' || potted === null || sign.day > potted) ? sign : null;
  const half = milestoneOf(forecast, 'half-up')?.day ?? milestoneOf(forecast, 'arrive')?.day ?? today;
  const forecastOn =
    job === 'pot' ? milestoneOf(forecast, 'pot')!.dueOn : job === 'prick-out' ? half + PRICK_days : today;
  const leavesWanted = job === 'prick-out' ? settings.prickLeaves : settings.potLeaves;
  const shows =
    fresh !== null && (showsReady(fresh, leavesWanted) || (fresh.sign === 'true-leaves' && job === 'prick-out'));
  const notYet = fresh?.sign === 'not-yet' && today - fresh.day < NOT_YET_days;
  const harmOn = shows ? fresh.day + SIGN_STANDS_days : forecastOn + STANDS_days;
  let says: Ready['says'] = forecastOn <= today ? 'now' : forecastOn <= today + SOON_days ? 'soon' : 'later';
  if (shows) says = 'now';
  if (says === 'now' && harmOn - today <= URGENT_days) says = 'urgent';
  if (notYet && !shows) says = 'soon';
  const seen = fresh
    ? fresh.sign === 'leaves'
      ? WORDS.trueLeavesCounted(fresh.leaves)
      : SIGN_WORDS[fresh.sign]
    : null;
  return {
    job,
    readyOn: forecastOn,
    says,
    harmOn,
    bySign: shows,
    why: seen === null ? WORDS.readyByTheForecast : WORDS.day(seen),
    whyDay: fresh?.day ?? forecastOn,
  };
}

function jobOf(
  plan: BatchPlan,
  state: BatchState,
  { forecast }: Progress,
  containers: ReadonlyMap<number, Container>,
  today: DayNumber,
): PottingJob | null {
  if (forecast.kind !== 'chain') return null;
  if (state.phase === 'potted')
    return state.sign !== null && state.sign.sign !== 'not-yet' && state.sign.day > (state.facts.pot ?? 0)
      ? 'pot-on'
      : null;
  if (state.phase !== 'emerged' && state.phase !== 'growing') return null;
  const pot = milestoneOf(forecast, 'pot');
  const inPan = containers.get(containerNow(state, plan))?.kind === 'seed-tray';
  const half = milestoneOf(forecast, 'half-up');
  // Seedlings of one pan stand too thick to wait for a pot that is far off.
  if (inPan && half && (!pot || pot.day > Math.max(half.day + PRICK_days, today) + SOON_days)) return 'prick-out';
  return pot ? 'pot' : null;
}

/** Whether a sign says that plants want a larger pot. */
export function showsReady(sign: NonNullable<BatchState['sign']>, leavesWanted: number): boolean {
  if (sign.sign === 'leaves') return (sign.leaves ?? 0) >= leavesWanted;
  return sign.sign === 'roots' || sign.sign === 'touching';
}
