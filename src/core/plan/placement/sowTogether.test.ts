import { describe, expect, it } from 'vitest';
import { cropNamed, crops } from '../../../../tests/references/library.ts';
import { lotRange, shareChambers, type LotToSow } from './sowTogether.ts';

const lot = (name: string, trays = 2): LotToSow => ({ id: cropNamed(name).id, crop: cropNamed(name), trays });
const share = (lots: readonly LotToSow[], chambers: number, school: 'none' | 'gentle' | 'same' = 'same') =>
  shareChambers(
    lots,
    lots.map((one) => lotRange(one, school, 18)),
    chambers,
  );

describe('sowing together', () => {
  it('shows the days of the published table at its own temperatures', () => {
    // Harrington & Minges 1954: tomato half up in 5.9 days at 25 degrees C; lettuce 2.2 at 25 (tables shipped with the crops).
    const at = (name: string, t: number) => lotRange(lot(name), 'same', 18).at.find((a) => a.temperature_C === t)!.days;
    expect(at('tomato', 25)).toBeCloseTo(5.9, 1);
    const tabled = cropNamed('lettuce').emergence.find((p) => p.temperature_C === 25)!.days as number;
    expect(at('lettuce', 25)).toBeCloseTo(tabled, 6);
  });

  it('two chambers part warm from cool, and lose less than one', () => {
    const lots = ['tomato', 'pepper', 'aubergine', 'lettuce', 'cabbage', 'leek'].map((name) => lot(name));
    const [one, two, three] = [1, 2, 3].map((n) => share(lots, n));
    expect(two!.chambers).toHaveLength(2);
    const [cool, warm] = two!.chambers;
    expect(cool!.setPoint_C).toBeLessThan(warm!.setPoint_C);
    const warmIds = warm!.lots.map((l) => l.id);
    for (const name of ['pepper', 'aubergine']) expect(warmIds).toContain(cropNamed(name).id);
    for (const name of ['cabbage', 'leek']) expect(cool!.lots.map((l) => l.id)).toContain(cropNamed(name).id);
    expect(two!.lost_trayDays).toBeLessThan(one!.lost_trayDays);
    expect(three!.lost_trayDays).toBeLessThanOrEqual(two!.lost_trayDays);
  });

  it('gives no lot a temperature outside its range, and every lot is somewhere or waits', () => {
    const lots = crops.map((crop, i) => ({ id: crop.id, crop, trays: 1 + (i % 4) }));
    for (const school of ['none', 'gentle', 'same'] as const) {
      const ranges = lots.map((one) => lotRange(one, school, 18));
      for (const n of [1, 2, 3]) {
        const sharing = shareChambers(lots, ranges, n);
        const placed = sharing.chambers.flatMap((chamber) =>
          chamber.lots.map((l) => ({ ...l, at: chamber.setPoint_C })),
        );
        expect([...placed.map((l) => l.id), ...sharing.wait].sort((a, b) => a - b)).toEqual(
          lots.map((l) => l.id).sort((a, b) => a - b),
        );
        for (const one of placed) {
          const range = ranges.find((r) => r.id === one.id)!;
          expect(one.at).toBeGreaterThanOrEqual(range.low_C);
          expect(one.at).toBeLessThanOrEqual(range.high_C);
        }
      }
    }
  });

  it('keeps cool crops under the nursery’s rule: gentle, or no heat at all', () => {
    const lots = [lot('tomato'), lot('lettuce')];
    const gentle = share(lots, 2, 'gentle');
    const lettuce = cropNamed('lettuce').id;
    expect(gentle.chambers.find((c) => c.lots.some((l) => l.id === lettuce))!.setPoint_C).toBeLessThanOrEqual(18);
    const cold = share(lots, 2, 'none');
    const where = cold.chambers.find((c) => c.lots.some((l) => l.id === lettuce));
    expect(where === undefined || where.setPoint_C <= 7).toBe(true);
  });

  it('agrees with trying every pair of degrees by hand', () => {
    const lots = ['tomato', 'lettuce', 'onion', 'cucumber'].map((name, i) => lot(name, i + 1));
    const ranges = lots.map((one) => lotRange(one, 'same', 18));
    let least = Infinity;
    for (let a = 5; a <= 35; a++) {
      for (let b = a; b <= 35; b++) {
        let lost = 0;
        lots.forEach((one, i) => {
          const of = [a, b].map((t) => {
            const here = ranges[i]!.at.find((x) => x.temperature_C === t)!;
            if (!here.allowed) return 14;
            const allowed = ranges[i]!.at.filter((x) => x.allowed);
            const days = here.days! - Math.min(...allowed.map((x) => x.days!));
            const share_ = Math.max(...allowed.map((x) => x.share_frac ?? 1)) - (here.share_frac ?? 1);
            return Math.min(14, days + 20 * share_);
          });
          lost += Math.min(...of) * one.trays;
        });
        least = Math.min(least, lost);
      }
    }
    expect(share(lots, 2).lost_trayDays).toBeCloseTo(least, 9);
  });
});
