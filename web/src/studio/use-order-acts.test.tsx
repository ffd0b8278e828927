/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { perform, type Act, type ActOf } from '@clever-drawer/core/acts';
import type { OrderStep, OrderView, PluginSetting } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { folderIn, orderOf, settingIn } from '@clever-drawer/core/order';
import type { Client } from '../api/client.ts';
import { NoticesProvider } from '../ui/notices.tsx';
import { cabinetOf, folderOf } from './order.test-data.ts';
import { fromView, type OrderState } from './order-store.ts';
import { catalogKey, orderKey, settingsKey } from './query-keys.ts';
import { keepingSettings, takeStep, useOrderActs } from './use-order-acts.ts';

const cabinet = cabinetOf('c');
const folder = folderOf('f', { name: 'Old' });
const view: OrderView = { revision: 4, records: [cabinet, folder], undo: null, redo: null };
const rename = (name: string): Act => ({ act: 'rename-folder', folder: folder.id, name });

/** What a server makes of an act that is done on the order of `view`. */
function stored(wanted: Act, revision: number): OrderStep {
  const performed = perform(fromView(view).records, wanted, () => undefined);
  if (!performed.ok) {
    throw new Error('does not work');
  }
  const { words, change } = performed.value;
  return { revision, words, change, undo: words, redo: null };
}

/** An answer that the test gives when it likes. */
function answerLater<T>() {
  const answer: { give: (value: T) => void; refuse: (message: string) => void } = {
    give: () => undefined,
    refuse: () => undefined,
  };
  const promise = new Promise<T>((resolve, reject) => {
    answer.give = resolve;
    answer.refuse = (message) => {
      reject(new Error(message));
    };
  });
  return { promise, answer };
}

/** A window with this order and server. */
function windowOf(client: Partial<Client>, order: OrderView = view) {
  const queries = new QueryClient();
  queries.setQueryData(orderKey('desk'), fromView(order));
  const wrapper = ({ children }: { readonly children: ReactNode }): ReactNode => (
    <QueryClientProvider client={queries}>
      <NoticesProvider>{children}</NoticesProvider>
    </QueryClientProvider>
  );
  const whole = { computer: 'desk', ...client } as unknown as Client;
  const { result } = renderHook(() => useOrderActs(whole), { wrapper });
  const state = (): OrderState => {
    const cached = queries.getQueryData<OrderState>(orderKey('desk'));
    if (!cached) {
      throw new Error('no order');
    }
    return cached;
  };
  return {
    acts: () => result.current,
    state,
    queries,
    /** The name of the folder as the window shows it. */
    shown: () => folderIn(state().records, 'f')?.name,
    isStale: () => queries.getQueryState(orderKey('desk'))?.isInvalidated,
  };
}

const told = (): string[] =>
  screen.queryAllByTestId('notice').map((one) => one.firstChild?.textContent ?? '');
const at = (path: string): void => {
  window.history.replaceState(null, '', path);
};

afterEach(() => {
  jest.restoreAllMocks();
  at('/');
});

describe('an act', () => {
  it('is shown at once, told, and confirmed when it is stored', async () => {
    const { promise, answer } = answerLater<OrderStep>();
    const { acts, shown, state } = windowOf({ act: () => promise });
    const onStored = jest.fn();
    act(() => {
      expect(acts().act(rename('New'), { onStored })).toBe(true);
    });
    expect([shown(), state().revision, state().pending.length]).toEqual(['New', 4, 1]);
    expect(told()).toEqual([stored(rename('New'), 5).words]);
    expect(onStored).not.toHaveBeenCalled();
    await act(async () => {
      answer.give(stored(rename('New'), 5));
      await promise;
    });
    await waitFor(() => {
      expect(onStored).toHaveBeenCalledTimes(1);
    });
    expect([shown(), state().revision, state().pending.length]).toEqual(['New', 5, 0]);
  });

  it('is taken back when the server refuses it, with what it said, and the order is asked for anew', async () => {
    const { promise, answer } = answerLater<OrderStep>();
    const { acts, shown, isStale } = windowOf({ act: () => promise });
    act(() => {
      acts().act(rename('New'));
    });
    act(() => {
      answer.refuse('The database does not answer.');
    });
    await waitFor(() => {
      expect(shown()).toBe('Old');
    });
    expect(told()).toEqual(['Not saved: The database does not answer.']);
    expect(isStale()).toBe(true);
  });

  it('that cannot be done is never sent, and says why', () => {
    const send = jest.fn<Client['act']>();
    const { acts, shown, state } = windowOf({ act: send });
    act(() => {
      expect(acts().act({ act: 'rename-folder', folder: asId('gone'), name: 'New' })).toBe(false);
    });
    expect(send).not.toHaveBeenCalled();
    expect([shown(), state().pending.length, told().length]).toEqual(['Old', 0, 1]);
    expect(acts().own.history().done).toEqual([]);
  });

  it('does nothing before the order is there', () => {
    const send = jest.fn<Client['act']>();
    const { acts, queries } = windowOf({ act: send });
    queries.removeQueries({ queryKey: orderKey('desk') });
    act(() => {
      expect(acts().act(rename('New'))).toBe(false);
    });
    expect(send).not.toHaveBeenCalled();
  });

  it('waits for the one before it, whose order it is done on', async () => {
    const first = answerLater<OrderStep>();
    const second = answerLater<OrderStep>();
    const send = jest
      .fn<Client['act']>()
      .mockReturnValueOnce(first.promise)
      .mockReturnValueOnce(second.promise);
    const { acts, shown } = windowOf({ act: send });
    act(() => {
      acts().act(rename('One'));
      acts().act(rename('Two'));
    });
    await waitFor(() => {
      expect(send).toHaveBeenCalledTimes(1);
    });
    expect(shown()).toBe('Two');
    act(() => {
      first.answer.give(stored(rename('One'), 5));
    });
    await waitFor(() => {
      expect(send).toHaveBeenCalledTimes(2);
    });
    // The second is still on top of what is confirmed.
    expect(shown()).toBe('Two');
    act(() => {
      second.answer.refuse('No.');
    });
    await waitFor(() => {
      expect(shown()).toBe('One');
    });
  });
});

describe('undo', () => {
  const undoable: OrderView = { ...view, undo: 'Folder renamed' };
  const undoing = () => jest.fn<Client['undo']>().mockResolvedValue(stored(rename('Older'), 5));
  /** A window that shows File, after something was done on the screen Sort. */
  const renamedInSort = async (undo: Client['undo']) => {
    const client = { undo, act: () => Promise.resolve(stored(rename('New'), 5)) };
    const shown = windowOf(client, undoable);
    at('/sort');
    await act(async () => {
      shown.acts().act(rename('New'));
      await Promise.resolve();
    });
    at('/file');
    return shown;
  };

  it('is asked of the server, shown and told', async () => {
    const undo = undoing();
    const { acts, shown } = windowOf({ undo }, undoable);
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(shown()).toBe('Older');
    });
    expect(told()).toEqual([stored(rename('Older'), 5).words]);
  });

  it('by a key names first what was done on another screen, and undoes it when pressed again', async () => {
    const undo = undoing();
    const { acts } = await renamedInSort(undo);
    act(() => {
      acts().step('undo', true);
    });
    expect(undo).not.toHaveBeenCalled();
    expect(told().at(-1)).toMatch(/^The last change was in Sort: .*Press again to undo it\.$/);
    act(() => {
      acts().step('undo', true);
    });
    await waitFor(() => {
      expect(undo).toHaveBeenCalledTimes(1);
    });
  });

  it.each(['/review', '/keep', '/load', '/scan'])(
    'takes nothing back in silence on another screen: %s',
    async (path) => {
      const undo = undoing();
      const { acts } = await renamedInSort(undo);
      at(path);
      act(() => {
        acts().step('undo', true);
      });
      expect(undo).not.toHaveBeenCalled();
      expect(told().at(-1)).toMatch(/^The last change was in Sort: /);
    },
  );

  it('names it again when the second press comes too late', async () => {
    const undo = undoing();
    const { acts } = await renamedInSort(undo);
    const now = jest.spyOn(Date, 'now');
    const pressAt = (time: number): number => {
      now.mockReturnValue(time);
      act(() => {
        acts().step('undo', true);
      });
      return undo.mock.calls.length;
    };
    // A press counts for six seconds.
    expect([pressAt(1_000), pressAt(7_001), pressAt(12_000)]).toEqual([0, 0, 0]);
    await waitFor(() => {
      expect(undo).toHaveBeenCalledTimes(1);
    });
  });

  it('by the button undoes at once, wherever it was done', async () => {
    const undo = undoing();
    const { acts } = await renamedInSort(undo);
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(undo).toHaveBeenCalledTimes(1);
    });
  });

  it('that the server refuses says so and changes nothing', async () => {
    const { acts, shown } = windowOf(
      { undo: () => Promise.reject(new Error('Nothing to undo.')) },
      undoable,
    );
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(told()).toEqual(['Nothing to undo.']);
    });
    expect(shown()).toBe('Old');
  });

  it('brings back what a screen kept beside the order', async () => {
    const done = stored(rename('New'), 5);
    const { acts } = windowOf(
      {
        act: () => Promise.resolve(done),
        undo: () => Promise.resolve({ ...stored(rename('Old'), 6), undo: null, redo: done.words }),
      },
      view,
    );
    const onUndone = jest.fn();
    await act(async () => {
      acts().act(rename('New'), { onUndone });
      await Promise.resolve();
    });
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(onUndone).toHaveBeenCalledTimes(1);
    });
    expect(acts().own.history()).toMatchObject({ done: [], undone: [{ words: done.words }] });
  });
});

describe('what was done beside the order', () => {
  const besides = () => ({
    undo: jest.fn(() => Promise.resolve()),
    redo: jest.fn(() => Promise.resolve()),
  });

  it('is told, and taken back and done again before anything of the order', async () => {
    const undo = jest.fn<Client['undo']>();
    const { acts } = windowOf({ undo }, { ...view, undo: 'Folder renamed' });
    const beside = besides();
    act(() => {
      acts().did('Slot emptied', beside);
    });
    expect(told()).toEqual(['Slot emptied']);
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(told()).toEqual(['Undone: Slot emptied']);
    });
    act(() => {
      acts().step('redo');
    });
    await waitFor(() => {
      expect(told()).toEqual(['Redone: Slot emptied']);
    });
    expect([beside.undo, beside.redo, undo].map((one) => one.mock.calls.length)).toEqual([1, 1, 0]);
  });

  it('is named first where it cannot be undone, before anything else is', async () => {
    const undo = jest.fn<Client['undo']>(() => Promise.resolve(stored(rename('New'), 5)));
    const { acts } = windowOf({ undo }, { ...view, undo: 'Folder renamed' });
    act(() => {
      acts().did('Point deleted', null);
    });
    act(() => {
      acts().step('undo', true);
    });
    expect(told()).toEqual([
      'Point deleted: this can’t be undone. Press again to undo what was done before it.',
    ]);
    expect(undo).not.toHaveBeenCalled();
    act(() => {
      acts().step('undo', true);
    });
    await waitFor(() => {
      expect(undo).toHaveBeenCalledTimes(1);
    });
  });

  it('is told by what was taken back in truth, where that is another step', async () => {
    const { acts } = windowOf({});
    act(() => {
      acts().did('Slot emptied', { ...besides(), undo: () => Promise.resolve('Sluice loaded') });
    });
    act(() => {
      acts().step('undo');
    });
    await waitFor(() => {
      expect(told()).toEqual(['Undone: Sluice loaded']);
    });
  });

  it('stays done where it cannot be taken back, and says why', async () => {
    const { acts } = windowOf({});
    act(() => {
      acts().did('Slot emptied', {
        undo: () => Promise.reject(new Error('The host does not answer.')),
        redo: () => Promise.resolve(),
      });
      acts().step('undo');
    });
    await waitFor(() => {
      expect(told()).toContain('The host does not answer.');
    });
    expect(acts().own.history()).toMatchObject({ done: [{ words: 'Slot emptied' }], undone: [] });
  });

  it('by a key is undone on its own screen, and left alone on any other', async () => {
    const undo = jest.fn<Client['undo']>(() => Promise.reject(new Error('away')));
    const { acts } = windowOf({ undo }, { ...view, undo: 'Folder renamed' });
    const beside = besides();
    window.history.replaceState(null, '', '/load');
    act(() => {
      acts().did('Kelp loaded', beside);
    });
    window.history.replaceState(null, '', '/file');
    act(() => {
      acts().step('undo', true);
    });
    await waitFor(() => {
      expect(undo).toHaveBeenCalledTimes(1);
    });
    expect(beside.undo).not.toHaveBeenCalled();
    window.history.replaceState(null, '', '/load');
    act(() => {
      acts().step('undo', true);
      acts().step('redo', true);
    });
    await waitFor(() => {
      expect(beside.redo).toHaveBeenCalledTimes(1);
    });
    expect(beside.undo).toHaveBeenCalledTimes(1);
    window.history.replaceState(null, '', '/');
  });

  it('pressed twice at once is two steps', async () => {
    const { acts } = windowOf({});
    const [one, two] = [besides(), besides()];
    act(() => {
      acts().did('First', one);
      acts().did('Second', two);
      acts().step('undo');
      acts().step('undo');
    });
    await waitFor(() => {
      expect(one.undo).toHaveBeenCalledTimes(1);
    });
    expect(two.undo).toHaveBeenCalledTimes(1);
  });
});

describe('a step that is heard', () => {
  it('is taken in where none is missing before it', () => {
    const { queries, shown, isStale } = windowOf({});
    takeStep(queries, 'desk', stored(rename('Theirs'), 5));
    expect([shown(), isStale()]).toEqual(['Theirs', false]);
  });
  it('has the order fetched anew where some are missing', () => {
    const { queries, shown, isStale } = windowOf({});
    takeStep(queries, 'desk', stored(rename('Theirs'), 7));
    expect([shown(), isStale()]).toEqual(['Old', true]);
  });
});

describe('settings that an act names', () => {
  const setting: PluginSetting = {
    id: asId('s'),
    name: 'Wide',
    plugin: asId('p'),
    bank: null,
    format: 'VST3',
    path: '/settings/Wide.vstpreset',
    identity: null,
  };
  const fileAway: ActOf<'file'> = {
    act: 'file',
    folder: folder.id,
    plugins: [
      { placement: asId('p1'), plugin: setting.id },
      { placement: asId('p2'), plugin: asId('other') },
    ],
    before: null,
  };

  it('are kept by it where they are not yet, and it is done behind that', () => {
    const wrapped = keepingSettings(orderOf(view.records), fileAway, [setting]);
    expect(wrapped).toMatchObject({
      act: 'keep-settings',
      settings: [{ id: 's', state: null }],
      then: fileAway,
    });
  });
  it('are left alone where none was found, where another is meant, and where it keeps them itself', () => {
    const order = orderOf(view.records);
    const keep: Act = { act: 'keep-settings', settings: [{ ...setting, state: null }], then: null };
    expect(keepingSettings(order, fileAway, [])).toBe(fileAway);
    expect(keepingSettings(order, rename('New'), [setting])).toEqual(rename('New'));
    expect(keepingSettings(order, keep, [setting])).toBe(keep);
  });
  it('are kept with the act in one step', async () => {
    const sent = jest.fn<Client['act']>().mockReturnValue(new Promise(() => undefined));
    const { acts, queries, state } = windowOf({ act: sent });
    queries.setQueryData(settingsKey('desk'), [setting]);
    queries.setQueryData(catalogKey('desk'), { plugins: [{ id: 'p', name: 'Sluice' }] });
    act(() => {
      acts().act({ ...fileAway, plugins: fileAway.plugins.slice(0, 1) });
    });
    await waitFor(() => {
      expect(sent.mock.calls[0]?.[0]).toMatchObject({ act: 'keep-settings' });
    });
    expect(settingIn(state().records, 's')).toMatchObject({ name: 'Wide' });
  });
});
