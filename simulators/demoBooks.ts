import type { PersonOfHouse } from '../src/core/house/people.ts';
import type { Container } from '../src/core/books/container.ts';
import type { Place, PlacePeriod, PlaceSize, PlaceTemperature } from '../src/core/books/place.ts';
import type { MonthNormal } from '../src/core/plan/schedule/outsideClimate.ts';

/** The made-up nursery of the demo. Every name, figure and day here is invented. */
export const DEMO_NURSERY = {
  name: 'Withy Bank Nursery',
  placeName: 'Underholt',
  latitude_deg: 52.4,
  longitude_deg: -2.9,
  timeZone: 'Europe/London',
  temperatureUnit: 'C',
  lengthUnit: 'cm',
  currency: 'EUR',
  firstWeekday: 1,
  lastFrost: '05-08',
  firstFrost: '10-18',
  spare_frac: 0.15,
  offHeat: { kind: 'half-up' },
  coolSchool: 'gentle',
  exposure: 'open',
  coolMost_C: 20,
} as const;

export const DEMO_TODAY = '2027-04-12';

/** Usual days and nights outside, January first. Invented. */
export const DEMO_OUTSIDE: readonly MonthNormal[] = [
  [7, 1],
  [7.5, 1],
  [10, 2.5],
  [13, 4.5],
  [16.5, 7.5],
  [19.5, 10.5],
  [21.5, 12.5],
  [21, 12],
  [18, 10],
  [14, 7],
  [9.8, 3.8],
  [7.3, 1.6],
].map(([day_C, night_C]) => ({ day_C: day_C!, night_C: night_C! }));

const steady = (day_C: number, night_C: number): PlacePeriod[] => [{ from: '01-01', day_C, night_C }];
const byMonth = (table: Readonly<Record<string, readonly [number, number]>>): PlacePeriod[] =>
  Object.entries(table).map(([from, [day_C, night_C]]) => ({
    from,
    day_C,
    night_C,
  }));
const held = (
  levels_C: readonly number[],
  usual_C: number,
  nightDrop_K: number,
  unheatedPlus_K: number,
  loss_W_per_K: number,
): PlaceTemperature => ({ kind: 'set-point', levels_C, usual_C, nightDrop_K, unheatedPlus_K, loss_W_per_K });
const at = (x_m: number, y_m: number, width_m: number, depth_m: number, shelves = 1): PlaceSize => ({
  x_m,
  y_m,
  width_m,
  depth_m,
  shelves,
});

const COOL_BAY = {
  '01-01': [12, 7],
  '03-01': [16, 9],
  '04-01': [18, 10],
  '05-01': [21, 12],
  '06-01': [24, 14],
  '09-01': [20, 12],
  '11-01': [13, 8],
} as const;

export const DEMO_PLACES: readonly Place[] = [
  {
    id: 1,
    name: 'Dark chamber',
    door: 'Propagation house',
    level: 0,
    kind: 'dark-chamber',
    lit: false,
    room_trays: 12,
    walkOrder: 1,
    periods: steady(26, 26),
    temperature: held([20, 22, 24, 26, 28], 26, 0, 8, 2.5),
    size: at(0.2, 0.1, 1.3, 0.8, 3),
  },
  {
    id: 2,
    name: 'Lit chamber',
    door: 'Propagation house',
    level: 1,
    kind: 'lit-chamber',
    lit: true,
    room_trays: 16,
    walkOrder: 2,
    periods: steady(20, 18),
    temperature: held([15, 18, 20, 22], 20, 2, 8, 3.5),
    size: at(2.4, 0.1, 1.8, 0.8, 3),
  },
  {
    id: 3,
    name: 'Bench 1',
    door: 'Propagation house',
    level: 0,
    kind: 'bench',
    lit: true,
    room_trays: 40,
    walkOrder: 3,
    periods: steady(23, 20),
    temperature: held([16, 18, 20, 23, 25], 23, 3, 5, 14),
    size: at(0.2, 1.1, 6.4, 1.3),
  },
  {
    id: 4,
    name: 'Bench 2',
    door: 'Propagation house',
    level: 0,
    kind: 'bench',
    lit: true,
    room_trays: 48,
    walkOrder: 4,
    periods: steady(20, 15),
    temperature: held([12, 15, 18, 20, 22], 20, 5, 5, 16),
    size: at(0.2, 2.6, 7.4, 1.3),
  },
  {
    id: 5,
    name: 'Cool bay',
    door: 'Tunnel',
    level: 0,
    kind: 'house',
    lit: true,
    room_trays: 126,
    walkOrder: 5,
    periods: byMonth(COOL_BAY),
    size: at(8.4, 0.1, 6.3, 3.8),
  },
  {
    id: 6,
    name: 'Frames',
    kind: 'frame',
    lit: true,
    room_trays: 110,
    walkOrder: 6,
    periods: steady(12, 6),
    temperature: { kind: 'outside', plusDay_K: 3, plusNight_K: 2.5 },
    size: at(0.2, 4.3, 14.5, 1.3),
  },
  {
    id: 7,
    name: 'Standing ground',
    kind: 'ground',
    lit: true,
    room_trays: 120,
    walkOrder: 7,
    periods: steady(12, 6),
    temperature: { kind: 'outside', plusDay_K: 0, plusNight_K: 0 },
    size: at(0.2, 6, 14.5, 1.4),
  },
];

/** Trays and pots a nursery usually has; also the start of an empty one. Common sizes, no source. */
export const USUAL_CONTAINERS: readonly Container[] = [
  {
    id: 1,
    name: '104-cell tray',
    rows: 8,
    kind: 'cell-tray',
    cells: 104,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: 2.2,
  },
  {
    id: 2,
    name: '60-cell tray',
    rows: 6,
    kind: 'cell-tray',
    cells: 60,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: 3,
  },
  {
    id: 3,
    name: '40-cell deep tray',
    rows: 5,
    kind: 'cell-tray',
    cells: 40,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: 4.8,
  },
  {
    id: 4,
    name: 'Seed tray',
    kind: 'seed-tray',
    cells: 80,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: 4,
  },
  {
    id: 5,
    name: '9 cm pot',
    kind: 'pot',
    cells: 1,
    perCarryingTray: 18,
    footprint_slots: 1,
    volume_L: 0.37,
    shape: { section: 'round', top_mm: 86, base_mm: 64, height_mm: 80 },
  },
  {
    id: 6,
    name: '10 cm pot',
    kind: 'pot',
    cells: 1,
    perCarryingTray: 15,
    footprint_slots: 1,
    volume_L: 0.5,
    shape: { section: 'round', top_mm: 95, base_mm: 70, height_mm: 90 },
  },
  {
    id: 7,
    name: '7 cm pot',
    kind: 'pot',
    cells: 1,
    perCarryingTray: 35,
    footprint_slots: 1,
    volume_L: 0.2,
    shape: { section: 'round', top_mm: 68, base_mm: 54, height_mm: 65 },
  },
  {
    id: 8,
    name: '5 cm blocks',
    kind: 'block',
    cells: 40,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: 4.8,
    shape: { section: 'square', top_mm: 50, base_mm: 50, height_mm: 48 },
  },
];

/** What was sown or is to be sown. `skip` leaves a step unlogged, so that it is late; `lag` delays what was done, days. */
export interface DemoBatch {
  readonly crop: string;
  readonly variety: string;
  readonly plants: number;
  readonly out: string;
  readonly germinate: number;
  readonly grow: number;
  readonly pot?: number;
  readonly harden: number;
  readonly tray: number;
  readonly potContainer?: number;
  readonly skip?: 'sow' | 'half-up' | 'off-heat' | 'pot' | 'space' | 'harden';
  readonly lag?: number;
  /** Cover it goes out under, by the demo's numbers. */
  readonly cover?: number;
  readonly loss?: {
    readonly days: number;
    readonly count: number;
    readonly cause: string;
    readonly whole?: boolean;
  };
}

const line = (
  crop: string,
  variety: string,
  plants: number,
  out: string,
  places: readonly [number, number, number, number],
  tray: number,
  potContainer: number | null,
  extra: Partial<DemoBatch> = {},
): DemoBatch => ({
  crop,
  variety,
  plants,
  out,
  germinate: places[0],
  grow: places[1],
  ...(potContainer === null ? {} : { pot: places[2], potContainer }),
  harden: places[3],
  tray,
  ...extra,
});

/** Last season, closed: other crops than this one's, so that what it taught stands by itself. */
export const DEMO_LAST_SEASON: readonly DemoBatch[] = [
  line('kohlrabi', 'Barrel Head', 180, '2026-04-20', [2, 5, 5, 6], 2, null),
  line('spinach', 'Brook Leaf', 240, '2026-04-12', [4, 5, 5, 6], 1, null),
  line('rocket', 'Sharp Lane', 150, '2026-04-18', [4, 5, 5, 6], 1, null, { lag: 2 }),
  line('kohlrabi', 'Barrel Head', 180, '2026-05-08', [2, 5, 5, 6], 2, null, {
    loss: { days: 24, count: 21, cause: 'slugs' },
  }),
  line('turnip', 'Bell Stone', 200, '2026-05-02', [4, 5, 5, 6], 1, null),
  line('calendula', 'Brass Button', 160, '2026-05-10', [2, 4, 5, 6], 1, 7),
  line('cornflower', 'Deep Well', 140, '2026-05-06', [4, 4, 5, 6], 1, 7, { lag: 1 }),
  line('nigella', 'Mist Gate', 120, '2026-05-12', [4, 4, 5, 6], 1, null),
  line('swede', 'Moor Top', 220, '2026-05-28', [4, 5, 5, 6], 2, null),
  line('endive', 'Grey Lace', 160, '2026-05-26', [2, 5, 5, 6], 1, null),
  line('sunflower', 'Tall Order', 90, '2026-05-30', [2, 4, 5, 6], 2, null, {
    loss: { days: 16, count: 18, cause: 'mice' },
  }),
  line('okra', 'Slow Coach', 60, '2026-06-16', [1, 3, 4, 6], 2, 6, {
    loss: { days: 12, count: 40, cause: 'damped off', whole: true },
  }),
  line('melon', 'Warm Hollow', 60, '2026-06-14', [1, 3, 4, 6], 2, 6),
  line('endive', 'Grey Lace', 160, '2026-07-20', [2, 5, 5, 6], 1, null),
];

export const DEMO_BATCHES: readonly DemoBatch[] = [
  line('lettuce', 'Mill Frill', 200, '2027-04-03', [2, 4, 4, 6], 1, null),
  line('pea', 'Hedge Runner', 300, '2027-04-05', [4, 5, 5, 7], 1, null),
  line('cabbage', 'Weir Green', 240, '2027-04-08', [2, 5, 5, 6], 2, null, {
    loss: { days: 20, count: 14, cause: 'slugs' },
  }),
  line('onion', 'Quarry Brown', 400, '2027-04-14', [2, 5, 5, 6], 1, null),
  line('cabbage', 'Weir Green', 240, '2027-04-16', [2, 5, 5, 6], 2, null),
  line('lettuce', 'Mill Frill', 200, '2027-04-17', [2, 5, 5, 6], 1, null, { cover: 1 }),
  line('kale', 'Tar Feather', 180, '2027-04-18', [2, 5, 5, 6], 2, null, {
    lag: 2,
  }),
  line('sweet pea', 'Old Ribbon', 120, '2027-04-22', [5, 5, 5, 6], 3, null),
  line('broccoli', 'Toll Gate', 200, '2027-04-20', [2, 5, 5, 6], 2, null, {
    skip: 'harden',
  }),
  line('leek', 'Salt Road', 500, '2027-05-04', [4, 5, 5, 6], 1, null),
  line('parsley', 'Ferry Curl', 150, '2027-05-01', [3, 5, 5, 6], 1, null),
  line('snapdragon', 'Chalk Pink', 200, '2027-05-08', [2, 4, 5, 6], 1, 7, {
    skip: 'space',
  }),
  line('pansy', 'Vicar Blue', 160, '2027-04-28', [2, 4, 5, 6], 1, 7),
  line('feverfew', 'White Lane', 120, '2027-05-06', [2, 4, 5, 6], 1, 7, {
    lag: 3,
  }),
  line('celery', 'Fen Light', 200, '2027-05-24', [2, 4, 5, 6], 1, 7),
  line('celeriac', 'Drum Major', 150, '2027-05-26', [2, 4, 5, 6], 1, 7),
  line('tomato', 'Ridge Ember', 120, '2027-05-10', [1, 3, 4, 6], 2, 6, {
    lag: 1,
    cover: 6,
  }),
  line('tomato', 'Ridge Ember', 120, '2027-05-24', [1, 3, 5, 6], 2, 6, { cover: 6, skip: 'pot' }),
  line('tomato', 'Low Lantern', 90, '2027-05-24', [1, 3, 5, 6], 2, 6, { cover: 6 }),
  line('tomato', 'Ridge Ember', 180, '2027-06-02', [1, 3, 5, 6], 2, 6, { cover: 6, skip: 'off-heat' }),
  line('tomato', 'Low Lantern', 120, '2027-06-06', [1, 3, 5, 6], 2, 6, { cover: 6 }),
  line('pepper', 'Long Oxbow', 100, '2027-05-28', [1, 3, 4, 6], 2, 5, { cover: 6 }),
  line('pepper', 'Long Oxbow', 100, '2027-06-10', [1, 3, 4, 6], 2, 5, { cover: 6, lag: 2 }),
  line('aubergine', 'Dusk Bell', 60, '2027-06-01', [1, 3, 3, 6], 2, 6, { cover: 6 }),
  line('aubergine', 'Dusk Bell', 40, '2027-06-08', [1, 3, 3, 6], 2, 6, { cover: 6, skip: 'half-up' }),
  line('basil', 'Sweet Ferry', 150, '2027-05-14', [3, 3, 4, 6], 1, 7, {
    loss: { days: 16, count: 40, cause: 'damped off', whole: true },
  }),
  line('basil', 'Sweet Ferry', 150, '2027-06-06', [3, 3, 4, 6], 1, 7, { cover: 6 }),
  line('cosmos', 'Pale Barn', 140, '2027-05-24', [3, 4, 5, 6], 1, 7),
  line('zinnia', 'Market Day', 200, '2027-05-29', [1, 4, 5, 6], 3, null),
  line('scabious', 'Night Coach', 100, '2027-05-18', [2, 5, 5, 6], 1, 7),
  line('stock', 'Warm Stone', 160, '2027-05-03', [2, 5, 5, 6], 2, null),
  line('lettuce', 'Mill Frill', 200, '2027-05-08', [2, 5, 5, 6], 1, null),
  line('lettuce', 'Mill Frill', 200, '2027-05-22', [2, 5, 5, 6], 1, null),
  line('beetroot', 'Cellar Door', 300, '2027-05-02', [4, 5, 5, 6], 1, null),
  line('chard', 'Lamp Post', 120, '2027-05-21', [4, 5, 5, 6], 2, null, {
    skip: 'sow',
  }),
  line('cauliflower', 'Chapel White', 160, '2027-05-10', [2, 5, 5, 6], 2, null),
  line('courgette', 'Tin Whistle', 80, '2027-05-24', [1, 4, 4, 6], 3, null, { cover: 1 }),
  line('cucumber', 'Long Acre', 60, '2027-05-26', [1, 4, 4, 6], 3, null, { cover: 6 }),
  line('pumpkin', 'Cart Wheel', 90, '2027-05-26', [1, 4, 4, 6], 3, null),
  line('sweet corn', 'Row Eleven', 240, '2027-05-22', [3, 5, 5, 6], 3, null),
  line('bean (climbing)', 'Pole Star', 160, '2027-05-22', [4, 5, 5, 6], 3, null),
  line('brussels sprout', 'Frost Button', 150, '2027-05-28', [2, 5, 5, 6], 2, null),
];

/** People of the demo nursery, by their roles. */
export const DEMO_PEOPLE: readonly Omit<PersonOfHouse, 'id'>[] = [
  { name: 'Head grower', initials: 'HG', mark: 'circle', role: 'owner' },
  { name: 'Propagator', initials: 'P', mark: 'triangle', role: 'grower' },
  { name: 'Weekend hand', initials: 'WH', mark: 'square', role: 'hand' },
];
