import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { PlaceRecord } from '../../contracts/records.ts';
import { measureFromShown, typedMeasure } from '../../core/units/measure.ts';
import { house } from '../../ui/house.ts';
import { figureOr, typedTemperature } from './LineForm.tsx';

/** What is typed of a place's warmth, size and closed days; figures stay text until they are sent. */
export interface PlaceParts {
  readonly kind: 'written' | 'set-point' | 'outside';
  readonly levels: string;
  readonly usual: string;
  readonly nightDrop: string;
  readonly unheatedPlus: string;
  readonly loss: string;
  readonly plusDay: string;
  readonly plusNight: string;
  readonly sized: boolean;
  readonly x: string;
  readonly y: string;
  readonly width: string;
  readonly depth: string;
  readonly shelves: string;
  readonly closed: readonly { readonly from: string; readonly to: string }[];
}

const KELVIN_SHOWN = { C: 1, F: 1.8 } as const;

/** Parts of a place as they are typed. */
export function partsOf(place: PlaceRecord | null, unit: TemperatureUnit): PlaceParts {
  const t = place?.temperature ?? { kind: 'written' as const };
  const kelvin = (delta_K: number) => String(Math.round(delta_K * KELVIN_SHOWN[unit] * 10) / 10);
  // Watts for a degree of the house's scale.
  const watts = (perK: number) => String(Math.round((perK / KELVIN_SHOWN[unit]) * 100) / 100);
  const size = place?.size ?? null;
  const metres = (n: number) => typedMeasure(n, 'm', house().lengthUnit);
  return {
    kind: t.kind,
    levels: (t.kind === 'set-point' ? t.levels_C : [15, 18, 20, 22]).map((c) => typedTemperature(c, unit)).join(', '),
    usual:
      t.kind === 'set-point'
        ? t.usual_C === null
          ? 'off'
          : typedTemperature(t.usual_C, unit)
        : typedTemperature(20, unit),
    nightDrop: kelvin(t.kind === 'set-point' ? t.nightDrop_K : 0),
    unheatedPlus: kelvin(t.kind === 'set-point' ? t.unheatedPlus_K : 5),
    loss: t.kind === 'set-point' ? watts(t.loss_W_per_K) : watts(10),
    plusDay: kelvin(t.kind === 'outside' ? t.plusDay_K : 3),
    plusNight: kelvin(t.kind === 'outside' ? t.plusNight_K : 2),
    sized: size !== null,
    x: metres(size?.x_m ?? 0),
    y: metres(size?.y_m ?? 0),
    width: metres(size?.width_m ?? 3),
    depth: metres(size?.depth_m ?? 1.2),
    shelves: String(size?.shelves ?? 1),
    closed: (place?.closed ?? []).map(({ from, to }) => ({ from: isoFromDay(from), to: isoFromDay(to) })),
  };
}

/** The body's parts. What is no figure goes as text, so that the answer names the field. */
export function partsToSend(
  parts: PlaceParts,
  place: PlaceRecord | null,
  unit: TemperatureUnit,
): Record<string, unknown> {
  const toC = (text: string) => figureOr(text, (n) => Math.round(temperatureFromShown(n, unit) * 100) / 100);
  const toK = (text: string) => figureOr(text, (n) => Math.round((n / KELVIN_SHOWN[unit]) * 100) / 100);
  const plain = (text: string) => figureOr(text, (n) => n);
  // What was not touched goes back as it came: no figure creeps by being shown in another unit.
  const before = partsOf(place, unit);
  const metres = (key: 'x' | 'y' | 'width' | 'depth') =>
    place?.size && parts[key] === before[key]
      ? place.size[`${key}_m`]
      : figureOr(parts[key], (n) => Math.round(1000 * measureFromShown(n, 'm', house().lengthUnit)) / 1000);
  const written = place?.temperature;
  const loss = () =>
    written?.kind === 'set-point' && parts.loss === before.loss
      ? written.loss_W_per_K
      : figureOr(parts.loss, (n) => Math.round(n * KELVIN_SHOWN[unit] * 1000) / 1000);
  const levels = parts.levels
    .split(/[,;]\s+|\s+|;/)
    .map((text) => text.replace(/,$/, ''))
    .filter(Boolean)
    .map(toC);
  const temperature =
    parts.kind === 'written'
      ? { kind: 'written' }
      : parts.kind === 'outside'
        ? { kind: 'outside', plusDay_K: toK(parts.plusDay), plusNight_K: toK(parts.plusNight) }
        : {
            kind: 'set-point',
            levels_C: levels,
            usual_C: parts.usual.trim().toLowerCase() === 'off' ? null : toC(parts.usual),
            nightDrop_K: toK(parts.nightDrop),
            unheatedPlus_K: toK(parts.unheatedPlus),
            loss_W_per_K: loss(),
          };
  // Weeks already set stay, as far as the set-points still allow them.
  const setPoints = (place?.setPoints ?? [])
    .filter((s) => parts.kind === 'set-point' && (s.setPoint_C === null || levels.includes(s.setPoint_C)))
    .map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C }));
  return {
    temperature,
    setPoints,
    closed: parts.closed,
    size: parts.sized
      ? {
          x_m: metres('x'),
          y_m: metres('y'),
          width_m: metres('width'),
          depth_m: metres('depth'),
          shelves: plain(parts.shelves),
        }
      : null,
  };
}
