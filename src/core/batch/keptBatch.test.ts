import { describe, expect, it } from 'vitest';
import { logLine } from '../../../tests/support/logLines.ts';
import type { BatchEvent } from './event.ts';
import { keptBatch } from './keptBatch.ts';
import { plantsOf } from './plants.ts';
import type { Progress } from './progress.ts';
import { reduceLog } from './reduce.ts';

const line = (
  id: number,
  kind: BatchEvent['kind'],
  day: number,
  count: number | null,
  more: Partial<BatchEvent> = {},
) => logLine(kind, day, count, { ...more, id });
const potting = { containerId: 3, doubled: 0, leftOver: 0, minutes: 12, people: 1, sessionId: null };

const events = [
  line(1, 'sown', 10, 100, { placeId: 1 }),
  line(2, 'emerged', 20, 60),
  line(3, 'counted', 24, 90),
  line(4, 'lost', 26, 7, { cause: 'slugs' }),
  line(5, 'lost', 27, 5),
  line(6, 'lost', 27, 6, { correctsId: 5 }),
  line(7, 'potted', 30, 70, { details: { ...potting, culled: { leggy: 4, slugs: 3 } } }),
  line(8, 'planted-out', 60, 64),
];

describe('what is kept of a batch', () => {
  const { state } = reduceLog(events);
  const plan = { plantsWanted: 80, spare_frac: 0.2 };
  const planned = {
    kind: 'chain',
    milestones: [
      { key: 'sow', day: 9 },
      { key: 'pot', day: 31 },
      { key: 'harden', day: 50 },
      { key: 'plant', day: 58 },
    ],
  } as unknown as Progress['planned'];
  const progress = { planned, plants: plantsOf(state, plan) } as Progress;
  const named = { name: 'Leek A', cropId: 1, cropName: 'Leek', varietyName: '', wanted_count: 80 };
  const keptOf = (more: Partial<Parameters<typeof keptBatch>[0]> = {}) =>
    keptBatch({ ...named, events, state, progress, heat_kWh: 3, time_factor: 1.1, growth_factor: null, ...more });

  it('losses by cause, those at the potting with them, corrected lines once, and none without a cause forgotten', () => {
    expect(keptOf().lostBy).toEqual({ slugs: 10, 'not said': 6, leggy: 4 });
  });

  it('what was potted and what went out', () => {
    const kept = keptOf();
    expect(kept.potted_count).toBe(70);
    expect(kept.plants).toMatchObject({ inHand_count: 0, out_count: 64, sown_count: 100, by: 'planted' });
    expect(kept.phase).toBe('planted');
  });

  it('each step as planned and as it was; one that was neither is not there', () => {
    expect(keptOf().days).toEqual([
      { key: 'sow', planned: 9, actual: 10 },
      { key: 'half-up', planned: null, actual: 20 },
      { key: 'pot', planned: 31, actual: 30 },
      { key: 'harden', planned: 50, actual: null },
      { key: 'plant', planned: 58, actual: 60 },
    ]);
  });

  it('of one that was never potted, and whose plan could not be worked out, only what happened', () => {
    const few = events.slice(0, 3);
    const cold = { kind: 'unreachable', stage: 'grow', placeId: 1, reason: 'too cold' } as const;
    const kept = keptOf({
      events: [...few, line(9, 'lost', 25, 0, { cause: 'mice' })],
      state: reduceLog(few).state,
      progress: { ...progress, planned: cold },
    });
    expect(kept.potted_count).toBeNull();
    expect(kept.lostBy).toEqual({});
    expect(kept.days).toEqual([
      { key: 'sow', planned: null, actual: 10 },
      { key: 'half-up', planned: null, actual: 20 },
    ]);
    expect(kept).toMatchObject({
      name: 'Leek A',
      heat_kWh: 3,
      time_factor: 1.1,
      growth_factor: null,
      wanted_count: 80,
    });
  });

  it('a batch potted in two goes was potted with both', () => {
    const twice = [...events.slice(0, 3), line(7, 'potted', 30, 40), line(8, 'potted', 31, 25)];
    expect(keptOf({ events: twice }).potted_count).toBe(65);
  });
});
