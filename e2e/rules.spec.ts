/** Smart folders: a rule built by mouse, the same as text, its reasons, what is let in by hand, and a newly scanned plugin that arrives in it by itself. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { dragTo, expect, expectNoAxeFindings, front, saved, shown, test } from './studio.ts';

const text = (page: Page) => page.getByRole('textbox', { name: 'As text' });
const inside = async (page: Page): Promise<number> =>
  Number(await page.locator('.figure strong').first().textContent());
const held = async (page: Page, name: string): Promise<number> =>
  Number(/(\d+) plugins/.exec((await front(page, name).getAttribute('aria-label')) ?? '')?.[1]);

/** An LV2 bundle with one delay, as a plugin is installed while the application runs. */
function install(place: string, name: string): void {
  mkdirSync(join(place, `${name}.lv2`), { recursive: true });
  writeFileSync(
    join(place, `${name}.lv2`, 'manifest.ttl'),
    `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:new:${name.replaceAll(' ', '')}> a lv2:Plugin, lv2:DelayPlugin ; doap:name "${name}" .\n`,
  );
}

test('the delay folder is built by mouse, read as a sentence, corrected as text, and saved as one change', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/rule/new`);
  await page.getByLabel('Name', { exact: true }).fill('All echoes');
  const values = page.getByRole('combobox', { name: 'name has: add a value' });
  for (const word of ['delay', 'echo', 'slap']) {
    await values.click();
    await page.keyboard.type(word);
    await page.keyboard.press('Enter');
  }
  await expect(text(page)).toHaveValue('name has delay, echo, slap');
  await expect(page.locator('.rule-sentence')).toHaveText(
    'Every plugin whose name has delay, echo or slap.',
  );
  const byName = await inside(page);
  expect(byName).toBeGreaterThan(10);
  await expect(page.locator('.rule-rows mark').first()).toHaveText(/delay|echo|slap/i);
  await page.getByRole('button', { name: 'Add condition (and)' }).click();
  await page.getByLabel('What it asks about').nth(1).selectOption('kind');
  await page.getByRole('combobox', { name: 'kind is: add a value' }).click();
  await page.getByRole('option', { name: /^effect/ }).click();
  await page.getByRole('button', { name: 'Add alternative (or)' }).click();
  await page.getByLabel('What it asks about').nth(2).selectOption('type');
  await page.getByRole('combobox', { name: 'type is: add a value' }).click();
  await page.keyboard.type('dela');
  await page
    .getByRole('option', { name: /^delay/ })
    .first()
    .click();
  await expect(text(page)).toHaveValue(
    'name has delay, echo, slap\nkind is effect\n\ntype is delay',
  );
  const both = await inside(page);
  expect(both).toBeGreaterThan(byName);
  await expectNoAxeFindings(page);

  // As text: a slip is told with its place, and nothing changes until it is mended.
  await text(page).fill(
    'name has delay, echo, slap\nkind is effect\n\ntipe is delay\n\nnever\ntype is looper',
  );
  await expect(page.getByRole('alert')).toContainText('Line 4, column 1, at “tipe”');
  await expect(page.getByRole('alert')).toContainText('Understood is type.');
  expect(await inside(page)).toBe(both);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByTestId('notice').last()).toContainText('not understood yet');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await text(page).fill(
    'name has delay, echo, slap\nkind is effect\n\ntype is delay\n\nnever\ntype is looper',
  );
  await expect(page.locator('.rule-card.never')).toContainText('Except when this is true');
  await expect(page.getByRole('alert')).toHaveCount(0);
  const kept = await inside(page);
  await page.keyboard.press('Control+s');
  await expect(front(page, 'All echoes')).toHaveAccessibleName(
    new RegExp(`smart folder, ${kept} plugins`),
  );
  await saved(page);
  await page.reload();
  expect(await held(page, 'All echoes')).toBe(kept);
  await expect(page.getByTestId('placed').first().locator('.vendor')).toHaveText(
    /name has|type is/,
  );
  await page.keyboard.press('Control+z');
  await expect(front(page, 'All echoes')).toHaveCount(0);
});

test('what would join and leave is shown, one just outside is let in by hand, one is kept out, and both are taken back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  const before = await held(page, 'Strings & winds');
  await front(page, 'Strings & winds').click();
  await page.getByRole('link', { name: 'Change the rule' }).click();
  await expect(page.getByTestId('figure').first()).toContainText(String(before));
  await text(page).fill('name has strings, quartet');
  await expect(page.locator('.figure.leaves')).toContainText(/−\d+/);
  await expect(page.locator('.badge-note.leaves').first()).toBeVisible();
  await text(page).fill(
    'name has strings, quartet, brass, horns, woodwind, reeds, cello, flute, bassoon, choir',
  );
  await expect(page.getByTestId('figure').nth(2)).toContainText('−0');
  const near = page.getByRole('region', { name: 'Near misses' });
  await text(page).fill('name has string\ntype is brass');
  await expect(page.getByRole('note')).toContainText('No plugin meets all of these at once');
  await text(page).fill('name has delayy');
  await expect(page.getByRole('note')).toContainText('No plugin meets this condition');
  await expect(near).toContainText('one letter from “delayy”');
  await expectNoAxeFindings(page);
  await near
    .getByRole('button', { name: /^Include/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'By hand' })).toContainText('always included');
  expect(await inside(page)).toBe(1);
  await page.keyboard.press('Control+s');
  await expect(front(page, 'Strings & winds')).toHaveAccessibleName(/smart folder, 1 plugin$/);
  await expect(page.getByTestId('placed').first()).toContainText('always included, by hand');
  await page.keyboard.press('Control+z');
  await expect.poll(() => held(page, 'Strings & winds')).toBe(before);
  await page.getByTestId('placed').first().focus();
  await page.keyboard.press('Delete');
  await expect(page.getByTestId('notice').last()).toContainText(/^Exclude .* from Strings & winds/);
  await expect.poll(() => held(page, 'Strings & winds')).toBe(before - 1);
  await page.keyboard.press('Control+z');
  await expect.poll(() => held(page, 'Strings & winds')).toBe(before);
});

test('dropping on a smart folder asks: always in, or another rule; it settles as an ordinary folder and back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?type=meter`);
  const before = await held(page, 'Echo');
  await dragTo(page, page.getByTestId('plugin').first(), front(page, 'Echo'));
  await expect(page.getByTestId('in-the-air')).toContainText('fills itself');
  await page.mouse.up();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Echo fills itself by a rule');
  await expectNoAxeFindings(page);
  await dialog.getByRole('button', { name: 'Always include it' }).click();
  await expect.poll(() => held(page, 'Echo')).toBe(before + 1);
  await front(page, 'Echo').hover();
  await page.getByRole('button', { name: 'Actions for Echo' }).click();
  await page.getByRole('button', { name: 'Convert to an ordinary folder' }).click();
  await expect(front(page, 'Echo')).toHaveAccessibleName(
    new RegExp(`^Echo, folder, ${before + 1} plugins`),
  );
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(front(page, 'Echo')).toHaveAccessibleName(
    new RegExp(`smart folder, ${before + 1} plugins`),
  );
});

test('rules are gathered from the tray, kept from the list, begun from ready ones, and refused in a circle', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?type=reverb/plate`);
  await page.getByRole('listbox', { name: 'Plugins' }).focus();
  await page.keyboard.press('Control+a');
  await page.getByRole('button', { name: /^Find a rule for these/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Every plugin whose type is Plate.');
  await expect(dialog).toContainText('Matches nothing else.');
  await expectNoAxeFindings(page);
  await page.keyboard.press('Escape');
  const inSight = Number((await shown(page).getByRole('strong').textContent()) ?? '');
  await page.getByRole('link', { name: 'keep as smart folder' }).click();
  await expect(text(page)).toHaveValue('type is plate');
  expect(await inside(page)).toBe(inSight);
  await page.getByRole('button', { name: 'Start from a ready-made rule …' }).click();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: /^Never loaded/ }).click();
  await expect(text(page)).toHaveValue(/last loaded never/);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Never loaded');
  await text(page).fill('folder is Echo\nname has tape');
  await page.keyboard.press('Control+s');
  await expect(front(page, 'Never loaded')).toBeVisible();
  await front(page, 'Echo').click();
  const echo = page.getByRole('listitem', { name: 'Echo, open' });
  await echo.getByRole('link', { name: 'Change the rule' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Echo');
  await text(page).fill('folder is Never loaded');
  await page.keyboard.press('Control+s');
  await expect(page.getByTestId('notice').last()).toContainText(
    'Echo would depend on itself: Echo asks for Never loaded asks for Echo',
  );
});

test('a newly scanned plugin arrives in the smart folder by itself', async ({ page, demo }) => {
  const place = join(demo.data, 'new plugins');
  install(place, 'Quillfeather Hall');
  await page.goto(`${demo.address}/scan`);
  await page.getByLabel('Path of a directory with plugins').fill(place);
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByRole('link', { name: 'File', exact: true }).click();
  const before = await held(page, 'Echo');
  install(place, 'Quillfeather Tape Echo');
  await page.evaluate(
    (address) =>
      fetch(`${address}/api/computers`)
        .then((r) => r.json())
        .then((all: { id: string }[]) =>
          fetch(`${address}/api/computers/${all[0]?.id ?? ''}/scans`, { method: 'POST' }),
        ),
    demo.address,
  );
  await expect.poll(() => held(page, 'Echo'), { timeout: 30_000 }).toBe(before + 1);
  await front(page, 'Echo').click();
  await expect(
    page.getByTestId('placed').filter({ hasText: 'Quillfeather Tape Echo' }),
  ).toContainText('name has “echo”');
});
