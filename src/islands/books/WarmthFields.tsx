import { decimal } from '../../ui/numbers.ts';
import { useId } from 'react';
import { HOT_FACE_C, matRise, perDay_kWh, roomOn, type MatSpec } from '../../core/heat/mat.ts';
import { heapRise_K, peakAfter_days, type HotBedSpec } from '../../core/heat/hotBed.ts';
import { degrees } from '../../ui/format.ts';
import { difference, house, unitOf } from '../../ui/house.ts';
import type { FieldSpec, Typed } from '../../ui/kit/fields.ts';
import { OneField } from '../../ui/kit/OneField.tsx';
import { WORDS } from '../../words/en/books/warmthFields.ts';

interface Props {
  readonly fields: readonly FieldSpec[];
  readonly typed: Typed;
  /** Path of a field in the answer, by its key. */
  readonly pathOf: (key: string) => string;
  readonly error: (path: string) => string | undefined;
  readonly onChange: (typed: Typed) => void;
}

/** Fields of a mat or a hot bed, in the house's units. */
export function WarmthFields({ fields, typed, pathOf, error, onChange }: Props) {
  const id = useId();
  const { unit } = house();
  const withUnit = (field: FieldSpec): FieldSpec =>
    field.kind === 'difference' || field.kind === 'temperature'
      ? { ...field, label: `${field.label}, °${unit}` }
      : field.measure
        ? { ...field, label: `${field.label}, ${unitOf(field.measure)}` }
        : field;
  return (
    <div className="mt-3 grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3">
      {fields.map((field) => (
        <OneField
          key={field.key}
          id={`${id}${field.key}`}
          field={withUnit(field)}
          value={typed[field.key] ?? ''}
          error={error(pathOf(field.key))}
          onChange={(value) => onChange({ ...typed, [field.key]: value })}
        />
      ))}
    </div>
  );
}

/** What a mat gives, said before anything is sown on it; `mat` as typed, null while it cannot be worked out. */
export function MatSays({ mat }: { readonly mat: MatSpec | null }) {
  if (!mat) return null;
  const { unit } = house();
  let rise;
  try {
    rise = matRise(mat);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  const kept = mat.room.kind === 'kept' ? roomOn(mat.room, null) : null;
  return (
    <p role="status" className="note-bar mt-3 max-w-[65ch]">
      {kept ? (
        <>
          {WORDS.theMediumAtTheSeed(
            <strong key="1">
              {WORDS.byDayAndByNight(
                degrees(kept.day_C + rise.medium_K, unit),
                degrees(kept.night_C + rise.medium_K, unit),
              )}
            </strong>,
          )}
        </>
      ) : (
        <>{WORDS.theMediumAtTheSeed2(<strong key="2">{WORDS.aboveTheRoom(difference(rise.medium_K, 0))}</strong>)}</>
      )}
      {mat.measured_K === null ? (
        <>{WORDS.theFaceOfTheMat(difference(rise.surface_K, 0), Math.round(100 * rise.down_frac))}</>
      ) : (
        WORDS.asYouMeasuredIt
      )}
      {WORDS.itRunsDayAndNight(
        kept && kept.day_C + rise.surface_K > HOT_FACE_C && mat.measured_K === null && (
          <strong key="3">{WORDS.theFaceComesOverAn(degrees(HOT_FACE_C, unit))}</strong>
        ),
        decimal(perDay_kWh(mat), 1),
      )}
    </p>
  );
}

/** What a hot bed gives as it is built. */
export function BedSays({ bed }: { readonly bed: HotBedSpec | null }) {
  if (!bed) return null;
  let days: number;
  let peak_K: number;
  try {
    days = peakAfter_days(bed.made);
    peak_K = heapRise_K(bed, days);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
  const after = (week: number) => difference(heapRise_K(bed, days + 7 * week), 0);
  return (
    <div className="note-bar mt-3 max-w-[65ch]">
      <p role="status">
        {WORDS.mostAboutDaysAfterIt(
          Math.round(days),
          <strong key="4">{WORDS.aboveTheAirOverIt(difference(peak_K, 0))}</strong>,
          after(3),
          after(6),
        )}
      </p>
      <p className="mt-1">{WORDS.glovesAndHandsWashedBefore}</p>
    </div>
  );
}
