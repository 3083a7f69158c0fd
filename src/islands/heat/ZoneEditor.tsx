import { useEffect, useId, useState, type ReactNode } from 'react';
import { Controller, useWatch } from 'react-hook-form';
import { MATERIAL_KEYS, MATERIALS, type Layer, type MaterialKey } from '../../core/heat/materials.ts';
import type { Tariff } from '../../core/heat/cost.ts';
import { COVERS, HEATERS, type ZoneSpec } from '../../core/heat/zone.ts';
import type { MonthNormal } from '../../core/plan/schedule/outsideClimate.ts';
import { measureFromShown, typedMeasure } from '../../core/units/measure.ts';
import { temperatureFromShown, type TemperatureUnit } from '../../core/units/temperature.ts';
import type { ZoneRecord } from '../../contracts/heat/heat.ts';
import type { Problem } from '../../contracts/problem.ts';
import { trouble } from '../../ui/call.ts';
import { Field } from '../../ui/Field.tsx';
import { GROUND } from '../../ui/ground.ts';
import { house, length, unitOf } from '../../ui/house.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { differences, figureOr, labelOf, typedTemperature, type FieldSpec } from '../../ui/kit/fields.ts';
import { OneField } from '../../ui/kit/OneField.tsx';
import { Restored } from '../../ui/kit/Restored.tsx';
import { sayOnNextPage } from '../../ui/kit/said.ts';
import { nameOf, partsTyped, useTypedForm } from '../../ui/kit/useTypedForm.ts';
import { Stale, THEIRS_TAKEN } from '../../ui/Stale.tsx';
import { SectionRow } from './SectionRow.tsx';
import { ZoneCan } from './ZoneCan.tsx';
import { ZoneLearn } from './ZoneLearn.tsx';
import { WORDS } from '../../words/en/heat/zoneEditor.ts';
import { WORDS as FORM_WORDS } from '../../words/en/ui/typedForm.ts';

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

interface TypedLayer {
  readonly material: MaterialKey;
  readonly thick: string;
}

/** How the cover by night is drawn. */
const ARCH = { none: 'none', fleece: 'single', single: 'single', double: 'double' } as const;
const ON_OFF = { key: 'spec.thermostat.kind', is: 'on-off' } as const;
const materials = MATERIAL_KEYS.map((k) => [k, MATERIALS[k].name] as const);
// A mat holds about as much warmth as so much water.
const bedMaterials = materials.map(([k, name]) => [k, k === 'water' ? WORDS.matOrWater : name] as const);
const covers = COVERS.map((c) => [c, WORDS.covers[c]] as const);
const millimetres = { kind: 'number', measure: 'mm', scale: 1000 } as const;

const fieldsOf = (places: Props['places'], insulation: string): FieldSpec[] => [
  { key: 'placeId', label: WORDS.place, kind: 'link', options: places.map(({ id, name }) => [id, name]) },
  { key: 'device', label: WORDS.controllersName, kind: 'text', optional: true, hint: WORDS.asItCallsItselfOver },
  { key: 'spec.length_m', label: WORDS.length, kind: 'number', measure: 'm' },
  { key: 'spec.width_m', label: WORDS.width, kind: 'number', measure: 'm' },
  { key: 'spec.cover.day', label: WORDS.coverByDay, kind: 'choice', options: covers },
  { key: 'spec.cover.night', label: WORDS.coverByNight, kind: 'choice', options: covers },
  { key: 'spec.air_m', label: WORDS.airToTheCover, ...millimetres },
  { key: 'spec.medium_m', label: WORDS.mediumInTheTrays, ...millimetres },
  {
    key: 'spec.heater.kind',
    label: WORDS.kindOfHeater,
    kind: 'choice',
    options: HEATERS.map((h) => [h, WORDS.heaters[h]] as const),
  },
  { key: 'spec.heater.power_W', label: WORDS.heaterWatts, kind: 'number' },
  { key: 'spec.bed.material', label: WORDS.heatedBedOf, kind: 'choice', options: bedMaterials },
  { key: 'spec.bed.thickness_m', label: WORDS.bedThick, ...millimetres },
  { key: 'spec.sides_m2K_W', label: WORDS.sideWalls, kind: 'number', measure: 'm2K_W', hint: insulation },
  { key: 'spec.sun_frac', label: WORDS.sunThatReachesIt, kind: 'number', scale: 100 },
  {
    key: 'spec.around.plusDay_K',
    label: WORDS.houseOverOutsideDay,
    kind: 'difference',
    hint: WORDS.words0WhenItStandsOutside,
  },
  { key: 'spec.around.plusNight_K', label: WORDS.houseOverOutsideNight, kind: 'difference' },
  {
    key: 'spec.sensor',
    label: WORDS.sensorSteersBy,
    kind: 'choice',
    options: [
      ['medium', WORDS.sensorInMedium],
      ['bed', WORDS.sensorInBed],
      ['air', WORDS.sensorInAir],
    ],
  },
  {
    key: 'spec.thermostat.kind',
    label: WORDS.thermostat,
    kind: 'choice',
    options: [
      ['on-off', WORDS.onAndOff],
      ['pi', WORDS.bySharesOfTime],
    ],
  },
  { key: 'spec.thermostat.differential_K', label: WORDS.comesOnAgainBelowThe, kind: 'difference', when: ON_OFF },
  { key: 'spec.mostSet_C', label: WORDS.highestSetPoint, kind: 'temperature' },
  { key: 'spec.cutOut_C', label: WORDS.cutOut, kind: 'temperature', hint: WORDS.aboveItTheHeaterGoes },
];

/** What of a thermostat is not typed, by its kind: as the zone has it, or the usual. */
function restOfThermostat(kind: string, { thermostat }: ZoneSpec): object {
  if (kind === 'pi') return thermostat.kind === 'pi' ? thermostat : { kind, band_K: 3, reset_s: 5400, cycle_s: 1200 };
  const { minOn_s, minOff_s } = thermostat.kind === 'on-off' ? thermostat : { minOn_s: 180, minOff_s: 180 };
  return { kind, minOn_s, minOff_s };
}

/** A zone as it is built, and at once what it can do. */
export function ZoneEditor({ zone, start, places, normals, latitude_deg, tariff, co2_kg_kWh, unit }: Props) {
  const id = useId();
  const { lengthUnit } = house();
  const units = { temperature: unit, length: lengthUnit };
  const first = zone?.spec ?? start;
  const thickness = (m: number) => typedMeasure(Math.round(m * 10_000) / 10, 'mm', lengthUnit);
  const [below, setBelow] = useState<readonly TypedLayer[]>(() =>
    first.below.map((l) => ({ material: l.material, thick: thickness(l.thickness_m) })),
  );
  const [version, setVersion] = useState(zone?.version ?? 0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [held, setHeld] = useState({ set: typedTemperature(20, unit), outside: typedTemperature(0, unit) });
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const layers = below.map(({ material, thick }, i): { material: MaterialKey; thickness_m: number | string } => {
    // What was not touched stays as it was: no figure creeps by being shown in another unit.
    const was = first.below[i]?.thickness_m;
    const untouched = was !== undefined && thick === thickness(was);
    const metres = untouched ? was : figureOr(thick, (n) => measureFromShown(n, 'mm', lengthUnit) / 1000);
    return { material, thickness_m: metres };
  });
  const fields = fieldsOf(
    places,
    WORDS.boardForOfFoam(typedMeasure(0.2, 'm2K_W', lengthUnit), typedMeasure(1.4, 'm2K_W', lengthUnit), length(50)),
  );
  const { form, typed, bodyOf, startWith, discard, restored, forget, error, refuse } = useTypedForm({
    fields,
    start: {
      placeId: zone?.placeId ?? places[0]?.id ?? null,
      device: zone?.device ?? '',
      spec: {
        ...first,
        thermostat: first.thermostat.kind === 'on-off' ? first.thermostat : { ...first.thermostat, differential_K: 1 },
      },
    },
    units,
    schema: () => import('../../contracts/heat/heat.ts').then((m) => m.zoneInput),
    extra: { spec: { below: layers, fit: first.fit } },
    body: ({ device, ...values }) => {
      const spec = values['spec'] as ZoneSpec;
      const thermostat = { ...restOfThermostat(spec.thermostat.kind, first), ...spec.thermostat };
      return { ...values, device: String(device).trim() || null, spec: { ...spec, thermostat } };
    },
    parts: partsTyped(below, setBelow),
    draft: zone ? `heat/zones/${zone.id}` : null,
    version: zone?.version ?? 0,
  });
  // What it can do follows what is typed.
  useWatch({ control: form.control });
  const { spec } = bodyOf(typed()) as unknown as { readonly spec: ZoneSpec };
  const celsius = (text: string) => Number(figureOr(text, (n) => temperatureFromShown(n, unit)));

  async function save(withVersion: number): Promise<void> {
    setSaid('');
    const body = bodyOf(typed());
    const reply = zone
      ? await writeNow<{ id: number }>('PUT', `/api/heat/zones/${zone.id}`, { version: withVersion, zone: body })
      : await writeNow<{ id: number }>('POST', '/api/heat/zones', body);
    if (reply.kind === 'done') {
      forget();
      sayOnNextPage(FORM_WORDS.saved);
      return location.assign(`/heat?zone=${reply.value.id}`);
    }
    setProblem(reply.kind === 'problem' ? reply.problem : null);
    if (reply.kind === 'problem') refuse(asTyped(reply.problem));
    setSaid(trouble(reply));
  }
  const one = (key: string): ReactNode => {
    const field = fields.find((f) => f.key === key)!;
    return (
      <Controller
        key={key}
        control={form.control}
        name={nameOf(key)}
        render={({ field: { value, onChange, onBlur, ref } }) => (
          <OneField
            id={`${id}${key}`}
            field={{ ...field, label: labelOf(field, units) }}
            value={value ?? ''}
            error={error(key)}
            onChange={onChange}
            onBlur={onBlur}
            inputRef={ref}
          />
        )}
      />
    );
  };
  const now = typed();
  const mm = (key: string) => `${String(now[key] ?? '')} ${unitOf('mm')}`;
  const bedOf = now['spec.bed.material'] as MaterialKey;
  const current = problem?.status === 409 ? (problem.current as ZoneRecord | undefined) : undefined;
  const setLayer = (i: number, change: Partial<TypedLayer>) =>
    setBelow(below.map((layer, k) => (k === i ? { ...layer, ...change } : layer)));
  return (
    <form
      noValidate
      data-ready={ready}
      className="grid grid-cols-1 gap-8 min-[1000px]:grid-cols-[minmax(0,1fr)_minmax(0,420px)]"
      onSubmit={(e) => void form.handleSubmit(() => save(version))(e)}
    >
      <div className="space-y-5">
        {restored && <Restored onDiscard={discard} />}
        <div className="grid grid-cols-2 gap-3 min-[700px]:grid-cols-3">
          {['placeId', 'spec.length_m', 'spec.width_m'].map(one)}
        </div>
        <fieldset>
          <legend className="num text-[1.1rem]">{WORDS.inSection}</legend>
          <p className="mb-1 text-[0.92rem] text-ink2">{WORDS.fromAboveNotToScale}</p>
          <ul className="list-none p-0">
            <SectionRow fill="none" arch={ARCH[spec.cover.night]}>
              {one('spec.cover.day')}
              {one('spec.cover.night')}
            </SectionRow>
            <SectionRow fill="#eef2f0" thick={mm('spec.air_m')}>
              {one('spec.air_m')}
            </SectionRow>
            <SectionRow fill={GROUND.medium} thick={mm('spec.medium_m')} dark>
              {one('spec.medium_m')}
            </SectionRow>
            <SectionRow
              fill={GROUND[bedOf]}
              thick={mm('spec.bed.thickness_m')}
              wire={spec.heater.kind !== 'hot-bed'}
              dark={bedOf === 'compost'}
            >
              {['spec.heater.kind', 'spec.heater.power_W', 'spec.bed.material', 'spec.bed.thickness_m'].map(one)}
            </SectionRow>
            {below.map((l, i) => (
              <SectionRow
                key={i}
                fill={GROUND[l.material]}
                thick={`${l.thick} ${unitOf('mm')}`}
                dark={l.material === 'compost' || l.material === 'medium'}
              >
                <OneField
                  id={`${id}below${i}`}
                  field={{ key: '', label: WORDS.layer(i + 1), kind: 'choice', options: materials }}
                  value={l.material}
                  error={undefined}
                  onChange={(material) => setLayer(i, { material: material as MaterialKey })}
                />
                <div className="[&_.field]:w-24!">
                  <Field
                    id={`${id}belowmm${i}`}
                    label={unitOf('mm')}
                    inputMode="decimal"
                    value={l.thick}
                    error={error(`spec.below.${i}.thickness_m`)}
                    onValue={(thick) => setLayer(i, { thick })}
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
            {['spec.sides_m2K_W', 'spec.sun_frac', 'spec.around.plusDay_K', 'spec.around.plusNight_K'].map(one)}
          </div>
        </fieldset>
        <fieldset>
          <legend className="num text-[1.1rem]">{WORDS.howItIsSteered}</legend>
          <div className="mt-1 grid grid-cols-2 gap-3 min-[700px]:grid-cols-3">
            {['device', 'spec.sensor', 'spec.thermostat.kind'].map(one)}
            {spec.thermostat.kind === 'on-off' && one('spec.thermostat.differential_K')}
            {['spec.mostSet_C', 'spec.cutOut_C'].map(one)}
          </div>
        </fieldset>
        {current ? (
          <Stale
            rows={differences(fields, { ...current }, now, units)}
            onKeepMine={() => {
              setVersion(current.version);
              void save(current.version);
            }}
            onTakeTheirs={() => {
              setVersion(current.version);
              startWith({ ...current });
              setBelow(current.spec.below.map((l: Layer) => ({ ...l, thick: thickness(l.thickness_m) })));
              setProblem(null);
              setSaid(THEIRS_TAKEN);
            }}
          />
        ) : (
          said && (
            <p role="alert" className="note-bar bad">
              {said}
            </p>
          )
        )}
        <button type="submit" className="btn solid min-w-48">
          {zone ? WORDS.saveTheZone : WORDS.addTheZone}
        </button>
        <p className="max-w-[70ch] text-[0.9rem] text-ink2">{WORDS.electricityWithWaterAResidual}</p>
      </div>
      <aside aria-label={WORDS.whatItCanDo} className="card self-start min-[1000px]:sticky min-[1000px]:top-4">
        <div className="flex flex-wrap items-end gap-3">
          <h2 className="basis-full">{WORDS.whatItCanDo}</h2>
          {(['set', 'outside'] as const).map((key) => (
            <div key={key} className="w-28">
              <Field
                id={`${id}${key}`}
                label={key === 'set' ? WORDS.hold(unit) : WORDS.atOutside(unit)}
                inputMode="decimal"
                value={held[key]}
                onValue={(value) => setHeld({ ...held, [key]: value })}
              />
            </div>
          ))}
        </div>
        <ZoneCan
          spec={spec}
          set_C={celsius(held.set)}
          outside_C={celsius(held.outside)}
          normals={normals}
          latitude_deg={latitude_deg}
          tariff={tariff}
          co2_kg_kWh={co2_kg_kWh}
          unit={unit}
        />
        {zone && <ZoneLearn zoneId={zone.id} fitted={zone.fitted} unit={unit} />}
      </aside>
    </form>
  );
}

/** A change names fields as parts of the zone; the form's stand by themselves. */
const asTyped = (problem: Problem): Problem =>
  problem.errors
    ? { ...problem, errors: problem.errors.map((e) => ({ ...e, path: e.path.replace(/^zone\./, '') })) }
    : problem;
