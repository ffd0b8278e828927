/** For journeys: the real plugins of named Debian packages, alone in a directory. */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { APIRequestContext, Page } from '@playwright/test';
import type { ScanView } from '@clever-drawer/core/api';
import { askOf, expect, type Host } from './studio.ts';

const packages = [
  'lv2-examples',
  'swh-lv2',
  'invada-studio-plugins-lv2',
  'zam-plugins',
  'swh-plugins',
] as const;
const pluginFile = /^\/usr\/lib\/(?:lv2|ladspa|vst|vst3|clap)\/.*\.[^/]+$/;

/** The packages' own plugin files, copied with their directories, so that nothing else is looked at. */
function copyPlugins({ data }: Host): string {
  const directory = join(data, 'plugins');
  const files = execFileSync('dpkg', ['-L', ...packages], { encoding: 'utf8' })
    .split('\n')
    .filter((file) => pluginFile.test(file) && !file.endsWith('.lv2') && !file.endsWith('.vst3'));
  expect(files.length).toBeGreaterThan(300);
  for (const file of files) {
    const copy = join(directory, file);
    mkdirSync(dirname(copy), { recursive: true });
    cpSync(file, copy);
  }
  return directory;
}

/** Scans a directory with the packages' plugins and opens all copies. */
export async function scanAndOpen(
  page: Page,
  host: Host,
  request: APIRequestContext,
): Promise<void> {
  await page.goto(`${host.address}/scan`);
  const directory = copyPlugins(host);
  await page.getByLabel('Path of a directory with plugins').fill(directory);
  await page.getByRole('button', { name: 'Add a place' }).click();
  await expect(page.getByText(directory, { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  const open = page.getByRole('region', { name: 'Opening' }).getByRole('button', { name: /^Open/ });
  await open.click({ timeout: 60_000 });
  const ask = await askOf(request, host.address);
  const doneScans = async (): Promise<number> => {
    const { scans } = await ask<{ scans: ScanView[] }>('scans');
    return scans.filter(({ state }) => state === 'done').length;
  };
  // Reading was one scan, opening is another: what is known is whole when both are done.
  await expect.poll(doneScans, { timeout: 90_000 }).toBe(2);
}
