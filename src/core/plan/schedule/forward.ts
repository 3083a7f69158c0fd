import type { DayNumber } from '../../calendar/dayNumber.ts';
import { FIRST_UP_PROGRESS } from '../../germination/spread.ts';
import { plugGrowth_degreeDays, stageNeeds } from '../../growth/stageNeeds.ts';
import { POTTING_CHECK_DAYS } from '../../growth/stageSums.ts';
import type { WorkKey } from '../stage.ts';
import { explanationOf, type ExplanationContext } from './chainExplanations.ts';
import { noonOf, type Chain, type ChainResult, type Milestone, type MilestoneKey } from './chain.ts';
import { pottedAt_degreeDays } from './potted.ts';
import { offHeatAfter, offHeatRuleOf, routeOf, unreachable, type Route, type RouteInput } from './route.ts';
import { timeAfter, totalAt } from './thermalIntegral.ts';
import { WORDS } from '../../../words/en/plan/forward.ts';

/** Days on which a step really happened, by the log. */
export type Facts = Readonly<Partial<Record<MilestoneKey, DayNumber>>>;

export interface ForwardInput extends RouteInput {
  /** Day it is to be sown if it has not been. */
  readonly sowOn: DayNumber;
  readonly facts: Facts;
  /** Nothing that has not happened is forecast before this day; null to work out a plan freely. */
  readonly today: DayNumber | null;
  /** Whether hardening waits for the plan's transplant date when plants are ready sooner. */
  readonly waitForDate: boolean;
  /** How often plants were moved into other containers before their last pot and after it. */
  readonly checks?: { readonly before: number; readonly after: number };
}

/**
 * The chain forward from what has happened. A logged step replaces its forecast and all after it follows. Work is done at
 * noon, so that a span of days rounds to the nearest day.
 */
export function forwardChain(input: ForwardInput): ChainResult {
  const route = routeOf(input);
  return 'kind' in route ? route : chainOnRoute(input, route);
}

/** The chain forward on a route already worked out. */
export function chainOnRoute(input: ForwardInput, route: Route): ChainResult {
  const { facts, today, plan } = input;
  const floor_t = today === null ? -Infinity : noonOf(today);
  const context: ExplanationContext = { ...input, route };
  const milestones: Milestone[] = [];
  const add = (key: MilestoneKey, computed_t: number): number => {
    const fact = facts[key];
    const later = laterFact(facts, key);
    const open_t = later === null ? Math.max(computed_t, floor_t) : Math.min(computed_t, noonOf(later));
    const t = fact !== undefined ? noonOf(fact) : open_t;
    const overdue = fact === undefined && later === null && computed_t < floor_t;
    const before_day = milestones.at(-1)?.day ?? null;
    milestones.push({
      key,
      t,
      day: Math.floor(t),
      dueOn: Math.floor(fact !== undefined || later !== null ? t : computed_t),
      status: fact !== undefined ? 'done' : later !== null ? 'reckoned' : today === null ? 'planned' : 'forecast',
      get explanation() {
        return explanationOf(key, context, before_day, fact !== undefined, overdue);
      },
    });
    return t;
  };

  /** What is ready before the day the plan names waits for that day. */
  const planned = (key: WorkKey, computed_t: number): number => {
    const day = input.waitForDate ? plan.steps?.[key] : undefined;
    return day === undefined ? computed_t : Math.max(computed_t, noonOf(day));
  };

  const { sums } = route;
  const { joins } = plan;
  /** Growth already behind it when it comes off the heat, and when that is. */
  let grown = 0;
  let off_t: number;
  if (joins) {
    off_t = add('arrive', noonOf(joins.on));
    grown = plugGrowth_degreeDays(input.crop, sums, joins);
  } else {
    const sow_t = add('sow', noonOf(input.sowOn));
    const half = timeAfter(route.germination, sow_t, 1);
    if (half === null && facts['half-up'] === undefined && laterFact(facts, 'half-up') === null) {
      return unreachable('germinate', route.places.germinate, WORDS.tooColdOrTooHot);
    }
    const first = timeAfter(route.germination, sow_t, FIRST_UP_PROGRESS);
    const half_estimate = half ?? Infinity;
    add('first-up', Math.min(first ?? half_estimate, half_estimate));
    const half_t = add('half-up', half_estimate);
    off_t = add('off-heat', planned('off-heat', offHeatAfter(route, offHeatRuleOf(input), half_t) ?? half_t));
    grown = Math.max(0, totalAt(route.inHeat, off_t) - totalAt(route.inHeat, half_t));
  }

  let ready_t: number | null;
  let from_t = off_t;
  let left = sums.ready_degreeDays - grown;
  let overLeft = sums.overAge_degreeDays - grown;
  let inLast = route.inGrow;
  if (sums.pot_degreeDays !== null) {
    const checked_days = POTTING_CHECK_DAYS * (input.checks?.before ?? 0);
    const unchecked = timeAfter(route.inGrow, off_t, stageNeeds(sums, grown).grow);
    const pot = unchecked === null ? null : unchecked + checked_days;
    if (pot === null && facts.pot === undefined && laterFact(facts, 'pot') === null) {
      return unreachable('grow', route.places.grow, WORDS.tooColdThereItNever);
    }
    const pot_t = add('pot', planned('pot', pot ?? off_t));
    // Growth is what the places gave: setting a plant into a pot makes it no older, and in a full cell it makes little.
    const checks = input.checks?.before ?? 0;
    const potted = pottedAt_degreeDays(route, {
      behind_degreeDays: grown,
      bought: Boolean(joins),
      off_t,
      pot_t,
      checks,
    });
    from_t = pot_t + POTTING_CHECK_DAYS * (1 + (input.checks?.after ?? 0));
    left = sums.ready_degreeDays - potted;
    overLeft = sums.overAge_degreeDays - potted;
    inLast = route.inPot;
    const space = timeAfter(route.inPot, from_t, sums.space_degreeDays! - potted);
    if (space !== null || facts.space !== undefined) {
      const space_t = add('space', planned('space', space ?? from_t));
      if (route.inSpace !== route.inPot) {
        const grownInPot = Math.max(0, totalAt(route.inPot, space_t) - totalAt(route.inPot, from_t));
        left -= grownInPot;
        overLeft -= grownInPot;
        from_t = Math.max(from_t, space_t);
        inLast = route.inSpace;
      }
    }
  }
  ready_t = timeAfter(inLast, from_t, left);
  const overAge_t = timeAfter(inLast, from_t, overLeft);
  if (ready_t === null) {
    if (facts.harden === undefined) {
      return unreachable(
        sums.pot_degreeDays === null ? 'grow' : 'pot',
        sums.pot_degreeDays === null ? route.places.grow : route.places.pot,
        WORDS.tooColdThereItNever2,
      );
    }
    ready_t = noonOf(facts.harden);
  }
  const due_t = noonOf(plan.steps?.harden ?? plan.transplantOn - plan.hardening_days);
  const harden_t = add('harden', input.waitForDate ? Math.max(ready_t, due_t) : ready_t);
  add('plant', planned('plant', harden_t + plan.hardening_days));
  const chain: Chain = { kind: 'chain', milestones, ready_t, overAge_t };
  return chain;
}

const ORDER: readonly MilestoneKey[] = [
  'arrive',
  'sow',
  'first-up',
  'half-up',
  'off-heat',
  'pot',
  'space',
  'harden',
  'plant',
];

/** Day of the first logged step after a step, which bounds it when it was not logged itself; null when there is none. */
function laterFact(facts: Facts, key: MilestoneKey): DayNumber | null {
  for (const later of ORDER.slice(ORDER.indexOf(key) + 1)) {
    const day = facts[later];
    if (day !== undefined) return day;
  }
  return null;
}
