/** Frictions of an hour's real work: undo in fields, the tray, drafts, dragging at the edge, the mark that stays. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import {
  dragTo,
  drawn,
  expect,
  expectNoAxeFindings,
  front,
  holdBack,
  saved,
  test,
} from './studio.ts';

const list = (page: Page) => page.getByRole('listbox', { name: 'Plugins' });
const letters = (page: Page) => page.getByLabel('Search plugins');
const tray = (page: Page) => page.getByTestId('tray-count');
const notice = (page: Page) => page.getByTestId('notice').last();

test('undo in a field takes back typing; a change of another screen is named before it is undone', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('b');
  await expect(notice(page)).toContainText('avourite');
  await saved(page);
  const done = (await notice(page).textContent()) ?? '';
  await page.keyboard.press('/');
  await page.keyboard.type('plate');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('searchbox').or(page.locator(':focus'))).not.toHaveValue('plate');
  await expect(page.getByText(/^Undone/)).toHaveCount(0);

  // On Load the field of letters is always in use: empty, it leaves undo to the screen.
  await page.keyboard.press('Alt+4');
  await expect(letters(page)).toBeFocused();
  await page.keyboard.type('pl');
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Undone/)).toHaveCount(0);
  await letters(page).fill('');
  // The session has an order of undo of its own.
  await page.keyboard.press('Control+z');
  await expect(notice(page)).toContainText(/^Undone: .* loaded in /);
  await page.keyboard.press('Alt+5');
  await expect(page.getByText(/^You own \d+ plugins/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(notice(page)).toContainText(`The last change was in File: ${done}`);
  await page.keyboard.press('Control+z');
  await expect(notice(page)).toContainText('Undone');
});

test('keys of the list mean the lit row; the tray has its own, is empty after filing, and undo fills it', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await page.getByTestId('plugin').first().click();
  for (let i = 0; i < 3; i += 1) {
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowDown');
  }
  await expect(tray(page)).toHaveText('3');
  await page.keyboard.press('f');
  // One plugin, by its name, is to be filed.
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/^File (?!\d+ plugins).+ in …/);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press('Shift+F');
  await expect(dialog).toContainText('File 3 plugins in …');
  await page.keyboard.type('Tin roof');
  await expect(page.getByText('Create the folder')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(front(page, 'Tin roof')).toHaveAccessibleName(/3 plugins/);
  await expect(tray(page)).toHaveCount(0);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(front(page, 'Tin roof')).toHaveCount(0);
  await expect(tray(page)).toHaveText('3');
});

test('what is typed is kept: notes on leaving and over a reload, an unfinished rule when one comes back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('i');
  const notes = page.getByLabel('Notes');
  await notes.fill('good on gulls');
  await expect(page.getByTestId('saved')).toHaveText('unsaved draft');
  await page.reload();
  await expect(notes).toHaveValue('good on gulls');
  await notes.focus();
  await page.keyboard.press('Alt+3');
  await expect(list(page)).toBeVisible();
  await saved(page);
  await page.goBack();
  await expect(notes).toHaveValue('good on gulls');
  await saved(page);

  await page.goto(`${demo.address}/rule/new`);
  await page.getByLabel('Name', { exact: true }).fill('Tin roof');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(list(page)).toBeVisible();
  await page.goto(`${demo.address}/rule/new`);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Tin roof');
  await expect(page.getByText('Unsaved draft restored.')).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('');
  await saved(page);
});

/** All that is said in the air until the chest has been scrolled by so many pixels. */
const saidWhileScrolling = (page: Page, pixels: number): Promise<string[]> =>
  page.evaluate(
    (far) =>
      new Promise<string[]>((done) => {
        const chest = document.querySelector('.chest-body');
        const from = chest?.scrollTop ?? 0;
        const said = new Set<string>();
        const look = (): void => {
          said.add(document.querySelector('[data-testid="in-the-air"]')?.textContent ?? '');
          if ((chest?.scrollTop ?? 0) < from + far) {
            requestAnimationFrame(look);
          } else {
            done([...said]);
          }
        };
        look();
      }),
    pixels,
  );

test('a folder near the edge of the chest stays under the pointer, and resting there scrolls', async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 1280, height: 560 });
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  const chest = page.locator('.chest-body');
  const box = await chest.boundingBox();
  if (!box) {
    throw new Error('not in view');
  }
  await dragTo(page, page.getByTestId('plugin').first(), chest);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height - 6, { steps: 4 });
  const before = await chest.evaluate((element) => element.scrollTop);
  await drawn(page);
  expect(await chest.evaluate((element) => element.scrollTop)).toBe(before);
  await expect.poll(() => chest.evaluate((element) => element.scrollTop)).toBeGreaterThan(before);
  await page.keyboard.press('Escape');
});

test('a folder that is scrolled out of view takes no plugin', async ({ page, demo }) => {
  await page.setViewportSize({ width: 1280, height: 560 });
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  const chest = page.locator('.chest-body');
  const box = await chest.boundingBox();
  const edge = (box?.y ?? 0) + (box?.height ?? 0);
  await dragTo(page, page.getByTestId('plugin').first(), chest);
  const fronts = await page.locator('.front-place').all();
  const boxes = await Promise.all(fronts.map((one) => one.boundingBox()));
  const cut = boxes.find((one) => one && one.y < edge && one.y + one.height > edge + 8);
  if (!cut) {
    throw new Error('no folder is cut by the edge');
  }
  const air = page.getByTestId('in-the-air');
  await page.mouse.move(cut.x + cut.width / 2, edge - 3, { steps: 4 });
  await expect(air).toContainText('File');
  // It goes on below the edge, where it is not seen; nor are those that come after it.
  await page.mouse.move(cut.x + cut.width / 2, edge + 6, { steps: 2 });
  await expect(air).not.toContainText('File');
  expect((await saidWhileScrolling(page, 100)).join()).not.toContain('File');
  await page.keyboard.press('Escape');
});

test('the mark stays on a plugin that is ranked anew, and Tab leaves the field', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(page.getByTestId('hit').nth(3)).toBeVisible();
  for (let i = 0; i < 3; i += 1) {
    await page.keyboard.press('ArrowDown');
  }
  const marked = page.getByRole('option', { selected: true });
  const name = (await marked.locator('.name').innerText()).split('\n')[0] ?? '';
  await page.keyboard.press('Control+b');
  await expect(notice(page)).toContainText(name);
  await expect(marked).toContainText(name);
  await page.keyboard.press('Control+b');
  await expect(notice(page)).toContainText(name);
  await page.keyboard.press('Tab');
  await expect(letters(page)).not.toBeFocused();
  await expect(page).toHaveTitle(/^Load · .*Clever Drawer$/);
});

test('what was learnt of a load moves the list with the next key, never under the hand', async ({
  page,
  demo,
}) => {
  const shownNow = async (): Promise<string[]> =>
    page.getByTestId('hit').locator('.name').allInnerTexts();
  await page.goto(`${demo.address}/load`);
  await expect(page.getByTestId('hit').nth(3)).toBeVisible();
  const letGo = await holdBack(page, /\/(habits|usage)$/);
  await page.keyboard.press('g');
  await expect(letters(page)).toHaveValue('g');
  const ofOne = await shownNow();
  await page.keyboard.type('ull');
  await expect(letters(page)).toHaveValue('gull');
  const [loaded = ''] = await shownNow();
  await page.keyboard.press('Enter');
  // The list is that of the next slot at once, before the host has answered.
  const shown = await shownNow();
  await expect(notice(page)).toContainText('loaded in Narrator');
  expect(await shownNow()).toEqual(shown);
  const learnt = ['habits', 'usage'].map((what) => page.waitForResponse(`**/${what}`));
  letGo();
  await Promise.all(learnt);
  await drawn(page);
  expect(await shownNow()).toEqual(shown);
  await page.keyboard.press('g');
  await expect(letters(page)).toHaveValue('g');
  const place = (names: readonly string[]): number => [...names, loaded].indexOf(loaded);
  expect(place(await shownNow())).toBeLessThan(place(ofOne));
});

test('a key pressed at the moment a screen is seen is not lost', async ({ page, demo }) => {
  await page.addInitScript(() => {
    const observer = new MutationObserver(() => {
      if (document.querySelector('.shell') !== null) {
        observer.disconnect();
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true }));
      }
    });
    observer.observe(document, { childList: true, subtree: true });
  });
  await page.goto(`${demo.address}/file`);
  await expect(page.getByRole('dialog')).toBeVisible();
});

test('one can skip to the content, and the theme follows the system until one is chosen', async ({
  page,
  demo,
}) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto(`${demo.address}/sort`);
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.emulateMedia({ colorScheme: 'light' });
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'light');
  await page.getByRole('button', { name: 'Change to dusk' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.getByRole('button', { name: 'Change to day' }).click();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the content' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});

test('the menu of a folder opens by the context key, is walked with arrows, and Esc leads back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await front(page, 'Squeeze').focus();
  await page.keyboard.press('Shift+F10');
  const menu = page.locator('.dropdown-menu.show');
  await expect(menu).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(menu.locator(':focus')).toHaveCount(1);
  await expectNoAxeFindings(page);
  await page.keyboard.press('Escape');
  await expect(menu).toHaveCount(0);
  await expect(front(page, 'Squeeze')).toBeFocused();

  // With a folder open, a new one is made in it.
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Squeeze, open')).toBeVisible();
  await page.keyboard.press('Shift+N');
  await page.getByPlaceholder('Name').fill('Tin roof');
  await page.keyboard.press('Enter');
  await expect(front(page.getByLabel('Squeeze, open'), 'Tin roof')).toBeVisible();
});

test('every act and thing is found by letters, tags are renamed everywhere, and keys go by place', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(letters(page)).toBeFocused();
  const finds = async (typed: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible();
    await page.keyboard.type(typed);
  };
  await finds('new fold');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/file/);
  await expect(page.getByLabel(/^Name/).first()).toBeFocused();
  await page.keyboard.press('Escape');
  await finds('dusk');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-bs-theme', 'dark');

  // A tag leads to its plugins, and is called otherwise everywhere at once.
  await finds('puppets');
  await page.getByRole('option', { name: /^puppets tag/ }).click();
  await expect(page).toHaveURL(/tag=puppets/);
  await expect(page.getByText(/^\d+ of \d+ plugins/)).toBeVisible();
  const tagged = await page.getByTestId('plugin').count();
  expect(tagged).toBeGreaterThan(1);
  await finds('all tags');
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'All tags' });
  await dialog.getByRole('button', { name: 'Rename the tag puppets' }).click();
  await expectNoAxeFindings(page);
  await page.keyboard.type('marionettes');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('marionettes')).toBeVisible();
  await expect(dialog.getByText('puppets', { exact: true })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await saved(page);
  await page.goto(`${demo.address}/file?tag=marionettes`);
  await expect(page.getByTestId('plugin')).toHaveCount(tagged);

  // On a Cyrillic layout the key of B writes another letter and does the same.
  await page.getByTestId('plugin').first().click();
  await page.evaluate(() => {
    const pressed = { key: 'и', code: 'KeyB', bubbles: true, cancelable: true };
    document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', pressed));
  });
  await expect(notice(page)).toContainText('avourite');

  // A question that is put off is not counted until tomorrow.
  await page.goto(`${demo.address}/sort`);
  // The count may stand before the question does that the key is for.
  await expect(page.getByRole('list', { name: 'Up next' })).toBeVisible();
  const badge = page.getByTitle(/questions wait/);
  const waiting = Number(await badge.textContent());
  await page.keyboard.press('l');
  await expect(badge).toHaveText(String(waiting - 1));
});

test('a saved setting is found by letters of its own and its plugin, and stands on the page', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.type('barnacle heron');
  const found = page.getByRole('option', { name: /Heron speaks setting of Barnacle/ }).first();
  await expect(found).toBeVisible();
  await found.click();
  await expect(page.getByRole('heading', { level: 1, name: 'Heron speaks' })).toBeVisible();
  await expectNoAxeFindings(page);
  await page
    .getByRole('heading', { name: /^A setting of Barnacle/ })
    .getByRole('link')
    .click();
  const settings = page.getByRole('region', { name: /\d+ settings/ });
  await expect(settings).toContainText('Puppet theatre');
  await expect(settings).toContainText('Heron speaks');
  await expectNoAxeFindings(page);
});

test('a slot that was emptied and a place that was removed come back by Ctrl+Z', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  const narrator = page.getByRole('group', { name: 'Narrator' });
  const first = narrator.getByLabel(/^Slot 1: /);
  const stood = (await first.getAttribute('aria-label')) ?? '';
  await first.focus();
  await page.keyboard.press('Delete');
  await expect(first).not.toHaveAttribute('aria-label', stood);
  await expect(page.getByRole('button', { name: /^Undo: Empty the slot of/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(first).toHaveAttribute('aria-label', stood);
  await page.keyboard.press('Control+Shift+z');
  await expect(first).not.toHaveAttribute('aria-label', stood);

  await page.goto(`${demo.address}/scan`);
  const places = page.getByRole('button', { name: /^Remove the place/ });
  await expect(places.nth(3)).toBeVisible();
  const before = await places.count();
  await places.last().click();
  await expect(places).toHaveCount(before - 1);
  await page.keyboard.press('Control+h');
  const changes = page.getByRole('dialog', { name: 'Latest changes' });
  await expect(changes).toContainText('Remove the place');
  await expectNoAxeFindings(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo: Remove the place/ }).click();
  await expect(places).toHaveCount(before);
});

test('that many are on trial is said with its last day, and what has ended is not offered', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?type=reverb`);
  const rows = page.getByTestId('plugin');
  await rows.first().click();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Edit all 2 …' }).click();
  await page.getByRole('button', { name: /^Licence and hiding/ }).click();
  await page.getByRole('button', { name: 'They are on trial …' }).click();
  await page.getByLabel('Last day').fill('2026-01-31');
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(notice(page)).toContainText('until 2026-01-31');
  await saved(page);
  const name = (await rows.first().locator('.cut').textContent()) ?? '';
  await page.goto(`${demo.address}/load`);
  await letters(page).fill(name);
  await expect(page.getByTestId('hit').first()).toContainText('its trial ended on 2026-01-31');
});

test('every control shows its focus, and is large enough to be hit', async ({ page, demo }) => {
  test.slow();
  for (const screen of ['scan', 'sort', 'file', 'load', 'review', 'keep']) {
    await page.goto(`${demo.address}/${screen}`);
    await expect(page.locator('main')).toBeVisible();
    await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
    await expect(page.locator('h1').first()).toBeAttached();
    const { violations } = await new AxeBuilder({ page }).withRules(['target-size']).analyze();
    const small = violations.flatMap(({ nodes }) => nodes.map(({ target }) => target.join(' ')));
    await page.locator('.skip-link').focus();
    const walked = await walkByTab(page, 45);
    expect(walked.length, screen).toBeGreaterThan(8);
    const unseen = walked.filter(({ isShown }) => !isShown).map(({ name }) => name);
    expect.soft({ screen, small, unseen }).toEqual({ screen, small: [], unseen: [] });
  }
});

/** What Tab leads to, at most so many controls. */
async function walkByTab(page: Page, most: number): Promise<{ name: string; isShown: boolean }[]> {
  const walked: { name: string; isShown: boolean }[] = [];
  for (let n = 0; n < most; n += 1) {
    await page.keyboard.press('Tab');
    const at = await page.evaluate(focusOf);
    if (at === null) {
      break;
    }
    walked.push(at);
  }
  return walked;
}

/**
 * What has the focus, and whether a ring of at least 2 px and 3 : 1 against what lies below shows it
 * (WCAG 2.2, 1.4.11 and 2.4.13). Runs in the page.
 */
function focusOf(): { name: string; isShown: boolean } | null {
  const element = document.activeElement;
  if (!element || element === document.body) {
    return null;
  }
  const channels = (color: string): number[] => (color.match(/[\d.]+/g) ?? []).map(Number);
  const luminance = (color: string): number => {
    const [r = 0, g = 0, b = 0] = channels(color).map((value) => {
      const part = value / 255;
      return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
  };
  let below = 'rgb(255, 255, 255)';
  for (let at: Element | null = element.parentElement; at; at = at.parentElement) {
    const color = getComputedStyle(at).backgroundColor;
    if ((channels(color)[3] ?? 1) > 0.5) {
      below = color;
      break;
    }
  }
  // A control may show its focus by a ring of what is around it, as fields do.
  const rings = [
    element,
    element.parentElement,
    element.closest('label, .search-field, .finder-field'),
  ]
    .flatMap((one) => (one ? [getComputedStyle(one)] : []))
    .filter(
      ({ outlineStyle, outlineWidth }) => outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2,
    )
    .map(({ outlineColor }) => outlineColor);
  const ratio = (a: number, b: number): number => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
  const name = `${element.tagName} ${element.getAttribute('class') ?? ''} ${element.getAttribute('aria-label') ?? element.textContent}`;
  return {
    name: name.slice(0, 90),
    isShown: rings.some((ring) => ratio(luminance(ring), luminance(below)) >= 3),
  };
}

test('on paper File is the whole list that the sentence leaves, without bars and keys', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?type=delay`);
  const found = page.getByTestId('plugin');
  await expect(found.first()).toBeVisible();
  const name = (await found.first().locator('.name').textContent()) ?? '';
  const all = /\d+/.exec((await page.getByText(/of \d+ plugins/).textContent()) ?? '')?.[0];
  await page.emulateMedia({ media: 'print' });
  const table = page.getByRole('table');
  await expect(table.getByRole('columnheader')).toHaveText([
    'Name',
    'Vendor',
    'Type',
    'Formats',
    'Folders',
  ]);
  await expect(table.getByRole('row')).toHaveCount(Number(all) + 1);
  await expect(table).toContainText(name.trim());
  await expect(page.getByRole('banner')).toBeHidden();
  await expect(page.getByRole('listbox')).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  await expect(table).toHaveCount(0);
  await expect(found.first()).toBeVisible();
});

test('what could not be fetched while the program was away is told, and the screen does without it', async ({
  page,
  demo,
}) => {
  const parts = /assets\/forms-/;
  await page.route(parts, (route) => route.abort('connectionrefused'));
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('notice')).toContainText('Reload it');
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.unroute(parts);
  await page.reload();
  await expect(page.getByTitle(/questions? waits?$/)).toBeVisible();
  await expect(page.getByTestId('notice')).toHaveCount(0);
});

test('parts of screens have addresses, are found by what people call them, and a wrong address says so', async ({
  page,
  demo,
}) => {
  const find = async (typed: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog', { name: 'Find anything' })).toBeVisible();
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  };
  await page.goto(`${demo.address}/nowhere/at/all`);
  await expect(page.getByRole('heading', { name: 'No page here' })).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('link', { name: 'Go to your plugins' }).click();
  await expect(page).toHaveURL(/\/file/);
  await find('backup');
  await expect(page).toHaveURL(/\/keep\?tab=backups/);
  await find('spreadsheet');
  await expect(page).toHaveURL(/\/keep\?tab=files/);
  await find('what you own');
  await expect(page).toHaveURL(/\/review\?part=own/);
  await find('many at once');
  await expect(page.getByRole('listbox', { name: 'Questions' })).toBeVisible();
  await find('all vendors');
  await expect(page.getByRole('dialog', { name: /vendors/i })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).not.toHaveURL(/vendors/);
  await page.goto(`${demo.address}/sort?way=list`);
  await expect(page.getByRole('listbox', { name: 'Questions' })).toBeVisible();
});

test('Back from a plugin leads to the same row of the list, in the same place, with the focus', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?by=vendor`);
  await list(page).focus();
  for (let i = 0; i < 6; i += 1) {
    await page.keyboard.press('PageDown');
  }
  const marked = page.locator('.plugin-row.active .name');
  const name = (await marked.textContent()) ?? '';
  const scrolled = (): Promise<number> => list(page).evaluate((box) => box.scrollTop);
  await expect.poll(scrolled).toBeGreaterThan(1000);
  const before = await scrolled();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { level: 1, name: name.trim() })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(marked).toHaveText(name);
  await expect(list(page)).toBeFocused();
  await expect.poll(scrolled).toBe(before);
});

test('the current row can be told in the colours of the system alone', async ({ page, demo }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto(`${demo.address}/file`);
  await page.getByTestId('plugin').first().click();
  await expect(page.locator('.plugin-row.active')).toHaveCSS('outline-style', 'solid');
  await expect(page.locator('.plugin-row:not(.active)').first()).toHaveCSS('outline-style', 'none');
});
