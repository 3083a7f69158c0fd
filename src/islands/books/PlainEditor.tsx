import type { FieldSpec } from './fields.ts';
import { LineForm } from './LineForm.tsx';

interface Props {
  readonly book: 'lots' | 'feeds' | 'stock' | 'people';
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
      fields={fields}
      line={line}
      blank={blank}
      unit={unit}
      saveWords={saveWords}
      after={() => backTo}
    />
  );
}
