import type { Explanation } from '../core/explanation.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';
import { explanationInput } from './format.ts';
import { WORDS } from '../words/en/ui/explanationText.ts';

/** The arithmetic behind a figure: rule, inputs, source. */
export function ExplanationText({
  explanation,
  unit,
}: {
  readonly explanation: Explanation;
  readonly unit: TemperatureUnit;
}) {
  return (
    <div className="max-w-[60ch] pb-1 text-[0.9rem] text-ink2">
      <p>{explanation.rule}</p>
      {explanation.inputs.length > 0 && (
        <ul className="flex flex-wrap gap-x-3">
          {explanation.inputs.map((input, i) => (
            <li key={i} className="font-semibold">
              {explanationInput(input, unit)}
            </li>
          ))}
        </ul>
      )}
      <p className="text-ink3">{WORDS.source(explanation.source)}</p>
    </div>
  );
}
