/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { TextEncoder } from 'node:util';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import { cabinetOf, folderOf } from '../../studio/order.test-data.ts';
import { pluginOf } from '@clever-drawer/core/testing';
import { studioOf } from '../../studio/studio.test-data.tsx';

// The router asks for it as it is read in, and jsdom has none.
Object.assign(globalThis, { TextEncoder });
const { BrowserRouter, useNavigate } = await import('react-router');
const { useList } = await import('./use-list.ts');

const plugins: readonly Plugin[] = [
  pluginOf('Wharf Echo', { vendor: 'Quoin', types: ['delay/tape-echo'], arrived: '2026-03-01' }),
  pluginOf('Sluice', { vendor: 'Pale Harbour', types: ['dynamics/gate'], arrived: '2026-02-01' }),
  pluginOf('Heron', { vendor: 'Quoin', kind: 'instrument', types: ['synth'] }),
];
/** One cabinet with a folder, in which Heron is filed and called Grey Bird. */
const records: readonly OrderRecord[] = [
  cabinetOf('c'),
  folderOf('f', { name: 'Birds' }),
  {
    table: 'placement',
    id: asId('p'),
    folder: asId('f'),
    plugin: asId('heron'),
    position: 'V',
  },
  {
    table: 'plugin-names',
    id: asId('heron'),
    nickname: 'Grey Bird',
    slotLabel: null,
  },
];
const Studio = studioOf({ plugins, records });
const wrapper = ({ children }: { readonly children: ReactNode }): ReactNode => (
  <BrowserRouter>
    <Studio>{children}</Studio>
  </BrowserRouter>
);

/** The list at an address, with the way to another. */
function listAt(address: string) {
  window.history.replaceState(null, '', address);
  const { result } = renderHook(() => ({ list: useList(), go: useNavigate() }), { wrapper });
  return {
    list: () => result.current.list,
    names: () => result.current.list.rows.map(({ plugin }) => plugin.name),
    go: (to: string): void => {
      act(() => {
        void result.current.go(to);
      });
    },
  };
}
/** Longer than what is typed takes to reach the address. */
const aMoment = (): void => {
  act(() => {
    jest.advanceTimersByTime(300);
  });
};
const address = (): string => window.location.pathname + window.location.search;

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe('what an address says of the list', () => {
  it('narrows it and lines it up', () => {
    expect(listAt('/file').names()).toEqual(['Heron', 'Sluice', 'Wharf Echo']);
    expect(listAt('/file?vendor=Quoin').names()).toEqual(['Heron', 'Wharf Echo']);
    expect(listAt('/file?vendor=Quoin&q=echo').names()).toEqual(['Wharf Echo']);
    expect(listAt('/file?kind=instrument').names()).toEqual(['Heron']);
    expect(listAt('/file?type=dynamics').names()).toEqual(['Sluice']);
    expect(listAt('/file?unfiled=yes').names()).toEqual(['Sluice', 'Wharf Echo']);
    expect(listAt('/file?folder=f').names()).toEqual(['Heron']);
    expect(listAt('/file?by=vendor').names()).toEqual(['Sluice', 'Heron', 'Wharf Echo']);
  });
  it('is passed over where it means nothing', () => {
    const { list, names } = listAt('/file?kind=furniture&format=tape&by=colour');
    expect(names()).toHaveLength(3);
    expect(list()).toMatchObject({ sorting: 'name', filter: { kind: null, format: null } });
  });
  it('finds what the user calls a plugin', () => {
    expect(listAt('/file?q=grey').names()).toEqual(['Heron']);
  });
});

describe('what is changed in the list', () => {
  it('counts at once and stands in the address a moment later', () => {
    const { list, names } = listAt('/file');
    act(() => {
      list().setFilter({ text: 'slu' });
    });
    expect([names(), address()]).toEqual([['Sluice'], '/file']);
    aMoment();
    expect(address()).toBe('/file?q=slu');
  });
  it('keeps what else the address says', () => {
    const { list } = listAt('/file?open=f&vendor=Quoin');
    act(() => {
      list().setSorting('use');
    });
    aMoment();
    const params = new URLSearchParams(window.location.search);
    expect(Object.fromEntries(params)).toEqual({ open: 'f', vendor: 'Quoin', by: 'use' });
  });
  it('can be gone back to, but not letter by letter', () => {
    const { list } = listAt('/file');
    const before = window.history.length;
    for (const text of ['s', 'sl', 'slu']) {
      act(() => {
        list().setFilter({ text });
      });
      aMoment();
    }
    expect(window.history.length).toBe(before);
    act(() => {
      list().setFilter({ kind: 'effect' });
    });
    aMoment();
    expect(window.history.length).toBe(before + 1);
  });
  it('stays when letters go on while the address is written', () => {
    const { list } = listAt('/file');
    act(() => {
      list().setFilter({ text: 'sl' });
    });
    aMoment();
    act(() => {
      list().setFilter({ text: 'slu' });
    });
    expect(list().filter.text).toBe('slu');
    aMoment();
    expect([list().filter.text, address()]).toEqual(['slu', '/file?q=slu']);
  });
  it('leaves the address of another screen alone', () => {
    const { list } = listAt('/file');
    act(() => {
      list().setFilter({ text: 'slu' });
    });
    // The router has yet to draw what was asked for.
    window.history.pushState(null, '', '/sort');
    aMoment();
    expect(address()).toBe('/sort');
  });
});

describe('an address that changes by itself', () => {
  it('is followed', () => {
    const { go, names, list } = listAt('/file?q=slu');
    go('/file?vendor=Quoin');
    expect([names(), list().filter.text]).toEqual([['Heron', 'Wharf Echo'], '']);
  });
  it('is followed at once when one goes back', () => {
    const { names } = listAt('/file?q=slu');
    act(() => {
      window.history.replaceState(null, '', '/file?q=echo');
      window.dispatchEvent(new PopStateEvent('popstate'));
    });
    expect(names()).toEqual(['Wharf Echo']);
  });
});
