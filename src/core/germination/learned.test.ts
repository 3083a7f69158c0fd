import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { cropOf } from '../books/cropOf.ts';
import { daysToEmerge, germinationRate } from './germinationRate.ts';
import type { World } from '../house/world.ts';
import { learnedFor, slowedCrop, taughtBy, varietiesToPlanBy, type BatchTaught } from './learned.ts';
import { learn } from './learning.ts';
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
