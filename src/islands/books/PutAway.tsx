import { useState } from 'react';
import { isInUse, type Retirable } from '../../core/books/inUse.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { WORDS } from '../../words/en/books/putAway.ts';

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
    const answer = await writeNow(method, to, body);
    if (answer.kind === 'done') location.assign(method === 'DELETE' ? back.split('?')[0]! : back);
    else setWrong(trouble(answer));
  }
  const link = WORDS.linkBtnMinH9;
  return (
    <div className="mt-5 border-t border-line pt-3 text-[0.95rem]">
      {!used && <p className="note-bar mb-2">{WORDS.retiredItIsOfferedNowhere}</p>}
      <p className="flex flex-wrap items-center gap-x-5">
        <button
          type="button"
          className={link}
          onClick={() => void send('PUT', `${path}/${line.id}/retired`, { version, retired: used })}
        >
          {used ? WORDS.retireNoLongerOfferedKept : WORDS.bringBackIntoUse}
        </button>
        {!sure && (
          <button type="button" className={link} onClick={() => setSure(true)}>
            {WORDS.delete}
          </button>
        )}
        {sure && (
          <>
            <span>{WORDS.forGood}</span>
            <button
              type="button"
              className={`${link} text-brick`}
              onClick={() => void send('DELETE', `${path}/${line.id}?version=${version}`)}
            >
              {WORDS.yesDeleteIt}
            </button>
            <button type="button" className={link} onClick={() => setSure(false)}>
              {WORDS.no}
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
