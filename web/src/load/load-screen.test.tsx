/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type {
  HabitsView,
  KeysView,
  RepairView,
  SessionView,
  SlotView,
  TrackView,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId, type FolderId, type PlacementId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import type { Client } from '../api/client.ts';
import { cabinetOf, folderOf } from '../studio/order.test-data.ts';
import {
  press,
  showScreen,
  type ScreenSaid,
  type ShownScreen,
} from '../studio/screen.test-data.tsx';

const { LoadScreen } = await import('./load-screen.tsx');

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, { vendor: 'Quoin', copies: [copyOf(`${name}-vst3`)], ...more });

const sluice = there('Sluice');
const slipway = there('Slipway');
const wharf = there('Wharf', {
  copies: [copyOf('wharf-vst3', { version: '2.0' }), copyOf('wharf-lv2', { format: 'LV2' })],
});
const reeds = there('Reeds', { kind: 'instrument' });
const plugins = [sluice, slipway, wharf, reeds];

const slot = (id: string, plugin: Plugin, more: Partial<SlotView> = {}): SlotView => ({
  id: asId(id),
  plugin: plugin.id,
  copy: asId(`${plugin.name}-vst3`),
  asked: {
    format: 'VST3',
    path: '/x',
    identity: null,
    name: plugin.name,
    vendor: null,
    binary: null,
  },
  state: null,
  isBypassed: false,
  problem: null,
  ...more,
});

const track = (
  id: string,
  slots: readonly SlotView[] = [],
  more: Partial<TrackView> = {},
): TrackView => ({
  id: asId(id),
  name: id,
  sort: 'track',
  width: 2,
  slots,
  ...more,
});

const sessionOf = (...tracks: readonly TrackView[]): SessionView => ({
  name: 'Heron film',
  settings: { formats: ['VST3', 'LV2'], takes32Bit: false },
  tracks,
  undo: null,
  redo: null,
  saved: [],
});

/** What the server answers after a step. */
const done = (words: string, session: SessionView): Promise<SessionView> =>
  Promise.resolve({ ...session, undo: words });

const noHabits: HabitsView = { isLearning: true, here: [], after: [], letters: [] };
const noKeys: KeysView = {
  today: { loads: 0, keys: null },
  longest: null,
  weeks: [],
  loads: 0,
};

interface Shown extends Omit<Partial<ScreenSaid>, 'client'> {
  readonly session?: SessionView;
  readonly habits?: Partial<HabitsView>;
  readonly client?: Partial<Client>;
}

async function show({
  session = sessionOf(track('Voice'), track('Pads')),
  habits = {},
  client = {},
  ...said
}: Shown = {}): Promise<ShownScreen> {
  const shown = showScreen(LoadScreen, {
    at: '/load',
    plugins,
    ...said,
    client: {
      session: () => Promise.resolve(session),
      habits: () => Promise.resolve({ ...noHabits, ...habits }),
      keys: () => Promise.resolve(noKeys),
      putOffs: () => Promise.resolve([]) as never,
      ...client,
    },
  });
  await screen.findByRole('combobox');
  return shown;
}

const field = (): HTMLInputElement => screen.getByRole('combobox');
const type = (text: string): void => {
  fireEvent.change(field(), { target: { value: text } });
};
const names = (): (string | null | undefined)[] =>
  screen.queryAllByTestId('hit').map((hit) => hit.querySelector('.cut')?.textContent);
const chosen = (): string | null | undefined =>
  screen.queryByRole('option', { selected: true })?.querySelector('.cut')?.textContent;

beforeEach(() => {
  localStorage.clear();
});
afterEach(cleanup);

describe('the slot to be filled', () => {
  it('is the first empty one of the first track, and only what fits is offered', async () => {
    await show({ session: sessionOf(track('Voice', [slot('1', sluice)]), track('Pads')) });
    expect(screen.getByRole('heading', { name: 'Load an effect into Voice, slot 2' })).toBeTruthy();
    expect(names()).toEqual(expect.arrayContaining(['Slipway', 'Sluice', 'Wharf']));
    expect(names()).not.toContain('Reeds');
    expect(document.activeElement).toBe(field());
  });

  it('is another one by a press; what it wants is offered', async () => {
    await show({
      session: sessionOf(track('Voice'), track('Keys', [], { sort: 'instrument' })),
    });
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Keys' })).getByRole('button', { name: /^Slot 1/ }),
    );
    expect(
      screen.getByRole('heading', { name: 'Load an instrument into Keys, slot 1' }),
    ).toBeTruthy();
    expect(names()).toEqual(['Reeds']);
  });

  it('is told on another computer that nothing can be loaded', async () => {
    await show({ computer: { name: 'Loft', isElsewhere: true } });
    expect(screen.getByRole('note').textContent).toContain('These plugins are on Loft');
  });
});

describe('finding and loading', () => {
  it('takes letters and Enter, and tells where it is loaded now', async () => {
    const load = jest.fn<Client['load']>(() =>
      done(
        'Slipway loaded in Voice, slot 1',
        sessionOf(track('Voice', [slot('1', slipway)]), track('Pads')),
      ),
    );
    const { beside } = await show({ client: { load } });
    type('slip');
    expect(names()).toEqual(['Slipway']);
    expect(screen.getAllByRole('status')[0]?.textContent).toBe('1 of 3');
    press('Enter');
    await waitFor(() => {
      expect(beside[0]?.words).toBe('Slipway loaded in Voice, slot 1');
    });
    expect(load.mock.lastCall?.[0]).toMatchObject({
      track: 'Voice',
      index: 0,
      plugin: 'slipway',
      copy: null,
      typed: 'slip',
    });
    expect(field().value).toBe('');
    expect(screen.getByRole('heading', { name: 'Load an effect into Voice, slot 2' })).toBeTruthy();
  });

  it('is filed by a key where one goes on loading', async () => {
    const load = (): Promise<SessionView> =>
      done('Slipway loaded', sessionOf(track('Voice', [slot('1', slipway)])));
    await show({ records: [cabinetOf('c'), folderOf('Water')], client: { load } });
    expect(screen.queryByText('file what was loaded last')).toBeNull();
    press('F', { ctrlKey: true, shiftKey: true });
    expect(screen.queryByRole('dialog')).toBeNull();
    type('slip');
    press('Enter');
    expect(await screen.findByText('file what was loaded last')).toBeTruthy();
    press('F', { ctrlKey: true, shiftKey: true });
    expect(await screen.findByRole('dialog', { name: 'File Slipway in …' })).toBeTruthy();
  });

  it('is taken back by the server, which kept what stood before', async () => {
    const before = sessionOf(track('Voice', [slot('1', sluice)]), track('Pads'));
    const after = sessionOf(track('Voice', [slot('9', slipway)]), track('Pads'));
    const client = {
      load: () => done('Slipway loaded in Voice, slot 1', after),
      undoInSession: jest.fn<Client['undoInSession']>(() => Promise.resolve(before)),
      redoInSession: jest.fn<Client['redoInSession']>(() => Promise.resolve(after)),
    };
    const { beside } = await show({ session: before, client });
    const first = (): HTMLElement =>
      within(screen.getByRole('group', { name: 'Voice' })).getByRole('button', { name: /^Slot 1/ });
    fireEvent.click(first());
    type('slip');
    press('Enter');
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Slipway loaded in Voice, slot 1']);
    });
    await beside[0]?.undo();
    await waitFor(() => {
      expect(first().getAttribute('aria-label')).toContain('Sluice');
    });
    await beside[0]?.redo();
    await waitFor(() => {
      expect(first().getAttribute('aria-label')).toContain('Slipway');
    });
  });

  it('shows the slot as opening until the host answers', async () => {
    let answer: (session: SessionView) => void = () => undefined;
    const load = (): Promise<SessionView> =>
      new Promise((resolve) => {
        answer = resolve;
      });
    await show({ client: { load } });
    type('slip');
    press('Enter');
    const waiting = within(screen.getByRole('group', { name: 'Voice' })).getByRole('status');
    expect(waiting.className).toContain('opening');
    answer(sessionOf(track('Voice', [slot('1', slipway)])));
    await waitFor(() => {
      expect(within(screen.getByRole('group', { name: 'Voice' })).queryByRole('status')).toBeNull();
    });
  });

  it('refused, says why, gives the letters back and leaves the slot as it was', async () => {
    await show({ client: { load: () => Promise.reject(new Error('Slipway crashed.')) } });
    type('slip');
    press('Enter');
    expect((await screen.findByRole('alert')).textContent).toBe('Slipway crashed.');
    expect(field().value).toBe('slip');
    expect(screen.getByRole('heading', { name: /Voice, slot 1/ })).toBeTruthy();
  });

  it('is walked with arrows, which stop at both ends', async () => {
    await show();
    type('s');
    const [first, second] = names();
    expect(chosen()).toBe(first);
    press('ArrowDown');
    expect(chosen()).toBe(second);
    press('ArrowUp');
    press('ArrowUp');
    expect(chosen()).toBe(first);
  });

  it('has one copy chosen of a plugin that has several', async () => {
    const load = jest.fn<Client['load']>(() => Promise.resolve(sessionOf(track('Voice'))));
    await show({ client: { load } });
    type('wharf');
    press('Enter', { altKey: true });
    const copies = screen.getAllByTestId('copy');
    expect(copies.map((one) => one.textContent)).toEqual([
      expect.stringContaining('VST3'),
      expect.stringContaining('LV2'),
    ]);
    press('ArrowDown');
    press('Enter');
    await waitFor(() => {
      expect(load.mock.lastCall?.[0]).toMatchObject({ plugin: 'wharf', copy: 'wharf-lv2' });
    });
  });

  it('has a copy used first by a chord: of a plugin, or in the open folder', async () => {
    const records = [cabinetOf('c', { opensFor: ['track'] }), folderOf('Old shows')];
    const placement = { table: 'placement', id: asId<PlacementId>('p'), position: 'V' } as const;
    const folder = asId<FolderId>('Old shows');
    const shown = await show({
      records: [...records, { ...placement, folder, plugin: wharf.id }],
    });
    fireEvent.click(screen.getByRole('button', { name: /^Old shows/ }));
    field().focus();
    press('Enter', { altKey: true });
    press('ArrowDown');
    press('Enter', { ctrlKey: true });
    press('Enter', { shiftKey: true });
    expect(shown.acts).toEqual([
      { act: 'answer', say: [{ plugins: ['wharf'], set: { firstCopy: 'wharf-lv2' } }] },
      { act: 'set-folder', folder: 'Old shows', set: { firstCopies: ['wharf-lv2'] } },
    ]);
    cleanup();
    localStorage.clear();
    const held = await show({
      records: [
        records[0] as OrderRecord,
        folderOf('Old shows', { firstCopies: [asId('wharf-lv2'), asId('other')] }),
        { ...placement, folder, plugin: wharf.id },
      ],
    });
    fireEvent.click(screen.getByRole('button', { name: /^Old shows/ }));
    field().focus();
    press('Enter', { altKey: true });
    expect(screen.getAllByTestId('copy')[0]?.textContent).toContain('used by this folder');
    fireEvent.click(screen.getByText(/use any copy in Old shows/));
    expect(held.acts).toEqual([
      { act: 'set-folder', folder: 'Old shows', set: { firstCopies: ['other'] } },
    ]);
  });

  it('asks once what a plugin of unknown kind is, when it was loaded', async () => {
    const odd = there('Oddity', { kind: 'unknown' });
    const load = (): Promise<SessionView> =>
      done('Oddity loaded', sessionOf(track('Voice', [slot('1', odd)])));
    const said = { plugins: [...plugins, odd], client: { load } };
    const { acts } = await show(said);
    type('oddity');
    press('Enter');
    const question = await screen.findByRole('group', { name: 'What is Oddity?' });
    fireEvent.click(within(question).getByRole('button', { name: 'Instrument' }));
    expect(acts).toEqual([
      { act: 'answer', say: [{ plugins: ['oddity'], set: { kind: 'instrument' } }] },
    ]);
    expect(document.activeElement).toBe(field());
    cleanup();
    const { beside } = await show(said);
    type('oddity');
    press('Enter');
    await waitFor(() => {
      expect(beside).toHaveLength(1);
    });
    expect(screen.queryByRole('group', { name: 'What is Oddity?' })).toBeNull();
  });

  it('says that nothing is found', async () => {
    await show();
    type('qqqq');
    expect(screen.getByText(/^No match for this slot/)).toBeTruthy();
    expect(names()).toEqual([]);
  });

  it('shows facts and pictures where they are wanted, also the next time', async () => {
    await show();
    type('slip');
    expect(screen.queryByTestId('peek')).toBeNull();
    press('i', { ctrlKey: true });
    expect(screen.getByTestId('peek').textContent).toContain('Folders none');
    cleanup();
    await show();
    type('slip');
    expect(screen.getByTestId('peek')).toBeTruthy();
  });

  it('makes a favourite, and a nickname, without leaving the slot', async () => {
    const { acts } = await show({
      records: [cabinetOf('c'), folderOf('fav', { form: 'favourites' })],
    });
    press('F4');
    type('slip');
    press('b', { ctrlKey: true });
    expect(acts).toMatchObject([{ act: 'file', folder: 'fav', plugins: [{ plugin: 'slipway' }] }]);
    press('F2');
    const dialog = await screen.findByRole('dialog');
    expect(within(dialog).getByRole('heading').textContent).toBe('Slipway');
  });
});

describe('filing where one met it', () => {
  const records: readonly OrderRecord[] = [cabinetOf('c'), folderOf('Gates'), folderOf('Wide')];

  it('takes a hit into a folder by its name, and goes on at the slot', async () => {
    const { acts } = await show({ records });
    press('F4');
    type('slip');
    press('f', { ctrlKey: true });
    const dialog = await screen.findByRole('dialog', { name: 'File Slipway in …' });
    fireEvent.change(within(dialog).getByRole('combobox'), { target: { value: 'wi' } });
    fireEvent.click(await within(dialog).findByRole('option', { name: /^Wide/ }));
    expect(acts).toMatchObject([{ act: 'file', folder: 'Wide', plugins: [{ plugin: 'slipway' }] }]);
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    expect(document.activeElement).toBe(field());
    expect(field().value).toBe('slip');
  });

  it('takes the plugin of a slot, into a new folder as well', async () => {
    const { acts } = await show({
      records,
      session: sessionOf(track('Voice', [slot('1', sluice)])),
    });
    const button = screen.getByRole('button', { name: /^Slot 1: Sluice/ });
    button.focus();
    press('f');
    const dialog = await screen.findByRole('dialog', { name: 'File Sluice in …' });
    fireEvent.change(within(dialog).getByRole('combobox'), { target: { value: 'Doors' } });
    fireEvent.click(await within(dialog).findByRole('option', { name: /Create the folder/ }));
    expect(acts).toMatchObject([
      { act: 'add-folder', name: 'Doors', plugins: [{ plugin: 'sluice' }] },
    ]);
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
    expect(document.activeElement).toBe(screen.getByRole('button', { name: /^Slot 1: Sluice/ }));
  });
});

describe('the menu of a plugin', () => {
  const entry = async (name: RegExp): Promise<HTMLElement> => screen.findByRole('button', { name });

  it('is opened from a hit by mouse or key, and leaves one at the field', async () => {
    const { acts } = await show();
    type('wharf');
    fireEvent.contextMenu(screen.getAllByTestId('hit')[0] as HTMLElement, { clientX: 9 });
    fireEvent.click(await entry(/^Licence and hiding/));
    fireEvent.click(await entry(/^It is not licensed/));
    await waitFor(() => {
      expect(document.activeElement).toBe(field());
    });
    fireEvent.contextMenu(field());
    fireEvent.click(await entry(/^Type/));
    fireEvent.click(await screen.findByRole('option', { name: /^Chorus/ }));
    const set = (what: object): object => ({
      act: 'answer',
      say: [{ plugins: ['wharf'], set: what }],
    });
    expect(acts).toEqual([
      set({ licence: { state: 'not licensed', until: null } }),
      set({ types: ['modulation/chorus'] }),
    ]);
  });

  it('is opened from a filled slot, with what only a slot offers', async () => {
    const emptySlot = jest.fn<Client['emptySlot']>(() => done('Empty', sessionOf(track('Voice'))));
    await show({ session: sessionOf(track('Voice', [slot('1', sluice)])), client: { emptySlot } });
    const filled = within(screen.getByRole('group', { name: 'Voice' })).getByRole('button', {
      name: /^Slot 1/,
    });
    fireEvent.contextMenu(filled, { clientX: 9, clientY: 9 });
    fireEvent.click(await entry(/^Empty the slot/));
    await waitFor(() => {
      expect(emptySlot.mock.calls).toEqual([['1']]);
    });
  });
});

describe('where to look', () => {
  const records: readonly OrderRecord[] = [
    cabinetOf('c'),
    folderOf('Gates'),
    {
      table: 'placement',
      id: asId('p'),
      folder: asId('Gates'),
      plugin: sluice.id,
      position: 'V',
    },
  ];

  it('is the cabinet, one of its folders, all, or the rest with reasons', async () => {
    await show({ records });
    const places = screen.getByRole('group', { name: 'Where to look' });
    expect(names()).toEqual(['Sluice']);
    fireEvent.click(within(places).getByRole('button', { name: 'Gates' }));
    expect(within(places).getByRole('button', { name: 'Gates' }).getAttribute('aria-pressed')).toBe(
      'true',
    );
    expect(names()).toEqual(['Sluice']);
    press('F4');
    press('F4');
    expect(names()).toHaveLength(3);
    press('F4');
    expect(names()).toEqual(['Reeds']);
    expect(screen.getByTestId('hit').querySelector('.text-brick')?.textContent).toContain(
      'instrument',
    );
    press('F4');
    expect(names()).toEqual(['Sluice']);
  });

  it('of a folder looks below it, too', async () => {
    await show({
      records: [
        ...records,
        folderOf('Deep', { parent: asId('Gates') }),
        {
          table: 'placement',
          id: asId('q'),
          folder: asId('Deep'),
          plugin: wharf.id,
          position: 'V',
        },
      ],
    });
    const gates = screen.getByRole('button', { name: 'Gates' });
    expect(gates.title).toBe('1 + 1 that can be loaded here');
    fireEvent.click(gates);
    expect(names()).toEqual(['Sluice', 'Wharf']);
    type('wha');
    expect(names()).toEqual(['Wharf']);
    expect(screen.queryByRole('group', { name: /^Not in/ })).toBeNull();
  });

  it('is a folder by its letters, one inside another too, where there are many', async () => {
    const many = Array.from({ length: 12 }, (_, n) => folderOf(`Job ${n}`));
    await show({
      records: [
        cabinetOf('c', { opensFor: ['track'] }),
        ...many,
        folderOf('Inner', { parent: asId('Job 3') }),
        folderOf('Bare'),
        ...[...many, folderOf('Inner')].map(
          ({ id }): OrderRecord => ({
            table: 'placement',
            id: asId(`in ${id}`),
            folder: id,
            plugin: id === 'Inner' ? sluice.id : wharf.id,
            position: 'V',
          }),
        ),
      ],
    });
    expect(screen.getByRole('button', { name: /^12 folders/ })).toBeTruthy();
    press('o', { ctrlKey: true });
    const dialog = await screen.findByRole('dialog');
    const letters = within(dialog).getByRole('combobox');
    fireEvent.change(letters, { target: { value: 'bar' } });
    expect(within(dialog).queryAllByRole('option')).toEqual([]);
    fireEvent.change(letters, { target: { value: 'inn' } });
    fireEvent.keyDown(letters, { key: 'Enter' });
    expect(names()).toEqual(['Sluice']);
    expect(document.activeElement).toBe(field());
  });

  it('is first in the cabinet, below lines in the rest and among what cannot be loaded', async () => {
    await show({ records });
    const under = (line: string): (string | null | undefined)[] =>
      within(screen.getByRole('group', { name: line }))
        .getAllByTestId('hit')
        .map((hit) => hit.querySelector('.cut')?.textContent);
    type('slip');
    expect(names()).toEqual(['Slipway']);
    expect(under('Not in Everyday')).toEqual(['Slipway']);
    expect(screen.getAllByRole('status')[0]?.textContent).toContain('0 of');
    type('r');
    expect(under('Cannot be loaded here')).toEqual(['Reeds']);
    expect(screen.queryByRole('group', { name: /Everyday/ })).toBeNull();
  });

  it('what cannot be loaded is not loaded, and says why', async () => {
    const load = jest.fn<Client['load']>();
    await show({ records, client: { load } });
    press('F4');
    press('F4');
    press('Enter');
    expect(screen.getByRole('alert').textContent).toContain('Reeds cannot be loaded here');
    expect(load).not.toHaveBeenCalled();
  });
});

describe('the slots', () => {
  const filled = sessionOf(
    track('Voice', [slot('1', sluice), slot('2', wharf, { isBypassed: true })]),
    track('Pads'),
  );
  const slotNamed = (name: RegExp): HTMLElement =>
    within(screen.getByRole('group', { name: 'Voice' })).getByRole('button', { name });

  it('say what is in them, and whether it is bypassed or does not sound', async () => {
    await show({
      session: sessionOf(
        track('Voice', [
          slot('1', sluice, { isBypassed: true }),
          slot('2', wharf, {
            problem: { code: 'place-missing', at: '/x', message: 'It is gone.' },
          }),
        ]),
      ),
      client: { repairs: () => Promise.resolve([]) },
    });
    expect(slotNamed(/^Slot 1: Sluice, VST3 stereo, bypassed$/)).toBeTruthy();
    expect(slotNamed(/^Slot 2: Wharf, VST3, not open: It is gone\.$/)).toBeTruthy();
  });

  it('say of a mono copy in a stereo slot that it does not fit', async () => {
    const narrow = there('Narrow', {
      copies: [copyOf('Narrow-vst3', { audioIn: 1, audioOut: 1 })],
    });
    await show({
      plugins: [...plugins, narrow],
      session: sessionOf(track('Voice', [slot('1', narrow)])),
    });
    expect(slotNamed(/^Slot 1: Narrow, VST3 mono in a stereo slot$/)).toBeTruthy();
    type('narrow');
    expect(screen.getByTestId('hit').textContent).toContain('mono in a stereo slot');
    cleanup();
    const widener = there('Narrow', {
      copies: [copyOf('Narrow-vst3', { audioIn: 1, audioOut: 2 })],
    });
    await show({
      plugins: [...plugins, widener],
      session: sessionOf(track('Voice', [slot('1', widener)])),
    });
    expect(slotNamed(/^Slot 1: Narrow, VST3 mono in a stereo slot$/)).toBeTruthy();
  });

  it('have the width of their track, which a key and a menu change', async () => {
    const widenTrack = jest.fn<Client['widenTrack']>(() =>
      done('Voice is mono now', sessionOf(track('Voice', [], { width: 1 }), track('Pads'))),
    );
    const { beside } = await show({ client: { widenTrack } });
    press('m', { ctrlKey: true });
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Voice is mono now']);
    });
    fireEvent.click(screen.getByRole('button', { name: 'Width of Voice: mono' }));
    fireEvent.click(screen.getByRole('button', { name: 'stereo' }));
    await waitFor(() => {
      expect(beside).toHaveLength(2);
    });
    expect(widenTrack.mock.calls).toEqual([
      ['Voice', 1],
      ['Voice', 2],
    ]);
  });

  it('are emptied, bypassed and moved by keys, each as a step', async () => {
    const client = {
      emptySlot: jest.fn<Client['emptySlot']>(() => done('Empty', filled)),
      bypassSlot: jest.fn<Client['bypassSlot']>(() => done('Bypass', filled)),
      moveSlot: jest.fn<Client['moveSlot']>(() => done('Move', filled)),
    };
    const { beside } = await show({ session: filled, client });
    slotNamed(/^Slot 1/).focus();
    press('0');
    press('ArrowRight', { altKey: true });
    press('ArrowLeft', { altKey: true });
    press('Delete');
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Bypass', 'Move', 'Empty']);
    });
    expect(client.bypassSlot.mock.calls).toEqual([['1', true]]);
    expect(client.moveSlot.mock.calls).toEqual([['1', 'Voice', 1]]);
    expect(client.emptySlot.mock.calls).toEqual([['1']]);
  });

  it('move to the next track at its end, and are walked with arrows', async () => {
    const moveSlot = jest.fn<Client['moveSlot']>(() => Promise.resolve(filled));
    await show({ session: filled, client: { moveSlot } });
    slotNamed(/^Slot 1/).focus();
    press('ArrowDown', { altKey: true });
    await waitFor(() => {
      expect(moveSlot.mock.calls).toEqual([['1', 'Pads', 0]]);
    });
    press('ArrowRight');
    expect(document.activeElement).toBe(slotNamed(/^Slot 2: Wharf/));
    press('ArrowDown');
    expect(document.activeElement?.getAttribute('data-track')).toBe('Pads');
    press('ArrowUp');
    press('ArrowLeft');
    expect(document.activeElement).toBe(slotNamed(/^Slot 1/));
  });

  it('refused, say why', async () => {
    await show({
      session: filled,
      client: { emptySlot: () => Promise.reject(new Error('No database.')) },
    });
    slotNamed(/^Slot 1/).focus();
    press('Delete');
    expect(await screen.findByText('No database.')).toBeTruthy();
  });
});

describe('a session that cannot be opened whole', () => {
  const broken = sessionOf(
    track('Voice', [
      slot('1', sluice, { problem: { code: 'place-missing', at: '/x', message: 'It is gone.' } }),
      slot('2', wharf, { problem: { code: 'place-missing', at: '/x', message: 'It crashed.' } }),
    ]),
  );
  const repair = (id: string, match: RepairView['match']): RepairView => ({
    slot: asId(id),
    track: 'Voice',
    asked: broken.tracks[0]?.slots[0]?.asked as RepairView['asked'],
    match,
  });
  const match = (isSure: boolean): NonNullable<RepairView['match']> => ({
    plugin: slipway.id,
    copy: asId('Slipway-vst3'),
    name: 'Slipway',
    format: 'VST3',
    because: 'the same vendor',
    isSure,
  });

  it('names each plugin with its best match, taken one by one or all at once', async () => {
    const mend = jest.fn<Client['repair']>(() =>
      done('2 matches stand in again', sessionOf(track('Voice'))),
    );
    const { beside } = await show({
      session: broken,
      client: {
        repairs: () => Promise.resolve([repair('1', match(true)), repair('2', match(false))]),
        repair: mend,
      },
    });
    expect(
      screen.getByRole('heading', { name: '2 plugins of this session could not be opened' }),
    ).toBeTruthy();
    const [sure, guess] = await screen.findAllByTestId('repair');
    expect(sure?.textContent).toContain('It is gone.');
    expect(sure?.textContent).not.toContain('a guess');
    expect(guess?.textContent).toContain('the same vendor (a guess)');
    fireEvent.click(screen.getByRole('button', { name: 'Use all 2 matches' }));
    await waitFor(() => {
      expect(mend.mock.lastCall?.[0]).toEqual(['1', '2']);
    });
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['2 matches stand in again']);
    });
    await waitFor(() => {
      expect(screen.queryByTestId('repair')).toBeNull();
    });
  });

  it('with nothing alike, the slot can be emptied', async () => {
    const emptySlot = jest.fn<Client['emptySlot']>(() => Promise.resolve(broken));
    await show({
      session: broken,
      client: { repairs: () => Promise.resolve([repair('1', null)]), emptySlot },
    });
    const row = await screen.findByTestId('repair');
    expect(row.textContent).toContain('No similar plugin here');
    expect(within(row).queryByRole('button', { name: 'Use it' })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Use all/ })).toBeNull();
    fireEvent.click(within(row).getByRole('button', { name: 'Empty the slot' }));
    await waitFor(() => {
      expect(emptySlot).toHaveBeenCalledWith('1');
    });
  });
});

describe('the session', () => {
  const saved = [{ id: 's1', name: 'Before noon', savedAt: '2026-01-02T10:00:00.000Z', slots: 2 }];
  const open = (item: RegExp): Promise<void> => {
    fireEvent.click(screen.getByRole('button', { name: 'Session' }));
    return screen.findByRole('button', { name: item }).then((found) => {
      fireEvent.click(found);
    });
  };

  it('is saved under a name, not under an empty one, and forgotten', async () => {
    const session = { ...sessionOf(track('Voice')), saved };
    const saveSession = jest.fn<Client['saveSession']>(() => Promise.resolve(session));
    const forgetSession = jest.fn<Client['forgetSession']>(() => Promise.resolve(session));
    const { beside } = await show({ session, client: { saveSession, forgetSession } });
    await open(/^Save this session/);
    const dialog = await screen.findByRole('dialog');
    const name = within(dialog).getByLabelText<HTMLInputElement>('Name');
    expect(name.value).toBe('Heron film');
    fireEvent.change(name, { target: { value: ' ' } });
    fireEvent.submit(name);
    expect(within(dialog).getByText('Enter a name.')).toBeTruthy();
    expect(name.className).toContain('is-invalid');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Delete' }));
    const asked = within(dialog).getByRole('group', { name: /^Delete .* You can’t undo this\.$/ });
    expect(forgetSession).not.toHaveBeenCalled();
    fireEvent.click(within(asked).getByRole('button', { name: 'Delete' }));
    await waitFor(() => {
      expect(forgetSession).toHaveBeenCalledWith('s1');
    });
    fireEvent.change(name, { target: { value: 'After noon' } });
    expect(name.className).not.toContain('is-invalid');
    fireEvent.submit(name);
    await waitFor(() => {
      expect(beside.at(-1)?.words).toBe('After noon is saved');
    });
    expect(saveSession).toHaveBeenCalledWith('After noon');
  });

  it('is opened again from its menu, which says how much was in it', async () => {
    const openSession = jest.fn<Client['openSession']>(() =>
      done('Open the session Before noon', sessionOf(track('Voice'))),
    );
    const { beside } = await show({
      session: { ...sessionOf(track('Voice')), saved },
      client: { openSession },
    });
    await open(/^Before noon · 2 slots/);
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Open the session Before noon']);
    });
    expect(openSession).toHaveBeenCalledWith('s1');
  });

  it('takes the formats that are ticked, and programs of 32 bits', async () => {
    const setSession = jest.fn<Client['setSession']>(() =>
      Promise.resolve(sessionOf(track('Voice'))),
    );
    await show({ client: { setSession } });
    await open(/^Supported formats/);
    const dialog = await screen.findByRole('dialog');
    const ticked = within(dialog)
      .getAllByRole<HTMLInputElement>('checkbox')
      .filter((one) => one.checked)
      .map((one) => one.id);
    expect(ticked).toEqual(['takes-VST3', 'takes-LV2']);
    fireEvent.click(within(dialog).getByLabelText('CLAP'));
    fireEvent.click(within(dialog).getByLabelText('LV2'));
    fireEvent.click(within(dialog).getByLabelText(/^Include 32-bit plugins/));
    expect(setSession.mock.calls.map(([settings]) => settings)).toEqual([
      { formats: ['VST3', 'CLAP', 'LV2'], takes32Bit: false },
      { formats: ['VST3'], takes32Bit: false },
      { formats: ['VST3', 'LV2'], takes32Bit: true },
    ]);
  });

  it('keeps what stands in a slot as it is set, with a note, and in a folder where one is chosen', async () => {
    const { acts } = await show({
      records: [cabinetOf('c'), folderOf('Heron voice')],
      session: sessionOf(track('Voice', [slot('1', sluice, { state: 'as it was left' })])),
    });
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Voice' })).getByRole('button', { name: /^Slot 1/ }),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Keep the setting of Sluice' }));
    const dialog = within(await screen.findByRole('dialog'));
    fireEvent.change(dialog.getByLabelText('Name'), { target: { value: 'Deep water' } });
    fireEvent.change(dialog.getByLabelText('Note'), { target: { value: ' slow ' } });
    fireEvent.change(dialog.getByLabelText('Folder'), { target: { value: 'Heron voice' } });
    fireEvent.submit(dialog.getByLabelText('Name'));
    const kept = expect.objectContaining({ name: 'Deep water', state: 'as it was left' });
    expect(acts).toMatchObject([
      { act: 'keep-settings', settings: [kept], then: { say: [{ set: { notes: 'slow' } }] } },
      { act: 'file', folder: 'Heron voice' },
    ]);
    const [keep, file] = acts;
    expect(file?.act === 'file' && file.plugins.map(({ plugin }) => plugin)).toEqual(
      keep?.act === 'keep-settings' && keep.settings.map(({ id }) => id),
    );
  });

  it('keeps a chain of all plugins of a track, in their order', async () => {
    const { acts } = await show({
      session: sessionOf(track('Voice', [slot('1', sluice), slot('2', wharf)]), track('Pads')),
    });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the chain of Voice' }));
    const dialog = await screen.findByRole('dialog');
    expect(dialog.textContent).toContain('Sluice → Wharf');
    const name = within(dialog).getByLabelText<HTMLInputElement>('Name');
    expect(name.value).toBe('Voice chain');
    fireEvent.submit(name);
    expect(acts).toMatchObject([
      { act: 'add-chain', name: 'Voice chain', kind: 'effect', plugins: ['sluice', 'wharf'] },
    ]);
  });

  it('offers no chain of one plugin, nor of one that is not known', async () => {
    await show({ session: sessionOf(track('Voice', [slot('1', sluice)])) });
    expect(screen.queryByRole('button', { name: /^Keep the chain/ })).toBeNull();
    cleanup();
    await show({
      session: sessionOf(
        track('Voice', [slot('1', sluice), slot('2', wharf), slot('3', there('Lost'))]),
      ),
    });
    expect(screen.queryByRole('button', { name: /^Keep the chain/ })).toBeNull();
  });
});

describe('the cabinet of a slot', () => {
  const buses = cabinetOf('b', { name: 'Buses', position: 'W', opensFor: ['bus'] });
  const records: readonly OrderRecord[] = [cabinetOf('c', { opensFor: ['track'] }), buses];
  const session = sessionOf(track('Voice'), track('Glue', [], { sort: 'bus' }));
  const from = (): string | null => screen.getByRole('button', { name: /^from/ }).textContent;

  it('opens by the kind of slot', async () => {
    await show({ records, session });
    expect(from()).toBe('from Everyday opens for tracks');
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Glue' })).getByRole('button', { name: /^Slot 1/ }),
    );
    await waitFor(() => {
      expect(from()).toBe('from Buses opens for buses');
    });
  });

  it('is chosen by hand, which stays', async () => {
    await show({ records, session });
    fireEvent.click(screen.getByRole('button', { name: /^from/ }));
    fireEvent.click(await screen.findByRole('button', { name: /^Buses/ }));
    expect(from()).toBe('from Buses chosen for tracks');
    cleanup();
    await show({ records, session });
    await waitFor(() => {
      expect(from()).toBe('from Buses chosen for tracks');
    });
    fireEvent.click(screen.getByRole('button', { name: /^from/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'Undo this choice' }));
    expect(from()).toBe('from Everyday opens for tracks');
  });
});

describe('what is learnt of loads', () => {
  const keys = (more: Partial<KeysView> = {}): KeysView => ({
    weeks: [
      { week: '2026-01-05', loads: 4, keys: 6, seconds: null },
      { week: '2026-01-12', loads: 2, keys: 3, seconds: null },
    ],
    today: { loads: 2, keys: 3.25 },
    longest: { plugin: sluice.id, keys: 9, typed: 'slu' },
    loads: 6,
    ...more,
  });
  const line = (): string => document.querySelector('.today')?.textContent ?? '';

  it('is counted for today, with the longest hunt where it was long', async () => {
    await show({ client: { keys: () => Promise.resolve(keys()) } });
    await screen.findByText(/^Loaded today: 2 plugins/);
    expect(line()).toContain(
      '2 plugins, 3.3 keys each on average. The longest hunt lately was “Sluice”, 9 keys.',
    );
    cleanup();
    const short = keys({ longest: { plugin: sluice.id, keys: 4, typed: 's' } });
    await show({ client: { keys: () => Promise.resolve(short) } });
    await screen.findByText(/^Loaded today: 2 plugins/);
    expect(line()).not.toContain('longest');
  });

  it('can be switched off, and forgotten after asking', async () => {
    const setLearning = jest.fn<Client['setLearning']>(() => Promise.resolve(null));
    const wipeLoads = jest.fn<Client['wipeLoads']>(() => Promise.resolve(6));
    const { beside } = await show({
      client: { keys: () => Promise.resolve(keys()), setLearning, wipeLoads },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'What is remembered' }));
    const dialog = await screen.findByRole('dialog');
    expect(dialog.textContent).toContain('6 loads are recorded.');
    expect(within(dialog).getByRole('img').getAttribute('aria-label')).toContain(
      '5 Jan 6.0, 12 Jan 3.0',
    );
    fireEvent.click(within(dialog).getByLabelText('Remember what I load'));
    await waitFor(() => {
      expect(beside.at(-1)?.words).toBe('Loads are not recorded');
    });
    expect(setLearning).toHaveBeenCalledWith(false);
    fireEvent.click(within(dialog).getByRole('button', { name: 'Delete all loads …' }));
    expect(wipeLoads).not.toHaveBeenCalled();
    fireEvent.click(within(dialog).getByRole('button', { name: 'Keep them' }));
    fireEvent.click(within(dialog).getByRole('button', { name: 'Delete all loads …' }));
    fireEvent.click(within(dialog).getByRole('button', { name: 'Delete all loads' }));
    await waitFor(() => {
      expect(beside.at(-1)?.words).toBe('All loads deleted');
    });
  });

  it('with nothing recorded there is nothing to forget', async () => {
    await show({ client: { keys: () => Promise.resolve(keys({ loads: 0, weeks: [] })) } });
    fireEvent.click(screen.getByRole('button', { name: 'Session' }));
    const open = await screen.findByRole('button', { name: 'What is remembered' });
    expect(line()).toBe('');
    fireEvent.click(open);
    const dialog = await screen.findByRole('dialog');
    expect(dialog.textContent).toContain('Nothing recorded yet.');
    expect(within(dialog).queryByRole('img')).toBeNull();
    fireEvent.click(within(dialog).getByRole('button', { name: 'Delete all loads …' }));
    expect(await screen.findByText('Nothing to delete')).toBeTruthy();
    expect(within(dialog).queryByRole('alert')).toBeNull();
  });
});

describe('what cannot be found', () => {
  it('is said for a slot that nothing fits, with what is gone from the disk', async () => {
    await show({
      plugins: [there('Gone', { copies: [copyOf('gone', { state: 'gone' })] })],
    });
    expect(
      screen.getByText(/^No plugin in the catalog can be loaded here\. 1 is gone/),
    ).toBeTruthy();
    cleanup();
    await show({ plugins: [reeds] });
    expect(
      screen.getByText(/^No plugin in the catalog can be loaded here\./).textContent,
    ).not.toContain('gone');
  });

  it('may have been forgotten: then that is offered, and looked at by a key or a press', async () => {
    await show({ records: [cabinetOf('c'), folderOf('Old')] });
    expect(screen.queryByRole('button', { name: 'Forgotten' })).toBeNull();
    expect(screen.queryByText('not used lately')).toBeNull();
    cleanup();
    await show({
      records: [
        cabinetOf('c'),
        folderOf('Old'),
        {
          table: 'placement',
          id: asId('p'),
          folder: asId('Old'),
          plugin: sluice.id,
          position: 'V',
        },
      ],
    });
    expect(screen.getByText('not used lately')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Forgotten' }));
    expect(names()).toEqual(['Sluice']);
  });

  it('is left again where nothing was forgotten', async () => {
    await show();
    press('g', { ctrlKey: true });
    expect(screen.getByText(/^You have used all your filed/)).toBeTruthy();
    const forgotten = screen.getByRole('button', { name: 'Forgotten' });
    expect(forgotten.getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(forgotten);
    expect(screen.queryByRole('button', { name: 'Forgotten' })).toBeNull();
    expect(names()).toHaveLength(3);
  });
});
