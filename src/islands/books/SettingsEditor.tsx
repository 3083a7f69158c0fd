import { PlanningFields, planningBody, typedPlanning } from './PlanningFields.tsx';
import { difference, house } from '../../ui/house.ts';
import { ROUGH_BAND_K } from '../../core/weather/roughClimate.ts';
import type { NurseryRecord } from '../../core/house/nursery.ts';
import { useState } from 'react';
import type { Weights } from '../../core/plan/placement/instance.ts';
import { temperatureFromShown } from '../../core/units/temperature.ts';
import { Field } from '../../ui/Field.tsx';
import { OffHeatChoice, offHeatBody, typedOffHeat } from '../../ui/OffHeatChoice.tsx';
import { monthName } from '../../ui/format.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { LineForm } from './LineForm.tsx';
import { figureOr, typedTemperature } from '../../ui/kit/fields.ts';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

function fieldsOf(zones: readonly string[]): FieldSpec[] {
  return [
    { key: 'name', label: 'Name of the nursery', kind: 'text' },
    { key: 'placeName', label: 'Place', kind: 'text', optional: true },
    {
      key: 'timeZone',
      label: 'Time zone',
      kind: 'choice',
      options: zones.map((zone) => [zone, zone.replaceAll('_', ' ')]),
    },
    {
      key: 'latitude_deg',
      label: 'Latitude, degrees north',
      kind: 'number',
      hint: 'minus is south',
    },
    {
      key: 'longitude_deg',
      label: 'Longitude, degrees east',
      kind: 'number',
      hint: 'minus is west',
    },
    {
      key: 'lastFrost',
      label: 'Mean last frost',
      kind: 'text',
      hint: 'month and day: 05-08 is 8 May',
    },
    {
      key: 'firstFrost',
      label: 'Mean first frost',
      kind: 'text',
      hint: 'month and day: 10-18 is 18 October',
    },
    {
      key: 'temperatureUnit',
      label: 'Temperatures in',
      kind: 'choice',
      options: [
        ['C', 'Celsius'],
        ['F', 'Fahrenheit'],
      ],
    },
    {
      key: 'lengthUnit',
      label: 'Lengths in',
      kind: 'choice',
      options: [
        ['cm', 'centimetres'],
        ['in', 'inches'],
      ],
    },
    { key: 'currency', label: 'Money in', kind: 'text', hint: 'three letters: EUR, GBP, USD' },
    {
      key: 'firstWeekday',
      label: 'Week begins on',
      kind: 'link',
      options: WEEKDAYS.map((day, i) => [i + 1, day]),
    },
    { key: 'spare_percent', label: 'Overplanting (spare to sow), %', kind: 'number' },
    {
      key: 'coolSchool',
      label: 'Heat for cool crops',
      kind: 'choice',
      options: [
        ['none', 'none, only frost kept out'],
        ['gentle', 'gentle, up to the most below'],
        ['same', 'the same as for warm crops'],
      ],
    },
    { key: 'coolMost_C', label: 'Most set-point for cool crops', kind: 'temperature', hint: 'for the gentle rule' },
    {
      key: 'exposure',
      label: 'How the nursery lies in the wind',
      kind: 'choice',
      optional: true,
      options: [
        ['sheltered', 'sheltered: hedges, walls, a town'],
        ['open', 'open: fields with hedges'],
        ['exposed', 'exposed: hill, coast, plain'],
      ],
      hint: 'until gusts of your own are known',
    },
    {
      key: 'coldest_C',
      label: 'Coldest night of a usual year',
      kind: 'temperature',
      optional: true,
      hint: 'tells how far nights swing, until years of the site are imported',
    },
    {
      key: 'climateYears',
      label: 'Go by the last years only',
      kind: 'number',
      optional: true,
      hint: 'such as 15, where it has grown warmer; empty: all',
    },
    { key: 'learning', label: 'Plan by the house’s own times to come up', kind: 'flag' },
  ];
}

const EMPTY_YEAR: readonly null[] = new Array<null>(12).fill(null);
const WEIGHT_WORDS: readonly (readonly [keyof Weights, string])[] = [
  ['late_perTrayDay', 'A tray a day late'],
  ['early_perTrayDay', 'A tray a day too early'],
  ['wait_perTrayDay', 'A tray a day waiting'],
  ['ageing_perTrayDay', 'A tray a day older than is fair'],
  ['discomfort_perTrayKelvin', 'A tray a day a degree out of comfort'],
  ['overtime_perHour', 'An hour beyond the hands'],
  ['move_perTray', 'Carrying a tray'],
  ['setPointChange', 'Changing a set-point'],
  ['unplaced_perTray', 'A tray left out'],
  ['mostLate_days', 'Most days late'],
  ['mostEarly_days', 'Most days too early'],
];

/** The nursery's settings. They change what is shown and planned, never what was logged. */
export function SettingsEditor({
  nursery,
  zones,
}: {
  readonly nursery: NurseryRecord;
  readonly zones: readonly string[];
}) {
  const line = {
    ...nursery,
    id: 1,
    spare_percent: Math.round(nursery.spare_frac * 1000) / 10,
  };
  const [outside, setOutside] = useState<readonly { day: string; night: string }[]>(() =>
    ((nursery.outsideBy === 'typed' || nursery.outsideBy === undefined ? nursery.outside : null) ?? EMPTY_YEAR).map(
      (month) => ({
        day: month === null ? '' : typedTemperature(month.day_C, nursery.temperatureUnit),
        night: month === null ? '' : typedTemperature(month.night_C, nursery.temperatureUnit),
      }),
    ),
  );
  const [weights, setWeights] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(Object.entries(nursery.weights).map(([key, value]) => [key, String(value)])),
  );
  const [planning, setPlanning] = useState(() => typedPlanning(nursery.planning, nursery.temperatureUnit));
  const [offHeat, setOffHeat] = useState(() => typedOffHeat(nursery.offHeat));
  const [offHeatCool, setOffHeatCool] = useState(() => typedOffHeat(nursery.offHeatCool));
  const toC = (text: string) =>
    figureOr(text, (n) => Math.round(temperatureFromShown(n, nursery.temperatureUnit) * 100) / 100);
  const blankYear = outside.every((month) => month.day.trim() === '' && month.night.trim() === '');
  const extra = {
    offHeat: offHeatBody(offHeat),
    offHeatCool: offHeatBody(offHeatCool),
    ...(blankYear ? {} : { outside: outside.map((month) => ({ day_C: toC(month.day), night_C: toC(month.night) })) }),
    planning: planningBody(planning, nursery.temperatureUnit),
    weights: Object.fromEntries(Object.entries(weights).map(([key, text]) => [key, figureOr(text, (n) => n)])),
  };
  return (
    <LineForm
      extra={extra}
      path="/api/house/nursery"
      fields={fieldsOf(zones)}
      line={line}
      blank={{}}
      unit={nursery.temperatureUnit}
      saveWords="Save the settings"
      send={(values, version) => {
        const { spare_percent, ...rest } = values;
        const spare_frac = typeof spare_percent === 'number' ? spare_percent / 100 : spare_percent;
        return {
          method: 'PUT',
          path: '/api/house/nursery',
          body: { ...rest, spare_frac, version },
        };
      }}
      after={() => '/house/settings'}
    >
      {(error) => (
        <>
          <div className="mt-3 grid grid-cols-1 gap-3 min-[700px]:grid-cols-2">
            <OffHeatChoice
              id="off-heat"
              label="Off the heat"
              house={false}
              path="offHeat"
              value={offHeat}
              error={error}
              onValue={setOffHeat}
            />
            <OffHeatChoice
              id="off-heat-cool"
              label="Cool crops off the heat"
              house
              path="offHeatCool"
              value={offHeatCool}
              error={error}
              onValue={setOffHeatCool}
            />
          </div>
          <fieldset className="mt-6">
            <legend className="num text-[1.1rem]">Usual temperatures outside</legend>
            <p className="text-[0.9rem] text-ink2">
              Mean warmest and coldest of the day, by month. Places that follow outside, and the heat of those that are
              heated, are reckoned from these.
              {nursery.outsideBy === 'years' &&
                ' None are typed: the means of the years of weather you imported stand for them.'}
              {nursery.outsideBy === 'guess' &&
                ` What stands there is a rough guess by where you lie, good to within ±${difference(ROUGH_BAND_K, 0)}: type your own, or import years of weather.`}
            </p>
            {error('outside') && <p className="font-semibold text-brick">{error('outside')}</p>}
            <div className="mt-2 grid grid-cols-3 gap-x-3 gap-y-2 min-[700px]:grid-cols-6">
              {outside.map((month, i) => (
                <div key={i}>
                  <span className="text-[0.9rem] font-semibold">{monthName(i + 1).slice(0, 3)}</span>
                  {(['day', 'night'] as const).map((part) => (
                    <input
                      key={part}
                      className="input mt-1"
                      inputMode="decimal"
                      aria-label={`${monthName(i + 1)}, ${part}`}
                      placeholder={
                        nursery.outsideBy !== 'typed' && nursery.outside
                          ? typedTemperature(nursery.outside[i]![`${part}_C`], nursery.temperatureUnit)
                          : part
                      }
                      aria-invalid={error(`outside.${i}.${part}_C`) ? true : undefined}
                      value={month[part]}
                      onChange={(e) =>
                        setOutside(outside.map((other, j) => (j === i ? { ...other, [part]: e.target.value } : other)))
                      }
                    />
                  ))}
                </div>
              ))}
            </div>
          </fieldset>
          <PlanningFields typed={planning} unit={nursery.temperatureUnit} error={error} onTyped={setPlanning} />
          <fieldset className="mt-6">
            <legend className="num text-[1.1rem]">What things are worth when a season is planned</legend>
            <p className="text-[0.9rem] text-ink2">
              In {house().currency}. The planner weighs one against the other by these; they are a start, no source.
            </p>
            <div className="mt-2 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
              {WEIGHT_WORDS.map(([key, words]) => (
                <Field
                  key={key}
                  id={`weight-${key}`}
                  label={words}
                  inputMode="decimal"
                  value={weights[key] ?? ''}
                  error={error(`weights.${key}`)}
                  onValue={(value) => setWeights({ ...weights, [key]: value })}
                />
              ))}
            </div>
          </fieldset>
        </>
      )}
    </LineForm>
  );
}
