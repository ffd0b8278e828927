/** Bytes that come before the first screen; what is opened now and then is fetched then. */
import { gzipSync } from 'node:zlib';
import { expect, test } from './studio.ts';

/** JavaScript before a first screen, packed by gzip. Bytes. */
const budget = 200_000;

for (const [screen, ready] of [
  ['file', '[data-testid=plugin]'],
  ['load', '[data-testid=hit]'],
] as const) {
  test(`${screen} stands with at most ${budget / 1000} kB of JavaScript`, async ({
    page,
    demo,
  }) => {
    const sizes = new Map<string, Promise<number>>();
    // What is fetched when the window is idle is not waited for by anybody.
    await page.addInitScript(() => {
      Object.assign(window, { requestIdleCallback: () => 0 });
    });
    page.on('response', (response) => {
      const { pathname } = new URL(response.url());
      if (pathname.endsWith('.js')) {
        sizes.set(
          pathname,
          response.body().then((body) => gzipSync(body).length),
        );
      }
    });
    await page.goto(`${demo.address}/${screen}`);
    await page.locator(ready).first().waitFor();
    const bytes = await Promise.all(sizes.values());
    expect(bytes.length).toBeGreaterThan(3);
    expect(bytes.reduce((sum, size) => sum + size, 0)).toBeLessThanOrEqual(budget);
    const loaded = [...sizes.keys()].join(' ');
    for (const later of ['review-screen', 'keep-screen', 'rule-screen', 'd3-']) {
      expect(loaded).not.toContain(later);
    }
  });
}
