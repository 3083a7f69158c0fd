import { useEffect, useState } from 'react';
import { icePoint } from '../../core/heat/calibration.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { SensorRecord } from '../../contracts/heat/heat.ts';
import { trouble } from '../../ui/call.ts';
import { readNow, writeNow } from '../../ui/kit/data.ts';
import { clockTime, kelvin, tenth } from './words.ts';
import { useSignature } from '../../ui/who.ts';
import { saidOf } from '../../words/en/codes.ts';
import { WORDS } from '../../words/en/heat/calibrate.ts';

interface Latest {
  readonly sensor: SensorRecord;
  readonly readings: readonly { readonly at_s: number; readonly value_C: number }[];
  readonly beside: readonly { readonly role: string; readonly value_C: number }[];
  readonly history: readonly {
    readonly at_ms: number;
    readonly method: string;
    readonly offset_K: number;
    readonly spread_K: number;
    readonly by: string;
  }[];
}

interface Props {
  readonly first: Latest;
  readonly zone: string;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
}

const STEPS = [WORDS.fillACupWithCrushed, WORDS.takeTheSensorOutOf, WORDS.stirNowAndThenAnd, WORDS.keepTheOffsetDryThe];

/** The ice point of a sensor, step by step; or two sensors beside each other. */
export function Calibrate({ first, zone, unit, timeZone }: Props) {
  const [latest, setLatest] = useState(first);
  const { by, setBy, remember } = useSignature();
  const [said, setSaid] = useState('');
  const [reference, setReference] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  const id = first.sensor.id;
  async function refresh(): Promise<void> {
    const answer = await readNow<Latest>(`/api/heat/sensors/${id}`);
    if (answer.kind === 'done') setLatest(answer.value);
  }
  useEffect(() => {
    setReady(true);
    const timer = setInterval(() => void refresh(), 2000);
    return () => clearInterval(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- one timer for the sensor
  }, [id]);
  const other = latest.beside.find((b) => b.role === reference) ?? null;
  // A controller sends once a minute; five readings stand for the still minute then.
  const paced = stretched(latest.readings);
  const found = icePoint(paced, other ? other.value_C : 0);
  const last = latest.readings.at(-1);
  async function keep(): Promise<void> {
    if (found.kind !== 'stable') return;
    if (by.trim() === '') return setSaid(WORDS.sayWhoCheckedIt);
    remember();
    const answer = await writeNow('POST', `/api/heat/sensors/${id}`, {
      method: other ? 'compare' : 'ice',
      offset_K: Math.round(found.offset_K * 1000) / 1000,
      spread_K: found.spread_K,
      by: by.trim(),
    });
    setSaid(answer.kind === 'done' ? WORDS.keptEveryReadingFromNow : trouble(answer));
    await refresh();
  }
  const { sensor } = latest;
  return (
    <div data-ready={ready} className="grid max-w-5xl grid-cols-1 gap-8 min-[900px]:grid-cols-2">
      <section aria-label={WORDS.steps}>
        <h1>{WORDS.sensor(zone, saidOf(sensor.role))}</h1>
        <p className="mt-1 text-ink2">
          {sensor.checkedOn === null
            ? WORDS.neverCheckedItsFigureIs
            : WORDS.offsetCheckedDueAgain(kelvin(sensor.offset_K, unit), sensor.checkedOn, sensor.dueOn)}
        </p>
        <ol className="mt-3 list-decimal space-y-2 pl-6">
          {STEPS.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ol>
        <p className="mt-3 text-[0.92rem] text-ink2">{WORDS.switchTheZonesHeaterOff}</p>
        {latest.beside.length > 0 && (
          <div className="mt-4">
            <h2>{WORDS.orBesideAnother}</h2>
            <p className="mt-1">{WORDS.holdBothTipsTogetherIn}</p>
            <div className="mt-2 flex flex-wrap gap-2">
              <button
                type="button"
                className="btn small"
                aria-pressed={reference === null}
                onClick={() => setReference(null)}
              >
                {WORDS.ice}
              </button>
              {latest.beside.map((b) => (
                <button
                  key={b.role}
                  type="button"
                  className="btn small"
                  aria-pressed={reference === b.role}
                  onClick={() => setReference(b.role)}
                >
                  {saidOf(b.role)}, {tenth(b.value_C, unit)}
                </button>
              ))}
            </div>
          </div>
        )}
      </section>
      <section aria-label={WORDS.reading} className="card self-start">
        <p className="num text-6xl" aria-live="off">
          {last ? tenth(last.value_C, unit) : '·'}
        </p>
        <p className="text-ink2">
          {last
            ? WORDS.uncorrected(
                clockTime(last.at_s * 1000, timeZone),
                other ? WORDS.theOtherReads(tenth(other.value_C, unit)) : WORDS.iceIs(tenth(0, unit)),
              )
            : WORDS.noReadingInTheLast}
        </p>
        <p role="status" className={`note-bar mt-3 ${found.kind === 'stable' ? '' : 'bad'}`}>
          {found.kind === 'stable'
            ? WORDS.stillOffsetOverReadings(kelvin(found.offset_K, unit), found.readings)
            : found.why}
        </p>
        <form
          className="mt-3 flex flex-wrap gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <input
            className="input w-44"
            aria-label={WORDS.whoCheckedIt}
            placeholder={WORDS.who}
            maxLength={60}
            value={by}
            onChange={(e) => setBy(e.target.value)}
          />
          <button type="submit" className="btn solid" disabled={found.kind !== 'stable'}>
            {WORDS.keepTheOffset}
          </button>
        </form>
        <p className="mt-2 min-h-6 font-semibold" role="status">
          {said}
        </p>
        {latest.history.length > 0 && (
          <>
            <h2 className="mt-2">{WORDS.checkedBefore}</h2>
            <ul>
              {latest.history.map((h) => (
                <li key={h.at_ms}>
                  {WORDS.in(
                    clockTime(h.at_ms, timeZone, true),
                    kelvin(h.offset_K, unit),
                    h.method === 'ice' ? 'ice' : WORDS.waterBesideAnother,
                    h.by,
                  )}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </div>
  );
}

/** Readings a minute apart are looked at as if they were ten seconds apart, so that six stand for the still minute. */
function stretched(readings: Latest['readings']): Latest['readings'] {
  const gaps = readings.slice(1).map((r, i) => r.at_s - readings[i]!.at_s);
  const usual = gaps.sort((a, b) => a - b)[gaps.length >> 1] ?? 10;
  const factor = usual > 15 ? 10 / usual : 1;
  return readings.map((r) => ({ ...r, at_s: r.at_s * factor }));
}
