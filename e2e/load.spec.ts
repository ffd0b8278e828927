/**
 * Loading: by keyboard alone with its keys counted, in a narrow window, refused with reasons, and an
 * old session repaired.
 */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { askOf, expect, expectNoAxeFindings, test } from './studio.ts';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import type { CatalogView, KeysView, SessionView } from '@clever-drawer/core/api';
import { misbehaviours, type Usage } from '@clever-drawer/core/loading';
import { describe as wordsOf } from '@clever-drawer/core/problem';

const field = (page: Page): Locator => page.getByLabel('Search plugins');
const hits = (page: Page): Locator => page.getByTestId('hit');
const slots = (page: Page, track: string): Locator =>
  page
    .getByRole('group', { name: track, exact: true })
    .getByRole('button', { name: /^Slot \d+: (?!empty)/ });

async function api(request: APIRequestContext, address: string) {
  const get = await askOf(request, address);
  return {
    loadable: async () =>
      new Set(
        (await get<{ plugin: string }[]>('find?q=&slot=effect&limit=999')).map((one) => one.plugin),
      ),
    catalog: async () => (await get<CatalogView>('catalog')).plugins,
    usage: () => get<Usage[]>('usage'),
    keys: () => get<KeysView>('keys'),
    session: () => get<SessionView>('session'),
  };
}

test('twenty loads by keyboard alone, every key counted', async ({ page, demo, request }, info) => {
  test.setTimeout(120_000);
  const studio = await api(request, demo.address);
  const byId = new Map((await studio.catalog()).map((plugin) => [plugin.id as string, plugin]));
  const before = await studio.keys();
  const loadable = await studio.loadable();
  const targets = (await studio.usage())
    .sort((a, b) => b.warmth - a.warmth)
    .flatMap((one) => byId.get(one.plugin) ?? [])
    .filter((plugin) => loadable.has(plugin.id))
    .slice(0, 20);
  expect(targets).toHaveLength(20);
  await page.goto(`${demo.address}/load`);
  await expect(hits(page).first()).toBeVisible();
  const filled = await slots(page, 'Narrator').count();
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  for (const [n, target] of targets.entries()) {
    const row = page.locator(`#hit-${target.id}`);
    let typed = '';
    for (const letter of target.name.toLowerCase()) {
      if (await row.isVisible()) {
        break;
      }
      await press(letter === ' ' ? 'Space' : letter);
      typed += letter;
      // What the letters find is drawn with them.
      await expect(field(page)).toHaveValue(typed);
    }
    await expect(row).toBeVisible();
    const at =
      (await hits(page).evaluateAll(
        (list, id) => list.findIndex((one) => one.id === id),
        `hit-${target.id}`,
      )) + 1;
    const figure = row.locator('.hit-key kbd');
    if (at > 1 && (await figure.count()) > 0) {
      await press(`Alt+${at}`);
    } else {
      for (let i = 1; i < at; i += 1) {
        await press('ArrowDown');
      }
      await press('Enter');
    }
    await expect(slots(page, 'Narrator')).toHaveCount(filled + n + 1);
  }
  const after = await studio.keys();
  const counted =
    after.today.loads * (after.today.keys ?? 0) - before.today.loads * (before.today.keys ?? 0);
  expect(Math.round(counted)).toBe(keys);
  info.annotations.push({ type: 'keys per load', description: (keys / targets.length).toFixed(2) });
  expect(keys / targets.length).toBeLessThan(4);
  expect(
    (await studio.session()).tracks[0]?.slots.slice(filled).map((slot) => slot.plugin),
  ).toEqual(targets.map((target) => target.id));
});

test('the folders of the slot are walked with arrows, Tab leads to all and to the rest with reasons, Alt and a digit load', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(
    page.getByRole('heading', { name: 'Load an effect into Narrator, slot 4' }),
  ).toBeVisible();
  for (let i = 0; i < 2; i += 1) {
    await page.keyboard.press('ArrowRight');
  }
  await expect(page.getByRole('button', { name: 'Lately loaded' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'In Everyday' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.getByRole('button', { name: 'Squeeze' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Squeeze' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  // What is not in the folder is found all the same, and said to be elsewhere.
  await field(page).fill('plate');
  await expect(page.getByRole('group', { name: 'Not in Squeeze' })).toBeVisible();
  await field(page).fill('');
  await page.keyboard.press('F4');
  await page.keyboard.press('F4');
  await page.keyboard.press('F4');
  await expect(page.getByRole('button', { name: 'The rest' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(hits(page).first()).toContainText(
    /slot for effects|not licensed|hidden|gone|32 bit|trial ended/,
  );
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('cannot be loaded here');
  await page.keyboard.press('F4');
  await page.keyboard.type('de');
  const third = await hits(page).nth(2).locator('.name').innerText();
  await page.keyboard.press('Alt+3');
  await expect(page.getByTestId('notice').last()).toContainText(
    `${third.split('\n')[0] ?? ''} loaded in Narrator, slot 4`,
  );
});

test('a favourite and a nickname on the spot; facts, pictures and what was forgotten are one chord away', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await field(page).fill('noise');
  await expect(hits(page).first()).toBeVisible();
  const hadRibbon = await hits(page).first().getByLabel('favourite').count();
  await page.keyboard.press('Control+b');
  await expect(hits(page).first().getByLabel('favourite')).toHaveCount(1 - hadRibbon);
  await page.keyboard.press('Control+i');
  await expect(page.getByTestId('peek')).toContainText('Copies');
  await page.keyboard.press('Control+p');
  await expect(hits(page).first().locator('.faceplate')).toHaveCount(0);
  await page.keyboard.press('F2');
  await page.getByLabel('Nickname').fill('Hush now');
  await page.keyboard.press('Enter');
  await expect(field(page)).toBeFocused();
  await field(page).fill('hush');
  await expect(hits(page).first()).toContainText('Hush now');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+g');
  await expect(
    page.getByRole('heading', { name: 'Favourites you haven’t used lately' }),
  ).toBeVisible();
  await expect(hits(page).first()).toContainText(/never loaded|not for \d+ days/);
});

/** All files of a bundle, or the one file. */
const programsIn = (path: string): string[] =>
  statSync(path).isFile()
    ? [readFileSync(path, 'latin1')]
    : readdirSync(path, { recursive: true, withFileTypes: true })
        .filter((one) => one.isFile())
        .map((one) => readFileSync(join(one.parentPath, one.name), 'latin1'));

test('the host refuses with reasons, and the session stands as before', async ({
  page,
  demo,
  request,
}) => {
  const studio = await api(request, demo.address);
  const plugins = await studio.catalog();
  const loadable = await studio.loadable();
  const rude = plugins.find(
    (plugin) =>
      loadable.has(plugin.id) &&
      plugin.copies.every(
        (copy) =>
          copy.state === 'present' &&
          Object.values(misbehaviours).some((text) =>
            programsIn(copy.path).some((program) => program.endsWith(text)),
          ),
      ),
  );
  if (!rude) {
    throw new Error('the demo has no such plugin');
  }
  await page.goto(`${demo.address}/load`);
  await expect(hits(page).first()).toBeVisible();
  const filled = await slots(page, 'Narrator').count();
  await page.keyboard.press('F4');
  await field(page).fill(rude.name);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(
    /crashed while it was opened and took the session with it|reports no licence/,
  );
  await expect(field(page)).toHaveValue(rude.name);
  await expect(slots(page, 'Narrator')).toHaveCount(filled);
  // A copy for 32-bit hosts, chosen by hand.
  const old = plugins.find(
    (plugin) =>
      plugin.kind === 'effect' &&
      plugin.copies.some((copy) => copy.is32Bit) &&
      plugin.copies.some((copy) => !copy.is32Bit && !copy.isFailed),
  );
  await field(page).fill(old?.name ?? '');
  await page.keyboard.press('Alt+Enter');
  const copy = page.getByTestId('copy').filter({ hasText: '32 bit only' });
  await expect(copy).toContainText('which the session does not take');
  await expectNoAxeFindings(page);
  await copy.click();
  await expect(page.getByRole('alert')).toContainText(
    wordsOf({ code: 'host-bits', at: '', name: old?.name ?? '' }),
  );
  await page.keyboard.press('Escape');
  await page.keyboard.type('de');
  await page.keyboard.press('Enter');
  await expect(slots(page, 'Narrator')).toHaveCount(filled + 1);
});

test('a wrong load goes with one Ctrl+Z, and what it replaced comes back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(hits(page).first()).toBeVisible();
  const names = (): Promise<(string | null)[]> =>
    slots(page, 'Narrator').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  const before = await names();
  await slots(page, 'Narrator').first().click();
  await page.keyboard.type('plate');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('notice').last()).toContainText('loaded in Narrator, slot 1');
  await expect(slots(page, 'Narrator')).toHaveCount(before.length);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('notice').last()).toContainText(/^Undone: .+ loaded in Narrator/);
  await expect.poll(names).toEqual(before);
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByTestId('notice').last()).toContainText(/^Redone: .+ loaded in Narrator/);
  await expect.poll(names).not.toEqual(before);
  await page.reload();
  await expect(hits(page).first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('notice').last()).toContainText(/^Undone: .+ loaded in Narrator/);
  await expect.poll(names).toEqual(before);
});

test('slots are bypassed, moved and emptied by keyboard', async ({ page, demo }) => {
  await page.goto(`${demo.address}/load`);
  await expect(hits(page).first()).toBeVisible();
  const [first, second] = await slots(page, 'Narrator').allInnerTexts();
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('0');
  await expect(slots(page, 'Narrator').nth(1)).toHaveAccessibleName(/, bypassed$/);
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(slots(page, 'Narrator').first()).toHaveText(second ?? '');
  await expect(slots(page, 'Narrator').first()).toBeFocused();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(slots(page, 'Puppet · Heron').last()).toHaveText(second ?? '');
  await expect(slots(page, 'Narrator').first()).toHaveText(first ?? '');
});

test('an old session is opened, and what is gone is taken from its best match in one press', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await page.getByRole('button', { name: 'Session', exact: true }).click();
  await page.getByRole('button', { name: /^The Heron and the Eel, first night/ }).click();
  await expect(
    page.getByRole('heading', { name: /plugins of this session could not be opened/ }),
  ).toBeVisible();
  const repairs = page.getByTestId('repair');
  await expect(repairs.filter({ hasText: 'the same one at another path' })).not.toHaveCount(0);
  await expect(
    repairs.filter({ hasText: 'nearly the same name, by the same vendor (a guess)' }),
  ).toHaveCount(1);
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: /^Use all \d matches$/ }).click();
  await expect(repairs).toHaveCount(0);
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'The Heron and the Eel, first night' }),
  ).toBeVisible();
  await expect(repairs).toHaveCount(0);
});

test('the plugins of a track are kept as a chain, found by its name, loaded together, and taken back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  await expect(hits(page).first()).toBeVisible();
  const names = await slots(page, 'Narrator').allInnerTexts();
  await page.getByRole('button', { name: 'Keep the chain of Narrator' }).click();
  await page.getByLabel('Name').fill('Heron voice chain');
  await page.keyboard.press('Enter');
  await page
    .getByRole('group', { name: 'Accordion' })
    .getByRole('button', { name: /empty/ })
    .click();
  await page.keyboard.press('F4');
  await page.keyboard.type('hvc');
  await expect(hits(page).first()).toContainText('3 in a row');
  const before = await slots(page, 'Accordion').count();
  await page.keyboard.press('Enter');
  await expect(slots(page, 'Accordion')).toHaveCount(before + 3);
  expect((await slots(page, 'Accordion').allInnerTexts()).slice(before)).toEqual(names);
  await page.goto(`${demo.address}/file?q=heron voice chain`);
  await expect(page.getByTestId('plugin').first()).toContainText('chain of 3');
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: 'A chain of 3' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove this chain' }).click();
  await expect(page.getByTestId('notice').last()).toContainText(
    'Remove the chain Heron voice chain',
  );
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('notice').last()).toContainText('Undone: Remove the chain');
  await page.goto(`${demo.address}/file?q=heron voice chain`);
  await expect(page.getByTestId('plugin')).toHaveCount(1);
});

test('what is learnt is shown, can be switched off, and wiped', async ({ page, demo, request }) => {
  const studio = await api(request, demo.address);
  await page.goto(`${demo.address}/load`);
  await page.getByRole('button', { name: 'What is remembered' }).click();
  await expect(page.getByRole('img', { name: /^Keys for a load, by week/ })).toBeVisible();
  await expectNoAxeFindings(page);
  const { loads } = await studio.keys();
  await page.getByLabel('Remember what I load').click();
  await expect(page.getByLabel('Remember what I load')).not.toBeChecked();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('/');
  await expect(field(page)).toBeFocused();
  await page.keyboard.type('de');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('notice').last()).toContainText('loaded in Narrator');
  expect((await studio.keys()).loads).toBe(loads);
  await page.getByRole('button', { name: 'What is remembered' }).click();
  await page.getByRole('button', { name: 'Delete all loads …' }).click();
  await page.getByRole('button', { name: 'Delete all loads', exact: true }).click();
  await expect(page.getByText('Nothing recorded yet.')).toBeVisible();
  expect(await studio.usage()).toEqual([]);
});

test('a narrow window of its own finds and loads, and can be installed', async ({ page, demo }) => {
  await page.setViewportSize({ width: 420, height: 720 });
  await page.goto(`${demo.address}/load`);
  await page.keyboard.type('de');
  await expect(hits(page).nth(3)).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(420);
  await expectNoAxeFindings(page);
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('notice').last()).toContainText('loaded in Narrator, slot 4');
  await page.getByRole('button', { name: 'all slots' }).click();
  await page.getByRole('button', { name: /^Slot 1: empty, for a note effect/ }).click();
  await expect(
    page.getByRole('heading', { name: /^Load a note effect into Sea bed · notes/ }),
  ).toBeVisible();
  const devtools = await page.context().newCDPSession(page);
  expect(
    (
      (await devtools.send('Page.getInstallabilityErrors' as never)) as {
        installabilityErrors: { errorId: string }[];
      }
    ).installabilityErrors
      .map((one) => one.errorId)
      .filter((id) => id !== 'in-incognito'),
  ).toEqual([]);
});
