import type { Measure } from '../../core/units/measure.ts';

/** How a line of a book is typed: what each field is called and what kind of figure it is. */
export interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly kind:
    'text' | 'number' | 'temperature' | 'difference' | 'length' | 'wind' | 'flag' | 'choice' | 'date' | 'link';
  /** For a choice: value and words. For a link: number of the line and its name. */
  readonly options?: readonly (readonly [string | number, string])[];
  /** Heading it stands under; fields of one heading follow each other. */
  readonly section?: string;
  /** May be left empty. */
  readonly optional?: boolean;
  /** For a number: what it measures, in metric as it is kept; typed in the house's unit. */
  readonly measure?: Measure;
  /** The measure counts only where another field of the line says so: litres of what is counted in litres. */
  readonly measureWhere?: { readonly key: string; readonly is: string };
  readonly hint?: string;
  /** Words of the choice of nothing, where "none" would be wrong. */
  readonly emptyWords?: string;
}

/** Text of each field while it is being typed. */
export type Typed = Readonly<Record<string, string | boolean>>;
