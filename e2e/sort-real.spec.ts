/** The questions about the real plugins of named Debian packages, answered by keys that are counted. */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { APIRequestContext } from '@playwright/test';
import type { ComputerView, ScanView } from '@clever-drawer/core/api';
import { drawn, expect, saved, test, type Host } from './studio.ts';

const packages = [
  'lv2-examples',
  'swh-lv2',
  'invada-studio-plugins-lv2',
  'zam-plugins',
  'swh-plugins',
] as const;
const kept = /^\/usr\/lib\/(?:lv2|ladspa|vst|vst3|clap)\/.*\.[^/]+$/;

/** The packages' own plugin files, copied with their directories, so that nothing else is looked at. */
function place(host: Host): string {
  const directory = join(host.data, 'plugins');
  const files = execFileSync('dpkg', ['-L', ...packages], { encoding: 'utf8' })
    .split('\n')
    .filter((file) => kept.test(file) && !file.endsWith('.lv2') && !file.endsWith('.vst3'));
  expect(files.length).toBeGreaterThan(300);
  for (const file of files) {
    const copy = join(directory, file);
    mkdirSync(dirname(copy), { recursive: true });
    cpSync(file, copy);
  }
  return directory;
}

async function doneScans(request: APIRequestContext, address: string): Promise<number> {
  const get = async <T>(path: string): Promise<T> =>
    (await (await request.get(`${address}/api/${path}`)).json()) as T;
  const [computer] = await get<ComputerView[]>('computers');
  const { scans } = await get<{ scans: ScanView[] }>(`computers/${computer?.id ?? ''}/scans`);
  return scans.filter(({ state }) => state === 'done').length;
}

test('all questions about real plugins are answered by a counted number of keys', async ({
  page,
  empty,
  request,
}, info) => {
  test.setTimeout(240_000);
  await page.goto(`${empty.address}/scan`);
  await page.getByLabel('Path of a directory with plugins').fill(place(empty));
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  const open = page.getByRole('region', { name: 'Opening' }).getByRole('button', { name: /^Open/ });
  await open.click({ timeout: 60_000 });
  // Reading was one scan, opening is another: what is asked is whole when both are done.
  await expect.poll(() => doneScans(request, empty.address), { timeout: 90_000 }).toBe(2);

  let keys = 0;
  const press = async (...all: readonly string[]): Promise<void> => {
    for (const key of all) {
      keys += 1;
      await page.keyboard.press(key);
    }
  };
  await press('Alt+2');
  const answer = page.getByText('take the marked answer');
  const nothing = page.getByText('nothing to take');
  const isInstrument = page.getByText('An instrument; which, is not known.');
  // What would not open is no question; it is listed behind them.
  const isDone = page
    .getByRole('region', { name: 'Would not open' })
    .or(page.getByRole('heading', { name: 'Nothing is waiting' }));
  /** What is asked now; empty where nothing is. */
  const question = async (): Promise<string> =>
    (await page.locator('.question-card').allTextContents()).join();
  let asked = 0;
  await expect(answer.or(nothing)).toBeVisible();
  while (!(await isDone.isVisible())) {
    asked += 1;
    const before = await question();
    if (await answer.isVisible()) {
      await press('Enter');
    } else {
      // Where nothing speaks for any answer, one is found by letters.
      const letters = (await isInstrument.isVisible()) ? ['s', 'a', 'm'] : ['u', 't', 'i'];
      await press('/', ...letters, 'Enter');
    }
    await expect.poll(question).not.toBe(before);
    await expect(answer.or(nothing).or(isDone)).toBeVisible();
    await saved(page);
    // Nobody answers within the frame in which a question comes.
    await drawn(page);
  }
  await saved(page);
  info.annotations.push({ type: 'questions', description: String(asked) });
  info.annotations.push({ type: 'keys', description: String(keys) });
  // One key to go there, one an answer, and letters for the few that nothing speaks for.
  expect(asked).toBeGreaterThan(5);
  expect(asked).toBeLessThan(20);
  expect(keys).toBeLessThanOrEqual(2 * asked);
});
