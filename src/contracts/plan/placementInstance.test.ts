import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkPlan } from '../../core/plan/placement/checkPlan.ts';
import { construct } from '../../core/plan/placement/construct.ts';
import { improveAll } from '../../core/plan/placement/improve.ts';
import { makeProblem } from '../../core/plan/placement/problem.ts';
import { solutionOf } from '../../core/plan/placement/solution.ts';
import { instanceFromJson, placementInstance } from './placementInstance.ts';

const text = readFileSync(new URL('../../../tests/support/exampleInstance.json', import.meta.url), 'utf8');
const example = () => JSON.parse(text) as Record<string, any>; // eslint-disable-line @typescript-eslint/no-explicit-any
const faultsOf = (change: (json: ReturnType<typeof example>) => void): string[] => {
  const json = example();
  change(json);
  const parsed = placementInstance.safeParse(json);
  return parsed.success ? [] : parsed.error.issues.map((issue) => issue.path.join('.'));
};

describe('an instance as JSON', () => {
  it('is planned soundly, and the cheapest plan is the one worked out by hand', () => {
    const instance = instanceFromJson(placementInstance.parse(example()));
    const state = construct(makeProblem(instance));
    improveAll(state, { seed: 1, moves: 2000 });
    const solution = solutionOf(state);
    const verdict = checkPlan(instance, solution);
    expect(verdict.faults).toEqual([]);
    expect(verdict.cost).toBeCloseTo(solution.cost.total, 6);
    // By hand: at 25 degrees half up takes 5 days. 2 + 3 trays do not go into 4 slots together, so the chamber is heated ten
    // days, over two weeks at 3 kWh a day at least: 42 kWh at 0.3 = 12.6. Two moves of 5 trays at 0.25 = 2.5. The second
    // batch out on its day, the first three days before, which is as good: 2 trays x 3 days x 0.01 = 0.06.
    expect(solution.cost.total).toBeCloseTo(12.6 + 2.5 + 0.06, 6);
  });

  it('rates go in straight lines between their points and are nothing outside; degree-days have an upper cut-off', () => {
    const { stages } = instanceFromJson(placementInstance.parse(example()));
    expect(stages[0]!.gain(20, 20)).toBeCloseTo(0.1, 12);
    expect(stages[0]!.gain(22.5, 15)).toBeCloseTo((0.15 + 0.05) / 2, 12);
    expect(stages[0]!.gain(40, 5)).toBe(0);
    expect(stages[1]!.gain(30, 20)).toBe(17);
    expect(stages[1]!.gain(4, 2)).toBe(0);
    expect(stages[2]!.gain(-10, 50)).toBe(1);
  });

  it('what is wrong is named by its path', () => {
    expect(faultsOf((j) => (j['stages'][0].places = [9]))).toEqual(['stages.0.places.0']);
    expect(faultsOf((j) => (j['batches'][0].slots = [1]))).toEqual(['batches.0.slots']);
    expect(faultsOf((j) => (j['batches'][1].target = 60))).toEqual(['batches.1.target']);
    expect(faultsOf((j) => (j['batches'][1].stages = [0, 1, 7]))).toEqual(['batches.1.stages.2']);
    expect(faultsOf((j) => (j['places'][0].levels[1].day_C = [1, 2, 3]))).toEqual(['places.0.levels.1.day_C']);
    expect(faultsOf((j) => (j['places'][1].id = 1))).toEqual(['stages.1.places.0', 'places.1.id']);
    expect(faultsOf((j) => (j['places'][0].row = [0, 5]))).toEqual(['places.0.row.1']);
    expect(faultsOf((j) => (j['batches'][0].pinned = [{ stage: 0, place: 1, from: 9, to: 4 }]))).toEqual([
      'batches.0.pinned.0.to',
    ]);
    expect(faultsOf((j) => (j['batches'][0].inProgress = { at: 5, place: 8, day: 1, need: 1 }))).toEqual([
      'batches.0.inProgress.place',
      'batches.0.inProgress.at',
    ]);
    expect(faultsOf((j) => (j['days'] = 'many'))).toContain('days');
    expect(faultsOf((j) => (j['more'] = 1))).toEqual(['']);
  });
});
