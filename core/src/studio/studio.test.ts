import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anySteps, ordersOf } from '../acts/any-act.test-data.ts';
import type { FoundSettingCard } from '../arrangement/setting-plugin.ts';
import { nothingSaid, type Answer } from '../catalog/answer.ts';
import { copyOf, pluginOf } from '../catalog/plugin.test-data.ts';
import { preferred, type Plugin } from '../catalog/plugin.ts';
import { asId } from '../id.ts';
import type { Usage } from '../loading/warmth.ts';
import { cabinetOf, folderOf, placementOf } from '../order/records.test-data.ts';
import {
  allFolders,
  cabinetsOf,
  orderOf,
  type OrderRecord,
  type Setting,
} from '../order/records.ts';
import { habitsOf, noUse } from '../search/habits.ts';
import { createStudio, type Studio, type StudioFacts } from './studio.ts';

const facts = (more: Partial<StudioFacts>): StudioFacts => ({
  computer: 'computer',
  catalog: [],
  order: orderOf([]),
  found: [],
  usage: [],
  ...more,
});

describe('a studio put together again and again', () => {
  /** What disks hold after some scans: plugins come, go, are of another kind, and are named anew. */
  const scanned = (step: number): readonly Plugin[] =>
    Array.from({ length: 6 }, (_, n) => n)
      .filter((n) => (step + n) % 5 !== 4)
      .map((n) =>
        pluginOf(`Kelp ${n}`, {
          id: asId(`plugin${n}`),
          kind: (step + n) % 7 === 0 ? 'instrument' : 'effect',
          types: (step + n) % 3 === 0 ? ['delay'] : [],
        }),
      );
  const used = (step: number): readonly Usage[] => [
    {
      plugin: `plugin${step % 6}`,
      loads: step,
      lastLoaded: '2026-03-01T00:00:00.000Z',
      warmth: step,
    },
  ];
  const found = (step: number): readonly FoundSettingCard[] | null =>
    step % 4 === 0
      ? null
      : [
          {
            id: asId('found'),
            name: `Snare ${step % 3}`,
            plugin: asId('plugin1'),
            bank: null,
            format: 'LV2',
            path: '/snare',
            identity: null,
          },
        ];
  /** All that it says, of every cabinet, and what some letters find. */
  const saidBy = ({ catalog, usage, arrange, finder, settingFinder }: Studio, of: StudioFacts) => ({
    ...catalog,
    usage,
    arranged: [null, ...cabinetsOf(of.order).map(({ id }) => id)].map((cabinet) => {
      const { rules, ...shown } = arrange(cabinet, 5);
      return {
        ...shown,
        candidates: rules.candidates,
        words: rules.words,
        expiresAt: rules.expiresAt,
        filled: allFolders(of.order).map(({ id }) => rules.membersOf(id)),
      };
    }),
    hits: ['', 'called', 'kelp 1', 'warm', 'de'].map((letters) =>
      finder().find(letters, habitsOf(noUse), 20),
    ),
    settingHits: ['sn', 'kelp snare', 'called snare'].map((letters) =>
      settingFinder().find(letters, 20),
    ),
  });

  it('says after any acts, scans, undo and redo what one made anew says', () => {
    fc.assert(
      fc.property(anySteps, fc.array(fc.nat(40), { minLength: 3 }), (steps, scans) => {
        const again = createStudio();
        let catalog = scanned(0);
        let usage = used(0);
        for (const [at, order] of ordersOf(steps).entries()) {
          const step = scans[at % scans.length] ?? 0;
          // Most acts come without a scan or a load between them.
          catalog = step % 5 === 0 ? scanned(step) : catalog;
          usage = step % 7 === 0 ? used(step) : usage;
          const now = facts({ catalog, order, usage, found: found(step) });
          expect(saidBy(again(now), now)).toEqual(saidBy(createStudio()(now), now));
        }
      }),
      { numRuns: 25 },
    );
  });
});

describe('the catalog of a studio', () => {
  const catalog: readonly Plugin[] = [
    pluginOf('Sluice', { copies: [copyOf('s1')] }),
    pluginOf('Heron', { copies: [copyOf('h1'), copyOf('h2', { format: 'LV2' })] }),
    pluginOf('Wharf'),
  ];
  const card = (id: string, plugin: string, name: string): FoundSettingCard => ({
    id: asId(id),
    name,
    plugin: asId(plugin),
    bank: null,
    format: 'VST3',
    path: `/settings/${name}.vstpreset`,
    identity: null,
  });
  const found = [card('wide', 'sluice', 'Wide'), card('slow', 'heron', 'Slow')];
  const said = (id: string, more: Partial<Answer>): Answer => ({
    ...nothingSaid,
    table: 'answer',
    id: asId(id),
    ...more,
  });
  const kept: Setting = { ...card('old', 'heron', 'Old'), table: 'setting', state: null };
  const records: readonly OrderRecord[] = [
    said('sluice', { kind: 'tool', types: ['meter/tuner'], vendor: 'Quoin' }),
    said('wide', { tags: ['chorus'] }),
    said('pair', { types: ['delay'] }),
    { table: 'plugin-names', id: asId('heron'), nickname: 'Grey Bird', slotLabel: null },
    {
      table: 'chain',
      id: asId('pair'),
      name: 'Two of them',
      kind: 'effect',
      plugins: [asId('sluice'), asId('wide')],
    },
    kept,
  ];
  const whole = facts({ catalog, found, order: orderOf(records) });
  const named = (plugins: readonly Plugin[], name: string): Plugin | undefined =>
    plugins.find((one) => one.name === name);

  it('holds what is said of plugins, and behind them chains and settings', () => {
    const { plugins, settings, things, pluginById } = createStudio()(whole).catalog;
    expect(plugins.map(({ name }) => name)).toEqual(['Sluice', 'Heron', 'Wharf', 'Two of them']);
    expect(settings.map(({ name }) => name)).toEqual(['Wide', 'Slow', 'Old']);
    expect(things).toEqual([...plugins, ...settings]);
    expect([...pluginById.values()]).toEqual(things);
    expect(pluginById.get('sluice')).toMatchObject({ kind: 'tool', vendor: 'Quoin' });
    expect(pluginById.get('pair')).toMatchObject({ types: ['delay'] });
  });
  it('has what is awaited apart, and in no folder', () => {
    const away = pluginOf('Avocet', { copies: [copyOf('a', { state: 'awaited' })] });
    const order = orderOf([
      cabinetOf('c'),
      folderOf('f'),
      placementOf('f', 'avocet', 'a'),
      placementOf('f', 'heron', 'h'),
    ]);
    const studio = createStudio()(facts({ catalog: [...catalog, away], order }));
    expect(studio.catalog.awaited).toEqual([away]);
    expect(named(studio.catalog.things, 'Avocet')).toBeUndefined();
    const { members, foldersOf, placements } = studio.arrange('c', 0);
    expect([members.get('f'), [...foldersOf.keys()]]).toEqual([['heron'], ['heron']]);
    expect(placements.get('f')).toHaveLength(2);
    expect(studio.finder().find('avocet', habitsOf(noUse), 5).hits).toEqual([]);
  });
  it('gives a setting the names of its plugin and the copies of its format', () => {
    const slow = named(createStudio()(whole).catalog.settings, 'Slow');
    expect(slow?.setting?.pluginNames).toEqual(['Grey Bird', 'Heron']);
    expect(slow?.copies.map(({ id }) => id)).toEqual(['h1']);
  });
  it('takes settings for gone that are not found, but none before it is known what there is', () => {
    const isGone = (of: StudioFacts) =>
      named(createStudio()(of).catalog.filedSettings, 'Old')?.setting?.isGone;
    expect([isGone(whole), isGone({ ...whole, found: null })]).toEqual([true, false]);
  });
  it('has formats as the user prefers them on this computer, else the usual ones', () => {
    const mine: OrderRecord = {
      table: 'preference',
      id: asId('computer'),
      formats: ['LV2', 'CLAP'],
    };
    const order = orderOf([...records, mine]);
    const formatsOf = (of: StudioFacts) => createStudio()(of).catalog.formatOrder;
    expect(formatsOf({ ...whole, order })).toEqual(['LV2', 'CLAP']);
    expect(formatsOf({ ...whole, order, computer: 'another' })).toEqual(preferred);
    expect(formatsOf(whole)).toEqual(preferred);
  });
  it('stays the same object whatever else of the order changes', () => {
    const studio = createStudio();
    const before = studio(whole).catalog;
    const order = orderOf([...records, cabinetOf('c')]);
    expect(studio({ ...whole, order }).catalog).toBe(before);
  });
  it('keeps all plugins the same objects but those of which something else is said', () => {
    const studio = createStudio();
    const before = studio(whole).catalog.plugins;
    const order = orderOf([...records, said('wharf', { vendor: 'Pale Harbour' })]);
    const changed = studio({ ...whole, order }).catalog.plugins.filter(
      (one) => !before.includes(one),
    );
    expect(changed.map(({ name }) => name)).toEqual(['Wharf', 'Two of them']);
  });
});
