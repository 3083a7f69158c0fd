import type { PlaceKind, PlaceLight } from '../../core/books/place.ts';
import { usualLight } from '../../core/plan/schedule/sky.ts';
import { LightMeter } from './LightMeter.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/placeLight.ts';

/** What is typed of a place's light; figures stay text until they are sent. */
export interface TypedLight {
  readonly written: boolean;
  readonly through: string;
  readonly secondFilm: boolean;
  readonly shade: string;
  readonly lamps: string;
  readonly lampsHours: string;
}

const percent = (frac: number) => String(Math.round(1000 * frac) / 10);

export function typedLight(light: PlaceLight | null | undefined, kind: PlaceKind): TypedLight {
  const shown = light ?? usualLight({ kind });
  return {
    written: light != null,
    through: percent(shown.through_frac),
    secondFilm: shown.secondFilm,
    shade: percent(shown.shade_frac),
    lamps: String(shown.lamps_umol_m2_s),
    lampsHours: String(shown.lamps_h),
  };
}

/** The body's part; what is no figure goes as text, so that the answer names the field. */
export function lightToSend(typed: TypedLight): Record<string, unknown> | null {
  if (!typed.written) return null;
  const share = (text: string) => figureOr(text, (n) => n / 100);
  const plain = (text: string) => figureOr(text, (n) => n);
  return {
    through_frac: share(typed.through),
    secondFilm: typed.secondFilm,
    shade_frac: share(typed.shade),
    lamps_umol_m2_s: plain(typed.lamps),
    lamps_h: plain(typed.lampsHours),
  };
}

/** Glazing, film, shade and lamps over a place. */
export function PlaceLightFields({
  typed,
  error,
  onChange,
}: {
  readonly typed: TypedLight;
  readonly error: (path: string) => string | undefined;
  readonly onChange: (typed: TypedLight) => void;
}) {
  const field = (key: 'through' | 'shade' | 'lamps' | 'lampsHours', label: string, path: string, hint?: string) => (
    <label className="field">
      <span className="label">{label}</span>
      <input
        className="input"
        inputMode="decimal"
        value={typed[key]}
        aria-invalid={error(`light.${path}`) ? true : undefined}
        onChange={(e) => onChange({ ...typed, [key]: e.target.value })}
      />
      {hint && <span className="text-[0.85rem] text-ink2">{hint}</span>}
      {error(`light.${path}`) && <span className="err">{error(`light.${path}`)}</span>}
    </label>
  );
  return (
    <fieldset className="mt-5">
      <legend className="num text-[1.1rem]">{WORDS.light}</legend>
      <label className="flex min-h-11 items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="size-5 accent-plum"
          checked={typed.written}
          onChange={(e) => onChange({ ...typed, written: e.target.checked })}
        />
        {WORDS.writtenDownUntickedWhatIs}
      </label>
      {typed.written && (
        <div className="mt-1 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
          {field('through', WORDS.daylightThroughTheGlazing, 'through_frac', WORDS.cleanGlass70OldFilm)}
          {field('shade', WORDS.keptOutByShade, 'shade_frac')}
          <label className="flex min-h-11 items-center gap-2 self-end font-semibold">
            <input
              type="checkbox"
              className="size-5 accent-plum"
              checked={typed.secondFilm}
              onChange={(e) => onChange({ ...typed, secondFilm: e.target.checked })}
            />
            {WORDS.aSecondFilm}
          </label>
          {field('lamps', WORDS.lampsOverTheTraysMol, 'lamps_umol_m2_s', '0: none')}
          {field('lampsHours', WORDS.lampsHoursADay, 'lamps_h')}
        </div>
      )}
      {typed.written && <LightMeter onRead={(found) => onChange({ ...typed, ...found })} />}
    </fieldset>
  );
}
