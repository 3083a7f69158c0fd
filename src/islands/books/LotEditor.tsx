import { saidOf } from '../../words/en/codes.ts';
import { useState } from 'react';
import type { LotTest } from '../../core/books/records.ts';
import { wilson } from '../../core/numerics/wilson.ts';
import { Field } from '../../ui/Field.tsx';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from './LineForm.tsx';
import { WORDS } from '../../words/en/books/lotEditor.ts';

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
      schema={() => import('../../contracts/books/books.ts').then((m) => m.lotInput)}
      path="/api/books/lots"
      fields={fieldsOf(varieties)}
      line={line}
      blank={{ treatment: 'none' }}
      unit={unit}
      lengthUnit={lengthUnit}
      extra={{ tests: sent }}
      onStaleTaken={(current) => setTests(typedTests(current))}
      parts={partsTyped(tests, setTests)}
      saveWords={line ? WORDS.saveTheLot : WORDS.addTheLot}
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
          <legend className="num text-[1.1rem]">{WORDS.germinationTests}</legend>
          <p className="max-w-[70ch] text-[0.9rem] text-ink2">{WORDS.quickTestLaySeedsOn}</p>
          {tests.map((test, i) => {
            const found = resultOf(test);
            return (
              <div
                key={i}
                className="mt-3 grid grid-cols-2 items-start gap-3 min-[800px]:grid-cols-[150px_1fr_110px_1.4fr_auto]"
              >
                <Field
                  id={`t${i}on`}
                  label={WORDS.begun}
                  type="date"
                  max={today}
                  value={test.on}
                  error={error(`tests.${i}.on`)}
                  onValue={(on) => change(i, { on })}
                />
                <Field
                  id={`t${i}how`}
                  label={WORDS.how}
                  value={test.method}
                  error={error(`tests.${i}.method`)}
                  onValue={(method) => change(i, { method })}
                />
                <Field
                  id={`t${i}n`}
                  label={WORDS.seeds}
                  inputMode="numeric"
                  value={test.seeds}
                  error={error(`tests.${i}.seeds`)}
                  onValue={(seeds) => change(i, { seeds })}
                />
                <Field
                  id={`t${i}c`}
                  label={WORDS.countsInAll}
                  placeholder="3: 4, 5: 11, 7: 14"
                  value={test.counts}
                  error={countError(error, i)}
                  hint={
                    found ? WORDS.with90Limits(Math.round((100 * found.up) / found.seeds), limits(found)) : undefined
                  }
                  onValue={(counts) => change(i, { counts })}
                />
                <button
                  type="button"
                  className="link-btn self-end"
                  onClick={() => setTests(tests.filter((_, j) => j !== i))}
                >
                  {WORDS.takeOut}
                </button>
              </div>
            );
          })}
          <button
            type="button"
            className="btn mt-3"
            onClick={() => setTests([...tests, { on: today, method: WORDS.onDampPaper, seeds: '20', counts: '' }])}
          >
            {WORDS.beginAQuickTest}
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
  return WORDS.to(Math.round(100 * low), Math.round(100 * high));
}

function fieldsOf(varieties: Props['varieties']): FieldSpec[] {
  return [
    { key: 'varietyId', label: WORDS.variety, kind: 'link', options: varieties },
    { key: 'code', label: WORDS.lotNumber, kind: 'text' },
    { key: 'receivedOn', label: WORDS.received, kind: 'date', optional: true },
    { key: 'seeds_count', label: WORDS.seedsInHand, kind: 'number', optional: true },
    { key: 'weight_g', label: WORDS.orWeightInHandG, kind: 'number', optional: true },
    { key: 'thousandSeed_g', label: WORDS.weightOf1000SeedsG, kind: 'number', optional: true },
    { key: 'packet_seeds', label: WORDS.seedsToAPacket, kind: 'number', optional: true },
    { key: 'packet_price', label: WORDS.priceOfAPacket, kind: 'number', optional: true },
    {
      key: 'germination_percent',
      label: WORDS.germination,
      kind: 'number',
      optional: true,
      hint: WORDS.leftAsItIsThe,
    },
    { key: 'testedOn', label: WORDS.tested, kind: 'date', optional: true },
    {
      key: 'treatment',
      label: WORDS.treatment,
      kind: 'choice',
      options: [
        ['none', saidOf('none')],
        ['primed', saidOf('primed')],
        ['pelleted', saidOf('pelleted')],
        ['coated', saidOf('coated')],
        ['dressed', saidOf('dressed')],
      ],
    },
    {
      key: 'light',
      label: WORDS.light,
      kind: 'choice',
      optional: true,
      options: [
        ['light', WORDS.inLight],
        ['dark', WORDS.inTheDark],
        ['neutral', saidOf('neutral')],
      ],
      hint: WORDS.noneAsTheCrop,
    },
    { key: 'depth_mm', label: WORDS.depth, kind: 'length', optional: true, hint: WORDS.noneAsTheCrop },
    { key: 'storage_C', label: WORDS.keptAt, kind: 'temperature', optional: true },
    { key: 'moisture_percent', label: WORDS.seedMoisture, kind: 'number', optional: true },
    { key: 'note', label: WORDS.note, kind: 'text', optional: true },
  ];
}
