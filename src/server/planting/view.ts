import { inUse } from '../../core/books/inUse.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { COMMON_PRACTICE, type Explanation } from '../../core/explanation.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import { areaWords, differenceWords, lengthWords, windWords } from '../../core/units/words.ts';
import { gatesOf, GATE_WORDS, verdictOf, type Gate, type GateInput } from '../../core/planting/gates.ts';
import { oddsOf, type BatchOdds } from '../../core/planting/odds.ts';
import { coolerFrom, HEAT_days, heatLines, tooHot } from '../../core/planting/heat.ts';
import { OUT_HARM_C } from '../../core/planting/outDates.ts';
import { ground_m2, spacingOf } from '../../core/planting/spacing.ts';
import { STOOD_AFTER_days } from '../../core/batch/work.ts';
import type { Crop } from '../../core/books/crop.ts';
import type {
  OutFromBy,
  DateOffer,
  GateView,
  PlantedLine,
  PlantLine,
  PlantView,
  UnlikelyDate,
} from '../../contracts/hardening/hardenViews.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { traysOf } from '../hardening/view.ts';
import { rulesOf } from '../../core/hardening/ladderOfBatch.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { soilOn, type Site } from '../../core/weather/site.ts';
import { forecastView } from '../weather/siteViews.ts';
import { careWords, PLANTED_days, standingOut } from './aftercare.ts';
import { batchOdds, isUnlikely, meanCover, oddsTask, safeCover_K, springsOf } from '../../core/planting/oddsOfBatch.ts';
import { outFrom } from '../../core/planting/outFrom.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { WORDS } from '../../words/en/planting/view.ts';

/** Batches that go out within so many days are looked at. */
const AHEAD_days = 35;
const PAST_NIGHTS = 14;

/** Everything the Plant out screen shows. */
export async function plantView(season: Season): Promise<PlantView> {
  const { world, now, site, batches } = season;
  const going = batches.filter((view) => isGoing(view) && dueOut(view) <= now.today + AHEAD_days);
  const lines = site ? going.map((view) => plantLine(season, site, view)) : [];
  return {
    today: now.today,
    unit: world.nursery.temperatureUnit,
    lengthUnit: world.nursery.lengthUnit,
    forecast: await forecastView(season),
    soil_C: site ? soilOn(site, now.today) : null,
    soilReadOn: site?.soil?.readOn ?? null,
    lines: lines.sort((a, b) => a.transplantOn - b.transplantOn || a.batchId - b.batchId),
    planted: plantedLines(season),
    covers: inUse(world.covers)
      .filter((c) => c.structure === null)
      .map(({ id, name, layers, toHand_m2, soil_K }) => ({
        id,
        name,
        layers,
        toHand_m2,
        soil_K,
        warm_K: site ? meanCover(site, season, id).warm_K : 0,
        safe_K: site ? safeCover_K(site, season, id) : 0,
        free_m2: freeCover_m2(season, id),
      })),
  };
}

const isGoing = (view: BatchView): boolean =>
  view.progress.forecast.kind === 'chain' &&
  (view.state.phase === 'growing' || view.state.phase === 'potted' || view.state.phase === 'hardening');

function dueOut(view: BatchView): number {
  return Math.min(view.progress.out?.plants_on ?? Infinity, view.batch.plan.transplantOn);
}

/** Cover not lying over what was planted in the last six weeks. */
function freeCover_m2(season: Season, coverId: number): number {
  const all = season.world.covers.find((c) => c.id === coverId)?.toHand_m2 ?? 0;
  const used = season.batches.reduce((sum, { state }) => {
    const { planting, facts, planted_count, covered } = state;
    if (
      planting?.coverId !== coverId ||
      covered === false ||
      facts.plant === undefined ||
      facts.plant < season.now.today - PLANTED_days
    )
      return sum;
    return sum + ground_m2(planted_count ?? 0, planting);
  }, 0);
  return Math.max(0, all - used);
}

/** What the gates of a batch go by. */
export function gateInput(season: Season, site: Site, view: BatchView): GateInput {
  const { world, now, tables } = season;
  const { plan } = view.batch;
  const crop = cropOf(season, view.batch);
  const cover = world.covers.find((c) => c.id === plan.coverId) ?? null;
  const plants = Math.min(plan.plantsWanted, view.plants.expected_count);
  const spacing = spacingOf(crop, world.nursery.planting.spacing);
  const rungs = view.ladder?.rungs ?? rulesOf({ plan, crop, world, site, tables }).rungs;
  const past = (n: number) => Array.from({ length: n }, (_, i) => now.today - n + 1 + i);
  return {
    today: now.today,
    outFrom: outFrom(site, world, crop, cover, plan.transplantOn).day,
    soil_C: past(world.nursery.planting.rules.soil_days).map((day) => soilOn(site, day)),
    soilMin_C: crop.plantSoilMin_C - meanCover(site, season, plan.coverId).soil_K,
    heat: heatLines(crop),
    nights_C: past(PAST_NIGHTS).map((day) => site.least.get(day)?.value ?? null),
    nightMin_C: crop.plantNightMin_C,
    forecast: site.forecast?.days ?? [],
    scores: site.scores,
    harm_C: OUT_HARM_C[crop.hardiness],
    cover_K: safeCover_K(site, season, plan.coverId),
    warm_K: meanCover(site, season, plan.coverId).warm_K,
    cover: cover ? { needs_m2: ground_m2(plants, spacing), toHand_m2: freeCover_m2(season, cover.id) } : null,
    rung: view.ladder?.at.rung ?? 0,
    rungs: rungs.length,
    hardened: view.ladder?.hardened ?? false,
  };
}

/** What the gates of a batch say today, with what decides in words. */
export function plantVerdict(season: Season, site: Site, view: BatchView) {
  const { planting } = season.world.nursery;
  const input = gateInput(season, site, view);
  const gates = gatesOf(input, { ...planting.modes, ...view.batch.plan.gates }, planting.rules);
  const { verdict, by } = verdictOf(gates);
  return { input, gates, verdict, by: by ? gateWords(by, season, input) : WORDS.everyGatePasses };
}

function plantLine(season: Season, site: Site, view: BatchView): PlantLine {
  const { world, now } = season;
  const { plan } = view.batch;
  const { planting } = world.nursery;
  const crop = cropOf(season, view.batch);
  const { input, gates, verdict, by } = plantVerdict(season, site, view);
  const odds = batchOdds(season, view);
  const unlikely = isUnlikely(season, view);
  const forecast = view.progress.forecast;
  const chain = forecast.kind === 'chain' ? forecast : null;
  const overAge = chain?.overAge_t ?? null;
  const spacing = spacingOf(crop, planting.spacing);
  const plants = view.plants.expected_count;
  const stand = view.progress.stands.find((s) => s.from <= now.today && s.to > now.today);
  const cover = world.covers.find((c) => c.id === plan.coverId);
  return {
    batchId: view.batch.id,
    version: view.batch.version,
    code: view.batch.code,
    name: view.name,
    cropName: crop.name,
    plants,
    trays: traysOf(view, now.today),
    transplantOn: plan.transplantOn,
    expectedOn: view.progress.out?.on ?? null,
    verdict,
    by,
    gates: gates.map((gate) => gateView(gate, season, input, odds)),
    out: odds?.out ?? null,
    inTime_frac: odds?.inTime_frac ?? null,
    frost_frac: odds?.frost_frac ?? null,
    unlikely,
    coverId: plan.coverId ?? null,
    coverName: cover?.name ?? WORDS.noCover,
    spacing,
    ground_m2: ground_m2(plants, spacing),
    overAgeOn: overAge === null ? null : Math.floor(overAge),
    slots: stand?.slots ?? 0,
    placeName: world.places.find((p) => p.id === stand?.placeId)?.name ?? '',
    placeOverOn: stand ? overRoomOn(season, stand.placeId) : null,
    offers: unlikely ? offersFor(season, site, view) : [],
    outFromBy: outFromBy(season, site, crop, plan.transplantOn),
  };
}

/** First day out of a crop in the open and under each cover, at the risk taken. */
export function outFromBy(season: Season, site: Site, crop: Crop, near: number): OutFromBy[] {
  const { world } = season;
  const open = outFrom(site, world, crop, null, near);
  const covers = inUse(world.covers).filter((c) => c.structure === null);
  return [
    { coverId: null, name: WORDS.inTheOpen, ...open, sooner_days: null },
    ...covers.map((cover) => {
      const { day, by, fromStart } = outFrom(site, world, crop, cover, near);
      const sooner_days = day === null || open.day === null ? null : open.day - day;
      return { coverId: cover.id, name: cover.name, day, by, fromStart, sooner_days };
    }),
  ];
}

/** First of the coming three weeks on which a place holds more than its room; null: none. */
function overRoomOn(season: Season, placeId: number): number | null {
  const place = season.world.places.find((p) => p.id === placeId);
  if (!place) return null;
  for (let day = season.now.today + 1; day <= season.now.today + 21; day++) {
    let slots = 0;
    for (const { progress } of season.batches)
      for (const s of progress.stands) if (s.placeId === placeId && s.from <= day && s.to > day) slots += s.slots;
    if (slots > place.room_trays) return day;
  }
  return null;
}

/** Ways out for a batch whose date has become unlikely, each with its odds: a later date, covers there are. */
export function offersFor(season: Season, site: Site, view: BatchView): DateOffer[] {
  return offersHeld.get(view, () => newOffers(season, site, view), [site]);
}

const offersHeld = new Derived<BatchView, DateOffer[]>();

function newOffers(season: Season, site: Site, view: BatchView): DateOffer[] {
  const springs = springsOf(site);
  const odds = batchOdds(season, view);
  if (!springs || !odds) return [];
  const { plan } = view.batch;
  const offers: DateOffer[] = [];
  const later = odds.out.p50 ?? odds.out.p90;
  const say = (frac: number) => `${Math.round(100 * frac)}%`;
  if (later !== null && later > plan.transplantOn) {
    const task = oddsTask(season, view, { ...plan, transplantOn: later })!;
    const { inTime_frac } = oddsOf(task, springs);
    if (inTime_frac > odds.inTime_frac)
      offers.push({
        words: WORDS.planItForReadyAnd(shortDay(later), say(inTime_frac)),
        inTime_frac,
        transplantOn: later,
        coverId: plan.coverId ?? null,
      });
  }
  const now = season.world.covers.find((c) => c.id === plan.coverId);
  for (const cover of season.world.covers) {
    if (cover.structure !== null || cover.id === plan.coverId || cover.layers < (now?.layers ?? 0)) continue;
    const { inTime_frac } = oddsOf(oddsTask(season, view, { ...plan, coverId: cover.id })!, springs);
    if (inTime_frac > odds.inTime_frac + 0.05)
      offers.push({
        words: WORDS.putOverItInTime(cover.name.toLowerCase(), say(inTime_frac)),
        inTime_frac,
        transplantOn: null,
        coverId: cover.id,
      });
  }
  return offers.sort((a, b) => b.inTime_frac - a.inTime_frac).slice(0, 3);
}

/** Batches whose date has become unlikely, the soonest first. */
export function unlikelyDates(season: Season): UnlikelyDate[] {
  const { site } = season;
  if (!site) return [];
  return season.batches
    .filter((view) => isUnlikely(season, view))
    .map((view) => {
      const { batch, name } = view;
      const odds = batchOdds(season, view)!;
      return {
        batchId: batch.id,
        version: batch.version,
        name,
        transplantOn: batch.plan.transplantOn,
        inTime_frac: odds.inTime_frac,
        waits: odds.out.p50 === null ? WORDS.notLikelyThisSpring : WORDS.likelyOut(shortDay(odds.out.p50)),
        offers: offersFor(season, site, view),
      };
    })
    .sort((a, b) => a.transplantOn - b.transplantOn);
}

function plantedLines(season: Season): PlantedLine[] {
  const { world } = season;
  return standingOut(season)
    .map(({ view, plantedOn: on }): PlantedLine => {
      const { batch, name, state } = view;
      const { planting, stood } = state;
      const cover = world.covers.find((c) => c.id === planting?.coverId);
      return {
        batchId: batch.id,
        code: batch.code,
        name,
        plantedOn: on,
        count: state.planted_count,
        coverName: planting ? (cover?.name ?? WORDS.noCover) : '',
        covered: cover ? state.covered !== false : null,
        care: careWords(season, view, on),
        bed: planting?.bed ?? '',
        stood: stood?.stood ?? null,
        stoodCount: stood?.count ?? null,
        stoodOn: stood?.day ?? null,
        askOn: on + STOOD_AFTER_days,
      };
    })
    .sort((a, b) => b.plantedOn - a.plantedOn);
}

const percent = (frac: number): string => `${Math.round(100 * frac)}%`;

/** A gate's figure, short, as large numerals show it. */
function gateFigure({ key, figure, wants }: Gate, season: Season, input: GateInput): string {
  const unit = season.world.nursery.temperatureUnit;
  if (figure === null) return '?';
  switch (key) {
    case 'calendar':
      return figure <= 0 ? 'open' : `${figure} d`;
    case 'soil':
      return degreesWords(figure, unit);
    case 'nights':
    case 'hardened':
      return `${figure}/${wants}`;
    case 'forecast':
      return percent(figure);
    case 'storm':
      return windWords(figure, unit);
    case 'heat':
      return tooHot(input.forecast, input.soil_C.at(-1) ?? null, input.heat)?.cause === 'dry-wind'
        ? windWords(figure, unit)
        : degreesWords(figure, unit);
    default:
      return wants === 0 ? 'none' : areaWords(figure, season.world.nursery.lengthUnit);
  }
}

/** A gate in a line. */
export function gateWords(gate: Gate, season: Season, input: GateInput): string {
  const { key, figure, wants, day, state } = gate;
  const unit = season.world.nursery.temperatureUnit;
  const t = (value: number) => degreesWords(value, unit);
  const on = day === null ? '' : shortDay(day);
  const depth = lengthWords(100, season.world.nursery.lengthUnit);
  switch (key) {
    case 'calendar':
      if (day === null) return WORDS.neverRareEnoughInThis;
      return state === 'pass' ? WORDS.frostIsRareEnoughSince(on) : WORDS.frostIsRareEnoughFrom(on);
    case 'soil':
      if (figure === null) return WORDS.soilIsNotKnownTake(depth);
      return WORDS.soilAtWantsForDays(t(figure), depth, t(wants!), season.world.nursery.planting.rules.soil_days);
    case 'nights':
      if (figure === null) return WORDS.noNightIsKnownRead;
      return WORDS.ofNightsRunningAtOr(figure, wants, t(input.nightMin_C - input.warm_K));
    case 'forecast':
      if (figure === null) return WORDS.noForecastTypeOneOr;
      return WORDS.oddsOfOrLessBears(
        percent(figure),
        t(input.harm_C - input.cover_K),
        figure > 0.005 ? WORDS.inTheNightAfter(on) : '',
        percent(wants!),
      );
    case 'storm':
      if (figure === null) return WORDS.noWindIsForetoldLook;
      return WORDS.gustsToOnBears(windWords(figure, unit), on, windWords(wants!, unit));
    case 'heat':
      return heatWords(input, season);
    case 'hardened':
      return state === 'pass' ? WORDS.itsLadderIsDone : WORDS.onStepOf(figure, wants);
    default:
      if (input.cover === null) return WORDS.goesOutWithoutCover;
      return WORDS.ofCoverWantedFree(
        areaWords(wants!, season.world.nursery.lengthUnit),
        areaWords(figure!, season.world.nursery.lengthUnit),
      );
  }
}

/** Heat and drought in the coming days, with the way out. */
function heatWords({ forecast, soil_C, heat, today }: GateInput, season: Season): string {
  const unit = season.world.nursery.temperatureUnit;
  const t = (value: number) => degreesWords(value, unit);
  const hot = tooHot(forecast, soil_C.at(-1) ?? null, heat);
  if (!hot) {
    const known = forecast.slice(0, HEAT_days).flatMap((d) => (d.most_C === null ? [] : [d.most_C]));
    if (known.length === 0) return WORDS.noHeatIsForetoldLook;
    return WORDS.atTheHottestOfDays(t(Math.max(...known)), known.length, t(heat.air_C));
  }
  const cooler = coolerFrom(forecast, heat);
  const wait = cooler === null ? '' : WORDS.orFrom(shortDay(cooler));
  const on = hot.day === null || hot.day === today ? WORDS.today : shortDay(hot.day);
  const what = {
    hot: WORDS.bears(t(hot.figure), on, t(hot.wants)),
    soil: WORDS.soilBears(t(hot.figure), t(hot.wants)),
    'dry-wind': WORDS.dryWindGustsTo(on, windWords(hot.figure, unit)),
  }[hot.cause];
  return WORDS.plantTowardsEveningWaterIn(what, wait);
}

const RULES: Readonly<Record<Gate['key'], string>> = {
  calendar: WORDS.theFirstDayFromWhich,
  soil: WORDS.soilAt10CmRuns,
  nights: WORDS.lowestOfPastNightsBy,
  forecast: WORDS.theHighestOddsOverThe,
  storm: WORDS.theStrongestGustForetoldFor,
  heat: WORDS.theHottestHourOfThe,
  hardened: WORDS.theLadderOfItsProgramme,
  covers: WORDS.groundOfThePlantsAt,
};

function gateView(gate: Gate, season: Season, input: GateInput, odds: BatchOdds | null): GateView {
  const { key } = gate;
  const first =
    odds === null
      ? null
      : key === 'hardened'
        ? odds.hardened
        : key === 'soil' || key === 'nights' || key === 'forecast' || key === 'storm'
          ? odds.first[key]
          : null;
  const day = input.outFrom;
  const explanation: Explanation = {
    rule: RULES[key],
    inputs: explanationInputs(gate, season, input),
    source:
      key === 'forecast' || key === 'storm' || key === 'heat'
        ? WORDS.theForecastInUseLimits(COMMON_PRACTICE)
        : key === 'hardened'
          ? WORDS.yourOwnLog
          : WORDS.theSiteSOwnYears(COMMON_PRACTICE),
  };
  return {
    key,
    name: GATE_WORDS[key],
    mode: gate.mode,
    state: gate.state,
    figure: gateFigure(gate, season, input),
    words: gateWords(gate, season, input),
    first: key === 'calendar' && day !== null ? { p10: day, p50: day, p90: day } : first,
    byDate_frac: odds === null ? null : key === 'soil' ? odds.soil_frac : key === 'nights' ? odds.nights_frac : null,
    explanation,
  };
}

function explanationInputs({ key }: Gate, season: Season, input: GateInput): Explanation['inputs'] {
  const { rules } = season.world.nursery.planting;
  const cover =
    input.cover_K > 0
      ? [{ name: WORDS.coverSafelyWorth, value: differenceWords(input.cover_K, season.world.nursery.temperatureUnit) }]
      : [];
  switch (key) {
    case 'calendar':
      return [
        { name: WORDS.hurtAt, temperature_C: input.harm_C },
        ...cover,
        { name: WORDS.riskTaken, value: percent(season.world.nursery.frost?.risk_frac ?? 0.1) },
      ];
    case 'soil':
      return [
        { name: WORDS.least, temperature_C: input.soilMin_C },
        { name: WORDS.daysInARow, value: String(rules.soil_days) },
      ];
    case 'nights':
      return [
        { name: WORDS.least, temperature_C: input.nightMin_C },
        ...(input.warm_K > 0
          ? [{ name: WORDS.coverWorth, value: differenceWords(input.warm_K, season.world.nursery.temperatureUnit) }]
          : []),
        { name: WORDS.nightsInARow, value: String(rules.nights) },
      ];
    case 'forecast':
      return [
        { name: WORDS.hurtAt, temperature_C: input.harm_C },
        ...cover,
        { name: WORDS.daysLookedAt, value: String(rules.ahead_days) },
        {
          name: WORDS.usualErrorOnTheDay,
          value: differenceWords(input.scores[0]!.spread_K, season.world.nursery.temperatureUnit),
        },
        {
          name: WORDS.onTheTenth,
          value: differenceWords(input.scores.at(-1)!.spread_K, season.world.nursery.temperatureUnit),
        },
      ];
    case 'storm':
      return [{ name: WORDS.daysLookedAt, value: String(rules.storm_days) }];
    default:
      return [];
  }
}
