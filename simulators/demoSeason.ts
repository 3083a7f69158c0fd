import type { EventKind, PottingDetails } from '../src/core/batch/event.ts';
import { requireDay } from '../src/core/calendar/dayNumber.ts';
import type { BatchPlan } from '../src/core/plan/batchPlan.ts';
import type { Crop } from '../src/core/books/crop.ts';
import { cellsToSow } from '../src/core/batch/trays.ts';
import { PROGRAMMES, rungsFor, usualProgramme } from '../src/core/hardening/programme.ts';
import { backwardChain } from '../src/core/plan/schedule/backward.ts';
import { milestoneOf, type Chain, type MilestoneKey } from '../src/core/plan/schedule/chain.ts';
import { forwardChain, type Facts } from '../src/core/plan/schedule/forward.ts';
import { climateStart } from '../src/core/plan/schedule/placeClimate.ts';
import { seasonTables, type SeasonTables } from '../src/core/plan/schedule/seasonTables.ts';
import {
  DEMO_BATCHES,
  DEMO_LAST_SEASON,
  DEMO_NURSERY,
  DEMO_OUTSIDE,
  DEMO_PLACES,
  DEMO_TODAY,
  type DemoBatch,
} from './demoBooks.ts';

/** A line of the demo's log. */
export interface DemoEvent {
  readonly kind: EventKind;
  readonly day: number;
  readonly count: number | null;
  readonly placeId: number | null;
  readonly cause: string;
  readonly note: string;
  readonly details?: PottingDetails;
}

export interface DemoBatchWithLog {
  readonly crop: string;
  readonly variety: string;
  readonly plan: BatchPlan;
  readonly events: readonly DemoEvent[];
}

/** The demo's season up to its today: what a careful but busy nursery would have logged. Same every time. */
export function demoSeason(crops: readonly Crop[]): DemoBatchWithLog[] {
  return loggedSeason(crops, DEMO_BATCHES);
}

/** The season before, to its end. */
export function demoLastSeason(crops: readonly Crop[]): DemoBatchWithLog[] {
  return loggedSeason(crops, DEMO_LAST_SEASON);
}

function loggedSeason(crops: readonly Crop[], batches: readonly DemoBatch[]): DemoBatchWithLog[] {
  const today = requireDay(DEMO_TODAY);
  const tables = seasonTables(DEMO_PLACES, climateStart(today), 4 * 366, {
    normals: DEMO_OUTSIDE,
    sky: { latitude_deg: DEMO_NURSERY.latitude_deg },
  });
  return batches.map((demo, i) => {
    const crop = crops.find((c) => c.name === demo.crop);
    if (!crop) throw new RangeError(`the demo sows ${demo.crop}, which is not in the library`);
    const plan = planOf(demo, crop);
    return {
      crop: demo.crop,
      variety: demo.variety,
      plan,
      events: logOf(demo, crop, plan, tables, today, i),
    };
  });
}

function planOf(demo: DemoBatch, crop: Crop): BatchPlan {
  return {
    plantsWanted: demo.plants,
    spare_frac: DEMO_NURSERY.spare_frac,
    transplantOn: requireDay(demo.out),
    hardening_days: crop.hardening_days,
    places: {
      germinate: demo.germinate,
      grow: demo.grow,
      pot: demo.pot ?? null,
      harden: demo.harden,
    },
    sowContainerId: demo.tray,
    potContainerId: demo.potContainer ?? null,
    ...(demo.cover ? { coverId: demo.cover } : {}),
  };
}

/** What the demo's pottings came to: one pair of hands, a little slower than usual. */
const pottedAs = ({ potContainerId }: BatchPlan, alive: number, i: number): PottingDetails => ({
  containerId: potContainerId!,
  doubled: 0,
  culled: {},
  leftOver: 0,
  minutes: Math.round((10 * alive) / (5.6 + 0.3 * (i % 6))) / 10,
  people: 1,
  sessionId: null,
});

/** A small fixed wobble of -1, 0 or 1 days, different for each batch and step. */
const wobble = (i: number, step: number): number => ((i * 7 + step * 5) % 3) - 1;

function logOf(
  demo: DemoBatch,
  crop: Crop,
  plan: BatchPlan,
  tables: SeasonTables,
  today: number,
  i: number,
): DemoEvent[] {
  const input = { crop, plan, offHeat: DEMO_NURSERY.offHeat, tables };
  const planned = backwardChain(input);
  if (planned.kind !== 'chain') throw new RangeError(`the demo's ${demo.crop} cannot be: ${planned.reason}`);
  const sowOn = milestoneOf(planned, 'sow')!.day + (demo.lag ?? 0);
  const events: DemoEvent[] = [];
  const facts: Partial<Record<MilestoneKey, number>> = {};
  const cells = cellsToSow(plan);
  const up = Math.floor(cells * (0.86 + ((i * 13) % 10) / 100));
  let alive = cells;
  let before = -Infinity;
  const chainNow = (): Chain => {
    const chain = forwardChain({
      ...input,
      sowOn,
      facts: facts as Facts,
      today: null,
      waitForDate: true,
    });
    if (chain.kind !== 'chain') throw new RangeError(`the demo's ${demo.crop} cannot be: ${chain.reason}`);
    return chain;
  };
  const put = (
    kind: EventKind,
    day: number,
    count: number | null,
    placeId: number | null = null,
    cause = '',
    note = '',
    details?: PottingDetails,
  ) => {
    events.push({ kind, day, count, placeId, cause, note, ...(details ? { details } : {}) });
    before = day;
  };
  /** Day a step was done, or null when it has not been yet. */
  const doneOn = (key: MilestoneKey, step: number): number | null => {
    const day = Math.max(
      before,
      milestoneOf(chainNow(), key)!.day + wobble(i, step) + (key === 'sow' ? -wobble(i, step) : 0),
    );
    return demo.skip === key || day > today || (day === today && key !== 'sow') ? null : day;
  };

  const sown = doneOn('sow', 0);
  if (sown === null || sown >= today) return events;
  put('sown', sown, cells, plan.places.germinate);
  facts.sow = sown;
  const first = milestoneOf(chainNow(), 'first-up')!.day;
  const half = doneOn('half-up', 1);
  if (first > sown && first < today && (half === null || first < half))
    put('counted', first, Math.max(1, Math.round(up * 0.1)));
  if (half === null) return events;
  put('emerged', half, Math.round(up * 0.56));
  facts['half-up'] = half;
  const off = doneOn('off-heat', 2);
  if (off === null) return events;
  put('off-heat', off, null, plan.places.grow);
  facts['off-heat'] = off;
  if (off + 5 < today) {
    put('counted', off + 5, up);
    alive = up;
  }
  if (demo.loss && sown + demo.loss.days < today) {
    const day = Math.max(before, sown + demo.loss.days);
    put('lost', day, demo.loss.count, null, demo.loss.cause);
    alive -= demo.loss.count;
    if (demo.loss.whole) {
      put('ended', day + 1, null, null, 'lost', 'the rest was not worth keeping');
      return events;
    }
  }
  if (plan.potContainerId !== null) {
    const pot = doneOn('pot', 3);
    if (pot === null) return events;
    alive = Math.min(alive, up);
    put('potted', pot, alive, plan.places.pot, '', '', pottedAs(plan, alive, i));
    put('watered', pot, null);
    facts.pot = pot;
    const space = doneOn('space', 4);
    if (space === null && (demo.skip === 'space' || milestoneOf(chainNow(), 'space')!.day >= today)) return events;
    if (space !== null) {
      put('spaced', space, null);
      facts.space = space;
    }
  }
  const harden = doneOn('harden', 5);
  if (harden === null) return events;
  put('hardening-started', harden, null, plan.places.harden);
  facts.harden = harden;
  const rungs = rungsFor(usualProgramme(PROGRAMMES, crop.hardiness, plan.hardening_days)!, crop.hardiness);
  let on = harden;
  for (let rung = 2; rung <= rungs.length; rung++) {
    on += rungs[rung - 2]!.days;
    if (on >= today) break;
    put('rung', on, rung);
  }
  const plant = doneOn('plant', 1);
  if (plant !== null) put('planted-out', plant, Math.min(plan.plantsWanted, alive));
  return events;
}
