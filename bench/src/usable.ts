/**
 * From an address to the screen that can be used, in a fresh window each time, with 690 and with
 * 20,000 plugins; against a page that fetches the same catalog and writes thirty of its names, opened
 * in the same way. And what one changed plugin costs every window, against the whole catalog.
 */
import { once } from 'node:events';
import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import pg from 'pg';
import { chromium, type Browser } from 'playwright-core';
import type { CatalogView, PlaceView } from '@clever-drawer/core/api';
import { studioSize } from '@clever-drawer/demo';
import { args, screens } from './keystroke.ts';
import { measured, type Measured, type Outcome } from './measure.ts';
import { firstComputerAt, scanAll, withStudio } from './server.ts';

const rounds = 5;
/** What a window does in idle moments is done by then. Milliseconds. */
const afterOpening = 4_000;

/** How a screen was opened: milliseconds until it was painted, megabytes of heap a while later. */
interface Opened {
  readonly took: number;
  readonly heap: number;
}

/** What a page says on its console once it can be used, with the milliseconds it took before it. */
const usable = 'usable after';

/**
 * Says when the first of those elements has been painted, as far as a page can tell. On the console,
 * for a page that is asked would first be given Playwright's own script, 20 ms of what is measured.
 */
const noteShown = ([selector, word]: readonly [string, string]): void => {
  const watch = new MutationObserver(() => {
    if (document.querySelector(selector)) {
      watch.disconnect();
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => {
          console.debug(word, performance.now());
        };
        port2.postMessage(null);
      });
    }
  });
  watch.observe(document, { subtree: true, childList: true });
};

/** A window of its own, and the milliseconds from asking for the address until that part of it stands. */
async function openFresh(browser: Browser, address: string, part: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(noteShown, [`[data-testid=${part}]`, usable] as const);
  const said = page.waitForEvent('console', (message) => message.text().startsWith(usable));
  await page.goto(address);
  const took = Number((await said).text().slice(usable.length));
  return { context, page, took };
}

/** Opens an address in a window of its own, until that part of it stands. */
export async function openScreen(browser: Browser, address: string, part: string): Promise<Opened> {
  const { context, page, took } = await openFresh(browser, address, part);
  await page.waitForTimeout(afterOpening);
  const devtools = await context.newCDPSession(page);
  await devtools.send('HeapProfiler.collectGarbage');
  const { usedSize } = await devtools.send('Runtime.getHeapUsage');
  await context.close();
  return { took, heap: usedSize / 1e6 };
}

/** Fetches the catalog beside it and writes thirty of its names, at once and again when told to. */
const barePage = `<!doctype html>
<html lang="en">
  <title>Bare</title>
  <body>
    <script>
      async function fill() {
        const answer = await fetch('catalog.json', { cache: 'no-store' });
        const { plugins } = await answer.json();
        document.body.innerHTML = plugins
          .slice(0, 30)
          .map(({ name }) => '<p data-testid="name">' + name + '</p>')
          .join('');
      }
      fill();
    </script>
  </body>
</html>`;

/** Serves the bare page with a catalog as JSON, out of memory. */
async function serveBare(catalog: Buffer) {
  const server = createServer(({ url }, response) => {
    const isData = url === '/catalog.json';
    response.setHeader('Content-Type', isData ? 'application/json' : 'text/html');
    response.end(isData ? catalog : barePage);
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  return {
    address: `http://127.0.0.1:${port}/`,
    stop: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}

/** The floor: a bare page with the same catalog, opened as our screens are. */
async function openBare(browser: Browser, address: string): Promise<number> {
  const { context, took } = await openFresh(browser, address, 'name');
  await context.close();
  return took;
}

/** What of it is left in a page that stands already: to fetch the catalog and to write the names. */
async function fillBare(browser: Browser, address: string): Promise<number> {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(address);
  await page.getByTestId('name').first().waitFor();
  const took = await page.evaluate(async () => {
    const start = performance.now();
    await (window as unknown as { fill: () => Promise<void> }).fill();
    document.body.getBoundingClientRect();
    return performance.now() - start;
  });
  await context.close();
  return took;
}

/** Milliseconds and bytes of an answer. */
async function fetched(address: string): Promise<{ took: number; text: string }> {
  const start = performance.now();
  const text = await (await fetch(address)).text();
  return { took: performance.now() - start, text };
}

/** What a scan does that finds one plugin under another name: the change, and the note of it. */
const changeOne = `WITH changed AS (UPDATE plugin SET name = name || '*' WHERE id = $1
    RETURNING id, computer_id), next AS (UPDATE computer SET version = version + 1
    WHERE id = (SELECT computer_id FROM changed) RETURNING id, version)
  INSERT INTO changed_plugin SELECT next.id, next.version, 'catalog', changed.id FROM next, changed`;

/** One plugin changes as a scan would change it: what every window then asks for, and the whole. */
async function changes(at: string, database: pg.ClientConfig): Promise<Changed> {
  const client = new pg.Client(database);
  await client.connect();
  const changed: Changed = { change: [], whole: [], bytes: 0, wholeBytes: 0 };
  for (let round = 0; round < 20; round += 1) {
    const all = await fetched(`${at}/catalog`);
    const { version, plugins } = JSON.parse(all.text) as CatalogView;
    await client.query(changeOne, [plugins[round]?.id]);
    const after = await fetched(`${at}/catalog?since=${version}`);
    changed.whole.push(all.took);
    changed.change.push(after.took);
    changed.bytes = Math.max(changed.bytes, after.text.length);
    changed.wholeBytes = all.text.length;
  }
  await client.end();
  return changed;
}

interface Changed {
  readonly change: number[];
  readonly whole: number[];
  bytes: number;
  wholeBytes: number;
}

/** The description of some LV2 bundle of a studio. */
async function someBundle(at: string): Promise<string> {
  const places = (await (await fetch(`${at}/places`)).json()) as PlaceView[];
  const descriptions = places.flatMap(({ path }) =>
    readdirSync(path).map((bundle) => join(path, bundle, bundle.replace(/\.lv2$/, '.ttl'))),
  );
  for (const file of descriptions) {
    const text = await readFile(file, 'utf8').catch(() => '');
    if (/doap:name "/.test(text)) {
      return file;
    }
  }
  throw new Error('the studio has no LV2 bundle');
}

/**
 * The bytes of all answers that a window which shows File gets when a scan finds one plugin changed,
 * headers included; neither the stream of events nor pictures.
 */
async function bytesToWindow(browser: Browser, address: string): Promise<number> {
  const { path, part } = screens.file;
  const { context, page } = await openFresh(browser, `${address}/${path}`, part);
  await page.waitForTimeout(afterOpening);
  const devtools = await context.newCDPSession(page);
  const asked = new Set<string>();
  let bytes = 0;
  devtools.on('Network.requestWillBeSent', ({ requestId, type }) => {
    if (type === 'Fetch') {
      asked.add(requestId);
    }
  });
  devtools.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    bytes += asked.has(requestId) ? encodedDataLength : 0;
  });
  await devtools.send('Network.enable');
  const file = await someBundle(await firstComputerAt(address));
  const text = await readFile(file, 'utf8');
  await writeFile(file, text.replace(/(doap:name "[^"]*)"/, '$1 x"'));
  const scan = await scanAll(address, []);
  await scan();
  await page.waitForTimeout(afterOpening);
  await context.close();
  return bytes;
}

async function withCount(browser: Browser, count: number): Promise<Outcome> {
  return withStudio(count, async (server) => {
    const at = await firstComputerAt(server.address);
    const shown = Object.values(screens).map((screen) => ({ ...screen, opened: [] as Opened[] }));
    const floor: number[] = [];
    const filling: number[] = [];
    const bare = await serveBare(Buffer.from(await (await fetch(`${at}/catalog`)).arrayBuffer()));
    for (let round = 0; round < rounds; round += 1) {
      for (const { path, part, opened } of shown) {
        opened.push(await openScreen(browser, `${server.address}/${path}`, part));
      }
      floor.push(await openBare(browser, bare.address));
      filling.push(await fillBare(browser, bare.address));
    }
    bare.stop();
    const of = `${count.toLocaleString('en')} plugins`;
    const toWindow = await bytesToWindow(browser, server.address);
    const { change, whole, bytes, wholeBytes } = await changes(at, server.database);
    const rows = [
      ...shown.map(
        ({ name, opened }): Measured =>
          measured(
            `address to usable, ${name}, ${of}`,
            opened.map(({ took }) => took),
            { name: 'bare page, opened likewise', samples: floor },
          ),
      ),
      measured(`catalog to names in a bare page that stands, ${of}`, filling),
      measured(`one plugin changed, to a window that asks, ${of}`, change, {
        name: 'whole catalog',
        samples: whole,
      }),
    ];
    const heap = Math.max(...shown.flatMap(({ opened }) => opened.map((one) => one.heap)));
    const line = `| ${of} | ${heap.toFixed(0)} | ${bytes} | ${toWindow} | ${wholeBytes} |`;
    return { rows, tables: [line], facts: { [count]: { heap, bytes, toWindow, wholeBytes } } };
  });
}

export async function benchUsable(): Promise<Outcome> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
  try {
    const outcomes = [await withCount(browser, studioSize), await withCount(browser, 20_000)];
    const head = [
      '| | most heap of a window, MB | bytes of one changed plugin | of all answers to a window in File then | of the whole catalog |',
      '| --- | ---: | ---: | ---: | ---: |',
    ];
    return {
      rows: outcomes.flatMap(({ rows }) => rows),
      tables: [[...head, ...outcomes.flatMap(({ tables }) => tables)].join('\n')],
      facts: Object.assign({}, ...outcomes.map(({ facts }) => facts)) as object,
    };
  } finally {
    await browser.close();
  }
}
