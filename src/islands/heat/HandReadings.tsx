import { useState } from 'react';
import { differenceWords } from '../../core/units/words.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { ZoneView } from '../../contracts/heat/heat.ts';
import { fieldError, freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { useSend } from '../../ui/useSend.ts';
import { Field } from '../../ui/Field.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { clockTime, tenth } from './words.ts';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/heat/handReadings.ts';

interface Props {
  readonly view: ZoneView;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  readonly onChanged: () => void;
}

/** A thermometer of one's own in the medium and the air: quick to write down, and how far it is from the set-point. */
export function HandReadings({ view, unit, timeZone, onChanged }: Props) {
  const { card, hand } = view;
  const [medium, setMedium] = useState('');
  const [air, setAir] = useState('');
  const [ago, setAgo] = useState(0);
  const { by, setBy, remember } = useSignature();
  const [said, setSaid] = useState('');
  const kept = (words: string) => {
    setSaid(words);
    onChanged();
  };
  const path = `/api/heat/zones/${card.id}/by-hand`;
  const { problem, message, send } = useSend(path, kept);
  const typed = (text: string) =>
    text.trim() === '' ? null : figureOr(text, (n) => Math.round(100 * temperatureFromShown(n, unit)) / 100);
  async function withdraw(id: number): Promise<void> {
    const answer = await writeNow('POST', path, {
      idempotencyKey: freshKey(),
      ago_min: 0,
      medium_C: null,
      air_C: null,
      by: by.trim() || WORDS.notSaid,
      correctsId: id,
    });
    kept(answer.kind === 'done' ? WORDS.withdrawn : trouble(answer));
  }
  return (
    <section className={card.byHand ? 'my-4' : 'mt-5'} aria-label={WORDS.readByHand}>
      <h2>{WORDS.readByHand}</h2>
      <form
        className={`mt-2 grid grid-cols-2 gap-2 ${card.byHand ? 'min-[640px]:grid-cols-4' : ''}`}
        data-typing
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          remember();
          void send({ ago_min: ago, medium_C: typed(medium), air_C: typed(air), by }, WORDS.kept).then((ok) => {
            if (!ok) return;
            setMedium('');
            setAir('');
            setAgo(0);
          });
        }}
      >
        <Field
          id="hand-medium"
          label={WORDS.medium(unit)}
          inputMode="decimal"
          value={medium}
          error={fieldError(problem, 'medium_C')}
          onValue={setMedium}
        />
        <Field
          id="hand-air"
          label={WORDS.air(unit)}
          inputMode="decimal"
          value={air}
          error={fieldError(problem, 'air_C')}
          onValue={setAir}
        />
        <div className="field">
          <label htmlFor="hand-when">{WORDS.read}</label>
          <select id="hand-when" className="input" value={ago} onChange={(e) => setAgo(Number(e.target.value))}>
            <option value={0}>{WORDS.justNow}</option>
            <option value={30}>{WORDS.halfAnHourAgo}</option>
            <option value={60}>{WORDS.anHourAgo}</option>
            <option value={180}>{WORDS.words3HoursAgo}</option>
            <option value={720}>{WORDS.words12HoursAgo}</option>
          </select>
        </div>
        <Field id="hand-by" label={WORDS.who} value={by} error={fieldError(problem, 'by')} onValue={setBy} />
        <button
          type="submit"
          className="btn solid col-span-2"
          disabled={(medium.trim() === '' && air.trim() === '') || by.trim() === ''}
        >
          {WORDS.keepTheReading}
        </button>
      </form>
      {message && (
        <p role="alert" className="note-bar bad mt-2">
          {message}
        </p>
      )}
      <p role="status" className="mt-1 min-h-5 text-[0.92rem] font-semibold">
        {said}
      </p>
      {hand.length > 0 && (
        <ul className="max-w-[34rem] text-[0.92rem]">
          {hand.map((r) => (
            <li key={r.id} className="flex items-baseline gap-2 border-b border-dotted border-ink3 py-1">
              <span className="min-w-0 flex-1">
                <span className="num font-semibold">
                  {r.medium_C !== null && WORDS.medium2(tenth(r.medium_C, unit))}
                  {r.medium_C !== null && r.air_C !== null && ', '}
                  {r.air_C !== null && WORDS.air2(tenth(r.air_C, unit))}
                </span>{' '}
                <span className="text-ink2">
                  {clockTime(r.at_ms, timeZone, true)}, {r.by}
                </span>
              </span>
              <button
                type="button"
                className="btn small"
                aria-label={WORDS.withdrawTheReadingOf(clockTime(r.at_ms, timeZone, true))}
                onClick={() => void withdraw(r.id)}
              >
                {WORDS.withdraw}
              </button>
            </li>
          ))}
        </ul>
      )}
      <Beside view={view} unit={unit} />
    </section>
  );
}

/** The last thermometer in the medium beside the set-point or, where there is one, the sensor. */
function Beside({ view, unit }: Pick<Props, 'view' | 'unit'>) {
  const { card, hand } = view;
  const last = hand[0]?.medium_C ?? null;
  if (last === null) return null;
  const sensor = card.byHand ? null : (card.status?.read.medium ?? null);
  const near = card.byHand ? card.set_C : sensor;
  if (near === null) return null;
  const off = last - near;
  const what = card.byHand ? WORDS.theSetPoint : WORDS.whatTheSensorSaysNow;
  return (
    <p className="mt-2 text-[0.92rem]">
      {Math.abs(off) < 0.5
        ? WORDS.theThermometerAgreesWith(what)
        : WORDS.theThermometerIs(differenceWords(Math.abs(off), unit), off < 0 ? WORDS.below : WORDS.above, what)}
    </p>
  );
}
