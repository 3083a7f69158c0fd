import type { PlanningSettings } from '../../core/plan/placement/planning.ts';
import { figureOr, typedTemperature } from '../../ui/kit/fields.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';

import { Field } from '../../ui/Field.tsx';
import { SURE, sureWords } from '../../ui/sureWords.ts';
import { WORDS } from '../../words/en/books/planningFields.ts';

/** The planning settings as typed. */
export interface TypedPlanning {
  readonly sure_frac: number;
  readonly hands: string;
  readonly weeks: readonly { readonly week: string; readonly hours: string; readonly why: string }[];
  readonly idle: string;
  readonly sow: string;
  readonly plant: string;
}

export function typedPlanning(planning: PlanningSettings, unit: TemperatureUnit): TypedPlanning {
  return {
    sure_frac: planning.sure_frac,
    hands: planning.hands_h === null ? '' : String(planning.hands_h),
    weeks: planning.handsBy.map(({ week, hours, why }) => ({ week, hours: String(hours), why })),
    idle: planning.idle_C === null ? '' : typedTemperature(planning.idle_C, unit),
    sow: String(planning.sow_minPerTray),
    plant: String(planning.plant_minPerTray),
  };
}

/** As the call wants them; what is no figure goes as text, so that the answer names the field. */
export function planningBody(typed: TypedPlanning, unit: TemperatureUnit): Record<string, unknown> {
  const figure = (text: string) => figureOr(text, (n) => n);
  return {
    sure_frac: typed.sure_frac,
    hands_h: typed.hands.trim() === '' ? null : figure(typed.hands),
    handsBy: typed.weeks.map(({ week, hours, why }) => ({ week, hours: figure(hours), why })),
    idle_C:
      typed.idle.trim() === ''
        ? null
        : figureOr(typed.idle, (n) => Math.round(temperatureFromShown(n, unit) * 100) / 100),
    sow_minPerTray: figure(typed.sow),
    plant_minPerTray: figure(typed.plant),
  };
}

interface Props {
  readonly typed: TypedPlanning;
  readonly unit: TemperatureUnit;
  readonly error: (path: string) => string | undefined;
  readonly onTyped: (typed: TypedPlanning) => void;
}

/** How seasons are planned: how sure, with how many hands, and what an empty place is kept at. */
export function PlanningFields({ typed, unit, error, onTyped }: Props) {
  const set = (change: Partial<TypedPlanning>) => onTyped({ ...typed, ...change });
  const setWeek = (i: number, change: Partial<TypedPlanning['weeks'][number]>) =>
    set({ weeks: typed.weeks.map((week, j) => (j === i ? { ...week, ...change } : week)) });
  const at = SURE.findIndex(([frac]) => Math.abs(frac - typed.sure_frac) < 0.005);
  return (
    <fieldset className="mt-6">
      <legend className="num text-[1.1rem]">{WORDS.howSeasonsArePlanned}</legend>
      <div className="field mt-2 max-w-xl">
        <label htmlFor="how-sure">{WORDS.howSureABatchIs(<b key="1">{sureWords(typed.sure_frac)}</b>)}</label>
        <input
          id="how-sure"
          type="range"
          className="h-11 w-full accent-plum"
          min={0}
          max={SURE.length - 1}
          step={1}
          value={at < 0 ? SURE.length - 1 : at}
          aria-valuetext={sureWords(typed.sure_frac)}
          onChange={(e) => set({ sure_frac: SURE[Number(e.target.value)]![0] })}
        />
        <span className="text-[0.85rem] text-ink2">{WORDS.surerIsSownSomeDays}</span>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-4">
        <Field
          id="hands"
          label={WORDS.hoursOfHandsInA}
          inputMode="decimal"
          hint={WORDS.sowingPottingCarryingPlantingEmpty}
          value={typed.hands}
          error={error('planning.hands_h')}
          onValue={(hands) => set({ hands })}
        />
        <Field
          id="idle"
          label={WORDS.anEmptyHeatedPlace(unit)}
          inputMode="decimal"
          hint={WORDS.keptFreeOfFrostEmpty}
          value={typed.idle}
          error={error('planning.idle_C')}
          onValue={(idle) => set({ idle })}
        />
        <Field
          id="sow-minutes"
          label={WORDS.minutesToSowATray}
          inputMode="decimal"
          value={typed.sow}
          error={error('planning.sow_minPerTray')}
          onValue={(sow) => set({ sow })}
        />
        <Field
          id="plant-minutes"
          label={WORDS.minutesToPlantOutA}
          inputMode="decimal"
          value={typed.plant}
          error={error('planning.plant_minPerTray')}
          onValue={(plant) => set({ plant })}
        />
      </div>
      <p className="mt-3 font-semibold">{WORDS.weeksWithOtherHours}</p>
      {error('planning.handsBy') && <p className="err">{error('planning.handsBy')}</p>}
      {typed.weeks.map((week, i) => (
        <div key={i} className="mt-1 grid grid-cols-[10rem_7rem_1fr_auto] items-end gap-2">
          <Field
            id={`week-${i}`}
            label={WORDS.itsMonday}
            type="date"
            value={week.week}
            error={error(`planning.handsBy.${i}.week`)}
            onValue={(value) => setWeek(i, { week: value })}
          />
          <Field
            id={`week-hours-${i}`}
            label={WORDS.hours}
            inputMode="decimal"
            value={week.hours}
            error={error(`planning.handsBy.${i}.hours`)}
            onValue={(hours) => setWeek(i, { hours })}
          />
          <Field
            id={`week-why-${i}`}
            label={WORDS.why}
            value={week.why}
            error={error(`planning.handsBy.${i}.why`)}
            onValue={(why) => setWeek(i, { why })}
          />
          <button type="button" className="btn" onClick={() => set({ weeks: typed.weeks.filter((_, j) => j !== i) })}>
            {WORDS.takeOut}
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2"
        onClick={() => set({ weeks: [...typed.weeks, { week: '', hours: '0', why: '' }] })}
      >
        {WORDS.addAWeek}
      </button>
    </fieldset>
  );
}
