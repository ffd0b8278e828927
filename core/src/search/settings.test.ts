import { describe, expect, it } from '@jest/globals';
import { createSettingFinder, type FindableSetting } from './settings.ts';

const setting = (name: string, plugin: string, bank: string | null = null): FindableSetting => ({
  names: [name],
  bank,
  pluginNames: [plugin],
});
const finder = createSettingFinder([
  setting('Snare', 'Bosunmark Plate'),
  setting('Snare, dark', 'Gorse Echo', 'Puppet theatre'),
  setting('Plate of the day', 'Kelp Tone'),
  setting('Näss', 'Bosunmark Plate'),
]);
const names = (letters: string): string[] =>
  finder
    .find(letters, 10)
    .map(({ names: [name = ''], pluginNames }) => `${name} of ${pluginNames[0] ?? ''}`);

describe('settings by letters', () => {
  it('are found by their own name, and by it with that of their plugin or bank', () => {
    expect(names('snare')).toEqual(['Snare of Bosunmark Plate', 'Snare, dark of Gorse Echo']);
    expect(names('plate snare')).toEqual(['Snare of Bosunmark Plate']);
    expect(names('puppet sn')).toEqual(['Snare, dark of Gorse Echo']);
    expect(names('nass')).toEqual(['Näss of Bosunmark Plate']);
  });
  it('do not come by the name of their plugin alone, nor without letters', () => {
    expect(names('bosunmark')).toEqual([]);
    expect(names('plate')).toEqual(['Plate of the day of Kelp Tone']);
    expect(names('')).toEqual([]);
    expect(names('plate snare fog')).toEqual([]);
  });
});

it('all of them come by the name of their plugin, too', () => {
  const found = (letters: string): number => finder.all(letters).length;
  expect([found('bosunmark'), found('bosunmark snare'), found('puppet'), found('xyz')]).toEqual([
    2, 1, 1, 0,
  ]);
});

it('takes nothing apart before letters are typed', () => {
  const unread = {
    bank: null,
    pluginNames: [],
    get names(): never {
      throw new Error('taken apart');
    },
  };
  const lazy = createSettingFinder([unread]);
  expect(lazy.find(' ', 10)).toEqual([]);
  expect(() => lazy.find('a', 10)).toThrow('taken apart');
});

it('finds among 20,000 what looking at each of them finds', () => {
  const words = ['snare', 'plate', 'dark', 'hall', 'eel', 'heron', 'loft', 'näss', 'old', 'bell'];
  const word = (n: number): string => words[n % words.length] ?? '';
  const all = Array.from({ length: 20_000 }, (_, n) =>
    setting(
      `${word(n * 7)} ${word(n >> 3)} ${n % 50}`,
      `${word(n % 13)} ${word(n % 29)}`,
      n % 4 === 0 ? word(n >> 2) : null,
    ),
  );
  const { find } = createSettingFinder(all);
  const begins = (texts: readonly string[], asked: string): boolean =>
    texts.some((text) => text.split(' ').some((one) => one.replace('ä', 'a').startsWith(asked)));
  for (const asked of [['sna'], ['plate', 'sn'], ['nass', 'old', '1'], ['heron', 'heron']]) {
    const slow = all.filter(({ names: called, bank, pluginNames }) => {
      const own = asked.filter((one) => begins(called, one));
      return (
        own.length > 0 &&
        asked.every((one) => own.includes(one) || begins([...pluginNames, bank ?? ''], one))
      );
    });
    expect(find(asked.join(' '), 30_000)).toHaveLength(slow.length);
    expect(new Set(find(asked.join(' '), 30_000))).toEqual(new Set(slow));
  }
});
