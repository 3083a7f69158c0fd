import { saidOf } from '../../words/en/codes.ts';
import { useState } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { LeftOut } from '../../contracts/germination/emergence.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import type { LogLine } from '../../contracts/batch/batches.ts';
import { postLine } from '../../ui/logPost.ts';
import { WORDS } from '../../words/en/germination/leaveOut.ts';

/** Why a batch should teach the house nothing. */
const REASONS = [
  WORDS.driedOut,
  WORDS.tooColdByAccident,
  WORDS.tooHotByAccident,
  'eaten',
  'miscounted',
  WORDS.mixedUp,
  'other',
];

interface Props {
  readonly batchId: number;
  readonly today: number;
  readonly leftOut: readonly LeftOut[];
  /** Trays counted one by one; a single tray may be left out. */
  readonly trays: readonly number[];
}

/** Something went wrong that says nothing of the crop: one tap leaves it out of what the house learns, with its reason. */
export function LeaveOut({ batchId, today, leftOut, trays }: Props) {
  const [reason, setReason] = useState(REASONS[0]!);
  const [tray, setTray] = useState(0);
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  async function log(line: Pick<LogLine, 'kind' | 'cause' | 'tray' | 'correctsId'>): Promise<void> {
    setBusy(true);
    const answer = await postLine(batchId, { idempotencyKey: freshKey(), day: isoFromDay(today), ...line });
    setBusy(false);
    setWrong(answer.kind === 'done' ? '' : answer.kind === 'kept' ? WORDS.keptUntilBack : trouble(answer));
  }
  const whole = leftOut.some((l) => l.tray === null);
  return (
    <section aria-label={WORDS.notUsedForEstimates} className="mt-4">
      {leftOut.map((line) => (
        <p key={line.eventId} className="note-bar mb-2 flex flex-wrap items-center gap-3">
          <span>
            {WORDS.teachesTheHouseNothing(line.tray === null ? WORDS.thisBatch : WORDS.tray(line.tray), line.reason)}
          </span>
          <button
            type="button"
            className="btn small"
            disabled={busy}
            onClick={() => void log({ kind: 'withdrawn', correctsId: line.eventId })}
          >
            {WORDS.countItAgain}
          </button>
        </p>
      ))}
      {!whole && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void log({ kind: 'left-out', cause: reason, tray: tray === 0 ? null : tray });
          }}
        >
          {trays.length > 1 && (
            <label className="field">
              <span className="label">{WORDS.which}</span>
              <select className="input" value={tray} onChange={(e) => setTray(Number(e.target.value))}>
                <option value={0}>{WORDS.theWholeBatch}</option>
                {trays.map((n) => (
                  <option key={n} value={n}>
                    {WORDS.tray2(n)}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="field">
            <span className="label">{WORDS.somethingWentWrongHere}</span>
            <select className="input" value={reason} onChange={(e) => setReason(e.target.value)}>
              {REASONS.map((r) => (
                <option key={r} value={r}>
                  {saidOf(r)}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" className="btn" disabled={busy}>
            {WORDS.doNotLearnFromIt}
          </button>
        </form>
      )}
      {wrong && (
        <p role="alert" className="note-bar bad mt-2">
          {wrong}
        </p>
      )}
    </section>
  );
}
