import type { InputHTMLAttributes } from 'react';
import { DateField } from './kit/DateField.tsx';
import { FieldNotes, notesOf } from './kit/FieldNotes.tsx';
import { WORDS } from '../words/en/ui/field.ts';

interface FieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange'> {
  readonly id: string;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
  readonly onValue: (value: string) => void;
}

/** A labelled input with its error beside it. */
export function Field({ id, label, hint, error, onValue, ...input }: FieldProps) {
  if (input.type === 'date')
    return (
      <DateField
        id={id}
        label={label}
        value={String(input.value ?? '')}
        min={input.min === undefined ? undefined : String(input.min)}
        max={input.max === undefined ? undefined : String(input.max)}
        disabled={input.disabled}
        hint={hint}
        error={error}
        onValue={onValue}
      />
    );
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <input
        {...input}
        id={id}
        className="input"
        aria-invalid={error ? true : undefined}
        aria-describedby={notesOf({ id, hint, error })}
        onChange={(e) => onValue(e.target.value)}
      />
      <FieldNotes id={id} hint={hint} error={error} />
    </div>
  );
}

interface SelectProps {
  readonly id: string;
  readonly label: string;
  readonly value: number | null;
  readonly options: readonly { readonly id: number; readonly name: string }[];
  /** Words for "none"; without it one must be chosen. */
  readonly none?: string;
  readonly error?: string | undefined;
  readonly onValue: (value: number | null) => void;
}

/** A labelled choice of a line of the books. */
export function SelectField({ id, label, value, options, none, error, onValue }: SelectProps) {
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <select
        id={id}
        className="input"
        value={value ?? ''}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(e) => onValue(e.target.value === '' ? null : Number(e.target.value))}
      >
        {(none !== undefined || value === null) && <option value="">{none ?? WORDS.choose}</option>}
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.name}
          </option>
        ))}
      </select>
      <FieldNotes id={id} error={error} />
    </div>
  );
}
