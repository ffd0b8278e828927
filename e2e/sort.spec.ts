/** Sorting: a full queue settled by keyboard alone, many at once, later, undo, and the plugin's own page. */
import { expect, expectNoAxeFindings, saved, test } from './studio.ts';

const countOf = (text: string | null): number => Number(/\d+/.exec(text ?? '')?.[0] ?? Number.NaN);

test('a full queue is settled by keyboard alone, and stays so', async ({ page, demo }) => {
  await page.goto(`${demo.address}/file`);
  await expect(page.getByRole('main').getByRole('heading', { level: 1 }).first()).toBeAttached();
  await page.keyboard.press('Alt+2');
  const ask = (name: string) =>
    page.getByRole('button', { name: new RegExp(`^${name}`) }).locator('.ask-count');
  const types = ask('What does it do');
  await expect(types).toBeVisible();
  await page.getByRole('button', { name: /^What does it do/ }).click();
  const before = countOf(await types.textContent());
  expect(before).toBeGreaterThan(20);
  await expectNoAxeFindings(page);

  // One at a time: a number answers, undo asks again.
  const name = page.locator('.question-name').first();
  const first = await name.textContent();
  await page.keyboard.press('1');
  await expect(types).toHaveText(String(before - 1));
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(types).toHaveText(String(before));
  await expect(name).toHaveText(first ?? '');
  // It does several: marked with Space, taken with Enter; another one is found by letters.
  await page.keyboard.press('Space');
  await page.keyboard.press('/');
  await page.keyboard.type('shimmer');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('notice').last()).toContainText(/ and Shimmer/);
  await expect(types).toHaveText(String(before - 1));
  // Later: it comes after all others.
  const second = await name.textContent();
  await page.keyboard.press('l');
  await expect(name).not.toHaveText(second ?? '');
  await expect(page.locator('.place').first()).toContainText('1 put off');

  // Many at once: all that are left get one answer; one undo takes it back; then each its own best.
  await page.getByRole('button', { name: 'Many at once' }).press('Enter');
  const rows = page.getByRole('listbox', { name: 'Questions' });
  await rows.focus();
  await page.keyboard.press('Control+a');
  await expect(page.getByText(`${before - 1} of ${before - 1} selected`)).toBeVisible();
  await expectNoAxeFindings(page);
  await page.keyboard.press('t');
  await page.keyboard.type('granular');
  await page.keyboard.press('Enter');
  await expect(types).toHaveText('0');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(types).toHaveText(String(before - 1));
  await rows.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Enter');
  await expect.poll(async () => countOf(await types.textContent())).toBeLessThan(before - 1);
  await saved(page);
  // What nothing speaks for is left, and gets an answer of its own; some demos hold none of that sort.
  const unspoken = countOf(await types.textContent());
  if (unspoken > 0) {
    await rows.focus();
    await page.keyboard.press('Control+a');
    await expect(page.getByText(`${unspoken} of ${unspoken} selected`)).toBeVisible();
    await page.keyboard.press('t');
    await page.keyboard.type('granular');
    await page.keyboard.press('Enter');
  }
  await expect(types).toHaveText('0');

  // Effect or instrument, whose, and whether it can be used: by number or many at once.
  for (const [question, keys] of [
    ['Effect or instrument', null],
    ['Who makes it', ['Control+a', 't', 'quoin', 'Enter']],
    ['Can you use it', null],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^${question}`) }).press('Enter');
    const waits = countOf(await ask(question).textContent());
    if (keys && waits > 0) {
      await page.getByRole('button', { name: 'Many at once' }).press('Enter');
      await rows.focus();
      for (const key of keys) {
        await (key.length > 1 && /^[a-z]+$/.test(key)
          ? page.keyboard.type(key)
          : page.keyboard.press(key));
      }
    } else if (waits > 0) {
      await page.getByRole('button', { name: 'One at a time' }).press('Enter');
      await page.locator('body').click({ position: { x: 640, y: 780 } });
      for (let left = waits; left > 0; left -= 1) {
        await expect(ask(question)).toHaveText(String(left));
        await page.keyboard.press('1');
      }
    }
    await expect(ask(question)).toHaveText(question === 'Who makes it' ? /^[01]$/ : '0');
  }
  await saved(page);
  await page.reload();
  await expect(types).toHaveText('0');
  await expect(page.getByText(/plugins settled/)).toBeVisible();
});

test('what comes next is named beside what it may be, on a narrow window too', async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 900, height: 700 });
  await page.goto(`${demo.address}/sort`);
  const next = page.getByRole('list', { name: 'Up next' }).getByRole('listitem');
  await expect(next).toHaveCount(6);
  for (const one of await next.all()) {
    const name = one.locator('.name');
    // Room for some ten letters.
    expect((await name.boundingBox())?.width).toBeGreaterThan(80);
    await expect(one).toHaveText(/\?$/);
  }
});

test('the clear ones are shown before they are settled, in one change', async ({ page, demo }) => {
  await page.goto(`${demo.address}/sort`);
  const types = page.getByRole('button', { name: /^What does it do/ }).locator('.ask-count');
  const before = countOf(await types.textContent());
  await page.getByRole('button', { name: /Accept the sure answers/ }).click();
  const dialog = page.getByRole('dialog');
  await expectNoAxeFindings(page);
  // By group of types: one is taken out by itself, another group as a whole.
  const groups = dialog.getByRole('region');
  expect(await groups.count()).toBeGreaterThan(1);
  const single = groups.first().getByRole('listitem').first().getByRole('checkbox');
  await single.uncheck();
  const whole = groups.last().getByRole('checkbox').first();
  await whole.uncheck();
  await expect(groups.last().getByRole('listitem').getByRole('checkbox').first()).not.toBeChecked();
  const clear = await dialog.getByRole('listitem').getByRole('checkbox', { checked: true }).count();
  expect(clear).toBeGreaterThan(0);
  await dialog.getByRole('button', { name: /^Accept for \d+ plugins?$/ }).click();
  await expect(types).toHaveText(String(before - clear));
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(types).toHaveText(String(before));
});

test('the page of a plugin tells all facts, and takes what one says of it', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?q=good plate`);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: /The good plate/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Loads by month/ })).toBeVisible();
  await expectNoAxeFindings(page);
  const path = (await page.locator('.copies .path').first().textContent()) ?? '';
  expect(path).toContain('/studio/desk/');
  await page.getByLabel('Tags').fill('film');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Remove the tag film' })).toBeVisible();
  await page.getByLabel('Notes').fill('For the seals.');
  await page.getByLabel('Notes').blur();
  await page.getByLabel('Licence').selectOption('trial');
  await page.getByLabel('Last day of the trial').fill('2027-01-31');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Notes')).toHaveValue('For the seals.');
  await expect(page.getByLabel('Last day of the trial')).toHaveValue('2027-01-31');
  // Hidden from loading: no longer offered there.
  await page.getByLabel(/^(?:shown|hidden) in Load$/).click();
  await expect(page.getByLabel(/^(?:shown|hidden) in Load$/)).not.toBeChecked();
  await saved(page);
  await page.goto(`${demo.address}/load`);
  await page.getByLabel('Search plugins').fill('good plate');
  await expect(page.getByTestId('hit').filter({ hasText: 'The good plate' })).toHaveCount(0);
});

test("a picture of one's own stands wherever the plugin is shown", async ({ page, demo }) => {
  await page.goto(`${demo.address}/file?q=good plate`);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('i');
  await page
    .getByLabel("A picture of the plugin's window")
    .setInputFiles('docs/screenshots/load.png');
  await expect(page.locator('.own-picture img')).toBeVisible();
  await saved(page);
  await page.goto(`${demo.address}/file?q=good plate`);
  await expect(page.getByTestId('plugin').first().locator('img.faceplate')).toHaveAttribute(
    'src',
    /\/pictures\//,
  );
});

test('two plugins are joined, one copy is parted, and undo brings both back', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file?q=good plate`);
  await page.getByTestId('plugin').first().click();
  await page.keyboard.press('i');
  await expect(page.getByRole('heading', { name: '2 copies' })).toBeVisible();
  await page.getByRole('button', { name: 'Split off as its own plugin' }).first().click();
  await expect(page.getByRole('heading', { name: 'One copy' })).toBeVisible();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: '2 copies' })).toBeVisible();
});
