import { describe, expect, it } from 'vitest';
import { cropNamed, crops, steadyPlace } from '../../../../tests/references/library.ts';
import { dayFromIso, isoFromDay, requireDay } from '../../calendar/dayNumber.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place } from '../../books/place.ts';
import { backwardChain } from './backward.ts';
import { seasonTables } from './seasonTables.ts';
import { placesForStage, stageRange, suitsStage } from './suits.ts';
import { chainWarnings, lastFrostFor, stageSpans } from './warnings.ts';

const FROM = requireDay('2026-01-01');
const TODAY = requireDay('2027-01-01');
const NORTH = { lastFrost: '05-10', firstFrost: '10-15' };
const SOUTH = { lastFrost: '10-05', firstFrost: '05-01' };

const hot = steadyPlace(25);
const dark = steadyPlace(25, 25, 'dark-chamber');
const house = steadyPlace(21, 16);
const cold = { ...steadyPlace(12, 5), name: 'Cold bay' };
const oven = { ...steadyPlace(39, 30), name: 'Oven' };
const frame = steadyPlace(16, 8, 'frame');
const places = [hot, dark, house, cold, oven, frame];
const tables = seasonTables(places, FROM, 1100);

function warningsOf(
  name: string,
  out: string,
  where: Partial<Record<'germinate' | 'grow' | 'pot' | 'harden', Place>>,
  frost = NORTH,
) {
  const crop = cropNamed(name);
  const plan = planOf(crop, out, where);
  const chain = backwardChain({ crop, plan, offHeat: { kind: 'half-up' }, tables });
  if (chain.kind !== 'chain') throw new Error(`${name}: ${chain.reason}`);
  return chainWarnings(chain, crop, plan, tables, frost, TODAY);
}

function planOf(
  crop: Crop,
  out: string,
  where: Partial<Record<'germinate' | 'grow' | 'pot' | 'harden', Place>>,
): BatchPlan {
  return {
    plantsWanted: 50,
    spare_frac: 0.1,
    transplantOn: dayFromIso(out)!,
    hardening_days: crop.hardening_days,
    places: {
      germinate: (where.germinate ?? hot).id,
      grow: (where.grow ?? house).id,
      pot: (where.pot ?? house).id,
      harden: (where.harden ?? frame).id,
    },
    sowContainerId: 1,
    potContainerId: crop.potted ? 2 : null,
  };
}

const codes = (list: ReturnType<typeof warningsOf>): string[] => list.map((w) => w.code).sort();

describe('warnings', () => {
  it('says nothing of a batch that is well planned', () => {
    expect(warningsOf('tomato', '2027-06-10', {})).toEqual([]);
    expect(warningsOf('lettuce', '2027-05-20', { germinate: house })).toEqual([]);
  });

  it('a place too cold or too hot for a stage, with both figures', () => {
    const cool = warningsOf('tomato', '2027-06-10', { grow: cold }).find((w) => w.code === 'temperature');
    expect(cool).toMatchObject({ code: 'temperature', stage: 'grow', temperatures_C: [5, 7] });
    expect(cool!.text).toContain('Cold bay');
    const hotOnes = warningsOf('tomato', '2027-06-10', { germinate: oven });
    expect(hotOnes.some((w) => w.code === 'temperature' && w.stage === 'germinate' && w.temperatures_C[0] === 39)).toBe(
      true,
    );
  });

  it('few come up at that temperature: tomato at 34.5 by the percentages of Harrington & Minges 1954 (from memory)', () => {
    const few = warningsOf('tomato', '2027-06-10', { germinate: oven }).find((w) => w.code === 'few-come-up')!;
    // Between 83% at 30 and 46% at 35, over a best of 98%.
    expect(few.text).toContain(`${Math.round(((83 + (46 - 83) * 0.9) / 98) * 100)}%`);
    expect(few.source).toContain('Harrington');
  });

  it('seed that wants light is not sown in the dark; plants do not grow there', () => {
    expect(codes(warningsOf('snapdragon', '2027-06-10', { germinate: dark }))).toContain('unsuitable-place');
    expect(codes(warningsOf('tomato', '2027-06-10', { germinate: dark }))).toEqual([]);
    expect(codes(warningsOf('tomato', '2027-06-10', { grow: dark }))).toContain('unsuitable-place');
  });

  it('before the frost allows: weeks before and after the mean last frost, to the day', () => {
    // Weeks from the last frost: tomato +2, lettuce -4, artichoke 0 (crop library, common practice, no source).
    const goesOut: [string, string][] = [
      ['tomato', '2027-05-24'],
      ['lettuce', '2027-04-12'],
      ['artichoke (globe)', '2027-05-10'],
    ];
    for (const [name, day] of goesOut) {
      expect(codes(warningsOf(name, isoFromDay(requireDay(day) - 1), {})), name).toContain('frost');
      expect(codes(warningsOf(name, day, {})), name).not.toContain('frost');
    }
  });

  it('in the south the frost belongs to its own spring, across the new year', () => {
    expect(isoFromDay(lastFrostFor(requireDay('2027-01-05'), SOUTH))).toBe('2026-10-05');
    expect(codes(warningsOf('tomato', '2027-11-20', {}, SOUTH))).toEqual([]);
    expect(codes(warningsOf('tomato', '2027-10-10', {}, SOUTH))).toContain('frost');
    expect(codes(warningsOf('tomato', '2027-05-10', {}, SOUTH))).toContain('autumn-frost');
  });

  it('in autumn tender plants meet the first frost, hardy ones do not mind', () => {
    expect(codes(warningsOf('tomato', '2027-10-20', {}))).toContain('autumn-frost');
    expect(codes(warningsOf('kale', '2027-10-20', {}))).not.toContain('autumn-frost');
  });

  it('a sowing day that is past', () => {
    expect(codes(warningsOf('leek', '2027-02-01', {}))).toContain('past');
  });
});

describe('places that suit a stage', () => {
  it('by kind and light', () => {
    const tomato = cropNamed('tomato');
    const celery = cropNamed('celery');
    expect(suitsStage(dark, 'germinate', tomato)).toBe(true);
    expect(suitsStage(dark, 'germinate', celery)).toBe(false);
    expect(suitsStage(dark, 'grow', tomato)).toBe(false);
    expect(suitsStage(frame, 'harden', tomato)).toBe(true);
    expect(suitsStage(house, 'harden', tomato)).toBe(false);
  });

  it('best fitting first, those in range before those outside', () => {
    for (const crop of crops) {
      const fits = placesForStage(tables, crop, 'germinate', TODAY);
      const outside = fits.findIndex((fit) => !fit.inRange);
      if (outside >= 0) expect(fits.slice(outside).every((fit) => !fit.inRange)).toBe(true);
      const inside = fits.filter((fit) => fit.inRange).map((fit) => fit.misfit_K);
      expect(inside).toEqual([...inside].sort((a, b) => a - b));
      for (const fit of fits) {
        const range = stageRange(crop, 'germinate');
        expect(fit.inRange).toBe(fit.night_C >= range.low_C && fit.day_C <= range.high_C);
      }
    }
  });
});

describe('spans of a chain', () => {
  it('follow each other from sowing to planting without a gap', () => {
    for (const name of ['tomato', 'lettuce', 'pansy', 'pea']) {
      const crop = cropNamed(name);
      const plan = planOf(crop, '2027-06-10', { germinate: name === 'tomato' ? hot : house });
      const chain = backwardChain({ crop, plan, offHeat: { kind: 'half-up' }, tables });
      if (chain.kind !== 'chain') throw new Error(name);
      const spans = stageSpans(chain, plan);
      expect(spans.map((s) => s.stage)).toEqual(
        crop.potted ? ['germinate', 'grow', 'pot', 'harden'] : ['germinate', 'grow', 'harden'],
      );
      spans.slice(1).forEach((span, i) => expect(span.from).toBe(spans[i]!.to));
      expect(spans.at(-1)!.to).toBe(plan.transplantOn);
    }
  });
});

describe('frost at a risk taken from the site’s years', () => {
  const outFrom = { hardy: '04-01', 'half-hardy': '04-20', tender: '05-18', tropical: '06-02' } as const;
  const AT_RISK = { ...NORTH, frost: { risk_frac: 0.1, outFrom } };
  it('goes by the night that hurts each plant and not by weeks from a mean', () => {
    const early = warningsOf('tomato', '2027-05-17', {}, AT_RISK).find((w) => w.code === 'frost')!;
    expect(early).toMatchObject({ day: requireDay('2027-05-18'), temperatures_C: [0] });
    expect(early.text).toContain('no more than 10 years of 100');
    expect(codes(warningsOf('tomato', '2027-05-18', {}, AT_RISK))).not.toContain('frost');
    expect(codes(warningsOf('tomato', '2027-05-18', {}))).toContain('frost');
  });
  it('says nothing where such nights are rarer than the risk', () => {
    const never = { ...AT_RISK, frost: { ...AT_RISK.frost, outFrom: { ...outFrom, tender: null } } };
    expect(codes(warningsOf('tomato', '2027-05-01', {}, never))).not.toContain('frost');
  });
});

describe('frost under a cover', () => {
  it('goes by the cover’s own date, and by the open one without it', () => {
    const outFrom = { hardy: '03-01', 'half-hardy': '04-20', tender: '05-20', tropical: '06-10' } as const;
    const frost = { ...NORTH, frost: { risk_frac: 0.1, outFrom, under: { 3: { ...outFrom, tender: '05-01' } } } };
    const crop = cropNamed('tomato');
    const plan = planOf(crop, '2027-05-10', {});
    const chain = backwardChain({ crop, plan, offHeat: { kind: 'half-up' }, tables });
    if (chain.kind !== 'chain') throw new Error(chain.reason);
    const under = (coverId: number | null) =>
      codes(chainWarnings(chain, crop, { ...plan, coverId }, tables, frost, TODAY));
    expect(under(null)).toContain('frost');
    expect(under(3)).not.toContain('frost');
    expect(under(8)).toContain('frost');
  });
});
