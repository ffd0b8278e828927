/** What the names of controls say: rows that real plugins of Debian's have, and traps. */
import { describe, expect, it } from '@jest/globals';
import { isType } from '../taxonomy/tree.ts';
import { classify } from './classify.ts';
import { controlRows } from './controls.data.ts';
import { readControls } from './read-controls.ts';

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
    [['ROOMSIZE1', 'DAMP1'], 'reverb'],
    [['Room Length', 'Source Pan'], 'reverb'],
    [['Tap 1 level', 'Tap 2 level'], 'delay/multitap'],
    [['Distance (cm)', 'Temperature'], 'delay'],
    [['Center Frequency (Hz)', 'Bandwidth (Hz)'], 'filter'],
    [['Gain (dB)', 'Frequency (Hz)', 'Bandwidth'], 'eq/parametric'],
    [['HP Freq', 'LS Active', 'HS Active'], 'eq/parametric'],
    [['50Hz gain', '100Hz gain', '1250Hz gain'], 'eq/graphic'],
    [['Ratio', 'Threshold', 'Low Shelf'], 'eq/dynamic-eq'],
    [['Expander mode', 'Input gain'], 'dynamics'],
    [['Analyzer Mode', 'Analyzer Freeze'], 'meter/spectrum'],
    [['Carrier In', 'Modulator In'], 'pitch/vocoder'],
    [['Gain', 'Bypass'], 'utility/gain'],
    [['Width', 'Output gain'], 'spatial/width'],
    [['LFO frequency', 'Number of voices'], 'modulation'],
  ])('%j say %s', (controls, type) => {
    expect(typesOf(controls)).toContain(type);
  });
  it.each(controlRows)(
    'of a row for $type speak for a type that there is, and can be enough',
    (row) => {
      expect(isType(row.type)).toBe(true);
      expect(row.least).toBeGreaterThan(0);
      expect(row.least).toBeLessThanOrEqual(row.some.length);
    },
  );
  it('of what is played by notes say a synth', () => {
    expect(typesOf(['Attack', 'Decay', 'Sustain', 'Release', 'Waveform'], true)).toEqual(['synth']);
    expect(typesOf(['Attack', 'Decay', 'Sustain', 'Release'], false)).toEqual([]);
  });
  it.each([
    [['Gain', 'Shape']],
    [['Soft Clip', 'Frequency']],
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
