/** A line of the books that may be retired: gone from choices, kept in what happened. */
export interface Retirable {
  readonly id: number;
  /** Day from which it is no longer chosen, as YYYY-MM-DD; null: in use. */
  readonly retiredOn?: string | null;
}

/** Lines there are to choose from: all that are in use, and those already chosen (`kept`) though they are retired. */
export function inUse<T extends Retirable>(
  lines: readonly T[],
  ...kept: readonly (number | null | undefined)[]
): readonly T[] {
  if (lines.every((line) => isInUse(line))) return lines;
  return lines.filter((line) => isInUse(line) || kept.includes(line.id));
}

export const isInUse = ({ retiredOn }: Pick<Retirable, 'retiredOn'>): boolean =>
  retiredOn === null || retiredOn === undefined;
