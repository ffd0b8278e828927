/** From nothing to a loaded plugin, on the real plugins of Debian's package lv2-examples: by mouse, then by keyboard alone. */
import { cpSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { dragTo, expect, expectNoAxeFindings, front, saved, test, type Host } from './studio.ts';

/** A directory with the bundles of lv2-examples and nothing else, as links to the installed ones would be. */
function examples(host: Host): string {
  const place = join(host.data, 'examples');
  mkdirSync(place);
  const bundles = readdirSync('/usr/lib/lv2').filter((name) => name.startsWith('eg-'));
  expect(bundles.length).toBeGreaterThan(4);
  for (const bundle of bundles) {
    cpSync(join('/usr/lib/lv2', bundle), join(place, bundle), { recursive: true });
  }
  return place;
}

const row = (page: Page, name: string) => page.getByTestId('plugin').filter({ hasText: name });
test('start empty, scan lv2-examples, file by drag and by key, make a keyword folder, load, undo, restart', async ({
  page,
  empty,
}) => {
  await page.goto(empty.address);
  await expect(
    page.getByRole('heading', { name: 'Where this computer keeps plugins' }),
  ).toBeVisible();
  await page.getByLabel('Path of a directory with plugins').fill('/nowhere/at/all');
  await page.getByRole('button', { name: 'Add a place' }).click();
  await expect(page.getByRole('alert')).toContainText('There is no directory /nowhere/at/all');
  await page.getByLabel('Path of a directory with plugins').fill(examples(empty));
  await page.getByRole('button', { name: 'Add a place' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await expect(page.getByText(/8 arrived/)).toBeVisible();
  await expectNoAxeFindings(page);

  await page.getByRole('link', { name: 'File', exact: true }).click();
  await expect(page.getByText('All 7 plugins')).toBeVisible();
  await page.getByRole('button', { name: /New folder/ }).click();
  await page.getByPlaceholder('Name').fill('Meters');
  await page.getByRole('button', { name: 'Create the folder' }).click();
  await expect(front(page, 'Meters')).toBeVisible();

  await dragTo(page, row(page, 'Example Scope'), front(page, 'Meters'));
  await expect(page.getByTestId('in-the-air')).toHaveText('File Example Scope in Meters');
  await page.mouse.up();
  await expect(front(page, 'Meters')).toHaveAccessibleName(/1 plugin$/);

  await row(page, 'Exampler').click();
  await page.keyboard.press('f');
  await page.getByPlaceholder('Folder name').fill('me');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Meters')).toHaveAccessibleName(/2 plugins/);

  await page.keyboard.press('Shift+N');
  await page.getByLabel('Smart folder').check();
  await page.getByPlaceholder('Name').fill('Notes');
  await page.getByPlaceholder('delay, echo, slap').fill('midi, fifths, metro');
  await expect(page.getByText(/Matches 3/)).toBeVisible();
  await page.getByRole('button', { name: 'Create the smart folder' }).click();
  await expect(front(page, 'Notes')).toHaveAccessibleName(/smart folder, 3 plugins/);

  await dragTo(page, row(page, 'Simple Amplifier'), front(page, 'Notes'));
  await expect(page.getByTestId('in-the-air')).toContainText('fills itself');
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toContainText('Notes fills itself by a rule');
  await page.getByRole('button', { name: 'Cancel' }).click();

  await row(page, 'Simple Amplifier').click();
  await page.keyboard.press('b');
  await expect(front(page, 'Favourites')).toHaveAccessibleName(/1 plugin$/);
  await expectNoAxeFindings(page);

  await page.keyboard.press('Alt+4');
  await page.getByLabel('Search plugins').fill('scope');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Slot 1: Example Scope/ })).toBeVisible();
  await expectNoAxeFindings(page);

  await page.keyboard.press('Alt+3');
  await page.keyboard.press('Control+z');
  await expect(front(page, 'Favourites')).toHaveAccessibleName(/0 plugins/);
  await saved(page);

  await empty.restart();
  await page.reload();
  await expect(front(page, 'Meters')).toHaveAccessibleName(/2 plugins/);
  await expect(front(page, 'Notes')).toHaveAccessibleName(/3 plugins/);
  await expect(front(page, 'Favourites')).toHaveAccessibleName(/0 plugins/);
  await page.keyboard.press('Control+Shift+Z');
  await expect(front(page, 'Favourites')).toHaveAccessibleName(/1 plugin$/);
  await page.goto(`${empty.address}/load`);
  await expect(page.getByRole('button', { name: /Slot 1: Example Scope/ })).toBeVisible();
});

/** Presses Tab until the wanted element has the focus. */
async function tabTo(page: Page, wanted: ReturnType<Page['locator']>): Promise<void> {
  for (let i = 0; i < 60; i += 1) {
    if (await wanted.evaluate((element) => element === document.activeElement)) {
      return;
    }
    await page.keyboard.press('Tab');
  }
  throw new Error('the focus never came there');
}

test('every act of the journey by keyboard alone', async ({ page, empty }) => {
  await page.goto(empty.address);
  await tabTo(page, page.getByLabel('Path of a directory with plugins'));
  await page.keyboard.insertText(examples(empty));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('notice')).toContainText('added');
  await tabTo(page, page.getByRole('button', { name: 'Scan', exact: true }));
  await page.keyboard.press('Enter');
  await expect(page.getByText(/8 arrived/)).toBeVisible();

  await page.keyboard.press('Alt+3');
  await expect(page.getByText('All 7 plugins')).toBeVisible();
  for (const name of ['Beta', 'Alpha']) {
    await page.keyboard.press('Shift+N');
    await expect(page.getByPlaceholder('Name')).toBeFocused();
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(front(page, name)).toBeVisible();
  }
  await page.keyboard.press('Shift+N');
  await tabTo(page, page.getByLabel('Folder', { exact: true })).catch(() => undefined);
  await page.getByLabel('Folder', { exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await tabTo(page, page.getByPlaceholder('Name'));
  await page.keyboard.type('Words');
  await page.keyboard.press('Tab');
  await page.keyboard.type('exampler, scope');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Words')).toHaveAccessibleName(/smart folder, 2 plugins/);

  await page.keyboard.press('/');
  await page.keyboard.type('exa');
  await expect(page.getByText('6 of 7 plugins')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /File 2 plugins in/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('All 7 plugins')).toBeVisible();
  await page.keyboard.press('Shift+F');
  await page.keyboard.type('alp');
  await page.keyboard.press('Enter');
  await expect(front(page, 'Alpha')).toHaveAccessibleName(/2 plugins/);

  await page.keyboard.press('d');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(front(page, 'Alpha')).toBeFocused();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.locator('.front .label')).toHaveText(['Favourites', 'Alpha', 'Beta', 'Words']);
  await expect(front(page, 'Alpha')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('placed')).toHaveCount(2);
  const first = await page.getByTestId('placed').first().getAttribute('aria-label');
  await tabTo(page, page.getByTestId('placed').first());
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByTestId('placed').nth(1)).toHaveAttribute('aria-label', first ?? '');
  await page.keyboard.press('Delete');
  await expect(page.getByTestId('placed')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('placed')).toHaveCount(2);

  await page.keyboard.press('Alt+4');
  await expect(page.getByLabel('Search plugins')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.keyboard.type('sa');
  await page.keyboard.press('Enter');
  await expect(
    page
      .getByRole('group', { name: 'Guitar' })
      .getByRole('button', { name: 'Slot 1: Simple Amplifier' }),
  ).toBeVisible();
  await page.keyboard.press('F4');
  await expect(page.getByRole('button', { name: 'All that fit' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('F4');
  await expect(page.getByRole('button', { name: 'The rest' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByTestId('hit').first()).toContainText('this is a slot for');
  await page.keyboard.press('?');
});
