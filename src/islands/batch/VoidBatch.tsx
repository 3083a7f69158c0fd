import { useState } from 'react';
import { Field } from '../../ui/Field.tsx';
import { useWrite, wrongAt } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/batch/voidBatch.ts';

interface Props {
  readonly id: number;
  readonly version: number;
  readonly code: string;
}

/** Voids a batch that was made by mistake, with the reason; it can be brought back. The page becomes that of a voided batch. */
export function VoidBatch({ id, version, code }: Props) {
  const [reason, setReason] = useState('');
  const { mutate, error } = useWrite('POST', `/api/batch/${id}/void`);
  const atField = wrongAt(error, 'reason');
  return (
    <details className="no-print mt-6 max-w-2xl" data-typing={reason === '' ? undefined : true}>
      <summary className="min-h-9 py-1 text-ink2">{WORDS.madeByMistake}</summary>
      <form
        className="card"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          mutate({ version, reason });
        }}
      >
        <p>{WORDS.isThenCountedNowhereNot(code)}</p>
        <div className="mt-2 max-w-md">
          <Field id="void-reason" label={WORDS.whatWasWrongWithIt} value={reason} error={atField} onValue={setReason} />
        </div>
        {error && !atField && (
          <p role="alert" className="note-bar bad mt-2">
            {error.message}
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
  const { mutate, error } = useWrite('POST', `/api/batch/${id}/restore`);
  return (
    <>
      <button type="button" className="btn solid mt-3" onClick={() => mutate({ version })}>
        {WORDS.bringBack(code)}
      </button>
      {error && (
        <p role="alert" className="note-bar bad mt-2">
          {error.message}
        </p>
      )}
    </>
  );
}
