import { dayOfYear } from '../../calendar/dayNumber.ts';
import { hourly_C } from '../../weather/hourly.ts';
import { lightUnder_mol_m2, USUAL_LIGHT } from '../../weather/light.ts';
import { dayLength_h, extraterrestrial_MJ_m2, solar_MJ_m2 } from '../../weather/sun.ts';
import type { Place, PlaceLight } from '../../books/place.ts';
import type { OutsideClimate } from './outsideClimate.ts';
import { hoursOfDay, type PlaceClimate } from './placeClimate.ts';

/** Where the nursery lies: its days are so long and its sun so high. */
export interface Sky {
  readonly latitude_deg: number;
}

/** Hours and light of a place over the days of its climate. */
export interface PlaceSky {
  /** 24 to a day, from midnight, sun time. */
  readonly hours_C: Float64Array;
  /** Daily light where the plants stand, mol per m2. */
  readonly light_mol_m2: Float64Array;
}

/** Hargreaves' coefficient inland. @source FAO-56 eq. 50 */
const K_RS = 0.16;
/** The least and the most of the sun above the air that reaches the ground. @source FAO-56 eq. 35 with no and with full sunshine */
const LEAST_frac = 0.25;
const MOST_frac = 0.75;

/**
 * Sun of a day at the ground by how far its day and night lie apart; by a usual share of sunshine where they are not known.
 * @returns MJ per m2
 * @source FAO-56 eq. 50 (Hargreaves & Samani), kept within what eq. 35 allows
 */
export function sunByRange_MJ_m2(
  latitude_deg: number,
  ofYear: number,
  range: { readonly day_C: number; readonly night_C: number } | null,
): number {
  if (range === null) return solar_MJ_m2(latitude_deg, ofYear, USUAL_LIGHT.sunshine_frac);
  const above = extraterrestrial_MJ_m2(latitude_deg, ofYear);
  const share = K_RS * Math.sqrt(Math.max(0, range.day_C - range.night_C));
  return above * Math.min(MOST_frac, Math.max(LEAST_frac, share));
}

/** Share of daylight through the usual glazing of each kind of place. Common practice, no source. */
const THROUGH_frac: Readonly<Record<Place['kind'], number>> = {
  'dark-chamber': 0,
  'lit-chamber': 0,
  bench: 0.6,
  house: 0.6,
  frame: 0.75,
  ground: 1,
};
/** The light of a place when nothing is written of it. */
export function usualLight(place: Pick<Place, 'kind'>): PlaceLight {
  const lamps = place.kind === 'lit-chamber';
  return {
    through_frac: THROUGH_frac[place.kind],
    secondFilm: false,
    shade_frac: 0,
    lamps_umol_m2_s: lamps ? USUAL_LIGHT.lamps_umol_m2_s : 0,
    lamps_h: lamps ? USUAL_LIGHT.lamps_h : 0,
  };
}

/** Whether the day and night of a place are its highest and lowest, with every hour between; else half day, half night. */
export function goesByHours(place: Pick<Place, 'kind' | 'temperature'>): boolean {
  const kind = place.temperature?.kind ?? 'written';
  if (place.temperature?.kind === 'mat') return place.temperature.mat.room.kind === 'outside';
  return kind === 'outside' || (kind === 'written' && (place.kind === 'frame' || place.kind === 'ground'));
}

/**
 * Hours and light of a place. What follows outside, a frame and the ground go from lowest to highest and back by the hour;
 * what is held goes by its set-point, and by the hours outside where those are warmer; the rest has half day, half night.
 * @param outside usual outside over the same days; null: unknown, and the usual sunshine stands for it
 */
export function placeSky(place: Place, climate: PlaceClimate, outside: OutsideClimate | null, sky: Sky): PlaceSky {
  const days = climate.day_C.length;
  // Of the years worked out last for this place only the days are done anew that have changed: a day read or foretold.
  const key = keyOf(place);
  const held = lastOf.get(key);
  const before =
    held && held.latitude_deg === sky.latitude_deg && held.climate.from === climate.from && held.days === days
      ? held
      : null;
  const same = before ? sameDays(before, climate, outside) : null;
  if (before && same!.every(Boolean)) return before.made;
  const hours_C = before ? before.made.hours_C.slice() : new Float64Array(24 * days);
  const light_mol_m2 = before ? before.made.light_mol_m2.slice() : new Float64Array(days);
  const light = place.light ?? usualLight(place);
  const free = climate.free ?? (goesByHours(place) ? climate : null);
  for (let i = 0; i < days; i++) {
    if (same?.[i]) continue;
    const ofYear = dayOfYear(climate.from + i);
    const o = outside === null ? null : climate.from + i - outside.from;
    const range =
      o === null || !(o >= 0 && o < outside!.day_C.length)
        ? null
        : { day_C: outside!.day_C[o]!, night_C: outside!.night_C[o]! };
    light_mol_m2[i] = lightUnder_mol_m2(light, sunByRange_MJ_m2(sky.latitude_deg, ofYear, range));
    if (free === null) {
      hours_C.set(hoursOfDay(climate.day_C[i]!, climate.night_C[i]!), 24 * i);
      continue;
    }
    const next = Math.min(i + 1, days - 1);
    const hour = {
      least_C: free.night_C[i]!,
      most_C: Math.max(free.day_C[i]!, free.night_C[i]!),
      nextLeast_C: free.night_C[next]!,
      dayLength_h: dayLength_h(sky.latitude_deg, ofYear),
    };
    const set = climate.set_C?.[i] ?? NaN;
    for (let h = 0; h < 24; h++) {
      const out = hourly_C({ ...hour, hour: h + 0.5 });
      // A heater keeps what is colder at its set-point and cools nothing.
      const byDay = h >= 6 && h < 18;
      const keeps = set === set ? (byDay ? set : set - (climate.nightDrop_K ?? 0)) : -Infinity;
      hours_C[24 * i + h] = Math.max(out, keeps);
    }
  }
  const made = { hours_C, light_mol_m2 };
  if (lastOf.size >= MOST_HELD) lastOf.clear();
  lastOf.set(key, { latitude_deg: sky.latitude_deg, days, climate, outside, made });
  return made;
}

interface LastSky {
  readonly latitude_deg: number;
  readonly days: number;
  readonly climate: PlaceClimate;
  readonly outside: OutsideClimate | null;
  readonly made: PlaceSky;
}

/** What was worked out last for a place and set-point. Nothing changes what it holds. */
const lastOf = new Map<string, LastSky>();
const MOST_HELD = 200;
/** What of a place, beside its days, its hours and light follow from. */
const keyOf = (place: Place): string => {
  const { id, kind, light, temperature } = place;
  const set_C = temperature?.kind === 'set-point' ? temperature.usual_C : null;
  return JSON.stringify([id, kind, light, temperature?.kind, set_C, goesByHours(place)]);
};

/** For each day whether all that its hours and light follow from is as it was. */
function sameDays(before: LastSky, climate: PlaceClimate, outside: OutsideClimate | null): boolean[] {
  const was = before.climate;
  const alike = (a: ArrayLike<number> | undefined, b: ArrayLike<number> | undefined, i: number): boolean =>
    a === b || (a !== undefined && b !== undefined && (a[i] === b[i] || (Number.isNaN(a[i]!) && Number.isNaN(b[i]!))));
  const free = climate.free ?? climate;
  const wasFree = was.free ?? was;
  const out = (of: OutsideClimate | null, key: 'day_C' | 'night_C', i: number): number | undefined =>
    of?.[key][climate.from + i - of.from];
  const days = climate.day_C.length;
  return Array.from({ length: days }, (_, i) => {
    const next = Math.min(i + 1, days - 1);
    return (
      was.nightDrop_K === climate.nightDrop_K &&
      (was.free === undefined) === (climate.free === undefined) &&
      alike(was.day_C, climate.day_C, i) &&
      alike(was.night_C, climate.night_C, i) &&
      alike(wasFree.day_C, free.day_C, i) &&
      alike(wasFree.night_C, free.night_C, i) &&
      alike(wasFree.night_C, free.night_C, next) &&
      alike(was.set_C, climate.set_C, i) &&
      out(before.outside, 'day_C', i) === out(outside, 'day_C', i) &&
      out(before.outside, 'night_C', i) === out(outside, 'night_C', i)
    );
  });
}
