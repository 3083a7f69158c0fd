import { useEffect, useId, useState, type ReactNode } from 'react';
import { millimetresFromShown, shownLength, type LengthUnit } from '../../core/units/length.ts';
import { shownWind, windFromShown, windUnit } from '../../core/units/wind.ts';
import { measureFromShown, typedMeasure } from '../../core/units/measure.ts';
import type { Problem } from '../../contracts/problem.ts';
import {
  differenceFromShown,
  shownDifference,
  shownTemperature,
  temperatureFromShown,
  type TemperatureUnit,
} from '../../core/units/temperature.ts';
import { call, fieldError, trouble } from '../../ui/call.ts';
import { house } from '../../ui/house.ts';
import { Stale } from '../../ui/Stale.tsx';
import type { FieldSpec, Typed } from './fields.ts';
import { PutAway } from './PutAway.tsx';

interface Props {
  /** Where lines of the book are sent. */
  readonly path: string;
  readonly fields: readonly FieldSpec[];
  /** The line to change, or null for a new one. */
  readonly line:
    | (Readonly<Record<string, unknown>> & {
        readonly id: number;
        readonly version: number;
      })
    | null;
  /** Start of a new line. */
  readonly blank: Readonly<Record<string, unknown>>;
  readonly unit: TemperatureUnit;
  readonly lengthUnit?: LengthUnit;
  /** Parts of the line not among the fields (tables), with their editor. */
  readonly extra?: Readonly<Record<string, unknown>>;
  readonly onTyped?: (values: Record<string, unknown>) => void;
  readonly onStaleTaken?: (current: Record<string, unknown>) => void;
  readonly children?: (error: (path: string) => string | undefined) => ReactNode;
  readonly saveWords: string;
  /** How the body is sent; the books' lines by default. */
  readonly send?: (
    values: Record<string, unknown>,
    version: number,
  ) => { method: 'POST' | 'PUT'; path: string; body: unknown };
  readonly after: (id: number) => string;
}

/** A line of a book, typed and saved; what is wrong stands at its field and nothing typed is lost. */
export function LineForm(props: Props) {
  const { path, fields, line, blank, unit: temperatureUnit, extra, onTyped, children, saveWords, send, after } = props;
  const unit: Units = { temperature: temperatureUnit, length: props.lengthUnit ?? house().lengthUnit };
  const id = useId();
  const [typed, setTyped] = useState<Typed>(() => typedOf(fields, line ?? blank, unit));
  const [version, setVersion] = useState(line?.version ?? 0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  function change(key: string, value: string | boolean): void {
    const next = { ...typed, [key]: value };
    setTyped(next);
    onTyped?.(valuesOf(fields, next, unit, line ?? blank));
  }

  async function save(withVersion: number): Promise<void> {
    const values = { ...valuesOf(fields, typed, unit, line ?? blank), ...extra };
    const order = send
      ? send(values, withVersion)
      : line
        ? {
            method: 'PUT' as const,
            path: `${path}/${line.id}`,
            body: { version: withVersion, line: values },
          }
        : { method: 'POST' as const, path, body: values };
    const answer = await call<{ id: number }>(order.method, order.path, order.body);
    if (answer.kind === 'done') {
      location.assign(after(answer.value.id));
      return;
    }
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setMessage(trouble(answer));
  }

  const error = (fieldPath: string) => fieldError(problem, fieldPath);
  return (
    <form
      noValidate
      data-ready={ready}
      data-typing
      onSubmit={(e) => {
        e.preventDefault();
        void save(version);
      }}
    >
      {sectionsOf(fields).map(([heading, ofSection]) => (
        <fieldset key={heading} className="mt-4 first:mt-0">
          {heading !== '' && <legend className="num mb-1 text-[1.1rem]">{heading}</legend>}
          <div className="grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
            {ofSection.map((field) => (
              <OneField
                key={field.key}
                id={`${id}${field.key}`}
                field={
                  field.kind === 'wind' ? { ...field, label: `${field.label}, ${windUnit(temperatureUnit)}` } : field
                }
                value={typed[field.key] ?? ''}
                error={error(field.key)}
                onChange={(v) => change(field.key, v)}
              />
            ))}
          </div>
        </fieldset>
      ))}
      {children?.(error)}
      {problem?.status === 409 && problem.current ? (
        <Stale
          current={problem.current as Record<string, unknown>}
          yours={{ ...valuesOf(fields, typed, unit, line ?? blank), ...extra }}
          onKeepMine={() => {
            const latest = (problem.current as { version: number }).version;
            setVersion(latest);
            void save(latest);
          }}
          onTakeTheirs={() => {
            const current = problem.current as Record<string, unknown> & {
              version: number;
            };
            setVersion(current.version);
            setTyped(typedOf(fields, current, unit));
            props.onStaleTaken?.(current);
            setProblem(null);
            setMessage('Their version is here now; change it and save.');
          }}
        />
      ) : (
        message && (
          <p role="alert" className="note-bar bad mt-3">
            {message}
          </p>
        )
      )}
      <button type="submit" className="btn solid mt-4 min-w-48">
        {saveWords}
      </button>
      {line && !send && <PutAway path={path} line={line} version={version} back={after(line.id)} />}
    </form>
  );
}

/** Fields by their headings, in the order in which they stand. */
function sectionsOf(fields: readonly FieldSpec[]): [string, FieldSpec[]][] {
  const sections = new Map<string, FieldSpec[]>();
  for (const field of fields) {
    const heading = field.section ?? '';
    sections.set(heading, [...(sections.get(heading) ?? []), field]);
  }
  return [...sections];
}

interface OneFieldProps {
  readonly id: string;
  readonly field: FieldSpec;
  readonly value: string | boolean;
  readonly error: string | undefined;
  readonly onChange: (value: string | boolean) => void;
}

/** One field of a line by its kind. */
export function OneField({ id, field, value, error, onChange }: OneFieldProps) {
  const wrong = {
    'aria-invalid': error ? true : undefined,
    'aria-describedby': error ? `${id}-error` : undefined,
  };
  let control: ReactNode;
  if (field.kind === 'flag') {
    return (
      <label className="flex min-h-11 items-center gap-2 self-end font-semibold">
        <input
          type="checkbox"
          className="size-5 accent-plum"
          checked={value === true}
          onChange={(e) => onChange(e.target.checked)}
        />
        {field.label}
      </label>
    );
  }
  if (field.options) {
    control = (
      <select id={id} className="input" {...wrong} value={String(value)} onChange={(e) => onChange(e.target.value)}>
        {(field.optional || value === '') && (
          <option value="">{field.emptyWords ?? (field.optional ? 'none' : 'choose')}</option>
        )}
        {field.options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    );
  } else {
    control = (
      <input
        id={id}
        className="input"
        {...wrong}
        type={field.kind === 'date' ? 'date' : 'text'}
        inputMode={
          ['number', 'temperature', 'difference', 'length', 'wind'].includes(field.kind) ? 'decimal' : undefined
        }
        value={String(value)}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  }
  return (
    <div className="field">
      <label htmlFor={id}>{field.label}</label>
      {control}
      {field.hint && <span className="text-[0.85rem] text-ink2">{field.hint}</span>}
      {error && (
        <span id={`${id}-error`} className="err">
          {error}
        </span>
      )}
    </div>
  );
}

/** The scales a reader types in. */
interface Units {
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
