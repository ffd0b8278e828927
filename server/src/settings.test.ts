/** Saved settings, as scans find, keep and forget them. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type {
  CatalogView,
  PluginSetting,
  PluginView,
  WaitingSetting,
  OrderView,
  SessionView,
} from '@clever-drawer/core/api';
import type { Usage } from '@clever-drawer/core/loading';
import type { OrderDocument } from '@clever-drawer/core/documents';
import type { FoundPlugin } from './usecases/catalog/find-plugins.ts';
import { newPlace, startTestServer, writeBundle, type TestServer } from './testing.ts';

let server: TestServer;
let place: string;

beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  place = newPlace();
  writeBundle(place, 'gull.lv2', { uri: 'urn:gull', name: 'Gull', vendor: 'Saltglass' });
  await server.freshComputer();
  await server.call('POST', 'places', { path: place });
});
afterAll(async () => {
  await server.stop();
});

const prefixes = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix pset: <http://lv2plug.in/ns/ext/presets#> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
`;

function writePresets(directory: string, plugin: string, ...names: string[]): void {
  const bundle = writeBundle(place, directory, { uri: `urn:of ${directory}`, name: directory });
  const lines = names.map(
    (name, at) =>
      `<urn:${directory}:${at}> a pset:Preset ; lv2:appliesTo <${plugin}> ; rdfs:label "${name}" .`,
  );
  writeFileSync(join(bundle, 'manifest.ttl'), prefixes + lines.join('\n'));
}

async function settingsOf(name: string): Promise<string[]> {
  const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
  const plugin = plugins.find((one) => one.name === name);
  const view = await server.call<PluginView>('GET', `plugins/${plugin?.id ?? ''}`);
  return view.body.settings.map((setting) => setting.name);
}

describe('settings', () => {
  it('come with a scan, from any bundle, follow their files, and go with them', async () => {
    await server.scan();
    expect(await settingsOf('Gull')).toEqual([]);
    writePresets('more.lv2', 'urn:gull', 'Calm', 'Näss');
    await server.scan();
    expect(await settingsOf('Gull')).toEqual(['Calm', 'Näss']);
    writePresets('more.lv2', 'urn:gull', 'Calm', 'Fog', 'Spray');
    await server.scan();
    expect(await settingsOf('Gull')).toEqual(['Calm', 'Fog', 'Spray']);
    rmSync(join(place, 'more.lv2'), { recursive: true });
    await server.scan();
    expect(await settingsOf('Gull')).toEqual([]);
  });

  it('are told with their plugins, for finding them', async () => {
    writePresets('more.lv2', 'urn:gull', 'Calm');
    writePresets('waiting.lv2', 'urn:nobody', 'Lost');
    await server.scan();
    const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
    const gull = plugins.find(({ name }) => name === 'Gull');
    const found = (await server.call<PluginSetting[]>('GET', 'settings')).body;
    expect(found).toEqual([
      {
        id: found[0]?.id,
        plugin: gull?.id,
        name: 'Calm',
        bank: null,
        format: 'LV2',
        path: join(place, 'more.lv2'),
        identity: 'urn:more.lv2:0',
      },
    ]);
    expect((await server.call<WaitingSetting[]>('GET', 'settings/waiting')).body).toMatchObject([
      { name: 'Lost', plugin: 'urn:nobody', path: join(place, 'waiting.lv2') },
    ]);
  });

  it('wait for their plugin, and are there when it arrives', async () => {
    writePresets('more.lv2', 'urn:tern', 'Dive');
    await server.scan();
    writeBundle(place, 'tern.lv2', { uri: 'urn:tern', name: 'Tern', vendor: 'Saltglass' });
    await server.scan();
    expect(await settingsOf('Tern')).toEqual(['Dive']);
  });

  it('are read once: an unchanged file is not written again, and a damaged one hurts nothing', async () => {
    writePresets('more.lv2', 'urn:gull', 'Calm');
    writeFileSync(join(place, 'broken.vstpreset'), 'VST3 and no more');
    await server.scan();
    const rows = () =>
      server.query<{ path: string; xmin: string }>(
        'SELECT path, xmin::text FROM setting_file WHERE computer_id = $1 ORDER BY path',
        [server.computer],
      );
    const before = await rows();
    expect(before).toHaveLength(3);
    await server.scan();
    expect(await rows()).toEqual(before);
    expect(await settingsOf('Gull')).toEqual(['Calm']);
  });

  it('have the same id again when they are found again', async () => {
    writePresets('more.lv2', 'urn:gull', 'Calm');
    await server.scan();
    const idOf = async (): Promise<string | undefined> =>
      (await server.call<PluginSetting[]>('GET', 'settings')).body[0]?.id;
    const before = await idOf();
    rmSync(join(place, 'more.lv2'), { recursive: true });
    await server.scan();
    expect(await idOf()).toBeUndefined();
    writePresets('more.lv2', 'urn:gull', 'Calm');
    await server.scan();
    expect(await idOf()).toBe(before);
  });
});

describe('a setting of which something is made', () => {
  const cabinetOf = async (): Promise<string> => {
    const { records } = (await server.call<OrderView>('GET', 'order')).body;
    return records.find(({ table }) => table === 'cabinet')?.id ?? '';
  };
  const recordsOf = async (table: string): Promise<readonly { readonly id: string }[]> =>
    (await server.call<OrderView>('GET', 'order')).body.records.filter(
      (record) => record.table === table,
    );
  const found = async (): Promise<PluginSetting> => {
    const [first] = (await server.call<PluginSetting[]>('GET', 'settings')).body;
    if (!first) {
      throw new Error('no setting was found');
    }
    return first;
  };
  /** Files a setting in a new folder, as a window does. */
  async function file(setting: PluginSetting): Promise<void> {
    const done = await server.call('POST', 'acts', {
      act: 'keep-settings',
      settings: [{ ...setting, state: null }],
      then: {
        act: 'add-folder',
        id: randomUUID(),
        cabinet: await cabinetOf(),
        parent: null,
        form: 'folder',
        name: 'Voices',
        rule: null,
        before: null,
        plugins: [{ placement: randomUUID(), plugin: setting.id }],
      },
    });
    expect(done.status).toBe(200);
  }
  beforeEach(async () => {
    writePresets('more.lv2', 'urn:gull', 'Calm');
    await server.scan();
  });

  it('is filed in one change, and undone in one', async () => {
    await file(await found());
    expect(await recordsOf('setting')).toMatchObject([
      { name: 'Calm', identity: 'urn:more.lv2:0' },
    ]);
    expect(await recordsOf('placement')).toHaveLength(1);
    expect((await server.call('POST', 'undo')).status).toBe(200);
    expect(await recordsOf('setting')).toEqual([]);
    expect(await recordsOf('placement')).toEqual([]);
    expect((await server.call('POST', 'redo')).status).toBe(200);
    expect(await recordsOf('placement')).toHaveLength(1);
  });

  it('keeps its place while its file is gone, and is no plugin of the catalog', async () => {
    const setting = await found();
    await file(setting);
    rmSync(join(place, 'more.lv2'), { recursive: true });
    await server.scan();
    expect(await recordsOf('placement')).toMatchObject([{ plugin: setting.id }]);
    const { plugins } = (await server.call<CatalogView>('GET', 'catalog')).body;
    expect(plugins.map(({ id }) => id)).not.toContain(setting.id);
    const refused = await load(setting.id);
    expect(refused.status).toBe(409);
    expect(JSON.stringify(refused.body)).toContain('its file is gone from the disk');
  });

  it('that no scan found, and that is of no host, is refused', async () => {
    const setting = await found();
    const asked = await server.call('POST', 'acts', {
      act: 'keep-settings',
      settings: [{ ...setting, id: randomUUID(), state: null }],
      then: null,
    });
    expect(asked.status).toBe(404);
    expect(await recordsOf('setting')).toEqual([]);
  });

  it('is not kept under the id of a plugin', async () => {
    const setting = await found();
    for (const state of [null, 'what a host gave']) {
      const asked = await server.call('POST', 'acts', {
        act: 'keep-settings',
        settings: [{ ...setting, id: setting.plugin, state }],
        then: null,
      });
      expect(asked.status).toBe(404);
    }
    expect(await recordsOf('setting')).toEqual([]);
  });

  async function load(id: string) {
    const { tracks } = (await server.call<SessionView>('GET', 'session')).body;
    return server.call<SessionView>('POST', 'session/loads', {
      track: tracks[0]?.id,
      index: 0,
      plugin: id,
      copy: null,
      typed: 'calm',
      keys: 5,
      took: 900,
    });
  }

  it('is loaded as its plugin with that setting, filed or not, and the load counts for both', async () => {
    const setting = await found();
    const loaded = await load(setting.id);
    expect(loaded.status).toBe(200);
    const slot = loaded.body.tracks[0]?.slots[0];
    expect(slot).toMatchObject({
      plugin: setting.plugin,
      asked: { setting: { id: setting.id, name: 'Calm', identity: 'urn:more.lv2:0' } },
    });
    expect(slot?.state).not.toBeNull();
    const usage = (await server.call<Usage[]>('GET', 'usage')).body;
    expect(usage.map(({ plugin, loads }) => [plugin, loads]).sort()).toEqual(
      [
        [setting.id, 1],
        [setting.plugin, 1],
      ].sort(),
    );
  });

  it('can be kept from a slot with what the host gave, and is loaded with that', async () => {
    const setting = await found();
    const slot = (await load(setting.plugin)).body.tracks[0]?.slots[0];
    const own = randomUUID();
    const kept = await server.call('POST', 'acts', {
      act: 'keep-settings',
      settings: [
        {
          id: own,
          name: 'Net loft',
          plugin: setting.plugin,
          bank: null,
          format: 'LV2',
          path: null,
          identity: null,
          state: slot?.state,
        },
      ],
      then: { act: 'answer', say: [{ plugins: [own], set: { notes: 'for the eel' } }] },
    });
    expect(kept.status).toBe(200);
    const again = (await load(own)).body.tracks[0]?.slots[0];
    expect(again).toMatchObject({ state: slot?.state, asked: { setting: { name: 'Net loft' } } });
  });

  it('goes out with a document and comes in again at the same place', async () => {
    const setting = await found();
    await file(setting);
    const document = (await server.call<OrderDocument>('GET', 'document')).body;
    expect(document.settings).toMatchObject([
      { id: setting.id, name: 'Calm', plugin: setting.plugin, identity: 'urn:more.lv2:0' },
    ]);
    await server.call('POST', 'undo');
    const settings = document.settings?.map((one) => ({ ...one, mood: 'calm' }));
    const merged = await server.call('POST', 'document/merge', {
      text: JSON.stringify({ ...document, settings }),
      how: 'add',
      choices: {},
    });
    expect(merged.status).toBe(200);
    expect(await recordsOf('placement')).toMatchObject([{ plugin: setting.id }]);
    expect(await recordsOf('setting')).toMatchObject([{ id: setting.id }]);
    const again = (await server.call<OrderDocument>('GET', 'document')).body;
    expect(again.settings).toMatchObject([{ id: setting.id, mood: 'calm' }]);
  });

  it('is found over HTTP by letters of its own and its plugin, with what a host needs', async () => {
    const hits = (await server.call<FoundPlugin[]>('GET', 'find?q=gull+calm')).body;
    expect(hits).toMatchObject([
      { name: 'Calm', format: 'LV2', setting: { identity: 'urn:more.lv2:0', state: null } },
    ]);
    const plain = (await server.call<FoundPlugin[]>('GET', 'find?q=gull')).body;
    expect(plain.map(({ name, setting }) => [name, setting])).toEqual([['Gull', null]]);
  });
});
