import { measureFromShown, measureUnit, typedMeasure, type Measure } from '../../core/units/measure.ts';
import { millimetresFromShown, shownLength, type LengthUnit } from '../../core/units/length.ts';
import { shownWind, windFromShown, windUnit } from '../../core/units/wind.ts';
import {
  differenceFromShown,
  shownDifference,
  shownTemperature,
  temperatureFromShown,
  type TemperatureUnit,
} from '../../core/units/temperature.ts';
import { WORDS } from '../../words/en/ui/fields.ts';

/** How a value is typed: what its field is called and what kind of figure it is. */
export interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly kind:
    | 'text'
    | 'password'
    | 'number'
    | 'temperature'
    | 'difference'
    | 'length'
    | 'wind'
    | 'flag'
    | 'choice'
    | 'date'
    | 'link';
  /** For a choice: value and words. For a link: number of the line and its name. */
  readonly options?: readonly (readonly [string | number, string])[];
  /** Heading it stands under; fields of one heading follow each other. */
  readonly section?: string;
  /** May be left empty. */
  readonly optional?: boolean;
  /** For a number: what it measures, in metric as it is kept; typed in the house's unit. */
  readonly measure?: Measure;
  /** The measure counts only where another field of the line says so: litres of what is counted in litres. */
  /** The label names the unit itself. */
  readonly unitSaid?: true;
  readonly measureWhere?: { readonly key: string; readonly is: string };
  readonly hint?: string;
  /** For a day: not after it. */
  readonly max?: string;
  /** For a text: what is often written there. */
  readonly suggest?: readonly string[];
  /** Asked, and sent, only where another field of the line says so. */
  readonly when?: { readonly key: string; readonly is?: string | readonly string[]; readonly isNot?: string };
  /** For a number: how many of what is typed make one of what is kept; 100 for a share typed in percent. */
  readonly scale?: number;
  /** What a browser may fill in: the name of the standard's list. */
  readonly autoComplete?: string;
  /** A text of digits: a phone shows its figures. */
  readonly digits?: true;
  /** Written large: read at arm's length, typed with cold hands. */
  readonly big?: boolean;
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

/** Whether a field is asked at all, by what is typed in another. */
export function isAsked({ when }: FieldSpec, typed: Typed): boolean {
  if (!when) return true;
  const value = String(typed[when.key] ?? '');
  return when.is === undefined ? value !== when.isNot : [when.is].flat().includes(value);
}

/** A field's label with the unit it is typed in, unless it names one itself. */
export function labelOf(field: FieldSpec, units: Units, typed: Typed = {}): string {
  const unit =
    field.kind === 'temperature' || field.kind === 'difference'
      ? `°${units.temperature}`
      : field.kind === 'length'
        ? units.length
        : field.kind === 'wind'
          ? windUnit(units.temperature)
          : field.measure && (!field.measureWhere || typed[field.measureWhere.key] === field.measureWhere.is)
            ? measureUnit(field.measure, units.length)
            : '';
  return unit === '' || field.unitSaid || field.label.includes('°') ? field.label : `${field.label}, ${unit}`;
}

/** The scales a reader types in. */
export interface Units {
  readonly temperature: TemperatureUnit;
  readonly length: LengthUnit;
}

type Values = Readonly<Record<string, unknown>>;

/** A value of a line by its key; points in a key lead into its parts ("quiet.from_h"). */
export function valueAt(line: Values, key: string): unknown {
  if (key in line) return line[key];
  return key
    .split('.')
    .reduce<unknown>((at, part) => (at === null || at === undefined ? undefined : (at as Values)[part]), line);
}

/** Values by their keys, put back as they nest; with parts that have editors of their own beside them. */
export function nested(values: Values, beside: Values = {}): Record<string, unknown> {
  const out: Record<string, unknown> = structuredClone(beside);
  for (const [path, value] of Object.entries(values)) {
    const keys = path.split('.');
    const last = keys.pop()!;
    let into = out;
    for (const key of keys) into = (into[key] ??= {}) as Record<string, unknown>;
    into[last] = value;
  }
  return out;
}

/** Figures as they are typed, in the reader's temperature scale. */
export function typedOf(fields: readonly FieldSpec[], line: Readonly<Record<string, unknown>>, units: Units): Typed {
  const typed: Record<string, string | boolean> = {};
  for (const field of fields) {
    const value = valueAt(line, field.key);
    if (field.kind === 'flag') typed[field.key] = value === true;
    else if (value === null || value === undefined) typed[field.key] = '';
    else if (field.kind === 'temperature') typed[field.key] = typedTemperature(value as number, units.temperature);
    else if (field.kind === 'difference')
      typed[field.key] = String(Math.round(shownDifference(value as number, units.temperature) * 100) / 100);
    else if (field.kind === 'length')
      typed[field.key] = String(Math.round(shownLength(value as number, units.length) * 100) / 100);
    else if (field.kind === 'wind')
      typed[field.key] = String(Math.round(shownWind(value as number, units.temperature) * 10) / 10);
    else if (measured(field, line))
      typed[field.key] = typedMeasure(scaled(value as number, field), field.measure!, units.length);
    else if (field.scale) typed[field.key] = String(scaled(value as number, field));
    else typed[field.key] = String(value);
  }
  return typed;
}

/** A kept figure in what is typed, without the crumbs of a division. */
const scaled = (value: number, { scale = 1 }: FieldSpec): number => Number((value * scale).toPrecision(12));
const unscaled = (value: number, { scale = 1 }: FieldSpec): number => Number((value / scale).toPrecision(12));

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
    if (!isAsked(field, typed)) continue;
    const value = typed[field.key];
    // What was not touched goes back as it came: no figure creeps by being shown in another unit.
    const alike = measured(field, typed) === measured(field, from);
    const was = valueAt(from, field.key);
    if (alike && typeof was === 'number' && value === before[field.key]) values[field.key] = was;
    else if (typeof value === 'boolean' || value === undefined) values[field.key] = value ?? null;
    else if (value.trim() === '' && field.optional)
      values[field.key] = field.kind === 'text' || field.kind === 'password' ? '' : null;
    else if (field.kind === 'wind') values[field.key] = figureOr(value, (n) => windFromShown(n, units.temperature));
    else if (measured(field, typed))
      values[field.key] = figureOr(value, (n) => unscaled(measureFromShown(n, field.measure!, units.length), field));
    else if (field.kind === 'number' || field.kind === 'link')
      values[field.key] = figureOr(value, (n) => unscaled(n, field));
    else if (field.kind === 'temperature')
      values[field.key] = figureOr(value, (n) => temperatureFromShown(n, units.temperature));
    else if (field.kind === 'difference')
      values[field.key] = figureOr(value, (n) => differenceFromShown(n, units.temperature));
    else if (field.kind === 'length') values[field.key] = figureOr(value, (n) => millimetresFromShown(n, units.length));
    else values[field.key] = value;
  }
  return values;
}

/** What a schema found wrong with one value of a line; figures by how they are kept. */
export interface FieldIssue {
  readonly code?: string | undefined;
  readonly message: string;
  readonly minimum?: unknown;
  readonly maximum?: unknown;
}

/** What is wrong with a figure, in the scale in which it is typed where that is not the scale of the books. */
export function issueWords(field: FieldSpec, issue: FieldIssue, units: Units, typed: Typed): string {
  const line = field.measureWhere ? nested({ [field.measureWhere.key]: typed[field.measureWhere.key] }) : {};
  const shown = (kept: number): string =>
    String(typedOf([field], nested({ [field.key]: kept }, line), units)[field.key]);
  const label = labelOf(field, units, typed);
  if (field.kind === 'text' || field.kind === 'password' || shown(1) === '1') return issue.message;
  if (issue.code === 'too_small' && typeof issue.minimum === 'number')
    return WORDS.atLeast(label, shown(issue.minimum));
  if (issue.code === 'too_big' && typeof issue.maximum === 'number') return WORDS.atMost(label, shown(issue.maximum));
  return issue.code === 'invalid_type' ? WORDS.typeAFigure(label) : issue.message;
}

/** One field in which two versions of a line differ, in words. */
export interface Difference {
  readonly label: string;
  readonly theirs: string;
  readonly yours: string;
}

/** Where what is saved by now and what is typed differ, as a reader would say it. */
export function differences(
  fields: readonly FieldSpec[],
  current: Values,
  typed: Typed,
  units: Units,
): readonly Difference[] {
  const saved = typedOf(fields, current, units);
  return fields
    .filter((field) => isAsked(field, typed))
    .flatMap((field) => {
      const [theirs, yours] = [saved[field.key] ?? '', typed[field.key] ?? ''];
      return theirs === yours
        ? []
        : [{ label: labelOf(field, units), theirs: saidOfField(field, theirs), yours: saidOfField(field, yours) }];
    });
}

function saidOfField(field: FieldSpec, value: string | boolean): string {
  if (typeof value === 'boolean') return value ? WORDS.yes : WORDS.no;
  if (value === '') return field.emptyWords ?? WORDS.nothing;
  return field.options?.find(([option]) => String(option) === value)?.[1] ?? value;
}

/** The figure in a text, a comma taken as the decimal sign; the text itself when it is none. */
export function figureOr(text: string, convert: (n: number) => number): number | string {
  const figure = Number(text.trim().replace(',', '.').replace('−', '-'));
  return text.trim() !== '' && Number.isFinite(figure) ? convert(figure) : text;
}
