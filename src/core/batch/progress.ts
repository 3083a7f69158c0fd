import type { DayNumber } from '../calendar/dayNumber.ts';
import { placeOfStage, type BatchPlan, type Container, type Crop, type OffHeatRule, type Stage } from '../model.ts';
import { cellsToSow, slotsFor, traysFor } from '../quantities/trays.ts';
import { milestoneOf, startOf, type Chain, type ChainResult, type MilestoneKey } from '../schedule/chain.ts';
import { forwardChain } from '../schedule/forward.ts';
import { plannedChain } from '../schedule/plannedChain.ts';
import type { SeasonTables } from '../schedule/seasonTables.ts';
import type { BatchState } from './reduce.ts';

/** The parts of a batch's state that its chain and its stands follow from. */
export type ChainState = Pick<
  BatchState,
  'phase' | 'facts' | 'sown_count' | 'alive_count' | 'placeId' | 'stays' | 'lastDay' | 'moves'
>;

/** A batch's plan back from its date and its forecast forward from its log. */
export interface Progress {
  readonly planned: ChainResult;
  readonly forecast: ChainResult;
  /** Forecast planting day less the day asked for; positive = late. null when the forecast is not to be had. */
  readonly late_days: number | null;
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
  const { crop, plan, state, offHeat, tables, today } = input;
  const planned = plannedChain({ crop, plan, offHeat, tables });
  const sowOn = planned.kind === 'chain' ? startOf(planned).day : today;
  const forecast = forwardChain({
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
  if (forecast.kind !== 'chain') return { planned, forecast, late_days: null, early_days: 0, stands: [] };
  const due = plan.steps?.harden ?? plan.transplantOn - plan.hardening_days;
  return {
    planned,
    forecast,
    late_days: milestoneOf(forecast, 'plant')!.day - plan.transplantOn,
    early_days: state.facts.harden === undefined ? Math.max(0, due - Math.floor(forecast.ready_t)) : 0,
    stands: standsOf(input, forecast),
  };
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
function standsOf(input: ProgressInput, chain: Chain): Stand[] {
  const { plan, state, containers, today } = input;
  const real = planAsItStands(plan, state);
  const day = (key: MilestoneKey) => milestoneOf(chain, key)?.day ?? null;
  if (!containers.has(plan.sowContainerId)) return [];
  const cells = state.sown_count ?? cellsToSow(plan);
  const plants = state.alive_count ?? cells;
  const end = state.phase === 'ended' ? (state.lastDay ?? today) : day('plant')!;
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
  push('harden', day('harden'), day('plant'), space !== null);
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
