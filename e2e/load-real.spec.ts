/** Every real plugin that opens is found by its full name, and can be loaded. */
import type { CatalogView, LoadRequest, SessionView } from '@clever-drawer/core/api';
import type { SlotKind, TrackKind } from '@clever-drawer/core/loading';
import { scanAndOpen } from './debian.ts';
import { askOf, expect, test } from './studio.ts';

/** A slot that takes plugins of a kind, and the sort of track it is on; other kinds go where effects go. */
const slotOf = (kind: string): { readonly slot: SlotKind; readonly track: TrackKind } => {
  if (kind === 'instrument') {
    return { slot: 'instrument', track: 'instrument' };
  }
  return kind === 'note-effect'
    ? { slot: 'note-effect', track: 'notes' }
    : { slot: 'effect', track: 'track' };
};

test('all plugins of named Debian packages that open are found and can be loaded', async ({
  page,
  empty,
  request,
}, info) => {
  test.setTimeout(240_000);
  await scanAndOpen(page, empty, request);
  const ask = await askOf(request, empty.address);
  const { plugins, computer } = await ask<CatalogView>('catalog');
  const opened = plugins.filter(({ copies }) => copies.some(({ isFailed }) => !isFailed));
  info.annotations.push({ type: 'plugins that open', description: String(opened.length) });
  expect(opened.length).toBeGreaterThan(140);

  const { tracks } = await ask<SessionView>('session');
  const notFound: string[] = [];
  const notLoaded: string[] = [];
  for (const { id, kind, name } of opened) {
    const { slot, track } = slotOf(kind);
    const [first] = await ask<{ readonly name: string }[]>(
      `find?q=${encodeURIComponent(name)}&slot=${slot}&limit=1`,
    );
    // Two of them differ only by a capital.
    if (first?.name.toLowerCase() !== name.toLowerCase()) {
      notFound.push(name);
    }
    const load = {
      track: tracks.find(({ sort }) => sort === track)?.id,
      index: 0,
      plugin: id,
      copy: null,
      typed: name,
      keys: 0,
      took: null,
    } satisfies Partial<LoadRequest>;
    const answer = await request.post(
      `${empty.address}/api/computers/${computer.id}/session/loads`,
      { data: load },
    );
    if (!answer.ok()) {
      notLoaded.push(`${name}: ${await answer.text()}`);
    }
  }
  expect({ notFound, notLoaded }).toEqual({ notFound: [], notLoaded: [] });

  await page.goto(`${empty.address}/load`);
  await expect(page.getByTestId('hit').first()).toBeVisible();
  for (const { name } of opened.filter(({ kind }, n) => kind === 'effect' && n % 12 === 0)) {
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('notice').last()).toContainText(`${name} loaded in `);
  }
});
