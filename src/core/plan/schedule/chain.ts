import type { Explanation } from '../../explanation.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { Stage } from '../stage.ts';
import { WORDS } from '../../../words/en/plan/chain.ts';

/** The knots of a batch's way, in order. 'pot' and 'space' only where it is potted. */
export type MilestoneKey =
  'sow' | 'arrive' | 'first-up' | 'half-up' | 'off-heat' | 'pot' | 'space' | 'harden' | 'plant';

export const MILESTONE_WORDS: Readonly<Record<MilestoneKey, string>> = {
  sow: WORDS.sow,
  arrive: WORDS.plugsArrive,
  'first-up': WORDS.firstUp,
  'half-up': WORDS.halfUp,
  'off-heat': WORDS.offTheHeat,
  pot: WORDS.potUp,
  space: WORDS.spaceOut,
  harden: WORDS.startHardening,
  plant: WORDS.plantOut,
};

/** One dated step. t is a day number with a fraction; work is taken to be done at noon. */
export interface Milestone {
  readonly key: MilestoneKey;
  readonly t: number;
  readonly day: DayNumber;
  /** Day it was due before it was put off to today for want of a log; equals `day` when not overdue. */
  readonly dueOn: DayNumber;
  /** 'reckoned': not logged itself, but a later step was, so it has happened by then. */
  readonly status: 'planned' | 'forecast' | 'reckoned' | 'done';
  readonly explanation: Explanation;
}

export interface Chain {
  readonly kind: 'chain';
  readonly milestones: readonly Milestone[];
  /** When the plants are fit for their first hardening day, which may be before hardening is due. */
  readonly ready_t: number;
  /** When they are over-age if they have not gone out; null when not within the days covered. */
  readonly overAge_t: number | null;
}

/** A chain that cannot be reached: which stage, where, and why. */
export interface Unreachable {
  readonly kind: 'unreachable';
  readonly stage: Stage;
  readonly placeId: number | null;
  readonly reason: string;
}

export type ChainResult = Chain | Unreachable;

/** A chain with its days as they were kept: what was planned stays planned, whatever is learned or set since. */
export function withKeptDays(
  chain: ChainResult,
  kept: Readonly<Partial<Record<MilestoneKey, DayNumber>>> | null,
): ChainResult {
  if (chain.kind !== 'chain' || kept === null) return chain;
  const milestones = chain.milestones.map((m): Milestone => {
    const day = kept[m.key];
    if (day === undefined || day === m.day) return m;
    return {
      ...m,
      t: noonOf(day),
      day,
      dueOn: day,
      explanation: { rule: WORDS.asItWasPlannedWhen, inputs: [], source: WORDS.yourOwnPlan },
    };
  });
  return { ...chain, milestones };
}

/** Days of a chain by what is done on them. */
export function daysOf(chain: Chain): Partial<Record<MilestoneKey, DayNumber>> {
  return Object.fromEntries(chain.milestones.map((m) => [m.key, m.day]));
}

/** Where a chain begins: its sowing, or the day its plugs come. */
export function startOf(chain: Chain): Milestone {
  return chain.milestones[0]!;
}

/** The milestone of a key, or null where the chain has none. */
export function milestoneOf(chain: Chain, key: MilestoneKey): Milestone | null {
  return chain.milestones.find((m) => m.key === key) ?? null;
}

/** Noon of a day, as a time. A logged job is taken to have been done then. */
export function noonOf(day: DayNumber): number {
  return day + 0.5;
}
