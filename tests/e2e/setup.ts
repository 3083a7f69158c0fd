import { startApp } from '../support/app.ts';

/** Starts the built application once for all browser tests; the demo nursery is put back before each file by `fresh`. */
export default async function setup(): Promise<() => Promise<void>> {
  const app = await startApp();
  process.env['CROOK_E2E_URL'] = app.url;
  return async () => {
    await app.stop();
  };
}
