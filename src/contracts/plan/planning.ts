import { z } from 'zod';
import { dayFromIso, weekdayOf } from '../../core/calendar/dayNumber.ts';
import { batchInput, batchPatch, idempotencyKey, places, plannedSteps, sizeOut } from '../batch/batches.ts';
import { figure, isoDay, recordId, shortText, temperature_C, version, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/plan/planning.ts';

const monday = isoDay('week').refine((iso) => weekdayOf(dayFromIso(iso) ?? 3) === 1, {
  error: WORDS.weekTheDateOfIts,
});
const weekSetPoint = z.strictObject({ week: monday, setPoint_C: temperature_C('set-point').nullable() });

/** Set-points of places by week, each place with the version it was read at. */
export const placeSetPoints = z
  .array(
    z.strictObject({
      placeId: recordId('place'),
      version,
      setPoints: z.array(weekSetPoint).max(520, { error: WORDS.setPointsAtMostTen }),
    }),
  )
  .max(200, { error: WORDS.setPointsAtMost200 });

/** A batch to be made: the same key twice makes it once; with the set-points of weeks in which nothing stood where it goes. */
export const batchToMake = batchInput.extend({ idempotencyKey, setPoints: placeSetPoints.default([]) });
export type BatchToMake = z.infer<typeof batchToMake>;

/** A plan of the season, or part of one, taken over in one step. Versions are those it was made from. */
export const planChangeInput = z.strictObject({
  idempotencyKey,
  words: shortText(WORDS.whatWasDone, 400),
  batches: z
    .array(
      z.strictObject({
        id: recordId('batch'),
        version,
        places: places.optional(),
        steps: plannedSteps.optional(),
        transplantOn: isoDay(WORDS.transplantDate).optional(),
        age_frac: sizeOut.optional(),
        pinned: z.boolean().optional(),
      }),
    )
    .max(2000, { error: WORDS.batchesAtMost2000In }),
  setPoints: placeSetPoints,
  /** Room of places, where a what-if is taken over that changed it. */
  rooms: z
    .array(z.strictObject({ placeId: recordId('place'), version, room_trays: figure('room', 0, 100_000) }))
    .max(200)
    .default([]),
});
export type PlanChangeInput = z.infer<typeof planChangeInput>;

export const undoInput = z.strictObject({ idempotencyKey, changeId: recordId('change') });
export type UndoInput = z.infer<typeof undoInput>;

/** Several batches of one crop made in one step. */
export const familyInput = z
  .strictObject({
    idempotencyKey,
    batch: batchInput,
    kind: z.enum(['succession', 'insurance']),
    every_days: wholeNumber(WORDS.daysBetween, 1, 120),
    times: wholeNumber(WORDS.howMany, 2, 40),
    /** Each is placed by the planner beside what stands there; else all have the places said. */
    placed: z.boolean().default(false),
    /** For an insurance batch: its plants as a share of the first. */
    share_frac: figure(WORDS.shareOfTheFirst, 0.05, 1).default(1),
  })
  .superRefine((family, ctx) => {
    if (family.kind === 'insurance' && family.times !== 2) {
      ctx.addIssue({
        code: 'custom',
        path: ['times'],
        message: WORDS.anInsuranceBatchIsOne,
      });
    }
  });
export type FamilyInput = z.infer<typeof familyInput>;

/** A change to all batches of a family that are not sown yet. */
export const familyPatch = z.strictObject({
  idempotencyKey,
  versions: z
    .array(z.strictObject({ id: recordId('batch'), version }))
    .min(1)
    .max(100),
  change: batchPatch.omit({ version: true, transplantOn: true, cropId: true, steps: true, joins: true, pinned: true }),
  shift_days: wholeNumber(WORDS.daysToMoveBy, -365, 365).default(0),
});
export type FamilyPatch = z.infer<typeof familyPatch>;

const scenarioPlace = z.strictObject({
  id: recordId('place'),
  room_trays: figure('room', 0, 100_000),
  setPoints: z.array(weekSetPoint).max(520),
  usual_C: temperature_C(WORDS.usualSetPoint).nullable().optional(),
  /** A second film over it, or none; not said: as it is. */
  secondFilm: z.boolean().optional(),
});

/** A copy of the season's plan to try things on: only what differs from what is written down need be given. */
export const scenarioData = z.strictObject({
  places: z.array(scenarioPlace).max(200),
  batches: z
    .array(
      z.strictObject({
        id: recordId('batch'),
        version,
        places,
        steps: plannedSteps,
        transplantOn: isoDay(WORDS.transplantDate),
        age_frac: sizeOut,
      }),
    )
    .max(2000),
});
export type ScenarioData = z.infer<typeof scenarioData>;

export const scenarioInput = z.strictObject({ name: shortText('name', 80), data: scenarioData });
export type ScenarioInput = z.infer<typeof scenarioInput>;
export const scenarioPatch = scenarioInput.extend({ version });
export type ScenarioPatch = z.infer<typeof scenarioPatch>;

/** A change of the plan as listed. */
export interface PlanChangeLine {
  readonly id: number;
  readonly words: string;
  readonly doneAt: string;
  readonly undone: boolean;
  readonly undoesId: number | null;
  readonly batches_count: number;
  /** Person who made it; null: nobody said. */
  readonly authorId: number | null;
}

export interface ScenarioRecord {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly madeOn: string;
  readonly data: ScenarioData;
}
