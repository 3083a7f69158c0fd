import { measureFromShown, typedMeasure, type Measure } from '../../core/units/measure.ts';
import { millimetresFromShown, shownLength, type LengthUnit } from '../../core/units/length.ts';
import { shownWind, windFromShown } from '../../core/units/wind.ts';
import {
  differenceFromShown,
  shownDifference,
  shownTemperature,
  temperatureFromShown,
  type TemperatureUnit,
} from '../../core/units/temperature.ts';

/** How a value is typed: what its field is called and what kind of figure it is. */
export interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly kind:
    'text' | 'number' | 'temperature' | 'difference' | 'length' | 'wind' | 'flag' | 'choice' | 'date' | 'link';
  /** For a choice: value and words. For a link: number of the line and its name. */
  readonly options?: readonly (readonly [string | number, string])[];
  /** Heading it stands under; fields of one heading follow each other. */
  readonly section?: string;
  /** May be left empty. */
  readonly optional?: boolean;
  /** For a number: what it measures, in metric as it is kept; typed in the house's unit. */
  readonly measure?: Measure;
  /** The measure counts only where another field of the line says so: litres of what is counted in litres. */
  readonly measureWhere?: { readonly key: string; readonly is: string };
  readonly hint?: string;
  /** Words of the choice of nothing, where "none" would be wrong. */
  readonly emptyWords?: string;
}

/** Text of each field while it is being typed. */
export type Typed = Readonly<Record<string, string | boolean>>;

/** Fields by their headings, in the order in which they stand. */
export function sectionsOf(fields: readonly FieldSpec[]): [string, FieldSpec[]][] {
  const sections = new Map<string, FieldSpec[]>();
  for (const field of fields) {
    const heading = field.section ?? '';
    sections.set(heading, [...(sections.get(heading) ?? []), field]);
  }
  return [...sections];
}

/** The scales a reader types in. */
export interface Units {
  readonly temperature: TemperatureUnit;
  readonly length: LengthUnit;
}

/** Figures as they are typed, in the reader's temperature scale. */
export function typedOf(fields: readonly FieldSpec[], line: Readonly<Record<string, unknown>>, units: Units): Typed {
  const typed: Record<string, string | boolean> = {};
  for (const field of fields) {
    const value = line[field.key];
    if (field.kind === 'flag') typed[field.key] = value === true;
    else if (value === null || value === undefined) typed[field.key] = '';
    else if (field.kind === 'temperature') typed[field.key] = typedTemperature(value as number, units.temperature);
    else if (field.kind === 'difference')
      typed[field.key] = String(Math.round(shownDifference(value as number, units.temperature) * 100) / 100);
    else if (field.kind === 'length')
      typed[field.key] = String(Math.round(shownLength(value as number, units.length) * 100) / 100);
    else if (field.kind === 'wind')
      typed[field.key] = String(Math.round(shownWind(value as number, units.temperature) * 10) / 10);
    else if (measured(field, line)) typed[field.key] = typedMeasure(value as number, field.measure!, units.length);
    else typed[field.key] = String(value);
  }
  return typed;
}

/** Whether a field of this line is typed in the house's measures. */
const measured = (field: FieldSpec, line: Readonly<Record<string, unknown>>): boolean =>
  field.measure !== undefined && (!field.measureWhere || line[field.measureWhere.key] === field.measureWhere.is);

/** A temperature as typed, to a tenth at most. */
export function typedTemperature(temperature_C: number, unit: TemperatureUnit): string {
  return String(Math.round(shownTemperature(temperature_C, unit) * 10) / 10);
}

/** What is sent: figures where figures were typed, the text itself where not, so that the answer can name the field. */
export function valuesOf(
  fields: readonly FieldSpec[],
  typed: Typed,
  units: Units,
  from: Readonly<Record<string, unknown>> = {},
): Record<string, unknown> {
  const values: Record<string, unknown> = {};
  const before = typedOf(fields, from, units);
  for (const field of fields) {
    const value = typed[field.key];
    // What was not touched goes back as it came: no figure creeps by being shown in another unit.
    const alike = measured(field, typed) === measured(field, from);
    if (alike && typeof from[field.key] === 'number' && value === before[field.key])
      values[field.key] = from[field.key];
    else if (typeof value === 'boolean' || value === undefined) values[field.key] = value ?? null;
    else if (value.trim() === '' && field.optional) values[field.key] = field.kind === 'text' ? '' : null;
    else if (field.kind === 'wind') values[field.key] = figureOr(value, (n) => windFromShown(n, units.temperature));
    else if (measured(field, typed))
      values[field.key] = figureOr(value, (n) => measureFromShown(n, field.measure!, units.length));
    else if (field.kind === 'number' || field.kind === 'link') values[field.key] = figureOr(value, (n) => n);
    else if (field.kind === 'temperature')
      values[field.key] = figureOr(value, (n) => temperatureFromShown(n, units.temperature));
    else if (field.kind === 'difference')
      values[field.key] = figureOr(value, (n) => differenceFromShown(n, units.temperature));
    else if (field.kind === 'length') values[field.key] = figureOr(value, (n) => millimetresFromShown(n, units.length));
    else values[field.key] = value;
  }
  return values;
}

/** The figure in a text, a comma taken as the decimal sign; the text itself when it is none. */
export function figureOr(text: string, convert: (n: number) => number): number | string {
  const figure = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() !== '' && Number.isFinite(figure) ? convert(figure) : text;
}
