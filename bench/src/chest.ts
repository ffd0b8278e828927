/**
 * A full chest in Chromium: a cabinet of 200 folders with 5,000 places beside a list of 20,000
 * plugins. Typing, dragging, filing 500.
 */
import { randomUUID } from 'node:crypto';
import { chromium, type Page } from 'playwright-core';
import type { Act } from '@clever-drawer/core/acts';
import type { CatalogView, ComputerView, OrderView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { args, bare, screens, typing } from './keystroke.ts';
import { measured, type Outcome } from './measure.ts';
import { withStudio } from './server.ts';

const plugins = 20_000;
const folders = 200;
const each = 25;
const filed = 500;
const rounds = 5;
const drags = 4;
const fresh = { Connection: 'close' };

/** A cabinet of so many folders, each with its share of the plugins. */
const fullCabinet = (ids: CatalogView['plugins'][number]['id'][]): Act => ({
  act: 'add-cabinet',
  id: asId(randomUUID()),
  favourites: asId(randomUUID()),
  name: 'Full',
  opensFor: [],
  folders: Array.from({ length: folders }, (_, f) => ({
    id: asId(randomUUID()),
    parent: null,
    form: 'folder' as const,
    name: `Folder ${f + 1}`,
    rule: null,
    plugins: ids
      .slice(f * each, (f + 1) * each)
      .map((plugin) => ({ placement: asId(randomUUID()), plugin })),
  })),
});

/** Makes the cabinet in one act and removes the one that was there. Gives the computer and all plugins. */
export async function fillChest(address: string): Promise<{ computer: string; ids: string[] }> {
  const read = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${address}/api/${path}`, { headers: fresh })).json()) as T;
  const computer = (await read<ComputerView[]>('computers'))[0]?.id ?? '';
  const at = `computers/${computer}`;
  const act = async (body: Act): Promise<void> => {
    const answer = await fetch(`${address}/api/${at}/acts`, {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'Content-Type': 'application/json', ...fresh },
    });
    if (!answer.ok) {
      throw new Error(await answer.text());
    }
  };
  const ids = (await read<CatalogView>(`${at}/catalog`)).plugins.map((plugin) => plugin.id);
  const old = (await read<OrderView>(`${at}/order`)).records.find(
    (record) => record.table === 'cabinet',
  );
  await act(fullCabinet(ids));
  if (old) {
    await act({ act: 'remove-cabinet', cabinet: asId(old.id) });
  }
  return { computer, ids };
}

/** Scripts for the page, as text: what compiles this file would put helpers into them that the page lacks. */
const countFrames = `{
  const times = window.frameTimes = []; let last = performance.now();
  const frame = (now) => { times.push(now - last); last = now; requestAnimationFrame(frame); };
  requestAnimationFrame(frame);
}`;
/**
 * From the next key on: when the folder's front is painted with another number on it, and when the
 * screen says that this is saved.
 */
const markFiling = (folder: string): string => `{
  const marks = window.marks = {};
  const front = [...document.querySelectorAll('.front')].find((one) => one.querySelector('.label').textContent === '${folder}');
  const count = front.querySelector('.front-count');
  const before = count.textContent;
  const saved = document.querySelector('[data-testid="saved"]');
  window.addEventListener('keydown', ({ timeStamp }) => {
    const seen = new Set();
    const note = (mark) => {
      if (!seen.has(mark)) {
        seen.add(mark);
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => { marks[mark] = performance.now() - timeStamp; };
          port2.postMessage(null);
        });
      }
    };
    new MutationObserver(() => {
      if (count.textContent !== before) note('painted');
      if (saved.textContent.trim() !== 'saved') seen.add('saving');
      else if (seen.has('saving')) note('saved');
    }).observe(document, { subtree: true, childList: true, characterData: true });
  }, { capture: true, once: true });
}`;

/** Milliseconds between frames while a row is dragged to and fro over the folders. */
async function dragging(page: Page): Promise<number[]> {
  const row = await page.getByTestId('plugin').nth(3).boundingBox();
  const chest = await page.locator('.chest-body').boundingBox();
  if (!row || !chest) {
    throw new Error('nothing to drag');
  }
  await page.mouse.move(row.x + 80, row.y + 20);
  await page.mouse.down();
  await page.mouse.move(chest.x + 100, chest.y + 150, { steps: 5 });
  await page.evaluate(countFrames);
  for (let i = 0; i < 40; i += 1) {
    await page.mouse.move(chest.x + 40 + (i % 10) * 40, chest.y + 120 + (i % 7) * 50, { steps: 3 });
  }
  const times = await page.evaluate(
    () => (window as unknown as { frameTimes: number[] }).frameTimes,
  );
  await page.keyboard.press('Escape');
  await page.mouse.up();
  return times.slice(2);
}

/** From Enter in the dialog until the folder is painted as fuller, and until the screen says that it is saved. */
async function filing(
  page: Page,
  address: string,
  computer: string,
  ids: readonly string[],
): Promise<{ painted: number[]; saved: number[] }> {
  const painted: number[] = [];
  const saved: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const some = ids.slice(5_000 + round * filed, 5_000 + (round + 1) * filed);
    await page.evaluate(
      ([name, value]) => {
        sessionStorage.setItem(name ?? '', value ?? '');
      },
      [`clever-drawer.tray.${computer}`, JSON.stringify(some)],
    );
    await page.goto(`${address}/file`);
    await page.getByTestId('plugin').first().waitFor();
    await page.keyboard.press('Shift+F');
    const folder = `Folder ${round + 20}`;
    await page.keyboard.type(folder.toLowerCase());
    await page.waitForTimeout(300);
    await page.evaluate(markFiling(folder));
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () => ((window as unknown as { marks: { saved?: number } }).marks.saved ?? 0) > 0,
    );
    const marks = await page.evaluate(
      () => (window as unknown as { marks: { painted: number; saved: number } }).marks,
    );
    painted.push(marks.painted);
    saved.push(marks.saved);
  }
  return { painted, saved };
}

/** A frame of a screen that draws 60 in a second; what the clock gives is a little more or less. */
const inTime = 1_000 / 60 + 0.5;

/** The share of frames that came in time. */
const shareInTime = (frames: readonly number[]): number =>
  frames.filter((frame) => frame <= inTime).length / frames.length;

export async function benchChest(): Promise<Outcome> {
  return withStudio(plugins, async (server) => {
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
    try {
      const { computer, ids } = await fillChest(server.address);
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`${server.address}/file`);
      await page.getByTestId('plugin').first().waitFor();
      const typed = await typing(page, screens.file.field);
      await page.keyboard.press('Escape');
      const frames: number[] = [];
      for (let drag = 0; drag < drags; drag += 1) {
        frames.push(...(await dragging(page)));
      }
      const { painted, saved } = await filing(page, server.address, computer, ids);
      const floor = { name: 'bare page', samples: await bare(page, plugins) };
      const of = `${folders} folders, ${(folders * each).toLocaleString('en')} places, ${plugins.toLocaleString('en')} plugins`;
      const framesInTime = shareInTime(frames);
      return {
        rows: [
          measured(`keystroke to painted list, ${of}`, typed, floor),
          measured('between two frames while dragging over the folders', frames),
          measured(`filing ${filed} from the tray: Enter to painted`, painted),
          measured(`filing ${filed} from the tray: Enter to saved in the database`, saved),
        ],
        tables: [
          `Of ${frames.length} frames of ${drags} drags ${(100 * framesInTime).toFixed(1)} % came within 16.7 ms.`,
        ],
        facts: { frames: frames.length, framesInTime },
      };
    } finally {
      await browser.close();
    }
  });
}
