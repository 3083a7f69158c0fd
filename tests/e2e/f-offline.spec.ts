import type { Browser, BrowserContext, Page } from '@playwright/test';
import sharp from 'sharp';
import { startApp } from '../support/app.ts';
import { startNetwork, type Network } from '../support/network.ts';
import { accessible, answers, expect, open, test } from './page.ts';

/** A phone on a network of its own; what its pages complain of without a network is the test's own doing. */
async function phone(browser: Browser, net: Network): Promise<BrowserContext> {
  return browser.newContext({
    baseURL: net.url,
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'allow',
  });
}

/** Waits until the application and the pages that are worked from are on the device. */
async function onDevice(page: Page): Promise<void> {
  await page.waitForFunction(() => navigator.serviceWorker.controller?.state === 'activated', null, {
    timeout: 60_000,
  });
  await expect
    .poll(() => page.evaluate(async () => (await caches.match('/germination/count')) !== undefined), {
      timeout: 60_000,
    })
    .toBe(true);
}

/** All places of the walk, where a phone shows one at a time. */
const allPlaces = (page: Page): Promise<void> =>
  page.getByRole('navigation', { name: 'Places of the walk' }).getByRole('button', { name: 'All' }).click();

/** Keys of what waits on the device, in its order. */
const waiting = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opened = indexedDB.open('crook');
        opened.onerror = () => reject(opened.error);
        opened.onsuccess = () => {
          const all = opened.result.transaction('waiting').objectStore('waiting').getAll();
          all.onsuccess = () => {
            opened.result.close();
            resolve((all.result as { key: string }[]).map(({ key }) => key));
          };
        };
      }),
  );

interface Line {
  readonly id: number;
  readonly kind: string;
  readonly note: string;
  readonly count: number | null;
}
const logOf = async (page: Page, id: number): Promise<Line[]> =>
  ((await (await page.request.get(`/api/batch/${id}`)).json()) as { log: Line[] }).log;

test('what somebody else was quicker with is shown with both sides, and can be kept as a note', async ({
  browser,
  house,
}) => {
  test.setTimeout(120_000);
  const net = await startNetwork(house.url);
  const context = await phone(browser, net);
  const page = await context.newPage();
  await open(page, '/');
  await onDevice(page);
  net.cut();
  await page.goto('/');
  await answers(page);
  const job = page.getByRole('button', { name: /^Moved: / }).first();
  const name = (await job.getAttribute('aria-label'))!.slice('Moved: '.length);
  await job.click();
  await expect(page.getByText('kept on this device').first()).toBeVisible();
  // At the desk the same batch is moved meanwhile.
  const desk = await (await browser.newContext({ baseURL: house.url })).newPage();
  await open(desk, '/');
  await desk.getByRole('button', { name: `Moved: ${name}` }).click();
  await expect(desk.getByText(`${name}: moved.`)).toBeVisible();
  const batches = (await (await desk.request.get('/api/batch')).json()) as { id: number; name: string }[];
  const { id } = batches.find((batch) => batch.name === name)!;
  net.back();
  await page.getByRole('button', { name: 'Try now' }).click();
  const refused = page.getByRole('alert').filter({ hasText: 'Not taken' });
  await expect(refused).toContainText('Tapped here');
  await expect(refused).toContainText('Last line there');
  await accessible(page);
  await expect(refused.getByRole('button')).toHaveText(['Try again', 'Keep it as a note', 'Let it go']);
  await refused.getByRole('button', { name: 'Keep it as a note' }).click();
  await expect(refused).toHaveCount(0);
  expect((await logOf(desk, id)).at(-1)).toMatchObject({ kind: 'note', note: expect.stringMatching(/^Not taken: /) });
  await desk.context().close();
  await context.close();
  await net.stop();
});

test('the network cut: it opens, twelve things are done, the browser closed; back again each is there once, in order', async ({
  browser,
  house,
}) => {
  test.setTimeout(180_000);
  const net = await startNetwork(house.url);
  const context = await phone(browser, net);
  let page = await context.newPage();
  await open(page, '/');
  await onDevice(page);
  const all = (await (await page.request.get('/api/batch')).json()) as { id: number; code: string; phase: string }[];
  const sown = all.filter(({ phase }) => phase === 'sown').slice(0, 2);
  net.cut();

  // The round opens from the device and says since when it is so.
  await page.goto('/');
  await expect(page.getByText(/^No network: as of /)).toBeVisible();
  await allPlaces(page);
  const taps = page
    .getByRole('listitem')
    .getByRole('button', { name: /^(Done|Out|Well|Watered|Spaced|Sown|Potted)\b/ });
  const not = page.getByRole('button', { name: /^Not today/ });
  const first = await taps.first().getAttribute('aria-label');
  await taps.first().click();
  await expect(page.getByText('kept on this device').first()).toBeVisible();
  for (let i = 2; i <= 4; i++) {
    await not.first().click();
    await expect.poll(async () => (await waiting(page)).length).toBe(i);
  }
  // Two trays are counted, four times each, by pages of their own.
  for (const { code } of sown) {
    await page.goto(`/germination/count/${code}`);
    await answers(page);
    for (let i = 0; i < 4; i++) {
      const before = (await waiting(page)).length;
      await page.getByRole('button', { name: 'One more' }).click();
      await page.getByRole('button', { name: /^Save/ }).click();
      await expect.poll(async () => (await waiting(page)).length).toBe(before + 1);
    }
  }
  const kept = await waiting(page);
  expect(kept).toHaveLength(12);

  // Closed and opened again: what was tapped is done, and is still to go out.
  await page.close();
  page = await context.newPage();
  await page.goto('/');
  await answers(page);
  await expect(page.getByText('kept on this device').first()).toBeVisible();
  await expect(page.getByRole('button', { name: first! })).toHaveCount(0);
  expect(await waiting(page)).toEqual(kept);
  // At once, not with the next try to send.
  await expect(page.getByText('12 lines kept on this device')).toBeVisible({ timeout: 10_000 });
  await accessible(page);

  // The answers to the first two are lost on their way: they are asked for again, and done once.
  net.loseAnswers(2);
  net.back();
  await expect.poll(() => waiting(page), { timeout: 90_000 }).toEqual([]);
  const inOrder = net.written.filter((key, i) => net.written.indexOf(key) === i);
  expect(inOrder).toEqual(kept);
  expect(net.written.length).toBeGreaterThan(12);
  for (const { id } of sown) {
    const counts = (await logOf(page, id)).filter(({ kind }) => kind === 'counted').slice(-4);
    expect(new Set(counts.map(({ count }) => count)).size).toBe(4);
  }
  await context.close();
  await net.stop();
});

test('a new version in between strands nothing, and a server killed in the middle of sending does each once', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const before = await startApp();
  const net = await startNetwork(before.url);
  const context = await phone(browser, net);
  const page = await context.newPage();
  await open(page, '/');
  await onDevice(page);
  const first = await page.evaluate(() => caches.keys());
  net.cut();
  await page.goto('/');
  await answers(page);
  await allPlaces(page);
  // Of batches alone: they stand in the ledger.
  const not = page.locator('[data-job]:not([data-job^="own/"])').getByRole('button', { name: /^Not today/ });
  for (let i = 1; i <= 6; i++) {
    await not.first().click();
    await expect.poll(async () => (await waiting(page)).length).toBe(i);
  }
  const kept = await waiting(page);
  // The server comes back, takes a few and is killed while it answers.
  let killed = false;
  net.atNextWrite(30, () => {
    process.kill(before.pid, 'SIGKILL');
    killed = true;
  });
  net.back();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect.poll(() => killed).toBe(true);
  await expect.poll(() => waiting(page)).not.toEqual([]);
  // It is started again as a new version.
  net.newVersion();
  const after = await startApp([], before.databaseUrl);
  net.back(after.url);
  await page.reload();
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect.poll(() => waiting(page), { timeout: 90_000 }).toEqual([]);
  expect(net.written.filter((key, i) => net.written.indexOf(key) === i)).toEqual(kept);
  const held = (await (await page.request.get('/api/batch/ledger')).json()) as { lines: { kind: string }[] };
  expect(held.lines.slice(0, 6).map(({ kind }) => kind)).toEqual(new Array<string>(6).fill('held'));
  // The new worker has its own pages, and those of the old are gone.
  const pagesKept = () =>
    page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('crook-pages')).join(' '));
  await expect
    .poll(pagesKept, { timeout: 90_000 })
    .not.toContain(first.find((name) => name.startsWith('crook-pages'))!);
  expect(await pagesKept()).toMatch(/^crook-pages-\w+$/);
  net.cut();
  await page.goto('/');
  await expect(page.getByText(/^No network: as of /)).toBeVisible();
  await context.close();
  await net.stop();
  await after.stop();
});

test('a photo, a reading and a potting without a network wait with their time, and are there once it is back', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const app = await startApp();
  const net = await startNetwork(app.url);
  const context = await phone(browser, net);
  const page = await context.newPage();
  await open(page, '/');
  const made = await page.request.post('/api/potting/sessions', {
    data: { idempotencyKey: 'potting-offline', batchIds: [18] },
  });
  const { id } = (await made.json()) as { id: number };
  await page.reload();
  await onDevice(page);
  const kept = (path: string) => page.evaluate(async (at) => (await caches.match(at)) !== undefined, path);
  for (const path of ['/batch/18', `/potting/sessions/${id}`, '/heat?zone=2', '/weather/readings'])
    await expect.poll(() => kept(path), { timeout: 60_000 }).toBe(true);
  net.cut();

  await page.goto('/batch/18');
  await answers(page);
  const photos = page.getByRole('region', { name: 'Photos', exact: true });
  const picture = await sharp({ create: { width: 1600, height: 900, channels: 3, background: '#4a7a3c' } })
    .jpeg()
    .toBuffer();
  await photos
    .getByLabel('Choose a picture')
    .setInputFiles({ name: 'tray.jpg', mimeType: 'image/jpeg', buffer: picture });
  await photos.getByRole('textbox', { name: 'What it shows (if you like)' }).fill('From the door');
  await photos.getByRole('button', { name: 'Keep the photo' }).click();
  await expect(photos.getByText('Not sent yet')).toBeVisible();
  await expect(photos.getByText('From the door')).toBeVisible();
  await accessible(page);

  // The page of a zone is that zone’s, and no other stands in for one that is not on the device.
  await page.goto('/heat?zone=2');
  await answers(page);
  const reading = page.getByRole('region', { name: 'Read by hand' });
  await reading.getByRole('textbox', { name: /^Medium/ }).fill('20.5');
  await reading.getByRole('textbox', { name: 'Who' }).fill('P');
  await reading.getByRole('button', { name: 'Keep the reading' }).click();
  await expect(reading.getByText('Kept on this device; it is sent when there is a network.')).toBeVisible();
  await page.goto('/heat?zone=77');
  await expect(page.getByRole('heading', { name: 'Not on this device' })).toBeVisible();

  await page.goto(`/potting/sessions/${id}`);
  await answers(page);
  await page.getByRole('button', { name: 'Do it' }).click();
  const line = page.getByRole('region', { name: 'Order of work' }).getByRole('listitem').first();
  await line.getByRole('button', { name: /^Start / }).click();
  await expect(line.getByRole('timer')).toContainText(/\d+ s/);
  // Closed and opened again, the timer runs on.
  await page.goto(`/potting/sessions/${id}`);
  await answers(page);
  await expect(line.getByRole('button', { name: /^Pause / })).toBeVisible();
  await line.getByRole('button', { name: /^Done: / }).click();
  const pad = line.getByRole('group', { name: /^What / });
  await pad.getByRole('button', { name: 'weak +1' }).click();
  await pad.getByRole('textbox', { name: 'Minutes' }).fill('12');
  await pad.getByRole('button', { name: 'Write it' }).click();
  await expect(line).toContainText(/\d+ potted: kept on this device, not sent yet/);
  expect(await waiting(page)).toHaveLength(5);

  net.back();
  await expect.poll(() => waiting(page), { timeout: 60_000 }).toEqual([]);
  const session = (await (await page.request.get(`/api/potting/sessions/${id}`)).json()) as {
    lines: { outcome: { culled: Record<string, number>; minutes: number } | null; worked: { state: string } }[];
  };
  expect(session.lines[0]!.outcome).toMatchObject({ minutes: 12, culled: { weak: 1 } });
  expect(session.lines[0]!.worked.state).toBe('done');
  const notes = (await (await page.request.get('/api/house/photos?batch=18')).json()) as {
    note: string;
    width: number;
  }[];
  expect(notes.map(({ note, width }) => [note, width])).toEqual([['From the door', 1280]]);
  const zone = (await (await page.request.get('/api/heat/zones/2')).json()) as {
    hand: { medium_C: number; by: string }[];
  };
  expect(zone.hand.filter(({ medium_C, by }) => medium_C === 20.5 && by === 'P')).toHaveLength(1);
  await context.close();
  await net.stop();
  await app.stop();
});

test('what waits goes out as soon as the application answers again', async ({ browser, house }) => {
  test.setTimeout(120_000);
  const net = await startNetwork(house.url);
  const context = await phone(browser, net);
  // Neither the next try by the clock, nor the browser's own sending, nor a page that is drawn anew may do it.
  await context.addInitScript(() => {
    const every = window.setInterval.bind(window);
    window.setInterval = ((act: () => void, ms: number) => (ms === 20_000 ? 0 : every(act, ms))) as typeof setInterval;
    Reflect.deleteProperty(ServiceWorkerRegistration.prototype, 'sync');
    const ask = window.fetch.bind(window);
    window.fetch = (to, how) =>
      new Headers(how?.headers).get('accept') === 'text/html' ? Promise.reject(new TypeError('not now')) : ask(to, how);
  });
  const page = await context.newPage();
  await open(page, '/');
  await onDevice(page);
  net.cut();
  await page.goto('/');
  await answers(page);
  await allPlaces(page);
  await page
    .locator('[data-job]')
    .getByRole('button', { name: /^Not today/ })
    .first()
    .click();
  await expect.poll(async () => (await waiting(page)).length).toBe(1);
  net.back();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect.poll(() => waiting(page)).toEqual([]);
  expect(net.written).toHaveLength(1);
  await context.close();
  await net.stop();
});
