import { z } from 'zod';
import { USUAL_WEIGHTS, type Instance, type StageSpec } from '../../core/plan/placement/instance.ts';
import { figure, recordId, temperature_C, wholeNumber } from '../fields.ts';
import { WORDS } from '../../words/en/plan/placementInstance.ts';

/** An instance of the placement as JSON, to be solved by `npm run bench -- placement --instance FILE`. See docs/INSTANCES.md. */
const day = (name: string) => wholeNumber(name, 0, 2000);
const byDay = (name: string, lo: number, hi: number) =>
  z.union([figure(name, lo, hi), z.array(figure(name, lo, hi)).max(2000)]);

const gain = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('degree-days'),
    base_C: temperature_C('base'),
    optimum_C: temperature_C('optimum'),
  }),
  z.strictObject({
    kind: z.literal('rates'),
    points: z
      .array(z.tuple([temperature_C('temperature'), figure(WORDS.rateForEachDay, 0, 1000)]))
      .min(2, { error: WORDS.ratesGiveAtLeastTwo })
      .max(60),
  }),
  z.strictObject({ kind: z.literal('days') }),
]);

const stage = z.strictObject({
  name: z.string().max(80),
  gain,
  need: figure('need', 0, 100_000),
  standstill_days: day('standstill').default(0),
  least_days: day(WORDS.leastDays).default(1),
  mostWait_days: day(WORDS.mostDaysOfWaiting).default(7),
  low_C: temperature_C(WORDS.coldestNight),
  high_C: temperature_C(WORDS.warmestDay),
  mostSetPoint_C: temperature_C(WORDS.mostSetPoint).nullable().default(null),
  places: z.array(recordId('place')).max(100),
  bolt: z
    .strictObject({
      cold_C: temperature_C(WORDS.coldThatBringsItTo).nullable(),
      cold_frac: figure(WORDS.shareForAColdDay, 0, 1),
      warm_C: temperature_C(WORDS.warmthThatBringsItTo).nullable(),
      warm_frac: figure(WORDS.shareForAWarmDay, 0, 1),
    })
    .optional(),
  comfort: z
    .strictObject({ low_C: temperature_C(WORDS.comfortableNight), high_C: temperature_C(WORDS.comfortableDay) })
    .refine(({ low_C, high_C }) => low_C < high_C, {
      error: WORDS.comfortTheDayMustBe,
      path: ['high_C'],
    })
    .optional(),
  fair_days: figure(WORDS.fairDays, 0, 2000).optional(),
});

const place = z.strictObject({
  id: recordId('place'),
  name: z.string().max(80).optional(),
  room_slots: figure('room', 0, 100_000),
  closed: z
    .array(z.tuple([day(WORDS.closedFrom), day(WORDS.closedTo)]))
    .max(60)
    .default([]),
  levels: z
    .array(
      z.strictObject({
        setPoint_C: temperature_C('set-point').nullable(),
        day_C: byDay('day', -60, 60),
        night_C: byDay('night', -60, 60),
        heat_kWh: byDay('heat', 0, 100_000).default(0),
      }),
    )
    .min(1, { error: WORDS.levelsGiveAtLeastOne })
    .max(20),
  row: z
    .array(wholeNumber('level', 0, 19))
    .max(300)
    .optional(),
});

const batch = z.strictObject({
  id: recordId('batch'),
  name: z.string().max(80).optional(),
  stages: z
    .array(wholeNumber('stage', 0, 5000))
    .min(1)
    .max(8),
  slots: z
    .array(figure('slots', 0, 100_000))
    .min(1)
    .max(8),
  trays: figure('trays', 0, 100_000),
  target: day('target'),
  before_days: day(WORDS.daysBefore).default(3),
  after_days: day(WORDS.daysAfter).default(7),
  weight: figure('weight', 0.01, 100).default(1),
  spread_days: figure('spread', 0, 200).optional(),
  work_min: z
    .array(figure('work', 0, 100_000))
    .min(2)
    .max(9)
    .optional(),
  inProgress: z
    .strictObject({
      at: wholeNumber(WORDS.stageReached, 0, 7),
      place: recordId('place'),
      day: day('day'),
      need: figure('need', 0, 100_000),
    })
    .optional(),
  pinned: z
    .array(
      z.strictObject({ stage: wholeNumber('stage', 0, 7), place: recordId('place'), from: day('from'), to: day('to') }),
    )
    .min(1)
    .max(8)
    .optional(),
});

const weights = z.strictObject({
  late_perTrayDay: figure('late', 0, 1e6),
  early_perTrayDay: figure('early', 0, 1e6),
  wait_perTrayDay: figure('waiting', 0, 1e6),
  discomfort_perTrayKelvin: figure('discomfort', 0, 1e6),
  ageing_perTrayDay: figure(WORDS.growingOld, 0, 1e6),
  overtime_perHour: figure(WORDS.workOverTheHands, 0, 1e6),
  move_perTray: figure('moves', 0, 1e6),
  setPointChange: figure(WORDS.setPointChanges, 0, 1e6),
  heat_perkWh: figure('heat', 0, 1e6),
  unplaced_perTray: figure(WORDS.leftOut, 0, 1e6),
  mostLate_days: day(WORDS.mostDaysLate),
  mostEarly_days: day(WORDS.mostDaysEarly),
});

export const placementInstance = z
  .strictObject({
    days: wholeNumber('days', 1, 1700),
    blockDays: wholeNumber(WORDS.daysOfABlock, 1, 100).default(7),
    blockOffset: day('offset').default(0),
    frozenBlocks: wholeNumber(WORDS.frozenBlocks, 0, 300).default(0),
    today: day('today').default(0),
    places: z.array(place).min(1).max(100),
    stages: z.array(stage).min(1).max(5000),
    batches: z.array(batch).max(5000),
    weights: weights.partial().default({}),
    hands_min: z
      .array(figure('hands', 0, 1e6))
      .max(300)
      .optional(),
  })
  .superRefine((one, ctx) => {
    const fault = (path: (string | number)[], message: string) => ctx.addIssue({ code: 'custom', path, message });
    const ids = one.places.map((p) => p.id);
    const known = (id: number, path: (string | number)[]) => {
      if (!ids.includes(id)) fault(path, WORDS.thereIsNoPlace(id));
    };
    one.stages.forEach((s, i) => s.places.forEach((id, j) => known(id, ['stages', i, 'places', j])));
    one.places.forEach((p, i) => {
      if (ids.indexOf(p.id) !== i) fault(['places', i, 'id'], WORDS.placeIsThereTwice(p.id));
      p.levels.forEach((level, l) => {
        for (const key of ['day_C', 'night_C', 'heat_kWh'] as const) {
          const list = level[key];
          if (Array.isArray(list) && list.length !== one.days)
            fault(['places', i, 'levels', l, key], WORDS.oneFigureOrOneFor(one.days, list.length));
        }
      });
      p.row?.forEach((level, b) => {
        if (level >= p.levels.length) fault(['places', i, 'row', b], WORDS.thereIsNoLevel(level));
      });
    });
    one.batches.forEach((b, i) => {
      if (b.slots.length !== b.stages.length) fault(['batches', i, 'slots'], WORDS.asManyTraySpacesFigures);
      if (b.work_min && b.work_min.length !== b.stages.length + 1)
        fault(['batches', i, 'work_min'], WORDS.oneMoreWorkFigureThan);
      if (b.target >= one.days) fault(['batches', i, 'target'], WORDS.theTargetLiesAfterThe);
      b.stages.forEach((s, j) => {
        if (s >= one.stages.length) fault(['batches', i, 'stages', j], WORDS.thereIsNoStage(s));
      });
      if (b.inProgress) known(b.inProgress.place, ['batches', i, 'inProgress', 'place']);
      if (b.inProgress && b.inProgress.at >= b.stages.length)
        fault(['batches', i, 'inProgress', 'at'], WORDS.itHasNoSuchStage);
      b.pinned?.forEach((stay, j) => {
        known(stay.place, ['batches', i, 'pinned', j, 'place']);
        if (stay.to > one.days || stay.to < stay.from)
          fault(['batches', i, 'pinned', j, 'to'], WORDS.notBeforeItsFirstDay);
      });
    });
  });
export type PlacementInstanceJson = z.infer<typeof placementInstance>;

/** An instance read from JSON that the schema has passed. */
export function instanceFromJson(json: PlacementInstanceJson): Instance {
  const { days } = json;
  const indexOf = new Map(json.places.map((p, i) => [p.id, i]));
  const spread = (value: number | number[]) =>
    Array.isArray(value) ? Float64Array.from(value) : new Float64Array(days).fill(value);
  const blocks = Math.floor((days + json.blockOffset) / json.blockDays) + 1;
  return {
    days,
    blockDays: json.blockDays,
    blockOffset: json.blockOffset,
    frozenBlocks: json.frozenBlocks,
    today: json.today,
    ...(json.hands_min
      ? { hands_min: Array.from({ length: blocks }, (_, b) => json.hands_min![b] ?? json.hands_min!.at(-1) ?? 0) }
      : {}),
    weights: { ...USUAL_WEIGHTS, ...(json.weights as Partial<Instance['weights']>) },
    places: json.places.map((p) => ({
      id: p.id,
      name: p.name ?? WORDS.place(p.id),
      room_slots: p.room_slots,
      closed: p.closed,
      levels: p.levels.map((level) => ({
        setPoint_C: level.setPoint_C,
        day_C: spread(level.day_C),
        night_C: spread(level.night_C),
        heat_kWh: spread(level.heat_kWh),
      })),
      row: Array.from({ length: blocks }, (_, b) => p.row?.[b] ?? 0),
    })),
    stages: json.stages.map((s): StageSpec => ({
      ...s,
      gain: gainOf(s.gain),
      places: s.places.map((id) => indexOf.get(id)!),
    })),
    batches: json.batches.map((b) => ({
      id: b.id,
      name: b.name ?? WORDS.batch(b.id),
      stages: b.stages,
      slots: b.slots,
      trays: b.trays,
      target: b.target,
      before_days: b.before_days,
      after_days: b.after_days,
      weight: b.weight,
      ...(b.spread_days === undefined ? {} : { spread_days: b.spread_days }),
      ...(b.work_min ? { work_min: b.work_min } : {}),
      ...(b.inProgress ? { inProgress: { ...b.inProgress, place: indexOf.get(b.inProgress.place)! } } : {}),
      ...(b.pinned ? { pinned: b.pinned.map((stay) => ({ ...stay, place: indexOf.get(stay.place)! })) } : {}),
    })),
  };
}

function gainOf(spec: PlacementInstanceJson['stages'][number]['gain']): StageSpec['gain'] {
  if (spec.kind === 'days') return () => 1;
  if (spec.kind === 'degree-days') {
    return (day_C, night_C) => Math.max(0, Math.min((day_C + night_C) / 2, spec.optimum_C) - spec.base_C);
  }
  const points = [...spec.points].sort((a, b) => a[0] - b[0]);
  const rate = (t: number): number => {
    const above = points.findIndex(([x]) => x >= t);
    if (above === 0) return t === points[0]![0] ? points[0]![1] : 0;
    if (above < 0) return 0;
    const [[x0, y0], [x1, y1]] = [points[above - 1]!, points[above]!];
    return y0 + ((t - x0) / (x1 - x0)) * (y1 - y0);
  };
  return (day_C, night_C) => (rate(day_C) + rate(night_C)) / 2;
}
