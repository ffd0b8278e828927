/** Saved settings, as scans find, keep and forget them. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogView, PluginView } from '@clever-drawer/core';
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
    expect((await server.call('GET', 'settings')).body).toEqual([
      { plugin: gull?.id, name: 'Calm', bank: null },
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
});
