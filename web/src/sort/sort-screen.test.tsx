/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { FindingView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { SortGround } from '@clever-drawer/core/identify';
import type { SortView } from '@clever-drawer/core/studio';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import type { Client } from '../api/client.ts';
import {
  press,
  showScreen,
  type ScreenSaid,
  type ShownScreen,
} from '../studio/screen.test-data.tsx';

const { SortScreen } = await import('./sort-screen.tsx');

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, {
    vendor: 'Quoin',
    copies: [copyOf(`${name.toLowerCase()}-1`, { version: '1.2' })],
    ...more,
  });

/** What makes a plugin's type uncertain: plate, or perhaps a delay. */
const typeGround = (plugin: string, more: Partial<SortGround> = {}): SortGround => ({
  plugin: asId(plugin),
  kinds: [{ kind: 'effect', probability: 0.99 }],
  kindReasons: [],
  suggestions: [
    {
      type: 'reverb/plate',
      probability: 0.5,
      reasons: [
        { text: 'its name says plate', weight: 2 },
        { text: 'it has no time', weight: -1 },
      ],
    },
    { type: 'delay', probability: 0.45, reasons: [] },
  ],
  ...more,
});

const nothing: SortView = { version: 1, grounds: [], doubts: [], vendors: [], near: [] };

const failure = (id: string, more: Partial<FindingView> = {}): FindingView => ({
  id,
  sort: 'failed',
  name: id,
  vendor: null,
  format: 'VST3',
  path: `/plugins/${id}.vst3`,
  from: null,
  to: null,
  plugin: null,
  copy: asId(`copy-${id}`),
  problem: { code: 'place-missing', at: '/elsewhere' },
  ...more,
});

interface Shown extends Omit<Partial<ScreenSaid>, 'client'> {
  readonly view?: Partial<SortView>;
  readonly failed?: readonly FindingView[];
  readonly client?: Partial<Client>;
}

async function show({
  view = {},
  failed = [],
  client = {},
  ...said
}: Shown = {}): Promise<ShownScreen> {
  const shown = showScreen(SortScreen, {
    at: '/sort',
    ...said,
    client: {
      sort: () => Promise.resolve({ ...nothing, ...view }),
      failedNow: () => Promise.resolve([...failed]),
      ...client,
    },
  });
  await screen.findByRole('heading', { level: 1 });
  return shown;
}

const kelp = there('Kelp');
const sluice = there('Sluice');
const uncertain = { plugins: [kelp, sluice], view: { grounds: [typeGround('kelp')] } };
const types = (plugins: readonly string[], set: object): object => ({
  act: 'answer',
  say: [{ plugins, set }],
});

beforeEach(() => {
  localStorage.clear();
});
afterEach(cleanup);

describe('the questions of Sort', () => {
  it('are busy until both what is uncertain and what failed are known', () => {
    showScreen(SortScreen, {
      at: '/sort',
      client: {
        sort: () => Promise.resolve(nothing),
        failedNow: () => new Promise(() => undefined),
      },
    });
    expect(screen.getByRole('main').getAttribute('aria-busy')).toBe('true');
    expect(screen.queryByRole('heading')).toBeNull();
  });

  it('are none where the catalog is empty, and the way to Scan is shown', async () => {
    await show();
    expect(screen.getByRole('heading', { name: 'No plugins yet' })).toBeTruthy();
    expect(screen.getByRole('link').getAttribute('href')).toBe('/scan');
  });

  it('are all answered where nothing is uncertain', async () => {
    await show({ plugins: [kelp] });
    expect(screen.queryByRole('heading', { name: 'No plugins yet' })).toBeNull();
    expect(screen.queryByRole('link')).toBeNull();
    expect(screen.getByText('1 of 1 plugin settled')).toBeTruthy();
  });

  it('are counted by kind, failed copies with them; one kind is chosen by a press', async () => {
    const { address } = await show({ ...uncertain, failed: [failure('croak'), failure('rasp')] });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('3');
    const counts = screen
      .getAllByRole('button')
      .flatMap((one) => one.querySelector('.ask-count')?.textContent ?? []);
    expect(counts.sort()).toEqual(['0', '0', '0', '0', '1', '2']);
    expect(screen.getByText('1 of 2 plugins settled')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /^Would not open/ }));
    expect(address()).toBe('/sort?ask=failed');
    expect(await screen.findByText('croak')).toBeTruthy();
  });
});

describe('a question about a type', () => {
  it('shows the plugin, the answers with the likeliest first, and why', async () => {
    await show(uncertain);
    expect(screen.getByRole('heading', { name: 'Kelp' })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'What does it do?' })).toBeTruthy();
    const options = within(screen.getByRole('list', { name: 'What does it do?' })).getAllByRole(
      'button',
    );
    expect(options.map((one) => one.textContent)).toEqual(['1 PlateReverb50 %', '2 Delay45 %']);
    const why = screen.getByRole('complementary');
    expect(why.textContent).toContain('Its name says plate');
    expect(why.textContent).toContain('It has no time');
    fireEvent.mouseEnter(options[1] as HTMLElement);
    expect(why.textContent).not.toContain('Its name says plate');
  });

  it('is answered by a digit, by Enter for the marked one, or by a press', async () => {
    const { acts } = await show(uncertain);
    press('2');
    press('Enter');
    press('ArrowDown');
    press('ArrowDown');
    press('Enter');
    press('ArrowUp');
    press('ArrowUp');
    press('Enter');
    fireEvent.click(screen.getByRole('button', { name: /Delay/ }));
    expect(acts).toEqual(
      ['delay', 'reverb/plate', 'delay', 'reverb/plate', 'delay'].map((type) =>
        types(['kelp'], { types: [type] }),
      ),
    );
  });

  it('is not answered by Enter where no answer is likely, before one is chosen', async () => {
    const guess = typeGround('kelp');
    const suggestions = guess.suggestions.map((one) => ({
      ...one,
      probability: 0.49,
      reasons: [],
    }));
    const { acts } = await show({
      plugins: [kelp],
      view: { grounds: [{ ...guess, suggestions }] },
    });
    expect(screen.getByText('no answer is likely: choose one by its number')).toBeTruthy();
    press('Enter');
    expect(acts).toEqual([]);
    press('ArrowDown');
    press('Enter');
    expect(acts).toEqual([types(['kelp'], { types: ['reverb/plate'] })]);
  });

  it('takes several types at once, marked by Space or by digits', async () => {
    const { acts } = await show(uncertain);
    press(' ');
    press('2');
    const button = screen.getByRole('button', { name: /Plate and Delay/ });
    fireEvent.click(button);
    fireEvent.click(screen.getByRole('button', { name: /^1 Plate/ }));
    press('Enter');
    expect(acts).toEqual([
      types(['kelp'], { types: ['reverb/plate', 'delay'] }),
      types(['kelp'], { types: ['delay'] }),
    ]);
  });

  it('is answered with any other type, found by its name', async () => {
    const { acts } = await show(uncertain);
    press('/');
    fireEvent.click(await screen.findByRole('option', { name: /^Chorus/ }));
    expect(acts).toEqual([types(['kelp'], { types: [expect.stringContaining('chorus')] })]);
  });

  it('hides the plugin by a key', async () => {
    const { acts } = await show(uncertain);
    press('h');
    expect(acts).toEqual([types(['kelp'], { isHidden: true })]);
  });

  it('put off, the next one comes; that one is asked again last', async () => {
    await show({
      plugins: [kelp, sluice],
      view: { grounds: [typeGround('kelp'), typeGround('sluice')] },
    });
    const names = (): (string | null)[] =>
      screen.getAllByRole('heading', { level: 2 }).map((one) => one.textContent);
    const first = names().find((name) => name === 'Kelp' || name === 'Sluice');
    press('l');
    await waitFor(() => {
      expect(names().find((name) => name === 'Kelp' || name === 'Sluice')).not.toBe(first);
    });
    expect(screen.getByText(/1 put off/)).toBeTruthy();
    press('l');
    await waitFor(() => {
      expect(screen.queryByText(/1 put off/)).toBeNull();
    });
  });

  it('says what else is of the type, and where it is filed', async () => {
    const plate = there('Marl', { types: ['reverb/plate'] });
    await show({ ...uncertain, plugins: [kelp, sluice, plate] });
    expect(screen.getByRole('region', { name: /Plate/ }).textContent).toContain('Marl');
  });
});

describe('the other questions', () => {
  it('about the kind are answered by a digit', async () => {
    const { acts } = await show({
      plugins: [kelp],
      view: {
        grounds: [
          typeGround('kelp', {
            kinds: [
              { kind: 'effect', probability: 0.55 },
              { kind: 'instrument', probability: 0.45 },
            ],
            kindReasons: [
              { kind: 'effect', text: 'it has audio in', weight: 1 },
              { kind: 'instrument', text: 'it takes notes', weight: 1 },
            ],
            suggestions: [{ type: 'reverb/plate', probability: 0.95, reasons: [] }],
          }),
        ],
      },
      at: '/sort?ask=kind',
      path: '/sort',
    });
    expect(screen.getByRole('heading', { name: /What is it/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /Instrument/ })).toBeTruthy();
    press('2');
    expect(acts).toEqual([types(['kelp'], { kind: 'instrument' })]);
  });

  it('about a vendor without a name leave it without, or choose another', async () => {
    const { acts } = await show({
      plugins: [there('Kelp', { vendor: null })],
      at: '/sort?ask=vendor',
      path: '/sort',
    });
    expect(screen.getByRole('heading', { name: 'Who makes it?' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /Leave it without a vendor/ }));
    expect(acts).toEqual([types(['kelp'], { vendor: '' })]);
    expect(screen.getByRole('button', { name: /another vendor/i })).toBeTruthy();
  });

  it('about two spellings show both vendors with what they made', async () => {
    const spelling = (name: string): SortView['vendors'][number] => ({
      name,
      spellings: [{ spelling: name, count: 2 }],
      count: 2,
    });
    const { acts } = await show({
      plugins: [there('Kelp', { vendor: 'Reed' }), there('Marl', { vendor: 'Reed Audio' })],
      view: {
        vendors: [spelling('Reed'), spelling('Reed Audio')],
        near: [{ a: 'Reed', b: 'Reed Audio', reason: 'one begins the other' }],
      },
      at: '/sort?ask=vendor',
      path: '/sort',
    });
    expect(screen.getByText('One vendor or two?')).toBeTruthy();
    expect(screen.getByText(/“Reed Audio” \(2\)/)).toBeTruthy();
    // There is no plugin to be given another vendor.
    expect(screen.queryByRole('button', { name: /another vendor/i })).toBeNull();
    press('h');
    press('3');
    expect(acts).toMatchObject([
      { act: 'spell', say: [{ vendor: 'Reed' }, { vendor: 'Reed Audio' }] },
    ]);
  });
});

describe('questions about more than one plugin', () => {
  it('ask whether two are one, side by side, and join or keep them apart', async () => {
    const doubts = [{ a: 'kelp', b: 'kelp ii', reasons: [{ text: 'one name', weight: 1 }] }];
    const { acts } = await show({
      plugins: [kelp, there('Kelp II', { copies: [copyOf('kelp ii-1', { is32Bit: true })] })],
      view: { doubts },
      at: '/sort?ask=twin',
      path: '/sort',
    });
    expect(screen.getByRole('heading', { name: 'One plugin or two?' })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Kelp II' })).toBeTruthy();
    expect(screen.getByText('VST3 32')).toBeTruthy();
    expect(screen.getAllByText('version 1.2')).toHaveLength(1);
    press('1');
    press('2');
    expect(acts).toMatchObject([{ act: 'join' }, { act: 'keep-apart' }]);
  });

  it('ask for a licence, the likely answer first', async () => {
    const { acts } = await show({
      plugins: [there('Kelp Demo'), there('Marl Demo', { vendor: 'Other' })],
      at: '/sort?ask=licence',
      path: '/sort',
    });
    expect(screen.getByRole('heading', { name: /^Can you use/ })).toBeTruthy();
    const [first] = within(screen.getByRole('list', { name: /^Can you use/ })).getAllByRole(
      'button',
    );
    expect(first?.textContent).toContain('On trial');
    // A licence is no weighed guess.
    expect(screen.getByRole('complementary').textContent).not.toContain('+');
    press('Enter');
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ set: { licence: { state: 'trial', until: null } } }] },
    ]);
  });

  it('name what comes next', async () => {
    await show({
      plugins: [kelp, sluice],
      view: {
        grounds: [
          typeGround('kelp'),
          typeGround('sluice', {
            suggestions: [
              { type: 'delay', probability: 0.2, reasons: [] },
              { type: 'reverb/plate', probability: 0.19, reasons: [] },
            ],
          }),
        ],
      },
    });
    const next = screen.getByRole('list', { name: 'Up next' });
    expect(within(next).getAllByRole('listitem')).toHaveLength(1);
    expect(next.textContent).toMatch(/Sluice.*no idea|Kelp.*Plate or Delay\?/);
  });
});

describe('all vendors and their spellings', () => {
  const vendors = [
    {
      name: 'Reed',
      spellings: [
        { spelling: 'Reed', count: 3 },
        { spelling: 'REED Audio', count: 1 },
      ],
      count: 4,
    },
    { name: 'Tide', spellings: [{ spelling: 'Tide', count: 2 }], count: 2 },
  ];
  const list = async (): Promise<ShownScreen & { dialog: HTMLElement }> => {
    const shown = await show({ plugins: [kelp], view: { vendors } });
    fireEvent.click(screen.getByRole('button', { name: /^All vendors/ }));
    return { ...shown, dialog: await screen.findByRole('dialog') };
  };

  it('are found by letters of any spelling', async () => {
    const { dialog } = await list();
    const rows = (): number => within(dialog).queryAllByRole('listitem').length;
    expect(rows()).toBe(2);
    const field = within(dialog).getByLabelText('Vendor name');
    fireEvent.change(field, { target: { value: ' reed au' } });
    expect(rows()).toBe(1);
    expect(within(dialog).queryByText(/^No matches/)).toBeNull();
    fireEvent.change(field, { target: { value: 'zzz' } });
    expect(within(dialog).getByText(/^No matches/)).toBeTruthy();
  });

  it('are renamed, but not to nothing and not to what they are called', async () => {
    const { acts, dialog } = await list();
    const rename = (to: string): void => {
      fireEvent.click(within(dialog).getAllByRole('button', { name: 'Rename' })[0] as HTMLElement);
      const field = within(dialog).getByLabelText('New name of Reed');
      fireEvent.change(field, { target: { value: to } });
      fireEvent.submit(field);
    };
    rename(' ');
    rename('Reed');
    rename(' Reed & Co ');
    expect(acts).toMatchObject([
      {
        act: 'spell',
        say: [
          { vendor: 'Reed & Co', spellings: [{ spelling: 'Reed' }, { spelling: 'REED Audio' }] },
        ],
      },
    ]);
  });

  it('are parted from a spelling, never from their only one or their name', async () => {
    const { acts, dialog } = await list();
    const parts = within(dialog).getAllByRole('button', { name: /is another vendor$/ });
    expect(parts).toHaveLength(1);
    fireEvent.click(parts[0] as HTMLElement);
    expect(acts).toMatchObject([
      {
        act: 'spell',
        say: [
          { vendor: 'Reed', spellings: [{ spelling: 'Reed' }] },
          { vendor: 'REED Audio', spellings: [{ spelling: 'REED Audio' }] },
        ],
      },
    ]);
  });

  it('are joined with another one, with the spellings of both', async () => {
    const { acts, dialog } = await list();
    fireEvent.click(within(dialog).getAllByRole('button', { name: 'Same as …' })[1] as HTMLElement);
    expect(await screen.findByRole('dialog', { name: 'Tide is the same as …' })).toBeTruthy();
    fireEvent.click(await screen.findByRole('option', { name: /^Reed/ }));
    expect(acts).toMatchObject([
      {
        act: 'spell',
        say: [
          {
            vendor: 'Reed',
            spellings: [{ spelling: 'Tide' }, { spelling: 'Reed' }, { spelling: 'REED Audio' }],
          },
        ],
      },
    ]);
  });
});

describe('many questions at once', () => {
  const list = async (): Promise<ShownScreen> => {
    const shown = await show({
      plugins: [kelp, sluice],
      view: {
        grounds: [
          typeGround('kelp'),
          typeGround('sluice', {
            suggestions: [
              { type: 'delay', probability: 0.5, reasons: [] },
              { type: 'reverb/plate', probability: 0.45, reasons: [] },
            ],
          }),
        ],
      },
    });
    fireEvent.click(screen.getByRole('button', { name: /Many at once/ }));
    await screen.findByRole('listbox');
    return shown;
  };

  it('are selected by keys, and each takes its own best answer', async () => {
    const { acts } = await list();
    expect(screen.getAllByRole('status')[0]?.textContent).toContain('2 to answer');
    expect(screen.queryByRole('button', { name: /Accept the best answer/ })).toBeNull();
    const box = screen.getByRole('listbox');
    fireEvent.keyDown(box, { key: 'a', ctrlKey: true });
    expect(screen.getAllByRole('status')[0]?.textContent).toBe('2 of 2 selected');
    fireEvent.keyDown(box, { key: 'Enter' });
    expect(acts).toEqual([
      {
        act: 'answer',
        say: expect.arrayContaining([
          { plugins: ['kelp'], set: { types: ['reverb/plate'] } },
          { plugins: ['sluice'], set: { types: ['delay'] } },
        ]),
      },
    ]);
    expect(screen.getAllByRole('status')[0]?.textContent).toContain('2 to answer');
  });

  it('are selected by clicks, and one answer is picked for all', async () => {
    const { acts } = await list();
    const [first, second] = screen.getAllByRole('option');
    fireEvent.click(first as HTMLElement);
    fireEvent.click(second as HTMLElement, { ctrlKey: true });
    expect(screen.getAllByRole('option', { selected: true })).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: /One answer for all/ }));
    fireEvent.click(await screen.findByRole('option', { name: /^Chorus/ }));
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ plugins: expect.arrayContaining(['kelp', 'sluice']) }] },
    ]);
  });

  it('stay in this way the next time', async () => {
    await list();
    cleanup();
    await show(uncertain);
    expect(screen.getByRole('listbox', { name: 'Questions' })).toBeTruthy();
    expect(screen.getByRole('button', { name: /Many at once/ }).getAttribute('aria-pressed')).toBe(
      'true',
    );
  });
});

describe('the sure answers', () => {
  const sure = (plugin: string, type: string): SortGround =>
    typeGround(plugin, {
      suggestions: [
        { type, probability: 0.65, reasons: [{ text: `named ${type}`, weight: 3 }] },
        { type: 'delay', probability: 0.1, reasons: [] },
      ],
    });

  it('are shown in groups before they are settled, and some can be left', async () => {
    const { acts } = await show({
      plugins: [kelp, sluice],
      view: { grounds: [sure('kelp', 'reverb/plate'), sure('sluice', 'dynamics/compressor')] },
    });
    fireEvent.click(screen.getByRole('button', { name: /Accept the sure answers …/ }));
    const dialog = await screen.findByRole('dialog');
    const reverb = within(dialog).getByRole('region', { name: 'Reverb' });
    expect(reverb.textContent).toContain('Plate · 65 %');
    expect(reverb.textContent).toContain('named reverb/plate');
    fireEvent.click(within(reverb).getByRole('checkbox', { name: /Kelp/ }));
    expect(within(reverb).getByRole<HTMLInputElement>('checkbox', { name: /Reverb/ }).checked).toBe(
      false,
    );
    fireEvent.click(within(dialog).getByRole('button', { name: /Accept/ }));
    expect(acts).toEqual([
      { act: 'answer', say: [{ plugins: ['sluice'], set: { types: ['dynamics/compressor'] } }] },
    ]);
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
  });

  it('can all be left and taken by group; with none taken there is nothing to settle', async () => {
    await show({ plugins: [kelp], view: { grounds: [sure('kelp', 'reverb/plate')] } });
    fireEvent.click(screen.getByRole('button', { name: /Accept the sure answers …/ }));
    const dialog = await screen.findByRole('dialog');
    const all = within(dialog).getByRole<HTMLInputElement>('checkbox', { name: /Reverb/ });
    fireEvent.click(all);
    expect(within(dialog).queryByRole('button', { name: /^Accept/ })).toBeNull();
    fireEvent.click(all);
    expect(all.checked).toBe(true);
    expect(within(dialog).getByRole('button', { name: /^Accept/ })).toBeTruthy();
  });

  it('are not offered where no answer is clear', async () => {
    await show(uncertain);
    expect(screen.queryByRole('button', { name: /Accept the sure answers …/ })).toBeNull();
  });
});

describe('copies that failed', () => {
  it('are listed with the reason, and tried again or set aside', async () => {
    const startScan = jest.fn<Client['startScan']>(() => Promise.resolve({} as never));
    const { acts } = await show({
      plugins: [kelp],
      failed: [
        failure('croak'),
        failure('rasp', { problem: { code: 'place-missing', at: '/plugins/rasp.vst3' } }),
      ],
      client: { startScan },
      at: '/sort?ask=failed',
      path: '/sort',
    });
    const [croak, rasp] = within(screen.getByRole('list', { name: /copies/i })).getAllByRole(
      'listitem',
    );
    // Its reason does not say where it lies.
    expect(croak?.querySelector('code')?.textContent).toBe('/plugins/croak.vst3');
    expect(rasp?.querySelector('code')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /again/ }));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('failed');
    });
    fireEvent.click(within(croak as HTMLElement).getByRole('button', { name: 'Set aside' }));
    expect(acts).toEqual([{ act: 'set-aside', copies: ['copy-croak'] }]);
  });
});
