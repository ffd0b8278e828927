/** What people type for a type beside its name (common practice of the trade, no published source). */
const rows: Readonly<Record<string, string>> = {
  reverb: 'verb, ambience, space',
  'reverb/convolution': 'impulse, ir',
  delay: 'echo, slap',
  'delay/looper': 'loop',
  'dynamics/compressor': 'comp, squeeze',
  'dynamics/limiter': 'brickwall, maximiser',
  'dynamics/de-esser': 'esser, sibilance',
  'dynamics/transient-shaper': 'transients, punch',
  'dynamics/leveller': 'leveler, rider',
  eq: 'equaliser, equalizer',
  'eq/tone': 'tilt, shelf',
  filter: 'lowpass, highpass',
  distortion: 'drive, dirt',
  'distortion/saturation': 'tape, tube, warmth',
  'distortion/bit-crusher': 'lofi, crush',
  'distortion/amp': 'amplifier',
  'distortion/cabinet': 'cab',
  modulation: 'mod, wobble',
  'modulation/rotary': 'rotor',
  'pitch/pitch-correction': 'tuning',
  'pitch/harmoniser': 'harmonizer',
  spatial: 'space',
  'spatial/width': 'stereo, widener',
  restoration: 'repair, clean',
  'restoration/de-noise': 'denoiser, noise',
  'strip/channel-strip': 'channel',
  meter: 'metering, analyser, analyzer',
  'meter/spectrum': 'analyser, analyzer',
  utility: 'tool',
  synth: 'synthesiser, synthesizer',
  'drums/drum-machine': 'beats',
  drums: 'percussion',
  'keys/electric-piano': 'epiano',
  notes: 'midi',
  'notes/arpeggiator': 'arp',
  'notes/humaniser': 'humanizer',
};

/** Words for a type and for its group. */
export const synonymsOf = (type: string): string[] =>
  [type, type.split('/')[0] ?? type]
    .filter((id, at, all) => all.indexOf(id) === at)
    .flatMap((id) => rows[id]?.split(', ') ?? []);
