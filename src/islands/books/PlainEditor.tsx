import type { FieldSpec } from '../../ui/kit/fields.ts';
import { LineForm } from './LineForm.tsx';

/** Loaded when something is typed: a page that is only read is spared them. */
const SCHEMAS = {
  lots: () => import('../../contracts/books/books.ts').then((m) => m.lotInput),
  feeds: () => import('../../contracts/potting/potting.ts').then((m) => m.feedInput),
  stock: () => import('../../contracts/potting/potting.ts').then((m) => m.stockItemInput),
  jobs: () => import('../../contracts/house/round.ts').then((m) => m.houseJobInput),
  scales: () => import('../../contracts/watering/scales.ts').then((m) => m.scaleInput),
  people: () => import('../../contracts/house/people.ts').then((m) => m.personInput),
} as const;

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
