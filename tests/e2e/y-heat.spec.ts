import AxeBuilder from '@axe-core/playwright';
import { accessible, answers, expect, follow, open, test } from './page.ts';

/** Lets the demo's clock run a while at a minute a second, then stops it. */
async function runClock(page: import('@playwright/test').Page, running: boolean, rate = 60): Promise<void> {
  await page.evaluate(
    async ([on, speed]) => {
      await fetch('/api/house/clock', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ running: on, rate: speed }),
      });
    },
    [running, rate] as const,
  );
}

test('heat: every zone at a glance, the bench in section, readings over time by keys and as a table', async ({
  page,
}) => {
  await open(page, '/heat');
  await page
    .getByRole('navigation', { name: 'Heated zones' })
    .getByRole('link', { name: /Bench 1/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Bench 1', level: 1 })).toBeVisible();
  await answers(page);
  await expect(page.getByRole('img', { name: /Bench 1 in section: .*medium 5 cm \d+\.\d°/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'If the power goes now' })).toContainText(/\d+ h/);
  const trace = page.getByRole('application', { name: /Readings/ });
  await expect(trace.locator('path').first()).toBeAttached();
  await page.getByRole('button', { name: 'season', exact: true }).click();
  await trace.focus();
  await page.keyboard.press('+');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: 'Later' })).toBeEnabled();
  await page.getByText('The same as a table').click();
  await expect(page.getByRole('region', { name: 'Readings over time' }).locator('tbody tr')).toHaveCount(12);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
});

test('a set-point by hand is priced, given, logged, and the plan comes back', async ({ page }) => {
  await open(page, '/heat?zone=4');
  const part = page.getByRole('region', { name: 'Set-point' });
  const plan = /The plan gives (\d+\.\d)°C/.exec(await part.innerText())![1]!;
  const lower = (Number(plan) - 2).toFixed(1);
  for (let i = 0; i < 4; i++) await part.getByRole('button', { name: 'Cooler' }).click();
  await expect(part).toContainText(/−\d+% heat; it can hold that now/);
  await part.getByRole('textbox', { name: 'Who' }).fill('early shift');
  await part.getByRole('textbox', { name: 'Why' }).fill('slow them down');
  await part.getByRole('button', { name: `Set it to ${lower}°C` }).click();
  await expect(part).toContainText(`${lower}°C by early shift: slow them down`);
  await part.getByRole('button', { name: 'Back to the plan now' }).click();
  await expect(part).toContainText(`The plan gives ${plan}°C`);
  await part.getByText('Who changed it and why').click();
  await expect(part.locator('details li').filter({ hasText: 'early shift: slow them down' }).first()).toBeVisible();
});

test('a thermometer read by hand is kept with its reader, set beside the sensor, and withdrawn', async ({ page }) => {
  await open(page, '/heat?zone=4');
  await answers(page);
  const part = page.getByRole('region', { name: 'Read by hand' });
  const keep = part.getByRole('button', { name: 'Keep the reading' });
  await part.getByLabel('Who').fill('early shift');
  // Nothing typed: it says what it wants.
  await keep.click();
  await expect(part.locator('.err, [role=alert]').first()).toBeVisible();
  await part.getByLabel('Medium, °C').fill('warm');
  await keep.click();
  await expect(part.locator('.err').first()).toBeVisible();
  await expect(part.getByLabel('Medium, °C')).toHaveValue('warm');
  await part.getByLabel('Medium, °C').fill('11,5');
  await part.getByLabel('Read', { exact: true }).selectOption('30');
  await keep.click();
  await expect(part.getByRole('listitem').first()).toContainText(/medium 11\.5.*early shift/);
  await expect(part).toContainText(/The thermometer is \d+\.\d °C below what the sensor says now/);
  await part.getByRole('button', { name: /Withdraw the reading/ }).click();
  await expect(part).toContainText('Withdrawn.');
  await expect(part.getByRole('listitem')).toHaveCount(0);
});

test('pull the sensor of a bench: the alarm comes, says why, is taken, and hours to harm stay in sight', async ({
  page,
}) => {
  await open(page, '/heat?zone=3');
  try {
    await runClock(page, true);
    await page.getByText('Break something (demo)').click();
    await page.waitForTimeout(3000);
    await page.getByRole('checkbox', { name: 'Pull the sensor' }).check();
    const alarm = page.getByRole('article', { name: 'Sensor out of its cell, Bench 1' });
    await expect(alarm).toBeVisible({ timeout: 40_000 });
    await expect(alarm).toContainText('What says so: reads');
    await expect(page.getByText(/The heater runs at most \d+% of the time/)).toBeVisible({ timeout: 15_000 });
    await expect(page.getByRole('region', { name: 'If the power goes now' })).toContainText(/\d+ h/);
    await alarm.getByRole('button', { name: 'I have it' }).click();
    await expect(alarm.getByRole('alert')).toContainText('Say who has it');
    await alarm.getByRole('textbox', { name: 'Who has it' }).fill('night watch');
    await alarm.getByRole('button', { name: 'I have it' }).click();
    await expect(page.getByText('night watch has it')).toBeVisible();
    await page.getByRole('checkbox', { name: 'Pull the sensor' }).uncheck();
  } finally {
    await runClock(page, false);
  }
});

test('a sensor is checked in melting ice, step by step, and its offset kept', async ({ page }) => {
  await open(page, '/heat?zone=2');
  const sensors = page.getByRole('region', { name: 'Sensors' });
  await follow(page, () => sensors.getByRole('link', { name: 'medium' }).click());
  await expect(page.getByRole('button', { name: 'Keep the offset' })).toBeDisabled();
  await expect(page.getByRole('status').filter({ hasText: /Is it in the ice|still moving|wait:/ })).toBeVisible();
  try {
    await page.evaluate(() =>
      fetch('/api/heat/zones/2/break', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ inIce: true }),
      }),
    );
    await runClock(page, true);
    await expect(page.getByText(/^Still\. Offset \+0\.\d\d °C/)).toBeVisible({ timeout: 40_000 });
    await page.getByRole('textbox', { name: 'Who checked it' }).fill('early shift');
    await page.getByRole('button', { name: 'Keep the offset' }).click();
    await expect(page.getByText('Every reading from now is corrected by it.')).toBeVisible();
    await expect(page.getByText(/in ice, early shift/).first()).toBeVisible();
  } finally {
    await page.evaluate(() =>
      fetch('/api/heat/zones/2/break', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ inIce: false }),
      }),
    );
    await runClock(page, false);
  }
});

test('a zone is built: what it can do follows what is typed, nonsense is told at its field', async ({ page }) => {
  await open(page, '/heat/zones/new');
  await accessible(page);
  await follow(page, () => page.getByRole('link', { name: /Cable in a sand box/ }).click());
  await page.waitForURL('**/heat/zones/new?build=cable-in-sand');
  const can = page.getByRole('complementary', { name: 'What it can do' });
  await expect(can).toContainText('It holds');
  const need = async () => Number(/(\d+) W of/.exec(await can.innerText())![1]);
  const before = await need();
  await page.getByRole('textbox', { name: 'mm', exact: true }).fill('20');
  expect(await need()).toBeGreaterThan(before);
  // Layers are put under it, moved and taken out where they are drawn.
  await page.getByRole('button', { name: 'Another layer' }).click();
  const layer = (n: number) => page.getByLabel(`Layer ${n}`, { exact: true });
  await layer(2).selectOption('timber');
  await page.getByRole('button', { name: 'Layer 2 one up' }).click();
  await expect(layer(1)).toHaveValue('timber');
  await expect(layer(2)).toHaveValue('foam');
  await page.getByRole('button', { name: 'Take out layer 1' }).click();
  await expect(layer(1)).toHaveValue('foam');
  await expect(layer(2)).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Heater, watts' }).fill('-40');
  await expect(can).toContainText('Not yet: power of the heater, W is -40');
  await page.getByRole('textbox', { name: 'Controller’s name' }).fill('Frame One');
  await page.getByRole('button', { name: 'Add the zone' }).click();
  await expect(page.getByText('power in watts: at least 1').first()).toBeVisible();
  await expect(page.getByText(/device: small letters/).first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Controller’s name' })).toHaveValue('Frame One');
  await page.getByRole('textbox', { name: 'Heater, watts' }).fill('200');
  await page.getByRole('textbox', { name: 'Controller’s name' }).fill('frame-one');
  await page.getByRole('button', { name: 'Add the zone' }).click();
  await page.waitForURL(/\/heat\?zone=5/);
  await expect(page.getByRole('navigation', { name: 'Heated zones' }).locator('li')).toHaveCount(5);
});

test('training night: a jammed relay is found before the plants cook, and nothing reaches the real bench', async ({
  page,
}) => {
  await open(page, '/heat/training');
  await page.getByRole('combobox', { name: 'Zone' }).selectOption({ label: 'Bench 1' });
  await page.getByRole('button', { name: '60 min/s' }).click();
  await page.getByRole('button', { name: 'Begin the night' }).click();
  await page.getByRole('checkbox', { name: 'Cut the power' }).check();
  const says = page.getByRole('region', { name: 'What the watch says' });
  await expect(says).toContainText('Power lost', { timeout: 20_000 });
  await expect(page.getByRole('region', { name: 'Break something' })).toContainText('until the medium is at');
  await page.getByRole('button', { name: 'A new night' }).click();
  await expect(page.getByRole('button', { name: 'Begin the night' })).toBeVisible();
  const compare = page.getByRole('region', { name: /Compare/ });
  await expect(compare).toContainText(/saves \d+%/);
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
});

test('the test alarm shows on every page until somebody takes it', async ({ page }) => {
  await open(page, '/heat/alarms');
  await page.getByRole('button', { name: 'Test alarm' }).click();
  await expect(page.getByRole('article', { name: 'Test alarm' }).first()).toBeVisible();
  await open(page, '/');
  // The worst alarm of the house is named; with none other it is this one.
  await expect(page.locator('.sky-alarm')).toContainText(/sensor|test alarm|power|cold|heater|lid/);
  await open(page, '/heat/alarms');
  const card = page.getByRole('article', { name: 'Test alarm' }).filter({ hasText: 'I have it' }).first();
  await card.getByRole('textbox', { name: 'Who has it' }).fill('office');
  await card.getByRole('button', { name: 'I have it' }).click();
  await expect(page.getByText('office has it').first()).toBeVisible();
});
