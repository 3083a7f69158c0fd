import { useState } from 'react';
import type { WeatherPreview } from '../../contracts/weather/weather.ts';
import { WIND_UNITS, type WindUnit } from '../../core/weather/siteWind.ts';
import { columnsOf, looksLikeDly, type WeatherUnit } from '../../formats/weatherFile.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { yearOf } from './words.ts';
import { WORDS } from '../../words/en/weather/importWeather.ts';

interface Props {
  readonly unit: 'C' | 'F';
  readonly onKept: () => void;
}

const ROLES = [
  ['date', WORDS.dateColumn, true],
  ['least', WORDS.lowestColumn, true],
  ['most', WORDS.highestColumn, false],
  ['rain', WORDS.rainColumn, false],
  ['wind', WORDS.wind, false],
  ['station', WORDS.stationColumn, false],
] as const;
type Role = (typeof ROLES)[number][0];

/** Daily weather from a file: its columns matched, what is in it said, and only then kept. */
export function ImportWeather({ unit, onKept }: Props) {
  const [file, setFile] = useState<{
    readonly name: string;
    readonly text: string;
    readonly names: readonly string[];
    readonly dly: boolean;
  } | null>(null);
  const [columns, setColumns] = useState<Readonly<Partial<Record<Role, string>>>>({});
  const [stationIs, setStationIs] = useState('');
  const [fileUnit, setFileUnit] = useState<WeatherUnit>('C');
  const [windUnit, setWindUnit] = useState<WindUnit>('m/s');
  const [windIs, setWindIs] = useState<'gust' | 'mean'>('gust');
  const [preview, setPreview] = useState<WeatherPreview | null>(null);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);

  async function take(chosen: File | undefined): Promise<void> {
    setPreview(null);
    setMessage('');
    if (!chosen) return;
    if (chosen.size > 8_000_000) return setMessage(WORDS.atMost8MbTake);
    const text = await chosen.text();
    const dly = looksLikeDly(text);
    const { names, guess } = columnsOf(text);
    setFile({ name: chosen.name.slice(0, 100), text, names, dly });
    setColumns(guess);
    // GHCN-Daily station files in CSV give tenths.
    setFileUnit(dly || (names.includes('TMIN') && names.includes('TMIN_ATTRIBUTES')) ? 'tenths' : 'C');
    setStationIs('');
  }

  async function send(commit: boolean): Promise<void> {
    if (!file || busy) return;
    setBusy(true);
    const answer = await writeNow<WeatherPreview>('POST', '/api/weather', {
      name: file.name,
      text: file.text,
      commit,
      columns: file.dly
        ? null
        : {
            date: columns.date ?? '',
            least: columns.least ?? '',
            most: columns.most ?? null,
            rain: columns.rain ?? null,
            station: columns.station ?? null,
            stationIs: stationIs === '' ? null : stationIs,
            unit: fileUnit,
            ...(columns.wind ? { wind: columns.wind, windIs, windUnit } : {}),
          },
    });
    setBusy(false);
    if (answer.kind !== 'done') return setMessage(trouble(answer));
    setMessage('');
    setPreview(answer.value);
    if (answer.value.written) onKept();
  }

  return (
    <div className="card mt-3 max-w-4xl">
      <h3>{WORDS.importDailyWeather}</h3>
      <p className="text-ink2">{WORDS.anyCsvWithADate}</p>
      <label className="field mt-2">
        <span className="label">{WORDS.file}</span>
        <input
          type="file"
          className="input"
          accept=".csv,.dly,.txt,text/csv,text/plain"
          onChange={(e) => void take(e.target.files?.[0])}
        />
      </label>
      {file && !file.dly && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {ROLES.map(([role, words, needed]) => (
            <label key={role} className="field">
              <span className="label">{words}</span>
              <select
                className="input"
                value={columns[role] ?? ''}
                onChange={(e) => {
                  const { [role]: _was, ...rest } = columns;
                  setColumns(e.target.value === '' ? rest : { ...rest, [role]: e.target.value });
                  setPreview(null);
                }}
              >
                <option value="">{needed ? 'choose' : WORDS.none}</option>
                {file.names.map((name) => (
                  <option key={name} value={name}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <label className="field">
            <span className="label">{WORDS.temperaturesAreIn}</span>
            <select
              className="input"
              value={fileUnit}
              onChange={(e) => {
                setFileUnit(e.target.value as WeatherUnit);
                setPreview(null);
              }}
            >
              <option value="C">°C</option>
              <option value="F">°F</option>
              <option value="tenths">{WORDS.tenthsOfAC}</option>
            </select>
          </label>
          {columns.wind && (
            <>
              <label className="field">
                <span className="label">{WORDS.windIsIn}</span>
                <select
                  className="input"
                  value={windUnit}
                  onChange={(e) => {
                    setWindUnit(e.target.value as WindUnit);
                    setPreview(null);
                  }}
                >
                  {WIND_UNITS.map((u) => (
                    <option key={u}>{u}</option>
                  ))}
                </select>
              </label>
              <label className="field">
                <span className="label">{WORDS.andIs}</span>
                <select
                  className="input"
                  value={windIs}
                  onChange={(e) => {
                    setWindIs(e.target.value as 'gust' | 'mean');
                    setPreview(null);
                  }}
                >
                  <option value="gust">{WORDS.theStrongestGustOfThe}</option>
                  <option value="mean">{WORDS.theMeanOfTheDay}</option>
                </select>
              </label>
            </>
          )}
          {(preview?.stations.length ?? 0) > 1 && (
            <label className="field">
              <span className="label">{WORDS.whichPlace}</span>
              <select className="input" value={stationIs} onChange={(e) => setStationIs(e.target.value)}>
                <option value="">{WORDS.choose}</option>
                {preview!.stations.map((s) => (
                  <option key={s} value={s}>
                    {s}
                  </option>
                ))}
              </select>
            </label>
          )}
        </div>
      )}
      {file && (
        <div className="mt-3 flex gap-2">
          <button type="button" className="btn" disabled={busy} onClick={() => void send(false)}>
            {WORDS.lookWhatIsInIt}
          </button>
          <button
            type="button"
            className="btn solid"
            disabled={busy || preview === null || preview.doubts.length > 0 || preview.written !== null}
            onClick={() => void send(true)}
          >
            {WORDS.keepIt}
          </button>
        </div>
      )}
      {message && (
        <p role="alert" className="note-bar bad mt-2">
          {message}
        </p>
      )}
      {preview && (
        <div className="mt-3" aria-live="polite">
          <p>
            {preview.written
              ? WORDS.keptReplaced(counted(preview.written.fresh, WORDS.newDay), preview.written.replaced)
              : `${counted(preview.days, WORDS.day)}`}
            {preview.from !== null &&
              preview.to !== null &&
              WORDS.fromTo(shortDay(preview.from), yearOf(preview.from), shortDay(preview.to), yearOf(preview.to))}
            {preview.least_C !== null && WORDS.coldest(degrees(preview.least_C, unit))}
            {preview.most_C !== null && WORDS.hottest(degrees(preview.most_C, unit))}.
          </p>
          {preview.doubts.map((doubt) => (
            <p key={doubt} role="alert" className="note-bar bad mt-1">
              {doubt}
            </p>
          ))}
          {preview.unlike.length > 0 && (
            <p className="text-ink2">
              {WORDS.toldTwiceWithUnlikeFigures(
                counted(preview.unlike.length, WORDS.day),
                preview.unlike.map((day) => `${shortDay(day)} ${yearOf(day)}`).join(', '),
              )}
            </p>
          )}
          {preview.problemCount > 0 && (
            <details>
              <summary className="link-btn">{WORDS.couldNotBeRead(counted(preview.problemCount, WORDS.line2))}</summary>
              <ul>
                {preview.problems.slice(0, 20).map((p) => (
                  <li key={`${p.line} ${p.message}`}>{WORDS.line(p.line, p.message)}</li>
                ))}
              </ul>
            </details>
          )}
        </div>
      )}
    </div>
  );
}
