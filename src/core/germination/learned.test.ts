import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { cropOf } from '../books/cropOf.ts';
import { daysToEmerge, germinationRate } from './germinationRate.ts';
import type { World } from '../house/world.ts';
import {
  cropsToPlanBy,
  emergenceFactor,
  expectedShare,
  learnedFor,
  slowedCrop,
  taughtBy,
  varietiesToPlanBy,
  type BatchTaught,
} from './learned.ts';
import { learn } from './learning.ts';
import { logLine } from '../../../tests/support/logLines.ts';
import { DEMO_OUTSIDE, DEMO_PLACES } from '../../../simulators/demoBooks.ts';
import type { BatchEvent } from '../batch/event.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import { meanTemperature_C } from '../plan/schedule/placeClimate.ts';
import { seasonTables } from '../plan/schedule/seasonTables.ts';
import { seededRandom } from '../numerics/random.ts';

const plain = { ...cropNamed('tomato'), version: 1 };
const quick = {
  id: 4,
  version: 1,
  cropId: plain.id,
  name: 'Quick',
  note: '',
  figures: { germBest_days: plain.germBest_days / 2 },
};

describe('a variety with a time of its own in a house that is slower than the book', () => {
  it('keeps what the house has learned of its crop: half of the slow time, at every temperature', () => {
    const slow = slowedCrop(plain, 1.4);
    const varieties = varietiesToPlanBy({ crops: [plain], varieties: [quick] }, [slow]);
    const own = cropOf({ crops: [slow], varieties }, { cropId: plain.id, varietyId: 4 });
    expect(own.germBest_days).toBeCloseTo(slow.germBest_days / 2, 9);
    own.emergence.forEach((point, i) => {
      const days = slow.emergence[i]!.days;
      if (typeof days === 'number') expect(point.days).toBeCloseTo(days / 2, 9);
    });
  });

  it('and is as the books say while nothing is learned', () => {
    expect(varietiesToPlanBy({ crops: [plain], varieties: [quick] }, [plain])[0]).toBe(quick);
  });
});

describe('what was kept of a counted tray', () => {
  const batch = { id: 7, cropId: plain.id, varietyId: null, lotId: null };
  const tray = { logTime: Math.log(1.2), logTime_sd: 0.1, sigma: 0.2, sigma_logSd: 0.3, up: 80, sown: 90 };
  const at = { temperature_C: 22, book_days: daysToEmerge(germinationRate(plain), 22) };
  const worldOf = (crop: typeof plain) =>
    ({
      nursery: {},
      crops: [crop],
      varieties: [],
      places: [],
      containers: [],
      programmes: [],
      covers: [],
      lots: [],
      batches: [],
      events: new Map(),
      kept: {
        mark: '',
        pottings: [],
        estimates: [
          { ...batch, batchId: 7, taught: 'emergence', logId: 3, placeId: null, estimate: { ...tray, ...at } },
        ],
      },
    }) as unknown as World;
  const noTables = () => {
    throw new Error('nothing of a closed season is worked out again');
  };

  it('stands as it was, without any tables', () => {
    const [taught] = taughtBy(worldOf(plain), noTables);
    expect(taught).toMatchObject({ batchId: 7, up: 80, sown: 90 });
    expect(taught!.logTime).toBeCloseTo(Math.log(1.2), 12);
  });

  it('says the same days when the book is changed: twice the days in the book, half the factor', () => {
    const [taught] = taughtBy(worldOf(slowedCrop(plain, 2)), noTables);
    expect(Math.exp(taught!.logTime)).toBeCloseTo(0.6, 9);
    expect(taught!.book_days).toBeCloseTo(2 * at.book_days!, 9);
  });
});

describe('what is learned for a lot', () => {
  it('is what learning from all its crop’s trays says, asked once or again, whatever was asked between: 200 houses', () => {
    const random = seededRandom(18);
    const pick = (n: number) => Math.floor(random() * n);
    const taught: BatchTaught[] = [];
    for (let i = 0; i < 200; i++) {
      const logTime = 0.3 * (random() - 0.5);
      const one = { logTime, logTime_sd: 0.05 + 0.1 * random(), sigma: 0.15 + 0.2 * random(), sigma_logSd: 0.2 };
      const whose = { batchId: i, cropId: 1 + pick(2), varietyId: 10 + pick(2), lotId: 20 + pick(3) };
      taught.push({ ...one, ...whose, up: 60 + pick(20), sown: 90, temperature_C: 20, book_days: 6 });
      const list = [...taught];
      const target = { cropId: 1 + pick(2), varietyId: 10 + pick(3), lotId: pick(2) === 0 ? null : 20 + pick(4) };
      const but = pick(3) === 0 ? pick(i + 1) : null;
      const own = list.filter((t) => t.cropId === target.cropId && t.batchId !== but);
      const expected = learn(target, own, 0.85);
      const lot = { germination_percent: 85 / 0.98 } as never;
      const first = learnedFor(list, target, lot, but);
      expect(first.trays_count).toBe(expected.trays_count);
      expect([first.lotTrays_count, first.varietyTrays_count]).toEqual([
        expected.lotTrays_count,
        expected.varietyTrays_count,
      ]);
      expect(first.time_factor).toBeCloseTo(expected.time_factor, 12);
      expect(first.prior.sigma).toBeCloseTo(expected.prior.sigma, 12);
      expect(learnedFor(list, target, lot, but)).toEqual(first);
    }
  });
});

describe('crops and lots as plans go by them', () => {
  const trayOf = (more: Partial<BatchTaught>): BatchTaught => ({
    batchId: 1,
    cropId: plain.id,
    varietyId: null,
    lotId: null,
    logTime: Math.log(1.3),
    logTime_sd: 0.02,
    sigma: 0.2,
    sigma_logSd: 0.1,
    up: 80,
    sown: 90,
    temperature_C: 20,
    book_days: 6,
    ...more,
  });
  const slow = Array.from({ length: 12 }, (_, i) => trayOf({ batchId: i + 1 }));
  const cool = { kind: 'share', share_frac: 0.75 } as const;
  const worldOf = (nursery: object, crops = [plain]) => ({ nursery, crops }) as unknown as World;

  it('take the house’s own times when it learns and something is learned', () => {
    const [learned] = cropsToPlanBy(worldOf({ learning: true, offHeatCool: null }), slow, null);
    const factor = learnedFor(slow, { cropId: plain.id, varietyId: null, lotId: null }, null).time_factor;
    expect(factor).toBeGreaterThan(1.2);
    expect(learned!.germBest_days).toBeCloseTo(plain.germBest_days * factor, 9);
    learned!.emergence.forEach((point, i) => {
      const days = plain.emergence[i]!.days;
      expect(point.days).toBe(typeof days === 'number' ? days * factor : days);
    });
    expect(cropsToPlanBy(worldOf({ learning: false }), slow, null)[0]).toBe(plain);
    expect(cropsToPlanBy(worldOf({ learning: true }), [], null)[0]).toBe(plain);
    const others = slow.map((one) => ({ ...one, cropId: plain.id + 1 }));
    expect(cropsToPlanBy(worldOf({ learning: true }), others, null)[0]).toBe(plain);
  });

  it('crops of the cool group take the house’s rule for them off the heat, others their own', () => {
    const lettuce = { ...cropNamed('lettuce'), version: 1 };
    expect([lettuce.group, plain.group]).toEqual(['cool', 'warm']);
    const [one, other] = cropsToPlanBy(worldOf({ learning: true, offHeatCool: cool }, [lettuce, plain]), [], null);
    expect(one!.offHeat).toEqual(cool);
    expect(other).toBe(plain);
  });

  it('a crop whose times are the same to a hundredth of a day stays the same object, another rule makes it another', () => {
    const world = worldOf({ learning: true, offHeatCool: null });
    const before = cropsToPlanBy(world, slow, null);
    const hardly = slow.map((one) => ({ ...one, logTime: one.logTime + 1e-6 }));
    expect(cropsToPlanBy(world, hardly, before)[0]).toBe(before[0]);
    const more = slow.map((one) => ({ ...one, logTime: one.logTime + 0.05 }));
    expect(cropsToPlanBy(world, more, before)[0]).not.toBe(before[0]);
    const lettuce = { ...cropNamed('lettuce'), version: 1 };
    const kept = cropsToPlanBy(worldOf({ learning: true, offHeatCool: null }, [lettuce]), [], null);
    const ruled = cropsToPlanBy(worldOf({ learning: true, offHeatCool: cool }, [lettuce]), [], kept);
    expect(ruled[0]).not.toBe(kept[0]);
    expect(cropsToPlanBy(worldOf({ learning: true, offHeatCool: { ...cool } }, [lettuce]), [], ruled)[0]).toBe(
      ruled[0],
    );
  });

  it('a variety’s factor is against its crop, to a hundredth, once a tray of it was counted', () => {
    const target = { cropId: plain.id, varietyId: 4, lotId: null };
    const world = worldOf({ learning: true });
    expect(emergenceFactor(world, slow, target)).toBe(1);
    const quicker = Array.from({ length: 12 }, (_, i) => trayOf({ batchId: 50 + i, varietyId: 4, logTime: 0 }));
    const taught = [...slow, ...quicker];
    const own = learnedFor(taught, target, null).time_factor;
    const crops = learnedFor(taught, { ...target, varietyId: null }, null).time_factor;
    expect(own).toBeLessThan(crops);
    expect(emergenceFactor(world, taught, target)).toBe(Math.round((100 * own) / crops) / 100);
    expect(emergenceFactor(worldOf({ learning: false }), taught, target)).toBe(1);
    expect(emergenceFactor(world, taught, { ...target, varietyId: null })).toBe(1);
    expect(emergenceFactor(world, taught, { ...target, cropId: plain.id + 1 })).toBe(1);
  });

  it('all trays of a crop are counted, only the latest are learned from, and one may be left out', () => {
    const many = Array.from({ length: 40 }, (_, i) =>
      trayOf({ batchId: i + 1, lotId: i < 12 ? 7 : 8, logTime: i < 10 ? 2 : 0 }),
    );
    const target = { cropId: plain.id, varietyId: null, lotId: 7 };
    const learned = learnedFor(many, target, null);
    expect(learned).toMatchObject({ trays_count: 40, lotTrays_count: 12 });
    // The ten old trays that took seven times as long are forgotten.
    expect(learned.time_factor).toBeCloseTo(1, 1);
    expect(learnedFor(many, target, null, 40).trays_count).toBe(39);
    expect(learnedFor(many, target, null, 99)).toEqual(learned);
    expect(learnedFor([], target, null).trays_count).toBe(0);
  });

  it('the share thought to come is that of the lot’s test and the field', () => {
    expect(expectedShare(null)).toBe(0.85);
    expect(expectedShare({ germination_percent: 80 } as never)).toBeCloseTo(0.76, 12);
    expect(expectedShare({ germination_percent: null } as never)).toBe(0.85);
  });
});

describe('what a log teaches of coming up', () => {
  const tables = seasonTables(DEMO_PLACES, requireDay('2026-01-01'), 4 * 366, { normals: DEMO_OUTSIDE });
  const sownOn = requireDay('2027-03-10');
  const DARK = 1;
  const counts = [
    [5, 4],
    [6, 22],
    [7, 55],
    [8, 78],
    [10, 88],
    [12, 90],
  ] as const;
  const sown = logLine('sown', sownOn, 100, { placeId: DARK });
  const counted = counts.map(([day, up]) => logLine('counted', sownOn + day, up));
  const plan = { places: { germinate: DARK, grow: 3, pot: 4, harden: 6 } };
  const worldOf = (log: readonly BatchEvent[], batch: object = {}, lots: unknown[] = []) =>
    ({
      nursery: {},
      crops: [plain],
      varieties: [],
      places: DEMO_PLACES,
      containers: [],
      programmes: [],
      covers: [],
      lots,
      batches: [{ id: 3, cropId: plain.id, varietyId: 4, lotId: null, plan, ...batch }],
      events: new Map([[3, log]]),
      kept: { mark: '', pottings: [], estimates: [] },
    }) as unknown as World;
  const taughtBy1 = (log: readonly BatchEvent[], batch: object = {}, lots: unknown[] = []) =>
    taughtBy(worldOf(log, batch, lots), () => tables)[0];

  it('a tray counted while it came up: its time against the book at the temperature it had, and whose it was', () => {
    const taught = taughtBy1([sown, ...counted])!;
    const climate = tables.climateOf(DARK);
    expect(taught).toMatchObject({ batchId: 3, cropId: plain.id, varietyId: 4, lotId: null, up: 90 });
    expect(taught.temperature_C).toBeCloseTo(meanTemperature_C(climate, sownOn, sownOn + 12), 9);
    expect(taught.book_days).toBeCloseTo(daysToEmerge(germinationRate(plain), taught.temperature_C)!, 9);
    // Half of the ninety were up between the sixth and the seventh day.
    expect(Math.exp(taught.logTime) * taught.book_days!).toBeGreaterThan(6.3);
    expect(Math.exp(taught.logTime) * taught.book_days!).toBeLessThan(7.3);
  });

  it('one count, or fewer than three up, teaches nothing; nor does a batch nobody sowed', () => {
    expect(taughtBy1([sown, counted[5]!])).toBeUndefined();
    expect(taughtBy1([sown, logLine('counted', sownOn + 6, 1), logLine('counted', sownOn + 9, 2)])).toBeUndefined();
    expect(taughtBy1([logLine('arrived', sownOn, 100)])).toBeUndefined();
    expect(taughtBy1([sown, counted[3]!, counted[4]!])).toBeDefined();
  });

  it('where the log does not say where it was sown, the place of its plan; without either nothing', () => {
    const nowhere = logLine('sown', sownOn, 100);
    expect(taughtBy1([nowhere, ...counted])!.temperature_C).toBe(taughtBy1([sown, ...counted])!.temperature_C);
    const noPlace = { plan: { places: { ...plan.places, germinate: null } } };
    expect(taughtBy1([nowhere, ...counted], noPlace)).toBeUndefined();
    expect(taughtBy1([sown, ...counted], noPlace)).toBeDefined();
  });

  it('a tray still coming up is weighed by the test of its own lot, and no other', () => {
    const early = [sown, counted[0]!, counted[1]!];
    const lots = [
      { id: 8, germination_percent: 30 },
      { id: 9, germination_percent: 99 },
    ];
    const [poor, good, none] = [8, 9, null].map((lotId) => taughtBy1(early, { lotId }, lots)!);
    // Of a poor lot more of what will come is up: it is the quicker one.
    expect(poor!.logTime).toBeLessThan(good!.logTime);
    expect(none!.logTime).not.toBe(poor!.logTime);
    expect(taughtBy1(early, { lotId: 77 }, lots)!.logTime).toBe(none!.logTime);
  });

  it('trays counted singly teach as one batch, one left out with its share of the seeds', () => {
    const byTray = [1, 2].flatMap((tray) =>
      counts.map(([day, up]) => logLine('counted', sownOn + day, Math.floor(up / 2), { tray })),
    );
    const inOrder = [...byTray].sort((a, b) => a.day - b.day);
    const both = taughtBy1([sown, ...inOrder])!;
    expect(both.up).toBe(90);
    const out = logLine('left-out', sownOn + 13, null, { tray: 2 });
    const one = taughtBy1([sown, ...inOrder, out])!;
    expect(one.up).toBe(45);
    expect(one.logTime).toBeCloseTo(both.logTime, 1);
    expect(taughtBy1([sown, ...inOrder, logLine('left-out', sownOn + 13)])).toBeUndefined();
  });
});
