import { FIRST_UP_PROGRESS } from '../germination/spread.ts';
import { POTTING_CHECK_DAYS } from '../growth/stageSums.ts';
import { noonOf, type ChainResult, type Milestone, type MilestoneKey } from './chain.ts';
import { becauseOf } from './chainBecause.ts';
import { offHeatAfter, offHeatRuleOf, routeOf, unreachable, type Route, type RouteInput } from './route.ts';
import { timeAfter, timeBefore, totalAt } from './thermalIntegral.ts';

const BISECTIONS = 48;

/**
 * The chain backward from the transplant date at the temperatures the places really have, day by day: less hardening,
 * less the time in the pot, less the time from off the heat to potting, less the time to emerge. The sowing day is the
 * one whose noon lies nearest.
 */
export function backwardChain(input: RouteInput): ChainResult {
  const route = routeOf(input);
  if ('kind' in route) return route;
  const { plan, tables } = input;
  const { sums } = route;
  const potted = sums.pot_degreeDays !== null;
  const plant_t = noonOf(plan.transplantOn);
  const harden_t = plant_t - plan.hardening_days;
  if (harden_t <= tables.from || plant_t >= tables.from + tables.days) {
    return unreachable('harden', plan.places.harden, 'the transplant date lies outside the seasons worked out');
  }

  let off_latest = harden_t;
  let pot_t: number | null = null;
  let space_t: number | null = null;
  let growth = sums.ready_degreeDays;
  if (sums.pot_degreeDays !== null) {
    const apart = route.inSpace !== route.inPot;
    if (apart) space_t = timeBefore(route.inSpace, harden_t, sums.ready_degreeDays - sums.space_degreeDays!);
    if (apart && space_t === null)
      return unreachable('space', plan.places.space ?? null, 'too cold there before that date: it never gets ready');
    const inPot = apart ? sums.space_degreeDays! - sums.pot_degreeDays : sums.ready_degreeDays - sums.pot_degreeDays;
    const restart = timeBefore(route.inPot, space_t ?? harden_t, inPot);
    if (restart === null)
      return unreachable('pot', route.places.pot, 'too cold there before that date: it never gets ready');
    pot_t = restart - POTTING_CHECK_DAYS;
    space_t ??= timeAfter(route.inPot, restart, sums.space_degreeDays! - sums.pot_degreeDays);
    off_latest = pot_t;
    growth = sums.pot_degreeDays;
  }

  const surplus = (half: number): number => {
    const off = Math.min(offHeatAfter(route, offHeatRuleOf(input), half) ?? off_latest, off_latest);
    const heat = totalAt(route.inHeat, off) - totalAt(route.inHeat, half);
    return heat + totalAt(route.inGrow, off_latest) - totalAt(route.inGrow, off) - growth;
  };
  if (!(surplus(tables.from) >= 0)) {
    return unreachable('grow', route.places.grow, 'too cold there before that date: it never grows enough');
  }
  const half_t = halfUpTime(input, route, surplus, off_latest, growth);
  const sow_exact = timeBefore(route.germination, half_t, 1);
  if (sow_exact === null) {
    return unreachable('germinate', route.places.germinate, 'too cold or too hot there: it never comes up');
  }
  const sow_t = noonOf(Math.floor(sow_exact));
  const off_t = Math.min(offHeatAfter(route, offHeatRuleOf(input), half_t) ?? off_latest, off_latest);
  const first_t = Math.min(half_t, timeAfter(route.germination, sow_exact, FIRST_UP_PROGRESS) ?? half_t);

  const times: [MilestoneKey, number | null][] = [
    ['sow', sow_t],
    ['first-up', first_t],
    ['half-up', half_t],
    ['off-heat', off_t],
    ['pot', pot_t],
    ['space', space_t],
    ['harden', harden_t],
    ['plant', plant_t],
  ];
  const context = { ...input, route };
  const milestones: Milestone[] = [];
  for (const [key, t] of times) {
    if (t === null) continue;
    const day = Math.floor(t);
    const before_day = milestones.at(-1)?.day ?? null;
    milestones.push({
      key,
      t,
      day,
      dueOn: day,
      status: 'planned',
      get because() {
        return becauseOf(key, context, before_day, false, false);
      },
    });
  }
  const after = timeAfter(
    potted ? route.inSpace : route.inGrow,
    harden_t,
    sums.overAge_degreeDays - sums.ready_degreeDays,
  );
  return { kind: 'chain', milestones, ready_t: harden_t, overAge_t: after };
}

/**
 * Latest half-up time that still gives `growth` by `off_latest`. By the half-up rule all growth is in the growing place,
 * so that its running total is simply read backward; by the other rules the time is found by bisection.
 */
function halfUpTime(
  input: RouteInput,
  route: Route,
  surplus: (half: number) => number,
  off_latest: number,
  growth: number,
): number {
  if (offHeatRuleOf(input).kind === 'half-up') return timeBefore(route.inGrow, off_latest, growth) ?? input.tables.from;
  let enough: number = input.tables.from;
  let short = off_latest;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle = (enough + short) / 2;
    if (surplus(middle) >= 0) enough = middle;
    else short = middle;
  }
  return enough;
}
