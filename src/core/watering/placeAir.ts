import type { Place } from '../books/place.ts';
import { matRise } from '../heat/mat.ts';
import { temperatureOn, type PlaceClimate } from '../plan/schedule/placeClimate.ts';
import { usualLight } from '../plan/schedule/sky.ts';
import { passes_frac } from '../weather/light.ts';
import { hourly_C } from '../weather/hourly.ts';
import { dayLength_h, saturation_kPa } from '../weather/sun.ts';
import { dayOfYear } from '../calendar/dayNumber.ts';
import { deficit_kPa, netHour_MJ_m2, referenceHour_mm, vapour_kPa, wetSurfaceHour_mm } from './evaporation.ts';
import type { OutsideHour } from './outsideHours.ts';

/** Air over the trays of a place in an hour. */
export interface AirHour {
  readonly at_ms: number;
  readonly day: number;
  readonly hour: number;
  readonly temp_C: number;
  /** How much more vapour the air would hold. */
  readonly deficit_kPa: number;
  /** What it asks of a wet surface. */
  readonly demand_mm: number;
  /** Rain that reaches the trays. */
  readonly rain_mm: number;
  /** There is a roof over it, or rain is foretold or measured. */
  readonly rainKnown: boolean;
  readonly told: boolean;
}

/** Air of a place over some days, and what of it is read or foretold rather than usual. */
export interface PlaceAir {
  readonly placeId: number;
  readonly hours: readonly AirHour[];
  /** Humidity goes by what was read there, or by the weather outside. */
  readonly humidityKnown: boolean;
  readonly lightKnown: boolean;
}

/** Air read by hand at a place. */
export interface AirReading {
  readonly temp_C: number;
  readonly humidity_frac: number;
}

/** How fast air goes over trays. A lit chamber has its fan. Common practice, no source. */
const STILL_m_s: Readonly<Record<Exclude<Place['kind'], 'ground'>, number>> = {
  'dark-chamber': 0.05,
  'lit-chamber': 0.3,
  bench: 0.15,
  house: 0.2,
  frame: 0.15,
};
/** Relative humidity where nothing was read: of chambers; elsewhere the air outside with what trays and floor give to it. Common practice, no source. */
const CHAMBER_frac = { 'dark-chamber': 0.88, 'lit-chamber': 0.7 } as const;
const FROM_TRAYS_kPa = 0.3;
const FULL_frac = 0.97;
/** Trays stand alone on dry ground: they lose more than a field. @source FAO-56 ch. 8, small isolated stands: 1.2 to over 2 times the grass (from memory) */
const SMALL_STAND = 1.6;
/** Light that stays in leaves and mix. @source FAO-56: albedo 0.23 */
const STAYS_frac = 0.77;
/** Heat of lamps in W for each micromol of light a second. Common practice, no source: 2.5 micromol/J of LED fixtures, most of it ending as heat at the trays. */
const LAMP_W_umol = 0.3;
/** Lamps begin at this hour. */
const LAMPS_FROM_h = 6;
/** More than this no bench is warmer than its air, K. */
const MOST_BOTTOM_K = 10;

interface Within {
  readonly latitude_deg: number;
  readonly height_m: number;
  readonly noon_h: number;
}

/**
 * Air over the trays of a place hour by hour: warmth by what the place is held at, vapour as read there or as outside, light through its
 * glazing and of its lamps, and what all that asks of wet trays.
 * @param readings air read at this place lately, in any order
 */
export function placeAir(
  place: Pick<Place, 'id' | 'kind' | 'temperature' | 'light'>,
  climate: PlaceClimate,
  outside: readonly OutsideHour[],
  readings: readonly AirReading[],
  at: Within,
): PlaceAir {
  const open = place.kind === 'ground';
  const readVapour =
    readings.length === 0
      ? null
      : readings.reduce((sum, one) => sum + vapour_kPa(one.temp_C, one.humidity_frac), 0) / readings.length;
  const light = place.light ?? usualLight(place);
  const through = place.kind === 'dark-chamber' ? 0 : passes_frac(light);
  const hours = outside.map((out): AirHour => {
    const { temp_C, bottom_K } = warmthIn(place, climate, out, at);
    const whole = { at_ms: out.at_ms, day: out.day, hour: out.hour, told: out.told };
    if (place.kind === 'ground') {
      const net = netHour_MJ_m2(
        (out.sun_W_m2 * through * 3600) / 1e6,
        1 - 0.65 * out.cloud_frac,
        temp_C,
        out.vapour_kPa,
      );
      const grass = referenceHour_mm({
        temp_C,
        vapour_kPa: Math.min(out.vapour_kPa, saturation_kPa(temp_C)),
        wind_m_s: out.wind_m_s,
        net_MJ_m2: net,
        height_m: at.height_m,
      });
      return {
        ...whole,
        temp_C,
        deficit_kPa: deficit_kPa(temp_C, out.vapour_kPa),
        demand_mm: SMALL_STAND * grass,
        rain_mm: out.rain_mm,
        rainKnown: out.rainKnown,
      };
    }
    const most = FULL_frac * saturation_kPa(temp_C);
    const inChamber = place.kind === 'dark-chamber' || place.kind === 'lit-chamber';
    const usual = inChamber ? CHAMBER_frac[place.kind] * saturation_kPa(temp_C) : out.vapour_kPa + FROM_TRAYS_kPa;
    const vapour = Math.min(most, readVapour ?? usual);
    const lampsOn = out.hour >= LAMPS_FROM_h && out.hour < LAMPS_FROM_h + light.lamps_h;
    return {
      ...whole,
      temp_C,
      deficit_kPa: deficit_kPa(temp_C, vapour),
      demand_mm: wetSurfaceHour_mm({
        temp_C,
        vapour_kPa: vapour,
        air_m_s: STILL_m_s[place.kind],
        light_W_m2: STAYS_frac * out.sun_W_m2 * through + (lampsOn ? LAMP_W_umol * light.lamps_umol_m2_s : 0),
        bottom_K,
        height_m: at.height_m,
      }),
      rain_mm: 0,
      rainKnown: true,
    };
  });
  return {
    placeId: place.id,
    hours,
    humidityKnown: readVapour !== null || (open && outside.some(({ told }) => told)),
    lightKnown: place.kind === 'dark-chamber' || (place.light ?? null) !== null || open,
  };
}

/** Air over the trays, and how much warmer the mix is held. */
function warmthIn(
  place: Pick<Place, 'kind' | 'temperature'>,
  climate: PlaceClimate,
  out: OutsideHour,
  { latitude_deg, noon_h }: Within,
): { readonly temp_C: number; readonly bottom_K: number } {
  const { temperature } = place;
  const solar = (out.hour + 0.5 - (noon_h - 12) + 24) % 24;
  const length = dayLength_h(latitude_deg, dayOfYear(out.day));
  const byHour = (range: { day_C: number; night_C: number }): number =>
    hourly_C({
      hour: solar,
      least_C: Math.min(range.day_C, range.night_C),
      most_C: Math.max(range.day_C, range.night_C),
      dayLength_h: length,
      reached: true,
    });
  const held = byHour(temperatureOn(climate, out.day));
  if (place.kind === 'dark-chamber' || place.kind === 'lit-chamber') return { temp_C: held, bottom_K: 0 };
  const under = (air_C: number) => {
    const bottom_K = Math.min(MOST_BOTTOM_K, Math.max(0, held - air_C));
    return { temp_C: held - bottom_K, bottom_K };
  };
  if (temperature?.kind === 'outside') {
    const byDay = solar > 6 && solar < 18;
    return { temp_C: out.temp_C + (byDay ? temperature.plusDay_K : temperature.plusNight_K), bottom_K: 0 };
  }
  if (temperature?.kind === 'mat') return under(held - matRise(temperature.mat).medium_K);
  if (temperature?.kind === 'hot-bed') return under(out.temp_C + 4);
  if (climate.free) return under(byHour(temperatureOn({ from: climate.from, ...climate.free }, out.day)));
  if (place.kind === 'ground') return { temp_C: out.temp_C, bottom_K: 0 };
  return { temp_C: held, bottom_K: 0 };
}
