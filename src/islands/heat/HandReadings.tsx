import { freshKey } from '../../ui/call.ts';
import { differenceWords } from '../../core/units/words.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { ZoneView } from '../../contracts/heat/heat.ts';
import { useWrite } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { clockTime, tenth } from './words.ts';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/heat/handReadings.ts';

interface Props {
  readonly view: ZoneView;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  readonly onChanged: () => void;
}

const FIELDS: readonly FieldSpec[] = [
  { key: 'medium_C', label: WORDS.medium, kind: 'temperature', optional: true },
  { key: 'air_C', label: WORDS.air, kind: 'temperature', optional: true },
  {
    key: 'ago_min',
    label: WORDS.read,
    kind: 'link',
    options: [
      [0, WORDS.justNow],
      [30, WORDS.halfAnHourAgo],
      [60, WORDS.anHourAgo],
      [180, WORDS.words3HoursAgo],
      [720, WORDS.words12HoursAgo],
    ],
  },
];
const START = { medium_C: null, air_C: null, ago_min: 0 };

/** A thermometer of one's own in the medium and the air: quick to write down, and how far it is from the set-point. */
export function HandReadings({ view, unit, timeZone, onChanged }: Props) {
  const { card, hand } = view;
  const { by, setBy, remember } = useSignature();
  const path = `/api/heat/zones/${card.id}/by-hand`;
  const withdrawing = useWrite('POST', path);
  const withdraw = (id: number): void =>
    withdrawing.mutate(
      {
        idempotencyKey: freshKey(),
        ago_min: 0,
        medium_C: null,
        air_C: null,
        by: by.trim() || WORDS.notSaid,
        correctsId: id,
      },
      { onSuccess: onChanged },
    );
  return (
    <section className={card.byHand ? 'my-4' : 'mt-5'} aria-label={WORDS.readByHand}>
      <h2>{WORDS.readByHand}</h2>
      <TypedForm
        className="mt-2"
        columns={`grid grid-cols-2 gap-2 ${card.byHand ? 'min-[640px]:grid-cols-3' : ''}`}
        fields={FIELDS}
        start={START}
        path={path}
        draft={null}
        waits={() => WORDS.readingOf(card.name)}
        extra={{ by }}
        saveWords={WORDS.keepTheReading}
        buttonClass="btn solid mt-2 w-full"
        said={() => WORDS.kept}
        onDone={() => {
          remember();
          onChanged();
        }}
      >
        {(error) => (
          <div className="mt-2">
            <Field id="hand-by" label={WORDS.who} value={by} error={error('by')} onValue={setBy} />
          </div>
        )}
      </TypedForm>
      <p role="status" className={withdrawing.isSuccess ? 'mt-1 text-[0.92rem] font-semibold' : 'sr-only'}>
        {withdrawing.isSuccess && WORDS.withdrawn}
      </p>
      {withdrawing.error && (
        <p role="alert" className="note-bar bad mt-2">
          {withdrawing.error.message}
        </p>
      )}
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
                onClick={() => withdraw(r.id)}
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
