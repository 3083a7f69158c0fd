import { expect, test as base, type Page } from '@playwright/test';

/** Tests against the running application; anything the page's console complains of fails the test. */
export const test = base.extend<{ complaints: string[] }>({
  baseURL: async ({}, use) => use(process.env['CROOK_E2E_URL']),
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
  await page.waitForFunction(() => !document.querySelector('astro-island[ssr]'));
}

export { expect };
