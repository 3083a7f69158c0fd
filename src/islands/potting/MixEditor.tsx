import { useState } from 'react';
import type { MixRecord } from '../../core/potting/records.ts';
import { partsTyped } from '../../ui/kit/useTypedForm.ts';
import { LineForm } from '../books/LineForm.tsx';
import { figureOr } from '../../ui/kit/fields.ts';
import { WORDS } from '../../words/en/potting/mixEditor.ts';

interface Props {
  readonly line: MixRecord | null;
  readonly items: readonly { readonly id: number; readonly name: string }[];
}
interface Part {
  readonly itemId: number;
  readonly parts: string;
}

/** A mix by parts: what it is made of and how much of each. */
export function MixEditor({ line, items }: Props) {
  const [parts, setParts] = useState<readonly Part[]>(
    (line?.parts ?? [{ itemId: items[0]?.id ?? 0, parts: 1 }]).map((p) => ({
      itemId: p.itemId,
      parts: String(p.parts),
    })),
  );
  const set = (i: number, next: Partial<Part>) => setParts(parts.map((p, k) => (k === i ? { ...p, ...next } : p)));
  const sum = parts.reduce((all, p) => all + (Number(p.parts.replace(',', '.')) || 0), 0);
  return (
    <LineForm
      schema={() => import('../../contracts/potting/potting.ts').then((m) => m.mixInput)}
      path="/api/books/mixes"
      fields={[
        { key: 'name', label: WORDS.name, kind: 'text' },
        { key: 'note', label: WORDS.note, kind: 'text', optional: true },
      ]}
      line={line as never}
      blank={{}}
      unit="C"
      extra={{ parts: parts.map((p) => ({ itemId: p.itemId, parts: figureOr(p.parts, (n) => n) })) }}
      parts={partsTyped(parts, setParts)}
      onStaleTaken={(current) =>
        setParts((current['parts'] as MixRecord['parts']).map((p) => ({ itemId: p.itemId, parts: String(p.parts) })))
      }
      saveWords={line ? WORDS.saveIt : WORDS.addIt}
      after={() => '/potting/mixes'}
    >
      {(error) => (
        <fieldset className="mt-3">
          <legend className="label">{WORDS.partsMeasuredLoose}</legend>
          {parts.map((part, i) => (
            <div key={i} className="mt-1.5 flex flex-wrap items-center gap-2">
              <input
                className="input w-20"
                inputMode="decimal"
                aria-label={WORDS.partsOfTheThingIn(i + 1)}
                value={part.parts}
                onChange={(e) => set(i, { parts: e.target.value })}
              />
              <select
                className="input w-64"
                aria-label={WORDS.thingInRow(i + 1)}
                value={part.itemId}
                onChange={(e) => set(i, { itemId: Number(e.target.value) })}
              >
                {items.map((item) => (
                  <option key={item.id} value={item.id}>
                    {item.name}
                  </option>
                ))}
              </select>
              <span className="w-14 text-ink2">
                {sum > 0 ? `${Math.round((100 * (Number(part.parts.replace(',', '.')) || 0)) / sum)}%` : ''}
              </span>
              {parts.length > 1 && (
                <button
                  type="button"
                  className="btn"
                  aria-label={WORDS.removeRow(i + 1)}
                  onClick={() => setParts(parts.filter((_, k) => k !== i))}
                >
                  {WORDS.out}
                </button>
              )}
              {[error(`parts.${i}.itemId`), error(`parts.${i}.parts`)].filter(Boolean).map((words) => (
                <span key={words} className="err">
                  {words}
                </span>
              ))}
            </div>
          ))}
          <button
            type="button"
            className="btn mt-2"
            onClick={() => {
              const free = items.find((item) => !parts.some((p) => p.itemId === item.id));
              setParts([...parts, { itemId: free?.id ?? items[0]?.id ?? 0, parts: '1' }]);
            }}
          >
            {WORDS.oneMorePart}
          </button>
          {error('parts') && <p className="err">{error('parts')}</p>}
        </fieldset>
      )}
    </LineForm>
  );
}
