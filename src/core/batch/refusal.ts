import type { BatchEvent, EventKind, FactKey, Phase } from './event.ts';
import type { BatchState } from './reduce.ts';
import { WORDS } from '../../words/en/batch/refusal.ts';

/** Why an event cannot follow a state. `field` names the part of the event at fault. */
export interface Refusal {
  readonly field: 'kind' | 'day' | 'count';
  readonly reason: string;
}

const PHASE_ORDER: readonly Phase[] = [
  'planned',
  'sown',
  'emerged',
  'growing',
  'potted',
  'hardening',
  'planted',
  'ended',
];
const order = (phase: Phase): number => PHASE_ORDER.indexOf(phase);

/** From which phase to which an event may be logged, and what it makes of the batch. */
export const STEPS: Readonly<Partial<Record<EventKind, { from: Phase; upTo: Phase; to: Phase; fact: FactKey }>>> = {
  sown: { from: 'planned', upTo: 'planned', to: 'sown', fact: 'sow' },
  arrived: { from: 'planned', upTo: 'planned', to: 'growing', fact: 'arrive' },
  emerged: { from: 'sown', upTo: 'sown', to: 'emerged', fact: 'half-up' },
  'off-heat': {
    from: 'sown',
    upTo: 'emerged',
    to: 'growing',
    fact: 'off-heat',
  },
  potted: { from: 'emerged', upTo: 'growing', to: 'potted', fact: 'pot' },
  'hardening-started': {
    from: 'emerged',
    upTo: 'potted',
    to: 'hardening',
    fact: 'harden',
  },
  'planted-out': {
    from: 'emerged',
    upTo: 'hardening',
    to: 'planted',
    fact: 'plant',
  },
};

/** What may be logged at any time and changes no phase. */
export const FREE: readonly EventKind[] = [
  'voided',
  'restored',
  'note',
  'edited',
  'withdrawn',
  'held',
  'cover',
  'sign',
  'watered',
  'left-out',
  'treated',
];
const DONE_WORDS: Readonly<Record<Phase, string>> = {
  planned: WORDS.notSownYet,
  sown: WORDS.sownNothingLoggedAsUp,
  emerged: WORDS.upStillOnTheHeat,
  growing: WORDS.growingOn,
  potted: 'potted',
  hardening: WORDS.hardening,
  planted: WORDS.plantedOut,
  ended: WORDS.ended,
};

/** A hold is for days, not for ever. */
const MOST_HELD_days = 60;

/** Why an event cannot follow, or null when it can. */
export function refusalOf(state: BatchState, event: BatchEvent): Refusal | null {
  if (event.kind === 'held' && (event.count ?? 0) > MOST_HELD_days)
    return { field: 'count', reason: WORDS.heldForAtMostDays(MOST_HELD_days) };
  if (FREE.includes(event.kind)) return null;
  if (state.phase === 'ended')
    return {
      field: 'kind',
      reason: WORDS.thisBatchHasEndedWithdraw,
    };
  if (event.kind === 'split-in') {
    return state.lastDay === null ? null : { field: 'kind', reason: WORDS.aSplitCanOnlyBegin };
  }
  if (state.lastDay !== null && event.day < state.lastDay) {
    return {
      field: 'day',
      reason: WORDS.thisIsBeforeTheLast,
    };
  }
  const step = STEPS[event.kind];
  if (step && (order(state.phase) < order(step.from) || order(state.phase) > order(step.upTo))) {
    const again = state.facts[step.fact] !== undefined;
    return {
      field: 'kind',
      reason: again ? WORDS.thisIsLoggedAlreadyCorrect : WORDS.theBatchIs(DONE_WORDS[state.phase]),
    };
  }
  if (event.kind === 'ended') return null;
  if (event.kind === 'stood')
    return state.phase === 'planted' ? null : { field: 'kind', reason: WORDS.theBatchIsNotPlanted };
  if (!step && order(state.phase) < order('sown')) return { field: 'kind', reason: WORDS.theBatchIsNotSown };
  if (state.phase === 'planted' && (event.kind === 'lost' || event.kind === 'moved' || event.kind === 'split-out')) {
    return { field: 'kind', reason: WORDS.theBatchIsPlantedOut };
  }
  if (event.kind === 'counted' && order(state.phase) > order('growing')) {
    return {
      field: 'kind',
      reason: WORDS.countingWhatIsUpEnds(DONE_WORDS[state.phase]),
    };
  }
  if (event.kind === 'spaced' && state.phase !== 'potted')
    return { field: 'kind', reason: WORDS.onlyPottedPlantsAreSpaced };
  if (event.kind === 'spaced' && state.facts.space !== undefined)
    return { field: 'kind', reason: WORDS.theseAreSpacedAlready };
  if (event.kind === 'moved-on' && (order(state.phase) < order('emerged') || order(state.phase) > order('potted')))
    return { field: 'kind', reason: WORDS.theBatchIsPlantsAre(DONE_WORDS[state.phase]) };
  if (event.kind === 'moved-on' && !event.details) return { field: 'kind', reason: WORDS.sayIntoWhichContainerThey };
  if (event.kind === 'rung' && state.phase !== 'hardening')
    return { field: 'kind', reason: WORDS.hardeningHasNotStarted };
  return countRefusal(state, event);
}

function countRefusal(state: BatchState, event: BatchEvent): Refusal | null {
  const { kind } = event;
  const byTray = kind === 'counted' && event.tray ? event.tray : null;
  if (byTray !== null && event.count !== null) {
    const was = state.trayUp[byTray] ?? 0;
    if (Object.keys(state.trayUp).length === 0 && (state.up_count ?? 0) > 0)
      return { field: 'count', reason: WORDS.thisBatchIsCountedAs };
    const least = state.traysToCount.includes(byTray) ? was - goneFromTrays(state) : was;
    if (event.count < least) return { field: 'count', reason: WORDS.wereUpInTrayBefore(least, byTray) };
  } else if (kind === 'counted' && Object.keys(state.trayUp).length > 0) {
    return { field: 'count', reason: WORDS.thisBatchIsCountedTray };
  }
  const count = byTray === null || event.count === null ? event.count : upByTrays(state, byTray, event.count);
  const needsCount = ['sown', 'arrived', 'counted', 'lost', 'potted', 'moved-on', 'split-out', 'rung'].includes(kind);
  if (count === null) return needsCount ? { field: 'count', reason: WORDS.sayHowMany } : null;
  if (kind === 'arrived' && count < 1) return { field: 'count', reason: WORDS.atLeastOneMustHave };
  if (kind === 'sown' && count < 1) return { field: 'count', reason: WORDS.atLeastOneMustBe };
  if ((kind === 'counted' || kind === 'emerged') && count > state.sown_count!) {
    return {
      field: 'count',
      reason: WORDS.upOfSownCannotBe(count, state.sown_count),
    };
  }
  if ((kind === 'counted' || kind === 'emerged') && state.up_count !== null && count < state.up_count) {
    return { field: 'count', reason: WORDS.wereUpBeforeLogThose(state.up_count) };
  }
  if ((kind === 'counted' || kind === 'emerged') && count > state.alive_count!) {
    return { field: 'count', reason: WORDS.canBeThereAtThe(state.alive_count) };
  }
  if ((kind === 'lost' || kind === 'planted-out') && count > state.alive_count!) {
    return { field: 'count', reason: WORDS.onlyAreLeft(state.alive_count) };
  }
  if (kind === 'potted' || kind === 'moved-on') {
    if (count < 1) return { field: 'count', reason: WORDS.atLeastOneMustBe2 };
    return pottedRefusal(state, event, count);
  }
  if (kind === 'lost' && count < 1) return { field: 'count', reason: WORDS.atLeastOneMustBe3 };
  if (kind === 'split-out' && !(count >= 1 && count < state.alive_count!)) {
    return {
      field: 'count',
      reason: WORDS.splitOffAtLeast1(state.alive_count),
    };
  }
  if (kind === 'rung' && !(count >= 1 && count <= state.rung + 1)) {
    return { field: 'count', reason: WORDS.itIsOnStepLog(state.rung, state.rung + 1) };
  }
  return null;
}

/** What was potted, thrown out and left over comes out of what there was and what doubles gave. */
function pottedRefusal(state: BatchState, { details }: BatchEvent, count: number): Refusal | null {
  const least = state.alive_count!;
  const doubled = details?.doubled ?? 0;
  const out = Object.values(details?.culled ?? {}).reduce((sum, n) => sum + n, 0) + (details?.leftOver ?? 0);
  if (count + out > least + doubled) {
    const teased = doubled > 0 ? WORDS.andFromDoubles(doubled) : '';
    const rest = out > 0 ? WORDS.pottedAndThrownOutOr(count, out) : '';
    return {
      field: 'count',
      reason: WORDS.onlyAreLeft2(least, teased, rest),
    };
  }
  return null;
}

/** All trays together. */
export const sumOf = (counts: Readonly<Record<string, number>>): number =>
  Object.values(counts).reduce((a, b) => a + b, 0);

/** Plants that left trays counted before, as far as it is not known which. */
function goneFromTrays({ trayUp, up_count }: BatchState): number {
  return Math.max(0, sumOf(trayUp) - (up_count ?? 0));
}

/**
 * Plants standing in all trays when one of them is counted anew. Those lost or split off since the other trays were counted
 * stay gone until each is counted again; then what was counted is what stands.
 */
export function upByTrays(state: BatchState, tray: number, count: number): number {
  const { trayUp, traysToCount } = state;
  const fewer = traysToCount.includes(tray) ? Math.max(0, (trayUp[tray] ?? 0) - count) : 0;
  const known = traysToCount.every((other) => other === tray);
  const stillGone = known ? 0 : Math.max(0, goneFromTrays(state) - fewer);
  return sumOf({ ...trayUp, [tray]: count }) - stillGone;
}
