import { PLANNING_FIELDS, PlanningFields, type TypedWeek } from './PlanningFields.tsx';
import { difference, house } from '../../ui/house.ts';
import { ROUGH_BAND_K } from '../../core/weather/roughClimate.ts';
import type { NurseryRecord } from '../../core/house/nursery.ts';
import { useState } from 'react';
import type { Weights } from '../../core/plan/placement/instance.ts';
import { temperatureFromShown } from '../../core/units/temperature.ts';
import { OffHeatChoice, offHeatBody, typedOffHeat, type TypedOffHeat } from '../../ui/OffHeatChoice.tsx';
import { monthName } from '../../ui/format.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
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
    { key: 'spare_frac', label: WORDS.overplantingSpareToSow, kind: 'number', scale: 100 },
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
    ...PLANNING_FIELDS,
    ...WEIGHT_WORDS.map(([key, label]): FieldSpec => ({
      key: `weights.${key}`,
      label,
      kind: 'number',
      section: WORTH,
    })),
  ];
}

const EMPTY_YEAR: readonly null[] = new Array<null>(12).fill(null);
/** Heading of the planner's prices. */
const WORTH = WORDS.whatThingsAreWorthWhen;
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

/** Parts of the settings with editors of their own, as they are typed. */
interface TypedParts {
  readonly outside: readonly { readonly day: string; readonly night: string }[];
  readonly weeks: readonly TypedWeek[];
  readonly sure_frac: number;
  readonly offHeat: TypedOffHeat;
  readonly offHeatCool: TypedOffHeat;
}

function typedParts({
  outside,
  outsideBy,
  temperatureUnit,
  planning,
  offHeat,
  offHeatCool,
}: NurseryRecord): TypedParts {
  const typed = (outsideBy === 'typed' || outsideBy === undefined ? outside : null) ?? EMPTY_YEAR;
  const t = (value: number) => typedTemperature(value, temperatureUnit);
  return {
    outside: typed.map((m) => (m === null ? { day: '', night: '' } : { day: t(m.day_C), night: t(m.night_C) })),
    weeks: planning.handsBy.map(({ week, hours, why }) => ({ week, hours: String(hours), why })),
    sure_frac: planning.sure_frac,
    offHeat: typedOffHeat(offHeat),
    offHeatCool: typedOffHeat(offHeatCool),
  };
}

/** The nursery's settings. They change what is shown and planned, never what was logged. */
export function SettingsEditor({
  nursery,
  zones,
}: {
  readonly nursery: NurseryRecord;
  readonly zones: readonly string[];
}) {
  const [typed, setTyped] = useState(() => typedParts(nursery));
  const set = (change: Partial<TypedParts>) => setTyped({ ...typed, ...change });
  const { outside, weeks, sure_frac, offHeat, offHeatCool } = typed;
  const toC = (text: string) =>
    figureOr(text, (n) => Math.round(temperatureFromShown(n, nursery.temperatureUnit) * 100) / 100);
  const blankYear = outside.every((month) => month.day.trim() === '' && month.night.trim() === '');
  const extra = {
    // What a kWh costs is typed with the tariff, and goes along as it is.
    weights: nursery.weights,
    offHeat: offHeatBody(offHeat),
    offHeatCool: offHeatBody(offHeatCool),
    ...(blankYear ? {} : { outside: outside.map((month) => ({ day_C: toC(month.day), night_C: toC(month.night) })) }),
    planning: { sure_frac, handsBy: weeks.map((week) => ({ ...week, hours: figureOr(week.hours, (n) => n) })) },
  };
  return (
    <LineForm
      extra={extra}
      parts={partsTyped(typed, setTyped)}
      path="/api/house/nursery"
      fields={fieldsOf(zones)}
      notes={{ [WORTH]: WORDS.inThePlannerWeighsOne(house().currency) }}
      line={{ ...nursery, id: 1 }}
      blank={{}}
      unit={nursery.temperatureUnit}
      saveWords={WORDS.saveTheSettings}
      send={(values, version) => ({ method: 'PUT', path: '/api/house/nursery', body: { ...values, version } })}
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
              onValue={(value) => set({ offHeat: value })}
            />
            <OffHeatChoice
              id="off-heat-cool"
              label={WORDS.coolCropsOffTheHeat}
              house
              path="offHeatCool"
              value={offHeatCool}
              error={error}
              onValue={(value) => set({ offHeatCool: value })}
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
                      aria-label={WORDS.of(monthName(i + 1), part === 'day' ? WORDS.day : WORDS.night)}
                      placeholder={
                        nursery.outsideBy !== 'typed' && nursery.outside
                          ? typedTemperature(nursery.outside[i]![`${part}_C`], nursery.temperatureUnit)
                          : part === 'day'
                            ? WORDS.day
                            : WORDS.night
                      }
                      aria-invalid={error(`outside.${i}.${part}_C`) ? true : undefined}
                      value={month[part]}
                      onChange={(e) =>
                        set({
                          outside: outside.map((other, j) => (j === i ? { ...other, [part]: e.target.value } : other)),
                        })
                      }
                    />
                  ))}
                </div>
              ))}
            </div>
          </fieldset>
          <PlanningFields sure_frac={sure_frac} weeks={weeks} error={error} onTyped={set} />
        </>
      )}
    </LineForm>
  );
}
