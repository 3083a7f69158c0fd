import type { App } from '../support/app.ts';
import { accessible, answers, expect, open, test } from './page.ts';

test.use({ starts: { flags: ['--empty'], more: {} } });
let app: App;
test.beforeAll(({ house }) => {
  app = house;
});

/** Fields, boxes and buttons a new grower touches before the first batch stands with its whole chain. */
const MOST_INPUTS = 12;
const MOST_ms = 3 * 60_000;

test('what is missing or strange is said where it is, and what was chosen is still there', async ({ page }) => {
  await open(page, app.url);
  await expect(page).toHaveURL(/\/house\/begin$/);
  await page.getByRole('radio', { name: /^One heated bench/ }).check();
  await page.getByRole('button', { name: 'Begin the season' }).click();
  await expect(page.getByRole('alert')).toContainText('Not yet');
  await expect(page.getByText('Choose a town from the list, or type the coordinates.')).toBeVisible();

  const town = page.getByRole('combobox', { name: 'Town' });
  await town.fill('Qqqzzz');
  await expect(page.getByText('No such town in the list')).toBeVisible();
  // One of many towns of the name: told apart by their region and country.
  await town.fill('Springfield');
  await expect(page.getByRole('option').nth(8)).toBeVisible();
  const options = await page.getByRole('option').allInnerTexts();
  expect(new Set(options).size).toBe(options.length);
  await town.fill('Springfield, mo');
  await page.getByRole('option', { name: /MO, United States/ }).click();
  await expect(page.getByText('°F, inches, USD')).toBeVisible();
  await page.getByLabel('Heated bench, trays').fill('many');
  await page.getByRole('button', { name: 'Begin the season' }).click();
  await expect(page.getByText('Each of them wants a number of trays')).toBeVisible();

  await page.reload();
  await answers(page);
  await expect(page.getByRole('combobox', { name: 'Town' })).toHaveValue('Springfield');
  await expect(page.getByRole('radio', { name: /^One heated bench/ })).toBeChecked();
  await expect(page.getByLabel('Heated bench, trays')).toHaveValue('many');
  await accessible(page);
});

test('from nothing to a first batch with its whole chain, in few steps', async ({ page }) => {
  const from = Date.now();
  let inputs = 0;
  const step = async (work: Promise<unknown>): Promise<void> => {
    inputs++;
    await work;
  };
  await open(page, app.url);
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await answers(page);
  await step(page.getByRole('combobox', { name: 'Town' }).fill('Dunedin, new z'));
  await step(page.getByRole('option', { name: /Dunedin/ }).click());
  await step(page.getByRole('checkbox', { name: /sea/ }).check());
  await step(page.getByRole('radio', { name: /^Chamber and two benches/ }).check());
  await expect(page.getByText('A southern season')).toBeVisible();
  await step(page.getByRole('button', { name: 'Begin the season' }).click());
  await page.waitForURL('**/plan/season**');
  await answers(page);

  const { today } = (await (await page.request.get('/api/house/clock')).json()) as { today: string };
  const out = new Date(Date.parse(today) + 150 * 86_400_000);
  const month = out.toLocaleDateString('en-GB', { month: 'long', timeZone: 'UTC' });
  await step(page.getByLabel('A batch in a line').fill(`60 broccoli ${out.getUTCDate()} ${month}`));
  const make = page.getByRole('button', { name: 'Make it' });
  await expect(make).toBeEnabled();
  await accessible(page);
  await step(make.click());
  await page.waitForURL(/\/batch\/\d+$/);
  for (const name of ['Sow', 'Half up', 'Off the heat', 'Start hardening', 'Plant out'])
    await expect(page.getByText(name, { exact: true }).first()).toBeVisible();
  const took_ms = Date.now() - from;
  test.info().annotations.push({ type: 'first hour', description: `${inputs} inputs, ${took_ms} ms` });
  expect(inputs).toBeLessThanOrEqual(MOST_INPUTS);
  expect(took_ms).toBeLessThan(MOST_ms);
});

test('it begins once: the settings are what was answered, and a second beginning is refused', async ({ page }) => {
  const nursery = (await (await page.request.get(`${app.url}/api/house/nursery`)).json()) as Record<string, unknown>;
  expect(nursery).toMatchObject({
    name: 'Dunedin nursery',
    timeZone: 'Pacific/Auckland',
    temperatureUnit: 'C',
    currency: 'NZD',
    outsideBy: 'guess',
    byTheSea: true,
    frost: { risk_frac: 0.1, by: 'guess' },
  });
  await open(page, `${app.url}/house/begin`);
  await expect(page).toHaveURL(`${app.url}/`);
  const again = await page.request.post(`${app.url}/api/house/begin`, {
    headers: { origin: app.url },
    data: {
      placeName: 'X',
      latitude_deg: 1,
      longitude_deg: 1,
      timeZone: 'UTC',
      height_m: 1,
      byTheSea: false,
      temperatureUnit: 'C',
      lengthUnit: 'cm',
      currency: 'EUR',
      firstWeekday: 1,
      house: 'empty',
      places: [],
      containerIds: [1],
      risk_frac: 0.1,
    },
  });
  expect(again.status()).toBe(409);
});

test('a list is pasted: what is not understood is marked, parts are changed by a tap, all are made at once', async ({
  page,
}) => {
  await open(page, `${app.url}/batch/new`);
  const box = page.getByLabel('A batch in a line');
  await box.fill('80 leeks 1 May 2019\n40 courgette wobbly 1 May');
  await expect(page.getByText('That day is past.')).toBeVisible();
  await expect(page.getByText('Not understood: “wobbly”')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Make/ })).toBeDisabled();
  await page.reload();
  await answers(page);
  await expect(box).toHaveValue('80 leeks 1 May 2019\n40 courgette wobbly 1 May');

  const { today } = (await (await page.request.get('/api/house/clock')).json()) as { today: string };
  const out = new Date(Date.parse(today) + 160 * 86_400_000).toISOString().slice(0, 10);
  await box.fill(`80 leeks\n2 x 40 kale every 3 weeks from ${out}`);
  await page.getByRole('button', { name: 'Day: when?; change' }).click();
  await page.getByRole('dialog').getByLabel('Day').fill(out);
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(box).toHaveValue(`80 leeks ${out}\n2 x 40 kale every 3 weeks from ${out}`);
  await expect(page.getByRole('button', { name: 'Make 3 batches' })).toBeEnabled();
  await page.getByRole('button', { name: 'Make 3 batches' }).click();
  await page.waitForURL('**/plan/season');
  const { initial } = (await (await page.request.get('/api/plan/season')).json()) as { initial: unknown[] };
  expect(initial).toHaveLength(4);
});
