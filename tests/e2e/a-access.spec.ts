import type { Page } from '@playwright/test';
import { accessible, expect, open, test } from './page.ts';

const PAGES = [
  '/',
  '/plan/season',
  '/house',
  '/plan/what-if',
  '/germination/sow',
  '/potting',
  '/potting/stock',
  '/potting/feed',
  '/potting/feeds',
  '/potting/mixes?line=1',
  '/potting/things',
  '/potting/house',
  '/books/containers?line=6',
  '/weather/years',
  '/hardening',
  '/hardening/structures',
  '/hardening/programmes?line=1',
  '/hardening/covers?line=5',
  '/hardening/house',
  '/planting',
  '/weather',
  '/weather/readings',
  '/batch/new',
  '/batch/new?all',
  '/batch/17',
  '/batch/17/edit',
  '/batch/20/emergence',
  '/batch/29/seeds',
  '/germination/count',
  '/germination/sheet',
  '/books/lots?line=1',
  '/batch/failures',
  '/books/crops',
  '/books/places',
  '/books/seed',
  '/house/settings',
  '/batch/ledger',
  '/house/people?line=1',
  '/house/help',
  '/house/find?q=bench',
  '/house/seasons',
  '/house/seasons/2',
  '/batch/43',
  '/batch/take-along',
  '/nowhere',
];

/** Presses a key until what it opens is there: the page may hear it a moment after it is drawn. */
async function pressFor(page: Page, key: string, name: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name });
  await expect(async () => {
    if (!(await dialog.isVisible())) await page.keyboard.press(key);
    await expect(dialog).toBeVisible({ timeout: 4_000 });
  }).toPass();
}

const WIDTHS = [360, 390, 820, 1280, 1920];
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
  // One page for all of them: the scripts are read once, as by somebody who goes from page to page.
  let page: Page;
  const errors: string[] = [];
  test.beforeAll(async ({ browser, house }) => {
    page = await (await browser.newContext({ baseURL: house.url })).newPage();
    page.on('pageerror', (error) => errors.push(error.message));
  });
  test.afterAll(async () => page.context().close());
  for (const path of PAGES) {
    test(`on ${path}`, async () => {
      await open(page, path);
      await page.waitForTimeout(300);
      await accessible(page);
      // Nothing scrolls sideways, from the smallest phone to a wide screen.
      for (const width of WIDTHS) {
        await page.setViewportSize({ width, height: 800 });
        // A chart follows the width a moment later.
        await expect
          .poll(() => page.evaluate(() => document.documentElement.scrollWidth), {
            message: `${width} px`,
            timeout: 3_000,
          })
          .toBeLessThanOrEqual(width);
      }
      await page.setViewportSize({ width: 1280, height: 800 });
      expect(errors.splice(0)).toEqual([]);
    });
  }

  for (const [look, device] of [
    ['dim.usual.usual', 'light'],
    ['light.high.largest', 'dark'],
    ['dim.high.usual', 'light'],
    // More contrast and the rest as the device has it, which is dark.
    ['system.high.usual', 'dark'],
  ] as const) {
    test(`in the look ${look} on a ${device} device`, async ({ house }) => {
      await page.emulateMedia({ colorScheme: device });
      await page.context().addCookies([{ name: 'crook-look', value: look, url: house.url }]);
      for (const path of IN_EACH_LOOK) {
        await open(page, path);
        await page.waitForTimeout(200);
        await accessible(page);
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

test('the round in the hand, 390 by 844: nothing cut off, targets large enough, the pad opens in place', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  for (const button of await page.locator('li .btn').all()) {
    const box = await button.boundingBox();
    expect(box!.height).toBeGreaterThanOrEqual(44);
  }
  await page
    .getByRole('button', { name: /^Count / })
    .first()
    .click();
  await expect(page.getByRole('textbox', { name: 'Number up' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'One more' }).first().click();
  await accessible(page);
});

test('pages are readable before script', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ javaScriptEnabled: false, baseURL: baseURL! });
  const page = await context.newPage();
  await page.goto('/');
  await expect(page.getByText('Off the heat: Tomato Ridge Ember C')).toBeVisible();
  await page.goto('/plan/season');
  await expect(page.locator('#season-table tr')).not.toHaveCount(0);
  for (const path of ['/plan/season', '/house', '/plan/what-if', '/batch/17']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  }
  await context.close();
});
