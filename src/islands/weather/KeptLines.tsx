import { Suspense, useCallback, useEffect, useState } from 'react';
import { allWaiting, onWaiting, waitingLasts, type Kept } from '../../device/waiting.ts';
import { clearedHere, clearedSeen, type Cleared } from '../../device/secondCopy.ts';
import { counted } from '../../ui/format.ts';
import { later } from '../../ui/kit/later.tsx';
import { onBack } from '../../ui/connection.ts';
import { sendKept, takeOver } from '../../ui/logPost.ts';
import { WORDS } from '../../words/en/weather/keptLines.ts';

const AGAIN_ms = 20_000;
/** A week away is not read line by line. */
const MOST_lines = 50;
/** A line just tapped is on its way, not kept. */
const ON_ITS_WAY_ms = 4_000;

/** Seldom wanted: what was refused, with its ways out. */
const Refused = later(() => import('./Refused.tsx').then((m) => m.Refused));

const clock = new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' });

/** What is kept, as it changes: what was here when the page was opened at once, what is tapped on it once it is no longer on its way. */
function useKept(): { readonly lines: readonly Kept[]; readonly lasts: boolean } {
  const [kept, setKept] = useState<{ lines: readonly Kept[]; lasts: boolean }>({ lines: [], lasts: true });
  useEffect(() => {
    const shownFrom_ms = new Map<string, number>();
    let wait_ms = 0;
    let soon: ReturnType<typeof setTimeout> | undefined;
    let gone = false;
    const look = async () => {
      const all = await allWaiting();
      const lasts = await waitingLasts();
      if (gone) return;
      const now_ms = performance.now();
      for (const { key } of all) if (!shownFrom_ms.has(key)) shownFrom_ms.set(key, now_ms + wait_ms);
      wait_ms = ON_ITS_WAY_ms;
      const left_ms = ({ key, refused }: Kept) => (refused === null ? shownFrom_ms.get(key)! - now_ms : 0);
      setKept({ lines: all.filter((one) => left_ms(one) <= 0), lasts });
      clearTimeout(soon);
      const next_ms = Math.min(...all.map(left_ms).filter((left) => left > 0));
      if (Number.isFinite(next_ms)) soon = setTimeout(() => void look(), next_ms + 1);
    };
    void look();
    const stop = onWaiting(() => void look());
    return () => {
      gone = true;
      clearTimeout(soon);
      stop();
    };
  }, []);
  return kept;
}

/** On every page: what this device still holds, sent as soon as there is a network; what was refused is shown with both sides. */
export function KeptLines() {
  const { lines, lasts } = useKept();
  const flush = useCallback(async (again = false) => {
    if ((await allWaiting()).length > 0) await sendKept(again);
  }, []);
  useEffect(() => {
    const online = () => void flush();
    void takeOver().then(online);
    const timer = setInterval(online, AGAIN_ms);
    window.addEventListener('online', online);
    // A server that was away is no network that was: the browser says nothing when it answers again.
    const stop = onBack(online);
    // The service worker asks its pages first: they show what comes of it.
    const asked = (event: MessageEvent) => {
      if ((event.data as { kind?: string } | null)?.kind === 'send-waiting') online();
    };
    navigator.serviceWorker?.addEventListener('message', asked);
    return () => {
      clearInterval(timer);
      stop();
      window.removeEventListener('online', online);
      navigator.serviceWorker?.removeEventListener('message', asked);
    };
  }, [flush]);

  const refused = lines.filter((kept) => kept.refused !== null);
  const waiting = lines.filter((kept) => kept.refused === null);
  const [cleared, setCleared] = useState<Cleared | null>(null);
  // Known once what is kept was opened.
  useEffect(() => void allWaiting().then(() => setCleared(clearedHere())), []);
  if (lines.length === 0 && cleared === null) return null;
  return (
    <div aria-live="polite" aria-label={WORDS.keptOnThisDevice}>
      {cleared && (
        <div className="note-bar bad my-2 flex flex-wrap items-start gap-x-3">
          <div className="min-w-0 flex-1 basis-52 py-2">
            <p>
              <strong>{WORDS.cleared}</strong> {cleared.back > 0 && WORDS.putBack(counted(cleared.back, WORDS.line))}
            </p>
            {cleared.lost.length > 0 && (
              <>
                <p>{WORDS.lost(counted(cleared.lost.length, WORDS.line))}</p>
                <ul className="list-disc pl-5">
                  {cleared.lost.slice(0, MOST_lines).map(({ words, at_ms }) => (
                    <li key={`${at_ms} ${words}`}>{WORDS.whatAndWhen(words, clock.format(at_ms))}</li>
                  ))}
                </ul>
              </>
            )}
          </div>
          <button
            type="button"
            className="btn small"
            onClick={() => {
              clearedSeen();
              setCleared(null);
            }}
          >
            {WORDS.seen}
          </button>
        </div>
      )}
      {waiting.length > 0 && (
        <div className="note-bar my-2 flex flex-wrap items-start gap-x-3">
          <details className="min-w-0 flex-1 basis-52">
            <summary className="min-h-11 cursor-pointer py-2">
              {WORDS.keptOnThisDeviceUntil(counted(waiting.length, WORDS.line))}
              {!lasts && <strong>{WORDS.untilThePageIsClosed}</strong>}
            </summary>
            <ol className="pb-1">
              {waiting.slice(0, MOST_lines).map((kept) => (
                <li key={kept.key}>{WORDS.whatAndWhen(kept.words, clock.format(kept.at_ms))}</li>
              ))}
              {waiting.length > MOST_lines && <li>{WORDS.andMore(waiting.length - MOST_lines)}</li>}
            </ol>
          </details>
          <button type="button" className="btn small" onClick={() => void flush()}>
            {WORDS.sendNow}
          </button>
        </div>
      )}
      {refused.map((kept) => (
        <Suspense key={kept.key} fallback={null}>
          <Refused kept={kept} when={clock.format(kept.at_ms)} onAgain={() => void flush(true)} />
        </Suspense>
      ))}
    </div>
  );
}
