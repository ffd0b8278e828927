/** Planted cases: each is told, ranked, and no longer told once it was followed. */
import { describe, expect, it } from '@jest/globals';
import { day } from '../time.ts';
import { aCopy, aFolder, aMaterial, aPlugin, aUse, now } from './studio.test-data.ts';
import type { ReviewMaterial } from './studied.ts';
import { toTryAgain, worthDoing, type Advice, type AdviceKind } from './worth-doing.ts';

const adviceFor = (material: Partial<ReviewMaterial>): Advice[] =>
  worthDoing(aMaterial(material), now);
const of = (kind: AdviceKind, material: Partial<ReviewMaterial>): Advice | undefined =>
  adviceFor(material).find((advice) => advice.kind === kind);
const times = (count: number, plugin: string, from = 1): ReturnType<typeof aUse>[] =>
  Array.from({ length: count }, (_, n) => aUse(plugin, { at: now - (from + n) * day }));

describe('worthDoing', () => {
  it('files what is loaded every week and stands in no folder', () => {
    const plugins = [aPlugin('a'), aPlugin('b')];
    const uses = [...times(5, 'a'), ...times(6, 'b')];
    const folders = [aFolder('f', ['b'])];
    expect(of('file-used', { plugins, uses, folders })).toMatchObject({
      plugins: ['a'],
      title: 'File 1 plugin that you load every week',
      brings: 'a: 5 loads a month, and in no folder.',
    });
    expect(of('file-used', { plugins, uses, folders: [aFolder('f', ['a', 'b'])] })).toBeUndefined();
  });
  it('hides what was not loaded for a year, not what came since, and not before a year is known', () => {
    const plugins = [aPlugin('old'), aPlugin('used'), aPlugin('new')];
    const comings = [{ plugin: 'new', at: now - 20 * day, what: 'came' as const }];
    const uses = [...times(1, 'used', 400), ...times(3, 'used')];
    expect(of('hide-unused', { plugins, uses, comings })?.plugins).toEqual(['old']);
    expect(of('hide-unused', { plugins, uses: times(3, 'used'), comings })).toBeUndefined();
    const hidden = [aPlugin('old', { isHidden: true }), ...plugins.slice(1)];
    expect(of('hide-unused', { plugins: hidden, uses, comings })).toBeUndefined();
  });
  it('brings forgotten good ones back, until they stand in their folder', () => {
    const plugins = [aPlugin('good'), aPlugin('poor')];
    const uses = [...times(6, 'good', 100), ...times(2, 'poor', 100)];
    expect(of('try-again', { plugins, uses })?.plugins).toEqual(['good']);
    const folders = [{ ...aFolder('f', ['good']), name: toTryAgain }];
    expect(of('try-again', { plugins, uses, folders })).toBeUndefined();
  });
  it('retires old copies, those that a session needs only where the user says so', () => {
    const copies = [
      aCopy('old', 'VST2', { version: '1.0' }),
      aCopy('older', 'VST2', { version: '0.9' }),
      aCopy('new', 'VST2', { version: '2.0' }),
    ];
    const plugins = [aPlugin('a', { copies })];
    const asking = (...needed: string[]) =>
      of('retire', { plugins, sessions: [{ session: 's', copies: needed }] });
    expect(asking('old')).toMatchObject({
      title: 'Retire 1 old copy',
      copies: [
        { copy: 'old', ties: ['session'] },
        { copy: 'older', ties: [] },
      ],
    });
    expect(asking('old', 'older')).toBeUndefined();
  });
  it('hides nothing of which the user made something, or that is used, unasked', () => {
    const plugins = [
      aPlugin('idle'),
      aPlugin('filed', { ties: ['filed'] }),
      aPlugin('loaded'),
      aPlugin('asked', { copies: [aCopy('c', 'VST3')] }),
    ];
    const uses = times(1, 'loaded', 400);
    const sessions = [{ session: 's', copies: ['c'] }];
    expect(of('hide-unused', { plugins, uses, sessions })).toMatchObject({
      title: 'Hide 1 plugin not loaded for a year',
      plugins: ['idle'],
      tied: [
        { plugin: 'filed', ties: ['filed'] },
        { plugin: 'loaded', ties: ['loaded'] },
        { plugin: 'asked', ties: ['session'] },
      ],
    });
    expect(of('hide-unused', { plugins: plugins.slice(1), uses, sessions })).toBeUndefined();
  });
  it('names slow ones', () => {
    const uses = times(4, 'slow').map((use) => ({ ...use, keys: 8 }));
    expect(of('name-slow', { plugins: [aPlugin('slow')], uses })).toMatchObject({
      plugins: ['slow'],
      brings: 'With a two-letter nickname, about 20 keys fewer a month.',
    });
  });
  it('merges nearly equal folders into the larger one', () => {
    const plugins = Array.from('abcde').map((id) => aPlugin(id));
    const folders = [aFolder('large', Array.from('abcde')), aFolder('small', Array.from('abcd'))];
    expect(of('merge', { plugins, folders })?.folders).toEqual(['small', 'large']);
  });
  it('sorts a folder by use when what is loaded stands at its end', () => {
    const plugins = Array.from('abcdef').map((id) => aPlugin(id));
    const uses = [...times(4, 'd'), ...times(5, 'e'), ...times(6, 'f')];
    const folders = [aFolder('f', Array.from('abcdef'))];
    expect(of('reorder', { plugins, uses, folders })).toMatchObject({ folders: ['f'] });
    const sorted = folders.map((folder) => ({ ...folder, sortedBy: 'use' }));
    expect(of('reorder', { plugins, uses, folders: sorted })).toBeUndefined();
  });
  it('makes a cabinet of what is used, once', () => {
    const plugins = Array.from({ length: 30 }, (_, n) => aPlugin(`p${n}`));
    const uses = plugins.slice(0, 7).flatMap(({ id }) => times(5, id));
    const made = of('used-cabinet', { plugins, uses });
    expect(made?.plugins).toHaveLength(7);
    const folders = [aFolder('f', made?.plugins ?? [])];
    expect(of('used-cabinet', { plugins, uses, folders })).toBeUndefined();
  });
  it('keeps a row that comes again, once', () => {
    const plugins = Array.from('abc').map((id) => aPlugin(id));
    const uses = [1, 2, 3, 4].flatMap((days) =>
      Array.from('abc').map((plugin, n, row) =>
        aUse(plugin, { at: now - days * day + n * 60_000, after: row[n - 1] ?? null }),
      ),
    );
    expect(of('keep-chain', { plugins, uses })?.plugins).toEqual(['a', 'b', 'c']);
    expect(of('keep-chain', { plugins, uses, chains: [['a', 'b', 'c']] })).toBeUndefined();
  });
  it('tells of trials that end, and of siblings that are not used', () => {
    const trialEnds = new Date(now + 5 * day).toISOString().slice(0, 10);
    const twin = (id: string, name: string) => aPlugin(id, { name, types: ['delay/tape'] });
    const plugins = [
      aPlugin('t', { trialEnds }),
      twin('a', 'Gorse Echo'),
      twin('b', 'Gorse Echo 2'),
    ];
    const uses = times(2, 'b');
    expect(of('trials', { plugins, uses })?.plugins).toEqual(['t']);
    expect(of('doubles', { plugins, uses })?.plugins).toEqual(['a']);
  });
  it('ranks what eases most loads first', () => {
    const plugins = [aPlugin('a'), aPlugin('t', { trialEnds: '2026-10-16' })];
    expect(adviceFor({ plugins, uses: times(20, 'a') }).map(({ kind }) => kind)).toEqual([
      'file-used',
      'trials',
    ]);
  });
});
