import { Suspense, useCallback, useEffect, useState } from 'react';
import { allWaiting, onWaiting, waitingLasts, type Kept } from '../../device/waiting.ts';
import { counted } from '../../ui/format.ts';
import { later } from '../../ui/kit/later.tsx';
import { sendKept, takeOver } from '../../ui/logPost.ts';
import { WORDS } from '../../words/en/weather/keptLines.ts';

const AGAIN_ms = 20_000;
/** A line just tapped is on its way, not kept. */
const ON_ITS_WAY_ms = 4_000;

/** Seldom wanted: what was refused, with its ways out. */
const Refused = later(() => import('./Refused.tsx').then((m) => m.Refused));

const clock = new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' });

/** On every page: what this device still holds, sent as soon as there is a network; what was refused is shown with both sides. */
export function KeptLines() {
  const [lines, setLines] = useState<readonly Kept[]>([]);
  const [lasts, setLasts] = useState(true);
  const look = useCallback(async () => {
    const all = await allWaiting();
    setLines(all.filter((kept) => kept.refused !== null || Date.now() - kept.at_ms > ON_ITS_WAY_ms));
    setLasts(await waitingLasts());
    return all.length;
  }, []);
  const flush = useCallback(
    async (again = false) => {
      if ((await allWaiting()).length > 0) await sendKept(again);
      await look();
    },
    [look],
  );
  useEffect(() => {
    let soon: ReturnType<typeof setTimeout> | undefined;
    const heard = () => {
      clearTimeout(soon);
      void look().then((all) => {
        if (all > 0) soon = setTimeout(() => void look(), ON_ITS_WAY_ms + 100);
      });
    };
    const online = () => void flush();
    void takeOver().then(online);
    const timer = setInterval(online, AGAIN_ms);
    const stop = onWaiting(heard);
    window.addEventListener('online', online);
    // The service worker asks its pages first: they show what comes of it.
    const asked = (event: MessageEvent) => {
      if ((event.data as { kind?: string } | null)?.kind === 'send-waiting') online();
    };
    navigator.serviceWorker?.addEventListener('message', asked);
    return () => {
      clearInterval(timer);
      clearTimeout(soon);
      stop();
      window.removeEventListener('online', online);
      navigator.serviceWorker?.removeEventListener('message', asked);
    };
  }, [flush, look]);

  const refused = lines.filter((kept) => kept.refused !== null);
  const waiting = lines.filter((kept) => kept.refused === null);
  if (lines.length === 0) return null;
  return (
    <div aria-live="polite" aria-label={WORDS.keptOnThisDevice}>
      {waiting.length > 0 && (
        <div className="note-bar my-2 flex flex-wrap items-start gap-x-3">
          <details className="min-w-0 flex-1 basis-52">
            <summary className="min-h-11 cursor-pointer py-2">
              {WORDS.keptOnThisDeviceUntil(counted(waiting.length, WORDS.line))}
              {!lasts && <strong>{WORDS.untilThePageIsClosed}</strong>}
            </summary>
            <ol className="pb-1">
              {waiting.map((kept) => (
                <li key={kept.key}>{WORDS.whatAndWhen(kept.words, clock.format(kept.at_ms))}</li>
              ))}
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
