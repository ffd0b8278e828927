import { describe, expect, it } from '@jest/globals';
import { copyOf, pluginOf } from '../catalog/plugin.test-data.ts';
import { entryOf } from './entry.ts';
import { Finder } from './finder.ts';
import { habitsOf, noUse } from './habits.ts';
import { splitWidth } from './width.ts';

describe('a width that is typed', () => {
  it('is a whole word beside others', () => {
    expect(splitWidth('limiter mono')).toEqual({ width: 1, rest: 'limiter' });
    expect(splitWidth('Stereo tide limiter')).toEqual({ width: 2, rest: 'tide limiter' });
  });
  it('is none by itself, nor a part of a word', () => {
    expect(['mono', 'monolith comp', ''].map((typed) => splitWidth(typed).width)).toEqual([
      null,
      null,
      null,
    ]);
  });
});

describe('finding with a width', () => {
  const mono = copyOf('m', { audioOut: 1 });
  const stereo = copyOf('s', { audioOut: 2 });
  const finder = new Finder(
    [
      pluginOf('Tide', { copies: [mono, stereo] }),
      pluginOf('Tide Two', { copies: [stereo] }),
      pluginOf('Tide Mono', { copies: [mono] }),
      pluginOf('Tideline', { copies: [copyOf('u', { audioOut: null })] }),
    ].map((plugin) => entryOf(plugin)),
  );
  const found = (typed: string, limit = 9) => {
    const { hits, count } = finder.find(typed, habitsOf(noUse), limit);
    return { names: hits.map(({ plugin }) => plugin.name), count };
  };
  it('finds what is called so, and then what has a copy so wide', () => {
    expect(found('tide mono')).toEqual({ names: ['Tide Mono', 'Tide'], count: 2 });
    expect(found('stereo tide')).toEqual({ names: ['Tide', 'Tide Two'], count: 2 });
  });
  it('counts all of them where fewer are shown', () => {
    expect(found('tide mono', 1)).toEqual({ names: ['Tide Mono'], count: 2 });
  });
});
