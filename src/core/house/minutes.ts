import type { JobKind } from '../batch/work.ts';
import { USUAL_POTTING } from '../potting/settings.ts';

/** Kinds of work of a round that have a pace of their own. */
export type PacedWork = JobKind | 'heat-look';

/** Minutes of one job: to begin with, and for each tray. */
interface Usual {
  readonly job_min: number;
  readonly tray_min: number;
}

/** One person, all set out. Potting goes by the house's pace for the pot instead. Common practice, no source. */
export const USUAL_MINUTES: Readonly<Record<PacedWork, Usual>> = {
  treat: { job_min: 5, tray_min: 0 },
  sow: { job_min: 4, tray_min: 4 },
  arrive: { job_min: 5, tray_min: 0.5 },
  look: { job_min: 0.5, tray_min: 0.7 },
  'off-heat': { job_min: 1, tray_min: 0.6 },
  pot: { job_min: USUAL_POTTING.setUp_min, tray_min: 4 },
  water: { job_min: 1, tray_min: 0.4 },
  space: { job_min: 1, tray_min: 1 },
  harden: { job_min: 1, tray_min: 0.6 },
  rung: { job_min: 1, tray_min: 0.4 },
  plant: { job_min: 5, tray_min: 8 },
  stood: { job_min: 3, tray_min: 0 },
  'heat-look': { job_min: 1.5, tray_min: 0 },
};

/** A job somebody timed. */
export interface TimedJob {
  readonly work: string;
  readonly trays: number;
  readonly minutes: number;
}

/** How the house's own pace stands to the usual figures, for one kind of work. */
export interface JobPace {
  /** Times the usual minutes. */
  readonly factor: number;
  /** Jobs it rests on. */
  readonly timed: number;
}

/** As many jobs as the usual figures weigh. Common practice, no source. */
const PRIOR_jobs = 3;
/** Longer or shorter than this the clock was forgotten. */
const SENSIBLE = { least: 1 / 8, most: 8 } as const;
/** Older jobs say little of today's hands. */
const MOST = 40;

export const usualMinutes = (work: PacedWork, trays: number): number =>
  USUAL_MINUTES[work].job_min + USUAL_MINUTES[work].tray_min * trays;

/**
 * The house's pace for a kind of work: the median of what was timed over the usual, drawn towards 1 while little was timed.
 * A clock left running moves a median little.
 * @param timed the oldest first
 */
export function jobPace(timed: readonly TimedJob[], work: PacedWork): JobPace {
  const ratios = timed
    .filter((one) => one.work === work)
    .map(({ minutes, trays }) => minutes / usualMinutes(work, trays))
    .filter((ratio) => ratio >= SENSIBLE.least && ratio <= SENSIBLE.most)
    .slice(-MOST)
    .map(Math.log)
    .sort((a, b) => a - b);
  const n = ratios.length;
  if (n === 0) return { factor: 1, timed: 0 };
  const median = (ratios[(n - 1) >> 1]! + ratios[n >> 1]!) / 2;
  return { factor: Math.exp((n / (n + PRIOR_jobs)) * median), timed: n };
}
