/**
 * Classification against the classes that Debian's LV2 packages declare; the weights were fitted on
 * swh-lv2 and swh-plugins (bench/src/fit.ts), so the other packages count.
 */
import { circuitRows } from './lexicon-circuits.data.ts';
import { languageRows } from './lexicon-languages.data.ts';
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
      heard('Diameter'),
      heard('Aggregate'),
      heard('Navigate'),
    ]).toEqual([[], [], [], []]);
  });
  it('knows what phase is turned by from what it is swept by', () => {
    expect(best('Phaserotate')).toBe('utility');
    expect(best('Phaser')).toBe('modulation/phaser');
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
  it('follow a name that says what it is before what is declared, and say both', () => {
    const { suggestions } = called('Kelp Gate', {
      declared: [{ format: 'VST3', values: ['Fx', 'Reverb'] }],
    });
    expect(suggestions.slice(0, 2).map(({ type }) => type)).toEqual(['dynamics/gate', 'reverb']);
    expect(suggestions[0]?.probability).toBeLessThan(0.7);
    expect(suggestions[1]?.reasons[0]?.text).toContain('declares Reverb');
    expect(suggestions[1]?.reasons.some((r) => r.weight < 0 && r.text.includes('Gate'))).toBe(true);
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

describe('a description', () => {
  it('speaks where the name is a fancy, with its reason', () => {
    const said = called('Lantern Moth', { description: 'A warm tape echo. It can also chorus.' });
    expect(said.suggestions[0]?.type).toMatch(/^delay/);
    const [reason] = said.suggestions[0]?.reasons ?? [];
    expect(reason?.text).toBe('“tape echo” in its description says Tape echo');
  });
  it('tells less than the name, and only which of what is declared', () => {
    expect(best('Quay Gate', { description: 'A reverb' })).toBe('dynamics/gate');
    const declared = [{ format: 'VST3' as const, values: ['Fx', 'Delay'] }];
    const { suggestions } = called('Lantern Moth', { declared, description: 'A compressor' });
    expect(suggestions.map(({ type }) => type)).not.toContain('dynamics/compressor');
  });
});

describe('words of circuits and of other languages', () => {
  it('speak for what they stand for', () => {
    expect([best('Quay EL34'), best('Quay Bucket Brigade'), best('Quay Vari-Mu')]).toEqual([
      'distortion/amp',
      'delay',
      'dynamics/compressor',
    ]);
    expect([best('Rauschsperre'), best('Égaliseur Quay'), best('Riverbero')]).toEqual([
      'dynamics/gate',
      'eq',
      'reverb',
    ]);
  });
  it('are words of known types', () => {
    expect(circuitRows.length).toBeGreaterThan(5);
    expect(languageRows.length).toBeGreaterThan(20);
    const types = [...circuitRows, ...languageRows].map(([type]) => type);
    expect(types.filter((type) => !isType(type))).toEqual([]);
  });
});

describe('what only notes pass through', () => {
  it('is a note effect whatever effect its name says', () => {
    const notes = { audioIn: 0, audioOut: 0, notesIn: true, notesOut: true };
    expect(best('MIDI Delay Line', notes)).toMatch(/^notes/);
  });
});

describe('what ports rule out', () => {
  const noNotes = { notesIn: false, notesOut: false };
  it('is no effect where no audio passes, and no note effect where no notes do', () => {
    expect(best('Low Pass', { audioIn: 0, audioOut: 0, ...noNotes })).toBe('utility');
    expect(best('Scale', { audioIn: 0, audioOut: 0, ...noNotes })).toBe('utility');
  });
  it('is no note effect where audio passes and no notes come out', () => {
    const ports = { audioIn: 1, audioOut: 1, notesIn: true, notesOut: false };
    const controls = ['Tuning', 'Correction', 'Scale'];
    expect(groupOf(best('Fathom (scales)', { ...ports, controls }) ?? '')).toBe('pitch');
  });
});

describe('a name and a declaration that disagree', () => {
  const declaring = (values: readonly string[]) => ({
    declared: [{ format: 'VST3' as const, values }],
    audioIn: 2,
    audioOut: 2,
    notesIn: false,
    notesOut: false,
  });
  const typesOf = (name: string, values: readonly string[]): string[] =>
    clearTypes(called(name, declaring(values)), 0.7);

  it('hold neither, and give both reasons', () => {
    const { suggestions } = called('Quay Tuner', declaring(['Fx', 'Delay']));
    expect(typesOf('Quay Tuner', ['Fx', 'Delay'])).toEqual([]);
    const reasons = suggestions.flatMap((one) => one.reasons.map(({ text }) => text));
    expect(reasons).toContain('“tuner” in the name says Tuner');
    expect(reasons).toContain('its VST3 copy declares Delay');
  });
  it('are no dispute where a word only describes, or where they agree', () => {
    expect(typesOf('Filter Delay', ['Fx', 'Delay'])).toEqual(['delay']);
    expect(typesOf('Tape Echo', ['Fx', 'Delay'])[0]).toMatch(/^delay/);
  });
  it('are no dispute where the format has no class for what is named: both hold', () => {
    expect(typesOf('Quay Vocoder', ['Fx', 'Filter'])).toEqual(['filter', 'pitch/vocoder']);
    expect(typesOf('Quay Vocoder', ['Fx', 'Delay'])).toEqual([]);
  });
  it('are no dispute where a word stands in brackets', () => {
    expect(typesOf('Quay Drift (tuner)', ['Fx', 'Delay'])).toEqual(['delay']);
  });
  it('are no dispute where what is declared leaves it open: both hold', () => {
    expect(typesOf('Quay Crossover', ['Fx', 'Tools'])).toEqual(['utility', 'filter/crossover']);
    expect(typesOf('Quay Limiter', ['Fx', 'Tools'])).toEqual(['utility', 'dynamics/limiter']);
  });
});

describe('a declared tool', () => {
  const tool = {
    declared: [{ format: 'LV2' as const, values: ['http://lv2plug.in/ns/lv2core#UtilityPlugin'] }],
    audioIn: 2,
    audioOut: 2,
    notesIn: false,
    notesOut: false,
  };
  const groupsOf = (name: string): string[] =>
    called(name, tool).suggestions.map(({ type }) => groupOf(type));

  it('stays first, for it is said on purpose', () => {
    const clear = { ...tool, audioIn: 0, audioOut: 0, notesIn: true, notesOut: true };
    const { suggestions } = called('Quay Step Sequencer', clear);
    expect(suggestions[0]?.type).toBe('utility');
    expect(suggestions.map(({ type }) => type)).toContain('notes/sequencer');
    const [first, second] = suggestions.map(({ probability }) => probability);
    expect(first).toBeGreaterThan(second ?? 0);
  });
  it('is nothing else where a word only hints at it or describes', () => {
    expect(groupsOf('Quay Tape')).not.toContain('distortion');
    expect(groupsOf('Reverb Gain')).not.toContain('reverb');
  });
  it('that says which tool it is silences other words', () => {
    const mixer = {
      ...tool,
      declared: [{ format: 'LV2' as const, values: ['http://lv2plug.in/ns/lv2core#MixerPlugin'] }],
    };
    const typesOf = clearTypes(called('Quay Delay', mixer), 0.7);
    expect(typesOf.map(groupOf)).toEqual(['utility']);
  });
});

describe('an instrument that lets audio through as well', () => {
  const ports = { audioIn: 2, audioOut: 2, notesIn: true, notesOut: false };
  const asInstrument = {
    ...ports,
    declared: [
      { format: 'LV2' as const, values: ['http://lv2plug.in/ns/lv2core#InstrumentPlugin'] },
    ],
  };
  it('is taken for one where it declares so outright', () => {
    expect(called('Lantern Moth', asInstrument).kinds[0]).toMatchObject({ kind: 'instrument' });
    const synth = called('Lantern Moth', { ...asInstrument, controls: ['DCO1 Shape', 'Cutoff'] });
    expect(synth.suggestions[0]?.type).toBe('synth');
  });
  it('is an effect where nothing says so but that notes go in', () => {
    expect(called('Lantern Moth', ports).kinds[0]).toMatchObject({ kind: 'effect' });
  });
});

describe('an instrument of which nothing tells which', () => {
  const played = { audioIn: 0, audioOut: 2, notesIn: true, notesOut: false };
  it('is an instrument, and no group of them is suggested', () => {
    const { kinds, suggestions } = called('Lantern Moth', played);
    expect(kinds[0]?.kind).toBe('instrument');
    expect(
      suggestions.filter(({ type }) => /^(acoustic|sampler|drums|keys|synth)/.test(type)),
    ).toEqual([]);
  });
  it('is suggested as what its name or its controls say', () => {
    expect(best('Lantern Organ', played)).toMatch(/^keys/);
    expect(best('Lantern Moth', { ...played, controls: ['Osc 1 waveform', 'Cutoff'] })).toBe(
      'synth',
    );
  });
});
