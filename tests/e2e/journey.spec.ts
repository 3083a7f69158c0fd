import { readFile } from 'node:fs/promises';
import { accessible, expect, follow, open, test } from './page.ts';

test('make a batch: the chain appears while typing, with reasons, the rule of weeks and ways out', async ({ page }) => {
  await open(page, '/batch/new?all');
  await page.getByRole('combobox', { name: 'Crop' }).fill('tom');
  await page.getByRole('option', { name: 'tomato' }).click();
  await page.getByLabel('Plants wanted').fill('120');
  await page.getByLabel('Transplant date').fill('2027-05-20');
  const chain = page.getByRole('region', { name: 'Chain of dates' });
  // The planner's own places, with their price and others a tap away; too late for that day, and the day it could be.
  const placed = page.getByRole('region', { name: 'Placed for you' });
  await expect(placed.getByRole('button', { pressed: true })).toContainText(/then .*(kWh|carried)/);
  await expect(placed).toContainText('It cannot be ready by');
  await placed.getByRole('button', { name: 'Choose the places myself' }).click();
  await expect(chain).toContainText('which is past');
  // Dates the site's own years allow, in the open and sooner under covers; a tap takes one.
  await expect(page.getByText(/First day out here, .* 10 years of 100/)).toBeVisible();
  await page.getByRole('button', { name: /^Walk-in tunnel .* earlier$/ }).click();
  await expect(page.getByLabel('Goes out under')).toContainText('Walk-in tunnel');
  await expect(page.getByLabel('Transplant date')).not.toHaveValue('20 May 2027');
  await page.getByLabel('Transplant date').fill('2027-05-20');
  await expect(chain).toContainText(/The rule of weeks says .*(sooner|later)/);
  await chain.getByRole('button', { name: /Earliest: out/ }).click();
  await expect(chain).not.toContainText('which is past');
  await expect(page.getByLabel('Transplant date')).not.toHaveValue('20 May 2027');
  await chain.locator('summary', { hasText: 'Half up' }).click();
  await expect(chain).toContainText('adds up to 1');
  await expect(chain).toContainText('Harrington & Minges 1954');

  // A place too cold: it says so and offers those that would do.
  await choose(page.getByLabel('Germinates in'), /^Cool bay/);
  await expect(chain).toContainText(/cannot be reached|goes down to/);
  await choose(page.getByLabel('Germinates in'), /^Dark chamber, 26/);

  // What is wrong stands at its field and nothing typed is lost.
  await page.getByLabel('Plants wanted').fill('ten');
  await page.getByRole('button', { name: 'Make this batch' }).click();
  await expect(page.getByText('plants wanted: type a whole number from 1 to 200000').first()).toBeVisible();
  await expect(page.getByLabel('Plants wanted')).toHaveValue('ten');
  await page.getByLabel('Plants wanted').fill('120');
  await page.getByRole('button', { name: 'Make this batch' }).click();
  await page.waitForURL(/\/batch\/\d+$/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Tomato/);
  await expect(page.getByRole('region', { name: 'Chain, planned against actual' })).toContainText('Plant out');
});

test('season: choose a batch, move its date by keys and by drag, see the chain follow, undo', async ({ page }) => {
  await open(page, '/plan/season');
  const panel = page.getByRole('complementary', { name: 'Beside the season' });
  await expect(panel).toContainText('clash');
  await page
    .getByLabel('Batch', { exact: true })
    .selectOption({ label: 'Cosmos Pale Barn A · ' + (await codeOf(page, 'Cosmos Pale Barn A')) });
  const plantOut = panel.locator('li', { hasText: 'Plant out' });
  const before = await plantOut.innerText();
  const handle = page.getByRole('slider', { name: /Transplant date of Cosmos/ });
  await handle.focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('ArrowRight');
  await expect(panel).toContainText(/out [^·]*, 8 days later/);
  // Eight days on from a day that the log and the weather have put some days late: the day out moves by the rest.
  await expect(plantOut).toContainText(/\+[1-7] d/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Chosen batch' })).not.toContainText(/out [^·]*, 8 days later/);
  await page.keyboard.press('PageUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('Cosmos Pale Barn A goes out 31 May');
  await expect(plantOut).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status')).toContainText('Undone: Cosmos Pale Barn A goes out 31 May');
  await expect.poll(() => plantOut.innerText()).toBe(before);

  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.locator('circle').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 6.5 * 5, box.y + box.height / 2, { steps: 6 });
  await expect(panel).toContainText(/out [^·]*, 5 days later/);
  await page.mouse.up();
  // Where it makes a place too full that is said, and kept only when it is asked for.
  const keep = panel.getByRole('button', { name: 'Keep', exact: true });
  const kept = page.getByRole('status').filter({ hasText: 'goes out 29 May' });
  await expect(keep.or(kept)).toBeVisible();
  if (await keep.isVisible()) await keep.click();
  await expect(page.getByRole('status')).toContainText('goes out 29 May');
  // The table below follows without a reload, and says the day the drawing says.
  const batches = (await (await page.request.get('/api/batch')).json()) as {
    name: string;
    transplantOn: string;
    expected_out: { on: string };
  }[];
  const cosmos = batches.find((b) => b.name === 'Cosmos Pale Barn A')!;
  expect(cosmos.transplantOn).toBe('2027-05-29');
  await expect(page.locator('#season-rows tr', { hasText: 'Cosmos Pale Barn A' })).toContainText(
    shortOf(cosmos.expected_out.on),
  );
});

/** "29 May" of an ISO day. */
function shortOf(iso: string): string {
  const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
  return `${Number(iso.slice(8))} ${months[Number(iso.slice(5, 7)) - 1]}`;
}

/** Chooses the first option that reads like this. */
async function choose(select: import('@playwright/test').Locator, words: RegExp): Promise<void> {
  const value = await select.locator('option').filter({ hasText: words }).first().getAttribute('value');
  await select.selectOption(value);
}

async function codeOf(page: import('@playwright/test').Page, name: string): Promise<string> {
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; code: string }[];
  return batches.find((b) => b.name === name)!.code;
}

test('round: one tap logs, the count pad sees half up, the forecast moves, undo', async ({ page }) => {
  await open(page, '/');
  const jobs = await page.getByRole('button', { name: /^(Count|Sown|Moved|Potted|Spaced|Out|Done|Planted)/ }).count();
  expect(jobs).toBeGreaterThan(5);
  await expect(page.getByText(/days? late/).first()).toBeVisible();

  await page.getByRole('button', { name: 'Moved: Tomato Ridge Ember C' }).click();
  await expect(page.getByRole('status')).toContainText('Tomato Ridge Ember C: moved');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status')).toContainText('undone');
  await expect(page.getByRole('button', { name: 'Moved: Tomato Ridge Ember C' })).toBeVisible();

  await page.getByRole('button', { name: 'Count Aubergine Dusk Bell B' }).click();
  const pad = page.getByRole('complementary', { name: 'The job in hand' });
  await pad.getByRole('textbox', { name: 'Number up' }).fill('10');
  await expect(pad).toContainText('Half up at');
  await pad.getByRole('button', { name: 'All expected' }).click();
  await expect(pad).toContainText('Half are up');
  await pad.getByRole('button', { name: /Save: half up/ }).click();
  await expect(page.getByRole('status')).toContainText('half up');
  await expect(page.getByRole('button', { name: 'Moved: Aubergine Dusk Bell B' })).toBeVisible();

  // Potting with the number and the day changed first.
  await page.getByRole('button', { name: 'Pot up: Tomato Ridge Ember B' }).click();
  await pad.getByRole('textbox', { name: 'Number potted' }).fill('100');
  await pad.getByLabel('Day it was done').fill('2027-04-11');
  await pad.getByRole('button', { name: 'Log pot up' }).click();
  await expect(page.getByRole('status')).toContainText('Tomato Ridge Ember B: logged');
  const batch = (
    (await (await page.request.get('/api/batch')).json()) as {
      name: string;
      plants: { inHand_count: number };
      phase: string;
    }[]
  ).find((b) => b.name === 'Tomato Ridge Ember B')!;
  expect([batch.phase, batch.plants.inHand_count]).toEqual(['potted', 100]);
});

test('round: a line logged without a network is kept and sent once when it is back', async ({
  page,
  context,
  complaints,
}) => {
  await open(page, '/');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Sown: Chard Lamp Post A' }).click();
  await expect(page.getByText('1 line kept on this device')).toBeVisible();
  // It is said from when on what is seen is old.
  await expect(page.getByText(/^Connection lost at \d\d:\d\d; reconnecting/)).toBeVisible();
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText('kept on this device')).toHaveCount(0);
  await expect(page.getByText(/^Connection lost/)).toHaveCount(0);
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; id: number }[];
  const chard = batches.find((b) => b.name === 'Chard Lamp Post A')!;
  const { log } = (await (await page.request.get(`/api/batch/${chard.id}`)).json()) as { log: { kind: string }[] };
  expect(log.filter((event) => event.kind === 'sown')).toHaveLength(1);
  complaints.length = 0;
});

test('without a network what was never loaded takes nothing away: a loss is kept, a form stands', async ({
  page,
  context,
  complaints,
}) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; id: number }[];
  const parsley = batches.find((b) => b.name === 'Parsley Ferry Curl A')!;
  await open(page, `/batch/${parsley.id}`);
  await page.getByRole('button', { name: 'Lose some' }).click();
  await page.getByLabel(/How many of/).fill('2');
  await context.setOffline(true);
  // The calendar cannot be had; what was typed is still there, and the line is kept all the same.
  await page.getByRole('button', { name: 'Calendar' }).click();
  await expect(page.getByText('This part could not be loaded')).toBeVisible();
  await expect(page.getByLabel(/How many of/)).toHaveValue('2');
  await page.getByRole('button', { name: 'Log the loss' }).click();
  await expect(page.locator('.kit-said')).toContainText('Kept: lost 2. No connection');
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByRole('region', { name: 'Log' })).toContainText('Lost 2');
  complaints.length = 0;
});

test('a batch typed half is there after a reload, and not again when it is made', async ({ page }) => {
  await open(page, '/batch/new?all');
  await page.getByRole('combobox', { name: 'Crop' }).fill('lettuce');
  await page.keyboard.press('Enter');
  await page.getByLabel('Plants wanted').fill('77');
  await page.getByLabel('Transplant date').fill('2027-07-20');
  await open(page, '/batch/new?all');
  await expect(page.getByText('What you typed here before and did not save is back.')).toBeVisible();
  await expect(page.getByLabel('Plants wanted')).toHaveValue('77');
  await page.getByRole('button', { name: 'Make this batch' }).click();
  await page.waitForURL(/\/batch\/\d+$/);
  await open(page, '/batch/new?all');
  await expect(page.getByLabel('Plants wanted')).toHaveValue('');
  await expect(page.getByText('What you typed here before')).toHaveCount(0);
});

test('a double tap counts once, and is taken back from its message', async ({ page }) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; id: number }[];
  const parsley = batches.find((b) => b.name === 'Parsley Ferry Curl A')!;
  await open(page, `/batch/${parsley.id}`);
  await page.getByRole('button', { name: 'Lose some' }).click();
  await page.getByLabel(/How many of/).fill('3');
  await page.getByRole('button', { name: 'Log the loss' }).dblclick();
  await expect(page.locator('.kit-said', { hasText: 'Logged: lost 3.' })).toBeVisible();
  const logged = async (kind: string) => {
    const answer = await page.request.get(`/api/batch/${parsley.id}`);
    const { log } = (await answer.json()) as { log: { kind: string; count: number | null }[] };
    return log.filter((event) => event.kind === kind);
  };
  expect((await logged('lost')).filter(({ count }) => count === 3)).toHaveLength(1);
  await page.locator('.kit-said').getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.kit-said', { hasText: 'Taken back: lost 3.' })).toBeVisible();
  expect(await logged('withdrawn')).toHaveLength(1);
  await expect(page.getByRole('region', { name: 'Log' }).getByText('Lost 3')).toHaveClass(/line-through/);
});

test('batch: lose some, split, correct, end', async ({ page }) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as {
    name: string;
    id: number;
    plants: { inHand_count: number };
  }[];
  const leek = batches.find((b) => b.name === 'Leek Salt Road A')!;
  const ready = () => page.waitForSelector('[data-ready=true]');
  await open(page, `/batch/${leek.id}`);
  await page.getByRole('button', { name: 'Lose some' }).click();
  await page.getByLabel(/How many of/).fill('20');
  await page.getByLabel('Cause').fill('slugs');
  await page.getByRole('button', { name: 'Log the loss' }).click();
  await expect(page.locator('.kit-said', { hasText: 'Logged' })).toBeVisible();
  await ready();
  await expect(page.getByRole('region', { name: 'Log' })).toContainText('Lost 20, slugs');
  await page.getByRole('button', { name: 'Split off a part' }).click();
  await page.getByLabel(/Plants to split off/).fill('100000');
  await page.getByRole('button', { name: 'Split them off' }).click();
  await expect(page.getByText('Split off fewer')).toBeVisible();
  await page.getByLabel(/Plants to split off/).fill('100');
  await page.getByRole('button', { name: 'Split them off' }).click();
  await page.waitForURL((url) => !url.pathname.endsWith(`/${leek.id}`));
  await ready();
  await expect(page.getByText('100', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await page.getByLabel('Cause').fill('given away');
  await page.getByRole('button', { name: 'End this batch' }).click();
  await expect(page.locator('.kit-said', { hasText: 'Logged' })).toBeVisible();
  await expect(page.getByText('ended').first()).toBeVisible();
});

test('two people change one batch: the second sees both versions and chooses', async ({ page }) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as {
    name: string;
    id: number;
    version: number;
  }[];
  const basil = batches.find((b) => b.name === 'Basil Sweet Ferry B')!;
  await open(page, `/batch/${basil.id}/edit`);
  await page.getByLabel('Plants wanted').fill('200');
  const other = await page.request.patch(`/api/batch/${basil.id}`, {
    data: { version: basil.version, plantsWanted: 90 },
  });
  expect(other.status()).toBe(200);
  await page.getByRole('button', { name: 'Save the change' }).click();
  const stale = page.getByRole('alert');
  await expect(stale).toContainText('Someone changed this');
  await expect(stale.locator('tr', { hasText: 'Plants wanted' })).toHaveText(/90.*200/);
  await stale.getByRole('button', { name: 'Save mine over it' }).click();
  await page.waitForURL(/\/batch\/\d+$/);
  await expect(page.locator('dd').first()).toHaveText('200');
});

test('take along: calendar and spreadsheets out, a file in with a preview', async ({ page }) => {
  await open(page, '/batch/take-along');
  const [calendar] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Work as an iCalendar file' }).click(),
  ]);
  expect(await readFile(await calendar.path(), 'utf8')).toContain('BEGIN:VCALENDAR');
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Batches as CSV' }).click(),
  ]);
  expect(await readFile(await csv.path(), 'utf8')).toContain('crop,variety');
  const put = (text: string) =>
    page.getByLabel('A file').setInputFiles({ name: 'batches.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await put('crop;plants;transplant_on\ntomato;120;2027-06-10\ntomatoe;5;2027-06-10\n');
  await expect(page.getByText('Line 3, crop:')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Read in only/ })).toBeVisible();
  await put('\uFEFFcrop;plants;transplant_on\ntomato;120;2027-06-10\nleek;300;2027-06-12\n');
  await page.getByRole('button', { name: 'Read in 2 batches' }).click();
  await expect(page.getByText('2 batches read in.')).toBeVisible();
});

test('books: a crop’s curve follows its table; a place’s temperature moves the season', async ({ page }) => {
  await open(page, '/books/crops');
  await expect(page.locator('.recharts-line path').first()).toBeVisible();
  await page.getByText('The curve as a table').click();
  const at25 = page.locator('tr', { hasText: '25°' });
  await expect(at25).toContainText('5.9');
  await page
    .getByRole('group', { name: 'Table of emergence' })
    .locator('input')
    .nth(3 * 5 + 1)
    .fill('8');
  await expect(at25).toContainText('8.0');
  await page.getByLabel('Best sowing temperature, °C').fill('50');
  await page.getByRole('button', { name: 'Save the crop' }).click();
  await expect(page.getByText('most to sow at must be above the best').first()).toBeVisible();
  await expect(page.getByLabel('Best sowing temperature, °C')).toHaveValue('50');

  const sowing = async () =>
    ((await (await page.request.get('/api/batch')).json()) as { name: string; planned: { on: string }[] }[]).find(
      (b) => b.name === 'Courgette Tin Whistle A',
    )!.planned[0]!.on;
  const before = await sowing();
  await open(page, '/books/places?place=4');
  await page.getByLabel('Usual set-point').fill('15');
  await page.getByLabel('Cooler by night by').fill('2,5');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Save the place' }).click()]);
  expect((await sowing()) < before).toBe(true);
});

test('books: a variety has figures of its own, refused where they make no crop with its others, and the chain goes by them', async ({
  page,
}) => {
  const one = async () =>
    ((await (await page.request.get('/api/batch')).json()) as { name: string; planned: { on: string }[] }[]).find(
      (b) => b.name === 'Pumpkin Cart Wheel A',
    )!.planned[0]!.on;
  const before = await one();
  await open(page, '/books/seed');
  await follow(page, () => page.getByRole('link', { name: 'Cart Wheel' }).click());
  await expect(page.getByText(/^crop: /).first()).toBeVisible();
  await page.getByLabel('Weeks to hardening, short').fill('9');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByText(/the long end must not be below the short end/).first()).toBeVisible();
  await expect(page.getByLabel('Weeks to hardening, short')).toHaveValue('9');
  await page.getByLabel('Weeks to hardening, long').fill('10');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Save it' }).click()]);
  await expect(page.getByText('has 2 figures of its own')).toBeVisible();
  expect((await one()) < before).toBe(true);
});

test('books: lamps over a place are typed, refused beyond the day, and kept', async ({ page }) => {
  await open(page, '/books/places?place=4');
  const light = page.getByRole('group', { name: 'Light' });
  await light.getByLabel(/Written down/).check();
  await light.getByLabel(/Daylight through the glazing/).fill('60');
  await light.getByLabel(/Lamps over the trays/).fill('120');
  await light.getByLabel('Lamps, hours a day').fill('30');
  await page.getByRole('button', { name: 'Save the place' }).click();
  await expect(light.locator('.err')).toContainText(/24/);
  await expect(light.getByLabel(/Lamps over the trays/)).toHaveValue('120');
  await light.getByLabel('Lamps, hours a day').fill('14');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Save the place' }).click()]);
  await open(page, '/books/places?place=4');
  await expect(light.getByLabel(/Daylight through the glazing/)).toHaveValue('60');
  await expect(light.getByLabel('Lamps, hours a day')).toHaveValue('14');
});

test('books: a mat says what the seed will have, a hot bed is read and turned, both kept', async ({ page }) => {
  await open(page, '/books/places?new=1');
  await page.getByLabel('Name', { exact: true }).fill('Mat shelf');
  await page.getByRole('radio', { name: /A mat without a thermostat/ }).check();
  const says = page.getByText(/The medium at the seed will be about/);
  await expect(says).toContainText('27.7°C by day and 23.7°C by night');
  await page.getByLabel(/Open rack between mat and tray/).fill('30');
  await expect(says).toContainText('22.1°C by day');
  // A light meter in lux is turned into the form's figure, and said to be rough.
  await page
    .getByRole('group', { name: 'Light' })
    .getByLabel(/Written down/)
    .check();
  await page.getByText('From a light meter').click();
  await page.getByLabel('Over the trays', { exact: true }).fill('10000');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByText(/149 µmol.*Rough/)).toBeVisible();
  await page.getByLabel('Watts on its label').fill('many');
  await page.getByRole('button', { name: 'Add the place' }).click();
  await expect(page.locator('.err')).toContainText('watts of the mat');
  await page.getByLabel('Watts on its label').fill('25');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Add the place' }).click()]);
  await open(page, page.url());
  await expect(says).toContainText('22.1°C by day');

  await page.getByRole('radio', { name: /A hot bed/ }).check();
  await page.getByLabel(/Built each year on/).fill('04-01');
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Save the place' }).click()]);
  await open(page, page.url());
  const bed = page.getByRole('region', { name: 'The hot bed as it stands' });
  await expect(bed).toContainText('Not read yet');
  await bed.getByLabel('Who').fill('Grower');
  await bed.getByLabel(/Stick thermometer/).fill('24,5');
  await bed.getByRole('button', { name: 'Keep it' }).click();
  // What the page says of the bed follows, without the page being loaded again.
  await expect(bed).toContainText('By 1 reading it gives');
  await accessible(page);
});

test('the demo clock is set from the sky strip', async ({ page }) => {
  await open(page, '/');
  await page.getByRole('button', { name: 'set' }).click();
  await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Next day' }).click()]);
  await expect(page.locator('#sky-today')).toContainText('Tue 13 April');
  await page.request.put('/api/house/clock', {
    data: { setTo: '2027-04-12' },
    headers: { 'content-type': 'application/json' },
  });
});

test('a lot: a day is typed as one says it; what is typed outlives an error and a reload, and saved is said', async ({
  page,
}) => {
  await open(page, '/books/lots?line=1');
  const received = page.getByLabel('Received', { exact: true });
  const note = page.getByLabel('Note');
  await received.fill('24 may');
  await note.fill('half a packet from the shelf');
  await expect(received).toHaveValue('24 May 2027');
  // The calendar has the day, week numbers and a way by keys.
  await page.getByRole('button', { name: 'Calendar' }).first().click();
  await expect(page.getByRole('gridcell', { selected: true })).toContainText('24');
  // ISO 8601: Monday 24 May 2027 begins week 21.
  const week = page.getByRole('row').filter({ has: page.getByRole('gridcell', { selected: true }) });
  await expect(week.getByRole('rowheader')).toHaveText('21');
  await accessible(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(received).toHaveValue('25 May 2027');
  // No day of the calendar, sent with Enter: said at the field, as it was typed.
  await received.fill('32 may');
  await received.press('Enter');
  await expect(page.getByText(/^received: /i).first()).toBeVisible();
  await expect(received).toHaveValue('32 may');
  await received.fill('25 may');
  const lotNumber = page.getByLabel('Lot number');
  const before = await lotNumber.inputValue();
  await lotNumber.fill('');
  await page.getByRole('button', { name: 'Begin a quick test' }).click();
  await page.getByLabel('Counts, in all').fill('3: 4');
  await page.getByRole('button', { name: 'Save the lot' }).click();
  await expect(lotNumber).toBeFocused();
  await expect(page.getByText('lot number: must not be empty').first()).toBeVisible();
  await page.reload();
  await expect(page.getByText('What you typed here before and did not save is back.')).toBeVisible();
  await expect(note).toHaveValue('half a packet from the shelf');
  await expect(page.getByLabel('Counts, in all')).toHaveValue('3: 4');
  await page.getByRole('button', { name: 'Discard it' }).click();
  await expect(note).toHaveValue('');
  await expect(page.getByLabel('Counts, in all')).toHaveCount(0);
  await expect(lotNumber).toHaveValue(before);
  await note.fill('moved to the cold store');
  await page.getByRole('button', { name: 'Save the lot' }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await open(page, '/books/lots?line=1');
  await expect(note).toHaveValue('moved to the cold store');
  await expect(page.getByText('did not save is back')).toHaveCount(0);
});
