/** One measured figure against its target. */
export interface Row {
  readonly name: string;
  readonly value: number | string | null;
  readonly unit: string;
  /** What it must reach, in words that a number can be held against: "<= 250", ">= 0.9", "= 0"; null: only measured. */
  readonly target: string | null;
  /** The honest comparison; true where there is no target. */
  readonly ok: boolean;
}

/** What every bench prints. */
export interface Figures {
  readonly bench: string;
  readonly method: string;
  readonly rows: readonly Row[];
}

/**
 * A row held against its target.
 * @param target "<= n", ">= n", "= n", or null for a figure that has none
 * @throws RangeError for a target that cannot be read
 */
export function row(name: string, value: number | null, unit: string, target: string | null = null): Row {
  return { name, value: value === null ? null : Number(value.toPrecision(6)), unit, target, ok: meets(value, target) };
}

function meets(value: number | null, target: string | null): boolean {
  if (target === null) return true;
  const read = /^(<=|>=|=|<|>) (-?[\d.]+)$/.exec(target);
  if (!read) throw new RangeError(`target: ${target}, wanted like "<= 250"`);
  const goal = Number(read[2]);
  if (value === null || !Number.isFinite(value)) return false;
  switch (read[1]) {
    case '<=':
      return value <= goal;
    case '>=':
      return value >= goal;
    case '<':
      return value < goal;
    case '>':
      return value > goal;
    default:
      return value === goal;
  }
}
