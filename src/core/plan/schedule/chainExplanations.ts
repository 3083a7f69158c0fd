import { lightFactor } from '../../growth/growthRate.ts';
import { COMMON_PRACTICE, OWN_LOG, type Explanation, type ExplanationInput } from '../../explanation.ts';
import { isoFromDay, type DayNumber } from '../../calendar/dayNumber.ts';
import { FIRST_UP_PROGRESS, SPREAD_SIGMA } from '../../germination/spread.ts';
import { STAGE_SUM_SOURCE } from '../../growth/stageSums.ts';
import { placeOfStage, type Stage } from '../stage.ts';
import type { MilestoneKey } from './chain.ts';
import { temperatureOn } from './placeClimate.ts';
import { offHeatWords } from './offHeat.ts';
import { offHeatRuleOf, type Route, type RouteInput } from './route.ts';
import { wetTray_K } from './wetTray.ts';
import { totalAt, type ThermalIntegral } from './thermalIntegral.ts';
import { WORDS } from '../../../words/en/plan/chainExplanations.ts';

export interface ExplanationContext extends RouteInput {
  readonly route: Route;
}

/** Why a milestone falls where it does; before_day is the day of the milestone before it, null for the first. */
export function explanationOf(
  key: MilestoneKey,
  context: ExplanationContext,
  before_day: DayNumber | null,
  done: boolean,
  overdue: boolean,
): Explanation {
  if (done) return { rule: WORDS.logged, inputs: [], source: OWN_LOG };
  const told = WHY[key](context, before_day);
  const planned = workDay(context, key);
  if (planned !== null && !overdue) {
    return {
      ...told,
      rule: WORDS.plannedForThisDayOr(told.rule),
      inputs: [...told.inputs, { name: WORDS.plannedDay, date: isoFromDay(planned) }],
    };
  }
  if (!overdue) return told;
  return {
    ...told,
    rule: WORDS.thatDayHasPassedWithout(told.rule),
  };
}

/** Day the plan names for a step; null where it names none. */
function workDay({ plan }: ExplanationContext, key: MilestoneKey): DayNumber | null {
  return (plan.steps as Partial<Record<MilestoneKey, DayNumber>> | undefined)?.[key] ?? null;
}

type Why = (context: ExplanationContext, before_day: DayNumber | null) => Explanation;

const WHY: Readonly<Record<MilestoneKey, Why>> = {
  sow: (c, before_day) => ({
    rule: WORDS.countedBackFromTheTransplant,
    inputs: [
      ...climateInputs(c, 'germinate', before_day, c.plan.transplantOn - c.plan.hardening_days - 42),
      { name: WORDS.transplantDate, date: isoFromDay(c.plan.transplantOn) },
    ],
    source: germinationSource(c),
  }),
  arrive: (c) => ({
    rule: WORDS.boughtInAsPlugsThey,
    inputs: c.plan.joins ? [{ name: WORDS.orderedFor, date: isoFromDay(c.plan.joins.on) }] : [],
    source: COMMON_PRACTICE,
  }),
  'first-up': (c, before_day) => ({
    rule: WORDS.theFirst5ShowAt(FIRST_UP_PROGRESS.toFixed(2)),
    inputs: climateInputs(c, 'germinate', before_day),
    source: WORDS.logNormalSpreadInThermal(SPREAD_SIGMA, COMMON_PRACTICE),
  }),
  'half-up': (c, before_day) => ({
    rule: WORDS.halfAreUpWhenThe,
    inputs: [
      ...climateInputs(c, 'germinate', before_day),
      ...wetInputs(c),
      ...paceInputs(c.route.germination, before_day),
      ...learnedInputs(c),
    ],
    source: germinationSource(c),
  }),
  'off-heat': (c) => {
    const rule = offHeatRuleOf(c);
    const whose = c.plan.offHeat
      ? WORDS.ruleOfThisBatch
      : c.crop.offHeat
        ? WORDS.ruleForCrops(c.crop.group)
        : WORDS.houseRule;
    return { rule: WORDS.offTheHeat(whose, offHeatWords(rule)), inputs: [], source: COMMON_PRACTICE };
  },
  pot: (c, before_day) => ({
    rule: WORDS.readyForThePotAt(Math.round(c.crop.potAt_frac * 100), c.crop.name),
    inputs: [
      ...growthInputs(c, c.route.sums.pot_degreeDays),
      ...climateInputs(c, 'grow', before_day),
      ...lightInputs(c, 'grow', before_day),
      ...gainInputs(c.route.inGrow, before_day),
    ],
    source: STAGE_SUM_SOURCE,
  }),
  space: (c, before_day) => ({
    rule: WORDS.leavesTouchAboutHalfWay,
    inputs: [
      ...growthInputs(c, c.route.sums.space_degreeDays),
      ...climateInputs(c, 'pot', before_day),
      ...lightInputs(c, 'pot', before_day),
      ...gainInputs(c.route.inPot, before_day),
    ],
    source: COMMON_PRACTICE,
  }),
  harden: (c, before_day) => ({
    rule: WORDS.grownEnoughToMeetThe,
    inputs: [
      ...growthInputs(c, c.route.sums.ready_degreeDays),
      ...climateInputs(c, c.plan.potContainerId === null ? 'grow' : 'space', before_day),
      ...lightInputs(c, c.plan.potContainerId === null ? 'grow' : 'space', before_day),
      ...gainInputs(c.route.inSpace, before_day),
      { name: WORDS.hardening, value: WORDS.days(c.plan.hardening_days) },
    ],
    source: STAGE_SUM_SOURCE,
  }),
  plant: (c) => ({
    rule: WORDS.hardeningDaysThenOutThe(c.plan.hardening_days),
    inputs: [{ name: WORDS.askedFor, date: isoFromDay(c.plan.transplantOn) }],
    source: COMMON_PRACTICE,
  }),
};

function climateInputs(
  c: ExplanationContext,
  stage: Stage,
  before_day: DayNumber | null,
  fallback_day = c.plan.transplantOn,
): ExplanationInput[] {
  const placeId = placeOfStage(c.plan.places, stage);
  if (placeId === null) return [];
  const day = before_day ?? fallback_day;
  const place = c.tables.places.get(placeId);
  const { day_C, night_C } = temperatureOn(c.tables.climateOf(placeId), day);
  return [
    { name: WORDS.byDay(place?.name ?? WORDS.place), temperature_C: day_C },
    { name: WORDS.byNight(place?.name ?? WORDS.place), temperature_C: night_C },
  ];
}

/** Light of a day there and what it makes of growth. */
function lightInputs(c: ExplanationContext, stage: Stage, day: DayNumber | null): ExplanationInput[] {
  const placeId = placeOfStage(c.plan.places, stage);
  const light =
    placeId === null || day === null ? undefined : c.tables.skyOf(placeId)?.light_mol_m2[day - c.tables.from];
  if (light === undefined) return [];
  const factor = lightFactor(light, c.crop.dliGood);
  return [
    { name: WORDS.light, value: WORDS.ofMolMADay(light.toFixed(1), c.crop.dliGood) },
    { name: WORDS.growthByLight, value: WORDS.ofWhatWarmthAloneGives(Math.round(100 * factor)) },
  ];
}

/** How much cooler than the air the medium is taken to be. */
function wetInputs(c: ExplanationContext): ExplanationInput[] {
  const place = c.tables.places.get(c.plan.places.germinate ?? -1);
  const cooler_K = place ? wetTray_K(place) : 0;
  return cooler_K > 0 ? [{ name: WORDS.aWetTrayCoolerThan, difference_K: cooler_K }] : [];
}

/** Days to half up at the pace of a day. */
function paceInputs(germination: ThermalIntegral, day: DayNumber | null): ExplanationInput[] {
  if (day === null) return [];
  const perDay = totalAt(germination, day + 1) - totalAt(germination, day);
  return perDay > 0 ? [{ name: WORDS.atThat, value: WORDS.days2((1 / perDay).toFixed(1)) }] : [];
}

/** How far the batch's own variety and lot are from their crop, by the house's counts. */
function learnedInputs({ plan }: ExplanationContext): ExplanationInput[] {
  const factor = plan.emergence_factor ?? 1;
  return factor === 1 ? [] : [{ name: WORDS.ownVarietyAndLotBy, value: WORDS.xTheTime(factor.toFixed(2)) }];
}

/** How far growth here is from the book, as the house's own batches showed. */
function grownInputs(factor: number): ExplanationInput[] {
  if (factor === 1) return [];
  const percent = Math.round(100 * Math.abs(factor - 1));
  return [
    {
      name: WORDS.learnedFromYourBatches,
      value: WORDS.growthThanTheBook(percent, factor > 1 ? WORDS.more : WORDS.less),
    },
  ];
}

/** Degree-days one day adds there. */
function gainInputs(growth: ThermalIntegral, day: DayNumber | null): ExplanationInput[] {
  if (day === null) return [];
  return [{ name: WORDS.aDayAdds, degreeDays: totalAt(growth, day + 1) - totalAt(growth, day) }];
}

function growthInputs(c: ExplanationContext, sum: number | null): ExplanationInput[] {
  return [
    { name: WORDS.base, temperature_C: c.crop.base_C },
    ...(sum === null ? [] : [{ name: WORDS.fromHalfUp, degreeDays: sum }]),
    ...grownInputs(c.plan.growth_factor ?? 1),
  ];
}

function germinationSource(c: ExplanationContext): string {
  return c.crop.emergence.length > 0 ? c.crop.source : WORDS.cardinalTemperatures(c.crop.source);
}
