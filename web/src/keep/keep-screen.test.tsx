/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type {
  BackupsView,
  ComputerView,
  MatchView,
  OrderPreview,
  OrderStep,
  PointComparison,
  PointView,
  PointsView,
  ShelfView,
} from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import type { Cabinet } from '@clever-drawer/core/order';
import type { Client } from '../api/client.ts';
import { showScreen, type ScreenSaid, type ShownScreen } from '../studio/screen.test-data.tsx';

const { KeepScreen } = await import('./keep-screen.tsx');

const never = <T,>(): Promise<T> => new Promise(() => undefined);
const now = new Date('2026-06-17T18:30:00Z');

const point = (id: string, more: Partial<PointView> = {}): PointView => ({
  id,
  at: '2026-06-17T09:00:00.000Z',
  name: id,
  reason: 'by-hand',
  before: null,
  folders: 12,
  filed: 1_234,
  ...more,
});

const tour = point('Before the tour');
const evening = point('e', { name: null, reason: 'evening', at: '2026-05-02T20:00:00.000Z' });

const line = (words: string, more: object = {}): PointComparison['change']['lines'][number] =>
  ({ what: 'comes', about: 'folder', words, plugins: [], ...more }) as never;

const nothing = { lines: [], stays: { folders: 3, placements: 40 } };
const comparison: PointComparison = {
  change: {
    ...nothing,
    lines: [
      line('Squeeze', { plugins: ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'] }),
      line('Wobble', { what: 'goes' }),
      line('Call Heron Grey bird', { what: 'changes', about: 'plugin', plugins: ['Heron'] }),
    ],
  },
  folders: [{ id: 'f1', name: 'Squeeze' }],
  plugins: [{ id: 'p1', name: 'Heron' }],
  cabinets: [],
};

const cabinet = (name: string): Cabinet => ({
  table: 'cabinet',
  id: asId(name),
  name,
  position: name,
  opensFor: [],
  sortedBy: null,
});

const step = { words: 'Return to Before the tour' } as OrderStep;

const noBackups: BackupsView = {
  directory: '/backups',
  keep: 7,
  backups: [],
  trouble: null,
  isOld: true,
};

/** What the server says of backups, and what it was asked. */
let backups: BackupsView | Error = noBackups;
let asked: [method: string, path: string, body: unknown][] = [];

beforeEach(() => {
  backups = noBackups;
  asked = [];
  jest.useFakeTimers({ now, advanceTimers: true });
  Object.assign(globalThis, {
    fetch: (path: string, { method, body }: { method: string; body?: string }) => {
      asked.push([method, path, body === undefined ? null : JSON.parse(body)]);
      return backups instanceof Error
        ? Promise.resolve({
            ok: false,
            status: 500,
            json: () => Promise.resolve({ problems: [{ message: (backups as Error).message }] }),
          })
        : Promise.resolve({ ok: true, json: () => Promise.resolve(backups) });
    },
  });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

interface Shown extends Omit<Partial<ScreenSaid>, 'client'> {
  readonly tab?: string;
  readonly points?: readonly PointView[];
  readonly changes?: number;
  readonly shelf?: ShelfView;
  readonly compared?: PointComparison;
  readonly client?: Partial<Client>;
}

async function show({
  tab,
  points = [tour, evening],
  changes = 3,
  shelf = { settings: null, last: null },
  compared = comparison,
  client = {},
  ...said
}: Shown = {}): Promise<ShownScreen> {
  const shown = showScreen(KeepScreen, {
    at: tab === undefined ? '/keep' : `/keep?tab=${tab}`,
    path: '/keep',
    ...said,
    client: {
      points: () => Promise.resolve({ points, changes }),
      comparePoint: () => Promise.resolve(compared),
      shelf: () => Promise.resolve(shelf),
      ...client,
    },
  });
  await screen.findByRole('heading', { name: 'Points to return to' });
  return shown;
}

const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });

describe('the points', () => {
  it('stand by month, the newest chosen, each with what it held', async () => {
    const { address } = await show();
    expect(screen.getByText(/3 changes since Before the tour/)).toBeTruthy();
    expect(screen.getByText('This week')).toBeTruthy();
    expect(screen.getByText('May')).toBeTruthy();
    const first = button(/^Before the tour/);
    expect(first.getAttribute('aria-pressed')).toBe('true');
    expect(first.textContent).toContain('12 folders, 1,234 filed');
    const second = button(/^Evening/);
    expect(second.getAttribute('aria-pressed')).toBe('false');
    fireEvent.click(second);
    expect(address()).toBe('/keep?point=e&tab=return');
    expect(screen.getByRole('heading', { name: 'Return to “Evening”' })).toBeTruthy();
  });

  it('none, the order counts its changes so far, and says how to mark one', async () => {
    await show({ points: [] });
    expect(screen.getByText(/3 changes so far/)).toBeTruthy();
    expect(screen.getByText(/^None yet\./)).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'No point yet' })).toBeTruthy();
  });

  it('are marked by a name, not by an empty one', async () => {
    const markPoint = jest.fn<Client['markPoint']>((name) =>
      Promise.resolve({ points: [point(name)], changes: 0 }),
    );
    const { beside } = await show({ points: [], client: { markPoint } });
    const mark = (name: string): void => {
      fireEvent.click(button('Mark this point …'));
      fireEvent.change(screen.getByLabelText('What is this point called?'), {
        target: { value: name },
      });
      fireEvent.click(button('Mark it'));
    };
    mark('  ');
    expect(markPoint).not.toHaveBeenCalled();
    fireEvent.click(button('Mark this point …'));
    fireEvent.keyDown(screen.getByLabelText('What is this point called?'), { key: 'a' });
    fireEvent.keyDown(screen.getByLabelText('What is this point called?'), { key: 'Escape' });
    expect(screen.queryByLabelText('What is this point called?')).toBeNull();
    mark('Premiere');
    await waitFor(() => {
      expect(beside.at(-1)?.words).toBe('Marked: Premiere');
    });
    expect(await screen.findByRole('button', { name: /^Premiere/ })).toBeTruthy();
  });

  it('cannot be marked where the server refuses, which is said', async () => {
    await show({ client: { markPoint: () => Promise.reject(new Error('The disk is full.')) } });
    fireEvent.click(button('Mark this point …'));
    fireEvent.change(screen.getByLabelText('What is this point called?'), {
      target: { value: 'x' },
    });
    fireEvent.click(button('Mark it'));
    expect(await screen.findByText('The disk is full.')).toBeTruthy();
  });

  it('are renamed and removed', async () => {
    const view: PointsView = { points: [tour], changes: 3 };
    const namePoint = jest.fn<Client['namePoint']>(() => Promise.resolve(view));
    const removePoint = jest.fn<Client['removePoint']>(() => Promise.resolve(view));
    const { beside } = await show({ client: { namePoint, removePoint } });
    fireEvent.click(button('Rename …'));
    const field = screen.getByLabelText<HTMLInputElement>('Name of the point');
    expect(field.value).toBe('Before the tour');
    fireEvent.change(field, { target: { value: ' ' } });
    fireEvent.click(button('Save'));
    fireEvent.click(button('Rename …'));
    fireEvent.change(screen.getByLabelText('Name of the point'), { target: { value: 'Tour' } });
    fireEvent.click(button('Save'));
    await waitFor(() => {
      expect(beside.at(-1)?.words).toBe('Called Tour');
    });
    expect(namePoint.mock.calls).toEqual([['Before the tour', 'Tour']]);
    fireEvent.click(button('Delete this point'));
    fireEvent.click(button('Cancel'));
    expect(document.activeElement).toBe(button('Delete this point'));
    fireEvent.click(button('Delete this point'));
    expect(removePoint).not.toHaveBeenCalled();
    fireEvent.click(button('Delete this point'));
    await waitFor(() => {
      expect(beside.at(-1)?.words).toMatch(/deleted; the order is unchanged/);
    });
    expect(removePoint).toHaveBeenCalledWith('Before the tour');
  });

  it('that came by themselves are named', async () => {
    await show({ points: [evening] });
    expect(screen.queryByRole('button', { name: 'Rename …' })).toBeNull();
    fireEvent.click(button('Name it …'));
    expect(screen.getByLabelText<HTMLInputElement>('Name of the point').value).toBe('');
  });
});

describe('returning to a point', () => {
  it('says what comes back, goes and changes, before it is done', async () => {
    await show();
    const table = await screen.findByRole('table', { name: 'What would change' });
    const rows = within(table)
      .getAllByRole('row')
      .map((row) => row.textContent);
    expect(rows).toEqual([
      'Comes backSqueeze: a, b, c, d, e, fand 2 moreg, h',
      'Would goWobble',
      'As it wasCall Heron Grey bird',
      'Stays3 folders with 40 plugins filed; loads and habits',
    ]);
  });

  it('is one change for all of it, or for a part', async () => {
    const returnTo = jest.fn<Client['returnTo']>(() => Promise.resolve(step));
    await show({ client: { returnTo } });
    fireEvent.click(await screen.findByRole('button', { name: 'Return to it' }));
    expect(await screen.findByText('Return to Before the tour')).toBeTruthy();
    fireEvent.click(button('Only a part …'));
    expect(screen.queryByRole('group', { name: 'Cabinets' })).toBeNull();
    fireEvent.click(
      within(await screen.findByRole('group', { name: 'Folders' })).getByText('Squeeze'),
    );
    expect(returnTo.mock.calls).toEqual([
      ['Before the tour', null],
      ['Before the tour', { folder: 'f1' }],
    ]);
  });

  it('refused, says why', async () => {
    await show({ client: { returnTo: () => Promise.reject(new Error('Scan first.')) } });
    fireEvent.click(await screen.findByRole('button', { name: 'Return to it' }));
    expect(await screen.findByText('Scan first.')).toBeTruthy();
  });

  it('is not offered where nothing would change', async () => {
    await show({ compared: { ...comparison, change: nothing } });
    expect(await screen.findByText('Nothing would change: both are the same.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Return to it' })).toBeNull();
  });

  it('can be compared with another point, which returns nothing', async () => {
    const comparePoint = jest.fn<Client['comparePoint']>(() => Promise.resolve(comparison));
    await show({ client: { comparePoint } });
    await screen.findByRole('button', { name: 'Return to it' });
    const against = screen.getByLabelText('Compare with');
    expect(
      within(against)
        .getAllByRole('option')
        .map((one) => one.textContent),
    ).toEqual(['now', 'Evening · 2 May']);
    fireEvent.change(against, { target: { value: 'e' } });
    await waitFor(() => {
      expect(comparePoint).toHaveBeenLastCalledWith('Before the tour', 'e');
    });
    expect(screen.queryByRole('button', { name: 'Return to it' })).toBeNull();
    fireEvent.change(against, { target: { value: '' } });
    expect(await screen.findByRole('button', { name: 'Return to it' })).toBeTruthy();
  });
});

describe('an order from elsewhere', () => {
  const match = (name: string, how: MatchView['how'], more: Partial<MatchView> = {}): MatchView =>
    ({
      from: { id: name, name, vendor: null },
      how,
      choices: [
        {
          plugin: `here ${name}`,
          name: `${name} II`,
          vendor: null,
          formats: ['VST3'],
          because: 'the same maker',
        },
        {
          plugin: `other ${name}`,
          name: `${name} III`,
          vendor: null,
          formats: ['LV2'],
          because: '',
        },
      ],
      folders: [],
      ...more,
    }) as MatchView;
  const preview: OrderPreview = {
    change: { ...nothing, lines: [line('Squeeze')] },
    matches: [
      match('Heron', 'same'),
      match('Egret', 'likely'),
      match('Marl', 'ask', { folders: ['Squeeze'] }),
      match('Lost', 'missing', { choices: [], folders: ['Squeeze', 'Wide', 'Long'] }),
    ],
    computer: 'Loft',
    loads: 2,
  };
  const desk: ComputerView = { id: asId('desk'), name: 'Desk', isElsewhere: false };
  const loft: ComputerView = { id: asId('loft'), name: 'Loft', isElsewhere: true };

  const carry = async (client: Partial<Client> = {}): Promise<ShownScreen> => {
    const shown = await show({
      tab: 'carry',
      computers: [desk, loft],
      client: { previewDocument: () => Promise.resolve(preview), ...client },
    });
    fireEvent.change(screen.getByLabelText('Computer to import from'), {
      target: { value: 'loft' },
    });
    await screen.findByRole('heading', { name: 'Loft → Desk' });
    return shown;
  };

  it('of another computer needs one', async () => {
    await show({ tab: 'carry' });
    expect(screen.getByRole('heading', { name: 'Only one computer so far' })).toBeTruthy();
  });

  it('says what each plugin is here, with those to ask open', async () => {
    await carry();
    const counts = screen.getAllByRole('listitem').map((one) => one.textContent);
    expect(counts).toEqual(
      expect.arrayContaining(['1 the same', '1 likely', '1 to ask', '1 missing']),
    );
    const summary = (words: RegExp): HTMLDetailsElement =>
      screen.getByText(words, { selector: 'summary' }).parentElement as HTMLDetailsElement;
    expect(summary(/to ask/).open).toBe(true);
    expect(summary(/to ask/).textContent).toContain(
      'may be Marl II or Marl III. Until you choose, its place in Squeeze waits.',
    );
    expect(summary(/likely/).open).toBe(false);
    expect(summary(/likely/).textContent).toContain('→ Egret II VST3 the same maker');
    expect(summary(/missing/).textContent).toContain('keeps its place in Squeeze and Wide until');
    expect(screen.queryByText(/chosen by you/)).toBeNull();
  });

  it('takes the choice of the user, or leaves a plugin out', async () => {
    const previewDocument = jest.fn<Client['previewDocument']>(() => Promise.resolve(preview));
    await carry({ previewDocument });
    const choose = async (choice: RegExp): Promise<void> => {
      fireEvent.click(button('Choose a match for Marl'));
      fireEvent.click(await screen.findByRole('button', { name: choice }));
    };
    await choose(/^Marl III/);
    await waitFor(() => {
      expect(previewDocument.mock.lastCall?.[0].choices).toEqual({ Marl: 'other Marl' });
    });
    await choose(/^Leave it out/);
    await waitFor(() => {
      expect(previewDocument.mock.lastCall?.[0].choices).toEqual({ Marl: null });
    });
    expect(await screen.findByText('is left out.')).toBeTruthy();
    expect(screen.getByText('left out')).toBeTruthy();
  });

  it('comes in the way that is chosen, with loads or without, as one change', async () => {
    const previewDocument = jest.fn<Client['previewDocument']>(() => Promise.resolve(preview));
    const mergeDocument = jest.fn<Client['mergeDocument']>(() =>
      Promise.resolve({ ...step, words: 'Taken over' }),
    );
    await carry({ previewDocument, mergeDocument });
    expect(
      screen.getByRole<HTMLInputElement>('radio', { name: /^Add what is not here/ }).checked,
    ).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: /^Replace this order/ }));
    fireEvent.click(screen.getByRole('checkbox', { name: /loads and habits/ }));
    await waitFor(() => {
      expect(previewDocument.mock.lastCall?.[0]).toMatchObject({
        how: 'replace',
        hasLoads: false,
        computer: 'loft',
      });
    });
    fireEvent.click(button('Import as one change'));
    expect(await screen.findByText('Taken over')).toBeTruthy();
    expect(mergeDocument.mock.lastCall?.[0]).toMatchObject({ how: 'replace', hasLoads: false });
    expect(screen.queryByRole('heading', { name: 'Loft → Desk' })).toBeNull();
  });

  it('has nothing to be taken where it brings nothing', async () => {
    await carry({
      previewDocument: () =>
        Promise.resolve({ ...preview, change: nothing, matches: [], loads: 0 }),
    });
    expect(screen.queryByRole('button', { name: /^Import as one/ })).toBeNull();
    expect(screen.queryByRole('checkbox', { name: /loads and habits/ })).toBeNull();
  });

  it('that cannot be read says why', async () => {
    await show({
      tab: 'carry',
      computers: [desk, loft],
      client: { previewDocument: () => Promise.reject(new Error('line 3: it ends in the middle')) },
    });
    fireEvent.change(screen.getByLabelText('Computer to import from'), {
      target: { value: 'loft' },
    });
    expect((await screen.findByRole('alert')).textContent).toBe('line 3: it ends in the middle');
  });

  it('as a file is told apart by its ending; a table has no ways', async () => {
    const previewDocument = jest.fn<Client['previewDocument']>(() => Promise.resolve(preview));
    await show({ tab: 'files', client: { previewDocument } });
    const choose = (name: string, bytes: Uint8Array): void => {
      const file = { name, arrayBuffer: () => Promise.resolve(bytes) };
      fireEvent.change(screen.getByLabelText('Document of an order'), {
        target: { files: [file] },
      });
    };
    const open = async (name: string): Promise<void> => {
      choose(name, Buffer.from(`text of ${name}`));
      await screen.findByRole('heading', { name: `${name} → Desk` });
    };
    await open('a.OPML');
    await open('b.xml');
    await open('c.json');
    expect(screen.getByRole('radio', { name: /^Add what is not here/ })).toBeTruthy();
    await open('d.csv');
    expect(screen.queryByRole('radio')).toBeNull();
    expect(previewDocument.mock.calls.map(([{ form, text }]) => [form, text])).toEqual([
      ['outline', 'text of a.OPML'],
      ['outline', 'text of b.xml'],
      ['document', 'text of c.json'],
      ['table', 'text of d.csv'],
    ]);
    choose('e.csv', Buffer.from('Stúdio', 'latin1'));
    expect(await screen.findByText(/^e\.csv isn’t UTF-8 text/)).toBeTruthy();
    expect(previewDocument).toHaveBeenCalledTimes(4);
  });
});

describe('writing the order to files', () => {
  it('has the document with loads or without', async () => {
    await show({ tab: 'files' });
    const link = (): string | null =>
      screen.getByRole('link', { name: /^Export the document/ }).getAttribute('href');
    expect(link()).not.toContain('loads');
    fireEvent.click(screen.getByRole('checkbox', { name: /^With loads and habits/ }));
    expect(link()).toContain('loads=yes');
  });
});

describe('a shelf on the disk', () => {
  const settings = { cabinet: 'Live', directory: '/shelf', hasFigures: false };
  const last = { at: now.toISOString(), done: 3, kept: 2, left: [], trouble: null };

  it('is previewed before it is written; another wish is previewed anew', async () => {
    const previewShelf = jest.fn<Client['previewShelf']>(() =>
      Promise.resolve({ settings: null, last }),
    );
    const setShelf = jest.fn<Client['setShelf']>((wish) =>
      Promise.resolve({ settings: wish, last }),
    );
    await show({
      tab: 'shelf',
      records: [cabinet('Everyday'), cabinet('Live')],
      client: { previewShelf, setShelf },
    });
    const directory = await screen.findByLabelText(/^Directory/);
    expect(screen.queryByRole('button', { name: /^Write it/ })).toBeNull();
    fireEvent.change(directory, { target: { value: '/shelf' } });
    fireEvent.change(screen.getByLabelText('Cabinet'), { target: { value: 'Live' } });
    fireEvent.click(button('Preview'));
    expect(
      await screen.findByText('It would create or change 3 entries; 2 are up to date.'),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox', { name: /^Number the folders/ }));
    await waitFor(() => {
      expect(screen.queryByRole('button', { name: /^Write it/ })).toBeNull();
    });
    fireEvent.click(button('Preview'));
    fireEvent.click(await screen.findByRole('button', { name: /^Write it/ }));
    expect(await screen.findByText(/\/shelf is up to date: 5 entries/)).toBeTruthy();
    expect(setShelf.mock.lastCall?.[0]).toEqual({
      cabinet: 'Live',
      directory: '/shelf',
      hasFigures: false,
    });
  });

  it('that is there says what was left, and is removed', async () => {
    const removeShelf = jest.fn<Client['removeShelf']>(() =>
      Promise.resolve({ settings: null, last: null }),
    );
    await show({
      tab: 'shelf',
      shelf: {
        settings,
        last: { ...last, left: [{ path: 'Mine.txt', because: 'it is not ours' }] },
      },
      client: { removeShelf },
    });
    expect(await screen.findByText('Mine.txt: skipped, because it is not ours.')).toBeTruthy();
    const outside = screen.getByRole('link', { name: 'Shelf on disk' }).closest('li');
    expect(outside?.textContent).toContain('up to date ✓');
    fireEvent.click(button('Remove the shelf'));
    await waitFor(() => {
      expect(screen.queryByRole('button', { name: 'Remove the shelf' })).toBeNull();
    });
  });

  it('that could not be written says why, there and at the side', async () => {
    await show({
      tab: 'shelf',
      shelf: { settings, last: { ...last, trouble: 'No room on the disk.' } },
    });
    expect((await screen.findByRole('alert')).textContent).toBe('No room on the disk.');
    expect(screen.getByText('⚠ out of date')).toBeTruthy();
  });

  it('refused, says why', async () => {
    await show({
      tab: 'shelf',
      client: { previewShelf: () => Promise.reject(new Error('There is something in /shelf.')) },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Preview' }));
    expect((await screen.findByRole('alert')).textContent).toBe('There is something in /shelf.');
  });

  it('of another computer is written there', async () => {
    await show({ tab: 'shelf', computer: { name: 'Loft', isElsewhere: true } });
    expect(screen.getByText('Loft is another computer: its shelf is written there.')).toBeTruthy();
    expect(screen.queryByLabelText('The tree of directories')).toBeNull();
  });

  it('the other way, a tree is read as a cabinet', async () => {
    const previewDocument = jest.fn<Client['previewDocument']>(never);
    await show({ tab: 'shelf', client: { previewDocument } });
    const look = (path: string): void => {
      fireEvent.change(screen.getByLabelText('The tree of directories'), {
        target: { value: path },
      });
      fireEvent.click(button('Read this directory'));
    };
    look('  ');
    expect(previewDocument).not.toHaveBeenCalled();
    look(' /mine ');
    await waitFor(() => {
      expect(previewDocument.mock.lastCall?.[0]).toMatchObject({ form: 'tree', text: '/mine' });
    });
  });
});

describe('backups', () => {
  const one = { file: 'a.backup', at: now.toISOString(), bytes: 2_048, rows: 1_200 };

  it('none, says so at both places, and makes one', async () => {
    await show({ tab: 'backups' });
    expect(await screen.findByText(/^There is no backup yet\./)).toBeTruthy();
    expect(screen.getByText(/none yet/).className).toBe('keep-warn');
    expect(screen.queryByText(/It is old/)).toBeNull();
    backups = { ...noBackups, backups: [one], isOld: false };
    fireEvent.click(button('Back up now'));
    expect(await screen.findByText(/^Last backup: today/)).toBeTruthy();
    expect(screen.getByText('1,200 rows, 2 kB')).toBeTruthy();
    expect(asked).toContainEqual(['POST', '/api/backups', null]);
  });

  it('that are old, or failed, say so', async () => {
    backups = {
      ...noBackups,
      backups: [{ ...one, bytes: 3_145_728 }],
      trouble: 'no room',
      isOld: true,
    };
    await show({ tab: 'backups' });
    expect(await screen.findByText(/It is old: make one now\./)).toBeTruthy();
    expect(screen.getByText('The last one failed: no room')).toBeTruthy();
    expect(screen.getByText(/the last one failed$/).textContent).toContain('⚠');
    expect(screen.getByText('1,200 rows, 3.0 MB')).toBeTruthy();
  });

  it('lie where one says, as many as one says', async () => {
    await show({ tab: 'backups' });
    fireEvent.change(await screen.findByLabelText('Directory'), { target: { value: '/other' } });
    fireEvent.change(screen.getByLabelText('Number to keep'), { target: { value: '3' } });
    fireEvent.click(button('Save'));
    await waitFor(() => {
      expect(asked).toContainEqual(['PUT', '/api/backups', { directory: '/other', keep: 3 }]);
    });
  });

  it('refused, say why', async () => {
    backups = new Error('That directory is in a plugin folder.');
    await show({ tab: 'backups' });
    expect((await screen.findByRole('alert')).textContent).toBe(
      'That directory is in a plugin folder.',
    );
  });
});
