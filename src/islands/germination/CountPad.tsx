import { useEffect, useRef, useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { Phase } from '../../core/batch/event.ts';
import type { Verdict } from '../../core/germination/verdict.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { counted, shortDay } from '../../ui/format.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { postLine } from '../../ui/logPost.ts';
import { reasonOf, VERDICT_WORDS, BAD } from './words.ts';

interface Props {
  readonly batchId: number;
  readonly name: string;
  readonly code: string;
  readonly sown: number;
  readonly sownOn: number;
  readonly cells: number;
  readonly trays: number;
  readonly tray: number | null;
  readonly trayUp: Readonly<Record<number, number>>;
  readonly up: number | null;
  readonly lost: number;
  readonly covered: boolean | null;
  readonly phase: Phase;
  readonly verdict: Verdict;
  readonly needed: number;
  readonly today: number;
  readonly onHeat: readonly { readonly code: string; readonly name: string; readonly countedToday: boolean }[];
}

/** Counting with wet thumbs: one number, large; steps of one, five and twenty-five; none, all; the cover. */
export function CountPad(props: Props) {
  const { batchId, name, code, sown, sownOn, cells, trays, trayUp, up, covered, phase, verdict, needed, today } = props;
  const byTray = Object.keys(trayUp).length > 0;
  const [tray, setTray] = useState<number | null>(props.tray ?? (byTray ? 1 : null));
  const size = tray === null ? sown : Math.min(cells, sown - (tray - 1) * cells);
  const wasUp = tray === null ? (up ?? 0) : (trayUp[tray] ?? 0);
  const [count, setCount] = useState(wasUp);
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  const [ready, setReady] = useState(false);
  const sending = useRef(false);
  useEffect(() => setReady(true), []);
  const clamp = (n: number) => Math.min(size, Math.max(0, n));
  const open = phase === 'sown' || phase === 'emerged';
  const next = props.onHeat.find((b) => b.code !== code && !b.countedToday);

  function choose(to: number | null): void {
    setTray(to);
    setCount(to === null ? (up ?? 0) : (trayUp[to] ?? 0));
    setWrong('');
  }

  async function post(
    line: Omit<LogLine, 'idempotencyKey' | 'day'>,
    words: string,
    then: () => void,
    half = false,
  ): Promise<void> {
    if (sending.current) return;
    sending.current = true;
    setWrong('');
    const answer = await postLine(batchId, { idempotencyKey: freshKey(), day: isoFromDay(today), ...line });
    sending.current = false;
    if (answer.kind === 'problem' || answer.kind === 'offline') return setWrong(trouble(answer));
    if (half && answer.kind === 'done') {
      const emerged = {
        idempotencyKey: freshKey(),
        day: isoFromDay(today),
        kind: 'emerged' as const,
        count: tray === null ? count : null,
      };
      await postLine(batchId, emerged);
    }
    setSaid(answer.kind === 'kept' ? `${words}; no connection, kept on this device` : words);
    if (answer.kind === 'done') then();
  }

  // Half of those expected are up: the batch is logged as half up along with the count.
  const total = tray === null ? count : Math.max(up ?? 0, (up ?? 0) + count - wasUp);
  const half = phase === 'sown' && total > 0 && total >= verdict.expectedEnd.mean / 2;
  const save = () =>
    post(
      { kind: 'counted', count, tray },
      `${count} up${tray === null ? '' : ` in tray ${tray}`}: saved`,
      () => {
        if (tray !== null && tray < trays) location.assign(`/germination/count/${code}?tray=${tray + 1}`);
        else location.assign(next ? `/germination/count/${next.code}` : '/germination/count');
      },
      half,
    );

  return (
    <div data-ready={ready} className="mx-auto max-w-md" data-typing>
      <h1>{name}</h1>
      <p className="text-ink2">
        <span className="num text-lg text-ink">{code}</span>, {sown} sown {shortDay(sownOn)}, day {today - sownOn}.{' '}
        <a href={`/batch/${batchId}/emergence`}>How it comes up</a>
      </p>
      <p className={`note-bar mt-2 ${BAD.includes(verdict.kind) ? 'bad' : ''}`}>
        <strong>{VERDICT_WORDS[verdict.kind]}.</strong> {reasonOf(verdict, up, sown, needed, today)}
      </p>
      {!open && <p className="mt-2">This batch is off the heat: a count now is of plants standing.</p>}
      {trays > 1 && (
        <fieldset className="mt-3">
          <legend className="sr-only">What is counted</legend>
          <div className="flex gap-2 overflow-x-auto pb-1">
            <Choice on={tray === null} disabled={byTray} onPick={() => choose(null)}>
              All {trays} trays
            </Choice>
            {Array.from({ length: trays }, (_, i) => i + 1).map((n) => (
              <Choice key={n} on={tray === n} disabled={!byTray && (up ?? 0) > 0} onPick={() => choose(n)}>
                {`Tray ${n}`}
                {trayUp[n] !== undefined && <span className="text-ink2">: {trayUp[n]}</span>}
              </Choice>
            ))}
          </div>
        </fieldset>
      )}
      <div className="mt-4 grid grid-cols-[88px_1fr_88px] items-center gap-2 text-center">
        <button
          type="button"
          className="btn h-22 text-4xl"
          aria-label="One fewer"
          onClick={() => setCount(clamp(count - 1))}
        >
          −
        </button>
        <div>
          <input
            aria-label={`Number up of ${size}`}
            className="num w-full bg-transparent text-center text-7xl"
            inputMode="numeric"
            value={count}
            onChange={(e) => setCount(Number(e.target.value.replace(/\D/g, '').slice(0, 7)))}
          />
          <p className="text-ink2">
            up of {size}
            {wasUp > 0 && `, ${wasUp} last time`}
          </p>
        </div>
        <button
          type="button"
          className="btn h-22 text-4xl"
          aria-label="One more"
          onClick={() => setCount(clamp(count + 1))}
        >
          +
        </button>
      </div>
      <div className="mt-3 grid grid-cols-4 gap-2">
        <button type="button" className="btn min-h-14" onClick={() => setCount(clamp(count + 5))}>
          +5
        </button>
        <button type="button" className="btn min-h-14" onClick={() => setCount(clamp(count + 25))}>
          +25
        </button>
        <button type="button" className="btn min-h-14" disabled={wasUp > 0} onClick={() => setCount(0)}>
          None yet
        </button>
        <button type="button" className="btn min-h-14" onClick={() => setCount(size)}>
          All up
        </button>
      </div>
      {wrong && (
        <p role="alert" className="note-bar bad mt-3">
          {wrong}
        </p>
      )}
      <p role="status" aria-live="polite" className={said ? 'note-bar mt-3' : 'sr-only'}>
        {said}
      </p>
      {half && (
        <p className="note-bar mt-3">
          Half are up: saved with this count, and it comes off the heat by the house’s rule.
        </p>
      )}
      <button type="button" className="btn solid mt-4 min-h-16 w-full text-xl" onClick={() => void save()}>
        Save: {count} up{tray !== null && ` in tray ${tray}`}
      </button>
      {open && (
        <div className="mt-3 flex flex-wrap items-center justify-between gap-2">
          <span>
            Cover {covered === null ? 'not logged' : covered ? 'on' : 'off'}
            {covered !== false && count > 0 && <strong>: the first are up, it comes off</strong>}
          </span>
          <button
            type="button"
            className="btn min-h-12"
            onClick={() =>
              void post(
                { kind: 'cover', count: covered === false ? 1 : 0 },
                covered === false ? 'cover on: saved' : 'cover off: saved',
                () => location.reload(),
              )
            }
          >
            {covered === false ? 'Cover on again' : 'Cover is off'}
          </button>
        </div>
      )}
      <p className="mt-4 text-[0.92rem] text-ink2">
        A wrong count? <a href={`/batch/${batchId}`}>Correct it in the log</a>; what was written before stays to be
        read.
        {next && (
          <>
            {' '}
            Next: <a href={`/germination/count/${next.code}`}>{next.name}</a>,{' '}
            {counted(props.onHeat.filter((b) => !b.countedToday).length, 'batch', 'batches')} not counted today.
          </>
        )}
      </p>
    </div>
  );
}

function Choice({
  on,
  disabled,
  onPick,
  children,
}: {
  readonly on: boolean;
  readonly disabled: boolean;
  readonly onPick: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      className={`btn min-h-12 shrink-0 ${on ? 'solid' : ''}`}
      aria-pressed={on}
      disabled={disabled && !on}
      onClick={onPick}
    >
      {children}
    </button>
  );
}
