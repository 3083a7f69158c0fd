import { describe, expect, it } from 'vitest';
import { cropInput } from '../../src/contracts/books/crops.ts';
import { TABLE_SOURCE } from '../../src/contracts/books/cropLibrary.ts';
import { daysToEmerge, germinationRate } from '../../src/core/germination/germinationRate.ts';
import { ruleWeeks, stageSums } from '../../src/core/growth/stageSums.ts';
import { cropNamed, crops, texts } from './library.ts';

// The library's own file, read here by a parser of its own, against what the application makes of it.
const rows = parse(texts.crops.replace(/^#.*\n/gm, ''));

describe('the crop library', () => {
  it('is read whole: every figure of every line', () => {
    expect(rows).toHaveLength(197);
    const cell = (value: number | string | null) => (value === null ? '' : String(value));
    rows.forEach((row, i) => {
      const crop = crops[i]!;
      expect({
        crop: crop.name,
        synonyms: crop.synonyms,
        botanical: crop.botanical,
        family: crop.family,
        kind: crop.kind,
        group: crop.group,
        light: crop.light.charAt(0).toUpperCase(),
        depth_mm: cell(crop.depth_mm),
        germ_min_C: cell(crop.germMin_C),
        germ_best_C: cell(crop.germBest_C),
        germ_max_C: cell(crop.germMax_C),
        emerge_days_best: cell(crop.germBest_days),
        germ_percent_usual: cell(Math.round(100 * crop.germUsual_frac)),
        tsw_g: cell(crop.thousandSeed_g),
        storage_years: cell(crop.storage_years),
        pretreat: crop.pretreat === 'chill' ? `chill:${crop.chill_weeks} weeks` : crop.pretreat,
        seed_balls: crop.seedBalls ? 'yes' : 'no',
        sow_in: crop.sowIn,
        cells_usual: cell(crop.cellsUsual_count),
        potted: crop.potted ? 'yes' : 'no',
        pot_cm_usual: cell(crop.potUsual_cm),
        grow_day_C: cell(crop.growDay_C),
        grow_night_C: cell(crop.growNight_C),
        base_C: cell(crop.base_C),
        grow_opt_C: cell(crop.growOptimum_C),
        grow_ceiling_C: cell(crop.growCeiling_C),
        check_night_C: cell(crop.checkNight_C),
        comfort_night_low_C: cell(crop.comfortNight_C),
        comfort_day_high_C: cell(crop.comfortDay_C),
        dli_min: cell(crop.dliLeast),
        dli_good: cell(crop.dliGood),
        weeks_low: cell(crop.weeksLow),
        weeks_high: cell(crop.weeksHigh),
        hardening_days: cell(crop.hardening_days),
        hardiness: crop.hardiness,
        hardy_to_C: cell(crop.hardyTo_C),
        plant_soil_min_C: cell(crop.plantSoilMin_C),
        plant_night_min_C: cell(crop.plantNightMin_C),
        weeks_from_last_frost: cell(crop.weeksFromLastFrost),
        spacing_in_row_cm: cell(crop.inRow_cm),
        spacing_rows_cm: cell(crop.rows_cm),
        caution: crop.caution,
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
      expect(best).toBeLessThan(crop.kind === 'shrub' ? 45 : 31);
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
    // "Warm crops go out 1-2 weeks after the last frost; hardy crops 4-6 weeks before": within the library's span, and
    // hardy vegetables in the middle of theirs.
    const hardy = crops
      .filter((c) => c.hardiness === 'hardy' && c.kind === 'vegetable')
      .map((c) => c.weeksFromLastFrost);
    expect(hardy.sort((a, b) => a - b)[Math.floor(hardy.length / 2)]).toBe(-4);
    for (const crop of crops) {
      if (crop.hardiness === 'tender') expect(crop.weeksFromLastFrost, crop.name).toBeGreaterThanOrEqual(0);
      if (crop.hardiness === 'tropical') expect(crop.weeksFromLastFrost, crop.name).toBeGreaterThanOrEqual(1);
      if (crop.hardiness === 'hardy') expect(crop.weeksFromLastFrost, crop.name).toBeLessThanOrEqual(0);
    }
    // "Hardening: 7-10 days soft crops".
    const soft = crops.filter((c) => c.kind === 'vegetable' && ['tender', 'tropical'].includes(c.hardiness));
    for (const crop of soft) {
      expect(crop.hardening_days, crop.name).toBeGreaterThanOrEqual(7);
      expect(crop.hardening_days, crop.name).toBeLessThanOrEqual(10);
    }
  });
});

/** Commas and doubled quotes; nothing else is in the file. */
function parse(text: string): Record<string, string>[] {
  const [head, ...lines] = text
    .trim()
    .split('\n')
    .map((line) =>
      [...line.matchAll(/("(?:[^"]|"")*"|[^,]*)(?:,|$)/g)].slice(0, 42).map((m) => m[1]!.replace(/^"|"$/g, '')),
    );
  return lines.map((cells) => Object.fromEntries(cells.map((value, i) => [head![i]!, value])));
}
