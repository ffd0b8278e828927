/** @jest-environment jsdom */
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { KeyboardEvent } from 'react';
import type { Act } from '@clever-drawer/core/acts';
import type { HabitsView } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord, Setting } from '@clever-drawer/core/order';
import { cabinetOf, folderOf } from '../studio/order.test-data.ts';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useLoader, type Chosen } from './use-loader.ts';

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, { copies: [copyOf(`${name}-vst3`)], ...more });

const plugins: readonly Plugin[] = [
  there('Sluice'),
  there('Slipway'),
  there('Wharf Echo', { copies: [copyOf('wharf-1'), copyOf('wharf-2', { format: 'LV2' })] }),
  there('Saltmarsh', { copies: [copyOf('gone', { state: 'gone' })] }),
];
const records: readonly OrderRecord[] = [
  cabinetOf('c'),
  folderOf('fav', { form: 'favourites', position: 'K' }),
  folderOf('f'),
  {
    table: 'placement',
    id: asId('p'),
    folder: asId('f'),
    plugin: asId('wharf echo'),
    position: 'V',
  },
];
const noHabits: HabitsView = { isLearning: true, here: [], after: [], letters: [] };

interface Wanted {
  /** What the host says to a load; null when it takes it. */
  readonly answer?: string | null;
  /** Settings of which something was made. */
  readonly kept?: readonly Setting[];
}

/** The finder of the first slot of a track, with what it loaded and did. */
function finder({ answer = null, kept = [] }: Wanted = {}) {
  const loaded: Chosen[] = [];
  const acts: Act[] = [];
  const onLeave = jest.fn<() => undefined>();
  const Studio = studioOf({
    plugins,
    records: [...records, ...kept],
    client: { habits: () => Promise.resolve(noHabits) },
    act: (wanted) => {
      acts.push(wanted);
      return true;
    },
  });
  const onWiden = jest.fn<() => undefined>();
  const props: Parameters<typeof useLoader>[0] = {
    track: { id: asId('t'), name: 'Voice', sort: 'track', width: 2, slots: [] },
    index: 0,
    before: null,
    width: 2,
    settings: { formats: ['VST3', 'LV2'], takes32Bit: false },
    field: { current: document.createElement('input') },
    onWiden,
    onLoad: (chosen: Chosen) => {
      loaded.push(chosen);
      return Promise.resolve(answer);
    },
    onLeave,
  };
  const { result } = renderHook(() => useLoader(props), { wrapper: Studio });
  const now = () => result.current;
  return {
    now,
    loaded,
    acts,
    onLeave,
    names: () => now().finding.hits.map(({ plugin }) => plugin.name),
    marked: () => now().active?.plugin.name,
    type: (text: string): void => {
      act(() => {
        now().type(text);
      });
    },
    press: (...keys: readonly (string | KeyboardEventInit)[]): boolean[] =>
      keys.map((key) => {
        const init = typeof key === 'string' ? { key } : key;
        const event = new window.KeyboardEvent('keydown', { ...init, cancelable: true });
        act(() => {
          now().onKeyDown(event as unknown as KeyboardEvent);
        });
        return event.defaultPrevented;
      }),
  };
}

beforeEach(() => {
  localStorage.clear();
});

describe('letters and Enter', () => {
  it('load what stands first, with what was typed and pressed for it', () => {
    const { type, press, loaded, now } = finder();
    press('s', 'l', 'u');
    type('slu');
    press('Enter');
    expect(loaded).toHaveLength(1);
    expect(loaded[0]).toMatchObject({
      plugin: { name: 'Sluice' },
      copy: null,
      typed: 'slu',
      keys: 4,
      folder: null,
    });
    // The next slot begins without letters.
    expect(now().typed).toBe('');
  });
  it('do nothing where nothing is found', () => {
    const { type, press, loaded, now } = finder();
    type('zzzz');
    press('Enter');
    expect([loaded, now().refusal]).toEqual([[], null]);
  });
  it('come back with what the host said where it refuses', async () => {
    const { type, press, now } = finder({ answer: 'The host is full.' });
    type('slu');
    press('Enter');
    expect(now().typed).toBe('');
    await waitFor(() => {
      expect(now().refusal).toBe('The host is full.');
    });
    expect(now().typed).toBe('slu');
  });
  it('typed meanwhile stay where the host refuses what was before', async () => {
    const { type, press, now } = finder({ answer: 'The host is full.' });
    type('slu');
    press('Enter');
    type('wh');
    await waitFor(() => {
      expect(now().refusal).toBe('The host is full.');
    });
    expect(now().typed).toBe('wh');
  });
  it('say why of what cannot be loaded, until one types on', () => {
    const { type, press, loaded, now } = finder();
    type('saltmarsh');
    press('Enter');
    expect(loaded).toEqual([]);
    expect(now().refusal).toMatch(/^Saltmarsh/);
    type('saltmars');
    expect(now().refusal).toBeNull();
  });
});

describe('the mark', () => {
  it('goes down and up, stays within the hits, and is what Enter loads', () => {
    const { type, press, marked, names, loaded } = finder();
    type('sl');
    const [first, second] = names();
    expect(names()).toHaveLength(2);
    press('ArrowUp');
    expect(marked()).toBe(first);
    press('ArrowDown', 'ArrowDown', 'ArrowDown');
    expect(marked()).toBe(second);
    press('Enter');
    expect(loaded[0]?.plugin.name).toBe(second);
  });
  it('is the first again with the next letter', () => {
    const { type, press, marked, names } = finder();
    type('sl');
    press('ArrowDown');
    type('s');
    expect(marked()).toBe(names()[0]);
  });
});

describe('a digit', () => {
  it('with Alt loads the hit at its place', () => {
    const { type, press, names, loaded, now } = finder();
    type('sl');
    const second = names()[1];
    expect([now().hasPlaceKey(2), now().hasPlaceKey(5)]).toEqual([true, false]);
    press({ key: '2', code: 'Digit2', altKey: true });
    expect(loaded[0]?.plugin.name).toBe(second);
  });
  it('by itself is typed: names such as 808 and 1176 are found by it', () => {
    const { type, press, loaded } = finder();
    type('sl');
    expect([press('2', '8', '9'), loaded]).toEqual([[false, false, false], []]);
  });
});

describe('one copy of several', () => {
  const choose = { key: 'Enter', altKey: true };
  it('is aimed at with the arrows and loaded', () => {
    const { type, press, loaded, now } = finder();
    type('wharf');
    press(choose);
    expect(now().copyAt).toBe(0);
    press('ArrowDown', 'Enter');
    expect(loaded[0]).toMatchObject({ plugin: { name: 'Wharf Echo' }, copy: { format: 'LV2' } });
  });
  it('is let go of by Escape, and letters stay', () => {
    const { type, press, now } = finder();
    type('wharf');
    press(choose, 'Escape');
    expect([now().copyAt, now().typed]).toEqual([null, 'wharf']);
  });
});

describe('what stands in a folder', () => {
  it('is all that is looked at while the folder is open, and what is loaded says from where', () => {
    const { names, press, loaded, now } = finder();
    act(() => {
      now().where.goTo('f');
    });
    expect(names()).toEqual(['Wharf Echo']);
    press('Enter');
    expect(loaded[0]?.folder).toBe('f');
  });
  it('is left by Escape before the finder is', () => {
    const { press, now, onLeave } = finder();
    act(() => {
      now().where.goTo('f');
    });
    press('Escape');
    expect([now().where.folder, onLeave.mock.calls.length]).toEqual([null, 0]);
    press('Escape');
    expect(onLeave).toHaveBeenCalledTimes(1);
  });
});

describe('a saved setting of which something was made', () => {
  it('is counted once, though it is found as a plugin and as a setting', () => {
    const kept: Setting = {
      table: 'setting',
      id: asId('bell'),
      name: 'Old harbour bell',
      plugin: asId('sluice'),
      bank: null,
      format: 'VST3',
      path: null,
      identity: null,
      state: 'what a host gave',
    };
    const { type, names, now } = finder({ kept: [kept] });
    type('old har');
    const { elsewhere, settings } = now().finding.counts;
    expect([names(), elsewhere, settings]).toEqual([['Old harbour bell'], 1, 0]);
  });
});

describe('beside loading', () => {
  it('letters are cleared by Escape before anything is left', () => {
    const { type, press, now, onLeave } = finder();
    type('slu');
    press('Escape');
    expect([now().typed, onLeave.mock.calls.length]).toEqual(['', 0]);
  });
  it('what is marked is made a favourite', () => {
    const { type, press, acts } = finder();
    type('slu');
    press({ key: 'b', code: 'KeyB', ctrlKey: true });
    expect(acts).toMatchObject([{ act: 'file', folder: 'fav', plugins: [{ plugin: 'sluice' }] }]);
  });
  it('facts and pictures are shown or not, and that is remembered', () => {
    const one = finder();
    expect([one.now().hasPictures, one.now().hasFacts]).toEqual([true, false]);
    act(() => {
      one.now().togglePictures();
      one.now().toggleFacts();
    });
    expect([one.now().hasPictures, one.now().hasFacts]).toEqual([false, true]);
    const later = finder();
    expect([later.now().hasPictures, later.now().hasFacts]).toEqual([false, true]);
  });
});
