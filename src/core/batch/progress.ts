import { chilledBy } from '../plan/schedule/treatment.ts';
import type { Explanation } from '../explanation.ts';
import { isoFromDay, type DayNumber } from '../calendar/dayNumber.ts';
import { placeOfStage, type Stage } from '../plan/stage.ts';
import { type BatchPlan } from '../plan/batchPlan.ts';
import { type Container } from '../books/container.ts';
import { type Crop } from '../books/crop.ts';
import { type OffHeatRule } from '../germination/offHeatRule.ts';
import { slotsFor, traysFor } from './trays.ts';
import {
  milestoneOf,
  noonOf,
  startOf,
  type Chain,
  type ChainResult,
  type MilestoneKey,
} from '../plan/schedule/chain.ts';
import { forwardChain } from '../plan/schedule/forward.ts';
import { plannedChain } from '../plan/schedule/plannedChain.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { plantsOf, type Plants, type PlantState } from './plants.ts';
import type { BatchState } from './reduce.ts';
import { WORDS } from '../../words/en/batch/progress.ts';

/** The parts of a batch's state that its chain and its stands follow from. */
export type ChainState = Pick<
  BatchState,
  'phase' | 'facts' | 'sown_count' | 'alive_count' | 'placeId' | 'stays' | 'lastDay' | 'moves'
> &
  Partial<Pick<BatchState, 'treatedOn'>> &
  PlantState;

/** A batch's plan back from its date and its forecast forward from its log. */
export interface Progress {
  readonly planned: ChainResult;
  readonly forecast: ChainResult;
  /** Expected day out less the day asked for; positive = late. null when it is not to be had. */
  readonly late_days: number | null;
  /** When it is expected to go out: the plants, and what the weather and the gates let. */
  readonly out: ExpectedOut | null;
  readonly plants: Plants;
  /** Days the plants are ready before hardening is due; 0 when not early. */
  readonly early_days: number;
  /** Where the batch stands and will stand. */
  readonly stands: readonly Stand[];
}

/** A run of days in one place. `to` is the day it leaves, not included. */
export interface Stand {
  readonly placeId: number;
  readonly stage: Stage;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly slots: number;
  readonly trays: number;
}

export interface ProgressInput {
  readonly crop: Crop;
  readonly plan: BatchPlan;
  readonly state: ChainState;
  readonly offHeat: OffHeatRule;
  readonly tables: SeasonTables;
  readonly containers: ReadonlyMap<number, Container>;
  readonly today: DayNumber;
  /** Chance that a seed not yet seen still comes up. */
  readonly coming_frac?: number;
  /** The plan back from its date, where it is known already and not to be worked out anew. */
  readonly planned?: ChainResult;
  /** What the ladder and the gates let by the weather; absent where it is too far ahead to say. */
  readonly weather?: WeatherOut | null;
  /** The same worked out before without the weather, which only says how the chain ends. */
  readonly plain?: Progress;
}

/** What ladder and gates let, over many springs. Days are null where that does not come within the days looked at. */
export interface WeatherOut {
  readonly p10: DayNumber | null;
  readonly p50: DayNumber | null;
  readonly p90: DayNumber | null;
  /** Share of springs in which it is out by the last day that is as good. */
  readonly inTime_frac: number;
}

/** The one account of when a batch is expected to go out. */
export interface ExpectedOut {
  /** null: not likely in the days looked at. */
  readonly on: DayNumber | null;
  /** Day by which nine of ten springs have it out; null where nobody can say. */
  readonly p90: DayNumber | null;
  /** Day the plants themselves are ready to go out by the plan. */
  readonly plants_on: DayNumber;
  readonly by: 'log' | 'plants' | 'weather';
  readonly inTime_frac: number | null;
}

/** The plants' own day, or the later one that ladder and gates let in half of the springs. */
function expectedOut(plants_on: DayNumber, done: boolean, weather: WeatherOut | null): ExpectedOut {
  if (done || weather === null)
    return { on: plants_on, p90: null, plants_on, by: done ? 'log' : 'plants', inTime_frac: null };
  const { p50, p90, inTime_frac } = weather;
  const later = p50 !== null && p50 > plants_on;
  return {
    on: p50 === null ? null : Math.max(plants_on, p50),
    p90: p90 === null ? null : Math.max(plants_on, p90),
    plants_on,
    by: later || p50 === null ? 'weather' : 'plants',
    inTime_frac,
  };
}

/** The chain with its last day as ladder and gates let it: what the chain says of going out is what every screen says. */
function outByWeather(chain: Chain, { plants_on, inTime_frac }: ExpectedOut, on: DayNumber): Chain {
  const explanation: Explanation = {
    rule: WORDS.plantsLadderAndGatesTogether,
    inputs: [
      { name: WORDS.thePlantsThemselves, date: isoFromDay(plants_on) },
      ...(inTime_frac === null ? [] : [{ name: WORDS.inTime, value: WORDS.ofSprings(Math.round(100 * inTime_frac)) }]),
    ],
    source: WORDS.springsDrawnFromTheSite,
  };
  const milestones = chain.milestones.map((m) =>
    m.key === 'plant' ? { ...m, t: noonOf(on), day: on, dueOn: on, explanation } : m,
  );
  return { ...chain, milestones };
}

/** The plan with the places the batch has really been put in: the stage it is in follows its present place. */
export function planAsItStands(plan: BatchPlan, state: ChainState): BatchPlan {
  if (state.placeId === null) return plan;
  const stage = stageOfPhase(state);
  if (stage === null || placeOfStage(plan.places, stage) === state.placeId) return plan;
  return { ...plan, places: { ...plan.places, [stage]: state.placeId } };
}

/** The stage a batch is in, or null before sowing and after planting. */
export function stageOfPhase(state: ChainState): Stage | null {
  switch (state.phase) {
    case 'sown':
    case 'emerged':
      return 'germinate';
    case 'growing':
      return 'grow';
    case 'potted':
      return state.facts.space === undefined ? 'pot' : 'space';
    case 'hardening':
      return 'harden';
    default:
      return null;
  }
}

/** Plan, forecast and stands of one batch on a day. */
export function batchProgress(input: ProgressInput): Progress {
  const { crop, plan, state, offHeat, tables } = input;
  const planned = input.plain?.planned ?? input.planned ?? plannedChain({ crop, plan, offHeat, tables });
  const plants = input.plain?.plants ?? plantsOf(state, plan, input.coming_frac);
  const forecast = input.plain?.forecast ?? forecastOf(input, planned);
  if (forecast.kind !== 'chain')
    return { planned, forecast, late_days: null, early_days: 0, stands: [], out: null, plants };
  const due = plan.steps?.harden ?? plan.transplantOn - plan.hardening_days;
  const plant = milestoneOf(forecast, 'plant')!;
  const out = expectedOut(plant.day, plant.status === 'done', input.weather ?? null);
  return {
    planned,
    forecast: out.by === 'weather' && out.on !== null ? outByWeather(forecast, out, out.on) : forecast,
    out,
    plants,
    late_days: out.on === null ? null : out.on - plan.transplantOn,
    early_days: state.facts.harden === undefined ? Math.max(0, due - Math.floor(forecast.ready_t)) : 0,
    stands: standsOf(input, forecast, plants, out.on ?? plant.day),
  };
}

/** The chain from where a batch stands, by what its plants need and what is logged of them. */
function forecastOf({ crop, plan, state, offHeat, tables, today }: ProgressInput, planned: ChainResult): ChainResult {
  const plannedOn = planned.kind === 'chain' ? startOf(planned).day : today;
  const waits = state.phase === 'planned' && !plan.joins;
  const sowOn = waits ? chilledBy(crop, plannedOn, state.treatedOn ?? null, today) : plannedOn;
  return forwardChain({
    crop,
    plan: planAsItStands(plan, state),
    offHeat,
    tables,
    sowOn,
    facts: state.facts,
    today,
    waitForDate: true,
    checks: checksOf(state),
  });
}

/** How often plants were set into another container before their last pot, and after it: each time they stand still. */
export function checksOf(state: Pick<ChainState, 'moves'>): { readonly before: number; readonly after: number } {
  const potted = state.moves.findIndex((move) => move.last);
  const before = potted < 0 ? state.moves.length : potted;
  return { before, after: potted < 0 ? 0 : state.moves.length - potted - 1 };
}

/** The container plants stand in on a day: as logged, and their pot by the plan from the day they are to be potted. */
function containerOn(state: ChainState, plan: BatchPlan, day: DayNumber, potOn: DayNumber | null): number {
  const move = state.moves.filter((m) => m.day <= day).at(-1);
  const inPot = plan.potContainerId !== null && potOn !== null && day >= potOn;
  // A potting written before containers were logged with it is into the pot of the plan.
  if (inPot && (state.facts.pot === undefined || !move || move.day < potOn)) return plan.potContainerId;
  return move?.containerId ?? plan.sowContainerId;
}

/** The container a batch stands in now. */
export function containerNow(state: ChainState, plan: BatchPlan): number {
  return containerOn(state, plan, state.lastDay ?? -Infinity, state.facts.pot ?? null);
}

/** Days a batch takes room in each place: logged stays as they were, the rest as forecast. */
function standsOf(input: ProgressInput, chain: Chain, inAll: Plants, outOn: DayNumber): Stand[] {
  const { plan, state, containers, today } = input;
  const real = planAsItStands(plan, state);
  const day = (key: MilestoneKey) => milestoneOf(chain, key)?.day ?? null;
  if (!containers.has(plan.sowContainerId)) return [];
  const { sown_count: cells, expected_count: plants } = inAll;
  const end = state.phase === 'ended' ? (state.lastDay ?? today) : outOn;
  const pot = day('pot');
  const space = day('space');
  const stands: Stand[] = [];
  const push = (stage: Stage, from: DayNumber | null, to: DayNumber | null, spaced = false): void => {
    if (from === null || to === null) return;
    for (const whole of piecesOf(state, placeOfStage(real.places, stage), from, Math.min(to, end))) {
      const days = [...state.moves.map((m) => m.day), pot ?? whole.from].filter((d) => d > whole.from && d < whole.to);
      const cuts = [whole.from, ...new Set(days.sort((a, b) => a - b)), whole.to];
      for (let i = 0; i + 1 < cuts.length; i++) {
        const piece = { placeId: whole.placeId, from: cuts[i]!, to: cuts[i + 1]! };
        if (piece.to <= piece.from) continue;
        const id = containerOn(state, plan, piece.from, pot);
        const container = containers.get(id);
        if (!container) continue;
        const count = Math.max(1, id === plan.sowContainerId && state.moves.length === 0 ? cells : plants);
        const trays = traysFor(count, container);
        stands.push({ ...piece, stage, trays, slots: slotsFor(count, container, spaced) });
      }
    }
  };
  push('germinate', day('sow'), day('off-heat'));
  push('grow', day('off-heat') ?? day('arrive'), pot ?? day('harden'));
  if (pot !== null) {
    push('pot', pot, space ?? day('harden'));
    if (space !== null) push('space', space, day('harden'), true);
  }
  push('harden', day('harden'), end, space !== null);
  return stands;
}

/** Splits a run of days where the log says the batch was carried elsewhere. */
function piecesOf(
  state: ChainState,
  plannedPlace: number | null,
  from: DayNumber,
  to: DayNumber,
): { placeId: number; from: DayNumber; to: DayNumber }[] {
  const pieces: { placeId: number; from: DayNumber; to: DayNumber }[] = [];
  const lastLogged = state.lastDay ?? -Infinity;
  const current = state.stays.filter((stay) => stay.from <= from).at(-1);
  const inLog = from <= lastLogged && current !== undefined;
  const startPlace = inLog ? current.placeId : plannedPlace;
  if (startPlace === null) return pieces;
  let open = { placeId: startPlace, from };
  for (const stay of state.stays) {
    if (stay.from <= from || stay.from >= to) continue;
    pieces.push({ ...open, to: stay.from });
    open = { placeId: stay.placeId, from: stay.from };
  }
  pieces.push({ ...open, to });
  return pieces;
}
