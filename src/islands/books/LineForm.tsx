import { useEffect, useId, useState, type ReactNode } from 'react';
import type { LengthUnit } from '../../core/units/length.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { Problem } from '../../contracts/problem.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { house } from '../../ui/house.ts';
import { differences, valuesOf, type FieldSpec, type Units } from '../../ui/kit/fields.ts';
import { FormRows } from '../../ui/kit/FormRows.tsx';
import { Restored } from '../../ui/kit/Restored.tsx';
import { sayOnNextPage } from '../../ui/kit/said.ts';
import { useTypedForm, type FormParts, type FormSchema } from '../../ui/kit/useTypedForm.ts';
import { Stale, THEIRS_TAKEN } from '../../ui/Stale.tsx';
import { PutAway } from './PutAway.tsx';
import { WORDS } from '../../words/en/books/lineForm.ts';

type Values = Readonly<Record<string, unknown>>;

interface Props {
  /** Where lines of the book are sent. */
  readonly path: string;
  readonly fields: readonly FieldSpec[];
  /** What a line must be, where the page knows: said before it is sent. */
  readonly schema?: FormSchema;
  /** The line to change, or null for a new one. */
  readonly line: (Values & { readonly id: number; readonly version: number }) | null;
  /** Start of a new line. */
  readonly blank: Values;
  readonly unit: TemperatureUnit;
  readonly lengthUnit?: LengthUnit;
  /** Parts of the line not among the fields (tables), with their editor. */
  readonly extra?: Values;
  readonly onTyped?: (values: Record<string, unknown>) => void;
  readonly onStaleTaken?: (current: Record<string, unknown>) => void;
  /** The same parts as they are typed; without it nothing is kept of a form that has such parts. */
  readonly parts?: FormParts;
  /** What is said under the heading of a section of fields. */
  readonly notes?: Readonly<Record<string, string>>;
  readonly children?: (error: (path: string) => string | undefined) => ReactNode;
  readonly saveWords: string;
  /** How the body is sent; the books' lines by default. */
  readonly send?: (
    values: Record<string, unknown>,
    version: number,
  ) => { method: 'POST' | 'PUT'; path: string; body: unknown };
  readonly after: (id: number) => string;
}

/** A line of a book, typed and saved; what is wrong stands at its field and nothing typed is lost. */
export function LineForm(props: Props) {
  const { path, fields, schema, line, blank, unit, extra, onTyped, children, saveWords, send, after } = props;
  const units: Units = { temperature: unit, length: props.lengthUnit ?? house().lengthUnit };
  const id = useId();
  const start = line ?? blank;
  const [version, setVersion] = useState(line?.version ?? 0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [message, setMessage] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const { form, typed, bodyOf, startWith, error, refuse, restored, forget, discard } = useTypedForm({
    fields,
    start,
    units,
    schema,
    extra,
    // Parts with editors of their own are put back only where those can be told what they were.
    draft: extra && !props.parts ? null : `${path}/${line?.id ?? 'new'}`,
    version: line?.version ?? 0,
    parts: props.parts,
  });

  const { subscribe } = form;
  useEffect(() => {
    if (!onTyped) return;
    return subscribe({
      formState: { values: true },
      callback: () => onTyped(valuesOf(fields, typed(), units, start)),
    });
    // The line and its fields are those the page came with.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [subscribe, onTyped]);

  async function save(withVersion: number): Promise<void> {
    const values = bodyOf(typed());
    const order = send
      ? send(values, withVersion)
      : line
        ? { method: 'PUT' as const, path: `${path}/${line.id}`, body: { version: withVersion, line: values } }
        : { method: 'POST' as const, path, body: values };
    const answer = await writeNow<{ id: number }>(order.method, order.path, order.body);
    if (answer.kind === 'done') {
      forget();
      sayOnNextPage(WORDS.saved);
      location.assign(after(answer.value.id));
      return;
    }
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    if (answer.kind === 'problem') refuse(answer.problem);
    setMessage(trouble(answer));
  }

  return (
    <form
      noValidate
      data-ready={ready}
      data-typing
      onSubmit={(e) => {
        setMessage('');
        void form.handleSubmit(() => save(version))(e);
      }}
    >
      {restored && <Restored onDiscard={discard} />}
      <FormRows id={id} form={form} fields={fields} units={units} error={error} notes={props.notes} />
      {children?.(error)}
      {problem?.status === 409 && problem.current ? (
        <Stale
          rows={differences(fields, problem.current as Record<string, unknown>, typed(), units)}
          onKeepMine={() => {
            const latest = (problem.current as { version: number }).version;
            setVersion(latest);
            void save(latest);
          }}
          onTakeTheirs={() => {
            const current = problem.current as Record<string, unknown> & { version: number };
            setVersion(current.version);
            startWith(current);
            props.onStaleTaken?.(current);
            setProblem(null);
            setMessage(THEIRS_TAKEN);
          }}
        />
      ) : (
        message && (
          <p role="alert" className="note-bar bad mt-3">
            {message}
          </p>
        )
      )}
      <button type="submit" className="btn solid mt-4 min-w-48">
        {saveWords}
      </button>
      {line && !send && <PutAway path={path} line={line} version={version} back={after(line.id)} />}
    </form>
  );
}
