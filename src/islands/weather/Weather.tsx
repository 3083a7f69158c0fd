import { decimal } from '../../ui/numbers.ts';
import { OUT_HARM_C } from '../../core/planting/outDates.ts';
import { difference, length } from '../../ui/house.ts';
import { useEffect, useRef, useState } from 'react';
import type { WeatherView } from '../../contracts/weather/weather.ts';
import type { SiteWind } from '../../core/weather/siteWind.ts';
import { windWords } from '../../core/units/words.ts';
import { shownTemperature, temperatureFromShown } from '../../core/units/temperature.ts';
import { trouble } from '../../ui/call.ts';
import { readNow, writeNow } from '../../ui/kit/data.ts';
import { Figure } from '../../ui/Figure.tsx';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { FrostYears } from './FrostYears.tsx';
import { ImportWeather } from './ImportWeather.tsx';
import { spokenMonthDay, yearOf } from './words.ts';
import { saidOf } from '../../words/en/codes.ts';
import { WORDS } from '../../words/en/weather/weather.ts';

interface Props {
  readonly initial: WeatherView;
  readonly unit: 'C' | 'F';
}

/** What is known of the site's gusts, how it is known, and where it can be said. */
function siteWindWords({ median_m_s, median_logSd, days, exposure }: SiteWind, unit: 'C' | 'F'): string {
  const middle = windWords(median_m_s, unit);
  if (days >= 60) return WORDS.windTheStrongestGustOf(middle, counted(days, WORDS.day2));
  const low = windWords(median_m_s * Math.exp(-1.28 * median_logSd), unit);
  const high = windWords(median_m_s * Math.exp(1.28 * median_logSd), unit);
  const by = days > 0 ? WORDS.measuredAnd(counted(days, WORDS.day2)) : '';
  const how = exposure === null ? WORDS.whatIsUsualSayIn : WORDS.site[exposure];
  return WORDS.windTheStrongestGustOf2(middle, low, high, by, how);
}

const RISKS = [0.5, 0.3, 0.2, 0.1, 0.05] as const;
const riskWords = (risk: number) => WORDS.yearsIn100(Math.round(100 * risk));

/** The site's own years: frost at any threshold and risk, what may go out when, and the files it comes from. */
export function Weather({ initial, unit }: Props) {
  const [view, setView] = useState(initial);
  const [threshold, setThreshold] = useState(
    String(Math.round(shownTemperature(initial.frost.threshold_C, unit) * 10) / 10),
  );
  const [risk, setRisk] = useState(initial.frost.risk_frac);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  const asked = useRef(0);
  useEffect(() => setReady(true), []);

  async function look(text: string, risk_frac: number): Promise<void> {
    const figure = text.trim() === '' ? NaN : Number(text.replace(',', '.').replace('−', '-'));
    if (!Number.isFinite(figure)) return;
    const n = ++asked.current;
    const answer = await readNow<WeatherView>(
      `/api/weather?threshold=${temperatureFromShown(figure, unit)}&risk=${risk_frac}`,
    );
    // Only the last question's answer counts.
    if (n !== asked.current) return;
    if (answer.kind === 'done') {
      setView(answer.value);
      setSaid('');
    } else setSaid(trouble(answer));
  }
  async function keep(): Promise<void> {
    const answer = await writeNow<WeatherView>('PUT', '/api/weather/frost', {
      version: view.version,
      threshold_C: view.frost.threshold_C,
      risk_frac: view.frost.risk_frac,
    });
    if (answer.kind === 'done') {
      setView(answer.value);
      setSaid(
        WORDS.keptLastFrostFirstSeason(spokenMonthDay(answer.value.lastFrost), spokenMonthDay(answer.value.firstFrost)),
      );
    } else setSaid(trouble(answer));
  }
  async function forget(source: string): Promise<void> {
    const answer = await writeNow<WeatherView>('DELETE', '/api/weather/source', { source });
    if (answer.kind === 'done') {
      setView(answer.value);
      setSaid(WORDS.isTakenOut(source));
    } else setSaid(trouble(answer));
  }

  const { frost } = view;
  const { spring, autumn } = frost;
  const asKept =
    view.chosen !== null && view.chosen.risk_frac === frost.risk_frac && view.chosen.threshold_C === frost.threshold_C;
  return (
    <div data-ready={ready} data-typing>
      <h1>{WORDS.weather}</h1>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <label className="field">
          <span className="label">{WORDS.frostIsANightAt(unit)}</span>
          <input
            className="input w-28"
            inputMode="decimal"
            value={threshold}
            onChange={(e) => {
              setThreshold(e.target.value);
              void look(e.target.value, risk);
            }}
          />
        </label>
        <fieldset className="field">
          <legend className="label">{WORDS.riskYouTakeThatOne}</legend>
          <div className="flex flex-wrap gap-1.5">
            {RISKS.map((r) => (
              <button
                key={r}
                type="button"
                className="btn min-w-12"
                aria-pressed={risk === r}
                aria-label={WORDS.riskOf(riskWords(r))}
                onClick={() => {
                  setRisk(r);
                  void look(threshold, r);
                }}
              >
                {Math.round(100 * r)}
              </button>
            ))}
          </div>
        </fieldset>
        <button type="button" className="btn solid" disabled={asKept || !spring.at?.date} onClick={() => void keep()}>
          {asKept ? WORDS.theSeasonGoesByThis : WORDS.letTheSeasonGoBy}
        </button>
      </div>
      <dl className="my-4 flex flex-wrap items-end gap-x-10 gap-y-3">
        <FrostFigure side="spring" frost={frost} />
        <FrostFigure side="autumn" frost={frost} />
        <Figure
          value={`${spokenMonthDay(view.lastFrost)} – ${spokenMonthDay(view.firstFrost)}`}
          words={
            view.chosen === null && frost.from === 'years' && spring.used >= 5
              ? WORDS.typedByHandWarningsAlready
              : WORDS.theSeasonGoesByNow
          }
        />
      </dl>
      <p className="max-w-[75ch] text-ink2">
        {WORDS.yourOwnGardenMayBe(
          frost.from === 'years' &&
            WORDS.fromAndThatAreWhole(
              counted(spring.used, WORDS.spring),
              counted(autumn.used, WORDS.autumn),
              spring.at?.widened ? WORDS.fewerThanTenSoThe : WORDS.eachCountedAsOneIn,
              spring.without,
            ),
          frost.from === 'normals' &&
            WORDS.noHistoryYetTakenFrom(
              frost.isGuess ? WORDS.whichAreThemselvesARough : '',
              frost.isGuess ? WORDS.three : WORDS.two,
            ),
          frost.from === 'nothing' && WORDS.thereIsNoHistoryAnd,
        )}
      </p>
      {view.trend && Math.abs(view.trend.K_per_decade) >= 0.1 && (
        <p className="max-w-[75ch]">
          {WORDS.theNightsHaveGrownIn(
            difference(Math.abs(view.trend.K_per_decade)),
            view.trend.K_per_decade > 0 ? WORDS.warmer : WORDS.colder,
            view.trend.years,
            view.climateYears === null ? WORDS.allAreGoneBy : WORDS.lastAreGoneBy(view.climateYears),
            <a key="1" href="/house/settings">
              {WORDS.settings}
            </a>,
          )}
        </p>
      )}
      {view.wind && <p className="max-w-[75ch] text-ink2">{siteWindWords(view.wind, unit)}</p>}
      {frost.years.length > 0 && <FrostYears frost={frost} />}
      <OutDates view={view} unit={unit} />
      <Halves view={view} unit={unit} />
      <section className="mt-6">
        <h2>{WORDS.whereItComesFrom}</h2>
        {view.sources.length === 0 && <p className="text-ink2">{WORDS.nothingIsImportedYet}</p>}
        <ul>
          {view.sources.map((s) => (
            <li key={s.name} className="flex flex-wrap items-center gap-3 py-1">
              <span>
                {WORDS.to(
                  s.name,
                  counted(s.days, WORDS.day2),
                  shortDay(s.from),
                  yearOf(s.from),
                  shortDay(s.to),
                  yearOf(s.to),
                )}
              </span>
              <button
                type="button"
                className="btn"
                onClick={() => void forget(s.name)}
                aria-label={WORDS.takeOut(s.name)}
              >
                {WORDS.takeOut2}
              </button>
            </li>
          ))}
        </ul>
        {view.gapCount > 0 && (
          <details className="mt-1">
            <summary className="link-btn">{WORDS.inIt(counted(view.gapCount, WORDS.gap))}</summary>
            <ul>
              {view.gaps.map((g) => (
                <li key={g.from}>
                  {shortDay(g.from)} {yearOf(g.from)}
                  {g.to > g.from && WORDS.to2(shortDay(g.to), yearOf(g.to), counted(g.to - g.from + 1, WORDS.day2))}
                </li>
              ))}
            </ul>
          </details>
        )}
        <ImportWeather unit={unit} onKept={() => void look(threshold, risk)} />
      </section>
    </div>
  );
}

function FrostFigure({ side, frost }: { readonly side: 'spring' | 'autumn'; readonly frost: WeatherView['frost'] }) {
  const { at } = frost[side];
  const words = side === 'spring' ? WORDS.lastFrostAtThatRisk : WORDS.firstFrostAtThatRisk;
  if (!at) return <Figure value={WORDS.notKnown} words={words} />;
  if (at.date === null) return <Figure value={saidOf('none')} words={WORDS.rarerThanThat(words)} />;
  const band = at.from && at.to ? WORDS.fourTimesOfFiveBetween(spokenMonthDay(at.from), spokenMonthDay(at.to)) : '';
  return <Figure value={spokenMonthDay(at.date)} words={`${words}${band}`} size="text-5xl" />;
}

const BY = { frost: WORDS.frost, soil: WORDS.coldSoil, nights: WORDS.coldNights } as const;

function OutDates({ view, unit }: { readonly view: WeatherView; readonly unit: 'C' | 'F' }) {
  const { out, layer_K, risk_frac } = view.frost;
  if (out.length === 0) return null;
  const sooner = out.flatMap((crop) => (crop.dates[0]?.by === 'frost' ? (crop.dates[1]?.sooner_days ?? []) : []));
  const mean = sooner.reduce((sum, d) => sum + d, 0) / Math.max(1, sooner.length);
  const kelvin = difference(layer_K);
  const hurts = (Object.entries(OUT_HARM_C) as [string, number][])
    .map(([kind, night_C]) => `${saidOf(kind)} ${degrees(night_C, unit)}`)
    .join(', ');
  return (
    <section className="mt-6">
      <h2>{WORDS.firstDayOutAtA(riskWords(risk_frac))}</h2>
      <p className="max-w-[75ch] text-[0.95rem] text-ink2">
        {WORDS.eachCropByTheNight(hurts, kelvin, kelvin, Math.round(mean))}
      </p>
      <details open={false}>
        <summary className="link-btn">{counted(out.length, WORDS.crop2)}</summary>
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.firstDayOutByCrop}>
          <table className="plain-table max-w-4xl">
            <thead>
              <tr>
                <th>{WORDS.crop}</th>
                <th>{WORDS.inTheOpen}</th>
                <th>{WORDS.waitsFor}</th>
                <th>{WORDS.withOneCover}</th>
                <th>{WORDS.withTwoCovers}</th>
                <th>{WORDS.lastDayForAutumn}</th>
                <th>{WORDS.lastDayWithOneCover}</th>
              </tr>
            </thead>
            <tbody>
              {out.map((crop) => (
                <tr key={crop.cropId}>
                  <td>
                    {crop.name} <span className="text-ink2">{saidOf(crop.hardiness)}</span>
                  </td>
                  <td>{crop.dates[0]!.date === null ? WORDS.notThisWay : spokenMonthDay(crop.dates[0]!.date)}</td>
                  <td>{BY[crop.dates[0]!.by]}</td>
                  {crop.dates.slice(1).map((d, i) => (
                    <td key={i}>
                      {d.date === null ? WORDS.notThisWay : spokenMonthDay(d.date)}
                      {d.sooner_days !== null && d.sooner_days > 0 && (
                        <span className="text-ink2">{WORDS.earlier(counted(d.sooner_days, WORDS.day2))}</span>
                      )}
                    </td>
                  ))}
                  {[0, 1].map((layers) => {
                    const last = crop.last[layers];
                    return (
                      <td key={`last${layers}`}>
                        {!last ? '' : last.date === null ? WORDS.anyDay : spokenMonthDay(last.date)}
                        {last?.date && <span className="text-ink2">, {saidOf(last.by)}</span>}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}

function Halves({ view, unit }: { readonly view: WeatherView; readonly unit: 'C' | 'F' }) {
  const t = (value: number | null) => (value === null ? '' : degrees(value, unit));
  return (
    <section className="mt-6">
      <h2>{WORDS.byHalfMonths}</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.theYearByHalfMonths}>
        <table className="plain-table">
          <thead>
            <tr>
              <th>{WORDS.about}</th>
              <th className="r">{WORDS.day}</th>
              <th className="r">{WORDS.night}</th>
              <th className="r">{WORDS.soil(length(100))}</th>
              <th className="r">{WORDS.frostStillComes}</th>
              <th className="r">{WORDS.light}</th>
              <th>{WORDS.mayGoOut}</th>
              <th>{WORDS.lastForAutumn}</th>
            </tr>
          </thead>
          <tbody>
            {view.frost.halves.map((h) => (
              <tr key={h.day}>
                <td>{shortDay(h.day)}</td>
                <td className="r num">{t(h.day_C)}</td>
                <td className="r num">{t(h.night_C)}</td>
                <td className="r num">{t(h.soil_C)}</td>
                <td className="r">{frostWords(h, view.frost.spring.used)}</td>
                <td className="r">{decimal(h.light_h, 1)} h</td>
                <td>{h.warm ? WORDS.coolAndWarmCrops : h.cool ? WORDS.coolCrops : ''}</td>
                <td>
                  {h.autumn.map(({ hardiness, layer }) => (
                    <span key={hardiness} className="mr-3 inline-flex items-center gap-1.5">
                      <svg width="26" height="12" aria-hidden="true">
                        <rect
                          x="0.75"
                          y="0.75"
                          width="24.5"
                          height="10.5"
                          className={layer ? 'fill-none stroke-plum' : 'fill-plum stroke-plum'}
                          strokeWidth="1.5"
                          strokeDasharray={layer ? '4 3' : undefined}
                        />
                      </svg>
                      {saidOf(hardiness)}
                      {layer && WORDS.underALayer}
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 max-w-[75ch] text-[0.95rem] text-ink2">{WORDS.soilIsTheYearlyWave(length(100))}</p>
    </section>
  );
}

/** The odds that frost still comes, in words where no year had any. */
function frostWords({ frost_frac, seen_years }: WeatherView['frost']['halves'][number], years: number): string {
  if (frost_frac === null) return '';
  if (seen_years === 0) return WORDS.noneIn(counted(years, WORDS.year));
  return `${Math.round(100 * frost_frac)}%`;
}
