import { LEGGY_RATIO, photothermalRatio } from '../../weather/light.ts';
import { boltRisks, type BoltDay } from '../../growth/bolting.ts';
import { COMMON_PRACTICE } from '../../explanation.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { nearestOccurrence, type MonthDay } from '../../calendar/monthDay.ts';
import { emergenceShare_frac } from '../../germination/germinationRate.ts';
import { placeOfStage, type Stage } from '../stage.ts';
import { type BatchPlan } from '../batchPlan.ts';
import { type Crop, type Hardiness } from '../../books/crop.ts';
import { OUT_HARM_C } from '../../planting/outDates.ts';
import { milestoneOf, startOf, type Chain } from './chain.ts';
import { meanTemperature_C } from './placeClimate.ts';
import type { SeasonTables } from './seasonTables.ts';
import { bandsOf } from '../../growth/bands.ts';
import { stageRange, suitsStage } from './suits.ts';
import { WORDS } from '../../../words/en/plan/warnings.ts';

export interface FrostRisk {
  readonly lastFrost: MonthDay;
  readonly firstFrost: MonthDay;
  /** Taken from the site's own years at a risk: when plants of each hardiness may be out. null: dates typed by hand. */
  readonly frost?: FrostAtRisk | null;
}

export interface FrostAtRisk {
  readonly risk_frac: number;
  /** null: harmful nights are rarer than that. */
  readonly outFrom: Readonly<Record<Hardiness, MonthDay | null>>;
  /** Likewise under each cover, by its number. */
  readonly under?: Readonly<Record<number, Readonly<Record<Hardiness, MonthDay | null>>>>;
  /** Last day to set out for autumn and winter, by hardiness; null: nothing ends it. */
  readonly lastOut?: Readonly<Record<Hardiness, MonthDay | null>>;
  readonly lastUnder?: Readonly<Record<number, Readonly<Record<Hardiness, MonthDay | null>>>>;
}

export interface Warning {
  readonly code:
    | 'bolting'
    | 'leggy'
    | 'temperature'
    | 'few-come-up'
    | 'unsuitable-place'
    | 'past'
    | 'frost'
    | 'autumn-frost'
    | 'autumn-late'
    | 'over-age';
  readonly stage: Stage | null;
  /** Day the warning is about, for the screen to write in the reader's form. */
  readonly day: DayNumber | null;
  readonly text: string;
  readonly temperatures_C: readonly number[];
  readonly source: string;
}

const FEW_frac = 0.6;
const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  germinate: WORDS.toGerminate,
  grow: WORDS.toGrowOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.toHardenOff,
};

/**
 * What a grower should know before the chain is trusted. Texts hold {0}, {1} where temperatures_C belong and {day} where
 * the day belongs, so that the screen writes them in the reader's units.
 */
export function chainWarnings(
  chain: Chain,
  crop: Crop,
  plan: BatchPlan,
  tables: SeasonTables,
  frost: FrostRisk,
  today: DayNumber,
): Warning[] {
  const warnings: Warning[] = [];
  const sow = startOf(chain);
  if (sow.day < today && sow.status !== 'done') {
    warnings.push(warning('past', 'germinate', sow.day, WORDS.sowingWouldHaveBeenOn, []));
  }
  for (const { stage, from, to } of stageSpans(chain, plan)) {
    warnings.push(...stageWarnings(stage, from, to, crop, plan, tables));
  }
  warnings.push(...boltWarnings(chain, crop, plan, tables));
  warnings.push(...lightWarnings(chain, crop, plan, tables));
  warnings.push(...frostWarnings(chain, crop, plan.coverId ?? null, frost));
  const plant = milestoneOf(chain, 'plant')!;
  if (chain.overAge_t !== null && chain.overAge_t < plant.t) {
    warnings.push(warning('over-age', null, Math.floor(chain.overAge_t), WORDS.overAgeFromDayBefore, []));
  }
  return warnings;
}

/** Days each stage lasts by a chain, both included. */
export function stageSpans(chain: Chain, plan: BatchPlan): { stage: Stage; from: DayNumber; to: DayNumber }[] {
  const day = (key: Parameters<typeof milestoneOf>[1]) => milestoneOf(chain, key)?.day;
  const off = day('off-heat') ?? startOf(chain).day;
  const harden = day('harden')!;
  const pot = day('pot');
  const spans: { stage: Stage; from: DayNumber; to: DayNumber }[] = [
    ...(plan.joins ? [] : [{ stage: 'germinate' as const, from: day('sow')!, to: off }]),
    { stage: 'grow', from: off, to: pot ?? harden },
  ];
  if (pot !== undefined && plan.potContainerId !== null) {
    const space = day('space') ?? harden;
    const apart = placeOfStage(plan.places, 'space') !== plan.places.pot;
    spans.push({ stage: 'pot', from: pot, to: apart ? space : harden });
    if (apart && space < harden) spans.push({ stage: 'space', from: space, to: harden });
  }
  spans.push({ stage: 'harden', from: harden, to: day('plant')! });
  return spans;
}

function stageWarnings(
  stage: Stage,
  from: DayNumber,
  to: DayNumber,
  crop: Crop,
  plan: BatchPlan,
  tables: SeasonTables,
): Warning[] {
  const placeId = placeOfStage(plan.places, stage);
  const place = placeId === null ? undefined : tables.places.get(placeId);
  if (!place) return [];
  const climate = tables.climateOf(place.id);
  const found: Warning[] = [];
  if (!suitsStage(place, stage, crop)) {
    const why = place.lit ? WORDS.isNotAPlaceFor : WORDS.isDark;
    found.push(
      warning('unsuitable-place', stage, from, WORDS.wantsAnother(place.name, why, crop.name, STAGE_WORDS[stage]), []),
    );
  }
  let coldest = Infinity;
  let hottest = -Infinity;
  for (let day = from; day <= to; day++) {
    const i = Math.min(Math.max(day - tables.from, 0), tables.days - 1);
    coldest = Math.min(coldest, climate.night_C[i]!);
    hottest = Math.max(hottest, climate.day_C[i]!);
  }
  const range = stageRange(crop, stage);
  if (coldest < range.low_C) {
    const text = WORDS.goesDownToWantsOr(place.name, crop.name, STAGE_WORDS[stage]);
    found.push(warning('temperature', stage, from, text, [coldest, range.low_C]));
  }
  const { checkNight_C } = bandsOf(crop, stage);
  if (checkNight_C !== null && coldest < checkNight_C && coldest >= range.low_C) {
    const text = WORDS.goesDownToANight(place.name, crop.name, STAGE_WORDS[stage]);
    found.push(warning('temperature', stage, from, text, [coldest, checkNight_C]));
  }
  if (hottest > range.high_C) {
    const text = WORDS.goesUpToWantsOr(place.name, crop.name, STAGE_WORDS[stage]);
    found.push(warning('temperature', stage, from, text, [hottest, range.high_C]));
  }
  if (stage === 'germinate') {
    const mean = meanTemperature_C(climate, from, to);
    const share = emergenceShare_frac(crop.emergence, mean);
    if (share !== null && share < FEW_frac) {
      const text = WORDS.at0OnlyAboutOf(Math.round(share * 100));
      found.push({
        ...warning('few-come-up', stage, from, text, [mean]),
        source: crop.source,
      });
    }
  }
  return found;
}

/** The days of a batch from half up to planting out, as bolting sees them. */
export function boltDays(chain: Chain, plan: BatchPlan, tables: SeasonTables): BoltDay[] {
  const from = milestoneOf(chain, 'half-up')?.day ?? startOf(chain).day;
  const harden = milestoneOf(chain, 'harden')!.day;
  const days: BoltDay[] = [];
  for (const span of stageSpans(chain, plan)) {
    const placeId = placeOfStage(plan.places, span.stage);
    if (placeId === null || !tables.places.has(placeId)) continue;
    const climate = tables.climateOf(placeId);
    for (let day = Math.max(from, span.from, (days.at(-1)?.day ?? -Infinity) + 1); day <= span.to; day++) {
      const i = Math.min(Math.max(day - tables.from, 0), tables.days - 1);
      days.push({
        day,
        day_C: climate.day_C[i]!,
        night_C: climate.night_C[i]!,
        // Its growth runs about evenly from half up to hardening.
        grown_frac: Math.min(1, (day - from) / Math.max(1, harden - from)),
        out: span.stage === 'harden',
      });
    }
  }
  return days;
}

const BOLT_CURE = {
  cold: WORDS.keepItWarmerUntilIt,
  warm: WORDS.coolerAndShadedOrSow,
  'long days': WORDS.aVarietySlowToBolt,
} as const;

function boltWarnings(chain: Chain, crop: Crop, plan: BatchPlan, tables: SeasonTables): Warning[] {
  if (crop.boltCold_C === null && crop.boltWarm_C === null && crop.boltDay_h === null) return [];
  const { latitude_deg } = tables;
  return boltRisks(crop, boltDays(chain, plan, tables), latitude_deg ?? 45)
    .filter(({ cause }) => cause !== 'long days' || latitude_deg !== null)
    .map(({ cause, figure, of, line, from, level }) => {
      const may = WORDS.runToFlower(capital(crop.name), level === 'likely' ? WORDS.isLikelyTo : 'may');
      const why =
        cause === 'long days'
          ? WORDS.daysOfHoursWhenIt(figure.toFixed(1), line)
          : cause === 'cold'
            ? WORDS.youngDaysUnder0From(figure, of)
            : WORDS.daysOver0FromDay(figure, of);
      return warning('bolting', null, from, `${may}: ${why}. ${BOLT_CURE[cause]}`, cause === 'long days' ? [] : [line]);
    });
}

/** Days of a stage that may lie under the ratio before anything is said. Common practice, no source. */
const LEGGY_days = 4;

/** Stages in which the light is too little for the warmth, with what cures it. Mornings cooler than days hold height: Erwin & Heins 1995, HortScience 30, 940-949, from memory. */
function lightWarnings(chain: Chain, crop: Crop, plan: BatchPlan, tables: SeasonTables): Warning[] {
  const half = milestoneOf(chain, 'half-up')?.day ?? startOf(chain).day;
  return stageSpans(chain, plan).flatMap(({ stage, from, to }): Warning[] => {
    const placeId = placeOfStage(plan.places, stage);
    const place = placeId === null ? undefined : tables.places.get(placeId);
    const sky = placeId === null || !place ? null : tables.skyOf(placeId);
    if (!place || !sky || stage === 'harden') return [];
    const climate = tables.climateOf(place.id);
    let [bad, light, warmth, first] = [0, 0, 0, NaN];
    for (let day = Math.max(from, half + 1); day < to; day++) {
      const i = Math.min(Math.max(day - tables.from, 0), tables.days - 1);
      const ratio = photothermalRatio(sky.light_mol_m2[i]!, (climate.day_C[i]! + climate.night_C[i]!) / 2, crop.base_C);
      if (ratio === null || ratio >= LEGGY_RATIO) continue;
      if (bad === 0) first = day;
      bad++;
      light += sky.light_mol_m2[i]!;
      warmth += (climate.day_C[i]! + climate.night_C[i]!) / 2 - crop.base_C;
    }
    if (bad < LEGGY_days) return [];
    // The mean that so much light would bear, and the light that so much warmth would want.
    const bears_C = crop.base_C + light / bad / LEGGY_RATIO;
    const wants = ((warmth / bad) * LEGGY_RATIO).toFixed(1);
    const cooler =
      bears_C >= stageRange(crop, stage).low_C + 2 ? WORDS.about0OnTheMean : WORDS.morningsSomeDegreesUnderThe;
    const text = WORDS.leggyInDaysFromDay(place.name, bad, (light / bad).toFixed(1), cooler, wants);
    return [warning('leggy', stage, first, text, [bears_C])];
  });
}

function frostWarnings(chain: Chain, crop: Crop, coverId: number | null, frost: FrostRisk): Warning[] {
  const plant = milestoneOf(chain, 'plant')!.day;
  const lastFrost = nearestOccurrence(frost.lastFrost, plant);
  const under = coverId === null ? undefined : frost.frost?.under?.[coverId];
  const own = (under ?? frost.frost?.outFrom)?.[crop.hardiness];
  const atRisk = frost.frost ? (own ? nearestOccurrence(own, plant) : -Infinity) : null;
  const goesOut = atRisk ?? lastFrost + 7 * crop.weeksFromLastFrost;
  const firstFrost = nearestOccurrence(frost.firstFrost, plant);
  const springSide = Math.abs(plant - lastFrost) <= Math.abs(plant - firstFrost);
  if (springSide && plant < goesOut && atRisk !== null) {
    const years = Math.round(100 * frost.frost!.risk_frac);
    return [warning('frost', 'harden', goesOut, WORDS.onlyFromDayOnDo(crop.name, years), [OUT_HARM_C[crop.hardiness]])];
  }
  if (springSide && plant < goesOut) {
    const weeks = crop.weeksFromLastFrost;
    const when =
      weeks === 0
        ? 'on'
        : WORDS.week(Math.abs(weeks), Math.abs(weeks) === 1 ? '' : 's', weeks > 0 ? WORDS.after : WORDS.before);
    return [warning('frost', 'harden', goesOut, WORDS.goesOutTheMeanLast(capital(crop.name), when), [])];
  }
  const last = ((coverId === null ? undefined : frost.frost?.lastUnder?.[coverId]) ?? frost.frost?.lastOut)?.[
    crop.hardiness
  ];
  if (!springSide && last && crop.group === 'cool' && plant > nearestOccurrence(last, plant)) {
    return [warning('autumn-late', 'harden', nearestOccurrence(last, plant), WORDS.theLastDayToSet(crop.name), [])];
  }
  if (!springSide && crop.hardiness !== 'hardy' && plant >= firstFrost) {
    return [
      warning(
        'autumn-frost',
        'harden',
        firstFrost,
        frost.frost ? WORDS.theFirstFrostOfAutumn : WORDS.theMeanFirstFrostOf,
        [],
      ),
    ];
  }
  return [];
}

/** Mean last frost that belongs to the spring of a day. */
export function lastFrostFor(day: DayNumber, frost: FrostRisk): DayNumber {
  return nearestOccurrence(frost.lastFrost, day);
}

function warning(
  code: Warning['code'],
  stage: Stage | null,
  day: DayNumber | null,
  text: string,
  temperatures_C: readonly number[],
): Warning {
  return { code, stage, day, text, temperatures_C, source: COMMON_PRACTICE };
}

function capital(word: string): string {
  return word.charAt(0).toUpperCase() + word.slice(1);
}
