/**
 * Instruments by the names of the General MIDI sound set (MIDI Association, General MIDI System
 * Level 1, 1991; from memory), and some of its percussion map: each, as the name of something that is
 * played, leads to the group of its family. Leads, pads, hits and sound effects are left out.
 */
import { describe, expect, it } from '@jest/globals';
import { groupOf, isType } from '../taxonomy/tree.ts';
import { classify } from './classify.ts';
import { instrumentRows } from './lexicon-instruments.data.ts';

/** Families of the sound set with their names, and the groups that they are of here. */
const families: readonly (readonly [group: string, programs: string])[] = [
  [
    'keys',
    'Acoustic Grand Piano, Bright Acoustic Piano, Electric Grand Piano, Honky-tonk Piano, Electric Piano 1, Electric Piano 2, Harpsichord, Clavi, Celesta',
  ],
  ['acoustic', 'Glockenspiel, Music Box, Vibraphone, Marimba, Xylophone, Tubular Bells, Dulcimer'],
  ['keys', 'Drawbar Organ, Percussive Organ, Rock Organ, Church Organ, Reed Organ'],
  ['acoustic', 'Accordion, Harmonica, Tango Accordion'],
  [
    'acoustic',
    'Acoustic Guitar (nylon), Acoustic Guitar (steel), Electric Guitar (jazz), Electric Guitar (clean), Electric Guitar (muted), Guitar harmonics',
  ],
  [
    'acoustic',
    'Acoustic Bass, Electric Bass (finger), Electric Bass (pick), Fretless Bass, Slap Bass 1, Slap Bass 2',
  ],
  ['synth', 'Synth Bass 1, Synth Bass 2'],
  [
    'acoustic',
    'Violin, Viola, Cello, Contrabass, Tremolo Strings, Pizzicato Strings, Orchestral Harp, Timpani',
  ],
  ['acoustic', 'String Ensemble 1, String Ensemble 2, Choir Aahs, Voice Oohs'],
  ['acoustic', 'Trumpet, Trombone, Tuba, Muted Trumpet, French Horn, Brass Section'],
  ['acoustic', 'Soprano Sax, Alto Sax, Tenor Sax, Baritone Sax, Oboe, English Horn, Bassoon'],
  [
    'acoustic',
    'Clarinet, Piccolo, Flute, Recorder, Pan Flute, Blown Bottle, Shakuhachi, Whistle, Ocarina',
  ],
  ['acoustic', 'Sitar, Banjo, Shamisen, Koto, Kalimba, Bag pipe, Fiddle, Shanai'],
  ['acoustic', 'Agogo, Steel Drums, Woodblock, Taiko Drum'],
  ['drums', 'Synth Drum'],
  ['acoustic', 'Bongo, Conga, Timbale, Tambourine, Cowbell, Cabasa, Maracas, Guiro, Claves, Cuica'],
  ['drums', 'Snare, Hand Clap, Floor Tom, Hi-Hat, Crash Cymbal'],
];

/** The first suggestion by the name alone, for what is played by notes, or what audio goes through. */
const first = (name: string, isPlayed: boolean) =>
  classify({
    name,
    declared: [],
    audioIn: isPlayed ? 0 : 2,
    audioOut: 2,
    notesIn: isPlayed,
    notesOut: false,
    series: [],
  }).suggestions[0];

describe('instruments', () => {
  it('are of known types only', () => {
    expect(instrumentRows.filter(([type]) => !isType(type))).toEqual([]);
  });
  it.each(families)('of General MIDI are %s: %s', (group, programs) => {
    const others = programs
      .split(', ')
      .map((name) => [name, first(name, true)?.type] as const)
      .filter(([, type]) => type === undefined || groupOf(type) !== group)
      .map(([name, type]) => `${name}: ${type ?? 'nothing'}`);
    expect(others).toEqual([]);
  });
  it('do not outweigh what an effect is for', () => {
    expect(
      ['Kalimba Delay', 'Sitar Distortion', 'Koto Plate Reverb'].map(
        (name) => first(name, false)?.type,
      ),
    ).toEqual(['delay', 'distortion', 'reverb/plate']);
  });
});
