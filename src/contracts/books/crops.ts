import { VARIETY_FIGURES, type VarietyFigures } from '../../core/books/varietyFigures.ts';
import { z } from 'zod';
import { bandFaults, bandsOf, type BandFigures } from '../../core/growth/bands.ts';
import { ALL_STAGES } from '../../core/plan/stage.ts';
import { CROP_KINDS, PRETREATMENTS, SOWN_IN } from '../../core/books/crop.ts';
import { figure, freeText, recordId, shortText, temperature_C, wholeNumber } from '../fields.ts';

const emergencePoint = z.strictObject({
  temperature_C: temperature_C('table temperature'),
  days: z.union([figure('days to emerge', 0.1, 400), z.literal('none')]).nullable(),
  percent: figure('percent up', 0, 300).nullable(),
});

const bandFigures = z
  .strictObject({
    bearsLow_C: temperature_C('coldest it bears'),
    bearsHigh_C: temperature_C('warmest it bears'),
    comfortLow_C: temperature_C('comfortable night'),
    comfortHigh_C: temperature_C('comfortable day'),
    checkNight_C: temperature_C('night that checks it').nullable(),
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
  synonyms: freeText('other names', 300).default(''),
  botanical: freeText('botanical name', 120).default(''),
  family: freeText('family', 60).default(''),
  kind: z.enum(CROP_KINDS).default('vegetable'),
  group: z.enum(['warm', 'cool']),
  light: z.enum(['light', 'dark', 'neutral']),
  depth_mm: figure('depth', 0, 200),
  germMin_C: temperature_C('least to sow at'),
  germBest_C: temperature_C('best to sow at'),
  germMax_C: temperature_C('most to sow at'),
  germBase_C: temperature_C('germination base'),
  germCeiling_C: temperature_C('germination ceiling'),
  germBest_days: figure('days to half up at best', 0.5, 200),
  emergence: z.array(emergencePoint).max(24, { error: 'table: at most 24 temperatures' }),
  germUsual_frac: figure('usual germination', 0.01, 1).default(0.85),
  thousandSeed_g: figure('weight of a thousand seeds', 0.001, 100_000).nullable().default(null),
  storage_years: figure('life of the seed', 0.1, 50).default(3),
  pretreat: z.enum(PRETREATMENTS).default('none'),
  chill_weeks: figure('weeks of chilling', 0, 52).default(0),
  sowIn: z.enum(SOWN_IN).default('cells'),
  cellsUsual_count: wholeNumber('cells to a tray', 1, 2000).default(60),
  potUsual_cm: figure('usual pot', 1, 60).nullable().default(null),
  growDay_C: temperature_C('growing by day'),
  growNight_C: temperature_C('growing by night'),
  base_C: temperature_C('growth base'),
  growOptimum_C: temperature_C('growth optimum'),
  growCeiling_C: temperature_C('growth ceiling'),
  checkNight_C: temperature_C('night that checks it').nullable().default(null),
  boltCold_C: temperature_C('cold that makes it flower').nullable().default(null),
  boltCold_days: wholeNumber('days of such cold', 1, 200).nullable().default(null),
  boltWarm_C: figure('warmth that makes it flower', 5, 50).nullable().default(null),
  boltWarm_days: wholeNumber('days of such warmth', 1, 200).nullable().default(null),
  boltDay_h: figure('length of day that makes it flower', 8, 24).nullable().default(null),
  comfortNight_C: temperature_C('comfortable night'),
  comfortDay_C: temperature_C('comfortable day'),
  dliLeast: figure('least daily light', 0.1, 60),
  dliGood: figure('good daily light', 0.2, 60),
  bands: ownBands.default({}),
  openAirFrom: z.enum(ALL_STAGES, { error: 'open air from: a stage' }).nullable().default(null),
  weeksLow: figure('weeks, short end', 1, 60),
  weeksHigh: figure('weeks, long end', 1, 60),
  potAt_frac: figure('share of growth at potting', 0.05, 0.95),
  potted: z.boolean(),
  hardening_days: wholeNumber('hardening days', 0, 60),
  hardiness: z.enum(['hardy', 'half-hardy', 'tender', 'tropical']),
  hardyTo_C: temperature_C('harmed at'),
  plantSoilMin_C: temperature_C('soil to plant in'),
  plantNightMin_C: temperature_C('nights to plant in'),
  weeksFromLastFrost: figure('weeks from last frost', -20, 20),
  inRow_cm: figure('distance in the row', 0.5, 2000).default(30),
  rows_cm: figure('distance of rows', 0.5, 2000).default(40),
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
    ['germMin_C', 'germBest_C', 'best to sow at must be above the least'],
    ['germBest_C', 'germMax_C', 'most to sow at must be above the best'],
    ['germBase_C', 'germBest_C', 'best to sow at must be above the base'],
    ['germBest_C', 'germCeiling_C', 'the ceiling must be above the best'],
    ['base_C', 'growOptimum_C', 'the growth optimum must be above the base'],
    ['growOptimum_C', 'growCeiling_C', 'the growth ceiling must be above the optimum'],
    ['comfortNight_C', 'comfortDay_C', 'the comfortable day must be above the comfortable night'],
    ['dliLeast', 'dliGood', 'good light must be above the least'],
  ];
  for (const [low, high, message] of rising) {
    if (!((crop[low] as number) < (crop[high] as number))) ctx.addIssue({ code: 'custom', path: [high], message });
  }
  if (crop.weeksHigh < crop.weeksLow) {
    ctx.addIssue({
      code: 'custom',
      path: ['weeksHigh'],
      message: 'the long end must not be below the short end',
    });
  }
  if ((crop.pretreat === 'chill') !== crop.chill_weeks > 0) {
    ctx.addIssue({
      code: 'custom',
      path: ['chill_weeks'],
      message: 'a crop that is chilled has weeks of it, one that is not has none',
    });
  }
  for (const kind of ['boltCold', 'boltWarm'] as const)
    if ((crop[`${kind}_C`] === null) !== (crop[`${kind}_days`] === null))
      ctx.addIssue({
        code: 'custom',
        path: [`${kind}_days`],
        message: 'bolting: both the temperature and its days, or neither',
      });
  if (crop.growDay_C >= crop.growCeiling_C) {
    ctx.addIssue({
      code: 'custom',
      path: ['growCeiling_C'],
      message: 'the growth ceiling must be above growing by day',
    });
  }
  if (!((crop.growDay_C + crop.growNight_C) / 2 > crop.base_C)) {
    ctx.addIssue({
      code: 'custom',
      path: ['base_C'],
      message: 'the base must lie below the mean of growing day and night',
    });
  }
  const seen = new Set<number>();
  crop.emergence.forEach((point, i) => {
    if (seen.has(point.temperature_C)) {
      ctx.addIssue({
        code: 'custom',
        path: ['emergence', i, 'temperature_C'],
        message: 'this temperature is in the table twice',
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
