/** The demo studio: all screens by day and dusk, windows side by side, narrowing, and small windows. */
import { expect, expectNoAxeFindings, saved, shown, test } from './studio.ts';

for (const size of [
  { width: 1280, height: 800 },
  { width: 900, height: 700 },
]) {
  test(`every screen of the demo is clean for axe, by day and by dusk, at ${size.width} × ${size.height}`, async ({
    page,
    demo,
  }) => {
    test.slow();
    await page.setViewportSize(size);
    for (const path of ['/scan', '/sort', '/file', '/load', '/review', '/keep']) {
      await page.goto(demo.address + path);
      await expect(
        page.getByRole('main').getByRole('heading', { level: 1 }).first(),
      ).toBeAttached();
      await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
      await expectNoAxeFindings(page);
      await page.getByRole('button', { name: /Change to dusk/ }).click();
      await expectNoAxeFindings(page, 'colours');
      await page.getByRole('button', { name: /Change to day/ }).click();
      const overflow = await page.evaluate(
        () => document.documentElement.scrollWidth - window.innerWidth,
      );
      expect(overflow).toBeLessThanOrEqual(0);
    }
  });
}

test('opened folders, forms, pictures, dialogs and menus are clean for axe', async ({
  page,
  demo,
}) => {
  test.slow();
  await page.goto(`${demo.address}/file`);
  await page.getByRole('button', { name: /^Echo, smart/ }).click();
  await expectNoAxeFindings(page);
  await page.getByTitle('Pictures').click();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Type: any type' }).click();
  await expectNoAxeFindings(page);
  await page.keyboard.press('Escape');
  await page.getByTestId('plugin').first().click();
  for (const key of ['n', 'f', '?', 'Control+k']) {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectNoAxeFindings(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
});

test('another open window sees a change by itself', async ({ page, demo, context }) => {
  const other = await context.newPage();
  await Promise.all([page.goto(`${demo.address}/file`), other.goto(`${demo.address}/file`)]);
  await expect(other.getByRole('button', { name: /^Wear, folder/ })).toBeVisible();
  await page.getByRole('button', { name: /^Wear, folder/ }).focus();
  await page.keyboard.press('F2');
  await page.getByPlaceholder('Name').fill('Worn out');
  await page.keyboard.press('Enter');
  await expect(other.getByRole('button', { name: /^Worn out, folder/ })).toBeVisible();
  await other.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Wear, folder/ })).toBeVisible();
});

test('what narrows the list is always said, stands in the address, and one key clears it', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  const total = Number(/All (\d+) plugins/.exec((await shown(page).textContent()) ?? '')?.[1]);
  expect(total).toBeGreaterThan(680);
  await page.getByRole('button', { name: 'Kind: all plugins' }).click();
  await page.getByRole('button', { name: 'instruments' }).click();
  await page.keyboard.press('/');
  await page.keyboard.type('piano');
  await expect(shown(page)).toContainText(`of ${total} plugins`);
  await expect(page).toHaveURL(/kind=instrument.*q=piano/);
  await page.reload();
  await expect(page.getByLabel('Search')).toHaveValue('piano');
  await page.locator('body').click({ position: { x: 900, y: 780 } });
  await page.keyboard.press('Escape');
  await expect(shown(page)).toContainText(`All ${total} plugins`);
});

test('a nickname leads to the plugin everywhere, and the original still does', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  const row = page.getByTestId('plugin').nth(3);
  const original = (await row.locator('.cut').textContent()) ?? '';
  await row.click();
  await page.keyboard.press('n');
  await page.getByLabel('Nickname').fill('Zither of doom');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(`${demo.address}/file?q=zither`);
  await expect(page.getByTestId('plugin')).toHaveCount(1);
  await page.getByLabel('Search').fill(original);
  await expect(page.getByTestId('plugin').first()).toContainText('Zither of doom');
});

test('a plugin that is loaded ranks higher for the same letters the next time', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/load`);
  const field = page.getByLabel('Search plugins');
  const names = page.getByTestId('hit').locator('.name');
  await field.fill('pl');
  await expect(names).toHaveCount(12);
  const last = ((await names.nth(8).textContent()) ?? '').trim();
  for (let i = 0; i < 3; i += 1) {
    await field.fill('pl');
    await page.getByTestId('hit').filter({ hasText: last }).first().click();
    await expect(field).toHaveValue('');
  }
  // What was learnt counts when the letters are typed anew, as soon as the host has answered.
  await expect
    .poll(async () => {
      await field.fill('');
      await field.fill('pl');
      return (await names.allTextContents()).map((name) => name.trim()).indexOf(last);
    })
    .toBeLessThan(8);
});

test('what a scan brought is shown in File by one press', async ({ page, demo }) => {
  await page.goto(`${demo.address}/scan`);
  await page.getByRole('link', { name: 'Show what arrived in File' }).click();
  await expect(page.getByRole('button', { name: /^arrived since/ })).toBeVisible();
  await expect(page.getByTestId('plugin').first()).toBeVisible();
  expect(await page.getByTestId('plugin').count()).toBeLessThan(20);
});

test('failed copies are listed with their reasons, and a scan of an unchanged studio finds nothing new', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/scan`);
  await page.getByRole('button', { name: /Failed now · 11/ }).click();
  await expect(page.getByText(/is damaged at line/).first()).toBeVisible();
  await expectNoAxeFindings(page);
  // The choice survives a reload.
  await page.reload();
  await expect(page.getByText(/is damaged at line/).first()).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'lobster_readme' })
    .getByRole('button', { name: 'Set aside' })
    .click();
  await expect(page.getByRole('button', { name: /Failed now · 10/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Set aside' })).toContainText('lobster_readme.dll');
  await page.getByRole('button', { name: 'Scan again' }).click();
  await expect(page.getByText(/Nothing new|unchanged/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Restore lobster_readme/ }).click();
  await page.getByRole('button', { name: 'Scan again' }).click();
  await page.getByRole('button', { name: /Failed now · 11/ }).click();
});

test('each computer has its own catalog, places and order', async ({ page, demo }) => {
  await page.goto(`${demo.address}/file`);
  await page.getByRole('button', { name: /^Computer: Quay Room/ }).click();
  await expectNoAxeFindings(page);
  await page.getByRole('button', { name: 'Touring rack' }).click();
  await expect(page.getByText(/^All (1|2|3)\d\d plugins/)).toBeVisible();
  await expect(page.getByText('Only Favourites so far')).toBeVisible();
  await page.getByRole('link', { name: 'Scan' }).click();
  await expect(page.getByText('usr/lib/ladspa')).toBeVisible();
  const place = page.getByRole('checkbox', { name: /usr\/lib\/clap/ });
  await place.click();
  await expect(page.getByText('all formats · off', { exact: true })).toBeVisible();
  await page.reload();
  await expect(place).not.toBeChecked();
});

test('what happened on a computer while this window showed another is there when it comes back', async ({
  page,
  context,
  demo,
}) => {
  const show = async (name: string): Promise<void> => {
    await page.getByRole('button', { name: /^Computer: / }).click();
    await page.getByRole('button', { name }).click();
  };
  await page.goto(`${demo.address}/file`);
  await show('Touring rack');
  await expect(page.getByText('Only Favourites so far')).toBeVisible();
  const other = await context.newPage();
  await other.addInitScript(() => {
    localStorage.removeItem('clever-drawer.computer');
  });
  await other.goto(`${demo.address}/file`);
  await other.getByRole('button', { name: /New folder/ }).click();
  await other.getByRole('textbox', { name: 'Name' }).fill('Tide pool');
  await other.keyboard.press('Enter');
  await expect(other.getByRole('button', { name: /^Tide pool/ })).toBeVisible();
  await other.close();
  await show('Quay Room');
  await expect(page.getByRole('button', { name: /^Tide pool/ })).toBeVisible();
});
