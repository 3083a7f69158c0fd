import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { OutDatesView } from '../../contracts/hardening/hardenViews.ts';
import { readNow } from '../../ui/kit/data.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/batch/outDates.ts';

interface Props {
  readonly cropId: number;
  readonly varietyId: number | null;
  /** Date typed so far, ISO; '' for none. */
  readonly near: string;
  readonly coverId: number | null;
  readonly onChoose: (transplantOn: string, coverId: number | null) => void;
}

/** Dates the site's years allow at the risk taken, in the open and under covers; a tap takes one. */
export function OutDates({ cropId, varietyId, near, coverId, onChoose }: Props) {
  const [view, setView] = useState<OutDatesView | null>(null);
  const season = near.slice(0, 4);
  useEffect(() => {
    let current = true;
    const asked = /^\d{4}$/.test(season) && near.length === 10 ? `&near=${near}` : '';
    void readNow<OutDatesView>(
      `/api/planting/out?crop=${cropId}${varietyId === null ? '' : `&variety=${varietyId}`}${asked}`,
    ).then((answer) => {
      if (current && answer.kind === 'done') setView(answer.value);
    });
    return () => {
      current = false;
    };
    // Only another crop, variety or year makes other dates.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cropId, varietyId, season]);
  const dates = view?.dates.filter((d) => d.day !== null && !d.fromStart) ?? [];
  if (!view || dates.length === 0) return null;
  return (
    <div>
      <p className="text-[0.9rem] text-ink2">{WORDS.firstDayOutHereFrost(Math.round(100 * view.risk_frac))}</p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {dates.map((d) => (
          <button
            key={d.coverId ?? 0}
            type="button"
            className="btn small"
            aria-pressed={d.coverId === coverId && near === isoFromDay(d.day!)}
            onClick={() => onChoose(isoFromDay(d.day!), d.coverId)}
          >
            {d.coverId === null ? WORDS.open : d.name} {shortDay(d.day!)}
            {d.sooner_days ? WORDS.earlier(counted(d.sooner_days, WORDS.day)) : ''}
          </button>
        ))}
      </div>
    </div>
  );
}
