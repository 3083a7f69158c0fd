import { decimal } from '../../ui/numbers.ts';
import { cropInput } from '../../contracts/books/crops.ts';
import { StageBandsEditor, typedBands, type TypedBands } from './StageBandsEditor.tsx';
import type { OwnBands } from '../../core/growth/bands.ts';
import { measureUnit } from '../../core/units/measure.ts';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { CROP_KINDS, SOWN_IN, type Crop, type EmergencePoint } from '../../core/books/crop.ts';
import { type Stage } from '../../core/plan/stage.ts';
import { daysToEmerge, germinationRate } from '../../core/germination/germinationRate.ts';
import type { CropRecord } from '../../core/books/records.ts';
import { shownTemperature, temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { LengthUnit } from '../../core/units/length.ts';
import { degrees } from '../../ui/format.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { CropBands } from './CropBands.tsx';
import { LineForm } from './LineForm.tsx';
import { figureOr, typedOf, typedTemperature } from '../../ui/kit/fields.ts';

const ResponseChart = lazy(() => import('./ResponseChart.tsx'));

const named = (section: string, fields: readonly FieldSpec[]): FieldSpec[] => fields.map((f) => ({ ...f, section }));
const words = <T extends string>(values: readonly T[]) => values.map((v) => [v, v] as const);

/** The figures of a crop as they are typed. */
export const CROP_FIELDS: readonly FieldSpec[] = [
  ...named('The crop', [
    { key: 'name', label: 'Name', kind: 'text' },
    { key: 'synonyms', label: 'Other names', kind: 'text', optional: true, hint: 'with semicolons between' },
    { key: 'botanical', label: 'Botanical name', kind: 'text', optional: true },
    { key: 'family', label: 'Family', kind: 'text', optional: true },
    { key: 'kind', label: 'Grown as', kind: 'choice', options: words(CROP_KINDS) },
    { key: 'group', label: 'Raised', kind: 'choice', options: words(['warm', 'cool']) },
    { key: 'caution', label: 'Caution', kind: 'text', optional: true },
    { key: 'source', label: 'Source', kind: 'text', optional: true },
  ]),
  ...named('Seed and coming up', [
    {
      key: 'light',
      label: 'Seed and light',
      kind: 'choice',
      options: [
        ['neutral', 'either'],
        ['light', 'needs light'],
        ['dark', 'likes dark'],
      ],
    },
    { key: 'depth_mm', label: 'Sown deep', kind: 'length' },
    { key: 'sowIn', label: 'Usually sown in', kind: 'choice', options: words(SOWN_IN) },
    { key: 'cellsUsual_count', label: 'Cells to a full tray', kind: 'number' },
    {
      key: 'pretreat',
      label: 'Before sowing',
      kind: 'choice',
      options: [
        ['none', 'nothing'],
        ['soak', 'soak up to a day'],
        ['scarify', 'nick or rub the coat'],
        ['chill', 'chill, moist and cold'],
      ],
    },
    { key: 'chill_weeks', label: 'Weeks of chilling', kind: 'number', hint: '0 unless it is chilled' },
    { key: 'germMin_C', label: 'Minimum sowing temperature', kind: 'temperature' },
    { key: 'germBest_C', label: 'Best sowing temperature', kind: 'temperature' },
    { key: 'germMax_C', label: 'Maximum sowing temperature', kind: 'temperature' },
    { key: 'germBase_C', label: 'Germination base', kind: 'temperature', hint: 'used without a table' },
    { key: 'germCeiling_C', label: 'Germination ceiling', kind: 'temperature', hint: 'used without a table' },
    { key: 'germBest_days', label: 'Days to half up at best', kind: 'number', hint: 'used without a table' },
    { key: 'germUsual_frac', label: 'Usual germination, share', kind: 'number', hint: '0.85 is 85 of 100' },
    { key: 'thousandSeed_g', label: 'Weight of 1,000 seeds, g', kind: 'number', optional: true },
    { key: 'storage_years', label: 'Seed keeps, years', kind: 'number', hint: 'cool and dry' },
    { key: 'seedBalls', label: 'Sown as balls of several seeds', kind: 'flag' },
  ]),
  ...named('Growing', [
    { key: 'growDay_C', label: 'Growing by day', kind: 'temperature' },
    { key: 'growNight_C', label: 'Growing by night', kind: 'temperature' },
    { key: 'weeksLow', label: 'Weeks to hardening, short', kind: 'number', hint: 'at these two, in good light' },
    { key: 'weeksHigh', label: 'Weeks to hardening, long', kind: 'number' },
    { key: 'base_C', label: 'No growth below', kind: 'temperature' },
    { key: 'growOptimum_C', label: 'Fastest growth at', kind: 'temperature' },
    { key: 'growCeiling_C', label: 'No growth above', kind: 'temperature' },
    {
      key: 'boltCold_C',
      label: 'Flowers after days colder than',
      kind: 'temperature',
      optional: true,
      hint: 'mean of day and night; empty: cold does not',
    },
    { key: 'boltCold_days', label: 'Such cold days that do it', kind: 'number', optional: true },
    {
      key: 'boltWarm_C',
      label: 'Flowers after days hotter than',
      kind: 'temperature',
      optional: true,
      hint: 'empty: warmth does not',
    },
    { key: 'boltWarm_days', label: 'Such hot days that do it', kind: 'number', optional: true },
    { key: 'boltDay_h', label: 'Flowers in days longer than, hours', kind: 'number', optional: true },
    { key: 'checkNight_C', label: 'Night that checks it', kind: 'temperature', optional: true, hint: 'empty: none' },
    { key: 'comfortNight_C', label: 'Comfortable, lowest night', kind: 'temperature' },
    { key: 'comfortDay_C', label: 'Comfortable, highest day', kind: 'temperature' },
    { key: 'dliLeast', label: 'Least light, mol/m² a day', kind: 'number', hint: 'below it leggy and slow' },
    { key: 'dliGood', label: 'Good light, mol/m² a day', kind: 'number', hint: 'at it the weeks hold' },
    { key: 'potted', label: 'Usually potted up', kind: 'flag' },
    { key: 'potAt_frac', label: 'Potted at this share of growth', kind: 'number', hint: '0.4 is 40%' },
    { key: 'potUsual_cm', label: 'Usual pot, across', kind: 'number', measure: 'cm', optional: true },
  ]),
  ...named('Hardening and planting', [
    { key: 'hardening_days', label: 'Hardening days', kind: 'number' },
    {
      key: 'hardiness',
      label: 'Hardiness',
      kind: 'choice',
      options: words(['hardy', 'half-hardy', 'tender', 'tropical']),
    },
    { key: 'hardyTo_C', label: 'Hardened, harmed at', kind: 'temperature' },
    { key: 'plantSoilMin_C', label: 'Soil to plant in', kind: 'temperature' },
    { key: 'plantNightMin_C', label: 'Nights to plant in', kind: 'temperature' },
    { key: 'weeksFromLastFrost', label: 'Weeks from last frost', kind: 'number', hint: 'minus is before' },
    { key: 'inRow_cm', label: 'In the row', kind: 'number', measure: 'cm' },
    { key: 'rows_cm', label: 'Between rows', kind: 'number', measure: 'cm' },
  ]),
];

const BLANK: Omit<Crop, 'id'> = {
  name: '',
  synonyms: '',
  botanical: '',
  family: '',
  kind: 'vegetable',
  group: 'warm',
  light: 'neutral',
  depth_mm: 6,
  germMin_C: 12,
  germBest_C: 22,
  germMax_C: 30,
  germBase_C: 8,
  germCeiling_C: 34,
  germBest_days: 7,
  emergence: [],
  germUsual_frac: 0.85,
  thousandSeed_g: null,
  storage_years: 3,
  pretreat: 'none',
  chill_weeks: 0,
  sowIn: 'cells',
  cellsUsual_count: 60,
  potUsual_cm: null,
  growDay_C: 20,
  growNight_C: 15,
  base_C: 6,
  growOptimum_C: 24,
  growCeiling_C: 35,
  checkNight_C: null,
  boltCold_C: null,
  boltCold_days: null,
  boltWarm_C: null,
  boltWarm_days: null,
  boltDay_h: null,
  comfortNight_C: 10,
  comfortDay_C: 30,
  dliLeast: 8,
  dliGood: 13,
  weeksLow: 5,
  weeksHigh: 7,
  potAt_frac: 0.4,
  potted: false,
  hardening_days: 8,
  hardiness: 'half-hardy',
  hardyTo_C: -1,
  plantSoilMin_C: 10,
  plantNightMin_C: 4,
  weeksFromLastFrost: 0,
  inRow_cm: 30,
  rows_cm: 40,
  caution: '',
  source: '',
};

/** A row of the table while it is typed. */
interface Row {
  readonly temperature: string;
  readonly days: string;
  readonly percent: string;
}

interface Props {
  readonly crop: CropRecord | null;
  readonly unit: TemperatureUnit;
  readonly lengthUnit: LengthUnit;
  /** The crop as the library that ships has it; null: it is not in it. */
  readonly library: Omit<Crop, 'id'> | null;
}

/** A crop of the book: its response to temperature drawn, and every figure of it open to change. */
export function CropEditor({ crop, unit, lengthUnit, library }: Props) {
  const start: Omit<Crop, 'id'> = crop ?? BLANK;
  const [rows, setRows] = useState<readonly Row[]>(() => rowsOf(start.emergence, unit));
  const [bands, setBands] = useState<TypedBands>(() => typedBands(start.bands, unit));
  const [openAirFrom, setOpenAirFrom] = useState<Stage | null>(start.openAirFrom ?? null);
  const [typed, setTyped] = useState<Record<string, unknown>>(start as unknown as Record<string, unknown>);
  const [drawn, setDrawn] = useState(false);
  useEffect(() => setDrawn(true), []);
  const emergence = useMemo(() => rows.map((row) => pointOf(row, unit)), [rows, unit]);
  const curve = useMemo(() => curveOf({ ...start, ...typed, emergence } as unknown as Crop), [start, typed, emergence]);
  const setRow = (i: number, change: Partial<Row>) =>
    setRows(rows.map((row, j) => (j === i ? { ...row, ...change } : row)));

  return (
    <div>
      <section className="card mb-5" aria-label="Days to half up by temperature">
        <h2>Days to half up, by the temperature of the medium</h2>
        {curve ? (
          <>
            <div className="h-64">
              {drawn && (
                <Suspense fallback={<p className="text-ink2">Drawing</p>}>
                  <ResponseChart
                    unit={unit}
                    curve={curve.map((p) => ({
                      t: shownTemperature(p.temperature_C, unit),
                      days: p.days,
                    }))}
                    points={emergence
                      .filter((p) => typeof p.days === 'number' && Number.isFinite(p.temperature_C))
                      .map((p) => ({
                        t: shownTemperature(p.temperature_C as number, unit),
                        days: p.days as number,
                      }))}
                    best={shownTemperature(Number(typed['germBest_C']), unit)}
                  />
                </Suspense>
              )}
            </div>
            <details className="mt-1">
              <summary>The curve as a table</summary>
              <table className="plain-table max-w-sm">
                <thead>
                  <tr>
                    <th>Medium</th>
                    <th>Days to half up</th>
                  </tr>
                </thead>
                <tbody>
                  {Array.from({ length: 9 }, (_, i) => i * 5).map((t) => {
                    const at = curve.find((p) => p.temperature_C === t);
                    return (
                      <tr key={t}>
                        <td>{degrees(t, unit)}</td>
                        <td>{at?.days ? decimal(at.days, 1) : 'does not come up'}</td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </details>
          </>
        ) : (
          <p className="note-bar bad mt-2">
            No curve can be drawn from these figures: temperatures must rise from base to best to ceiling.
          </p>
        )}
        <p className="mt-1 text-[0.9rem] text-ink2">
          {rows.length > 1
            ? 'Through the table below, never better than the table allows.'
            : 'By base, best and ceiling, in straight lines of rate.'}{' '}
          Source: {String(typed['source'] || 'not said')}.
        </p>
        <CropBands crop={{ ...start, ...typed } as unknown as Crop} unit={unit} />
        <p className="mt-1 max-w-[75ch] text-[0.9rem] text-ink2">
          {library
            ? 'Figures not marked “yours” are those of the library: common practice from memory, the weakest of them light, ceilings and comfortable temperatures. Your own always go first.'
            : 'This crop is not in the library: every figure is yours.'}
        </p>
      </section>
      <LineForm
        schema={cropInput}
        path="/api/books/crops"
        fields={CROP_FIELDS.map((field) => fieldOf(field, crop, library, unit, lengthUnit))}
        lengthUnit={lengthUnit}
        line={crop as unknown as (Record<string, unknown> & { id: number; version: number }) | null}
        blank={BLANK as unknown as Record<string, unknown>}
        unit={unit}
        extra={{ emergence, bands: bandsBody(bands, unit), openAirFrom }}
        onTyped={setTyped}
        onStaleTaken={(current) => setRows(rowsOf(current['emergence'] as EmergencePoint[], unit))}
        saveWords={crop ? 'Save the crop' : 'Add the crop'}
        after={(id) => `/books/crops?crop=${id}`}
      >
        {(error) => (
          <>
            <StageBandsEditor
              crop={{ ...start, ...typed, bands: numbersOf(bandsBody(bands, unit)) } as unknown as Crop}
              unit={unit}
              typed={bands}
              error={error}
              onTyped={setBands}
              from={openAirFrom}
              onFrom={setOpenAirFrom}
            />
            <fieldset className="mt-5">
              <legend className="num text-[1.1rem]">Table of emergence</legend>
              <p className="text-[0.9rem] text-ink2">
                Days to half up at a constant temperature. Write <b>none</b> where it was tried and nothing came; leave
                empty what was not tried.
              </p>
              {error('emergence') && <p className="err">{error('emergence')}</p>}
              <div className="mt-2 flex flex-wrap gap-2">
                {rows.map((row, i) => (
                  <div key={i} className="w-28 border border-line bg-paper p-2">
                    {(['temperature', 'days', 'percent'] as const).map((part) => (
                      <label key={part} className="block text-[0.82rem]">
                        {part === 'temperature' ? 'at, °' : part === 'days' ? 'days' : '% up'}
                        <input
                          className="input min-h-9"
                          inputMode="decimal"
                          value={row[part]}
                          onChange={(e) => setRow(i, { [part]: e.target.value })}
                        />
                      </label>
                    ))}
                    {(['temperature_C', 'days', 'percent'] as const).map((part) => {
                      const wrong = error(`emergence.${i}.${part}`);
                      return wrong ? (
                        <p key={part} className="text-[0.82rem] font-semibold text-brick">
                          {wrong}
                        </p>
                      ) : null;
                    })}
                    <button
                      type="button"
                      className="link-btn text-[0.85rem]"
                      onClick={() => setRows(rows.filter((_, j) => j !== i))}
                    >
                      Take out
                    </button>
                  </div>
                ))}
                <button
                  type="button"
                  className="btn"
                  onClick={() => setRows([...rows, { temperature: '', days: '', percent: '' }])}
                >
                  Add a temperature
                </button>
              </div>
            </fieldset>
          </>
        )}
      </LineForm>
    </div>
  );
}

/** Figures of the bands as the call wants them; what is no figure goes as text, so that the answer names the field. */
function bandsBody(typed: TypedBands, unit: TemperatureUnit): Record<string, Record<string, number | string>> {
  const stages = Object.entries(typed).map(([stage, figures]) => {
    const said = Object.entries(figures ?? {}).filter(([, text]) => text.trim() !== '');
    const toC = (text: string) => figureOr(text, (n) => Math.round(temperatureFromShown(n, unit) * 100) / 100);
    return [stage, Object.fromEntries(said.map(([key, text]) => [key, toC(text)]))] as const;
  });
  return Object.fromEntries(stages.filter(([, figures]) => Object.keys(figures).length > 0));
}

/** Of what was typed only what is a figure, for the drawing. */
function numbersOf(bands: Record<string, Record<string, number | string>>): OwnBands {
  const stages = Object.entries(bands).map(([stage, figures]) => [
    stage,
    Object.fromEntries(Object.entries(figures).filter(([, value]) => typeof value === 'number')),
  ]);
  return Object.fromEntries(stages) as OwnBands;
}

function rowsOf(points: readonly EmergencePoint[], unit: TemperatureUnit): Row[] {
  return points.map((p) => ({
    temperature: typedTemperature(p.temperature_C, unit),
    days: p.days === null ? '' : String(p.days),
    percent: p.percent === null ? '' : String(p.percent),
  }));
}

/** What is sent of a row: figures where figures are typed, else the text, so that the answer names the field. */
function pointOf(
  row: Row,
  unit: TemperatureUnit,
): {
  temperature_C: number | string;
  days: number | string | null;
  percent: number | string | null;
} {
  const days = row.days.trim();
  return {
    temperature_C: figureOr(row.temperature, (n) => Math.round(temperatureFromShown(n, unit) * 100) / 100),
    days: days === '' ? null : days.toLowerCase() === 'none' ? 'none' : figureOr(days, (n) => n),
    percent: row.percent.trim() === '' ? null : figureOr(row.percent, (n) => n),
  };
}

/** A field's label with its unit. */
export function labelOf({ label, kind, measure }: FieldSpec, unit: TemperatureUnit, lengthUnit: LengthUnit): string {
  if (measure) return `${label}, ${measureUnit(measure, lengthUnit)}`;
  if (kind === 'length') return `${label}, ${lengthUnit}`;
  return kind === 'temperature' ? `${label}, °${unit}` : label;
}

/** A field with its unit, and what the library says where the house has another figure. */
function fieldOf(
  field: FieldSpec,
  crop: CropRecord | null,
  library: Props['library'],
  unit: TemperatureUnit,
  lengthUnit: LengthUnit,
): FieldSpec {
  const label = labelOf(field, unit, lengthUnit);
  const own = crop?.[field.key as keyof CropRecord] ?? null;
  const theirs = library?.[field.key as keyof typeof library] ?? null;
  if (!crop || !library || own === theirs || field.kind === 'text') return { ...field, label };
  const shown = String(typedOf([field], { [field.key]: theirs }, { temperature: unit, length: lengthUnit })[field.key]);
  const words = field.options?.find(([value]) => value === theirs)?.[1] ?? (shown === '' ? 'none' : shown);
  return { ...field, label, hint: `yours; the library has ${field.kind === 'flag' ? (theirs ? 'yes' : 'no') : words}` };
}

/** The curve by whole degrees Celsius from 0 to 42, or null when the figures make none. */
function curveOf(crop: Crop): { temperature_C: number; days: number | null }[] | null {
  try {
    const rate = germinationRate(crop);
    const curve = Array.from({ length: 43 }, (_, t) => ({
      temperature_C: t,
      days: daysToEmerge(rate, t),
    }));
    return curve.every((p) => p.days === null || Number.isFinite(p.days)) ? curve : null;
  } catch {
    return null;
  }
}
