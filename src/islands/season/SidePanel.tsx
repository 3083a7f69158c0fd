import { useId, useState } from 'react';
import type { OverRoom } from '../../core/schedule/roomUse.ts';
import { chainWarnings } from '../../core/schedule/warnings.ts';
import { ruleOfWeeksSowDay } from '../../core/schedule/ruleOfWeeks.ts';
import { milestoneOf } from '../../core/schedule/chain.ts';
import type { HouseData } from '../../contracts/seasonData.ts';
import { ChainList } from '../../ui/ChainList.tsx';
import { counted, fillText, lateness, shortDay, spokenDay } from '../../ui/format.ts';
import { useTables } from '../batch/useTables.ts';
import type { Worked } from './useSeason.ts';

interface Props {
  readonly house: HouseData;
  readonly worked: readonly Worked[];
  readonly over: readonly OverRoom[];
  readonly late: readonly Worked[];
  readonly selected: Worked | null;
  readonly trial: Worked | null;
  readonly shift: number;
  readonly onShift: (days: number) => void;
  readonly onKeep: () => void;
  readonly onDrop: () => void;
  readonly onSelect: (batchId: number | null) => void;
}

/** Beside the drawing: the selected batch's chain and its date, or what is wrong with the season. */
export function SidePanel(props: Props) {
  return (
    <aside
      className="flex flex-col gap-4 border-line min-[1000px]:border-l min-[1000px]:pl-4"
      aria-label="Beside the season"
    >
      <FindBatch {...props} />
      {props.selected ? <Selected {...props} selected={props.selected} /> : <Troubles {...props} />}
    </aside>
  );
}

function FindBatch({ worked, selected, onSelect }: Pick<Props, 'worked' | 'selected' | 'onSelect'>) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id}>Batch</label>
      <select
        id={id}
        className="input"
        value={selected?.batch.id ?? ''}
        onChange={(e) => onSelect(e.target.value === '' ? null : Number(e.target.value))}
      >
        <option value="">none chosen</option>
        {worked.map(({ batch }) => (
          <option key={batch.id} value={batch.id}>
            {batch.name} · {batch.code}
          </option>
        ))}
      </select>
    </div>
  );
}

function Selected({ house, selected, trial, shift, onShift, onKeep, onDrop }: Props & { readonly selected: Worked }) {
  const tables = useTables(house);
  const shown = trial ?? selected;
  const { batch, progress } = shown;
  const plan = {
    ...selected.batch.plan,
    transplantOn: selected.batch.plan.transplantOn + shift,
  };
  const crop = house.crops.find((c) => c.id === batch.cropId)!;
  const over = batch.state.phase === 'planted' || batch.state.phase === 'ended';
  const warnings =
    progress.forecast.kind === 'chain' && !over
      ? chainWarnings(progress.forecast, crop, plan, tables, house, house.today)
      : [];
  const planned = progress.planned.kind === 'chain' ? milestoneOf(progress.planned, 'sow')! : null;
  const rule = ruleOfWeeksSowDay(crop, plan);
  return (
    <section aria-label="Chosen batch">
      <h2 className="text-plum">{batch.name}</h2>
      <p className="text-ink2">
        {counted(plan.plantsWanted, 'plant')}, out {spokenDay(plan.transplantOn, house.today)}
        {progress.late_days !== null && !over && `, ${lateness(progress.late_days)}`} ·{' '}
        <a href={`/batches/${batch.id}`}>open {batch.code}</a>
      </p>
      {!over && (
        <div className="my-3">
          <div className="grid grid-cols-4 gap-1" role="group" aria-label="Move the transplant date">
            {[-7, -1, 1, 7].map((days) => (
              <button
                key={days}
                type="button"
                className="btn px-1"
                aria-label={`${Math.abs(days)} days ${days < 0 ? 'sooner' : 'later'}`}
                onClick={() => onShift(days)}
              >
                {days > 0 ? '+' : '−'}
                {Math.abs(days)}
              </button>
            ))}
          </div>
          {shift !== 0 && (
            <div className="note-bar mt-2" aria-live="polite">
              <p>
                Tried: out {shortDay(plan.transplantOn)}, {counted(Math.abs(shift), 'day')}{' '}
                {shift > 0 ? 'later' : 'sooner'}.
              </p>
              <div className="mt-2 flex gap-2">
                <button type="button" className="btn solid small" onClick={onKeep}>
                  Keep
                </button>
                <button type="button" className="btn small" onClick={onDrop}>
                  Drop
                </button>
              </div>
            </div>
          )}
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
          before={trial && selected.progress.forecast.kind === 'chain' ? selected.progress.forecast : null}
          places={plan.places}
          placeList={house.places}
          today={house.today}
          unit={house.unit}
        />
      ) : (
        <p className="note-bar bad">Cannot be reached: {progress.forecast.reason}.</p>
      )}
      {planned && (
        <p className="mt-2 text-[0.92rem] text-ink2">
          Plan: sow {shortDay(planned.day)}. The rule of weeks says {shortDay(rule)}
          {planned.day === rule
            ? ', the same.'
            : `: ${counted(Math.abs(planned.day - rule), 'day')} ${planned.day > rule ? 'sooner' : 'later'} than needed here.`}
        </p>
      )}
    </section>
  );
}

function Troubles({ house, over, late, onSelect }: Props) {
  const [all, setAll] = useState(false);
  const placeName = (id: number) => house.places.find((p) => p.id === id)?.name ?? '';
  const shownOver = all ? over : over.slice(0, 4);
  const lateFirst = [...late].sort((a, b) => (b.progress.late_days ?? 999) - (a.progress.late_days ?? 999));
  return (
    <>
      {over.length > 0 && (
        <section>
          <h2>Over room</h2>
          <ul>
            {shownOver.map((run) => (
              <li key={`${run.placeId}/${run.from}`} className="border-b border-line py-1.5">
                <strong>
                  {placeName(run.placeId)} by {counted(run.most_slots, 'slot')}
                </strong>
                <br />
                <span className="text-ink2">
                  {shortDay(run.from)} to {shortDay(run.to - 1)}
                </span>
              </li>
            ))}
          </ul>
          {over.length > 4 && (
            <button type="button" className="link-btn" onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `All ${over.length}`}
            </button>
          )}
        </section>
      )}
      <section>
        <h2>{late.length === 0 ? 'Nothing is late' : 'Late'}</h2>
        <ul>
          {lateFirst.slice(0, 8).map(({ batch, progress }) => (
            <li key={batch.id} className="flex items-center gap-2 border-b border-line">
              <button
                type="button"
                className="min-h-10 flex-1 cursor-pointer text-left underline underline-offset-4"
                onClick={() => onSelect(batch.id)}
              >
                {batch.name}
              </button>
              <span className="tag bad">{progress.late_days === null ? 'cannot be' : `${progress.late_days} d`}</span>
            </li>
          ))}
        </ul>
      </section>
      <p className="text-[0.92rem] text-ink2">
        Press a band to read its chain. Drag the plum end, or use its arrow keys, to try another transplant date.
      </p>
    </>
  );
}
