import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { UnlikelyDate } from '../../contracts/hardening/hardenViews.ts';
import { call, trouble } from '../../ui/call.ts';
import { shortDay } from '../../ui/format.ts';

/** Batches whose date the weather has made unlikely, each with its ways out, one tap each. */
export function UnlikelyDates({
  initial,
  alone = false,
}: {
  readonly initial: readonly UnlikelyDate[];
  /** On the page of the one batch meant: what can be done stands open. */
  readonly alone?: boolean;
}) {
  const [lines, setLines] = useState(initial);
  const [said, setSaid] = useState('');
  if (lines.length === 0 && !said) return null;
  async function take(line: UnlikelyDate, offer: UnlikelyDate['offers'][number]): Promise<void> {
    const body =
      offer.transplantOn === null ? { coverId: offer.coverId } : { transplantOn: isoFromDay(offer.transplantOn) };
    const answer = await call('PATCH', `/api/batch/${line.batchId}`, { version: line.version, ...body });
    if (answer.kind !== 'done') return setSaid(trouble(answer));
    setSaid(`${line.name}: changed. Reload to see the effect.`);
    setLines((all) => all.filter((l) => l !== line));
  }
  return (
    <section className="no-print mb-4" aria-label="Dates become unlikely">
      <p aria-live="polite" className={said ? 'note-bar mb-2' : 'sr-only'}>
        {said}
      </p>
      {lines.length > 0 && (
        <details className="note-bar bad" open={lines.length <= 2}>
          <summary className="font-semibold">
            {alone
              ? 'Its date has become unlikely. What can be done'
              : lines.length === 1
                ? 'A date has become unlikely'
                : `${lines.length} dates have become unlikely`}
            <span className={alone ? 'hidden' : 'max-[700px]:hidden'}>
              :{' '}
              {lines
                .slice(0, 3)
                .map((l) => l.name)
                .join(', ')}
              {lines.length > 3 && ` and ${lines.length - 3} more`}
            </span>
          </summary>
          <div className="mt-1">
            {lines.map((line) => (
              <div key={line.batchId} className="border-t border-line py-2">
                <a href="/planting">{line.name}</a>, {shortDay(line.transplantOn)}: in time in{' '}
                <b>{Math.round(100 * line.inTime_frac)}%</b> of springs{line.waits && `; ${line.waits}`}
                {line.offers.length > 0 && (
                  <div className="mt-1 flex flex-wrap gap-2">
                    {line.offers.map((offer) => (
                      <button key={offer.words} type="button" className="btn" onClick={() => void take(line, offer)}>
                        {offer.words}
                      </button>
                    ))}
                  </div>
                )}
              </div>
            ))}
          </div>
        </details>
      )}
    </section>
  );
}
