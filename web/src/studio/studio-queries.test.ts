import { beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import type { Act } from '@clever-drawer/core/acts';
import type { OrderStep, OrderView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { folderIn, plainFolder, type Folder } from '@clever-drawer/core/order';
import { clientFor } from '../api/client.ts';
import { addPending } from './order-store.ts';
import { orderQuery } from './studio-queries.ts';
import { takeStep } from './use-order-acts.ts';

let answer: OrderView;
/** Done before an answer is given. */
let meanwhile: () => void = () => undefined;

beforeEach(() => {
  answer = { revision: 4, records: [], undo: null, redo: null };
  meanwhile = () => undefined;
  Object.assign(globalThis, {
    fetch: () => {
      meanwhile();
      return Promise.resolve({ ok: true, json: () => Promise.resolve(answer) });
    },
  });
});

const newQueries = (): QueryClient =>
  new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });

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
    const cached = queries.getQueryData(query.queryKey);
    return cached && folderIn(cached.records, 'f')?.name;
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
    answer = { revision: 5, records: [folder], undo: null, redo: null };
    await queries.refetchQueries({ queryKey: query.queryKey });
    expect(named(queries)).toBe('Warm rooms');
  });
});
