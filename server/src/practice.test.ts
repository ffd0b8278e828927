/**
 * The practice session over HTTP: what it takes, refuses, forgets and repairs. Program files are a
 * real one of Debian's lv2-examples, as it is or damaged on purpose.
 */
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type {
  CatalogView,
  HabitsView,
  KeysView,
  Refusal,
  RepairView,
  SessionView,
  TrackView,
} from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { misbehaviours, warmth, type TrackKind, type Usage } from '@clever-drawer/core/loading';
import type { FoundPlugin } from './usecases/catalog/find-plugins.ts';
import { newPlace, startTestServer, writeBundle, type Answer, type TestServer } from './testing.ts';

const real = readFileSync('/usr/lib/lv2/eg-amp.lv2/amp.so');
const ending = (text: string): Uint8Array => Buffer.concat([real, Buffer.from(text, 'latin1')]);
/** The same file for another machine: e_machine (ELF header, offset 0x12) is 183, AArch64. */
const foreign = Buffer.from(real);
foreign.writeUInt16LE(183, 0x12);

let server: TestServer;
let place: string;
const plugins = new Map<string, Plugin>();
const session = async (): Promise<SessionView> =>
  (await server.call<SessionView>('GET', 'session')).body;
const track = async (sort: TrackKind): Promise<TrackView> =>
  (await session()).tracks.find((one) => one.sort === sort) as TrackView;
const names = async (sort: TrackKind): Promise<string[]> =>
  (await track(sort)).slots.map((slot) => slot.asked.name);
const load = async (
  sort: TrackKind,
  index: number,
  name: string,
  more: object = {},
): Promise<Answer<SessionView & Refusal>> =>
  server.call('POST', 'session/loads', {
    track: (await track(sort)).id,
    index,
    plugin: plugins.get(name)?.id,
    copy: null,
    typed: name.slice(0, 2),
    keys: 3,
    took: 1200,
    ...more,
  });
const codes = (answer: Answer<Partial<Refusal>>): unknown =>
  answer.status === 200 ? 'done' : answer.body.problems?.map((p) => p.code).join();
const scan = async (): Promise<void> => {
  await server.scan();
  for (const plugin of (await server.call<CatalogView>('GET', 'catalog')).body.plugins) {
    plugins.set(plugin.name, plugin);
  }
};
const bundle = (name: string, program: Uint8Array, more: object = {}): string =>
  writeBundle(place, `${name}.lv2`, {
    uri: `urn:practice:${name}`,
    name,
    audio: true,
    program,
    ...more,
  });

beforeAll(async () => {
  server = await startTestServer();
});
beforeEach(async () => {
  await server.freshComputer();
  place = newPlace();
  for (const name of ['Tern', 'Grebe', 'Kelpie', 'Marram']) {
    bundle(name, real);
  }
  bundle('Rook', ending(misbehaviours.crash));
  bundle('Lapwing', ending(misbehaviours['no-licence']));
  bundle('Crake', foreign);
  bundle('Arp', real, { class: 'MIDIPlugin', audio: false });
  await server.call('POST', 'places', { path: place });
  await scan();
});
afterEach(() => {
  rmSync(place, { recursive: true, force: true });
});
afterAll(async () => {
  await server.stop();
});

describe('loading', () => {
  it('puts, replaces, moves, bypasses and empties, also after a restart', async () => {
    for (const name of ['Tern', 'Grebe', 'Kelpie']) {
      expect(codes(await load('track', 9, name))).toBe('done');
    }
    expect(await names('track')).toEqual(['Tern', 'Grebe', 'Kelpie']);
    expect(codes(await load('track', 1, 'Marram'))).toBe('done');
    const { id, slots } = await track('track');
    await server.call('POST', 'session/moves', { slot: slots[2]?.id, track: id, index: 0 });
    await server.call('POST', 'session/bypasses', { slot: slots[1]?.id, isBypassed: true });
    await server.restart();
    expect(
      (await track('track')).slots.map((slot) => [
        slot.asked.name,
        slot.isBypassed,
        slot.plugin === plugins.get(slot.asked.name)?.id,
      ]),
    ).toEqual([
      ['Kelpie', false, true],
      ['Tern', false, true],
      ['Marram', true, true],
    ]);
    const bus = await track('bus');
    await server.call('POST', 'session/moves', { slot: slots[0]?.id, track: bus.id, index: 0 });
    await server.call('DELETE', `session/slots/${slots[2]?.id ?? ''}`);
    expect([await names('track'), await names('bus')]).toEqual([['Marram'], ['Tern']]);
    expect(
      codes(
        await server.call('POST', 'session/moves', { slot: slots[2]?.id, track: id, index: 0 }),
      ),
    ).toBe('unknown-record');
  });
  it('is taken back step by step and done again, also after a restart', async () => {
    const step = async (direction: 'undo' | 'redo'): Promise<unknown> => {
      const answer = await server.call<SessionView & Refusal>('POST', `session/${direction}`);
      return codes(answer) === 'done' ? [answer.body.undo, answer.body.redo] : codes(answer);
    };
    const stood: SessionView[] = [await session()];
    const steps = [
      () => load('track', 0, 'Tern'),
      () => load('track', 0, 'Grebe'),
      async () =>
        server.call('PUT', 'session/widths', { track: (await track('track')).id, width: 1 }),
      async () =>
        server.call('POST', 'session/bypasses', {
          slot: (await track('track')).slots[0]?.id,
          isBypassed: true,
        }),
      async () =>
        server.call('DELETE', `session/slots/${(await track('track')).slots[0]?.id ?? ''}`),
    ];
    for (const one of steps) {
      await one();
      stood.push(await session());
    }
    const words = stood.map(({ undo }) => undo);
    const name = (await track('track')).name;
    expect(words).toEqual([
      null,
      `Tern loaded in ${name}, slot 1`,
      `Grebe loaded in ${name}, slot 1`,
      `${name} is mono now`,
      'Bypass Grebe',
      `Empty the slot of Grebe on ${name}`,
    ]);
    await server.restart();
    for (let at = steps.length; at > 0; at -= 1) {
      expect(await step('undo')).toEqual([words[at - 1], words[at]]);
      expect((await session()).tracks).toEqual(stood[at - 1]?.tracks);
    }
    expect(await step('undo')).toBe('nothing-to-undo');
    await step('redo');
    expect(await step('redo')).toEqual([words[2], words[3]]);
    expect((await session()).tracks).toEqual(stood[2]?.tracks);
    await load('track', 1, 'Kelpie');
    expect(await step('redo')).toBe('nothing-to-redo');
  });
  it('takes the copy that fits the width of the track, or the one whose width was typed', async () => {
    bundle('Gull-mono', real, { name: 'Gull', vendor: 'Osier' });
    bundle('Gull-stereo', real, { name: 'Gull', vendor: 'Osier', channels: 2 });
    await scan();
    expect(
      plugins
        .get('Gull')
        ?.copies.map((copy) => copy.audioOut)
        .sort(),
    ).toEqual([1, 2]);
    const loaded = async (typed = 'gu'): Promise<unknown> => {
      expect(codes(await load('track', 9, 'Gull', { typed }))).toBe('done');
      return (await track('track')).slots.at(-1)?.asked.path.split('/').at(-1);
    };
    const widen = async (width: number): Promise<unknown> =>
      codes(
        await server.call('PUT', 'session/widths', { track: (await track('track')).id, width }),
      );
    expect((await track('track')).width).toBe(2);
    expect([await loaded(), await loaded('gull mono')]).toEqual([
      'Gull-stereo.lv2',
      'Gull-mono.lv2',
    ]);
    expect(await widen(1)).toBe('done');
    await server.restart();
    expect((await track('track')).width).toBe(1);
    expect([await loaded(), await loaded('gull stereo')]).toEqual([
      'Gull-mono.lv2',
      'Gull-stereo.lv2',
    ]);
    expect([await widen(0), await widen(65)]).toEqual(['field-invalid', 'field-invalid']);
    const found = async (more: string): Promise<unknown> =>
      (await server.call<FoundPlugin[]>('GET', `find?q=gull${more}`)).body[0]?.path
        ?.split('/')
        .at(-1);
    expect([await found(''), await found('&width=1'), await found('%20mono')]).toEqual([
      'Gull-stereo.lv2',
      'Gull-mono.lv2',
      'Gull-mono.lv2',
    ]);
  });
  it('takes the copy that is used first, and in a folder the one that it holds', async () => {
    bundle('Gull-a', real, { name: 'Gull', vendor: 'Osier', channels: 2 });
    bundle('Gull-b', real, { name: 'Gull', vendor: 'Osier', channels: 2 });
    bundle('Gull-c', real, { name: 'Gull', vendor: 'Osier' });
    await scan();
    const gull = plugins.get('Gull');
    const copy = (name: string): unknown =>
      gull?.copies.find(({ path }) => path.endsWith(`Gull-${name}.lv2`))?.id;
    const loaded = async (folder: unknown = null): Promise<unknown> => {
      expect(codes(await load('track', 9, 'Gull', { folder }))).toBe('done');
      return (await track('track')).slots.at(-1)?.copy;
    };
    const act = async (body: object): Promise<void> => {
      expect(codes(await server.call('POST', 'acts', body))).toBe('done');
    };
    const [cabinet, favourites, folder] = [randomUUID(), randomUUID(), randomUUID()];
    await act({
      act: 'add-cabinet',
      id: cabinet,
      favourites,
      name: 'Old shows',
      opensFor: [],
      folders: [
        { id: folder, parent: null, form: 'folder', name: 'Spring tour', rule: null, plugins: [] },
      ],
    });
    expect(await loaded(folder)).toBe(copy('a'));
    await act({ act: 'answer', say: [{ plugins: [gull?.id], set: { firstCopy: copy('b') } }] });
    expect([await loaded(), await loaded(folder)]).toEqual([copy('b'), copy('b')]);
    expect((await server.call<FoundPlugin[]>('GET', 'find?q=gull')).body[0]?.copy).toBe(copy('b'));
    await act({ act: 'set-folder', folder, set: { firstCopies: [copy('c')] } });
    expect([await loaded(), await loaded(folder)]).toEqual([copy('b'), copy('c')]);
    await act({ act: 'remove-folder', folder });
    expect(await loaded(folder)).toBe(copy('b'));
  });
  it('refuses with reasons, and the session stands as before, also after a crash', async () => {
    const before = await session();
    expect([
      codes(await load('track', 9, 'Rook')),
      codes(await load('track', 9, 'Lapwing')),
      codes(await load('track', 9, 'Crake')),
      codes(await load('instrument', 0, 'Tern')),
    ]).toEqual(['host-crashed', 'host-no-licence', 'host-wrong-machine', 'cannot-load']);
    rmSync(join(place, 'Grebe.lv2'), { recursive: true });
    const missing = await load('track', 9, 'Grebe');
    expect([codes(missing), missing.body.problems[0]?.message]).toEqual([
      'host-file-missing',
      expect.stringContaining('Grebe is gone'),
    ]);
    await server.call('PUT', 'session/settings', { formats: ['VST3'], takes32Bit: false });
    expect([
      codes(await load('track', 9, 'Tern')),
      codes(await load('track', 9, 'Tern', { copy: plugins.get('Tern')?.copies[0]?.id })),
    ]).toEqual(['cannot-load', 'host-format']);
    await server.call('PUT', 'session/settings', before.settings);
    expect(await session()).toEqual({ ...before, undo: 'Change what the session takes' });
    expect(codes(await load('track', 9, 'Tern'))).toBe('done');
  });
  it('takes note effects into slots of notes only', async () => {
    expect([
      codes(await load('notes', 0, 'Arp')),
      codes(await load('notes', 1, 'Tern')),
      codes(await load('track', 9, 'Arp')),
    ]).toEqual(['done', 'cannot-load', 'cannot-load']);
  });
});

/**
 * Six loads: three of a track one after the other, one of them loaded again elsewhere, one between,
 * one of notes.
 */
async function loadSix(): Promise<void> {
  const loads = [
    ['track', 9, 'Tern'],
    ['track', 9, 'Grebe'],
    ['track', 9, 'Kelpie'],
    ['track', 1, 'Marram'],
    ['bus', 9, 'Tern'],
    ['notes', 0, 'Arp'],
  ] as const;
  for (const [kind, index, name] of loads) {
    expect(codes(await load(kind, index, name))).toBe('done');
  }
}

describe('what is learnt', () => {
  beforeEach(loadSix);
  it('is where, after what, for which letters, and in how many keys', async () => {
    const habits = (await server.call<HabitsView>('GET', 'habits')).body;
    const id = (name: string): string => plugins.get(name)?.id ?? '';
    const once = expect.closeTo(warmth([Date.now()], Date.now()), 3);
    expect(habits.here.filter((one) => one.plugin === id('Arp'))).toEqual([
      { plugin: id('Arp'), track: 'notes', warmth: once },
    ]);
    expect(habits.after).toContainEqual({
      after: id('Grebe'),
      plugin: id('Kelpie'),
      warmth: once,
    });
    expect(habits.letters).toContainEqual({ typed: 'Te', plugin: id('Tern'), times: 2 });
    const keys = (await server.call<KeysView>('GET', 'keys')).body;
    expect(keys).toMatchObject({
      today: { loads: 6, keys: 3 },
      weeks: [{ loads: 6, keys: 3, seconds: 1.2 }],
      longest: { keys: 3 },
      loads: 6,
    });
  });
  it('can be switched off, and wiped', async () => {
    await server.call('PATCH', 'habits', { isLearning: false });
    expect(codes(await load('bus', 9, 'Kelpie'))).toBe('done');
    expect((await server.call<KeysView>('GET', 'keys')).body.loads).toBe(6);
    expect((await server.call<HabitsView>('GET', 'habits')).body.isLearning).toBe(false);
    expect((await server.call<number>('DELETE', 'loads')).body).toBe(6);
    expect((await server.call<HabitsView>('GET', 'habits')).body).toEqual({
      isLearning: false,
      here: [],
      after: [],
      letters: [],
    });
    await server.call('PATCH', 'habits', { isLearning: true });
  });
});

describe('a chain of one’s own', () => {
  it('is loaded whole or not at all, counts as used, survives a scan, and can be taken back', async () => {
    const id = randomUUID();
    const act = (body: object): Promise<Answer<Partial<Refusal>>> =>
      server.call('POST', 'acts', body);
    const member = (name: string): string | undefined => plugins.get(name)?.id;
    expect(
      codes(
        await act({
          act: 'add-chain',
          id,
          name: 'Heron voice',
          kind: 'effect',
          plugins: [member('Marram'), member('Kelpie')],
        }),
      ),
    ).toBe('done');
    await server.scan();
    const bus = await track('final');
    const put = (plugin: string, index: number): Promise<Answer<SessionView & Refusal>> =>
      server.call('POST', 'session/loads', {
        track: bus.id,
        index,
        plugin,
        copy: null,
        typed: 'hv',
        keys: 3,
        took: 400,
      });
    expect([
      codes(await put(member('Tern') ?? '', 0)),
      codes(await put(id, 0)),
      codes(await put(id, 9)),
    ]).toEqual(['done', 'done', 'done']);
    expect(await names('final')).toEqual(['Marram', 'Kelpie', 'Marram', 'Kelpie']);
    const loads = new Map(
      (await server.call<Usage[]>('GET', 'usage')).body.map((one) => [one.plugin, one.loads]),
    );
    expect([
      loads.get(id),
      (await server.call<HabitsView>('GET', 'habits')).body.letters.filter(
        (one) => one.typed === 'hv',
      ).length,
    ]).toEqual([2, 2]);
    const found = (await server.call<FoundPlugin[]>('GET', 'find?q=heron%20voice&slot=effect'))
      .body[0];
    expect([
      found?.plugin,
      found?.copy,
      found?.chain?.map((one) => [one.name, one.format, one.path]),
    ]).toEqual([
      id,
      null,
      ['Marram', 'Kelpie'].map((name) => [name, 'LV2', join(place, `${name}.lv2`)]),
    ]);
    expect(
      (await server.call<FoundPlugin[]>('GET', 'find?q=heron%20voice&slot=instrument')).body,
    ).toEqual([]);
    const broken = randomUUID();
    await act({
      act: 'add-chain',
      id: broken,
      name: 'Breaks',
      kind: 'effect',
      plugins: [member('Marram'), member('Lapwing')],
    });
    expect([codes(await put(broken, 9)), (await names('final')).length]).toEqual([
      'host-no-licence',
      4,
    ]);
    expect(
      codes(
        await act({
          act: 'add-chain',
          id: broken,
          name: 'Again',
          kind: 'effect',
          plugins: [member('Marram'), member('Kelpie')],
        }),
      ),
    ).toBe('id-taken');
    expect([
      codes(await act({ act: 'remove-chain', chain: broken })),
      codes(await server.call('POST', 'undo')),
      codes(await server.call('POST', 'undo')),
      codes(await server.call('POST', 'redo')),
    ]).toEqual(['done', 'done', 'done', 'done']);
    await server.call('DELETE', 'loads');
    for (const { id: slot } of (await track('final')).slots) {
      await server.call('DELETE', `session/slots/${slot}`);
    }
  });
});

describe('a saved session', () => {
  it('is opened again; what is gone or replaced gets its best match, taken in one press', async () => {
    await loadSix();
    expect(codes(await server.call('POST', 'sessions', { name: '  ' }))).toBe('name-empty');
    const { saved } = (
      await server.call<SessionView>('POST', 'sessions', { name: 'The Heron and the Eel' })
    ).body;
    const before = await session();
    // One has moved; two are gone, and what has nearly the name of one of them has no vendor that would tell.
    for (const name of ['Tern', 'Kelpie', 'Arp']) {
      rmSync(join(place, `${name}.lv2`), { recursive: true });
    }
    writeBundle(place, 'shelf/Tern.lv2', {
      uri: 'urn:practice:Tern',
      name: 'Tern',
      audio: true,
      program: real,
    });
    bundle('Kelpie Two', real);
    await scan();
    for (const { slots } of before.tracks) {
      for (const slot of slots) {
        await server.call('DELETE', `session/slots/${slot.id}`);
      }
    }
    const opened = (await server.call<SessionView>('POST', `sessions/${saved[0]?.id ?? ''}/open`))
      .body;
    expect(opened.name).toBe('The Heron and the Eel');
    expect(
      opened.tracks
        .flatMap((one) => one.slots)
        .filter((slot) => slot.problem !== null)
        .map((slot) => [slot.asked.name, slot.problem?.code]),
    ).toEqual(
      expect.arrayContaining([
        ['Tern', 'host-file-missing'],
        ['Arp', 'host-file-missing'],
        ['Kelpie', 'host-file-missing'],
      ]),
    );
    const repairs = (await server.call<RepairView[]>('GET', 'session/repairs')).body;
    expect(
      new Map(
        repairs.map(({ asked, match }) => [
          asked.name,
          match && [match.name, match.because, match.isSure],
        ]),
      ),
    ).toEqual(
      new Map([
        ['Tern', ['Tern', 'the same one at another path', true]],
        ['Kelpie', null],
        ['Arp', null],
      ]),
    );
    const repaired = (
      await server.call<SessionView>('POST', 'session/repairs', {
        slots: repairs.filter((one) => one.match).map((one) => one.slot),
      })
    ).body;
    expect(
      repaired.tracks
        .flatMap((one) => one.slots)
        .filter((slot) => slot.problem !== null)
        .map((slot) => slot.asked.name)
        .sort(),
    ).toEqual(['Arp', 'Kelpie']);
    expect(
      (await server.call<SessionView>('DELETE', `sessions/${saved[0]?.id ?? ''}`)).body.saved,
    ).toEqual([]);
  });
});
