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
import { WORDS } from '../../words/en/books/settingsEditor.ts';

const WEEKDAYS = [
  WORDS.monday,
  WORDS.tuesday,
  WORDS.wednesday,
  WORDS.thursday,
  WORDS.friday,
  WORDS.saturday,
  WORDS.sunday,
];

function fieldsOf(zones: readonly string[]): FieldSpec[] {
  return [
    { key: 'name', label: WORDS.nameOfTheNursery, kind: 'text' },
    { key: 'placeName', label: WORDS.place, kind: 'text', optional: true },
    {
      key: 'timeZone',
      label: WORDS.timeZone,
      kind: 'choice',
      options: zones.map((zone) => [zone, zone.replaceAll('_', ' ')]),
    },
    {
      key: 'latitude_deg',
      label: WORDS.latitudeDegreesNorth,
      kind: 'number',
      hint: WORDS.minusIsSouth,
    },
    {
      key: 'longitude_deg',
      label: WORDS.longitudeDegreesEast,
      kind: 'number',
      hint: WORDS.minusIsWest,
    },
    {
      key: 'lastFrost',
      label: WORDS.meanLastFrost,
      kind: 'text',
      hint: WORDS.monthAndDay0508,
    },
    {
      key: 'firstFrost',
      label: WORDS.meanFirstFrost,
      kind: 'text',
      hint: WORDS.monthAndDay1018,
    },
    {
      key: 'temperatureUnit',
      label: WORDS.temperaturesIn,
      kind: 'choice',
      options: [
        ['C', WORDS.celsius],
        ['F', WORDS.fahrenheit],
      ],
    },
    {
      key: 'lengthUnit',
      label: WORDS.lengthsIn,
      kind: 'choice',
      options: [
        ['cm', WORDS.centimetres],
        ['in', WORDS.inches],
      ],
    },
    { key: 'currency', label: WORDS.moneyIn, kind: 'text', hint: WORDS.threeLettersEurGbpUsd },
    {
      key: 'firstWeekday',
      label: WORDS.weekBeginsOn,
      kind: 'link',
      options: WEEKDAYS.map((day, i) => [i + 1, day]),
    },
    { key: 'spare_percent', label: WORDS.overplantingSpareToSow, kind: 'number' },
    {
      key: 'coolSchool',
      label: WORDS.heatForCoolCrops,
      kind: 'choice',
      options: [
        ['none', WORDS.noneOnlyFrostKeptOut],
        ['gentle', WORDS.gentleUpToTheMost],
        ['same', WORDS.theSameAsForWarm],
      ],
    },
    { key: 'coolMost_C', label: WORDS.mostSetPointForCool, kind: 'temperature', hint: WORDS.forTheGentleRule },
    {
      key: 'exposure',
      label: WORDS.howTheNurseryLiesIn,
      kind: 'choice',
      optional: true,
      options: [
        ['sheltered', WORDS.shelteredHedgesWallsATown],
        ['open', WORDS.openFieldsWithHedges],
        ['exposed', WORDS.exposedHillCoastPlain],
      ],
      hint: WORDS.untilGustsOfYourOwn,
    },
    {
      key: 'coldest_C',
      label: WORDS.coldestNightOfAUsual,
      kind: 'temperature',
      optional: true,
      hint: WORDS.tellsHowFarNightsSwing,
    },
    {
      key: 'climateYears',
      label: WORDS.goByTheLastYears,
      kind: 'number',
      optional: true,
      hint: WORDS.suchAs15WhereIt,
    },
    { key: 'learning', label: WORDS.planByTheHousesOwn, kind: 'flag' },
  ];
}

const EMPTY_YEAR: readonly null[] = new Array<null>(12).fill(null);
const WEIGHT_WORDS: readonly (readonly [keyof Weights, string])[] = [
  ['late_perTrayDay', WORDS.aTrayADayLate],
  ['early_perTrayDay', WORDS.aTrayADayToo],
  ['wait_perTrayDay', WORDS.aTrayADayWaiting],
  ['ageing_perTrayDay', WORDS.aTrayADayOlder],
  ['discomfort_perTrayKelvin', WORDS.aTrayADayA],
  ['overtime_perHour', WORDS.anHourBeyondTheHands],
  ['move_perTray', WORDS.carryingATray],
  ['setPointChange', WORDS.changingASetPoint],
  ['unplaced_perTray', WORDS.aTrayLeftOut],
  ['mostLate_days', WORDS.mostDaysLate],
  ['mostEarly_days', WORDS.mostDaysTooEarly],
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
      saveWords={WORDS.saveTheSettings}
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
              label={WORDS.offTheHeat}
              house={false}
              path="offHeat"
              value={offHeat}
              error={error}
              onValue={setOffHeat}
            />
            <OffHeatChoice
              id="off-heat-cool"
              label={WORDS.coolCropsOffTheHeat}
              house
              path="offHeatCool"
              value={offHeatCool}
              error={error}
              onValue={setOffHeatCool}
            />
          </div>
          <fieldset className="mt-6">
            <legend className="num text-[1.1rem]">{WORDS.usualTemperaturesOutside}</legend>
            <p className="text-[0.9rem] text-ink2">
              {WORDS.meanWarmestAndColdestOf(
                nursery.outsideBy === 'years' && WORDS.noneAreTypedTheMeans,
                nursery.outsideBy === 'guess' && WORDS.whatStandsThereIsA(difference(ROUGH_BAND_K, 0)),
              )}
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
            <legend className="num text-[1.1rem]">{WORDS.whatThingsAreWorthWhen}</legend>
            <p className="text-[0.9rem] text-ink2">{WORDS.inThePlannerWeighsOne(house().currency)}</p>
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
