import { useEffect, useId, useRef, useState, type ReactNode } from 'react';
import { house } from '../house.ts';
import { freshKey, type Answer } from '../call.ts';
import { doOrKeep } from '../logPost.ts';
import { doneOr, NotDone, useWrite } from './data.ts';
import type { FieldSpec, Units } from './fields.ts';
import { FormRows } from './FormRows.tsx';
import { Restored } from './Restored.tsx';
import { useTypedForm, type FormParts, type FormSchema } from './useTypedForm.ts';
import { WORDS } from '../../words/en/ui/typedForm.ts';

type Values = Readonly<Record<string, unknown>>;

/** It waits on this device; the second, only until the page is closed. */
const KEPT = Symbol('kept');
const KEPT_OPEN = Symbol('kept until the page is closed');
type Waiting = typeof KEPT | typeof KEPT_OPEN;

interface Props<Done> {
  readonly fields: readonly FieldSpec[];
  /** What the form begins with, as it is kept; and again after each that was sent. */
  readonly start: Values;
  readonly method?: 'POST' | 'PUT' | 'PATCH';
  readonly path?: string;
  /** Sends it another way than to a path: through the lines that wait without a network. */
  readonly send?: (body: Record<string, unknown>) => Promise<Answer<Done>>;
  /** It waits on this device where there is no network: what is done and to what, as the list of what waits says it. */
  readonly waits?: (values: Values) => string;
  /** Whether the body carries a key of its own, so that a retry never counts twice. */
  readonly keyed?: boolean;
  /** What the call takes: what is wrong is said at its field before anything is sent. Given what `body` makes of the values. */
  readonly schema?: FormSchema;
  /** What is sent; the values as they are by default. */
  readonly body?: (values: Values) => object;
  /** Parts that have editors of their own, sent with the fields; and the same as they are typed. */
  readonly extra?: Values;
  readonly parts?: FormParts;
  /** Name under which what is typed outlives a reload; null: it is short, and would be wrong later. */
  readonly draft: string | null;
  /** Fields that stay as they are after it was sent: the next is often for the same place. */
  readonly keeps?: readonly string[];
  /** What is said when it is done; null: the caller says it elsewhere. */
  readonly said?: ((done: Done, values: Values) => string) | null;
  readonly onDone?: (done: Done, values: Values) => void;
  readonly saveWords: string;
  readonly columns?: string;
  readonly className?: string;
  readonly buttonClass?: string;
  /** What stands between the fields and the button: editors of parts, more buttons. */
  readonly children?: (error: (path: string) => string | undefined) => ReactNode;
}

/**
 * A form that sends one thing: typed in the reader's units, checked by the schema of its call, sent once however often its button is
 * pressed. What is wrong stands at its field; what is typed outlives an error, a lost network and, where it has a name, a reload.
 */
export function TypedForm<Done = unknown>(props: Props<Done>) {
  const {
    fields,
    start,
    path = '',
    schema,
    body,
    extra,
    parts,
    draft,
    said,
    onDone,
    saveWords,
    columns,
    children,
  } = props;
  const { unit, lengthUnit } = house();
  const units: Units = { temperature: unit, length: lengthUnit };
  const id = useId();
  const [done, setDone] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const { form, typed, bodyOf, discard, error, refuse, restored, forget, startWith } = useTypedForm({
    fields,
    start,
    units,
    schema,
    keyed: props.keyed ?? true,
    body,
    extra,
    parts,
    draft,
    version: 0,
  });
  const sending = useWrite<object, Done>(props.method ?? 'POST', path, props.keyed ?? true);
  const [failed, setFailed] = useState<NotDone | null>(null);
  const busy = useRef(false);
  const key = useRef<string | null>(null);

  /** Under one key until the application has done it or said why not, so that a second try never counts twice. */
  async function keep(words: string, values: Record<string, unknown>): Promise<Done | Waiting> {
    key.current ??= freshKey();
    const answer = await doOrKeep<Done>({ path, body: { idempotencyKey: key.current, ...values }, words });
    if (answer.kind !== 'offline') key.current = null;
    return answer.kind === 'kept' ? (answer.lasts ? KEPT : KEPT_OPEN) : doneOr(answer);
  }

  async function send(): Promise<void> {
    const values = bodyOf(typed());
    if (busy.current) return;
    busy.current = true;
    const answer = await (
      props.waits
        ? keep(props.waits(values), values)
        : props.send
          ? props.send(values).then(doneOr)
          : sending.mutateAsync(values)
    ).catch((error: unknown) => {
      if (!(error instanceof NotDone)) throw error;
      setFailed(error);
      if (error.problem) refuse(error.problem);
      return undefined;
    });
    busy.current = false;
    if (answer === undefined) return;
    setFailed(null);
    const waiting = answer === KEPT || answer === KEPT_OPEN;
    forget();
    startWith({ ...start, ...Object.fromEntries((props.keeps ?? []).map((key) => [key, values[key]])) });
    if (waiting) return setDone(answer === KEPT ? WORDS.keptHere : WORDS.keptUntilClosed);
    setDone(said === null ? '' : said ? said(answer as Done, values) : WORDS.saved);
    onDone?.(answer as Done, values);
  }

  const atFields = failed?.problem?.errors?.every(({ path: at }) => error(at) !== undefined) ?? false;
  const root = form.formState.errors.root?.message;
  return (
    <form
      noValidate
      className={props.className}
      data-ready={ready}
      data-typing={form.formState.isDirty ? true : undefined}
      onSubmit={(e) => {
        setDone('');
        void form.handleSubmit(send)(e);
      }}
    >
      {restored && <Restored onDiscard={discard} />}
      <FormRows id={id} form={form} fields={fields} units={units} error={error} columns={columns} />
      {children?.(error)}
      {failed && !atFields ? (
        <p role="alert" className="note-bar bad mt-3">
          {failed.message}
        </p>
      ) : (
        root && (
          <p role="alert" className="note-bar bad mt-3">
            {root}
          </p>
        )
      )}
      <button type="submit" className={props.buttonClass ?? 'btn solid mt-3'} disabled={sending.isPending}>
        {saveWords}
      </button>
      {(said !== null || done !== '') && (
        <p role="status" className={done ? 'mt-1 font-semibold' : 'sr-only'}>
          {done}
        </p>
      )}
    </form>
  );
}
