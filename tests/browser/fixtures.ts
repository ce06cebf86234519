import { type BrowserContext, test as base, type Page } from '@playwright/test';

/**
 * Leaves out what WebGL draws in the pages of a context: without a graphics card a third of what a journey costs is
 * filling pixels that no test looks at. Shaders are compiled, buffers filled, and what is clicked found all the same.
 * `view.spec.ts` has one journey that draws.
 */
export async function leaveOutPixels(context: BrowserContext): Promise<void> {
  await context.addInitScript(() => {
    for (const draw of [
      'drawElements',
      'drawArrays',
      'drawElementsInstanced',
      'drawArraysInstanced',
      'clear',
    ] as const) {
      WebGL2RenderingContext.prototype[draw] = () => undefined;
    }
  });
}

/**
 * Playwright's test with one page for all tests of a worker: a page that has run the scripts of Bowline before need not
 * start a process, fetch them and compile them again, which is most of what opening a small job costs. A test finds it
 * on a picture of the same server, since a blank page would take the process with it; without cookies, routes, and
 * listeners to dialogs and the console, which are those that tests add, its pointer in the corner. Bowline keeps
 * nothing else in the browser. What a test opens besides is closed after it. After a failure Playwright starts a new
 * worker, with a new browser.
 */
export const test = base.extend<object, { sharedPage: Page }>({
  sharedPage: [
    async ({ browser }, use, { project }) => {
      const { baseURL, viewport, permissions, contextOptions } = project.use;
      const context = await browser.newContext({ ...contextOptions, baseURL, viewport, permissions });
      await leaveOutPixels(context);
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ sharedPage }, use) => {
    const context = sharedPage.context();
    await use(context);
    await Promise.all(context.pages().map((page) => page !== sharedPage && page.close()));
    await context.clearCookies();
  },
  page: async ({ sharedPage, context: _ }, use) => {
    await use(sharedPage);
    await sharedPage.unrouteAll({ behavior: 'ignoreErrors' });
    sharedPage.removeAllListeners('dialog').removeAllListeners('console');
    await sharedPage.mouse.up();
    // Where it lies over the view, what is laid by keys is shown with the leg that it points at as well.
    await sharedPage.mouse.move(0, 0);
    await sharedPage.goto('/bowline.svg');
  },
});
