import { cropOfBatch } from '../../core/books/varietyFigures.ts';
import { useId } from 'react';
import { readyInTime_frac } from '../../core/batch/inTime.ts';
import { placeOfStage, type Stage } from '../../core/plan/stage.ts';
import { chainWarnings } from '../../core/plan/schedule/warnings.ts';
import type { ChangePrice } from '../../core/plan/placement/reckon.ts';
import { ruleOfWeeksSowDay } from '../../core/plan/schedule/ruleOfWeeks.ts';
import { startOf } from '../../core/plan/schedule/chain.ts';
import { suitsStage } from '../../core/plan/schedule/suits.ts';
import type { OverRoom } from '../../core/plan/schedule/roomUse.ts';
import type { SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { ChainList } from '../../ui/ChainList.tsx';
import { counted, fillText, lateness, shortDay, spokenDay } from '../../ui/format.ts';
import { priceWords } from '../../ui/priceWords.ts';
import { isTrying, planTried, stepInto, type Trial } from './trial.ts';
import type { Worked } from './useSeason.ts';
import { isOver } from '../../core/batch/event.ts';
import { WORDS } from '../../words/en/plan/sidePanel.ts';

const STAGE_LABELS: readonly (readonly [Stage, string])[] = [
  ['germinate', WORDS.germinatesIn],
  ['grow', WORDS.growsOnIn],
  ['pot', WORDS.inThePotIn],
  ['space', WORDS.spacedOutIn],
  ['harden', WORDS.hardensIn],
];

interface Props {
  readonly house: HouseData;
  readonly tables: SeasonTables;
  readonly selected: Worked;
  /** The batch with what is being tried. */
  readonly tried: Worked | null;
  readonly trial: Trial | null;
  /** Places that would come over room, or farther over, by what is tried. */
  /** What trying it costs. */
  readonly price: ChangePrice | null;
  readonly newOver: readonly OverRoom[];
  readonly busy: boolean;
  readonly fixed: boolean;
  readonly onTrial: (change: Partial<Trial>) => void;
  readonly onKeep: () => void;
  readonly onMakeRoom: () => void;
  readonly onDrop: () => void;
  readonly onPin: (pinned: boolean) => void;
}

/** The chosen batch: its dates, places and chain, with what is tried shown before it is kept. */
export function ChosenBatch(props: Props) {
  const { house, tables, selected, tried, trial, busy, fixed, onTrial } = props;
  const shown = tried ?? selected;
  const { batch, progress } = shown;
  const plan = trial ? planTried(selected.batch.plan, trial) : selected.batch.plan;
  const crop = cropOfBatch(house, batch);
  const over = isOver(shown.batch.state.phase);
  const trying = isTrying(trial);
  const warnings =
    progress.forecast.kind === 'chain' && !over
      ? chainWarnings(progress.forecast, crop, plan, tables, house, house.today)
      : [];
  const planned = progress.planned.kind === 'chain' ? startOf(progress.planned) : null;
  const rule = ruleOfWeeksSowDay(crop, plan);
  const named = Object.keys(selected.batch.plan.steps ?? {}).length > 0;
  return (
    <section aria-label={WORDS.chosenBatch}>
      <h2 className="text-plum">{batch.name}</h2>
      <p className="text-ink2">
        {WORDS.out(
          counted(plan.plantsWanted, WORDS.plant),
          spokenDay(plan.transplantOn, house.today),
          progress.late_days !== null && !over && `, ${lateness(progress.late_days)}`,
          <a key="1" href={`/batch/${batch.id}`}>
            {WORDS.open(batch.code)}
          </a>,
        )}
      </p>
      {!over && <ReadyOdds house={house} now={selected} tried={tried} plan={plan} />}
      {!over && !fixed && (
        <div className="my-3">
          <div className="grid grid-cols-5 gap-1" role="group" aria-label={WORDS.moveTheTransplantDate}>
            {[-7, -1, 1, 7].map((days) => (
              <button
                key={days}
                type="button"
                className="btn px-1"
                aria-label={WORDS.days(Math.abs(days), days < 0 ? 'sooner' : 'later')}
                onClick={() => onTrial({ shift_days: (trial?.shift_days ?? 0) + days })}
              >
                {days > 0 ? '+' : '−'}
                {Math.abs(days)}
              </button>
            ))}
            <button
              type="button"
              className="btn px-1"
              aria-pressed={selected.batch.pinned}
              aria-label={selected.batch.pinned ? WORDS.pinnedThePlannerLeavesIt : WORDS.pinThePlannerLeavesIt}
              disabled={busy}
              onClick={() => props.onPin(!selected.batch.pinned)}
            >
              {selected.batch.pinned ? WORDS.pin : WORDS.pin2}
            </button>
          </div>
          {trying && <Consequences {...props} tried={tried} plan={plan} />}
        </div>
      )}
      {warnings.map((warning, i) => (
        <p key={i} className="note-bar bad mb-2 text-[0.92rem]">
          {fillText(warning.text, warning.day, warning.temperatures_C, house.unit, house.today)}
        </p>
      ))}
      {progress.forecast.kind === 'chain' ? (
        <ChainList
          chain={progress.forecast}
          before={tried && selected.progress.forecast.kind === 'chain' ? selected.progress.forecast : null}
          places={plan.places}
          placeList={house.places}
          today={house.today}
          unit={house.unit}
        />
      ) : (
        <p className="note-bar bad">{WORDS.cannotBeReached(progress.forecast.reason)}</p>
      )}
      {!over && !fixed && <StagePlaces {...props} shown={shown} plan={plan} />}
      {planned && !plan.joins && (
        <p className="mt-2 text-[0.92rem] text-ink2">
          {WORDS.planSowTheRuleOf(
            shortDay(planned.day),
            named ? WORDS.asPlannedForTheSeason : '',
            shortDay(rule),
            planned.day === rule
              ? WORDS.theSame
              : WORDS.thanNeededHere(
                  counted(Math.abs(planned.day - rule), WORDS.day),
                  planned.day > rule ? WORDS.sooner : WORDS.later,
                ),
          )}
        </p>
      )}
    </section>
  );
}

/** How often in a hundred its plants are ready in its days, and with what is tried. */
function ReadyOdds({
  house,
  now,
  tried,
  plan,
}: Pick<Props, 'house' | 'tried'> & { readonly now: Worked; readonly plan: Worked['batch']['plan'] }) {
  const before = readyInTime_frac(now.progress, now.batch.plan, house.today);
  const after = tried ? readyInTime_frac(tried.progress, plan, house.today) : null;
  if (before === null && after === null) return null;
  const words = (frac: number | null) => (frac === null ? WORDS.cannotBe : WORDS.in100(Math.round(100 * frac)));
  return (
    <p className="text-[0.95rem]">
      {WORDS.readyInItsDays(<b key="3">{words(before)}</b>)}
      {tried && <>{WORDS.tried(<b key="2">{words(after)}</b>)}</>}
    </p>
  );
}

/** What trying it would bring, and keeping or dropping it. */
function Consequences({
  house,
  selected,
  tried,
  trial,
  plan,
  newOver,
  price,
  busy,
  onKeep,
  onMakeRoom,
  onDrop,
}: Props & { readonly plan: Worked['batch']['plan'] }) {
  const before = selected.progress.late_days;
  const after = tried?.progress.late_days ?? null;
  return (
    <div className="note-bar mt-2" aria-live="polite">
      <p>
        {WORDS.tried2(
          trial && trial.shift_days !== 0
            ? WORDS.out2(
                shortDay(plan.transplantOn),
                counted(Math.abs(trial.shift_days), WORDS.day),
                trial.shift_days > 0 ? WORDS.later : WORDS.sooner,
              )
            : WORDS.anotherPlaceOrDay,
          after === null
            ? WORDS.whichCannotBe
            : after !== before || after !== 0
              ? `, ${lateness(after)}`
              : WORDS.onTime,
        )}
      </p>
      {price && <p>{priceWords(price)}</p>}
      {newOver.length === 0 ? (
        <p>{WORDS.thereIsRoomForIt}</p>
      ) : (
        <ul>
          {newOver.slice(0, 3).map((run) => (
            <li key={`${run.placeId}/${run.from}`}>
              {WORDS.overByTo(
                <strong key="4">{house.places.find((p) => p.id === run.placeId)?.name}</strong>,
                counted(Math.ceil(run.most_slots), WORDS.traySpace),
                shortDay(run.from),
                shortDay(run.to - 1),
              )}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn solid small" disabled={busy} onClick={onKeep}>
          {WORDS.keep}
        </button>
        {newOver.length > 0 && trial?.shift_days === 0 && (
          <button type="button" className="btn small" disabled={busy} onClick={onMakeRoom}>
            {WORDS.keepOthersGiveWay}
          </button>
        )}
        <button type="button" className="btn small" disabled={busy} onClick={onDrop}>
          {WORDS.drop}
        </button>
      </div>
    </div>
  );
}

/** Another place or day for each stage still to come, without dragging. */
function StagePlaces({
  house,
  selected,
  shown,
  plan,
  onTrial,
}: Props & { readonly shown: Worked; readonly plan: Worked['batch']['plan'] }) {
  const id = useId();
  const crop = cropOfBatch(house, selected.batch);
  const potted = plan.potContainerId !== null;
  return (
    <details className="mt-2">
      <summary className="min-h-9 py-1 font-semibold">{WORDS.placesAndDaysByStage}</summary>
      <div className="flex flex-col gap-2 py-1">
        {STAGE_LABELS.filter(([stage]) => potted || (stage !== 'pot' && stage !== 'space')).map(([stage, label]) => {
          const step = stepInto(shown.progress, stage);
          if (!step || step.day < house.today) return null;
          return (
            <div key={stage} className="field">
              <label htmlFor={`${id}${stage}`}>{WORDS.from(label, shortDay(step.day))}</label>
              <span className="flex gap-1">
                <select
                  id={`${id}${stage}`}
                  className="input"
                  value={placeOfStage(plan.places, stage) ?? ''}
                  onChange={(e) => onTrial({ place: { stage, placeId: Number(e.target.value) } })}
                >
                  {house.places
                    .filter((place) => suitsStage(place, stage, crop) || place.id === placeOfStage(plan.places, stage))
                    .map((place) => (
                      <option key={place.id} value={place.id}>
                        {place.name}
                      </option>
                    ))}
                </select>
                {[-1, 1].map((days) => (
                  <button
                    key={days}
                    type="button"
                    className="btn px-2"
                    aria-label={WORDS.aDay(label, days < 0 ? 'sooner' : 'later')}
                    onClick={() => onTrial({ step: { key: step.key, day: step.day + days } })}
                  >
                    {days < 0 ? '−1' : '+1'}
                  </button>
                ))}
              </span>
            </div>
          );
        })}
      </div>
    </details>
  );
}
