/** Review: pictures whose marks lead to plugins, and advice that is followed in one step. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogView } from '@clever-drawer/core/api';
import { askOf, expect, expectNoAxeFindings, front, saved, test } from './studio.ts';

test('every picture can be walked by keyboard, read as a table, and saved', async ({
  page,
  demo,
}, info) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await page.keyboard.press('Alt+5');
  await expect(page.getByRole('region', { name: 'In short' })).toContainText(/You own \d+ plugins/);
  for (const [part, pictures] of [
    ['What you own', ['Who makes what you own', 'Owned beside used', 'Formats and old copies']],
    [
      'What you use',
      ['What gathers dust', 'What you used when', 'What goes with what', 'How you find'],
    ],
    ['What changed', ['What came, went and was updated']],
    ['Your order', ['What is filed']],
  ] as const) {
    await page.getByRole('button', { name: part }).click();
    for (const name of pictures) {
      const picture = page.getByRole('group', { name, exact: true });
      await picture.getByRole('button').first().focus();
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press('ArrowDown');
      const focused = picture.locator(':focus');
      const label = (await focused.getAttribute('aria-label')) ?? '';
      expect(label).toMatch(/\d/);
      await page.keyboard.press('Enter');
      const dialog = page.getByRole('dialog');
      await expect(dialog.getByRole('heading', { name: label })).toBeVisible();
      await expect(dialog.getByRole('listitem').first()).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(dialog).toHaveCount(0);
    }
    await expectNoAxeFindings(page);
  }
  await page.getByRole('button', { name: 'What you own' }).click();
  await page.getByRole('button', { name: 'Owned beside used: show as a table' }).click();
  const table = page.getByRole('table', { name: 'Owned beside used' });
  await expect(table.getByRole('columnheader')).toHaveText(['Group', 'Owned', 'Used', 'Loads']);
  await expectNoAxeFindings(page);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save Who makes what you own' }).click();
  await page.getByRole('button', { name: 'As a drawing (SVG)' }).click();
  const path = join(info.outputDir, 'makers.svg');
  await (await saving).saveAs(path);
  expect(readFileSync(path, 'utf8')).toMatch(/^<svg[^>]*>.*fill="rgb/s);
  const drawing = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save Who makes what you own' }).click();
  await page.getByRole('button', { name: 'As a picture (PNG)' }).click();
  const png = join(info.outputDir, 'makers.png');
  await (await drawing).saveAs(png);
  expect(readFileSync(png).subarray(1, 4).toString()).toBe('PNG');
});

test('the plugins behind a mark go to the tray; time and vendor stand in the address', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/review?part=own`);
  await page.getByLabel('Time', { exact: true }).selectOption('month');
  await page.getByLabel('Vendor', { exact: true }).selectOption('Pale Harbour');
  await expect(page).toHaveURL(/period=month.*vendor=Pale/);
  await page.reload();
  await expect(page.getByLabel('Vendor', { exact: true })).toHaveValue('Pale Harbour');
  const marks = page.getByRole('group', { name: 'Who makes what you own' }).getByRole('button');
  await expect(marks.first()).toBeVisible();
  for (const label of await marks.evaluateAll((all) =>
    all.map((one) => one.getAttribute('aria-label')),
  )) {
    expect(label).toContain('Pale Harbour');
  }
  await marks.first().click();
  await page.getByRole('button', { name: /to the tray in File/ }).click();
  await expect(page.getByRole('region', { name: /tray/i })).toContainText(/\d+ plugins?/);
});

test('advice says what it would do, is followed in one press, and undone', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/review`);
  const advice = page.getByRole('region', { name: 'Worth doing now' });
  const cabinet = 'Create a cabinet of what you really use';
  await page.getByRole('button', { name: `Look at it: ${cabinet}` }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/\d+ plugins of \d+ make \d+ % of your loads/);
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Create the cabinet “What I really use”' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(advice).not.toContainText(cabinet);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(advice).toContainText(cabinet);

  // Not now: it waits among what was put off, also after a reload, until it is told again.
  await page.getByRole('button', { name: `Not now: ${cabinet}` }).click();
  await expect(page.getByRole('button', { name: `Look at it: ${cabinet}` })).toHaveCount(0);
  await page.reload();
  await page.getByText('1 put off').click();
  await page.getByRole('button', { name: `Show again: ${cabinet}` }).click();
  await expect(page.getByRole('button', { name: `Look at it: ${cabinet}` })).toBeVisible();

  // Forgotten ones get a folder.
  await page
    .getByRole('button', { name: /^Look at it: Collect \d+ good plugins? you haven’t used lately/ })
    .click();
  await page.getByRole('button', { name: /^File \d+ plugins? in the folder$/ }).click();
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'To try again')).toBeVisible();
});

test('old copies are listed, set aside, and back by one undo as they were', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/review`);
  const ask = await askOf(page.request, demo.address);
  const before = await ask<CatalogView>('catalog');
  const retire = page.getByRole('button', { name: /^Look at it: Retire/ });
  await retire.click();
  const dialog = page.getByRole('dialog');
  // What a session needs is listed, but not chosen.
  await expect(dialog.getByRole('listitem').filter({ hasText: 'a session needs it' })).toHaveCount(
    1,
  );
  await dialog.getByRole('button', { name: /^Set 2 copies aside$/ }).click();
  await expect(page.getByText(/^2 copies are set aside/)).toBeVisible();
  await expect(retire).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(retire).toHaveCount(1);
  expect((await ask<CatalogView>('catalog')).plugins).toEqual(before.plugins);
});

test('three are offered to be tried again, here and on Load, and can be dismissed', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/review`);
  const again = page.getByRole('region', { name: 'Try again this week' });
  await expect(again.getByRole('listitem')).toHaveCount(3);
  const first = again.getByRole('link').first();
  const name = (await first.textContent()) ?? '';
  await page.getByRole('button', { name: `Another one instead of ${name}` }).click();
  await expect(again.getByRole('link', { name, exact: true })).toHaveCount(0);
  await expect(again.getByRole('listitem')).toHaveCount(3);
  await page.keyboard.press('Alt+4');
  await expect(page.getByText('Try again this week:')).toBeVisible();
  await page.getByRole('button', { name: 'not these' }).click();
  await expect(page.getByRole('button', { name: 'not these' })).toBeVisible();
});

test('what is no longer learnt is not told any more', async ({ page, demo }) => {
  const advice = page.locator('.advice-list');
  await page.goto(`${demo.address}/review`);
  await expect(advice).toBeVisible();
  const loads = page.getByText(/^Half of all loads went/);
  await expect(loads).toBeVisible();
  await page.keyboard.press('Alt+4');
  await page.getByRole('button', { name: /^What is remembered/ }).click();
  await page.getByLabel('Remember what I load').click();
  await expect(page.getByText('Loads are not recorded')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.keyboard.press('Alt+5');
  await expect(advice).toBeVisible();
  await expect(loads).toHaveCount(0);
});

test('where nothing was loaded it says what will stand here', async ({ page, empty }) => {
  await page.goto(`${empty.address}/review`);
  await expect(page.getByText(/You own 0 plugins/)).toBeVisible();
  await page.getByRole('button', { name: 'What you use' }).click();
  await expect(page.getByText(/^After a week of loading, this shows/).first()).toBeVisible();
  await expectNoAxeFindings(page);
});
