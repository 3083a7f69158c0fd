import { accessible, expect, open, test } from './page.ts';

const FILE = new URL('../../node_modules/vega-datasets/data/weather.csv', import.meta.url).pathname;

test('import a file of two cities, choose one and a risk, and see the season’s frost move', async ({ page }) => {
  await open(page, '/weather/years');
  await expect(page.getByRole('img', { name: /Seasons without frost of 3\d years/ })).toBeVisible();
  const figures = page.locator('dl').first();
  const tenth = await figures.innerText();
  await page.getByRole('button', { name: 'Risk of 50 years in 100' }).click();
  await expect(figures).not.toHaveText(tenth);
  await page.getByText('The same as a table').click();
  await expect(page.getByRole('region', { name: 'Frost year by year', exact: true }).locator('tbody tr')).toHaveCount(
    31,
  );
  await accessible(page);

  await page.getByLabel('File', { exact: true }).setInputFiles(FILE);
  await expect(page.getByLabel('Lowest of the day')).toHaveValue('temp_min');
  await page.getByRole('button', { name: 'Look what is in it' }).click();
  await expect(page.getByText(/It tells of 2 places/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await page.getByLabel('Which place').selectOption('Seattle');
  await page.getByRole('button', { name: 'Look what is in it' }).click();
  await expect(page.getByText(/1,461 days from 1 Jan 2012 to 31 Dec 2015/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/Kept: .*replaced/)).toBeVisible();
  await page.getByRole('button', { name: 'Take out weather.csv' }).click();
  await expect(page.getByRole('status')).toContainText('weather.csv is taken out');

  await page.getByRole('button', { name: 'Risk of 5 years in 100' }).click();
  await page.getByRole('button', { name: 'Let the season go by this' }).click();
  const said = page.getByRole('status');
  await expect(said).toContainText(/Kept: last frost \d+ \w+/);
  const last = /last frost (\d+ \w+)/.exec(await said.innerText())![1]!;
  await expect(figures).toContainText(`${last} –`);
  await expect(page.getByRole('button', { name: 'The season goes by this' })).toBeDisabled();
});
