import type { ReactNode, Ref } from 'react';
import { DateField } from './DateField.tsx';
import { FieldNotes, notesOf } from './FieldNotes.tsx';
import type { FieldSpec } from './fields.ts';
import { WORDS } from '../../words/en/ui/oneField.ts';

interface OneFieldProps {
  readonly id: string;
  readonly field: FieldSpec;
  readonly value: string | boolean;
  readonly error: string | undefined;
  readonly onChange: (value: string | boolean) => void;
  readonly onBlur?: (() => void) | undefined;
  /** To be looked at first when something is wrong with it. */
  readonly inputRef?: Ref<HTMLElement> | undefined;
}

/** A field by its kind: text, figure with its unit, temperature, day, choice, or a box to tick. */
export function OneField({ id, field, value, error, onChange, onBlur, inputRef }: OneFieldProps) {
  const wrong = {
    'aria-invalid': error ? true : undefined,
    'aria-describedby': notesOf({ id, hint: field.hint, error }),
  };
  let control: ReactNode;
  if (field.kind === 'flag') {
    return (
      <label className="flex min-h-11 items-center gap-2 self-end font-semibold">
        <input
          type="checkbox"
          ref={inputRef as Ref<HTMLInputElement>}
          className="size-5 accent-plum"
          checked={value === true}
          onChange={(e) => onChange(e.target.checked)}
        />
        {field.label}
      </label>
    );
  }
  if (field.kind === 'date')
    return (
      <DateField
        id={id}
        label={field.label}
        value={String(value)}
        max={field.max}
        hint={field.hint}
        error={error}
        onValue={onChange}
        onBlur={onBlur}
        inputRef={inputRef}
      />
    );
  if (field.options) {
    control = (
      <select
        ref={inputRef as Ref<HTMLSelectElement>}
        id={id}
        className="input"
        {...wrong}
        value={String(value)}
        onBlur={onBlur}
        onChange={(e) => onChange(e.target.value)}
      >
        {(field.optional || value === '') && (
          <option value="">{field.emptyWords ?? (field.optional ? WORDS.none : WORDS.choose)}</option>
        )}
        {field.options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    );
  } else {
    control = (
      <input
        id={id}
        ref={inputRef as Ref<HTMLInputElement>}
        className={field.big ? 'input num text-2xl' : 'input'}
        {...wrong}
        type={field.kind === 'password' ? 'password' : 'text'}
        autoComplete={field.autoComplete}
        inputMode={
          field.digits
            ? 'numeric'
            : ['number', 'temperature', 'difference', 'length', 'wind'].includes(field.kind)
              ? 'decimal'
              : undefined
        }
        value={String(value)}
        list={field.suggest && `${id}-suggest`}
        onBlur={onBlur}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  }
  return (
    <div className="field">
      <label htmlFor={id}>{field.label}</label>
      {control}
      {field.suggest && (
        <datalist id={`${id}-suggest`}>
          {field.suggest.map((words) => (
            <option key={words} value={words} />
          ))}
        </datalist>
      )}
      <FieldNotes id={id} hint={field.hint} error={error} />
    </div>
  );
}
