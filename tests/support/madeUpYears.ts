import type { Sequelize, Transaction } from 'sequelize';
import { isoFromDay, requireDay } from '../../src/core/calendar/dayNumber.ts';
import type { EventKind, PottingDetails } from '../../src/core/batch/event.ts';
import type { Place } from '../../src/core/books/place.ts';
import { daysToEmerge, germinationRate } from '../../src/core/germination/germinationRate.ts';
import type { Crop } from '../../src/core/books/crop.ts';
import { insertBatch, insertEvent } from '../../src/db/batch/batches.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE, DEMO_PEOPLE, DEMO_PLACES, USUAL_CONTAINERS } from '../../simulators/demoBooks.ts';
import { USUAL_STOCK } from '../../simulators/demoPotting.ts';
import { USUAL_COVERS } from '../../simulators/demoPlanting.ts';
import type { NurserySeed } from '../../bin/setUp.ts';
import { chanceOf, gammaDraw, otherTray, type OtherLot } from '../calibration/otherTrays.ts';

/** Temperature of the made-up nursery's chamber, steady: what a tray had is known. */
const CHAMBER_C = 22;
/** Crops it raises, one after another. */
export const MADE_CROPS = ['tomato', 'lettuce', 'cabbage', 'pepper', 'basil', 'leek', 'cauliflower', 'celery'] as const;
/** What is true of every lot: seeds come 1.1 times as slow as the book says, and lie apart by this much (log of their times). */
export const TRUE_LOT: OtherLot = {
  kind: 'gamma',
  spread: 0.22,
  factor: 1.1,
  tray_sd: 0.05,
  share: 0.86,
  share_sd: 0.03,
};

/** Standard deviation of the log of a gamma of this shape, by drawing: what a spread learned of it should come to. */
export function trueLogSpread(spread: number): number {
  const chance = chanceOf(99);
  const logs = Array.from({ length: 200_000 }, () => Math.log(gammaDraw(chance, 1 / spread ** 2)));
  const mean = logs.reduce((a, b) => a + b) / logs.length;
  return Math.sqrt(logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / logs.length);
}

/** A nursery with the demo's books and no batches, its clock on the first day of a year. */
export function yearsSeed(year: number): NurserySeed {
  const places = DEMO_PLACES.map((place): Place => {
    if (place.id !== 1) return { ...place, room_trays: 400 };
    const { temperature: _held, ...plain } = place;
    return { ...plain, periods: [{ from: '01-01', day_C: CHAMBER_C, night_C: CHAMBER_C }], room_trays: 400 };
  });
  return {
    nursery: { ...DEMO_NURSERY, outside: [...DEMO_OUTSIDE] },
    demoToday: requireDay(`${year}-01-02`),
    people: DEMO_PEOPLE,
    places,
    containers: USUAL_CONTAINERS,
    potting: USUAL_STOCK,
    covers: USUAL_COVERS,
    batches: [],
  };
}

interface Line {
  readonly kind: EventKind;
  readonly day: number;
  readonly count: number | null;
  readonly placeId?: number | null;
  readonly details?: PottingDetails;
}

/** The log of a batch sown on a day: six counts of a tray of 96, off the heat, potted, hardened, planted out on its 52nd day. */
function logOf(crop: Crop, sowOn: number, seed: number): Line[] {
  const half_days = daysToEmerge(germinationRate(crop), CHAMBER_C)!;
  const days = [0.7, 0.9, 1.05, 1.2, 1.45, 1.9].map((share) => Math.max(2, Math.round(share * half_days)));
  const looks = [...new Set(days)].sort((a, b) => a - b);
  const tray = otherTray(
    chanceOf(seed),
    TRUE_LOT,
    96,
    looks.map((day) => day / half_days),
  );
  const lines: Line[] = [{ kind: 'sown', day: sowOn, count: 96, placeId: 1 }];
  tray.looks.forEach(({ up }, i) => lines.push({ kind: 'counted', day: sowOn + looks[i]!, count: up }));
  const up = tray.looks.at(-1)!.up;
  const off = sowOn + looks.at(-1)!;
  const pot = Math.max(off + 1, sowOn + 28);
  const details: PottingDetails = {
    containerId: 5,
    doubled: 0,
    culled: {},
    leftOver: 0,
    minutes: 12 + (seed % 5),
    people: 1,
    sessionId: null,
  };
  lines.push(
    { kind: 'off-heat', day: off, count: null, placeId: 3 },
    { kind: 'potted', day: pot, count: up, placeId: 5, details },
    { kind: 'watered', day: pot, count: null },
    { kind: 'hardening-started', day: pot + 14, count: null, placeId: 6 },
    { kind: 'rung', day: pot + 17, count: 2 },
    { kind: 'planted-out', day: pot + 24, count: up },
  );
  return lines;
}

/** A batch of the made-up nursery with all that comes to be logged of it. */
export interface MadeBatch {
  readonly id: number;
  readonly lines: readonly Line[];
}

/**
 * Makes a year's batches: sown evenly from February to July, crop after crop.
 * @param ids the crops of the library by name
 */
export async function makeYear(
  db: Sequelize,
  year: number,
  batches: number,
  ids: ReadonlyMap<string, Crop & { readonly id: number }>,
): Promise<MadeBatch[]> {
  const first = requireDay(`${year}-02-01`);
  return db.transaction(async (transaction: Transaction) => {
    const made: MadeBatch[] = [];
    for (let i = 0; i < batches; i++) {
      const crop = ids.get(MADE_CROPS[i % MADE_CROPS.length]!)!;
      const sowOn = first + Math.floor((i * 170) / batches);
      const plan = {
        plantsWanted: 70,
        spare_frac: 0.15,
        transplantOn: sowOn + 56,
        hardening_days: 10,
        places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
        sowContainerId: 2,
        potContainerId: 5,
      };
      const batch = await insertBatch(
        db,
        { cropId: crop.id, varietyId: null, lotId: null, plan, note: '', splitFromId: null },
        transaction,
      );
      made.push({ id: batch.id, lines: logOf(crop, sowOn, 10_000 * year + i) });
    }
    return made;
  });
}

/** Logs what comes to pass after one day and up to another. */
export async function logBetween(
  db: Sequelize,
  made: readonly MadeBatch[],
  after: number,
  upTo: number,
): Promise<void> {
  await db.transaction(async (transaction: Transaction) => {
    for (const { id, lines } of made)
      for (const [j, line] of lines.entries()) {
        if (line.day <= after || line.day > upTo) continue;
        const idempotencyKey = `years-${id}-${j}`;
        const recordedAt_ms = Date.parse(`${isoFromDay(line.day)}T08:00:00Z`);
        await insertEvent(
          {
            placeId: null,
            details: null,
            ...line,
            batchId: id,
            note: '',
            cause: '',
            correctsId: null,
            snapshot: null,
            idempotencyKey,
            requestHash: idempotencyKey,
            recordedAt_ms,
          },
          transaction,
        );
      }
  });
}

/** Sets the made-up nursery's clock to seven in the morning of a day. */
export async function setDay(db: Sequelize, day: number): Promise<void> {
  await db.query(
    `UPDATE nursery SET demo_clock = demo_clock || jsonb_build_object('at_ms', $1::float8, 'running', false)`,
    { bind: [Date.parse(`${isoFromDay(day)}T07:00:00Z`)] },
  );
}
