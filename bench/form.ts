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

const UNITS: readonly (readonly [RegExp, string])[] = [
  [/(_|\b)ms$|_ms[_ ]|\bms\b/, 'ms'],
  [/KB/, 'KB'],
  [/_s$|seconds/, 's'],
  [/_us|\bus\b/, 'us'],
  [/MB/, 'MB'],
  [/percent/, '%'],
  [/days|Days/, 'days'],
  [/_min\b/, 'min'],
  [/per_s/, '1/s'],
];

/**
 * Rows of figures that a bench holds in nested records: one for each number, named by its path, with the target written for
 * that path. Keys that begin with "target" are left out: the targets stand in one place.
 * @param targets by path, as `row` reads them; a target whose figure is not there is a row that is not met
 */
export function figures(
  bench: string,
  method: string,
  nested: object,
  targets: Readonly<Record<string, string>>,
): Figures {
  const rows: Row[] = [];
  const seen = new Set<string>();
  const walk = (value: unknown, path: readonly string[]): void => {
    if (value === null || typeof value === 'number') {
      const name = path.join(' ');
      seen.add(name);
      rows.push(row(name, value, UNITS.find(([like]) => like.test(name))?.[1] ?? '', targets[name] ?? null));
    } else if (Array.isArray(value)) value.forEach((one, i) => walk(one, [...path, nameOf(one, i)]));
    else if (typeof value === 'object')
      for (const [key, one] of Object.entries(value)) if (!key.startsWith('target')) walk(one, [...path, key]);
  };
  walk(nested, []);
  for (const name of Object.keys(targets))
    if (!seen.has(name)) rows.push({ name, value: null, unit: '', target: targets[name]!, ok: false });
  return { bench, method, rows };
}

/** What an item of a list is called. */
function nameOf(one: unknown, i: number): string {
  const record = one as { name?: unknown; row?: unknown; fault?: unknown };
  for (const name of [record?.name, record?.row, record?.fault]) if (typeof name === 'string') return name;
  return String(i + 1);
}
