import { useCallback, useEffect, useState } from 'react';
import { dayFromIso } from '../../core/calendar/dayNumber.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { EVENT_WORDS, type EventKind } from '../../core/batch/event.ts';
import { counted } from '../../ui/format.ts';
import { dropLine, KEPT_CHANGED, keptLines, sendKept, type KeptLine } from '../../ui/logPost.ts';
import { WORDS } from '../../words/en/weather/keptLines.ts';

const AGAIN_ms = 20_000;
/** A line just tapped is on its way, not kept. */
const ON_ITS_WAY_ms = 4_000;

/** Lines to be shown: refused, or older than a moment. */
const shown = (): KeptLine[] =>
  keptLines().filter((kept) => kept.refused !== null || Date.now() - kept.at_ms > ON_ITS_WAY_ms);

/** On every page: lines this device still holds, sent as soon as there is a network; what was refused is shown with the reason. */
export function KeptLines() {
  const [lines, setLines] = useState<readonly KeptLine[]>([]);
  const flush = useCallback(async (again = false) => {
    if (keptLines().length === 0) return;
    await sendKept(again);
    setLines(shown());
  }, []);
  useEffect(() => {
    let soon: ReturnType<typeof setTimeout> | undefined;
    const look = () => {
      setLines(shown());
      clearTimeout(soon);
      if (keptLines().length > 0) soon = setTimeout(look, ON_ITS_WAY_ms + 100);
    };
    look();
    void flush();
    const online = () => void flush();
    const timer = setInterval(online, AGAIN_ms);
    window.addEventListener('online', online);
    window.addEventListener('storage', look);
    window.addEventListener(KEPT_CHANGED, look);
    return () => {
      clearInterval(timer);
      clearTimeout(soon);
      window.removeEventListener('online', online);
      window.removeEventListener('storage', look);
      window.removeEventListener(KEPT_CHANGED, look);
    };
  }, [flush]);

  const refused = lines.filter((kept) => kept.refused !== null);
  const waiting = lines.length - refused.length;
  if (lines.length === 0) return null;
  return (
    <div aria-live="polite" aria-label={WORDS.keptOnThisDevice}>
      {waiting > 0 && (
        <p className="note-bar my-2">
          {WORDS.keptOnThisDeviceUntil(counted(waiting, WORDS.line))}
          <button type="button" className="link-btn" onClick={() => void flush()}>
            {WORDS.sendNow}
          </button>
        </p>
      )}
      {refused.map(({ batchId, line, refused: why }) => (
        <p key={line.idempotencyKey} className="note-bar bad my-2">
          {WORDS.notTaken(
            EVENT_WORDS[line.kind as EventKind].toLowerCase(),
            line.count == null ? '' : `, ${line.count}`,
            shortDay(dayFromIso(line.day) ?? 0),
            why,
            <a key="1" className="link-btn" href={`/batch/${batchId}`}>
              {WORDS.theBatch}
            </a>,
          )}
          <button type="button" className="link-btn" onClick={() => void flush(true)}>
            {WORDS.tryAgain}
          </button>{' '}
          <button type="button" className="link-btn" onClick={() => dropLine(line.idempotencyKey)}>
            {WORDS.letItGo}
          </button>
        </p>
      ))}
    </div>
  );
}
