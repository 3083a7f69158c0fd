import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { SPOTS, type HotBedLine, type Spot } from '../../core/heat/hotBed.ts';
import { shownTemperature, temperatureFromShown } from '../../core/units/temperature.ts';
import type { HotBedView } from '../../contracts/heat/heatViews.ts';
import { fieldError, freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import { counted, degrees, spokenDay } from '../../ui/format.ts';
import { house, length } from '../../ui/house.ts';
import { useSend } from '../../ui/useSend.ts';
import { useWidth } from '../../ui/useWidth.ts';
import { figureOr } from '../../ui/kit/fields.ts';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/books/hotBedPanel.ts';

const SPOT_WORDS: Readonly<Record<Spot, string>> = {
  middle: WORDS.inTheMiddle,
  edge: WORDS.atTheEdge,
  hottest: WORDS.atTheHottestSpot,
};
const DONE_WORDS = { built: 'Built', turned: 'Turned and added to', read: 'Read' } as const;

interface Props {
  readonly view: HotBedView;
  readonly log: readonly HotBedLine[];
  readonly today: number;
}

/** A hot bed as it stands: what it wants, its days ahead, and its log by tap and stick thermometer. */
export function HotBedPanel({ view, log, today }: Props) {
  const { unit } = house();
  const [day, setDay] = useState(isoFromDay(today));
  const { by, setBy, remember } = useSignature();
  const [medium, setMedium] = useState('');
  const [spot, setSpot] = useState<Spot>('middle');
  const path = `/api/heat/hot-beds/${view.placeId}`;
  const { problem, message, send } = useSend(path, () => {
    remember();
    setMedium('');
    setSaid('');
  });
  const [said, setSaid] = useState('');
  async function withdraw(line: HotBedLine): Promise<void> {
    const answer = await writeNow('POST', path, {
      kind: 'withdrawn',
      idempotencyKey: freshKey(),
      on: isoFromDay(today),
      by: by.trim() || WORDS.notSaid,
      correctsId: line.id,
    });
    setSaid(answer.kind === 'done' ? '' : trouble(answer));
  }
  return (
    <section className="card mb-5" aria-label={WORDS.theHotBedAsIt}>
      <h2>{view.built === null ? WORDS.noHeapStands : WORDS.heapOf(spokenDay(view.built, today))}</h2>
      <p className="text-ink2">
        {WORDS.airUnderTheShutLid(
          view.built === null
            ? WORDS.theNextIsPlannedFor(view.buildOn === null ? WORDS.noDayYet : spokenDay(view.buildOn, today))
            : WORDS.atItsWarmestAbout(spokenDay(view.peakOn, today), strengthWords(view)),
          degrees(view.underLid_C, unit),
          length(1000 * view.sunk_m),
        )}
      </p>
      {view.orders.length > 0 && (
        <ul className="mt-2 list-disc pl-5 font-semibold">
          {view.orders.map((order) => (
            <li key={order}>{order.charAt(0).toUpperCase() + order.slice(1)}.</li>
          ))}
        </ul>
      )}
      <BedDays view={view} today={today} />
      <form
        className="mt-3 grid grid-cols-2 gap-2 min-[700px]:grid-cols-4"
        noValidate
        data-typing
        onSubmit={(e) => {
          e.preventDefault();
          const medium_C = figureOr(medium, (n) => Math.round(100 * temperatureFromShown(n, unit)) / 100);
          void send({ kind: 'read', on: day, by, medium_C, spot }, WORDS.kept);
        }}
      >
        <Field
          id="bed-day"
          label={WORDS.day}
          type="date"
          value={day}
          error={fieldError(problem, 'on')}
          onValue={setDay}
          max={isoFromDay(today)}
        />
        <Field id="bed-by" label={WORDS.who} value={by} error={fieldError(problem, 'by')} onValue={setBy} />
        <Field
          id="bed-medium"
          label={WORDS.stickThermometer(unit)}
          inputMode="decimal"
          value={medium}
          error={fieldError(problem, 'medium_C')}
          onValue={setMedium}
        />
        <div className="field">
          <label htmlFor="bed-spot">{WORDS.putIn}</label>
          <select id="bed-spot" className="input" value={spot} onChange={(e) => setSpot(e.target.value as Spot)}>
            {SPOTS.map((one) => (
              <option key={one} value={one}>
                {SPOT_WORDS[one]}
              </option>
            ))}
          </select>
        </div>
        <div className="col-span-2 flex flex-wrap gap-2 min-[700px]:col-span-4">
          <button type="submit" className="btn solid" disabled={medium.trim() === ''}>
            {WORDS.keepTheReading}
          </button>
          {(['built', 'turned'] as const).map((kind) => (
            <button
              key={kind}
              type="button"
              className="btn"
              onClick={() => void send({ kind, on: day, by }, WORDS.kept)}
            >
              {WORDS.thatDay(DONE_WORDS[kind])}
            </button>
          ))}
        </div>
      </form>
      {(message || said) && (
        <p role="alert" className="note-bar bad mt-2">
          {message || said}
        </p>
      )}
      {log.length > 0 && (
        <ul className="mt-2 max-w-[34rem] text-[0.92rem]">
          {[...log].reverse().map((line) => (
            <li key={line.id} className="flex items-baseline gap-2 border-b border-dotted border-ink3 py-1">
              <span className="min-w-0 flex-1">
                <span className="font-semibold">
                  {DONE_WORDS[line.kind]}
                  {line.medium_C !== null && ` ${degrees(line.medium_C, unit)} ${SPOT_WORDS[line.spot]}`}
                </span>{' '}
                <span className="text-ink2">
                  {spokenDay(line.on, today)}, {line.by}
                </span>
              </span>
              <button
                type="button"
                className="btn small"
                aria-label={WORDS.withdraw(DONE_WORDS[line.kind], spokenDay(line.on, today))}
                onClick={() => void withdraw(line)}
              >
                {WORDS.withdraw2}
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function strengthWords({ readings, factor }: HotBedView): string {
  if (readings === 0) return WORDS.notReadYetWhatFollows;
  const percent = Math.round(100 * (factor - 1));
  const says = percent === 0 ? WORDS.asMuch : `${Math.abs(percent)}% ${percent > 0 ? 'more' : 'less'}`;
  return WORDS.byItGivesHeatUsual(counted(readings, WORDS.reading), says, percent === 0 ? WORDS.as : WORDS.than);
}

/** The medium over the days ahead, drawn and in a table. */
function BedDays({ view, today }: { readonly view: HotBedView; readonly today: number }) {
  const { unit } = house();
  const [box, width] = useWidth();
  const rows = view.days.map((d) => ({
    day: d.day,
    night: Math.round(10 * shownTemperature(d.night_C, unit)) / 10,
    high: Math.round(10 * shownTemperature(d.day_C, unit)) / 10,
  }));
  const weeks = view.days.filter((_, i) => i % 7 === 0);
  return (
    <>
      <div ref={box} className="mt-3" aria-hidden="true">
        {width > 0 && (
          <LineChart
            data={rows}
            width={width}
            height={200}
            margin={{ top: 8, right: 30, bottom: 4, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--color-line)" vertical={false} />
            <XAxis
              dataKey="day"
              tickFormatter={(day: number) => spokenDay(day, today)}
              tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
              interval={13}
            />
            <YAxis width={40} unit="°" tick={{ fill: 'var(--color-ink2)', fontSize: 13 }} allowDecimals={false} />
            {view.least_C !== null && (
              <ReferenceLine
                y={shownTemperature(view.least_C, unit)}
                stroke="var(--color-brick)"
                strokeDasharray="6 4"
              />
            )}
            <Line dataKey="high" stroke="var(--color-ink)" strokeWidth={2} isAnimationActive={false} dot={false} />
            <Line dataKey="night" stroke="var(--color-plum)" strokeWidth={2.5} isAnimationActive={false} dot={false} />
          </LineChart>
        )}
      </div>
      <details className="mt-1">
        <summary className="cursor-pointer">
          {WORDS.mediumByDayDarkAnd(view.least_C !== null && WORDS.dashedTheWanted(degrees(view.least_C, unit)))}
        </summary>
        <table className="plain-table mt-1 max-w-md">
          <thead>
            <tr>
              <th>{WORDS.weekOf}</th>
              <th className="r">{WORDS.byDay}</th>
              <th className="r">{WORDS.byNight}</th>
            </tr>
          </thead>
          <tbody>
            {weeks.map((d) => (
              <tr key={d.day}>
                <td>{spokenDay(d.day, today)}</td>
                <td className="r">{degrees(d.day_C, unit)}</td>
                <td className="r">{degrees(d.night_C, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
