import type { Place, PlaceSize, PlaceTemperature } from '../books/place.ts';
import { WORDS } from '../../words/en/house/startingHouses.ts';

/** A place a new nursery may begin with. */
export type StartingPlace = Omit<Place, 'id' | 'walkOrder' | 'setPoints' | 'closed' | 'light' | 'bedLog'> & {
  readonly key: string;
  readonly size: PlaceSize;
};

export const STARTING_HOUSE_KEYS = ['sill-and-frame', 'heated-bench', 'chamber-and-benches', 'empty'] as const;
export type StartingHouseKey = (typeof STARTING_HOUSE_KEYS)[number];

const at = (x_m: number, y_m: number, width_m: number, depth_m: number, shelves = 1): PlaceSize => ({
  x_m,
  y_m,
  width_m,
  depth_m,
  shelves,
});
const held = (levels_C: readonly number[], usual_C: number, nightDrop_K: number, loss: number): PlaceTemperature => ({
  kind: 'set-point',
  levels_C,
  usual_C,
  nightDrop_K,
  unheatedPlus_K: 5,
  loss_W_per_K: loss,
});
const steady = (day_C: number, night_C: number) => [{ from: '01-01', day_C, night_C }];

const frame = (room_trays: number, size: PlaceSize): StartingPlace => ({
  key: 'frame',
  name: WORDS.coldFrame,
  kind: 'frame',
  lit: true,
  room_trays,
  periods: steady(12, 6),
  temperature: { kind: 'outside', plusDay_K: 3, plusNight_K: 2.5 },
  size,
});
const ground = (room_trays: number, size: PlaceSize): StartingPlace => ({
  key: 'ground',
  name: WORDS.standingGround,
  kind: 'ground',
  lit: true,
  room_trays,
  periods: steady(12, 6),
  temperature: { kind: 'outside', plusDay_K: 0, plusNight_K: 0 },
  size,
});
const bench = (key: string, name: string, usual_C: number, room_trays: number, size: PlaceSize): StartingPlace => ({
  key,
  name,
  kind: 'bench',
  lit: true,
  room_trays,
  periods: steady(usual_C, usual_C - 3),
  temperature: held([12, 15, 18, 20, 22, 24], usual_C, 3, Math.max(4, room_trays / 3)),
  size,
});

/** Houses to begin with, in the order they are offered. Rooms, temperatures and losses: common practice, no source. */
export const STARTING_HOUSES: Readonly<Record<StartingHouseKey, readonly StartingPlace[]>> = {
  'sill-and-frame': [
    {
      key: 'propagator',
      name: WORDS.heatedPropagator,
      kind: 'lit-chamber',
      lit: true,
      room_trays: 2,
      periods: steady(22, 20),
      temperature: held([18, 20, 22, 24], 22, 0, 1),
      size: at(0, 0, 0.8, 0.4),
    },
    {
      key: 'sill',
      name: WORDS.windowSill,
      kind: 'bench',
      lit: true,
      room_trays: 6,
      periods: steady(19, 15),
      temperature: { kind: 'written' },
      size: at(1, 0, 1.6, 0.4),
    },
    frame(10, at(0, 0.9, 1.6, 1)),
    ground(12, at(1.9, 0.9, 1.6, 1)),
  ],
  'heated-bench': [
    bench('bench', WORDS.heatedBench, 20, 30, at(0, 0, 4.5, 1.2)),
    {
      key: 'house',
      name: WORDS.coolHouse,
      kind: 'house',
      lit: true,
      room_trays: 60,
      periods: steady(16, 8),
      temperature: { kind: 'outside', plusDay_K: 6, plusNight_K: 3 },
      size: at(4.9, 0, 4.5, 2.4),
    },
    frame(40, at(0, 2.8, 4.5, 1.2)),
    ground(60, at(4.9, 2.8, 4.5, 1.6)),
  ],
  'chamber-and-benches': [
    {
      key: 'chamber',
      name: WORDS.germinationChamber,
      kind: 'dark-chamber',
      lit: false,
      room_trays: 12,
      periods: steady(24, 24),
      temperature: held([18, 20, 22, 24, 26, 28], 24, 0, 2.5),
      size: at(0, 0, 1.3, 0.8, 3),
    },
    bench('warm-bench', WORDS.warmBench, 22, 36, at(1.8, 0, 5.4, 1.2)),
    bench('cool-bench', WORDS.coolBench, 15, 48, at(1.8, 1.8, 5.4, 1.6)),
    frame(60, at(0, 4, 7.2, 1.2)),
    ground(80, at(0, 5.8, 7.2, 1.4)),
  ],
  empty: [],
};
