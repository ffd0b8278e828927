import { describe, expect, it } from '@jest/globals';
import { bareCopy, type Format, type FoundCopy } from '../formats/found-copy.ts';
import { atFirstSight, nameOfCopies, subjectOf } from './plugin-facts.ts';

const copy = (format: Format, more: Partial<FoundCopy> = {}): FoundCopy => ({
  ...bareCopy(format, `/place/${format}`),
  ...more,
});

describe('the name of a plugin', () => {
  it('is that of the newest format that has one of its own, before that of a file', () => {
    expect(
      nameOfCopies([
        copy('LV2', { name: 'Kelp LV2' }),
        copy('VST3', { name: 'Kelp' }),
        copy('VST2', { path: '/x/kelp_x64.dll' }),
      ]),
    ).toEqual({ name: 'Kelp', vendor: null });
    expect(
      nameOfCopies([
        copy('VST3', { path: '/x/Kelp_Verb x86.vst3' }),
        copy('VST2', { name: 'Kelp Verb', vendor: 'Quoin' }),
      ]),
    ).toEqual({ name: 'Kelp Verb', vendor: 'Quoin' });
    expect(nameOfCopies([copy('VST2', { path: '/x/Kelp_Verb x86.dll' })]).name).toBe('Kelp Verb');
  });
  it('leaves the width out only where there are several', () => {
    expect(
      nameOfCopies([
        copy('LV2', { name: 'Kelp (mono)' }),
        copy('LV2', { name: 'Kelp (stereo)', path: '/z' }),
      ]).name,
    ).toBe('Kelp');
    expect(nameOfCopies([copy('LV2', { name: 'Kelp (mono)' })]).name).toBe('Kelp (mono)');
  });
  it('of nothing is empty', () => expect(nameOfCopies([])).toEqual({ name: '', vendor: null }));
});

it('at first sight a plugin is what its copy declares, each type once, and nothing where it declares nothing', () => {
  expect(
    atFirstSight(
      copy('VST3', { name: 'Kelp', vendor: 'Quoin', declared: ['Fx|Delay', 'Delay', 'Reverb'] }),
    ),
  ).toEqual({ name: 'Kelp', vendor: 'Quoin', kind: 'effect', types: ['delay', 'reverb'] });
  expect(atFirstSight(copy('VST2', { path: '/x/Kelp_Verb x86.dll' }))).toEqual({
    name: 'Kelp Verb',
    vendor: null,
    kind: 'unknown',
    types: [],
  });
});

it('what is known of a plugin is what the first copy says that says it, and every declaration once', () => {
  const subject = subjectOf(
    'Kelp',
    [
      copy('LADSPA', { audioIn: 1, audioOut: 1, declared: ['a'] }),
      copy('VST3', { declared: ['Fx', 'Delay'] }),
      copy('VST3', { path: '/again', declared: ['Fx', 'Delay'] }),
      copy('LV2', { audioIn: 2, audioOut: 2, notesIn: false }),
    ],
    [],
  );
  expect(subject).toMatchObject({
    name: 'Kelp',
    audioIn: 2,
    audioOut: 2,
    notesIn: false,
    notesOut: null,
  });
  expect(subject.declared.map((d) => d.format)).toEqual(['VST3', 'LADSPA']);
});
