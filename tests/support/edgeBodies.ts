import { seededRandom } from '../../src/core/numerics/random.ts';

/** As much of JSON Schema as the API's document uses. */
export interface Schema {
  readonly type?: string;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly format?: string;
  readonly examples?: readonly unknown[];
  readonly default?: unknown;
  readonly additionalProperties?: Schema | boolean;
}

const NAUGHTY: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '=1+1',
  '\r\nBEGIN:VEVENT',
  '<script>',
  '2027-02-30',
  '1900-01-01',
  '2199-12-31',
  '9999-99-99',
  'NaN',
  -1,
  0,
  0.5,
  1e9,
  1e308,
  -1e308,
  2_147_483_647,
  2_147_483_648,
  9_007_199_254_740_993,
  [],
  {},
  [[]],
  { __proto__: null },
  'x'.repeat(5_000),
  '🌱'.repeat(50),
  { constructor: { prototype: 1 } },
];
const RAW: readonly string[] = [
  '',
  '{',
  '[]',
  'null',
  '"x"',
  '{"__proto__":{"a":1}}',
  '{"a":1e999}',
  `${'['.repeat(9_000)}`,
  `{"a":${'{"a":'.repeat(3_000)}1${'}'.repeat(3_000)}}`,
  'x'.repeat(70_000),
  '\ufeff{}',
  '{"a":1,"a":2}',
];
const PATHS: readonly string[] = [
  '0',
  '-1',
  '1e3',
  '99999999999999999999',
  '__proto__',
  'constructor',
  'null',
  '%00',
  '..%2f..',
  '2147483647',
  'x'.repeat(500),
];

/** A value the schema takes. */
export function sampleOf(schema: Schema, depth = 0): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.examples?.length) return schema.examples[0];
  if (schema.enum?.length) return schema.enum[0];
  const choice = schema.anyOf?.[0] ?? schema.oneOf?.[0] ?? schema.allOf?.[0];
  if (choice) return sampleOf(choice, depth);
  switch (schema.type) {
    case 'object':
      return depth > 8
        ? {}
        : Object.fromEntries(
            (schema.required ?? []).map((key) => [key, sampleOf(schema.properties?.[key] ?? {}, depth + 1)]),
          );
    case 'array':
      return Array.from({ length: Math.max(schema.minItems ?? 0, 1) }, () => sampleOf(schema.items ?? {}, depth + 1));
    case 'integer':
    case 'number':
      return Math.min(schema.maximum ?? Infinity, Math.max(schema.minimum ?? 1, 1));
    case 'boolean':
      return false;
    case 'null':
      return null;
    default:
      return 'a text to try'.padEnd(schema.minLength ?? 0, 'x').slice(0, schema.maxLength ?? 100);
  }
}

type Path = readonly (string | number)[];

/** Every place of a schema with what stands there. */
function leavesOf(schema: Schema, path: Path = [], depth = 0): { path: Path; schema: Schema }[] {
  const here = [{ path, schema }];
  if (depth > 6) return here;
  const inner = [...(schema.anyOf ?? []), ...(schema.oneOf ?? []), ...(schema.allOf ?? [])];
  return [
    ...here,
    ...inner.flatMap((one) =>
      leavesOf(one, path, depth + 1).filter((leaf) => leaf.path !== path || leaf.schema.type !== 'null'),
    ),
    ...Object.entries(schema.properties ?? {}).flatMap(([key, one]) => leavesOf(one, [...path, key], depth + 1)),
    ...(schema.items ? leavesOf(schema.items, [...path, 0], depth + 1) : []),
  ];
}

function withAt(value: unknown, path: Path, put: unknown): unknown {
  if (path.length === 0) return put;
  const [key, ...rest] = path;
  if (typeof key === 'number') {
    const list = Array.isArray(value) ? [...(value as unknown[])] : [];
    list[key] = withAt(list[key], rest, put);
    return list;
  }
  const record =
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? { ...(value as Record<string, unknown>) }
      : {};
  record[key!] = withAt(record[key!], rest, put);
  return record;
}

let made = 0;
const withKey = (value: unknown): unknown =>
  value !== null && typeof value === 'object' && 'idempotencyKey' in value
    ? { ...value, idempotencyKey: `edge-${process.pid}-${made++}` }
    : value;

/** Bad requests of a call: as JSON texts of { path, body }. The same for the same seed. */
export function badBodies(schema: Schema | null, count: number, path: string): string[] {
  const random = seededRandom(path.length * 7_919 + count);
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const texts: string[] = [];
  const sample = schema === null ? undefined : sampleOf(schema);
  const leaves = schema === null ? [] : leavesOf(schema);
  for (let i = 0; i < count; i++) {
    const at = path.includes('{') && random() < 0.3 ? path.replace(/\{\w+\}/, one(PATHS)) : path;
    if (schema === null)
      texts.push(
        JSON.stringify({
          path:
            random() < 0.3
              ? `${at}?from=${encodeURIComponent(JSON.stringify(one(NAUGHTY)).slice(0, 300).toWellFormed())}&to=%00&codes=x&width=1e9`
              : at,
        }),
      );
    else if (random() < 0.15) texts.push(JSON.stringify({ path: at, body: one(RAW) }));
    else {
      let body = withKey(sample);
      for (let n = 0; n <= Math.floor(random() * 3); n++) body = withAt(body, one(leaves).path, one(NAUGHTY));
      if (random() < 0.2) body = withAt(body, ['surplus'], 1);
      texts.push(JSON.stringify({ path: at, body }));
    }
  }
  return texts;
}

export interface Bound {
  readonly path: Path;
  readonly value: unknown;
}

/** Each bound of each place of a schema. */
export function boundsIn(schema: Schema): Bound[] {
  return leavesOf(schema).flatMap(({ path, schema: leaf }) => boundsOf(leaf).map((value) => ({ path, value })));
}

/** A request with one bound put into a usual one. */
export function withBound(sample: unknown, { path, value }: Bound): string {
  return JSON.stringify({ body: withKey(withAt(sample, path, value)) });
}

/** What there is already, cut to what a schema takes; what it lacks is made up. */
export function cutTo(schema: Schema, value: unknown, depth = 0): unknown {
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) {
    if (value === null && choices.some((c) => c.type === 'null')) return null;
    const kind = Array.isArray(value) ? 'array' : typeof value;
    const fits =
      choices.find((c) => c.type === kind || (kind === 'number' && c.type === 'integer') || c.const === value) ??
      choices[0]!;
    return value === undefined ? sampleOf(schema) : cutTo(fits, value, depth + 1);
  }
  if (schema.type === 'object' && schema.properties && value !== null && typeof value === 'object') {
    const from = value as Record<string, unknown>;
    return Object.fromEntries(
      Object.entries(schema.properties).flatMap(([key, one]) => {
        if (from[key] !== undefined) return [[key, cutTo(one, from[key], depth + 1)]];
        // A book's line stands under "line", its number's version beside it.
        if (key === 'line') return [[key, cutTo(one, from, depth + 1)]];
        return schema.required?.includes(key) ? [[key, sampleOf(one)]] : [];
      }),
    );
  }
  if (schema.type === 'array' && Array.isArray(value))
    return value.map((item) => cutTo(schema.items ?? {}, item, depth + 1));
  return value ?? sampleOf(schema, depth);
}

function boundsOf(schema: Schema): unknown[] {
  if (schema.enum) return [...schema.enum];
  switch (schema.type) {
    case 'integer':
    case 'number':
      return [schema.minimum, schema.maximum].filter((n) => n !== undefined);
    case 'string':
      if (schema.format === 'date') return ['1900-01-01', '2027-04-12', '2028-02-29', '2199-12-31'];
      return [
        'x'.repeat(schema.minLength ?? 0),
        ...(schema.maxLength !== undefined && schema.maxLength <= 5_000 ? ['y'.repeat(schema.maxLength)] : []),
      ];
    case 'boolean':
      return [true, false];
    case 'null':
      return [null];
    case 'array': {
      const item = sampleOf(schema.items ?? {});
      return [schema.minItems ?? 0, Math.min(40, schema.maxItems ?? 3)].map((n) =>
        Array.from({ length: n }, () => item),
      );
    }
    default:
      return [];
  }
}
