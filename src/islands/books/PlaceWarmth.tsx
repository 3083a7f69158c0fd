import { DateField } from '../../ui/kit/DateField.tsx';
import { useId } from 'react';
import { area, house, unitOf } from '../../ui/house.ts';
import { degrees } from '../../ui/format.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { Field } from '../../ui/Field.tsx';
import type { PlaceRecord } from '../../core/books/records.ts';
import { fieldsOfMat, typedBed, typedMat, type PlaceParts } from './placeParts.ts';
import { BED_FIELDS } from './warmthFields.ts';
import { BedSays, MatSays, WarmthFields } from './WarmthFields.tsx';
import { WORDS } from '../../words/en/books/placeWarmth.ts';

const KINDS = [
  ['set-point', WORDS.heldAtASetPoint, WORDS.aChamberOrAHeated],
  ['outside', WORDS.followsOutside, WORDS.aFrameAColdHouse],
  ['mat', WORDS.aMatWithoutAThermostat, WORDS.constantWattsDayAndNight],
  ['hot-bed', WORDS.aHotBed, WORDS.aHeapThatHeatsBy],
  ['written', WORDS.writtenDownByPeriods, WORDS.whatYouMeasuredThereThrough],
] as const;

interface Props {
  readonly place: PlaceRecord | null;
  readonly parts: PlaceParts;
  readonly unit: TemperatureUnit;
  readonly error: (path: string) => string | undefined;
  readonly onChange: (change: Partial<PlaceParts>) => void;
}

/** How a place comes by its temperature. The periods themselves are a table of their own. */
export function PlaceWarmth({ place, parts, unit, error, onChange }: Props) {
  const id = useId();
  const field = (key: keyof PlaceParts, label: string, path: string) => (
    <Field
      id={`${id}${key}`}
      label={label}
      inputMode="decimal"
      value={String(parts[key])}
      error={error(path)}
      onValue={(value) => onChange({ [key]: value })}
    />
  );
  return (
    <fieldset className="mt-5">
      <legend className="num text-[1.1rem]">{WORDS.whereItsTemperatureComesFrom}</legend>
      {error('temperature.kind') && <p className="err font-semibold text-brick">{error('temperature.kind')}</p>}
      <div className="mt-1 flex flex-wrap gap-2">
        {KINDS.map(([kind, words, hint]) => (
          <label key={kind} className="flex min-h-11 items-center gap-2 border border-line bg-paper px-3 py-1">
            <input
              type="radio"
              name={`${id}kind`}
              className="size-5 accent-plum"
              checked={parts.kind === kind}
              onChange={() => onChange({ kind })}
            />
            <span>
              {words}
              <span className="block text-[0.85rem] text-ink2">{hint}</span>
            </span>
          </label>
        ))}
      </div>
      {parts.kind === 'set-point' && (
        <>
          <div className="mt-3 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
            {field('levels', WORDS.setPointsItMayHave(unit), firstError(error, 'temperature.levels_C', 12))}
            {field('usual', WORDS.usualSetPointOrOff(unit), 'temperature.usual_C')}
            {field('nightDrop', WORDS.coolerByNightBy(unit), 'temperature.nightDrop_K')}
            {field('unheatedPlus', WORDS.unheatedAboveOutsideBy(unit), 'temperature.unheatedPlus_K')}
            {field(
              'loss',
              unit === 'F' ? WORDS.heatLostWattsForEach : WORDS.heatLostWattsForEach2,
              'temperature.loss_W_per_K',
            )}
          </div>
          <p className="mt-1 max-w-[65ch] text-[0.9rem] text-ink2">
            {WORDS.aBenchUnderFleeceOr(lossWords(unit), area(2.9), degrees(18, unit), degrees(22, unit))}
          </p>
        </>
      )}
      {parts.kind === 'mat' && (
        <>
          <WarmthFields
            fields={fieldsOfMat(parts.mat)}
            typed={parts.mat}
            pathOf={matPath}
            error={error}
            onChange={(mat) => onChange({ mat })}
          />
          <MatSays mat={typedMat(parts, place)} />
        </>
      )}
      {parts.kind === 'hot-bed' && (
        <>
          <WarmthFields
            fields={BED_FIELDS}
            typed={parts.bed}
            pathOf={(key) => `temperature.bed.${key}`}
            error={error}
            onChange={(bed) => onChange({ bed })}
          />
          <BedSays bed={typedBed(parts, place)} />
        </>
      )}
      {parts.kind === 'outside' && (
        <div className="mt-3 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
          {field('plusDay', WORDS.warmerThanOutsideByDay(unit), 'temperature.plusDay_K')}
          {field('plusNight', WORDS.warmerThanOutsideByNight(unit), 'temperature.plusNight_K')}
        </div>
      )}
    </fieldset>
  );
}

/** Where the answer names a field of the mat. */
function matPath(key: string): string {
  if (key === 'below_mm') return 'temperature.mat.below.0.thickness_m';
  return `temperature.mat.${['day_C', 'night_C', 'plusDay_K', 'plusNight_K'].includes(key) ? `room.${key}` : key}`;
}

/** Usual loss of a covered bench in the house's units. */
function lossWords(unit: TemperatureUnit): string {
  const perDegree_W = unit === 'F' ? 2 / 1.8 : 2;
  const inch = house().lengthUnit === 'in';
  const figure = Number((inch ? perDegree_W * 0.3048 ** 2 : perDegree_W).toPrecision(2));
  return WORDS.wForEachAnd(figure, unit === 'F' ? '°F' : 'kelvin', inch ? WORDS.squareFoot : WORDS.squareMetre);
}

/** The path with an error among a list's entries, or the list's own. */
function firstError(error: Props['error'], path: string, most: number): string {
  for (let i = 0; i < most; i++) if (error(`${path}.${i}`)) return `${path}.${i}`;
  return path;
}

/** Days nothing stands there, and where it lies on the plan of the house. */
export function PlaceSizeAndDays({ parts, error, onChange }: Omit<Props, 'unit' | 'place'>) {
  const id = useId();
  const SIZE = [
    ['x', WORDS.fromTheLeft(unitOf('m')), 'x_m'],
    ['y', WORDS.fromTheBack(unitOf('m')), 'y_m'],
    ['width', WORDS.width(unitOf('m')), 'width_m'],
    ['depth', WORDS.depth(unitOf('m')), 'depth_m'],
    ['shelves', WORDS.shelves, 'shelves'],
  ] as const;
  return (
    <>
      <fieldset className="mt-5">
        <legend className="num text-[1.1rem]">{WORDS.onThePlanOfThe}</legend>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-plum"
            checked={parts.sized}
            onChange={(e) => onChange({ sized: e.target.checked })}
          />
          {WORDS.drawnToItsSizeAnd}
        </label>
        {parts.sized && (
          <div className="grid grid-cols-2 gap-3 min-[900px]:grid-cols-5">
            {SIZE.map(([key, label, path]) => (
              <Field
                key={key}
                id={`${id}${key}`}
                label={label}
                inputMode="decimal"
                value={parts[key]}
                error={error(`size.${path}`)}
                onValue={(value) => onChange({ [key]: value })}
              />
            ))}
          </div>
        )}
      </fieldset>
      <fieldset className="mt-5">
        <legend className="num text-[1.1rem]">{WORDS.closedDays}</legend>
        <p className="text-[0.9rem] text-ink2">{WORDS.daysOnWhichNothingMay}</p>
        {parts.closed.map((run, i) => {
          const set = (change: Partial<typeof run>) =>
            onChange({ closed: parts.closed.map((other, j) => (j === i ? { ...other, ...change } : other)) });
          return (
            <div key={i} className="mt-1 flex flex-wrap items-end gap-2">
              {(['from', 'to'] as const).map((part) => (
                <DateField
                  key={part}
                  id={`${id}${part}${i}`}
                  label={part === 'from' ? WORDS.closedFrom : 'to'}
                  value={run[part]}
                  error={error(`closed.${i}.${part}`)}
                  onValue={(day) => set({ [part]: day })}
                />
              ))}
              <button
                type="button"
                className="link-btn"
                onClick={() => onChange({ closed: parts.closed.filter((_, j) => j !== i) })}
              >
                {WORDS.takeOut}
              </button>
            </div>
          );
        })}
        <button
          type="button"
          className="btn mt-2"
          onClick={() => onChange({ closed: [...parts.closed, { from: '', to: '' }] })}
        >
          {WORDS.addClosedDays}
        </button>
      </fieldset>
    </>
  );
}
