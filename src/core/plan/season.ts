import { Derived, Numbered, Remembered } from '../numerics/remembered.ts';
import { cropAs } from '../books/varietyFigures.ts';
import { plainCropOf } from '../books/cropOf.ts';
import { isOver } from '../batch/event.ts';
import { countsOf, looksOf, progressThrough } from '../batch/looks.ts';
import { plantsOf, type Plants } from '../batch/plants.ts';
import { batchProgress, type Progress, type WeatherOut } from '../batch/progress.ts';
import { reduceLog, UNSOWN, type BatchState } from '../batch/reduce.ts';
import { afterLooks, beliefOf, stillComing_frac } from '../germination/belief.ts';
import { USUAL_UP_frac } from '../germination/usual.ts';
import type { Container } from '../books/container.ts';
import type { BatchOdds } from '../planting/odds.ts';
import { roundOf, workOf, type Job } from '../batch/work.ts';
import { climateStart } from './schedule/placeClimate.ts';
import { seasonTables, type MeasuredPlaces, type SeasonTables, type TablesBy } from './schedule/seasonTables.ts';
import type { BatchRecord, EventRecord } from '../batch/record.ts';
import type { CropRecord, LotRecord, VarietyRecord } from '../books/records.ts';

import { type World } from '../house/world.ts';

import { milestoneOf, withKeptDays, type ChainResult } from './schedule/chain.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import { ladderOf, type Ladder } from '../hardening/ladderOfBatch.ts';
import { knownOutside } from '../weather/knownOutside.ts';
import { booksOf } from '../books/booksOf.ts';
import { type Site } from '../weather/site.ts';

import { type Now } from '../calendar/localDay.ts';

import { grownBy, growthFor, type BatchGrown } from '../growth/grown.ts';
import {
  cropsToPlanBy,
  emergenceFactor,
  expectedShare,
  learnedFor,
  taughtBy,
  varietiesToPlanBy,
  type BatchTaught,
} from '../germination/learned.ts';

import { oddsNow } from '../planting/oddsOfBatch.ts';
import { WORDS } from '../../words/en/plan/seasonCore.ts';

/** Days the tables cover from 1 January of last year: to the end of the year after next. */
export const TABLE_DAYS = 4 * 366;

/** Days after which a batch that is over has nothing left that is asked or due. */
const OVER_days = 60;

/** A batch with all that follows from its log and its plan. */
export interface BatchView {
  readonly batch: BatchRecord;
  readonly name: string;
  readonly cropName: string;
  readonly varietyName: string;
  readonly events: readonly EventRecord[];
  readonly state: BatchState;
  readonly progress: Progress;
  /** Work for today's round. */
  readonly round: readonly Job[];
  /** All work still to come. */
  readonly work: readonly Job[];
  /** Its ladder while it hardens, and from ten days before. */
  readonly ladder: Ladder | null;
  /** The one account of its plants. */
  readonly plants: Plants;
  /** Chance that a seed not yet seen still comes up. */
  readonly coming_frac: number;
  /** Odds of its ladder and gates over many springs, and what of them the day out goes by; null: too far ahead. */
  readonly odds: BatchOdds | null;
  readonly weather: WeatherOut | null;
  /** Why it cannot be worked out; null: it can. */
  readonly fault: string | null;
}

/** The whole season as it stands at the application's now. */
export interface Season {
  readonly world: World;
  readonly now: Now;
  readonly tables: SeasonTables;
  /** Tables by the library's own times to come up and what the medium is measured to have had; what the house learns is measured with these. */
  readonly plainTables: SeasonTables;
  /** What the media of heated places had. */
  readonly measured: MeasuredPlaces;
  /** What each counted batch has taught. */
  readonly taught: readonly BatchTaught[];
  /** Varieties with their own figures as plans go by them. */
  readonly varieties: readonly VarietyRecord[];
  /** What batches showed of growth. */
  readonly grown: readonly BatchGrown[];
  /** Crops as plans go by: with the house's own times when it learns. */
  readonly crops: readonly CropRecord[];
  readonly batches: readonly BatchView[];
  /** The site's weather; null where a season is worked out without it. */
  readonly site: Site | null;
}

const NOTHING_MEASURED: MeasuredPlaces = new Map();

/**
 * Works the season out from what is written. Pure but for its arguments. A batch is taken over from the season before
 * when neither it, its log, the books, what is learned of its crop nor the day have changed.
 */
export function workOut(
  world: World,
  now: Now,
  before: Season | null = null,
  measured: MeasuredPlaces = NOTHING_MEASURED,
  site: Site | null = null,
): Season {
  const sameDay = before?.now.today === now.today;
  const same = before !== null && sameDay && booksOf(before.world) === booksOf(world);
  const sameSite = same && before.site === site;
  const from = climateStart(now.today);
  const by = () => tablesBy({ world, site }, from);
  const tables = sameSite ? before.tables : seasonTables(world.places, from, TABLE_DAYS, by());
  const plainTables =
    sameSite && before.measured === measured
      ? before.plainTables
      : seasonTables(world.places, from, TABLE_DAYS, { ...by(), measured });
  const tablesOf = tablesOfTime(world, site, measured, plainTables);
  const taught = taughtBy(world, tablesOf);
  const grown = grownBy(world, tablesOf);
  const learned = cropsToPlanBy(world, taught, same ? before.crops : null);
  const unlike = new Set(same ? learned.filter((crop, i) => crop !== before.crops[i]).map((crop) => crop.id) : []);
  // Another day changes nothing of what was over long before.
  const sameBooks = before !== null && booksOf(before.world) === booksOf(world);
  const known = new Map(sameBooks ? before.batches.map((view) => [view.batch.id, view]) : []);
  const longOver = ({ state, round, work }: BatchView): boolean =>
    isOver(state.phase) &&
    round.length === 0 &&
    work.length === 0 &&
    (state.lastDay ?? now.today) < now.today - OVER_days;
  const crops = new Map(learned.map((crop) => [crop.id, crop]));
  const planned = varietiesToPlanBy(world, learned);
  const varieties = new Map(planned.map((variety) => [variety.id, variety]));
  const containers = new Map(world.containers.map((container) => [container.id, container]));
  const factors = new Map<string, number>();
  const factorOf = ({ cropId, varietyId, lotId }: BatchRecord): number => {
    const key = `${cropId} ${varietyId} ${lotId}`;
    const factor = factors.get(key) ?? emergenceFactor(world, taught, { cropId, varietyId, lotId });
    factors.set(key, factor);
    return factor;
  };
  const lots = new Map(world.lots.map((lot) => [lot.id, lot]));
  const growths = new Map<string, number>();
  const growthOf = ({ cropId, varietyId, plan }: BatchRecord): number => {
    if (!world.nursery.learning) return 1;
    const placeId = plan.places.grow;
    const key = `${cropId} ${varietyId} ${placeId}`;
    const factor = growths.get(key) ?? growthFor(grown, { cropId, varietyId, placeId }).factor;
    growths.set(key, factor);
    return factor;
  };
  const rest = { world, now, tables, plainTables, measured, taught, grown, crops: learned, varieties: planned, site };
  const batches = world.batches.map((written): BatchView => {
    const events = world.events.get(written.id) ?? NO_EVENTS;
    const last = known.get(written.id);
    const emergence_factor = factorOf(written);
    const growth_factor = growthOf(written);
    const asRead =
      last !== undefined &&
      last.batch.version === written.version &&
      !unlike.has(written.cropId) &&
      (last.batch.plan.emergence_factor ?? 1) === emergence_factor &&
      (last.batch.plan.growth_factor ?? 1) === growth_factor;
    if (asRead && last.events === events && (sameDay ? sameSite || isOver(last.state.phase) : longOver(last)))
      return last;
    const alike = emergence_factor === 1 && growth_factor === 1;
    const batch = alike ? written : { ...written, plan: { ...written.plan, emergence_factor, growth_factor } };
    const crop = cropAs(crops.get(batch.cropId)!, varieties.get(batch.varietyId ?? 0)?.figures);
    const varietyName = batch.varietyId === null ? '' : (varieties.get(batch.varietyId)?.name ?? '');
    const lot = batch.lotId === null ? null : (lots.get(batch.lotId) ?? null);
    const named = {
      batch,
      events,
      name: batchName(crop.name, varietyName, batch.letter),
      cropName: crop.name,
      varietyName,
    };
    // What is wrong with one batch is said on its own line and takes nothing else along.
    try {
      const planned = asRead ? last.progress.planned : null;
      return batchView(rest, { ...named, crop, lot, containers, planned });
    } catch (error) {
      return faulty(named, error instanceof Error ? error.message : String(error));
    }
  });
  return { ...rest, batches };
}

/** Tables of the time a batch was raised in: the season's own, or for one raised before they begin those of its year. */
function tablesOfTime(
  world: World,
  site: Site | null,
  measured: MeasuredPlaces,
  plainTables: SeasonTables,
): (day: DayNumber | null) => SeasonTables {
  const earlier = new Map<number, SeasonTables>();
  return (day) => {
    if (day === null || day >= plainTables.from) return plainTables;
    const from = climateStart(day + 366);
    let tables = earlier.get(from);
    if (!tables)
      earlier.set(
        from,
        (tables = seasonTables(world.places, from, 2 * 366, { ...tablesBy({ world, site }, from), measured })),
      );
    return tables;
  };
}

type Named = Pick<BatchView, 'batch' | 'events' | 'name' | 'cropName' | 'varietyName'>;

/** One batch with all that follows from its log, its plan and the weather. */
function batchView(
  rest: Omit<Season, 'batches'>,
  {
    crop,
    lot,
    containers,
    planned,
    ...named
  }: Named & {
    /** Its chain as planned, where that is known and its plan and the books have not changed. */
    readonly planned: ChainResult | null;
    readonly crop: CropRecord;
    readonly lot: LotRecord | null;
    readonly containers: ReadonlyMap<number, Container>;
  },
): BatchView {
  const { world, now, tables, site } = rest;
  const { batch, events } = named;
  const { plan } = batch;
  const { offHeat, potting } = world.nursery;
  const share = expectedShare(lot);
  const { state } = states.get(events, () => reduceLog(events, share), [share]);
  const coming_frac = comingOf(rest, batch, events, state, lot);
  // What was planned for a batch that is sown is not planned anew each day.
  const begun = state.facts.sow !== undefined || state.facts.arrive !== undefined;
  const asPlanned = begun && planned ? { planned } : {};
  const input = { crop, plan, state, offHeat, tables, containers, today: now.today, coming_frac, ...asPlanned };
  const plain = batchProgress(input);
  const startsOn = plain.forecast.kind === 'chain' ? (milestoneOf(plain.forecast, 'harden')?.day ?? null) : null;
  const ladder = site ? ladderOf({ plan, crop, state, world, site, tables, startsOn }) : null;
  const odds = oddsNow({ ...rest, batches: [] }, { batch, state, ladder, progress: plain });
  const weather = odds && { ...odds.out, inTime_frac: odds.inTime_frac };
  const reckoned = weather === null ? plain : batchProgress({ ...input, weather, plain });
  const progress = { ...reckoned, planned: withKeptDays(reckoned.planned, batch.planned) };
  const work = {
    batchId: batch.id,
    plan,
    state,
    progress,
    containers,
    potting,
    crop,
    ...(ladder ? { ladder } : {}),
  };
  return {
    ...named,
    state,
    progress,
    plants: progress.plants,
    coming_frac,
    weather,
    odds,
    fault: null,
    round: roundOf(work, now.today),
    work: workOf(work),
    ladder,
  };
}

/** What the nursery's tables are worked out from, beside places and days. */
export function tablesBy({ world, site }: Pick<Season, 'world' | 'site'>, from: number): TablesBy {
  return {
    normals: world.nursery.outside,
    sky: { latitude_deg: world.nursery.latitude_deg },
    known: new Map(knownOutside(site, from).map(([day, day_C, night_C]) => [day, { day_C, night_C }])),
  };
}

/** A batch of which nothing can be said but what it is and what is wrong. */
function faulty(named: Named, why: string): BatchView {
  const forecast = {
    kind: 'unreachable',
    stage: 'grow',
    placeId: null,
    reason: WORDS.itCannotBeWorkedOut(why),
  } as const;
  const plants = plantsOf(UNSOWN, { plantsWanted: 1, spare_frac: 0 });
  const progress: Progress = {
    planned: forecast,
    forecast,
    late_days: null,
    early_days: 0,
    stands: [],
    out: null,
    plants,
  };
  const nothing = { round: [], work: [], ladder: null, odds: null, weather: null, coming_frac: USUAL_UP_frac };
  return { ...named, state: UNSOWN, progress, plants, fault: why, ...nothing };
}

/** Chance that a seed of a batch not yet seen still comes up, by its counts and what is thought of its lot. */
function comingOf(
  { world, plainTables, taught }: Omit<Season, 'batches'>,
  batch: BatchRecord,
  events: readonly EventRecord[],
  state: BatchState,
  lot: LotRecord | null,
): number {
  const open =
    state.phase === 'planned' || state.phase === 'sown' || state.phase === 'emerged' || state.phase === 'growing';
  if (!open || state.moves.length > 0) return 0;
  const { prior } = learnedFor(world.nursery.learning ? taught : [], batch, lot, batch.id);
  const sown = countsOf(events);
  if (!sown || sown.counts.length === 0)
    return comings.get(String(priorNumbers.of(prior)), () => stillComing_frac(beliefOf(prior), null));
  const plain = plainCropOf(world, batch);
  const looks = looksOf(sown, progressThrough(plain, plainTables, sown.sownOn, state.stays, batch.plan, null));
  // Days gone by since the last look in which nothing more was logged say nothing: nobody looked.
  const key = [priorNumbers.of(prior), sown.sown, ...looks.flatMap((look) => [look.progress, look.up])].join(' ');
  return comings.get(key, () => stillComing_frac(afterLooks(beliefOf(prior), looks, sown.sown), looks.at(-1) ?? null));
}

/** What a log says of its batch, while it stands. */
const states = new Derived<readonly EventRecord[], ReturnType<typeof reduceLog>>();
const priorNumbers = new Numbered();
const comings = new Remembered<number>(5_000);

const NO_EVENTS: readonly EventRecord[] = [];
/** How a batch is called: crop, variety, letter. */
export function batchName(crop: string, variety: string, letter: string): string {
  const capital = crop.charAt(0).toUpperCase() + crop.slice(1);
  return [capital, variety, letter].filter(Boolean).join(' ');
}
