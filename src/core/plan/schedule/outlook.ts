import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { Stage } from '../stage.ts';
import { backwardChain } from './backward.ts';
import { plannedChain } from './plannedChain.ts';
import { milestoneOf, startOf, type Chain, type Unreachable } from './chain.ts';
import { forwardChain } from './forward.ts';
import type { RouteInput } from './route.ts';
import { ruleOfWeeksSowDay } from './ruleOfWeeks.ts';
import { placesForStage, type PlaceFit } from './suits.ts';
import { chainWarnings, type FrostRisk, type Warning } from './warnings.ts';

/** Everything to be said of a batch before it is made or moved. */
export interface Outlook {
  /** The plan back from the date, or what is in its way. */
  readonly plan: Chain | Unreachable;
  readonly warnings: readonly Warning[];
  readonly ruleSowOn: DayNumber;
  /** Thermal sowing day less the rule's, days; positive = sow later than the rule. null without a plan. */
  readonly laterThanRule_days: number | null;
  /** When the plan wants a sowing day already past: the first transplant date still to be had. null if not past or not to be had. */
  readonly earliestTransplantOn: DayNumber | null;
  /** Places that would do for the stage in the way, best first. */
  readonly wouldDo: readonly PlaceFit[];
}

/** The outlook of a plan on a day, for one who has not sown yet. */
export function outlook(input: RouteInput, frost: FrostRisk, today: DayNumber): Outlook {
  const plan = plannedChain(input);
  const ruleSowOn = ruleOfWeeksSowDay(input.crop, input.plan);
  if (plan.kind === 'unreachable') {
    const stuck = forwardChain({
      ...input,
      sowOn: today,
      facts: {},
      today,
      waitForDate: false,
    });
    return {
      plan,
      warnings: [],
      ruleSowOn,
      laterThanRule_days: null,
      earliestTransplantOn: stuck.kind === 'chain' ? milestoneOf(stuck, 'plant')!.day : null,
      wouldDo: alternatives(input, plan.stage, ruleSowOn),
    };
  }
  const sow = startOf(plan);
  const past = sow.day < today;
  const soonest = past
    ? forwardChain({
        ...input,
        sowOn: today,
        facts: {},
        today,
        waitForDate: false,
      })
    : null;
  return {
    plan,
    warnings: chainWarnings(plan, input.crop, input.plan, input.tables, frost, today),
    ruleSowOn,
    laterThanRule_days: sow.day - ruleSowOn,
    earliestTransplantOn: soonest?.kind === 'chain' ? milestoneOf(soonest, 'plant')!.day : null,
    wouldDo: [],
  };
}

/** Places with which the stage in the way would work: their chain is tried, not guessed. */
function alternatives(input: RouteInput, stage: Stage, day: DayNumber): PlaceFit[] {
  return placesForStage(input.tables, input.crop, stage, day).filter((fit) => {
    const plan = {
      ...input.plan,
      places: { ...input.plan.places, [stage]: fit.placeId },
    };
    const tried = backwardChain({ ...input, plan });
    return tried.kind === 'chain' || tried.stage !== stage;
  });
}
