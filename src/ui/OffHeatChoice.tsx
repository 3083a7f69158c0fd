import type { OffHeatRule } from '../core/germination/offHeatRule.ts';
import { WORDS } from '../words/en/ui/offHeatChoice.ts';

/** The rule as it is typed; '' = as the house. */
export interface TypedOffHeat {
  readonly kind: '' | OffHeatRule['kind'];
  readonly share: string;
  readonly days: string;
}

export function typedOffHeat(rule: OffHeatRule | null | undefined): TypedOffHeat {
  return {
    kind: rule?.kind ?? '',
    share: rule?.kind === 'share' ? String(Math.round(100 * rule.share_frac)) : '75',
    days: rule?.kind === 'days-after' ? String(rule.days) : '7',
  };
}

/** The call's part; what is not a figure goes as text, so that the answer names the field. */
export function offHeatBody({ kind, share, days }: TypedOffHeat): Record<string, unknown> | null {
  const figure = (text: string, over: number) =>
    text.trim() !== '' && Number.isFinite(Number(text)) ? Number(text) / over : text;
  if (kind === '') return null;
  if (kind === 'share') return { kind, share_frac: figure(share, 100) };
  if (kind === 'days-after') return { kind, days: figure(days, 1) };
  return { kind };
}

/** The rule, when what is typed makes one; else none. */
export function offHeatOf({ kind, share, days }: TypedOffHeat): OffHeatRule | null {
  if (kind === 'half-up' || kind === 'all-up') return { kind };
  const share_frac = Number(share) / 100;
  if (kind === 'share') return share_frac >= 0.5 && share_frac <= 0.95 ? { kind, share_frac } : null;
  return kind === 'days-after' && /^[1-9]\d?$/.test(days) ? { kind, days: Number(days) } : null;
}

const RULES: readonly (readonly [OffHeatRule['kind'], string])[] = [
  ['half-up', WORDS.whenHalfAreUp],
  ['share', WORDS.whenAShareOfThose],
  ['all-up', WORDS.whenAllAreUp],
  ['days-after', WORDS.someDaysAfterHalfUp],
];

interface Props {
  readonly id: string;
  readonly label: string;
  readonly value: TypedOffHeat;
  /** May be left to the house. */
  readonly house: boolean;
  readonly error: (path: string) => string | undefined;
  /** Path of the rule in the call's body. */
  readonly path: string;
  readonly onValue: (value: TypedOffHeat) => void;
}

/** When trays come off the heat, with the share or the days where the rule has them. */
export function OffHeatChoice({ id, label, value, house, error, path, onValue }: Props) {
  const part = value.kind === 'share' ? 'share' : value.kind === 'days-after' ? 'days' : null;
  const wrong = error(path) ?? error(`${path}.share_frac`) ?? error(`${path}.days`);
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className="flex gap-2">
        <select
          id={id}
          className="input min-w-0 flex-1"
          value={value.kind}
          onChange={(e) => onValue({ ...value, kind: e.target.value as TypedOffHeat['kind'] })}
        >
          {house && <option value="">{WORDS.asTheHouse}</option>}
          {RULES.map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </select>
        {part && (
          <label className="flex items-center gap-1">
            <input
              className="input w-16"
              inputMode="numeric"
              aria-label={part === 'share' ? WORDS.percentUp(label) : WORDS.daysAfterHalfUp(label)}
              aria-invalid={wrong ? true : undefined}
              aria-describedby={wrong ? `${id}-error` : undefined}
              value={value[part]}
              onChange={(e) => onValue({ ...value, [part]: e.target.value })}
            />
            <span aria-hidden>{part === 'share' ? '%' : WORDS.days}</span>
          </label>
        )}
      </div>
      {wrong && (
        <span id={`${id}-error`} className="err">
          {wrong}
        </span>
      )}
    </div>
  );
}
