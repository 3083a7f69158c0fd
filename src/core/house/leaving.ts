import type { Job } from '../batch/work.ts';
import { readyInTime_frac } from '../batch/inTime.ts';
import { windowOf } from '../batch/tolerance.ts';
import { milestoneOf } from '../plan/schedule/chain.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Progress } from '../batch/progress.ts';
import type { Decision } from '../hardening/ladder.ts';
import { normalCdf } from '../numerics/normal.ts';
import type { CanWait } from './houseJob.ts';

/** Why leaving a job until tomorrow costs something. */
export type LeavingCause =
  'in-time' | 'stretch' | 'dry' | 'weather' | 'pot-bound' | 'unseen' | 'unwatered' | 'check' | 'said' | 'late' | 'none';

/** What leaving a job until tomorrow costs. */
export interface LeavingPrice {
  /** Days the batch is later for it. */
  readonly late_days: number;
  /** Plants that may be lost, or no longer be ready in time. */
  readonly plants: number;
  readonly cause: LeavingCause;
  /** It must not be left. */
  readonly mustNow: boolean;
}

/** Shares at risk by leaving a job one day. Common practice, no source. */
export const RISK_frac = {
  /** Seedlings that already stretch on the heat. */
  stretch: 0.05,
  /** Half of the tray up and nobody looks: it stays warm and dark. */
  unseen: 0.03,
  /** Potted and not watered in. */
  dry: 0.08,
  /** In a tray that goes dry and stays so for a day. */
  wilted: 0.15,
  /** Past the last good day in their pots. */
  potBound: 0.03,
} as const;
/** A day's low or gust may come out so far from what was told, one standard deviation. Common practice, no source. */
const TOLD_SPREAD = { degrees_K: 1.5, wind_m_s: 3 } as const;

/** What is known of a batch when one of its jobs is left. */
export interface LeavingOf {
  readonly job: Job;
  readonly plan: BatchPlan;
  readonly progress: Progress;
  readonly expected_count: number;
  /** Seedlings on the heat already stretch. */
  readonly leggy: boolean;
  /** Today's decision of its ladder; null: none. */
  readonly decision: Decision | null;
}

const NOTHING: LeavingPrice = { late_days: 0, plants: 0, cause: 'none', mustNow: false };
/** Jobs whose batch goes on a day later when they are left. */
const CARRIES: readonly Job['kind'][] = ['treat', 'sow', 'arrive', 'pot', 'harden', 'rung', 'plant'];

/**
 * What leaving a batch's job until tomorrow costs: the day, the plants that are then no longer ready in time by the chance of the
 * forecast, and those at risk where they stand.
 */
export function leavingBatchJob(of: LeavingOf, today: number): LeavingPrice {
  const { job, plan, progress, expected_count } = of;
  const risk = (frac: number, cause: LeavingCause, mustNow = false): LeavingPrice => ({
    late_days: 0,
    plants: frac * expected_count,
    cause,
    mustNow,
  });
  if (job.kind === 'stood') return NOTHING;
  if (job.kind === 'water') return risk(RISK_frac.dry, 'dry', true);
  if (job.kind === 'look') {
    const half = progress.forecast.kind === 'chain' ? milestoneOf(progress.forecast, 'half-up') : null;
    return half && half.status !== 'done' && half.day <= today + 1 ? risk(RISK_frac.unseen, 'unseen') : NOTHING;
  }
  if (job.kind === 'rung' && of.decision?.say === 'back' && of.decision.limit?.figure != null) {
    const { stress, figure, limit } = of.decision.limit;
    const over = stress === 'cold' ? limit! - figure : figure - limit!;
    return risk(normalCdf(over / (stress === 'wind' ? TOLD_SPREAD.wind_m_s : TOLD_SPREAD.degrees_K)), 'weather', true);
  }
  const now = readyInTime_frac(progress, plan, today);
  const left = readyInTime_frac(progress, { ...plan, transplantOn: plan.transplantOn - 1 }, today);
  const inTime = now === null || left === null ? 0 : Math.max(0, now - left);
  const late_days = CARRIES.includes(job.kind) ? 1 : 0;
  if (job.kind === 'off-heat')
    return { ...risk(of.leggy ? RISK_frac.stretch : 0, of.leggy ? 'stretch' : 'none'), late_days };
  if (job.kind === 'plant' && today > plan.transplantOn + windowOf(plan).after_days)
    return { ...risk(RISK_frac.potBound, 'pot-bound'), late_days };
  return {
    late_days,
    plants: late_days * inTime * expected_count,
    cause: inTime > 0.005 ? 'in-time' : late_days ? 'late' : 'none',
    mustNow: false,
  };
}

/** Plants that a job of the house stands for, where the grower says it is better not left. Common practice, no source. */
const SAID_plants = { yes: 0.2, 'better-not': 5, no: 100 } as const;

/** What leaving a job of the house costs, as the grower said of it. */
export const leavingHouseJob = (canWait: CanWait): LeavingPrice => ({
  late_days: 0,
  plants: SAID_plants[canWait],
  cause: 'said',
  mustNow: canWait === 'no',
});

/** What leaving trays unwatered until tomorrow costs: by the chance that each goes dry. From even odds on it must not be. */
export function leavingWater(trays: readonly { readonly plants: number; readonly dry_prob: number }[]): LeavingPrice {
  const plants = trays.reduce((sum, tray) => sum + RISK_frac.wilted * tray.plants * tray.dry_prob, 0);
  return { late_days: 0, plants, cause: 'unwatered', mustNow: trays.some(({ dry_prob }) => dry_prob >= 0.5) };
}

/** A heated place nobody looks at: hours to harm go by unseen. Common practice, no source. */
export const leavingHeatLook = (): LeavingPrice => ({ late_days: 0, plants: 10, cause: 'check', mustNow: true });

/** Share of a batch's plants that a day later weighs. Common practice, no source. */
const DAY_frac = 0.02;

/**
 * One figure to choose by: plants at risk, and a fiftieth of the plants for each day later; a little for the job itself, so that one
 * that costs nothing is done rather than not.
 */
export function leavingWeight(price: LeavingPrice, expected_count: number): number {
  return price.plants + DAY_frac * expected_count * price.late_days + 0.05;
}
