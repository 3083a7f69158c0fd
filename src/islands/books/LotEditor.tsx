import { lotInput } from '../../contracts/books/books.ts';
import { useState } from 'react';
import type { LotTest } from '../../core/books/records.ts';
import { wilson } from '../../core/numerics/wilson.ts';
import { Field } from '../../ui/Field.tsx';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { LineForm } from './LineForm.tsx';

interface Props {
  readonly varieties: readonly (readonly [number, string])[];
  readonly line:
    | (Readonly<Record<string, unknown>> & {
        readonly id: number;
        readonly version: number;
        readonly tests: readonly LotTest<string>[];
      })
    | null;
  readonly unit: 'C' | 'F';
  readonly lengthUnit: 'cm' | 'in';
  readonly today: string;
}

type TypedTest = { on: string; method: string; seeds: string; counts: string };

/** A lot of seed: whose, how much, how it was kept, and its germination tests, the quick one on paper among them. */
export function LotEditor({ varieties, line, unit, lengthUnit, today }: Props) {
  const [tests, setTests] = useState<readonly TypedTest[]>(() => typedTests({ ...line }));
  const change = (i: number, part: Partial<TypedTest>) =>
    setTests(tests.map((t, j) => (j === i ? { ...t, ...part } : t)));
  const whole = (text: string) => (/^\d+$/.test(text.trim()) ? Number(text) : text);
  const sent = tests.map((t) => ({ on: t.on, method: t.method, seeds: whole(t.seeds), counts: countsTyped(t.counts) }));
  const latest = tests.reduce<TypedTest | null>((last, t) => (last === null || t.on >= last.on ? t : last), null);
  const result = latest && resultOf(latest);
  return (
    <LineForm
      schema={lotInput}
      path="/api/books/lots"
      fields={fieldsOf(varieties)}
      line={line}
      blank={{ treatment: 'none' }}
      unit={unit}
      lengthUnit={lengthUnit}
      extra={{ tests: sent }}
      onStaleTaken={(current) => setTests(typedTests(current))}
      onRestored={(parts) => setTests(typedTests(parts))}
      saveWords={line ? 'Save the lot' : 'Add the lot'}
      send={(values, version) => {
        // The latest test is the lot's germination unless another figure was typed.
        const typed = values['germination_percent'];
        const taken = result && (typed === null || typed === undefined || typed === line?.['germination_percent']);
        const body = taken
          ? { ...values, germination_percent: Math.round((1000 * result.up) / result.seeds) / 10, testedOn: latest!.on }
          : values;
        return line
          ? { method: 'PUT', path: `/api/books/lots/${line.id}`, body: { version, line: body } }
          : { method: 'POST', path: '/api/books/lots', body };
      }}
      after={() => '/books/lots'}
    >
      {(error) => (
        <fieldset className="mt-5">
          <legend className="num text-[1.1rem]">Germination tests</legend>
          <p className="max-w-[70ch] text-[0.9rem] text-ink2">
            Quick test: lay seeds on damp paper, fold, keep warm, and count those with a root every day or two. Write
            the counts in all, day: number.
          </p>
          {tests.map((test, i) => {
            const found = resultOf(test);
            return (
              <div
                key={i}
                className="mt-3 grid grid-cols-2 items-start gap-3 min-[800px]:grid-cols-[150px_1fr_110px_1.4fr_auto]"
              >
                <Field
                  id={`t${i}on`}
                  label="Begun"
                  type="date"
                  max={today}
                  value={test.on}
                  error={error(`tests.${i}.on`)}
                  onValue={(on) => change(i, { on })}
                />
                <Field
                  id={`t${i}how`}
                  label="How"
                  value={test.method}
                  error={error(`tests.${i}.method`)}
                  onValue={(method) => change(i, { method })}
                />
                <Field
                  id={`t${i}n`}
                  label="Seeds"
                  inputMode="numeric"
                  value={test.seeds}
                  error={error(`tests.${i}.seeds`)}
                  onValue={(seeds) => change(i, { seeds })}
                />
                <Field
                  id={`t${i}c`}
                  label="Counts, in all"
                  placeholder="3: 4, 5: 11, 7: 14"
                  value={test.counts}
                  error={countError(error, i)}
                  hint={
                    found
                      ? `${Math.round((100 * found.up) / found.seeds)}%, with 90% limits ${limits(found)}`
                      : undefined
                  }
                  onValue={(counts) => change(i, { counts })}
                />
                <button
                  type="button"
                  className="link-btn self-end"
                  onClick={() => setTests(tests.filter((_, j) => j !== i))}
                >
                  Take out
                </button>
              </div>
            );
          })}
          <button
            type="button"
            className="btn mt-3"
            onClick={() => setTests([...tests, { on: today, method: 'on damp paper', seeds: '20', counts: '' }])}
          >
            Begin a quick test
          </button>
        </fieldset>
      )}
    </LineForm>
  );
}

/** Tests as they are typed, from a lot or from what was sent of one. */
function typedTests(lot: Readonly<Record<string, unknown>>): TypedTest[] {
  return ((lot['tests'] ?? []) as LotTest<string>[]).map((test) => ({
    on: test.on,
    method: test.method,
    seeds: String(test.seeds),
    counts: test.counts.map((c) => `${c.day}: ${c.up}`).join(', '),
  }));
}

function countError(error: (path: string) => string | undefined, i: number): string | undefined {
  const own = error(`tests.${i}.counts`);
  if (own) return own;
  for (let j = 0; j < 60; j++) {
    const found = error(`tests.${i}.counts.${j}.up`) ?? error(`tests.${i}.counts.${j}.day`);
    if (found) return found;
  }
  return undefined;
}

/** "3: 4, 5: 11" as counts; what is not a figure is sent as it stands, so that the answer can say so. */
export function countsTyped(text: string): { day: unknown; up: unknown }[] {
  return text
    .split(/[,;\n]/)
    .filter((part) => part.trim() !== '')
    .map((part) => {
      const [day, up] = part.split(/[:=]/).map((n) => n.trim());
      const figure = (n: string | undefined) => (n !== undefined && /^\d+$/.test(n) ? Number(n) : (n ?? null));
      return { day: figure(day), up: figure(up) };
    });
}

function resultOf(test: TypedTest): { up: number; seeds: number } | null {
  const last = countsTyped(test.counts).at(-1);
  const seeds = Number(test.seeds);
  if (!last || typeof last.up !== 'number' || !(seeds >= 1) || last.up > seeds) return null;
  return { up: last.up, seeds };
}

function limits({ up, seeds }: { up: number; seeds: number }): string {
  const { low, high } = wilson(up, seeds, 0.9);
  return `${Math.round(100 * low)} to ${Math.round(100 * high)}%`;
}

function fieldsOf(varieties: Props['varieties']): FieldSpec[] {
  return [
    { key: 'varietyId', label: 'Variety', kind: 'link', options: varieties },
    { key: 'code', label: 'Lot number', kind: 'text' },
    { key: 'receivedOn', label: 'Received', kind: 'date', optional: true },
    { key: 'seeds_count', label: 'Seeds in hand', kind: 'number', optional: true },
    { key: 'weight_g', label: 'or weight in hand, g', kind: 'number', optional: true },
    { key: 'thousandSeed_g', label: 'Weight of 1000 seeds, g', kind: 'number', optional: true },
    { key: 'packet_seeds', label: 'Seeds to a packet', kind: 'number', optional: true },
    { key: 'packet_price', label: 'Price of a packet', kind: 'number', optional: true },
    {
      key: 'germination_percent',
      label: 'Germination, %',
      kind: 'number',
      optional: true,
      hint: 'left as it is, the latest test below',
    },
    { key: 'testedOn', label: 'Tested', kind: 'date', optional: true },
    {
      key: 'treatment',
      label: 'Treatment',
      kind: 'choice',
      options: [
        ['none', 'none'],
        ['primed', 'primed'],
        ['pelleted', 'pelleted'],
        ['coated', 'coated'],
        ['dressed', 'dressed'],
      ],
    },
    {
      key: 'light',
      label: 'Light',
      kind: 'choice',
      optional: true,
      options: [
        ['light', 'in light'],
        ['dark', 'in the dark'],
        ['neutral', 'either'],
      ],
      hint: 'none = as the crop',
    },
    { key: 'depth_mm', label: 'Depth', kind: 'length', optional: true, hint: 'none = as the crop' },
    { key: 'storage_C', label: 'Kept at', kind: 'temperature', optional: true },
    { key: 'moisture_percent', label: 'Seed moisture, %', kind: 'number', optional: true },
    { key: 'note', label: 'Note', kind: 'text', optional: true },
  ];
}
