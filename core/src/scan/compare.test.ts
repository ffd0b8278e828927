import { describe, expect, it } from '@jest/globals';
import { bareCopy, failedCopy, type FoundCopy } from '../formats/found-copy.ts';
import { compare, copyKey, type KnownCopy } from './compare.ts';

const copy = (path: string, over: Partial<FoundCopy> = {}): FoundCopy => ({
  ...bareCopy('LV2', path),
  identity: `urn:${path}`,
  name: path,
  version: '1.0',
  ...over,
});
const known = (c: FoundCopy, state: KnownCopy['state'] = 'present'): KnownCopy => ({
  key: copyKey(c),
  copy: c,
  state,
});
const sorts = (k: KnownCopy[], f: FoundCopy[]): string[] =>
  compare(k, f).map((r) => `${r.sort} ${r.found?.path ?? r.from ?? ''}`);

describe('comparing a scan with what was known', () => {
  it('finds nothing new in an unchanged place', () =>
    expect(sorts([known(copy('a'))], [copy('a')])).toEqual(['unchanged a']));
  it('says what arrived and what went', () =>
    expect(sorts([known(copy('a'))], [copy('b')])).toEqual(['arrived b', 'gone a']));
  it('says from which version to which a copy was updated', () => {
    const [result] = compare([known(copy('a'))], [copy('a', { version: '1.1' })]);
    expect(result).toMatchObject({ sort: 'updated', from: '1.0', to: '1.1' });
  });
  it('knows a copy that moved by its identity', () =>
    expect(
      sorts([known(copy('a', { identity: 'urn:x' }))], [copy('b', { identity: 'urn:x' })]),
    ).toEqual(['moved b']));
  it('does not take a second copy of one identity for a move', () =>
    expect(
      sorts(
        [known(copy('a', { identity: 'urn:x' }))],
        [copy('a', { identity: 'urn:x' }), copy('b', { identity: 'urn:x' })],
      ),
    ).toEqual(['unchanged a', 'arrived b']));
  it('says a gone copy is back, and gone only once', () => {
    expect(sorts([known(copy('a'), 'gone')], [copy('a')])).toEqual(['returned a']);
    expect(sorts([known(copy('a'), 'gone')], [])).toEqual([]);
  });
  it('says that what was awaited arrives, here or at another path, and never that it is gone', () => {
    const awaited = [known(copy('a', { identity: 'urn:x' }), 'awaited')];
    expect(sorts(awaited, [copy('a', { identity: 'urn:x' })])).toEqual(['arrived a']);
    expect(sorts(awaited, [])).toEqual([]);
    expect(compare(awaited, [copy('b', { identity: 'urn:x' })])).toMatchObject([
      { sort: 'arrived', known: awaited[0]?.key, from: null, to: '1.0' },
    ]);
  });
  it('knows a copy that only its file told of when opening tells who it is', () => {
    const bare = { ...bareCopy('LADSPA', '/l/room_9.so'), version: null };
    const openedAs = (label: string, name: string): FoundCopy => ({
      ...bareCopy('LADSPA', '/l/room_9.so'),
      identity: `room_9.so:${label}`,
      name,
      examined: 'opened',
    });
    const results = compare([known(bare)], [openedAs('hall', 'Hall'), openedAs('room', 'Room')]);
    expect(results.map(({ sort, known: key, to }) => [sort, key, to])).toEqual([
      ['arrived', null, null],
      ['opened', copyKey(bare), 'Room'],
    ]);
  });
  it('keeps who it is when it is only read again', () => {
    const opened: FoundCopy = {
      ...bareCopy('CLAP', '/c/a.clap'),
      identity: 'org.a',
      name: 'A',
      examined: 'opened',
    };
    const read = bareCopy('CLAP', '/c/a.clap');
    expect(compare([known(opened)], [read]).map(({ sort, known: key }) => [sort, key])).toEqual([
      ['updated', copyKey(opened)],
    ]);
  });
  it('does not take one of a file for another when both were opened', () => {
    const one = copy('f', { identity: 'urn:1', examined: 'opened' });
    const two = copy('f', { identity: 'urn:2', examined: 'opened' });
    expect(sorts([known(one)], [two])).toEqual(['arrived f', 'gone f']);
  });
  it('says a failure once, not again at each scan', () => {
    const bad = failedCopy('LV2', 'a', { code: 'file-missing', at: 'manifest.ttl' });
    expect(sorts([], [bad])).toEqual(['failed a']);
    expect(sorts([known(bad)], [bad])).toEqual(['unchanged a']);
    const reordered = { ...bad, problem: { at: 'manifest.ttl', code: 'file-missing' as const } };
    expect(sorts([known(reordered)], [bad])).toEqual(['unchanged a']);
  });
});
