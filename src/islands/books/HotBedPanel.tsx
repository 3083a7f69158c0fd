import { freshKey } from '../../ui/call.ts';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { SPOTS, type HotBedLine, type Spot } from '../../core/heat/hotBed.ts';
import { shownTemperature } from '../../core/units/temperature.ts';
import type { HotBedView } from '../../contracts/heat/heatViews.ts';
import { useWrite } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import { counted, degrees, spokenDay } from '../../ui/format.ts';
import { house, length } from '../../ui/house.ts';
import { useWidth } from '../../ui/useWidth.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { useSignature } from '../../ui/who.ts';
import { WORDS } from '../../words/en/books/hotBedPanel.ts';

const SPOT_WORDS: Readonly<Record<Spot, string>> = {
  middle: WORDS.inTheMiddle,
  edge: WORDS.atTheEdge,
  hottest: WORDS.atTheHottestSpot,
};
const DONE_WORDS = { read: WORDS.read, built: WORDS.built, turned: WORDS.turned } as const;
const READ = { key: 'kind', is: 'read' } as const;
const FIELDS: readonly FieldSpec[] = [
  { key: 'kind', label: WORDS.whatWasDone, kind: 'choice', options: Object.entries(DONE_WORDS) },
  { key: 'on', label: WORDS.day, kind: 'date' },
  { key: 'medium_C', label: WORDS.stickThermometer, kind: 'temperature', when: READ },
  {
    key: 'spot',
    label: WORDS.putIn,
    kind: 'choice',
    options: SPOTS.map((one) => [one, SPOT_WORDS[one]]),
    when: READ,
  },
];

interface Props {
  readonly view: HotBedView;
  readonly log: readonly HotBedLine[];
  readonly today: number;
}

/** A hot bed as it stands: what it wants, its days ahead, and its log by tap and stick thermometer. */
export function HotBedPanel({ view, log, today }: Props) {
  const { unit } = house();
  const { by, setBy, remember } = useSignature();
  const path = `/api/heat/hot-beds/${view.placeId}`;
  const withdrawing = useWrite('POST', path);
  const withdraw = ({ id }: HotBedLine): void =>
    withdrawing.mutate({
      // Each line has a withdrawal of its own.
      idempotencyKey: freshKey(),
      kind: 'withdrawn',
      on: isoFromDay(today),
      by: by.trim() || WORDS.notSaid,
      correctsId: id,
    });
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
      <TypedForm
        className="mt-3"
        columns="grid grid-cols-2 gap-2 min-[700px]:grid-cols-3"
        fields={FIELDS.map((f) => (f.kind === 'date' ? { ...f, max: isoFromDay(today) } : f))}
        start={{ kind: 'read', on: isoFromDay(today), medium_C: null, spot: 'middle' }}
        keeps={['on', 'spot']}
        path={path}
        extra={{ by }}
        draft={null}
        waits={({ kind }) => WORDS.lineOf(DONE_WORDS[kind as keyof typeof DONE_WORDS])}
        said={() => WORDS.kept}
        onDone={remember}
        saveWords={WORDS.keepIt}
      >
        {(error) => (
          <div className="mt-2 max-w-60">
            <Field id="bed-by" label={WORDS.who} value={by} error={error('by')} onValue={setBy} />
          </div>
        )}
      </TypedForm>
      {withdrawing.error && (
        <p role="alert" className="note-bar bad mt-2">
          {withdrawing.error.message}
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
                onClick={() => withdraw(line)}
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
            <YAxis
              width={50}
              unit={`°${unit}`}
              tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
              allowDecimals={false}
            />
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
