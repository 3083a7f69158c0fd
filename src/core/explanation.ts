import { WORDS } from '../words/en/house/explanation.ts';
/** The arithmetic behind a figure, so that a screen can open it: rule, inputs, source. */
export interface Explanation {
  /** One sentence in the grower's words. */
  readonly rule: string;
  readonly inputs: readonly ExplanationInput[];
  /** Published source, "common practice, no source", "from memory", or "your own log". */
  readonly source: string;
}

/** A named input. Dates are ISO days; temperatures are given apart so that the screen can change scale. */
export interface ExplanationInput {
  readonly name: string;
  readonly value?: string;
  readonly temperature_C?: number;
  readonly degreeDays?: number;
  /** A difference of temperatures. */
  readonly difference_K?: number;
  readonly date?: string;
}

export const COMMON_PRACTICE = 'common practice, no source';
export const OWN_LOG = WORDS.yourOwnLog;
