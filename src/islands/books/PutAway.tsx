import { useState } from 'react';
import { isInUse, type Retirable } from '../../core/books/inUse.ts';
import { call, trouble } from '../../ui/call.ts';

interface Props {
  /** Where lines of the book are sent. */
  readonly path: string;
  readonly line: Retirable;
  readonly version: number;
  /** Where to go when it is done. */
  readonly back: string;
}

/** Takes a line of the books out of use, brings it back, or deletes one that nothing holds on to. */
export function PutAway({ path, line, version, back }: Props) {
  const [sure, setSure] = useState(false);
  const [wrong, setWrong] = useState('');
  const used = isInUse(line);
  async function send(method: 'PUT' | 'DELETE', to: string, body?: unknown): Promise<void> {
    const answer = await call(method, to, body);
    if (answer.kind === 'done') location.assign(method === 'DELETE' ? back.split('?')[0]! : back);
    else setWrong(trouble(answer));
  }
  const link = 'link-btn min-h-9';
  return (
    <div className="mt-5 border-t border-line pt-3 text-[0.95rem]">
      {!used && <p className="note-bar mb-2">Retired: it is offered nowhere, and stays in what happened.</p>}
      <p className="flex flex-wrap items-center gap-x-5">
        <button
          type="button"
          className={link}
          onClick={() => void send('PUT', `${path}/${line.id}/retired`, { version, retired: used })}
        >
          {used ? 'Retire: no longer offered, kept in what happened' : 'Bring back into use'}
        </button>
        {!sure && (
          <button type="button" className={link} onClick={() => setSure(true)}>
            Delete
          </button>
        )}
        {sure && (
          <>
            <span>For good?</span>
            <button
              type="button"
              className={`${link} text-brick`}
              onClick={() => void send('DELETE', `${path}/${line.id}?version=${version}`)}
            >
              Yes, delete it
            </button>
            <button type="button" className={link} onClick={() => setSure(false)}>
              No
            </button>
          </>
        )}
      </p>
      {wrong && (
        <p role="alert" className="note-bar bad mt-2">
          {wrong}
        </p>
      )}
    </div>
  );
}
