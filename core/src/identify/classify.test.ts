/**
 * Classification against the classes that Debian's LV2 packages declare; the weights were fitted on
 * swh-lv2 and swh-plugins (bench/src/fit.ts), so the other packages count.
 */
import { describe, expect, it } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundlesOfPackages, lv2Packages } from '../formats/debian-packages.test-data.ts';
import { readLv2 } from '../formats/lv2.ts';
import { memoryFiles } from '../formats/memory-files.ts';
import { classify, clearTypes, type Classified } from './classify.ts';
import { readDeclared } from '../taxonomy/declared.ts';
import type { Subject } from './evidence.ts';
import { lexicon } from './lexicon.data.ts';
import { speakingWords } from './name-words.ts';
import { gatherSeries } from './series.ts';
import { groupOf, isType } from '../taxonomy/tree.ts';

const nothing: Subject = {
  name: '',
  declared: [],
  audioIn: null,
  audioOut: null,
  notesIn: null,
  notesOut: null,
  series: [],
};
const called = (name: string, more: Partial<Subject> = {}): Classified =>
  classify({ ...nothing, name, ...more });
const best = (name: string, more: Partial<Subject> = {}): string | undefined =>
  called(name, more).suggestions[0]?.type;

describe('the lexicon', () => {
  it('speaks of known types only', () => {
    const types = [...lexicon.values()].flat().map((m) => m.type);
    expect(types.length).toBeGreaterThan(300);
    expect(types.filter((type) => !isType(type))).toEqual([]);
  });
  it('finds phrases however they are written, words inside longer ones, and none in traps', () => {
    const heard = (name: string): string[] => speakingWords(name).map((w) => w.word);
    expect([heard('TapeEcho'), heard('Tape echo'), heard('Kelp tape-echo 2')]).toEqual([
      ['tape echo'],
      ['tape echo'],
      ['tape echo'],
    ]);
    expect([speakingWords('Multiverb')[0], speakingWords('GVerb')[0]]).toMatchObject([
      { word: 'verb', isPart: true },
      { word: 'verb', isPart: false },
    ]);
    expect([
      heard('Bandlimited'),
      heard('Phaserotate'),
      heard('Aggregate'),
      heard('Navigate'),
    ]).toEqual([[], [], [], []]);
  });
  it('takes the last word for the thing and those before it, or behind "with", for its description', () => {
    expect(speakingWords('Gate Reverb').find((w) => w.isHead)?.word).toBe('reverb');
    expect(speakingWords('Envelope with Gate').find((w) => w.isHead)?.word).toBe('envelope');
    expect(
      speakingWords('Chorus / Flanger')
        .filter((w) => w.isHead)
        .map((w) => w.word),
    ).toEqual(['chorus', 'flanger']);
  });
});

describe('types of a plugin', () => {
  it('follow the words of its name', () => {
    expect(
      [
        best('Gate Reverb'),
        best('Synth Bass Compressor'),
        best('Kelp Vocoder'),
        best('Pale Tape Echo'),
        best('Silt De-esser'),
      ].map((t) => groupOf(t ?? '')),
    ).toEqual(['reverb', 'dynamics', 'pitch', 'delay', 'dynamics']);
  });
  it('are several where the name says so', () => {
    expect(clearTypes(called('Kelp EQ & Compressor'), 0.5).map(groupOf).sort()).toEqual([
      'dynamics',
      'eq',
    ]);
  });
  it('follow what is declared before the name, and say both', () => {
    const { suggestions } = called('Kelp Gate', {
      declared: [{ format: 'VST3', values: ['Fx', 'Reverb'] }],
    });
    expect(suggestions[0]?.type).toBe('reverb');
    expect(suggestions[0]?.reasons[0]?.text).toContain('declares Reverb');
    expect(suggestions[0]?.reasons.some((r) => r.weight < 0 && r.text.includes('Gate'))).toBe(true);
  });
  it('follow the ports where the name is silent', () => {
    expect(best('Kelp', { audioIn: 2, audioOut: 0, notesIn: false, notesOut: false })).toBe(
      'meter',
    );
    expect(best('Kelp', { audioIn: 0, audioOut: 0, notesIn: true, notesOut: true })).toBe('notes');
  });
  it('catch an instrument that declares itself an effect', () => {
    const { kinds, kindReasons } = called('Kelp Synth', {
      declared: [{ format: 'VST3', values: ['Fx'] }],
      audioIn: 0,
      audioOut: 2,
      notesIn: true,
      notesOut: false,
    });
    expect(kinds[0]?.kind).toBe('instrument');
    expect(kindReasons.find((r) => r.kind === 'effect')?.text).toContain('declares an effect');
  });
  it('start from the answers given to others of the series', () => {
    const others = ['Marlwick One', 'Marlwick Two', 'Marlwick Three'].map((name) => ({
      name,
      vendor: 'osier',
      types: ['reverb/plate'],
      isTaught: true,
    }));
    const next = { name: 'Marlwick Four', vendor: 'osier', types: [], isTaught: false };
    expect(best('Marlwick Four')).not.toBe('reverb/plate');
    expect(
      called('Marlwick Four', { series: gatherSeries([...others, next])(next) }).suggestions[0],
    ).toMatchObject({ type: 'reverb/plate' });
    expect(gatherSeries(others)({ ...next, vendor: 'another' })).toEqual([]);
  });
});

interface Truth {
  readonly name: string;
  readonly subject: Subject;
  readonly values: readonly string[];
  readonly groups: ReadonlySet<string>;
}

const packages: Truth[] = bundlesOfPackages(lv2Packages)
  .flatMap((root) => {
    const files = Object.fromEntries(
      readdirSync(root, { withFileTypes: true })
        .filter((f) => f.isFile() && f.name.endsWith('.ttl'))
        .map((f) => [f.name, readFileSync(join(root, f.name))]),
    );
    return (files['manifest.ttl'] ? readLv2(memoryFiles(root, files)) : []).map((copy) => ({
      name: copy.name ?? '',
      values: copy.declared,
      groups: new Set(readDeclared('LV2', copy.declared).types.map(groupOf)),
      subject: {
        ...nothing,
        name: copy.name ?? '',
        audioIn: copy.audioIn,
        audioOut: copy.audioOut,
        notesIn: copy.notesIn,
        notesOut: copy.notesOut,
      },
    }));
  })
  .filter(({ groups }) => groups.size > 0);
const isFitted = ({ values }: Truth, at: number): boolean =>
  values.length > 0 &&
  !packages[at]!.name.startsWith('Invada') &&
  !packages[at]!.name.startsWith('Example');

describe('over the plugins of the LV2 packages', () => {
  const rightOf = (list: readonly Truth[], subjectOf: (one: Truth) => Subject): number =>
    list.filter((one) =>
      one.groups.has(groupOf(classify(subjectOf(one)).suggestions[0]?.type ?? '')),
    ).length / list.length;
  const others = packages.filter((one, at) => !isFitted(one, at));
  it('the right group comes first for four in five, with the class hidden', () => {
    expect([packages.length > 100, others.length > 15]).toEqual([true, true]);
    expect(rightOf(packages, (one) => one.subject)).toBeGreaterThan(0.8);
    expect(rightOf(others, (one) => one.subject)).toBeGreaterThan(0.8);
  });
  it('the right group comes first for all but two in a hundred, with the class given', () => {
    expect(
      rightOf(packages, (one) => ({
        ...one.subject,
        declared: [{ format: 'LV2', values: one.values }],
      })),
    ).toBeGreaterThan(0.98);
  });
});
