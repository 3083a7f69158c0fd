import { Controller, useWatch, type UseFormReturn } from 'react-hook-form';
import { isAsked, labelOf, sectionsOf, type FieldSpec, type Units } from './fields.ts';
import { OneField } from './OneField.tsx';
import { nameOf } from './useTypedForm.ts';

interface Props {
  readonly id: string;
  readonly form: UseFormReturn<Record<string, string | boolean>>;
  readonly fields: readonly FieldSpec[];
  readonly units: Units;
  readonly error: (path: string) => string | undefined;
  /** How fields stand beside each other. */
  readonly columns?: string | undefined;
  /** What is said under the heading of a section. */
  readonly notes?: Readonly<Record<string, string>> | undefined;
}

const COLUMNS = 'grid grid-cols-1 gap-3 min-[560px]:grid-cols-2 min-[900px]:grid-cols-3';

/** Fields of a form under their headings, each with what is wrong with it. */
export function FormRows({ id, form, fields, units, error, columns = COLUMNS, notes }: Props) {
  // Fields that hang on what is typed in another come and go with it.
  const watched = [...new Set(fields.flatMap(({ when }) => (when ? [when.key] : [])))];
  const values = useWatch({ control: form.control, name: watched.map(nameOf) });
  const typed = Object.fromEntries(watched.map((key, i) => [key, values[i] ?? '']));
  return sectionsOf(fields.filter((field) => isAsked(field, typed))).map(([heading, ofSection]) => (
    <fieldset key={heading} className="mt-4 first:mt-0">
      {heading !== '' && <legend className="num mb-1 text-[1.1rem]">{heading}</legend>}
      {notes?.[heading] && <p className="mb-2 max-w-[75ch] text-[0.9rem] text-ink2">{notes[heading]}</p>}
      <div className={columns}>
        {ofSection.map((field) => (
          <Controller
            key={field.key}
            control={form.control}
            name={nameOf(field.key)}
            render={({ field: { value, onChange, onBlur, ref } }) => (
              <OneField
                id={`${id}${field.key}`}
                field={{ ...field, label: labelOf(field, units) }}
                value={value ?? ''}
                error={error(field.key)}
                onChange={onChange}
                onBlur={onBlur}
                inputRef={ref}
              />
            )}
          />
        ))}
      </div>
    </fieldset>
  ));
}
