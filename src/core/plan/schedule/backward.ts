import type { DayNumber } from '../../calendar/dayNumber.ts';
import { noonOf, type ChainResult } from './chain.ts';
import { chainOnRoute } from './forward.ts';
import { offHeatRuleOf, routeOf, unreachable, type RouteInput } from './route.ts';
import { ruleOfWeeksSowDay } from './ruleOfWeeks.ts';
import { WORDS } from '../../../words/en/plan/backward.ts';

/** A later sowing may overtake an earlier one by so many days, where the heat grows plants faster than the place after it. */
const OVERTAKES_days = 4;

/**
 * The plan back from the transplant date at the temperatures the places really have, day by day: the last sowing whose
 * chain forward is in time, and that chain. There is no second account of a stage: what the plan says, the forecast of a
 * batch sown on its day says as well.
 */
export function backwardChain(input: RouteInput): ChainResult {
  const route = routeOf(input);
  if ('kind' in route) return route;
  const { plan, tables } = input;
  const plant_t = noonOf(plan.transplantOn);
  const due = plan.transplantOn - plan.hardening_days;
  if (due <= tables.from || plant_t >= tables.from + tables.days) {
    return unreachable('harden', plan.places.harden, WORDS.theTransplantDateLiesOutside);
  }
  const chainFrom = (sowOn: DayNumber, waitForDate: boolean): ChainResult =>
    chainOnRoute({ ...input, sowOn, facts: {}, today: null, waitForDate }, route);
  const readyOn = (sowOn: DayNumber): number => {
    const chain = chainFrom(sowOn, false);
    return chain.kind === 'chain' ? Math.floor(chain.ready_t) : Infinity;
  };
  const first = tables.from;
  if (!(readyOn(first) <= due)) {
    const stuck = chainFrom(first, false);
    return stuck.kind === 'unreachable' ? stuck : unreachable('grow', route.places.grow, WORDS.tooColdThereBeforeThat);
  }
  let sowOn = lastInTime(readyOn, due, first, ruleOfWeeksSowDay(input.crop, plan));
  if (offHeatRuleOf(input).kind !== 'half-up') {
    for (let day = sowOn + OVERTAKES_days; day > sowOn + 1; day--) if (readyOn(day) <= due) sowOn = day;
  }
  return chainFrom(sowOn, true);
}

/**
 * Last day whose chain is ready by `due`, between `first` (which is) and `due`. Each try is moved by the days it was out,
 * which lands at once where days are alike; where they are not the bracket is halved.
 */
function lastInTime(
  readyOn: (sowOn: DayNumber) => number,
  due: DayNumber,
  first: DayNumber,
  guess: DayNumber,
): DayNumber {
  let inTime = first;
  let late = due + 1;
  let next = guess;
  for (let tries = 0; late - inTime > 1; tries++) {
    const width = late - inTime;
    const day = Math.min(late - 1, Math.max(inTime + 1, next));
    const ready = readyOn(day);
    if (ready <= due) {
      inTime = day;
      next = day + Math.max(1, due - ready);
    } else {
      late = day;
      next = ready === Infinity ? inTime : day - Math.max(1, ready - due);
    }
    if (tries > 2 && late - inTime > width / 2) next = (inTime + late) >> 1;
  }
  return inTime;
}
