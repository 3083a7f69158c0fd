import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { PlaceRecord } from '../../core/books/records.ts';
import { measureFromShown, typedMeasure } from '../../core/units/measure.ts';
import { house } from '../../ui/house.ts';
import { figureOr, typedOf, typedTemperature, valuesOf } from '../../ui/kit/fields.ts';
import type { PlaceTemperature } from '../../core/books/place.ts';
import type { HotBedSpec } from '../../core/heat/hotBed.ts';
import type { MatSpec } from '../../core/heat/mat.ts';
import { placeBedInput, placeMatInput } from '../../contracts/heat/warmth.ts';
import type { FieldSpec, Typed } from '../../ui/kit/fields.ts';
import { BED_FIELDS, bedOr, flatMat, matFields, matOfFlat, matOr } from './warmthFields.ts';

/** What is typed of a place's warmth, size and closed days; figures stay text until they are sent. */
export interface PlaceParts {
  readonly kind: PlaceTemperature['kind'];
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
  readonly mat: Typed;
  readonly bed: Typed;
}

const matOf = (place: PlaceRecord | null) => (place?.temperature?.kind === 'mat' ? place.temperature.mat : null);
const bedOf = (place: PlaceRecord | null) => (place?.temperature?.kind === 'hot-bed' ? place.temperature.bed : null);
/** Fields of the mat as they stand by the room chosen. */
export const fieldsOfMat = (typed: Typed): FieldSpec[] =>
  matFields(typed['below'] === 'as-built', String(typed['room']));
const BOTH_ROOMS = (asBuilt: boolean): FieldSpec[] => {
  const kept = matFields(asBuilt, 'kept');
  return [...kept, ...matFields(asBuilt, 'outside').filter((f) => !kept.some((k) => k.key === f.key))];
};

/** The mat as typed; null while a figure is none. */
export function typedMat(parts: PlaceParts, place: PlaceRecord | null): MatSpec | null {
  const read = placeMatInput.safeParse(matToSend(parts, place));
  return read.success ? read.data : null;
}

/** The hot bed as typed; null while a figure is none. */
export function typedBed(parts: PlaceParts, place: PlaceRecord | null): HotBedSpec | null {
  const read = placeBedInput.safeParse(bedToSend(parts, place));
  return read.success ? read.data : null;
}

const units = () => ({ temperature: house().unit, length: house().lengthUnit });
function matToSend(parts: PlaceParts, place: PlaceRecord | null): unknown {
  const before = matOf(place);
  const flat = flatMat(matOr(before));
  return matOfFlat(valuesOf(BOTH_ROOMS(flat['below'] === 'as-built'), parts.mat, units(), flat), before);
}
const bedToSend = (parts: PlaceParts, place: PlaceRecord | null): Record<string, unknown> =>
  valuesOf(BED_FIELDS, parts.bed, units(), flatBed(bedOf(place)));
const flatBed = (bed: HotBedSpec | null): Record<string, unknown> => ({ ...bedOr(bed) });

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
    mat: typedOf(BOTH_ROOMS(true), flatMat(matOr(matOf(place))), units()),
    bed: typedOf(BED_FIELDS, flatBed(bedOf(place)), units()),
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
        : parts.kind === 'mat'
          ? { kind: 'mat', mat: matToSend(parts, place) }
          : parts.kind === 'hot-bed'
            ? { kind: 'hot-bed', bed: bedToSend(parts, place) }
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
