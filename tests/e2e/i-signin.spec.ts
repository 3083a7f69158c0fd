import type { Browser, Page } from '@playwright/test';
import { accessible, answers, expect, follow, open, test } from './page.ts';

const WORDS = 'otter lamp gravel nine';
/** Another device: nothing of the first is on it. */
async function device(browser: Browser, url: string, width = 390, height = 844): Promise<Page> {
  const context = await browser.newContext({ baseURL: url, viewport: { width, height }, serviceWorkers: 'block' });
  return context.newPage();
}
const linkIn = async (page: Page): Promise<string> => {
  const link = await page.locator('[data-link]').innerText();
  await page.keyboard.press('Escape');
  return link;
};

test('the first owner is made on the machine; a phone is invited, works as a hand, and is removed', async ({
  page,
  browser,
  house,
}) => {
  await open(page, '/house/people');
  await page.getByText('Let phones and other people in').click();
  await page.getByLabel('Who you are').fill('Head grower');
  await page.getByLabel('Name', { exact: true }).fill('head');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Become the owner' }).click();
  await expect(page.getByText(/at least 12 letters;/)).toBeVisible();
  await page.getByLabel('Password').fill(WORDS);
  await follow(page, () => page.getByRole('button', { name: 'Become the owner' }).click());
  await expect(page.getByRole('row', { name: /Head grower/ })).toContainText('head');
  await accessible(page);

  const phone = await device(browser, house.url);
  await phone.goto('/heat');
  await expect(phone).toHaveURL(/sign-in\?to=%2Fheat/);
  await accessible(phone);
  await page.getByRole('button', { name: 'Link for Weekend hand' }).click();
  await expect(page.getByRole('img', { name: 'Link for Weekend hand' })).toBeVisible();
  await accessible(page);
  await phone.goto(await linkIn(page));
  await phone.getByLabel('Name', { exact: true }).fill('weekend');
  await phone.getByLabel('Password').fill('gate moss candle two');
  await accessible(phone);
  await follow(phone, () => phone.getByRole('button', { name: 'Join' }).click());
  await expect(phone.getByRole('heading', { name: "Today's round" })).toBeVisible();
  const job = phone.locator('[data-job]').first();
  await job
    .getByRole('button', { name: /^Moved/ })
    .first()
    .click();
  await expect(phone.getByRole('button', { name: 'Undo' }).first()).toBeVisible();
  await open(page, '/batch/ledger');
  await expect(page.getByRole('row').nth(1)).toContainText('Weekend hand');
  await phone.goto('/house/settings');
  await expect(phone.getByRole('heading', { name: 'Not for your role' })).toBeVisible();
  await accessible(phone);

  // Removed with the page open: what is tapped then waits, and the phone says why.
  await open(phone, '/');
  const people = (await (await page.request.get('/api/books/people')).json()) as {
    id: number;
    name: string;
    version: number;
  }[];
  const hand = people.find(({ name }) => name === 'Weekend hand')!;
  const retire = (version: number, retired: boolean) =>
    page.request.put(`/api/books/people/${hand.id}/retired`, { data: { version, retired } });
  expect((await retire(hand.version, true)).status()).toBe(200);
  await phone.locator('[data-job]').first().getByRole('button').nth(1).click();
  await phone.goto('/heat');
  await expect(phone.getByText('You are no longer one of the people of this house')).toBeVisible();
  await phone.context().close();
});

test('an account has its password, PIN and passkeys; a device is signed out from another', async ({
  page,
  browser,
  house,
}) => {
  await open(page, '/house/sign-in?to=/house/me');
  await page.getByLabel('Name', { exact: true }).fill('HEAD');
  await page.getByLabel('Password').fill('wrong wrong wrong');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Name or password is wrong');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('HEAD');
  await page.getByLabel('Password').fill(WORDS);
  await follow(page, () => page.getByRole('button', { name: 'Sign in', exact: true }).click());
  await expect(page.getByRole('heading', { name: 'Head grower' })).toBeVisible();
  await accessible(page);

  // A key of the device itself, of the browser's own stand-in.
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
    },
  });
  await page.goto(page.url().replace('127.0.0.1', 'localhost'));
  await page.getByLabel('Name', { exact: true }).fill('head');
  await page.getByLabel('Password').fill(WORDS);
  await follow(page, () => page.getByRole('button', { name: 'Sign in', exact: true }).click());
  await page.getByRole('button', { name: 'Add this device' }).click();
  await expect(page.getByText('Passkey 1')).toBeVisible();
  await follow(page, () => page.getByRole('button', { name: 'Sign out', exact: true }).first().click());
  await follow(page, () => page.getByRole('button', { name: 'Sign in by passkey' }).click());
  await expect(page.getByRole('heading', { name: "Today's round" })).toBeVisible();

  await page.goto('/house/me');
  await answers(page);
  const pin = page.locator('form', { has: page.getByLabel('New PIN') });
  await pin.getByLabel('Password now').fill(WORDS);
  await pin.getByLabel('New PIN').fill('2580');
  await pin.getByRole('button', { name: 'Set PIN' }).click();
  await expect(page.getByText('Set.', { exact: true })).toBeVisible();

  const other = await device(browser, house.url);
  await open(other, '/house/sign-in');
  await other.getByLabel('Name', { exact: true }).fill('head');
  await other.getByLabel('Password').fill(WORDS);
  await follow(other, () => other.getByRole('button', { name: 'Sign in', exact: true }).click());
  await page.reload();
  await answers(page);
  const others = page.getByRole('listitem').filter({ hasText: 'seen' });
  await expect(others.first()).toBeVisible();
  const before = await others.count();
  // The one seen last.
  await others.getByRole('button').first().click();
  await expect(others).toHaveCount(before - 1);
  await other.getByRole('link', { name: 'Heat' }).first().click();
  await expect(other).toHaveURL(/sign-in/);
  await other.context().close();
});

test('a tablet of the house changes hands by a PIN', async ({ page, browser, house }) => {
  await open(page, '/house/sign-in?to=/house/people');
  await page.getByLabel('Name', { exact: true }).fill('head');
  await page.getByLabel('Password').fill(WORDS);
  await follow(page, () => page.getByRole('button', { name: 'Sign in', exact: true }).click());
  await page.getByRole('button', { name: 'Add a tablet of the house' }).click();
  const tablet = await device(browser, house.url, 820, 1180);
  await tablet.goto(await linkIn(page));
  await follow(tablet, () => tablet.getByRole('button', { name: 'Sign in as the house' }).click());
  const pin = tablet.getByRole('textbox', { name: 'PIN' });
  await tablet.getByRole('button', { name: 'Hand it to Head grower' }).click();
  await pin.fill('1379');
  await tablet.getByRole('button', { name: 'Take the tablet' }).click();
  await expect(tablet.getByText('This is not their PIN.')).toBeVisible();
  await accessible(tablet);
  await pin.fill('2580');
  await tablet.getByRole('button', { name: 'Take the tablet' }).click();
  await expect(tablet.getByRole('button', { name: 'Head grower holds this device. Let go' })).toBeVisible();
  await open(tablet, '/');
  await expect(tablet.locator('html')).toHaveAttribute('data-person', 'Head grower');
  await tablet.context().close();
  await page.goto('/house/audit');
  await expect(page.getByText('Account of Head grower: made')).toBeVisible();
});
