/** The questions about the real plugins of named Debian packages, answered by keys that are counted. */
import { scanAndOpen } from './debian.ts';
import { drawn, expect, saved, test } from './studio.ts';

test('all questions about real plugins are answered by a counted number of keys', async ({
  page,
  empty,
  request,
}, info) => {
  test.setTimeout(240_000);
  await scanAndOpen(page, empty, request);

  let keys = 0;
  const press = async (...all: readonly string[]): Promise<void> => {
    for (const key of all) {
      keys += 1;
      await page.keyboard.press(key);
    }
  };
  await press('Alt+2');
  const answer = page.getByText('accept the highlighted answer');
  const guesses = page.getByText('no answer is likely');
  const nothing = page.getByText('no answer to accept');
  const isInstrument = page.getByText('An instrument; which, is not known.');
  // What would not open is no question; it is listed behind them.
  const isDone = page
    .getByRole('region', { name: 'Would not open' })
    .or(page.getByRole('heading', { name: 'Nothing is waiting' }));
  /** What is asked now; empty where nothing is. */
  const question = async (): Promise<string> =>
    (await page.locator('.question-card').allTextContents()).join();
  let asked = 0;
  await expect(answer.or(guesses).or(nothing)).toBeVisible();
  while (!(await isDone.isVisible())) {
    asked += 1;
    const before = await question();
    if (await answer.isVisible()) {
      await press('Enter');
    } else if (await guesses.isVisible()) {
      await press('1');
    } else {
      // Where nothing speaks for any answer, one is found by letters.
      const letters = (await isInstrument.isVisible()) ? ['s', 'a', 'm'] : ['u', 't', 'i'];
      await press('/', ...letters, 'Enter');
    }
    await expect.poll(question).not.toBe(before);
    await expect(answer.or(guesses).or(nothing).or(isDone)).toBeVisible();
    await saved(page);
    // Nobody answers within the frame in which a question comes.
    await drawn(page);
  }
  await saved(page);
  info.annotations.push({ type: 'questions', description: String(asked) });
  info.annotations.push({ type: 'keys', description: String(keys) });
  // One key to go there, one an answer, and letters for the few that nothing speaks for.
  expect(asked).toBeGreaterThan(5);
  expect(asked).toBeLessThan(20);
  expect(keys).toBeLessThanOrEqual(2 * asked);
});
