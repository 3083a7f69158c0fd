import type { DayNumber } from '../calendar/dayNumber.ts';
import { SIGN_WORDS, type LoggableKind } from './event.ts';
import type { Progress } from './progress.ts';
import { containerNow, planAsItStands } from './progress.ts';
import type { BatchState } from './reduce.ts';
import { placeOfStage, type Stage } from '../plan/stage.ts';
import { type BatchPlan } from '../plan/batchPlan.ts';
import { type Container } from '../books/container.ts';
import { type Crop } from '../books/crop.ts';
import { traysFor } from './trays.ts';
import { treatment_days, TREATMENT_WORDS } from '../plan/schedule/treatment.ts';
import { milestoneOf, type Chain } from '../plan/schedule/chain.ts';
import { lastPottedOn, restedOn } from '../potting/rest.ts';
import { showsReady } from '../potting/ready.ts';
import { USUAL_POTTING, type PottingSettings } from '../potting/settings.ts';
import type { Decision } from '../hardening/ladder.ts';
import { PROGRAMMES, type Rung } from '../hardening/programme.ts';
import { decisionWords } from '../hardening/words.ts';
import type { TemperatureUnit } from '../units/temperature.ts';
import { WORDS } from '../../words/en/batch/work.ts';

export type JobKind =
  'treat' | 'sow' | 'arrive' | 'look' | 'off-heat' | 'pot' | 'water' | 'space' | 'harden' | 'rung' | 'plant' | 'stood';

export const JOB_WORDS: Readonly<Record<JobKind, string>> = {
  treat: WORDS.treatTheSeed,
  sow: WORDS.sow,
  arrive: WORDS.takeInPlugs,
  look: WORDS.lookAndCount,
  'off-heat': WORDS.offTheHeat,
  pot: WORDS.potUp,
  water: WORDS.waterIn,
  space: WORDS.spaceOut,
  harden: WORDS.startHardening,
  rung: WORDS.nextStep,
  plant: WORDS.plantOut,
  stood: WORDS.seeHowItStands,
};

/** The event one tap logs for a job. */
export const JOB_EVENT: Readonly<Record<JobKind, LoggableKind>> = {
  treat: 'treated',
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
  stood: 'stood',
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
  /** What one tap logs, where it is not the job's usual line. */
  readonly logs?: { readonly kind: LoggableKind; readonly cause: string };
}

/** A batch's ladder as it stands. */
export interface LadderOfBatch {
  readonly rungs: readonly Rung[];
  readonly today: DayNumber;
  /** What to do today and on the days the forecast reaches, today first; empty before hardening is near. */
  readonly decisions: readonly Decision[];
  readonly hardened: boolean;
  /** Set back by frost or gale to this rung; null: not. */
  readonly setBackTo: number | null;
  /** Today's order in words: out at, in by, cover. */
  readonly order: string;
  readonly unit: TemperatureUnit;
}

export interface WorkInput {
  readonly batchId: number;
  readonly plan: BatchPlan;
  readonly state: BatchState;
  readonly progress: Progress;
  readonly containers: ReadonlyMap<number, Container>;
  readonly potting?: Pick<PottingSettings, 'rest_days' | 'potLeaves'>;
  readonly ladder?: LadderOfBatch;
  /** What its seed wants before it is sown; absent: nothing. */
  readonly crop?: Pick<Crop, 'pretreat' | 'chill_weeks'>;
}

/** All work still to come of one batch, in order of day; the first is what it waits for now. */
export function workOf(input: WorkInput): Job[] {
  const { forecast } = input.progress;
  const { phase } = input.state;
  if (phase === 'planted') return stoodJob(input);
  if (forecast.kind !== 'chain' || phase === 'ended') return [];
  const jobs: Job[] = [];
  const facts = input.state.facts;
  const { joins } = input.plan;
  if (phase === 'planned' && !joins) jobs.push(...treatJob(input, forecast));
  if (phase === 'planned') jobs.push(joins ? arriveJob(input, forecast) : sowJob(input, forecast));
  if (!joins && (phase === 'planned' || phase === 'sown')) jobs.push(lookJob(input, forecast));
  if (!joins && facts['off-heat'] === undefined && facts.pot === undefined && facts.harden === undefined) {
    jobs.push(offHeatJob(input, forecast));
  }
  if (facts.pot === undefined && facts.harden === undefined && milestoneOf(forecast, 'pot')) {
    jobs.push(potJob(input, forecast));
  }
  const potted = lastPottedOn(input.state);
  if (potted !== null && isToWater(input, potted)) jobs.push(waterJob(input, potted));
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
  const due = workOf(input).filter(
    (job) => job.dueOn <= today && today - job.dueOn <= (ASKED_days[job.kind] ?? Infinity),
  );
  // Until it is hardened a batch's ladder comes before its planting, however late that is.
  const ladder = input.state.facts.harden === undefined ? undefined : due.find((job) => job.kind === 'rung');
  const first = ladder ?? due[0];
  if (!first) return [];
  // Watering in goes on beside whatever else a batch waits for.
  // So does sowing beside the seed's treatment: who has done it unasked need not log it first.
  const offered = first.kind === 'water' || first.kind === 'treat' ? due.slice(0, 2) : [first];
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
  const { plants: inAll } = input.progress;
  const plants = potted || moved ? inAll.expected_count : inAll.sown_count;
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

function treatJob(input: WorkInput, chain: Chain): Job[] {
  const { crop, state } = input;
  if (!crop || crop.pretreat === 'none' || state.treatedOn !== null) return [];
  const sow = milestoneOf(chain, 'sow')!;
  const dueOn = sow.dueOn - treatment_days(crop);
  const why = WORDS.sowDay(TREATMENT_WORDS[crop.pretreat]);
  return [job(input, 'treat', dueOn, 'germinate', null, { why, whyDay: sow.day, trays: 0 })];
}

function sowJob(input: WorkInput, chain: Chain): Job {
  const cells = input.progress.plants.sown_count;
  return job(input, 'sow', dueDay(chain, 'sow'), 'germinate', null, {
    count: cells,
    max_count: 1_000_000,
    countWord: WORDS.cellsSown,
    why: WORDS.cellsForPlantsHalfUp(cells, input.plan.plantsWanted),
    whyDay: dayOf(chain, 'half-up'),
  });
}

function arriveJob(input: WorkInput, chain: Chain): Job {
  const count = input.progress.plants.sown_count;
  return job(input, 'arrive', dueDay(chain, 'arrive'), 'grow', null, {
    count,
    max_count: 1_000_000,
    countWord: 'plugs',
    why: WORDS.plugsOrderedForPlantsLook(count, input.plan.plantsWanted),
  });
}

function lookJob(input: WorkInput, chain: Chain): Job {
  const { up_count } = input.state;
  const { sown_count } = input.progress.plants;
  return job(input, 'look', dueDay(chain, 'first-up'), 'germinate', null, {
    count: up_count ?? 0,
    max_count: input.state.alive_count ?? sown_count,
    countWord: 'up',
    why: up_count === null ? WORDS.nothingCountedYetHalfExpected : WORDS.ofUpHalfExpectedDay(up_count, sown_count),
    whyDay: dayOf(chain, 'half-up'),
  });
}

function offHeatJob(input: WorkInput, chain: Chain): Job {
  const { up_count } = input.state;
  const { sown_count } = input.progress.plants;
  return job(input, 'off-heat', dueDay(chain, 'off-heat'), 'germinate', 'grow', {
    why: up_count === null ? WORDS.halfUpByTheForecast : WORDS.ofUpIntoTheLight(up_count, sown_count),
  });
}

function potJob(input: WorkInput, chain: Chain): Job {
  const { plants: inAll } = input.progress;
  const alive = inAll.expected_count;
  const pots = input.containers.get(input.plan.potContainerId!);
  const trays = pots ? traysFor(Math.max(1, alive), pots) : 0;
  const { sign } = input.state;
  const shows = sign && showsReady(sign, input.potting?.potLeaves ?? USUAL_POTTING.potLeaves);
  const due = shows ? Math.min(sign.day, dueDay(chain, 'pot')) : dueDay(chain, 'pot');
  return job(input, 'pot', due, 'grow', 'pot', {
    count: alive,
    max_count: input.state.alive_count ?? inAll.sown_count,
    countWord: 'potted',
    why: WORDS.trayOf(
      shows ? SIGN_WORDS[sign.sign] : WORDS.grownEnough,
      trays,
      trays === 1 ? '' : 's',
      pots?.name ?? WORDS.pots,
      shows ? '' : WORDS.lookForRootsAtThe,
    ),
  });
}

function spaceJob(input: WorkInput, chain: Chain): Job {
  return job(input, 'space', dueDay(chain, 'space'), 'pot', 'space', {
    why: WORDS.leavesTouchAboutNowLift,
  });
}

function waterJob(input: WorkInput, potted: DayNumber): Job {
  return job(input, 'water', potted, 'pot', null, {
    why: WORDS.pottedWaterInWellThen,
    whyDay: restedOn(input.state, input.potting?.rest_days ?? USUAL_POTTING.rest_days),
  });
}

/** Watering in is still to be asked about: not logged, and the plants have neither been spaced, hardened nor carried on since. */
function isToWater({ state }: WorkInput, potted: DayNumber): boolean {
  const { facts, wateredOn, stays } = state;
  if ((wateredOn ?? -Infinity) >= potted || facts.harden !== undefined) return false;
  return (facts.space ?? -Infinity) < potted && !stays.some((stay) => stay.from > potted);
}

/** No step of hardening before plants have rested after potting. */
function restedBy(input: WorkInput, day: DayNumber): { readonly on: DayNumber; readonly words: string } {
  const until = restedOn(input.state, input.potting?.rest_days ?? USUAL_POTTING.rest_days);
  return until > day ? { on: until, words: WORDS.restedAfterPotting } : { on: day, words: '' };
}

function hardenJob(input: WorkInput, chain: Chain): Job {
  const rested = restedBy(input, dueDay(chain, 'harden'));
  const first = rungsOf(input)[0]!.words;
  return job(input, 'harden', rested.on, input.plan.potContainerId === null ? 'grow' : 'space', 'harden', {
    why: WORDS.stepToGoOutDay(rested.words, first),
    whyDay: dayOf(chain, 'plant'),
  });
}

const rungsOf = (input: WorkInput): readonly Rung[] => input.ladder?.rungs ?? PROGRAMMES[0]!.rungs;

/** Days of the ladder still to come: by the forecast where it is known, else a rung after the other. */
function rungJobs(input: WorkInput, chain: Chain): Job[] {
  const { state, ladder } = input;
  const rungs = rungsOf(input);
  const started = state.facts.harden !== undefined;
  const line = (rung: number, dueOn: DayNumber, why: string, more: Partial<Job> = {}) =>
    job(input, 'rung', dueOn, 'harden', null, {
      count: rung,
      max_count: rungs.length,
      countWord: 'rung',
      why,
      ...more,
    });
  if (started && ladder && ladder.decisions.length > 0) {
    if (ladder.hardened) return [];
    return ladderJobs(state, ladder, line);
  }
  const first = started ? (state.rungOn ?? state.facts.harden!) : dayOf(chain, 'harden');
  const jobs: Job[] = [];
  let on = first;
  for (let rung = started ? state.rung : 1; rung < rungs.length; rung++) {
    on += rungs[rung - 1]!.days;
    const { words } = rungs[rung]!;
    jobs.push(line(rung + 1, restedBy(input, on).on, WORDS.stepOfNotInA(rung + 1, rungs.length, words)));
  }
  return jobs;
}

/** Today's rung, and the days on which a new one begins by the forecast. */
function ladderJobs(
  state: BatchState,
  ladder: LadderOfBatch,
  line: (rung: number, dueOn: DayNumber, why: string, more?: Partial<Job>) => Job,
): Job[] {
  const { decisions, rungs, unit } = ladder;
  const jobs: Job[] = [];
  const began = state.rungOn ?? 0;
  decisions.forEach((decision, i) => {
    const dueOn = ladder.today + i;
    const words = decisionWords(decision, rungs, unit);
    if (i > 0) {
      if (decision.climbs) jobs.push(line(decision.rung, dueOn, WORDS.byTheForecast(words)));
      return;
    }
    if (state.rungLoggedOn === dueOn) return;
    if (ladder.setBackTo !== null) {
      jobs.push(line(ladder.setBackTo, dueOn, WORDS.setBackToStep(ladder.setBackTo, words)));
      return;
    }
    const order = ladder.order ? `${words}; ${ladder.order}` : words;
    // Kept in, or on less than their rung: a day that does not count.
    if (decision.say === 'back')
      jobs.push(line(decision.rung, dueOn, order, { logs: { kind: 'held', cause: 'rung' } }));
    else jobs.push(line(Math.max(1, decision.rung), dueOn, order));
  });
  return jobs.filter((j) => j.dueOn >= began);
}

/** A week after planting out: how it stands. */
function stoodJob(input: WorkInput): Job[] {
  const plantedOn = input.state.facts.plant;
  if (plantedOn === undefined || input.state.stood !== null) return [];
  const standing = input.state.planted_count;
  return [
    job(input, 'stood', plantedOn + STOOD_AFTER_days, 'harden', null, {
      count: standing,
      max_count: standing,
      countWord: 'standing',
      why: WORDS.plantedOutDayHowMany,
      whyDay: plantedOn,
      logs: { kind: 'stood', cause: 'well' },
    }),
  ];
}

/** Common practice, no source. */
export const STOOD_AFTER_days = 7;
/** Nobody is asked for ever: after so many days it was done without a tap, or it is too late. Common practice, no source. */
const ASKED_days: Readonly<Partial<Record<JobKind, number>>> = { stood: 21, water: 3 };

function plantJob(input: WorkInput, chain: Chain): Job {
  const { plants, out } = input.progress;
  const count = plants.expected_count;
  return job(input, 'plant', Math.max(dueDay(chain, 'plant'), out?.on ?? -Infinity), 'harden', null, {
    count,
    max_count: input.state.alive_count ?? 1_000_000,
    countWord: 'planted',
    why: WORDS.wantedLookAtSoilNights(input.plan.plantsWanted),
  });
}
