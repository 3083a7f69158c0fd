import { USUAL_UP_frac } from '../germination/usual.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import { FREE, refusalOf, STEPS, sumOf, upByTrays, type Refusal } from './refusal.ts';
import type { BatchEvent, ContainerMove, FactKey, Phase, PlantingDetails, Sign, EstablishmentResult } from './event.ts';

/** Where a batch has stood since a day. */
export interface Stay {
  readonly placeId: number;
  readonly from: DayNumber;
}

/** What the log says of a batch. */
export interface BatchState {
  readonly phase: Phase;
  readonly facts: Readonly<Partial<Record<FactKey, DayNumber>>>;
  /** Cells or seeds sown; null before sowing. */
  readonly sown_count: number | null;
  /** Up in each tray counted by itself. */
  readonly trayUp: Readonly<Record<number, number>>;
  /** Trays not counted since plants were lost or split off: some of theirs may be gone. */
  readonly traysToCount: readonly number[];
  /** Whether the cover is on; null when nothing is logged of it. */
  readonly covered: boolean | null;
  /** Plants standing as last counted, less those lost, given away or split off since; null before the first count. */
  readonly up_count: number | null;
  readonly lastCountOn: DayNumber | null;
  /** Most plants there can be: cells sown less losses and splits; once set into pots, those. null before sowing. */
  readonly alive_count: number | null;
  /** Plants that had come up and died or were thrown out. A cell in which nothing came is none of them. */
  readonly lost_count: number;
  /** Good plants that were given away or left over. */
  readonly left_count: number;
  readonly planted_count: number | null;
  readonly placeId: number | null;
  readonly stays: readonly Stay[];
  readonly rung: number;
  readonly rungOn: DayNumber | null;
  /** Day up to which a job was put off, by job. */
  readonly held: Readonly<Record<string, DayNumber>>;
  readonly endCause: string;
  readonly lastDay: DayNumber | null;
  /** Containers the plants were set into, in order. */
  readonly moves: readonly ContainerMove[];
  /** Last sign looked for, and leaves counted with it. */
  readonly sign: { readonly sign: Sign; readonly day: DayNumber; readonly leaves: number | null } | null;
  /** Day it was last watered in; work goes on until it is after a potting. */
  readonly wateredOn: DayNumber | null;
  /** Day its seed was soaked, scarified or laid cold; null: not logged. */
  readonly treatedOn: DayNumber | null;
  /** Last day a rung was logged as done, and days on which hardening was held. */
  readonly rungLoggedOn: DayNumber | null;
  readonly rungHeld: readonly DayNumber[];
  readonly planting: PlantingDetails | null;
  readonly stood: {
    readonly stood: EstablishmentResult;
    readonly day: DayNumber;
    readonly count: number | null;
  } | null;
}

export const UNSOWN: BatchState = {
  phase: 'planned',
  facts: {},
  sown_count: null,
  trayUp: {},
  traysToCount: [],
  covered: null,
  up_count: null,
  lastCountOn: null,
  alive_count: null,
  lost_count: 0,
  left_count: 0,
  planted_count: null,
  placeId: null,
  stays: [],
  rung: 0,
  rungOn: null,
  held: {},
  endCause: '',
  lastDay: null,
  moves: [],
  sign: null,
  wateredOn: null,
  treatedOn: null,
  rungLoggedOn: null,
  rungHeld: [],
  planting: null,
  stood: null,
};

/**
 * The state after an event that may follow.
 * @param expected_frac share of its seeds thought to come up
 */
export function applyEvent(state: BatchState, event: BatchEvent, expected_frac: number = USUAL_UP_frac): BatchState {
  if (event.kind === 'held') {
    // Held for so many days, the day itself the first; a hold of none lets go again.
    const days = event.count ?? 1;
    // A hold that names its days stands for the one before; a plain one only adds to it.
    const plain = event.count === null || event.count === undefined;
    const until = plain ? Math.max(state.held[event.cause] ?? -Infinity, event.day + days) : event.day + days;
    const held = { ...state.held, [event.cause]: until };
    if (event.cause !== 'rung') return { ...state, held };
    const kept = state.rungHeld.filter((day) => day < event.day || day < until);
    return {
      ...state,
      held,
      rungHeld: [...new Set([...kept, ...Array.from({ length: days }, (_, i) => event.day + i)])],
    };
  }
  if (event.kind === 'cover') return { ...state, covered: event.count === 1 };
  if (event.kind === 'treated') return { ...state, treatedOn: state.treatedOn ?? event.day };
  if (event.kind === 'watered') return { ...state, wateredOn: Math.max(state.wateredOn ?? -Infinity, event.day) };
  if (event.kind === 'sign')
    return { ...state, sign: { sign: event.cause as Sign, day: event.day, leaves: event.count } };
  if (FREE.includes(event.kind)) return state;
  const next: Mutable<BatchState> = {
    ...state,
    lastDay: Math.max(state.lastDay ?? -Infinity, event.day),
  };
  const step = STEPS[event.kind];
  if (step) {
    next.phase = step.to;
    next.facts = { ...state.facts, [step.fact]: event.day };
  }
  const { count } = event;
  switch (event.kind) {
    case 'sown':
      next.sown_count = count;
      next.alive_count = count;
      break;
    case 'arrived':
      next.sown_count = count;
      next.alive_count = count;
      next.up_count = count;
      next.lastCountOn = event.day;
      break;
    case 'counted':
      next.up_count = count;
      if (event.tray) {
        next.trayUp = { ...state.trayUp, [event.tray]: count! };
        next.traysToCount = state.traysToCount.filter((tray) => tray !== event.tray);
        next.up_count = upByTrays(state, event.tray, count!);
      }
      next.lastCountOn = event.day;
      if (next.up_count! > 0 && state.phase === 'sown' && state.facts['first-up'] === undefined) {
        next.facts = { ...state.facts, 'first-up': event.day };
      }
      next.facts = withHalfUp(
        next.facts,
        next.up_count! + state.lost_count,
        state.sown_count!,
        expected_frac,
        event.day,
      );
      break;
    case 'emerged':
      // Said to be half up: a count that passed half before has the day.
      next.facts = { ...next.facts, 'half-up': state.facts['half-up'] ?? event.day };
      if (count !== null) {
        next.up_count = count;
        next.lastCountOn = event.day;
      }
      break;
    case 'off-heat':
      if (state.facts['half-up'] === undefined) next.facts = { ...next.facts, 'half-up': event.day };
      break;
    case 'potted':
    case 'moved-on': {
      const thrown = sumOf(event.details?.culled ?? {});
      const left = event.details?.leftOver ?? 0;
      // Counted plants that are neither potted, thrown out nor left over have died; cells in which none came have not.
      const missing =
        state.up_count === null ? 0 : state.up_count + (event.details?.doubled ?? 0) - count! - thrown - left;
      next.lost_count = state.lost_count + thrown + Math.max(0, missing);
      next.left_count = state.left_count + left;
      next.alive_count = count;
      next.up_count = count;
      next.sign = null;
      if (event.details) {
        const last = event.kind === 'potted';
        const move = { containerId: event.details.containerId, day: event.day, count: count!, last };
        next.moves = [...state.moves, move];
      }
      break;
    }
    case 'spaced':
      next.facts = { ...state.facts, space: event.day };
      break;
    case 'hardening-started':
      next.rung = 1;
      next.rungOn = event.day;
      next.rungLoggedOn = event.day;
      break;
    case 'rung':
      if (count !== state.rung) next.rungOn = event.day;
      next.rung = count!;
      next.rungLoggedOn = event.day;
      break;
    case 'lost':
      next.alive_count = state.alive_count! - count!;
      next.lost_count = state.lost_count + count!;
      if (state.up_count !== null) next.up_count = Math.max(0, state.up_count - count!);
      next.traysToCount = Object.keys(state.trayUp).map(Number);
      break;
    case 'split-out':
      next.alive_count = state.alive_count! - count!;
      if (state.up_count !== null) next.up_count = Math.max(0, state.up_count - count!);
      next.traysToCount = Object.keys(state.trayUp).map(Number);
      break;
    case 'stood':
      next.stood = { stood: event.cause as EstablishmentResult, day: event.day, count };
      break;
    case 'planted-out':
      next.planted_count = count ?? state.up_count ?? state.alive_count;
      next.left_count = state.left_count + Math.max(0, (state.up_count ?? 0) - next.planted_count!);
      next.planting = event.planting ?? null;
      // What lay over the tray says nothing of what lies over the bed.
      next.covered = event.planting ? event.planting.coverId !== null : null;
      break;
    case 'split-in':
      Object.assign(next, fromSplit(event));
      break;
    case 'ended':
      next.phase = 'ended';
      next.endCause = event.cause;
      if (state.phase !== 'planted') next.lost_count = state.lost_count + (state.up_count ?? 0);
      break;
    default:
      break;
  }
  if (event.placeId !== null && event.placeId !== state.placeId) {
    next.placeId = event.placeId;
    next.stays = [...state.stays, { placeId: event.placeId, from: event.day }];
  }
  return next;
}

/** Half up has the day of the count that passed half of those expected, not the day somebody moved the tray. */
function withHalfUp(
  facts: BatchState['facts'],
  cameUp: number,
  sown: number,
  expected_frac: number,
  day: DayNumber,
): BatchState['facts'] {
  if (facts['half-up'] !== undefined || facts.sow === undefined || cameUp < (expected_frac * sown) / 2) return facts;
  return { ...facts, 'half-up': day };
}

function fromSplit(event: BatchEvent): Partial<BatchState> {
  const snapshot = event.snapshot;
  if (!snapshot) throw new RangeError(`event ${event.id} is a split without the state it came from`);
  return {
    phase: snapshot.phase,
    facts: snapshot.facts,
    sown_count: snapshot.sown_count,
    up_count: snapshot.emerged_count === null ? null : Math.min(snapshot.emerged_count, event.count!),
    lastCountOn: snapshot.lastCountOn ?? null,
    alive_count: event.count,
    rung: snapshot.rung,
    rungOn: snapshot.rungOn,
    moves: snapshot.moves ?? [],
  };
}

/** Events that count: neither replaced nor withdrawn, each at the place of the event it corrects. */
export function effectiveEvents(events: readonly BatchEvent[]): BatchEvent[] {
  const replacedBy = new Map<number, BatchEvent>();
  for (const event of events) if (event.correctsId !== null) replacedBy.set(event.correctsId, event);
  const kept: BatchEvent[] = [];
  for (const event of events) {
    if (event.correctsId !== null) continue;
    let last = event;
    while (replacedBy.has(last.id)) last = replacedBy.get(last.id)!;
    if (last.kind !== 'withdrawn') kept.push(last);
  }
  return kept;
}

/** A refusal met while reading a log, with the event it is about. */
export interface LogRefusal extends Refusal {
  readonly event: BatchEvent;
}

/**
 * The state of a batch by its log, and the first event that cannot follow those before it (null when all can). Used both
 * to read a batch and to try a new or corrected event before it is written.
 * @param expected_frac share of its seeds thought to come up, by which half of them is known
 */
export function reduceLog(
  events: readonly BatchEvent[],
  expected_frac: number = USUAL_UP_frac,
): {
  state: BatchState;
  refusal: LogRefusal | null;
} {
  let state = UNSOWN;
  for (const event of effectiveEvents(events)) {
    const refusal = refusalOf(state, event);
    if (refusal) return { state, refusal: { ...refusal, event } };
    state = applyEvent(state, event, expected_frac);
  }
  return { state, refusal: null };
}

/** What a split hands to the new batch. */
export function splitSnapshot(state: BatchState) {
  return {
    phase: state.phase,
    sown_count: state.sown_count!,
    emerged_count: state.up_count,
    lastCountOn: state.lastCountOn,
    placeId: state.placeId,
    rung: state.rung,
    rungOn: state.rungOn,
    facts: state.facts,
    moves: state.moves,
  };
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };
