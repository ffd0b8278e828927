/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { FindingView, PluginView, SettingView } from '@clever-drawer/core/api';
import { nothingSaid, type Plugin } from '@clever-drawer/core/catalog';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { asId, type CopyId } from '@clever-drawer/core/id';
import { plainFolder, type OrderRecord } from '@clever-drawer/core/order';
import type { Client } from '../api/client.ts';
import { readTray } from '../annotate/stored-tray.ts';
import {
  press,
  showScreen,
  type ScreenSaid,
  type ShownScreen,
} from '../studio/screen.test-data.tsx';

const { PluginPage } = await import('./plugin-page.tsx');

type CopyView = PluginView['copies'][number];

const facts = (more: Partial<CopyView['facts']> = {}): CopyView['facts'] => ({
  format: 'VST3',
  path: '/plugins/heron.vst3',
  binary: null,
  identity: null,
  name: 'Heron Comp',
  vendor: 'Reed & Tide',
  declared: [],
  version: '1.2',
  architectures: ['x86_64'],
  audioIn: 2,
  audioOut: 2,
  notesIn: false,
  notesOut: false,
  replaces: [],
  picture: null,
  examined: 'read',
  status: 'ok',
  problem: null,
  ...more,
});

const copyView = (id: string, more: Partial<CopyView['facts']> = {}): CopyView => ({
  id: asId(id),
  state: 'present',
  firstSeen: '2026-01-01T00:00:00.000Z',
  lastSeen: '2026-02-01T00:00:00.000Z',
  facts: facts(more),
});

const view: PluginView = {
  plugin: asId('heron'),
  grounds: null,
  copies: [],
  findings: [],
  settings: [],
  loads: [],
};

const heron = pluginOf('Heron', {
  vendor: 'Reed & Tide',
  types: ['dynamics/compressor'],
  copies: [copyOf('new'), copyOf('old', { format: 'VST2', path: '/plugins/heron.so' })],
});

interface Shown extends Omit<Partial<ScreenSaid>, 'client'> {
  readonly plugin?: Plugin;
  readonly view?: Partial<PluginView>;
  readonly client?: ScreenSaid['client'];
}

const show = async ({
  plugin = heron,
  view: seen = {},
  client,
  ...said
}: Shown = {}): Promise<ShownScreen> => {
  const shown = showScreen(PluginPage, {
    at: `/plugin/${plugin.id}`,
    path: '/plugin/:plugin',
    plugins: [plugin],
    ...said,
    client: {
      plugin: () => Promise.resolve({ ...view, ...seen }),
      sort: () => new Promise(() => undefined),
      ...client,
    },
  });
  await screen.findByRole('heading', { level: 1 });
  return shown;
};

const folder = (id: string, more: object = {}): OrderRecord => ({
  table: 'folder',
  id: asId(id),
  cabinet: asId('everyday'),
  parent: null,
  form: 'folder',
  name: id,
  position: 'a',
  rule: null,
  ...plainFolder,
  ...more,
});
const everyday: OrderRecord = {
  table: 'cabinet',
  id: asId('everyday'),
  name: 'Everyday',
  position: 'a',
  opensFor: [],
  sortedBy: null,
};

const region = (name: string | RegExp): HTMLElement => screen.getByRole('region', { name });

beforeEach(() => {
  jest.useFakeTimers({ now: new Date('2026-06-15T12:00:00Z'), advanceTimers: true });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
  sessionStorage.clear();
});

describe('the page of a plugin', () => {
  it('says so where the catalog does not have it, and where the catalog is empty', async () => {
    await show({ at: '/plugin/gone' });
    expect(screen.getByRole('heading').textContent).toBe('This plugin is not in the catalog');
    expect(screen.getByText(/may have been merged/)).toBeTruthy();
    cleanup();
    await show({ plugins: [] });
    expect(screen.getByText(/The catalog is empty/)).toBeTruthy();
  });

  it('shows the nickname with the original name, the slot label, and the window is called so', async () => {
    await show({
      records: [{ table: 'plugin-names', id: heron.id, nickname: 'Grey bird', slotLabel: 'GBRD' }],
    });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Grey bird');
    expect(screen.getByText(/^Heron · /)).toBeTruthy();
    expect(screen.getByText('GBRD')).toBeTruthy();
    expect(document.title).toContain('Grey bird');
  });

  it('has no slot label and no original name where nothing was set', async () => {
    await show();
    expect(screen.queryByText('in a slot')).toBeNull();
    expect(screen.queryByText(/^Heron · /)).toBeNull();
    expect(screen.queryByText(/not available now/)).toBeNull();
  });

  it('shows what it says of itself and what can be set on it', async () => {
    const said = { description: 'A calm compressor.', controls: ['Threshold', 'Ratio'] };
    await show({ view: { copies: [copyView('new'), copyView('old', said)] } });
    expect(await screen.findByText('“A calm compressor.”')).toBeTruthy();
    expect(screen.getByText('2 controls')).toBeTruthy();
    expect(screen.getByText('Threshold · Ratio')).toBeTruthy();
  });

  it('says that only the first controls are kept', async () => {
    const controls = Array.from({ length: 40 }, (_, at) => `Band ${at}`);
    await show({ view: { copies: [copyView('new', { controls })] } });
    expect(await screen.findByText('Its first 40 controls')).toBeTruthy();
  });

  it('says that all its copies are gone', async () => {
    await show({ plugin: { ...heron, copies: [copyOf('new', { state: 'gone' })] } });
    expect(screen.getByText(/not available now/)).toBeTruthy();
  });

  it('opens the form of its names by a key', async () => {
    await show();
    press('n');
    const dialog = await screen.findByRole('dialog');
    expect(within(dialog).getByLabelText('Nickname')).toBeTruthy();
    expect(within(dialog).getByRole('heading').textContent).toBe('Heron');
  });

  it('is filed and favoured by keys, and has the menu of plugins, without itself', async () => {
    const { acts } = await show({
      records: [
        {
          table: 'cabinet',
          id: asId('c'),
          name: 'Everyday',
          position: 'V',
          opensFor: [],
          sortedBy: null,
        },
        {
          table: 'folder',
          id: asId('fav'),
          cabinet: asId('c'),
          parent: null,
          form: 'favourites',
          name: 'Favourites',
          position: 'V',
          rule: null,
          ...plainFolder,
        },
      ],
    });
    press('b');
    expect(acts).toMatchObject([{ act: 'file', folder: 'fav', plugins: [{ plugin: 'heron' }] }]);
    fireEvent.click(screen.getByRole('button', { name: 'Actions for Heron' }));
    await screen.findByRole('button', { name: /^File in a folder/ });
    expect(screen.queryByRole('button', { name: /^Show its page/ })).toBeNull();
    press('Escape');
    press('f');
    expect(await screen.findByRole('dialog', { name: 'File Heron in …' })).toBeTruthy();
  });

  it('keeps only what changed of its names, other names each once', async () => {
    const { acts } = await show({
      records: [
        { table: 'answer', id: heron.id, ...nothingSaid, alsoCalled: ['grey wader'] },
        { table: 'plugin-names', id: heron.id, nickname: 'Grey bird', slotLabel: null },
      ],
    });
    const fill = async (label: string, value: string): Promise<void> => {
      press('n');
      const dialog = await screen.findByRole('dialog');
      fireEvent.change(within(dialog).getByLabelText(label), { target: { value } });
      fireEvent.click(within(dialog).getByRole('button', { name: 'Save the name' }));
    };
    await fill('Also called', 'grey wader, fish eater,, fish eater ');
    await waitFor(() => {
      expect(acts).toHaveLength(1);
    });
    await fill('Nickname', '');
    await waitFor(() => {
      expect(acts).toHaveLength(2);
    });
    await fill('Also called', Array.from({ length: 21 }, (_, at) => `n${at}`).join());
    expect(await screen.findByText('At most 20 names.')).toBeTruthy();
    expect(acts).toEqual([
      {
        act: 'answer',
        say: [{ plugins: ['heron'], set: { alsoCalled: ['grey wader', 'fish eater'] } }],
      },
      { act: 'name', plugin: 'heron', nickname: null, slotLabel: null },
    ]);
  });
});

describe('what the user says of a plugin', () => {
  it('is an act for each field, and taken back to what was read', async () => {
    const { acts } = await show({
      records: [
        {
          table: 'answer',
          id: heron.id,
          ...nothingSaid,
          kind: 'instrument',
          types: ['dynamics/compressor'],
          tags: ['loud'],
        },
      ],
    });
    fireEvent.change(screen.getByLabelText('Is'), { target: { value: 'tool' } });
    fireEvent.change(screen.getByLabelText('Licence'), { target: { value: 'trial' } });
    fireEvent.click(screen.getByRole('checkbox', { name: /shown in Load/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove the type Compressor' }));
    fireEvent.click(screen.getByRole('button', { name: /remove your types/ }));
    fireEvent.click(screen.getByRole('button', { name: /remove your kind/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove the tag loud' }));
    const set = (what: object): object => ({
      act: 'answer',
      say: [{ plugins: ['heron'], set: what }],
    });
    expect(acts).toEqual([
      set({ kind: 'tool' }),
      set({ licence: { state: 'trial', until: null } }),
      set({ isHidden: true }),
      set({ types: [] }),
      set({ types: null }),
      set({ kind: null }),
      { act: 'tag', plugins: ['heron'], add: [], remove: ['loud'] },
    ]);
  });

  it('takes a type more, beside those it has', async () => {
    const { acts } = await show();
    expect(screen.queryByRole('dialog')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Type …' }));
    fireEvent.click(await screen.findByRole('option', { name: /^Chorus/ }));
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ set: { types: ['dynamics/compressor', expect.any(String)] } }] },
    ]);
  });

  it('is not offered to be of unknown kind once its kind is known', async () => {
    await show();
    const kinds = (): (string | null)[] =>
      within(screen.getByLabelText('Is'))
        .getAllByRole('option')
        .map((option) => option.getAttribute('value'));
    expect(kinds()).not.toContain('unknown');
    cleanup();
    await show({ plugin: { ...heron, kind: 'unknown' } });
    expect(kinds()).toContain('unknown');
  });

  it('offers nothing to be taken back where nothing was said, and no day where it is no trial', async () => {
    await show();
    expect(screen.queryByRole('button', { name: /remove your/ })).toBeNull();
    expect(screen.queryByLabelText('Last day of the trial')).toBeNull();
  });

  it('has the last day of a trial', async () => {
    const { acts } = await show({
      records: [
        {
          table: 'answer',
          id: heron.id,
          ...nothingSaid,
          licence: { state: 'trial', until: '2026-07-01' },
        },
      ],
    });
    const day = screen.getByLabelText<HTMLInputElement>('Last day of the trial');
    expect(day.value).toBe('2026-07-01');
    fireEvent.change(day, { target: { value: '2026-08-01' } });
    fireEvent.change(day, { target: { value: '' } });
    expect(acts).toEqual(
      ['2026-08-01', null].map((until) => ({
        act: 'answer',
        say: [{ plugins: ['heron'], set: { licence: { state: 'trial', until } } }],
      })),
    );
  });

  it('has tags, added by Enter, once and without spaces round them', async () => {
    const { acts } = await show();
    const field = screen.getByPlaceholderText<HTMLInputElement>('A tag, then Enter');
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.change(field, { target: { value: ' warm ' } });
    fireEvent.keyDown(field, { key: 'x' });
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.blur(field);
    expect(acts).toEqual([{ act: 'tag', plugins: ['heron'], add: ['warm'], remove: [] }]);
    expect(field.value).toBe('');
  });

  it('has notes, saved on leaving', async () => {
    const { acts } = await show();
    const notes = screen.getByLabelText('Notes');
    fireEvent.change(notes, { target: { value: 'on the puppets' } });
    expect(acts).toEqual([]);
    fireEvent.blur(notes);
    expect(acts).toEqual([
      { act: 'answer', say: [{ plugins: ['heron'], set: { notes: 'on the puppets' } }] },
    ]);
  });
});

describe('the copies of a plugin', () => {
  it('say what they are, which is used first, and which is for old sessions', async () => {
    await show({
      view: {
        copies: [
          copyView('new', { declared: ['urn:x#CompressorPlugin'] }),
          copyView('old', {
            format: 'VST2',
            path: '/plugins/heron.so',
            name: null,
            vendor: null,
            version: null,
          }),
        ],
      },
    });
    await screen.findByText('/plugins/heron.so');
    const [first, second] = within(region('2 copies')).getAllByRole('listitem');
    expect(first?.textContent).toContain('used first');
    expect(first?.textContent).toContain('version 1.2 · 2 in, 2 out · x86_64');
    expect(first?.textContent).toContain('declares CompressorPlugin');
    expect(first?.textContent).not.toContain('for old sessions');
    expect(second?.textContent).not.toContain('used first ');
    expect(second?.textContent).toContain('for old sessions');
    expect(second?.textContent).toContain('only its file name is known');
  });

  it('are put first by a press, until that is taken back', async () => {
    const both = { copies: [copyView('new'), copyView('old')] };
    const shown = await show({ view: both });
    // The copy that is used first already offers nothing.
    expect(await screen.findAllByRole('button', { name: 'Use this copy first' })).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Use this copy first' }));
    cleanup();
    const firstCopy = asId<CopyId>('old');
    const again = await show({
      view: both,
      records: [{ table: 'answer', id: heron.id, ...nothingSaid, firstCopy }],
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Use the usual copy first' }));
    const set = (first: string | null): object => ({
      act: 'answer',
      say: [{ plugins: ['heron'], set: { firstCopy: first } }],
    });
    expect([...shown.acts, ...again.acts]).toEqual([set('old'), set(null)]);
  });

  it('part by one press; a single copy has nothing to be parted from', async () => {
    const { acts } = await show({ view: { copies: [copyView('new'), copyView('old')] } });
    const buttons = await screen.findAllByRole('button', { name: /Split off/ });
    fireEvent.click(buttons[1] as HTMLElement);
    expect(acts).toMatchObject([
      { act: 'part', copies: ['old'], from: { plugin: 'heron', copies: ['new', 'old'] } },
    ]);
    cleanup();
    await show({
      plugin: { ...heron, copies: [copyOf('new')] },
      view: { copies: [copyView('new')] },
    });
    await screen.findByText('/plugins/heron.vst3');
    expect(screen.queryByRole('button', { name: /Split off/ })).toBeNull();
    expect(screen.queryByText('used first')).toBeNull();
    expect(screen.queryByRole('button', { name: /Which copy/ })).toBeNull();
  });

  it('that are away or gone say so, and so does a missing program', async () => {
    await show({
      plugin: { ...heron, copies: [copyOf('new', { lacksProgram: true }), copyOf('old')] },
      view: {
        copies: [
          { ...copyView('new'), state: 'away' },
          { ...copyView('old'), state: 'gone' },
        ],
      },
    });
    const [first, second] = await within(region('2 copies')).findAllByRole('listitem');
    expect(first?.textContent).toContain('out of reach');
    expect(first?.textContent).toContain('Its program is missing');
    expect(second?.textContent).toContain('gone');
    expect(second?.textContent).not.toContain('Its program is missing');
  });

  it('that failed are tried again, or set aside', async () => {
    const startScan = jest.fn<Client['startScan']>(() => new Promise<never>(() => undefined));
    const { acts } = await show({
      view: { copies: [copyView('new', { problem: { code: 'place-missing', at: '/plugins' } })] },
      client: { startScan },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Try again' }));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('failed');
    });
    fireEvent.click(screen.getByRole('button', { name: 'Set aside' }));
    await screen.findByText(/^Set aside\. Its file/);
    expect(acts).toEqual([{ act: 'set-aside', copies: ['new'] }]);
  });

  it('join another plugin, which is then shown', async () => {
    const other = pluginOf('Egret', { copies: [copyOf('third')] });
    const { acts, address } = await show({ plugins: [heron, other] });
    fireEvent.click(screen.getByRole('button', { name: /Merge with another plugin/ }));
    fireEvent.click(await screen.findByRole('option', { name: /Egret/ }));
    expect(acts).toEqual([
      {
        act: 'join',
        into: { plugin: 'egret', copies: ['third'] },
        from: [{ plugin: 'heron', copies: ['new', 'old'] }],
      },
    ]);
    expect(address()).toBe('/plugin/egret');
  });
});

describe('where a plugin is filed', () => {
  it('is said with the way out of each folder, and why a smart folder has it', async () => {
    const { acts } = await show({
      records: [
        everyday,
        folder('Squeeze'),
        folder('Herons', {
          form: 'smart',
          rule: {
            cards: [{ lines: [{ field: 'name', relation: 'has', values: ['heron'] }] }],
            never: [],
          },
        }),
        {
          table: 'placement',
          id: asId('p'),
          folder: asId('Squeeze'),
          plugin: heron.id,
          position: 'a',
        },
      ],
    });
    const rows = within(region('In folders')).getAllByRole('listitem');
    expect(rows.map((row) => within(row).getByRole('link').textContent).sort()).toEqual([
      'Herons',
      'Squeeze',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    expect(acts).toEqual([{ act: 'take-out', placements: ['p'] }]);
  });

  it('where it is unfiled, the way to file it is told', async () => {
    await show();
    expect(within(region('In folders')).getByRole('link').getAttribute('href')).toBe(
      '/file?q=Heron',
    );
  });
});

describe('similar plugins', () => {
  it('share a type, are there, and come by how many they share, then by use, then by name', async () => {
    const others = ['Zander', 'Bittern', 'Curlew'].map((name) =>
      pluginOf(name, { types: ['dynamics/compressor'], copies: [copyOf(name)] }),
    );
    const twice = pluginOf('Xylo', {
      types: ['dynamics/compressor', 'dynamics/gate'],
      copies: [copyOf('x')],
    });
    const gone = pluginOf('Avocet', {
      types: ['dynamics/compressor'],
      copies: [copyOf('a', { state: 'gone' })],
    });
    const unlike = pluginOf('Dunlin', { types: ['delay'], copies: [copyOf('d')] });
    await show({
      plugin: { ...heron, types: ['dynamics/compressor', 'dynamics/gate'] },
      plugins: [
        { ...heron, types: ['dynamics/compressor', 'dynamics/gate'] },
        ...others,
        twice,
        gone,
        unlike,
      ],
      usage: [
        { plugin: asId('curlew'), warmth: 3, loads: 4, lastLoaded: '2026-05-01T00:00:00.000Z' },
      ],
    });
    const similar = within(region(/^Also/))
      .getAllByRole('link')
      .map((link) => link.textContent);
    expect(similar).toEqual(['Xylo', 'Curlew', 'Bittern', 'Zander']);
  });

  it('are not spoken of where there are none', async () => {
    await show();
    expect(screen.queryByRole('region', { name: /^Also/ })).toBeNull();
  });
});

describe('why a plugin is taken for what it is', () => {
  const grounds: PluginView['grounds'] = {
    kinds: [{ kind: 'effect', probability: 0.9 }],
    kindReasons: [
      { kind: 'effect', text: 'it has audio in', weight: 2 },
      { kind: 'instrument', text: 'it takes notes', weight: 1 },
    ],
    suggestions: [
      {
        type: 'dynamics/compressor',
        probability: 0.8,
        reasons: [{ text: 'its name says comp', weight: 2 }],
      },
    ],
    sameBecause: ['the names are the same'],
  };

  it('names types and kind with what speaks for and against them', async () => {
    await show({ view: { grounds } });
    const why = await screen.findByRole('region', { name: 'Why' });
    expect(why.textContent).toContain('Compressor · 80 %');
    expect(why.textContent).toContain('An effect · 90 %');
    expect(why.textContent).toContain('against: it takes notes');
    expect(why.textContent).not.toContain('against: it has audio in');
    expect(why.textContent).toContain('the names are the same');
    expect(why.textContent).not.toContain('You set this');
  });

  it('says where the user said otherwise, and what is not known', async () => {
    await show({
      view: { grounds: { ...grounds, suggestions: [], sameBecause: [] } },
      records: [{ table: 'answer', id: heron.id, ...nothingSaid, types: [] }],
    });
    const why = await screen.findByRole('region', { name: 'Why' });
    expect(why.textContent).toContain('You set this');
    expect(why.textContent).not.toContain('One plugin');
    expect(why.textContent).toContain('An effect');
    cleanup();
    await show({ view: { grounds: { ...grounds, kindReasons: [] } } });
    expect((await screen.findByRole('region', { name: 'Why' })).textContent).not.toContain('90 %');
  });

  it('comes after the scan for a plugin with copies that was not sorted yet', async () => {
    await show();
    expect(await screen.findByText(/Not sorted yet/)).toBeTruthy();
    cleanup();
    await show({ client: { plugin: () => new Promise(() => undefined) } });
    expect(screen.queryByText(/Not sorted yet/)).toBeNull();
  });
});

describe('loads and findings of a plugin', () => {
  it('are counted by month, the most in one of the last twelve', async () => {
    await show({
      view: {
        loads: [
          { month: '2026-05', loads: 7 },
          { month: '2026-06', loads: 2 },
          { month: '2024-01', loads: 30 },
        ],
      },
    });
    expect(await screen.findByText(/39 loads in all; at most 7 in one/)).toBeTruthy();
    const chart = screen.getByRole('img', { name: /Loads by month/ });
    expect(chart.getAttribute('aria-label')).toContain('Jul 0');
    expect(chart.getAttribute('aria-label')).toContain('May 7, Jun 2');
    const bars = [...chart.querySelectorAll('rect')].map((bar) =>
      Number(bar.getAttribute('height')),
    );
    expect(bars).toHaveLength(12);
    expect(bars.at(-2)).toBe(62);
    expect(bars.at(-3)).toBe(0);
    expect([...chart.querySelectorAll('text')].map((text) => text.textContent).slice(-4)).toEqual([
      '7',
      'M',
      '2',
      'J',
    ]);
  });

  it('never loaded, it says so', async () => {
    await show();
    expect(screen.getByText('Never loaded.')).toBeTruthy();
  });

  it('show versions only where an update changed them', async () => {
    const finding = (id: string, more: Partial<FindingView>): PluginView['findings'][number] => ({
      id,
      sort: 'updated',
      name: 'Heron',
      vendor: null,
      format: 'VST3',
      path: '/plugins/heron.vst3',
      from: '1.0',
      to: '1.1',
      plugin: null,
      copy: null,
      problem: null,
      at: '2026-06-01T00:00:00.000Z',
      ...more,
    });
    await show({
      view: {
        findings: [
          finding('a', {}),
          finding('b', { from: '1.1' }),
          finding('c', { to: null }),
          finding('d', { sort: 'arrived' }),
        ],
      },
    });
    const rows = within(
      await screen.findByRole('region', { name: 'What scans found' }),
    ).findAllByRole('listitem');
    expect(
      (await rows).map((row) => /[\d.]+ → .*?(?=\d+ \w|$)/.exec(row.textContent) !== null),
    ).toEqual([true, false, true, false]);
  });
});

describe('settings and chains', () => {
  const setting = (id: string, bank: string | null = null): SettingView =>
    ({
      id: asId(id),
      name: id,
      bank,
      format: 'LV2',
      path: `/presets/${id}`,
      comment: null,
    }) as SettingView;

  it('settings stand by bank, the first twelve of each, and all when asked', async () => {
    const many = Array.from({ length: 15 }, (_, i) => setting(`tape ${i}`, 'Tapes'));
    await show({ view: { settings: [...many, setting('loose')] } });
    const region16 = await screen.findByRole('region', { name: '16 settings' });
    expect(within(region16).getAllByRole('listitem')).toHaveLength(13);
    fireEvent.click(within(region16).getByRole('button', { name: '3 more' }));
    expect(within(region16).getAllByRole('listitem')).toHaveLength(16);
    expect(within(region16).getByText('Tapes')).toBeTruthy();
  });

  it('a setting goes to the tray, which is told', async () => {
    await show({ view: { settings: [setting('tape')] } });
    fireEvent.click(await screen.findByRole('button', { name: 'Add tape to the tray' }));
    expect(readTray('desk')).toEqual(['tape']);
    expect(await screen.findByText('tape is in the tray of File')).toBeTruthy();
  });

  it('a setting kept from a slot is listed with its plugin, and has a page that says where it comes from', async () => {
    const kept = pluginOf('Mine', {
      setting: {
        plugin: heron.id,
        bank: null,
        format: 'LV2',
        path: '/presets/mine.lv2',
        identity: null,
        state: 'state',
        isGone: false,
        pluginNames: ['Heron'],
      },
    });
    const records: OrderRecord[] = [
      {
        table: 'setting',
        id: kept.id,
        name: 'Mine',
        plugin: heron.id,
        bank: null,
        format: 'LV2',
        path: null,
        identity: null,
        state: 'state',
      },
    ];
    await show({ records });
    const own = await screen.findByRole('region', { name: '1 setting' });
    expect(within(own).getByRole('link').textContent).toBe('Mine');
    cleanup();
    const { acts, address } = await show({ plugin: kept, plugins: [heron], records });
    const page = await screen.findByRole('region', { name: /^A setting of/ });
    expect(within(page).getByRole('link').textContent).toBe('Heron');
    expect(page.textContent).not.toContain('Bank');
    expect(page.textContent).toContain('FormatLV2');
    expect(page.textContent).toContain('with its state');
    fireEvent.click(within(page).getByRole('button', { name: 'Delete its tags and filing' }));
    expect(acts).toEqual([{ act: 'remove-setting', setting: kept.id }]);
    expect(address()).toBe('/plugin/heron');
  });

  it('a chain names its plugins, and is removed to File', async () => {
    const chain = pluginOf('Bright voice', {
      chain: ['heron', 'lost'].map((id) => asId(id)),
    });
    const { acts, address } = await show({ plugin: chain, plugins: [heron, chain] });
    const members = within(region('A chain of 2')).getAllByRole('listitem');
    expect(members.map((one) => one.textContent)).toEqual(['Heron', 'a plugin that is gone']);
    fireEvent.click(screen.getByRole('button', { name: 'Remove this chain' }));
    expect(acts).toEqual([{ act: 'remove-chain', chain: chain.id }]);
    expect(address()).toBe('/file');
  });
});
