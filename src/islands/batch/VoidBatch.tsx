import { useRef, useState } from 'react';
import { call, fieldError, freshKey, trouble } from '../../ui/call.ts';
import { Field } from '../../ui/Field.tsx';
import type { Problem } from '../../contracts/problem.ts';
import { WORDS } from '../../words/en/batch/voidBatch.ts';

interface Props {
  readonly id: number;
  readonly version: number;
  readonly code: string;
}

/** Voids a batch that was made by mistake, with the reason; it can be brought back. */
export function VoidBatch({ id, version, code }: Props) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [wrong, setWrong] = useState('');
  const key = useRef(freshKey());
  async function send(): Promise<void> {
    const answer = await call('POST', `/api/batch/${id}/void`, { idempotencyKey: key.current, version, reason });
    if (answer.kind === 'done') return location.reload();
    if (answer.kind === 'problem') key.current = freshKey();
    setProblem(answer.kind === 'problem' ? answer.problem : null);
    setWrong(trouble(answer));
  }
  const atField = fieldError(problem, 'reason');
  return (
    <details className="no-print mt-6 max-w-2xl" data-typing={reason === '' ? undefined : true}>
      <summary className="min-h-9 py-1 text-ink2">{WORDS.madeByMistake}</summary>
      <form
        className="card"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void send();
        }}
      >
        <p>{WORDS.isThenCountedNowhereNot(code)}</p>
        <div className="mt-2 max-w-md">
          <Field id="void-reason" label={WORDS.whatWasWrongWithIt} value={reason} error={atField} onValue={setReason} />
        </div>
        {wrong && !atField && (
          <p role="alert" className="note-bar bad mt-2">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn mt-3">
          {WORDS.void(code)}
        </button>
      </form>
    </details>
  );
}

/** Brings a voided batch back. */
export function BringBack({ id, version, code }: Props) {
  const [wrong, setWrong] = useState('');
  const key = useRef(freshKey());
  async function send(): Promise<void> {
    const answer = await call('POST', `/api/batch/${id}/restore`, { idempotencyKey: key.current, version });
    if (answer.kind === 'done') location.reload();
    else setWrong(trouble(answer));
  }
  return (
    <>
      <button type="button" className="btn solid mt-3" onClick={() => void send()}>
        {WORDS.bringBack(code)}
      </button>
      {wrong && (
        <p role="alert" className="note-bar bad mt-2">
          {wrong}
        </p>
      )}
    </>
  );
}
