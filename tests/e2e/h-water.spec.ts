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
  // Two stay: each place is one's, and each line says whose.
  await page.getByRole('button', { name: 'Propagator stays' }).click();
  await page.getByRole('button', { name: 'Head grower stays' }).click();
  const whose = page.getByRole('list', { name: 'Who waters what' }).getByRole('listitem');
  await expect(whose).toHaveCount(2);
  await expect(whose.filter({ hasText: /Head grower: .* in all/ })).toHaveCount(1);
  await expect(page.locator('[data-away="wants"]').first()).toContainText(/, (HG|P)$/);
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

  test('what a browser clears to make room is put back from the second copy, told, and sent once', async ({
    page,
    context,
    house,
  }) => {
    await open(page, `/watering?place=${COOL_BAY}`);
    const tray = page.locator(card(COOL_BAY)).locator('[data-tray]').first();
    await tray.getByRole('button', { name: /^Water of/ }).click();
    await context.setOffline(true);
    await tray.getByRole('button', { name: 'Moist', exact: true }).click();
    await expect(page.getByText(/kept on this device/).first()).toBeVisible();
    // Nothing of the page holds the database open while it is cleared.
    await page.goto('about:blank');
    const devtools = await context.newCDPSession(page);
    await devtools.send('Storage.clearDataForOrigin', {
      origin: new URL(house.url).origin,
      storageTypes: 'indexeddb',
    });
    await context.setOffline(false);
    const sent = page.waitForResponse((response) => /\/api\/(watering\/lines|house\/entries)/.test(response.url()));
    await open(page, '/');
    await expect(page.getByText('This browser cleared what was kept here to make room.')).toBeVisible();
    await expect(page.getByText('1 line put back from the second copy.')).toBeVisible();
    expect((await sent).ok()).toBe(true);
    await page.getByRole('button', { name: 'Seen' }).click();
    await open(page, '/');
    await expect(page.getByText('This browser cleared')).toHaveCount(0);
  });
});

test('with little time water is one of the jobs: what is left of it is told with what that costs', async ({ page }) => {
  await open(page, '/');
  const cards = page.locator('[data-water]');
  const all = await cards.count();
  await page.getByRole('button', { name: '45 min' }).click();
  await page.getByText(/^Chosen: \d+ min/).click();
  await page.getByLabel('Minutes there are').fill('8');
  await expect(page.getByText(/^Water, /).first()).toContainText(/plants? at risk; trays go dry|costs/);
  expect(await cards.count()).toBeLessThan(all);
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await expect(cards).toHaveCount(all);
});

test('a scale is written down; a wrong name is refused at its field', async ({ page }) => {
  await open(page, '/watering/scales');
  await expect(page.getByText('Scale at the door')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Under the peppers');
  await page.getByLabel('Name on MQTT').fill('Scale 2');
  await page.getByRole('button', { name: 'Add the scale' }).click();
  await expect(page.getByText(/small letters, figures and hyphens, at most 40/)).toBeVisible();
  await page.getByLabel('Name on MQTT').fill('scale-2');
  await page.getByRole('button', { name: 'Add the scale' }).click();
  await expect(page.getByRole('link', { name: 'Under the peppers' })).toBeVisible();
  await expect(page.getByText('not heard yet').first()).toBeVisible();
  await accessible(page);
});

test('feed due with the water stands on the feed sheet, with the can filled for it', async ({ page }) => {
  await open(page, '/potting/feed');
  const due = page.getByText(/^\d+ batch(es are| is) due for feed: /);
  await expect(due).toBeVisible();
  const litres = Number(/: ([\d.]+) L/.exec((await due.textContent())!)![1]);
  const can = page.getByLabel('The can holds, L');
  await can.fill('10');
  await page.getByRole('button', { name: 'Fill the can for them' }).click();
  expect(Math.abs(Number(await can.inputValue()) - litres)).toBeLessThan(1);
  await expect(page.getByText(/taken from the stock when they are marked as watered/)).toBeVisible();
});
