import { useId, useState } from 'react';
import type { OldTrayFile, OldTraysAnswer } from '../../contracts/germination/oldTrays.ts';
import type { Person } from '../../core/house/people.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { DateOrderChoice, FileFaults, type DateOrder } from '../../ui/FileImport.tsx';
import { freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { againstBook, counted, shortDay } from '../../ui/format.ts';
import { WrittenBy } from '../../ui/PersonMark.tsx';
import { WORDS } from '../../words/en/germination/oldTrays.ts';

interface Props {
  readonly files: readonly OldTrayFile[];
  readonly people: readonly Person[];
  readonly unit: 'C' | 'F';
}

interface Chosen {
  readonly name: string;
  readonly text: string;
}

const MOST_BYTES = 2_000_000;

/** Trays counted in years before, read from a file: what they teach and what is wrong first, then all of them. */
export function OldTrays({ files, people, unit }: Props) {
  const id = useId();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [order, setOrder] = useState<DateOrder | null>(null);
  const [key, setKey] = useState('');
  const [preview, setPreview] = useState<OldTraysAnswer | null>(null);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  const asksOrder = order !== null || preview?.errors.some((error) => error.path === 'dateOrder');

  async function send(file: Chosen, dateOrder: typeof order, commit: boolean): Promise<void> {
    if (busy) return;
    setBusy(true);
    const answer = await writeNow<OldTraysAnswer>('POST', '/api/germination/old-trays', {
      ...file,
      commit,
      ...(dateOrder ? { dateOrder } : {}),
      ...(commit ? { idempotencyKey: key } : {}),
    });
    setBusy(false);
    if (answer.kind !== 'done') return setMessage(trouble(answer));
    setMessage('');
    setKey(freshKey());
    // Read in, they stand in the list below.
    setPreview(commit ? null : answer.value);
    if (commit) setChosen(null);
  }

  async function take(file: File | undefined): Promise<void> {
    setPreview(null);
    setOrder(null);
    if (!file) return;
    if (file.size > MOST_BYTES) return setMessage(WORDS.thisFileIsOver2);
    const read = { name: file.name.slice(0, 120), text: await file.text() };
    setChosen(read);
    await send(read, null, false);
  }

  async function leaveOut(file: OldTrayFile): Promise<void> {
    const answer = await writeNow('PATCH', `/api/germination/old-trays/${file.id}`, { leftOut: !file.leftOut });
    setMessage(answer.kind === 'done' ? '' : trouble(answer));
  }

  return (
    <>
      <p className="max-w-[80ch] text-ink2">
        {WORDS.countsFromYourOwnBooks(
          <code key="1">crop, variety, tray, sown_on, seeds, temperature_{unit.toLowerCase()}, counted_on, up</code>,
          <code key="2">lot</code>,
        )}
      </p>
      <div className="field mt-2 max-w-md">
        <label htmlFor={`${id}file`}>{WORDS.aFileOfTrays}</label>
        <input
          id={`${id}file`}
          type="file"
          accept=".csv,text/csv,text/plain"
          className="input pt-2"
          onChange={(e) => void take(e.target.files?.[0])}
        />
      </div>
      <div aria-live="polite">
        {message && <p className="note-bar bad mt-3">{message}</p>}
        {asksOrder && chosen && (
          <DateOrderChoice
            order={order}
            onChoose={(which) => {
              setOrder(which);
              void send(chosen, which, false);
            }}
          />
        )}
        <FileFaults errors={preview?.errors ?? []} />
        {preview && preview.crops.length > 0 && (
          <div className="mt-3">
            <table className="plain-table max-w-3xl">
              <thead>
                <tr>
                  <th>{WORDS.crop}</th>
                  <th className="r">{WORDS.trays}</th>
                  <th>{WORDS.sown}</th>
                  <th>{WORDS.halfUp}</th>
                </tr>
              </thead>
              <tbody>
                {preview.crops.map((of) => (
                  <tr key={of.crop}>
                    <td>{of.crop}</td>
                    <td className="r">{of.trays_count}</td>
                    <td>{WORDS.to(shortDay(requireDay(of.from), 0), shortDay(requireDay(of.to), 0))}</td>
                    <td>{againstBook(of.time_factor)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {preview.errors.length === 0 && chosen && (
              <button
                type="button"
                className="btn solid mt-3"
                disabled={busy}
                onClick={() => void send(chosen, order, true)}
              >
                {WORDS.learnFromThese(
                  counted(
                    preview.crops.reduce((sum, of) => sum + of.trays_count, 0),
                    WORDS.tray,
                  ),
                )}
              </button>
            )}
          </div>
        )}
      </div>
      {files.length > 0 && (
        <ul className="mt-4 max-w-3xl">
          {files.map((file) => (
            <li key={file.id} className="flex flex-wrap items-center gap-3 border-b border-line py-1.5">
              <span className={file.leftOut ? 'text-ink2 line-through' : ''}>{file.name}</span>
              <span className="text-ink2">
                {WORDS.of(
                  counted(file.trays_count, WORDS.tray),
                  counted(file.crops_count, WORDS.crop2),
                  file.leftOut && WORDS.notUsedForEstimates,
                )}
              </span>
              <WrittenBy person={people.find((one) => one.id === file.authorId)} />
              <button type="button" className="btn small ml-auto" onClick={() => void leaveOut(file)}>
                {file.leftOut ? WORDS.learnFromThemAgain : WORDS.leaveThemOut}
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
