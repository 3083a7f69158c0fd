import { later } from '../../ui/kit/later.tsx';
import { Waiting } from '../../ui/kit/Waiting.tsx';
import { Suspense, useEffect, useState } from 'react';
import { useView, writeNow } from '../../ui/kit/data.ts';
import { differenceWords, windWords } from '../../core/units/words.ts';
import type { ForecastView } from '../../contracts/hardening/hardenViews.ts';
import { trouble } from '../../ui/call.ts';
import { aboutDegrees, counted, longDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { useWidth } from '../../ui/useWidth.ts';
import { FLAG_WORDS, ForecastAge, whole } from './SkyRow.tsx';
import { TypeForecast } from './TypeForecast.tsx';
import { WORDS } from '../../words/en/weather/forecast.ts';

const ForecastChart = later(() => import('./ForecastChart.tsx').then((m) => m.ForecastChart));

interface Props {
  readonly initial: ForecastView | null;
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly scores: readonly {
    readonly lead: number;
    readonly n: number;
    readonly bias_K: number;
    readonly spread_K: number;
  }[];
}

/** The ten days as foretold, with the band the forecast's own record makes; typed by hand or read from a file. */
export function Forecast({ initial, today, unit, scores }: Props) {
  const { view, refresh: again } = useView<ForecastView | null>('/api/weather/forecast', initial);
  const [said, setSaid] = useState('');
  const [bad, setBad] = useState(false);
  const [ready, setReady] = useState(false);
  const [box, width] = useWidth();
  useEffect(() => setReady(true), []);

  async function refresh(words: string): Promise<void> {
    setSaid(words);
    setBad(false);
    await again();
  }
  async function file(chosen: File | undefined): Promise<void> {
    if (!chosen) return;
    const answer = await writeNow<{ days: number; source: string }>('POST', '/api/weather/forecast/file', {
      text: await chosen.text(),
    });
    if (answer.kind === 'done') return refresh(WORDS.read(answer.value.source, counted(answer.value.days, WORDS.day2)));
    setSaid(trouble(answer));
    setBad(true);
  }
  const days = view?.days ?? [];
  const [first] = days;
  const frost = days.find((d) => d.flags.includes('frost'));
  const gale = days.find((d) => d.flags.includes('gale'));
  const kelvin = (k: number) => differenceWords(k, unit);
  return (
    <div data-ready={ready}>
      <h1>{WORDS.weatherToCome}</h1>
      <p role="status" aria-live="polite" className={said ? `note-bar my-2 ${bad ? 'bad' : ''}` : 'sr-only'}>
        {said}
      </p>
      <ForecastAge forecast={view} here />
      {first && (
        <dl className="my-3 flex flex-wrap items-end gap-x-10 gap-y-2">
          <Answer
            value={first.night_C === null ? 'not told' : aboutDegrees(first.night_C, unit)}
            words={WORDS.tonightsLow}
          />
          <Answer
            value={first.frost_frac === null ? 'not told' : `${Math.round(100 * first.frost_frac)}%`}
            words={WORDS.oddsOfFrostTonight}
          />
          <Answer value={frost ? longDay(frost.day) : 'none'} words={WORDS.firstNightOfFrostForetold} />
          <Answer value={gale ? longDay(gale.day) : 'none'} words={WORDS.firstGaleForetold} />
        </dl>
      )}
      <div ref={box} className={days.length > 0 ? 'min-h-60' : ''}>
        {width > 0 && days.length > 0 && (
          <Suspense fallback={<Waiting words={WORDS.drawing} />}>
            <ForecastChart days={days} width={Math.min(width, 1100)} unit={unit} />
          </Suspense>
        )}
      </div>
      {days.length > 0 && <p className="text-[0.9rem] text-ink2">{WORDS.blackTheDaysHighPlum}</p>}
      {days.length > 0 && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.theTenDays}>
          <table className="plain-table mid mt-2 max-w-5xl">
            <thead>
              <tr>
                <th>{WORDS.day}</th>
                <th className="r">{WORDS.high}</th>
                <th className="r">{WORDS.night}</th>
                <th className="r">{WORDS.nineOfTenAbove}</th>
                <th className="r">{WORDS.frost}</th>
                <th className="r">{WORDS.gusts}</th>
                <th className="r">{WORDS.sun}</th>
                <th>{WORDS.mind}</th>
              </tr>
            </thead>
            <tbody>
              {days.map((d) => {
                const gust = d.gust_m_s ?? 0;
                return (
                  <tr key={d.day}>
                    <td>{d.day === today ? WORDS.today : longDay(d.day)}</td>
                    <td className="r num text-lg">{d.most_C === null ? '' : whole(d.most_C, unit)}</td>
                    <td className="r">
                      {d.night_C !== null && (
                        <span className="inline-flex items-center gap-1.5">
                          <svg width="8" height="18" aria-hidden="true">
                            <rect width="8" height="18" fill={temperatureColour(d.night_C)} />
                          </svg>
                          <span className="num text-lg">{aboutDegrees(d.night_C, unit)}</span>
                        </span>
                      )}
                    </td>
                    <td className="r">{d.low10_C === null ? '' : aboutDegrees(d.low10_C, unit)}</td>
                    <td className="r">{d.frost_frac === null ? '' : `${Math.round(100 * d.frost_frac)}%`}</td>
                    <td className="r">{gust > 0 ? windWords(gust, unit) : ''}</td>
                    <td className="r">{d.sun_frac === null ? '' : `${Math.round(100 * d.sun_frac)}%`}</td>
                    <td className={d.flags.some((f) => f === 'frost' || f === 'gale') ? 'font-bold text-brick' : ''}>
                      {[
                        ...d.flags.map((f) => FLAG_WORDS[f]),
                        ...(!d.whole && d.day !== today ? [WORDS.notToldWhole] : []),
                      ].join(', ')}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      <section className="mt-6">
        <h2>{days.length === 0 ? WORDS.aForecast : WORDS.anotherForecast}</h2>
        <details className="mt-1" open={days.length === 0}>
          <summary className="link-btn">{WORDS.typeWhatYouHeard}</summary>
          <TypeForecast today={today} unit={unit} onTaken={(words) => void refresh(words)} />
        </details>
        <label className="field mt-3 max-w-md">
          <span className="label">{WORDS.readOneFromAJson}</span>
          <input
            type="file"
            accept=".json,application/json"
            className="input"
            onChange={(e) => void file(e.target.files?.[0])}
          />
        </label>
      </section>
      <section className="mt-6">
        <h2>{WORDS.howFarForecastsAreOff}</h2>
        <p className="max-w-[75ch] text-ink2">
          {WORDS.lowsForetoldAgainstTheThermometer(counted(view?.pairs ?? 0, WORDS.night2))}
        </p>
        <table className="plain-table dense mt-1 max-w-xl">
          <thead>
            <tr>
              <th>{WORDS.daysAhead}</th>
              <th className="r">{WORDS.nights}</th>
              <th className="r">{WORDS.tooWarmBy}</th>
              <th className="r">{WORDS.giveOrTake}</th>
            </tr>
          </thead>
          <tbody>
            {scores.map((s) => (
              <tr key={s.lead}>
                <td>{s.lead === 0 ? WORDS.theDayItself : s.lead}</td>
                <td className="r">{s.n}</td>
                <td className="r">{kelvin(s.bias_K)}</td>
                <td className="r">{kelvin(s.spread_K)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

function Answer({ value, words }: { readonly value: string; readonly words: string }) {
  return (
    <div className="flex flex-col-reverse justify-end">
      <dt className="text-[0.9rem] text-ink2">{words}</dt>
      <dd className="num text-3xl">{value}</dd>
    </div>
  );
}
