import { VARIETY_FIGURES, type VarietyFigures } from '../../core/books/varietyFigures.ts';
import { z } from 'zod';
import { bandFaults, bandsOf, type BandFigures } from '../../core/growth/bands.ts';
import { ALL_STAGES } from '../../core/plan/stage.ts';
import { CROP_KINDS, PRETREATMENTS, SOWN_IN } from '../../core/books/crop.ts';
import { figure, freeText, recordId, shortText, temperature_C, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/books/crops.ts';

const emergencePoint = z.strictObject({
  temperature_C: temperature_C(WORDS.tableTemperature),
  days: z.union([figure(WORDS.daysToEmerge, 0.1, 400), z.literal('none')]).nullable(),
  percent: figure(WORDS.percentUp, 0, 300).nullable(),
});

const bandFigures = z
  .strictObject({
    bearsLow_C: temperature_C(WORDS.coldestItBears),
    bearsHigh_C: temperature_C(WORDS.warmestItBears),
    comfortLow_C: temperature_C(WORDS.comfortableNight),
    comfortHigh_C: temperature_C(WORDS.comfortableDay),
    checkNight_C: temperature_C(WORDS.nightThatChecksIt).nullable(),
  })
  .partial();
const ownBands = z
  .strictObject({
    germinate: bandFigures,
    grow: bandFigures,
    pot: bandFigures,
    space: bandFigures,
    harden: bandFigures,
  })
  .partial();

const cropShape = z.strictObject({
  name: shortText('name', 80),
  synonyms: freeText(WORDS.otherNames, 300).default(''),
  botanical: freeText(WORDS.botanicalName, 120).default(''),
  family: freeText('family', 60).default(''),
  kind: z.enum(CROP_KINDS).default('vegetable'),
  group: z.enum(['warm', 'cool']),
  light: z.enum(['light', 'dark', 'neutral']),
  depth_mm: figure('depth', 0, 200),
  germMin_C: temperature_C(WORDS.leastToSowAt),
  germBest_C: temperature_C(WORDS.bestToSowAt),
  germMax_C: temperature_C(WORDS.mostToSowAt),
  germBase_C: temperature_C(WORDS.germinationBase),
  germCeiling_C: temperature_C(WORDS.germinationCeiling),
  germBest_days: figure(WORDS.daysToHalfUpAt, 0.5, 200),
  emergence: z.array(emergencePoint).max(24, { error: WORDS.tableAtMost24Temperatures }),
  germUsual_frac: figure(WORDS.usualGermination, 0.01, 1).default(0.85),
  thousandSeed_g: figure(WORDS.weightOfAThousandSeeds, 0.001, 100_000).nullable().default(null),
  storage_years: figure(WORDS.lifeOfTheSeed, 0.1, 50).default(3),
  pretreat: z.enum(PRETREATMENTS).default('none'),
  chill_weeks: figure(WORDS.weeksOfChilling, 0, 52).default(0),
  sowIn: z.enum(SOWN_IN).default('cells'),
  cellsUsual_count: wholeNumber(WORDS.cellsToATray, 1, 2000).default(60),
  potUsual_cm: figure(WORDS.usualPot, 1, 60).nullable().default(null),
  growDay_C: temperature_C(WORDS.growingByDay),
  growNight_C: temperature_C(WORDS.growingByNight),
  base_C: temperature_C(WORDS.growthBase),
  growOptimum_C: temperature_C(WORDS.growthOptimum),
  growCeiling_C: temperature_C(WORDS.growthCeiling),
  checkNight_C: temperature_C(WORDS.nightThatChecksIt).nullable().default(null),
  boltCold_C: temperature_C(WORDS.coldThatMakesItFlower).nullable().default(null),
  boltCold_days: wholeNumber(WORDS.daysOfSuchCold, 1, 200).nullable().default(null),
  boltWarm_C: figure(WORDS.warmthThatMakesItFlower, 5, 50).nullable().default(null),
  boltWarm_days: wholeNumber(WORDS.daysOfSuchWarmth, 1, 200).nullable().default(null),
  boltDay_h: figure(WORDS.lengthOfDayThatMakes, 8, 24).nullable().default(null),
  comfortNight_C: temperature_C(WORDS.comfortableNight),
  comfortDay_C: temperature_C(WORDS.comfortableDay),
  dliLeast: figure(WORDS.leastDailyLight, 0.1, 60),
  dliGood: figure(WORDS.goodDailyLight, 0.2, 60),
  bands: ownBands.default({}),
  openAirFrom: z.enum(ALL_STAGES, { error: WORDS.openAirFromAStage }).nullable().default(null),
  weeksLow: figure(WORDS.weeksShortEnd, 1, 60),
  weeksHigh: figure(WORDS.weeksLongEnd, 1, 60),
  potAt_frac: figure(WORDS.shareOfGrowthAtPotting, 0.05, 0.95),
  potted: z.boolean(),
  hardening_days: wholeNumber(WORDS.hardeningDays, 0, 60),
  hardiness: z.enum(['hardy', 'half-hardy', 'tender', 'tropical']),
  hardyTo_C: temperature_C(WORDS.harmedAt),
  plantSoilMin_C: temperature_C(WORDS.soilToPlantIn),
  plantNightMin_C: temperature_C(WORDS.nightsToPlantIn),
  weeksFromLastFrost: figure(WORDS.weeksFromLastFrost, -20, 20),
  inRow_cm: figure(WORDS.distanceInTheRow, 0.5, 2000).default(30),
  rows_cm: figure(WORDS.distanceOfRows, 0.5, 2000).default(40),
  caution: freeText('caution', 200).default(''),
  source: freeText('source', 400),
  seedBalls: z.boolean().optional(),
});

export const cropInput = cropShape.superRefine((crop, ctx) => {
  for (const stage of ALL_STAGES) {
    const own = crop.bands[stage];
    if (!own) continue;
    for (const { figure: name, text } of bandFaults(bandsOf(crop as BandFigures, stage)))
      ctx.addIssue({ code: 'custom', path: ['bands', stage, name], message: text });
  }
  const rising: [keyof typeof crop, keyof typeof crop, string][] = [
    ['germMin_C', 'germBest_C', WORDS.bestToSowAtMust],
    ['germBest_C', 'germMax_C', WORDS.mostToSowAtMust],
    ['germBase_C', 'germBest_C', WORDS.bestToSowAtMust2],
    ['germBest_C', 'germCeiling_C', WORDS.theCeilingMustBeAbove],
    ['base_C', 'growOptimum_C', WORDS.theGrowthOptimumMustBe],
    ['growOptimum_C', 'growCeiling_C', WORDS.theGrowthCeilingMustBe],
    ['comfortNight_C', 'comfortDay_C', WORDS.theComfortableDayMustBe],
    ['dliLeast', 'dliGood', WORDS.goodLightMustBeAbove],
  ];
  for (const [low, high, message] of rising) {
    if (!((crop[low] as number) < (crop[high] as number))) ctx.addIssue({ code: 'custom', path: [high], message });
  }
  if (crop.weeksHigh < crop.weeksLow) {
    ctx.addIssue({
      code: 'custom',
      path: ['weeksHigh'],
      message: WORDS.theLongEndMustNot,
    });
  }
  if ((crop.pretreat === 'chill') !== crop.chill_weeks > 0) {
    ctx.addIssue({
      code: 'custom',
      path: ['chill_weeks'],
      message: WORDS.aCropThatIsChilled,
    });
  }
  for (const kind of ['boltCold', 'boltWarm'] as const)
    if ((crop[`${kind}_C`] === null) !== (crop[`${kind}_days`] === null))
      ctx.addIssue({
        code: 'custom',
        path: [`${kind}_days`],
        message: WORDS.boltingBothTheTemperatureAnd,
      });
  if (crop.growDay_C >= crop.growCeiling_C) {
    ctx.addIssue({
      code: 'custom',
      path: ['growCeiling_C'],
      message: WORDS.theGrowthCeilingMustBe2,
    });
  }
  if (!((crop.growDay_C + crop.growNight_C) / 2 > crop.base_C)) {
    ctx.addIssue({
      code: 'custom',
      path: ['base_C'],
      message: WORDS.theBaseMustLieBelow,
    });
  }
  const seen = new Set<number>();
  crop.emergence.forEach((point, i) => {
    if (seen.has(point.temperature_C)) {
      ctx.addIssue({
        code: 'custom',
        path: ['emergence', i, 'temperature_C'],
        message: WORDS.thisTemperatureIsInThe,
      });
    }
    seen.add(point.temperature_C);
  });
});
export type CropInput = z.infer<typeof cropInput>;

const pickOf = Object.fromEntries(VARIETY_FIGURES.map((key) => [key, true])) as {
  [K in (typeof VARIETY_FIGURES)[number]]: true;
};
/** Any of a crop's figures that a variety may have otherwise, by the crop's own bounds. */
const varietyFigures = withoutDefaults(cropShape.pick(pickOf));

/** Each field of an object optional, and left out where it is: a default would set the variety where nothing was said. */
function withoutDefaults<S extends z.ZodObject>(shape: S) {
  const fields = Object.entries(shape.shape).map(([key, field]) => [
    key,
    (field instanceof z.ZodDefault ? (field.unwrap() as z.ZodType) : (field as z.ZodType)).optional(),
  ]);
  return z.strictObject(
    Object.fromEntries(fields) as Record<string, z.ZodType>,
  ) as unknown as z.ZodType<VarietyFigures>;
}

export const varietyInput = z.strictObject({
  cropId: recordId('crop'),
  name: shortText('name', 80),
  note: freeText('note', 500),
  /** What the variety has otherwise than its crop; what is absent is the crop's. */
  figures: varietyFigures.default({}),
});
export type VarietyInput = z.infer<typeof varietyInput>;
