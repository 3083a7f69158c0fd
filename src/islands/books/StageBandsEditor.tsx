import { TemperatureTicks } from './TemperatureTicks.tsx';
import { bandsOf, isTender, openAirFrom, usualBands, type OwnBands, type StageBands } from '../../core/growth/bands.ts';
import { ALL_STAGES, type Stage } from '../../core/plan/stage.ts';
import { type Crop } from '../../core/books/crop.ts';
import { shownTemperature, type TemperatureUnit } from '../../core/units/temperature.ts';
import { typedTemperature } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/stageBandsEditor.ts';

const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  germinate: WORDS.comingUp,
  grow: WORDS.growingOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.hardening,
};
const FIGURES: readonly (readonly [keyof StageBands, string])[] = [
  ['bearsLow_C', WORDS.bearsNight],
  ['checkNight_C', WORDS.checkedUnder],
  ['comfortLow_C', WORDS.comfortableNight],
  ['comfortHigh_C', WORDS.comfortableDay],
  ['bearsHigh_C', WORDS.bearsDay],
];

/** Figures as typed, by stage; empty: as the rest of the crop gives it. */
export type TypedBands = Readonly<Partial<Record<Stage, Readonly<Partial<Record<keyof StageBands, string>>>>>>;

export function typedBands(bands: OwnBands | undefined, unit: TemperatureUnit): TypedBands {
  return Object.fromEntries(
    ALL_STAGES.flatMap((stage) => {
      const own = Object.entries(bands?.[stage] ?? {}).filter(([, value]) => typeof value === 'number');
      return own.length === 0
        ? []
        : [[stage, Object.fromEntries(own.map(([key, value]) => [key, typedTemperature(value as number, unit)]))]];
    }),
  );
}

interface Props {
  readonly crop: Crop;
  readonly unit: TemperatureUnit;
  readonly typed: TypedBands;
  readonly error: (path: string) => string | undefined;
  readonly onTyped: (typed: TypedBands) => void;
  readonly from: Stage | null;
  readonly onFrom: (from: Stage | null) => void;
}

/** What a crop bears, where it is comfortable and what checks it, stage by stage: drawn, and each figure open to change. */
export function StageBandsEditor({ crop, unit, typed, error, onTyped, from, onFrom }: Props) {
  const set = (stage: Stage, figure: keyof StageBands, text: string) =>
    onTyped({ ...typed, [stage]: { ...typed[stage], [figure]: text } });
  return (
    <fieldset className="mt-5">
      <legend className="num text-[1.1rem]">{WORDS.stageByStage}</legend>
      <p className="max-w-[75ch] text-[0.9rem] text-ink2">{WORDS.thePlannerPutsNothingWhere}</p>
      <StageDrawing crop={crop} unit={unit} />
      <div className="overflow-x-auto">
        <table className="plain-table dense mt-2">
          <thead>
            <tr>
              <th scope="col">°{unit}</th>
              {FIGURES.map(([key, words]) => (
                <th key={key} scope="col">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ALL_STAGES.map((stage) => {
              const usual = usualBands(crop, stage);
              return (
                <tr key={stage}>
                  <th scope="row" className="!border-b !border-line !font-normal">
                    {STAGE_WORDS[stage]}
                  </th>
                  {FIGURES.map(([key, words]) => {
                    const wrong = error(`bands.${stage}.${key}`);
                    const given = usual[key];
                    const none = key === 'checkNight_C' && !isTender(crop);
                    return (
                      <td key={key}>
                        {none && given === null && typed[stage]?.[key] === undefined && stage !== 'germinate' ? (
                          <span className="text-ink2">{WORDS.noLine}</span>
                        ) : key === 'checkNight_C' && (stage === 'germinate' || stage === 'harden') ? (
                          <span className="text-ink2">{WORDS.noLine}</span>
                        ) : (
                          <input
                            className="input w-24"
                            inputMode="decimal"
                            aria-label={`${words}, ${STAGE_WORDS[stage]}`}
                            aria-invalid={wrong ? true : undefined}
                            placeholder={given === null ? 'none' : typedTemperature(given, unit)}
                            value={typed[stage]?.[key] ?? ''}
                            onChange={(e) => set(stage, key, e.target.value)}
                          />
                        )}
                        {wrong && <span className="err block">{wrong}</span>}
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <div className="field mt-3 max-w-sm">
        <label htmlFor="open-air-from">{WORDS.mayStandInAFrame}</label>
        <select
          id="open-air-from"
          className="input"
          value={from ?? ''}
          onChange={(e) => onFrom(e.target.value === '' ? null : (e.target.value as Stage))}
        >
          <option value="">{WORDS.asItsHardiness(STAGE_WORDS[openAirFrom({ ...crop, openAirFrom: null })])}</option>
          {ALL_STAGES.map((stage) => (
            <option key={stage} value={stage}>
              {STAGE_WORDS[stage]}
            </option>
          ))}
        </select>
      </div>
    </fieldset>
  );
}

const FROM_C = -6;
const TO_C = 42;
const W = 560;
const ROW = 30;
const x = (t: number) => (W * (Math.min(TO_C, Math.max(FROM_C, t)) - FROM_C)) / (TO_C - FROM_C);

/** The bands of all stages on one scale: thin what it bears, thick where it is comfortable, a bar where it is checked. */
function StageDrawing({ crop, unit }: Pick<Props, 'crop' | 'unit'>) {
  const rows = ALL_STAGES.map((stage) => ({ stage, bands: bandsOf(crop, stage) }));
  if (rows.some(({ bands }) => [bands.bearsLow_C, bands.bearsHigh_C].some((t) => !Number.isFinite(t)))) return null;
  const t = (value: number) => Math.round(shownTemperature(value, unit));
  const told = rows
    .map(({ stage, bands }) =>
      WORDS.bearsToComfortableTo(
        STAGE_WORDS[stage],
        t(bands.bearsLow_C),
        t(bands.bearsHigh_C),
        t(bands.comfortLow_C),
        t(bands.comfortHigh_C),
        bands.checkNight_C === null ? '' : WORDS.checkedUnder2(t(bands.checkNight_C)),
      ),
    )
    .join('; ');
  return (
    <svg
      viewBox={`-100 0 ${W + 120} ${rows.length * ROW + 24}`}
      role="img"
      aria-label={told}
      className="mt-2 w-full max-w-[720px]"
    >
      <TemperatureTicks at_C={[0, 10, 20, 30, 40]} x={x} height={rows.length * ROW} unit={unit} />
      {rows.map(({ stage, bands }, i) => (
        <g key={stage} transform={`translate(0 ${i * ROW})`}>
          <text x={-8} y={20} fontSize="14" textAnchor="end" fill="var(--color-ink)">
            {STAGE_WORDS[stage]}
          </text>
          <line
            x1={x(bands.bearsLow_C)}
            x2={x(bands.bearsHigh_C)}
            y1={15}
            y2={15}
            stroke="var(--color-ink2)"
            strokeWidth={3}
          />
          <rect
            x={x(bands.comfortLow_C)}
            y={7}
            width={Math.max(0, x(bands.comfortHigh_C) - x(bands.comfortLow_C))}
            height={16}
            fill="var(--color-plum)"
            opacity={0.55}
          />
          {bands.checkNight_C !== null && (
            <line
              x1={x(bands.checkNight_C)}
              x2={x(bands.checkNight_C)}
              y1={2}
              y2={28}
              stroke="var(--color-brick)"
              strokeWidth={4}
            />
          )}
        </g>
      ))}
    </svg>
  );
}
