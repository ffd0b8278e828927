import { describe, expect, it } from '@jest/globals';
import type { Plugin } from '../catalog/plugin.ts';
import { asId } from '../id.ts';
import { plainFolder, type Folder } from '../order/records.ts';
import { clearFrom, createSuggester } from './suggest.ts';

const plugin = (name: string, types: string[], vendor: string | null = null): Plugin => ({
  id: asId(name),
  name,
  vendor,
  kind: 'effect',
  types,
  arrived: '',
  copies: [],
});
const folder = (name: string): Folder => ({
  table: 'folder',
  id: asId(name),
  cabinet: asId('c'),
  parent: null,
  form: 'folder',
  name,
  position: name,
  rule: null,
  ...plainFolder,
});
const plugins = [
  ...['A', 'B', 'C', 'D', 'E'].map((n) => plugin(`Kelp ${n}`, ['dynamics/compressor'])),
  ...['F', 'G', 'H'].map((n) => plugin(`Silt ${n}`, ['reverb/plate'], 'Osier')),
  plugin('Marlwick One', []),
  plugin('Marlwick Two', []),
];
const members = new Map([
  ['Squeeze', plugins.slice(0, 5).map((p) => p.id as string)],
  ['Mine', plugins.slice(5, 8).map((p) => p.id as string)],
  ['Odd', ['Marlwick One', 'Marlwick Two']],
  ['Empty', []],
]);
const suggest = createSuggester(
  ['Squeeze', 'Mine', 'Odd', 'Empty', 'Delay'].map(folder),
  members,
  new Map(plugins.map((p) => [p.id, p])),
);

describe('suggested folders', () => {
  it('are those that hold plugins of the same type, and say so', () => {
    const [best] = suggest(plugin('New', ['dynamics/compressor']), 3);
    expect(best).toMatchObject({
      folder: 'Squeeze',
      reason: expect.stringContaining('5 of 5 there are Compressor'),
    });
    expect(best?.score).toBeGreaterThan(clearFrom);
  });
  it("are weaker for the same group, and go by vendor, series and the folder's name as well", () => {
    const group = suggest(plugin('New', ['dynamics/gate']), 3);
    expect(group[0]?.folder).toBe('Squeeze');
    expect(group[0]?.score).toBeLessThan(clearFrom);
    expect(suggest(plugin('New', [], 'Osier'), 3)[0]?.reason).toBe('3 of 3 there are by Osier');
    expect(suggest(plugin('Marlwick Three', []), 3)[0]).toMatchObject({
      folder: 'Odd',
      reason: expect.stringContaining('marlwick'),
    });
    expect(suggest(plugin('New', ['delay']), 3)[0]).toMatchObject({
      folder: 'Delay',
      reason: 'it is called Delay',
    });
  });
  it('are none where the plugin is already, or where nothing speaks for any', () => {
    expect(suggest(plugins[0] as Plugin, 3).map((s) => s.folder)).not.toContain('Squeeze');
    expect(suggest(plugin('Tarn', ['synth/fm'], 'Nobody'), 3)).toEqual([]);
  });
});
