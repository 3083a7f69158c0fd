import { useEffect, useMemo, useRef, useState } from 'react';
import { get, useForm, type FieldErrors, type FieldPath } from 'react-hook-form';
import type { z } from 'zod';
import type { Problem } from '../../contracts/problem.ts';
import { draftOf, forgetDraft, keepDraft } from './drafts.ts';
import { issueWords, nested, typedOf, valuesOf, type FieldSpec, type Typed, type Units } from './fields.ts';

type Values = Readonly<Record<string, unknown>>;

/** react-hook-form takes a point in a name for a part of a record; our fields stand in one row. */
export const nameOf = (key: string): string => key.replaceAll('.', '~');
const keyOf = (name: string): string => name.replaceAll('~', '.');
const named = (typed: Typed): Record<string, string | boolean> =>
  Object.fromEntries(Object.entries(typed).map(([key, value]) => [nameOf(key), value]));
const byKey = (values: Readonly<Record<string, string | boolean>>): Typed =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [keyOf(name), value]));

/** The schema of a call, or how to load it: a page that is only read is spared the package. */
export type FormSchema = z.ZodType | (() => Promise<z.ZodType>);
/** Stands for the key of a call until it is sent. */
const SOME_KEY = '00000000-0000-4000-8000-000000000000';

/** Parts of a form with editors of their own: as they are typed, and how they are put back. */
export interface FormParts {
  readonly typed: unknown;
  readonly restore: (typed: unknown) => void;
}
/** What is typed into editors of a form's own, kept and put back with its fields. */
export const partsTyped = <T>(typed: T, restore: (typed: T) => void): FormParts => ({
  typed,
  restore: (kept) => restore(kept as T),
});

interface TypedForm {
  readonly fields: readonly FieldSpec[];
  /** What the form begins with, as it is kept. */
  readonly start: Values;
  readonly units: Units;
  /** What the call takes: what is wrong is said before anything is sent. */
  readonly schema?: FormSchema | undefined;
  /** Whether the call carries a key that is given to it when it is sent. */
  readonly keyed?: boolean;
  /** What is sent, from the values; as they are by default. */
  readonly body?: ((values: Values) => object) | undefined;
  /** Parts that have editors of their own; sent with the fields. */
  readonly extra?: Values | undefined;
  /** Name under which what is typed is kept in this browser until it is sent; null: nowhere. */
  readonly draft: string | null;
  /** Version of what is changed: a draft of another is not put over it. */
  readonly version: number;
  /** The same parts as they are typed, to be kept and put back. */
  readonly parts?: FormParts | undefined;
}

/**
 * A form whose fields are typed in the reader's units and checked by the schema of its call: what is wrong stands at its field,
 * at once or from the server's answer, and what is typed outlives an error, a lost network and a reload.
 */
export function useTypedForm(input: TypedForm) {
  const { fields, start, units, schema, keyed, body, extra, draft, version, parts } = input;
  const bodyOf = (typed: Typed): Record<string, unknown> => {
    const values = nested(valuesOf(fields, typed, units, start), extra);
    return body ? { ...body(values) } : values;
  };
  /** Where the errors of a part of the body stand. */
  const placeOf = (path: string): string =>
    fields.some(({ key }) => key === path) ? nameOf(path) : path === '' ? 'root' : path;
  const form = useForm<Record<string, string | boolean>>({
    defaultValues: named(typedOf(fields, start, units)),
    mode: 'onTouched',
    resolver: async (typed) => {
      // Without a connection it may not be had: then what is wrong is said when it is sent.
      const whole = typeof schema === 'function' ? await schema().catch(() => undefined) : schema;
      const sent = bodyOf(byKey(typed));
      const wrong = whole?.safeParse(keyed ? { idempotencyKey: SOME_KEY, ...sent } : sent).error;
      if (!wrong) return { values: typed, errors: {} };
      const errors: FieldErrors = {};
      for (const issue of wrong.issues) {
        const path = issue.path.join('.');
        const field = fields.find(({ key }) => key === path);
        put(errors, placeOf(path), field ? issueWords(field, issue, units, byKey(typed)) : issue.message);
      }
      return { values: {}, errors };
    },
  });
  const [restored, setRestored] = useState(false);
  const { reset, subscribe, getValues, setError, formState } = form;

  const partsNow = useRef(parts);
  useEffect(() => {
    partsNow.current = parts;
  });
  // Once, in the browser: what was typed before a reload is put back where it was.
  const once = useRef(false);
  useEffect(() => {
    if (once.current || draft === null) return;
    once.current = true;
    const kept = draftOf(draft, version);
    if (!kept) return;
    reset({ ...getValues(), ...kept.typed }, { keepDefaultValues: true });
    if (kept.extra?.['parts'] !== undefined) partsNow.current?.restore(kept.extra['parts']);
    setRestored(true);
  }, [draft, version, reset, getValues]);

  const partsText = useMemo(() => JSON.stringify(parts?.typed ?? null), [parts?.typed]);
  const partsAtStart = useRef(partsText);
  useEffect(() => {
    if (draft === null) return;
    const keep = () =>
      keepDraft(draft, { version, typed: getValues(), extra: { parts: JSON.parse(partsText) as unknown } });
    const otherwise = partsText !== partsAtStart.current;
    if (otherwise) keep();
    // What is typed back to what it was is no draft any more.
    const callback = ({ isDirty }: { readonly isDirty?: boolean }) =>
      isDirty || otherwise ? keep() : forgetDraft(draft);
    return subscribe({ formState: { values: true, isDirty: true }, callback });
  }, [draft, version, subscribe, getValues, partsText]);

  return {
    form,
    /** What is typed now, and as it is sent. */
    typed: (): Typed => byKey(getValues()),
    bodyOf,
    /** Begins again with what is kept. */
    startWith: (line: Values): void => reset(named(typedOf(fields, line, units))),
    /** Puts all back as the form began, and keeps nothing of what was typed. */
    discard(): void {
      reset(named(typedOf(fields, start, units)));
      parts?.restore(JSON.parse(partsAtStart.current));
      if (draft !== null) forgetDraft(draft);
      setRestored(false);
    },
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
