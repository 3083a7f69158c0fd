import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import type { Crop, EmergencePoint } from '../../core/model.ts';
import { daysToEmerge, germinationRate } from '../../core/germination/germinationRate.ts';
import type { CropRecord } from '../../contracts/records.ts';
import { shownTemperature, temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { LengthUnit } from '../../core/units/length.ts';
import { degrees } from '../../ui/format.ts';
import type { FieldSpec } from './fields.ts';
import { figureOr, LineForm, typedTemperature } from './LineForm.tsx';

const ResponseChart = lazy(() => import('./ResponseChart.tsx'));

const FIELDS: readonly FieldSpec[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  {
    key: 'group',
    label: 'Kind of crop',
    kind: 'choice',
    options: [
      ['warm', 'warm'],
      ['cool', 'cool'],
    ],
  },
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
  { key: 'germMin_C', label: 'Least to sow at, °', kind: 'temperature' },
  { key: 'germBest_C', label: 'Best to sow at, °', kind: 'temperature' },
  { key: 'germMax_C', label: 'Most to sow at, °', kind: 'temperature' },
  {
    key: 'germBase_C',
    label: 'Germination base, °',
    kind: 'temperature',
    hint: 'used without a table',
  },
  {
    key: 'germCeiling_C',
    label: 'Germination ceiling, °',
    kind: 'temperature',
    hint: 'used without a table',
  },
  {
    key: 'germBest_days',
    label: 'Days to half up at best',
    kind: 'number',
    hint: 'used without a table',
  },
  { key: 'growDay_C', label: 'Growing by day, °', kind: 'temperature' },
  { key: 'growNight_C', label: 'Growing by night, °', kind: 'temperature' },
  { key: 'base_C', label: 'Growth base, °', kind: 'temperature' },
  { key: 'growOptimum_C', label: 'Growth optimum, °', kind: 'temperature' },
  { key: 'weeksLow', label: 'Weeks to hardening, short', kind: 'number' },
  { key: 'weeksHigh', label: 'Weeks to hardening, long', kind: 'number' },
  {
    key: 'potAt_frac',
    label: 'Potted at this share of growth',
    kind: 'number',
    hint: '0.4 is 40%',
  },
  { key: 'potted', label: 'Usually potted up', kind: 'flag' },
  { key: 'seedBalls', label: 'Sown as balls of several seeds', kind: 'flag' },
  { key: 'hardening_days', label: 'Hardening days', kind: 'number' },
  {
    key: 'hardiness',
    label: 'Hardiness',
    kind: 'choice',
    options: [
      ['hardy', 'hardy'],
      ['half-hardy', 'half-hardy'],
      ['tender', 'tender'],
      ['tropical', 'tropical'],
    ],
  },
  { key: 'plantSoilMin_C', label: 'Soil to plant in, °', kind: 'temperature' },
  {
    key: 'plantNightMin_C',
    label: 'Nights to plant in, °',
    kind: 'temperature',
  },
  {
    key: 'weeksFromLastFrost',
    label: 'Weeks from last frost',
    kind: 'number',
    hint: 'minus is before',
  },
  { key: 'source', label: 'Source', kind: 'text', optional: true },
];

const BLANK: Omit<Crop, 'id'> = {
  name: '',
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
  growDay_C: 20,
  growNight_C: 15,
  base_C: 6,
  growOptimum_C: 24,
  weeksLow: 5,
  weeksHigh: 7,
  potAt_frac: 0.4,
  potted: false,
  hardening_days: 8,
  hardiness: 'half-hardy',
  plantSoilMin_C: 10,
  plantNightMin_C: 4,
  weeksFromLastFrost: 0,
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
}

/** A crop of the book: its response to temperature drawn, and every figure of it open to change. */
export function CropEditor({ crop, unit, lengthUnit }: Props) {
  const start: Omit<Crop, 'id'> = crop ?? BLANK;
  const [rows, setRows] = useState<readonly Row[]>(() => rowsOf(start.emergence, unit));
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
                        <td>{at?.days ? at.days.toFixed(1) : 'does not come up'}</td>
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
      </section>
      <LineForm
        path="/api/crops"
        fields={FIELDS.map((field) =>
          field.kind === 'length' ? { ...field, label: `${field.label}, ${lengthUnit}` } : field,
        )}
        lengthUnit={lengthUnit}
        line={crop as unknown as (Record<string, unknown> & { id: number; version: number }) | null}
        blank={BLANK as unknown as Record<string, unknown>}
        unit={unit}
        extra={{ emergence }}
        onTyped={setTyped}
        onStaleTaken={(current) => setRows(rowsOf(current['emergence'] as EmergencePoint[], unit))}
        saveWords={crop ? 'Save the crop' : 'Add the crop'}
        after={(id) => `/books/crops?crop=${id}`}
      >
        {(error) => (
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
        )}
      </LineForm>
    </div>
  );
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
