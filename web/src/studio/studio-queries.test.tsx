/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { clientFor } from '../api/client.ts';
import { askAhead, orderQuery, rememberComputer } from './studio-queries.ts';

const computers = [{ id: 'desk' }, { id: 'rack' }];
const answers: Readonly<Record<string, unknown>> = {
  catalog: { revision: '1', plugins: [] },
  order: { revision: 4, records: [], undo: null, redo: null },
  usage: [],
  settings: [],
};

let asked: string[] = [];
/** Addresses that the server of the test does not answer. */
let silent: readonly string[] = [];

beforeEach(() => {
  asked = [];
  silent = [];
  localStorage.clear();
  Object.assign(globalThis, {
    fetch: (address: string) => {
      asked.push(address);
      if (silent.includes(address)) {
        return Promise.reject(new Error('no server'));
      }
      const last = address.split('/').at(-1) ?? '';
      return Promise.resolve({ ok: true, json: () => Promise.resolve(answers[last] ?? computers) });
    },
  });
});

const newQueries = (): QueryClient =>
  new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });

describe('what is asked ahead of the first screen', () => {
  it('is what the chosen computer holds, all at once', async () => {
    rememberComputer('rack');
    await askAhead(newQueries(), 'file');
    expect(asked).toEqual([
      '/api/computers',
      ...['catalog', 'order', 'usage', 'settings'].map((what) => `/api/computers/rack/${what}`),
    ]);
  });

  it('is for Load the session, habits and keys as well', async () => {
    rememberComputer('rack');
    await askAhead(newQueries(), 'load');
    expect(asked.slice(5)).toEqual(
      ['session', 'habits', 'keys'].map((what) => `/api/computers/rack/${what}`),
    );
  });

  it('is of the first computer where the chosen one is gone', async () => {
    rememberComputer('sold');
    await askAhead(newQueries(), 'file');
    expect(asked).toContain('/api/computers/desk/catalog');
  });

  it('is not asked again by what is drawn', async () => {
    const queries = newQueries();
    await askAhead(queries, '');
    const wrapper = ({ children }: { readonly children: ReactNode }): ReactNode => (
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
    );
    const { result } = renderHook(() => useQuery(orderQuery(clientFor('desk'))), { wrapper });
    expect(result.current.data?.revision).toBe(4);
    expect(asked.filter((address) => address.endsWith('/order'))).toHaveLength(1);
  });

  it('ends in an error where the server is not there', async () => {
    silent = ['/api/computers'];
    await expect(askAhead(newQueries(), 'file')).rejects.toThrow();
    expect(asked).toEqual(['/api/computers']);
  });
});
