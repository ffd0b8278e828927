/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { PutOff, WorkedReview } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import {
  materialOf,
  reviewPart,
  wishOf,
  type Advice,
  type PastUse,
  type ReviewPart,
  type ReviewSource,
} from '@clever-drawer/core/review';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import type { Client } from '../api/client.ts';
import { readTray } from '../annotate/stored-tray.ts';
import { cabinetOf, folderOf } from '../studio/order.test-data.ts';
import { showScreen, type ScreenSaid, type ShownScreen } from '../studio/screen.test-data.tsx';

const { ReviewScreen } = await import('./review-screen.tsx');

const now = Date.UTC(2026, 9, 15, 12);
const day = 86_400_000;

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, {
    vendor: 'Quoin',
    types: ['delay/tape'],
    copies: [copyOf(`${name.toLowerCase()}-vst3`)],
    ...more,
  });

const plugins = [
  there('Sluice'),
  there('Heron', { vendor: 'Mothlight', types: ['reverb/plate'] }),
  there('Egret', {
    copies: [
      copyOf('egret-vst3', { standsInFor: [asId('egret-vst2')] }),
      copyOf('egret-vst2', { format: 'VST2', path: '/old/egret.so' }),
    ],
  }),
];

const load = (plugin: string, daysAgo: number, more: Partial<PastUse> = {}): PastUse => ({
  plugin,
  at: now - daysAgo * day,
  track: 'track',
  after: null,
  typed: 'slu',
  keys: 4,
  took: 900,
  folder: null,
  ...more,
});

interface Shown extends Omit<Partial<ScreenSaid>, 'client' | 'usage'> {
  readonly part?: ReviewPart;
  readonly uses?: readonly PastUse[];
  readonly source?: Partial<ReviewSource>;
  readonly isLearning?: boolean;
  /** Advice instead of what core gives. */
  readonly advice?: readonly Advice[];
  readonly putOffs?: PutOff;
  readonly client?: Partial<Client>;
}

/** A review worked out by core of what the test says. */
async function show({
  part,
  uses = [],
  source = {},
  records = [],
  isLearning = true,
  advice,
  putOffs = {},
  client = {},
  ...said
}: Shown = {}): Promise<ShownScreen> {
  const material = materialOf(
    {
      computer: 'desk',
      catalog: said.plugins ?? plugins,
      order: records,
      settings: [],
      usage: [],
      uses,
      comings: [],
      sessions: [],
      ...source,
    },
    now,
  );
  let kept = putOffs;
  const shown = showScreen(ReviewScreen, {
    at: part === undefined ? '/review' : `/review?part=${part}`,
    path: '/review',
    plugins,
    records,
    ...said,
    client: {
      review: (wanted, view): Promise<WorkedReview> => {
        const worked = reviewPart[wanted](material, wishOf(view, now));
        return Promise.resolve({
          at: new Date(now).toISOString(),
          isLearning,
          review: { [wanted]: wanted === 'worth' && advice ? { ...worked, advice } : worked },
        });
      },
      putOffs: () => Promise.resolve(kept),
      putOff: (what, until) => {
        const others = Object.fromEntries(Object.entries(kept).filter(([key]) => key !== what));
        kept = until === undefined ? others : { ...others, [what]: until };
        return Promise.resolve(kept);
      },
      ...client,
    },
  });
  await waitFor(() => {
    expect(screen.getByRole('main').getAttribute('aria-busy')).toBe('false');
  });
  return shown;
}

/** The figures of a picture as a table. */
function figures(title: string): string[] {
  fireEvent.click(screen.getByRole('button', { name: `${title}: show as a table` }));
  const table = screen.getByRole('region', { name: `${title}, numbers` });
  return within(table)
    .getAllByRole('row')
    .map((row) => [...row.children].map((cell) => cell.textContent).join(' | '));
}

const mark = (name: string | RegExp): SVGElement =>
  screen.getByRole('button', { name }) as unknown as SVGElement;

beforeEach(() => {
  jest.useFakeTimers({ now, advanceTimers: true });
  // Pictures are drawn as wide as their box is.
  Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, value: 600 });
  class Told {
    readonly #tell: () => void;
    constructor(tell: () => void) {
      this.#tell = tell;
    }
    observe(): void {
      this.#tell();
    }
    unobserve(): void {
      // Told once.
    }
    disconnect(): void {
      // Told once.
    }
  }
  Object.assign(globalThis, { ResizeObserver: Told });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
  sessionStorage.clear();
});

describe('the parts of a review', () => {
  it('stand in the address, the first without a name', async () => {
    const { address } = await show();
    fireEvent.click(screen.getByRole('button', { name: 'What you own' }));
    expect(address()).toBe('/review?part=own');
    expect(await screen.findByRole('region', { name: 'Owned beside used' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Worth doing' }));
    expect(address()).toBe('/review');
  });

  it('are of a time and of some plugins, which stand in the address, too', async () => {
    const { address } = await show({ part: 'own' });
    fireEvent.change(screen.getByLabelText('Vendor'), { target: { value: 'Mothlight' } });
    expect(address()).toBe('/review?part=own&vendor=Mothlight');
    await waitFor(() => {
      expect(screen.getByRole('main').getAttribute('aria-busy')).toBe('false');
    });
    expect(figures('Owned beside used')).toEqual([
      'Group | Owned | Used | Loads',
      'Reverb | 1 | 0 | 0',
    ]);
    fireEvent.change(screen.getByLabelText('Vendor'), { target: { value: '' } });
    expect(address()).toBe('/review?part=own');
  });

  it('that cannot be worked out say why', async () => {
    showScreen(ReviewScreen, {
      at: '/review',
      client: { review: () => Promise.reject(new Error('The database is away.')) },
    });
    expect((await screen.findByRole('alert')).textContent).toBe('The database is away.');
  });
});

describe('what one owns', () => {
  it('is counted by vendor and group, owned beside used', async () => {
    await show({ part: 'own', uses: [load('sluice', 3), load('sluice', 4), load('heron', 2)] });
    expect(figures('Who makes what you own')).toEqual([
      'Vendor | Group | Plugins | Used | Loads',
      'Quoin | Delay | 2 | 1 | 2',
      'Mothlight | Reverb | 1 | 1 | 1',
    ]);
    expect(figures('Owned beside used')).toEqual([
      'Group | Owned | Used | Loads',
      'Delay | 2 | 1 | 2',
      'Reverb | 1 | 1 | 1',
    ]);
    expect(figures('Formats and old copies')).toEqual([
      'Format | Bits | Copies | Plugins | Replaced',
      'VST2 | 64 | 1 | 1 | 1',
      'VST3 | 64 | 3 | 3 | 0',
    ]);
  });

  it('shows the plugins behind a mark, which go to the tray in File', async () => {
    const { address } = await show({ part: 'own', uses: [load('sluice', 3)] });
    fireEvent.click(mark(/^Delay: 2 plugins, 1 used, 1 load$/));
    const dialog = await screen.findByRole('dialog');
    expect(
      within(dialog)
        .getAllByRole('link')
        .map((one) => one.textContent)
        .sort(),
    ).toEqual(['Egret', 'Sluice']);
    fireEvent.click(
      within(dialog).getByRole('button', { name: 'Add 2 plugins to the tray in File' }),
    );
    expect(readTray('desk').sort()).toEqual(['egret', 'sluice']);
    expect(address()).toBe('/file');
  });

  it('is walked by keyboard, mark by mark', async () => {
    await show({ part: 'own' });
    const picture = screen.getByRole('group', { name: 'Owned beside used' });
    const [first, second] = within(picture).getAllByRole('button');
    expect([first?.getAttribute('tabindex'), second?.getAttribute('tabindex')]).toEqual([
      '0',
      '-1',
    ]);
    first?.focus();
    fireEvent.keyDown(first as HTMLElement, { key: 'ArrowDown' });
    expect(document.activeElement).toBe(second);
    expect([first?.getAttribute('tabindex'), second?.getAttribute('tabindex')]).toEqual([
      '-1',
      '0',
    ]);
    fireEvent.keyDown(second as HTMLElement, { key: 'Enter' });
    expect((await screen.findByRole('dialog')).textContent).toContain('Reverb');
  });

  it('says which sessions still ask for an old copy', async () => {
    await show({
      part: 'own',
      source: { sessions: [{ session: 'Heron film', copies: ['egret-vst2'] }] },
    });
    fireEvent.click(screen.getByRole('button', { name: 'asked for by 1 session' }));
    const dialog = await screen.findByRole('dialog');
    expect(within(dialog).getByRole('heading').textContent).toContain('Heron film still asks for');
    expect(within(dialog).getByRole('link').textContent).toBe('Egret');
  });

  it('says what will stand there where nothing was scanned', async () => {
    await show({ part: 'own', plugins: [] });
    expect(screen.getByText(/Scan to see who makes/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /as a table$/ })).toBeNull();
  });
});

describe('what one uses', () => {
  it('gathers dust by age and loads, and what was loaded when', async () => {
    await show({ part: 'use', uses: [load('sluice', 2), load('heron', 200)] });
    expect(screen.getByText(/^\d of 3 plugins were not loaded for three months/)).toBeTruthy();
    expect(figures('What you used when')).toEqual([
      'Month | Group | Loads | Plugins',
      expect.stringMatching(/Reverb \| 1 \| 1$/),
      expect.stringMatching(/Delay \| 1 \| 1$/),
    ]);
  });

  it('is also shown by sort of track', async () => {
    await show({ part: 'use', uses: [load('sluice', 2, { track: 'bus' })] });
    fireEvent.click(screen.getByRole('button', { name: 'by sort of track' }));
    expect(figures('What you used when')[0]).toBe('Month | Sort of track | Loads | Plugins');
    expect(screen.getByRole('button', { name: 'by type' })).toBeTruthy();
  });

  it('goes with something else, in pairs, and in rows that are kept as chains', async () => {
    const row = (daysAgo: number): PastUse[] => [
      load('sluice', daysAgo),
      load('heron', daysAgo - 0.001, { after: 'sluice' }),
      load('egret', daysAgo - 0.002, { after: 'heron' }),
    ];
    const { acts } = await show({ part: 'use', uses: [9, 8, 7, 6, 5].flatMap(row) });
    expect(figures('What goes with what')[1]).toMatch(/^Sluice \| Heron \| 5|^Heron \| Egret \| 5/);
    fireEvent.click(screen.getByRole('button', { name: 'repeated chains' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep Sluice → Heron → Egret as a chain' }));
    expect(acts).toMatchObject([
      { act: 'add-chain', name: 'Sluice → Heron → Egret', plugins: ['sluice', 'heron', 'egret'] },
    ]);
  });

  it('says how it is found, by which keys', async () => {
    await show({ part: 'use', uses: [load('sluice', 2), load('sluice', 3, { keys: 6 })] });
    expect(screen.getByText(/Typed most often: “slu”/)).toBeTruthy();
    expect(figures('How you find')).toEqual([
      'Month | Loads | Keys a load | Median | Seconds',
      '2026-10 | 2 | 5 | 5 | 0.9',
    ]);
  });

  it('is not told where it is not learnt', async () => {
    await show({ part: 'use', isLearning: false });
    expect(screen.getByRole('heading', { name: 'Loads are not recorded' })).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'What gathers dust' })).toBeNull();
  });
});

describe('what changed', () => {
  it('is counted by month', async () => {
    await show({
      part: 'changes',
      source: {
        comings: [
          { plugin: 'sluice', at: now - day, what: 'came' },
          { plugin: 'heron', at: now - day, what: 'updated' },
          { plugin: 'egret', at: now - 2 * day, what: 'went' },
        ],
      },
    });
    expect(figures('What came, went and was updated')).toContain('2026-10 | 1 | 1 | 1');
  });

  it('lists trials by their day: ended, today, to come', async () => {
    const trial = (id: string, until: string): OrderRecord => ({
      table: 'answer',
      id: asId(id),
      kind: null,
      types: null,
      vendor: null,
      licence: { state: 'trial', until },
      tags: [],
      notes: '',
      isHidden: false,
      picture: null,
      alsoCalled: [],
      firstCopy: null,
    });
    await show({
      part: 'changes',
      records: [
        trial('sluice', '2026-10-15'),
        trial('heron', '2026-10-13'),
        trial('egret', '2026-10-18'),
      ],
    });
    const rows = within(screen.getByRole('region', { name: 'What is about to end' })).getAllByRole(
      'listitem',
    );
    expect(rows.map((row) => row.textContent)).toEqual([
      'Heron 2026-10-13, ended 2 days ago',
      'Sluice 2026-10-15, ends today',
      'Egret 2026-10-18, 3 days left',
    ]);
  });
});

describe('the order', () => {
  const file = (folder: string, plugin: string): OrderRecord => ({
    table: 'placement',
    id: asId(`${folder} ${plugin}`),
    folder: asId(folder),
    plugin: asId(plugin),
    position: 'V',
  });
  const records = [
    cabinetOf('c'),
    folderOf('Delays'),
    file('Delays', 'sluice'),
    file('Delays', 'egret'),
    folderOf('Empty', {
      form: 'smart',
      rule: {
        cards: [{ lines: [{ field: 'name', relation: 'has', values: ['nothing'] }] }],
        never: [],
      },
    }),
  ];

  it('is filed by hand, by a rule, or nowhere', async () => {
    await show({ part: 'order', records });
    expect(
      screen.getByText('67 % of 3 plugins are in a folder that you made, 33 % in none.'),
    ).toBeTruthy();
    expect(figures('What is filed')).toEqual([
      'Where | Plugins',
      'filed by hand | 2',
      'only by a rule | 0',
      'unfiled | 1',
    ]);
  });

  it('has folders to look at, each a link, with its plugins behind it', async () => {
    await show({ part: 'order', records, uses: [load('heron', 3)] });
    const notes = screen.getByRole('region', { name: 'Folders to look at' });
    expect(notes.textContent).toContain('Smart folders that are empty');
    expect(within(notes).getAllByRole('link', { name: 'Empty' })[0]?.getAttribute('href')).toBe(
      '/file?open=Empty',
    );
    fireEvent.click(
      within(notes).getAllByRole('button', { name: 'See the plugins: Delays' })[0] as HTMLElement,
    );
    expect(within(await screen.findByRole('dialog')).getAllByRole('link')).toHaveLength(2);
  });

  it('in which all is well, says so', async () => {
    await show({ part: 'order', records: [cabinetOf('c')] });
    expect(screen.getByText(/^No two folders are nearly the same/)).toBeTruthy();
  });
});

describe('what is worth doing', () => {
  const advice = (kind: Advice['kind'], more: Partial<Advice> = {}): Advice => ({
    key: kind,
    kind,
    tied: [],
    worth: 1,
    title: `Title of ${kind}`,
    brings: `What ${kind} brings.`,
    plugins: ['sluice', 'heron'],
    copies: [],
    folders: [],
    slow: [],
    ...more,
  });
  const open = async (title: string): Promise<HTMLElement> => {
    fireEvent.click(screen.getByRole('button', { name: `Look at it: ${title}` }));
    return screen.findByRole('dialog');
  };

  it('says that nothing stands out', async () => {
    await show({ advice: [] });
    expect(screen.getByText(/^Nothing yet\./)).toBeTruthy();
  });

  it('is followed for what is chosen, which is all at first but what is in use', async () => {
    const tied = [{ plugin: 'egret', ties: ['filed', 'loaded'] as const }];
    const { acts } = await show({ advice: [advice('hide-unused', { tied })] });
    const dialog = await open('Title of hide-unused');
    const boxes = within(dialog).getAllByRole<HTMLInputElement>('checkbox');
    expect(boxes.map(({ checked }) => checked)).toEqual([false, true, true, false]);
    expect(dialog.textContent).toContain('in a folder, loaded before');
    expect(dialog.textContent).toContain('2 of 3 chosen');
    fireEvent.click(within(dialog).getByRole('checkbox', { name: 'Heron' }));
    fireEvent.click(within(dialog).getByRole('checkbox', { name: 'Egret' }));
    fireEvent.click(within(dialog).getByRole('button', { name: 'Hide 2 plugins in Load' }));
    expect(acts).toMatchObject([
      { act: 'answer', say: [{ plugins: ['sluice', 'egret'], set: { isHidden: true } }] },
    ]);
    await waitFor(() => {
      expect(screen.queryByRole('dialog')).toBeNull();
    });
  });

  it('is for nobody when nothing is chosen, and for all by one press', async () => {
    const { acts } = await show({ advice: [advice('doubles')] });
    const dialog = await open('Title of doubles');
    const all = within(dialog).getByRole('checkbox', { name: '2 of 2 chosen' });
    fireEvent.click(all);
    const hide = within(dialog).getByRole<HTMLButtonElement>('button', { name: /^Hide 0/ });
    expect(hide.disabled).toBe(true);
    fireEvent.click(all);
    fireEvent.click(within(dialog).getByRole('button', { name: 'Hide 2 plugins in Load' }));
    expect(acts).toMatchObject([{ say: [{ plugins: ['sluice', 'heron'] }] }]);
  });

  it('that cannot be followed stays open', async () => {
    await show({ advice: [advice('hide-unused')], canAct: false });
    const dialog = await open('Title of hide-unused');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Hide 2 plugins in Load' }));
    expect(screen.getByRole('dialog')).toBeTruthy();
  });

  it('keeps a chain under the name that one gives', async () => {
    const { acts } = await show({ advice: [advice('keep-chain')] });
    const dialog = await open('Title of keep-chain');
    const name = within(dialog).getByLabelText<HTMLInputElement>('Name of the chain');
    expect(name.value).toBe('Sluice → Heron');
    fireEvent.change(name, { target: { value: 'Pair' } });
    fireEvent.submit(name);
    expect(acts).toMatchObject([{ act: 'add-chain', name: 'Pair', plugins: ['sluice', 'heron'] }]);
  });

  it('lists old copies exactly, and sets those aside that are chosen', async () => {
    const retirable = {
      plugin: 'egret',
      copy: 'egret-vst2',
      format: 'VST2',
      is32Bit: true,
      path: '/old/egret.so',
      version: '1.0',
      by: { format: 'VST2', version: '2.0', path: '/new/egret.so' },
      sessions: [],
      ties: [],
    } as const;
    const needed = {
      ...retirable,
      copy: 'needed',
      path: '/needed.so',
      sessions: ['Gulls'],
      ties: ['session'],
    } as const;
    const { acts } = await show({
      advice: [advice('retire', { plugins: ['egret'], copies: [needed, retirable] })],
    });
    const dialog = await open('Title of retire');
    expect(dialog.textContent).toContain('Their files are not touched');
    const [first, second] = within(dialog).getAllByRole('listitem');
    expect(first?.textContent).toContain('VST2 · 32-bit · 1.0/old/egret.so');
    expect(first?.textContent).toContain('Newer: VST2 2.0, /new/egret.so');
    expect(second?.textContent).toContain('a session needs it');
    expect(second?.textContent).toContain('Needed in Gulls.');
    fireEvent.click(within(dialog).getByRole('button', { name: 'Set 1 copy aside' }));
    expect(acts).toEqual([{ act: 'set-aside', copies: ['egret-vst2'] }]);
    expect(await screen.findByText(/^1 copy is set aside\./)).toBeTruthy();
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('names what is slow to find', async () => {
    await show({
      advice: [
        advice('name-slow', {
          slow: [
            { plugin: 'sluice', loads: 4, keys: 9.25, typed: 'slu' },
            { plugin: 'heron', loads: 1, keys: 8, typed: '' },
          ] as never,
        }),
      ],
    });
    const dialog = await open('Title of name-slow');
    const rows = within(dialog)
      .getAllByRole('listitem')
      .map((row) => row.textContent);
    expect(rows).toEqual([
      'Sluice 9.3 keys, 4 loads, typed “slu”Name it …',
      'Heron 8.0 keys, 1 loadName it …',
    ]);
    // There is nothing to be done for all of them at once.
    expect(within(dialog).queryByRole('button', { name: 'Cancel' })).toBeNull();
    fireEvent.click(within(dialog).getByRole('button', { name: 'Name Heron' }));
    expect(await screen.findByLabelText('Nickname')).toBeTruthy();
  });

  it('is put off for a month, or for good, and told again', async () => {
    const putOffs: PutOff = { merge: null, doubles: new Date(now - day).toISOString() };
    await show({ advice: [advice('reorder'), advice('merge'), advice('doubles')], putOffs });
    expect(screen.queryByText('Title of merge', { selector: 'strong' })).toBeNull();
    // What was put off until yesterday is told again.
    expect(await screen.findByText('Title of doubles', { selector: 'strong' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Not now: Title of reorder' }));
    expect(await screen.findByText('2 put off')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Never: Title of doubles' }));
    expect(await screen.findByText('3 put off')).toBeTruthy();
    fireEvent.click(
      screen.getByText('Show again', {
        exact: false,
        selector: 'button[aria-label="Show again: Title of merge"]',
      }),
    );
    expect(await screen.findByText('Title of merge', { selector: 'strong' })).toBeTruthy();
  });

  it('offers forgotten plugins to be tried again, or others instead', async () => {
    const usage = [
      {
        plugin: asId<Plugin['id']>('sluice'),
        warmth: 4,
        loads: 9,
        lastLoaded: new Date(now - day).toISOString(),
      },
      {
        plugin: asId<Plugin['id']>('egret'),
        warmth: 0,
        loads: 2,
        lastLoaded: new Date(now - 200 * day).toISOString(),
      },
    ];
    const putOff = jest.fn<Client['putOff']>((what) => Promise.resolve({ [what]: null }));
    showScreen(ReviewScreen, {
      at: '/review',
      plugins,
      usage,
      client: {
        review: () =>
          Promise.resolve({
            at: '',
            isLearning: true,
            review: { worth: { summary: ['All is well.'], advice: [] } as never },
          }),
        putOffs: () => Promise.resolve({}),
        putOff,
      },
    });
    expect(await screen.findByText('All is well.')).toBeTruthy();
    const again = screen.getByRole('region', { name: 'Try again this week' });
    const link = await within(again).findByRole('link', { name: 'Egret' });
    expect(link.closest('li')?.textContent).toContain('loaded 2 times');
    fireEvent.click(within(again).getByRole('button', { name: 'Another one instead of Egret' }));
    await waitFor(() => {
      expect(within(again).queryByRole('link', { name: 'Egret' })).toBeNull();
    });
    expect(putOff.mock.lastCall).toEqual(['try egret', expect.stringMatching(/^2027-01-13/)]);
  });
});

describe('the drawings', () => {
  const number = (element: Element | null | undefined, name: string): number =>
    Number(element?.getAttribute(name));
  const shapes = (title: string, selector: string): Element[] => [
    ...screen.getByRole('group', { name: title }).querySelectorAll(selector),
  ];

  it('of bars fill the share that is used, with words behind their end', async () => {
    await show({ part: 'own', uses: [load('sluice', 3)] });
    const [whole] = shapes('Owned beside used', '.bar-whole');
    const [part] = shapes('Owned beside used', '.bar-part');
    expect(number(part, 'width') * 2).toBeCloseTo(number(whole, 'width'));
    expect(number(whole, 'x')).toBe(110);
    const [says] = shapes('Owned beside used', '.bar-says');
    expect(number(says, 'x')).toBeCloseTo(110 + number(whole, 'width') + 7);
    // Room is left for the words.
    expect(number(whole, 'x') + number(whole, 'width')).toBeLessThanOrEqual(600 - 84);
  });

  it('of squares have each number in the middle of its square, and names beside them', async () => {
    await show({ part: 'own' });
    const [square] = shapes('Who makes what you own', '.heat');
    const [text] = shapes('Who makes what you own', '.heat-text');
    expect(number(text, 'x')).toBeCloseTo(number(square, 'x') + number(square, 'width') / 2);
    expect(number(text, 'y')).toBeCloseTo(number(square, 'y') + number(square, 'height') / 2);
    const [name] = shapes('Who makes what you own', '.row-name');
    expect(number(name, 'x')).toBe(122);
    expect(number(name, 'y')).toBeCloseTo(number(text, 'y'));
    const squares = shapes('Who makes what you own', '.heat');
    expect(squares.every((one) => number(one, 'x') >= 130)).toBe(true);
    expect(squares.every((one) => number(one, 'x') + number(one, 'width') <= 600 - 46)).toBe(true);
    const [column] = shapes('Who makes what you own', '.column-name');
    expect(column?.getAttribute('transform')).toContain(`translate(${number(text, 'x')},68)`);
  });

  it('of dust stand further right the longer ago, higher the more often, larger the more plugins', async () => {
    await show({
      part: 'use',
      source: {
        usage: [
          { plugin: asId('sluice'), warmth: 1, loads: 30, lastLoaded: new Date(now).toISOString() },
        ],
      },
      uses: [load('sluice', 0)],
    });
    const [recent, old] = shapes('What gathers dust', 'circle').sort(
      (a, b) => number(a, 'cx') - number(b, 'cx'),
    );
    expect(number(recent, 'cx')).toBeLessThan(number(old, 'cx'));
    expect(number(recent, 'cy')).toBeLessThan(number(old, 'cy'));
    expect(number(recent, 'r')).toBeLessThan(number(old, 'r'));
    expect([recent, old].map((dot) => dot?.classList.contains('dusty'))).toEqual([false, true]);
    const counts = shapes('What gathers dust', '.dot-count');
    const beside = counts.map((text) => number(text, 'x')).sort((a, b) => a - b);
    expect(beside[0]).toBeCloseTo(number(recent, 'cx') + number(recent, 'r') + 4);
  });

  it('of what came and went stand above and below the line', async () => {
    await show({
      part: 'changes',
      source: {
        comings: [
          { plugin: 'sluice', at: now - day, what: 'came' },
          { plugin: 'egret', at: now - day, what: 'came' },
          { plugin: 'heron', at: now - 2 * day, what: 'went' },
        ],
      },
    });
    const [came] = shapes('What came, went and was updated', '.coming.came');
    const [went] = shapes('What came, went and was updated', '.coming.went');
    expect(number(came, 'height')).toBeCloseTo(2 * number(went, 'height'));
    expect(number(came, 'y') + number(came, 'height')).toBeCloseTo(number(went, 'y'));
    expect(shapes('What came, went and was updated', '.coming.updated')).toHaveLength(0);
  });

  it('of keys have the mean as a dot on the line, the median as a dash across it', async () => {
    await show({ part: 'use', uses: [load('sluice', 2), load('sluice', 40, { keys: 12 })] });
    const [before, after] = shapes('How you find', 'circle');
    expect(number(before, 'cx')).toBeLessThan(number(after, 'cx'));
    expect(number(before, 'cy')).toBeLessThan(number(after, 'cy'));
    const [dash] = shapes('How you find', '.median');
    expect(dash?.getAttribute('d')).toBe(`M${number(before, 'cx') - 6},${number(before, 'cy')}h12`);
    const [reach] = shapes('How you find', '.reach');
    expect(number(reach, 'x') + number(reach, 'width') / 2).toBeCloseTo(number(before, 'cx'));
  });
});
