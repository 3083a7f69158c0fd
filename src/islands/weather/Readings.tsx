import { Chart } from '../../ui/kit/Chart.tsx';
import { useView, writeNow } from '../../ui/kit/data.ts';
import { differenceWords } from '../../core/units/words.ts';
import { length } from '../../ui/house.ts';
import { useEffect, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { ReadingsShown } from '../../contracts/weather/siteReadings.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { aboutDegrees, counted, degrees, shortDay, spokenDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { WORDS } from '../../words/en/weather/readings.ts';

interface Props {
  readonly initial: ReadingsShown;
}

/** Readings taken by hand, quick to write down; what they teach of covers and soil. */
export function Readings({ initial }: Props) {
  const { view, refresh: again } = useView<ReadingsShown>('/api/weather/readings', initial);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const refresh = async (words: string) => {
    setSaid(words);
    await again();
  };
  async function withdraw(id: number): Promise<void> {
    const answer = await writeNow('POST', '/api/weather/readings', {
      idempotencyKey: freshKey(),
      kind: 'withdrawn',
      day: isoFromDay(view.today),
      correctsId: id,
    });
    if (answer.kind === 'done') await refresh(WORDS.withdrawn);
    else setSaid(trouble(answer));
  }
  const { unit, today } = view;
  const name = new Map(view.covers.map((c) => [c.id, c.name]));
  const t = (value: number | null) => (value === null ? '' : degrees(value, unit));
  return (
    <div data-ready={ready}>
      <h1>{WORDS.readings}</h1>
      <p role="status" aria-live="polite" className={said ? 'note-bar my-2' : 'sr-only'}>
        {said}
      </p>
      <div className="mt-2 grid grid-cols-1 gap-8 min-[1000px]:grid-cols-[420px_minmax(0,1fr)]">
        <div>
          <MaxMin view={view} onKept={(w) => void refresh(w)} />
          <Soil view={view} onKept={(w) => void refresh(w)} />
        </div>
        <div className="min-w-0">
          <h2>{WORDS.whatEachCoverIsWorth}</h2>
          <p className="text-[0.92rem] text-ink2">{WORDS.readUnderItAndOutside}</p>
          {view.worths.map((w) => (
            <div key={w.coverId} className="border-b border-line py-2">
              <div className="flex flex-wrap items-baseline gap-x-4">
                <span className="num w-20 text-2xl">+{differenceWords(w.worth_K, unit)}</span>
                <span className="font-semibold">{w.name}</span>
                <span className="text-[0.92rem] text-ink2">
                  {w.own
                    ? WORDS.giveOrTakeCountedOn(
                        counted(w.nights, WORDS.ownNight),
                        differenceWords(w.spread_K, unit),
                        differenceWords(w.safe_K, unit),
                      )
                    : WORDS.asWrittenOfNightsRead(w.nights, w.wants)}
                </span>
              </div>
              {w.pairs.length > 0 && <Pairs pairs={w.pairs} unit={unit} />}
            </div>
          ))}
          <h2 className="mt-6">{WORDS.soilAt(length(100))}</h2>
          <SoilDrawing view={view} />
          <h2 className="mt-6">{WORDS.theLastFourWeeks}</h2>
          {view.readings.length === 0 && <p className="text-ink2">{WORDS.noneYetAMaxMin}</p>}
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.readingsOfTheLastFour}>
            <table className="plain-table mid">
              <thead>
                <tr>
                  <th>{WORDS.day}</th>
                  <th>{WORDS.where}</th>
                  <th className="r">{WORDS.lowest}</th>
                  <th className="r">{WORDS.highest}</th>
                  <th className="r">{WORDS.soil}</th>
                  <th>{WORDS.note}</th>
                  <th>
                    <span className="sr-only">{WORDS.withdraw}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {view.readings.map((r) => (
                  <tr key={r.id}>
                    <td>{spokenDay(r.day, today)}</td>
                    <td>
                      {r.kind === 'soil'
                        ? WORDS.soil2(length(100))
                        : r.coverId === null
                          ? WORDS.outside
                          : name.get(r.coverId)}
                    </td>
                    <td className="r num">{t(r.least_C)}</td>
                    <td className="r num">{t(r.most_C)}</td>
                    <td className="r num">{t(r.soil_C)}</td>
                    <td className="text-ink2">{r.note}</td>
                    <td className="r">
                      <button
                        type="button"
                        className="btn"
                        aria-label={WORDS.withdrawTheReadingOf(shortDay(r.day))}
                        onClick={() => void withdraw(r.id)}
                      >
                        {WORDS.withdraw}
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
      </div>
    </div>
  );
}

interface FormProps {
  readonly view: ReadingsShown;
  readonly onKept: (words: string) => void;
}

const maxMinFields = (covers: ReadingsShown['covers']): FieldSpec[] => [
  {
    key: 'coverId',
    label: WORDS.whereItHangs,
    kind: 'link',
    optional: true,
    emptyWords: WORDS.outsideInShadeOffThe,
    options: covers.map((c) => [c.id, WORDS.under(c.name)]),
  },
  { key: 'day', label: WORDS.morningOf, kind: 'date', hint: WORDS.theLowOfTheNight },
  { key: 'least_C', label: WORDS.lowest, kind: 'temperature', optional: true, big: true },
  { key: 'most_C', label: WORDS.highest, kind: 'temperature', optional: true, big: true },
];
const SOIL_FIELDS: readonly FieldSpec[] = [
  { key: 'soil_C', label: WORDS.soil, kind: 'temperature', big: true },
  { key: 'offset_K', label: WORDS.inMeltingIceItShows, kind: 'temperature' },
];
const PATH = '/api/weather/readings';
/** Loaded when something is sent: a page that is only read is spared it. */
const schemaOf = () => import('../../contracts/weather/siteReadings.ts').then((m) => m.siteReadingInput);

function MaxMin({ view, onKept }: FormProps) {
  const today = isoFromDay(view.today);
  const placeOf = (coverId: unknown) => view.covers.find((c) => c.id === coverId)?.name ?? WORDS.outside;
  return (
    <section className="card">
      <h2>{WORDS.maxMinThermometer}</h2>
      <TypedForm
        className="mt-2"
        columns="grid grid-cols-2 gap-3"
        fields={maxMinFields(view.covers)}
        start={{ coverId: null, day: today, least_C: null, most_C: null }}
        keeps={['coverId', 'day']}
        path={PATH}
        schema={schemaOf}
        extra={{ kind: 'max-min' }}
        draft="max-min"
        waits={({ coverId }) => WORDS.readingOf(placeOf(coverId))}
        saveWords={WORDS.keepIt}
        buttonClass="btn solid mt-3 w-full"
        said={null}
        onDone={(_, { coverId, day }) =>
          onKept(WORDS.kept(placeOf(coverId), day === today ? WORDS.today2 : String(day)))
        }
      />
    </section>
  );
}

function Soil({ view, onKept }: FormProps) {
  return (
    <section className="card mt-4">
      <h2>{WORDS.soilThermometer}</h2>
      <p className="text-[0.92rem] text-ink2">{WORDS.deepInTheBedA(length(100))}</p>
      <TypedForm
        className="mt-2"
        columns="grid grid-cols-2 gap-3"
        fields={SOIL_FIELDS}
        start={{ soil_C: null, offset_K: 0 }}
        keeps={['offset_K']}
        path={PATH}
        schema={schemaOf}
        extra={{ kind: 'soil', day: isoFromDay(view.today) }}
        draft="soil"
        waits={() => WORDS.readingOf(WORDS.soilThermometer)}
        saveWords={WORDS.keepIt}
        buttonClass="btn solid mt-3 w-full"
        said={null}
        onDone={() => onKept(WORDS.soilKept)}
      />
    </section>
  );
}

type Pair = ReadingsShown['worths'][number]['pairs'][number];

/** Nights under a cover and outside, as pairs: colour is temperature, the figure beside it. */
function Pairs({ pairs, unit }: { readonly pairs: readonly Pair[]; readonly unit: 'C' | 'F' }) {
  return (
    <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-1 text-[0.85rem]" aria-label={WORDS.nightsRead}>
      {pairs.slice(0, 10).map((p) => (
        <li key={p.day} className="flex items-center gap-1.5">
          <span className="text-ink2">{shortDay(p.day)}</span>
          <svg width="14" height="16" aria-hidden="true">
            <rect width="7" height="16" fill={temperatureColour(p.outside_C)} />
            <rect x="7" width="7" height="16" fill={temperatureColour(p.inside_C)} />
          </svg>
          <span className="num text-base">
            {degrees(p.outside_C, unit)} → {degrees(p.inside_C, unit)}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Soil as reckoned day by day, with what the thermometer said; ahead by the forecast. */
function SoilDrawing({ view }: { readonly view: ReadingsShown }) {
  const { soil, today, unit } = view;
  if (soil.length === 0) return <p className="text-ink2">{WORDS.nothingToGoByYet}</p>;
  const values = soil.flatMap((s) => [s.value_C, s.read_C ?? s.value_C]);
  const [low, high] = [Math.floor(Math.min(...values) - 1), Math.ceil(Math.max(...values) + 1)];
  const now = soil.find((s) => s.day === today)!;
  const rows = soil.map((s) => ({
    day: s.day,
    past: s.day <= today ? s.value_C : null,
    ahead: s.day >= today ? s.value_C : null,
    read: s.read_C,
  }));
  return (
    <div className="max-w-[900px]">
      <Chart
        label={WORDS.soilAtTodayReadingsStand(length(100), aboutDegrees(now.value_C, unit))}
        height="low"
        rows={rows}
        x="day"
        xTicks={soil.filter((_, i) => i % 7 === 0).map((s) => s.day)}
        xTick={shortDay}
        yDomain={[low, high]}
        yTicks={[low, Math.round((low + high) / 2), high]}
        yTick={(t) => degrees(t, unit)}
        lines={[
          { key: 'past', stroke: 'var(--color-ink)', width: 2.5 },
          { key: 'ahead', stroke: 'var(--color-ink)', dash: '5 4' },
        ]}
        points={[{ key: 'read', fill: 'var(--color-plum)' }]}
        marks={[
          {
            at: { x: today },
            stroke: 'var(--color-ink)',
            dash: '2 4',
            words: WORDS.today(aboutDegrees(now.value_C, unit)),
          },
        ]}
        right={40}
      />
      <p className="text-[0.88rem] text-ink2">{WORDS.runsAfterTheDaysMean}</p>
    </div>
  );
}
