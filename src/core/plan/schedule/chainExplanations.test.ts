import { describe, expect, it } from 'vitest';
import { crops, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../germination/germinationRate.ts';
import type { BatchPlan } from '../batchPlan.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, type ChainResult } from './chain.ts';
import { forwardChain } from './forward.ts';
import { seasonTables } from './seasonTables.ts';

const FROM = requireDay('2026-01-01');

describe('every figure carries its explanation', () => {
  it.each(crops.map((crop) => [crop.name, crop] as const))('%s: rule, inputs and source at each step', (_, crop) => {
    const hot = steadyPlace(crop.germBest_C);
    const house = steadyPlace(crop.growDay_C, crop.growNight_C);
    const tables = seasonTables([hot, house], FROM, 900);
    const plan: BatchPlan = {
      plantsWanted: 10,
      spare_frac: 0,
      transplantOn: FROM + 500,
      hardening_days: crop.hardening_days,
      places: { germinate: hot.id, grow: house.id, pot: house.id, harden: house.id },
      sowContainerId: 1,
      potContainerId: crop.potted ? 2 : null,
    };
    const input = { crop, plan, offHeat: { kind: 'half-up' } as const, tables };
    const planned = backwardChain(input);
    const forecast = forwardChain({
      ...input,
      sowOn: FROM + 300,
      facts: { sow: FROM + 300 },
      today: FROM + 400,
      waitForDate: true,
    });
    for (const chain of [planned, forecast] as ChainResult[]) {
      if (chain.kind !== 'chain') throw new Error(chain.reason);
      for (const { key, explanation } of chain.milestones) {
        expect(explanation.rule.length, key).toBeGreaterThan(5);
        expect(explanation.rule, key).not.toMatch(/undefined|NaN|null/);
        expect(explanation.source, key).toMatch(/19\d\d|20\d\d|common practice|from memory|your own log/);
        for (const { name, temperature_C, degreeDays } of explanation.inputs) {
          expect(name).not.toMatch(/undefined/);
          if (temperature_C !== undefined) expect(Number.isFinite(temperature_C)).toBe(true);
          if (degreeDays !== undefined) expect(degreeDays).toBeGreaterThanOrEqual(0);
        }
      }
    }
    if (planned.kind !== 'chain' || forecast.kind !== 'chain') return;
    const pace = milestoneOf(planned, 'half-up')!.explanation.inputs.find((one) => one.name === 'at that')!;
    expect(Number(pace.value!.replace(' days', ''))).toBeCloseTo(
      daysToEmerge(germinationRate(crop), crop.germBest_C)!,
      1,
    );
    expect(milestoneOf(forecast, 'sow')!.explanation).toMatchObject({ rule: 'Logged.', source: 'your own log' });
    expect(milestoneOf(forecast, 'half-up')!.explanation.rule).toContain('has passed without a log');
  });
});
