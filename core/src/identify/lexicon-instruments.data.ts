/**
 * Names of instruments: those of the sound set and the percussion map of General MIDI (MIDI
 * Association, General MIDI System Level 1, 1991; from memory), and others that are played as much
 * (common practice, no published source).
 */
import type { Row } from './lexicon-rows.ts';

/** Rows as in lexicon.data.ts. */
export const instrumentRows: readonly Row[] = [
  ['keys', 'toy piano, stage piano, celesta, celeste', ''],
  ['keys/piano', 'honky tonk, fortepiano, pianoforte, baby grand, prepared piano', ''],
  ['keys/electric-piano', 'electric grand, tine', ''],
  ['keys/organ', 'church organ, pipe organ, reed organ, pump organ, theatre organ', ''],
  ['keys/clavinet', 'clavi, clavichord, spinet, virginal, virginals, cembalo', ''],
  [
    'acoustic/strings',
    'string ensemble, string orchestra, tremolo strings, pizzicato, spiccato, orchestral harp, fiddle, erhu, hurdy gurdy, nyckelharpa, psaltery',
    'harp, legato, ensemble strings',
  ],
  ['acoustic/brass', 'french horn, brass section, muted trumpet, flugelhorn, cornet, bugle', ''],
  [
    'acoustic/woodwind',
    'piccolo, pan flute, panflute, blown bottle, shakuhachi, ocarina, english horn, cor anglais, harmonica, melodica, bagpipe, bagpipes, shanai, duduk, tin whistle, concertina',
    'whistle, recorder',
  ],
  [
    'acoustic/guitar',
    'nylon guitar, steel guitar, pedal steel, twelve string, 12 string, sitar, shamisen, koto, pipa, guzheng, lute, oud, bouzouki, balalaika, charango, zither, autoharp',
    '',
  ],
  ['acoustic/bass', 'acoustic bass, fretless bass, slap bass, fingered bass, picked bass', ''],
  ['acoustic/voice', 'choir aahs, voice oohs, choral, choirs, chant', 'chorale, singer'],
  [
    'acoustic/percussion',
    'kalimba, mbira, thumb piano, tubular bells, music box, dulcimer, steel drum, steel drums, steel pan, steelpan, handpan, carillon, crotales, singing bowl, singing bowls, balafon, taiko, taiko drum, djembe, conga, bongo, bongos, timbale, timbales, cajon, udu, darbuka, agogo, cowbell, woodblock, wood block, tambourine, cabasa, maracas, guiro, claves, cuica, vibraslap, castanets, shaker, shakers',
    'chimes, mallet',
  ],
  ['drums', 'snare drum, side stick, hand clap, floor tom, toms, crash cymbal, ride cymbal', 'tom'],
  ['sampler', 'multisample, multi sample, multisampler, multi sampler', ''],
  ['synth', 'theremin, ondes', ''],
];
