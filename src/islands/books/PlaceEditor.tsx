import { useState } from 'react';
import type { PlaceRecord } from '../../core/books/records.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { dayFromIso } from '../../core/calendar/dayNumber.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from './LineForm.tsx';
import { figureOr, typedTemperature } from '../../ui/kit/fields.ts';
import { PlaceSizeAndDays, PlaceWarmth } from './PlaceWarmth.tsx';
import { lightToSend, PlaceLightFields, typedLight } from './PlaceLight.tsx';
import type { HotBedLine } from '../../core/heat/hotBed.ts';
import { WATER_BY, type PlaceLight } from '../../core/books/place.ts';
import { partsOf, partsToSend, type PlaceParts } from './placeParts.ts';
import { WORDS } from '../../words/en/books/placeEditor.ts';

export const KIND_WORDS = [
  ['dark-chamber', 'dark chamber'],
  ['lit-chamber', 'lit chamber'],
  ['bench', 'bench'],
  ['house', WORDS.houseOrBay],
  ['frame', 'frame'],
  ['ground', WORDS.standingGround],
] as const;

const FIELDS: readonly FieldSpec[] = [
  { key: 'name', label: WORDS.name, kind: 'text' },
  { key: 'kind', label: WORDS.kind, kind: 'choice', options: KIND_WORDS },
  { key: 'lit', label: WORDS.hasLight, kind: 'flag' },
  { key: 'room_trays', label: WORDS.roomStandardTrays, kind: 'number' },
  {
    key: 'walkOrder',
    label: WORDS.placeInTheRound,
    kind: 'number',
    hint: WORDS.words1IsWalkedFirst,
  },
  { key: 'door', label: WORDS.door, kind: 'text', optional: true, hint: WORDS.aTunnelOrHouseOne },
  { key: 'level', label: WORDS.level, kind: 'number', hint: WORDS.theGroundIs0 },
  {
    key: 'wet_K',
    label: WORDS.aWetTrayIsCooler,
    kind: 'difference',
    optional: true,
    hint: WORDS.openTraysAFewDegrees,
  },
  {
    key: 'waterBy',
    label: WORDS.wateredBy,
    kind: 'choice',
    options: WATER_BY.map((by) => [by, WORDS.waterBy[by]] as const),
  },
];

interface Row {
  readonly from: string;
  readonly day: string;
  readonly night: string;
}

/** A place: kind, room, and its temperature by day and night for each part of the year. */
export function PlaceEditor({
  place,
  unit,
  next,
}: {
  readonly place: PlaceRecord | null;
  readonly unit: TemperatureUnit;
  readonly next: number;
}) {
  const [rows, setRows] = useState<readonly Row[]>(() =>
    rowsOf(place?.periods ?? [{ from: '01-01', day_C: 20, night_C: 16 }], unit),
  );
  const [parts, setParts] = useState<PlaceParts>(() => partsOf(place, unit));
  const [light, setLight] = useState(() => typedLight(place?.light, place?.kind ?? 'bench'));
  const change = (part: Partial<PlaceParts>) => setParts((before) => ({ ...before, ...part }));
  const setRow = (i: number, change: Partial<Row>) =>
    setRows(rows.map((row, j) => (j === i ? { ...row, ...change } : row)));
  const toC = (text: string) => figureOr(text, (n) => Math.round(temperatureFromShown(n, unit) * 100) / 100);
  const periods = rows.map((row) => ({
    from: row.from,
    day_C: toC(row.day),
    night_C: toC(row.night),
  }));
  return (
    <LineForm
      schema={() => import('../../contracts/books/books.ts').then((m) => m.placeInput)}
      path="/api/books/places"
      fields={FIELDS}
      line={place as unknown as (Record<string, unknown> & { id: number; version: number }) | null}
      blank={{ kind: 'bench', lit: true, walkOrder: next, room_trays: 20, level: 0, waterBy: 'hand' }}
      unit={unit}
      extra={{ periods, ...partsToSend(parts, place, unit), light: lightToSend(light) }}
      parts={partsTyped({ rows, parts, light }, (was) => {
        setRows(was.rows);
        setParts(was.parts);
        setLight(was.light);
      })}
      onStaleTaken={(current) => {
        setRows(rowsOf(current['periods'] as PlaceRecord['periods'], unit));
        setParts(partsOf(placeFromAnswer(current), unit));
        setLight(typedLight(current['light'] as PlaceLight | null, current['kind'] as PlaceRecord['kind']));
      }}
      saveWords={place ? WORDS.saveThePlace : WORDS.addThePlace}
      after={(id) => `/books/places?place=${id}`}
    >
      {(error) => (
        <>
          <PlaceWarmth place={place} parts={parts} unit={unit} error={error} onChange={change} />
          <fieldset className={parts.kind === 'written' ? 'mt-5' : 'hidden'}>
            <legend className="num text-[1.1rem]">{WORDS.temperatureThroughTheYear}</legend>
            <p className="text-[0.9rem] text-ink2">{WORDS.writeTheMonthAndDay}</p>
            {error('periods') && <p className="err">{error('periods')}</p>}
            <table className="plain-table mt-2 max-w-xl">
              <thead>
                <tr>
                  <th>{WORDS.from}</th>
                  <th>{WORDS.day(unit)}</th>
                  <th>{WORDS.night(unit)}</th>
                  <th>
                    <span className="sr-only">{WORDS.takeOut}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row, i) => (
                  <tr key={i}>
                    {(['from', 'day', 'night'] as const).map((part) => {
                      const wrong = error(`periods.${i}.${part === 'from' ? 'from' : `${part}_C`}`);
                      return (
                        <td key={part}>
                          <input
                            className="input"
                            aria-label={WORDS.period(i + 1, part)}
                            aria-invalid={wrong ? true : undefined}
                            value={row[part]}
                            onChange={(e) => setRow(i, { [part]: e.target.value })}
                          />
                          {wrong && <span className="text-[0.85rem] font-semibold text-brick">{wrong}</span>}
                        </td>
                      );
                    })}
                    <td>
                      <button
                        type="button"
                        className="link-btn"
                        aria-label={WORDS.takeOutPeriod(i + 1)}
                        onClick={() => setRows(rows.filter((_, j) => j !== i))}
                      >
                        {WORDS.takeOut}
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <button
              type="button"
              className="btn mt-2"
              onClick={() => setRows([...rows, { from: '', day: '', night: '' }])}
            >
              {WORDS.addAPeriod}
            </button>
          </fieldset>
          <PlaceLightFields typed={light} error={error} onChange={setLight} />
          <PlaceSizeAndDays parts={parts} error={error} onChange={change} />
        </>
      )}
    </LineForm>
  );
}

/** A place as an answer of the application has it: its days as dates. */
function placeFromAnswer(answer: Record<string, unknown>): PlaceRecord {
  const place = answer as unknown as PlaceRecord & {
    readonly closed: readonly { from: string; to: string }[];
    readonly setPoints: readonly { week: string; setPoint_C: number | null }[];
    readonly bedLog?: readonly (Omit<HotBedLine, 'on'> & { on: string })[];
  };
  const day = (iso: unknown) => dayFromIso(String(iso)) ?? 0;
  return {
    ...place,
    ...(place.bedLog ? { bedLog: place.bedLog.map((line) => ({ ...line, on: day(line.on) })) } : {}),
    closed: place.closed.map(({ from, to }) => ({ from: day(from), to: day(to) })),
    setPoints: place.setPoints.map(({ week, setPoint_C }) => ({ week: day(week), setPoint_C })),
  };
}

function rowsOf(periods: PlaceRecord['periods'], unit: TemperatureUnit): Row[] {
  return periods.map((p) => ({
    from: p.from,
    day: typedTemperature(p.day_C, unit),
    night: typedTemperature(p.night_C, unit),
  }));
}
