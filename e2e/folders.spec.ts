/** Folders among themselves, by mouse and by keyboard: order, nesting to any depth, dividers inside, another cabinet's folders, and the tray over several searches. */
import type { Locator, Page } from '@playwright/test';
import { dragTo, expect, expectNoAxeFindings, front, saved, shown, test } from './studio.ts';

const fronts = (page: Page): Promise<string[]> =>
  page.locator('.chest-body > .fronts > .front-place .label').allTextContents();
const count = async (page: Page, name: string): Promise<number> =>
  Number(/(\d+) plugins?/.exec((await front(page, name).getAttribute('aria-label')) ?? '')?.[1]);
const menu = async (page: Page, name: string, item: string | RegExp): Promise<void> => {
  await front(page, name).hover();
  await page.getByRole('button', { name: `Actions for ${name}` }).click();
  await page.getByRole('button', { name: item, exact: typeof item === 'string' }).click();
};
/** Carries the one over the other at a share of its width, and lets go. */
async function dragOnto(
  page: Page,
  from: Locator,
  to: Locator,
  share: number,
  says: RegExp,
): Promise<void> {
  await dragTo(page, from, to);
  const box = await to.boundingBox();
  if (!box) {
    throw new Error('not in view');
  }
  await page.mouse.move(box.x + box.width * share, box.y + box.height / 2, { steps: 4 });
  await expect(page.getByTestId('in-the-air')).toHaveText(says);
  await page.mouse.up();
}

test('folders are dragged before, behind and inside one another, to three levels, and undone one by one', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(front(page, 'Width')).toBeVisible();
  const before = await fronts(page);
  const at = (list: string[], name: string): number => list.indexOf(name);
  await dragOnto(
    page,
    front(page, 'Meters'),
    front(page, 'Wear'),
    0.1,
    /^Move Meters before Wear$/,
  );
  await expect
    .poll(async () => {
      const list = await fronts(page);
      return at(list, 'Wear') - at(list, 'Meters');
    })
    .toBe(1);
  await dragOnto(
    page,
    front(page, 'Meters'),
    front(page, 'Wobble'),
    0.9,
    /^Move Meters after Wobble$/,
  );
  await expect
    .poll(async () => {
      const list = await fronts(page);
      return at(list, 'Meters') - at(list, 'Wobble');
    })
    .toBe(1);
  await dragOnto(
    page,
    front(page, 'Width'),
    front(page, 'Wobble'),
    0.5,
    /^Move Width into Wobble$/,
  );
  await page.getByRole('button', { name: 'Close Wobble' }).click();
  await dragOnto(page, front(page, 'Wobble'), front(page, 'Tone'), 0.5, /^Move Wobble into Tone$/);
  const tone = page.getByRole('listitem', { name: 'Tone, open' });
  await tone.getByRole('button', { name: /^Wobble, folder/ }).click();
  const wobble = tone.getByRole('listitem', { name: 'Wobble, open' });
  await wobble.getByRole('button', { name: /^Width, folder/ }).click();
  await expect(wobble.getByRole('listitem', { name: 'Width, open' })).toBeVisible();
  await expect(page).toHaveURL(/open=/);
  await expectNoAxeFindings(page);
  await page.reload();
  await expect(wobble.getByRole('listitem', { name: 'Width, open' })).toBeVisible();
  // Closing the innermost leaves what it stands in open.
  await wobble.getByRole('button', { name: 'Close Width' }).click();
  await expect(wobble).toBeVisible();
  for (let i = 0; i < 4; i += 1) {
    await page.keyboard.press('Control+z');
  }
  await expect.poll(() => fronts(page)).toEqual(before);
});

test('a divider stands inside a folder, and folders sort by name between dividers and back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Voices').click();
  const voices = page.getByRole('listitem', { name: 'Voices, open' });
  await voices.getByRole('button', { name: 'New subfolder' }).click();
  await page.getByLabel('Divider').check();
  await page.getByPlaceholder('Name').fill('Guests');
  await page.getByRole('button', { name: 'Create the divider' }).click();
  await expect(voices.locator('.divider-name')).toHaveText('Guests');
  await voices.getByRole('button', { name: 'Close Voices' }).click();
  const own = await fronts(page);
  await page.getByRole('button', { name: 'Actions for the cabinet Everyday' }).click();
  await page.getByRole('button', { name: 'Folders by name, between dividers' }).click();
  await expect.poll(() => fronts(page)).not.toEqual(own);
  const sorted = await fronts(page);
  const jobs = sorted.slice(4, 8);
  expect(jobs).toEqual([...jobs].sort());
  await front(page, 'Wear').focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.getByTestId('notice').last()).toContainText('are sorted by name');
  await page.getByRole('button', { name: 'Actions for the cabinet Everyday' }).click();
  await page.getByRole('button', { name: 'My own order of folders' }).click();
  await expect.poll(() => fronts(page)).toEqual(own);
});

test('plugins are gathered over three searches, the tray survives a reload, and filing them is one undo', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  for (const letters of ['plate', 'echo', 'comp']) {
    await page.keyboard.press('/');
    await page.keyboard.type(letters);
    await expect(shown(page)).toContainText('of');
    await expect(page).toHaveURL(new RegExp(`q=${letters}`));
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Space');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Escape');
    await expect(page).not.toHaveURL(/q=/);
  }
  await expect(page.getByTestId('tray-count')).toHaveText('6');
  await page.reload();
  await expect(page.getByTestId('tray-count')).toHaveText('6');
  await page.getByRole('listbox', { name: 'Plugins' }).focus();
  await page.keyboard.press('Shift+F');
  await page.keyboard.type('Night boat');
  await expect(page.getByText('Create the folder')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(front(page, 'Night boat')).toHaveAccessibleName(/6 plugins/);
  await saved(page);
  await expect(page.getByTestId('tray-count')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(front(page, 'Night boat')).toHaveCount(0);
  await expect(page.getByTestId('tray-count')).toHaveText('6');
});

test('a key pressed just when the letters reach the address is not lost', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await page.evaluate(() => {
    const replace = history.replaceState.bind(history);
    history.replaceState = (...step) => {
      replace(...step);
      if (!String(step[2]).includes('q=plate')) {
        return;
      }
      document.body.dataset['pressed'] = 'yes';
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    };
  });
  await page.keyboard.press('/');
  await page.keyboard.type('plate');
  await expect(page.locator('body')).toHaveAttribute('data-pressed', 'yes');
  await expect(page).not.toHaveURL(/q=/);
  await expect(page.getByLabel('Search')).toHaveValue('');
});

test('in an opened folder the keys of the list work, and M moves a plugin to another folder', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Squeeze').click();
  const placed = page.getByTestId('placed');
  const first = (await placed.first().getAttribute('aria-label')) ?? '';
  const squeeze = await count(page, 'Squeeze');
  const wear = await count(page, 'Wear');
  await placed.first().focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('list', { name: 'In the tray' })).toContainText(first);
  await page.keyboard.press('Space');
  await page.keyboard.press('n');
  await expect(page.getByLabel('Nickname')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(placed.first()).toBeFocused();
  await page.keyboard.press('m');
  await expect(page.locator('.picker-head')).toHaveText(`Move ${first} to …`);
  await page.keyboard.type('wear');
  await page.keyboard.press('Enter');
  await expect.poll(() => count(page, 'Squeeze')).toBe(squeeze - 1);
  expect(await count(page, 'Wear')).toBe(wear + 1);
  await page.keyboard.press('Control+z');
  await expect.poll(() => count(page, 'Squeeze')).toBe(squeeze);
});

test('a folder is shown in another cabinet too and stays one; favourites are shared by all cabinets', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await page.getByRole('button', { name: 'New cabinet' }).click();
  await page.getByLabel(/^By job/).check();
  await page.getByRole('button', { name: 'Create the cabinet' }).click();
  await expect(front(page, 'Clean up')).toBeVisible();
  await page.getByRole('tab', { name: 'Everyday' }).click();
  const held = await count(page, 'Squeeze');
  await menu(page, 'Squeeze', 'Also show in another cabinet …');
  await page.keyboard.type('by job');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Actions for the cabinet Everyday' }).click();
  await page.getByRole('button', { name: 'One favourites folder for all cabinets' }).click();
  const favourites = await count(page, 'Favourites');
  await page.getByRole('tab', { name: 'By job' }).click();
  await expect(front(page, 'Squeeze')).toHaveAccessibleName(new RegExp(`${held} plugins`));
  expect(await count(page, 'Favourites')).toBe(favourites);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('f');
  await page.keyboard.type('squ');
  await page.keyboard.press('Enter');
  await expect.poll(() => count(page, 'Squeeze')).toBe(held + 1);
  await menu(page, 'Squeeze', /Stop showing it here/);
  await expect(front(page, 'Squeeze')).toHaveCount(0);
  await page.getByRole('tab', { name: 'Everyday' }).click();
  await expect(front(page, 'Squeeze')).toHaveAccessibleName(new RegExp(`${held + 1} plugins`));
});

test('lined up by a fact, the list stands under headings that fold by mouse and by keyboard', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?by=vendor`);
  const headings = page.locator('.list-heading');
  const rows = page.getByTestId('plugin');
  await expect(headings.first()).toBeVisible();
  const top = (await headings.first().textContent()) ?? '';
  const plugin = (await rows.first().locator('.name').textContent()) ?? '';
  await headings.first().click();
  await expect(rows.first().locator('.name')).not.toHaveText(plugin);
  await expect(headings.first()).toHaveText(top);
  await rows.first().click();
  const next = (await headings.nth(1).textContent()) ?? '';
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(headings.nth(2)).toBeVisible();
  await expect(headings.nth(1)).toHaveText(next);
  await page.getByRole('listbox', { name: 'Plugins' }).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(rows.first().locator('.name')).toHaveText(plugin);
});

test('seven plugins are moved within a folder, then to another one, each in one drag', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Squeeze').click();
  const rows = page.getByRole('grid', { name: 'Plugins in Squeeze' }).getByRole('row');
  const names = (): Promise<(string | null)[]> =>
    rows.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  await expect(rows.first()).toBeVisible();
  const before = await names();
  await rows.nth(1).click();
  await rows.nth(7).click({ modifiers: ['Shift'] });
  await expect(page.getByText('7 selected:')).toBeVisible();
  await expectNoAxeFindings(page);
  await dragTo(page, rows.nth(4), rows.nth(0));
  await page.mouse.up();
  await expect
    .poll(names)
    .toEqual([...before.slice(1, 8), ...before.slice(0, 1), ...before.slice(8)]);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
  // What is selected stays so, and goes where it is let go.
  await dragTo(page, rows.nth(3), front(page, 'Wear'));
  await page.mouse.up();
  await expect.poll(names).toEqual([...before.slice(0, 1), ...before.slice(8)]);
  await page.keyboard.press('Control+z');
  await expect.poll(names).toEqual(before);
});

test('cabinets are put in another order by dragging their tabs, and undo puts them back', async ({
  page,
  empty,
}) => {
  const { address } = empty;
  await page.goto(`${address}/file`);
  const tabs = page.getByRole('tablist', { name: 'Cabinets' }).getByRole('tab');
  await expect(tabs).toHaveText(['Everyday']);
  const response = await page.request.get(`${address}/api/computers`);
  const [computer] = (await response.json()) as { id: string }[];
  for (const name of ['Strings', 'Echoes']) {
    await page.request.post(`${address}/api/computers/${computer?.id ?? ''}/acts`, {
      data: {
        act: 'add-cabinet',
        id: crypto.randomUUID(),
        favourites: crypto.randomUUID(),
        name,
        opensFor: [],
        folders: [],
      },
    });
  }
  const inOrder = ['Everyday', 'Strings', 'Echoes'];
  await expect(tabs).toHaveText(inOrder);
  await dragTo(page, tabs.nth(0), tabs.nth(2));
  await expect(page.getByTestId('in-the-air')).toHaveText('Move Everyday after Echoes');
  await page.mouse.up();
  await expect(tabs).toHaveText(['Strings', 'Echoes', 'Everyday']);
  await expect(page.getByRole('tab', { name: 'Everyday' })).toHaveAttribute(
    'aria-selected',
    'true',
  );
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(tabs).toHaveText(inOrder);
});
