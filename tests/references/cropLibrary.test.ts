import { describe, expect, it } from 'vitest';
import { cropInput } from '../../src/contracts/books.ts';
import { TABLE_SOURCE } from '../../src/contracts/cropLibrary.ts';
import { daysToEmerge, germinationRate } from '../../src/core/germination/germinationRate.ts';
import { ruleWeeks, stageSums } from '../../src/core/growth/stageSums.ts';
import { cropNamed, crops, texts } from './library.ts';

// The library's own file, read here by plain splitting, against what the application makes of it.
const [heading, ...lines] = texts.crops.split('\n').filter((line) => line && !line.startsWith('#'));
const columns = heading!.split(',');
const rows = lines.map((line) => Object.fromEntries(line.split(',').map((cell, i) => [columns[i]!, cell])));

describe('the crop library', () => {
  it('is read whole: every figure of every line', () => {
    expect(rows).toHaveLength(36);
    rows.forEach((row, i) => {
      const crop = crops[i]!;
      expect({
        crop: crop.name,
        group: crop.group,
        light: crop.light.charAt(0).toUpperCase(),
        depth_mm: String(crop.depth_mm),
        germ_min_C: String(crop.germMin_C),
        germ_best_C: String(crop.germBest_C),
        germ_max_C: String(crop.germMax_C),
        grow_day_C: String(crop.growDay_C),
        grow_night_C: String(crop.growNight_C),
        base_C: String(crop.base_C),
        weeks_low: String(crop.weeksLow),
        weeks_high: String(crop.weeksHigh),
        hardiness: crop.hardiness,
        plant_soil_min_C: String(crop.plantSoilMin_C),
        plant_night_min_C: String(crop.plantNightMin_C),
        weeks_from_last_frost: String(crop.weeksFromLastFrost),
      }).toEqual(row);
    });
  });

  it.each(crops.map((crop) => [crop.name, crop] as const))(
    '%s could be typed in by hand and makes sense',
    (_, crop) => {
      const { id: _id, ...line } = crop;
      expect(cropInput.safeParse(line).error?.issues ?? []).toEqual([]);
      const best = daysToEmerge(germinationRate(crop), crop.germBest_C)!;
      expect(best).toBeGreaterThan(1);
      expect(best).toBeLessThan(25);
      expect(daysToEmerge(germinationRate(crop), -5)).toBeNull();
      for (const potted of [true, false]) {
        const sums = stageSums(crop, potted);
        expect(sums.ready_degreeDays).toBeGreaterThan(0);
        expect(sums.overAge_degreeDays).toBeGreaterThan(sums.ready_degreeDays);
        if (potted) {
          expect(sums.pot_degreeDays!).toBeLessThan(sums.space_degreeDays!);
          expect(sums.space_degreeDays!).toBeLessThan(sums.ready_degreeDays);
        } else expect([sums.pot_degreeDays, sums.space_degreeDays]).toEqual([null, null]);
      }
    },
  );

  it('says where each figure comes from, and that it is from memory', () => {
    for (const crop of crops) expect(crop.source).toMatch(/from memory/);
    expect(cropNamed('tomato').source).toBe(TABLE_SOURCE);
    expect(cropNamed('kale').source).toMatch(/table of cabbage, a near relative/);
    expect(cropNamed('zinnia').emergence).toEqual([]);
  });

  it('agrees with figures of the trade (common practice, no source)', () => {
    // "Emergence of bagged tomato at 21-22: 3-5 days for the first"; the first 5% at 0.72 of the median.
    const tomato = daysToEmerge(germinationRate(cropNamed('tomato')), 21.5)! * 0.72;
    expect(tomato).toBeGreaterThan(3);
    expect(tomato).toBeLessThan(6);
    // "Tomato, seed to sale: 5 weeks (4 + 1 hardening) to 8; a plant sale works on 7; peppers 8-10".
    expect(ruleWeeks(cropNamed('tomato'))).toBe(7);
    expect([cropNamed('pepper').weeksLow, cropNamed('pepper').weeksHigh]).toEqual([8, 10]);
    // "Warm crops go out 1-2 weeks after the last frost; hardy crops 4-6 weeks before": within the library's span.
    for (const crop of crops) {
      if (crop.hardiness === 'tender') expect(crop.weeksFromLastFrost, crop.name).toBeGreaterThanOrEqual(1);
      if (crop.hardiness === 'tropical') expect(crop.weeksFromLastFrost, crop.name).toBeGreaterThanOrEqual(2);
      if (crop.hardiness === 'hardy') expect(crop.weeksFromLastFrost, crop.name).toBeLessThanOrEqual(-3);
    }
    // "Hardening: 7-10 days soft crops".
    for (const crop of crops.filter((c) => c.hardiness !== 'hardy')) {
      expect(crop.hardening_days, crop.name).toBeGreaterThanOrEqual(7);
      expect(crop.hardening_days, crop.name).toBeLessThanOrEqual(10);
    }
  });
});
