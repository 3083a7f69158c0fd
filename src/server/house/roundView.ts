import { inUse } from '../../core/books/inUse.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { database } from '../database.ts';
import { bedOrders } from '../heat/bedOrders.ts';
import { readZones } from '../../db/heat/heat.ts';
import type { ZoneRecord } from '../../contracts/heat/heat.ts';
import type { HalfOfDay } from '../../core/house/houseJob.ts';
import { aboutBatchJob, daysAhead, doneToday, heatLooks, ownJobs } from './roundJobs.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { JOB_EVENT, JOB_WORDS, type Job, type JobKind } from '../../core/batch/work.ts';
import { boltRisks } from '../../core/growth/bolting.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import { boltDays } from '../../core/plan/schedule/warnings.ts';
import type { Leggy } from '../../core/growth/leggy.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { RoundJob, RoundPlace, RoundView } from '../../contracts/house/roundView.ts';
import { structuresToday } from '../hardening/structures.ts';
import { placeWater } from '../watering/placeWater.ts';
import { driesFaster, opensAtDusk } from '../watering/waterOrders.ts';
import { leggyOf } from '../growth/leggy.ts';
import { careOrders } from '../planting/aftercare.ts';
import { plantVerdict } from '../planting/view.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/house/roundView.ts';

/** Stands for the beds outside, which are no place of the house. */
const OUT_IN_THE_FIELD = -1;

/** What the round shows beside the season: orders of beds by place, and heated zones. */
export interface RoundBeside {
  readonly beds: ReadonlyMap<number, readonly string[]>;
  readonly zones: readonly ZoneRecord[];
}

export async function readBeside(season: Season): Promise<RoundBeside> {
  const db = database();
  const [beds, zones] = await Promise.all([bedOrders(db, season), readZones(db)]);
  return { beds, zones };
}

/**
 * Today's round in walking order. Work without a place comes last.
 * @param whole the season with all its batches, where only some are shown: water of one is worked out with the others
 */
export function roundView(season: Season, { beds, zones }: RoundBeside, whole: Season = season): RoundView {
  const { world, now, tables, batches } = season;
  const jobs = [
    ...batches.flatMap((view) => view.round.map((job) => roundJob(view, job, season))),
    ...ownJobs(season),
    ...heatLooks(season, zones),
  ];
  const structures = structuresToday(season);
  const worked = jobs.map((job) => job.placeId);
  const order = (half: HalfOfDay) => (words: string) => ({ half, words });
  const places: RoundPlace[] = inUse(world.places, ...worked).map((place) => ({
    id: place.id,
    name: place.name,
    door: place.door ?? '',
    level: place.level ?? 0,
    x_m: place.size ? place.size.x_m + place.size.width_m / 2 : null,
    y_m: place.size ? place.size.y_m + place.size.depth_m / 2 : null,
    ...temperatureOn(tables.climateOf(place.id), now.today),
    room_trays: place.room_trays,
    used_slots: batches
      .flatMap((view) => (view.state.phase === 'planned' ? [] : view.progress.stands))
      .filter((stand) => stand.placeId === place.id && stand.from <= now.today && stand.to > now.today)
      .reduce((sum, stand) => sum + stand.slots, 0),
    orders: [
      ...structures
        .filter((s) => s.cover.placeId === place.id)
        .flatMap((s) => [...[s.today].map(order('morning')), ...[s.tonight].map(order('evening'))])
        .filter(({ words }) => words !== ''),
      ...(beds.get(place.id) ?? []).map(order('morning')),
      ...(opensAtDusk(whole, place.id) ? [order('evening')(WORDS.openAtDusk)] : []),
    ],
    jobs: jobs.filter((job) => job.placeId === place.id),
    water: placeWater(whole, place.id, batches),
  }));
  const homeless = jobs.filter(
    (job) => job.placeId !== OUT_IN_THE_FIELD && !world.places.some((place) => place.id === job.placeId),
  );
  const apart = {
    door: '',
    level: 0,
    x_m: null,
    y_m: null,
    day_C: 0,
    night_C: 0,
    room_trays: 0,
    used_slots: 0,
    water: null,
  };
  const nowhere = {
    ...apart,
    id: 0,
    name: homeless.every(({ kind }) => kind === 'own') ? WORDS.aboutTheHouse : WORDS.noPlaceChosen,
    orders: [],
    jobs: homeless,
  };
  const out = {
    ...apart,
    id: OUT_IN_THE_FIELD,
    name: WORDS.plantedOut,
    orders: careOrders(season).map(order('morning')),
    jobs: jobs.filter((job) => job.placeId === OUT_IN_THE_FIELD),
  };
  return {
    today: now.today,
    minute: now.minute,
    unit: world.nursery.temperatureUnit,
    places: [...places, out, ...(homeless.length > 0 ? [nowhere] : [])],
    done: doneToday(season),
    people: inUse(world.people).map(({ id, name, initials, mark }) => ({ id, name, initials, mark })),
    ahead: daysAhead(season, 7, whole),
  };
}

function roundJob(view: BatchView, job: Job, season: Season): RoundJob {
  const { today } = season.now;
  const sown = view.state.sown_count;
  return {
    ...aboutBatchJob(season, view, job),
    batchId: job.batchId,
    code: view.batch.code,
    name: view.name,
    kind: job.kind,
    words: job.kind === 'rung' ? WORDS.stepOfHardening(job.count) : JOB_WORDS[job.kind],
    eventKind: job.logs?.kind ?? JOB_EVENT[job.kind],
    cause: job.logs?.cause ?? '',
    tap: job.logs?.kind === 'held' ? WORDS.keptBack : TAP[job.kind],
    dueOn: job.dueOn,
    late_days: job.kind === 'look' ? 0 : Math.max(0, today - job.dueOn),
    trays: job.trays,
    count: job.count,
    max_count: job.max_count,
    countWord: job.countWord,
    why: whyOf(job, view, season),
    whyDay: job.whyDay,
    toPlace: job.toPlaceId === null ? null : (season.world.places.find((p) => p.id === job.toPlaceId)?.name ?? null),
    placeId: job.kind === 'stood' ? OUT_IN_THE_FIELD : job.placeId,
    expected_count: sown === null ? null : view.plants.expected_count,
    sown_count: sown,
  };
}

/** Word of the button that logs a job as it stands. */
const TAP: Readonly<Record<JobKind, string>> = {
  treat: WORDS.done,
  sow: WORDS.sown,
  arrive: WORDS.come,
  look: WORDS.count,
  'off-heat': WORDS.moved,
  pot: WORDS.potted,
  water: WORDS.watered,
  space: WORDS.spaced,
  harden: WORDS.out,
  rung: WORDS.done,
  plant: WORDS.planted,
  stood: WORDS.well,
};

/** The reason of a job, with what only the whole season knows. */
function whyOf(job: Job, view: BatchView, season: Season): string {
  if (job.kind === 'off-heat') return job.why + leggyWords(leggyOf(season, view));
  if (job.kind === 'rung') return job.why + driesWords(season, view);
  if (job.kind === 'pot' || job.kind === 'space' || job.kind === 'harden') return job.why + boltWords(view, season);
  if (job.kind !== 'plant' || !season.site) return job.why;
  const { verdict, by } = plantVerdict(season, season.site, view);
  const word = { plant: WORDS.theGatesAreOpen, wait: WORDS.wait, not: WORDS.notToday }[verdict];
  return WORDS.wanted(view.batch.plan.plantsWanted, word, by);
}

/** From so many times as fast on it is said that trays outside dry faster. */
const FASTER = 1.3;

/** Added to a step of hardening: outside the trays dry faster than where they stand. */
function driesWords(season: Season, view: BatchView): string {
  const faster = driesFaster(season, view.batch.id);
  return faster === null || faster < FASTER ? '' : WORDS.driesFaster(Math.round(10 * faster) / 10);
}

/** Added to a job of a batch that is likely to run to flower. */
function boltWords(view: BatchView, season: Season): string {
  const { tables, world } = season;
  const { forecast } = view.progress;
  const crop = cropOf(season, view.batch);
  if (forecast.kind !== 'chain') return '';
  const risks = boltRisks(crop, boltDays(forecast, view.batch.plan, tables), world.nursery.latitude_deg);
  const likely = risks.find((risk) => risk.level === 'likely');
  if (!likely) return '';
  const unit = world.nursery.temperatureUnit;
  const line = (likely.cause === 'cold' ? WORDS.under : WORDS.over)(degreesWords(likely.line, unit));
  return WORDS.likelyToRunToFlower(likely.figure, line, likely.of);
}

/** Added to "off the heat" when seedlings have stood there too long for their light. */
export function leggyWords(leggy: Leggy | null): string {
  if (!leggy?.leggy) return '';
  const light = leggy.light_mol_m2 < 0.5 ? WORDS.withoutLight : WORDS.withLittleLightForThe;
  return WORDS.upDaysOnTheHeat(leggy.days, light);
}

/** The round for the API: ISO days. */
export async function roundAnswer(season: Season, whole: Season) {
  const view = roundView(season, await readBeside(season), whole);
  return { ...view, todayIso: isoFromDay(view.today) };
}
