/** What the names of controls say: rows that real plugins of Debian's have, and traps. */
import { describe, expect, it } from '@jest/globals';
import { classify } from './classify.ts';
import { readControls } from './controls.data.ts';

const typesOf = (controls: readonly string[], isPlayed = false): string[] => [
  ...new Set(readControls(controls, isPlayed).map(({ type }) => type)),
];

describe('controls', () => {
  it.each([
    [['Threshold', 'Ratio', 'Attack', 'Release', 'Makeup'], 'dynamics/compressor'],
    [['Threshold', 'Attack', 'Hold', 'Decay', 'Range'], 'dynamics/gate'],
    [['Delay Time', 'Feedback', 'Dry/Wet'], 'delay'],
    [['Room size', 'Damping', 'Pre-delay', 'Dry/Wet'], 'reverb'],
    [['roomSize', 'HF_damp', 'early level'], 'reverb'],
    [['Low gain', 'Mid freq', 'High gain'], 'eq'],
    [['31.5 Hz', '63 Hz', '125 Hz', '1 kHz', '16 kHz'], 'eq/graphic'],
    [['Rate', 'Depth', 'Mix'], 'modulation'],
    [['Bits', 'Sample rate'], 'distortion/bit-crusher'],
    [['Semitones', 'Cents'], 'pitch'],
    [['Tuning', 'Correction', 'Bias'], 'pitch/pitch-correction'],
    [['T60 low', 'T60 mid'], 'reverb'],
    [['Left time', 'Feedback'], 'delay'],
  ])('%j say %s', (controls, type) => {
    expect(typesOf(controls)).toContain(type);
  });
  it('of what is played by notes say a synth', () => {
    expect(typesOf(['Attack', 'Decay', 'Sustain', 'Release', 'Waveform'], true)).toEqual(['synth']);
    expect(typesOf(['Attack', 'Decay', 'Sustain', 'Release'], false)).toEqual([]);
  });
  it.each([
    [['Gain']],
    [['Parameters', 'Bandlimited']],
    [['Rate']],
    [['IR Time Offset', 'Feedback']],
    [[]],
  ])('%j say nothing', (controls) => {
    expect(typesOf(controls)).toEqual([]);
  });
  it('help where the name is a fancy, and are given as the reason', () => {
    const plain = { declared: [], notesIn: false, notesOut: false, series: [] };
    const [first] = classify({
      ...plain,
      name: 'Lantern Moth',
      audioIn: 2,
      audioOut: 2,
      controls: ['Threshold', 'Ratio', 'Knee'],
    }).suggestions;
    expect(first?.type).toMatch(/^dynamics/);
    expect(first?.reasons.map(({ text }) => text)).toContain(
      'its controls “Threshold” and “Ratio” say Compressor',
    );
  });
});
