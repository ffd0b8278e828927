/** Bytes that come before the first screen; its dialogs are fetched behind it. */
import { gzipSync } from 'node:zlib';
import { expect, test } from './studio.ts';

/** JavaScript before a first screen, packed by gzip. Bytes. */
const budget = 225_000;

for (const [screen, ready] of [
  ['file', '[data-testid=plugin]'],
  ['load', '[data-testid=hit]'],
] as const) {
  test(`${screen} stands with at most ${budget / 1000} kB of JavaScript`, async ({
    page,
    demo,
  }) => {
    const bodies = new Map<string, Promise<Buffer>>();
    page.on('response', (response) => {
      const { pathname } = new URL(response.url());
      if (pathname.endsWith('.js')) {
        bodies.set(pathname, response.body());
      }
    });
    // What is fetched when the window has nothing better to do is not waited for by anybody.
    await page.addInitScript((part) => {
      Object.assign(window, { requestIdleCallback: () => 0 });
      const watch = new MutationObserver(() => {
        if (document.querySelector(part)) {
          watch.disconnect();
          Object.assign(window, {
            before: performance.getEntriesByType('resource').map(({ name }) => name),
          });
        }
      });
      watch.observe(document, { subtree: true, childList: true });
    }, ready);
    await page.goto(`${demo.address}/${screen}`);
    await page.locator(ready).first().waitFor();
    const before = await page.evaluate(() => (window as unknown as { before: string[] }).before);
    const loaded = before
      .map((address) => new URL(address).pathname)
      .filter((path) => path.endsWith('.js'));
    expect(loaded.length).toBeGreaterThan(3);
    const sizes = await Promise.all(
      loaded.map(async (path) => gzipSync((await bodies.get(path)) ?? '').length),
    );
    expect(Math.min(...sizes)).toBeGreaterThan(20);
    expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThanOrEqual(budget);
    for (const later of ['review-screen', 'keep-screen', 'rule-screen', 'forms-', 'd3-']) {
      expect(loaded.join(' ')).not.toContain(later);
    }
  });
}
