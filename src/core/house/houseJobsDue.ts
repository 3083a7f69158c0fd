import { isInUse } from '../books/inUse.ts';
import { isOver, type FactKey } from '../batch/event.ts';
import { isoFromDay, type DayNumber } from '../calendar/dayNumber.ts';
import { milestoneOf, type MilestoneKey } from '../plan/schedule/chain.ts';
import type { BatchView, Season } from '../plan/season.ts';
import { openTime, timesBetween, type HouseJob, type HouseJobTime, type JobStage } from './houseJob.ts';
import { houseJobKey, type RoundLog } from './roundLine.ts';

/** A time of a job of the house, with the batch it is for. */
export interface HouseJobDue {
  readonly job: HouseJob;
  readonly key: string;
  readonly time: HouseJobTime;
  readonly batch: BatchView | null;
  readonly placeId: number | null;
}

/** Steps at which a stage begins, the first that there is. */
const BEGINS: Readonly<Record<JobStage, readonly (FactKey & MilestoneKey)[]>> = {
  sown: ['sow'],
  up: ['half-up', 'arrive'],
  potted: ['pot'],
  hardening: ['harden'],
  planted: ['plant'],
};
const ORDER: readonly JobStage[] = ['sown', 'up', 'potted', 'hardening', 'planted'];

/** The day a batch comes to a stage: as it was logged, else by the forecast; null: it does not, or nothing is known. */
function stageDay({ state, progress }: BatchView, stage: JobStage): DayNumber | null {
  for (const key of BEGINS[stage]) {
    const logged = state.facts[key];
    if (logged !== undefined) return logged;
    if (progress.forecast.kind !== 'chain') continue;
    const day = milestoneOf(progress.forecast, key)?.day;
    if (day !== undefined) return day;
  }
  return null;
}

/** First and last day of a job at a stage of a batch. */
function stageDays(view: BatchView, stage: JobStage): { readonly from: DayNumber; readonly to: DayNumber } | null {
  const from = stageDay(view, stage);
  if (from === null) return null;
  const next = ORDER.slice(ORDER.indexOf(stage) + 1).map((later) => stageDay(view, later));
  const to = next.find((day) => day !== null && day > from);
  return { from, to: to == null ? Infinity : to - 1 };
}

/** What a job is for: each batch with the days it may be asked for. */
function subjects(season: Season, job: HouseJob): { batch: BatchView | null; begins: DayNumber; ends: DayNumber }[] {
  if (job.cropId !== null)
    return season.batches.flatMap((batch) => {
      if (batch.batch.cropId !== job.cropId || batch.state.phase === 'ended') return [];
      // Once planted out nobody is asked for what was missed before.
      if (batch.state.phase === 'planted' && job.stage !== 'planted') return [];
      const days = stageDays(batch, job.stage!);
      return days === null ? [] : [{ batch, begins: Math.max(days.from, job.firstOn), ends: days.to }];
    });
  const all = { begins: job.firstOn, ends: Infinity };
  if (job.batchId === null) return [{ batch: null, ...all }];
  const batch = season.batches.find((view) => view.batch.id === job.batchId);
  return batch && !isOver(batch.state.phase) ? [{ batch, ...all }] : [];
}

const dueOf = (job: HouseJob, batch: BatchView | null, time: HouseJobTime): HouseJobDue => ({
  job,
  key: houseJobKey(job.id, batch?.batch.id ?? null, isoFromDay(time.on)),
  time,
  batch,
  placeId: job.placeId ?? batch?.state.placeId ?? null,
});

/** Jobs of the house that are to be done today: due, not done, not put off. */
export function houseJobsToday(season: Season, log: RoundLog): HouseJobDue[] {
  const { today } = season.now;
  return season.world.houseJobs.filter(isInUse).flatMap((job) =>
    subjects(season, job).flatMap(({ batch, begins, ends }) => {
      const keyOn = (on: DayNumber) => houseJobKey(job.id, batch?.batch.id ?? null, isoFromDay(on));
      if (begins > today || (ends < today && job.every_days !== null)) return [];
      const time = openTime(job, begins, Math.min(today, ends), (on) => log.done.has(keyOn(on)));
      if (!time || log.heldOn.get(keyOn(time.on)) === today) return [];
      return [dueOf(job, batch, time)];
    }),
  );
}

/** Jobs of the house that come between two days, both included, those done left out. */
export function houseJobsBetween(season: Season, log: RoundLog, from: DayNumber, to: DayNumber): HouseJobDue[] {
  return season.world.houseJobs.filter(isInUse).flatMap((job) =>
    subjects(season, job).flatMap(({ batch, begins, ends }) =>
      timesBetween(job, begins, from, Math.min(to, ends))
        .map((time) => dueOf(job, batch, time))
        .filter(({ key }) => !log.done.has(key)),
    ),
  );
}
