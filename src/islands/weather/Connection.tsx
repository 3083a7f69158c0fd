import { CloudOff } from 'lucide-react';
import { useCallback, useEffect } from 'react';
import { call } from '../../ui/call.ts';
import { useLostSince } from '../../ui/connection.ts';
import { tellWritten } from '../../ui/fresh.ts';
import { WORDS } from '../../words/en/weather/connection.ts';

const AGAIN_ms = 10_000;
const HEALTH = '/api/house/health';

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** On every page, while the application is not reached: since when, what that means, and trying again. */
export function Connection() {
  const since = useLostSince();
  const look = useCallback(async () => {
    // When it answers again, what the page shows is read anew.
    if ((await call('GET', HEALTH)).kind !== 'offline') tellWritten();
  }, []);
  useEffect(() => {
    const offline = () => void call('GET', HEALTH);
    window.addEventListener('offline', offline);
    return () => window.removeEventListener('offline', offline);
  }, []);
  useEffect(() => {
    if (since === null) return;
    const timer = setInterval(() => void look(), AGAIN_ms);
    window.addEventListener('online', look);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', look);
    };
  }, [since, look]);
  return (
    <div aria-live="polite">
      {since !== null && (
        <p className="note-bar bad my-2 flex flex-wrap items-center gap-x-3 gap-y-1">
          <CloudOff size={20} aria-hidden="true" className="flex-none" />
          <span className="min-w-0 flex-1 basis-60">{WORDS.lostSince(clock.format(since))}</span>
          <button type="button" className="btn small" onClick={() => void look()}>
            {WORDS.tryNow}
          </button>
        </p>
      )}
    </div>
  );
}
