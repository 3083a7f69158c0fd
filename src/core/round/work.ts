import type { DayNumber } from '../calendar/dayNumber.ts';
import { SIGN_WORDS, type EventKind } from '../batch/event.ts';
import type { Progress } from '../batch/progress.ts';
import { containerNow, planAsItStands } from '../batch/progress.ts';
import type { BatchState } from '../batch/reduce.ts';
import { placeOfStage, type BatchPlan, type Container, type Stage } from '../model.ts';
import { cellsToSow, traysFor } from '../quantities/trays.ts';
import { milestoneOf, type Chain } from '../schedule/chain.ts';
import { showsReady } from '../potting/ready.ts';
import { USUAL_POTTING, type PottingSettings } from '../potting/settings.ts';
import { LAST_RUNG, rungWords } from './ladder.ts';

export type JobKind = 'sow' | 'arrive' | 'look' | 'off-heat' | 'pot' | 'water' | 'space' | 'harden' | 'rung' | 'plant';

export const JOB_WORDS: Readonly<Record<JobKind, string>> = {
  sow: 'Sow',
  arrive: 'Take in plugs',
  look: 'Look and count',
  'off-heat': 'Off the heat',
  pot: 'Pot up',
  water: 'Water in',
  space: 'Space out',
  harden: 'Start hardening',
  rung: 'Next rung',
  plant: 'Plant out',
};

/** The event one tap logs for a job. */
export const JOB_EVENT: Readonly<Record<JobKind, EventKind>> = {
  sow: 'sown',
  arrive: 'arrived',
  look: 'counted',
  'off-heat': 'off-heat',
  pot: 'potted',
  water: 'watered',
  space: 'spaced',
  harden: 'hardening-started',
  rung: 'rung',
  plant: 'planted-out',
};

/** A piece of work of one batch. Days are day numbers; `why` may hold {day} and {until} for dates. */
export interface Job {
  readonly batchId: number;
  readonly kind: JobKind;
  readonly dueOn: DayNumber;
  /** Place where the work is done. */
  readonly placeId: number | null;
  /** Place the trays go to, where they move. */
  readonly toPlaceId: number | null;
  readonly trays: number;
  /** Number offered when the job is logged; null where none is wanted. */
  readonly count: number | null;
  readonly max_count: number | null;
  readonly countWord: string;
  readonly why: string;
  readonly whyDay: DayNumber | null;
}

export interface WorkInput {
  readonly batchId: number;
  readonly plan: BatchPlan;
  readonly state: BatchState;
  readonly progress: Progress;
  readonly containers: ReadonlyMap<number, Container>;
  readonly potting?: Pick<PottingSettings, 'rest_days' | 'potLeaves'>;
}

/** All work still to come of one batch, in order of day; the first is what it waits for now. */
export function workOf(input: WorkInput): Job[] {
  const { forecast } = input.progress;
  const { phase } = input.state;
  if (forecast.kind !== 'chain' || phase === 'planted' || phase === 'ended') return [];
  const jobs: Job[] = [];
  const facts = input.state.facts;
  const { joins } = input.plan;
  if (phase === 'planned') jobs.push(joins ? arriveJob(input, forecast) : sowJob(input, forecast));
  if (!joins && (phase === 'planned' || phase === 'sown')) jobs.push(lookJob(input, forecast));
  if (!joins && facts['off-heat'] === undefined && facts.pot === undefined && facts.harden === undefined) {
    jobs.push(offHeatJob(input, forecast));
  }
  if (facts.pot === undefined && facts.harden === undefined && milestoneOf(forecast, 'pot')) {
    jobs.push(potJob(input, forecast));
  }
  const last = lastPotting(input.state);
  if (last && facts.harden === undefined && (input.state.wateredOn ?? -Infinity) < last.day)
    jobs.push(waterJob(input, last));
  if (facts.space === undefined && facts.harden === undefined && milestoneOf(forecast, 'space')) {
    jobs.push(spaceJob(input, forecast));
  }
  if (facts.harden === undefined) jobs.push(hardenJob(input, forecast));
  jobs.push(...rungJobs(input, forecast), plantJob(input, forecast));
  return jobs.sort((a, b) => a.dueOn - b.dueOn);
}

/**
 * Work for a day's round: what is due or overdue, not put off. Later steps of a batch wait for the earlier, so a batch
 * offers the one it waits for; counting goes on beside "off the heat".
 */
export function roundOf(input: WorkInput, today: DayNumber): Job[] {
  const due = workOf(input).filter((job) => job.dueOn <= today);
  const first = due[0];
  if (!first) return [];
  // Watering in goes on beside whatever else a batch waits for.
  const offered = first.kind === 'water' ? due.slice(0, 2) : [first];
  return offered.filter((job) => !(input.state.held[job.kind]! > today) && !countedToday(input, job, today));
}

function countedToday({ state }: WorkInput, job: Job, today: DayNumber): boolean {
  return job.kind === 'look' && state.lastCountOn === today;
}

function job(
  input: WorkInput,
  kind: JobKind,
  dueOn: DayNumber,
  stage: Stage,
  toStage: Stage | null,
  rest: Partial<Job>,
): Job {
  const { plan, state, containers } = input;
  const places = planAsItStands(plan, state).places;
  const potted =
    state.facts.pot !== undefined ||
    kind === 'space' ||
    ((kind === 'harden' || kind === 'rung' || kind === 'plant') && plan.potContainerId !== null);
  const moved = state.moves.length > 0;
  const standing = state.facts.pot !== undefined || (moved && !potted);
  const container = containers.get(
    standing ? containerNow(state, plan) : potted ? plan.potContainerId! : plan.sowContainerId,
  );
  const plants = (potted || moved ? state.alive_count : state.sown_count) ?? cellsToSow(plan);
  const to = toStage === null ? null : placeOfStage(places, toStage);
  const from = kind === 'sow' ? places.germinate : placeOfStage(places, stage);
  return {
    batchId: input.batchId,
    kind,
    dueOn,
    placeId: from,
    toPlaceId: to === from ? null : to,
    trays: container ? traysFor(Math.max(1, plants), container) : 0,
    count: null,
    max_count: null,
    countWord: 'plants',
    why: '',
    whyDay: null,
    ...rest,
  };
}

const dayOf = (chain: Chain, key: Parameters<typeof milestoneOf>[1]): DayNumber => milestoneOf(chain, key)!.day;

/** Day a step is due by the forecast, not put off by lateness, so that lateness shows. */
const dueDay = (chain: Chain, key: Parameters<typeof milestoneOf>[1]): DayNumber => milestoneOf(chain, key)!.dueOn;

function sowJob(input: WorkInput, chain: Chain): Job {
  const cells = cellsToSow(input.plan);
  return job(input, 'sow', dueDay(chain, 'sow'), 'germinate', null, {
    count: cells,
    max_count: 1_000_000,
    countWord: 'cells sown',
    why: `${cells} cells for ${input.plan.plantsWanted} plants; half up about {day}`,
    whyDay: dayOf(chain, 'half-up'),
  });
}

function arriveJob(input: WorkInput, chain: Chain): Job {
  const count = cellsToSow(input.plan);
  return job(input, 'arrive', dueDay(chain, 'arrive'), 'grow', null, {
    count,
    max_count: 1_000_000,
    countWord: 'plugs',
    why: `${count} plugs ordered for ${input.plan.plantsWanted} plants; look them over before they go in with the rest`,
  });
}

function lookJob(input: WorkInput, chain: Chain): Job {
  const { up_count, sown_count } = input.state;
  return job(input, 'look', dueDay(chain, 'first-up'), 'germinate', null, {
    count: up_count ?? 0,
    max_count: sown_count ?? cellsToSow(input.plan),
    countWord: 'up',
    why:
      up_count === null
        ? 'nothing counted yet; half expected {day}'
        : `${up_count} of ${sown_count} up; half expected {day}`,
    whyDay: dayOf(chain, 'half-up'),
  });
}

function offHeatJob(input: WorkInput, chain: Chain): Job {
  const { up_count, sown_count } = input.state;
  return job(input, 'off-heat', dueDay(chain, 'off-heat'), 'germinate', 'grow', {
    why:
      up_count === null
        ? 'half up by the forecast; into the light'
        : `${up_count} of ${sown_count} up; into the light before they stretch`,
  });
}

function potJob(input: WorkInput, chain: Chain): Job {
  const alive = input.state.up_count ?? input.state.alive_count ?? cellsToSow(input.plan);
  const pots = input.containers.get(input.plan.potContainerId!);
  const trays = pots ? traysFor(Math.max(1, alive), pots) : 0;
  const { sign } = input.state;
  const shows = sign && showsReady(sign, input.potting?.potLeaves ?? USUAL_POTTING.potLeaves);
  const due = shows ? Math.min(sign.day, dueDay(chain, 'pot')) : dueDay(chain, 'pot');
  return job(input, 'pot', due, 'grow', 'pot', {
    count: alive,
    max_count: input.state.alive_count ?? cellsToSow(input.plan),
    countWord: 'potted',
    why: `${shows ? SIGN_WORDS[sign.sign] : 'grown enough'}: ${trays} tray${trays === 1 ? '' : 's'} of ${pots?.name ?? 'pots'}${shows ? '' : '; roots at the base tell'}`,
  });
}

function spaceJob(input: WorkInput, chain: Chain): Job {
  return job(input, 'space', dueDay(chain, 'space'), 'pot', 'space', {
    why: 'leaves touch about now: lift every other pot into a second tray; twice the room',
  });
}

/** The last time plants were set into another container, whether or not it was logged which. */
function lastPotting({ moves, facts }: BatchState): { readonly day: DayNumber } | null {
  const move = moves.at(-1);
  if (move) return move;
  return facts.pot === undefined ? null : { day: facts.pot };
}

function waterJob(input: WorkInput, last: { readonly day: DayNumber }): Job {
  const rest = input.potting?.rest_days ?? USUAL_POTTING.rest_days;
  return job(input, 'water', last.day, 'pot', null, {
    why: `potted: water in well, then rest until {day}: no hardening, no full sun, no feed`,
    whyDay: last.day + rest,
  });
}

/** No step of hardening before plants have rested after potting. */
function restedBy(input: WorkInput, day: DayNumber): { readonly on: DayNumber; readonly words: string } {
  const last = lastPotting(input.state);
  const until = last === null ? -Infinity : last.day + (input.potting?.rest_days ?? USUAL_POTTING.rest_days);
  return until > day ? { on: until, words: 'rested after potting; ' } : { on: day, words: '' };
}

function hardenJob(input: WorkInput, chain: Chain): Job {
  const rested = restedBy(input, dueDay(chain, 'harden'));
  return job(input, 'harden', rested.on, input.plan.potContainerId === null ? 'grow' : 'space', 'harden', {
    why: `${rested.words}rung 1: ${rungWords(1)}; to go out {day}`,
    whyDay: dayOf(chain, 'plant'),
  });
}

function rungJobs(input: WorkInput, chain: Chain): Job[] {
  const { state, plan } = input;
  const started = state.facts.harden;
  const first = started ?? dayOf(chain, 'harden');
  const reached = started === undefined ? 1 : state.rung;
  const lastOn = started === undefined ? first : (state.rungOn ?? first);
  const last = Math.min(LAST_RUNG, plan.hardening_days);
  const jobs: Job[] = [];
  for (let rung = reached + 1; rung <= last; rung++) {
    jobs.push(
      job(input, 'rung', restedBy(input, lastOn + (rung - reached)).on, 'harden', null, {
        count: rung,
        max_count: LAST_RUNG,
        countWord: 'rung',
        why: `rung ${rung} of ${last}: ${rungWords(rung)}; not in a gale or frost`,
      }),
    );
  }
  return jobs;
}

function plantJob(input: WorkInput, chain: Chain): Job {
  const count = input.state.alive_count ?? cellsToSow(input.plan);
  return job(input, 'plant', dueDay(chain, 'plant'), 'harden', null, {
    count,
    max_count: input.state.alive_count ?? 1_000_000,
    countWord: 'planted',
    why: `${input.plan.plantsWanted} wanted; look at soil, nights and wind first`,
  });
}
