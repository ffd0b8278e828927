/** For journeys: a server of one's own, empty or with the demo, that can be restarted. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import {
  test as base,
  expect,
  type APIRequestContext,
  type Locator,
  type Page,
} from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import type { ComputerView } from '@clever-drawer/core/api';
import { demoComputer } from '@clever-drawer/demo';
import { seedOfRun } from './seed.ts';
import { serve, type Running } from '@clever-drawer/server';

const web = resolve(import.meta.dirname, '../web/dist');

export interface Host {
  readonly address: string;
  readonly data: string;
  restart(): Promise<void>;
}

/** What a journey begins with: nothing, nothing behind a key, or Kestrel Quay. */
type Beginning = 'empty' | 'locked' | 'demo';

const start = (data: string, port: number, beginning: Beginning): Promise<Running> =>
  serve({
    data,
    port,
    web,
    isPrivate: beginning === 'locked',
    firstComputer: beginning === 'demo' ? demoComputer : { name: 'Test computer' },
    // Journeys make their directories there.
    allowed: [tmpdir(), resolve(import.meta.dirname, '../test-results')],
  });

/** A server over the data, which go when the test is done. */
async function host(
  data: string,
  beginning: Beginning,
  use: (host: Host) => Promise<void>,
): Promise<void> {
  let running = await start(data, 0, beginning);
  const port = Number(new URL(running.address).port);
  try {
    await use({
      address: running.address,
      data,
      restart: async () => {
        await running.stop();
        running = await start(data, port, beginning);
      },
    });
  } finally {
    await running.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

const newData = (): string => mkdtempSync(join(tmpdir(), 'clever-drawer-e2e-'));

/** Ends what windows still ask of the server before it stops, which would be said as an error. */
async function leave(page: Page): Promise<void> {
  for (const window of page.context().pages()) {
    await window.goto('about:blank');
  }
}

/** What a browser says of a server that stops while its page asks, and of a request that is refused. */
const expected = /ERR_CONNECTION_(REFUSED|RESET)|ERR_INCOMPLETE_CHUNKED|status of 4\d\d/;

/**
 * `empty` starts with nothing, `locked` too but behind a key, `demo` with Kestrel Quay; all fail on any
 * error the page writes to its console.
 */
export const test = base.extend<{ empty: Host; locked: Host; demo: Host; quiet: undefined }>({
  locked: async ({ page }, use) => {
    await host(newData(), 'locked', async (one) => {
      await use(one);
      await leave(page);
    });
  },
  empty: async ({ page }, use) => {
    await host(newData(), 'empty', async (one) => {
      await use(one);
      await leave(page);
    });
  },
  demo: async ({ page }, use) => {
    const data = newData();
    const seed = seedOfRun();
    execFileSync('cp', ['-a', join(seed, 'cluster'), join(seed, 'cluster-password'), data]);
    await host(data, 'demo', async (one) => {
      await use(one);
      await leave(page);
    });
  },
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !expected.test(message.text())) {
          errors.push(message.text());
        }
      });
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** The rules of axe that look at colours; all others find the same by day and by dusk. */
const rulesOfColours = ['color-contrast', 'link-in-text-block'];

/** axe finds nothing on the page as it is: by all its rules, or by those that look at colours. */
export async function expectNoAxeFindings(
  page: Page,
  of: 'everything' | 'colours' = 'everything',
): Promise<void> {
  // Without pages inside of the page, the way that needs no second window finds the same.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations, passes } = await (
    of === 'colours' ? axe.withRules(rulesOfColours) : axe
  ).analyze();
  expect(passes.length).toBeGreaterThan(of === 'colours' ? 0 : 5);
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`,
    ),
  ).toEqual([]);
}

/** A folder's drawer front, on the page or in a part of it. */
export const front = (page: Page | Locator, name: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^${name}, `) });

/** Takes hold of the one in its middle and carries it over the other; letting go is the caller's. */
export async function dragTo(page: Page, from: Locator, to: Locator): Promise<void> {
  const a = await from.boundingBox();
  const b = await to.boundingBox();
  if (!a || !b) {
    throw new Error('not in view');
  }
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + a.width / 2 + 12, a.y + a.height / 2 + 6, { steps: 3 });
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2, { steps: 8 });
}

/** Ends once what happened so far has been drawn. */
export const drawn = (page: Page): Promise<unknown> =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
  );

/** Holds back what the server answers to these addresses, until the act that it gives is done. */
export async function holdBack(page: Page, addresses: string | RegExp): Promise<() => void> {
  let letGo = (): void => undefined;
  const held = new Promise<void>((done) => {
    letGo = done;
  });
  await page.route(addresses, async (route) => {
    await held;
    await route.continue();
  });
  return () => {
    letGo();
  };
}

/** How many plugins of how many are shown. */
export const shown = (page: Page): Locator => page.getByRole('search').getByRole('status');

export const saved = (page: Page): Promise<void> =>
  expect(page.getByTestId('saved')).toHaveText('saved');
export { expect };

/** Asks of the only computer of a server. */
export async function askOf(
  request: APIRequestContext,
  address: string,
): Promise<<T>(path: string) => Promise<T>> {
  const [computer] = (await (
    await request.get(`${address}/api/computers`)
  ).json()) as ComputerView[];
  return async <T>(path: string): Promise<T> =>
    (await (
      await request.get(`${address}/api/computers/${computer?.id ?? ''}/${path}`)
    ).json()) as T;
}
