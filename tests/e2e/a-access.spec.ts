import type { Page } from '@playwright/test';
import { PAGES } from './pages.ts';
import { accessible, COLOURS, expect, open, test } from './page.ts';

const WIDTHS = [360, 390, 820, 1280, 1920];

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
      // In the dark as well: the same page with its other colours.
      await page.evaluate(() => (document.documentElement.dataset['theme'] = 'dim'));
      await accessible(page, COLOURS);
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
});

test('the round in the hand, 390 by 844: nothing cut off, targets large enough, the pad opens in place', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  for (const button of await page.locator('li .btn:visible').all()) {
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
