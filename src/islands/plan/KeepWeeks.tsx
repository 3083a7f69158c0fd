import { useEffect, useId } from 'react';
import { mondayOf } from '../../core/calendar/week.ts';
import type { KeptWeeks } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/plan/keepWeeks.ts';

const WEEKS_SHOWN = 30;
const MOST_WEEKS = 12;

interface Props {
  readonly house: HouseData;
  readonly kept: readonly KeptWeeks[];
  readonly brushing: boolean;
  readonly onBrush: (on: boolean) => void;
  readonly onKeep: (kept: readonly KeptWeeks[]) => void;
}

/** Weeks that no plan may touch: brushed on the drawing or chosen here, and let go again. */
export function KeepWeeks({ house, kept, brushing, onBrush, onKeep }: Props) {
  const id = useId();
  const weeks = Array.from({ length: WEEKS_SHOWN }, (_, i) => mondayOf(house.today) + 7 * i);
  useEffect(() => {
    if (!brushing) return;
    const end = (e: KeyboardEvent) => e.key === 'Escape' && onBrush(false);
    window.addEventListener('keydown', end);
    return () => window.removeEventListener('keydown', end);
  }, [brushing, onBrush]);
  const placeName = (placeId: number) => house.places.find((p) => p.id === placeId)?.name ?? '';
  if (brushing)
    return (
      <span>
        <span className="sr-only" role="status">
          {WORDS.brushOverTheWeeksTo}
        </span>
        <button type="button" className="btn solid" onClick={() => onBrush(false)}>
          {WORDS.brushingDone}
        </button>
      </span>
    );
  return (
    <details className="relative">
      <summary className="btn">{WORDS.keepWeeks(kept.length > 0 && ` (${kept.length})`)}</summary>
      <form
        className="card absolute right-0 z-20 mt-1 flex w-80 flex-col gap-2 bg-paper"
        onSubmit={(e) => {
          e.preventDefault();
          const form = new FormData(e.currentTarget);
          const placeId = Number(form.get('place'));
          const from = Number(form.get('from'));
          const to = from + 7 * Number(form.get('count'));
          onKeep(
            withKept(
              kept,
              house.places.filter((p) => placeId === 0 || p.id === placeId).map((p) => ({ placeId: p.id, from, to })),
            ),
          );
        }}
      >
        <p className="text-[0.92rem] text-ink2">{WORDS.whatStandsInAPlace}</p>
        <button type="button" className="btn" onClick={() => onBrush(true)}>
          {WORDS.brushOverTheDrawing}
        </button>
        <div className="field">
          <label htmlFor={`${id}place`}>{WORDS.place}</label>
          <select id={`${id}place`} name="place" className="input">
            <option value="0">{WORDS.everyPlace}</option>
            {house.places.map((place) => (
              <option key={place.id} value={place.id}>
                {place.name}
              </option>
            ))}
          </select>
        </div>
        <div className="flex gap-2">
          <div className="field flex-1">
            <label htmlFor={`${id}from`}>{WORDS.from}</label>
            <select id={`${id}from`} name="from" className="input">
              {weeks.map((week) => (
                <option key={week} value={week}>
                  {shortDay(week)}
                </option>
              ))}
            </select>
          </div>
          <div className="field w-24">
            <label htmlFor={`${id}count`}>{WORDS.weeks}</label>
            <select id={`${id}count`} name="count" className="input" defaultValue={2}>
              {Array.from({ length: MOST_WEEKS }, (_, i) => (
                <option key={i} value={i + 1}>
                  {i + 1}
                </option>
              ))}
            </select>
          </div>
        </div>
        <button type="submit" className="btn">
          {WORDS.keepTheseWeeks}
        </button>
        {kept.length > 0 && (
          <ul aria-label={WORDS.keptWeeks}>
            {kept.map((one) => (
              <li key={`${one.placeId}/${one.from}`} className="flex items-center gap-2 border-t border-line py-1">
                <span className="flex-1">
                  {WORDS.to(placeName(one.placeId), shortDay(one.from), shortDay(one.to - 1))}
                </span>
                <button
                  type="button"
                  className="link-btn"
                  aria-label={WORDS.letFromGo(placeName(one.placeId), shortDay(one.from))}
                  onClick={() => onKeep(kept.filter((other) => other !== one))}
                >
                  {WORDS.letGo}
                </button>
              </li>
            ))}
          </ul>
        )}
        {kept.length > 1 && (
          <button type="button" className="link-btn" onClick={() => onKeep([])}>
            {WORDS.letAllGo(counted(kept.length, WORDS.run))}
          </button>
        )}
      </form>
    </details>
  );
}

/** Kept weeks with more of them; runs of one place that touch become one. */
export function withKept(kept: readonly KeptWeeks[], more: readonly KeptWeeks[]): KeptWeeks[] {
  let all = [...kept];
  for (const one of more) {
    const touching = all.filter((k) => k.placeId === one.placeId && k.from <= one.to && k.to >= one.from);
    const from = Math.min(one.from, ...touching.map((k) => k.from));
    const to = Math.max(one.to, ...touching.map((k) => k.to));
    all = [...all.filter((k) => !touching.includes(k)), { placeId: one.placeId, from, to }];
  }
  return all.sort((a, b) => a.from - b.from || a.placeId - b.placeId);
}
