import { useState } from 'react';
import type { Person } from '../../core/house/people.ts';
import { PhotoStrip } from '../../ui/photo/PhotoStrip.tsx';
import { ALARMS } from '../../core/heat/alarms.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { AlarmRecord } from '../../contracts/heat/heat.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { clockTime, evidenceWords } from './words.ts';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/heat/alarmCard.ts';

interface Props {
  readonly alarm: AlarmRecord;
  readonly zone: string | null;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  /** What its photos want; without it they are on the page of alarms. */
  readonly beside?: { readonly people: readonly Person[]; readonly today: number };
  readonly onTaken: () => void;
}

/** An alarm: what is wrong, what to do first, what says so, and who has it. */
export function AlarmCard({ alarm, zone, unit, timeZone, beside, onTaken }: Props) {
  const { by, setBy, remember } = useSignature();
  const [said, setSaid] = useState('');
  const [photos, setPhotos] = useState(false);
  const words = ALARMS[alarm.kind];
  async function take(): Promise<void> {
    if (by.trim() === '') return setSaid(WORDS.sayWhoHasItA);
    remember();
    const answer = await writeNow('POST', `/api/heat/alarms/${alarm.id}`, { by: by.trim() });
    if (answer.kind === 'done') onTaken();
    else setSaid(trouble(answer));
  }
  const open = alarm.cleared_ms === null;
  return (
    <article
      className={`note-bar mb-3 py-3 ${open ? 'bad' : ''}`}
      aria-label={`${words.name}${zone ? `, ${zone}` : ''}`}
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="num text-xl">{words.name}</span>
        {zone && <span>{zone}</span>}
        <span className="text-ink2">
          {WORDS.since(
            clockTime(alarm.raised_ms, timeZone, true),
            alarm.cleared_ms !== null && WORDS.over(clockTime(alarm.cleared_ms, timeZone, true)),
          )}
        </span>
      </p>
      {open && <p className="mt-1 max-w-[75ch]">{words.first}</p>}
      {alarm.evidence.length > 0 && (
        <p className="mt-1 text-ink2">
          {WORDS.whatSaysSo(alarm.evidence.map((e) => evidenceWords(e, unit)).join('; '))}
        </p>
      )}
      {alarm.takenBy ? (
        <p className="mt-1">{WORDS.hasItSince(alarm.takenBy, clockTime(alarm.taken_ms!, timeZone, true))}</p>
      ) : (
        open && (
          <form
            className="mt-2 flex flex-wrap items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              void take();
            }}
          >
            <input
              className="input w-44"
              aria-label={WORDS.whoHasIt}
              placeholder={WORDS.whoHasIt2}
              maxLength={60}
              value={by}
              onChange={(e) => setBy(e.target.value)}
            />
            <button type="submit" className="btn solid">
              {WORDS.iHaveIt}
            </button>
            {said && (
              <span role="alert" className="font-semibold text-brick">
                {said}
              </span>
            )}
          </form>
        )
      )}
      {beside && (
        <details className="mt-2" onToggle={(e) => setPhotos(e.currentTarget.open)}>
          <summary className="link-btn inline-flex min-h-11 items-center">{WORDS.photos}</summary>
          {photos && <PhotoStrip of={{ alarmId: alarm.id }} initial={[]} name={words.name} {...beside} plain />}
        </details>
      )}
    </article>
  );
}
