import { describe, expect, it } from '@jest/globals';
import { createSettingFinder, type FindableSetting } from './settings.ts';

const setting = (name: string, plugin: string, bank: string | null = null): FindableSetting => ({
  name,
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
  finder.find(letters, 10).map(({ name, pluginNames }) => `${name} of ${pluginNames[0] ?? ''}`);

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
