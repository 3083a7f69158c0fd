import type { FieldSpec } from '../../ui/kit/fields.ts';

import { Field } from '../../ui/Field.tsx';
import { SURE, sureWords } from '../../ui/sureWords.ts';
import { WORDS } from '../../words/en/books/planningFields.ts';

/** A week with other hours than the usual, as it is typed. */
export interface TypedWeek {
  readonly week: string;
  readonly hours: string;
  readonly why: string;
}

const SECTION = WORDS.handsAndEmptyPlaces;
/** What of the planning is a plain figure. */
export const PLANNING_FIELDS: readonly FieldSpec[] = [
  {
    key: 'planning.hands_h',
    label: WORDS.hoursOfHandsInA,
    kind: 'number',
    optional: true,
    hint: WORDS.sowingPottingCarryingPlantingEmpty,
    section: SECTION,
  },
  {
    key: 'planning.idle_C',
    label: WORDS.anEmptyHeatedPlace,
    kind: 'temperature',
    optional: true,
    hint: WORDS.keptFreeOfFrostEmpty,
    section: SECTION,
  },
  { key: 'planning.sow_minPerTray', label: WORDS.minutesToSowATray, kind: 'number', section: SECTION },
  { key: 'planning.plant_minPerTray', label: WORDS.minutesToPlantOutA, kind: 'number', section: SECTION },
];

interface Props {
  readonly sure_frac: number;
  readonly weeks: readonly TypedWeek[];
  readonly error: (path: string) => string | undefined;
  readonly onTyped: (change: { readonly sure_frac?: number; readonly weeks?: readonly TypedWeek[] }) => void;
}

/** How sure seasons are planned, and the weeks with other hours than the usual. */
export function PlanningFields({ sure_frac, weeks, error, onTyped: set }: Props) {
  const setWeek = (i: number, change: Partial<TypedWeek>) =>
    set({ weeks: weeks.map((week, j) => (j === i ? { ...week, ...change } : week)) });
  const at = SURE.findIndex(([frac]) => Math.abs(frac - sure_frac) < 0.005);
  return (
    <fieldset className="mt-6">
      <legend className="num text-[1.1rem]">{WORDS.howSeasonsArePlanned}</legend>
      <div className="field mt-2 max-w-xl">
        <label htmlFor="how-sure">{WORDS.howSureABatchIs(<b key="1">{sureWords(sure_frac)}</b>)}</label>
        <input
          id="how-sure"
          type="range"
          className="h-11 w-full accent-plum"
          min={0}
          max={SURE.length - 1}
          step={1}
          value={at < 0 ? SURE.length - 1 : at}
          aria-valuetext={sureWords(sure_frac)}
          onChange={(e) => set({ sure_frac: SURE[Number(e.target.value)]![0] })}
        />
        <span className="text-[0.85rem] text-ink2">{WORDS.surerIsSownSomeDays}</span>
      </div>
      <p className="mt-3 font-semibold">{WORDS.weeksWithOtherHours}</p>
      {error('planning.handsBy') && <p className="err">{error('planning.handsBy')}</p>}
      {weeks.map((week, i) => (
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
          <button type="button" className="btn" onClick={() => set({ weeks: weeks.filter((_, j) => j !== i) })}>
            {WORDS.takeOut}
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn mt-2"
        onClick={() => set({ weeks: [...weeks, { week: '', hours: '0', why: '' }] })}
      >
        {WORDS.addAWeek}
      </button>
    </fieldset>
  );
}
