/** From keystroke to the frame that shows its result, in Chromium, with 690 and with 20,000 plugins; against a bare page that filters names. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { makePlugins, studioSize, writeStudio } from '@clever-drawer/demo';
import { freePort, serve } from '@clever-drawer/server';
import { measured, type Measured } from './measure.ts';
import { scanAll } from './server.ts';

const web = resolve(import.meta.dirname, '../../web/dist');
const words = ['plate', 'echo', 'comp', 'grebe', 'saltg'];
export const args = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

/** Types the words letter by letter; milliseconds from each keydown to the second frame after it, when its result is painted. */
export async function typing(page: Page, field: string): Promise<number[]> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { keystrokeTimes: times });
    window.addEventListener('keydown', (event) => {
      const start = event.timeStamp;
      requestAnimationFrame(() => { requestAnimationFrame(() => { times.push(performance.now() - start); }); });
    }, { capture: true });
  });
  const input = page.locator(field);
  for (const word of words) {
    await input.fill('');
    await page.waitForTimeout(400);
    await input.focus();
    for (const letter of word) {
      await page.keyboard.press(letter);
      await page.waitForTimeout(120);
    }
  }
  return page.evaluate(() => (window as unknown as { keystrokeTimes: number[] }).keystrokeTimes);
}

/** The floor: names in an array, `includes`, thirty rows of plain HTML. */
export async function bare(page: Page, count: number): Promise<number[]> {
  const names = makePlugins(7, count).map((p) => p.name.toLowerCase());
  await page.setContent('<input id="field"><div id="rows"></div>');
  await page.evaluate((all) => {
    const field = document.querySelector('input'), rows = document.querySelector('#rows');
    field?.addEventListener('input', () => { if (rows) rows.innerHTML = all.filter((n) => n.includes(field.value)).slice(0, 30).map((n) => `<p>${n}</p>`).join(''); });
  }, names);
  return typing(page, '#field');
}

async function withCount(page: Page, count: number): Promise<Measured[]> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const server = await serve({ data, port: await freePort(), web });
  try {
    const studio = writeStudio(join(data, 'studio'), count);
    await (await scanAll(server.address, studio.places))();
    await page.goto(`${server.address}/file`);
    await page.getByTestId('plugin').first().waitFor();
    const list = await typing(page, 'input[aria-label="with the letters"]');
    await page.goto(`${server.address}/load`);
    await page.getByTestId('hit').first().waitFor();
    const load = await typing(page, '[role="combobox"]');
    const floor = { name: 'bare page', samples: await bare(page, count) };
    const of = count.toLocaleString('en');
    return [measured(`keystroke to painted list, File, ${of} plugins`, list, floor), measured(`keystroke to painted hits, Load, ${of} plugins`, load, floor)];
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

export async function benchKeystroke(): Promise<Measured[]> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    return [...(await withCount(page, studioSize)), ...(await withCount(page, 20_000))];
  } finally {
    await browser.close();
  }
}
