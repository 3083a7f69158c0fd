import { later } from '../../ui/kit/later.tsx';
import { Waiting } from '../../ui/kit/Waiting.tsx';
import { saidOf } from '../../words/en/codes.ts';
import { decimal } from '../../ui/numbers.ts';
import { StageBandsEditor, typedBands, type TypedBands } from './StageBandsEditor.tsx';
import type { OwnBands } from '../../core/growth/bands.ts';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { CROP_KINDS, SOWN_IN, type Crop, type EmergencePoint } from '../../core/books/crop.ts';
import { type Stage } from '../../core/plan/stage.ts';
import { daysToEmerge, germinationRate } from '../../core/germination/germinationRate.ts';
import type { CropRecord } from '../../core/books/records.ts';
import { shownTemperature, temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { LengthUnit } from '../../core/units/length.ts';
import { degrees } from '../../ui/format.ts';
import { CropBands } from './CropBands.tsx';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from './LineForm.tsx';
import { figureOr, typedOf, typedTemperature, type FieldSpec } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/cropEditor.ts';

const ResponseChart = later(() => import('./ResponseChart.tsx').then((m) => m.default));

const named = (section: string, fields: readonly FieldSpec[]): FieldSpec[] => fields.map((f) => ({ ...f, section }));
const words = <T extends string>(values: readonly T[]) => values.map((v) => [v, saidOf(v)] as const);

/** The figures of a crop as they are typed. */
export const CROP_FIELDS: readonly FieldSpec[] = [
  ...named(WORDS.theCrop, [
    { key: 'name', label: WORDS.name, kind: 'text' },
    { key: 'synonyms', label: WORDS.otherNames, kind: 'text', optional: true, hint: WORDS.withSemicolonsBetween },
    { key: 'botanical', label: WORDS.botanicalName, kind: 'text', optional: true },
    { key: 'family', label: WORDS.family, kind: 'text', optional: true },
    { key: 'kind', label: WORDS.grownAs, kind: 'choice', options: words(CROP_KINDS) },
    { key: 'group', label: WORDS.raised, kind: 'choice', options: words(['warm', 'cool']) },
    { key: 'caution', label: WORDS.caution, kind: 'text', optional: true },
    { key: 'source', label: WORDS.source, kind: 'text', optional: true },
  ]),
  ...named(WORDS.seedAndComingUp, [
    {
      key: 'light',
      label: WORDS.seedAndLight,
      kind: 'choice',
      options: [
        ['neutral', saidOf('neutral')],
        ['light', WORDS.needsLight],
        ['dark', WORDS.likesDark],
      ],
    },
    { key: 'depth_mm', label: WORDS.sownDeep, kind: 'length' },
    { key: 'sowIn', label: WORDS.usuallySownIn, kind: 'choice', options: words(SOWN_IN) },
    { key: 'cellsUsual_count', label: WORDS.cellsToAFullTray, kind: 'number' },
    {
      key: 'pretreat',
      label: WORDS.beforeSowing,
      kind: 'choice',
      options: [
        ['none', WORDS.nothing],
        ['soak', WORDS.soakUpToADay],
        ['scarify', WORDS.nickOrRubTheCoat],
        ['chill', WORDS.chillMoistAndCold],
      ],
    },
    { key: 'chill_weeks', label: WORDS.weeksOfChilling, kind: 'number', hint: WORDS.words0UnlessItIsChilled },
    { key: 'germMin_C', label: WORDS.minimumSowingTemperature, kind: 'temperature' },
    { key: 'germBest_C', label: WORDS.bestSowingTemperature, kind: 'temperature' },
    { key: 'germMax_C', label: WORDS.maximumSowingTemperature, kind: 'temperature' },
    { key: 'germBase_C', label: WORDS.germinationBase, kind: 'temperature', hint: WORDS.usedWithoutATable },
    { key: 'germCeiling_C', label: WORDS.germinationCeiling, kind: 'temperature', hint: WORDS.usedWithoutATable },
    { key: 'germBest_days', label: WORDS.daysToHalfUpAt, kind: 'number', hint: WORDS.usedWithoutATable },
    { key: 'germUsual_frac', label: WORDS.usualGerminationShare, kind: 'number', hint: WORDS.words085Is85Of },
    { key: 'thousandSeed_g', label: WORDS.weightOf1000Seeds, kind: 'number', optional: true },
    { key: 'storage_years', label: WORDS.seedKeepsYears, kind: 'number', hint: WORDS.coolAndDry },
    { key: 'seedBalls', label: WORDS.sownAsBallsOfSeveral, kind: 'flag' },
  ]),
  ...named(WORDS.growing, [
    { key: 'growDay_C', label: WORDS.growingByDay, kind: 'temperature' },
    { key: 'growNight_C', label: WORDS.growingByNight, kind: 'temperature' },
    { key: 'weeksLow', label: WORDS.weeksToHardeningShort, kind: 'number', hint: WORDS.atTheseTwoInGood },
    { key: 'weeksHigh', label: WORDS.weeksToHardeningLong, kind: 'number' },
    { key: 'base_C', label: WORDS.noGrowthBelow, kind: 'temperature' },
    { key: 'growOptimum_C', label: WORDS.fastestGrowthAt, kind: 'temperature' },
    { key: 'growCeiling_C', label: WORDS.noGrowthAbove, kind: 'temperature' },
    {
      key: 'boltCold_C',
      label: WORDS.flowersAfterDaysColderThan,
      kind: 'temperature',
      optional: true,
      hint: WORDS.meanOfDayAndNight,
    },
    { key: 'boltCold_days', label: WORDS.suchColdDaysThatDo, kind: 'number', optional: true },
    {
      key: 'boltWarm_C',
      label: WORDS.flowersAfterDaysHotterThan,
      kind: 'temperature',
      optional: true,
      hint: WORDS.emptyWarmthDoesNot,
    },
    { key: 'boltWarm_days', label: WORDS.suchHotDaysThatDo, kind: 'number', optional: true },
    { key: 'boltDay_h', label: WORDS.flowersInDaysLongerThan, kind: 'number', optional: true },
    { key: 'checkNight_C', label: WORDS.nightThatChecksIt, kind: 'temperature', optional: true, hint: WORDS.emptyNone },
    { key: 'comfortNight_C', label: WORDS.comfortableLowestNight, kind: 'temperature' },
    { key: 'comfortDay_C', label: WORDS.comfortableHighestDay, kind: 'temperature' },
    { key: 'dliLeast', label: WORDS.leastLightMolMA, kind: 'number', hint: WORDS.belowItLeggyAndSlow },
    { key: 'dliGood', label: WORDS.goodLightMolMA, kind: 'number', hint: WORDS.atItTheWeeksHold },
    { key: 'potted', label: WORDS.usuallyPottedUp, kind: 'flag' },
    { key: 'potAt_frac', label: WORDS.pottedAtThisShareOf, kind: 'number', hint: WORDS.words04Is40 },
    { key: 'potUsual_cm', label: WORDS.usualPotAcross, kind: 'number', measure: 'cm', optional: true },
  ]),
  ...named(WORDS.hardeningAndPlanting, [
    { key: 'hardening_days', label: WORDS.hardeningDays, kind: 'number' },
    {
      key: 'hardiness',
      label: WORDS.hardiness,
      kind: 'choice',
      options: words(['hardy', 'half-hardy', 'tender', 'tropical']),
    },
    { key: 'hardyTo_C', label: WORDS.hardenedHarmedAt, kind: 'temperature' },
    { key: 'plantSoilMin_C', label: WORDS.soilToPlantIn, kind: 'temperature' },
    { key: 'plantNightMin_C', label: WORDS.nightsToPlantIn, kind: 'temperature' },
    { key: 'weeksFromLastFrost', label: WORDS.weeksFromLastFrost, kind: 'number', hint: WORDS.minusIsBefore },
    { key: 'inRow_cm', label: WORDS.inTheRow, kind: 'number', measure: 'cm' },
    { key: 'rows_cm', label: WORDS.betweenRows, kind: 'number', measure: 'cm' },
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
      <section className="card mb-5" aria-label={WORDS.daysToHalfUpBy}>
        <h2>{WORDS.daysToHalfUpBy2}</h2>
        {curve ? (
          <>
            <div className="h-64">
              {drawn && (
                <Suspense fallback={<Waiting words={WORDS.drawing} />}>
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
              <summary>{WORDS.theCurveAsATable}</summary>
              <table className="plain-table max-w-sm">
                <thead>
                  <tr>
                    <th>{WORDS.medium}</th>
                    <th>{WORDS.daysToHalfUp}</th>
                  </tr>
                </thead>
                <tbody>
                  {Array.from({ length: 9 }, (_, i) => i * 5).map((t) => {
                    const at = curve.find((p) => p.temperature_C === t);
                    return (
                      <tr key={t}>
                        <td>{degrees(t, unit)}</td>
                        <td>{at?.days ? decimal(at.days, 1) : WORDS.doesNotComeUp}</td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </details>
          </>
        ) : (
          <p className="note-bar bad mt-2">{WORDS.noCurveCanBeDrawn}</p>
        )}
        <p className="mt-1 text-[0.9rem] text-ink2">
          {WORDS.source2(
            rows.length > 1 ? WORDS.throughTheTableBelowNever : WORDS.byBaseBestAndCeiling,
            String(typed['source'] || WORDS.notSaid),
          )}
        </p>
        <CropBands crop={{ ...start, ...typed } as unknown as Crop} unit={unit} />
        <p className="mt-1 max-w-[75ch] text-[0.9rem] text-ink2">
          {library ? WORDS.figuresNotMarkedYoursAre : WORDS.thisCropIsNotIn}
        </p>
      </section>
      <LineForm
        schema={() => import('../../contracts/books/crops.ts').then((m) => m.cropInput)}
        path="/api/books/crops"
        fields={CROP_FIELDS.map((field) => fieldOf(field, crop, library, unit, lengthUnit))}
        lengthUnit={lengthUnit}
        line={crop as unknown as (Record<string, unknown> & { id: number; version: number }) | null}
        blank={BLANK as unknown as Record<string, unknown>}
        unit={unit}
        extra={{ emergence, bands: bandsBody(bands, unit), openAirFrom }}
        parts={partsTyped({ rows, bands, openAirFrom }, (was) => {
          setRows(was.rows);
          setBands(was.bands);
          setOpenAirFrom(was.openAirFrom);
        })}
        onTyped={setTyped}
        onStaleTaken={(current) => setRows(rowsOf(current['emergence'] as EmergencePoint[], unit))}
        saveWords={crop ? WORDS.saveTheCrop : WORDS.addTheCrop}
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
              <legend className="num text-[1.1rem]">{WORDS.tableOfEmergence}</legend>
              <p className="text-[0.9rem] text-ink2">{WORDS.daysToHalfUpAt2(<b key="1">{WORDS.none}</b>)}</p>
              {error('emergence') && <p className="err">{error('emergence')}</p>}
              <div className="mt-2 flex flex-wrap gap-2">
                {rows.map((row, i) => (
                  <div key={i} className="w-28 border border-line bg-paper p-2">
                    {(['temperature', 'days', 'percent'] as const).map((part) => (
                      <label key={part} className="block text-[0.82rem]">
                        {part === 'temperature' ? WORDS.atDegrees(unit) : part === 'days' ? WORDS.days : WORDS.up}
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
                      {WORDS.takeOut}
                    </button>
                  </div>
                ))}
                <button
                  type="button"
                  className="btn"
                  onClick={() => setRows([...rows, { temperature: '', days: '', percent: '' }])}
                >
                  {WORDS.addATemperature}
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

/** A field, and what the library says where the house has another figure. */
function fieldOf(
  field: FieldSpec,
  crop: CropRecord | null,
  library: Props['library'],
  unit: TemperatureUnit,
  lengthUnit: LengthUnit,
): FieldSpec {
  const own = crop?.[field.key as keyof CropRecord] ?? null;
  const theirs = library?.[field.key as keyof typeof library] ?? null;
  if (!crop || !library || own === theirs || field.kind === 'text') return field;
  const shown = String(typedOf([field], { [field.key]: theirs }, { temperature: unit, length: lengthUnit })[field.key]);
  const words = field.options?.find(([value]) => value === theirs)?.[1] ?? (shown === '' ? 'none' : shown);
  return { ...field, hint: WORDS.yoursTheLibraryHas(field.kind === 'flag' ? (theirs ? 'yes' : 'no') : words) };
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
