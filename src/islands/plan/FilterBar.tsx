import { later } from '../../ui/kit/later.tsx';
import { SlidersHorizontal } from 'lucide-react';
import { Suspense, useId, useState, type ReactNode } from 'react';
import { mondayOf } from '../../core/calendar/week.ts';
import type { OverRoom } from '../../core/plan/schedule/roomUse.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { shortDay } from '../../ui/format.ts';
import type { Planning } from './usePlanner.ts';
import { inTrouble, type Worked } from './useSeason.ts';
import type { Span } from './zoom.ts';
import { WORDS } from '../../words/en/plan/filterBar.ts';

const Dialog = later(() => import('../../ui/kit/Dialog.tsx').then((m) => m.Dialog));

const WEEKS_SHOWN = 30;

export interface Filter {
  /** Batches of one season only; null: of all that are open. */
  readonly seasonId: number | null;
  readonly cropId: number | null;
  /** Monday of a week in which something of a batch is done. */
  readonly week: number | null;
  readonly trouble: '' | 'late' | 'over' | 'pinned' | 'loose';
}
export const NO_FILTER: Filter = { seasonId: null, cropId: null, week: null, trouble: '' };

/** Batches a filter leaves out; null when nothing is filtered. */
export function matching(
  filter: Filter,
  worked: readonly Worked[],
  over: readonly OverRoom[],
  today: number,
): ReadonlySet<number> | null {
  if (filter.seasonId === null && filter.cropId === null && filter.week === null && filter.trouble === '') return null;
  const fits = (w: Worked): boolean => {
    if (filter.seasonId !== null && w.batch.seasonId !== filter.seasonId) return false;
    if (filter.cropId !== null && w.batch.cropId !== filter.cropId) return false;
    if (filter.week !== null) {
      const days = w.progress.stands.flatMap((s) => [s.from, s.to]);
      if (!days.some((day) => day >= filter.week! && day < filter.week! + 7)) return false;
    }
    switch (filter.trouble) {
      case 'late':
        return inTrouble(w);
      case 'over':
        return w.progress.stands.some((s) =>
          over.some((run) => run.placeId === s.placeId && s.from < run.to && s.to > run.from),
        );
      case 'pinned':
        return w.batch.pinned;
      case 'loose':
        return !w.batch.pinned && w.progress.stands.some((s) => s.from >= today);
      default:
        return true;
    }
  };
  return new Set(worked.filter((w) => !fits(w)).map((w) => w.batch.id));
}

const SPANS = [
  ['season', WORDS.season],
  ['month', WORDS.month],
  ['week', WORDS.week],
] as const;

interface Props {
  readonly house: HouseData;
  readonly filter: Filter;
  readonly zoom: number;
  readonly zooms: number;
  readonly worked: readonly Worked[];
  readonly selectedId: number | null;
  readonly planning: Planning;
  /** Weeks that no plan may touch. */
  readonly keepWeeks: ReactNode;
  readonly onFilter: (filter: Filter) => void;
  readonly onZoom: (zoom: number) => void;
  readonly onSpan: (name: Span) => void;
  readonly onSelect: (batchId: number | null) => void;
}

/** Finding a batch, drawing only some, the scale of days, and looking harder for a plan. */
export function FilterBar(props: Props) {
  const { house, filter, zoom, zooms, worked, selectedId, planning, onFilter, onZoom, onSelect } = props;
  const id = useId();
  const crops = house.crops.filter((crop) => worked.some((w) => w.batch.cropId === crop.id));
  const seasons = house.seasons.filter((season) => worked.some((w) => w.batch.seasonId === season.id));
  const weeks = Array.from({ length: WEEKS_SHOWN }, (_, i) => mondayOf(house.today) + 7 * i);
  const [sheet, setSheet] = useState(false);
  const on = [filter.seasonId, filter.cropId, filter.week, filter.trouble || null].filter((one) => one !== null).length;
  const choices = (
    <>
      <Choice
        id={`${id}batch`}
        label={WORDS.batch}
        value={selectedId ?? ''}
        none={WORDS.noneChosen}
        onValue={(v) => onSelect(v === '' ? null : Number(v))}
        width={seasons.length > 1 ? 'w-40' : 'w-48'}
        options={worked.map(({ batch }) => ({ value: batch.id, name: `${batch.name} · ${batch.code}` }))}
      />
      {seasons.length > 1 && (
        <Choice
          id={`${id}season`}
          label={WORDS.season}
          width="w-28"
          value={filter.seasonId ?? ''}
          none={WORDS.allOpen}
          onValue={(v) => onFilter({ ...filter, seasonId: v === '' ? null : Number(v) })}
          options={seasons.map((season) => ({ value: season.id, name: season.name }))}
        />
      )}
      <Choice
        id={`${id}crop`}
        label={WORDS.crop}
        value={filter.cropId ?? ''}
        none="all"
        onValue={(v) => onFilter({ ...filter, cropId: v === '' ? null : Number(v) })}
        options={crops.map((crop) => ({ value: crop.id, name: crop.name }))}
      />
      <Choice
        id={`${id}week`}
        label={WORDS.workInTheWeekOf}
        width="w-40"
        value={filter.week ?? ''}
        none="any"
        onValue={(v) => onFilter({ ...filter, week: v === '' ? null : Number(v) })}
        options={weeks.map((week) => ({ value: week, name: shortDay(week) }))}
      />
      <Choice
        id={`${id}trouble`}
        label={WORDS.only}
        value={filter.trouble}
        none="everything"
        onValue={(v) => onFilter({ ...filter, trouble: v as Filter['trouble'] })}
        options={[
          { value: 'late', name: WORDS.late },
          { value: 'over', name: WORDS.overRoom },
          { value: 'pinned', name: WORDS.pinned },
          { value: 'loose', name: WORDS.notPinnedToCome },
        ]}
      />
    </>
  );
  const zoomButtons = (
    <span className="flex gap-1">
      {SPANS.map(([name, words]) => (
        <button key={name} type="button" className="btn px-2.5 max-[700px]:hidden" onClick={() => props.onSpan(name)}>
          {words}
        </button>
      ))}
      <button
        type="button"
        className="btn px-3"
        aria-label={WORDS.shorterDays}
        disabled={zoom === 0}
        onClick={() => onZoom(zoom - 1)}
      >
        −
      </button>
      <button
        type="button"
        className="btn px-3"
        aria-label={WORDS.longerDays}
        disabled={zoom === zooms - 1}
        onClick={() => onZoom(zoom + 1)}
      >
        +
      </button>
    </span>
  );
  const more = (
    <>
      <span className="ml-auto">{props.keepWeeks}</span>
      <details className="relative">
        <summary className="btn">{WORDS.lookHarder}</summary>
        <HarderForm {...{ house, planning, weeks }} />
      </details>
    </>
  );
  return (
    <>
      <div className="no-print mt-1 flex flex-wrap items-end gap-2 max-[700px]:hidden">
        {choices}
        {zoomButtons}
        {more}
      </div>
      {/* On a phone the drawing comes first: what it is filtered by lies in a sheet. */}
      <div className="no-print mt-2 flex items-center justify-between gap-2 min-[700.1px]:hidden">
        <button type="button" className="btn gap-2" onClick={() => setSheet(true)}>
          <SlidersHorizontal size={18} aria-hidden="true" />
          {WORDS.findAndFilter(on > 0 && ` (${on})`)}
        </button>
        {zoomButtons}
      </div>
      {sheet && (
        <Suspense fallback={null}>
          <Dialog open onOpenChange={setSheet} title={WORDS.findAndFilter2}>
            <div className="flex flex-wrap items-end gap-3">
              {choices}
              {more}
            </div>
            <div className="mt-4 flex flex-wrap gap-2">
              <a className="btn" href="/house">
                {WORDS.planOfTheHouse}
              </a>
              <a className="btn" href="/plan/what-if">
                {WORDS.whatIf}
              </a>
              <button type="button" className="btn solid ml-auto" onClick={() => setSheet(false)}>
                {WORDS.show}
              </button>
            </div>
          </Dialog>
        </Suspense>
      )}
    </>
  );
}

function HarderForm({ house, planning, weeks }: { house: HouseData; planning: Planning; weeks: readonly number[] }) {
  const id = useId();
  return (
    <form
      className="card absolute right-0 z-20 mt-1 flex w-72 flex-col gap-2 bg-paper"
      onSubmit={(e) => {
        e.preventDefault();
        const form = new FormData(e.currentTarget);
        const placeId = Number(form.get('place'));
        const from = Number(form.get('from'));
        const only = placeId > 0 ? { placeId, from, to: from + 28 } : null;
        e.currentTarget.closest('details')?.removeAttribute('open');
        planning.start({ look: 'harder', only, setPoints: true });
      }}
    >
      <p className="text-[0.92rem] text-ink2">{WORDS.searchesSeveralTimesAsLong}</p>
      <div className="field">
        <label htmlFor={`${id}place`}>{WORDS.whatMayMove}</label>
        <select id={`${id}place`} name="place" className="input">
          <option value="0">{WORDS.everythingNotPinned}</option>
          {house.places.map((place) => (
            <option key={place.id} value={place.id}>
              {WORDS.whatStandsIn(place.name)}
            </option>
          ))}
        </select>
      </div>
      <div className="field">
        <label htmlFor={`${id}from`}>{WORDS.inTheFourWeeksFrom}</label>
        <select id={`${id}from`} name="from" className="input">
          {weeks.map((week) => (
            <option key={week} value={week}>
              {shortDay(week)}
            </option>
          ))}
        </select>
      </div>
      <button type="submit" className="btn solid">
        {WORDS.lookHarderNow}
      </button>
    </form>
  );
}

interface ChoiceProps {
  readonly id: string;
  readonly label: string;
  readonly value: string | number;
  readonly none: string;
  readonly width?: string;
  readonly options: readonly { readonly value: string | number; readonly name: string }[];
  readonly onValue: (value: string) => void;
}

function Choice({ id, label, value, none, width = 'w-32', options, onValue }: ChoiceProps) {
  return (
    <div className={`field ${width}`}>
      <label htmlFor={id}>{label}</label>
      <select id={id} className="input" value={value} onChange={(e) => onValue(e.target.value)}>
        <option value="">{none}</option>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    </div>
  );
}
