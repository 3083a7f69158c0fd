import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import bwipjs from 'bwip-js/node';
import { encodePng, Image } from 'image-js';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { madeUpPhoto } from '../support/madeUpPhotos.ts';
import { accessible, answers, expect, follow, open, test } from './page.ts';

const PHONE = { width: 390, height: 844 };
const files = mkdtempSync(join(tmpdir(), 'crook-round.'));
test.afterAll(() => rmSync(files, { recursive: true }));

test('forty-five minutes are filled so that least is lost; what is left stands with what it costs', async ({
  page,
}) => {
  await open(page, '/');
  const jobs = page.locator('[data-job]');
  const all = await jobs.count();
  await page.getByRole('button', { name: '45 min' }).click();
  await expect(page.getByText(/^Chosen: 4\d min/)).toBeVisible();
  const chosen = await jobs.count();
  expect(chosen).toBeLessThan(all);
  await page.getByText(/^Chosen: 4\d min/).click();
  const left = page.getByRole('heading', { name: 'Left until tomorrow' }).locator('+ ul > li');
  expect(chosen + (await left.filter({ hasNotText: /^Water, / }).count())).toBe(all);
  await expect(left.first()).toContainText(/min; (left until tomorrow|tomorrow will do|as written)/);
  // Two walk: more is done, and each has their own.
  await page.getByRole('button', { name: 'Head grower is here' }).click();
  await page.getByRole('button', { name: 'Propagator is here' }).click();
  await expect(page.getByText(/^Chosen: HG 4\d min, P \d+ min/)).toBeVisible();
  expect(await jobs.count()).toBeGreaterThan(chosen);
  await accessible(page);
  await page.getByRole('button', { name: 'Must be today' }).click();
  expect(await jobs.count()).toBeLessThan(all);
  // The choice is that of this device today, also when the page is opened again.
  await open(page, '/');
  await expect(page.getByRole('button', { name: 'Must be today' })).toHaveAttribute('aria-pressed', 'true');
});

test('a look at the heat: all right by one tap, a wet lead says what to do first', async ({ page }) => {
  await open(page, '/');
  const looks = page.locator('[data-job^="heat/"]');
  const before = await looks.count();
  await looks
    .first()
    .getByRole('button', { name: /^All right/ })
    .click();
  await expect(page.getByText(/: all right\./)).toBeVisible();
  await expect(looks).toHaveCount(before - 1);
  await looks
    .first()
    .getByRole('button', { name: /^Something wrong/ })
    .click();
  const panel = page.getByRole('complementary', { name: 'The job in hand' });
  await panel
    .getByRole('group', { name: /Leads and plugs dry/ })
    .getByRole('button', { name: 'No' })
    .click();
  await expect(panel.getByText(/Switch the circuit off at the board first/)).toBeVisible();
  await panel.getByLabel('Note').fill('drip from the gutter');
  await accessible(page);
  await panel.getByRole('button', { name: 'Save: done' }).click();
  await expect(looks).toHaveCount(before - 2);
  await page.getByText(/^All of it/).click();
  await page.getByRole('button', { name: 'Evening' }).click();
  await expect(looks).toHaveCount(before);
  await expect(page.getByText('Fill the paraffin heater').first()).toBeVisible();
});

test('what was tapped is gone at once and does not come back while the round is read again', async ({ page }) => {
  await open(page, '/');
  const looks = page.locator('[data-job^="heat/"]');
  const first = (await looks.first().getAttribute('data-job'))!;
  let slow = false;
  await page.route('**/api/house/round', async (route) => {
    if (slow) await new Promise((resolve) => setTimeout(resolve, 1_500));
    await route.continue();
  });
  slow = true;
  await page.evaluate((key) => {
    const seen: boolean[] = [];
    (globalThis as { seen?: boolean[] }).seen = seen;
    setInterval(() => seen.push(document.querySelector(`[data-job="${key}"]`) !== null), 20);
  }, first);
  await looks
    .first()
    .getByRole('button', { name: /^All right/ })
    .click();
  await expect(page.getByText(/: all right\./)).toBeVisible();
  await page.waitForTimeout(2_500);
  const seen = await page.evaluate(() => (globalThis as { seen?: boolean[] }).seen!);
  // Once gone it stays gone.
  expect(seen.slice(seen.indexOf(false))).not.toContain(true);
});

test('two devices see each other’s taps; a job is taken and given', async ({ page, browser, house }) => {
  const other = await (await browser.newContext({ baseURL: house.url })).newPage();
  await open(page, '/');
  await open(other, '/');
  const there = (name: string) => page.locator('[data-job^="own/"]').filter({ hasText: name });
  const here = (name: string) => other.locator('[data-job^="own/"]').filter({ hasText: name });
  await expect(there('Wash trays')).toHaveCount(1);
  await here('Wash trays').getByRole('button', { name: 'Wash trays', exact: true }).click();
  const panel = other.getByRole('complementary', { name: 'The job in hand' });
  await panel.getByRole('button', { name: 'Propagator takes it' }).click();
  await expect(there('Wash trays').getByText('Propagator has this job')).toBeAttached({ timeout: 10_000 });
  await here('Wash trays').getByRole('button', { name: 'Done: Wash trays' }).click();
  await expect(there('Wash trays')).toHaveCount(0, { timeout: 10_000 });
  await page.getByText(/^Done today: /).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Wash trays' })).toBeVisible();
  // Both tap the same job: it is done once, and who was slower is told.
  const slower = page.getByRole('button', { name: 'Done: Change sticky traps' });
  await page.route('**/api/house/round/lines', async (route) => {
    await other.getByRole('button', { name: 'Done: Change sticky traps' }).click();
    await expect(other.getByText('Change sticky traps: done.')).toBeVisible();
    await route.continue();
  });
  await slower.click();
  await expect(page.getByText(/has logged this job already. Nothing was written twice/)).toBeVisible();
  await other.context().close();
});

test.describe('on a phone', () => {
  test.use({ viewport: PHONE, hasTouch: true });

  test('a place at a time: next by button and by swipe; three jobs in sight, all targets for a thumb', async ({
    page,
  }) => {
    await open(page, '/');
    expect((await page.locator('header.sky').boundingBox())!.height).toBeLessThan(60);
    const place = page.locator('section[data-place]:visible');
    await expect(place).toHaveCount(1);
    const first = await place.getAttribute('aria-label');
    const bar = (await page.locator('nav.journey').boundingBox())!;
    const seen = [];
    for (const job of await place.locator('[data-job]').all()) {
      const box = (await job.getByRole('button').first().boundingBox())!;
      if (box.y + box.height <= bar.y) seen.push(job);
    }
    expect(seen.length).toBeGreaterThanOrEqual(3);
    for (const button of await place.getByRole('button').all())
      expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(47.5);
    await page.getByRole('button', { name: /^Next: / }).click();
    await expect(place).not.toHaveAttribute('aria-label', first!);
    const list = (await place.boundingBox())!;
    await page.mouse.move(0, 0);
    await page.evaluate(
      ([x, y]) => {
        const at = document.elementFromPoint(x!, y!)!;
        const touch = (clientX: number) => new Touch({ identifier: 1, target: at, clientX, clientY: y! });
        const send = (kind: string, clientX: number) =>
          at.dispatchEvent(
            new TouchEvent(kind, {
              bubbles: true,
              cancelable: true,
              touches: kind === 'touchend' ? [] : [touch(clientX)],
              targetTouches: kind === 'touchend' ? [] : [touch(clientX)],
              changedTouches: [touch(clientX)],
            }),
          );
        send('touchstart', 60);
        for (let x = 80; x <= 240; x += 40) send('touchmove', x);
        send('touchend', 240);
      },
      [60, list.y + 20],
    );
    await expect(place).toHaveAttribute('aria-label', first!);
    await accessible(page);
    await page.getByRole('button', { name: 'All', exact: true }).last().click();
    expect(await place.count()).toBeGreaterThan(3);
  });

  test('a tray is counted by a photo in three taps; a cell is put right by keys', async ({ page }) => {
    const photo = madeUpPhoto({
      ...{ rows: 6, columns: 10, up: 0.6, twice: 0, leaf: 0.25, lamp: 'warm', noise: 4, blur_px: 1, shadow: false },
      random: seededRandom(5),
      width: 700,
    });
    const file = join(files, 'tray.png');
    writeFileSync(file, encodePng(new Image(photo.width, photo.height, { data: photo.rgba, colorModel: 'RGBA' })));
    const up = photo.plants.filter((n) => n > 0).length;
    await open(page, '/');
    await page.getByRole('button', { name: 'All', exact: true }).last().click();
    await follow(page, () => page.getByRole('link', { name: 'Count by a photo: Aubergine Dusk Bell B' }).click());
    await page.getByLabel('Take a photo').setInputFiles(file);
    await expect(page.getByText('up of 60 cells')).toBeVisible();
    const figure = page.getByRole('status').filter({ hasText: 'up of 60 cells' });
    const counted = Number(/\d+/.exec((await figure.textContent())!)![0]);
    expect(Math.abs(counted - up)).toBeLessThanOrEqual(1);
    // An empty cell is said to hold one, by keys alone.
    const empty = await page
      .locator('[data-cell]')
      .evaluateAll((all) => all.findIndex((one) => one.getAttribute('data-cell') === 'empty'));
    const cells = page.getByRole('group', { name: /^Row 1, cell 1: / });
    await cells.focus();
    for (let i = 0; i < empty; i++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect(figure).toContainText(String(counted + 1));
    await accessible(page);
    await page.getByRole('checkbox', { name: 'Keep the picture with the batch as well' }).check();
    await page.getByRole('button', { name: `Save: ${counted + 1} up` }).click();
    await expect(page.getByText(`${counted + 1} up: saved`)).toBeVisible();
    const notes = async () =>
      ((await (await page.request.get('/api/house/photos?batch=25')).json()) as { note: string }[]).map((p) => p.note);
    await expect.poll(notes).toEqual([`${counted + 1} up`]);
    const { settled } = (await (await page.request.get('/api/batch/25/count')).json()) as {
      settled: { shift: number };
    };
    await expect.poll(() => settled.shift).toBeLessThanOrEqual(0);
  });

  test('a picture of something else, and one that is none, say so', async ({ page }) => {
    const plain = new Uint8Array(4 * 200 * 150).map((_, i) => (i % 4 === 3 ? 255 : 128 + (i % 5)));
    writeFileSync(join(files, 'wall.png'), encodePng(new Image(200, 150, { data: plain, colorModel: 'RGBA' })));
    writeFileSync(join(files, 'word.jpg'), 'no picture');
    writeFileSync(join(files, 'cam.heic'), 'ftypheic');
    await open(page, '/germination/count/ULT?photo=1');
    await page.getByLabel('Choose a picture').setInputFiles(join(files, 'word.jpg'));
    await expect(page.getByRole('alert')).toContainText('cannot be read as a picture');
    await page.getByLabel('Choose a picture').setInputFiles(join(files, 'cam.heic'));
    await expect(page.getByRole('alert')).toContainText('HEIC');
    await page.getByLabel('Choose a picture').setInputFiles(join(files, 'wall.png'));
    await expect(page.getByText('No tray stands out in this picture')).toBeVisible();
    await page.getByRole('button', { name: 'Corner of the first cell' }).focus();
    await page.keyboard.press('ArrowRight');
    await accessible(page);
  });

  test('counting without looking: a large field and keys', async ({ page }) => {
    await open(page, '/germination/count/ULT');
    await page.getByRole('button', { name: 'Count without looking' }).click();
    const dialog = page.getByRole('dialog');
    const more = dialog.getByRole('button', { name: 'One more' });
    const before = Number(await more.textContent());
    await more.click();
    await page.keyboard.press('+');
    await page.keyboard.press('+');
    await page.keyboard.press('-');
    await expect(more).toContainText(String(before + 2));
    await dialog.getByRole('button', { name: 'Left-handed' }).click();
    const [x, fewer] = [
      (await more.boundingBox())!.x,
      (await dialog.getByRole('button', { name: 'One fewer' }).boundingBox())!.x,
    ];
    expect(x).toBeLessThan(fewer);
    await accessible(page);
    await dialog.getByRole('button', { name: 'Done' }).click();
    await expect(page.getByRole('button', { name: `Save: ${before + 2} up` })).toBeVisible();
  });

  test('a label is read from a picture and opens its tray; one of another nursery asks first', async ({
    page,
    house,
  }) => {
    const codeOf = async (text: string) => {
      const png = await (bwipjs.toBuffer as (of: object) => Promise<Buffer>)({
        ...{ bcid: 'qrcode', text, eclevel: 'M', scale: 6, backgroundcolor: 'FFFFFF', padding: 8 },
      });
      const file = join(files, `${text.length}.png`);
      writeFileSync(file, png);
      return file;
    };
    await open(page, '/house/scan');
    await page.getByLabel('Read from a picture').setInputFiles(await codeOf('http://10.0.0.9:4310/t/ULT-2'));
    await expect(page.getByText(/another nursery or another address \(10.0.0.9:4310\)/)).toBeVisible();
    await accessible(page);
    await page.getByLabel('Read from a picture').setInputFiles(await codeOf('hello'));
    await expect(page.getByText('This code is none of a tray: hello')).toBeVisible();
    const code = await codeOf(`${house.url}/t/ULT-2`);
    await follow(page, () => page.getByLabel('Read from a picture').setInputFiles(code));
    await expect(page).toHaveURL(/\/germination\/count\/ULT\?tray=2$/);
  });
});

test('places are put in walking order by keys, and the round follows', async ({ page }) => {
  await open(page, '/house/walk');
  await page.waitForSelector('[data-ready="true"]');
  await page.getByRole('button', { name: 'Move Frames' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Frames is now place 6.')).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('Frames is now place 5.')).toBeAttached();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Frames earlier' }).click();
  await page.getByLabel('Door of Frames').fill('Yard');
  await page.getByRole('button', { name: 'Save the order' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await accessible(page);
  const places = (await (await page.request.get('/api/books/places')).json()) as { name: string; door: string }[];
  expect(places.map(({ name }) => name).indexOf('Frames')).toBe(3);
  expect(places[3]!.door).toBe('Yard');
});

test('the round on paper is typed in later with its times', async ({ page }) => {
  await open(page, '/house/paper');
  await accessible(page);
  const row = page
    .getByRole('listitem')
    .filter({ hasText: /Sow: Chard/ })
    .first();
  const box = row.getByRole('checkbox');
  const title = (await box.getAttribute('aria-label'))!.replace(/ was done$/, '');
  await page.getByLabel(`Time of ${title}`).fill('25:70');
  await page.getByRole('button', { name: 'Save 1 job' }).click();
  await expect(page.getByRole('alert')).toContainText('a time such as 7:40');
  await page.getByLabel(`Time of ${title}`).fill('7:10');
  await page.getByRole('button', { name: 'Save 1 job' }).click();
  await expect(page.getByText('1 job saved.')).toBeVisible();
  // Water stands on it as well, and is written with its time.
  const water = page
    .getByRole('listitem')
    .filter({ hasText: /^Water, / })
    .first();
  const of = (await water.getByRole('checkbox').getAttribute('aria-label'))!.replace(/ was done$/, '');
  await page.getByLabel(`Time of ${of}`).fill('7:25');
  const sent = page.waitForRequest((request) => request.url().includes('/api/watering/lines'));
  await page.getByRole('button', { name: 'Save 1 job' }).click();
  expect((await sent).postDataJSON()).toMatchObject({ kind: 'watered', fedIds: expect.any(Array) });
  await expect(page.getByText('1 job saved.')).toBeVisible();
  const ledger = (await (await page.request.get('/api/batch/ledger')).json()) as {
    lines: { kind: string; tappedAt?: string | null }[];
  };
  expect(ledger.lines[0]!.kind).toBe('sown');
  await open(page, '/batch/ledger');
  await expect(page.getByText(/tapped .*07:10/).first()).toBeVisible();
  await answers(page);
});
