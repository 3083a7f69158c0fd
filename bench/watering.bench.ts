import { seededRandom } from '../src/core/numerics/random.ts';
import { waterAdvice } from '../src/core/watering/advice.ts';
import {
  alikeOf,
  believe,
  DRY_BELOW,
  factorQuantile,
  NOTHING_SEEN,
  WATERED,
  watered,
  WET_ABOVE,
  withLook,
  withWeight,
  type DryingBelief,
  type DryingEvidence,
} from '../src/core/watering/belief.ts';
import { demandBetween_mm } from '../src/core/watering/drying.ts';
import { vapour_kPa, wetSurfaceHour_mm } from '../src/core/watering/evaporation.ts';
import { holdingOf, TRAY_m2 } from '../src/core/watering/holding.ts';
import { dryingNursery, type DryingTray } from '../tests/calibration/otherDrying.ts';
import { startApp } from '../tests/support/app.ts';
import { row, type Figures, type Row } from './form.ts';

const NURSERIES = 60;
/** Each nursery has a seed of its own. */
const FIRST = 2027;
const TRAYS = 8;
const DAYS = 24;
/** Looks before what is thought is held against how it is. */
const LOOKS = 5;
const MORNING = 8;
const CALLS = 60;

interface Sums {
  dry: number;
  wet: number;
  watered: number;
  mornings: number;
  second: number;
}

/** Water by what is thought against a rule of every morning, on nurseries that dry by another law; and the time of it. */
export default async function bench(): Promise<Figures> {
  const errors: number[] = [];
  const weighedErrors: number[] = [];
  const sums = (): Sums => ({ dry: 0, wet: 0, watered: 0, mornings: 0, second: 0 });
  const [thought, always] = [sums(), sums()];
  for (let n = 0; n < NURSERIES; n++) {
    const nursery = () => dryingNursery(seededRandom(FIRST + n), TRAYS, DAYS, seededRandom(9_000 + FIRST + n));
    errors.push(...season(nursery(), thought, false));
    weighedErrors.push(...season(nursery(), sums(), false, true));
    season(nursery(), always, true);
  }
  return {
    bench: 'watering',
    method: `${NURSERIES} made-up nurseries of ${TRAYS} trays over ${DAYS} days, drying by another law than the program's (tests/calibration/otherDrying.ts), with hands that differ, slip and fill in part. Each morning at eight a tray is looked at and watered or not; in the first ${LOOKS} mornings the program only learns; where it asks for a second look, that is at three. Trays of a nursery teach each other. Dry: under ${DRY_BELOW} of its water before the next morning; wet: over ${WET_ABOVE} when it is watered. Time: 500 batches at 12 places, ten mornings each, processor time. Pages: the round of the demo with its water cards and the page of a place, built application, ${CALLS} calls each after one, one after another; CROOK_TEST_PG names a PostgreSQL to make databases on.`,
    rows: [
      row('time to dry after five looks, error (median)', 100 * middle(errors), '%', '<= 15'),
      row('the same, each tray weighed in place of looked at', 100 * middle(weighedErrors), '%'),
      row('dry before the next look, by the program', (100 * thought.dry) / thought.mornings, '%', '<= 1'),
      row('watered while wet, by the program', (100 * thought.wet) / Math.max(1, thought.watered), '%', '<= 5'),
      row('waterings by the program', thought.watered / thought.mornings, 'a morning'),
      row('second looks asked for', (100 * thought.second) / thought.mornings, '%'),
      row('dry before the next look, every morning all', (100 * always.dry) / always.mornings, '%'),
      row('watered while wet, every morning all', (100 * always.wet) / Math.max(1, always.watered), '%'),
      row('500 batches for ten days', tenDays_ms(), 'ms', '<= 50'),
      ...(await pages()),
    ],
  };
}

interface Tray {
  readonly truth: DryingTray;
  readonly capacity_mm: number;
  /** What the air asks by the hour, as the program works it out. */
  readonly asked: readonly number[];
  evidence: DryingEvidence;
  left: number;
  /** Water in it right after the last watering, mm. */
  full: number;
  since_mm: number;
}

/** Trays of one nursery through their days. @returns how far off their times to dry were thought to be after the first looks */
function season(truths: readonly DryingTray[], sums: Sums, all: boolean, weighing = false): number[] {
  const trays = truths.map((truth): Tray => {
    const { mix_L, ground_m2, air } = truth;
    const { capacity_mm } = holdingOf({
      ...{ kind: 'cell-tray', footprint_slots: ground_m2 / TRAY_m2, volume_L: mix_L, perCarryingTray: 1 },
    });
    const full = truth.watered();
    return { truth, capacity_mm, asked: askedOf(air), evidence: NOTHING_SEEN, left: full, full, since_mm: 0 };
  });
  const errors: number[] = [];
  for (let day = 0, hour = MORNING; hour + 24 < trays[0]!.asked.length; day++, hour += 24) {
    const learning = day < LOOKS;
    for (const tray of trays) visit(tray, weighing);
    for (const tray of trays) {
      const { truth } = tray;
      const belief = beliefOf(trays, tray);
      if (day === LOOKS && !all) errors.push(errorOf(tray, belief, hour));
      const until = (to: number): number => tray.asked.slice(hour, to).reduce((a, b) => a + b, 0);
      const advice = waterAdvice(belief, thenOf(tray), until(hour + 24));
      if (all || (learning ? day % 2 === 0 : advice.want === 'now')) water(tray, learning ? null : sums);
      let least = tray.left;
      for (let h = hour; h < hour + 24; h++) {
        if (h === hour + 7 && !all && !learning && advice.secondLook) {
          sums.second++;
          visit(tray, weighing);
          const rest = tray.asked.slice(h, hour + 24).reduce((a, b) => a + b, 0);
          if (waterAdvice(beliefOf(trays, tray), thenOf(tray), rest).want === 'now') water(tray, sums);
        }
        tray.left = truth.after(tray.left, h);
        tray.since_mm += tray.asked[h]!;
        least = Math.min(least, tray.left);
      }
      if (learning) continue;
      sums.mornings++;
      if (least / truth.holds_mm < DRY_BELOW) sums.dry++;
    }
  }
  return errors;
}

const thenOf = ({ since_mm, capacity_mm, truth }: Tray) => ({
  ...{ share: WATERED, demand_mm: since_mm, capacity_mm, cover: truth.cover },
});

const beliefOf = (trays: readonly Tray[], tray: Tray) =>
  believe(
    tray.evidence,
    { humidity: true, light: true },
    alikeOf(
      trays.filter((one) => one !== tray).map(({ evidence }, i) => ({ evidence, placeId: 1, containerId: i })),
      1,
      -1,
    ),
  );

function visit(tray: Tray, weighing = false): void {
  const { since_mm, truth, left, full, capacity_mm } = tray;
  if (since_mm === 0) return;
  if (!weighing) {
    tray.evidence = withLook(tray.evidence, thenOf(tray), truth.look(left));
    return;
  }
  // Against its weight right after watering, with what a tray is thought to hold.
  const share = WATERED - (full - left) / capacity_mm + truth.slipOfScale();
  tray.evidence = withWeight(tray.evidence, thenOf(tray), Math.min(1.2, Math.max(0, share)));
}

function water(tray: Tray, sums: Sums | null): void {
  if (sums) {
    sums.watered++;
    if (tray.left / tray.truth.holds_mm > WET_ABOVE) sums.wet++;
  }
  tray.left = tray.truth.watered();
  tray.full = tray.left;
  tray.since_mm = 0;
  tray.evidence = watered(tray.evidence);
}

const askedOf = (air: DryingTray['air']): number[] =>
  air.map(({ temp_C, humidity, light_W_m2 }) =>
    wetSurfaceHour_mm({
      ...{ temp_C, vapour_kPa: vapour_kPa(temp_C, humidity), air_m_s: 0.15, light_W_m2, bottom_K: 0, height_m: 0 },
    }),
  );

/** Time to dry from full, as thought and as it is, of the air that comes. */
function errorOf({ truth, capacity_mm, asked }: Tray, belief: DryingBelief, hour: number): number {
  const wanted = demandBetween_mm(WATERED, DRY_BELOW, capacity_mm, truth.cover) / factorQuantile(belief, 0.5);
  const until = (isSo: (h: number) => boolean): number => {
    let h = hour;
    while (h < asked.length && !isSo(h)) h++;
    return h - hour;
  };
  let sum = 0;
  const thoughtOf = until((h) => (sum += asked[h]!) >= wanted);
  let left = WATERED * truth.holds_mm;
  const really = until((h) => (left = truth.after(left, h)) / truth.holds_mm < DRY_BELOW);
  return Math.abs(thoughtOf - really) / Math.max(1, really);
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

/** Places differ in their air, batches in what they stand in and in what was seen of them. */
function tenDays_ms(): number {
  const random = seededRandom(5);
  const places = dryingNursery(random, 12, 10).map(({ air }) => air);
  const evidence = withLook(NOTHING_SEEN, { share: WATERED, demand_mm: 4, capacity_mm: 5.5, cover: 0.4 }, 'moist');
  const once = (): number => {
    const began = process.cpuUsage();
    const asked = places.map((air) => askedOf(air.slice(0, 240)));
    const days = asked.map((hours) =>
      Array.from({ length: 10 }, (_, d) => hours.slice(24 * d, 24 * d + 24).reduce((a, b) => a + b, 0)),
    );
    for (let b = 0; b < 500; b++) {
      const belief = believe(evidence, { humidity: true, light: true });
      const then = { share: WATERED, demand_mm: 1, capacity_mm: 4 + (b % 9) / 3, cover: (b % 10) / 10 };
      for (const ahead_mm of days[b % 12]!) {
        const { want } = waterAdvice(belief, then, ahead_mm);
        then.demand_mm = want === 'now' ? ahead_mm : then.demand_mm + ahead_mm;
      }
    }
    const { user, system } = process.cpuUsage(began);
    return (user + system) / 1000;
  };
  return middle(Array.from({ length: 7 }, once));
}

async function pages(): Promise<Row[]> {
  const app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  try {
    const rows: Row[] = [];
    for (const [name, path] of [
      ['the round with its water cards', '/'],
      ['water and air of a place', '/watering?place=5'],
    ] as const) {
      await (await fetch(app.url + path)).text();
      const times: number[] = [];
      for (let i = 0; i < CALLS; i++) {
        const began = performance.now();
        await (await fetch(app.url + path)).text();
        times.push(performance.now() - began);
      }
      times.sort((a, b) => a - b);
      rows.push(row(`${name}, 95 of 100 within`, times[Math.ceil(0.95 * CALLS) - 1]!, 'ms', '<= 100'));
    }
    return rows;
  } finally {
    await app.stop();
  }
}
