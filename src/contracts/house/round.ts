import { z } from 'zod';
import { dayFromIso } from '../../core/calendar/dayNumber.ts';
import { CAN_WAIT, HALVES, JOB_STAGES } from '../../core/house/houseJob.ts';
import { JOB_KEY, ROUND_LINE_KINDS } from '../../core/house/roundLine.ts';
import { USUAL_MINUTES } from '../../core/house/minutes.ts';
import { saidOf } from '../../words/en/codes.ts';
import type { Call } from '../call.ts';
import { figure, freeText, isoDay, monthDay, recordId, shortText, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/house/roundContract.ts';

const choice = <const T extends readonly [string, ...string[]]>(name: string, of: T) =>
  z.enum(of, { error: WORDS.oneOf(name, of.map(saidOf).join(', ')) });

/** A job of the house: for a place, a batch, or a crop's batches at a stage; for the whole house where none is named. */
export const houseJobInput = z
  .strictObject({
    name: shortText(WORDS.job, 80),
    minutes: figure('minutes', 0.5, 600),
    firstOn: isoDay(WORDS.firstDay),
    every_days: wholeNumber(WORDS.daysBetween, 1, 366).nullable(),
    lastOn: isoDay(WORDS.lastDay).nullable(),
    yearFrom: monthDay(WORDS.partOfTheYear).nullable(),
    yearTo: monthDay(WORDS.partOfTheYear).nullable(),
    half: choice(WORDS.halfOfTheDay, HALVES).nullable(),
    canWait: choice(WORDS.canWait, CAN_WAIT),
    placeId: recordId('place').nullable(),
    batchId: recordId('batch').nullable(),
    cropId: recordId('crop').nullable(),
    stage: choice('stage', JOB_STAGES).nullable(),
    personId: recordId('person').nullable(),
  })
  .superRefine((job, ctx) => {
    const wrong = (path: keyof typeof job, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (job.lastOn !== null && dayFromIso(job.lastOn)! < dayFromIso(job.firstOn)!)
      wrong('lastOn', WORDS.lastDayBeforeTheFirst);
    if ((job.yearFrom === null) !== (job.yearTo === null))
      wrong(job.yearFrom === null ? 'yearFrom' : 'yearTo', WORDS.bothDaysOfTheYear);
    if (job.cropId !== null && job.stage === null) wrong('stage', WORDS.atWhichStage);
    if (job.cropId === null && job.stage !== null) wrong('cropId', WORDS.ofWhichCrop);
    if ([job.placeId, job.batchId, job.cropId].filter((id) => id !== null).length > 1)
      wrong('placeId', WORDS.oneOfPlaceBatchAndCrop);
  });
export type HouseJobInput = z.infer<typeof houseJobInput>;

const seen = z.boolean().nullable();
const WORK = ['own', ...Object.keys(USUAL_MINUTES)] as [string, ...string[]];

/** A line of the round. */
export const roundLineInput = z
  .strictObject({
    idempotencyKey: z.string().min(8, { error: WORDS.keyLength }).max(64, { error: WORDS.keyLength }),
    kind: choice(WORDS.line, ROUND_LINE_KINDS),
    jobKey: z.string().regex(JOB_KEY, { error: WORDS.notAJob }),
    day: isoDay(WORDS.day),
    forPersonId: recordId('person').nullable().default(null),
    minutes: figure('minutes', 0, 1440).nullable().default(null),
    work: choice(WORDS.work, WORK).nullable().default(null),
    trays: figure(WORDS.trays, 0, 100_000).nullable().default(null),
    look: z.strictObject({ readsRight: seen, inCell: seen, leadsDry: seen }).nullable().default(null),
    note: freeText(WORDS.note, 2000),
    correctsId: recordId(WORDS.line).nullable().default(null),
  })
  .superRefine((line, ctx) => {
    const wrong = (path: keyof typeof line, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (line.kind === 'timed')
      for (const path of ['minutes', 'work', 'trays'] as const) if (line[path] === null) wrong(path, WORDS.timedWants);
    if ((line.kind === 'withdrawn') !== (line.correctsId !== null)) wrong('correctsId', WORDS.whichLineIsTakenBack);
    if (line.kind === 'note' && line.note === '') wrong('note', WORDS.noteWantsWords);
    if (line.kind === 'taken' && line.forPersonId === null) wrong('forPersonId', WORDS.whoTakesIt);
  });
export type RoundLineInput = z.input<typeof roundLineInput>;

/** Places in walking order; `was` is the order that was read. */
export const walkInput = z
  .strictObject({
    was: z.array(recordId('place')).max(500),
    places: z
      .array(
        z.strictObject({
          id: recordId('place'),
          door: freeText(WORDS.door, 40),
          level: wholeNumber(WORDS.level, -5, 20),
        }),
      )
      .max(500),
  })
  .superRefine(({ was, places }, ctx) => {
    const sorted = (ids: readonly number[]) => [...ids].sort((a, b) => a - b).join();
    if (sorted(was) !== sorted(places.map(({ id }) => id)))
      ctx.addIssue({ code: 'custom', path: ['places'], message: WORDS.everyPlaceOnce });
  });
export type WalkInput = z.infer<typeof walkInput>;

export const ROUND_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/house/round/lines',
    summary:
      'A job of the house done or put off, a job taken or given, a job timed, a look at a heated place; or a line taken back',
    body: roundLineInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/house/live',
    summary: 'Server-sent events: that something was written, from whatever device',
    status: 200,
    type: 'text/event-stream',
  },
  {
    method: 'put',
    path: '/api/house/walk',
    summary: 'Places in walking order with doors and levels; 409 when the order is no longer that which was read',
    body: walkInput,
    status: 200,
  },
];
