import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Page } from '@playwright/test';
import { startApp, type App } from '../support/app.ts';

/** How a file has its application started: by default with the demo nursery and its benches. */
interface Starts {
  readonly flags: readonly string[];
  readonly more: Readonly<Record<string, string>>;
}

/**
 * Tests against a running application, one for each file on a database of its own (each file is a project, so a worker of
 * its own); after a failure the rest of the file goes on in a new one. Anything the page's console complains of fails the
 * test.
 */
export const test = base.extend<{ complaints: string[] }, { starts: Starts; house: App }>({
  starts: [
    { flags: [], more: {} },
    { scope: 'worker', option: true },
  ],
  house: [
    async ({ starts }, use) => {
      const app = await startApp(starts.flags, undefined, starts.more);
      await use(app);
      await app.stop();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ house }, use) => use(house.url),
  complaints: [
    async ({ page }, use) => {
      const complaints: string[] = [];
      page.on('pageerror', (error) => complaints.push(error.message));
      page.on('console', (message) => {
        // A refused call is the test's own doing; its answer is checked where it matters.
        if (message.type() === 'error' && !/Failed to load resource/.test(message.text()))
          complaints.push(message.text());
      });
      await use(complaints);
      expect(complaints).toEqual([]);
    },
    { auto: true },
  ],
});

/** Opens a page and waits until its islands answer. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await answers(page);
}

/** Waits until the islands of the page it is on answer. */
export async function answers(page: Page): Promise<void> {
  await page.waitForFunction(() => !document.querySelector('astro-island[ssr]:not([client="visible"])'));
}

/** Does what leads to another page, and waits until that page is there and answers: never asks the one that is left. */
export async function follow(page: Page, act: () => Promise<unknown>): Promise<void> {
  await Promise.all([page.waitForEvent('load'), act()]);
  await answers(page);
}

/** axe finds nothing on the page, by every rule of its own and of WCAG 2.2 A and AA, or by those named. */
export async function accessible(page: Page, rules?: readonly string[]): Promise<void> {
  // Legacy mode spares a second page for each look; none of ours has frames, which is all that it leaves out.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'], runOnly: [...(rules ?? RULES)] })
    .analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual([]);
}

/** What a look can change for the worse; the rest is held on every page in the usual one. */
export const COLOURS = ['color-contrast', 'link-in-text-block', 'target-size'];

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

export { expect };
