import { EXPOSURES } from '../../core/weather/siteWind.ts';
import { z } from 'zod';
import { dayFromIso, weekdayOf } from '../../core/calendar/dayNumber.ts';
import { LEAST_SURE_frac, MOST_SURE_frac } from '../../core/plan/placement/planning.ts';
import { USUAL_WEIGHTS } from '../../core/plan/placement/instance.ts';
import { figure, freeText, isoDay, monthDay, shortText, temperature_C, version, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/house/settings.ts';

export const offHeatInput = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('half-up') }),
  z.strictObject({ kind: z.literal('all-up') }),
  z.strictObject({ kind: z.literal('share'), share_frac: figure(WORDS.shareOfThoseExpected, 0.5, 0.95) }),
  z.strictObject({
    kind: z.literal('days-after'),
    days: wholeNumber(WORDS.daysAfterHalfUp, 1, 30),
  }),
]);

export const timeZone = z.string().refine(
  (zone) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: zone });
      return zone.length <= 60;
    } catch {
      return false;
    }
  },
  { error: WORDS.timeZoneANameSuch },
);

const price = (name: string) => figure(name, 0, 1000);

/** What things cost when a season is planned, in the nursery's money. */
export const weightsInput = z.strictObject({
  late_perTrayDay: price(WORDS.aTrayADayLate),
  early_perTrayDay: price(WORDS.aTrayADayEarly),
  wait_perTrayDay: price(WORDS.aTrayADayWaiting),
  discomfort_perTrayKelvin: price(WORDS.aTrayADayOutside).default(USUAL_WEIGHTS.discomfort_perTrayKelvin),
  ageing_perTrayDay: price(WORDS.aTrayADayOlder).default(USUAL_WEIGHTS.ageing_perTrayDay),
  overtime_perHour: price(WORDS.anHourBeyondTheHands).default(USUAL_WEIGHTS.overtime_perHour),
  move_perTray: price('moving a tray'),
  setPointChange: price('changing a set-point'),
  // Both follow from the tariff of heat; what is sent of them is not kept.
  heat_perkWh: price(WORDS.aKwhOfHeat),
  heatNight_factor: figure(WORDS.priceOfTheNight, 0, 2).optional(),
  unplaced_perTray: price(WORDS.aTrayLeftOut),
  mostLate_days: wholeNumber(WORDS.mostDaysLate, 0, 90),
  mostEarly_days: wholeNumber(WORDS.mostDaysEarly, 0, 60),
});

/** How the house wants its seasons planned. */
export const planningInput = z.strictObject({
  sure_frac: figure(WORDS.howSure, LEAST_SURE_frac, MOST_SURE_frac),
  hands_h: figure(WORDS.hoursOfAUsualWeek, 0, 2000).nullable(),
  handsBy: z
    .array(
      z.strictObject({
        week: isoDay('week').refine((iso) => weekdayOf(dayFromIso(iso) ?? 3) === 1, {
          error: WORDS.weekTheDateOfIts,
        }),
        hours: figure(WORDS.hoursOfThatWeek, 0, 2000),
        why: freeText('why', 80),
      }),
    )
    .max(200, { error: WORDS.weeksAtMost200 })
    .refine((list) => new Set(list.map((one) => one.week)).size === list.length, {
      error: WORDS.weeksAWeekIsThere,
    }),
  idle_C: temperature_C(WORDS.keptAtWhenEmpty).nullable(),
  sow_minPerTray: figure(WORDS.minutesToSowATray, 0, 600),
  plant_minPerTray: figure(WORDS.minutesToPlantATray, 0, 600),
});

const nurseryShape = z.strictObject({
  version,
  name: shortText('name', 80),
  placeName: freeText('place', 80),
  latitude_deg: figure('latitude', -90, 90),
  longitude_deg: figure('longitude', -180, 180),
  timeZone,
  temperatureUnit: z.enum(['C', 'F']),
  lengthUnit: z.enum(['cm', 'in']),
  currency: z
    .string({ error: WORDS.currencyThreeLettersSuchAs })
    .regex(/^[A-Z]{3}$/, { error: WORDS.currencyThreeCapitalLettersSuch })
    .optional(),
  firstWeekday: wholeNumber(WORDS.firstWeekday, 1, 7),
  lastFrost: monthDay(WORDS.meanLastFrost),
  firstFrost: monthDay(WORDS.meanFirstFrost),
  spare_frac: figure(WORDS.spareShare, 0, 3),
  offHeat: offHeatInput,
  outside: z
    .array(
      z.strictObject({ day_C: temperature_C(WORDS.usualDayOutside), night_C: temperature_C(WORDS.usualNightOutside) }),
    )
    .length(12, { error: WORDS.outsideTwelveMonths })
    .nullish(),
  /** Where they come from is told, not set: other figures than the guess are typed ones. */
  outsideBy: z.enum(['typed', 'guess', 'years']).optional(),
  height_m: figure(WORDS.heightAboveTheSeaIn, -450, 6000).nullable().optional(),
  byTheSea: z.boolean().nullable().optional(),
  coolSchool: z.enum(['none', 'gentle', 'same']).optional(),
  coolMost_C: temperature_C(WORDS.mostForCoolCrops).optional(),
  weights: weightsInput.optional(),
  planning: planningInput.optional(),
  learning: z.boolean().optional(),
  exposure: z.enum(EXPOSURES, { error: WORDS.windShelteredOpenOrExposed }).nullable().optional(),
  coldest_C: figure(WORDS.coldestNightOfAUsual, -60, 25).nullable().optional(),
  climateYears: wholeNumber(WORDS.yearsGoneBy, 5, 60).nullable().optional(),
  offHeatCool: offHeatInput.nullable().optional(),
});
type NurseryShape = z.infer<typeof nurseryShape>;

/** Months in which the last frost of spring and the first of autumn can fall, north of the tropics; in the south half a year on. */
const SPRING_MONTHS = [12, 1, 2, 3, 4, 5, 6, 7];
const AUTUMN_MONTHS = [8, 9, 10, 11, 12, 1];

/** Frost dates that belong to the other half of the earth: a slip worth asking about. */
function questionFrosts(nursery: NurseryShape, ctx: z.RefinementCtx): void {
  const { latitude_deg } = nursery;
  if (Math.abs(latitude_deg) < 23.5) return;
  const south = latitude_deg < 0;
  const half = south ? 'south' : 'north';
  const check = (key: 'lastFrost' | 'firstFrost', months: readonly number[], words: string) => {
    const month = Number(nursery[key].slice(0, 2));
    const inNorth = south ? ((month + 5) % 12) + 1 : month;
    if (!months.includes(inNorth))
      ctx.addIssue({
        code: 'custom',
        path: [key],
        message: WORDS.onIsNoSpringOr(words, nursery[key], half),
      });
  };
  check('lastFrost', SPRING_MONTHS, WORDS.meanLastFrostALast);
  check('firstFrost', AUTUMN_MONTHS, WORDS.meanFirstFrostAFirst);
}

export const nurseryInput = nurseryShape.superRefine(questionFrosts);
export type NurseryInput = z.infer<typeof nurseryInput>;

export const clockInput = z.strictObject({
  /** Local day to set the demo's clock to, at eight in the morning. */
  setTo: isoDay('day').optional(),
  running: z.boolean().optional(),
  rate: z
    .union([z.literal(1), z.literal(60), z.literal(3600), z.literal(86_400)], {
      error: 'speed: 1, 60, 3600 or 86400',
    })
    .optional(),
});
export type ClockInput = z.infer<typeof clockInput>;
