/** Cabinets and folders: planning one, sorting a folder and back, moving between folders, narrowing by any fact, suggestions, and undoing all of it. */
import type { Locator, Page } from '@playwright/test';
import { dragTo, expect, expectNoAxeFindings, front, saved, shown, test } from './studio.ts';

const placed = (page: Page): Locator => page.getByTestId('placed');

test('a cabinet is planned by type, shown before it is made, and undone', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByRole('tab', { name: 'Everyday' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await page.getByRole('button', { name: 'New cabinet' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/Creates \d+ folders, filled by their rules/)).toBeVisible();
  await dialog.getByLabel(/^A snapshot/).check();
  await expect(dialog.getByText(/Creates \d+ folders with \d+ places in them/)).toBeVisible();
  await dialog.getByLabel(/^It updates/).check();
  await expect(dialog.getByRole('region', { name: 'Preview' })).toContainText('Dynamics');
  await expectNoAxeFindings(page);
  await dialog.getByLabel(/^By vendor/).check();
  await expect(dialog.getByRole('region', { name: 'Preview' })).toContainText('Other vendors');
  await dialog.getByLabel(/^By type/).check();
  await dialog.getByLabel('buses').check();
  await dialog.getByRole('button', { name: 'Create the cabinet' }).click();
  await expect(page.getByRole('tab', { name: 'By type' })).toHaveAttribute('aria-selected', 'true');
  await expect(front(page, 'Reverb')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('tab', { name: 'By type' })).toHaveAttribute('aria-selected', 'true');
  // What is filed here leaves the other cabinet alone.
  await page.getByRole('tab', { name: 'Everyday' }).click();
  await expect(front(page, 'Squeeze')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('tab', { name: 'By type' })).toHaveCount(0);
  await page.keyboard.press('Control+h');
  await expect(page.getByRole('dialog')).toContainText('Create the cabinet By type');
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tab', { name: 'By type' })).toBeVisible();
});

test('folders are sorted in one act and put back in the own order; they are pinned and noted', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Squeeze').click();
  const names = async (): Promise<string[]> =>
    placed(page).evaluateAll((list) =>
      list.slice(0, 6).map((one) => one.getAttribute('aria-label') ?? ''),
    );
  await expect(placed(page).first()).toBeVisible();
  const own = await names();
  await front(page, 'Squeeze').hover();
  await page.getByRole('button', { name: 'Actions for Squeeze' }).click();
  await expectNoAxeFindings(page);
  await page
    .getByRole('group', { name: 'Sort by' })
    .getByRole('button', { name: 'vendor' })
    .click();
  await expect(page.getByText('sorted by vendor')).toBeVisible();
  const sorted = await names();
  const vendors = (await placed(page).locator('.vendor').allTextContents()).filter(
    (vendor) => vendor !== 'no vendor named',
  );
  expect(vendors).toEqual([...vendors].sort((a, b) => a.localeCompare(b, 'en')));
  expect(sorted).not.toEqual(own);
  await page.keyboard.press('Escape');
  await placed(page).first().focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByTestId('notice').last()).toContainText('is sorted by vendor');
  await page.getByRole('button', { name: 'my own order' }).last().click();
  await expect.poll(names).toEqual(own);
  await page.getByRole('textbox', { name: 'Note on Squeeze' }).fill('gentle ones first');
  await page.getByRole('textbox', { name: 'Note on Squeeze' }).press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note on Squeeze' })).toHaveValue(
    'gentle ones first',
  );
});

test('a plugin is moved from folder to folder, or filed in both with Ctrl, and undo takes each back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Repair').click();
  const count = async (name: string): Promise<number> =>
    Number(/(\d+) plugins/.exec((await front(page, name).getAttribute('aria-label')) ?? '')?.[1]);
  const repair = await count('Repair');
  const mix = await count('Favourites');
  await dragTo(page, placed(page).first(), front(page, 'Favourites'));
  await expect(page.getByTestId('in-the-air')).toContainText(/^Move .* to Favourites/);
  await page.mouse.up();
  await expect.poll(() => count('Repair')).toBe(repair - 1);
  expect(await count('Favourites')).toBe(mix + 1);
  await page.keyboard.press('Control+z');
  await expect.poll(() => count('Repair')).toBe(repair);
  await dragTo(page, placed(page).first(), front(page, 'Favourites'));
  await page.keyboard.down('Control');
  await expect(page.getByTestId('in-the-air')).toContainText('File');
  await page.mouse.up();
  await page.keyboard.up('Control');
  await expect.poll(() => count('Favourites')).toBe(mix + 1);
  expect(await count('Repair')).toBe(repair);
});

test('any fact narrows the list, says so, and back goes a step back', async ({ page, demo }) => {
  await page.goto(`${demo.address}/file`);
  await page.getByRole('button', { name: 'More filters' }).click();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'never loaded' }).click();
  await expect(page).toHaveURL(/loaded=never/);
  await expect(page.locator('.sentence .word.set')).toHaveText(['never loaded']);
  const never = Number((await shown(page).getByRole('strong').textContent()) ?? '');
  await page.getByRole('button', { name: 'More filters' }).click();
  await page.getByRole('button', { name: '32 bit only' }).click();
  await expect
    .poll(async () => Number((await shown(page).getByRole('strong').textContent()) ?? ''))
    .toBeLessThan(never);
  await expect(page).toHaveURL(/bits=32/);
  await page.goBack();
  await expect(page.locator('.sentence .word.set')).toHaveText(['never loaded']);
  // All that match go to the tray at once.
  await page.getByRole('listbox', { name: 'Plugins' }).focus();
  await page.keyboard.press('Control+a');
  await expect(page.getByTestId('tray-count')).toHaveText(String(never));
});

test('likely folders are suggested with reasons, and the clear ones filed in one change', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByRole('main').getByRole('heading', { level: 1 }).first()).toBeAttached();
  await page.keyboard.press('g');
  const dialog = page.getByRole('dialog');
  const heading = dialog.getByRole('heading');
  await expect(heading).toHaveText(/\d+ unfiled, \d+ with a suggestion/);
  const unfiled = Number(/\d+/.exec((await heading.textContent()) ?? '')?.[0]);
  await expect(dialog.getByText(/there are/).first()).toBeVisible();
  await expectNoAxeFindings(page);
  const clear = Number(
    /\d+/.exec((await dialog.getByRole('button', { name: /sure match/ }).textContent()) ?? '')?.[0],
  );
  await dialog.getByRole('button', { name: /sure match/ }).click();
  await expect(heading).toContainText(`${unfiled - clear} unfiled`);
  await page.keyboard.press('Escape');
  await saved(page);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('g');
  await expect(heading).toContainText(`${unfiled} unfiled`);
});
