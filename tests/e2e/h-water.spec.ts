import { accessible, expect, open, test } from './page.ts';

const COOL_BAY = 5;
const card = (id: number) => `[data-water="${id}"]`;

test('a hot day: trays of small cells are watered with one tap, and asked for again before noon', async ({ page }) => {
  await open(page, '/');
  const water = page.locator(card(COOL_BAY));
  await expect(water.getByText(/before tonight/)).toBeVisible();
  await expect(water.getByText(/^again by 1\d:00$/).first()).toBeVisible();
  await accessible(page);
  await water.getByRole('button', { name: /^All that wants water at Cool bay/ }).click();
  await expect(page.getByText(/\d+ batches watered, Cool bay\./).first()).toBeVisible();
  await expect(water.getByText('nothing before tonight')).toBeVisible();
  // Undone, it is asked for as before.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(water.getByText(/before tonight/).first()).toBeVisible();
  await expect(water.getByRole('button', { name: /^All that wants water at Cool bay/ })).toBeVisible();
});

test('what one finds by lifting a tray is one tap; the figures behind stand open', async ({ page }) => {
  await open(page, `/watering?place=${COOL_BAY}`);
  const water = page.locator(card(COOL_BAY));
  const tray = water.locator('[data-tray]').first();
  await tray.getByRole('button', { name: /^Water of/ }).click();
  await tray.getByText('Figures').click();
  await expect(tray.getByText(/A tray holds .* between watered and wilting/)).toBeVisible();
  await expect(tray.getByText(/dries [\d.]+ times as fast as worked out/)).toBeVisible();
  await accessible(page);
  const said = page.waitForResponse((response) => response.url().includes('/api/watering/lines'));
  await tray.getByRole('button', { name: 'Dry', exact: true }).click();
  expect((await said).status()).toBe(201);
  await expect(page.getByText(/found dry/).first()).toBeVisible();
});

test('watered at another hour is typed; a time that is none, or still to come, is refused at its field', async ({
  page,
}) => {
  await open(page, `/watering?place=${COOL_BAY}`);
  const tray = page.locator(card(COOL_BAY)).locator('[data-tray]').first();
  await tray.getByRole('button', { name: /^Water of/ }).click();
  await tray.getByRole('button', { name: 'Watered earlier' }).click();
  const time = tray.getByLabel('Watered at');
  for (const [typed, said] of [
    ['half past', /time of today: type a whole number/i],
    ['23:30', /still to come today/],
  ] as const) {
    await time.fill(typed);
    await tray.locator('form').getByRole('button', { name: 'Watered' }).click();
    await expect(tray.getByText(said)).toBeVisible();
  }
  await time.fill('7:15');
  await tray.locator('form').getByRole('button', { name: 'Watered' }).click();
  await expect(page.getByText(/today 7:15/).first()).toBeVisible();
});

test('a wet evening: watered late a surface is called wet at dark, and why', async ({ page }) => {
  await open(page, `/watering?place=${COOL_BAY}`);
  // One of the demo is watered every afternoon.
  const wet = page.getByText(/^Wet at dusk \d evenings running$/).first();
  await expect(page.getByText(/None today, still wet/)).toBeVisible();
  await page.getByText(/None today, still wet/).click();
  await expect(wet).toBeVisible();
  await expect(page.getByText(/Watered in the afternoon: water before ten\./).first()).toBeVisible();
});

test('three days away: which trays do not last, and a tank in days', async ({ page }) => {
  await open(page, '/watering/plan');
  await expect(page.getByRole('button', { name: '3', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/\d+ of \d+ batches do not last/)).toBeVisible();
  await expect(page.locator('[data-away="wants"]').first()).toContainText(/watering/);
  await page.getByLabel(/Tank or butt holds/).fill('1000');
  await expect(page.getByRole('columnheader', { name: 'Tank lasts' })).toBeVisible();
  await expect(page.getByText('Electricity and water', { exact: false }).first()).toBeVisible();
  await accessible(page);
});

test('air read by hand stands on the page of its place; half of it is refused at its field', async ({ page }) => {
  await open(page, '/watering?place=6');
  await page.getByLabel('Air, °C').fill('18');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByText('Humidity, %: type a figure')).toBeVisible();
  await page.getByLabel('Humidity, %').fill('65');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  await expect(page.getByText(/18°C, 65%/)).toBeVisible();
});

test.describe('without a network', () => {
  test.use({ viewport: { width: 390, height: 844 } });
  test('water given waits on the device and goes out', async ({ page, context }) => {
    await open(page, `/watering?place=${COOL_BAY}`);
    const water = page.locator(card(COOL_BAY));
    await context.setOffline(true);
    await water.getByRole('button', { name: /^All that wants water/ }).click();
    await expect(page.getByText(/kept on this device/).first()).toBeVisible();
    const sent = page.waitForResponse((response) => /\/api\/(watering\/lines|house\/entries)/.test(response.url()));
    await context.setOffline(false);
    expect((await sent).ok()).toBe(true);
  });
});
