import { decimal } from '../../ui/numbers.ts';
import { Figure } from '../../ui/Figure.tsx';
import { lazy, Suspense, useEffect, useState } from 'react';
import type { EmergenceData } from '../../contracts/germination/emergence.ts';
import { call, freshKey, trouble } from '../../ui/call.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { LeaveOut } from './LeaveOut.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { BAD, dayWords, odds, reasonOf, settledWords, VERDICT_WORDS } from './words.ts';

const EmergenceChart = lazy(() => import('./EmergenceChart.tsx').then((m) => ({ default: m.EmergenceChart })));

interface Props {
  readonly data: EmergenceData;
  readonly others: readonly EmergenceData[];
  readonly choices: readonly { readonly id: number; readonly name: string }[];
  readonly today: number;
  readonly unit: 'C' | 'F';
  readonly open: boolean;
  readonly causes: readonly string[];
}

/** How a batch comes up: the verdict first, then counts against what was expected, then the measures. */
export function Emergence({ data, others, choices, today, unit, open, causes }: Props) {
  const [percent, setPercent] = useState(others.length > 0);
  const [ready, setReady] = useState(false);
  const [box, width] = useWidth();
  useEffect(() => setReady(true), []);
  const { verdict, sown, needed } = data;
  const up = data.days.findLast((d) => d.up !== null)?.up ?? null;
  const { settled } = data;
  const bad = settled === null && BAD.includes(verdict.kind);
  const thing = open ? thingToDo(data) : null;
  const compare = (ids: readonly number[]) =>
    location.assign(`/batch/${data.batchId}/emergence${ids.length > 0 ? `?with=${ids.join(',')}` : ''}`);
  const chosen = others.map((o) => o.batchId);
  return (
    <div data-ready={ready}>
      <section
        aria-label="Verdict"
        className={`mb-4 border-l-[6px] bg-paper py-3 pl-4 ${bad || data.leggy?.leggy ? 'border-brick' : 'border-plum'}`}
      >
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <p className="num text-2xl">
            {settled ? 'Counting is over' : VERDICT_WORDS[verdict.kind]}
            {data.leggy?.leggy && ', and too long on the heat'}
          </p>
          {thing && (
            <a className="btn solid" href={thing.href}>
              {thing.words}
            </a>
          )}
        </div>
        <p className="mt-1 max-w-[75ch]">
          {settled ? settledWords(settled) : reasonOf(verdict, up, sown, needed, today)}
        </p>
        <dl className="mt-3 flex flex-wrap gap-x-9 gap-y-2">
          <Figure size="text-xl" value={`${up ?? 0} of ${sown}`} words="up at the last count" />
          {settled === null && (
            <>
              <Figure
                size="text-xl"
                value={String(Math.round(verdict.expectedEnd.mean))}
                words={`expected in the end; ${needed} wanted`}
              />
              <Figure size="text-xl" value={odds(verdict.enough_frac)} words="odds that enough come" />
            </>
          )}
          <Figure size="text-xl" value={dayWords(verdict.halfOn, today)} words="half up" />
          <Figure size="text-xl" value={dayWords(verdict.nearlyAllOn, today)} words="nine tenths up" />
        </dl>
        {data.leggy && (
          <p className="mt-3 max-w-[75ch]">
            <strong>{data.leggy.leggy ? 'They stretch.' : 'Up and still on the heat.'}</strong>{' '}
            {counted(data.leggy.days, 'day')} since half up
            {data.leggy.ratio !== null &&
              `, ${decimal(data.leggy.ratio, 2)} mol of light for each degree-day (leggy below 0.3; the light is the usual of such a place, not measured)`}
            . Off the heat and into the light.
          </p>
        )}
        {bad && open && <SowAgain data={data} today={today} causes={causes} />}
      </section>
      <div className="grid grid-cols-1 gap-8 min-[1000px]:grid-cols-[minmax(0,1fr)_minmax(0,420px)]">
        <section aria-label="Counts against what was expected">
          <div className="flex flex-wrap items-end gap-4">
            <h2>Counts against what was expected</h2>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-plum"
                checked={percent}
                onChange={(e) => setPercent(e.target.checked)}
              />
              in percent
            </label>
            {choices.length > 0 && (
              <label className="ml-auto flex items-center gap-2">
                Compare with
                <select
                  className="input w-52"
                  value=""
                  disabled={chosen.length >= 3}
                  onChange={(e) => compare([...chosen, Number(e.target.value)])}
                >
                  <option value="">choose a batch</option>
                  {choices
                    .filter((c) => !chosen.includes(c.id))
                    .map((c) => (
                      <option key={c.id} value={c.id}>
                        {c.name}
                      </option>
                    ))}
                </select>
              </label>
            )}
          </div>
          <div
            ref={box}
            className="min-h-60"
            role="img"
            aria-label={`Counts of ${data.name} against what was expected; the table below says the same.`}
          >
            {width > 0 && (
              <Suspense fallback={<p className="text-ink2">Drawing…</p>}>
                <EmergenceChart
                  data={data}
                  others={others}
                  width={width}
                  todayAt={today - data.sownOn}
                  percent={percent}
                />
              </Suspense>
            )}
          </div>
          <p className="text-[0.92rem] text-ink2">
            Grey: nine in ten trays like this, before it was looked at. Dark line: the middle of it. Plum: what was
            counted, with 90% limits; the dashed part is what is to come now.
            {data.hill.kind === 'fitted'
              ? ' Plum line: the curve fitted to the counts.'
              : ` No fitted curve: ${data.hill.reason}.`}
          </p>
          {others.length > 0 && (
            <Others data={data} others={others} unit={unit} onDrop={(id) => compare(chosen.filter((c) => c !== id))} />
          )}
          <CountTable data={data} />
        </section>
        <section aria-label="Measures">
          <h2>Measures</h2>
          <Measures data={data} unit={unit} />
          <h2 className="mt-6">What this rests on</h2>
          <p className="mt-1">
            {data.trays_count === 0
              ? 'No other tray of this crop has been counted here: the figures are the library’s and the lot’s test.'
              : `${counted(data.trays_count, 'tray')} of this crop, ${data.lotTrays_count} of this lot, ${data.learning ? 'have moved' : 'would move'} the time to come up to ${Math.round(100 * data.time_factor)}% of the library’s.`}
          </p>
          {data.doubted_count > 0 && (
            <p className="mt-1">
              {data.doubted_count === 1 ? 'One of them was' : `${data.doubted_count} of them were`} so far off the
              others that it hardly counts.
            </p>
          )}
          <p className="mt-1">
            {data.growth.batches_count === 0
              ? 'Growth: by the book’s weeks; nothing was potted or signed here yet.'
              : `Growth: ${counted(data.growth.batches_count, 'batch', 'batches')} of this crop ${data.learning ? 'make' : 'would make'} it ${growthWords(data.growth.factor)}.`}
          </p>
          <p className="mt-1">
            {data.logged_days > 0
              ? `Temperature: ${counted(data.logged_days, 'day')} by the medium’s own readings${data.temperature_C === null ? '' : `, ${degrees(data.temperature_C, unit)} in the mean`}; other days as planned for the place.`
              : 'Temperature: as planned for the place; its medium is not measured.'}
          </p>
          <p className="mt-1 text-ink2">
            Share thought to come {Math.round(100 * data.share_frac)}%, spread between seeds {decimal(data.sigma, 2)} in
            log time. {data.learning ? 'Plans go by the house’s own times' : 'Plans go by the library’s times'}; it can
            be switched in <a href="/house/settings">settings</a>.
          </p>
          <LeaveOut batchId={data.batchId} today={today} leftOut={data.leftOut} trays={data.trays} />
        </section>
      </div>
    </div>
  );
}

function growthWords(factor: number): string {
  const percent = Math.round(100 * Math.abs(factor - 1));
  return percent === 0 ? 'as the book says' : `${percent}% ${factor > 1 ? 'longer' : 'shorter'} than the book`;
}

function Measures({ data, unit }: { readonly data: EmergenceData; readonly unit: 'C' | 'F' }) {
  const m = data.indices;
  const days = (n: number | null) => (n === null ? 'not known' : `${decimal(n, 1)} days`);
  const rows: [string, string, string][] = [
    [
      'Up at the last count',
      m.final_frac === null ? 'not known' : `${Math.round(100 * m.final_frac)}%`,
      m.wilson90
        ? `90% limits ${Math.round(100 * m.wilson90.low)} to ${Math.round(100 * m.wilson90.high)}% (Wilson 1927)`
        : '',
    ],
    ['First seen', m.first_days === null ? 'none yet' : `${m.first_days} days`, 'after sowing'],
    ['Half of those up', days(m.t50Farooq_days), 'Farooq et al. 2005; straight between counts'],
    ['Nine tenths', days(m.t90_days), 'straight between counts'],
    ['Mean time', days(m.meanTime_days), 'Labouriau 1983'],
    [
      'Speed index',
      m.speedIndex_perDay === null ? 'not known' : `${decimal(m.speedIndex_perDay, 1)} a day`,
      'Maguire 1962',
    ],
    [
      'Evenness (synchrony)',
      m.synchrony === null ? 'not known' : decimal(m.synchrony, 2),
      '1 = all on one day; Primack 1980',
    ],
    [
      'Place at sowing',
      data.temperature_C === null ? 'no place' : degrees(data.temperature_C, unit),
      'mean of day and night, as planned',
    ],
  ];
  return (
    <table className="plain-table mt-1">
      <tbody>
        {rows.map(([name, value, source]) => (
          <tr key={name}>
            <th scope="row" className="measure">
              {name}
              <span className="block text-[0.82rem] text-ink2">{source}</span>
            </th>
            <td className="r num">{value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Others({
  data,
  others,
  unit,
  onDrop,
}: {
  readonly data: EmergenceData;
  readonly others: readonly EmergenceData[];
  readonly unit: 'C' | 'F';
  readonly onDrop: (id: number) => void;
}) {
  const days = (n: number | null) => (n === null ? '' : decimal(n, 1));
  return (
    <table className="plain-table mt-3">
      <caption className="text-left font-semibold">Side by side</caption>
      <thead>
        <tr>
          <th>Batch</th>
          <th>Lot</th>
          <th className="r">At</th>
          <th className="r">Up</th>
          <th className="r">Half, days</th>
          <th className="r">Nine tenths</th>
          <th>
            <span className="sr-only">Leave out</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {[data, ...others].map((one, i) => (
          <tr key={one.batchId}>
            <td>
              <a href={`/batch/${one.batchId}/emergence`}>{one.name}</a>{' '}
              <span className="text-ink2">{i === 0 ? 'plum' : ['long dashes', 'dots', 'dash and dot'][i - 1]}</span>
            </td>
            <td>{one.lotCode ?? ''}</td>
            <td className="r num">{one.temperature_C === null ? '' : degrees(one.temperature_C, unit)}</td>
            <td className="r num">
              {one.indices.final_frac === null ? '' : `${Math.round(100 * one.indices.final_frac)}%`}
            </td>
            <td className="r num">{days(one.indices.t50Farooq_days)}</td>
            <td className="r num">{days(one.indices.t90_days)}</td>
            <td>
              {i > 0 && (
                <button type="button" className="link-btn" onClick={() => onDrop(one.batchId)}>
                  Leave out
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function CountTable({ data }: { readonly data: EmergenceData }) {
  return (
    <details className="mt-3">
      <summary className="min-h-9">The same as a table</summary>
      <table className="plain-table dense">
        <thead>
          <tr>
            <th>Day</th>
            <th className="r">After sowing</th>
            <th className="r">Expected</th>
            <th className="r">Nine in ten</th>
            <th className="r">Counted</th>
          </tr>
        </thead>
        <tbody>
          {data.days.map((d) => (
            <tr key={d.day}>
              <td>{shortDay(data.sownOn + d.day)}</td>
              <td className="r num">{d.day}</td>
              <td className="r num">{Math.round(d.expected.mean)}</td>
              <td className="r num">
                {d.expected.low}–{d.expected.high}
              </td>
              <td className="r num">{d.up ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** One step: what was wrong, and the same plan sown anew with what is left of the season. */
function SowAgain({
  data,
  today,
  causes,
}: {
  readonly data: EmergenceData;
  readonly today: number;
  readonly causes: readonly string[];
}) {
  const [cause, setCause] = useState('unknown');
  const [keep, setKeep] = useState(data.verdict.kind !== 'likely dead');
  const [wrong, setWrong] = useState('');
  const [key] = useState(freshKey);
  const [busy, setBusy] = useState(false);
  const by = data.verdict.sowAgainBy;
  async function send(): Promise<void> {
    setBusy(true);
    const answer = await call<{ batchId: number }>('POST', `/api/batch/${data.batchId}/sow-again`, {
      idempotencyKey: key,
      cause,
      endOld: !keep,
    });
    setBusy(false);
    if (answer.kind === 'done') location.assign(`/batch/${answer.value.batchId}`);
    else setWrong(trouble(answer));
  }
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <p className="basis-full">
        {by === null
          ? 'Sown again today it would be later than its window; it can still be done, and the date moves.'
          : by === today
            ? 'Sown again today, and no later, it still makes its date.'
            : `Sown again by ${shortDay(by)} it still makes its date.`}
      </p>
      <label className="field">
        <span className="label">What was wrong</span>
        <select className="input" value={cause} onChange={(e) => setCause(e.target.value)}>
          {causes.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </select>
      </label>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-plum"
          checked={keep}
          onChange={(e) => setKeep(e.target.checked)}
        />
        keep the old tray as well{keep && ` and sow only what it will not give`}
      </label>
      <button type="submit" className="btn solid" disabled={busy}>
        Sow again
      </button>
      {wrong && (
        <p role="alert" className="note-bar bad basis-full">
          {wrong}
        </p>
      )}
    </form>
  );
}

/** The one thing to do now: off the heat before all else, then a look at what was not looked at for long. */
function thingToDo({
  batchId,
  code,
  leggy,
  verdict,
}: EmergenceData): { readonly words: string; readonly href: string } | null {
  if (leggy?.leggy) return { words: 'Log it off the heat', href: `/batch/${batchId}` };
  if (verdict.kind === 'count again' || verdict.kind === 'too soon')
    return { words: 'Count it', href: `/germination/count/${code}` };
  return null;
}
