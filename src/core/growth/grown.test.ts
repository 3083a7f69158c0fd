import { describe, expect, it } from 'vitest';
import { logLine, pottingDetails } from '../../../tests/support/logLines.ts';
import { cropNamed } from '../../../tests/references/library.ts';
import type { BatchEvent } from '../batch/event.ts';
import type { BatchRecord } from '../batch/record.ts';
import type { CropRecord } from '../books/records.ts';
import type { World } from '../house/world.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import { thermalIntegral } from '../plan/schedule/thermalIntegral.ts';
import { growthFor, grownBy, type BatchGrown } from './grown.ts';
import { growthSaid, type GrowthShown } from './learnedGrowth.ts';
import { stageSums } from './stageSums.ts';

const tomato: CropRecord = { ...cropNamed('tomato'), version: 1 };
/** Degree-days a day gives: on the warm bench, in the house, in the cold frame. */
const GIVES: Readonly<Record<number, number>> = { 1: 10, 2: 4, 3: 1 };
const tables = {
  from: 0,
  growthOf: (_crop: unknown, placeId: number) => thermalIntegral(0, new Float64Array(400).fill(GIVES[placeId]!)),
} as unknown as SeasonTables;
const plan = (more: Partial<BatchPlan> = {}): BatchPlan =>
  ({ places: { germinate: 1, grow: 2, pot: 2, harden: 3 }, potContainerId: 6, joins: null, ...more }) as BatchPlan;
const batch = (its = plan()): BatchRecord =>
  ({ id: 7, cropId: tomato.id, varietyId: 4, lotId: null, plan: its }) as unknown as BatchRecord;

const worldOf = (more: object): World =>
  ({
    nursery: {},
    crops: [tomato],
    varieties: [],
    places: [],
    containers: [],
    programmes: [],
    covers: [],
    lots: [],
    batches: [],
    events: new Map(),
    kept: { mark: '', pottings: [], estimates: [] },
    ...more,
  }) as unknown as World;
const ofLog = (events: readonly BatchEvent[], one = batch()) =>
  grownBy(worldOf({ batches: [one], events: new Map([[7, events]]) }), () => tables)[0] ?? null;

const sown = [
  logLine('sown', 10, 60, { placeId: 1 }),
  logLine('emerged', 16, 40),
  logLine('off-heat', 18, null, { placeId: 2 }),
];
const said = (shown: readonly GrowthShown[], its = plan()) =>
  growthSaid(stageSums(tomato, its.potContainerId !== null, its.age_frac ?? 1), shown)!;

describe('what a batch shows of growth', () => {
  it('is what its places gave from half up to the day of the sign, noon to noon, each place for its days', () => {
    // Two days on the bench at 10, then 22 in the house at 4.
    const roots = logLine('sign', 40, null, { cause: 'roots' });
    expect(ofLog([...sown, roots])).toMatchObject({ batchId: 7, cropId: tomato.id, varietyId: 4, placeId: 2 });
    expect(ofLog([...sown, roots])!.value).toBeCloseTo(
      said([{ by: 'roots', grown_degreeDays: 2 * 10 + 22 * 4, leaves: null }]).value,
      9,
    );
  });

  it('a move later than the sign gives nothing to it, nor does the place before half up', () => {
    const roots = logLine('sign', 40, null, { cause: 'roots' });
    const later = logLine('moved', 41, null, { placeId: 1 });
    expect(ofLog([...sown, roots, later])!.value).toBe(ofLog([...sown, roots])!.value);
    const early = [sown[0]!, logLine('moved', 12, null, { placeId: 3 }), logLine('moved', 14, null, { placeId: 1 })];
    expect(ofLog([...early, ...sown.slice(1), roots])!.value).toBe(ofLog([...sown, roots])!.value);
  });

  it('leaves are counted with the sign; a potting after a sign says nothing more', () => {
    const leaves = logLine('sign', 40, 3, { cause: 'leaves' });
    const potted = logLine('potted', 44, 38, { placeId: 2 });
    const alone = ofLog([...sown, leaves])!;
    expect(alone.value).toBeCloseTo(said([{ by: 'leaves', grown_degreeDays: 108, leaves: 3 }]).value, 9);
    expect(ofLog([...sown, leaves, potted])!.value).toBe(alone.value);
    expect(ofLog([...sown, potted])!.value).toBeCloseTo(
      said([{ by: 'potted', grown_degreeDays: 2 * 10 + 26 * 4, leaves: null }]).value,
      9,
    );
  });

  it('stands still two days after each move into another container that came before; the last only for what is seen after it', () => {
    const pricked = logLine('moved-on', 30, 38, { placeId: 2, details: pottingDetails() });
    const potted = logLine('potted', 44, 36, { placeId: 2, details: pottingDetails() });
    const touching = logLine('sign', 60, null, { cause: 'touching' });
    const given = (days: number) => 2 * 10 + (days - 18) * 4;
    // Pricked out on the day of the sign: it has not stood still yet.
    expect(ofLog([...sown, pricked, logLine('sign', 30, null, { cause: 'roots' })])!.value).toBeCloseTo(
      said([{ by: 'roots', grown_degreeDays: given(30), leaves: null }]).value,
      9,
    );
    expect(ofLog([...sown, pricked, logLine('sign', 31, null, { cause: 'roots' })])!.value).toBeCloseTo(
      said([{ by: 'roots', grown_degreeDays: given(31) - 2 * 4, leaves: null }]).value,
      9,
    );
    // The potting itself follows one move, the leaves touching two.
    const both = said([
      { by: 'potted', grown_degreeDays: given(44) - 2 * 4, leaves: null },
      { by: 'touching', grown_degreeDays: given(60) - 4 * 4, leaves: null },
    ]);
    expect(ofLog([...sown, pricked, potted, touching])).toMatchObject({ sd: both.sd });
    expect(ofLog([...sown, pricked, potted, touching])!.value).toBeCloseTo(both.value, 9);
    // Roots seen after the potting do not count the check of the potting: they were those of the cell.
    const roots = logLine('sign', 60, null, { cause: 'roots' });
    expect(ofLog([...sown, potted, roots])!.value).toBeCloseTo(
      said([{ by: 'roots', grown_degreeDays: given(60), leaves: null }]).value,
      9,
    );
  });

  it('hardening begun says it was ready; planting out says so only where it was not hardened', () => {
    const harden = logLine('hardening-started', 70, null, { placeId: 3 });
    const out = logLine('planted-out', 80, 36);
    const hardened = said([{ by: 'hardened', grown_degreeDays: 2 * 10 + 52 * 4, leaves: null }]);
    expect(ofLog([...sown, harden])).toMatchObject({ sd: hardened.sd });
    expect(ofLog([...sown, harden])!.value).toBeCloseTo(hardened.value, 9);
    expect(ofLog([...sown, harden, out])!.value).toBe(ofLog([...sown, harden])!.value);
    const straight = said([{ by: 'planted', grown_degreeDays: 2 * 10 + 62 * 4, leaves: null }]);
    expect(ofLog([...sown, out])).toMatchObject({ sd: straight.sd });
    // Between potting and hardening it stood still once.
    const potted = logLine('potted', 44, 36, { placeId: 2, details: pottingDetails() });
    expect(ofLog([...sown, potted, harden])!.value).toBeCloseTo(
      said([
        { by: 'potted', grown_degreeDays: 2 * 10 + 26 * 4, leaves: null },
        { by: 'hardened', grown_degreeDays: 2 * 10 + 50 * 4, leaves: null },
      ]).value,
      9,
    );
  });

  it('is held against the sums of its own route and age', () => {
    const harden = logLine('hardening-started', 70, null, { placeId: 3 });
    const young = plan({ age_frac: 0.7, potContainerId: null });
    const grown = { by: 'hardened', grown_degreeDays: 2 * 10 + 52 * 4, leaves: null } as const;
    expect(ofLog([...sown, harden], batch(young))!.value).toBeCloseTo(said([grown], young).value, 9);
    expect(said([grown], young).value).not.toBeCloseTo(said([grown]).value, 2);
  });

  it('nothing from plugs, a batch left out, one not up yet, or one that has shown nothing', () => {
    const roots = logLine('sign', 40, null, { cause: 'roots' });
    const left = logLine('left-out', 41, null, { cause: 'mice' });
    expect(ofLog([...sown, roots])).not.toBeNull();
    expect(ofLog([...sown, roots, left])).toBeNull();
    expect(ofLog(sown)).toBeNull();
    expect(ofLog([...sown, logLine('note', 40)])).toBeNull();
    expect(ofLog([sown[0]!, logLine('note', 40), roots].filter((e) => e !== roots))).toBeNull();
    const plugs = plan({ joins: { stage: 'grow', on: 10 } as BatchPlan['joins'] });
    expect(ofLog([...sown, roots], batch(plugs))).toBeNull();
  });
});

describe('what was kept of it', () => {
  const book = stageSums(tomato, false).ready_degreeDays;
  const kept = (book_degreeDays: number) => ({
    batchId: 9,
    taught: 'growth',
    logId: 3,
    cropId: tomato.id,
    varietyId: 4,
    lotId: null,
    placeId: 2,
    estimate: { value: 0.1, sd: 0.08, book_degreeDays },
    keptAt: '',
  });
  const read = (book_degreeDays: number) =>
    grownBy(worldOf({ kept: { mark: '', pottings: [], estimates: [kept(book_degreeDays)] } }), () => tables)[0]!;

  it('stands while the book asks for the same growth, and is turned round when it asks for more', () => {
    expect(read(book)).toMatchObject({ batchId: 9, varietyId: 4, placeId: 2, sd: 0.08, book_degreeDays: book });
    expect(read(book).value).toBeCloseTo(0.1, 12);
    // The book asked for half as much then: what was 10% above it is 45% below it now.
    expect(read(book / 2).value).toBeCloseTo(0.1 + Math.log(0.5), 12);
  });
});

describe('growth a batch needs here', () => {
  const one = (batchId: number, value: number, cropId = 1): BatchGrown => ({
    batchId,
    cropId,
    varietyId: 4,
    placeId: 2,
    value,
    sd: 0.08,
    book_degreeDays: 500,
  });
  const target = { cropId: 1, varietyId: 4, placeId: 2 };
  it('goes by the batches of its own crop, counts them all and learns from the latest thirty', () => {
    const slow = Array.from({ length: 8 }, (_, i) => one(i, Math.log(1.3)));
    const quick = Array.from({ length: 8 }, (_, i) => one(100 + i, Math.log(0.7), 2));
    const { factor, batches_count } = growthFor([...quick, ...slow], target);
    expect(batches_count).toBe(8);
    expect(factor).toBeGreaterThan(1.2);
    const later = Array.from({ length: 30 }, (_, i) => one(200 + i, 0));
    expect(growthFor([...slow, ...later], target)).toMatchObject({ factor: 1, batches_count: 38 });
    expect(growthFor([...later, ...slow], target).factor).toBeGreaterThan(1);
    expect(growthFor([], target)).toMatchObject({ factor: 1, batches_count: 0 });
  });

  it('is another for another variety or place', () => {
    const slow = Array.from({ length: 8 }, (_, i) => one(300 + i, Math.log(1.3)));
    const own = growthFor(slow, target).factor;
    expect(growthFor(slow, { ...target, placeId: 9 }).factor).toBeLessThan(own);
    expect(growthFor(slow, { ...target, varietyId: 9 }).factor).toBeLessThan(own);
    expect(growthFor(slow, target).factor).toBe(own);
  });
});
