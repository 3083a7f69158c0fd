import { describe, expect, it } from 'vitest';
import { demoHouse } from '../../../../tests/support/demoHouse.ts';
import { toPlan } from '../../../../tests/support/toPlan.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { coldestNight_C, bandsOf } from '../../growth/bands.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Stage } from '../stage.ts';
import { seasonInstance } from './fromSeason.ts';
import { placeNew, type Placed } from './placeNew.ts';

const sent = demoHouse();

function placed(cropName: string, change: Partial<BatchPlan>, times = 1): Placed[] {
  const crop = sent.house.crops.find((c) => c.name === cropName)!;
  const plan: BatchPlan = {
    plantsWanted: 200,
    spare_frac: 0.1,
    transplantOn: requireDay('2027-06-05'),
    hardening_days: crop.hardening_days,
    places: { germinate: null, grow: null, pot: null, harden: null },
    sowContainerId: sent.house.containers.find((c) => c.kind === 'cell-tray')!.id,
    potContainerId: crop.potted ? sent.house.containers.find((c) => c.kind === 'pot')!.id : null,
    ...change,
  };
  const made = Array.from({ length: times }, (_, i) => ({ id: 9001 + i, crop, plan }));
  const season = toPlan(sent, made);
  const instance = seasonInstance(season);
  return placeNew(
    instance,
    new Map(season.batches.map((b) => [b.id, b])),
    made.map((m) => m.id),
  );
}

const kindOf = (placeId: number | null | undefined) => sent.house.places.find((p) => p.id === placeId)?.kind;

describe('places for a new batch', () => {
  it('celery germinates warm and in the light, not in the frame, and goes out near its date', () => {
    const [celery] = placed('celery', { transplantOn: requireDay('2027-08-05') });
    const best = celery!.ways[0]!;
    expect(['lit-chamber', 'bench', 'house']).toContain(kindOf(best.proposed.places.germinate));
    expect(best.lacks).toEqual([]);
    expect(Math.abs(best.late_days)).toBeLessThanOrEqual(7);
    // By the trade's weeks: 10 to 12 and the hardening. Common practice, no source.
    const days = best.out - best.proposed.steps.sow!;
    expect(days).toBeGreaterThan(50);
    expect(days).toBeLessThan(7 * 14);
  });

  it('where it is too hot to come up in the weeks that are left for it, that is said', () => {
    const [celery] = placed('celery', { transplantOn: requireDay('2027-10-20') });
    expect(celery!.ways).toEqual([]);
    expect(celery!.missing.map(({ stage, nearest }) => [stage, nearest?.why])).toContainEqual(['germinate', 'hot']);
  });

  it('says where room is lacking, and how much of it would fit, before anything is saved', () => {
    const [many] = placed('tomato', { plantsWanted: 100_000 });
    expect(many!.ways).toHaveLength(1);
    expect(Math.max(...many!.ways[0]!.lacks.map((l) => l.slots))).toBeGreaterThan(1000);
  });

  it('offers others, each with another place, none cheaper than the first', () => {
    const [tomato] = placed('tomato', {});
    expect(tomato!.ways.length).toBeGreaterThan(1);
    const keys = tomato!.ways.map((w) => JSON.stringify(w.proposed.places));
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('several at once do not all take the same room', () => {
    const list = placed('lettuce', { plantsWanted: 1500 }, 4);
    const withRoom = list.filter((one) => one.ways[0]!.lacks.length === 0);
    expect(withRoom.length).toBeGreaterThan(0);
    const alone = placed('lettuce', { plantsWanted: 1500 })[0]!.ways[0]!;
    expect(list[0]!.ways[0]!.proposed).toMatchObject({ places: alone.proposed.places, steps: alone.proposed.steps });
    expect(list.map((one) => JSON.stringify(one.ways[0]!.proposed.steps))).not.toEqual(
      new Array(4).fill(JSON.stringify(alone.proposed.steps)),
    );
  });

  it('a line that checks it above every place: said with the place that comes nearest', () => {
    const crop = sent.house.crops.find((c) => c.name === 'tomato')!;
    const bands = Object.fromEntries(
      (['grow', 'pot', 'space'] as Stage[]).map((stage) => [stage, { checkNight_C: 29 }]),
    );
    const season = toPlan(sent, [
      {
        id: 9001,
        crop: { ...crop, bands },
        plan: {
          plantsWanted: 10,
          spare_frac: 0,
          transplantOn: requireDay('2027-06-05'),
          hardening_days: 8,
          places: { germinate: null, grow: null, pot: null, harden: null },
          sowContainerId: 1,
          potContainerId: null,
        },
      },
    ]);
    const [none] = placeNew(seasonInstance(season), new Map(season.batches.map((b) => [b.id, b])), [9001]);
    expect(none!.ways).toEqual([]);
    expect(none!.missing.map((m) => [m.stage, m.nearest?.why])).toEqual([['grow', 'cold']]);
    expect(none!.missing[0]!.low_C).toBe(coldestNight_C(bandsOf({ ...crop, bands }, 'grow')));
    expect(none!.missing[0]!.nearest!.temperature_C).toBeLessThan(29);
  });
});
