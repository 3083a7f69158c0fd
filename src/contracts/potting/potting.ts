import { z } from 'zod';
import type { Explanation } from '../../core/explanation.ts';
import type { Sign } from '../../core/batch/event.ts';
import type { Container } from '../../core/books/container.ts';

import type { PartNeed } from '../../core/potting/mix.ts';
import type { PottingJob, Ready } from '../../core/potting/ready.ts';
import type { PlannedLine, Range } from '../../core/potting/session.ts';
import type { PottingSettings } from '../../core/potting/settings.ts';
import { STOCK_KINDS, STOCK_UNITS, type StockKind, type StockUnit } from '../../core/potting/stock.ts';
import type { Worked } from '../../core/potting/timer.ts';
import { idempotencyKey } from '../batch/batches.ts';
import { figure, freeText, isoDay, recordId, shortText, version, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/potting/pottingContracts.ts';

export const mixInput = z.strictObject({
  name: shortText('name', 80),
  parts: z
    .array(z.strictObject({ itemId: recordId('part'), parts: figure('parts', 0, 1000) }))
    .min(1, { error: WORDS.partsAMixIsMade })
    .max(20, { error: WORDS.partsAtMost20 })
    .refine((parts) => parts.reduce((sum, p) => sum + p.parts, 0) > 0, {
      error: `parts: ${WORDS.theyAddUpToNothing}`,
    })
    .refine((parts) => new Set(parts.map((p) => p.itemId)).size === parts.length, {
      error: WORDS.partsOneOfThemIs,
    }),
  note: freeText('note', 500),
});
export type MixInput = z.infer<typeof mixInput>;

export const feedInput = z
  .strictObject({
    name: shortText('name', 80),
    form: z.enum(['powder', 'liquid']),
    basis: z.enum(['w/w', 'w/v']),
    n_percent: figure('nitrogen', 0, 100),
    p_percent: figure('phosphorus', 0, 100),
    k_percent: figure('potassium', 0, 100),
    named: z.enum(['oxide', 'element']),
    rate_perL: figure(WORDS.labelRate, 0.001, 200),
    density_kg_L: figure(WORDS.weightOfALitre, 0.5, 2.5),
    ec_mS: figure(WORDS.conductivityAtTheLabelRate, 0, 20).nullable(),
    note: freeText('note', 500),
  })
  .refine((f) => f.n_percent + f.p_percent + f.k_percent <= 100, {
    error: WORDS.nitrogenPhosphorusAndPotassiumAdd,
    path: ['n_percent'],
  })
  .refine((f) => f.n_percent + f.p_percent + f.k_percent > 0, {
    error: WORDS.writeDownAtLeastOne,
    path: ['n_percent'],
  });
export type FeedInput = z.infer<typeof feedInput>;

export const stockItemInput = z.strictObject({
  name: shortText('name', 80),
  kind: z.enum(STOCK_KINDS),
  unit: z.enum(STOCK_UNITS),
  containerId: recordId('container').nullable(),
  pack: figure(WORDS.inAPack, 0, 1_000_000),
  least: figure(WORDS.leastToKeep, 0, 100_000_000),
  price: figure(WORDS.priceOfAPack, 0, 100_000).nullable(),
  feedId: recordId('feed').nullable().default(null),
  held_frac: figure(WORDS.waterItHolds, 0.02, 0.8).nullable().default(null),
});
export type StockItemInput = z.input<typeof stockItemInput>;

const frac = (name: string, most: number) => figure(name, 0, most);
export const pottingSettingsInput = z.strictObject({
  /** Of the nursery's settings. */
  version,
  setUp_min: figure(WORDS.settingOut, 0, 600),
  trolley_trays: wholeNumber(WORDS.traysPerTrip, 1, 500),
  trip_min: figure(WORDS.minutesPerTrip, 0, 120),
  settle_frac: frac('settling', 0.6),
  waste_frac: frac('waste', 0.6),
  rest_days: wholeNumber(WORDS.restDays, 0, 21),
  loss_frac: frac(WORDS.lossesAfterPotting, 0.9),
  confidence: figure('confidence', 0.5, 0.999),
  potLeaves: wholeNumber(WORDS.leavesForAPot, 1, 20),
  prickLeaves: wholeNumber(WORDS.leavesToPrickOut, 1, 10),
  mixId: recordId('mix').nullable(),
  baseMixId: recordId(WORDS.baseMix).nullable(),
  base_mm: figure(WORDS.depthOfTheBase, 0, 500),
  sowMixId: recordId(WORDS.sowingMix).nullable(),
  feedId: recordId('feed').nullable().default(null),
  feed_frac: figure(WORDS.shareOfTheLabelRate, 0.05, 1).default(0.5),
  ahead_weeks: wholeNumber(WORDS.weeksAhead, 1, 26),
}) satisfies z.ZodType<PottingSettings & { version: number }>;
export type PottingSettingsInput = z.infer<typeof pottingSettingsInput>;

export const sessionLineInput = z.strictObject({
  batchId: recordId('batch'),
  containerId: recordId('container'),
  plants: wholeNumber('plants', 1, 1_000_000),
  /** Of them, won by teasing doubles apart. */
  doubled: wholeNumber(WORDS.fromDoubles, 0, 1_000_000),
  mixId: recordId('mix').nullable(),
  baseMixId: recordId(WORDS.baseMix).nullable(),
  base_mm: figure(WORDS.depthOfTheBase, 0, 500),
  placeId: recordId('place').nullable(),
});
export type SessionLineInput = z.infer<typeof sessionLineInput>;

const sessionParts = {
  on: isoDay('day'),
  people: z
    .array(shortText('who', 40))
    .min(1, { error: WORDS.peopleAtLeastOnePair })
    .max(20, { error: WORDS.peopleAtMost20 }),
  lines: z
    .array(sessionLineInput)
    .max(200, { error: WORDS.batchesAtMost200 })
    .refine((lines) => new Set(lines.map((l) => l.batchId)).size === lines.length, {
      error: WORDS.batchesOneOfThemIs,
    }),
};
export const sessionInput = z.strictObject({
  idempotencyKey,
  on: sessionParts.on.optional(),
  batchIds: z
    .array(recordId('batch'))
    .min(1, { error: WORDS.batchesChooseAtLeastOne })
    .max(200, { error: WORDS.batchesAtMost200 }),
});
export type SessionInput = z.infer<typeof sessionInput>;
export const sessionPatch = z.strictObject({ version, ...sessionParts, closed: z.boolean() });
export type SessionPatch = z.infer<typeof sessionPatch>;

export const markInput = z.strictObject({
  idempotencyKey,
  batchId: recordId('batch'),
  kind: z.enum(['start', 'pause', 'done']),
});
export type MarkInput = z.infer<typeof markInput>;

const plants = (name: string) => wholeNumber(name, 0, 1_000_000);
export const outcomeInput = z.strictObject({
  idempotencyKey,
  batchId: recordId('batch'),
  day: isoDay('day'),
  potted: wholeNumber('potted', 1, 1_000_000),
  doubled: plants(WORDS.fromDoubles).default(0),
  culled: z.record(z.string().max(60), plants(WORDS.thrownOut)).default({}),
  leftOver: plants(WORDS.leftOver).default(0),
  /** Whether those left over go on as a batch of their own. */
  keepRest: z.boolean().default(false),
  minutes: figure('minutes', 0.1, 6000).nullable().default(null),
  people: wholeNumber('people', 1, 50).default(1),
  /** The line this replaces. */
  correctsId: recordId(WORDS.lineCorrected).nullable().default(null),
});
export type OutcomeInput = z.infer<typeof outcomeInput>;

export const stockMoveInput = z.strictObject({
  idempotencyKey,
  itemId: recordId('thing'),
  kind: z.enum(['count', 'in', 'used']),
  amount: figure(WORDS.howMuch, 0, 100_000_000),
  note: freeText('note', 200),
});
export type StockMoveInput = z.infer<typeof stockMoveInput>;

/** A session as it is kept. Days are day numbers. */
export interface SessionRecord {
  readonly id: number;
  readonly version: number;
  readonly on: number;
  readonly people: readonly string[];
  readonly lines: readonly SessionLineInput[];
  readonly closed: boolean;
}

/** A batch on the ready list. */
export interface ReadyLine extends Ready {
  readonly batchId: number;
  readonly code: string;
  readonly name: string;
  readonly plants: number;
  readonly jobWords: string;
  readonly signs: readonly Sign[];
  readonly container: string;
  readonly place: string | null;
  readonly trays: number;
  /** Tray slots it takes now, potted, and spaced out. */
  readonly slots: readonly [now: number, potted: number, spaced: number];
  readonly pot: string | null;
  /** What a week's waiting costs; null when it cannot be worked out. */
  readonly waiting: Waiting | null;
  readonly inSession: number | null;
}

export interface Waiting {
  readonly later_days: number;
  /** Plants whose roots would have run round the cell by then: checked, and slower to start. */
  readonly checked_count: number;
  readonly price: number;
}

export interface RoomLine {
  readonly placeId: number;
  readonly name: string;
  readonly room: number;
  readonly before: number;
  readonly after: number;
  readonly spaced: number;
  /** First day over room after the session, and its last; null when it all fits. */
  readonly over: { readonly from: number; readonly to: number; readonly most: number } | null;
  /** What stands there and could go first, soonest first. */
  readonly couldGo: readonly {
    readonly batchId: number;
    readonly name: string;
    readonly slots: number;
    readonly on: number;
    readonly to: string;
  }[];
  readonly offers: readonly RoomOffer[];
}

export interface RoomOffer {
  readonly batchId: number;
  readonly name: string;
  readonly kind: 'place' | 'day';
  readonly placeId: number | null;
  readonly place: string;
  readonly on: number;
  readonly later_days: number;
  readonly price: number;
}

export interface SessionLineView extends SessionLineInput {
  readonly name: string;
  readonly code: string;
  readonly job: PottingJob;
  /** Plants there are to be potted, and how many of the best to keep. */
  readonly there: number;
  readonly keep: number;
  readonly wanted: number;
  readonly fromPlace: string | null;
  readonly toPlace: string | null;
  readonly spare_days: number;
  readonly planned: PlannedLine | null;
  readonly wrong: string | null;
  readonly worked: Worked;
  /** Doubled and empty cells by the last photos of its trays; null: none was counted in. */
  readonly photo: { readonly on: number; readonly doubled: number; readonly empty: number } | null;
  readonly outcome: OutcomeView | null;
}

export interface OutcomeView {
  readonly eventId: number;
  readonly day: number;
  readonly potted: number;
  readonly doubled: number;
  readonly culled: Readonly<Record<string, number>>;
  readonly leftOver: number;
  readonly minutes: number | null;
  readonly people: number;
  readonly corrected: boolean;
}

export interface SessionView extends Omit<SessionRecord, 'lines'> {
  readonly today: number;
  readonly lines: readonly SessionLineView[];
  readonly minutes: Range;
  readonly setUp_min: number;
  readonly carry_min: number;
  readonly trips: number;
  readonly plants: number;
  readonly labels: number;
  readonly pots: readonly {
    readonly containerId: number;
    readonly name: string;
    readonly count: number;
    readonly trays: number;
    readonly have: number | null;
  }[];
  readonly mixes: readonly { readonly name: string; readonly litres: number; readonly recipe: string }[];
  readonly parts: readonly (PartNeed & { readonly have: number | null })[];
  readonly explanation: Readonly<Record<'minutes' | 'litres' | 'order', Explanation>>;
  readonly room: readonly RoomLine[];
  readonly rest_days: number;
  readonly choices: {
    readonly containers: readonly Container[];
    readonly mixes: readonly { readonly id: number; readonly name: string }[];
    readonly places: readonly { readonly id: number; readonly name: string }[];
    readonly batches: readonly { readonly id: number; readonly name: string }[];
  };
}

export interface StockLine {
  readonly id: number;
  readonly name: string;
  readonly kind: StockKind;
  readonly unit: StockUnit;
  readonly pack: number;
  readonly least: number;
  readonly price: number | null;
  readonly have: number;
  readonly counted: boolean;
  readonly check: boolean;
  readonly need: number;
  /** Used by sessions in the last four weeks. */
  readonly used: number;
  readonly buy: number;
  readonly packs: number | null;
  readonly last: readonly {
    readonly kind: string;
    readonly amount: number;
    readonly day: number;
    readonly note: string;
    /** Person who wrote it; null: nobody said. */
    readonly authorId: number | null;
  }[];
}

/** What a nursery pots with to begin from; numbers are the seed's own. */
export interface PottingSeed {
  readonly items: readonly (StockItemInput & { readonly id: number })[];
  readonly mixes: readonly (MixInput & { readonly id: number })[];
  readonly feeds: readonly FeedInput[];
  readonly settings: Partial<PottingSettings>;
  /** What was counted of each thing, in its unit; none for a new nursery. */
  readonly counts: Readonly<Record<number, number>>;
  readonly countedOn: string | null;
}
