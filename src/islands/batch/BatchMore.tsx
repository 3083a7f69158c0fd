import { SURE } from '../../ui/sureWords.ts';
import { useId } from 'react';
import { Field } from '../../ui/Field.tsx';
import { counted } from '../../ui/format.ts';
import type { Draft } from './draft.ts';
import { OffHeatChoice } from '../../ui/OffHeatChoice.tsx';
import { WORDS } from '../../words/en/batch/batchMore.ts';

/** Another batch of a family. */
export interface Member {
  readonly id: number;
  readonly version: number;
  readonly code: string;
}

interface Props {
  readonly draft: Draft;
  /** Age plugs of the crop usually have when they come; null: no crop chosen. */
  readonly usualWeeks: number | null;
  readonly err: (path: string) => string | undefined;
  readonly isNew: boolean;
  readonly family: { readonly members: readonly Member[] } | null;
  readonly together: boolean;
  readonly onTogether: (together: boolean) => void;
  readonly onChange: (change: Partial<Draft>) => void;
}

const WEIGHTS = [
  [3, WORDS.mustBeOnTime],
  [1, WORDS.asUsual],
  [0.3, WORDS.canWait],
] as const;
const SIZES = [
  [0.7, WORDS.young70OfTheGrowth],
  [1, WORDS.theUsualSize],
  [1.3, WORDS.large130OfTheGrowth],
] as const;
const SEVERAL = [
  ['one', WORDS.oneBatch],
  ['succession', WORDS.aSuccession],
  ['insurance', WORDS.twoAAndBFor],
] as const;

/** Several batches in one step, plugs bought in, how exact the date is, and how large the plants are to be. */
export function BatchMore({ draft, usualWeeks, err, isNew, family, together, onTogether, onChange }: Props) {
  const id = useId();
  return (
    <>
      {isNew && (
        <fieldset>
          <legend className="mb-1 font-semibold">{WORDS.howManyBatches}</legend>
          <div className="flex flex-wrap gap-2" role="group">
            {SEVERAL.map(([several, words]) => (
              <button
                key={several}
                type="button"
                className={`btn small min-h-11 ${draft.several === several ? 'solid' : ''}`}
                aria-pressed={draft.several === several}
                onClick={() => onChange({ several })}
              >
                {words}
              </button>
            ))}
          </div>
          {draft.several !== 'one' && (
            <div className="mt-2 grid grid-cols-2 gap-3">
              <Field
                id={`${id}every`}
                label={draft.several === 'insurance' ? WORDS.bSoManyDaysAfter : WORDS.everySoManyDays}
                inputMode="numeric"
                value={draft.every}
                error={err('every_days')}
                onValue={(every) => onChange({ every })}
              />
              {draft.several === 'succession' ? (
                <Field
                  id={`${id}times`}
                  label={WORDS.howManyTimes}
                  inputMode="numeric"
                  value={draft.times}
                  error={err('times')}
                  onValue={(times) => onChange({ times })}
                />
              ) : (
                <Field
                  id={`${id}share`}
                  label={WORDS.plantsOfBOfA}
                  inputMode="numeric"
                  value={draft.share}
                  error={err('share_frac')}
                  onValue={(share) => onChange({ share })}
                />
              )}
            </div>
          )}
        </fieldset>
      )}
      {family && family.members.length > 0 && (
        <label className="flex min-h-11 items-start gap-2">
          <input
            type="checkbox"
            className="mt-1 size-5 accent-plum"
            checked={together}
            onChange={(e) => onTogether(e.target.checked)}
          />
          <span>
            {WORDS.changeTheMadeWithIt(
              counted(family.members.length, WORDS.other),
              <span key="1" className="block text-[0.9rem] text-ink2">
                {WORDS.notSownYet(family.members.map((member) => member.code).join(', '))}
              </span>,
            )}
          </span>
        </label>
      )}
      <details
        open={
          draft.joinsStage !== '' ||
          draft.weight !== 1 ||
          draft.age_frac !== 1 ||
          draft.sure_frac !== null ||
          draft.offHeat.kind !== ''
        }
      >
        <summary className="min-h-9 py-1 font-semibold">{WORDS.boughtInHowExactHow}</summary>
        <div className="grid grid-cols-2 gap-3 py-1">
          <div className="field">
            <label htmlFor={`${id}joins`}>{WORDS.whereItComesFrom}</label>
            <select
              id={`${id}joins`}
              className="input"
              value={draft.joinsStage}
              onChange={(e) => onChange({ joinsStage: e.target.value as Draft['joinsStage'] })}
            >
              <option value="">{WORDS.sownHere}</option>
              <option value="grow">{WORDS.plugsToGrowOn}</option>
              <option value="pot">{WORDS.plugsReadyForThePot}</option>
            </select>
          </div>
          {draft.joinsStage !== '' && (
            <Field
              id={`${id}joinsOn`}
              label={WORDS.plugsComeOn}
              type="date"
              value={draft.joinsOn}
              error={err('joins.on')}
              onValue={(joinsOn) => onChange({ joinsOn })}
            />
          )}
          {draft.joinsStage !== '' && (
            <>
              <Field
                id={`${id}joinsWeeks`}
                label={WORDS.theirAgeWeeks(usualWeeks === null ? '' : WORDS.usual(usualWeeks))}
                inputMode="decimal"
                value={draft.joinsWeeks}
                error={err('joins.age_weeks')}
                onValue={(joinsWeeks) => onChange({ joinsWeeks })}
              />
              <Field
                id={`${id}joinsLeaves`}
                label={WORDS.orTrueLeaves}
                inputMode="numeric"
                value={draft.joinsLeaves}
                error={err('joins.leaves_count')}
                onValue={(joinsLeaves) => onChange({ joinsLeaves })}
              />
            </>
          )}
          <Field
            id={`${id}before`}
            label={WORDS.daysBeforeAreAsGood}
            inputMode="numeric"
            value={draft.before}
            error={err('before_days')}
            onValue={(before) => onChange({ before })}
          />
          <Field
            id={`${id}after`}
            label={WORDS.daysAfterAreAsGood}
            inputMode="numeric"
            value={draft.after}
            error={err('after_days')}
            onValue={(after) => onChange({ after })}
          />
          <Choice
            id={`${id}weight`}
            label={WORDS.howMuchItMatters}
            value={draft.weight}
            options={WEIGHTS}
            onValue={(weight) => onChange({ weight })}
          />
          <Choice
            id={`${id}age`}
            label={WORDS.sizeWhenItGoesOut}
            value={draft.age_frac}
            options={SIZES}
            onValue={(age_frac) => onChange({ age_frac })}
          />
          <Choice
            id={`${id}sure`}
            label={WORDS.howSureToBeReady}
            value={draft.sure_frac ?? 0}
            options={[[0, WORDS.asTheHousePlans], ...SURE]}
            onValue={(sure) => onChange({ sure_frac: sure === 0 ? null : sure })}
          />
          <OffHeatChoice
            id={`${id}offHeat`}
            label={WORDS.offTheHeat}
            house
            path="offHeat"
            value={draft.offHeat}
            error={err}
            onValue={(offHeat) => onChange({ offHeat })}
          />
        </div>
      </details>
    </>
  );
}

interface ChoiceProps {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly options: readonly (readonly [number, string])[];
  readonly onValue: (value: number) => void;
}

function Choice({ id, label, value, options, onValue }: ChoiceProps) {
  const known = options.some(([n]) => n === value);
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <select id={id} className="input" value={value} onChange={(e) => onValue(Number(e.target.value))}>
        {!known && <option value={value}>{value}</option>}
        {options.map(([n, words]) => (
          <option key={n} value={n}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
