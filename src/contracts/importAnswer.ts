import type { FieldError } from './problem.ts';

/** A line of the file as it would be made. */
export interface ImportLine {
  /** Line of the file, the heading being 1. */
  readonly line: number;
  readonly crop: string;
  readonly variety: string;
  readonly plants: number;
  readonly transplantOn: string;
  readonly sowOn: string | null;
}

export interface ImportAnswer {
  readonly lines: readonly ImportLine[];
  readonly errors: readonly FieldError[];
  /** Batches made: 0 for a preview. */
  readonly made: number;
  readonly repeated: boolean;
}
