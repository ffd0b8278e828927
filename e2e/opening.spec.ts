/** Opening copies that reading cannot tell, on real plugins of zam-plugins, and plugins of another computer. */
import { execFileSync } from 'node:child_process';
import { copyFileSync, cpSync, mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectNoAxeFindings, saved, test, type Host } from './studio.ts';

const crashing = resolve(
  import.meta.dirname,
  '../server/src/opener/test-plugins/misbehave-ladspa.c',
);

/** One and the same reverb in three formats, and a plugin that crashes. */
function place(host: Host): string {
  const directory = join(host.data, 'plugins');
  mkdirSync(directory);
  cpSync('/usr/lib/lv2/ZamVerb.lv2', join(directory, 'ZamVerb.lv2'), { recursive: true });
  copyFileSync('/usr/lib/clap/ZamVerb.clap', join(directory, 'ZamVerb.clap'));
  copyFileSync('/usr/lib/vst/ZamVerb-vst.so', join(directory, 'ZamVerb-vst.so'));
  const library = join(directory, 'leaky-boat.so');
  execFileSync('gcc', ['-w', '-shared', '-fPIC', '-DHOW=1', '-o', library, crashing, '-lpthread']);
  return directory;
}

const rows = (page: Page) => page.getByTestId('plugin');

test('copies are read, then opened by one press: names become right, copies join, one that crashes says so', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty.address}/scan`);
  await page.getByLabel('Path of a directory with plugins').fill(place(empty));
  await page.getByRole('button', { name: 'Add a place' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  const offer = page.getByRole('region', { name: 'Opening' });
  await expect(offer).toContainText('3 of 4 copies: only the file name is known.');
  await expectNoAxeFindings(page);
  await offer.getByRole('button', { name: 'Open 4 copies' }).click();
  await expect(page.getByText(/3 opened · 1 failed/)).toBeVisible();
  await expect(offer).not.toContainText('copies tell');
  await expect(page.getByText(/leaky-boat.so crashed while it was opened/).first()).toBeVisible();
  await expectNoAxeFindings(page);

  await page.getByRole('link', { name: 'File', exact: true }).click();
  await expect(rows(page)).toHaveCount(2);
  const verb = rows(page).filter({ hasText: 'ZamVerb' });
  await expect(verb).toHaveCount(1);
  await expect(verb).toContainText('Damien Zammit');
  await expect(verb).toContainText(/VST2CLAP\+1/);
});

test('whether copies are opened is remembered', async ({ page, empty }) => {
  await page.goto(`${empty.address}/scan`);
  await page.getByLabel('Path of a directory with plugins').fill(place(empty));
  await page.getByRole('button', { name: 'Add a place' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  const wish = page.getByLabel('Open copies that reading cannot identify:');
  await wish.selectOption('always');
  await page.reload();
  await expect(wish).toHaveValue('always');
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await expect(page.getByText(/4 opened/)).toBeVisible();
});

const line = (name: string, more: object = {}): string =>
  JSON.stringify({
    format: 'VST3',
    path: `C:\\Plugins\\${name}.vst3`,
    identity: null,
    name,
    vendor: 'Quoin',
    declared: ['Fx', 'Reverb'],
    status: 'ok',
    examined: 'opened',
    ...more,
  });

test('the copies of another computer are read in, kept in order here, and brought up to date', async ({
  page,
  empty,
}) => {
  const file = join(empty.data, 'copies.ndjson');
  writeFileSync(file, `${line('Tide pool')}\n${line('Ebb')}\n`);
  await page.goto(`${empty.address}/scan`);
  await page.getByText('Plugins of another computer …').click();
  await expect(page.getByRole('link', { name: 'Download the scanner' })).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Choose copies.ndjson …' }).click();
  await expect(page.getByRole('alert')).toHaveText('Enter the computer’s name first.');
  await page.getByLabel('Name of that computer').fill('Mixing room');
  await page.getByLabel('File of copies').setInputFiles(file);
  await expect(
    page.getByRole('heading', { name: 'Mixing room is another computer' }),
  ).toBeVisible();
  await expect(page.getByText(/2 arrived/).first()).toBeVisible();
  await expectNoAxeFindings(page);

  writeFileSync(file, `${line('Tide pool')}\n{"format":`);
  await page.getByLabel('File of copies').setInputFiles(file);
  await expect(page.getByRole('alert')).toContainText('Line 2 is not a copy');
  writeFileSync(file, `${line('Tide pool')}\n${line('Ebb', { version: '2.0' })}\n`);
  await page.getByLabel('File of copies').setInputFiles(file);
  await expect(page.getByText(/1 updated/).first()).toBeVisible();

  await page.getByRole('link', { name: 'File', exact: true }).click();
  await expect(rows(page)).toHaveCount(2);
  await page.getByRole('link', { name: 'Load', exact: true }).click();
  await expect(page.getByRole('note')).toContainText('These plugins are on Mixing room');
  await saved(page);
});
