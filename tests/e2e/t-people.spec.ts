import { accessible, expect, open, test } from './page.ts';

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
  await expect(page.getByRole('status').filter({ hasText: 'Logged.' })).toBeVisible();
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
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: `Void ${code}` }).click()]);
  await expect(page.getByText(/as made by mistake: made twice/)).toBeVisible();
  await open(page, '/house/seasons');
  await page.getByRole('link', { name }).click();
  await page.waitForFunction(() => !document.querySelector('astro-island[ssr]'));
  await accessible(page);
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: `Bring ${code} back` }).click()]);
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
