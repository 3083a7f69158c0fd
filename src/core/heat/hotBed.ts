import { civilFromDay, type DayNumber } from '../calendar/dayNumber.ts';
import { dayOfMonthDay, type MonthDay } from '../calendar/monthDay.ts';
import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/heat/hotBed.ts';

export const HEAPS = ['manure', 'hay-and-green', 'leaves'] as const;
export type Heap = (typeof HEAPS)[number];
export const MOISTURES = ['dry', 'squeezed', 'soaked'] as const;
export type Moisture = (typeof MOISTURES)[number];

/** A hot bed as it is built: a heap under a frame, its medium on top. */
export interface HotBedSpec {
  /** Day of the year it is built on, as planned. */
  readonly buildOn: MonthDay;
  readonly length_m: number;
  readonly width_m: number;
  /** Depth of the heap when it is new; it sinks by a third. */
  readonly height_m: number;
  readonly made: Heap;
  /** Wetness as it was built: a handful squeezed gives a drop, or it is dry, or soaked. */
  readonly moisture: Moisture;
  /** Warmer than outside what stands over it, before the heap gives anything. */
  readonly plusDay_K: number;
  readonly plusNight_K: number;
  /** Cable in the medium as its backup, switched on under this; null: none. */
  readonly backup_C: number | null;
}

/** What was done to a hot bed or read of it. */
export interface HotBedLine {
  readonly id: number;
  readonly by: string;
  readonly kind: 'built' | 'turned' | 'read';
  readonly on: DayNumber;
  /** Of a reading: the stick thermometer at the depth of the seed, degrees Celsius. */
  readonly medium_C: number | null;
  /** Where it was put in; only the middle says how strong the heap is. */
  readonly spot: Spot;
}
export const SPOTS = ['middle', 'edge', 'hottest'] as const;
export type Spot = (typeof SPOTS)[number];

/** A hot bed to start from. Common practice, no source. */
export const USUAL_HOT_BED: HotBedSpec = {
  buildOn: '02-20',
  length_m: 2.4,
  width_m: 1.2,
  height_m: 0.6,
  made: 'hay-and-green',
  moisture: 'squeezed',
  plusDay_K: 3,
  plusNight_K: 2,
  backup_C: null,
};

/**
 * Highest of the medium above what is over it, of a heap 0.6 m deep, and the days its heat takes to fall to a third once it has
 * peaked. From memory, common practice: heaps differ by a half either way, which is why they are read.
 */
const HEAP: Readonly<Record<Heap, { readonly peak_K: number; readonly fades_days: number }>> = {
  manure: { peak_K: 26, fades_days: 30 },
  'hay-and-green': { peak_K: 22, fades_days: 24 },
  leaves: { peak_K: 14, fades_days: 55 },
};
/** Share of the heat left in a heap that is too dry or too wet to work. Common practice, no source. */
const WORKS_frac: Readonly<Record<Moisture, number>> = { dry: 0.5, squeezed: 1, soaked: 0.6 };
/** Days the heating takes to get going. With the fading it puts the peak about the tenth day. */
const KINDLES_days = 5;
const USUAL_DEEP_m = 0.6;
/** Turned and added to, it comes up again to this share of its first peak; what heat was in it is half lost. Common practice, no source. */
const REVIVED_frac = 0.65;
const LOST_frac = 0.5;
/** Of the swing of the day outside, what the medium feels. Common practice, no source. */
const SWING_frac = 0.2;
/** How far heaps of one kind lie apart (standard deviation of their share of the usual), and a stick thermometer here and there in one, K. Common practice, no source. */
const APART_frac = 0.4;
const STICK_K = 3;
/** Hot spots stand above the middle by this share of the rise. Common practice, no source. */
const SPOT_frac = 0.45;
/** It sinks by a third. Common practice, no source. */
export const SINKS_frac = 1 / 3;

const unit = (days: number, fades: number): number =>
  days <= 0 ? 0 : Math.exp(-days / fades) - Math.exp(-days / KINDLES_days);

/** Days from building to the peak. */
export function peakAfter_days(made: Heap): number {
  const { fades_days: f } = HEAP[made];
  return (Math.log(f / KINDLES_days) * f * KINDLES_days) / (f - KINDLES_days);
}

/**
 * Medium above what is over the bed by a heap's own heat, K, `days` after it was built: two exponentials, one kindling, one fading.
 * @throws RangeError for a heap that cannot be built
 * @source shape and figures from memory, common practice: about ten days to its peak, weeks to fade
 */
export function heapRise_K(spec: HotBedSpec, days: number): number {
  requireRange(WORDS.depthOfTheHeapM, spec.height_m, 0.1, 2);
  requireRange(WORDS.lengthOfTheHotBed, spec.length_m, 0.3, 60);
  requireRange(WORDS.widthOfTheHotBed, spec.width_m, 0.3, 20);
  const { peak_K, fades_days } = HEAP[spec.made];
  const deep = Math.min(1.3, Math.sqrt(spec.height_m / USUAL_DEEP_m));
  // A small heap loses through its sides: of half a metre round the edge half the heat goes that way.
  const { length_m, width_m } = spec;
  const core = Math.max(0, length_m - 0.5) * Math.max(0, width_m - 0.5);
  const whole = 0.6 + 0.4 * Math.min(1, core / (length_m * width_m) / 0.5);
  const top = unit(peakAfter_days(spec.made), fades_days);
  return (peak_K * deep * whole * WORKS_frac[spec.moisture] * unit(days, fades_days)) / top;
}

/** Rise of a heap built on a day and turned on others. */
function riseOn(spec: HotBedSpec, built: DayNumber, turned: readonly DayNumber[], day: DayNumber): number {
  let rise = heapRise_K(spec, day - built);
  for (const on of turned) {
    if (on <= built || on >= day) continue;
    const before = heapRise_K(spec, on - built);
    const fades = HEAP[spec.made].fades_days;
    // What was in it goes on from the half that is left; the new stuff kindles afresh.
    rise = rise - LOST_frac * before * Math.exp(-(day - on) / fades) + REVIVED_frac * heapRise_K(spec, day - on);
  }
  return Math.max(0, rise);
}

/** A bed through its days, degrees Celsius. */
export interface HotBedDays {
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
  /** Medium above what is over the bed by the heap alone, as put right by what was read. */
  readonly rise_K: Float64Array;
  /** Day its heap of the season was or is to be built, for each day. */
  readonly built: Float64Array;
  /** Times the usual heat of such a heap that this one gives, by its readings; 1 without. */
  readonly factor: number;
  readonly readings: number;
}

/** A heap serves no longer than this after it was built. */
const SERVES_days = 200;
/** A heap logged within so many days of its planned day is that year's. */
const SAME_days = 90;

/**
 * Medium of a hot bed day by day: outside evened out, and the heap's own heat on top, put right by the stick thermometer. What is
 * read counts against the usual of such heaps by how far heaps lie apart.
 * @param outside day and night over the same days
 * @param log what was done and read, in any order
 */
export function hotBedDays(
  spec: HotBedSpec,
  log: readonly HotBedLine[],
  from: DayNumber,
  outside: { readonly day_C: ArrayLike<number>; readonly night_C: ArrayLike<number> },
): HotBedDays {
  const days = outside.day_C.length;
  const builds = buildsOver(spec, log, from, from + days);
  const turned = log.filter((l) => l.kind === 'turned').map((l) => l.on);
  const lastRead = log.filter((l) => l.kind === 'read').reduce((last, l) => Math.max(last, l.on), -Infinity);
  // Readings are of the heap that stood when they were taken last, and speak for no other.
  const read = builds.filter((b) => b <= lastRead).at(-1) ?? null;
  const [day_C, night_C, rise_K, built] = Array.from({ length: 4 }, () => new Float64Array(days)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const over = (i: number) => [outside.day_C[i]! + spec.plusDay_K, outside.night_C[i]! + spec.plusNight_K] as const;
  for (let i = 0; i < days; i++) {
    const heap = builds.filter((b) => b <= from + i).at(-1) ?? builds[0]!;
    built[i] = heap;
    rise_K[i] = from + i - heap > SERVES_days ? 0 : riseOn(spec, heap, turned, from + i);
  }
  const { factor, readings } = factorOf(log, read ?? Infinity, from, rise_K, (i) => {
    const [day, night] = over(i);
    return (day + night) / 2;
  });
  for (let i = 0; i < days; i++) {
    if (built[i] === read) rise_K[i]! *= factor;
    const [day, night] = over(i);
    const mean = (day + night) / 2 + rise_K[i]!;
    const swing = SWING_frac * Math.max(0, (day - night) / 2);
    const least = spec.backup_C ?? -Infinity;
    day_C[i] = Math.max(least, mean + swing);
    night_C[i] = Math.max(least, mean - swing);
  }
  return { day_C, night_C, rise_K, built, factor, readings };
}

/** Days heaps were built or are planned to be, rising: one a year. */
function buildsOver(spec: HotBedSpec, log: readonly HotBedLine[], from: DayNumber, to: DayNumber): DayNumber[] {
  const done = log.filter((l) => l.kind === 'built').map((l) => l.on);
  const planned: DayNumber[] = [];
  for (let year = civilFromDay(from).year - 1; year <= civilFromDay(to).year; year++) {
    const on = dayOfMonthDay(spec.buildOn, year);
    if (!done.some((d) => Math.abs(d - on) <= SAME_days)) planned.push(on);
  }
  return [...done, ...planned].sort((a, b) => a - b);
}

/** How strong the last heap is by what was read of it: least squares against the usual, weighed by how far heaps lie apart. */
function factorOf(
  log: readonly HotBedLine[],
  built: DayNumber,
  from: DayNumber,
  rise_K: Float64Array,
  over_C: (i: number) => number,
): { factor: number; readings: number } {
  let [above, below, readings] = [1 / APART_frac ** 2, 1 / APART_frac ** 2, 0];
  for (const { kind, on, medium_C, spot } of log) {
    const i = on - from;
    if (kind !== 'read' || medium_C === null || spot !== 'middle' || on < built || !(i >= 0 && i < rise_K.length))
      continue;
    const rise = rise_K[i]!;
    above += (rise * (medium_C - over_C(i))) / STICK_K ** 2;
    below += rise ** 2 / STICK_K ** 2;
    readings++;
  }
  return { factor: Math.max(0.1, above / below), readings };
}

/** Share of the heap's rise that the air under a shut lid has. Held against "-1 under the lid at -10 outside", common practice. */
const LID_AIR_frac = 0.3;
/** Air under the shut lid in a night of so much outside. */
export const underLid_C = (spec: HotBedSpec, night_C: number, rise_K: number): number =>
  night_C + spec.plusNight_K + LID_AIR_frac * rise_K;

/** The hottest spot of a bed whose medium stands in the middle at `mean_C` and above what is over it by `rise_K`. */
export const hotSpot_C = (mean_C: number, rise_K: number): number => mean_C + SPOT_frac * rise_K;

/** Over this seed and young roots suffer; over the second the heap cooks what stands on it. Common practice, no source. */
const HOT_C = 33;
/** Sun on an insulated lid adds so much by noon of a bright day, K. Common practice, no source. */
const BRIGHT_K = 10;

export interface HotBedAdvice {
  /** First day at which the medium by night is under what is wanted while it is still wanted; null: it holds. */
  readonly turnBy: DayNumber | null;
  /** Latest day to build it so that it has peaked and is warm enough when it is first sown; null: nothing is to be sown there. */
  readonly buildBy: DayNumber | null;
  /** Hottest spot today, where that is too hot for seed; null: it is not. */
  readonly spot_C: number | null;
  /** A bright day would take it past what young plants bear: blocks under the lid. */
  readonly propLid: boolean;
}

/**
 * What a bed wants done.
 * @param at today, the least medium wanted by what is sown there, and the first and last day it is wanted
 */
export function hotBedAdvice(
  spec: HotBedSpec,
  bed: HotBedDays,
  from: DayNumber,
  at: {
    readonly today: DayNumber;
    readonly least_C: number | null;
    readonly first: DayNumber | null;
    readonly last: DayNumber | null;
  },
): HotBedAdvice {
  const index = (day: DayNumber) => Math.min(Math.max(day - from, 0), bed.day_C.length - 1);
  const mean = (day: DayNumber) => (bed.day_C[index(day)]! + bed.night_C[index(day)]!) / 2;
  const rise = (day: DayNumber) => bed.rise_K[index(day)]!;
  let turnBy: DayNumber | null = null;
  if (at.first !== null && at.last !== null && at.least_C !== null) {
    const begin = Math.max(at.today, at.first, bed.built[index(at.first)]! + Math.ceil(peakAfter_days(spec.made)));
    for (let day = begin; day <= at.last && turnBy === null; day++)
      if (bed.night_C[index(day)]! < at.least_C && (spec.backup_C ?? -Infinity) < at.least_C) turnBy = day;
  }
  const spot = hotSpot_C(mean(at.today), rise(at.today));
  return {
    turnBy,
    buildBy: at.first === null ? null : at.first - Math.ceil(peakAfter_days(spec.made)),
    spot_C: spot > HOT_C ? spot : null,
    propLid: rise(at.today) > 0 && bed.day_C[index(at.today)]! + BRIGHT_K > HOT_C,
  };
}
