/**
 * @jest-environment jsdom
 */
import { afterEach, expect, it } from '@jest/globals';
import { TextEncoder } from 'node:util';
import type { ReactNode } from 'react';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { useAddress as UseAddress } from './use-address.ts';

// The router asks for it as it is read in, and jsdom has none.
Object.assign(globalThis, { TextEncoder });
const { BrowserRouter } = await import('react-router');
const { DestinationContext, useAddress } = await import('./use-address.ts');

afterEach(cleanup);

function at(address: string): { readonly current: ReturnType<typeof UseAddress> } {
  window.history.replaceState(null, '', address);
  return renderHook(useAddress, { wrapper: BrowserRouter }).result;
}

it('two changes before anything is drawn again both stand', () => {
  const shown = at('/review?part=own');
  const [, change] = shown.current;
  act(() => {
    change({ period: 'month' });
    change({ vendor: 'Pale Harbour' });
  });
  expect(window.location.search).toBe('?part=own&period=month&vendor=Pale+Harbour');
  expect(shown.current[0].toString()).toBe('part=own&period=month&vendor=Pale+Harbour');
});

it('stays as it is from the moment another screen is asked for', () => {
  window.history.replaceState(null, '', '/file?q=plate');
  const wrapper = ({ children }: { readonly children: ReactNode }): ReactNode => (
    <DestinationContext value={() => '/load'}>
      <BrowserRouter>{children}</BrowserRouter>
    </DestinationContext>
  );
  const { result } = renderHook(useAddress, { wrapper });
  act(() => {
    result.current[1]({ q: 'pl' });
  });
  expect(window.location.search).toBe('?q=plate');
});

it('nothing, or an empty text, takes a name away', () => {
  const shown = at('/review?part=own&period=month&vendor=Quoin');
  act(() => {
    shown.current[1]({ period: null, vendor: '' });
  });
  expect(shown.current[0].toString()).toBe('part=own');
});

it('each change can be gone back to, but for one that replaces the last', () => {
  const shown = at('/file?open=a');
  const steps = window.history.length;
  act(() => {
    shown.current[1]({ open: 'b' }, { replace: true });
  });
  expect(window.history.length).toBe(steps);
  act(() => {
    shown.current[1]({ open: 'c' });
  });
  expect(window.history.length).toBe(steps + 1);
});
