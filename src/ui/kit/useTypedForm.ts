import { useEffect, useMemo, useRef, useState } from 'react';
import { get, useForm, type FieldErrors, type FieldPath } from 'react-hook-form';
import type { z } from 'zod';
import type { Problem } from '../../contracts/problem.ts';
import { draftOf, forgetDraft, keepDraft } from './drafts.ts';
import { typedOf, valuesOf, type FieldSpec, type Typed, type Units } from './fields.ts';

type Values = Readonly<Record<string, unknown>>;

/** react-hook-form takes a point in a name for a part of a record; our fields stand in one row. */
export const nameOf = (key: string): string => key.replaceAll('.', '~');
const keyOf = (name: string): string => name.replaceAll('~', '.');
const named = (typed: Typed): Record<string, string | boolean> =>
  Object.fromEntries(Object.entries(typed).map(([key, value]) => [nameOf(key), value]));
const keyed = (values: Readonly<Record<string, string | boolean>>): Typed =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [keyOf(name), value]));

interface TypedForm {
  readonly fields: readonly FieldSpec[];
  /** What the form begins with, as it is kept. */
  readonly start: Values;
  readonly units: Units;
  /** What the call takes: what is wrong is said before anything is sent. */
  readonly schema?: z.ZodType | undefined;
  /** Parts that have editors of their own; sent with the fields. */
  readonly extra?: Values | undefined;
  /** Name under which what is typed is kept in this browser until it is sent; null: nowhere. */
  readonly draft: string | null;
  /** Version of what is changed: a draft of another is not put over it. */
  readonly version: number;
  /** Puts parts with editors of their own back as they were typed. */
  readonly onExtra?: ((extra: Values) => void) | undefined;
}

/**
 * A form whose fields are typed in the reader's units and checked by the schema of its call: what is wrong stands at its field,
 * at once or from the server's answer, and what is typed outlives an error, a lost network and a reload.
 */
export function useTypedForm(input: TypedForm) {
  const { fields, start, units, schema, extra, draft, version, onExtra } = input;
  const bodyOf = (typed: Typed): Record<string, unknown> => ({ ...valuesOf(fields, typed, units, start), ...extra });
  /** Where the errors of a part of the body stand. */
  const placeOf = (path: string): string =>
    fields.some(({ key }) => key === path) ? nameOf(path) : path === '' ? 'root' : path;
  const form = useForm<Record<string, string | boolean>>({
    defaultValues: named(typedOf(fields, start, units)),
    mode: 'onTouched',
    resolver: (typed) => {
      const wrong = schema ? schema.safeParse(bodyOf(keyed(typed))).error : undefined;
      if (!wrong) return { values: typed, errors: {} };
      const errors: FieldErrors = {};
      for (const issue of wrong.issues) put(errors, placeOf(issue.path.join('.')), issue.message);
      return { values: {}, errors };
    },
  });
  const [restored, setRestored] = useState(false);
  const { reset, subscribe, getValues, setError, formState } = form;

  // Once, in the browser: what was typed before a reload is put back where it was.
  const once = useRef(false);
  useEffect(() => {
    if (once.current || draft === null) return;
    once.current = true;
    const kept = draftOf(draft, version);
    if (!kept) return;
    reset({ ...getValues(), ...kept.typed }, { keepDefaultValues: true });
    if (kept.extra) onExtra?.(kept.extra);
    setRestored(true);
  }, [draft, version, reset, getValues, onExtra]);

  const extraText = useMemo(() => JSON.stringify(extra ?? null), [extra]);
  const extraAtStart = useRef(extraText);
  useEffect(() => {
    if (draft === null) return;
    const keep = () => keepDraft(draft, { version, typed: getValues(), extra: JSON.parse(extraText) as Values | null });
    const otherwise = extraText !== extraAtStart.current;
    if (otherwise) keep();
    // What is typed back to what it was is no draft any more.
    const callback = ({ isDirty }: { readonly isDirty?: boolean }) =>
      isDirty || otherwise ? keep() : forgetDraft(draft);
    return subscribe({ formState: { values: true, isDirty: true }, callback });
  }, [draft, version, subscribe, getValues, extraText]);

  return {
    form,
    /** What is typed now, and as it is sent. */
    typed: (): Typed => keyed(getValues()),
    bodyOf,
    /** Begins again with what is kept. */
    startWith: (line: Values): void => reset(named(typedOf(fields, line, units))),
    restored,
    error: (path: string): string | undefined =>
      (get(formState.errors, placeOf(path)) as { message?: string } | undefined)?.message,
    /** What the server says is wrong, each at its field. */
    refuse(problem: Problem): void {
      (problem.errors ?? []).forEach(({ path, message }, i) =>
        setError(
          placeOf(path) as FieldPath<Record<string, string>>,
          { type: 'server', message },
          { shouldFocus: i === 0 },
        ),
      );
    },
    /** What was typed is sent, or not wanted any more. */
    forget(): void {
      if (draft !== null) forgetDraft(draft);
      setRestored(false);
    },
  };
}

/** Puts a message at a path into errors as react-hook-form keeps them; the first of a path stands. */
function put(errors: FieldErrors, path: string, message: string): void {
  let at = errors as Record<string, unknown>;
  const parts = path.split('.');
  for (const part of parts.slice(0, -1)) at = (at[part] ??= {}) as Record<string, unknown>;
  at[parts.at(-1)!] ??= { type: 'schema', message };
}
