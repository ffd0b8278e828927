/**
 * From keystroke to the end of the frame that shows its result, in Chromium, with 690 and with
 * 20,000 plugins; against a bare page that filters names.
 */
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { makePlugins, studioSize } from '@clever-drawer/demo';
import { measured, type Measured } from './measure.ts';
import { withStudio } from './server.ts';

const words = ['plate', 'echo', 'comp', 'grebe', 'saltg'];
export const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Where one types: the address, what stands when it can be used, and the field. */
export const screens = {
  file: {
    name: 'File',
    path: 'file',
    part: 'plugin',
    field: 'input[aria-label="Search"]',
  },
  load: { name: 'Load', path: 'load', part: 'hit', field: '[role="combobox"]' },
} as const;

/**
 * Types the words letter by letter; milliseconds from each keydown to the end of the frame that
 * paints what has changed of the page, as far as a page can tell: the first message after it.
 */
export async function typing(page: Page, field: string): Promise<number[]> {
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { keystrokeTimes: times });
    let pressed = 0;
    window.addEventListener(
      'keydown',
      (event) => {
        pressed = event.timeStamp;
      },
      { capture: true },
    );
    window.addEventListener(
      'input',
      () => {
        const start = pressed;
        const watch = new MutationObserver(() => {
          hasChanged = true;
        });
        const { port1, port2 } = new MessageChannel();
        let hasChanged = false;
        let frames = 0;
        if (start === 0) {
          return;
        }
        pressed = 0;
        watch.observe(document.body, {
          subtree: true,
          childList: true,
          characterData: true,
          attributes: true,
        });
        port1.onmessage = () => {
          times.push(performance.now() - start);
        };
        // A page that shows the same for one letter more has nothing to change.
        const look = {
          again() {
            requestAnimationFrame(() => {
              frames += 1;
              if (hasChanged || frames > 5) {
                watch.disconnect();
                port2.postMessage(null);
              } else {
                look.again();
              }
            });
          },
        };
        look.again();
      },
      { capture: true },
    );
  });
  const input = page.locator(field);
  for (const word of words) {
    await input.fill('');
    await page.waitForTimeout(400);
    await input.focus();
    for (const letter of word) {
      await page.keyboard.press(letter);
      await page.waitForTimeout(120);
    }
  }
  return page.evaluate(() => (window as unknown as { keystrokeTimes: number[] }).keystrokeTimes);
}

/** The floor: names in an array, `includes`, thirty rows of plain HTML. */
export async function bare(page: Page, count: number): Promise<number[]> {
  const names = makePlugins(7, count).map((p) => p.name.toLowerCase());
  await page.setContent('<input id="field"><div id="rows"></div>');
  await page.evaluate((all) => {
    const field = document.querySelector('input');
    const rows = document.querySelector('#rows');
    field?.addEventListener('input', () => {
      if (rows) {
        rows.innerHTML = all
          .filter((n) => n.includes(field.value))
          .slice(0, 30)
          .map((n) => `<p>${n}</p>`)
          .join('');
      }
    });
  }, names);
  return typing(page, '#field');
}

/**
 * The search of each library in a bare page: how it is called there, with the settings of
 * bench/src/find.ts; nine rows of plain HTML.
 */
const libraries = [
  {
    name: 'MiniSearch',
    file: 'minisearch/dist/umd/index.js',
    make: `(docs) => { const mini = new MiniSearch({ fields: ['name', 'vendor', 'type'], searchOptions: { prefix: true, fuzzy: (term) => (term.length > 3 ? 0.2 : false), boost: { name: 3 }, combineWith: 'AND' } }); mini.addAll(docs); return (query) => mini.search(query).slice(0, 9).map((hit) => docs[hit.id].name); }`,
  },
  {
    name: 'Fuse.js',
    file: 'fuse.js/dist/fuse.mjs',
    make: `(docs) => { const fuse = new Fuse(docs, { keys: [{ name: 'name', weight: 3 }, { name: 'vendor', weight: 1 }, { name: 'type', weight: 1 }], threshold: 0.4, ignoreLocation: true, includeScore: true }); return (query) => fuse.search(query, { limit: 9 }).map((hit) => hit.item.name); }`,
  },
  {
    name: 'uFuzzy',
    file: '@leeoniya/ufuzzy/dist/uFuzzy.iife.js',
    make: `(docs) => { const fuzzy = new uFuzzy({ intraMode: 1, intraIns: 1, intraSub: 1, intraTrn: 1, intraDel: 1 }), haystack = docs.map((doc) => doc.name + ' ' + doc.vendor + ' ' + doc.type); return (query) => { const [indexes, , order] = fuzzy.search(haystack, query, 1); return (order ? order.map((i) => indexes[i]) : indexes || []).slice(0, 9).map((i) => docs[i].name); }; }`,
  },
] as const;

async function library(
  page: Page,
  count: number,
  { file, make }: (typeof libraries)[number],
): Promise<number[]> {
  const docs = makePlugins(7, count).map((p, id) => ({
    id,
    name: p.name,
    vendor: p.vendor.name,
    type: p.type,
  }));
  await page.goto('about:blank');
  await page.setContent('<input id="field"><div id="rows"></div>');
  // The one that comes as a module only gets its name on the window.
  const script = readFileSync(
    resolve(import.meta.dirname, '../../node_modules', file),
    'utf8',
  ).replace(/^export .*$/m, 'window.Fuse = Fuse;');
  await page.addScriptTag({ content: script });
  await page.addScriptTag({ content: `window.makeSearch = ${make};` });
  await page.evaluate((all) => {
    const field = document.querySelector('input');
    const rows = document.querySelector('#rows');
    const search = (
      window as unknown as { makeSearch: (docs: unknown) => (query: string) => string[] }
    ).makeSearch(all);
    field?.addEventListener('input', () => {
      if (rows) {
        rows.innerHTML = search(field.value)
          .map((n) => `<p>${n}</p>`)
          .join('');
      }
    });
  }, docs);
  return typing(page, '#field');
}

async function withCount(page: Page, count: number): Promise<Measured[]> {
  return withStudio(count, async (server) => {
    await page.goto(`${server.address}/file`);
    await page.getByTestId('plugin').first().waitFor();
    const list = await typing(page, screens.file.field);
    await page.goto(`${server.address}/load`);
    await page.getByTestId('hit').first().waitFor();
    const load = await typing(page, screens.load.field);
    const floor = { name: 'bare page', samples: await bare(page, count) };
    const of = count.toLocaleString('en');
    const others: Measured[] = [];
    if (count > studioSize) {
      for (const one of libraries) {
        others.push(
          measured(`keystroke to painted hits, Load, ${of} plugins`, load, {
            name: `${one.name} in a bare page`,
            samples: await library(page, count, one),
          }),
        );
      }
    }
    return [
      measured(`keystroke to painted list, File, ${of} plugins`, list, floor),
      measured(`keystroke to painted hits, Load, ${of} plugins`, load, floor),
      ...others,
    ];
  });
}

export async function benchKeystroke(): Promise<Measured[]> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    return [...(await withCount(page, studioSize)), ...(await withCount(page, 20_000))];
  } finally {
    await browser.close();
  }
}
