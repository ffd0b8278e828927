import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { isGenericWord } from './generic-words.ts';
import { makesSound, nameKeyOf, withoutBits, withoutWidth, type NameKey } from './name-key.ts';

const keyOf = (name: string, vendor: string | null = null, isInstrument = false): NameKey =>
  nameKeyOf(name, vendor, isInstrument, isGenericWord);

describe('the key of a name', () => {
  it('is the same whatever of case, accents, spaces, format, bits and version stands in it', () => {
    const names = [
      'Kelp Verb',
      'KELP  VERB',
      'kelp_verb',
      'Kélp Vèrb',
      'Kelp Verb (VST3)',
      'Kelp Verb LV2',
      'Kelp Verb x64',
      'Kelp Verb (64 bit)',
      'Kelp Verb 2.1',
      'Kelp Verb v1.0.3',
      'Kelp Verb [CLAP]',
    ];
    expect([...new Set(names.map((name) => keyOf(name).key))]).toEqual(['kelpverb']);
  });
  it('keeps marks, which make another product, and reads Roman ones', () => {
    expect([
      keyOf('Kelp 2').key,
      keyOf('Kelp II').key,
      keyOf('Kelp Mk 2').key,
      keyOf('Kelp Mk2').key,
    ]).toEqual(['kelp2', 'kelp2', 'kelp2', 'kelp2']);
    expect(
      new Set(['Kelp', 'Kelp 2', 'Kelp III', 'Kelp LE', 'Kelp v2'].map((name) => keyOf(name).key))
        .size,
    ).toBe(5);
  });
  it('knows the width that a name says, of effects only', () => {
    expect(
      ['Kelp (mono)', 'Kelp (m)', 'Kelp (mono in)', 'Kelp Mono', 'Kelp (m->s)'].map((name) => [
        keyOf(name).key,
        keyOf(name).width,
      ]),
    ).toEqual(Array.from({ length: 5 }, () => ['kelp', 'mono']));
    expect(
      ['Kelp (stereo)', 'Kelp (S)', 'Kelp (stereo in)', 'Kelp (sum L+R in)', 'Kelp stereo'].map(
        (name) => [keyOf(name).key, keyOf(name).width],
      ),
    ).toEqual(Array.from({ length: 5 }, () => ['kelp', 'stereo']));
    expect(keyOf('Kelp Mono', null, true)).toMatchObject({ key: 'kelpmono', width: null });
  });
  it('has a bare form without the vendor in front', () => {
    expect(keyOf('Quoin Compressor', 'Quoin Ltd')).toMatchObject({
      key: 'quoincompressor',
      bare: 'compressor',
    });
    expect(keyOf('Quoin', 'Quoin').bare).toBe('quoin');
  });
  it('is telling where the name has a word that is none of the trade, or many words', () => {
    expect([
      keyOf('Gullwing').isTelling,
      keyOf('Simple Amplifier').isTelling,
      keyOf('Delay').isTelling,
      keyOf('Comb delay line, cubic').isTelling,
    ]).toEqual([true, false, false, true]);
  });
  it('is never empty, and never an exception', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, unit: 'binary' }).filter((s) => s.trim() !== ''),
        fc.option(fc.string()),
        (name, vendor) => {
          expect(typeof keyOf(name, vendor).key).toBe('string');
        },
      ),
      { numRuns: 2_000 },
    );
    expect(keyOf('(VST3)').key).not.toBe('');
  });
});

describe('a name as it is shown', () => {
  it('loses its width or the bits of its file', () => {
    expect([
      withoutWidth('Kelp Verb (Mono)'),
      withoutWidth('Kelp stereo'),
      withoutWidth('Mono'),
      withoutBits('Kelp x86'),
      withoutBits('Kelp_64'),
      withoutBits('x64'),
    ]).toEqual(['Kelp Verb', 'Kelp', 'Mono', 'Kelp', 'Kelp', 'x64']);
  });
});

it('an instrument is told by audio that comes out and none that goes in', () => {
  expect([
    makesSound({ audioIn: 0, audioOut: 2 }),
    makesSound({ audioIn: 0, audioOut: 0 }),
    makesSound({ audioIn: null, audioOut: 2 }),
    makesSound({ audioIn: 2, audioOut: 2 }),
  ]).toEqual([true, false, false, false]);
});
