import { CloudOff } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { call } from '../../ui/call.ts';
import { useLostSince, useSignedOut } from '../../ui/connection.ts';
import { tellWritten } from '../../ui/fresh.ts';
import { WORDS } from '../../words/en/weather/connection.ts';

const AGAIN_ms = 10_000;
const HEALTH = '/api/house/health';

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const clockAndDay = new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' });
const TODAY_ms = 18 * 3_600_000;
const timeOf = (at_ms: number): string => (Date.now() - at_ms < TODAY_ms ? clock : clockAndDay).format(at_ms);

/** On every page, while the application is not reached: since when, what that means, and trying again. */
export function Connection() {
  const since = useLostSince();
  /** When this device put the page away, where it is not from the application itself. */
  const [keptAt_ms, setKeptAt] = useState<number | null>(null);
  const look = useCallback(async () => {
    // Away with its database it answers as well, but has no page that is newer.
    if ((await call('GET', HEALTH)).kind !== 'done') return;
    // When it answers again, what the page shows is read anew.
    delete document.documentElement.dataset['keptAt'];
    setKeptAt(null);
    tellWritten();
  }, []);
  useEffect(() => {
    const { keptAt } = document.documentElement.dataset;
    if (keptAt === undefined) return;
    setKeptAt(Number(keptAt));
    void look();
  }, [look]);
  const out = useSignedOut();
  const away = since !== null || keptAt_ms !== null;
  useEffect(() => {
    const offline = () => void call('GET', HEALTH);
    window.addEventListener('offline', offline);
    return () => window.removeEventListener('offline', offline);
  }, []);
  useEffect(() => {
    if (!away) return;
    const timer = setInterval(() => void look(), AGAIN_ms);
    window.addEventListener('online', look);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', look);
    };
  }, [away, look]);
  return (
    <div aria-live="polite">
      {out && !away && (
        <p className="note-bar bad my-2 flex flex-wrap items-center gap-x-3">
          <span className="flex-1 font-semibold">{WORDS.signedOut}</span>
          <a
            className="btn small"
            href={`/house/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`}
          >
            {WORDS.signIn}
          </a>
        </p>
      )}
      {away && (
        <div className="note-bar bad my-2 flex flex-wrap items-start gap-x-3">
          <details className="min-w-0 flex-1 basis-52">
            <summary className="flex min-h-11 cursor-pointer items-center gap-x-3">
              <CloudOff size={20} aria-hidden="true" className="flex-none" />
              <span className="min-w-0 flex-1 font-semibold">
                {keptAt_ms === null ? WORDS.lostSince(clock.format(since!)) : WORDS.asOf(timeOf(keptAt_ms))}
              </span>
              <span className="link-btn">{WORDS.why}</span>
            </summary>
            <p className="pb-2">{WORDS.whatThatMeans}</p>
          </details>
          <button type="button" className="btn small" onClick={() => void look()}>
            {WORDS.tryNow}
          </button>
        </div>
      )}
    </div>
  );
}
