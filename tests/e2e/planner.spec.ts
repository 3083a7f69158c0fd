import type { Page } from '@playwright/test';
import { accessible, expect, open, test } from './page.ts';

interface Line {
  id: number;
  version: number;
  name: string;
  pinned: boolean;
  plan: { places: Record<string, number | null>; steps: Record<string, number>; transplantOn: number };
  state: { phase: string };
}
interface Season {
  house: { places: { id: number; name: string; setPoints: object[] }[] };
  initial: Line[];
}
let n = 0;
const key = () => `planner-spec-${Date.now()}-${n++}`;
const season = async (page: Page) => (await (await page.request.get('/api/plan/season')).json()) as Season;
/** What a plan of the season can change, to compare before and after. */
const plans = ({ house, initial }: Season) => ({
  batches: initial.map(({ id, plan, pinned }) => ({ id, plan, pinned })),
  setPoints: house.places.map(({ id, setPoints }) => ({ id, setPoints })),
});
const status = (page: Page) => page.getByRole('status').last();
const changed = (page: Page) =>
  page.waitForResponse((r) => r.url().endsWith('/api/plan/season') && r.request().method() === 'GET');

test('plan the demo season from empty, take part of it, undo all', async ({ page }) => {
  test.setTimeout(120_000);
  const start = await season(page);
  const unsown = start.initial.filter((b) => b.state.phase === 'planned');
  const emptied = await page.request.post('/api/plan/season/plan', {
    data: {
      idempotencyKey: key(),
      words: 'emptied',
      batches: unsown.map(({ id, version }) => ({
        id,
        version,
        places: { germinate: null, grow: null, pot: null, harden: null },
        steps: {},
      })),
      setPoints: [],
    },
  });
  expect(emptied.status()).toBe(201);
  await open(page, '/plan/season');
  await expect(page.getByRole('region', { name: 'Clashes' })).toContainText('cannot be');

  // Cancelled: the plan is untouched.
  await page.getByRole('button', { name: 'Plan the season' }).click();
  await page.getByRole('button', { name: 'Cancel the planning' }).click();
  await expect(page.getByRole('region', { name: 'Proposed plan' })).toHaveCount(0);

  await page.getByRole('button', { name: 'Plan the season' }).click();
  const proposal = page.getByRole('region', { name: 'Proposed plan' });
  await expect(proposal).toBeVisible({ timeout: 60_000 });
  const row = (name: string) => proposal.locator('tr', { has: page.getByRole('rowheader', { name, exact: true }) });
  await expect(row('Cannot be').locator('td').first()).toHaveText(String(unsown.length));
  await expect(row('Cannot be').locator('td').last()).toHaveText('none');
  await expect(row('Over room').locator('td').last()).toHaveText('never');

  // Leave two of them out: what it would bring is reckoned anew.
  // Those of batches made later are not ticked: they are for leaving one as it is.
  const all = await proposal.getByRole('checkbox', { checked: true }).count();
  expect(all).toBeGreaterThan(unsown.length - 1);
  const out = await proposal.locator('label', { hasText: unsown.at(-1)!.name }).innerText();
  await proposal
    .locator('label', { hasText: unsown.at(-1)!.name })
    .getByRole('checkbox')
    .uncheck();
  await expect(row('Cannot be').locator('td').last()).toHaveText('1');
  await Promise.all([changed(page), proposal.getByRole('button', { name: `Take ${all - 1} of ${all}` }).click()]);
  await expect(status(page)).toContainText(`planned ${all - 1} batches of the season`);
  await expect(proposal).toHaveCount(0);
  expect(out).toContain(unsown.at(-1)!.name);
  const after = await season(page);
  expect(after.initial.filter((b) => b.plan.places['germinate'] === null && b.state.phase === 'planned')).toHaveLength(
    1,
  );
  expect(after.house.places.some((p) => p.setPoints.length > 0)).toBe(true);

  for (const words of [`planned ${all - 1} batches of the season`, 'emptied']) {
    await Promise.all([changed(page), page.getByRole('button', { name: 'Undo' }).click()]);
    await expect(status(page)).toContainText(`Undone: ${words}`);
  }
  await expect.poll(async () => plans(await season(page))).toEqual(plans(start));
});

test('drag a band to another place by mouse and by keys, with its consequences before it is kept', async ({ page }) => {
  const start = await season(page);
  await open(page, '/plan/season');
  const panel = page.getByRole('complementary', { name: 'Beside the season' });
  const name = 'Zinnia Market Day A';
  await page.getByLabel('Batch', { exact: true }).selectOption({ label: await labelOf(page, name) });
  const band = page.getByRole('button', { name: /^Grows on in Bench 2/ });
  await band.focus();
  await page.keyboard.press('ArrowDown');
  await expect(panel).toContainText('Tried: another place or day');
  await page.keyboard.press('Escape');
  await expect(panel).not.toContainText('Tried');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(panel).toContainText('Tried');
  await Promise.all([changed(page), page.keyboard.press('Enter')]);
  await expect(status(page)).toContainText(`Done: ${name}: another place or day`);
  const moved = (await season(page)).initial.find((b) => b.name === name)!;
  expect(moved.plan.places['grow']).not.toBe(4);
  expect(Object.keys(moved.plan.steps)).toEqual(['off-heat']);
  await Promise.all([changed(page), page.getByRole('button', { name: 'Undo' }).click()]);

  // By mouse: the growing band straight up into the lane above.
  const box = (await page.getByRole('button', { name: /^Grows on in Bench 2/ }).boundingBox())!;
  await page.mouse.move(box.x + 6, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 6, box.y + 60, { steps: 8 });
  await page.mouse.move(box.x + 6, box.y + 110, { steps: 8 });
  await expect(panel).toContainText('Tried');
  await page.mouse.up();
  // Where there is room it is kept at once; where not, it waits for a word.
  const keep = panel.getByRole('button', { name: 'Keep', exact: true });
  if (await keep.isVisible()) await keep.click();
  await expect(status(page)).toContainText(`Done: ${name}: another place or day`);
  expect((await season(page)).initial.find((b) => b.name === name)!.plan.places['grow']).toBe(5);
  // The page may still be reading what was kept: the plan itself says when it is undone.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => plans(await season(page))).toEqual(plans(start));
});

test('solve a clash by an offer, pin a batch, undo both', async ({ page }) => {
  const start = await season(page);
  await open(page, '/plan/season');
  const clashes = page.getByRole('region', { name: 'Clashes' });
  await expect(clashes).toBeVisible();
  const first = await clashes.locator('li').first().locator('p').first().innerText();
  const offer = clashes.locator('li li button').first();
  await expect(offer).toBeVisible({ timeout: 20_000 });
  await Promise.all([changed(page), offer.click()]);
  await expect(status(page)).toContainText('Done:');
  // What was taken up is solved.
  await expect(clashes).not.toContainText(first);

  await page.getByLabel('Batch', { exact: true }).selectOption({ label: await labelOf(page, 'Pumpkin Cart Wheel A') });
  await Promise.all([changed(page), page.getByRole('button', { name: /^Pin:/ }).click()]);
  await expect(page.getByRole('button', { name: /^Pinned:/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Pin:/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => plans(await season(page))).toEqual(plans(start));
});

test('weeks are kept by keys and by brush, and let go', async ({ page }) => {
  await open(page, '/plan/season');
  const panel = page.locator('details', { hasText: 'Keep weeks' });
  await panel.locator('summary').click();
  await panel.getByLabel('Place').selectOption({ label: 'Bench 2' });
  await panel.getByLabel('Weeks').selectOption('3');
  await panel.getByRole('button', { name: 'Keep these weeks' }).click();
  const list = panel.getByRole('list', { name: 'Kept weeks' });
  await expect(list.getByRole('listitem')).toHaveText([/Bench 2, 12 Apr to 2 May/]);
  await accessible(page);
  await panel.getByRole('button', { name: 'Brush over the drawing' }).click();
  const box = (await page.getByRole('region', { name: 'Season, scrolls sideways' }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 70, box.y + 60, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.press('Escape');
  await page.locator('summary', { hasText: 'Keep weeks (2)' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await list.getByRole('button', { name: /^Let Bench 2/ }).click();
  await expect(list.getByRole('listitem')).toHaveCount(1);
});

test('sow together: one, two or three chambers; the plan of the house on another day; a what-if kept and compared', async ({
  page,
}) => {
  await open(page, '/germination/sow');
  const together = page.getByRole('region', { name: 'Sow together' });
  await together.getByRole('button', { name: '1 chamber' }).click();
  await expect(together.locator('.card')).not.toHaveCount(0);
  const one = await together.innerText();
  await together.getByRole('button', { name: '3 chambers' }).click();
  await expect(together).not.toHaveText(one);
  await together.locator('summary').first().click();
  await expect(together.getByRole('rowheader', { name: 'days' }).first()).toBeVisible();

  await open(page, '/house');
  const day = page.getByRole('slider', { name: 'Day shown' });
  await day.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Tue 13 April')).toBeVisible();
  await page.getByRole('button', { name: /^Celery Fen Light A/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Beside the plan' })).toContainText('Celery Fen Light A');

  await open(page, '/plan/what-if');
  await page.getByRole('button', { name: 'Copy the season’s plan' }).click();
  await page.getByLabel('Name', { exact: true }).fill('A larger bench');
  await page.getByLabel('Room of Bench 2').fill('90');
  const compared = page.getByRole('complementary', { name: 'Compared' });
  const fullest = compared.locator('tr', { has: page.getByRole('rowheader', { name: 'Bench 2, fullest' }) });
  await expect(fullest.locator('td').last()).toContainText('of 90');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(status(page)).toContainText('Kept: A larger bench.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(status(page)).toContainText('Kept');
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(status(page)).toContainText('Taken out: A larger bench.');
});

test('a succession is made in one step', async ({ page }) => {
  await open(page, '/batch/new?all');
  await page.getByRole('combobox', { name: 'Crop' }).fill('lettuce');
  await page.keyboard.press('Enter');
  await page.getByLabel('Plants wanted').fill('80');
  await page.getByLabel('Transplant date').fill('2027-06-20');
  await page.getByRole('button', { name: 'A succession' }).click();
  await page.getByLabel('Every so many days').fill('10');
  await page.getByLabel('How many times').fill('none');
  await page.getByRole('button', { name: 'Make these batches' }).click();
  await expect(page.getByText('how many: type a whole number from 2 to 40').first()).toBeVisible();
  await expect(page.getByLabel('Plants wanted')).toHaveValue('80');
  await page.getByLabel('How many times').fill('3');
  await page.getByRole('button', { name: 'Make these batches' }).click();
  await page.waitForURL('**/plan/season');
  const made = (await season(page)).initial.slice(-3);
  expect(made.map((b) => b.plan.transplantOn - made[0]!.plan.transplantOn)).toEqual([0, 10, 20]);
});

async function labelOf(page: Page, name: string): Promise<string> {
  const batches = (await (await page.request.get('/api/batch')).json()) as { name: string; code: string }[];
  return `${name} · ${batches.find((b) => b.name === name)!.code}`;
}
