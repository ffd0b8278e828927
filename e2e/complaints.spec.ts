/** What producers complain about, each as a step that names what holds instead. Versions of the order are not there yet. */
import type { Page } from '@playwright/test';
import { expect, front, saved, shown, test } from './studio.ts';

const fronts = (page: Page): Promise<string[]> => page.locator('.front .label').allTextContents();

test('the complaints about order, folders and dividers do not hold here', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(front(page, 'Squeeze')).toBeVisible();

  await test.step('a folder can be put anywhere by keyboard, without making others again', async () => {
    const before = await fronts(page);
    await front(page, 'Tone').focus();
    await page.keyboard.press('Alt+ArrowLeft');
    await expect.poll(() => fronts(page)).not.toEqual(before);
    await page.keyboard.press('Control+z');
    await expect.poll(() => fronts(page)).toEqual(before);
  });

  await test.step('a folder is pinned to the front; its name needs no tricks', async () => {
    await front(page, 'Strings & winds').hover();
    await page.getByRole('button', { name: 'Actions for Strings & winds' }).click();
    await page.getByRole('button', { name: 'Pin to the front' }).click();
    await expect
      .poll(async () => (await fronts(page)).slice(0, 2))
      .toEqual(['Favourites', 'Strings & winds']);
  });

  await test.step('dividers are real ones, and hold no plugins', async () => {
    await expect(page.locator('.divider-name')).toHaveText(['By job', 'By type', 'Played']);
  });

  await test.step('what the screen calls saved is there after the program was stopped, and can still be undone', async () => {
    await saved(page);
    await demo.restart();
    await page.reload();
    await expect
      .poll(async () => (await fronts(page)).slice(0, 2))
      .toEqual(['Favourites', 'Strings & winds']);
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await fronts(page))[1]).not.toBe('Strings & winds');
  });

  await test.step('removing a folder says that nothing leaves the catalog, and asks nothing', async () => {
    await front(page, 'Wear').hover();
    await page.getByRole('button', { name: 'Actions for Wear' }).click();
    await page
      .getByRole('button', { name: /Remove the folder \(its plugins stay in the catalog\)/ })
      .click();
    await expect(front(page, 'Wear')).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(front(page, 'Wear')).toBeVisible();
  });

  await test.step('an empty folder is there while organising, and out of the way while loading', async () => {
    await page.keyboard.press('Shift+N');
    await page.getByLabel('Name').fill('Nothing yet');
    await page.keyboard.press('Enter');
    await expect(front(page, 'Nothing yet')).toBeVisible();
    await saved(page);
    await page.goto(`${demo.address}/load`);
    await expect(page.getByRole('button', { name: 'Squeeze' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Nothing yet', exact: true })).toHaveCount(0);
    await page.goto(`${demo.address}/file`);
    await expect(front(page, 'Nothing yet')).toBeVisible();
  });
});

test('the complaints about searching, filing and duplicates do not hold here', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  const total = Number(/All (\d+) plugins/.exec((await shown(page).textContent()) ?? '')?.[1]);

  await test.step('letters left in the field are said beside the count, and one press clears them', async () => {
    await page.getByLabel('Search').fill('plate');
    await expect(shown(page)).toContainText(`of ${total} plugins`);
    await page.getByRole('button', { name: 'show all' }).click();
    await expect(shown(page)).toContainText(`All ${total} plugins`);
  });

  await test.step('filing is a reference: the plugin stays where else it is listed', async () => {
    const row = page.getByTestId('plugin').nth(2);
    const name = (await row.locator('.name').textContent()) ?? '';
    await row.click();
    await page.keyboard.press('f');
    await page.keyboard.type('mix');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('notice').last()).toContainText(/in Mix glue/);
    await expect(shown(page)).toContainText(`All ${total} plugins`);
    await expect(page.getByTestId('plugin').nth(2)).toContainText(name);
  });

  await test.step('a drop beside the folders says why nothing was filed', async () => {
    const from = await page.getByTestId('plugin').first().boundingBox();
    if (!from) {
      throw new Error('not in view');
    }
    await page.mouse.move(from.x + 60, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(from.x + 60, from.y + 200, { steps: 5 });
    await page.mouse.up();
    await expect(page.getByTestId('notice').last()).toContainText(
      'Nothing was filed: you dropped beside the folders',
    );
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  });

  await test.step('one product in several formats is one plugin: filing it files all of its copies', async () => {
    const several = page
      .getByTestId('plugin')
      .filter({ has: page.locator('.formats .chip:nth-child(2)') })
      .first();
    await expect(several).toBeVisible();
    await several.click();
    await page.keyboard.press('i');
    await expect(page.getByRole('heading', { name: /^\d copies$/ })).toBeVisible();
    await page.keyboard.press('Escape');
  });

  await test.step('no button is greyed out without a reason, on any screen', async () => {
    for (const path of ['/scan', '/sort', '/file', '/load']) {
      await page.goto(demo.address + path);
      await expect(
        page.getByRole('main').getByRole('heading', { level: 1 }).first(),
      ).toBeAttached();
      expect(
        await page
          .locator('button:disabled, [aria-disabled="true"]:not([aria-roledescription])')
          .count(),
      ).toBe(0);
    }
  });

  await test.step('the open folder is always shown, and all plugins are one key away', async () => {
    await page.goto(`${demo.address}/file?q=plate`);
    await expect(shown(page)).toContainText('of');
    await front(page, 'Squeeze').click();
    await expect(page).toHaveURL(/open=/);
    await expect(page.getByRole('listitem', { name: 'Squeeze, open' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(shown(page)).toContainText(`All ${total} plugins`);
  });
});
