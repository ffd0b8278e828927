/** Other words for types, as they are typed. */

/** What people type for a type beside its name (common practice of the trade, no published source). */
const rows: Readonly<Record<string, string>> = {
  reverb: 'ambience, space',
  'reverb/convolution': 'impulse, ir',
  delay: 'echo, slap',
  'delay/looper': 'loop',
  'dynamics/compressor': 'squeeze',
  'dynamics/limiter': 'brickwall, maximiser',
  'dynamics/gate': 'gating, bleed',
  'dynamics/de-esser': 'esser, sibilance',
  'dynamics/transient-shaper': 'transients, punch',
  'dynamics/leveller': 'leveler, rider',
  eq: 'equaliser, equalizer',
  'eq/tone': 'tilt, shelf',
  filter: 'lowpass, highpass',
  distortion: 'drive, dirt',
  'distortion/saturation': 'tape, tube, warmth',
  'distortion/bit-crusher': 'lofi, crush',
  'distortion/exciter': 'enhancer, air',
  'distortion/amp': 'amplifier',
  modulation: 'wobble',
  'modulation/chorus': 'doubler, ensemble',
  'modulation/rotary': 'rotor, leslie, rotating speaker',
  'pitch/pitch-shifter': 'octaver, octave, transpose',
  'pitch/pitch-correction': 'tuning',
  'pitch/harmoniser': 'harmonizer',
  spatial: 'space',
  'spatial/width': 'stereo, widener',
  'spatial/panner': 'balance',
  'spatial/headphone': 'crossfeed, binaural',
  restoration: 'repair, clean',
  'restoration/de-noise': 'denoiser, noise',
  'restoration/de-click': 'declicker, crackle',
  'restoration/de-hum': 'dehummer, buzz',
  'restoration/de-reverb': 'dereverb',
  'strip/channel-strip': 'channel',
  meter: 'metering, analyser, analyzer',
  'meter/spectrum': 'analyser, analyzer',
  utility: 'tool',
  synth: 'synthesiser, synthesizer',
  'drums/drum-machine': 'beats',
  drums: 'percussion',
  'keys/electric-piano': 'epiano',
  notes: 'midi',
  'notes/humaniser': 'humanizer',
};

/**
 * What people type instead of a type's whole word: its consonants, or a nickname of the trade (common
 * practice, no published source).
 */
const shortRows: Readonly<Record<string, string>> = {
  reverb: 'verb, rvb, rvrb',
  delay: 'dly',
  'dynamics/compressor': 'comp, cmp',
  'dynamics/multiband': 'mb, mbc, comp, cmp',
  'dynamics/limiter': 'lmt, lmtr',
  'dynamics/gate': 'gte',
  'eq/parametric': 'peq',
  'eq/graphic': 'geq',
  'eq/dynamic-eq': 'deq, dyneq',
  filter: 'flt, fltr',
  distortion: 'dst',
  'distortion/overdrive': 'od',
  'distortion/cabinet': 'cab',
  modulation: 'mod',
  'modulation/chorus': 'chr',
  'modulation/flanger': 'flg, flng',
  'modulation/phaser': 'phs',
  'modulation/tremolo': 'trm',
  'modulation/ring-modulator': 'rm',
  'notes/arpeggiator': 'arp',
};

/** Types' names cut short, which their names are found by already. */
const cutShort = 'rev del lim exp trans dist sat cho trem vib filt';

const shortWords: ReadonlySet<string> = new Set([
  ...Object.values(shortRows).flatMap((row) => row.split(', ')),
  ...cutShort.split(' '),
]);

/** Whether letters are what people type for a type, whole: "comp", "dly". */
export const isShortWord = (letters: string): boolean => shortWords.has(letters);

/** Words for a type and for its group. */
export const synonymsOf = (type: string): string[] =>
  [type, type.split('/')[0] ?? type]
    .filter((id, at, all) => all.indexOf(id) === at)
    .flatMap((id) => [...(rows[id]?.split(', ') ?? []), ...(shortRows[id]?.split(', ') ?? [])]);
