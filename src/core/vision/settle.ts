import { USUAL, type Settled } from './countCells.ts';

/** What was corrected in a count from a picture before it was taken over. */
export interface Correction {
  readonly cropId: number;
  readonly cells: number;
  /** Cells with something up, as corrected. */
  readonly up: number;
  /** Cells said to be empty in which something was up, and the other way. */
  readonly missed: number;
  readonly falseUp: number;
  /** Cells of one said to be doubled, and of two said to be one. */
  readonly merged: number;
  readonly split: number;
}

/** How far one picture moves a line at most, and how far all of them may. Common practice, no source. */
const STEP = { shift: 0.01, least: 0.15, twice: 0.12 } as const;
const MOST = { shift: 0.05, least: 1.2, twice: 0.6 } as const;
/** With so many of a hundred cells wrong a picture moves the lines by a whole step. */
const WHOLE_frac = 0.05;
/** Pictures of other crops say less of this one. */
const OTHER_crop = 0.3;
/** Older ones say little of today's lamps. */
const LAST = 40;

/**
 * The lines by which leaves and doubles are told, moved by what was corrected: cells that were missed lower them, cells that were
 * wrongly taken raise them, step by step and within bounds, so that a slip of the finger moves little.
 * @param corrections the oldest first, of all crops
 */
export function settledBy(corrections: readonly Correction[], cropId: number): Settled {
  let [shift, least, twice] = [0, 0, 0];
  for (const one of corrections.slice(-LAST)) {
    const weight = one.cropId === cropId ? 1 : OTHER_crop;
    const tilt = (more: number, less: number, of: number) =>
      weight * Math.max(-1, Math.min(1, (more - less) / Math.max(1, of) / WHOLE_frac));
    const seen = tilt(one.falseUp, one.missed, one.cells);
    shift = within(shift + STEP.shift * seen, MOST.shift);
    least = within(least + STEP.least * seen, MOST.least);
    twice = within(twice + STEP.twice * tilt(one.merged, one.split, one.up), MOST.twice);
  }
  return { shift, least_frac: USUAL.least_frac * Math.exp(least), twice: USUAL.twice + twice };
}

const within = (value: number, most: number): number => Math.max(-most, Math.min(most, value));
