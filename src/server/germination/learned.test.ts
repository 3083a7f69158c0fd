import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { cropOf } from '../books/cropOf.ts';
import { slowedCrop, varietiesToPlanBy } from './learned.ts';

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
