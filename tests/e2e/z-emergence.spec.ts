import { PDFDocument } from 'pdf-lib';
import { answers, expect, follow, open, test } from './page.ts';

test.describe('in the hand, 390 by 844', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('count a tray: none, one more, too many, saved once, and the next one comes', async ({ page }) => {
    await open(page, '/germination/count');
    await follow(page, () =>
      page
        .getByRole('link', { name: /^Count / })
        .last()
        .click(),
    );
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const number = page.getByRole('textbox', { name: /Number up of/ });
    const before = Number(await number.inputValue());
    await page.getByRole('button', { name: 'One more' }).tap();
    await page.getByRole('button', { name: '+5', exact: true }).tap();
    await expect(number).toHaveValue(String(before + 6));
    for (const name of ['One fewer', 'One more', 'All up', 'None yet']) {
      const box = await page.getByRole('button', { name }).boundingBox();
      expect(Math.min(box!.height, box!.width), name).toBeGreaterThanOrEqual(44);
    }
    await number.fill('99999');
    const save = page.getByRole('button', { name: /^Save: / });
    await save.tap();
    await expect(page.getByRole('alert')).toContainText(/99999 up of \d+ sown cannot be/);
    await expect(number).toHaveValue('99999');
    await number.fill(String(before + 1));
    const url = page.url();
    await save.dblclick();
    // The pad stays, with what comes next as its offer.
    await expect(page.getByRole('button', { name: /^Save: / })).toHaveCount(0);
    await expect(page.getByText(/^Next: |^All are counted/).first()).toBeVisible();
    expect(page.url()).toBe(url);
    await open(page, url);
    await expect(page.getByRole('textbox', { name: /Number up of/ })).toHaveValue(String(before + 1));
    await page.getByRole('link', { name: 'Correct it in the log' }).click();
    await expect(
      page.getByRole('region', { name: 'Log' }).locator('li', { hasText: `Counted ${before + 1}` }),
    ).toHaveCount(1);
  });

  test('a code typed anywhere opens its tray', async ({ page }) => {
    await open(page, '/germination/count');
    const href = await page
      .getByRole('link', { name: /^Count / })
      .first()
      .getAttribute('href');
    const code = href!.split('/').at(-1)!;
    await open(page, '/books/lots');
    await page.keyboard.press('/');
    await page.getByRole('combobox', { name: /^Search/ }).fill(code.toLowerCase());
    await expect(page.getByRole('option', { name: `Look for the label ${code}` })).toBeVisible();
    await page.keyboard.press('Enter');
    await page.waitForURL(new RegExp(`/germination/count/${code}$`));
  });
});

test('emergence: verdict first, the picture drawn, another batch beside it, the table says the same', async ({
  page,
}) => {
  await open(page, '/germination/count');
  await follow(page, () => page.locator('tbody tr a').first().click());
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(/in the end|should be/);
  await expect(page.locator('.recharts-surface').first()).toBeVisible();
  await page.getByLabel('Compare with').selectOption({ index: 1 });
  await page.waitForURL(/with=\d+/);
  await answers(page);
  await expect(page.getByRole('table', { name: 'Side by side' }).locator('tbody tr')).toHaveCount(2);
  await page.getByText('The same as a table').click();
  await expect(page.getByRole('cell', { name: /^\d+–\d+$/ }).first()).toBeVisible();
});

test('a batch in which something went wrong is left out of what is learned by a tap, and taken in again', async ({
  page,
}) => {
  const batches = (await (await page.request.get('/api/batch')).json()) as { id: number; name: string }[];
  const { id } = batches.find((b) => b.name === 'Tomato Ridge Ember B')!;
  await open(page, `/batch/${id}/emergence`);
  const part = page.getByRole('region', { name: 'Not used for estimates' });
  await part.getByLabel('Something went wrong here').selectOption('dried out');
  const rests = page.getByText(/of this crop, .* have moved the time to come up/);
  await part.getByRole('button', { name: 'Do not learn from it' }).click();
  await expect(part).toContainText('teaches the house nothing: dried out');
  await page.goto(`/batch/${id}`);
  await expect(page.getByText(/Not used for estimates/).first()).toBeVisible();
  await open(page, `/batch/${id}/emergence`);
  await part.getByRole('button', { name: 'Count it again' }).click();
  await expect(part.getByRole('button', { name: 'Do not learn from it' })).toBeVisible();
  await expect(rests).toBeVisible();
});

test('the sowing sheet: labels as PDF, how many to sow with the odds drawn, a tray at a time sown', async ({
  page,
  request,
}) => {
  await open(page, '/germination/sow');
  await follow(page, () => page.getByRole('link', { name: 'Sowing sheet and labels' }).click());
  const pdf = page.getByRole('link', { name: /labels?, PDF/ });
  const wanted = Number(/\d+/.exec(await pdf.innerText())![0]);
  const answer = await request.get((await pdf.getAttribute('href'))!);
  const file = await PDFDocument.load(await answer.body());
  expect(file.getPageCount()).toBe(Math.ceil(wanted / 24));

  const last = page.locator('li', { has: page.getByRole('button', { name: 'A tray is sown' }) }).last();
  const name = await last.getByRole('link').first().innerText();
  await follow(page, () => last.getByRole('link', { name: 'How many?' }).click());
  await page.getByRole('button', { name: '99 in 100' }).click();
  const seeds = page.getByRole('region', { name: 'Answer' }).locator('dd').first();
  const many = Number(await seeds.innerText());
  await page.getByRole('button', { name: '50 in 100' }).click();
  expect(Number(await seeds.innerText())).toBeLessThan(many);
  await page.getByLabel(/Germination/).fill('0');
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('No number will do');
  await page.getByLabel(/Germination/).fill('80');
  await page.getByRole('button', { name: '90 in 100' }).click();
  await follow(page, () => page.getByRole('button', { name: /in the plan$/ }).click());
  await page.waitForURL(/\/germination\/sheet$/);
  const line = page.locator('li', { hasText: name });
  const trays = Number(await line.locator('.num').first().innerText());
  for (let i = 0; i < trays; i++) await line.getByRole('button').first().click();
  await expect(page.getByRole('status').filter({ hasText: 'sown, logged' })).toBeVisible();
  await page.reload();
  await expect(page.locator('li', { hasText: name })).toHaveCount(0);
});

test('lots: a quick test typed, its share with limits, refused when it falls, taken as the lot’s germination', async ({
  page,
}) => {
  await open(page, '/books/lots');
  // The table that can be searched takes the place of the page's own.
  await page.getByLabel('Find in the table').waitFor();
  const link = page.getByRole('link', { name: /^WB-/ }).first();
  const code = await link.innerText();
  await follow(page, () => link.click());
  await page.getByRole('button', { name: 'Begin a quick test' }).click();
  await page.getByLabel('Counts, in all').last().fill('3: 9, 5: 7');
  await page.getByRole('button', { name: 'Save the lot' }).click();
  await expect(page.getByText('counts do not fall').first()).toBeVisible();
  await page.getByLabel('Counts, in all').last().fill('3: 9, 5: 15');
  await expect(page.getByText(/75%, with 90% limits 57 to 87%/)).toBeVisible();
  await page.getByRole('button', { name: 'Save the lot' }).click();
  await page.waitForURL(/\/books\/lots$/);
  await expect(page.locator('tr', { hasText: code }).first()).toContainText('75%');
});
