import type { Decision } from '../../core/hardening/ladder.ts';

/** A tread of a batch's stairs: a day on a rung. */
export interface Tread {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly rung: number;
  readonly say: Decision['say'];
  readonly climbs: boolean;
  readonly done: boolean;
}

/**
 * Days of a ladder as stairs that climb to the right; the higher, the nearer to hardened.
 * @param first column of the first decision, days from today
 */
export function treads(
  decisions: readonly Pick<Decision, 'say' | 'rung' | 'climbs' | 'done'>[],
  first: number,
  rungs: number,
  box: { readonly column: number; readonly height: number; readonly top: number; readonly base: number },
): Tread[] {
  const rise = (box.height - box.top - box.base) / Math.max(1, rungs);
  return decisions.map((d, i) => ({
    x: (first + i) * box.column,
    y: box.height - box.base - rise * d.rung,
    width: box.column,
    rung: d.rung,
    say: d.say,
    climbs: d.climbs,
    done: d.done,
  }));
}
