import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { EVENT_WORDS } from '../../core/batch/event.ts';
import type { BatchPageData } from '../../contracts/batch/batchPage.ts';
import { dropWaiting, type Kept } from '../../device/waiting.ts';
import { freshKey } from '../../ui/call.ts';
import { useAnswer } from '../../ui/kit/data.ts';
import { doOrKeep, postLine } from '../../ui/logPost.ts';
import { WORDS } from '../../words/en/weather/refused.ts';

interface Props {
  readonly kept: Kept;
  /** When it was tapped, by this device. */
  readonly when: string;
  readonly onAgain: () => void;
}

/** Something the application did not take: what was tapped here, what stands there now, and three ways out. */
export function Refused({ kept, when, onAgain }: Props) {
  const { batchId, words, refused } = kept;
  const there = useAnswer<BatchPageData>(batchId === null ? null : `/api/batch/${batchId}/page`);
  const last = there.data?.events.at(-1);
  const by = last && there.data?.people.find(({ id }) => id === last.authorId)?.initials;
  const tapped = WORDS.whatAndWhen(words, when);
  const { jobKey, day, picture } = kept.body as {
    readonly jobKey?: string;
    readonly day?: string;
    readonly picture?: string;
  };
  const [copied, setCopied] = useState(false);
  const [text, setText] = useState('');
  const asNote = async (): Promise<void> => {
    const note = WORDS.noteOfRefused(tapped, refused ?? '');
    const idempotencyKey = freshKey();
    const answer =
      batchId !== null
        ? await postLine(batchId, { idempotencyKey, kind: 'note', day: day ?? isoFromDay(there.data!.today), note })
        : await doOrKeep({ path: kept.path, body: { idempotencyKey, kind: 'note', jobKey, day, note }, words: tapped });
    if (answer.kind === 'done' || answer.kind === 'kept') await dropWaiting(kept.key);
  };
  /** A reading has no log of a batch to go into: its words are carried elsewhere by hand. */
  const copy = async (): Promise<void> => {
    const { idempotencyKey: _key, ...figures } = kept.body as Readonly<Record<string, unknown>>;
    const told = Object.entries(figures)
      .filter(([, value]) => value !== null && value !== '')
      .map(([name, value]) => `${name.replace(/_C$/, ' °C').replaceAll('_', ' ')} ${String(value)}`);
    const line = `${tapped}: ${told.join(', ')}`;
    setText(line);
    // Over plain HTTP a page has no clipboard: there it is read off and copied by hand.
    await (navigator.clipboard as Clipboard | undefined)?.writeText(line).then(
      () => setCopied(true),
      () => undefined,
    );
  };
  return (
    <div className="note-bar bad my-2" role="alert">
      <p>
        <strong>{WORDS.notTaken}</strong> {refused}
      </p>
      <dl className="my-1 grid grid-cols-[auto_1fr] gap-x-3">
        <dt>{WORDS.tappedHere}</dt>
        <dd>{tapped}</dd>
        {last && (
          <>
            <dt>{WORDS.standsThere}</dt>
            <dd>
              {WORDS.lastLine(
                EVENT_WORDS[last.kind].toLowerCase(),
                last.count === null ? '' : `, ${last.count}`,
                shortDay(last.day),
                by ? `, ${by}` : '',
              )}{' '}
              <a href={`/batch/${batchId}`}>{there.data!.name}</a>
            </dd>
          </>
        )}
      </dl>
      {text && <p className="my-1 select-all">{text}</p>}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={onAgain}>
          {WORDS.tryAgain}
        </button>
        {picture !== undefined ? (
          <a className="btn" href={`data:image/jpeg;base64,${picture}`} download={WORDS.fileName}>
            {WORDS.savePicture}
          </a>
        ) : batchId !== null || jobKey !== undefined ? (
          <button type="button" className="btn" onClick={() => void asNote()}>
            {WORDS.keepAsNote}
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => void copy()}>
            {copied ? WORDS.copied : WORDS.copyIt}
          </button>
        )}
        <button type="button" className="btn" onClick={() => void dropWaiting(kept.key)}>
          {WORDS.letItGo}
        </button>
      </div>
    </div>
  );
}
