import { useEffect, useRef } from 'react';

/** Not more than one look in this time, but always the last. */
const WAIT_ms = 1_000;

/**
 * Listens to what the application tells by itself (server-sent events), and goes on after a lost network.
 * @param onNews called once for several news that follow each other closely; not for what stood when the page was opened
 */
export function useLive(path: string, onNews: () => void): void {
  const news = useRef(onNews);
  useEffect(() => {
    news.current = onNews;
  });
  useEffect(() => {
    let first: string | null = null;
    let waiting: ReturnType<typeof setTimeout> | null = null;
    const events = new EventSource(path);
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const known = first;
      first = data;
      if (known === null || known === data) return;
      waiting ??= setTimeout(() => {
        waiting = null;
        news.current();
      }, WAIT_ms);
    };
    return () => {
      events.close();
      if (waiting) clearTimeout(waiting);
    };
  }, [path]);
}
