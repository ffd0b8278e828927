/** Takes a picture of each main view of the demo into docs/screenshots. `npm run screenshots`. */
import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { chromium as playwright, type Locator, type Page } from '@playwright/test';
import { createTravel, demoComputer, seedStudio } from '@clever-drawer/demo';
import { freePort, serve } from '@clever-drawer/server';
import { chromium } from './browser.ts';

const out = resolve(import.meta.dirname, '../docs/screenshots');
const web = resolve(import.meta.dirname, '../web/dist');

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly theme?: 'dusk';
  readonly size?: { width: number; height: number };
  readonly prepare?: (page: Page) => Promise<void>;
}

const search = 'Search';
const shots: readonly Shot[] = [
  { name: 'scan', path: '/scan' },
  {
    name: 'scan-failed',
    path: '/scan',
    prepare: async (page) => {
      await page.getByRole('button', { name: /Failed now/ }).click();
    },
  },
  { name: 'sort', path: '/sort' },
  {
    name: 'plugin',
    path: '/file?q=bosunrigg de',
    prepare: async (page) => {
      await page.getByTestId('plugin').first().click();
      await page.keyboard.press('i');
      await page.locator('.loads-chart').waitFor();
    },
  },
  {
    name: 'file',
    path: '/file?by=use',
    prepare: async (page) => {
      for (const at of [2, 4, 5]) {
        await page.getByTestId('plugin').nth(at).locator('.tick').click();
      }
      await page.getByTestId('plugin').nth(1).click();
    },
  },
  { name: 'file-dusk', path: '/file?kind=effect&by=vendor', theme: 'dusk' },
  {
    name: 'file-open-folder',
    path: '/file?kind=setting',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^Heron and Eel, folder/ }).click();
    },
  },
  {
    name: 'rule',
    path: '/file',
    prepare: async (page) => {
      await openRule(page);
      await page.getByRole('combobox', { name: 'name has: add a value' }).click();
      await page.keyboard.type('tap');
      await page.waitForTimeout(300);
    },
  },
  {
    name: 'file-drag',
    path: '/file?by=vendor',
    prepare: async (page) => {
      await carry(
        page,
        page.getByTestId('plugin').nth(3),
        page.getByRole('button', { name: /^Squeeze, folder/ }),
      );
    },
  },
  {
    name: 'file-narrow',
    path: '/file',
    size: { width: 900, height: 700 },
    prepare: async (page) => {
      await page.getByTitle('List').click();
      await page.getByLabel(search).fill('plate');
    },
  },
  {
    name: 'load',
    path: '/load',
    prepare: async (page) => {
      await letters(page).fill('sl');
      await page.keyboard.press('Control+i');
    },
  },
  {
    name: 'load-setting',
    path: '/load',
    prepare: async (page) => {
      await letters(page).fill('surgeon old har');
      await page.getByText('Old harbour bell').first().waitFor();
    },
  },
  {
    name: 'load-copies',
    path: '/load',
    theme: 'dusk',
    prepare: async (page) => {
      await page.getByTestId('hit').first().waitFor();
      await letters(page).fill('graphic');
      await page.keyboard.press('Alt+Enter');
    },
  },
  {
    name: 'load-repair',
    path: '/load',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Session', exact: true }).click();
      await page.getByRole('button', { name: /^The Heron and the Eel/ }).click();
      await page.getByRole('heading', { name: /could not be opened/ }).waitFor();
      await page.waitForTimeout(4000);
    },
  },
  {
    name: 'review',
    path: '/review',
    prepare: async (page) => {
      await page.locator('.advice-list').waitFor();
    },
  },
  {
    name: 'review-own',
    path: '/review?part=own',
    theme: 'dusk',
    prepare: async (page) => {
      await page.locator('.mark').first().waitFor();
    },
  },
  {
    name: 'review-use',
    path: '/review?part=use',
    prepare: async (page) => {
      await page.locator('.mark').first().waitFor();
    },
  },
  {
    name: 'keep',
    path: '/keep',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^Before the tour/ }).click();
      await page.getByRole('table', { name: 'What would change' }).waitFor();
    },
  },
  {
    name: 'keep-carry',
    path: '/keep?tab=carry',
    prepare: async (page) => {
      await page.getByRole('button', { name: /^Computer:/ }).click();
      await page.getByRole('button', { name: /^Loft Room/ }).click();
      await page.getByLabel('Computer to import from').selectOption({ index: 1 });
      await page.getByText(/missing: their places wait/).waitFor();
    },
  },
];

const letters = (page: Page): Locator => page.getByLabel('Search plugins');

const openRule = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: /^Echo, smart/ }).click();
  await page.getByRole('link', { name: 'Change the rule' }).click();
  await page.locator('.rule-rows li').first().waitFor();
};

/** A plugin in the air over a folder. */
async function carry(page: Page, from: Locator, to: Locator): Promise<void> {
  const a = await from.boundingBox();
  const b = await to.boundingBox();
  if (!a || !b) {
    throw new Error('not in view');
  }
  await page.mouse.move(a.x + 140, a.y + 20);
  await page.mouse.down();
  await page.mouse.move(a.x + 160, a.y + 30, { steps: 3 });
  await page.mouse.move(b.x + 60, b.y + 60, { steps: 5 });
}

async function take(page: Page, address: string, shot: Shot): Promise<void> {
  await page.setViewportSize(shot.size ?? { width: 1280, height: 800 });
  await page.goto(`${address}/file`);
  await page.evaluate((theme) => {
    localStorage.setItem('clever-drawer.theme', theme);
  }, shot.theme ?? 'day');
  await page.goto(`${address}${shot.path}`);
  await page
    .getByRole('main')
    .getByRole('heading', { level: 1 })
    .first()
    .waitFor({ state: 'attached' });
  await page.waitForTimeout(400);
  await shot.prepare?.(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(out, `${shot.name}.png`) });
  await page.mouse.up();
  await page.evaluate(() => {
    sessionStorage.clear();
    localStorage.clear();
  });
}

const only = process.argv.slice(2);
const given = process.env['CLEVER_DRAWER_ADDRESS'];
/** Short and the same each time, since the pictures show it. */
const data = join(tmpdir(), 'quay');
rmSync(data, { recursive: true, force: true });
const travel = createTravel();
const server = given
  ? null
  : await serve({
      data,
      port: await freePort(),
      web,
      firstComputer: demoComputer,
      clock: travel.clock,
    });
const address = given ?? server?.address ?? '';
try {
  if (server) {
    await seedStudio(server, join(data, 'studios'), travel);
  }
  const browser = await playwright.launch(chromium);
  const page = await browser.newPage({ reducedMotion: 'reduce' });
  page.on('console', (message) => {
    if (message.type() === 'error') {
      console.error(message.text());
    }
  });
  for (const shot of shots) {
    if (only.length === 0 || only.includes(shot.name)) {
      await take(page, address, shot);
    }
  }
  await browser.close();
} finally {
  await server?.stop();
  rmSync(data, { recursive: true, force: true });
}
