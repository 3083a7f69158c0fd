import { useEffect, useId, useState } from 'react';
import type { FieldError } from '../../contracts/problem.ts';
import type { ImportAnswer } from '../../contracts/batch/importAnswer.ts';
import { DateOrderChoice, FileFaults, type DateOrder } from '../../ui/FileImport.tsx';
import { freshKey, trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { counted } from '../../ui/format.ts';
import { WORDS } from '../../words/en/books/importBatches.ts';

const MOST_BYTES = 2_000_000;
const SHOWN = 100;

/** Reads batches in from a file or pasted text: a preview with errors by line, then all or nothing. */
export function ImportBatches() {
  const id = useId();
  const [text, setText] = useState('');
  const [key, setKey] = useState('');
  const [preview, setPreview] = useState<ImportAnswer | null>(null);
  const [errors, setErrors] = useState<readonly FieldError[]>([]);
  const [message, setMessage] = useState('');
  const [dateOrder, setDateOrder] = useState<'' | DateOrder>('');
  const [makeVarieties, setMakeVarieties] = useState(false);
  const [rest, setRest] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  const asked = (order = dateOrder, making = makeVarieties) => ({
    makeVarieties: making,
    ...(order === '' ? {} : { dateOrder: order }),
  });

  async function look(what: string, how = asked()): Promise<void> {
    setPreview(null);
    setRest(null);
    setErrors([]);
    setMessage('');
    const answer = await writeNow<ImportAnswer>('POST', '/api/batch/import', {
      text: what,
      commit: false,
      ...how,
    });
    if (answer.kind !== 'done') {
      setMessage(trouble(answer));
      return;
    }
    setKey(freshKey());
    setPreview(answer.value);
    setErrors(answer.value.errors);
  }

  async function take(file: File | undefined): Promise<void> {
    if (!file) return;
    if (file.size > MOST_BYTES) {
      setMessage(WORDS.thisFileIsOver2);
      return;
    }
    const read = await file.text();
    setText(read);
    await look(read);
  }

  async function commit(takeGood: boolean): Promise<void> {
    const answer = await writeNow<ImportAnswer>('POST', '/api/batch/import', {
      text,
      commit: true,
      idempotencyKey: key,
      takeGood,
      ...asked(),
    });
    if (answer.kind === 'done') {
      setPreview(null);
      setErrors([]);
      setRest(answer.value.rest);
      setText(answer.value.rest ?? '');
      setMessage(
        WORDS.readIn(
          counted(answer.value.made, WORDS.batch, WORDS.batches),
          answer.value.rest === null ? '' : WORDS.theOtherLinesAreBelow,
        ),
      );
    } else setMessage(trouble(answer));
  }

  return (
    <div data-ready={ready} data-typing>
      <div className="grid grid-cols-1 gap-3 min-[800px]:grid-cols-2">
        <div className="field">
          <label htmlFor={`${id}file`}>{WORDS.aFile}</label>
          <input
            id={`${id}file`}
            type="file"
            accept=".csv,text/csv,text/plain"
            className="input pt-2"
            onChange={(e) => void take(e.target.files?.[0])}
          />
        </div>
        <div className="field">
          <label htmlFor={`${id}text`}>{WORDS.orLinesPastedHere}</label>
          <textarea
            id={`${id}text`}
            className="input h-28"
            value={text}
            placeholder={WORDS.cropPlantsTransplantOnTomato}
            onChange={(e) => setText(e.target.value)}
          />
        </div>
      </div>
      <button type="button" className="btn mt-3" disabled={text.trim() === ''} onClick={() => void look(text)}>
        {WORDS.lookAtItFirst}
      </button>
      <div aria-live="polite">
        {message && <p className="note-bar mt-3">{message}</p>}
        {rest !== null && (
          <p className="mt-2">
            <a
              className="btn small"
              download="crook-lines-to-mend.csv"
              href={`data:text/csv;charset=utf-8,${encodeURIComponent(rest)}`}
            >
              {WORDS.theLinesToMendAs}
            </a>
          </p>
        )}
        {(preview?.dateOrder === 'either' || dateOrder !== '') && (
          <DateOrderChoice
            order={dateOrder === '' ? null : dateOrder}
            onChoose={(order) => {
              setDateOrder(order);
              void look(text, asked(order));
            }}
          />
        )}
        {(makeVarieties || errors.some((error) => error.path.endsWith('.variety'))) && (
          <label className="mt-3 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-6"
              checked={makeVarieties}
              onChange={(e) => {
                setMakeVarieties(e.target.checked);
                void look(text, asked(dateOrder, e.target.checked));
              }}
            />
            {WORDS.makeTheVarietiesThatAre(
              preview && preview.newVarieties.length > 0 && `: ${preview.newVarieties.map((v) => v.name).join(', ')}`,
            )}
          </label>
        )}
        <FileFaults errors={errors} />
        {preview && preview.lines.length > 0 && (
          <div className="mt-3">
            <p>
              {WORDS.canBeRead(
                counted(preview.lines.length, WORDS.line2),
                errors.length > 0 && WORDS.mendTheOthersFirstOr,
              )}
            </p>
            <table className="plain-table mt-1 max-w-3xl">
              <thead>
                <tr>
                  <th>{WORDS.line}</th>
                  <th>{WORDS.crop}</th>
                  <th>{WORDS.variety}</th>
                  <th className="r">{WORDS.plants}</th>
                  <th>{WORDS.out}</th>
                  <th>{WORDS.sow}</th>
                  <th>{WORDS.where}</th>
                </tr>
              </thead>
              <tbody>
                {preview.lines.slice(0, SHOWN).map((line) => (
                  <tr key={line.line}>
                    <td>{line.line}</td>
                    <td>{line.crop}</td>
                    <td>
                      {line.variety}
                      {line.isNew && ' (new)'}
                    </td>
                    <td className="r">{line.plants}</td>
                    <td>{line.transplantOn}</td>
                    <td>{line.sowOn ?? WORDS.cannotBeReached}</td>
                    <td>
                      {line.places}
                      {line.lack && <span className="tag bad ml-1">{line.lack}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <button type="button" className="btn solid mt-3" onClick={() => void commit(errors.length > 0)}>
              {errors.length > 0 ? WORDS.readInOnlyWhatIs : WORDS.readIn2}
              {counted(preview.lines.length, WORDS.batch, WORDS.batches)}
            </button>
          </div>
        )}
      </div>
    </div>
  );
}
