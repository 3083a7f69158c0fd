import { windFromText, windUnit } from '../../core/units/wind.ts';
import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { temperatureFromShown } from '../../core/units/temperature.ts';
import { SKIES, type Sky } from '../../core/weather/forecast.ts';
import type { Problem } from '../../contracts/problem.ts';
import { fieldError, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted } from '../../ui/format.ts';
import { figureOr } from '../../ui/kit/fields.ts';
import { Restored } from '../../ui/kit/Restored.tsx';
import { useKept } from '../../ui/kit/useKept.ts';
import { dayHead } from './SkyRow.tsx';
import { WORDS } from '../../words/en/weather/typeForecast.ts';

interface Props {
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly onTaken: (said: string) => void;
}
interface Row {
  readonly least: string;
  readonly most: string;
  readonly gust: string;
  readonly sky: Sky;
}

const SKY_WORDS: Readonly<Record<Sky, string>> = { clear: WORDS.clear, broken: WORDS.sunAndCloud, dull: WORDS.dull };
const EMPTY: Row = { least: '', most: '', gust: '', sky: 'broken' };

/** A forecast as one hears it: night, day, gusts and sky for as many days as are told. */
export function TypeForecast({ today, unit, onTaken }: Props) {
  const kept = useKept<{ readonly rows: readonly Row[] }>('forecast', today, () => ({
    rows: Array.from({ length: 10 }, () => EMPTY),
  }));
  const { rows } = kept.typed;
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const set = (i: number, next: Partial<Row>) =>
    kept.setTyped({ rows: rows.map((r, k) => (k === i ? { ...r, ...next } : r)) });
  const told = rows.map((r, i) => ({ ...r, i })).filter((r) => r.least.trim() !== '' || r.most.trim() !== '');

  async function send(): Promise<void> {
    const t = (text: string) => figureOr(text, (n) => Math.round(100 * temperatureFromShown(n, unit)) / 100);
    const days = told.map((r) => ({
      day: isoFromDay(today + r.i),
      least_C: t(r.least),
      most_C: t(r.most),
      gust_m_s: r.gust.trim() === '' ? null : windFromText(r.gust, unit),
      sky: r.sky,
    }));
    const answer = await writeNow<{ days: number }>('POST', '/api/weather/forecast', { days });
    if (answer.kind === 'done') {
      kept.forget();
      setProblem(null);
      setMessage('');
      onTaken(WORDS.typed(counted(answer.value.days, WORDS.day2)));
      return;
    }
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setMessage(trouble(answer));
  }
  const error = (i: number, key: string) => {
    const n = told.findIndex((r) => r.i === i);
    return n < 0 ? undefined : fieldError(problem, `days.${n}.${key}`);
  };
  const cell = (i: number, key: 'least' | 'most' | 'gust', label: string, path: string) => (
    <td>
      <input
        className="input w-20"
        inputMode="decimal"
        aria-label={`${label}, ${dayHead(today + i)}`}
        aria-invalid={error(i, path) ? true : undefined}
        value={rows[i]![key]}
        onChange={(e) => set(i, { [key]: e.target.value })}
      />
      {error(i, path) && <span className="block text-[0.85rem] font-semibold text-brick">{error(i, path)}</span>}
    </td>
  );
  return (
    <form
      data-typing
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      {kept.restored && <Restored onDiscard={kept.discard} />}
      <table className="plain-table mid max-w-2xl">
        <thead>
          <tr>
            <th>{WORDS.day}</th>
            <th>{WORDS.lowest(unit)}</th>
            <th>{WORDS.highest(unit)}</th>
            <th>{WORDS.gusts(windUnit(unit))}</th>
            <th>{WORDS.sky}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => (
            <tr key={i}>
              <td>{i === 0 ? WORDS.today : dayHead(today + i)}</td>
              {cell(i, 'least', WORDS.lowest2, 'least_C')}
              {cell(i, 'most', WORDS.highest2, 'most_C')}
              {cell(i, 'gust', WORDS.gusts2, 'gust_m_s')}
              <td>
                <select
                  className="input w-36"
                  aria-label={WORDS.sky2(dayHead(today + i))}
                  value={r.sky}
                  onChange={(e) => set(i, { sky: e.target.value as Sky })}
                >
                  {SKIES.map((s) => (
                    <option key={s} value={s}>
                      {SKY_WORDS[s]}
                    </option>
                  ))}
                </select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {message && (
        <p role="alert" className="note-bar bad mt-2">
          {message}
        </p>
      )}
      <button type="submit" className="btn solid mt-3" disabled={told.length === 0}>
        {WORDS.goBy(told.length === 0 ? WORDS.it : counted(told.length, WORDS.day2))}
      </button>
    </form>
  );
}
