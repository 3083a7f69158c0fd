import type { Page } from '@playwright/test';
import { accessible, COLOURS, expect, open, test } from './page.ts';

/** Presses a key until what it opens is there: the page may hear it a moment after it is drawn. */
async function pressFor(page: Page, key: string, name: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name });
  await expect(async () => {
    if (!(await dialog.isVisible())) await page.keyboard.press(key);
    await expect(dialog).toBeVisible({ timeout: 4_000 });
  }).toPass();
}

const IN_EACH_LOOK = [
  '/',
  '/plan/season',
  '/house',
  '/heat',
  '/potting',
  '/hardening',
  '/planting',
  '/batch/17',
  '/weather',
  '/batch/new',
];

test.describe('axe finds nothing', () => {
  let page: Page;
  test.beforeAll(async ({ browser, house }) => {
    page = await (await browser.newContext({ baseURL: house.url })).newPage();
  });
  test.afterAll(async () => page.context().close());

  for (const [look, device, paths] of [
    ['light.high.largest', 'dark', IN_EACH_LOOK],
    // As the cookie has the server draw it; every page is held in its colours by a-access.
    ['dim.usual.usual', 'light', IN_EACH_LOOK.slice(0, 2)],
    ['dim.high.usual', 'light', IN_EACH_LOOK.slice(0, 4)],
    // More contrast and the rest as the device has it, which is dark.
    ['system.high.usual', 'dark', IN_EACH_LOOK.slice(0, 4)],
  ] as const) {
    test(`in the look ${look} on a ${device} device`, async ({ house }) => {
      await page.emulateMedia({ colorScheme: device });
      await page.context().addCookies([{ name: 'crook-look', value: look, url: house.url }]);
      for (const path of paths) {
        await open(page, path);
        await page.waitForTimeout(200);
        await accessible(page, COLOURS);
      }
      await page.emulateMedia({ colorScheme: null });
      await page.context().clearCookies();
    });
  }

  test('on what opens over a page: search, help, menu', async () => {
    for (const [key, name] of [
      ['/', 'Search'],
      ['?', 'Round'],
    ] as const) {
      await open(page, '/');
      await pressFor(page, key, name);
      await accessible(page);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
    await page.getByRole('link', { name: 'Menu' }).click();
    await expect(page.getByRole('dialog', { name: 'Menu' })).toBeVisible();
    await accessible(page);
    await page.getByRole('radio', { name: 'Dim' }).check();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
    await page.context().clearCookies();
  });
});

test('search: a batch by its code and by its name, a page by another word for it, a word of the glossary', async ({
  page,
}) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as { id: number; code: string; name: string }[];
  const leek = batches.find((batch) => batch.name === 'Leek Salt Road A')!;
  const search = async (text: string, option: string | RegExp) => {
    await open(page, '/');
    await pressFor(page, 'Control+k', 'Search');
    await page.getByRole('combobox', { name: /^Search/ }).fill(text);
    await page.getByRole('option', { name: option }).first().click();
  };
  await search('salt ro', /^Leek Salt Road A/);
  await page.waitForURL(`**/batch/${leek.id}`);
  await search('fertil', 'Feeds');
  await page.waitForURL('**/potting/feeds');
  await search('hyster', /^Hysteresis/);
  await page.waitForURL('**/house/help#hysteresis-differential-');
  await open(page, '/');
  await pressFor(page, '/', 'Search');
  await page.getByRole('combobox', { name: /^Search/ }).fill('xyzzy 🍅');
  await expect(page.getByText('Nothing is called “xyzzy 🍅”.')).toBeVisible();
  await open(page, '/house/find?q=leek');
  await expect(page.getByRole('link', { name: 'Leek Salt Road A' })).toBeVisible();
});
