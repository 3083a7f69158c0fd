import type { App } from '../support/app.ts';
import { expect, open, test } from './page.ts';

test.use({ starts: { flags: ['--empty'], more: {} } });
let app: App;
test.beforeAll(({ house }) => {
  app = house;
});

test('a new nursery: settings, places, a first batch, its sowing on the round', async ({ page }) => {
  const at = (path: string) => open(page, app.url + path);
  await at('/');
  // Whoever writes the places down by hand begins with an empty house.
  // On a mild island plants may go out at any time of the year this is run in.
  await page.getByRole('combobox', { name: 'Town' }).fill('Funchal');
  await page.getByRole('option', { name: /^Funchal / }).click();
  await page.getByRole('checkbox', { name: /sea/ }).check();
  await page.getByRole('radio', { name: /^Empty/ }).check();
  await page.getByRole('button', { name: 'Begin the season' }).click();
  await page.waitForURL('**/books/places');
  await at('/');
  await expect(page.getByRole('heading', { name: 'A new nursery' })).toBeVisible();

  await at('/house/settings');
  await page.getByLabel('Name of the nursery').fill('Lower Ings');
  await page.getByLabel('Temperatures in').selectOption('F');
  await page.getByLabel('Mean last frost').fill('31 May');
  await page.getByRole('button', { name: 'Save the settings' }).click();
  await expect(page.getByText('a month and day such as 05-12').first()).toBeVisible();
  await expect(page.getByLabel('Name of the nursery')).toHaveValue('Lower Ings');
  await page.getByLabel('Mean last frost').fill('05-31');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Save the settings' }).click()]);

  const places: [string, string, boolean, string, string][] = [
    ['Box', 'dark chamber', false, '79', '79'],
    ['Bench', 'bench', true, '72', '64'],
    ['House', 'house or bay', true, '70', '60'],
    ['Frame', 'frame', true, '62', '50'],
  ];
  for (const [name, kind, lit, day, night] of places) {
    await at('/books/places?new=1');
    await page.getByLabel('Name').fill(name);
    await page.getByLabel('Kind').selectOption({ label: kind });
    await page.getByLabel('Has light').setChecked(lit);
    await page.getByLabel('Room, standard trays').fill('20');
    await page.getByLabel('Period 1, day').fill(day);
    await page.getByLabel('Period 1, night').fill(night);
    await page.getByRole('button', { name: 'Add the place' }).click();
    await page.waitForURL(/place=\d+/);
  }
  await expect(page.locator('main')).toContainText('64–72°F');

  await at('/batch/new?all');
  await page.getByRole('combobox', { name: 'Crop' }).fill('lettuce');
  await page.keyboard.press('Enter');
  await page.getByLabel('Plants wanted').fill('60');
  const today = ((await (await page.request.get(`${app.url}/api/house/clock`)).json()) as { today: string }).today;
  const soon = new Date(Date.parse(today) + 20 * 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('Transplant date').fill(soon);
  await page.getByRole('button', { name: 'Choose the places myself' }).click();
  await page.getByRole('button', { name: /Earliest: out/ }).click();
  // A day before that it has to be sown today.
  const earliest_ms = Date.parse(`${await page.getByLabel('Transplant date').inputValue()} UTC`);
  expect(earliest_ms).toBeGreaterThan(Date.parse(soon));
  const before = new Date(earliest_ms - 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel('Transplant date').fill(before);
  await page.getByRole('button', { name: 'Make this batch' }).click();
  await page.waitForURL(/\/batch\/\d+$/);

  await at('/');
  await page.getByRole('button', { name: 'Sown: Lettuce A' }).click();
  await expect(page.getByRole('status')).toContainText('Lettuce A: sown');
  await at('/batch/ledger');
  await expect(page.locator('tbody tr')).toHaveCount(1);
  await at('/plan/season');
  await expect(page.getByRole('complementary', { name: 'Beside the season' })).toContainText('No clashes');
  await page.getByRole('button', { name: 'Try it in 500 springs' }).click();
  await expect(page.getByRole('region', { name: 'Room in other springs' })).toContainText(
    'Everything keeps its room in 500 springs',
  );
});

test('the database goes away while someone works: what was typed stays, the page comes back', async ({
  page,
  complaints,
}) => {
  await open(page, `${app.url}/batch/1/edit`);
  await page.getByLabel('Plants wanted').fill('77');
  await page.route('**/api/batch/1', (route) =>
    route.fulfill({
      status: 503,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        type: 'about:blank',
        title: 'The database is away',
        status: 503,
        detail: 'Nothing was lost. Try again in a moment.',
      }),
    }),
  );
  await page.getByRole('button', { name: 'Save the change' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was lost');
  await expect(page.getByLabel('Plants wanted')).toHaveValue('77');
  await page.unroute('**/api/batch/1');
  await page.getByRole('button', { name: 'Save the change' }).click();
  await page.waitForURL(/\/batch\/1$/);
  await expect(page.locator('dd').first()).toContainText(/\d/);
  complaints.length = 0;
});
