/** What the history and undo call each act. */
import { describe, expect, it } from '@jest/globals';
import { noChange } from '../change.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
import { asId, type PluginId } from '../id.ts';
import { cabinetOf, folderOf } from '../order/records.test-data.ts';
import { orderOf } from '../order/records.ts';
import type { Act, ActOf } from './act.ts';
import { did, refusalOf } from './performing.test-data.ts';

const silt = asId<PluginId>('Silt');
const kelp = asId<PluginId>('Kelp');
const order = orderOf([
  cabinetOf('c', { name: 'Everyday' }),
  folderOf('Echo', { form: 'smart', rule: { cards: [], never: [] }, alwaysIn: [kelp] }),
  folderOf('Tone'),
]);
const wordsOf = (act: Act): string => did(order, act).words;

describe('the words of an act', () => {
  const say = (set: Partial<AnswerFacts>, plugins = [silt]): string =>
    wordsOf({ act: 'answer', say: [{ plugins, set }] });
  it('say what is said of one plugin or of many', () => {
    expect([
      say({ types: null }),
      say({ types: [] }),
      say({ types: [] }, [silt, kelp]),
      say({ types: ['reverb/plate'] }, [silt, kelp]),
      say({ kind: null }),
      say({ kind: 'instrument' }),
      say({ kind: 'instrument' }, [silt, kelp]),
      say({ vendor: null }),
      say({ vendor: '' }),
      say({ vendor: 'Osier' }),
      say({ vendor: 'Osier' }, [silt, kelp]),
      say({ licence: null }),
      say({ licence: { state: 'owned', until: null } }),
      say({ licence: { state: 'trial', until: '2026-12-24' } }, [silt, kelp]),
      say({ isHidden: true }),
      say({ isHidden: false }),
      say({ notes: 'loud' }),
      say({ picture: null }),
      say({ alsoCalled: [] }),
      say({ alsoCalled: ['The judge', 'Red box'] }),
      say({ firstCopy: null }),
      say({ firstCopy: asId('copy') }),
      say({ tags: ['wide'] }),
    ]).toEqual([
      'Reset the types of Silt',
      'Say that Silt has no type',
      'Say that 2 plugins have no type',
      'Say that 2 plugins are Plate',
      'Reset the kind of Silt',
      'Say that Silt is an instrument',
      'Say that 2 plugins are instruments',
      'Reset the vendor of Silt',
      'Leave Silt without a vendor',
      'Say that Silt is by Osier',
      'Say that 2 plugins are by Osier',
      'Reset the licence of Silt',
      'Say that Silt is owned',
      'Say that 2 plugins are on trial until 2026-12-24',
      'Hide Silt in Load',
      'Show Silt in Load',
      'Note on Silt',
      'Remove the picture of Silt',
      'Remove the other names of Silt',
      'Silt also called The judge, Red box',
      'Use the usual copy of Silt first',
      'Use another copy of Silt first',
      'Change the tags of Silt',
    ]);
  });
  it('name nickname and format, and change nothing where it is so', () => {
    const name = (nickname: string | null, slotLabel: string | null = null): Act => ({
      act: 'name',
      plugin: silt,
      nickname,
      slotLabel,
    });
    const named = did(order, name(' The judge ', 'Jdg'));
    expect([named.words, wordsOf(name(null, 'Jdg')), wordsOf(name(' '))]).toEqual([
      'Call Silt The judge',
      'Name Silt',
      'Name Silt',
    ]);
    expect(did(named.order, name('The judge', 'Jdg')).change).toEqual(noChange);
    expect(did(named.order, name('The judge')).change.updated).toHaveLength(1);
    expect(did(named.order, name(null)).change.removed).toHaveLength(1);
    expect(did(order, name(null)).change).toEqual(noChange);

    const prefer = (...formats: ActOf<'prefer'>['formats']): Act => ({
      act: 'prefer',
      computer: asId('desk'),
      formats,
    });
    const preferred = did(order, prefer('CLAP', 'LV2'));
    expect(preferred.words).toBe('Use CLAP copies first');
    expect(did(preferred.order, prefer('CLAP', 'LV2')).change).toEqual(noChange);
    expect(did(preferred.order, prefer('LV2', 'CLAP')).change.updated).toHaveLength(1);
    expect(refusalOf(order, prefer('LV2', 'LV2')).at).toBe('formats');
  });
  it('name what is set of a cabinet, and change nothing where it is so', () => {
    const set = (to: ActOf<'set-cabinet'>['set']) =>
      did(order, { act: 'set-cabinet', cabinet: asId('c'), set: to });
    const all = [
      set({ name: ' Evenings ' }),
      set({ opensFor: [] }),
      set({ opensFor: ['bus', 'final'] }),
      set({ sortedBy: 'name' }),
      set({ sortedBy: null }),
    ];
    expect(all.map(({ words }) => words)).toEqual([
      'Rename Everyday to Evenings',
      'Everyday opens for no slots',
      'Everyday opens for buses, the final chain',
      'Sort the folders of Everyday by name',
      'Put the folders of Everyday back in your own order',
    ]);
    expect(all.map(({ change }) => change.updated.length)).toEqual([1, 0, 1, 1, 0]);
  });
});

describe('plugins in or out of a smart folder by hand', () => {
  const keep = (as: 'in' | 'out' | 'rule', plugin = silt, folder = 'Echo'): Act => ({
    act: 'keep-by-hand',
    folder: asId(folder),
    plugins: [plugin],
    as,
  });
  it('are in one list only, or in none', () => {
    const of = (act: Act) => {
      const { order: now, words } = did(order, act);
      return [words, now.get('folder/Echo')];
    };
    expect(of(keep('in'))).toEqual([
      'Include Silt in Echo',
      expect.objectContaining({ alwaysIn: [kelp, silt], alwaysOut: [] }),
    ]);
    expect(of(keep('out', kelp))).toEqual([
      'Exclude Kelp from Echo',
      expect.objectContaining({ alwaysIn: [], alwaysOut: [kelp] }),
    ]);
    expect(of(keep('rule', kelp))).toEqual([
      'Let the rule of Echo decide on Kelp',
      expect.objectContaining({ alwaysIn: [], alwaysOut: [] }),
    ]);
    expect(did(order, keep('in', kelp)).change).toEqual(noChange);
  });
  it('are in a smart folder that is there', () => {
    expect([
      refusalOf(order, keep('in', silt, 'Tone')).code,
      refusalOf(order, keep('in', silt, 'gone')).code,
    ]).toEqual(['not-a-smart-folder', 'unknown-record']);
  });
});

describe('a smart folder that is settled', () => {
  const settle = (...plugins: ActOf<'settle'>['plugins']): Act => ({
    act: 'settle',
    folder: asId('Echo'),
    plugins,
  });
  const entry = (placement: string, plugin: PluginId) => ({
    placement: asId<never>(placement),
    plugin,
  });
  it('holds what it is given, each once', () => {
    const { order: now, words } = did(order, settle(entry('1', silt), entry('2', kelp)));
    expect(words).toBe('Convert Echo to an ordinary folder');
    expect(now.get('folder/Echo')).toMatchObject({ form: 'folder', rule: null, alwaysIn: [] });
    expect([now.get('placement/1'), now.get('placement/2')]).toMatchObject([
      { plugin: silt, folder: 'Echo' },
      { plugin: kelp, folder: 'Echo' },
    ]);
    expect(refusalOf(order, settle(entry('1', silt), entry('2', silt))).code).toBe('id-taken');
    expect(refusalOf(order, settle(entry('1', silt), entry('1', kelp))).code).toBe('id-taken');
    expect(refusalOf(now, settle(entry('3', silt))).code).toBe('not-a-smart-folder');
  });
});
