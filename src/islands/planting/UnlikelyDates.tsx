import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { UnlikelyDate } from '../../contracts/hardening/hardenViews.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/planting/unlikelyDates.ts';

/** Batches whose date the weather has made unlikely, each with its ways out, one tap each. */
export function UnlikelyDates({
  initial,
  alone = false,
}: {
  readonly initial: readonly UnlikelyDate[];
  /** On the page of the one batch meant: what can be done stands open. */
  readonly alone?: boolean;
}) {
  // What was changed just now is left out until the page says how it stands.
  const [changed, setChanged] = useState<readonly UnlikelyDate[]>([]);
  const lines = initial.filter((line) => !changed.includes(line));
  const [said, setSaid] = useState('');
  if (lines.length === 0 && !said) return null;
  async function take(line: UnlikelyDate, offer: UnlikelyDate['offers'][number]): Promise<void> {
    const body =
      offer.transplantOn === null ? { coverId: offer.coverId } : { transplantOn: isoFromDay(offer.transplantOn) };
    const answer = await writeNow('PATCH', `/api/batch/${line.batchId}`, { version: line.version, ...body });
    if (answer.kind !== 'done') return setSaid(trouble(answer));
    setSaid(WORDS.changed(line.name));
    setChanged([...changed, line]);
  }
  return (
    <section className="no-print mb-4" aria-label={WORDS.datesBecomeUnlikely}>
      <p aria-live="polite" className={said ? 'note-bar mb-2' : 'sr-only'}>
        {said}
      </p>
      {lines.length > 0 && (
        <details className="note-bar bad" open={lines.length <= 2}>
          <summary className="font-semibold">
            {alone
              ? WORDS.itsDateHasBecomeUnlikely
              : lines.length === 1
                ? WORDS.aDateHasBecomeUnlikely
                : WORDS.datesHaveBecomeUnlikely(lines.length)}
            <span className={alone ? 'hidden' : 'max-[700px]:hidden'}>
              :{' '}
              {lines
                .slice(0, 3)
                .map((l) => l.name)
                .join(', ')}
              {lines.length > 3 && WORDS.andMore(lines.length - 3)}
            </span>
          </summary>
          <div className="mt-1">
            {lines.map((line) => (
              <div key={line.batchId} className="border-t border-line py-2">
                {WORDS.inTimeInOfSprings(
                  <a key="1" href="/planting">
                    {line.name}
                  </a>,
                  shortDay(line.transplantOn),
                  <b key="2">{Math.round(100 * line.inTime_frac)}%</b>,
                  line.waits && `; ${line.waits}`,
                )}
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
