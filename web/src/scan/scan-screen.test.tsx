/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type {
  FindingView,
  OpeningView,
  PlaceView,
  ScanProgress,
  ScanView,
} from '@clever-drawer/core/api';
import { formats } from '@clever-drawer/core/formats';
import { asId, type ComputerId, type CopyId } from '@clever-drawer/core/id';
import type { Client } from '../api/client.ts';
import { showScreen, type ScreenSaid, type ShownScreen } from '../studio/screen.test-data.tsx';

const { ScanScreen } = await import('./scan-screen.tsx');

/** What the server answers. */
const answered = (body: unknown, status = 200): Promise<unknown> =>
  Promise.resolve({ ok: status < 400, status, json: () => Promise.resolve(body) });
const never = <T,>(): Promise<T> => new Promise(() => undefined);

const place = (path: string, more: Partial<PlaceView> = {}): PlaceView => ({
  id: asId(path),
  path,
  formats,
  copies: 3,
  failed: 0,
  withoutProgram: 0,
  opened: 0,
  settings: 0,
  isOn: true,
  isWatched: false,
  reachable: true,
  ...more,
});

const noCounts: ScanView['counts'] = {
  arrived: 0,
  returned: 0,
  updated: 0,
  opened: 0,
  moved: 0,
  gone: 0,
  away: 0,
  failed: 0,
  unchanged: 0,
};

const scan = (id: string, more: Partial<ScanView> = {}): ScanView => ({
  id: asId(id),
  startedAt: '2026-03-04T10:00:00.000Z',
  endedAt: '2026-03-04T10:01:00.000Z',
  state: 'done',
  looked: 3,
  counts: noCounts,
  problems: [],
  ...more,
});

const finding = (sort: FindingView['sort'], more: Partial<FindingView> = {}): FindingView => ({
  id: sort,
  sort,
  name: `${sort} one`,
  vendor: 'Reed & Tide',
  format: 'VST3',
  path: `/plugins/${sort}.vst3`,
  from: null,
  to: null,
  plugin: asId('p'),
  copy: null,
  problem: null,
  ...more,
});

const progress: ScanProgress = {
  scan: asId('s'),
  state: 'running',
  place: '/plugins',
  examining: 'heron.vst3',
  done: 3,
  total: 10,
  unchanged: 0,
  failed: 0,
  isOpening: false,
  secondsLeft: 30,
};

const opening: OpeningView = { wish: 'ask', nameless: 0, unopened: 0, lacks: null };

interface Shown extends Omit<Partial<ScreenSaid>, 'client' | 'found'> {
  readonly places?: readonly PlaceView[];
  readonly scans?: readonly ScanView[];
  readonly running?: ScanProgress | null;
  readonly failed?: readonly FindingView[];
  readonly found?: readonly FindingView[];
  readonly opens?: OpeningView;
  readonly client?: Partial<Client>;
}

async function show({
  places = [place('/plugins')],
  scans = [],
  running = null,
  failed = [],
  found = [],
  opens = opening,
  client = {},
  ...said
}: Shown = {}): Promise<ShownScreen> {
  const shown = showScreen(ScanScreen, {
    at: '/scan',
    ...said,
    client: {
      places: () => Promise.resolve([...places]),
      scans: () => Promise.resolve({ scans: [...scans], progress: running }),
      findings: () => Promise.resolve([...found]),
      failedNow: () => Promise.resolve([...failed]),
      opening: () => Promise.resolve(opens),
      asides: () => Promise.resolve([]),
      waitingSettings: () => Promise.resolve([]),
      ...client,
    },
  });
  await screen.findByRole('heading', { name: 'What changed' });
  return shown;
}

const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });

afterEach(cleanup);

describe('a computer that was never scanned', () => {
  it('asks for places first, and does not scan without one', async () => {
    const startScan = jest.fn<Client['startScan']>(never);
    await show({ places: [], client: { startScan } });
    expect(screen.getByText(/Add a directory with plugins/)).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
    expect(screen.queryByRole('button', { name: 'Examine everything again' })).toBeNull();
  });

  it('with a place says what Scan will do, and scans what changed', async () => {
    const startScan = jest.fn<Client['startScan']>(never);
    await show({ client: { startScan } });
    expect(screen.getByText(/^Press Scan. New plugins/)).toBeTruthy();
    expect(screen.getByText('Not scanned yet.')).toBeTruthy();
    fireEvent.click(button('Scan'));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('changed');
    });
  });
});

describe('the places', () => {
  it('say what is in them, what failed, and what is the matter', async () => {
    await show({
      places: [
        place('/a', { failed: 2, opened: 4, settings: 1, isWatched: true, formats: ['LV2'] }),
        place('/b', { isOn: false, reachable: false, copies: 0 }),
      ],
    });
    const [, first, second] = screen.getAllByRole('row');
    expect(first?.textContent).toContain('LV2 · 4 opened · 1 saved setting · watched');
    expect(
      first &&
        within(first)
          .getAllByRole('cell')
          .map((one) => one.textContent),
    ).toContain('2');
    expect(first?.textContent).not.toContain('out of reach');
    expect(first?.textContent).not.toContain('switched off');
    expect(second?.textContent).toContain('all formats · off');
    expect(second?.textContent).toContain('out of reach');
    expect(second?.textContent).toContain('none');
    expect(second?.textContent).not.toContain('opened');
    expect(second?.textContent).not.toContain('saved setting');
  });

  it('lead to the plugins in File whose program is missing', async () => {
    await show({ places: [place('/a', { withoutProgram: 2 }), place('/b')] });
    const links = within(screen.getByRole('table')).getAllByRole('link');
    expect(links.map((one) => [one.textContent, one.getAttribute('href')])).toEqual([
      ['2 with a missing program', '/file?state=no-program'],
    ]);
  });

  it('are switched off and watched by a press, with what undoes it', async () => {
    const changePlace = jest.fn<Client['changePlace']>(() => Promise.resolve([place('/a')]));
    const { beside } = await show({ places: [place('/a')], client: { changePlace } });
    fireEvent.click(screen.getByRole('checkbox', { name: 'Scan /a' }));
    await waitFor(() => {
      expect(beside).toHaveLength(1);
    });
    fireEvent.click(button('Watch /a'));
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Stop scanning /a', 'Watch /a']);
    });
    await beside[0]?.undo();
    await beside[1]?.redo();
    await beside[1]?.undo();
    expect(changePlace.mock.calls.map(([, wanted]) => wanted)).toEqual([
      { isOn: false },
      { isWatched: true },
      { isOn: true },
      { isWatched: true },
      { isWatched: false },
    ]);
  });

  it('are removed, and undo adds them again as they were', async () => {
    const removePlace = jest.fn<Client['removePlace']>(() => Promise.resolve(null));
    const addPlace = jest.fn<Client['addPlace']>(() =>
      Promise.resolve(place('/a', { id: asId('again') })),
    );
    const changePlace = jest.fn<Client['changePlace']>(() => Promise.resolve([place('/a')]));
    const { beside } = await show({
      places: [place('/a', { isWatched: true, formats: ['LV2'] })],
      client: { removePlace, addPlace, changePlace },
    });
    fireEvent.click(button('Remove the place /a'));
    await waitFor(() => {
      expect(beside).toHaveLength(1);
    });
    await beside[0]?.undo();
    expect(addPlace).toHaveBeenCalledWith('/a', ['LV2']);
    expect(changePlace).toHaveBeenCalledWith('again', { isOn: true, isWatched: true });
    await beside[0]?.redo();
    expect(removePlace.mock.calls).toEqual([['/a'], ['again']]);
  });

  it('are added by their path, without spaces round it; a refusal is said at the field', async () => {
    const addPlace = jest.fn<Client['addPlace']>((path) =>
      path === '/none'
        ? Promise.reject(new Error('There is no /none.'))
        : Promise.resolve(place(path)),
    );
    await show({ client: { addPlace } });
    const field = screen.getByLabelText('Path of a directory with plugins');
    const submit = (path: string): void => {
      fireEvent.change(field, { target: { value: path } });
      fireEvent.click(button('Add a place'));
    };
    submit('  ');
    expect(await screen.findByText('Enter the path of a directory.')).toBeTruthy();
    submit('/none');
    expect(await screen.findByText('There is no /none.')).toBeTruthy();
    submit(' /more ');
    expect(await screen.findByText('/more added. Press Scan to read it.')).toBeTruthy();
    expect(addPlace.mock.calls).toEqual([['/none'], ['/more']]);
  });

  it('that are usual are added, or are there already', async () => {
    const addUsualPlaces = jest
      .fn<Client['addUsualPlaces']>()
      .mockResolvedValueOnce([place('/usr'), place('/opt')])
      .mockResolvedValueOnce([]);
    await show({ client: { addUsualPlaces } });
    fireEvent.click(button('Look in the usual places'));
    expect(await screen.findByText('2 usual places added')).toBeTruthy();
    fireEvent.click(button('Look in the usual places'));
    expect(await screen.findByText(/already listed/)).toBeTruthy();
  });
});

describe('a scan that runs', () => {
  it('says where it is, how far, and how long it takes, and can be stopped', async () => {
    const stopScan = jest.fn<Client['stopScan']>(never);
    await show({ scan: { ...progress, unchanged: 2, failed: 1 }, client: { stopScan } });
    const status = screen
      .getAllByRole('status')
      .map((one) => one.textContent)
      .join(' ');
    expect(status).toContain('3 of 10 · about 30 s left');
    expect(status).toContain('Reading heron.vst3 · 2 unchanged, skipped · 1 failed');
    expect(screen.queryByRole('button', { name: 'Scan' })).toBeNull();
    fireEvent.click(button('Stop'));
    expect(await screen.findByRole('button', { name: 'Stopping …' })).toBeTruthy();
    expect(stopScan).toHaveBeenCalled();
  });

  it('that has only begun, or only compares, says so', async () => {
    await show({ running: { ...progress, total: null, examining: '', secondsLeft: null } });
    const status = screen
      .getAllByRole('status')
      .map((one) => one.textContent)
      .join(' ');
    expect(status).toContain('finding plugins');
    expect(status).toContain('Comparing');
    expect(status).not.toContain('left');
    expect(status).not.toContain('failed');
    expect(status).not.toContain('unchanged');
  });

  it('that opens copies says that it opens; minutes are rounded up', async () => {
    await show({ scan: { ...progress, isOpening: true, secondsLeft: 90 } });
    const status = screen
      .getAllByRole('status')
      .map((one) => one.textContent)
      .join(' ');
    expect(status).toContain('Opening heron.vst3');
    expect(status).toContain('about 2 min left');
  });
});

describe('what came of the last scan', () => {
  it('is said for each way in which it ended', async () => {
    await show({ scans: [scan('a', { state: 'stopped' })] });
    expect(screen.getByText(/was stopped\. Scan again to continue/)).toBeTruthy();
    expect(screen.getByText(/stopped before the end/)).toBeTruthy();
    cleanup();
    await show({ scans: [scan('a', { state: 'interrupted' })] });
    expect(screen.getByText(/was interrupted/)).toBeTruthy();
    expect(screen.queryByText(/stopped before the end/)).toBeNull();
    cleanup();
    await show({ scans: [scan('a')] });
    expect(screen.getByText(/^Last scan: 4 Mar/)).toBeTruthy();
    expect(await screen.findByText('Everything is as it was.')).toBeTruthy();
    cleanup();
    await show({ scans: [scan('a', { state: 'running', endedAt: null })] });
    expect(await screen.findByText('Nothing new so far.')).toBeTruthy();
  });

  it('scans anew in other ways, only the failed ones where some failed', async () => {
    const startScan = jest.fn<Client['startScan']>(never);
    await show({ scans: [scan('a')], client: { startScan } });
    expect(screen.queryByRole('button', { name: /^Only the/ })).toBeNull();
    fireEvent.click(button('Examine everything again'));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('everything');
    });
    cleanup();
    await show({
      places: [place('/a', { failed: 1 }), place('/b', { failed: 2 })],
      scans: [scan('a')],
      client: { startScan },
    });
    fireEvent.click(button('Only the 3 that failed'));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('failed');
    });
  });

  it('names what could not be read', async () => {
    await show({ scans: [scan('a', { problems: ['/a/locked may not be read'] })] });
    expect(screen.getByText('One file or directory could not be read')).toBeTruthy();
    expect(screen.getByText('/a/locked may not be read')).toBeTruthy();
  });
});

describe('the findings', () => {
  it('are counted, failed ones first, each with what happened', async () => {
    await show({
      scans: [scan('a', { counts: { ...noCounts, arrived: 2, failed: 1, unchanged: 9 } })],
      found: [
        finding('gone'),
        finding('arrived', { to: '2.0', vendor: null }),
        finding('updated', { from: '1.0', to: '1.1' }),
        finding('opened', { from: 'heron', to: 'Heron' }),
        finding('moved', { from: '/old' }),
        finding('away'),
        finding('failed', {
          problem: { code: 'place-missing', at: '/plugins/failed.vst3' },
          copy: asId('c'),
          plugin: null,
        }),
      ],
    });
    expect(screen.getByText(/2 arrived · 1 failed/).textContent).toContain(' · 9 unchanged.');
    const list = await screen.findByRole('region', { name: 'Findings' });
    const rows = within(list)
      .getAllByRole('listitem')
      .map((row) => row.textContent);
    expect(rows).toHaveLength(7);
    expect(rows[0]).toMatch(/^Failed/);
    expect(rows[1]).toContain('no vendor named · VST3 · 2.0');
    expect(rows[2]).toContain('1.0 → 1.1 · VST3');
    expect(rows[3]).toContain('VST3 · from /old');
    expect(rows[4]).toContain('its place cannot be reached');
    expect(rows[5]).toContain('VST3 · was /plugins/gone.vst3');
    expect(rows[6]).toContain('was heron · Reed & Tide · VST3');
    expect(within(list).getAllByRole('button', { name: 'Set aside' })).toHaveLength(1);
    // Neither what is gone nor what has no plugin is in File.
    expect(within(list).getAllByRole('link', { name: 'Show in File' })).toHaveLength(5);
  });

  it('with the same version say that it is as before', async () => {
    await show({
      scans: [scan('a', { counts: { ...noCounts, updated: 1 } })],
      found: [finding('updated', { from: '1.0', to: '1.0' })],
    });
    expect(await screen.findByText('VST3 · changed, version 1.0 as before')).toBeTruthy();
  });

  it('of arrivals lead to File; only so many are shown, which is said', async () => {
    await show({
      scans: [scan('a', { counts: { ...noCounts, arrived: 500 } })],
      found: [finding('arrived')],
    });
    expect(await screen.findByText(/Showing the first 1\./)).toBeTruthy();
    expect(
      screen.getByRole('link', { name: 'Show what arrived in File' }).getAttribute('href'),
    ).toContain('/file?arrived=');
  });

  it('of an earlier scan, and all that failed, are a press away', async () => {
    const asked: string[] = [];
    await show({
      scans: [scan('new'), scan('old', { startedAt: '2025-03-04T10:00:00.000Z' })],
      failed: [
        finding('failed', {
          path: '/plugins/x.vst3',
          problem: { code: 'place-missing', at: '/elsewhere' },
        }),
      ],
      client: {
        findings: (id) => {
          asked.push(id);
          return Promise.resolve([]);
        },
      },
    });
    fireEvent.click(button(/^4 Mar 2025/));
    await waitFor(() => {
      expect(asked).toEqual(['new', 'old']);
    });
    expect(button(/^4 Mar 2025/).getAttribute('aria-current')).toBe('true');
    fireEvent.click(button('Failed now · 1'));
    expect(await screen.findByText('failed one')).toBeTruthy();
    expect(button(/^4 Mar 2025/).getAttribute('aria-current')).toBeNull();
    // The reason does not say where it lies, so the path is added.
    expect(screen.getByText('/plugins/x.vst3')).toBeTruthy();
  });
});

describe('opening copies', () => {
  it('is offered where copies were never opened, and by one press', async () => {
    const startScan = jest.fn<Client['startScan']>(never);
    await show({
      opens: { ...opening, unopened: 5, nameless: 2, lacks: 'Memory is not limited here.' },
      client: { startScan },
    });
    const offer = await screen.findByText(/only the file name is known/);
    expect(offer.closest('section')?.textContent).toContain('Memory is not limited here.');
    fireEvent.click(button('Open 5 copies'));
    await waitFor(() => {
      expect(startScan).toHaveBeenCalledWith('open');
    });
  });

  it('is wished always, when pressed, or never, which is shown at once', async () => {
    const changeOpening = jest.fn<Client['changeOpening']>((wish) =>
      Promise.resolve({ ...opening, wish }),
    );
    await show({ client: { changeOpening } });
    const wish = await screen.findByLabelText<HTMLSelectElement>(
      /Open copies that reading cannot identify/,
    );
    expect(wish.value).toBe('ask');
    expect(screen.queryByRole('button', { name: /^Open / })).toBeNull();
    fireEvent.change(wish, { target: { value: 'always' } });
    await waitFor(() => {
      expect(wish.value).toBe('always');
    });
  });

  it('is not spoken of while a scan runs, or without places', async () => {
    const opens = { ...opening, unopened: 5 };
    await show({ scan: progress, opens });
    expect(screen.queryByRole('region', { name: 'Opening' })).toBeNull();
    cleanup();
    await show({ places: [], opens });
    expect(screen.queryByRole('region', { name: 'Opening' })).toBeNull();
  });
});

describe('what is beside the places', () => {
  it('has what was set aside, to be restored one by one or all at once', async () => {
    const aside = (copy: string, name: string) =>
      ({ copy: asId<CopyId>(copy), name, format: 'VST2', path: `/plugins/${copy}` }) as const;
    const { acts } = await show({
      client: { asides: () => Promise.resolve([aside('a', 'Croak'), aside('b', 'Rasp')]) },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Restore Croak, VST2' }));
    fireEvent.click(screen.getByRole('button', { name: 'Restore all 2' }));
    expect(acts).toEqual([
      { act: 'restore', copies: ['a'] },
      { act: 'restore', copies: ['a', 'b'] },
    ]);
  });

  it('has settings that wait for their plugin', async () => {
    const waits = { format: 'LV2', bank: null, vendor: null } as const;
    await show({
      client: {
        waitingSettings: () =>
          Promise.resolve([
            { ...waits, name: 'Hall', path: '/a', plugin: 'urn:x', pluginName: null },
            { ...waits, name: 'Room', path: '/b', plugin: null, pluginName: null },
            {
              ...waits,
              name: 'Cave',
              path: '/c',
              plugin: null,
              pluginName: 'Echo',
              vendor: 'Reed',
            },
          ]),
      },
    });
    const summary = await screen.findByText('3 saved settings wait for their plugins');
    const rows = within(summary.parentElement as HTMLElement).getAllByRole('listitem', {
      hidden: true,
    });
    expect(rows.map((row) => row.textContent)).toEqual([
      'Hall LV2 of urn:x',
      'Room LV2 of an unnamed plugin',
      'Cave LV2 of Echo, Reed',
    ]);
  });
});

describe('another computer', () => {
  it('has no places to be scanned, but lines to be read in', async () => {
    await show({ computer: { name: 'Loft', isElsewhere: true } });
    expect(screen.getByRole('heading', { name: 'Loft is another computer' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Scan' })).toBeNull();
    expect(screen.queryByLabelText('Name of that computer')).toBeNull();
  });

  it('is renamed, which undo takes back; a name that another one has is refused in words', async () => {
    const asked: unknown[] = [];
    const taken = { problems: [{ code: 'computer-name-taken', at: 'name', message: 'Taken.' }] };
    globalThis.fetch = ((address: string, { method, body }: RequestInit = {}) => {
      if (method === 'GET') {
        return answered([]);
      }
      asked.push([method, address, body]);
      return asked.length === 1 ? answered(taken, 409) : answered({ name: 'Attic' });
    }) as typeof fetch;
    const { beside } = await show({ computer: { name: 'Loft', isElsewhere: true } });
    fireEvent.click(screen.getByRole('button', { name: 'Rename this computer…' }));
    const field = screen.getByLabelText<HTMLInputElement>('Name');
    expect(field.value).toBe('Loft');
    fireEvent.change(field, { target: { value: 'Attic' } });
    fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
    expect((await screen.findByText('Taken.')).id).toBe(field.getAttribute('aria-describedby'));
    fireEvent.click(screen.getByRole('button', { name: 'Rename' }));
    await waitFor(() => {
      expect(beside.map(({ words }) => words)).toEqual(['Rename Loft to Attic']);
    });
    expect(screen.queryByLabelText('Name')).toBeNull();
    await beside[0]?.undo();
    await beside[0]?.redo();
    const rename = (name: string) => ['PATCH', '/api/computers/desk', JSON.stringify({ name })];
    expect(asked).toEqual(['Attic', 'Attic', 'Loft', 'Attic'].map(rename));
  });

  it('is removed after a question, and another one is shown', async () => {
    const asked: unknown[] = [];
    globalThis.fetch = ((address: string, { method }: RequestInit = {}) => {
      asked.push([method, address]);
      return answered([]);
    }) as typeof fetch;
    const chosen: string[] = [];
    const loft = { id: asId<ComputerId>('desk'), name: 'Loft', isElsewhere: true };
    await show({
      computer: loft,
      computers: [loft, { id: asId('other'), name: 'Other', isElsewhere: false }],
      chooseComputer: (id) => {
        chosen.push(id);
      },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Remove this computer' }));
    expect(asked).not.toContainEqual(['DELETE', '/api/computers/desk']);
    expect(screen.getByText(/You can restore it later/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Remove this computer' }));
    await waitFor(() => {
      expect(chosen).toEqual(['other']);
    });
    expect(asked).toContainEqual(['DELETE', '/api/computers/desk']);
  });

  it('is not removed where it is this one; removed ones are restored', async () => {
    const bodies: unknown[] = [];
    globalThis.fetch = ((_: string, { method, body }: RequestInit = {}) => {
      if (method === 'GET') {
        return answered([{ id: 'attic', name: 'Attic', isElsewhere: true }]);
      }
      bodies.push(body);
      return answered({ name: 'Attic' });
    }) as typeof fetch;
    await show();
    expect(screen.queryByRole('button', { name: 'Remove this computer' })).toBeNull();
    fireEvent.click(await screen.findByRole('button', { name: 'Restore Attic' }));
    await waitFor(() => {
      expect(bodies).toEqual(['{"computer":"attic"}']);
    });
  });

  it('needs a name before its lines are taken', async () => {
    await show();
    fireEvent.paste(window, { clipboardData: { files: [], getData: () => '{}' } });
    expect(await screen.findByText('Enter the computer’s name first.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Name of that computer'), { target: { value: 'Loft' } });
    expect(screen.queryByText('Enter the computer’s name first.')).toBeNull();
  });

  it('is asked about before much of what is known of it goes', async () => {
    const asked: string[] = [];
    const problem = { code: 'many-gone', at: 'Loft', gone: 7, known: 12, copies: 5 };
    const answers = [
      { ok: false, status: 409, problems: [{ ...problem, message: '7 of 12 would go.' }] },
      { ok: false, status: 400, problems: [{ code: 'no-copies', at: 'copies', message: 'None.' }] },
    ];
    globalThis.fetch = ((address: string) => {
      if (address === '/api/removed-computers') {
        return answered([]);
      }
      asked.push(address);
      const { problems, ...answer } = answers[asked.length - 1] ?? { problems: [] };
      return Promise.resolve({ ...answer, json: () => Promise.resolve({ problems }) });
    }) as typeof fetch;
    await show({ computer: { name: 'Loft', isElsewhere: true } });
    fireEvent.paste(window, { clipboardData: { files: [], getData: () => '{}' } });
    expect(await screen.findByText('7 of 12 would go.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Import it and mark them as gone' }));
    expect(await screen.findByText('None.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Import it/ })).toBeNull();
    expect(asked).toEqual(['/api/take?computer=Loft', '/api/take?computer=Loft&gone=accept']);
  });
});
