/** Keep: points, taking an order over from another computer, and documents out and in. */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, expectNoAxeFindings, front, saved, test } from './studio.ts';

test('a point says what would come back, is returned to in one change, and undone', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  await page.keyboard.press('Alt+6');
  await expect(page.getByRole('heading', { name: 'Points to return to' })).toBeVisible();
  await page.getByRole('button', { name: /^Before the tour/ }).click();
  const lines = page.getByRole('table', { name: 'What would change' });
  await expect(lines).toContainText('Comes back');
  await expect(lines).toContainText('The folder Old rig with 24 plugins');
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Return to it' }).press('Enter');
  await expect(page.getByTestId('notice').last()).toContainText('Return to “Before the tour”');
  await expect(page.getByText('Nothing would change: both are the same.')).toBeVisible();
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'Old rig')).toBeVisible();
  await page.keyboard.press('Alt+6');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'Old rig')).toHaveCount(0);
  await saved(page);

  // One folder alone.
  await page.keyboard.press('Alt+6');
  await page.getByRole('button', { name: /^Before the tour/ }).click();
  await page.getByRole('button', { name: 'Only a part …' }).click();
  await page.getByRole('button', { name: 'Old rig', exact: true }).click();
  await expect(page.getByTestId('notice').last()).toContainText('Take back a part');
  await expect(lines).toContainText('Gull');
  await expect(lines).not.toContainText('Old rig');
});

test('this point is marked by a name, renamed, and forgotten', async ({ page, demo }) => {
  await page.goto(`${demo.address}/keep`);
  await page.getByRole('button', { name: 'Mark this point …' }).press('Enter');
  await page.keyboard.type('Before I tidy');
  await page.keyboard.press('Enter');
  const point = page.getByRole('button', { name: /^Before I tidy/ });
  await expect(point).toBeVisible();
  await expect(page.getByText('0 changes since Before I tidy')).toBeVisible();
  await point.click();
  await page.getByRole('button', { name: 'Rename …' }).click();
  await page.getByLabel('Name of the point').fill('Tidy');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Tidy/ })).toBeVisible();
  // It asks first; Ctrl+Z then takes back nothing else unasked.
  await page.getByRole('button', { name: 'Delete this point' }).click();
  await page.getByRole('button', { name: 'Delete this point' }).click();
  await expect(page.getByRole('button', { name: /^Tidy/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('notice').last()).toContainText('this can’t be undone');
});

test('an order is now taken from another computer, with a report and one undo', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/keep?tab=carry`);
  await page.getByRole('button', { name: /^Computer:/ }).click();
  await page.getByRole('button', { name: /^Loft Room/ }).click();
  await page.getByLabel('Computer to import from').selectOption({ index: 1 });
  await expect(page.getByText(/plugins of that order, matched with/)).toBeVisible();
  for (const how of ['the same', 'likely', 'missing']) {
    await expect(page.getByText(new RegExp(`^\\d+ ${how}$`))).toBeVisible();
  }
  await page.getByText(/\d+ missing: their places wait/).click();
  await expect(page.getByText(/keeps its place.* until it is installed/).first()).toBeVisible();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Import as one change' }).click();
  await expect(page.getByTestId('notice').last()).toContainText('Read the order of Quay Room');
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'Wobble')).toBeVisible();
  await page.keyboard.press('Alt+6');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'Wobble')).toHaveCount(0);
});

test('the order is written to a file, and read back after all was changed', async ({
  page,
  demo,
}, info) => {
  await page.goto(`${demo.address}/keep?tab=files`);
  const downloading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export the document' }).click();
  const path = join(info.outputDir, 'order.json');
  await (await downloading).saveAs(path);
  const text = readFileSync(path, 'utf8');
  expect(text).toContain('"Wobble"');
  expect(text).not.toContain('"loads"');
  await page.getByRole('checkbox', { name: /^With loads and habits/ }).check();
  const withLoads = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export the document' }).click();
  const whole = join(info.outputDir, 'whole.json');
  await (await withLoads).saveAs(whole);
  expect(readFileSync(whole, 'utf8')).toMatch(/"loads": \[/);
  writeFileSync(path, text.replaceAll('"Wobble"', '"Sway"'));
  await page.getByLabel('Document of an order').setInputFiles(path);
  await expect(page.getByText('Nothing would change: both are the same.')).toBeVisible();
  await page.getByRole('radio', { name: /^That order wins/ }).check();
  await expect(page.getByText('Wobble is called Sway')).toBeVisible();
  await page.getByRole('button', { name: 'Import as one change' }).click();
  await page.keyboard.press('Alt+3');
  await expect(front(page, 'Sway')).toBeVisible();
  // A file that is cut says so, and changes nothing.
  await page.keyboard.press('Alt+6');
  await page.goto(`${demo.address}/keep?tab=files`);
  writeFileSync(path, text.slice(0, text.length / 2));
  await page.getByLabel('Document of an order').setInputFiles(path);
  await expect(page.getByRole('alert')).toContainText(/line \d+: It ends in the middle/);
});

test('a cabinet is written out as directories and follows the order; a backup is made and counted', async ({
  page,
  demo,
}, info) => {
  const shelf = join(info.outputDir, 'shelf');
  await page.goto(`${demo.address}/keep?tab=shelf`);
  await page.getByLabel(/^Directory/).fill(shelf);
  await page.getByRole('button', { name: 'Preview' }).press('Enter');
  await expect(page.getByText(/It would create or change \d+ entries/)).toBeVisible();
  expect(existsSync(shelf)).toBe(false);
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Write it and keep it up to date' }).press('Enter');
  await expect(page.getByText(/is up to date: \d+ entries/)).toBeVisible();
  const directories = (): string[] => readdirSync(shelf).sort();
  const wobble = directories().find((name) => name.endsWith('Wobble')) ?? '';
  expect(readdirSync(join(shelf, wobble)).length).toBeGreaterThan(5);
  await page.keyboard.press('Alt+3');
  await front(page, 'Wobble').focus();
  await page.keyboard.press('F2');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Sway');
  await page.keyboard.press('Enter');
  await expect.poll(() => directories().some((name) => name.endsWith('Sway'))).toBe(true);
  expect(directories().some((name) => name.endsWith('Wobble'))).toBe(false);
  await page.goto(`${demo.address}/keep?tab=shelf`);
  await page.getByRole('button', { name: 'Remove the shelf' }).press('Enter');
  await expect.poll(() => existsSync(shelf)).toBe(false);

  await page.getByRole('button', { name: 'Backups' }).click();
  await expect(page.getByText('none yet')).toBeVisible();
  await expect(page.getByText('There is no backup yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Back up now' }).press('Enter');
  await expect(page.getByText(/Last backup: today .*read back ✓/)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Last backup' })).toContainText('✓');
  await expectNoAxeFindings(page);
});

test('the list is edited as a table, and an outline becomes a cabinet', async ({
  page,
  demo,
}, info) => {
  await page.goto(`${demo.address}/keep?tab=files`);
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As a table (CSV)' }).click();
  const path = join(info.outputDir, 'list.csv');
  await (await downloading).saveAs(path);
  const [heads = '', ...lines] = readFileSync(path, 'utf8').split('\r\n');
  expect(heads).toContain('nickname');
  const first = lines.find((line) => line !== '') ?? '';
  const id = first.slice(0, first.indexOf(','));
  writeFileSync(path, `id,nickname,tags\r\n${id},Table gull,from a table\r\n`);
  await page.getByLabel('Document of an order').setInputFiles(path);
  await expect(page.getByText(/nickname Table gull, tags/)).toBeVisible();
  await page.getByRole('button', { name: 'Import as one change' }).click();
  await expect(page.getByTestId('notice').last()).toContainText('Read a table');
  await page.goto(`${demo.address}/file?q=table gull`);
  await expect(page.getByTestId('plugin')).toHaveCount(1);
  await expect(page.getByTestId('plugin')).toContainText('Table gull');

  // The list as it is narrowed goes out from File.
  const narrowed = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as CSV' }).click();
  await (await narrowed).saveAs(path);
  expect(readFileSync(path, 'utf8').trim().split('\r\n')).toHaveLength(2);

  // An outline: what is called like a plugin is one.
  await page.goto(`${demo.address}/keep?tab=files`);
  const plugin = lines[5]?.split(',')[1] ?? '';
  const outline = join(info.outputDir, 'plan.opml');
  writeFileSync(
    outline,
    `<opml version="2.0"><head><title>Plan</title></head><body><outline text="Quiet days">
      <outline text="Gulls"><outline text="${plugin}"/></outline></outline></body></opml>`,
  );
  await page.getByLabel('Document of an order').setInputFiles(outline);
  await expect(
    page.getByText('The cabinet Quiet days with 2 folders and 1 plugin filed'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Import as one change' }).click();
  await page.keyboard.press('Alt+3');
  await page.getByRole('tab', { name: /Quiet days/ }).click();
  await expect(front(page, 'Gulls')).toBeVisible();
});

test('a cabinet stands on a page to print, and the copies are had as lines', async ({
  page,
  demo,
  request,
}) => {
  await page.goto(`${demo.address}/keep?tab=files`);
  const lines = page.getByRole('link', { name: 'Its copies as lines' });
  const address = (await lines.getAttribute('href')) ?? '';
  const text = await (await request.get(`${demo.address}${address}`)).text();
  const copies = text.trimEnd().split('\n');
  expect(copies.length).toBeGreaterThan(500);
  const [first] = copies.map((line) => JSON.parse(line) as { path: string; format: string });
  expect(first?.path).toContain('/');
  await page.getByRole('link', { name: 'A page to print …' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Quay Room/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Wobble \d+/ })).toBeVisible();
  await expectNoAxeFindings(page);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print it' })).toBeHidden();
  await expect(page.getByRole('banner')).toBeHidden();
  await expect(page.getByRole('heading', { name: /^Wobble \d+/ })).toBeVisible();
});
