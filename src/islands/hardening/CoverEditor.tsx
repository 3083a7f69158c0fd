import { saidOf } from '../../words/en/codes.ts';
import { useState } from 'react';
import { GLAZINGS, NIGHT_COVERS, STRUCTURE_KINDS, USUAL_FRAME, type StructureSpec } from '../../core/heat/structure.ts';
import type { CoverRecord } from '../../core/hardening/records.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from '../books/LineForm.tsx';
import { typedTemperature, figureOr } from '../../ui/kit/fields.ts';
import { measureFromShown, typedMeasure, type Measure } from '../../core/units/measure.ts';
import { house, unitOf } from '../../ui/house.ts';
import { shownDifference, temperatureFromShown } from '../../core/units/temperature.ts';
import { WORDS } from '../../words/en/hardening/coverEditor.ts';

interface Props {
  readonly line: CoverRecord | null;
  readonly places: readonly { readonly id: number; readonly name: string }[];
  readonly unit: 'C' | 'F';
}

type Figures =
  | 'length_m'
  | 'width_m'
  | 'height_m'
  | 'opening_m2'
  | 'sidesGlazed_frac'
  | 'shade_frac'
  | 'water_L'
  | 'bricks_kg'
  | 'hotBed_W_m2';
/** Its words, what it measures (null: a share), a hint. */
const FIGURES: Readonly<Record<Figures, readonly [string, Measure | null, string?]>> = {
  length_m: [WORDS.length, 'm'],
  width_m: [WORDS.width, 'm'],
  height_m: [WORDS.meanHeight, 'm'],
  opening_m2: [WORDS.wholeOpening, 'm2', WORDS.lidDoorsAndVentsAt],
  sidesGlazed_frac: [WORDS.sidesGlazedShare, null, WORDS.words0Boards1AllGlass],
  shade_frac: [WORDS.shadeShareKeptOut, null],
  water_L: [WORDS.waterInDrums, 'L'],
  bricks_kg: [WORDS.bricksOrStone, 'kg'],
  hotBed_W_m2: [WORDS.hotBed, 'W_m2', WORDS.freshManureOrCompost],
};
const FIGURE_KEYS = Object.keys(FIGURES) as Figures[];
const typedFigure = (key: Figures, value: number) => {
  const [, measure] = FIGURES[key];
  return measure ? typedMeasure(value, measure, house().lengthUnit) : String(value);
};
const GLAZING_WORDS: Readonly<Record<string, string>> = {
  'single-film': WORDS.singleFilm,
  'double-film': WORDS.doubleFilm,
  'single-glass': WORDS.singleGlass,
  'double-glass': WORDS.doubleGlass,
  polycarbonate: WORDS.twinWallSheet,
};
const figuresOf = (spec: StructureSpec) =>
  Object.fromEntries(FIGURE_KEYS.map((key) => [key, typedFigure(key, spec[key])])) as Record<Figures, string>;
const stepsOf = (spec: StructureSpec) => spec.steps.map((s) => `${s.name} ${Math.round(100 * s.open_frac)}`).join(', ');

/** "shut 0, ajar 12, open 100" as steps. */
export function stepsFrom(text: string): { name: string; open_frac: number | string }[] {
  return text
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => {
      const found = /^(.*?)\s*(\d+(?:[.]\d+)?)\s*%?$/.exec(part);
      return found ? { name: found[1]! || part, open_frac: Number(found[2]) / 100 } : { name: part, open_frac: part };
    });
}

/** A cover of the house, and a frame, tunnel or small house as it is built. */
export function CoverEditor({ line, places, unit }: Props) {
  const [built, setBuilt] = useState(line?.structure != null);
  const [spec, setSpec] = useState<StructureSpec>(line?.structure ?? USUAL_FRAME);
  const [typed, setTyped] = useState(() => figuresOf(line?.structure ?? USUAL_FRAME));
  const [steps, setSteps] = useState(() => stepsOf(line?.structure ?? USUAL_FRAME));
  const [heater, setHeater] = useState(
    () =>
      [
        String(line?.structure?.heater?.power_W ?? ''),
        typedTemperature(line?.structure?.heater?.set_C ?? 4, unit),
      ] as const,
  );
  const [fan, setFan] = useState(
    () =>
      [
        line?.structure?.fan ? typedMeasure(line.structure.fan.flow_m3_h, 'm3_h', house().lengthUnit) : '',
        typedTemperature(line?.structure?.fan?.set_C ?? 24, unit),
      ] as const,
  );
  const k = (difference_K: number) => Math.round(10 * shownDifference(difference_K, unit)) / 10;
  const figureOf = (key: Figures) => {
    const [, measure] = FIGURES[key];
    // What was not touched stays as it was.
    if (typed[key] === typedFigure(key, spec[key])) return spec[key];
    return figureOr(typed[key], (n) => (measure ? measureFromShown(n, measure, house().lengthUnit) : n));
  };
  const temp = (text: string) => figureOr(text, (n) => temperatureFromShown(n, unit));
  const sent = {
    ...spec,
    ...Object.fromEntries(FIGURE_KEYS.map((key) => [key, figureOf(key)])),
    steps: stepsFrom(steps),
    heater: heater[0].trim() === '' ? null : { power_W: figureOr(heater[0], (n) => n), set_C: temp(heater[1]) },
    fan:
      fan[0].trim() === ''
        ? null
        : { flow_m3_h: figureOr(fan[0], (n) => measureFromShown(n, 'm3_h', house().lengthUnit)), set_C: temp(fan[1]) },
  };
  const choice = <K extends 'kind' | 'glazing' | 'night'>(
    key: K,
    label: string,
    options: readonly StructureSpec[K][],
    words: (o: string) => string = saidOf,
  ) => (
    <label className="field">
      <span className="label">{label}</span>
      <select className="input" value={spec[key]} onChange={(e) => setSpec({ ...spec, [key]: e.target.value })}>
        {options.map((o) => (
          <option key={o} value={o}>
            {words(o)}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <LineForm
      schema={() => import('../../contracts/hardening/hardening.ts').then((m) => m.coverInput)}
      path="/api/books/covers"
      fields={[
        { key: 'name', label: WORDS.name, kind: 'text' },
        { key: 'layers', label: WORDS.layers, kind: 'number' },
        {
          key: 'worth_K',
          label: WORDS.worthOnTheNight(unit),
          kind: 'difference',
          hint: WORDS.byCautionYourOwnPaired,
        },
        {
          key: 'soil_K',
          label: WORDS.soilUnderItWarmerBy(unit),
          kind: 'difference',
          hint: WORDS.afterAFortnightFleeceAbout(k(0.5), k(2), k(4)),
        },
        {
          key: 'toHand_m2',
          label: WORDS.toHand(unitOf('m2')),
          kind: 'number',
          measure: 'm2',
          unitSaid: true,
          hint: WORDS.words0ForAFrameOr,
        },
        {
          key: 'placeId',
          label: WORDS.standsOverThePlace,
          kind: 'link',
          optional: true,
          options: places.map((p) => [p.id, p.name] as const),
        },
        { key: 'note', label: WORDS.note, kind: 'text', optional: true },
      ]}
      line={line as never}
      blank={{ layers: 1, worth_K: 2, soil_K: 0, toHand_m2: 0 }}
      unit={unit}
      extra={{ structure: built ? sent : null }}
      parts={partsTyped({ built, spec, typed, steps, heater, fan }, (was) => {
        setBuilt(was.built);
        setSpec(was.spec);
        setTyped(was.typed);
        setSteps(was.steps);
        setHeater(was.heater);
        setFan(was.fan);
      })}
      onStaleTaken={(current) => {
        const s = current['structure'] as StructureSpec | null;
        setBuilt(s !== null);
        if (!s) return;
        setSpec(s);
        setTyped(figuresOf(s));
        setSteps(stepsOf(s));
      }}
      saveWords={line ? WORDS.saveIt : WORDS.addIt}
      after={() => '/hardening/covers'}
    >
      {(error) => (
        <fieldset className="mt-3">
          <label className="flex min-h-11 items-center gap-2 font-semibold">
            <input
              type="checkbox"
              className="size-5 accent-plum"
              checked={built}
              onChange={(e) => setBuilt(e.target.checked)}
            />
            {WORDS.aFrameTunnelOrSmall}
          </label>
          {built && (
            <div className="mt-2 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
              {choice('kind', WORDS.kind, STRUCTURE_KINDS)}
              {choice('glazing', WORDS.glazing, GLAZINGS, (o) => GLAZING_WORDS[o] ?? o)}
              {choice('night', WORDS.drawnOverAtNight, NIGHT_COVERS)}
              {FIGURE_KEYS.map((key) => {
                const [words, measure, hint] = FIGURES[key];
                return (
                  <label key={key} className="field">
                    <span className="label">{measure ? `${words}, ${unitOf(measure)}` : words}</span>
                    <input
                      className="input"
                      inputMode="decimal"
                      value={typed[key]}
                      aria-invalid={error(`structure.${key}`) ? true : undefined}
                      onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
                    />
                    {hint && <span className="text-[0.85rem] text-ink2">{hint}</span>}
                    {error(`structure.${key}`) && <span className="err">{error(`structure.${key}`)}</span>}
                  </label>
                );
              })}
              <label className="field min-[560px]:col-span-2">
                <span className="label">{WORDS.stepsOfLidOrDoor}</span>
                <input className="input" value={steps} onChange={(e) => setSteps(e.target.value)} />
                <span className="text-[0.85rem] text-ink2">{WORDS.fromShutToWidestSuch}</span>
                {[
                  'structure.steps',
                  ...[0, 1, 2, 3, 4, 5, 6, 7].flatMap((i) => [
                    `structure.steps.${i}.open_frac`,
                    `structure.steps.${i}.name`,
                  ]),
                ].map(
                  (p) =>
                    error(p) && (
                      <span key={p} className="err">
                        {error(p)}
                      </span>
                    ),
                )}
              </label>
              <label className="field">
                <span className="label">{WORDS.heaterWEmptyNone}</span>
                <input
                  className="input"
                  inputMode="decimal"
                  value={heater[0]}
                  onChange={(e) => setHeater([e.target.value, heater[1]])}
                />
                {error('structure.heater.power_W') && <span className="err">{error('structure.heater.power_W')}</span>}
              </label>
              <label className="field">
                <span className="label">{WORDS.heaterSetTo(unit)}</span>
                <input
                  className="input"
                  inputMode="decimal"
                  value={heater[1]}
                  onChange={(e) => setHeater([heater[0], e.target.value])}
                />
                {error('structure.heater.set_C') && <span className="err">{error('structure.heater.set_C')}</span>}
              </label>
              <label className="field">
                <span className="label">{WORDS.fanEmptyNone(unitOf('m3_h'))}</span>
                <input
                  className="input"
                  inputMode="decimal"
                  value={fan[0]}
                  onChange={(e) => setFan([e.target.value, fan[1]])}
                />
                {error('structure.fan.flow_m3_h') && <span className="err">{error('structure.fan.flow_m3_h')}</span>}
              </label>
              <label className="field">
                <span className="label">{WORDS.fanAbove(unit)}</span>
                <input
                  className="input"
                  inputMode="decimal"
                  value={fan[1]}
                  onChange={(e) => setFan([fan[0], e.target.value])}
                />
                {error('structure.fan.set_C') && <span className="err">{error('structure.fan.set_C')}</span>}
              </label>
            </div>
          )}
        </fieldset>
      )}
    </LineForm>
  );
}
