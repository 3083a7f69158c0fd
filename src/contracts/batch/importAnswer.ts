import type { FieldError } from '../problem.ts';

/** A line of the file as it would be made. */
export interface ImportLine {
  /** Line of the file, the heading being 1. */
  readonly line: number;
  readonly crop: string;
  readonly variety: string;
  /** Whether its variety is made with it. */
  readonly isNew: boolean;
  readonly plants: number;
  readonly transplantOn: string;
  readonly sowOn: string | null;
  /** Where it stands, in order. */
  readonly places: string;
  /** Room or warmth that is lacking; null: none. */
  readonly lack: string | null;
}

export interface ImportAnswer {
  readonly lines: readonly ImportLine[];
  readonly errors: readonly FieldError[];
  /** Varieties that are or would be made. */
  readonly newVarieties: readonly { readonly cropId: number; readonly name: string }[];
  /** What the file's dates say of their order. */
  readonly dateOrder: 'dmy' | 'mdy' | 'either' | 'mixed' | 'none';
  /** Lines that were not taken, as a file to mend; null: none, or nothing was taken. */
  readonly rest: string | null;
  /** Batches made: 0 for a preview. */
  readonly made: number;
  readonly repeated: boolean;
}
