import { afterAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Format } from '@clever-drawer/core/formats';
import type { PlaceRow } from '../../database/scan-tables.ts';
import { ReaderPool } from '../../scanner/index.ts';
import { walkPlaces, type WalkedPlaces } from './walk-places.ts';

const root = mkdtempSync(join(tmpdir(), 'clever-drawer-walk-'));
const readers = new ReaderPool(1, {});
afterAll(async () => {
  await readers.close();
  rmSync(root, { recursive: true });
});
for (const directory of ['loft/reed.lv2', 'cellar']) {
  mkdirSync(join(root, directory), { recursive: true });
}
writeFileSync(join(root, 'loft/reed.lv2/manifest.ttl'), '');
writeFileSync(join(root, 'cellar/night.vstpreset'), '');

const placeAt = (directory: string, formats: Format[] = ['LV2', 'VST3']): PlaceRow => ({
  id: directory,
  computerId: 'here',
  path: join(root, directory),
  formats,
  addedAt: new Date(0),
  isOn: true,
  isWatched: false,
});
const walked = (...places: readonly PlaceRow[]): Promise<WalkedPlaces> =>
  walkPlaces(readers, places, new SharedArrayBuffer(4));

describe('walking the places of a computer', () => {
  it('finds bundles and files of settings apart', async () => {
    const { found, settings } = await walked(placeAt('loft'), placeAt('cellar'));
    expect(found.map(({ path }) => path)).toEqual([join(root, 'loft/reed.lv2')]);
    expect(settings.map(({ path }) => path)).toEqual([join(root, 'cellar/night.vstpreset')]);
  });
  it('tells places that are not there from those that were walked', async () => {
    const { reached, lost } = await walked(placeAt('loft'), placeAt('sold'));
    expect([...reached]).toEqual(['loft']);
    expect([...lost]).toEqual(['sold']);
  });
  it('counts what lies in two places for the first of them', async () => {
    const whole = { ...placeAt(''), id: 'whole' };
    const { found } = await walked(placeAt('loft'), whole);
    expect(found.map(({ path, place }) => [path, place.id])).toEqual([
      [join(root, 'loft/reed.lv2'), 'loft'],
    ]);
  });
});
