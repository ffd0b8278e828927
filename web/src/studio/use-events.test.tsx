/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider, QueryObserver } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { ServerEvent } from '@clever-drawer/core/api';
import { asId, type ScanId } from '@clever-drawer/core/id';
import type { Client } from '../api/client.ts';
import { useEvents } from './use-events.ts';

/** A stream that says what the test says. */
class NotedStream {
  static latest: NotedStream;
  onopen: () => void = () => undefined;
  onerror: () => void = () => undefined;
  onmessage: (message: { data: string }) => void = () => undefined;
  isClosed = false;
  readonly address: string;
  constructor(address: string) {
    this.address = address;
    NotedStream.latest = this;
  }
  close(): void {
    this.isClosed = true;
  }
  tell(event: ServerEvent): void {
    this.onmessage({ data: JSON.stringify(event) });
  }
}

const client = { computer: 'desk', eventsAddress: '/api/computers/desk/events' } as Client;
const progress = (state: 'running' | 'done'): ServerEvent => ({
  event: 'scan',
  progress: {
    scan: asId<ScanId>('scan'),
    state,
    place: '/plugins',
    examining: 'heron.vst3',
    done: 1,
    total: 2,
    unchanged: 0,
    failed: 0,
    isOpening: false,
    secondsLeft: null,
  },
});

const ordered: ServerEvent = {
  event: 'order',
  step: {
    revision: 2,
    words: 'Name Heron',
    change: { added: [], updated: [], removed: [] },
    undo: null,
    redo: null,
  },
};

const opened = (quiet: number): ServerEvent => ({ event: 'opened', quiet });

const providing =
  (queries: QueryClient) =>
  ({ children }: { readonly children: ReactNode }): ReactNode => (
    <QueryClientProvider client={queries}>{children}</QueryClientProvider>
  );

/** A window that listens, and which of its queries were said to be stale since the last look. */
function listening(since = performance.now()) {
  const queries = new QueryClient();
  const asked: string[] = [];
  jest.spyOn(queries, 'invalidateQueries').mockImplementation((filters) => {
    const [name, computer] = filters?.queryKey as [string, string];
    asked.push(computer === 'desk' ? name : `${name} of ${computer}`);
    return Promise.resolve();
  });
  const hook = renderHook(() => useEvents(client, since), { wrapper: providing(queries) });
  const stale = (): string[] => asked.splice(0).sort();
  return { ...hook, stale, stream: NotedStream.latest };
}

beforeEach(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { EventSource: NotedStream });
});
afterEach(() => {
  jest.useRealTimers();
});

describe('the stream of a computer', () => {
  it('is listened to as long as the window shows it', () => {
    const { stream, unmount } = listening();
    expect([stream.address, stream.isClosed]).toEqual([client.eventsAddress, false]);
    unmount();
    expect(stream.isClosed).toBe(true);
  });

  it('has what changed fetched again, and nothing at its beginning', () => {
    const { stream, stale } = listening();
    act(() => {
      stream.onopen();
      stream.tell(opened(2_000));
    });
    expect(stale()).toEqual([]);
    stream.tell({ event: 'usage' });
    expect(stale()).toEqual(['habits', 'keys', 'review', 'usage']);
    stream.tell({ event: 'session' });
    expect(stale()).toEqual(['repairs', 'review', 'session']);
    stream.tell(ordered);
    // The window holds no order that the step could be put on.
    expect(stale()).toEqual(['order', 'review', 'waiting questions']);
    stream.tell({ event: 'catalog' });
    expect(stale()).toEqual(expect.arrayContaining(['catalog', 'review', 'settings', 'sort']));
  });

  it('has everything fetched again after a break: steps may have been missed', () => {
    const { stream, stale } = listening();
    act(() => {
      stream.tell(opened(2_000));
      stream.onerror();
      stream.tell(opened(2_000));
    });
    const again = stale();
    expect(again).toEqual(expect.arrayContaining(['catalog', 'order', 'usage', 'review', 'sort']));
    // Whatever an event has fetched again is among it.
    stream.tell({ event: 'usage' });
    stream.tell({ event: 'session' });
    stream.tell({ event: 'catalog' });
    stream.tell(ordered);
    act(() => {
      stream.tell(progress('done'));
    });
    const evented = stale();
    expect(again).toEqual(expect.arrayContaining(evented));
  });

  it('has everything fetched again when something was told before it listened, but after it asked', () => {
    const { stream, stale } = listening(performance.now() - 300);
    stream.tell(opened(200));
    expect(stale()).toEqual(expect.arrayContaining(['catalog', 'order', 'usage']));
  });

  it('has nothing fetched again for what was told before the window asked', () => {
    const { stream, stale } = listening(performance.now() - 300);
    stream.tell(opened(1_000));
    expect(stale()).toEqual([]);
  });

  it('leaves behind that what is held may be old once nobody listens', () => {
    const { stream, stale, unmount } = listening();
    stream.tell(opened(2_000));
    unmount();
    expect(stale()).toEqual(expect.arrayContaining(['catalog', 'order', 'session']));
  });

  it('says that the server is away only when that lasts, and no longer than that', () => {
    const { stream, result } = listening();
    act(() => {
      stream.onopen();
      stream.onerror();
      jest.advanceTimersByTime(1_000);
    });
    expect(result.current.connection).toBe('there');
    act(() => {
      stream.onopen();
      jest.advanceTimersByTime(5_000);
    });
    expect(result.current.connection).toBe('there');
    act(() => {
      stream.onerror();
      jest.advanceTimersByTime(2_000);
    });
    expect(result.current.connection).toBe('server-away');
    act(() => {
      stream.onopen();
    });
    expect(result.current.connection).toBe('there');
  });

  it('says that the database is away, and has everything fetched again when it is back', () => {
    const { stream, result, stale } = listening();
    act(() => {
      stream.tell({ event: 'database', isThere: false });
    });
    expect([result.current.connection, stale()]).toEqual(['database-away', []]);
    act(() => {
      stream.tell({ event: 'database', isThere: true });
    });
    expect(result.current.connection).toBe('there');
    expect(stale()).toEqual(expect.arrayContaining(['catalog', 'order', 'session']));
  });

  it('shows a scan as long as it runs, and fetches what it found when it ends', () => {
    const { stream, result, stale } = listening();
    act(() => {
      stream.tell(progress('running'));
    });
    expect([result.current.scan?.state, stale()]).toEqual(['running', []]);
    act(() => {
      stream.tell(progress('done'));
    });
    expect(result.current.scan).toBeNull();
    expect(stale()).toEqual(['findings', 'opening', 'places', 'scans']);
  });
});

/** A window with one query, which is answered when the test says so. */
function withQuery() {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  const answers: ((counted: string) => void)[] = [];
  const options = {
    queryKey: ['opening', client.computer],
    queryFn: () =>
      new Promise<string>((resolve) => {
        answers.push(resolve);
      }),
  };
  const watch = () => new QueryObserver(queries, options).subscribe(() => undefined);
  const answer = async (counted: string): Promise<void> => {
    answers.shift()?.(counted);
    await jest.advanceTimersByTimeAsync(1);
  };
  const cached = () => [queries.getQueryData(options.queryKey), answers.length];
  renderHook(() => useEvents(client, performance.now()), { wrapper: providing(queries) });
  return { watch, answer, cached, stream: NotedStream.latest };
}

describe('what is on its way when something happens', () => {
  it('is fetched again once it has arrived, for it may have been read before', async () => {
    const { watch, answer, cached, stream } = withQuery();
    watch();
    stream.tell({ event: 'catalog' });
    stream.tell({ event: 'catalog' });
    await answer('before');
    expect(cached()).toEqual(['before', 1]);
    await answer('after');
    expect(cached()).toEqual(['after', 0]);
    stream.tell({ event: 'catalog' });
    expect(cached()).toEqual(['after', 1]);
    stream.tell({ event: 'catalog' });
    await answer('meanwhile');
    expect(cached()).toEqual(['meanwhile', 1]);
  });

  it('is fetched again when it is shown again, where it is not shown meanwhile', async () => {
    const { watch, answer, cached, stream } = withQuery();
    const leave = watch();
    leave();
    stream.tell({ event: 'catalog' });
    await answer('before');
    expect(cached()).toEqual(['before', 0]);
    watch();
    await answer('after');
    expect(cached()).toEqual(['after', 0]);
  });
});
