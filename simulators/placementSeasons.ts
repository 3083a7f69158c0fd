import { below, seededRandom } from '../src/core/numerics/random.ts';
import { heatNeed_kWh } from '../src/core/plan/placement/energy.ts';
import {
  USUAL_WEIGHTS,
  type BatchSpec,
  type Instance,
  type LevelSpec,
  type PlaceSpec,
  type StageSpec,
} from '../src/core/plan/placement/instance.ts';

/** Size of a made-up season. */
export interface SeasonSize {
  readonly batches: number;
  readonly places: number;
  readonly days: number;
  readonly seed: number;
}

const DROP_K = 3;
type Kind = 'dark' | 'lit' | 'bench' | 'bay' | 'frame' | 'ground';
/** How often each kind comes among the places, and its room for each batch of the season in tray slots. */
const KINDS: readonly (readonly [Kind, number])[] = [
  ['dark', 0.07],
  ['bench', 0.2],
  ['lit', 0.1],
  ['bay', 0.34],
  ['frame', 0.38],
  ['ground', 0.55],
  ['bench', 0.2],
  ['dark', 0.07],
  ['frame', 0.38],
  ['bay', 0.34],
];

/**
 * A made-up season, the same for the same size and seed: a spring of 220 days from midwinter, crops warm and cool, places
 * from dark chambers to standing ground whose room grows with the number of batches. Invented, for tests and bench only.
 */
export function madeUpSeason(size: SeasonSize): Instance {
  return madeUpSeasonWithRule(size).instance;
}

/** The same, with the days each batch's stages last by the rule of weeks: at the temperatures its crop is reckoned for. */
export function madeUpSeasonWithRule({ batches, places, days, seed }: SeasonSize): {
  instance: Instance;
  ruleDays: readonly (readonly number[])[];
} {
  const random = seededRandom(seed);
  const between = (lo: number, hi: number) => lo + random() * (hi - lo);
  const outside = outsideOf(days, random);
  const kinds = Array.from({ length: places }, (_, i) => KINDS[i % KINDS.length]!);
  const shareOf = (kind: Kind) => kinds.filter(([k]) => k === kind).length;
  const specs = kinds.map(([kind, room], p): PlaceSpec => {
    const each = (room * batches * 2) / shareOf(kind);
    // The largest batch must fit somewhere, spaced out.
    const least = kind === 'dark' || kind === 'lit' ? 8 : 26;
    const room_slots = Math.max(least, Math.round(each * between(0.8, 1.2)));
    const levels = levelsOf(kind, room_slots, outside, days);
    return {
      id: p + 1,
      name: `${kind} ${p + 1}`,
      room_slots,
      closed: random() < 0.1 ? [[20, 34]] : [],
      levels,
      row: new Array<number>(Math.ceil(days / 7) + 1).fill(Math.floor(levels.length / 2)),
    };
  });
  const where = (...wanted: Kind[]) => kinds.flatMap(([kind], p) => (wanted.includes(kind) ? [p] : []));
  const stages: StageSpec[] = [];
  const ways: number[][] = [];
  const rules: number[][] = [];
  const crops = Math.max(4, Math.min(30, Math.round(batches / 4)));
  for (let c = 0; c < crops; c++) {
    const warm = random() < 0.5;
    const base_C = warm ? between(8, 11) : between(2, 5);
    const best_C = warm ? between(24, 29) : between(17, 21);
    const optimum_C = warm ? between(24, 27) : between(19, 22);
    const theta = between(40, 90);
    const growth = (day_C: number, night_C: number) => Math.max(0, Math.min((day_C + night_C) / 2, optimum_C) - base_C);
    const rate = (t: number) =>
      t <= base_C || t >= best_C + 10
        ? 0
        : t <= best_C
          ? (t - base_C) / theta
          : ((best_C - base_C) / theta) * ((best_C + 10 - t) / 10);
    const perDay = growth(warm ? 22 : 17, warm ? 17 : 11);
    const low_C = warm ? 6 : -2;
    const cap = warm ? null : 18;
    const stage = (name: string, need: number, at: readonly number[], extra: Partial<StageSpec> = {}): number =>
      stages.push({
        name,
        gain: growth,
        need,
        standstill_days: 0,
        least_days: 1,
        mostWait_days: 10,
        low_C,
        high_C: 36,
        mostSetPoint_C: cap,
        places: at,
        ...extra,
      }) - 1;
    const growDays = between(14, 28);
    const grow = growDays * perDay;
    const rule = [Math.round(theta / (best_C - base_C)), Math.round(growDays)];
    const way = [
      stage('germinate', 1, random() < 0.2 ? where('lit', 'bench') : where('dark', 'lit', 'bench'), {
        gain: (day_C, night_C) => (rate(day_C) + rate(night_C)) / 2,
        mostWait_days: 1,
        low_C: base_C + 2,
        high_C: best_C + 8,
      }),
      stage('grow', grow, where('lit', 'bench', 'bay')),
    ];
    if (random() < 0.55) {
      const potDays = between(16, 30);
      const pot = potDays * perDay;
      rule.push(Math.round(potDays / 2) + 2, Math.round(potDays / 2));
      way.push(
        stage('pot', pot * 0.5, where('bench', 'bay', 'frame'), { standstill_days: 2 }),
        stage('space', pot * 0.5, where('bench', 'bay', 'frame', 'ground')),
      );
    }
    const hardening = 7 + below(random, 6);
    way.push(
      stage('harden', 0, where('frame', 'ground'), {
        least_days: hardening,
        low_C: warm ? 3 : -4,
        mostSetPoint_C: null,
      }),
    );
    rule.push(hardening);
    ways.push(way);
    rules.push(rule);
  }
  const list = Array.from({ length: batches }, (_, i): BatchSpec => {
    const way = ways[below(random, ways.length)]!;
    const trays = 1 + below(random, 6);
    const potted = way.length === 5;
    const pots = Math.ceil(trays * between(1.2, 2));
    return {
      id: i + 1,
      name: `batch ${i + 1}`,
      stages: way,
      slots: potted ? [trays, trays, pots, pots * 2, pots * 2] : [trays, trays, trays],
      trays,
      target: Math.round(days * between(0.5, 0.85)),
      before_days: 3,
      after_days: 7,
      weight: random() < 0.15 ? 3 : random() < 0.2 ? 0.3 : 1,
    };
  });
  const instance: Instance = {
    days,
    blockDays: 7,
    blockOffset: 0,
    frozenBlocks: 0,
    today: 0,
    places: specs,
    stages,
    batches: list,
    weights: USUAL_WEIGHTS,
  };
  return { instance, ruleDays: list.map((batch) => rules[ways.indexOf(batch.stages as number[])]!) };
}

interface Outside {
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
}

function outsideOf(days: number, random: () => number): Outside {
  const day_C = new Float64Array(days);
  const night_C = new Float64Array(days);
  for (let d = 0; d < days; d++) {
    // Coldest at the start (early January), warmest half a year on.
    const mean = 10 - 7 * Math.cos((2 * Math.PI * (d + 5)) / 365) + (random() - 0.5) * 2;
    day_C[d] = Math.round((mean + 4) * 10) / 10;
    night_C[d] = Math.round((mean - 4) * 10) / 10;
  }
  return { day_C, night_C };
}

const SET_POINTS: Readonly<Record<Kind, readonly number[]>> = {
  dark: [18, 20, 22, 24, 26, 28],
  lit: [16, 18, 20, 22, 24],
  bench: [12, 15, 18, 20, 22, 24],
  bay: [],
  frame: [],
  ground: [],
};
/** Degrees above outside, by day and by night, when not heated. */
const FREE_K: Readonly<Record<Kind, readonly [number, number]>> = {
  dark: [3, 5],
  lit: [3, 5],
  bench: [3, 3],
  bay: [5, 3],
  frame: [4, 2],
  ground: [0, 0],
};
const LOSS_W_PER_K_SLOT: Readonly<Record<Kind, number>> = {
  dark: 0.3,
  lit: 0.4,
  bench: 1,
  bay: 0,
  frame: 0,
  ground: 0,
};

function levelsOf(kind: Kind, room: number, outside: Outside, days: number): LevelSpec[] {
  const [freeDay_K, freeNight_K] = FREE_K[kind];
  const levelOf = (setPoint_C: number | null): LevelSpec => {
    const day_C = new Float64Array(days);
    const night_C = new Float64Array(days);
    const heat_kWh = new Float64Array(days);
    for (let d = 0; d < days; d++) {
      const freeDay_C = outside.day_C[d]! + freeDay_K;
      const freeNight_C = outside.night_C[d]! + freeNight_K;
      const setDay_C = setPoint_C ?? -99;
      const setNight_C = setPoint_C === null ? -99 : setPoint_C - (kind === 'bench' ? DROP_K : 0);
      day_C[d] = Math.max(freeDay_C, setDay_C);
      night_C[d] = Math.max(freeNight_C, setNight_C);
      const loss_W_per_K = LOSS_W_PER_K_SLOT[kind] * room;
      heat_kWh[d] = heatNeed_kWh({ loss_W_per_K, setDay_C, setNight_C, freeDay_C, freeNight_C });
    }
    return { setPoint_C, day_C, night_C, heat_kWh };
  };
  return [levelOf(null), ...SET_POINTS[kind].map(levelOf)];
}
