/** A private Clever Drawer: nobody comes in without its key, and who showed it is asked again after a restart. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, expectNoAxeFindings, test } from './studio.ts';

test('a browser shows the key once, and again when the program was started anew', async ({
  page,
  locked,
}) => {
  await page.goto(`${locked.address}/file`);
  await expect(page.getByRole('heading', { name: 'Clever Drawer' })).toBeVisible();
  await expectNoAxeFindings(page);
  const key = page.getByLabel('Key');
  await expect(key).toBeFocused();
  await key.fill('not the key');
  await key.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('That is not the key.');
  await expectNoAxeFindings(page);
  await key.fill(readFileSync(join(locked.data, 'key'), 'utf8').trim());
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByRole('navigation').getByRole('link', { name: 'File' })).toBeVisible();
  await page.goto('about:blank');
  await locked.restart();
  await page.goto(`${locked.address}/load`);
  await expect(page.getByLabel('Key')).toBeVisible();
});
