import type { DayNumber } from '../calendar/dayNumber.ts';

/** What is written of the round beside the logs of batches. */
export const ROUND_LINE_KINDS = ['done', 'held', 'taken', 'given', 'timed', 'note', 'withdrawn'] as const;
export type RoundLineKind = (typeof ROUND_LINE_KINDS)[number];

/** What somebody found at a heated place. null: not looked at. */
export interface HeatLook {
  /** The sensor reads what a thermometer beside it does. */
  readonly readsRight: boolean | null;
  /** It sits in its cell, in the medium. */
  readonly inCell: boolean | null;
  /** Leads and plugs are dry. */
  readonly leadsDry: boolean | null;
}

/** A line of the round: a job of the house done or put off, who has a job, how long one took, a note, or a line taken back. */
export interface RoundLine {
  readonly id: number;
  readonly kind: RoundLineKind;
  /** Job it is about. */
  readonly jobKey: string;
  readonly on: DayNumber;
  /** Who has the job from now on; null with kind 'given': nobody. */
  readonly forPersonId: number | null;
  readonly minutes: number | null;
  /** What kind of work was timed, and on how many trays. */
  readonly work: string | null;
  readonly trays: number | null;
  readonly look: HeatLook | null;
  readonly note: string;
  readonly correctsId: number | null;
  readonly authorId: number | null;
  readonly recordedAt_ms: number;
}

/** What the round's lines say, those withdrawn left out. */
export interface RoundLog {
  /** Lines that stand, in order. */
  readonly lines: readonly RoundLine[];
  /** Who did a job, by key. */
  readonly done: ReadonlyMap<string, RoundLine>;
  /** Jobs put off on a day, by key: the last such day. */
  readonly heldOn: ReadonlyMap<string, DayNumber>;
}

export function roundLog(all: readonly RoundLine[]): RoundLog {
  const withdrawn = new Set(all.flatMap(({ kind, correctsId }) => (kind === 'withdrawn' ? [correctsId] : [])));
  const lines = all.filter(({ id, kind }) => kind !== 'withdrawn' && !withdrawn.has(id));
  const done = new Map<string, RoundLine>();
  const heldOn = new Map<string, DayNumber>();
  for (const line of lines) {
    if (line.kind === 'done' && !done.has(line.jobKey)) done.set(line.jobKey, line);
    if (line.kind === 'held') heldOn.set(line.jobKey, Math.max(heldOn.get(line.jobKey) ?? -Infinity, line.on));
  }
  return { lines, done, heldOn };
}

/** Who has each job on a day: the last who took it or was given it. A job is had for the day, never for ever. */
export function holdersOn(log: RoundLog, today: DayNumber): ReadonlyMap<string, number> {
  const holders = new Map<string, number>();
  for (const { kind, jobKey, on, forPersonId } of log.lines) {
    if (on !== today || (kind !== 'taken' && kind !== 'given')) continue;
    if (forPersonId === null) holders.delete(jobKey);
    else holders.set(jobKey, forPersonId);
  }
  return holders;
}

/** Key of a batch's job, of a time of a job of the house, and of the look at a heated place in a half of the day. */
export const batchJobKey = (batchId: number, kind: string, rung: number | null): string =>
  `${batchId}/${kind}/${rung ?? ''}`;
export const houseJobKey = (jobId: number, batchId: number | null, iso: string): string =>
  `own/${jobId}/${batchId === null ? '' : batchId}/${iso}`;
export const heatLookKey = (zoneId: number, half: string, iso: string): string => `heat/${zoneId}/${half}/${iso}`;
/** Watering what wants it at a place; it is never sent: water has a log of its own. */
export const waterJobKey = (placeId: number): string => `water/${placeId}`;
/** Keys as they may be sent. */
export const JOB_KEY =
  /^(?:own\/\d{1,9}\/\d{0,9}\/\d{4}-\d\d-\d\d|heat\/\d{1,9}\/(?:morning|evening)\/\d{4}-\d\d-\d\d|\d{1,9}\/[a-z-]{2,12}\/\d{0,3})$/;
