import type { Page } from '@playwright/test';
import { answers, expect, open, test } from './page.ts';

/** The journey by keys alone: whatever a pointer does can be done by tab, arrows, space and enter. */

const MOST_TABS = 250;

/** What the focus is on: its role or element, and what it is called. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLElement | null;
    if (!at || at === document.body) return '';
    const named = at.getAttribute('aria-label') ?? (at as HTMLInputElement).labels?.[0]?.textContent ?? at.innerText;
    return `${at.getAttribute('role') ?? at.tagName.toLowerCase()} ${(named ?? '').trim()}`;
  });

/** Goes on by tab until the focus is on what is called so; it must be seen where it is. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < MOST_TABS; i++) {
    await page.keyboard.press('Tab');
    if (!name.test(await focused(page))) continue;
    const outline = await page.evaluate(() => {
      const style = getComputedStyle(document.activeElement!);
      return style.outlineStyle !== 'none' || style.boxShadow !== 'none' || style.borderStyle !== 'none';
    });
    expect(outline, `the focus on ${name.source} is seen`).toBe(true);
    return;
  }
  throw new Error(`no tab leads to ${name.source}; the last was ${await focused(page)}`);
}

/** Goes to another page by the search. */
async function goTo(page: Page, words: string, url: RegExp): Promise<void> {
  await expect(async () => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog', { name: 'Search' })).toBeVisible({ timeout: 3_000 });
  }).toPass();
  await page.keyboard.type(words);
  await expect(page.getByRole('option').first()).toBeVisible();
  await Promise.all([page.waitForURL(url), page.keyboard.press('Enter')]);
  await page.waitForLoadState('load');
  await answers(page);
}

test('the journey of a batch by keys alone', async ({ page }) => {
  test.setTimeout(150_000);
  await open(page, '/');
  await page.keyboard.press('Tab');
  expect(await focused(page)).toBe('a To the page');
  await page.keyboard.press('Enter');
  expect(await focused(page)).toMatch(/^main/);

  // The round: a job logged, and undone.
  await tabTo(page, /^button Sown: Chard Lamp Post A/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('Chard Lamp Post A: sown');
  await tabTo(page, /^button Undo/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('undone');

  // A batch in a line.
  await goTo(page, 'new batch', /\/batch\/new/);
  await tabTo(page, /^(textarea|input|textbox) .*(line|batch)/i);
  await page.keyboard.type('60 parsley 24 June');
  await expect(page.getByRole('button', { name: 'Make it' })).toBeEnabled();
  await tabTo(page, /^button Make /);
  await Promise.all([page.waitForURL(/\/batch\/\d+$/), page.keyboard.press('Enter')]);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Parsley');

  // The season: a batch chosen, its day moved, kept.
  await goTo(page, 'season', /\/plan\/season/);
  await tabTo(page, /^select Batch/);
  await page.keyboard.type('Cosmos Pale Barn A');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Chosen batch' })).toContainText('Cosmos Pale Barn A');
  await tabTo(page, /^slider Transplant date of Cosmos/);
  await page.keyboard.press('PageUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('Cosmos Pale Barn A goes out');

  // A count on its pad.
  await goTo(page, 'count seedlings', /\/germination\/count/);
  await tabTo(page, /^a Count /);
  await Promise.all([page.waitForEvent('load'), page.keyboard.press('Enter')]);
  await answers(page);
  await tabTo(page, /^(input|textbox|spinbutton) Number up of/);
  const up = Number(await page.evaluate(() => (document.activeElement as HTMLInputElement).value)) + 1;
  await page.keyboard.press('Control+a');
  await page.keyboard.type(String(up));
  await tabTo(page, /^button Save: /);
  await page.keyboard.press('Enter');
  await expect(page.getByText(`${up} up`).first()).toBeVisible();

  // A ladder held for a day, and let go.
  await goTo(page, 'harden', /\/hardening/);
  await tabTo(page, /^slider Onion Quarry Brown A/);
  const ladder = page.getByRole('slider', { name: /^Onion Quarry Brown A/ });
  await page.keyboard.press('ArrowRight');
  await expect(ladder).toHaveAttribute('aria-valuetext', /held until/);
  await page.keyboard.press('Escape');
  await expect(ladder).not.toHaveAttribute('aria-valuetext', /held until/);

  // What is ready planned as a session.
  await goTo(page, 'pot', /\/potting/);
  await tabTo(page, /^input .*Pot /);
  await page.keyboard.press('Space');
  await tabTo(page, /^button Plan a session/);
  await Promise.all([page.waitForURL(/\/potting\/sessions\/\d+/), page.keyboard.press('Enter')]);
  await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible();
});
