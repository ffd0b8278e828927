/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import {
  asId,
  folderIn,
  plainFolder,
  toColumns,
  type Act,
  type Folder,
  type OrderStep,
} from '@clever-drawer/core';
import { clientFor } from '../api/client.ts';
import { addPending } from './order-store.ts';
import { askAhead, orderQuery, rememberComputer } from './studio-queries.ts';
import { takeStep } from './use-order-acts.ts';

const computers = [{ id: 'desk' }, { id: 'rack' }];
const answers: Record<string, unknown> = {
  'catalog?form=columns': { revision: '1', columns: toColumns([]) },
  usage: [],
  settings: [],
};

let asked: string[] = [];
/** Addresses that the server of the test does not answer. */
let silent: readonly string[] = [];
/** Done before an answer is given. */
let meanwhile: () => void = () => undefined;

beforeEach(() => {
  answers.order = { revision: 4, records: [], undo: null, redo: null };
  meanwhile = () => undefined;
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
      meanwhile();
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
      ...['catalog?form=columns', 'order', 'usage', 'settings'].map(
        (what) => `/api/computers/rack/${what}`,
      ),
    ]);
  });

  it('is for Load the session, habits and keys as well', async () => {
    rememberComputer('rack');
    await askAhead(newQueries(), 'load');
    expect(asked.slice(5)).toEqual(
      ['session', 'habits', 'keys'].map((what) => `/api/computers/rack/${what}`),
    );
  });

  it('is for Sort what is uncertain as well', async () => {
    rememberComputer('rack');
    await askAhead(newQueries(), 'sort');
    expect(asked.slice(5)).toEqual(['/api/computers/rack/sort']);
  });

  it('is of the first computer where the chosen one is gone', async () => {
    rememberComputer('sold');
    await askAhead(newQueries(), 'file');
    expect(asked).toContain('/api/computers/desk/catalog?form=columns');
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

describe('the order that is asked for anew', () => {
  const query = orderQuery(clientFor('desk'));
  const folder: Folder = {
    ...plainFolder,
    table: 'folder',
    id: asId('f'),
    cabinet: asId('c'),
    parent: null,
    form: 'folder',
    name: 'Cold rooms',
    position: 'V',
    rule: null,
  };
  const step: OrderStep = {
    revision: 5,
    words: 'New folder',
    change: { added: [folder], updated: [], removed: [] },
    undo: 'New folder',
    redo: null,
  };
  const asAsked = async (): Promise<QueryClient> => {
    const queries = newQueries();
    await queries.query(query);
    return queries;
  };
  const named = (queries: QueryClient): string | undefined => {
    const held = queries.getQueryData(query.queryKey);
    return held && folderIn(held.records, 'f')?.name;
  };

  it('does not take back a step that was told of while its answer was on the way', async () => {
    const queries = await asAsked();
    meanwhile = () => {
      takeStep(queries, 'desk', step);
    };
    await queries.refetchQueries({ queryKey: query.queryKey });
    expect(queries.getQueryData(query.queryKey)?.revision).toBe(5);
    expect(named(queries)).toBe('Cold rooms');
  });

  it('is what the server holds now, also where that is older than what was held', async () => {
    const queries = await asAsked();
    takeStep(queries, 'desk', step);
    await queries.refetchQueries({ queryKey: query.queryKey });
    expect(queries.getQueryData(query.queryKey)?.revision).toBe(4);
    expect(named(queries)).toBeUndefined();
  });

  it('still shows an act that is on its way', async () => {
    const queries = await asAsked();
    const act: Act = { act: 'rename-folder', folder: folder.id, name: 'Warm rooms' };
    takeStep(queries, 'desk', step);
    queries.setQueryData(
      query.queryKey,
      (state) => state && addPending(state, { ticket: '1', act }, () => undefined),
    );
    answers.order = { revision: 5, records: [folder], undo: null, redo: null };
    await queries.refetchQueries({ queryKey: query.queryKey });
    expect(named(queries)).toBe('Warm rooms');
  });
});
