import { WRITTEN } from './fresh.ts';

/** Leaves the page the first moments. */
const SOON_ms = 3_000;

/**
 * Has the browser keep the application and the pages of the coming two weeks (device/serviceWorker.ts), read anew after what was
 * written. Where a browser cannot, or the application is called over plain HTTP under a name of the house, pages come from the network.
 */
export function keepOnDevice(): void {
  const { serviceWorker } = navigator;
  if (!serviceWorker) return;
  const keep = () => void serviceWorker.ready.then(({ active }) => active?.postMessage({ kind: 'keep-pages' }));
  void serviceWorker
    .register('/sw.js')
    .then(() => setTimeout(keep, SOON_ms))
    .catch(() => undefined);
  window.addEventListener(WRITTEN, keep);
}
