/**
 * What is asked of the database: one act takes as many statements as it takes, however large the
 * order is, and a scan of what did not change asks for no facts. `npm run bench acts` and `large`
 * measure their time.
 */
import { afterAll, beforeAll, expect, it, jest } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import type { CatalogView, OrderStep, OrderView } from '@clever-drawer/core/api';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

/** BEGIN and COMMIT among them. */
const budget = 7;

const place = newPlace();
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  for (let number = 0; number < 60; number += 1) {
    const name = `Tern ${number}`;
    writeBundle(place, `${number}.lv2`, {
      uri: `urn:${number}`,
      name,
      vendor: 'Quoin',
      version: 1,
    });
  }
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
  await server.scan();
});
afterAll(async () => {
  await server.stop();
});

/** The statements that the server sends while something is asked of it, but for its own looks at the database. */
async function statementsOf(ask: () => Promise<unknown>): Promise<string[]> {
  const sent = jest.spyOn(pg.Client.prototype, 'query');
  await ask();
  const texts = sent.mock.calls.map(([query]: readonly unknown[]) =>
    typeof query === 'string' ? query : (query as { text: string }).text,
  );
  sent.mockRestore();
  return texts.filter((text) => text !== 'SELECT 1');
}

it(`one filing takes at most ${budget}, into an empty folder as into a full one`, async () => {
  const { records } = (await server.call<OrderView>('GET', 'order')).body;
  const cabinet = records.find(({ table }) => table === 'cabinet')?.id;
  const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
  const folder = randomUUID();
  const file = async (plugin: string | undefined): Promise<void> => {
    const answer = await server.call<OrderStep>('POST', 'acts', {
      act: 'file',
      folder,
      plugins: [{ placement: randomUUID(), plugin }],
      before: null,
    });
    expect(answer.status).toBe(200);
  };
  await server.call('POST', 'acts', {
    act: 'add-folder',
    id: folder,
    cabinet,
    parent: null,
    form: 'folder',
    name: 'Terns',
    rule: null,
    before: null,
    plugins: [],
  });
  const intoEmpty = await statementsOf(() => file(plugins[0]?.id));
  for (const { id } of plugins.slice(1, -1)) {
    await file(id);
  }
  const intoFull = await statementsOf(() => file(plugins.at(-1)?.id));
  expect(intoEmpty.length).toBeGreaterThan(3);
  expect(intoFull.length).toBeLessThanOrEqual(budget);
  expect(intoFull.length).toBeLessThanOrEqual(intoEmpty.length);
});

it('a scan asks for the facts of copies only where something changed', async () => {
  const asksForFacts = (texts: readonly string[]): boolean =>
    texts.some((text) => /^SELECT\b.*\bfacts\b/s.test(text));
  expect(asksForFacts(await statementsOf(() => server.scan()))).toBe(false);
  writeBundle(place, '7.lv2', { uri: 'urn:7', name: 'Tern 7', vendor: 'Quoin', version: 2 });
  expect(asksForFacts(await statementsOf(() => server.scan()))).toBe(true);
  const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
  const tern = plugins.find(({ name }) => name === 'Tern 7');
  expect(tern?.copies.map(({ version }) => version)).toEqual(['2.0']);
});
