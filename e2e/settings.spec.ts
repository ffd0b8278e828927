/** Saved settings: found, filed, loaded, kept from a slot; their plugin goes and comes back. */
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { expect, expectNoAxeFindings, front, saved, test } from './studio.ts';

const letters = (page: Page): Locator => page.getByRole('combobox');
const hits = (page: Page): Locator => page.getByTestId('hit');
const row = (page: Page): Locator => page.getByTestId('plugin').first();

/** A bundle with one plugin and a setting of it in a bank. */
function writeStudio(place: string): void {
  const bundle = join(place, 'plate.lv2');
  mkdirSync(bundle, { recursive: true });
  writeFileSync(
    join(bundle, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix pset: <http://lv2plug.in/ns/ext/presets#> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
<urn:plate> a lv2:Plugin ; rdfs:seeAlso <plate.ttl> .
<urn:plate#snare> a pset:Preset ; lv2:appliesTo <urn:plate> ; rdfs:label "Snare" .
`,
  );
  writeFileSync(
    join(bundle, 'plate.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
<urn:plate> a lv2:Plugin , lv2:ReverbPlugin ; doap:name "Weirpool Plate" ;
  lv2:port [ a lv2:InputPort , lv2:AudioPort ; lv2:index 0 ; lv2:symbol "in" ; lv2:name "In" ] ,
    [ a lv2:OutputPort , lv2:AudioPort ; lv2:index 1 ; lv2:symbol "out" ; lv2:name "Out" ] .
`,
  );
}

async function scan(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Scan' }).click();
  await page.getByRole('button', { name: /^Scan( again)?$/ }).click();
  await expect(page.getByText(/^Last scan/)).toBeVisible();
}

test('a setting is filed, its plugin goes and comes back, and it is where it was', async ({
  page,
  empty,
}) => {
  const place = join(empty.data, 'plugins');
  const aside = join(empty.data, 'elsewhere');
  writeStudio(place);
  await page.goto(`${empty.address}/scan`);
  await page.getByLabel('Path of a directory with plugins').fill(place);
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 saved setting')).toHaveCount(0);
  await scan(page);

  // It stands in no list of plugins, and in one of settings.
  await page.goto(`${empty.address}/file`);
  await expect(page.getByTestId('plugin')).toHaveCount(1);
  await page.goto(`${empty.address}/file?kind=setting`);
  await expect(row(page)).toContainText('setting of Weirpool Plate');
  await page.keyboard.press('Shift+N');
  await page.getByPlaceholder('Name').fill('Drums of the loft');
  await page.keyboard.press('Enter');
  await row(page).click();
  await page.keyboard.press('f');
  await page.keyboard.type('drums of');
  await page.keyboard.press('Enter');
  await saved(page);
  await front(page, 'Drums of the loft').click();
  const drawer = page.getByLabel('Drums of the loft, open');
  await expect(drawer).toContainText('1 setting');
  await expect(drawer).toContainText('Snare');
  await expectNoAxeFindings(page);

  renameSync(place, aside);
  mkdirSync(place);
  await scan(page);
  await page.goto(`${empty.address}/load`);
  await letters(page).fill('snare');
  await expect(hits(page).first()).toContainText('its file is gone from the disk');

  rmSync(place, { recursive: true });
  renameSync(aside, place);
  expect(existsSync(join(place, 'plate.lv2'))).toBe(true);
  await scan(page);
  await page.goto(`${empty.address}/file?kind=setting`);
  await front(page, 'Drums of the loft').click();
  await expect(drawer).toContainText('Snare');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(drawer.getByTestId('placed')).toHaveCount(0);
});

test('“plate snare” finds the setting of the plate, loads it, and a slot is kept as one of my own', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(letters(page)).toBeFocused();
  await page.keyboard.type('surgeon old har');
  await expect(hits(page).first()).toContainText('Old harbour bell');
  await expect(hits(page).first()).toContainText('setting of');
  await expectNoAxeFindings(page);
  const at = page.locator('.slot[data-chosen="true"]');
  const place = (await at.getAttribute('aria-label')) ?? '';
  await page.keyboard.press('Enter');
  const number = /Slot (\d+)/.exec(place)?.[1] ?? '';
  const slot = page
    .getByRole('group', { name: 'Narrator' })
    .getByLabel(new RegExp(`^Slot ${number}: Old harbour bell, setting of`));
  await expect(slot).toBeVisible();

  await slot.click();
  await page.getByRole('button', { name: /^Keep the setting of/ }).click();
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.getByLabel('Name', { exact: true }).fill('Bell of the eel');
  await page.getByRole('textbox', { name: 'Note' }).fill('for the last scene');
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Keep the setting', exact: true }).click();
  await saved(page);
  await letters(page).fill('bell of');
  await expect(hits(page).first()).toContainText('Bell of the eel');
  await letters(page).press('Enter');
  await expect(page.getByLabel(/: Bell of the eel, setting of/)).toBeVisible();
});

test('a smart folder takes in settings only where its rule asks for them', async ({
  page,
  demo,
}) => {
  await page.goto(
    `${demo.address}/rule/new?text=${encodeURIComponent('is a setting\nbank is Puppet theatre')}`,
  );
  const inside = page.getByLabel('What it includes');
  await expect(inside).toContainText('Heron speaks');
  await expectNoAxeFindings(page);
  await page.goto(`${demo.address}/rule/new?text=${encodeURIComponent('name has heron')}`);
  await expect(inside).toContainText(/Heron/);
  await expect(inside).not.toContainText('Heron speaks');
});
