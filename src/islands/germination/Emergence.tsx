import { later } from '../../ui/kit/later.tsx';
import { Waiting } from '../../ui/kit/Waiting.tsx';
import { saidOf } from '../../words/en/codes.ts';
import { decimal } from '../../ui/numbers.ts';
import { Figure } from '../../ui/Figure.tsx';
import { Suspense, useEffect, useState } from 'react';
import type { EmergenceData } from '../../contracts/germination/emergence.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { LeaveOut } from './LeaveOut.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { BAD, dayWords, odds, reasonOf, settledWords, VERDICT_WORDS } from './words.ts';
import { WORDS } from '../../words/en/germination/emergence.ts';

const EmergenceChart = later(() => import('./EmergenceChart.tsx').then((m) => m.EmergenceChart));

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
        aria-label={WORDS.verdict}
        className={`mb-4 border-l-[6px] bg-paper py-3 pl-4 ${bad || data.leggy?.leggy ? 'border-brick' : 'border-plum'}`}
      >
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <p className="num text-2xl">
            {settled ? WORDS.countingIsOver : VERDICT_WORDS[verdict.kind]}
            {data.leggy?.leggy && WORDS.andTooLongOnThe}
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
          <Figure size="text-xl" value={WORDS.upOf(up ?? 0, sown)} words={WORDS.upAtTheLastCount} />
          {settled === null && (
            <>
              <Figure
                size="text-xl"
                value={String(Math.round(verdict.expectedEnd.mean))}
                words={WORDS.expectedInTheEndWanted(needed)}
              />
              <Figure size="text-xl" value={odds(verdict.enough_frac)} words={WORDS.oddsThatEnoughCome} />
            </>
          )}
          <Figure size="text-xl" value={dayWords(verdict.halfOn, today)} words={WORDS.halfUp} />
          <Figure size="text-xl" value={dayWords(verdict.nearlyAllOn, today)} words={WORDS.nineTenthsUp} />
        </dl>
        {data.leggy && (
          <p className="mt-3 max-w-[75ch]">
            {WORDS.sinceHalfUpOffThe(
              <strong key="1">{data.leggy.leggy ? WORDS.theyStretch : WORDS.upAndStillOnThe}</strong>,
              counted(data.leggy.days, WORDS.day2),
              data.leggy.ratio !== null && WORDS.molOfLightForEach(decimal(data.leggy.ratio, 2)),
            )}
          </p>
        )}
        {bad && open && <SowAgain data={data} today={today} causes={causes} />}
      </section>
      <div className="grid grid-cols-1 gap-8 min-[1000px]:grid-cols-[minmax(0,1fr)_minmax(0,420px)]">
        <section aria-label={WORDS.countsAgainstWhatWasExpected}>
          <div className="flex flex-wrap items-end gap-4">
            <h2>{WORDS.countsAgainstWhatWasExpected}</h2>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-plum"
                checked={percent}
                onChange={(e) => setPercent(e.target.checked)}
              />
              {WORDS.inPercent}
            </label>
            {choices.length > 0 && (
              <label className="ml-auto flex items-center gap-2">
                {WORDS.compareWith}
                <select
                  className="input w-52"
                  value=""
                  disabled={chosen.length >= 3}
                  onChange={(e) => compare([...chosen, Number(e.target.value)])}
                >
                  <option value="">{WORDS.chooseABatch}</option>
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
          <div ref={box} className="min-h-60" role="img" aria-label={WORDS.countsOfAgainstWhatWas(data.name)}>
            {width > 0 && (
              <Suspense fallback={<Waiting words={WORDS.drawing} />}>
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
            {WORDS.greyNineInTenTrays(
              data.hill.kind === 'fitted' ? WORDS.plumLineTheCurveFitted : WORDS.noFittedCurve(data.hill.reason),
            )}
          </p>
          {others.length > 0 && (
            <Others data={data} others={others} unit={unit} onDrop={(id) => compare(chosen.filter((c) => c !== id))} />
          )}
          <CountTable data={data} />
        </section>
        <section aria-label={WORDS.measures}>
          <h2>{WORDS.measures}</h2>
          <Measures data={data} unit={unit} />
          <h2 className="mt-6">{WORDS.whatThisRestsOn}</h2>
          <p className="mt-1">
            {data.trays_count === 0
              ? WORDS.noOtherTrayOfThis
              : WORDS.ofThisCropOfThis(
                  counted(data.trays_count, WORDS.tray),
                  data.lotTrays_count,
                  data.learning ? WORDS.haveMoved : WORDS.wouldMove,
                  Math.round(100 * data.time_factor),
                )}
          </p>
          {data.doubted_count > 0 && (
            <p className="mt-1">
              {WORDS.soFarOffTheOthers(
                data.doubted_count === 1 ? WORDS.oneOfThemWas : WORDS.ofThemWere(data.doubted_count),
              )}
            </p>
          )}
          <p className="mt-1">
            {data.growth.batches_count === 0
              ? WORDS.growthByTheBook
              : WORDS.growthOfThisCropIt(
                  counted(data.growth.batches_count, WORDS.batch2, WORDS.batches),
                  data.learning ? WORDS.make : WORDS.wouldMake,
                  growthWords(data.growth.factor),
                )}
          </p>
          <p className="mt-1">
            {data.logged_days > 0
              ? WORDS.temperatureByTheMediumsOwn(
                  counted(data.logged_days, WORDS.day2),
                  data.temperature_C === null ? '' : WORDS.inTheMean(degrees(data.temperature_C, unit)),
                )
              : WORDS.temperatureAsPlanned}
          </p>
          <p className="mt-1 text-ink2">
            {WORDS.shareThoughtToComeSpread(
              Math.round(100 * data.share_frac),
              decimal(data.sigma, 2),
              data.learning ? WORDS.plansGoByTheHouses : WORDS.plansGoByTheLibrarys,
              <a key="2" href="/house/settings">
                {WORDS.settings}
              </a>,
            )}
          </p>
          <LeaveOut batchId={data.batchId} today={today} leftOut={data.leftOut} trays={data.trays} />
        </section>
      </div>
    </div>
  );
}

function growthWords(factor: number): string {
  const percent = Math.round(100 * Math.abs(factor - 1));
  return percent === 0 ? WORDS.asTheBookSays : WORDS.thanTheBook(percent, factor > 1 ? WORDS.longer : 'shorter');
}

function Measures({ data, unit }: { readonly data: EmergenceData; readonly unit: 'C' | 'F' }) {
  const m = data.indices;
  const days = (n: number | null) => (n === null ? WORDS.notKnown : WORDS.days(decimal(n, 1)));
  const rows: [string, string, string][] = [
    [
      WORDS.upAtTheLastCount2,
      m.final_frac === null ? WORDS.notKnown : `${Math.round(100 * m.final_frac)}%`,
      m.wilson90
        ? WORDS.words90LimitsToWilson1927(Math.round(100 * m.wilson90.low), Math.round(100 * m.wilson90.high))
        : '',
    ],
    [WORDS.firstSeen, m.first_days === null ? WORDS.noneYet : WORDS.days2(m.first_days), WORDS.afterSowing],
    [WORDS.halfOfThoseUp, days(m.t50Farooq_days), WORDS.farooqEtAl2005Straight],
    [WORDS.nineTenths, days(m.t90_days), WORDS.straightBetweenCounts],
    [WORDS.meanTime, days(m.meanTime_days), WORDS.labouriau1983],
    [
      WORDS.speedIndex,
      m.speedIndex_perDay === null ? WORDS.notKnown : WORDS.aDay(decimal(m.speedIndex_perDay, 1)),
      WORDS.maguire1962,
    ],
    [WORDS.evennessSynchrony, m.synchrony === null ? WORDS.notKnown : decimal(m.synchrony, 2), WORDS.words1AllOnOneDay],
    [
      WORDS.placeAtSowing,
      data.temperature_C === null ? WORDS.noPlace : degrees(data.temperature_C, unit),
      WORDS.meanOfDayAndNight,
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
      <caption className="text-left font-semibold">{WORDS.sideBySide}</caption>
      <thead>
        <tr>
          <th>{WORDS.batch}</th>
          <th>{WORDS.lot}</th>
          <th className="r">{WORDS.at}</th>
          <th className="r">{WORDS.up}</th>
          <th className="r">{WORDS.halfDays}</th>
          <th className="r">{WORDS.nineTenths}</th>
          <th>
            <span className="sr-only">{WORDS.leaveOut}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {[data, ...others].map((one, i) => (
          <tr key={one.batchId}>
            <td>
              <a href={`/batch/${one.batchId}/emergence`}>{one.name}</a>{' '}
              <span className="text-ink2">
                {i === 0 ? 'plum' : [WORDS.longDashes, 'dots', WORDS.dashAndDot][i - 1]}
              </span>
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
                  {WORDS.leaveOut}
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
      <summary className="min-h-9">{WORDS.theSameAsATable}</summary>
      <table className="plain-table dense">
        <thead>
          <tr>
            <th>{WORDS.day}</th>
            <th className="r">{WORDS.afterSowing2}</th>
            <th className="r">{WORDS.expected}</th>
            <th className="r">{WORDS.nineInTen}</th>
            <th className="r">{WORDS.counted}</th>
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
    const answer = await writeNow<{ batchId: number }>('POST', `/api/batch/${data.batchId}/sow-again`, {
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
          ? WORDS.sownAgainTooLate
          : by === today
            ? WORDS.sownAgainTodayAndNo
            : WORDS.sownAgainByItStill(shortDay(by))}
      </p>
      <label className="field">
        <span className="label">{WORDS.whatWasWrong}</span>
        <select className="input" value={cause} onChange={(e) => setCause(e.target.value)}>
          {causes.map((c) => (
            <option key={c} value={c}>
              {saidOf(c)}
            </option>
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
        {WORDS.keepTheOldTrayAs(keep && WORDS.andSowOnlyWhatIt)}
      </label>
      <button type="submit" className="btn solid" disabled={busy}>
        {WORDS.sowAgain}
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
  if (leggy?.leggy) return { words: WORDS.logItOffTheHeat, href: `/batch/${batchId}` };
  if (verdict.kind === 'count again' || verdict.kind === 'too soon')
    return { words: WORDS.countIt, href: `/germination/count/${code}` };
  return null;
}
