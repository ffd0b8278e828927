import { afterEach, describe, expect, it, jest } from '@jest/globals';
import type { CatalogView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { pluginOf } from '@clever-drawer/core/testing';
import { clientFor, messageOf, Refused, takeCopies } from './client.ts';
import * as texts from './texts.ts';

/** What the server was asked, one after the other. */
interface Asked {
  readonly address: string;
  readonly method: string | undefined;
  readonly body: unknown;
  readonly type: string | null;
}

/** A server that gives these answers in turn. */
function serverSaying(...answers: readonly (Response | Error)[]): readonly Asked[] {
  const asked: Asked[] = [];
  const left = [...answers];
  jest.spyOn(globalThis, 'fetch').mockImplementation((address, init) => {
    asked.push({
      address: address as string,
      method: init?.method,
      body: init?.body,
      type: new Headers(init?.headers).get('Content-Type'),
    });
    const answer = left.shift() ?? new Error('nothing more was expected');
    return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
  });
  return asked;
}
const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status });
const client = clientFor('desk');
/** What a call ends with that the server or the network refuses. */
const refusalOf = async (call: Promise<unknown>): Promise<Refused> => {
  try {
    await call;
  } catch (error) {
    if (error instanceof Refused) {
      return error;
    }
    throw error;
  }
  throw new Error('it was not refused');
};

afterEach(() => {
  jest.restoreAllMocks();
});

describe('a call', () => {
  it('asks the address of its computer and gives what is answered', async () => {
    const asked = serverSaying(json([]), json({ id: 'p' }), json(null));
    expect(await client.changes()).toEqual([]);
    await client.addPlace('/usr/lib/lv2', ['LV2']);
    await client.removePlace('p');
    expect(asked).toEqual([
      { address: '/api/computers/desk/changes', method: 'GET', body: undefined, type: null },
      {
        address: '/api/computers/desk/places',
        method: 'POST',
        body: JSON.stringify({ path: '/usr/lib/lv2', formats: ['LV2'] }),
        type: 'application/json',
      },
      { address: '/api/computers/desk/places/p', method: 'DELETE', body: undefined, type: null },
    ]);
  });
  it('says of formats only what is wanted of them', async () => {
    const asked = serverSaying(json({ id: 'p' }));
    await client.addPlace('/usr/lib/lv2');
    expect(asked[0]?.body).toBe('{"path":"/usr/lib/lv2"}');
  });
  it('sends copies of another computer as they are, to whatever it is called', async () => {
    const asked = serverSaying(json({}));
    const lines = new Blob(['{}\n{}\n']);
    await takeCopies('Net & Loft', lines);
    expect(asked[0]).toEqual({
      address: '/api/take?computer=Net+%26+Loft',
      method: 'POST',
      body: lines,
      type: 'application/x-ndjson',
    });
  });
  it('asks for a part of a review with what it looks at, and nothing that is left open', async () => {
    const asked = serverSaying(json({ facts: null }));
    await client.review('own', { period: 'month', vendor: null } as unknown as Parameters<
      typeof client.review
    >[1]);
    expect(asked[0]?.address).toBe('/api/computers/desk/review?part=own&period=month');
  });
});

describe('what is put off in a review', () => {
  it('is taken back where no time is said, and put off for good where that is null', async () => {
    const asked = serverSaying(json({}), json({}), json({}));
    await client.putOff('dust');
    await client.putOff('dust', null);
    await client.putOff('dust', '2026-12-01T00:00:00Z');
    expect(asked.map(({ body }) => body)).toEqual([
      '{"what":"dust"}',
      '{"what":"dust","until":null}',
      '{"what":"dust","until":"2026-12-01T00:00:00Z"}',
    ]);
  });
});

describe('a call that is refused', () => {
  it('ends with what the server says of each problem', async () => {
    const problems = [
      { code: 'file-missing', at: '/a', message: 'There is no such place.' },
      { code: 'file-missing', at: '/b', message: 'Nor this one.' },
    ];
    serverSaying(json({ problems }, 422));
    const refused = await refusalOf(client.places());
    expect(messageOf(refused)).toBe('There is no such place. Nor this one.');
    expect(refused.problems).toEqual(problems);
  });
  it('ends with its number where it says nothing, or nothing that can be read', async () => {
    serverSaying(json({ problems: [] }, 500), new Response('<html>', { status: 502 }));
    expect((await refusalOf(client.places())).message).toBe(texts.serverAnswered(500));
    expect((await refusalOf(client.places())).message).toBe(texts.serverAnswered(502));
  });
  it('says how to start it again where nobody answers', async () => {
    serverSaying(new TypeError('fetch failed'));
    const refused = await refusalOf(client.places());
    expect([refused.message, refused.problems]).toEqual([texts.noAnswer, []]);
  });
  it('has a message whatever was thrown', () => {
    expect([messageOf(new Error('full')), messageOf('full')]).toEqual(['full', 'full']);
  });
});

describe('the catalog', () => {
  const [heron, sluice] = [pluginOf('Heron'), pluginOf('Sluice')];
  const whole: CatalogView = {
    computer: { id: asId('desk'), name: 'Desk', isElsewhere: false },
    version: 1,
    plugins: [heron, sluice],
  };
  it('is fetched whole the first time', async () => {
    const asked = serverSaying(json(whole));
    expect(await client.catalog(undefined)).toEqual(whole);
    expect(asked[0]?.address).toBe('/api/computers/desk/catalog');
  });
  it('is put together from what changed since the one that is here', async () => {
    const tern = pluginOf('Tern');
    const change = { version: 2, changed: [tern], removed: ['heron'] };
    const asked = serverSaying(json(change));
    const next = await client.catalog(whole);
    expect(asked[0]?.address).toBe('/api/computers/desk/catalog?since=1');
    expect(next).toEqual({ ...whole, version: 2, plugins: [sluice, tern] });
    // What did not change is the same object: rows of it are not drawn again.
    expect(next.plugins[0]).toBe(sluice);
  });
  it('is the whole one where the server no longer knows what changed', async () => {
    const anew = { ...whole, version: 9, plugins: [heron] };
    serverSaying(json(anew));
    expect(await client.catalog(whole)).toEqual(anew);
  });
});
