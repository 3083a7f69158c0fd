import { useEffect, useId, useState } from 'react';
import type { FieldError } from '../../contracts/problem.ts';
import type { ImportAnswer } from '../../contracts/importAnswer.ts';
import { call, freshKey, trouble } from '../../ui/call.ts';
import { counted } from '../../ui/format.ts';

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
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);

  async function look(what: string): Promise<void> {
    setPreview(null);
    setErrors([]);
    setMessage('');
    const answer = await call<ImportAnswer>('POST', '/api/import', {
      text: what,
      commit: false,
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
      setMessage('This file is over 2 MB. Cut it into parts.');
      return;
    }
    const read = await file.text();
    setText(read);
    await look(read);
  }

  async function commit(): Promise<void> {
    const answer = await call<ImportAnswer>('POST', '/api/import', {
      text,
      commit: true,
      idempotencyKey: key,
    });
    if (answer.kind === 'done') {
      setPreview(null);
      setText('');
      setMessage(`${counted(answer.value.made, 'batch', 'batches')} read in.`);
    } else setMessage(trouble(answer));
  }

  return (
    <div data-ready={ready} data-typing>
      <div className="grid grid-cols-1 gap-3 min-[800px]:grid-cols-2">
        <div className="field">
          <label htmlFor={`${id}file`}>A file</label>
          <input
            id={`${id}file`}
            type="file"
            accept=".csv,text/csv,text/plain"
            className="input pt-2"
            onChange={(e) => void take(e.target.files?.[0])}
          />
        </div>
        <div className="field">
          <label htmlFor={`${id}text`}>Or lines pasted here</label>
          <textarea
            id={`${id}text`}
            className="input h-28"
            value={text}
            placeholder={'crop,plants,transplant_on\ntomato,120,2027-05-24'}
            onChange={(e) => setText(e.target.value)}
          />
        </div>
      </div>
      <button type="button" className="btn mt-3" disabled={text.trim() === ''} onClick={() => void look(text)}>
        Look at it first
      </button>
      <div aria-live="polite">
        {message && <p className="note-bar mt-3">{message}</p>}
        {errors.length > 0 && (
          <div className="note-bar bad mt-3">
            <p className="font-semibold">
              {counted(errors.length, 'thing is', 'things are')} wrong; nothing has been read in.
            </p>
            <ul>
              {errors.slice(0, SHOWN).map((error, i) => (
                <li key={i}>
                  <b>{placeOf(error.path)}</b> {error.message}
                </li>
              ))}
            </ul>
            {errors.length > SHOWN && <p>and {errors.length - SHOWN} more</p>}
          </div>
        )}
        {preview && preview.lines.length > 0 && (
          <div className="mt-3">
            <p>
              {counted(preview.lines.length, 'line')} can be read
              {errors.length > 0 && ', but all or none: mend the others first'}.
            </p>
            <table className="plain-table mt-1 max-w-3xl">
              <thead>
                <tr>
                  <th>Line</th>
                  <th>Crop</th>
                  <th>Variety</th>
                  <th className="r">Plants</th>
                  <th>Out</th>
                  <th>Sow</th>
                </tr>
              </thead>
              <tbody>
                {preview.lines.slice(0, SHOWN).map((line) => (
                  <tr key={line.line}>
                    <td>{line.line}</td>
                    <td>{line.crop}</td>
                    <td>{line.variety}</td>
                    <td className="r">{line.plants}</td>
                    <td>{line.transplantOn}</td>
                    <td>{line.sowOn ?? 'cannot be reached'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {errors.length === 0 && (
              <button type="button" className="btn solid mt-3" onClick={() => void commit()}>
                Read in {counted(preview.lines.length, 'batch', 'batches')}
              </button>
            )}
          </div>
        )}
      </div>
    </div>
  );
}

function placeOf(path: string): string {
  const match = /^lines\.(\d+)\.(.*)$/.exec(path);
  return match ? `Line ${match[1]}, ${match[2]!.replaceAll('_', ' ')}:` : `${path}:`;
}
