import { px } from '../../ui/numbers.ts';
import { useState } from 'react';
import type { PotShape } from '../../core/books/container.ts';
import { frustum_L } from '../../core/potting/pot.ts';
import { measureFromShown, typedMeasure } from '../../core/units/measure.ts';
import { house, unitOf } from '../../ui/house.ts';
import type { ContainerRecord } from '../../core/books/records.ts';
import type { FieldSpec } from '../../ui/kit/fields.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from './LineForm.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/books/containerEditor.ts';

interface Props {
  readonly fields: readonly FieldSpec[];
  readonly line: ContainerRecord | null;
  readonly blank: Readonly<Record<string, unknown>>;
}
type TypedShape = Readonly<Record<keyof PotShape, string>>;
const NAMES = { top_mm: WORDS.acrossTheTop, base_mm: WORDS.acrossTheBase, height_mm: WORDS.height } as const;
const typedDepth = (depth_mm: number) => typedMeasure(depth_mm, 'mm', house().lengthUnit);
const typedShape = (shape: PotShape | null | undefined): TypedShape | null =>
  shape
    ? {
        section: shape.section,
        top_mm: typedDepth(shape.top_mm),
        base_mm: typedDepth(shape.base_mm),
        height_mm: typedDepth(shape.height_mm),
      }
    : null;

/** A container with its inside measures, which layers of mix are worked out from. */
export function ContainerEditor({ fields, line, blank }: Props) {
  const [shape, setShape] = useState(() => typedShape(line?.shape));
  const { lengthUnit } = house();
  const depthOf = (key: keyof typeof NAMES, typed: TypedShape) =>
    line?.shape && typed[key] === typedDepth(line.shape[key])
      ? line.shape[key]
      : figureOr(typed[key], (n) => measureFromShown(n, 'mm', lengthUnit));
  const sent = shape && {
    section: shape.section,
    top_mm: depthOf('top_mm', shape),
    base_mm: depthOf('base_mm', shape),
    height_mm: depthOf('height_mm', shape),
  };
  let holds = '';
  if (sent) {
    try {
      holds = WORDS.byTheseItHoldsEach(
        typedMeasure(Number(px(frustum_L(sent as PotShape, sent.height_mm as number))), 'L', lengthUnit),
        unitOf('L'),
      );
    } catch {
      holds = WORDS.typeAllThreeMeasures;
    }
  }
  return (
    <LineForm
      schema={() => import('../../contracts/books/books.ts').then((m) => m.containerInput)}
      path="/api/books/containers"
      fields={fields}
      line={line as never}
      blank={blank}
      unit="C"
      extra={{ shape: sent }}
      parts={partsTyped(shape, setShape)}
      onStaleTaken={(current) => setShape(typedShape(current['shape'] as PotShape | null))}
      saveWords={line ? WORDS.saveIt : WORDS.addIt}
      after={() => '/books/containers'}
    >
      {(error) => (
        <fieldset className="mt-3">
          <legend className="label">{WORDS.insideMeasuresOfOnePot}</legend>
          <div className="flex flex-wrap items-end gap-3">
            <label className="field">
              <span className="label">{WORDS.seenFromAbove}</span>
              <select
                className="input"
                value={shape?.section ?? ''}
                onChange={(e) =>
                  setShape(
                    e.target.value === ''
                      ? null
                      : {
                          ...(shape ?? { top_mm: '', base_mm: '', height_mm: '' }),
                          section: e.target.value,
                        },
                  )
                }
              >
                <option value="">{WORDS.notMeasured}</option>
                <option value="round">{WORDS.round}</option>
                <option value="square">{WORDS.square}</option>
              </select>
            </label>
            {shape &&
              (Object.keys(NAMES) as (keyof typeof NAMES)[]).map((key) => (
                <label key={key} className="field">
                  <span className="label">
                    {NAMES[key]}, {unitOf('mm')}
                  </span>
                  <input
                    className="input w-32"
                    inputMode="decimal"
                    value={shape[key]}
                    onChange={(e) => setShape({ ...shape, [key]: e.target.value })}
                  />
                  {error(`shape.${key}`) && <span className="err">{error(`shape.${key}`)}</span>}
                </label>
              ))}
          </div>
          <p className="mt-1 text-ink2">{holds}</p>
        </fieldset>
      )}
    </LineForm>
  );
}
