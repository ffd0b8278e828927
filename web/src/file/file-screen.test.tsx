/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { nothingSaid, type Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { cabinetOf, folderOf } from '../studio/order.test-data.ts';
import {
  press,
  showScreen,
  type ScreenSaid,
  type ShownScreen,
} from '../studio/screen.test-data.tsx';

const { FileScreen } = await import('./file-screen.tsx');

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, { vendor: 'Quoin', copies: [copyOf(name)], ...more });

const plugins = [
  there('Egret', { types: ['delay/tape'] }),
  there('Heron', { types: ['delay/tape'], vendor: 'Mothlight' }),
  there('Sluice', { types: ['dynamics/compressor'] }),
  there('Wharf', { kind: 'instrument', copies: [copyOf('wharf', { format: 'LV2' })] }),
];
const placed = (folder: string, plugin: string, position = 'V'): OrderRecord => ({
  table: 'placement',
  id: asId(`${folder}-${plugin}`),
  folder: asId(folder),
  plugin: asId(plugin),
  position,
});
const records: readonly OrderRecord[] = [
  cabinetOf('c'),
  folderOf('fav', { form: 'favourites', name: 'Favourites', position: 'A' }),
  folderOf('Delays', { position: 'B' }),
  folderOf('Gates', { position: 'C' }),
  folderOf('Tapes', { parent: asId('Delays'), position: 'A' }),
  placed('Delays', 'egret', 'A'),
  placed('Delays', 'heron', 'B'),
];

const show = (said: Partial<ScreenSaid> = {}): ShownScreen =>
  showScreen(FileScreen, { at: '/file', plugins, records, ...said, path: '/file' });

const list = (): HTMLElement => screen.getByRole('listbox', { name: 'Plugins' });
const names = (): (string | null | undefined)[] =>
  within(list())
    .queryAllByRole('option')
    .map((row) => row.querySelector('.name')?.textContent.trim());
const row = (name: string): HTMLElement =>
  within(list()).getByRole('option', { name: new RegExp(name) });
const front = (name: string): HTMLElement =>
  screen.getByRole('button', { name: new RegExp(`^${name}, `) });
const inList = (key: string, modifiers: object = {}): void => {
  fireEvent.keyDown(list(), { key, ...modifiers });
};
const trayCount = (): string => screen.queryByTestId('tray-count')?.textContent ?? '0';

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
});
afterEach(cleanup);

describe('the list', () => {
  it('has all plugins, and says where to begin without any', () => {
    show();
    expect(names()).toEqual(['Egret', 'Heron', 'Sluice', 'Wharf']);
    expect(screen.getByText('All 4 plugins')).toBeTruthy();
    cleanup();
    show({ plugins: [] });
    expect(screen.getByRole('heading', { name: 'No plugins yet' })).toBeTruthy();
    expect(screen.getByRole('link', { name: 'go to Scan' })).toBeTruthy();
  });

  it('counts what is gone apart, whole and narrowed', () => {
    show({
      plugins: [...plugins, pluginOf('Wigeon', { copies: [copyOf('w', { state: 'gone' })] })],
    });
    const status = (): string =>
      screen.getAllByRole('status').find((one) => one.className === 'shown')?.textContent ?? '';
    expect(status()).toBe('All 4 plugins, and 1 gone');
    press('/');
    fireEvent.change(screen.getByLabelText('Search'), { target: { value: 'wi' } });
    expect(status()).toContain('of 4 plugins, and 1 gone');
  });

  it('is narrowed by what is typed, kept in the address, and shown whole again', async () => {
    const { address } = show();
    press('/');
    const field = screen.getByLabelText<HTMLInputElement>('Search');
    expect(document.activeElement).toBe(field);
    fireEvent.change(field, { target: { value: 'her' } });
    await waitFor(() => {
      expect(names()).toEqual(['Heron']);
    });
    await waitFor(() => {
      expect(address()).toBe('/file?q=her');
    });
    fireEvent.keyDown(field, { key: 'Escape' });
    await waitFor(() => {
      expect(names()).toHaveLength(4);
    });
    await waitFor(() => {
      expect(address()).toBe('/file');
    });
  });

  it('is narrowed by whatever finds a plugin in Load, one wrong letter included', () => {
    show({
      records: [
        ...records,
        {
          table: 'answer',
          id: asId('sluice'),
          ...nothingSaid,
          alsoCalled: ['the blue one'],
          notes: 'for the narrator',
        },
      ],
    });
    const field = screen.getByLabelText<HTMLInputElement>('Search');
    for (const letters of ['blue', 'narrator', 'sliuce']) {
      fireEvent.change(field, { target: { value: letters } });
      expect(names()).toEqual(['Sluice']);
    }
  });

  it('begins as its address says', () => {
    show({ at: '/file?format=LV2' });
    expect(names()).toEqual(['Wharf']);
    cleanup();
    show({ at: '/file?unfiled=yes' });
    expect(names()).toEqual(['Sluice', 'Wharf']);
    cleanup();
    show({ at: '/file?type=delay' });
    expect(names()).toEqual(['Egret', 'Heron']);
  });

  it('that is left empty says so, and is shown whole by a press', async () => {
    show({ at: '/file?q=zzz' });
    expect(screen.getByRole('heading', { name: 'No matches' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Show all' }));
    await waitFor(() => {
      expect(names()).toHaveLength(4);
    });
  });

  it('is walked by keys: from the field, by steps, to both ends', () => {
    show();
    press('/');
    press('ArrowDown');
    const active = (): string | null => list().getAttribute('aria-activedescendant');
    expect(active()).toBe('option-egret');
    inList('ArrowDown');
    expect(active()).toBe('option-heron');
    inList('End');
    expect(active()).toBe('option-wharf');
    inList('ArrowDown');
    expect(active()).toBe('option-wharf');
    inList('Home');
    expect(active()).toBe('option-egret');
  });

  it('is where it was when one comes back to it', async () => {
    show({ at: '/file?by=vendor' });
    const marked = (): string | undefined =>
      list().querySelector('.active .name')?.textContent.trim();
    fireEvent.click(row('Sluice'));
    inList('i');
    await screen.findByText('another screen');
    window.history.back();
    await screen.findByRole('listbox', { name: 'Plugins' });
    await waitFor(() => {
      expect(document.activeElement).toBe(list());
    });
    expect(marked()).toBe('Sluice');
  });

  it('begins anew under another address', () => {
    show();
    fireEvent.click(row('Sluice'));
    cleanup();
    show({ at: '/file?by=vendor' });
    expect(list().querySelector('.active')).toBeNull();
  });

  it('stands under headings by a fact, which fold', () => {
    show({ at: '/file?by=vendor' });
    const headings = (): (string | null)[] =>
      [...list().querySelectorAll('.list-heading')].map((one) => one.textContent.trim());
    expect(headings()).toEqual(['Mothlight 1', 'Quoin 3']);
    fireEvent.click(list().querySelector('.list-heading') as HTMLElement);
    expect(names()).not.toContain('Heron');
    inList('ArrowRight', { altKey: true });
    expect(names()).toHaveLength(4);
  });

  it('says of a plugin what is the matter, and where it is filed', () => {
    show({
      plugins: [
        ...plugins,
        there('Croak', { copies: [copyOf('croak', { state: 'gone' })] }),
        there('Rasp', { copies: [copyOf('rasp', { lacksProgram: true })] }),
      ],
      records: [
        ...records,
        { table: 'answer', id: asId('sluice'), ...nothingSaid, isHidden: true },
      ],
    });
    expect(row('Egret').textContent).toContain('Delays');
    expect(row('Sluice').textContent).toContain('unfiled');
    expect(row('Croak').textContent).toContain('gone');
    expect(row('Rasp').textContent).toContain('program missing');
    expect(row('Sluice').textContent).toContain('hidden in Load');
    expect(row('Egret').textContent).not.toContain('hidden in Load');
    cleanup();
    show({
      at: '/file?state=no-program',
      plugins: [...plugins, there('Rasp', { copies: [copyOf('rasp', { lacksProgram: true })] })],
    });
    expect(names()).toEqual(['Rasp']);
    // No rule can ask for that.
    expect(screen.queryByRole('link', { name: 'keep as smart folder' })).toBeNull();
  });

  it('is also shown as pictures, the next time as well', () => {
    show();
    fireEvent.click(screen.getByRole('button', { name: 'Pictures' }));
    expect(list().className).toContain('pictures');
    cleanup();
    show();
    expect(list().className).toContain('pictures');
  });
});

describe('keys on the lit row', () => {
  it('favour, hide, and open its page', () => {
    const { acts, address } = show();
    fireEvent.click(row('Sluice'));
    press('b');
    press('h');
    expect(acts).toMatchObject([
      { act: 'file', folder: 'fav', plugins: [{ plugin: 'sluice' }] },
      { act: 'answer', say: [{ plugins: ['sluice'], set: { isHidden: true } }] },
    ]);
    press('i');
    expect(address()).toBe('/plugin/sluice');
  });

  it('do nothing where no row is lit', async () => {
    const { acts, address } = show();
    for (const key of ['b', 'h', 'i', 'f', 'n', 't']) {
      press(key);
    }
    expect(acts).toEqual([]);
    expect(address()).toBe('/file');
    await Promise.resolve();
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('show it again where it is hidden, and take the favour back', () => {
    const { acts } = show({
      records: [
        ...records,
        { table: 'answer', id: asId('egret'), ...nothingSaid, isHidden: true },
        placed('fav', 'egret'),
      ],
    });
    fireEvent.click(row('Egret'));
    press('h');
    press('b');
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ set: { isHidden: false } }] },
      { act: 'take-out', placements: ['fav-egret'] },
    ]);
  });

  it('file it in a folder found by its name, or in a new one', async () => {
    const { acts } = show();
    fireEvent.click(row('Sluice'));
    press('f');
    const dialog = await screen.findByRole('dialog', { name: 'File Sluice in …' });
    fireEvent.click(await within(dialog).findByRole('option', { name: /^Gates/ }));
    expect(acts).toMatchObject([{ act: 'file', folder: 'Gates', plugins: [{ plugin: 'sluice' }] }]);
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    press('f');
    const again = await screen.findByRole('dialog');
    fireEvent.change(within(again).getByRole('combobox'), { target: { value: 'Loud' } });
    fireEvent.click(await within(again).findByRole('option', { name: /Create the folder/ }));
    expect(acts[1]).toMatchObject({
      act: 'add-folder',
      name: 'Loud',
      plugins: [{ plugin: 'sluice' }],
    });
  });

  it('give it types and names', async () => {
    const { acts } = show();
    fireEvent.click(row('Sluice'));
    press('t');
    fireEvent.click(await screen.findByRole('option', { name: /^Chorus/ }));
    expect(acts).toMatchObject([{ act: 'answer', say: [{ plugins: ['sluice'] }] }]);
    press('n');
    expect(await screen.findByRole('dialog', { name: 'Sluice' })).toBeTruthy();
  });
});

describe('the tray', () => {
  it('gathers by Space, by a run and by all, and is emptied', async () => {
    show();
    expect(screen.getByText(/^Collect plugins here/)).toBeTruthy();
    fireEvent.click(row('Egret'));
    press(' ');
    expect(trayCount()).toBe('1');
    press(' ');
    expect(trayCount()).toBe('0');
    inList('ArrowDown', { shiftKey: true });
    expect(trayCount()).toBe('2');
    fireEvent.click(row('Wharf'), { ctrlKey: true });
    expect(trayCount()).toBe('3');
    inList('a', { ctrlKey: true });
    expect(trayCount()).toBe('4');
    fireEvent.click(screen.getByRole('button', { name: 'Remove Wharf from the tray' }));
    expect(trayCount()).toBe('3');
    fireEvent.click(await screen.findByRole('button', { name: 'Empty tray' }));
    expect(trayCount()).toBe('0');
  });

  it('is filed as a whole, is empty then, and full again by undo', async () => {
    const { acts } = show();
    fireEvent.click(row('Egret'));
    fireEvent.click(row('Sluice'), { shiftKey: true });
    expect(trayCount()).toBe('3');
    press('F', { shiftKey: true });
    const dialog = await screen.findByRole('dialog', { name: 'File 3 plugins in …' });
    fireEvent.click(await within(dialog).findByRole('option', { name: /^Gates/ }));
    expect(acts).toMatchObject([{ act: 'file', folder: 'Gates' }]);
    expect(trayCount()).toBe('0');
  });

  it('empty, has nothing to be filed', async () => {
    show();
    press('F', { shiftKey: true });
    await Promise.resolve();
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});

describe('the menu of plugins', () => {
  const entry = async (name: RegExp | string): Promise<HTMLElement> =>
    screen.findByRole('button', { name });
  const rightClick = (on: HTMLElement): void => {
    fireEvent.contextMenu(on, { clientX: 300, clientY: 200 });
  };
  const set = (what: object, ...of: string[]): object => ({
    act: 'answer',
    say: [{ plugins: of, set: what }],
  });

  it('opens where a plugin stands, and does what its keys do', async () => {
    const { acts, address } = show();
    rightClick(row('Sluice'));
    expect((await screen.findByText('Add to the tray')).textContent).toContain('Add to the tray');
    fireEvent.click(await entry(/^Add to favourites/));
    expect(acts).toMatchObject([{ act: 'file', folder: 'fav', plugins: [{ plugin: 'sluice' }] }]);
    expect(screen.queryByText('Add to the tray')).toBeNull();
    rightClick(row('Heron'));
    fireEvent.click(await entry(/^Add to the tray/));
    expect(trayCount()).toBe('1');
    rightClick(row('Heron'));
    fireEvent.click(await entry(/^Show its page/));
    expect(address()).toBe('/plugin/heron');
  });

  it('says of all that is gathered what it says of one, where one of it is pressed', async () => {
    const { acts } = show();
    for (const name of ['Egret', 'Heron']) {
      fireEvent.click(row(name), { ctrlKey: true });
    }
    rightClick(row('Heron'));
    expect(await screen.findByText('2 plugins', { selector: '.dropdown-header' })).toBeTruthy();
    fireEvent.click(await entry(/^Kind of plugin/));
    fireEvent.click(await entry('They are instruments'));
    rightClick(row('Egret'));
    fireEvent.click(await entry(/^Licence and hiding/));
    fireEvent.click(await entry('Hide in Load'));
    rightClick(row('Sluice'));
    fireEvent.click(await entry(/^Licence and hiding/));
    fireEvent.click(await entry('Licence unknown'));
    expect(acts).toEqual([
      set({ kind: 'instrument' }, 'egret', 'heron'),
      set({ isHidden: true }, 'egret', 'heron'),
      set({ licence: null }, 'sluice'),
    ]);
  });

  it('gives a tag and takes it off', async () => {
    const { acts } = show({
      records: [
        ...records,
        { table: 'answer', id: asId('egret'), ...nothingSaid, tags: ['loud', 'old'] },
      ],
    });
    const pick = async (typed: string, name: RegExp): Promise<void> => {
      rightClick(row('Egret'));
      fireEvent.click(await entry(/^Tag/));
      fireEvent.change(await screen.findByPlaceholderText('Tag name'), {
        target: { value: typed },
      });
      fireEvent.click(screen.getByRole('option', { name }));
    };
    await pick('warm', /A new tag: warm/);
    await pick('lou', /loud remove it/);
    const tag = (add: string[], remove: string[]): object => ({
      act: 'tag',
      plugins: ['egret'],
      add,
      remove,
    });
    expect(acts).toEqual([tag(['warm'], []), tag([], ['loud'])]);
  });

  it('opens for the lit row by the key of menus, and gives the focus back by Escape', async () => {
    show();
    list().focus();
    fireEvent.click(row('Heron'));
    fireEvent.contextMenu(list());
    expect(await screen.findByText('Heron', { selector: '.dropdown-header' })).toBeTruthy();
    press('Escape');
    await waitFor(() => {
      expect(document.activeElement).toBe(list());
    });
    expect(screen.queryByText('Heron', { selector: '.dropdown-header' })).toBeNull();
  });

  it('files in folders of any cabinet, several in one go, or in a new one', async () => {
    const { acts } = show({
      records: [
        ...records,
        cabinetOf('film', { name: 'Film', position: 'W' }),
        folderOf('Marsh', { cabinet: asId('film') }),
      ],
    });
    rightClick(row('Sluice'));
    fireEvent.click(await entry(/^File in a folder/));
    const letters = await screen.findByPlaceholderText('Folder name');
    const take = (typed: string, shiftKey: boolean): void => {
      fireEvent.change(letters, { target: { value: typed } });
      fireEvent.keyDown(letters, { key: 'Enter', shiftKey });
    };
    fireEvent.change(letters, { target: { value: 'mar' } });
    expect(within(screen.getByRole('dialog')).getAllByRole('option')[0]?.textContent).toBe(
      'Marshin Film · 0',
    );
    take('mar', true);
    take('gat', true);
    take('Reeds', false);
    expect(acts).toMatchObject([
      { act: 'file', folder: 'Marsh', plugins: [{ plugin: 'sluice' }] },
      { act: 'file', folder: 'Gates', plugins: [{ plugin: 'sluice' }] },
      { act: 'add-folder', cabinet: 'c', name: 'Reeds', plugins: [{ plugin: 'sluice' }] },
    ]);
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('of a plugin in a folder takes it out of it; a double press in the list files', async () => {
    const { acts } = show({ at: '/file?open=Delays' });
    rightClick(screen.getByRole('row', { name: 'Egret' }));
    fireEvent.click(await entry(/^Remove from this folder/));
    expect(acts).toEqual([{ act: 'take-out', placements: ['Delays-egret'] }]);
    await waitFor(() => {
      expect(document.activeElement).toBe(screen.getByRole('row', { name: 'Egret' }));
    });
    fireEvent.click(row('Sluice'));
    fireEvent.doubleClick(row('Sluice'));
    expect(await screen.findByRole('dialog', { name: 'File Sluice in …' })).toBeTruthy();
  });
});

describe('what keys act on', () => {
  const marked = (name: string): void => {
    fireEvent.click(row(name));
  };
  const foot = (): string | null | undefined => document.querySelector('.list-foot')?.textContent;

  it('is the marked plugin, whose facts stand at the foot', () => {
    const { acts } = show();
    expect(foot()).toContain('Click a plugin');
    marked('Sluice');
    expect(foot()).toContain('Sluice:');
    expect(foot()).toContain('never loaded');
    press('h');
    expect(acts).toMatchObject([{ act: 'answer', say: [{ plugins: ['sluice'] }] }]);
  });

  it('is all of the tray on a row that is in it, named before anything happens', () => {
    const { acts } = show();
    for (const name of ['Egret', 'Heron']) {
      fireEvent.click(row(name), { ctrlKey: true });
    }
    expect(foot()).toContain('All 2 in the tray:');
    press('h');
    marked('Wharf');
    expect(foot()).toContain('Wharf:');
    press('h');
    expect(acts).toMatchObject([
      { say: [{ plugins: ['egret', 'heron'], set: { isHidden: true } }] },
      { say: [{ plugins: ['wharf'] }] },
    ]);
  });

  it('gives a tag by one key and its letters', async () => {
    const { acts } = show();
    marked('Heron');
    press('l');
    const dialog = await screen.findByRole('dialog');
    fireEvent.change(within(dialog).getByRole('combobox'), { target: { value: 'warm' } });
    fireEvent.keyDown(within(dialog).getByRole('combobox'), { key: 'Enter' });
    expect(acts).toEqual([{ act: 'tag', plugins: ['heron'], add: ['warm'], remove: [] }]);
  });

  it('shows tags in the rows', () => {
    const warm: OrderRecord = {
      ...nothingSaid,
      table: 'answer',
      id: asId('heron'),
      tags: ['warm'],
    };
    show({ records: [...records, warm] });
    expect(row('Heron').querySelector('.tag-mark')?.textContent).toBe('warm');
  });
});

describe('an opened folder', () => {
  const inFolder = (name: string): HTMLElement =>
    within(screen.getByRole('grid', { name: 'Plugins in Delays' })).getByRole('row', {
      name,
    });
  const selected = (): (string | null)[] =>
    screen
      .getAllByTestId('placed')
      .filter((one) => one.getAttribute('aria-selected') === 'true')
      .map((one) => one.getAttribute('aria-label'));
  const key = (name: string, pressed: string, more: object = {}): void => {
    fireEvent.keyDown(inFolder(name), { key: pressed, ...more });
  };

  it('tells what is not on this computer apart, and removes it one by one or from all folders', () => {
    const awaited = (name: string) =>
      pluginOf(name, { copies: [copyOf(name, { state: 'awaited' })] });
    const { acts } = show({
      at: '/file?open=Delays',
      plugins: [...plugins, awaited('Avocet'), awaited('Bittern')],
      records: [
        ...records,
        placed('Delays', 'avocet', 'C'),
        placed('Delays', 'bittern', 'D'),
        placed('Gates', 'avocet'),
      ],
    });
    expect(screen.getByText('All 4 plugins')).toBeTruthy();
    const open = screen.getByRole('listitem', { name: 'Delays, open' });
    expect(open.textContent).toContain('2 plugins');
    expect(within(open).getByText('2 not on this computer')).toBeTruthy();
    const press_ = (name: string): void => {
      fireEvent.click(within(open).getByRole('button', { name, hidden: true }));
    };
    press_('Remove Avocet from this folder');
    press_('Remove all 2 from this folder');
    press_('Remove all 3 from every folder');
    expect(acts).toEqual([
      { act: 'take-out', placements: ['Delays-avocet'] },
      { act: 'take-out', placements: ['Delays-avocet', 'Delays-bittern'] },
      {
        act: 'take-out',
        placements: expect.arrayContaining(['Delays-avocet', 'Delays-bittern', 'Gates-avocet']),
      },
    ]);
  });

  it('selects by a press, with Ctrl one more, with Shift a run', () => {
    show({ at: '/file?open=Delays', records: [...records, placed('Delays', 'wharf', 'C')] });
    fireEvent.click(inFolder('Egret'));
    expect(selected()).toEqual(['Egret']);
    fireEvent.click(inFolder('Wharf'), { ctrlKey: true });
    expect(selected()).toEqual(['Egret', 'Wharf']);
    fireEvent.click(inFolder('Egret'));
    fireEvent.focus(inFolder('Wharf'));
    fireEvent.click(inFolder('Wharf'), { shiftKey: true });
    expect(selected()).toEqual(['Egret', 'Heron', 'Wharf']);
  });

  it('takes out, moves, files and hides all that is selected', async () => {
    const { acts } = show({ at: '/file?open=Delays' });
    fireEvent.focus(inFolder('Egret'));
    key('Egret', 'a', { ctrlKey: true });
    expect(selected()).toEqual(['Egret', 'Heron']);
    expect(document.querySelector('.list-foot')?.textContent).toContain('2 selected:');
    press('h');
    key('Egret', 'Delete');
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ plugins: ['egret', 'heron'] }] },
      { act: 'take-out', placements: ['Delays-egret', 'Delays-heron'] },
    ]);
    key('Egret', 'm');
    expect(await screen.findByRole('dialog', { name: /^Move 2 plugins/ })).toBeTruthy();
  });

  it('reorders all that is selected together, and forgets the selection with Escape', () => {
    const { acts } = show({
      at: '/file?open=Delays',
      records: [...records, placed('Delays', 'wharf', 'C'), placed('Delays', 'sluice', 'D')],
    });
    fireEvent.focus(inFolder('Egret'));
    key('Egret', 'ArrowDown', { shiftKey: true });
    expect(selected()).toEqual(['Egret', 'Heron']);
    key('Heron', 'ArrowDown', { altKey: true });
    expect(acts).toEqual([
      {
        act: 'move-to',
        placements: ['Delays-egret', 'Delays-heron'],
        folder: 'Delays',
        before: 'Delays-sluice',
      },
    ]);
    key('Heron', 'Escape');
    expect(selected()).toEqual([]);
  });
});

describe('the chest', () => {
  it('has its folders in order, with what they hold', () => {
    show();
    const fronts = [...document.querySelectorAll('[data-folder]')].map((one) =>
      one.getAttribute('aria-label'),
    );
    expect(fronts).toEqual([
      'Favourites, favourites, 0 plugins',
      'Delays, folder, 2 plugins',
      'Gates, folder, 0 plugins',
    ]);
    expect(front('Delays').textContent).toContain('Tapes 0');
    expect(front('Delays').textContent).not.toContain('+');
  });

  it('counts what is below a folder beside its own, each plugin once', () => {
    show({
      records: [
        ...records,
        folderOf('Deep', { parent: asId('Tapes') }),
        placed('Tapes', 'egret'),
        placed('Tapes', 'sluice'),
        placed('Deep', 'sluice'),
        placed('Deep', 'wharf'),
      ],
    });
    expect(front('Delays').textContent).toContain('2 + 2');
    expect(front('Delays').getAttribute('aria-label')).toBe(
      'Delays, folder, 2 plugins and 2 below',
    );
  });

  it('opens a folder in the address, with its plugins, and closes it', async () => {
    const { address } = show();
    fireEvent.click(front('Delays'));
    const open = await screen.findByRole('listitem', { name: 'Delays, open' });
    expect(address()).toBe('/file?open=Delays');
    expect(within(open).getByText('Heron')).toBeTruthy();
    fireEvent.click(within(open).getByRole('button', { name: 'Close Delays' }));
    await waitFor(() => {
      expect(address()).toBe('/file');
    });
  });

  it('takes a plugin out of an opened folder by Delete', async () => {
    const { acts } = show({ at: '/file?open=Delays' });
    const open = await screen.findByRole('listitem', { name: 'Delays, open' });
    const heron = within(open)
      .getByText('Heron')
      .closest('[data-placement], li, [tabindex]') as HTMLElement;
    fireEvent.keyDown(heron, { key: 'Delete' });
    expect(acts).toEqual([{ act: 'take-out', placements: ['Delays-heron'] }]);
  });

  it('renames a folder in place by F2: its whole name is selected', () => {
    const { acts } = show();
    front('Gates').focus();
    press('F2');
    const field = screen.getByLabelText<HTMLInputElement>('Name');
    expect(document.activeElement).toBe(field);
    expect(field.value.slice(field.selectionStart ?? 0, field.selectionEnd ?? 0)).toBe('Gates');
    fireEvent.change(field, { target: { value: ' Doors ' } });
    fireEvent.submit(field);
    expect(acts).toEqual([{ act: 'rename-folder', folder: 'Gates', name: 'Doors' }]);
    expect(screen.queryByLabelText('Name')).toBeNull();
  });

  it('keeps the form where the name is missing or too long, and says why', () => {
    const { acts } = show();
    front('Gates').focus();
    press('F2');
    const field = screen.getByLabelText<HTMLInputElement>('Name');
    const save = (name: string): void => {
      fireEvent.change(field, { target: { value: name } });
      fireEvent.submit(field);
    };
    expect(screen.queryByText('Enter a name.')).toBeNull();
    save('  ');
    expect(screen.getByText('Enter a name.')).toBeTruthy();
    save('x'.repeat(1_000));
    expect(screen.getByText(/^At most \d+ letters\.$/)).toBeTruthy();
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(screen.queryByLabelText('Name')).toBeNull();
    expect(acts).toEqual([]);
  });

  it('with the same name changes nothing', () => {
    const { acts } = show();
    front('Gates').focus();
    press('F2');
    fireEvent.submit(screen.getByLabelText('Name'));
    expect(acts).toEqual([]);
    expect(screen.queryByLabelText('Name')).toBeNull();
  });

  it('makes a folder, a smart folder by keywords with what it takes in, or a divider', async () => {
    const { acts } = show();
    press('N', { shiftKey: true });
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'New' } });
    fireEvent.submit(screen.getByLabelText('Name'));
    press('N', { shiftKey: true });
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Birds' } });
    fireEvent.click(screen.getByLabelText('Smart folder'));
    const keywords = await screen.findByLabelText(/^Includes every plugin/);
    fireEvent.submit(keywords);
    expect(screen.getByText(/^Enter at least one keyword/)).toBeTruthy();
    fireEvent.change(keywords, { target: { value: 'heron, egret' } });
    expect(
      screen
        .getAllByRole('status')
        .map((one) => one.textContent)
        .join(),
    ).toContain('Matches 2: Egret, Heron');
    fireEvent.submit(keywords);
    press('N', { shiftKey: true });
    fireEvent.click(screen.getByLabelText('Divider'));
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Line' } });
    fireEvent.click(screen.getByRole('button', { name: 'Create the divider' }));
    expect(acts).toMatchObject([
      { act: 'add-folder', form: 'folder', name: 'New', rule: null, parent: null, cabinet: 'c' },
      {
        act: 'add-folder',
        form: 'smart',
        name: 'Birds',
        rule: { cards: [{ lines: [{ field: 'name', values: ['heron', 'egret'] }] }] },
      },
      { act: 'add-folder', form: 'divider', name: 'Line', rule: null },
    ]);
  });

  it('makes a folder inside the open one', () => {
    const { acts } = show({ at: '/file?open=Delays' });
    press('N', { shiftKey: true });
    return waitFor(() => {
      fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Inner' } });
      fireEvent.submit(screen.getByLabelText('Name'));
      expect(acts[0]).toMatchObject({ act: 'add-folder', parent: 'Delays', name: 'Inner' });
    });
  });

  it('moves and removes folders by keys', () => {
    const { acts } = show();
    front('Delays').focus();
    press('ArrowRight');
    expect(document.activeElement).toBe(front('Gates'));
    press('ArrowLeft');
    expect(document.activeElement).toBe(front('Delays'));
    press('ArrowRight');
    press('ArrowLeft', { altKey: true });
    expect(acts).toMatchObject([{ act: 'move-folder', folder: 'Gates', before: 'Delays' }]);
    front('Gates').focus();
    press('Delete');
    expect(acts[1]).toEqual({ act: 'remove-folder', folder: 'Gates' });
  });

  it('has the format whose copies are used first in a folder, among those that there are', async () => {
    const { acts } = show({
      records: records.map((record) =>
        record.id === 'Gates' ? { ...record, firstFormat: 'VST3' } : record,
      ),
    });
    fireEvent.click(screen.getByRole('button', { name: 'Actions for Gates' }));
    const choice = within(await screen.findByRole('group', { name: 'Copies used first' }));
    expect(choice.getAllByRole('button').map((one) => one.textContent)).toEqual([
      'usual',
      'VST3',
      'LV2',
    ]);
    expect(choice.getByRole('button', { pressed: true }).textContent).toBe('VST3');
    fireEvent.click(choice.getByRole('button', { name: 'LV2' }));
    fireEvent.click(choice.getByRole('button', { name: 'usual' }));
    const set = (firstFormat: string | null): object => ({
      act: 'set-folder',
      folder: 'Gates',
      set: { firstFormat },
    });
    expect(acts).toEqual([set('LV2'), set(null)]);
  });

  it('makes a ready cabinet that lives, or a snapshot, as deep as is wished', async () => {
    const { acts } = show();
    const make = async (choose: (dialog: HTMLElement) => void): Promise<string> => {
      fireEvent.click(screen.getByRole('button', { name: 'New cabinet' }));
      const dialog = await screen.findByRole('dialog');
      choose(dialog);
      const shown = within(dialog).getByRole('region', { name: 'Preview' });
      const said = shown.textContent;
      fireEvent.click(within(dialog).getByRole('button', { name: 'Create the cabinet' }));
      return said;
    };
    expect(await make(() => undefined)).toMatch(
      /^Creates 2 folders, filled by their rules as shown\. Your plugin files stay where they are\.Dynamics 1Delay 2$/,
    );
    const still = await make((dialog) => {
      fireEvent.click(within(dialog).getByLabelText(/^By vendor/));
      fireEvent.click(within(dialog).getByLabelText(/^A snapshot/));
      fireEvent.click(within(dialog).getByLabelText(/instruments and note effects apart/));
      fireEvent.change(within(dialog).getByLabelText(/^Vendors with at least/), {
        target: { value: '3' },
      });
    });
    expect(still).toMatch(/Quoin 0Effects 2Instruments 1Other vendors 1$/);
    const named = acts.map((act) =>
      act.act === 'add-cabinet'
        ? act.folders.map(({ form, name, rule, plugins: held }) => [
            form,
            name,
            rule?.cards[0]?.lines[0]?.values[0] ?? null,
            held.length,
          ])
        : [],
    );
    expect(named).toEqual([
      [
        ['smart', 'Dynamics', 'dynamics', 0],
        ['smart', 'Delay', 'delay', 0],
      ],
      [
        ['folder', 'Quoin', null, 0],
        ['folder', 'Effects', null, 2],
        ['folder', 'Instruments', null, 1],
        ['folder', 'Other vendors', null, 1],
      ],
    ]);
  });

  it('sorted by name, says why folders are not moved by hand', () => {
    const { acts } = show({
      records: [cabinetOf('c', { sortedBy: 'name' }), ...records.slice(1)],
    });
    front('Gates').focus();
    press('ArrowLeft', { altKey: true });
    expect(acts).toEqual([]);
    expect(screen.getByText(/^The folders of Everyday are sorted by name/)).toBeTruthy();
  });

  it('with favourites only, says what a cabinet is for', () => {
    show({ records: records.slice(0, 2) });
    expect(screen.getByText(/^Only Favourites so far/)).toBeTruthy();
  });
});
