import { accessible, expect, follow, open, test } from './page.ts';

test.use({ viewport: { width: 820, height: 1180 } });

const clean = async (page: import('@playwright/test').Page) => {
  await accessible(page);
};

test('a potting session from the sign to the stock, on a tablet', async ({ page }) => {
  await open(page, '/potting');
  const soon = page
    .getByRole('region', { name: 'Within a week' })
    .getByRole('listitem')
    .filter({ hasText: 'Scabious' });
  await soon.getByRole('button', { name: /^Leaves/ }).click();
  await soon.getByRole('button', { name: /^4 true leaves/ }).click();
  await expect(page.getByRole('status')).toContainText(/Scabious.*4 true leaves/);
  const now = page
    .getByRole('region', { name: 'Ready', exact: true })
    .getByRole('listitem')
    .filter({ hasText: 'Scabious' });
  await expect(now).toContainText('4 true leaves counted today');
  await clean(page);
  await now.getByRole('checkbox', { name: /Pot Scabious/ }).check();
  await page.getByRole('checkbox', { name: /Pot Pepper Long Oxbow B/ }).check();
  await follow(page, () => page.getByRole('button', { name: 'Plan a session' }).click());
  await page.waitForURL(/\/potting\/sessions\/\d+/);

  const order = page.getByRole('region', { name: 'Order of work' });
  const line = order.getByRole('listitem').filter({ hasText: 'Scabious' });
  await expect(line).toContainText(/\d+ min · \d+ trays?/);
  const minutes = page.locator('dl').first();
  const before = await minutes.innerText();
  await line.getByRole('textbox', { name: 'Plants' }).fill('50');
  await expect(line).toContainText(/2 trays, 15 in the last/);
  await expect(minutes).not.toHaveText(before);
  // A base deeper than the pot is said where it is typed, and what was typed stays.
  await line.getByRole('textbox', { name: 'Base, cm' }).fill('20');
  await expect(line.getByRole('alert')).toContainText(/20 cm deep does not go into 7 cm pot/);
  await expect(line.getByRole('textbox', { name: 'Base, cm' })).toHaveValue('20');
  await line.getByRole('textbox', { name: 'Base, cm' }).fill('2');
  await expect(line.getByRole('alert')).toHaveCount(0);
  await expect(line).toContainText(/of base in 2 cm/);
  await page.getByRole('textbox', { name: 'One more pair of hands' }).fill('late shift');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('late shift')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Set out first' })).toContainText('7 cm pot');
  await expect(page.getByRole('region', { name: 'Room' })).toContainText('most, once spaced');
  await clean(page);

  await page.getByRole('button', { name: 'Do it' }).click();
  await order.getByRole('button', { name: /^Start Scabious/ }).click();
  await expect(line.getByRole('timer')).toContainText(/\d+ s/);
  await order.getByRole('button', { name: /^Pause Scabious/ }).click();
  await order.getByRole('button', { name: /^Start Scabious/ }).click();
  await order.getByRole('button', { name: /^Done: Scabious/ }).click();
  const pad = page.getByRole('group', { name: /What Scabious/ });
  await pad.getByRole('button', { name: 'weak +1' }).click();
  await pad.getByRole('button', { name: 'weak +1' }).click();
  await pad.getByRole('button', { name: 'Potted −1', exact: true }).click();
  await pad.getByRole('textbox', { name: 'Minutes, 2 together' }).fill('5');
  await clean(page);
  await pad.getByRole('button', { name: 'Write it' }).dblclick();
  await expect(line).toContainText(/49 potted, 2 weak, \d+ left over, 5 min/);
  await expect(line).toContainText(/Rest until 15 Apr: no hardening, no full sun, no feed/);
  await line.getByRole('button', { name: 'Correct' }).click();
  await pad.getByRole('button', { name: 'Potted +1', exact: true }).click();
  await pad.getByRole('button', { name: 'Write the correction' }).click();
  await expect(line).toContainText(/50 potted, 2 weak.*corrected/);
  await page.getByRole('button', { name: /^Close the session, 1 batch not done/ }).click();
  await expect(page.getByRole('button', { name: 'Open it again' })).toBeVisible();

  await open(page, '/');
  await expect(page.getByRole('button', { name: /Water in: Scabious/ })).toBeVisible();
  await open(page, '/potting/house');
  await expect(page.getByRole('row', { name: /7 cm pot scabious/ })).toBeVisible();
  await clean(page);
});

test('stock: a session took from it, a count puts it right, below nothing is said', async ({ page }) => {
  await open(page, '/potting/stock');
  const row = page.getByRole('row', { name: /^7 cm pots/ });
  await expect(row).toContainText('850');
  await row.getByRole('button', { name: 'Count or add 7 cm pots' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'That is what there is' }).click();
  await expect(dialog.getByText('Type how much.')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Pieces' }).fill('812');
  await dialog.getByRole('button', { name: 'That is what there is' }).click();
  await expect(row).toContainText('812');
  const labels = page.getByRole('row', { name: /^Tray labels/ });
  await labels.getByRole('button', { name: /Count or add/ }).click();
  await dialog.getByRole('textbox', { name: 'Pieces' }).fill('9999');
  await dialog.getByRole('button', { name: 'Used' }).click();
  await expect(labels).toContainText('below nothing: count it');
  await clean(page);
});

test('feed: half the label rate for a can and for an injector’s tank; 0 is refused', async ({ page }) => {
  await open(page, '/potting/feed');
  await page.getByRole('textbox', { name: 'The can holds, L' }).fill('10');
  await expect(page.getByText('5 g', { exact: true })).toBeVisible();
  await expect(page.getByText('100 ppm N')).toBeVisible();
  const injector = page.getByRole('textbox', { name: 'Injector: parts of water for one of stock' });
  await injector.fill('100');
  await expect(page.getByText('500 g', { exact: true })).toBeVisible();
  await injector.fill('0');
  await expect(page.getByRole('alert')).toContainText('parts of water for one of stock is 0');
  await injector.fill('');
  await page.getByRole('textbox', { name: 'For so much nitrogen, ppm' }).fill('150');
  await expect(page.getByText(/0\.75 g to a litre, 75% of the label rate/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Not yet' })).toContainText(/Scabious.*rests until 15 Apr/);
  await clean(page);
});
