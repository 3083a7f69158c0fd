import { z } from 'zod';
import { ESTABLISHMENT_RESULTS, LOGGABLE_KINDS, SIGNS } from '../../core/batch/event.ts';
import { LEAST_SURE_frac, MOST_SURE_frac } from '../../core/plan/placement/planning.ts';
import { FAILURES } from '../../core/batch/failures.ts';
import { offHeatInput } from '../house/settings.ts';
import { gateModes } from '../hardening/hardening.ts';
import { figure, freeText, shortText, isoDay, recordId, version, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/batch/batchesContracts.ts';

export const places = z.strictObject({
  germinate: recordId(WORDS.placeToGerminate).nullable(),
  grow: recordId(WORDS.placeToGrowOn).nullable(),
  pot: recordId(WORDS.placeInThePot).nullable(),
  space: recordId(WORDS.placeSpacedOut).nullable().optional(),
  harden: recordId(WORDS.placeToHarden).nullable(),
});

/** Days named for the work, by step. */
export const plannedSteps = z.strictObject({
  sow: isoDay(WORDS.dayToSow).optional(),
  'off-heat': isoDay(WORDS.dayOffTheHeat).optional(),
  pot: isoDay(WORDS.dayToPot).optional(),
  space: isoDay(WORDS.dayToSpace).optional(),
  harden: isoDay(WORDS.dayToHarden).optional(),
  plant: isoDay(WORDS.dayToPlant).optional(),
});

/** More of one batch than any nursery raises in a season. */
export const MOST_PLANTS = 200_000;
const plants = wholeNumber(WORDS.plantsWanted, 1, MOST_PLANTS);

/** Growth at which a batch goes out, as a share of the usual. */
export const sizeOut = figure(WORDS.sizeAtPlantingOut, 0.4, 2);

export const batchInput = z.strictObject({
  cropId: recordId('crop'),
  varietyId: recordId('variety').nullable(),
  lotId: recordId('lot').nullable(),
  plantsWanted: plants,
  spare_frac: figure(WORDS.spareShare, 0, 3),
  transplantOn: isoDay(WORDS.transplantDate),
  hardening_days: wholeNumber(WORDS.hardeningDays, 0, 60),
  places,
  sowContainerId: recordId(WORDS.sowingTray),
  potContainerId: recordId('pot').nullable(),
  note: freeText('note', 2000),
  before_days: wholeNumber(WORDS.daysBeforeTheDateThat, 0, 60).optional(),
  after_days: wholeNumber(WORDS.daysAfterTheDateThat, 0, 60).optional(),
  weight: figure(WORDS.howMuchItMatters, 0.1, 10).optional(),
  age_frac: sizeOut.optional(),
  sure_frac: figure(WORDS.howSure, LEAST_SURE_frac, MOST_SURE_frac).nullable().optional(),
  pinned: z.boolean().optional(),
  joins: z
    .strictObject({
      stage: z.enum(['grow', 'pot']),
      on: isoDay(WORDS.dayThePlugsCome),
      age_weeks: figure(WORDS.ageOfThePlugsIn, 1, 60).nullable().optional(),
      leaves_count: wholeNumber(WORDS.trueLeavesOfThePlugs, 1, 30).nullable().optional(),
    })
    .nullable()
    .optional(),
  steps: plannedSteps.optional(),
  offHeat: offHeatInput.nullable().optional(),
  programmeId: recordId('programme').nullable().optional(),
  coverId: recordId('cover').nullable().optional(),
  gates: gateModes.partial().optional(),
});
export type BatchInput = z.infer<typeof batchInput>;

export const idempotencyKey = z
  .string({ error: 'idempotencyKey: a fresh random text for each log line' })
  .min(8, { error: 'idempotencyKey: at least 8 letters' })
  .max(100, { error: 'idempotencyKey: at most 100 letters' });

/** Any of the plan's parts, with the version it was read at. */
export const batchPatch = batchInput.partial().extend({ version, note: z.string().trim().max(2000).optional() });
export type BatchPatch = z.infer<typeof batchPatch>;

export const eventInput = z
  .strictObject({
    idempotencyKey,
    kind: z.enum(LOGGABLE_KINDS),
    day: isoDay('day'),
    count: wholeNumber('number', 0, MOST_PLANTS * 4)
      .nullable()
      .default(null),
    placeId: recordId('place').nullable().default(null),
    note: freeText('note', 2000),
    cause: freeText('cause', 120),
    correctsId: recordId(WORDS.lineCorrected).nullable().default(null),
    tray: wholeNumber('tray', 1, 2000).nullable().default(null),
    planting: z
      .strictObject({
        coverId: recordId('cover').nullable(),
        plant_cm: figure(WORDS.betweenPlantsInCm, 1, 1000),
        row_cm: figure(WORDS.betweenRowsInCm, 1, 1000),
        bed: z.string().trim().max(80, { error: WORDS.bedAtMost80Letters }),
      })
      .nullish(),
  })
  .superRefine((event, ctx) => {
    if (event.tray !== null && event.kind !== 'counted' && event.kind !== 'left-out')
      ctx.addIssue({ code: 'custom', path: ['tray'], message: WORDS.trayOnlyACountIs });
    if (event.kind === 'left-out' && event.cause === '')
      ctx.addIssue({ code: 'custom', path: ['cause'], message: WORDS.reasonSayWhyItIs });
    if (event.planting && event.kind !== 'planted-out')
      ctx.addIssue({ code: 'custom', path: ['planting'], message: WORDS.plantingBelongsToALine });
    if (event.kind === 'stood' && !(ESTABLISHMENT_RESULTS as readonly string[]).includes(event.cause))
      ctx.addIssue({
        code: 'custom',
        path: ['cause'],
        message: WORDS.howItStoodOneOf(ESTABLISHMENT_RESULTS.join(', ')),
      });
    if (event.kind !== 'sign') return;
    if (!(SIGNS as readonly string[]).includes(event.cause))
      ctx.addIssue({ code: 'custom', path: ['cause'], message: WORDS.signOneOf(SIGNS.join(', ')) });
    if (event.cause === 'leaves' && !event.count)
      ctx.addIssue({ code: 'custom', path: ['count'], message: WORDS.leavesSayHowManyTrue });
  });
export type EventInput = z.infer<typeof eventInput>;
/** The same as the screens send it: what is not said is left out. */
export type LogLine = Readonly<z.input<typeof eventInput>>;

export const splitInput = z.strictObject({
  idempotencyKey,
  version,
  day: isoDay('day'),
  count: wholeNumber(WORDS.plantsToSplitOff, 1, 1_000_000),
  transplantOn: isoDay(WORDS.transplantDate).optional(),
  note: freeText('note', 2000),
});
export type SplitInput = z.infer<typeof splitInput>;

/** A batch made by mistake: kept with its log, counted nowhere. */
export const voidInput = z.strictObject({ idempotencyKey, version, reason: shortText('reason', 200) });
export type VoidInput = z.infer<typeof voidInput>;
export const restoreInput = z.strictObject({ idempotencyKey, version });
export type RestoreInput = z.infer<typeof restoreInput>;

export const importInput = z.strictObject({
  text: z.string().max(2_000_000, { error: WORDS.fileAtMost2Mb }),
  /** false: only say what would happen. */
  commit: z.boolean(),
  idempotencyKey: idempotencyKey.optional(),
  /** Which number of a date such as 03/04/2027 is the day; absent: as the file's own dates say. */
  dateOrder: z.enum(['dmy', 'mdy']).optional(),
  /** Whether varieties that are not in the books are made with the batches. */
  makeVarieties: z.boolean().default(false),
  /** Whether lines that can be read are taken though others cannot; those come back as a file. */
  takeGood: z.boolean().default(false),
});
export type ImportInput = z.infer<typeof importInput>;

export const sowAgainInput = z.strictObject({
  idempotencyKey,
  cause: z.enum(FAILURES, { error: WORDS.causeOneOf(FAILURES.join(', ')) }),
  /** Whether the old tray is given up. */
  endOld: z.boolean(),
});
export type SowAgainInput = z.infer<typeof sowAgainInput>;
