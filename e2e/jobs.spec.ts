/** Thirty jobs at a slot, each by keys that are counted and held; and two cabinets that open by themselves. */
import type { Page } from '@playwright/test';
import { expect, front, saved, test } from './studio.ts';

const field = (page: Page) => page.getByLabel('Search plugins');
const firstHit = (page: Page) => page.getByTestId('hit').first();
const notice = (page: Page) => page.getByTestId('notice').last();

/** A job by its keys, with what stands in the slot or is told afterwards. */
interface Job {
  readonly job: string;
  readonly keys: readonly string[];
  readonly most: number;
  readonly gives: RegExp;
}

/** Letters, then further keys. */
const keys = (letters: string, ...more: readonly string[]): string[] => [
  ...letters.split(''),
  ...more,
];
const known = (job: string, letters: string, name: string): Job => ({
  job,
  keys: keys(letters, 'Enter'),
  most: 3,
  gives: new RegExp(`^${name} loaded in `),
});
const unknown = (job: string, letters: string, name: string): Job => ({
  job,
  keys: keys(letters, 'Enter'),
  most: 5,
  gives: new RegExp(`^${name} loaded in `),
});

const jobs: readonly Job[] = [
  known('the room that everything gets', 'cs', 'CobbleSpaces'),
  known('the grains of the last scene', 'mg', 'Mothhook Grains'),
  known('less room on a voice', 'cd', 'Cobwick De-reverb'),
  known('a gate on a noisy microphone', 'bn', 'Brinewright Noise Gate'),
  known('a look at the wave', 'bs', 'Bosunholm Scope'),
  known('the chorus of the accordion', 'bc', 'Barley Chorus'),
  known('wider pads', 'cw', 'Curlewpot Wide'),
  known('the other de-reverb', 'dd', 'Dunlinreach De-reverb'),
  known('bands for the hall', 'ag', 'Alderrigg Graphic 31'),
  known('an echo', 'ec', '.*'),
  known('the meter by its nickname', 'ju', 'The judge'),
  { job: 'what is likely, at once', keys: ['Enter'], most: 1, gives: /^(?!Undone).* loaded in / },
  {
    job: 'the second that is likely',
    keys: ['ArrowDown', 'Enter'],
    most: 2,
    gives: /^(?!Undone).* loaded in /,
  },
  {
    job: 'the second hit by its digit',
    keys: keys('h', 'Alt+2'),
    most: 3,
    gives: /^(?!Undone).* loaded in /,
  },
  unknown('a limiter never loaded', 'hals', 'Halshaw Limit'),
  unknown('another hall', 'quer', 'Quernstone Hall'),
  unknown('a spring', 'grsp', 'Grebewell Spring'),
  unknown('a plate', 'capl', 'Candle Plate'),
  unknown('a rotary', 'roro', 'Rookglass Rotary'),
  unknown('a rotary by another name of its kind', 'lesl', '.*'),
  unknown('an octaver', 'octa', '.*'),
  unknown('a widener', 'wide', '.*'),
  unknown('a reverb by a word and a letter of another', 'drip', 'Drip Verb'),
  {
    job: 'another copy',
    keys: keys('ag', 'Alt+Enter', 'ArrowDown', 'Enter'),
    most: 5,
    gives: /^(?!Undone).* loaded in /,
  },
  { job: 'a favourite', keys: ['Control+b'], most: 1, gives: /Favourites|favourite/ },
  { job: 'the other width', keys: ['Control+m'], most: 1, gives: / is (mono|stereo) now$/ },
  {
    job: 'an empty slot again',
    keys: ['Escape', 'ArrowLeft', 'Delete'],
    most: 3,
    gives: /^Empty the slot of /,
  },
  {
    job: 'without it for a moment',
    keys: ['Escape', 'ArrowLeft', '0'],
    most: 3,
    gives: /^Bypass /,
  },
  {
    job: 'what stands in the slot, filed',
    keys: ['Escape', 'ArrowLeft', 'f', 'v', 'Enter'],
    most: 5,
    gives: /^File .* in Voices$/,
  },
  {
    job: 'what was loaded last, filed',
    keys: ['Control+Shift+F', 'v', 'Enter'],
    most: 4,
    gives: /^File .* in Voices$/,
  },
];

test('thirty jobs at a slot take no more keys than they may', async ({ page, demo }) => {
  test.setTimeout(240_000);
  await page.goto(`${demo.address}/load`);
  await expect(firstHit(page)).toBeVisible();
  const over: unknown[] = [];
  for (const { job, keys: pressed, most, gives } of jobs) {
    await expect(field(page)).toBeFocused();
    for (const key of pressed) {
      await page.keyboard.press(key);
    }
    await expect.soft(notice(page), job).toHaveText(gives);
    if (pressed.length > most) {
      over.push([job, pressed.length]);
    }
    await field(page).focus();
    await field(page).fill('');
    await page.keyboard.press('Control+z');
    await expect(notice(page)).toContainText('Undone');
  }
  expect(jobs).toHaveLength(30);
  expect(over).toEqual([]);
});

test('two cabinets that are made for two sorts of slot both open there by themselves', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo.address}/file`);
  for (const [name, slot] of [
    ['Last things', 'the final chain'],
    ['Players', 'instruments'],
  ] as const) {
    await page.getByRole('button', { name: 'New cabinet' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name', { exact: true }).fill(name);
    await dialog.getByLabel(slot, { exact: false }).last().check();
    await dialog.getByRole('button', { name: 'Create the cabinet' }).click();
    await expect(page.getByRole('tab', { name })).toBeVisible();
    await expect(front(page, 'Reverb')).toBeVisible();
  }
  await saved(page);
  await page.goto(`${demo.address}/load`);
  for (const [track, from] of [
    ['Programme', 'from Last things opens for the final chain'],
    ['Brass pad', 'from Players opens for instruments'],
    ['Narrator', 'from Everyday'],
  ] as const) {
    const slots = page
      .getByRole('group', { name: track, exact: true })
      .getByRole('button', { name: /^Slot/ });
    await (track === 'Brass pad' ? slots.first() : slots.last()).click();
    await expect(page.getByRole('button', { name: new RegExp(`^${from}`) })).toBeVisible();
  }
});
