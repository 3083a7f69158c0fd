import type { FieldSpec } from '../../ui/kit/fields.ts';
import { lotInput } from '../../contracts/books/books.ts';
import { personInput } from '../../contracts/house/people.ts';
import { feedInput, stockItemInput } from '../../contracts/potting/potting.ts';
import { LineForm } from './LineForm.tsx';

const SCHEMAS = { lots: lotInput, feeds: feedInput, stock: stockItemInput, people: personInput } as const;

interface Props {
  readonly book: keyof typeof SCHEMAS;
  readonly fields: readonly FieldSpec[];
  readonly line:
    | (Readonly<Record<string, unknown>> & {
        readonly id: number;
        readonly version: number;
      })
    | null;
  readonly blank: Readonly<Record<string, unknown>>;
  readonly unit: 'C' | 'F';
  readonly saveWords: string;
  readonly backTo: string;
}

/** A line of a plain book. */
export function PlainEditor({ book, fields, line, blank, unit, saveWords, backTo }: Props) {
  return (
    <LineForm
      path={`/api/books/${book}`}
      schema={SCHEMAS[book]}
      fields={fields}
      line={line}
      blank={blank}
      unit={unit}
      saveWords={saveWords}
      after={() => backTo}
    />
  );
}
