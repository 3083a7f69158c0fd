import type { BeginInput, LocalWays, Town } from '../../contracts/house/begin.ts';
import { STARTING_HOUSES, type StartingHouseKey } from '../../core/house/startingHouses.ts';
import { figureOr } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/house/beginSaid.ts';

const M_PER_FT = 0.3048;

/** What is typed and chosen so far. */
export interface BeginTyped {
  readonly placeName: string;
  readonly latitude: string;
  readonly longitude: string;
  readonly height: string;
  readonly byTheSea: boolean;
  readonly ways: LocalWays | null;
  readonly house: StartingHouseKey | null;
  /** Trays of each place of the house chosen; 0: it has none such. */
  readonly rooms: Readonly<Record<string, string>>;
  readonly containerIds: readonly number[];
  readonly risk_frac: number;
}

/** Risks offered, with how they are said. */
export const RISKS: readonly (readonly [number, string])[] = [
  [0.05, WORDS.words1YearIn20],
  [0.1, WORDS.words1YearIn10],
  [0.2, WORDS.words1YearIn5],
  [0.33, WORDS.words1YearIn3],
];

export const HOUSE_WORDS: Readonly<Record<StartingHouseKey, { readonly name: string; readonly about: string }>> = {
  'sill-and-frame': { name: WORDS.sillAndFrame, about: WORDS.aWindowSillAPropagator },
  'heated-bench': { name: WORDS.oneHeatedBench, about: WORDS.inACoolHouseWith },
  'chamber-and-benches': { name: WORDS.chamberAndTwoBenches, about: WORDS.warmAndCoolFrameAnd },
  empty: { name: WORDS.empty, about: WORDS.writeThePlacesDownMyself },
};

/** Where a town lies, taken over into the fields. */
export function fromTown(typed: BeginTyped, town: Town): BeginTyped {
  return {
    ...typed,
    placeName: town.name,
    latitude: String(town.latitude_deg),
    longitude: String(town.longitude_deg),
    height: typed.height === '' ? (town.ways.lengthUnit === 'in' ? '300' : '100') : typed.height,
    ways: town.ways,
  };
}

/** The rooms of a house as it is offered. */
export const roomsOf = (house: StartingHouseKey): Record<string, string> =>
  Object.fromEntries(STARTING_HOUSES[house].map(({ key, room_trays }) => [key, String(room_trays)]));

/** Height in metres; the text itself where it is no figure. */
export const height_m = (typed: BeginTyped): number | string =>
  figureOr(typed.height, (n) => (typed.ways?.lengthUnit === 'in' ? n * M_PER_FT : n));

/** What is sent; figures where figures were typed, else the text, so that the answer names the field. */
export function bodyOf(typed: BeginTyped): unknown {
  const { placeName, byTheSea, ways, house, rooms, containerIds, risk_frac } = typed;
  const places = (house === null ? [] : STARTING_HOUSES[house])
    .map(({ key }) => ({ key, room_trays: figureOr(rooms[key] ?? '', (n) => n) }))
    .filter(({ room_trays }) => room_trays !== 0);
  return {
    name: placeName.trim() === '' ? WORDS.myNursery : WORDS.nursery(placeName.trim()),
    placeName,
    latitude_deg: figureOr(typed.latitude, (n) => n),
    longitude_deg: figureOr(typed.longitude, (n) => n),
    height_m: height_m(typed),
    byTheSea,
    ...ways,
    house,
    places,
    containerIds,
    risk_frac,
  };
}

/** Where the site lies, once its figures are figures. */
export function siteOf(
  typed: BeginTyped,
): Pick<BeginInput, 'latitude_deg' | 'longitude_deg' | 'height_m' | 'byTheSea'> | null {
  const [latitude_deg, longitude_deg] = [typed.latitude, typed.longitude].map((text) => figureOr(text, (n) => n));
  const height = height_m(typed);
  if (typeof latitude_deg !== 'number' || typeof longitude_deg !== 'number' || typeof height !== 'number') return null;
  if (Math.abs(latitude_deg) > 90 || Math.abs(longitude_deg) > 180 || height < -450 || height > 6000) return null;
  return { latitude_deg, longitude_deg, height_m: height, byTheSea: typed.byTheSea };
}
