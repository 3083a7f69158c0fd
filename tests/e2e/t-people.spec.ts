import { accessible, expect, follow, open, test } from './page.ts';

const ready = '[data-ready=true]';

test('a device changes hands by one tap; what is logged says by whom, here and on the next page', async ({ page }) => {
  await open(page, '/');
  await accessible(page);
  await page.getByRole('button', { name: 'Hand it to Propagator' }).click();
  await expect(page.getByRole('button', { name: 'Propagator holds this device. Let go' })).toBeVisible();
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; id: number }[];
  const leek = batches.find((b) => b.name === 'Leek Salt Road A')!;
  await open(page, `/batch/${leek.id}`);
  await page.getByRole('button', { name: 'Lose some' }).click();
  await page.getByLabel(/How many of/).fill('3');
  await page.getByLabel('Cause').fill('slugs');
  await page.getByRole('button', { name: 'Log the loss' }).click();
  await expect(page.locator('.kit-said', { hasText: 'Logged' })).toBeVisible();
  const line = page.getByRole('region', { name: 'Log' }).getByRole('listitem').first();
  await expect(line).toContainText('Lost 3, slugs');
  await expect(line).toContainText('by Propagator');
  // Whoever signs on the bench is offered by name.
  await open(page, '/heat/alarms');
  await expect(page.locator('html')).toHaveAttribute('data-person', 'Propagator');
  // On a phone they are in the menu.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'Menu' }).click();
  await expect(page.getByRole('list', { name: 'People of the house' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('list', { name: 'People of the house' })).toBeHidden();
  await page.setViewportSize({ width: 1280, height: 800 });
});

test('a person is added, changed, and retired; deleted only while nothing was written', async ({ page }) => {
  await open(page, '/house/people');
  await page.getByLabel('Name or role').fill('Saturday student');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL(/people$/);
  await expect(page.getByRole('row', { name: /SS/ })).toContainText('Saturday student');
  await page.getByRole('link', { name: 'Saturday student' }).click();
  await page.waitForSelector(ready);
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Yes, delete it' }).click();
  await page.waitForURL(/people$/);
  await expect(page.getByText('Saturday student')).toHaveCount(0);
  await page.getByRole('link', { name: 'Head grower' }).click();
  await page.waitForSelector(ready);
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Yes, delete it' }).click();
  await expect(page.getByRole('alert')).toContainText('Retire it instead');
  await page.getByRole('button', { name: /^Retire/ }).click();
  await page.waitForURL(/people$/);
  await page.getByText('1 retired').click();
  await page.getByRole('link', { name: 'Head grower' }).click();
  await page.waitForSelector(ready);
  await page.getByRole('button', { name: 'Bring back into use' }).click();
  await page.waitForURL(/people$/);
  await expect(page.getByRole('row', { name: /HG/ })).toBeVisible();
});

test('a batch made by mistake is voided with its reason, and brought back', async ({ page }) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as {
    name: string;
    id: number;
    code: string;
  }[];
  const { id, name, code } = batches.at(-1)!;
  await open(page, `/batch/${id}`);
  await page.getByText('Made by mistake?').click();
  await page.getByRole('button', { name: `Void ${code}` }).click();
  await expect(page.getByText('reason: must not be empty')).toBeVisible();
  await page.getByLabel('What was wrong with it').fill('made twice');
  await page.getByRole('button', { name: `Void ${code}` }).click();
  await expect(page.getByText(/as made by mistake: made twice/)).toBeVisible();
  await open(page, '/house/seasons');
  await follow(page, () => page.getByRole('link', { name }).click());
  await accessible(page);
  await page.getByRole('button', { name: `Bring ${code} back` }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
  await expect(page.getByRole('region', { name: 'Log' })).toContainText('Brought back');
});

test('the ledger and failures show one season or all, closed ones as well', async ({ page }) => {
  await open(page, '/batch/ledger');
  await page.getByRole('navigation', { name: 'Season' }).getByRole('link', { name: '2026, closed' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('2026');
  await open(page, '/batch/failures');
  await page.getByRole('navigation', { name: 'Season' }).getByRole('link', { name: '2026, closed' }).click();
  await expect(page.getByRole('link', { name: '2026, closed' })).toHaveAttribute('aria-current', 'true');
});

test('the ledger: found by day, kind and person, corrected where it stands, saved as CSV, quick with ten thousand lines', async ({
  page,
}) => {
  await open(page, '/batch/ledger');
  const table = page.getByRole('region', { name: 'Ledger' });
  await page.getByLabel('What', { exact: true }).selectOption('Lost');
  await expect(table.getByRole('row').nth(1)).toContainText('Lost');
  await page.getByRole('button', { name: 'Number' }).click();
  await expect(table.getByRole('columnheader', { name: 'Number' })).toHaveAttribute('aria-sort', 'ascending');
  const figures = async () => (await table.locator('tbody td:nth-child(6)').allInnerTexts()).map(Number);
  expect(await figures()).toEqual([...(await figures())].sort((a, b) => a - b));
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const text = await (await (await saving).createReadStream()).toArray();
  expect(Buffer.concat(text).toString().split('\r\n')[0]).toBe('Line,Day,Batch,Code,What,Number,Place,Note,By');
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'Code' }).uncheck();
  await page.keyboard.press('Escape');
  await expect(table.getByRole('columnheader', { name: 'Code' })).toHaveCount(0);
  await accessible(page);

  await page
    .getByRole('button', { name: /^Correct line/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Note').fill('counted again');
  await dialog.getByRole('button', { name: 'Save the correction' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Corrected.' })).toBeVisible();
  await expect(table.getByText(/corrects line \d+; .*counted again/)).toBeVisible();

  // Ten thousand lines, with names that are long, run from the right, or are drawn.
  const names = ['N'.repeat(120), 'طماطم كرزية', '🍅 Ridge'];
  await page.route('**/api/batch/ledger?**from=2026-01-01**', (route) =>
    route.fulfill({
      json: {
        count: 10_000,
        lines: Array.from({ length: 10_000 }, (_, i) => ({
          id: i + 1,
          day: 20_000 + (i % 700),
          batchId: 1,
          batch: names[i % 3],
          code: 'K7M',
          kind: 'note',
          correctsId: null,
          count: i,
          place: '',
          note: `line of number ${i}`,
          by: '',
          counts: true,
          isOpen: false,
        })),
      },
    }),
  );
  await open(page, '/batch/ledger');
  await page.getByLabel('From').fill('2026-01-01');
  await page.keyboard.press('Tab');
  await expect(page.getByText('10,000 rows')).toBeVisible();
  expect(await table.getByRole('row').count()).toBeLessThan(300);
  await page.getByLabel('Find in the table').fill('number 9876');
  await expect(page.getByText('1 of 10,000 rows')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});
