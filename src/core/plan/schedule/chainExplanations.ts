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
  if (done) return { rule: 'Logged.', inputs: [], source: OWN_LOG };
  const told = WHY[key](context, before_day);
  const planned = workDay(context, key);
  if (planned !== null && !overdue) {
    return {
      ...told,
      rule: `${told.rule} Planned for this day or as soon after as it is ready.`,
      inputs: [...told.inputs, { name: 'planned day', date: isoFromDay(planned) }],
    };
  }
  if (!overdue) return told;
  return {
    ...told,
    rule: `${told.rule} That day has passed without a log, so today is taken.`,
  };
}

/** Day the plan names for a step; null where it names none. */
function workDay({ plan }: ExplanationContext, key: MilestoneKey): DayNumber | null {
  return (plan.steps as Partial<Record<MilestoneKey, DayNumber>> | undefined)?.[key] ?? null;
}

type Why = (context: ExplanationContext, before_day: DayNumber | null) => Explanation;

const WHY: Readonly<Record<MilestoneKey, Why>> = {
  sow: (c, before_day) => ({
    rule: 'Counted back from the transplant date: hardening, growing, then the days to emerge at the temperature of the place.',
    inputs: [
      ...climateInputs(c, 'germinate', before_day, c.plan.transplantOn - c.plan.hardening_days - 42),
      { name: 'transplant date', date: isoFromDay(c.plan.transplantOn) },
    ],
    source: germinationSource(c),
  }),
  arrive: (c) => ({
    rule: 'Bought in as plugs: they come on this day and are not sown here.',
    inputs: c.plan.joins ? [{ name: 'ordered for', date: isoFromDay(c.plan.joins.on) }] : [],
    source: COMMON_PRACTICE,
  }),
  'first-up': (c, before_day) => ({
    rule: `The first 5% show at ${FIRST_UP_PROGRESS.toFixed(2)} of the way to half up. Look every day from here.`,
    inputs: climateInputs(c, 'germinate', before_day),
    source: `log-normal spread in thermal time, sigma ${SPREAD_SIGMA} (${COMMON_PRACTICE})`,
  }),
  'half-up': (c, before_day) => ({
    rule: 'Half are up when the daily germination rate at the temperature of the place adds up to 1.',
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
      ? 'Rule of this batch'
      : c.crop.offHeat
        ? `Rule for ${c.crop.group} crops`
        : 'House rule';
    return { rule: `${whose}: off the heat ${offHeatWords(rule)}`, inputs: [], source: COMMON_PRACTICE };
  },
  pot: (c, before_day) => ({
    rule: `Ready for the pot at ${Math.round(c.crop.potAt_frac * 100)}% of its growth, counted in degree-days above ${c.crop.name}'s base, by the hour where a place follows the weather, and by its light.`,
    inputs: [
      ...growthInputs(c, c.route.sums.pot_degreeDays),
      ...climateInputs(c, 'grow', before_day),
      ...lightInputs(c, 'grow', before_day),
      ...gainInputs(c.route.inGrow, before_day),
    ],
    source: STAGE_SUM_SOURCE,
  }),
  space: (c, before_day) => ({
    rule: 'Leaves touch about half way through its time in the pot: lift out every other plant, twice the room.',
    inputs: [
      ...growthInputs(c, c.route.sums.space_degreeDays),
      ...climateInputs(c, 'pot', before_day),
      ...lightInputs(c, 'pot', before_day),
      ...gainInputs(c.route.inPot, before_day),
    ],
    source: COMMON_PRACTICE,
  }),
  harden: (c, before_day) => ({
    rule: 'Grown enough to meet the weather, and not sooner than its hardening days before the transplant date.',
    inputs: [
      ...growthInputs(c, c.route.sums.ready_degreeDays),
      ...climateInputs(c, c.plan.potContainerId === null ? 'grow' : 'space', before_day),
      ...lightInputs(c, c.plan.potContainerId === null ? 'grow' : 'space', before_day),
      ...gainInputs(c.route.inSpace, before_day),
      { name: 'hardening', value: `${c.plan.hardening_days} days` },
    ],
    source: STAGE_SUM_SOURCE,
  }),
  plant: (c) => ({
    rule: `${c.plan.hardening_days} hardening days, then out. The weather and the soil have the last word.`,
    inputs: [{ name: 'asked for', date: isoFromDay(c.plan.transplantOn) }],
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
    { name: `${place?.name ?? 'place'} by day`, temperature_C: day_C },
    { name: `${place?.name ?? 'place'} by night`, temperature_C: night_C },
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
    { name: 'light', value: `${light.toFixed(1)} of ${c.crop.dliGood} mol/m² a day` },
    { name: 'growth by light', value: `${Math.round(100 * factor)}% of what warmth alone gives` },
  ];
}

/** How much cooler than the air the medium is taken to be. */
function wetInputs(c: ExplanationContext): ExplanationInput[] {
  const place = c.tables.places.get(c.plan.places.germinate ?? -1);
  const cooler_K = place ? wetTray_K(place) : 0;
  return cooler_K > 0 ? [{ name: 'a wet tray, cooler than the air by', difference_K: cooler_K }] : [];
}

/** Days to half up at the pace of a day. */
function paceInputs(germination: ThermalIntegral, day: DayNumber | null): ExplanationInput[] {
  if (day === null) return [];
  const perDay = totalAt(germination, day + 1) - totalAt(germination, day);
  return perDay > 0 ? [{ name: 'at that', value: `${(1 / perDay).toFixed(1)} days` }] : [];
}

/** How far the batch's own variety and lot are from their crop, by the house's counts. */
function learnedInputs({ plan }: ExplanationContext): ExplanationInput[] {
  const factor = plan.emergence_factor ?? 1;
  return factor === 1
    ? []
    : [{ name: 'own variety and lot, by your counts', value: `${factor.toFixed(2)} x the time` }];
}

/** How far growth here is from the book, as the house's own batches showed. */
function grownInputs(factor: number): ExplanationInput[] {
  if (factor === 1) return [];
  const percent = Math.round(100 * Math.abs(factor - 1));
  return [
    {
      name: 'learned from your batches',
      value: `${percent}% ${factor > 1 ? 'more' : 'less'} growth than the book`,
    },
  ];
}

/** Degree-days one day adds there. */
function gainInputs(growth: ThermalIntegral, day: DayNumber | null): ExplanationInput[] {
  if (day === null) return [];
  return [{ name: 'a day adds', degreeDays: totalAt(growth, day + 1) - totalAt(growth, day) }];
}

function growthInputs(c: ExplanationContext, sum: number | null): ExplanationInput[] {
  return [
    { name: 'base', temperature_C: c.crop.base_C },
    ...(sum === null ? [] : [{ name: 'from half up', degreeDays: sum }]),
    ...grownInputs(c.plan.growth_factor ?? 1),
  ];
}

function germinationSource(c: ExplanationContext): string {
  return c.crop.emergence.length > 0 ? c.crop.source : `cardinal temperatures: ${c.crop.source}`;
}
