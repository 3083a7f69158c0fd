import { describe, expect, it } from 'vitest';
import { crops, steadyPlace } from '../../../../tests/references/library.ts';
import { batchProgress } from '../../batch/progress.ts';
import { UNSOWN, type BatchState } from '../../batch/reduce.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../germination/germinationRate.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Container } from '../../books/container.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Place } from '../../books/place.ts';
import { milestoneOf, type MilestoneKey } from '../schedule/chain.ts';
import { seasonTables } from '../schedule/seasonTables.ts';
import { construct } from './construct.ts';
import { seasonInstance, type SeasonBatchToPlan } from './fromSeason.ts';
import { USUAL_PACE, USUAL_PLANNING } from './planning.ts';
import { USUAL_WEIGHTS } from './instance.ts';
import { makeProblem } from './problem.ts';

const TODAY = requireDay('2027-03-01');
const cells: Container = {
  id: 1,
  name: 'cells',
  kind: 'cell-tray',
  cells: 100,
  perCarryingTray: 1,
  footprint_slots: 1,
  volume_L: 3,
};
const pots: Container = {
  id: 2,
  name: 'pots',
  kind: 'pot',
  cells: 1,
  perCarryingTray: 18,
  footprint_slots: 1,
  volume_L: 0.4,
};
const containers = new Map([cells, pots].map((c) => [c.id, c]));
const kinded = (place: Place, kind: Place['kind']): Place => ({ ...place, kind, lit: true, room_trays: 500 });

/** The days one batch goes from stage to stage by the planner and by the chain, in the same steady house. */
function bothWays(crop: Crop, offHeat: OffHeatRule, state: BatchState = UNSOWN) {
  const hot = kinded(steadyPlace(23), 'lit-chamber');
  const house = kinded(steadyPlace(20, 14), 'bench');
  const frame = kinded(steadyPlace(15, 10), 'frame');
  const places = [hot, house, frame];
  const tables = seasonTables(places, requireDay('2026-01-01'), 900);
  const plan: BatchPlan = {
    plantsWanted: 80,
    spare_frac: 0,
    transplantOn: TODAY + 170,
    hardening_days: crop.hardening_days,
    places: { germinate: hot.id, grow: house.id, pot: house.id, harden: frame.id },
    sowContainerId: 1,
    potContainerId: crop.potted ? 2 : null,
  };
  const progress = batchProgress({ crop, plan, state, offHeat, tables, containers, today: TODAY });
  const batch: SeasonBatchToPlan = { id: 1, name: crop.name, crop, plan, state, pinned: false, progress };
  const weights = { ...USUAL_WEIGHTS, heat_perkWh: 0 };
  const season = seasonInstance({
    today: TODAY,
    places,
    containers,
    offHeat,
    coolSchool: 'same',
    coolMost_C: 30,
    weights,
    planning: USUAL_PLANNING,
    pace: USUAL_PACE,
    tables,
    batches: [batch],
  });
  const problem = makeProblem(season.instance);
  const planned = construct(problem).plans[0] ?? null;
  return { planned, season, forecast: progress.forecast };
}

const RULES: readonly OffHeatRule[] = [
  { kind: 'half-up' },
  { kind: 'all-up' },
  { kind: 'days-after', days: 7 },
  { kind: 'days-after', days: 14 },
];

describe('planner and chain reckon a stage alike', () => {
  it.each(RULES.map((rule) => [JSON.stringify(rule), rule] as const))('growth on the heat counts: %s', (_, offHeat) => {
    let compared = 0;
    for (const crop of crops) {
      if (daysToEmerge(germinationRate(crop), 23) === null) continue;
      const { season, forecast } = bothWays(crop, offHeat);
      if (forecast.kind !== 'chain') continue;
      const t = (key: MilestoneKey) => milestoneOf(forecast, key)?.t ?? null;
      const growing_days = (t('pot') ?? forecast.ready_t) - t('off-heat')!;
      const stage = season.instance.stages[season.instance.batches[0]!.stages[1]!]!;
      expect(stage.need / stage.gain(20, 14), crop.name).toBeCloseTo(Math.max(0, growing_days), 0);
      compared++;
    }
    expect(compared).toBeGreaterThan(20);
  });

  it('half up by the log under "7 days after" stays its week on the heat', () => {
    const crop = crops.find((c) => c.name === 'tomato')!;
    const state: BatchState = {
      ...UNSOWN,
      phase: 'emerged',
      facts: { sow: TODAY - 9, 'half-up': TODAY - 2 },
      sown_count: 80,
      alive_count: 80,
      lastDay: TODAY - 2,
    };
    const { planned, season, forecast } = bothWays(crop, { kind: 'days-after', days: 7 }, state);
    if (!planned || forecast.kind !== 'chain') throw new Error('no plan');
    expect(season.from + planned.days[1]!).toBe(milestoneOf(forecast, 'off-heat')!.day);
    expect(milestoneOf(forecast, 'off-heat')!.day).toBe(TODAY + 5);
  });
});
