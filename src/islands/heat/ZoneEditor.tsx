import { decimal } from '../../ui/numbers.ts';
import { house, length, money, unitOf } from '../../ui/house.ts';
import { measureFromShown, typedMeasure, type Measure } from '../../core/units/measure.ts';
import { useEffect, useId, useMemo, useState } from 'react';
import { MATERIAL_KEYS, MATERIALS, type Layer, type MaterialKey } from '../../core/heat/materials.ts';
import { sizingOf, yearOfHeat } from '../../core/heat/sizing.ts';
import { COVERS, HEATERS, requireZone, type ZoneSpec } from '../../core/heat/zone.ts';
import { costOf, type Tariff } from '../../core/heat/cost.ts';
import type { MonthNormal } from '../../core/plan/schedule/outsideClimate.ts';
import {
  differenceFromShown,
  shownDifference,
  shownTemperature,
  temperatureFromShown,
  type TemperatureUnit,
} from '../../core/units/temperature.ts';
import type { ZoneRecord } from '../../contracts/heat/heat.ts';
import type { Problem } from '../../contracts/problem.ts';
import { fieldError, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Field } from '../../ui/Field.tsx';
import { monthName } from '../../ui/format.ts';
import { SectionRow } from './SectionRow.tsx';
import { ZoneLearn } from './ZoneLearn.tsx';
import { GROUND } from '../../ui/ground.ts';
import { hoursWords, percent, tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/zoneEditor.ts';

interface Props {
  readonly zone: ZoneRecord | null;
  readonly start: ZoneSpec;
  readonly places: readonly { readonly id: number; readonly name: string }[];
  readonly normals: readonly MonthNormal[];
  readonly latitude_deg: number;
  readonly tariff: Tariff;
  readonly co2_kg_kWh: number;
  readonly unit: TemperatureUnit;
}

/** Figures as they are typed, in the nursery's measures and degrees. */
type Text = Readonly<Record<string, string>>;

const HEATER_WORDS = {
  mat: WORDS.mat,
  cable: WORDS.cable,
  slab: WORDS.slab,
  water: WORDS.warmWater,
  'hot-bed': WORDS.hotBed,
} as const;
const COVER_WORDS = {
  none: WORDS.none,
  fleece: WORDS.fleece,
  single: WORDS.singleFilm,
  double: WORDS.doubleFilm,
} as const;
/** How the cover by night is drawn. */
const ARCH = { none: 'none', fleece: 'single', single: 'single', double: 'double' } as const;
const SENSORS = [
  ['medium', WORDS.sensorInMedium],
  ['bed', WORDS.sensorInBed],
  ['air', WORDS.sensorInAir],
] as const;
const typedAs = (measure: Measure, value: number) => typedMeasure(value, measure, house().lengthUnit);
const thickness = (m: number) => typedAs('mm', Math.round(m * 10_000) / 10);

function textOf(spec: ZoneSpec, unit: TemperatureUnit): Text {
  const t = (value: number) => String(Math.round(shownTemperature(value, unit) * 10) / 10);
  const d = (delta_K: number) => String(Math.round(shownDifference(delta_K, unit) * 100) / 100);
  return {
    length: typedAs('m', spec.length_m),
    width: typedAs('m', spec.width_m),
    power: String(spec.heater.power_W),
    bed: thickness(spec.bed.thickness_m),
    medium: thickness(spec.medium_m),
    air: thickness(spec.air_m),
    sides: typedAs('m2K_W', spec.sides_m2K_W),
    plusDay: d(spec.around.plusDay_K),
    plusNight: d(spec.around.plusNight_K),
    sun: String(Math.round(spec.sun_frac * 100)),
    most: t(spec.mostSet_C),
    cutOut: t(spec.cutOut_C),
    differential: d(spec.thermostat.kind === 'on-off' ? spec.thermostat.differential_K : 1),
    set: t(20),
    outside: t(0),
  };
}

const figure = (text: string | undefined): number =>
  text === undefined || text.trim() === '' ? NaN : Number(text.replace(',', '.'));

/** A zone as it is built, and at once what it can do. */
export function ZoneEditor({ zone, start, places, normals, latitude_deg, tariff, co2_kg_kWh, unit }: Props) {
  const id = useId();
  const [shape, setShape] = useState<ZoneSpec>(zone?.spec ?? start);
  const [text, setText] = useState<Text>(() => textOf(zone?.spec ?? start, unit));
  const [below, setBelow] = useState<readonly { material: MaterialKey; thick: string }[]>(() =>
    (zone?.spec ?? start).below.map((l) => ({ material: l.material, thick: thickness(l.thickness_m) })),
  );
  const [placeId, setPlaceId] = useState(zone?.placeId ?? places[0]?.id ?? 0);
  const [device, setDevice] = useState(zone?.device ?? '');
  const [version, setVersion] = useState(zone?.version ?? 0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const put = (key: string) => (value: string) => setText({ ...text, [key]: value });
  const toC = (key: string) => temperatureFromShown(figure(text[key]), unit);

  const spec = useMemo((): ZoneSpec => {
    const first = zone?.spec ?? start;
    const asIs = textOf(first, unit);
    // What was not touched stays as it was: no figure creeps by being shown in another unit.
    const meant = (key: string, was: number, convert: (n: number) => number): number =>
      text[key] === asIs[key] ? was : convert(figure(text[key]));
    const by = (measure: Measure) => (n: number) => measureFromShown(n, measure, house().lengthUnit);
    const metres = (n: number) => by('mm')(n) / 1000;
    const kelvinOf = (n: number) => differenceFromShown(n, unit);
    const celsius = (n: number) => temperatureFromShown(n, unit);
    const layers: Layer[] = below.map((l, i) => {
      const was = first.below[i]?.thickness_m;
      const untouched = was !== undefined && l.thick === thickness(was);
      return { material: l.material, thickness_m: untouched ? was : metres(figure(l.thick)) };
    });
    return {
      ...shape,
      length_m: meant('length', first.length_m, by('m')),
      width_m: meant('width', first.width_m, by('m')),
      heater: { ...shape.heater, power_W: figure(text['power']) },
      bed: { ...shape.bed, thickness_m: meant('bed', first.bed.thickness_m, metres) },
      below: layers,
      medium_m: meant('medium', first.medium_m, metres),
      air_m: meant('air', first.air_m, metres),
      sides_m2K_W: meant('sides', first.sides_m2K_W, by('m2K_W')),
      around: {
        plusDay_K: meant('plusDay', first.around.plusDay_K, kelvinOf),
        plusNight_K: meant('plusNight', first.around.plusNight_K, kelvinOf),
      },
      sun_frac: figure(text['sun']) / 100,
      mostSet_C: meant('most', first.mostSet_C, celsius),
      cutOut_C: meant('cutOut', first.cutOut_C, celsius),
      thermostat:
        shape.thermostat.kind === 'on-off'
          ? { ...shape.thermostat, differential_K: kelvinOf(figure(text['differential'])) }
          : shape.thermostat,
    };
  }, [shape, text, below, unit, zone, start]);
  const [set_C, outside_C] = [toC('set'), toC('outside')];
  const answer = useMemo(() => {
    try {
      requireZone(spec);
      if (Number.isNaN(set_C) || Number.isNaN(outside_C)) throw new RangeError(WORDS.setPointAndOutsideType);
      const at = (cover: ZoneSpec['cover']['night'], one = spec) =>
        sizingOf(one, { set_C, outside_C, mode: { cover, open: false } });
      const year = (one: ZoneSpec) => yearOfHeat(one, { normals, latitude_deg, setDay_C: set_C, setNight_C: set_C });
      const foamed: ZoneSpec = { ...spec, below: [...spec.below, { material: 'foam', thickness_m: 0.05 }] };
      const covered: ZoneSpec = {
        ...spec,
        cover: {
          ...spec.cover,
          night: spec.cover.night === 'none' ? 'fleece' : spec.cover.night === 'fleece' ? 'single' : 'double',
        },
      };
      const kWh = (months: ReturnType<typeof year>) => months.slice(0, 6).reduce((sum, m) => sum + m.perMonth_kWh, 0);
      const now = year(spec);
      return {
        kind: 'ok' as const,
        with: at(spec.cover.night),
        without: at('none'),
        year: now,
        season_kWh: kWh(now),
        foam_kWh: kWh(year(foamed)),
        cover_kWh: kWh(year(covered)),
        better: covered.cover.night,
      };
    } catch (error) {
      return { kind: 'wrong' as const, why: (error as Error).message };
    }
  }, [spec, set_C, outside_C, normals, latitude_deg]);
  const costWords = (kWh: number) => money(costOf(tariff, [kWh], 2));

  async function save(withVersion: number): Promise<void> {
    const body = { placeId, device: device.trim() || null, spec };
    const reply = zone
      ? await writeNow<{ id: number }>('PUT', `/api/heat/zones/${zone.id}`, { version: withVersion, zone: body })
      : await writeNow<{ id: number }>('POST', '/api/heat/zones', body);
    if (reply.kind === 'done') return location.assign(`/heat?zone=${reply.value.id}`);
    setProblem(reply.kind === 'problem' ? reply.problem : null);
    setSaid(trouble(reply));
  }
  const err = (path: string) => fieldError(problem, zone ? `zone.${path}` : path);
  const num = (key: string, label: string, path: string, hint?: string) => (
    <Field
      id={`${id}${key}`}
      label={label}
      inputMode="decimal"
      value={text[key] ?? ''}
      error={err(path)}
      hint={hint}
      onValue={put(key)}
    />
  );
  const pick = <T extends string>(
    key: string,
    label: string,
    value: T,
    options: readonly (readonly [T, string])[],
    onValue: (value: T) => void,
  ) => (
    <div className="field">
      <label htmlFor={`${id}${key}`}>{label}</label>
      <select id={`${id}${key}`} className="input" value={value} onChange={(e) => onValue(e.target.value as T)}>
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
  const materials = MATERIAL_KEYS.map((k) => [k, MATERIALS[k].name] as const);
  // A mat holds about as much warmth as so much water.
  const bedMaterials = materials.map(([k, name]) => [k, k === 'water' ? WORDS.matOrWater : name] as const);
  const mm = (key: string) => `${text[key] ?? ''} ${unitOf('mm')}`;
  const covers = COVERS.map((c) => [c, COVER_WORDS[c]] as const);
  const stale = problem?.status === 409 && problem.current !== undefined;
  return (
    <form
      noValidate
      data-ready={ready}
      className="grid grid-cols-1 gap-8 min-[1000px]:grid-cols-[minmax(0,1fr)_minmax(0,420px)]"
      onSubmit={(e) => {
        e.preventDefault();
        void save(version);
      }}
    >
      <div className="space-y-5">
        <div className="grid grid-cols-2 gap-3 min-[700px]:grid-cols-3">
          {pick(
            'place',
            WORDS.place,
            String(placeId),
            places.map((p) => [String(p.id), p.name] as const),
            (v) => setPlaceId(Number(v)),
          )}
          {num('length', WORDS.length(unitOf('m')), 'spec.length_m')}
          {num('width', WORDS.width(unitOf('m')), 'spec.width_m')}
        </div>
        <fieldset>
          <legend className="num text-[1.1rem]">{WORDS.inSection}</legend>
          <p className="mb-1 text-[0.92rem] text-ink2">{WORDS.fromAboveNotToScale}</p>
          <ul className="list-none p-0">
            <SectionRow fill="none" arch={ARCH[shape.cover.night]}>
              {pick('coverDay', WORDS.coverByDay, shape.cover.day, covers, (day) =>
                setShape({ ...shape, cover: { ...shape.cover, day } }),
              )}
              {pick('coverNight', WORDS.coverByNight, shape.cover.night, covers, (night) =>
                setShape({ ...shape, cover: { ...shape.cover, night } }),
              )}
            </SectionRow>
            <SectionRow fill="#eef2f0" thick={mm('air')}>
              {num('air', WORDS.airToTheCover(unitOf('mm')), 'spec.air_m')}
            </SectionRow>
            <SectionRow fill={GROUND.medium} thick={mm('medium')} dark>
              {num('medium', WORDS.mediumInTheTrays(unitOf('mm')), 'spec.medium_m')}
            </SectionRow>
            <SectionRow
              fill={GROUND[shape.bed.material]}
              thick={mm('bed')}
              wire={shape.heater.kind !== 'hot-bed'}
              dark={shape.bed.material === 'compost'}
            >
              {pick(
                'heater',
                WORDS.kindOfHeater,
                shape.heater.kind,
                HEATERS.map((h) => [h, HEATER_WORDS[h]] as const),
                (kind) => setShape({ ...shape, heater: { ...shape.heater, kind } }),
              )}
              {num('power', WORDS.heaterWatts, 'spec.heater.power_W')}
              {pick('bedM', WORDS.heatedBedOf, shape.bed.material, bedMaterials, (material) =>
                setShape({ ...shape, bed: { ...shape.bed, material } }),
              )}
              {num('bed', WORDS.bedThick(unitOf('mm')), 'spec.bed.thickness_m')}
            </SectionRow>
            {below.map((l, i) => (
              <SectionRow
                key={i}
                fill={GROUND[l.material]}
                thick={`${l.thick} ${unitOf('mm')}`}
                dark={l.material === 'compost' || l.material === 'medium'}
              >
                {pick(`below${i}`, WORDS.layer(i + 1), l.material, materials, (material) =>
                  setBelow(below.map((b, k) => (k === i ? { ...b, material } : b))),
                )}
                <div className="[&_.field]:w-24!">
                  <Field
                    id={`${id}belowmm${i}`}
                    label={unitOf('mm')}
                    inputMode="decimal"
                    value={l.thick}
                    error={err(`spec.below.${i}.thickness_m`)}
                    onValue={(v) => setBelow(below.map((b, k) => (k === i ? { ...b, thick: v } : b)))}
                  />
                </div>
                {i > 0 && (
                  <button
                    type="button"
                    className="btn px-3"
                    aria-label={WORDS.higher(i + 1)}
                    onClick={() => setBelow(below.map((b, k) => below[k === i ? i - 1 : k === i - 1 ? i : k] ?? b))}
                  >
                    ↑
                  </button>
                )}
                <button
                  type="button"
                  className="btn"
                  aria-label={WORDS.takeOutLayer(i + 1)}
                  onClick={() => setBelow(below.filter((_, k) => k !== i))}
                >
                  {WORDS.takeOut}
                </button>
              </SectionRow>
            ))}
            <SectionRow fill="#c8ccc4">
              {below.length < 8 && (
                <button
                  type="button"
                  className="btn"
                  onClick={() => setBelow([...below, { material: 'foam', thick: thickness(0.05) }])}
                >
                  {WORDS.anotherLayer}
                </button>
              )}
              <span className="py-2 text-ink2">{WORDS.floorOrShelf}</span>
            </SectionRow>
          </ul>
        </fieldset>
        <fieldset>
          <legend className="num text-[1.1rem]">{WORDS.aroundIt}</legend>
          <div className="mt-1 grid grid-cols-2 gap-3 min-[700px]:grid-cols-3">
            {num(
              'sides',
              WORDS.sideWalls(unitOf('m2K_W')),
              'spec.sides_m2K_W',
              WORDS.boardForOfFoam(typedAs('m2K_W', 0.2), typedAs('m2K_W', 1.4), length(50)),
            )}
            {num('sun', WORDS.sunThatReachesIt, 'spec.sun_frac')}
            {num('plusDay', WORDS.houseOverOutsideDay(unit), 'spec.around.plusDay_K', WORDS.words0WhenItStandsOutside)}
            {num('plusNight', WORDS.houseOverOutsideNight(unit), 'spec.around.plusNight_K')}
          </div>
        </fieldset>
        <fieldset>
          <legend className="num text-[1.1rem]">{WORDS.howItIsSteered}</legend>
          <div className="mt-1 grid grid-cols-2 gap-3 min-[700px]:grid-cols-3">
            <Field
              id={`${id}device`}
              label={WORDS.controllersName}
              value={device}
              error={err('device') ?? err('placeId')}
              hint={WORDS.asItCallsItselfOver}
              onValue={setDevice}
            />
            {pick('sensor', WORDS.sensorSteersBy, shape.sensor, SENSORS, (sensor) => setShape({ ...shape, sensor }))}
            {pick(
              'thermostat',
              WORDS.thermostat,
              shape.thermostat.kind,
              [
                ['on-off', WORDS.onAndOff],
                ['pi', WORDS.bySharesOfTime],
              ],
              (kind) =>
                setShape({
                  ...shape,
                  thermostat:
                    kind === 'pi'
                      ? { kind, band_K: 3, reset_s: 5400, cycle_s: 1200 }
                      : { kind, differential_K: 1, minOn_s: 180, minOff_s: 180 },
                }),
            )}
            {shape.thermostat.kind === 'on-off' &&
              num('differential', WORDS.comesOnAgainBelowThe(unit), 'spec.thermostat.differential_K')}
            {num('most', WORDS.highestSetPoint(unit), 'spec.mostSet_C')}
            {num('cutOut', WORDS.cutOut(unit), 'spec.cutOut_C', WORDS.aboveItTheHeaterGoes)}
          </div>
        </fieldset>
        {said && (
          <p role="alert" className="note-bar bad">
            {said}{' '}
            {stale && (
              <button
                type="button"
                className="btn small"
                onClick={() => {
                  const latest = (problem.current as { version: number }).version;
                  setVersion(latest);
                  void save(latest);
                }}
              >
                {WORDS.keepMine}
              </button>
            )}
          </p>
        )}
        <button type="submit" className="btn solid min-w-48">
          {zone ? WORDS.saveTheZone : WORDS.addTheZone}
        </button>
        <p className="max-w-[70ch] text-[0.9rem] text-ink2">{WORDS.electricityWithWaterAResidual}</p>
      </div>
      <aside aria-label={WORDS.whatItCanDo} className="card self-start min-[1000px]:sticky min-[1000px]:top-4">
        <div className="flex flex-wrap items-end gap-3">
          <h2 className="basis-full">{WORDS.whatItCanDo}</h2>
          <label className="field">
            <span className="label">{WORDS.hold(unit)}</span>
            <input
              className="input w-20"
              inputMode="decimal"
              value={text['set']}
              onChange={(e) => put('set')(e.target.value)}
            />
          </label>
          <label className="field">
            <span className="label">{WORDS.atOutside(unit)}</span>
            <input
              className="input w-20"
              inputMode="decimal"
              value={text['outside']}
              onChange={(e) => put('outside')(e.target.value)}
            />
          </label>
        </div>
        {answer.kind === 'wrong' ? (
          <p className="note-bar bad mt-3" role="status">
            {WORDS.notYet(answer.why)}
          </p>
        ) : (
          <>
            <p className={`note-bar mt-3 ${answer.with.holds ? '' : 'bad'}`}>
              {WORDS.withDownToOutsideWith(
                <span key="1" className="num text-xl">
                  {answer.with.holds ? WORDS.itHolds : WORDS.itDoesNotHold}
                </span>,
                COVER_WORDS[spec.cover.night],
                tenth(answer.with.holdsTo_C, unit),
                tenth(answer.without.holdsTo_C, unit),
              )}
            </p>
            <table className="plain-table dense mt-3">
              <tbody>
                <Line
                  words={WORDS.heatItTakesThen}
                  value={`${Math.round(answer.with.need_W)} W of ${spec.heater.power_W}`}
                />
                <Line
                  words={WORDS.powerToTheArea}
                  value={`${typedAs('W_m2', Math.round(answer.with.power_W_m2))} ${unitOf('W_m2')}`}
                />
                <Line words={WORDS.uncoveredItTakes} value={`${Math.round(answer.without.need_W)} W`} />
                <Line words={WORDS.lostDownwards} value={percent(answer.with.down_frac)} />
                <Line
                  words={WORDS.hoursToWarmUp}
                  value={answer.with.warmUp_h === null ? WORDS.neverGetsThere : hoursWords(answer.with.warmUp_h)}
                />
                <Line
                  words={WORDS.ifStuckOnMediumBed}
                  value={`${tenth(answer.with.stuckOn_C, unit)}, ${tenth(answer.with.stuckBed_C, unit)}`}
                  bad={answer.with.stuckOn_C > 35}
                />
                <Line
                  words={WORDS.halfAYearWithThe}
                  value={`${Math.round(answer.season_kWh)} kWh, ${costWords(answer.season_kWh)}, ${Math.round(answer.season_kWh * co2_kg_kWh)} kg CO₂`}
                />
                <Line
                  words={WORDS.moreFoamSaves(length(50))}
                  value={`${Math.round(answer.season_kWh - answer.foam_kWh)} kWh, ${costWords(answer.season_kWh - answer.foam_kWh)}`}
                />
                {answer.better !== spec.cover.night && (
                  <Line
                    words={WORDS.byNightSaves(COVER_WORDS[answer.better])}
                    value={`${Math.round(answer.season_kWh - answer.cover_kWh)} kWh, ${costWords(answer.season_kWh - answer.cover_kWh)}`}
                  />
                )}
              </tbody>
            </table>
            <details className="mt-2">
              <summary>{WORDS.byMonthAUsualDay}</summary>
              <table className="plain-table dense">
                <thead>
                  <tr>
                    <th>{WORDS.month}</th>
                    <th className="r">{WORDS.kwhADay}</th>
                    <th className="r">{WORDS.moneyADay}</th>
                    <th className="r">{WORDS.lowest}</th>
                  </tr>
                </thead>
                <tbody>
                  {answer.year.map((m) => (
                    <tr key={m.month}>
                      <td>{monthName(m.month + 1)}</td>
                      <td className="r num">{decimal(m.perDay_kWh, 2)}</td>
                      <td className="r num">{money(m.perDay_kWh)}</td>
                      <td className="r num">{tenth(m.least_C, unit)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </details>
            <p className="mt-2 text-[0.88rem] text-ink2">{WORDS.aSteadyStateAndA}</p>
          </>
        )}
        {zone && <ZoneLearn zoneId={zone.id} fitted={zone.fitted} unit={unit} />}
      </aside>
    </form>
  );
}

function Line({
  words,
  value,
  bad = false,
}: {
  readonly words: string;
  readonly value: string;
  readonly bad?: boolean;
}) {
  return (
    <tr>
      <th scope="row" className="measure">
        {words}
      </th>
      <td className={`r num ${bad ? 'text-brick' : ''}`}>
        {value}
        {bad && WORDS.hot}
      </td>
    </tr>
  );
}
