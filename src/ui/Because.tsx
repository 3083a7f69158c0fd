import type { Because as BecauseRecord } from '../core/explanation.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';
import { becauseInput } from './format.ts';

/** The arithmetic behind a figure: rule, inputs, source. */
export function BecauseText({ because, unit }: { readonly because: BecauseRecord; readonly unit: TemperatureUnit }) {
  return (
    <div className="max-w-[60ch] pb-1 text-[0.9rem] text-ink2">
      <p>{because.rule}</p>
      {because.inputs.length > 0 && (
        <ul className="flex flex-wrap gap-x-3">
          {because.inputs.map((input, i) => (
            <li key={i} className="font-semibold">
              {becauseInput(input, unit)}
            </li>
          ))}
        </ul>
      )}
      <p className="text-ink3">Source: {because.source}.</p>
    </div>
  );
}
