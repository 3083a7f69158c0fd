import { z } from 'zod';
import { LOOKS } from '../../core/watering/belief.ts';
import { WATER_LINE_KINDS, WATER_WAYS } from '../../core/watering/waterLine.ts';
import type { WaterWant } from '../../core/watering/advice.ts';
import type { Look } from '../../core/watering/belief.ts';
import type { LidAdvice } from '../../core/watering/lid.ts';
import type { LeavingPrice } from '../../core/house/leaving.ts';
import type { WetCause } from '../../core/watering/tooWet.ts';
import type { WaterWay } from '../../core/watering/waterLine.ts';
import { saidOf } from '../../words/en/codes.ts';
import { WORDS } from '../../words/en/watering/waterContract.ts';
import type { Call } from '../call.ts';
import { figure, freeText, recordId, wholeNumber } from '../fields.ts';

const choice = <const T extends readonly [string, ...string[]]>(name: string, of: T) =>
  z.enum(of, { error: WORDS.oneOf(name, of.map(saidOf).join(', ')) });

/** Batches that are watered or looked at with one tap. */
export const MOST_AT_ONCE = 300;

/** A line of the water log, of several batches where one tap is for all. */
export const waterInput = z
  .strictObject({
    idempotencyKey: z.string().min(8, { error: WORDS.keyLength }).max(64, { error: WORDS.keyLength }),
    kind: choice(WORDS.line, WATER_LINE_KINDS),
    batchIds: z
      .array(recordId(WORDS.batch))
      .max(MOST_AT_ONCE, { error: WORDS.tooMany(MOST_AT_ONCE) })
      .default([]),
    placeId: recordId(WORDS.place).nullable().default(null),
    minute: wholeNumber(WORDS.minuteOfToday, 0, 1439).nullable().default(null),
    look: choice(WORDS.look, LOOKS).nullable().default(null),
    /** Seen on the lid: drops run (wet), mist (moist) or clear (dry). */
    onLid: z.boolean().default(false),
    weight_g: figure(WORDS.weight, 20, 100_000).nullable().default(null),
    way: choice(WORDS.way, WATER_WAYS).nullable().default(null),
    litres: figure(WORDS.litres, 0, 100_000).nullable().default(null),
    fedIds: z
      .array(recordId(WORDS.batch))
      .max(MOST_AT_ONCE, { error: WORDS.tooMany(MOST_AT_ONCE) })
      .default([]),
    water_C: figure(WORDS.water_C, 0, 60).nullable().default(null),
    air_C: figure(WORDS.air_C, -40, 70).nullable().default(null),
    humidity_frac: figure(WORDS.humidity, 0, 1).nullable().default(null),
    note: freeText(WORDS.note, 2000),
    correctsId: recordId(WORDS.line).nullable().default(null),
  })
  .superRefine((line, ctx) => {
    const wrong = (path: keyof typeof line, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    const { kind } = line;
    if ((kind === 'withdrawn') !== (line.correctsId !== null)) wrong('correctsId', WORDS.whichLineIsTakenBack);
    if (line.fedIds.some((id) => kind !== 'watered' || !line.batchIds.includes(id)))
      wrong('fedIds', WORDS.fedAreWatered);
    if (kind === 'looked' && line.look === null) wrong('look', WORDS.howIsIt);
    if (line.onLid && line.look === null) wrong('look', WORDS.howIsTheLid);
    if (kind === 'weighed' && line.weight_g === null) wrong('weight_g', WORDS.whatDoesItWeigh);
    if (kind === 'weighed' && line.batchIds.length > 1) wrong('batchIds', WORDS.weighOne);
    if (kind === 'air') {
      if (line.placeId === null) wrong('placeId', WORDS.whichPlace);
      if (line.water_C === null && (line.air_C === null || line.humidity_frac === null))
        wrong(line.air_C === null ? 'air_C' : 'humidity_frac', WORDS.airOrWater);
    } else if (kind !== 'withdrawn' && line.batchIds.length === 0) wrong('batchIds', WORDS.whichBatches);
  });
export type WaterInput = z.input<typeof waterInput>;

/** A batch of a place, as water is concerned. Figures and codes; screens make the sentences. */
export interface WaterTray {
  readonly batchId: number;
  readonly code: string;
  readonly name: string;
  readonly trays: number;
  /** 'look': nobody knows how it stands. */
  readonly want: WaterWant | 'look';
  readonly way: WaterWay;
  readonly litres: number;
  readonly minutes: number;
  readonly dry_prob: number | null;
  readonly wet_prob: number | null;
  readonly share: number | null;
  /** Seed that is kept moist until it is up; and whether it has less than it must by now. */
  readonly keepMoist: boolean;
  readonly dryNow: boolean;
  readonly lid: boolean;
  /** What to do with the lid; null: nothing. */
  readonly lidAdvice: LidAdvice | null;
  /** It is fed with this watering, at half strength. */
  readonly feed: boolean;
  /** Wall-clock minute of today before which it is looked at again, and whether nobody is there then. */
  readonly again: { readonly minute: number; readonly away: boolean } | null;
  /** When it is as likely dry as not; null: later than the weather is known, or nothing is known. */
  readonly dry: { readonly day: number; readonly minute: number } | null;
  /** When it was last watered, and how it was last found. */
  readonly watered: { readonly day: number; readonly minute: number } | null;
  readonly look: { readonly look: Look; readonly day: number; readonly minute: number } | null;
  /** Chance that watered now its surface is still wet at dusk. */
  readonly wetAtDusk_prob: number | null;
  /** Chance that it is still wet at dusk as it stands, where it was watered today; null: it was not, or it is dark. */
  readonly staysWet_prob: number | null;
  /** Figures the advice rests on. */
  readonly figures: {
    readonly holds_L: number;
    readonly guessed: boolean;
    readonly cover_frac: number;
    readonly lost_mm: number | null;
    readonly ahead_mm: number;
    readonly capacity_mm: number;
    /** Dries so many times as fast as worked out, with its middle nine tenths. */
    readonly factor: number;
    readonly factorLow: number;
    readonly factorHigh: number;
    readonly looks: number;
    readonly others: number;
    /** Weight of one full tray, grams; null: never weighed when full. */
    readonly full_g: number | null;
  };
  /** Wet at dusk several evenings running: why, what to change first in front; null: it is not. */
  readonly wet: {
    readonly evenings: number;
    readonly risk: 'little' | 'some' | 'high';
    readonly causes: readonly WetCause[];
    readonly wet_h: number;
  } | null;
}

/** Feed that goes into so many litres of water. */
export interface FeedGiven {
  readonly name: string;
  readonly litres: number;
  readonly amount: number;
  readonly unit: 'g' | 'mL';
  /** Share of its label rate. */
  readonly fraction: number;
}

/** Watering a place, as the round chooses between jobs. */
export interface WaterWork {
  readonly key: string;
  readonly minutes: number;
  readonly leaving: LeavingPrice;
  readonly leavingWords: string;
  readonly weight: number;
}

/** Water of a place today. */
export interface PlaceWater {
  readonly trays: readonly WaterTray[];
  /** Feed for what is watered and fed now; null: none is fed, or the house has chosen no feed. */
  readonly feed: FeedGiven | null;
  /** Watering what wants it before tonight, as a job of the round; null: nothing does. */
  readonly work: WaterWork | null;
  readonly humidityKnown: boolean;
  readonly lightKnown: boolean;
  readonly rainUnknown: boolean;
  /** Last temperature of the water read there within a week; null: none. */
  readonly water_C: number | null;
  /** Tender crops stand there. */
  readonly tender: boolean;
  /** The hose outside may be frozen this morning. */
  readonly hoseFrozen: boolean;
  /** Frost is told for tonight: tomorrow morning it will be. */
  readonly hoseTonight: boolean;
  /** The forecast ends before the next look. */
  readonly weatherShort: boolean;
}

export const WATER_CALLS: readonly Call[] = [
  {
    method: 'post',
    path: '/api/watering/lines',
    summary:
      'Batches watered, looked at (dry, moist, wet) or one weighed; air or water read at a place; or a line taken back. The same key writes once, and what was watered within the last ten minutes is left out',
    body: waterInput,
    status: 201,
  },
  {
    method: 'get',
    path: '/api/watering/places/{id}',
    summary: 'Water and air of a place: its batches with the figures behind each, air by the hour',
    status: 200,
  },
  {
    method: 'get',
    path: '/api/watering/plan',
    summary: 'Litres and minutes a day by week, and what must be set up for some days away (away=3)',
    status: 200,
  },
];
