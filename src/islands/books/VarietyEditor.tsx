import type { Crop } from '../../core/books/crop.ts';
import { VARIETY_FIGURES, type VarietyFigures } from '../../core/books/varietyFigures.ts';
import { house } from '../../ui/house.ts';
import { CROP_FIELDS } from './CropEditor.tsx';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { LineForm } from './LineForm.tsx';
import { typedOf } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/varietyEditor.ts';

interface Props {
  readonly line: {
    readonly id: number;
    readonly version: number;
    readonly cropId: number;
    readonly name: string;
    readonly note: string;
    readonly figures: VarietyFigures;
  } | null;
  readonly crops: readonly Pick<Crop, 'id' | 'name'>[];
  /** The crop of the variety, to say what it has where nothing is typed; null for a new one. */
  readonly crop: Crop | null;
  readonly unit: 'C' | 'F';
}

const PART = 'figures.';

/** A variety: whose it is, and what it has otherwise than its crop. */
export function VarietyEditor({ line, crops, crop, unit }: Props) {
  const units = { temperature: unit, length: house().lengthUnit };
  const own = CROP_FIELDS.filter((f) => (VARIETY_FIGURES as readonly string[]).includes(f.key));
  const usual = crop ? typedOf(own, crop as unknown as Record<string, unknown>, units) : {};
  const fields: FieldSpec[] = [
    { key: 'cropId', label: WORDS.crop, kind: 'link', options: crops.map((c) => [c.id, c.name]) },
    { key: 'name', label: WORDS.variety, kind: 'text' },
    { key: 'note', label: WORDS.note, kind: 'text', optional: true },
    ...own.map((field): FieldSpec => {
      const { hint: _hint, ...rest } = field;
      const shown = String(usual[field.key] ?? '');
      return {
        ...rest,
        key: PART + field.key,
        optional: true,
        emptyWords: WORDS.asTheCrop,
        section: WORDS.itsOwnFiguresEmptyAs,
        ...(shown === '' ? {} : { hint: WORDS.crop2(shown) }),
      };
    }),
  ];
  return (
    <LineForm
      path="/api/books/varieties"
      fields={fields}
      line={line && { ...line }}
      blank={{}}
      unit={unit}
      saveWords={line ? WORDS.saveIt : WORDS.addIt}
      after={() => '/books/seed'}
      send={(values, version) => {
        const figures = Object.entries(values['figures'] as object).filter(([, v]) => v !== null && v !== '');
        const body = { ...values, figures: Object.fromEntries(figures) as object };
        return line
          ? { method: 'PUT', path: `/api/books/varieties/${line.id}`, body: { version, line: body } }
          : { method: 'POST', path: '/api/books/varieties', body };
      }}
    />
  );
}
