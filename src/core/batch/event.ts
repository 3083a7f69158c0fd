import type { DayNumber } from '../calendar/dayNumber.ts';
import { WORDS } from '../../words/en/batch/event.ts';

export const EVENT_KINDS = [
  'sown',
  'arrived',
  'counted',
  'emerged',
  'off-heat',
  'potted',
  'spaced',
  'hardening-started',
  'rung',
  'planted-out',
  'moved',
  'lost',
  'held',
  'note',
  'split-out',
  'split-in',
  'edited',
  'ended',
  'withdrawn',
  'cover',
  'moved-on',
  'sign',
  'watered',
  'stood',
  'left-out',
  'treated',
  'voided',
  'restored',
] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** Kinds a person logs; splits, changes of plan and voiding are written by calls of their own. */
const OF_OWN_CALLS = ['split-out', 'split-in', 'edited', 'voided', 'restored'] as const;
export type LoggableKind = Exclude<EventKind, (typeof OF_OWN_CALLS)[number]>;
export const LOGGABLE_KINDS = EVENT_KINDS.filter(
  (kind): kind is LoggableKind => !(OF_OWN_CALLS as readonly EventKind[]).includes(kind),
);

export const EVENT_WORDS: Readonly<Record<EventKind, string>> = {
  sown: WORDS.sown,
  arrived: WORDS.plugsArrived,
  counted: WORDS.counted,
  emerged: WORDS.halfUp,
  'off-heat': WORDS.offTheHeat,
  potted: WORDS.pottedUp,
  spaced: WORDS.spacedOut,
  'hardening-started': WORDS.hardeningStarted,
  rung: WORDS.stepOfHardening,
  'planted-out': WORDS.plantedOut,
  moved: WORDS.moved,
  lost: WORDS.lost,
  held: WORDS.heldBack,
  note: WORDS.note,
  'split-out': WORDS.partSplitOff,
  'split-in': WORDS.splitFromAnotherBatch,
  edited: WORDS.planChanged,
  ended: WORDS.ended,
  withdrawn: WORDS.withdrawn,
  cover: WORDS.cover,
  'moved-on': WORDS.movedIntoAnotherContainer,
  sign: WORDS.sign,
  watered: WORDS.wateredIn,
  stood: WORDS.howItStood,
  'left-out': WORDS.notUsedForEstimates,
  treated: WORDS.seedTreated,
  voided: WORDS.voidedMadeByMistake,
  restored: WORDS.broughtBack,
};

/** What a potting, a pricking out or a potting on came to. */
export interface PottingDetails {
  /** Container the plants now stand in. */
  readonly containerId: number;
  /** Plants won by teasing doubles apart. */
  readonly doubled: number;
  /** Thrown out, by cause. */
  readonly culled: Readonly<Record<string, number>>;
  /** Good ones not wanted: given away, or left in their cells for nobody. */
  readonly leftOver: number;
  /** Work of all hands together, from the first to the last pot; null when nobody looked at a clock. */
  readonly minutes: number | null;
  readonly people: number;
  readonly sessionId: number | null;
}

/** Where and how plants went out. */
export interface PlantingDetails {
  /** Cover they went under; null: none. */
  readonly coverId: number | null;
  readonly plant_cm: number;
  readonly row_cm: number;
  /** Bed or field, in the grower's words. */
  readonly bed: string;
}

/** How a batch stood some days after planting out, in one tap. */
export const ESTABLISHMENT_RESULTS = ['well', 'checked', 'losses', 'lost'] as const;
export type EstablishmentResult = (typeof ESTABLISHMENT_RESULTS)[number];
export const ESTABLISHMENT_WORDS: Readonly<Record<EstablishmentResult, string>> = {
  well: WORDS.standingWell,
  checked: WORDS.checkedButAlive,
  losses: WORDS.someLost,
  lost: WORDS.allLost,
};

/** Signs that plants are ready for more room, logged in one tap. */
export const SIGNS = ['true-leaves', 'roots', 'touching', 'leaves', 'not-yet'] as const;
export type Sign = (typeof SIGNS)[number];
export const SIGN_WORDS: Readonly<Record<Sign, string>> = {
  'true-leaves': WORDS.firstTrueLeaves,
  roots: WORDS.rootsAtTheBaseOf,
  touching: WORDS.leavesTouching,
  leaves: WORDS.leavesCounted,
  'not-yet': WORDS.notYet,
};

/** State handed to the new batch by a split. Days are day numbers. */
export interface SplitSnapshot {
  readonly phase: Phase;
  readonly sown_count: number;
  readonly emerged_count: number | null;
  readonly lastCountOn?: DayNumber | null;
  readonly placeId: number | null;
  readonly rung: number;
  readonly rungOn: DayNumber | null;
  readonly facts: Readonly<Partial<Record<FactKey, DayNumber>>>;
  readonly moves?: readonly ContainerMove[];
}

/** Plants set into another container on a day. */
export interface ContainerMove {
  readonly containerId: number;
  readonly day: DayNumber;
  readonly count: number;
  /** Into its last pot by the plan, and not pricked out or potted on. */
  readonly last: boolean;
}

export type FactKey = 'arrive' | 'sow' | 'first-up' | 'half-up' | 'off-heat' | 'pot' | 'space' | 'harden' | 'plant';
export type Phase = 'planned' | 'sown' | 'emerged' | 'growing' | 'potted' | 'hardening' | 'planted' | 'ended';

/** Phases in which a batch stands in the nursery no more. */
export const isOver = (phase: Phase): boolean => phase === 'planted' || phase === 'ended';

/** A line of the log. What happened is never changed: a correction is another line that names the one it replaces. */
export interface BatchEvent {
  readonly id: number;
  readonly kind: EventKind;
  readonly day: DayNumber;
  /** Plants, seeds, cells or rung number, by kind. */
  readonly count: number | null;
  readonly placeId: number | null;
  readonly note: string;
  /** Cause of a loss or an end, or the job a hold puts off. */
  readonly cause: string;
  /** The event this one replaces or withdraws. */
  readonly correctsId: number | null;
  readonly snapshot: SplitSnapshot | null;
  /** Tray counted by itself, 1 up; absent or null = the whole batch. */
  readonly tray?: number | null;
  readonly details?: PottingDetails | null;
  readonly planting?: PlantingDetails | null;
}
