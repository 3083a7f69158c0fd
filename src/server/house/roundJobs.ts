import { isInUse } from '../../core/books/inUse.ts';
import { EVENT_WORDS, type EventKind } from '../../core/batch/event.ts';
import { effectiveEvents } from '../../core/batch/reduce.ts';
import { JOB_EVENT, type Job } from '../../core/batch/work.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { HALVES } from '../../core/house/houseJob.ts';
import { houseJobsBetween, houseJobsToday, type HouseJobDue } from '../../core/house/houseJobsDue.ts';
import {
  leavingBatchJob,
  leavingHeatLook,
  leavingHouseJob,
  leavingWeight,
  type LeavingPrice,
} from '../../core/house/leaving.ts';
import { jobPace, usualMinutes, type JobPace, type PacedWork } from '../../core/house/minutes.ts';
import {
  batchJobKey,
  heatLookKey,
  holdersOn,
  roundLog,
  type RoundLine,
  type RoundLog,
} from '../../core/house/roundLine.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { paceOf } from '../../core/potting/rates.ts';
import type { ZoneRecord } from '../../contracts/heat/heat.ts';
import type { RoundDone, RoundJob, RoundView } from '../../contracts/house/roundView.ts';
import { waterMinutes } from '../watering/waterOrders.ts';
import { leggyOf } from '../growth/leggy.ts';
import { timedOf } from '../potting/books.ts';
import { WORDS } from '../../words/en/house/roundJobs.ts';

const logs = new Derived<readonly RoundLine[], RoundLog>();
/** What the round's lines say, worked out once while they stand. */
export const roundLogOf = ({ world }: Season): RoundLog => logs.get(world.roundLines, () => roundLog(world.roundLines));

/** How many jobs today's round has, of batches and of the house, and how many of them are late. Looks at heated places are no jobs. */
export function roundCount(season: Season): { readonly jobs: number; readonly late: number } {
  const { today } = season.now;
  const own = houseJobsToday(season, roundLogOf(season));
  const ofBatches = season.batches.flatMap(({ round }) => round);
  return {
    jobs: ofBatches.length + own.length,
    late:
      ofBatches.filter((job) => job.kind !== 'look' && job.dueOn < today).length +
      own.filter(({ time }) => time.on < today).length,
  };
}

/** Minutes of a batch's job by one person, and what they rest on. */
export function jobMinutes(season: Season, view: BatchView, job: Job): { minutes: number; words: string } {
  const { world } = season;
  if (job.kind === 'pot') {
    const pace = paceOf(timedOf(world), view.batch.plan.potContainerId ?? -1, view.batch.cropId);
    const plants = job.count ?? view.plants.expected_count;
    const { setUp_min } = world.nursery.potting;
    const words = pace.all === 0 ? WORDS.pottingUsual(pace.perMinute) : WORDS.pottingTimed(pace.perMinute, pace.all);
    return { minutes: setUp_min + plants / pace.perMinute, words: WORDS.withSetUp(words, setUp_min) };
  }
  return pacedMinutes(season, job.kind, job.trays);
}

export function pacedMinutes(season: Season, work: PacedWork, trays: number): { minutes: number; words: string } {
  const pace = jobPace(timedLines(season), work);
  return { minutes: usualMinutes(work, trays) * pace.factor, words: paceWords(pace) };
}

const paceWords = ({ timed, factor }: JobPace): string =>
  timed === 0 ? WORDS.usualFigures : WORDS.timedHere(timed, factor);

const timedLines = (season: Season) =>
  roundLogOf(season).lines.flatMap(({ kind, work, trays, minutes }) =>
    kind === 'timed' ? [{ work: work!, trays: trays!, minutes: minutes! }] : [],
  );

/** What a batch's job of the round takes, costs when left, and who has it. */
export function aboutBatchJob(
  season: Season,
  view: BatchView,
  job: Job,
): Pick<RoundJob, 'key' | 'half' | 'minutes' | 'minutesWords' | 'leaving' | 'leavingWords' | 'weight' | 'holder'> {
  const key = batchJobKey(job.batchId, job.kind, job.kind === 'rung' ? job.count : null);
  const { expected_count } = view.plants;
  const price = leavingBatchJob(
    {
      job,
      plan: view.batch.plan,
      progress: view.progress,
      expected_count,
      leggy: leggyOf(season, view)?.leggy === true,
      decision: view.ladder?.decisions[0] ?? null,
    },
    season.now.today,
  );
  const { minutes, words } = jobMinutes(season, view, job);
  return {
    key,
    half: null,
    minutes,
    minutesWords: words,
    leaving: price,
    leavingWords: leavingWords(price),
    weight: leavingWeight(price, expected_count),
    holder: holdersOf(season).get(key) ?? null,
  };
}

const holdersOf = (season: Season) => holdersOn(roundLogOf(season), season.now.today);

/** "left until tomorrow: a day later, 4 plants at risk; less likely to be ready in time". */
export function leavingWords({ late_days, plants, cause }: LeavingPrice): string {
  if (cause === 'none') return WORDS.costsNothing;
  if (cause === 'said' || cause === 'check') return WORDS.causes[cause];
  const parts = [
    ...(late_days > 0 ? [WORDS.aDay] : []),
    ...(plants >= 0.5 ? [WORDS.plantsAtRisk(Math.round(plants))] : []),
  ];
  const costs = parts.length === 0 ? WORDS.costsLittle : WORDS.tomorrowCosts(parts.join(', '));
  return cause === 'late' ? costs : `${costs}; ${WORDS.causes[cause]}`;
}

/** The house's own jobs of today as the round shows them. */
export function ownJobs(season: Season): RoundJob[] {
  const { today } = season.now;
  return houseJobsToday(season, roundLogOf(season)).map((due) => ({
    ...blank,
    name: due.batch?.name ?? '',
    words: due.job.name,
    key: due.key,
    batchId: due.batch?.batch.id ?? null,
    code: due.batch?.batch.code ?? '',
    kind: 'own',
    tap: WORDS.done,
    dueOn: due.time.on,
    late_days: Math.max(0, today - due.time.on),
    why: WORDS.jobOfTheHouse(due.job.every_days),
    placeId: due.placeId,
    half: due.job.half,
    ...ownMinutes(season, due),
    ...priced(leavingHouseJob(due.job.canWait)),
    holder: holdersOf(season).get(due.key) ?? due.job.personId,
  }));
}

const priced = (leaving: LeavingPrice) => ({
  leaving,
  leavingWords: leavingWords(leaving),
  weight: leavingWeight(leaving, 0),
});

/** As the grower said, moved by the times it was timed. */
function ownMinutes(season: Season, { job }: HouseJobDue): Pick<RoundJob, 'minutes' | 'minutesWords'> {
  const timed = roundLogOf(season).lines.filter(
    ({ kind, jobKey }) => kind === 'timed' && jobKey.startsWith(`own/${job.id}/`),
  );
  if (timed.length === 0) return { minutes: job.minutes, minutesWords: WORDS.asSaid };
  const sorted = timed.map(({ minutes }) => minutes!).sort((a, b) => a - b);
  const median = (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
  return { minutes: median, minutesWords: WORDS.medianOf(timed.length) };
}

/** Looks at heated places, morning and evening, that nobody has done today. */
export function heatLooks(season: Season, zones: readonly ZoneRecord[]): RoundJob[] {
  const { now, world } = season;
  const log = roundLogOf(season);
  const { minutes, words } = pacedMinutes(season, 'heat-look', 0);
  return zones.flatMap((zone) => {
    const place = world.places.find(({ id }) => id === zone.placeId);
    if (!place || !isInUse(place)) return [];
    return HALVES.flatMap((half) => {
      const key = heatLookKey(zone.id, half, isoFromDay(now.today));
      if (log.done.has(key) || log.heldOn.get(key) === now.today) return [];
      return [
        {
          ...blank,
          key,
          name: place.name,
          kind: 'heat-look' as const,
          words: WORDS.lookAtTheHeat(half),
          tap: WORDS.allRight,
          dueOn: now.today,
          why: WORDS.readsRight,
          placeId: place.id,
          half,
          minutes,
          minutesWords: words,
          ...priced(leavingHeatLook()),
          holder: holdersOf(season).get(key) ?? null,
        },
      ];
    });
  });
}

const blank = {
  batchId: null,
  code: '',
  eventKind: null,
  cause: '',
  late_days: 0,
  trays: 0,
  count: null,
  max_count: null,
  countWord: '',
  whyDay: null,
  toPlace: null,
  expected_count: null,
  sown_count: null,
} as const;

const DONE_KINDS: ReadonlySet<EventKind> = new Set(Object.values(JOB_EVENT));

/** What was done today, by whom, in the order written. */
export function doneToday(season: Season): RoundDone[] {
  const { today } = season.now;
  const ofBatches = season.batches.flatMap((view) =>
    effectiveEvents(view.events)
      .filter(({ day, kind }) => day === today && DONE_KINDS.has(kind))
      .map((event) => ({
        at: event.id,
        key: `line ${event.id}`,
        words: WORDS.doneTo(EVENT_WORDS[event.kind], view.name, event.kind === 'counted' ? event.count : null),
        placeId: event.placeId ?? view.state.placeId,
        by: view.events.find(({ id }) => id === event.id)?.authorId ?? null,
      })),
  );
  const own = roundLogOf(season).lines.flatMap((line) => {
    if ((line.kind !== 'done' && line.kind !== 'note') || line.on !== today) return [];
    const [of, id] = line.jobKey.split('/');
    const job = of === 'own' ? season.world.houseJobs.find((one) => one.id === Number(id)) : null;
    return [
      {
        key: line.kind === 'note' ? `note ${line.id}` : line.jobKey,
        words:
          line.kind === 'note'
            ? line.note
            : job
              ? job.name
              : WORDS.lookAtTheHeat(line.jobKey.includes('/evening/') ? 'evening' : 'morning'),
        placeId: job?.placeId ?? null,
        by: line.authorId,
      },
    ];
  });
  return [...ofBatches.sort((a, b) => a.at - b.at).map(({ at: _at, ...done }) => done), ...own];
}

/** Jobs, trays and minutes of each of the coming days, from tomorrow. @param whole as of roundView */
export function daysAhead(season: Season, days: number, whole: Season): RoundView['ahead'] {
  const { today } = season.now;
  const own = houseJobsBetween(season, roundLogOf(season), today + 1, today + days);
  return Array.from({ length: days }, (_, i) => {
    const day = today + 1 + i;
    const due = season.batches.flatMap((view) =>
      view.work
        .filter((job) => job.dueOn === day)
        .map((job) => ({ job, minutes: jobMinutes(season, view, job).minutes })),
    );
    const ownDue = own.filter(({ time }) => time.on === day);
    const water_min = waterMinutes(whole, day, season.batches);
    return {
      day,
      jobs: due.length + ownDue.length,
      trays: due.reduce((sum, { job }) => sum + job.trays, 0),
      minutes: [...due, ...ownDue.map((one) => ownMinutes(season, one))].reduce(
        (sum, { minutes }) => sum + minutes,
        water_min,
      ),
      water_min,
    };
  });
}

/** Name a job is read by: with its crop where the house's own job is for a batch. */
export const jobTitle = (due: HouseJobDue): string => (due.batch ? `${due.job.name}: ${due.batch.name}` : due.job.name);
