import { describe, expect, it } from '@jest/globals';
import { bareCopy, type Format } from '../formats/found-copy.ts';
import { matchPlugins, type Match, type ToMatch } from './match-plugins.ts';

let made = 0;
function plugin(name: string, vendor: string | null, ...formats: Format[]): ToMatch {
  made += 1;
  const id = `p${made}`;
  return {
    id,
    name,
    vendor,
    copies: formats.map((format) => ({
      ...bareCopy(format, `/${format}/${name}.so`),
      identity: `${format} of ${name}`,
      name,
      vendor,
    })),
  };
}
const matched = (wanted: ToMatch, ...here: ToMatch[]): Match | undefined =>
  matchPlugins([wanted], here)[0];

describe('matchPlugins', () => {
  it('takes the one with the same identity, whatever it is called meanwhile', () => {
    const wanted = plugin('Bosunmark Plate', 'Saltglass', 'VST3');
    const same = { ...wanted, id: 'same', name: 'Plate' };
    expect(matched(wanted, plugin('Bosunmark Plate', 'Saltglass', 'LV2'), same)).toMatchObject({
      how: 'same',
      choices: [{ plugin: 'same' }],
    });
  });
  it('finds another format, and says that it is one', () => {
    const there = plugin('Bosunmark Plate', 'Saltglass', 'AU');
    const match = matched(plugin('Bosunmark Plate', 'Saltglass', 'VST3'), there);
    expect(match?.how).toBe('likely');
    expect(match?.choices[0]?.because).toContain('VST3 → AU');
  });
  it('takes a newer version or the full edition of the same vendor, and asks about lesser ones', () => {
    const newer = plugin('Tidehook Denoise 2', 'Saltglass', 'VST3');
    expect(matched(plugin('Tidehook Denoise', 'Saltglass', 'VST3'), newer)).toMatchObject({
      how: 'likely',
      choices: [{ plugin: newer.id, because: 'a newer version of the same vendor' }],
    });
    expect(
      matched(
        plugin('Tidehook Denoise LE', 'Saltglass', 'VST3'),
        plugin('Tidehook Denoise', 'Saltglass', 'AU'),
      ),
    ).toMatchObject({ how: 'likely' });
    expect(
      matched(
        plugin('Tidehook Denoise 2', 'Saltglass', 'VST3'),
        plugin('Tidehook Denoise', 'Saltglass', 'AU'),
      ),
    ).toMatchObject({ how: 'ask' });
  });
  it('asks where several may be meant, and does not take what another one is', () => {
    const two = plugin('Tidehook Denoise 2', 'Saltglass', 'VST3');
    const three = plugin('Tidehook Denoise 3', 'Saltglass', 'VST3');
    expect(matched(plugin('Tidehook Denoise', 'Saltglass', 'VST3'), two, three)).toMatchObject({
      how: 'ask',
    });
    const one = plugin('Tidehook Denoise', 'Saltglass', 'VST3');
    const twoThere = plugin('Tidehook Denoise 2', 'Saltglass', 'AU');
    expect(matchPlugins([one, twoThere], [two]).map(({ how }) => how)).toEqual([
      'missing',
      'likely',
    ]);
  });
  it('leaves another vendor alone, and what nothing is like', () => {
    expect(
      matched(
        plugin('Tidehook Denoise', 'Saltglass', 'VST3'),
        plugin('Tidehook Denoise 2', 'Northfen', 'VST3'),
      ),
    ).toMatchObject({ how: 'missing', choices: [] });
    expect(
      matched(plugin('Compressor', null, 'VST3'), plugin('Reverb', null, 'VST3')),
    ).toMatchObject({
      how: 'missing',
    });
  });
});
