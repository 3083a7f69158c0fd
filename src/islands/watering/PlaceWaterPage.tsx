import { waterInput } from '../../contracts/watering/water.ts';
import type { AirFor, PlaceWaterView } from '../../contracts/watering/waterViews.ts';
import { measureUnit, shownMeasure } from '../../core/units/measure.ts';
import { aboutDegrees, clockWords, degrees, spokenDay } from '../../ui/format.ts';
import { house } from '../../ui/house.ts';
import { Chart } from '../../ui/kit/Chart.tsx';
import { useView } from '../../ui/kit/data.ts';
import { TypedForm } from '../../ui/kit/TypedForm.tsx';
import { useLive } from '../../ui/kit/useLive.ts';
import { decimal, percent } from '../../ui/numbers.ts';
import { WORDS as CARD } from '../../words/en/watering/card.ts';
import { WORDS } from '../../words/en/watering/pages.ts';
import { useWaterLog } from './useWaterLog.ts';
import { WaterCard } from './WaterCard.tsx';

const mmWords = (value: number): string => {
  const { lengthUnit } = house();
  return `${decimal(shownMeasure(value, 'mm', lengthUnit), lengthUnit === 'in' ? 2 : 1)} ${measureUnit('mm', lengthUnit)}`;
};
const FOR: Readonly<Record<AirFor, string>> = { damp: WORDS.damp, right: WORDS.right, dry: WORDS.dry };
const MARK: Readonly<Record<AirFor, string>> = { damp: 'tag bad', right: '', dry: 'font-semibold' };

/** Water and air of a place: what to water, how dry the air is by day and by night, what was read and written. */
export function PlaceWaterPage({ initial }: { readonly initial: PlaceWaterView }) {
  const { view, refresh } = useView<PlaceWaterView>(`/api/watering/places/${initial.place.id}`, initial);
  useLive('/api/house/live', () => void refresh());
  const { log, wrong } = useWaterLog(refresh);
  const { unit, lengthUnit } = house();
  const { place, today } = view;
  const kPa = (value: number) => WORDS.kPa(decimal(value, 2));
  const most = Math.max(0.1, ...view.hours.map(({ demand_mm }) => demand_mm));
  const damp = view.days.slice(0, 2).every(({ byNight }) => byNight === 'damp');
  const named = (line: PlaceWaterView['lines'][number]) =>
    line.kind === 'looked' && line.look
      ? WORDS.found(CARD.look[line.look].toLowerCase())
      : line.kind === 'weighed' && line.weight_g !== null
        ? WORDS.weighed(`${decimal(shownMeasure(line.weight_g, 'g', lengthUnit))} ${measureUnit('g', lengthUnit)}`)
        : WORDS.kinds.watered;
  return (
    <div>
      <h1>{place.name}</h1>
      <nav className="no-print flex flex-wrap gap-x-4 leading-none" aria-label={WORDS.places}>
        {view.places.map(({ id, name, now }) => (
          <a
            key={id}
            className="inline-flex min-h-12 items-center"
            href={`/watering?place=${id}`}
            aria-current={id === place.id ? 'page' : undefined}
          >
            {WORDS.withCount(name, now)}
          </a>
        ))}
      </nav>
      <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-6 min-[1000px]:grid-cols-2">
        <div>
          {view.water ? (
            <WaterCard place={place} water={view.water} today={today} minute={view.minute} refresh={refresh} own />
          ) : (
            <p className="text-ink2">{WORDS.nothingStands}</p>
          )}
          <h2 className="mt-6">{WORDS.lastLines}</h2>
          {wrong !== '' && (
            <p role="alert" className="note-bar bad">
              {wrong}
            </p>
          )}
          {view.lines.length === 0 ? (
            <p className="text-ink2">{WORDS.nothingWritten}</p>
          ) : (
            <ul>
              {view.lines.map((line) => (
                <li key={line.id} className="flex flex-wrap items-center gap-x-3 border-b border-line">
                  <span className="min-w-0 flex-1">
                    {line.name}: <b>{named(line)}</b>{' '}
                    <span className="text-ink2">
                      {WORDS.at(spokenDay(line.day, today), clockWords(line.minute))}
                      {view.people.find(({ id }) => id === line.by) &&
                        `, ${view.people.find(({ id }) => id === line.by)!.initials}`}
                    </span>
                  </span>
                  <button
                    type="button"
                    className="link-btn no-print min-h-11"
                    aria-label={WORDS.takeBackOf(named(line), line.name)}
                    onClick={() => void log({ kind: 'withdrawn', correctsId: line.id }, WORDS.takenBack)}
                  >
                    {WORDS.takeBack}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
        <div className="min-w-0">
          <h2>{WORDS.air}</h2>
          <table className="plain-table mid" aria-label={WORDS.airOf(place.name)}>
            <thead>
              <tr>
                <th>{WORDS.day}</th>
                <th>{WORDS.byDay}</th>
                <th>{WORDS.byNight}</th>
                <th className="r">{WORDS.takes}</th>
              </tr>
            </thead>
            <tbody>
              {view.days.map((one) => (
                <tr key={one.day}>
                  <td>{spokenDay(one.day, today)}</td>
                  {(['byDay', 'byNight'] as const).map((half) => (
                    <td key={half}>
                      <span className="num">{kPa(one[`${half}_kPa`])}</span>{' '}
                      <span className={MARK[one[half]]}>{FOR[one[half]]}</span>
                    </td>
                  ))}
                  <td className="r">{mmWords(one.demand_mm)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {damp && !view.chamber && <p className="note-bar mt-2">{WORDS.openAtDusk}</p>}
          <h3 className="mt-4">{WORDS.coming(measureUnit('mm', lengthUnit))}</h3>
          <Chart
            label={WORDS.chartLabel(mmWords(most))}
            height="low"
            rows={view.hours}
            x="at"
            xDomain={[0, 47]}
            xTicks={view.hours.filter(({ hour }) => hour % 12 === 0).map(({ at }) => at)}
            xTick={(at) => {
              const hour = view.hours[Math.round(at)];
              if (!hour) return '';
              return hour.hour === 0 ? spokenDay(hour.day, today) : clockWords(hour.hour * 60);
            }}
            yDomain={[0, most]}
            yTick={(value) => decimal(shownMeasure(value, 'mm', lengthUnit), lengthUnit === 'in' ? 3 : 2)}
            lines={[{ key: 'demand_mm', stroke: 'var(--color-plum)', width: 2 }]}
          />
          <details>
            <summary className="inline-flex min-h-12 cursor-pointer items-center">{WORDS.hours}</summary>
            <table className="plain-table">
              <thead>
                <tr>
                  <th>{WORDS.time}</th>
                  <th className="r">{WORDS.temperature}</th>
                  <th className="r">{WORDS.deficit}</th>
                  <th className="r">{WORDS.loses}</th>
                </tr>
              </thead>
              <tbody>
                {view.hours
                  .filter((_, i) => i % 3 === 0)
                  .map((hour) => (
                    <tr key={hour.at}>
                      <td>{WORDS.hourAt(spokenDay(hour.day, today), hour.hour)}</td>
                      <td className="r">{aboutDegrees(hour.temp_C, unit)}</td>
                      <td className="r">{kPa(hour.deficit_kPa)}</td>
                      <td className="r">{mmWords(hour.demand_mm)}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </details>
          <p className="max-w-[62ch] text-[0.92rem] text-ink2">{WORDS.airMeans}</p>
          <h2 className="mt-6">{WORDS.readHere}</h2>
          <ul>
            {view.read.map((one) => (
              <li key={one.id}>
                {one.air_C !== null &&
                  one.humidity_frac !== null &&
                  WORDS.readingAir(degrees(one.air_C, unit), percent(one.humidity_frac))}
                {one.water_C !== null &&
                  `${one.air_C === null ? '' : ', '}${WORDS.readingWater(degrees(one.water_C, unit))}`}{' '}
                <span className="text-ink2">{WORDS.at(spokenDay(one.day, today), clockWords(one.minute))}</span>
              </li>
            ))}
          </ul>
          <div className="no-print mt-2 grid grid-cols-1 gap-6 min-[560px]:grid-cols-2">
            <ReadForm
              title={WORDS.readAir}
              fields={[
                { key: 'air_C', label: WORDS.temperature, kind: 'temperature' },
                { key: 'humidity_frac', label: WORDS.humidity, kind: 'number', scale: 100 },
              ]}
              hint={WORDS.humidityHint}
              words={WORDS.airWords(place.name)}
              placeId={place.id}
              onDone={refresh}
            />
            <ReadForm
              title={WORDS.readWater}
              fields={[{ key: 'water_C', label: WORDS.waterTemperature, kind: 'temperature' }]}
              words={WORDS.waterWords(place.name)}
              placeId={place.id}
              onDone={refresh}
            />
          </div>
          <Cautions />
        </div>
      </div>
    </div>
  );
}

interface ReadProps {
  readonly title: string;
  readonly fields: Parameters<typeof TypedForm>[0]['fields'];
  readonly hint?: string;
  readonly words: string;
  readonly placeId: number;
  readonly onDone: () => Promise<void>;
}

function ReadForm({ title, fields, hint, words, placeId, onDone }: ReadProps) {
  return (
    <div>
      <h3>{title}</h3>
      {hint && <p className="text-[0.92rem] text-ink2">{hint}</p>}
      <TypedForm
        fields={fields}
        start={Object.fromEntries(fields.map(({ key }) => [key, null]))}
        path="/api/watering/lines"
        schema={waterInput}
        body={(values) => ({ ...values, kind: 'air', placeId })}
        draft={null}
        waits={() => words}
        onDone={() => void onDone()}
        saveWords={WORDS.keep}
      />
    </div>
  );
}

/** The usual cautions of water, where it is worked with. */
export function Cautions() {
  return (
    <details className="mt-6 max-w-[70ch] text-[0.92rem] text-ink2" open>
      <summary className="inline-flex min-h-12 cursor-pointer items-center">{WORDS.cautions}</summary>
      <ul className="list-disc pl-5">
        {WORDS.caution.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </details>
  );
}
