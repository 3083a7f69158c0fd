import { useEffect, useState } from 'react';
import Papa from 'papaparse';
import type { ReadingsReport } from '../../contracts/heat/heat.ts';
import type { Problem } from '../../contracts/problem.ts';
import { fieldError, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted } from '../../ui/format.ts';
import { clockTime } from './words.ts';
import { WORDS } from '../../words/en/heat/readingsExchange.ts';

interface Props {
  readonly zones: readonly { readonly id: number; readonly name: string }[];
  readonly timeZone: string;
  readonly zonesOfTime: readonly string[];
  readonly now_ms: number;
}

const ROLES = ['', 'medium', 'bed', 'air', 'outside', 'heater'] as const;
const UNITS = [
  ['C', '°C'],
  ['F', '°F'],
  ['share', 'share 0-1'],
  ['percent', '%'],
] as const;

/** A logger's file in, columns matched by hand; readings out as CSV or JSON. */
export function ReadingsExchange({ zones, timeZone, zonesOfTime, now_ms }: Props) {
  const [zoneId, setZone] = useState(zones[0]?.id ?? 0);
  const [csv, setCsv] = useState('');
  const [fields, setFields] = useState<readonly string[]>([]);
  const [sample, setSample] = useState<readonly Record<string, string>[]>([]);
  const [timeColumn, setTime] = useState('');
  const [zoneOfTime, setZoneOfTime] = useState(timeZone);
  const [match, setMatch] = useState<Readonly<Record<string, { role: string; unit: string }>>>({});
  const [report, setReport] = useState<ReadingsReport | null>(null);
  const [tried, setTried] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [days, setDays] = useState(7);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  function open(text: string): void {
    const parsed = Papa.parse<Record<string, string>>(text, { header: true, preview: 3, skipEmptyLines: true });
    const found = parsed.meta.fields ?? [];
    setCsv(text);
    setFields(found);
    setSample(parsed.data);
    setReport(null);
    setTime(found.find((f) => /time|date|when|at$/i.test(f)) ?? found[0] ?? '');
    const guess = (f: string) => {
      const role =
        ROLES.find((r) => r !== '' && f.toLowerCase().includes(r)) ??
        (/out/i.test(f) ? 'outside' : /heat|duty/i.test(f) ? 'heater' : '');
      return { role, unit: role === 'heater' ? 'share' : /f\b|°f|fahr/i.test(f) ? 'F' : 'C' };
    };
    setMatch(Object.fromEntries(found.map((f) => [f, guess(f)])));
  }
  async function send(trying: boolean): Promise<void> {
    const columns = fields.filter((f) => f !== timeColumn && match[f]?.role).map((f) => ({ column: f, ...match[f]! }));
    const answer = await writeNow<ReadingsReport>('POST', '/api/heat/import', {
      csv,
      zoneId,
      timeColumn,
      timeZone: zoneOfTime,
      columns,
      try: trying,
    });
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setTried(trying);
    setReport(answer.kind === 'done' ? answer.value : null);
    setSaid(answer.kind === 'done' ? '' : trouble(answer));
  }
  const span = `from=${Math.round(now_ms - days * 86_400_000)}&to=${Math.round(now_ms + 1)}`;
  return (
    <div data-ready={ready} className="grid max-w-5xl grid-cols-1 gap-8 min-[900px]:grid-cols-2">
      <section aria-label={WORDS.fromALogger}>
        <h2>{WORDS.fromALogger}</h2>
        <label className="field mt-2">
          <span className="label">{WORDS.zone}</span>
          <select className="input" value={zoneId} onChange={(e) => setZone(Number(e.target.value))}>
            {zones.map((z) => (
              <option key={z.id} value={z.id}>
                {z.name}
              </option>
            ))}
          </select>
        </label>
        <label className="field mt-2">
          <span className="label">{WORDS.fileCsvWithALine}</span>
          <input
            type="file"
            className="input"
            accept=".csv,text/csv,text/plain"
            onChange={(e) => void e.target.files?.[0]?.text().then(open)}
          />
        </label>
        {fields.length > 0 && (
          <>
            <div className="mt-3 grid grid-cols-2 gap-2">
              <label className="field">
                <span className="label">{WORDS.timeIsIn}</span>
                <select className="input" value={timeColumn} onChange={(e) => setTime(e.target.value)}>
                  {fields.map((f) => (
                    <option key={f}>{f}</option>
                  ))}
                </select>
              </label>
              <label className="field">
                <span className="label">{WORDS.clockOfTheLogger}</span>
                <select className="input" value={zoneOfTime} onChange={(e) => setZoneOfTime(e.target.value)}>
                  {zonesOfTime.map((z) => (
                    <option key={z}>{z}</option>
                  ))}
                </select>
              </label>
            </div>
            <table className="plain-table dense mid mt-3">
              <thead>
                <tr>
                  <th>{WORDS.column}</th>
                  <th>{WORDS.first}</th>
                  <th>{WORDS.is}</th>
                  <th>{WORDS.in}</th>
                </tr>
              </thead>
              <tbody>
                {fields
                  .filter((f) => f !== timeColumn)
                  .map((f) => (
                    <tr key={f}>
                      <td>{f}</td>
                      <td className="num">{sample[0]?.[f]}</td>
                      <td>
                        <select
                          className="input"
                          aria-label={WORDS.is2(f)}
                          value={match[f]?.role ?? ''}
                          onChange={(e) =>
                            setMatch({
                              ...match,
                              [f]: {
                                unit: e.target.value === 'heater' ? 'share' : (match[f]?.unit ?? 'C'),
                                role: e.target.value,
                              },
                            })
                          }
                        >
                          {ROLES.map((r) => (
                            <option key={r} value={r}>
                              {r || WORDS.leftOut}
                            </option>
                          ))}
                        </select>
                      </td>
                      <td>
                        <select
                          className="input"
                          aria-label={WORDS.isIn(f)}
                          value={match[f]?.unit ?? 'C'}
                          onChange={(e) =>
                            setMatch({ ...match, [f]: { role: match[f]?.role ?? '', unit: e.target.value } })
                          }
                        >
                          {UNITS.map(([v, words]) => (
                            <option key={v} value={v}>
                              {words}
                            </option>
                          ))}
                        </select>
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
            <div className="mt-3 flex gap-2">
              <button type="button" className="btn" onClick={() => void send(true)}>
                {WORDS.tryIt}
              </button>
              <button
                type="button"
                className="btn solid"
                disabled={!report || !tried || report.readings === 0}
                onClick={() => void send(false)}
              >
                {WORDS.takeTheReadings}
              </button>
            </div>
          </>
        )}
        <p role="status" className={said ? 'note-bar bad mt-2' : 'sr-only'}>
          {said || fieldError(problem, 'csv')}
        </p>
        {report && (
          <div className="note-bar mt-2" role="status">
            <p>
              {tried
                ? WORDS.inWouldBeTaken(counted(report.readings, WORDS.reading), counted(report.lines, WORDS.line2))
                : WORDS.takenWereThereAlready(counted(report.written, WORDS.reading), report.already)}
              {report.from_ms !== null &&
                WORDS.fromTo(clockTime(report.from_ms, timeZone, true), clockTime(report.to_ms!, timeZone, true))}
              .
            </p>
            {report.leftCount > 0 && (
              <>
                <p className="font-semibold">{WORDS.leftOut2(report.leftCount)}</p>
                <ul>
                  {report.left.map((l, i) => (
                    <li key={i}>{WORDS.line(l.line, l.why)}</li>
                  ))}
                </ul>
              </>
            )}
          </div>
        )}
      </section>
      <section aria-label={WORDS.out}>
        <h2>{WORDS.out}</h2>
        <p className="mt-1">{WORDS.eachReadingAsItWas}</p>
        <label className="field mt-2">
          <span className="label">{WORDS.theLastDays}</span>
          <select className="input w-40" value={days} onChange={(e) => setDays(Number(e.target.value))}>
            {[1, 7, 30, 120].map((d) => (
              <option key={d} value={d}>
                {d}
              </option>
            ))}
          </select>
        </label>
        <p className="mt-3 flex gap-2">
          <a className="btn" href={`/api/heat/zones/${zoneId}/readings?${span}&as=csv`}>
            {WORDS.csv}
          </a>
          <a className="btn" href={`/api/heat/zones/${zoneId}/readings?${span}&as=json`}>
            {WORDS.json}
          </a>
        </p>
      </section>
    </div>
  );
}
