import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import { nothingSaid, type Answer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { copyOf, pluginOf } from '../catalog/plugin.test-data.ts';
import { orderOf, type OrderRecord, type PluginNames, type Setting } from '../order/records.ts';
import { cabinetOf, folderOf, placementOf } from '../order/records.test-data.ts';
import type { Rule } from '../rules/language/rule.ts';
import { createArranger, type Arrangement, type KnownUse } from './arrangement.ts';
import { because } from './because.ts';
import { ruleWordsOf } from './folder-order.ts';
import { settingOwners, settingsAsSaid, type FoundSettingCard } from './setting-plugin.ts';

const plugins = ['Kelp', 'Silt', 'Tern', 'Wrack'].map((name) =>
  pluginOf(name, { copies: [copyOf(name)] }),
);
const has = (...words: string[]): Rule => ({
  cards: [{ lines: [{ field: 'name', relation: 'has', values: words }] }],
  never: [],
});
const named = (id: string, nickname: string): PluginNames => ({
  table: 'plugin-names',
  id: asId(id),
  nickname,
  slotLabel: null,
});

interface Given {
  readonly cabinet?: string | null;
  readonly usage?: KnownUse;
}

const arranged = (
  records: readonly OrderRecord[],
  { cabinet = 'c', usage }: Given = {},
): Arrangement => createArranger()(orderOf(records), plugins, cabinet, usage);
const names = ({ folders }: Arrangement): string[] => folders.map(({ name }) => name);
const inside = ({ members }: Arrangement, folder: string): readonly string[] | undefined =>
  members.get(folder);

describe('the folders of a cabinet', () => {
  it('stand as the user has them, favourites first, then pinned ones', () => {
    const records = [
      cabinetOf('c'),
      folderOf('Wide', { position: 'A' }),
      folderOf('Pinned', { position: 'B', isPinned: true }),
      folderOf('Favourites', { position: 'C', form: 'favourites' }),
      folderOf('Deep', { position: 'D' }),
    ];
    expect(names(arranged(records))).toEqual(['Favourites', 'Pinned', 'Wide', 'Deep']);
  });

  it('stand by name between the dividers where the cabinet is sorted by name, each row by itself', () => {
    const records = [
      cabinetOf('c', { sortedBy: 'name' }),
      cabinetOf('other'),
      folderOf('Wide', { position: 'A' }),
      folderOf('Deep', { position: 'B' }),
      folderOf('Line', { position: 'C', form: 'divider' }),
      folderOf('Zeal', { position: 'D' }),
      folderOf('Arc', { position: 'E' }),
      folderOf('Low', { position: 'B', parent: asId('Wide') }),
      folderOf('High', { position: 'C', parent: asId('Wide') }),
      folderOf('Z', { position: 'A', cabinet: asId('other') }),
      folderOf('Y', { position: 'B', cabinet: asId('other') }),
    ];
    const { below } = arranged(records);
    expect(below.get('c')?.map(({ name }) => name)).toEqual([
      'Deep',
      'Wide',
      'Line',
      'Arc',
      'Zeal',
    ]);
    expect(below.get('Wide')?.map(({ name }) => name)).toEqual(['High', 'Low']);
    const other = arranged(records, { cabinet: 'other' });
    expect(names(other)).toEqual(['Z', 'Y']);
  });

  it('are those of all cabinets where none is asked for, each once', () => {
    const records = [
      cabinetOf('c'),
      cabinetOf('other'),
      folderOf('Wide'),
      folderOf('Shown', { cabinet: asId('other'), shortcutTo: asId('Wide') }),
    ];
    expect(names(arranged(records, { cabinet: null }))).toEqual(['Wide']);
  });

  it('shown from another cabinet are called and hold what that one does, with what is below it', () => {
    const records = [
      cabinetOf('c'),
      cabinetOf('other'),
      folderOf('Wide', { notes: 'on the puppets' }),
      folderOf('Low', { parent: asId('Wide') }),
      folderOf('Lowest', { parent: asId('Low') }),
      folderOf('Shown', { cabinet: asId('other'), shortcutTo: asId('Wide') }),
      placementOf('Wide', 'kelp'),
      placementOf('Low', 'silt'),
    ];
    const other = arranged(records, { cabinet: 'other' });
    expect(other.folders.map(({ id, name, cabinet }) => [id, name, cabinet])).toEqual([
      ['Shown', 'Wide', 'other'],
      ['Low', 'Low', 'other'],
      ['Lowest', 'Lowest', 'other'],
    ]);
    expect(other.folders[0]?.notes).toBe('on the puppets');
    expect(inside(other, 'Shown')).toEqual(['kelp']);
    expect(other.placements.get('Shown')?.map(({ id }) => id)).toEqual(['Wide/kelp']);
    expect(other.below.get('Shown')?.map(({ id }) => id)).toEqual(['Low']);
    expect(other.foldersOf.get('silt')?.map(({ id }) => id)).toEqual(['Low']);
  });

  it('shown from one that holds nothing show nothing', () => {
    const records = [
      cabinetOf('c'),
      folderOf('Empty'),
      folderOf('Shown', { shortcutTo: asId('Empty') }),
      placementOf('Shown', 'kelp'),
    ];
    const { placements } = arranged(records);
    expect(placements.has('Shown')).toBe(false);
    expect(inside(arranged(records), 'Shown')).toBeUndefined();
  });
});

describe('what folders hold', () => {
  const filed = (...ids: string[]): OrderRecord[] =>
    ids.map((id, at) => placementOf('Wide', id, String.fromCharCode(65 + at)));

  it('is in the order of its placements', () => {
    const records = [cabinetOf('c'), folderOf('Wide'), ...filed('tern', 'kelp')];
    expect(inside(arranged(records), 'Wide')).toEqual(['tern', 'kelp']);
  });

  it('is sorted by a fact, equal ones by the name that the user gave', () => {
    const records = [
      cabinetOf('c'),
      folderOf('Wide', { sortedBy: 'name' }),
      ...filed('tern', 'silt', 'kelp'),
      named('silt', 'Zander'),
    ];
    expect(inside(arranged(records), 'Wide')).toEqual(['kelp', 'tern', 'silt']);
    const byUse = [
      records[0],
      folderOf('Wide', { sortedBy: 'use' }),
      ...records.slice(2),
    ] as OrderRecord[];
    const usage = new Map([['tern', { warmth: 2 }]]);
    expect(inside(arranged(byUse, { usage }), 'Wide')).toEqual(['tern', 'kelp', 'silt']);
  });

  it('is at most so many, after sorting', () => {
    const records = [
      cabinetOf('c'),
      folderOf('Wide', { sortedBy: 'name', atMost: 2 }),
      ...filed('tern', 'silt', 'kelp'),
    ];
    expect(inside(arranged(records), 'Wide')).toEqual(['kelp', 'silt']);
    expect(inside(arranged([cabinetOf('c'), folderOf('Few', { atMost: 2 })]), 'Few')).toEqual([]);
  });

  it('by a rule is what the rule says, by nicknames and answers, too', () => {
    const smart = folderOf('Smart', { form: 'smart', rule: has('kelp', 'zander') });
    expect(inside(arranged([cabinetOf('c'), smart]), 'Smart')).toEqual(['kelp']);
    const called = arranged([cabinetOf('c'), smart, named('silt', 'Zander')]);
    expect(inside(called, 'Smart')).toEqual(['kelp', 'silt']);
  });

  it('by a rule follows how often a plugin was loaded', () => {
    const often: Rule = {
      cards: [{ lines: [{ field: 'times loaded', relation: 'at least', values: ['2'] }] }],
      never: [],
    };
    const records = [cabinetOf('c'), folderOf('Often', { form: 'smart', rule: often })];
    const usage = new Map([['tern', { warmth: 1, loads: 3 }]]);
    expect(inside(arranged(records, { usage }), 'Often')).toEqual(['tern']);
  });

  it('is known of each plugin, in all folders that it is in', () => {
    const records = [
      cabinetOf('c'),
      folderOf('Wide', { position: 'A' }),
      folderOf('Smart', { position: 'B', form: 'smart', rule: has('kelp') }),
      ...filed('kelp', 'tern'),
    ];
    const { foldersOf } = arranged(records);
    expect(foldersOf.get('kelp')?.map(({ id }) => id)).toEqual(['Wide', 'Smart']);
    expect(foldersOf.has('wrack')).toBe(false);
  });

  it('without smart folders is prepared for rules only when somebody asks', () => {
    const { rules } = arranged([cabinetOf('c'), folderOf('Wide')]);
    expect(rules.membersOf('Wide')).toBeUndefined();
    expect(rules.expiresAt).toBeNull();
    expect(rules.candidates.map(({ id }) => id)).toEqual(['kelp', 'silt', 'tern', 'wrack']);
  });
});

describe('the same arrangement asked for again', () => {
  it('is the same object while nothing changed, and another one with another order', () => {
    const arrange = createArranger();
    const order = orderOf([cabinetOf('c'), folderOf('Wide')]);
    const first = arrange(order, plugins, 'c');
    expect(arrange(order, plugins, 'c')).toBe(first);
    expect(arrange(orderOf([cabinetOf('c')]), plugins, 'c')).not.toBe(first);
  });
});

describe('why a smart folder holds a plugin', () => {
  const smart = folderOf('Smart', { form: 'smart', rule: has('kelp'), alwaysIn: [asId('tern')] });
  const shown = arranged([cabinetOf('c'), smart, folderOf('Wide'), placementOf('Wide', 'kelp')]);

  it('is what of it meets the rule, or that it was put in by hand', () => {
    expect(because(shown, smart, 'kelp')).toContain('kelp');
    expect(because(shown, smart, 'tern')).toBe('always included, by hand');
  });
  it('is nothing where it does not, and of ordinary folders', () => {
    expect(because(shown, smart, 'silt')).toBeNull();
    expect(because(shown, smart, 'unknown')).toBeNull();
    expect(because(shown, folderOf('Wide'), 'kelp')).toBeNull();
  });
});

describe('the folders that a rule can name', () => {
  it('are called by their path, without dividers and those shown from elsewhere', () => {
    const order = orderOf([
      cabinetOf('c', { name: 'Everyday' }),
      folderOf('Wide'),
      folderOf('Low', { parent: asId('Wide') }),
      folderOf('Line', { form: 'divider' }),
      folderOf('Shown', { shortcutTo: asId('Low') }),
      folderOf('Lost', { cabinet: asId('gone') }),
    ]);
    const paths = ruleWordsOf(order).folders.map(({ path }) => path.join('/'));
    expect(paths.sort()).toEqual(['/Lost', 'Everyday/Wide', 'Everyday/Wide/Low']);
  });
});

describe('settings as the user has them', () => {
  const kelp = pluginOf('Kelp', {
    vendor: 'Quoin',
    types: ['delay'],
    copies: [copyOf('v', { format: 'VST3' }), copyOf('l', { format: 'LV2' })],
  });
  const owners = settingOwners(new Map([['kelp', kelp]]), () => 'Weed');
  const card = (id: string, plugin = 'kelp'): FoundSettingCard => ({
    id: asId(id),
    name: id,
    plugin: asId(plugin),
    bank: null,
    format: 'LV2',
    path: `/${id}`,
    identity: null,
  });
  const stored = (id: string, state: string | null): Setting => ({
    ...card(id),
    table: 'setting',
    state,
  });
  const said = (set: Partial<Answer>) => () => ({ ...nothingSaid, ...set });
  const asSaid = (
    found: readonly FoundSettingCard[] | null,
    filed: readonly Setting[],
    answer: Parameters<typeof settingsAsSaid>[3] = () => undefined,
  ): readonly Plugin[] =>
    settingsAsSaid(found, new Map(filed.map((one) => [one.id, one])), owners, answer);

  it('have kind, types and the copies that take them from their plugin', () => {
    const [hall] = asSaid([card('hall')], []);
    expect(hall).toMatchObject({ vendor: 'Quoin', types: ['delay'], kind: 'effect' });
    expect(hall?.copies.map(({ id }) => id)).toEqual(['l']);
    expect(hall?.setting).toMatchObject({
      pluginNames: ['Weed', 'Kelp'],
      isGone: false,
      state: null,
    });
  });

  it('of a plugin that is not here have nothing from it', () => {
    const [lost] = asSaid([card('lost', 'nobody')], []);
    expect(lost).toMatchObject({
      vendor: null,
      kind: 'unknown',
      types: [],
      copies: [],
      arrived: '',
    });
    expect(lost?.setting?.pluginNames).toEqual([]);
  });

  it('are gone where their file is, unless they have a state of their own or nothing was looked for', () => {
    const gone = (list: readonly Plugin[]): unknown[] =>
      list.map(({ id, setting }) => [id, setting?.isGone]);
    const filed = [stored('old', null), stored('mine', 'state')];
    expect(gone(asSaid([], filed))).toEqual([
      ['old', true],
      ['mine', false],
    ]);
    expect(gone(asSaid(null, filed))).toEqual([
      ['old', false],
      ['mine', false],
    ]);
  });

  it('that were found are listed once, and say what the user said of those with a record only', () => {
    const list = asSaid(
      [card('hall'), card('room')],
      [stored('hall', null)],
      said({ vendor: 'Reed' }),
    );
    expect(list.map(({ id, vendor }) => [id, vendor])).toEqual([
      ['hall', 'Reed'],
      ['room', 'Quoin'],
    ]);
  });
});
