/**
 * Words of plugin names and the types they speak for (common practice of the trade, no published source).
 * Words of circuits, of instruments and of other languages stand in files of their own.
 */
import { circuitRows } from './lexicon-circuits.data.ts';
import { instrumentRows } from './lexicon-instruments.data.ts';
import { languageRows } from './lexicon-languages.data.ts';
import type { Row } from './lexicon-rows.ts';

const ownRows: readonly Row[] = [
  [
    'dynamics',
    'dynamics, dynamic range, dynamic processor, dynamics processor, compander, volume swell, upward downward, ducker, ducking, ~maximiser, ~maximizer',
    'maximise, maximize, sidechain, side chain, transient',
    'sc, dynamic, pump, punch, envelope shaper',
  ],
  [
    'dynamics/compressor',
    '~compressor, comp, compress, compression, ~kompressor, compresseur, bus comp, vari comp, opto comp, upward compressor, parallel compressor, compressing',
    'squeeze, squash, glue, opto, knee, sustainer, leveling',
    'smash, crush',
  ],
  [
    'dynamics/multiband',
    'multiband compressor, multi comp, multiband comp, multiband dynamics, multiband limiter, multiband gate',
    'multiband',
  ],
  [
    'dynamics/limiter',
    '~limiter, limiteur, begrenzer, brickwall, brick wall, limiting, peak limiter, true peak limiter, loudness maximiser, loudness maximizer',
    'limit, lookahead, look ahead, ceiling, clipper',
    'loudness maximizer',
  ],
  ['dynamics/gate', '~gate, noise gate, gated, gating', 'gater, de bleed'],
  ['dynamics/expander', '~expander, upward expander', 'expansion'],
  ['dynamics/de-esser', 'de esser, de ess, esser, desser, sibilance', ''],
  [
    'dynamics/transient-shaper',
    'transients, transient shaper, transient designer, transient mangler, transient processor, attack shaper',
    'punch, attacker',
    'attack',
  ],
  [
    'dynamics/leveller',
    'leveller, leveler, level amp, levelling amplifier, vocal rider, gain rider, level rider, auto leveler, auto leveller, agc, auto gain, automatic gain control',
    'rider, autolevel',
  ],

  [
    'eq',
    'eq, equaliser, equalizer, equalisation, equalization, equaliseur, egaliseur, entzerrer, ~equalizer',
    'shelving, baxandall, equalise, equalize, band eq, bands eq, band equalizer, passive eq, program eq, linear phase eq, match eq, mastering eq, air',
    'boost cut, bands, brilliance',
  ],
  [
    'eq/parametric',
    'parametric, param eq, para eq, peq, parametric eq, parametric equalizer, parametric equaliser, semi parametric, peaking, fully parametric, full parametric',
    '',
    'bell',
  ],
  [
    'eq/graphic',
    'graphic eq, geq, graphic equalizer, graphic equaliser, multiband eq, third octave eq, octave eq, multi eq',
    'graphic',
  ],
  ['eq/dynamic-eq', 'dynamic eq, dyn eq, dynamic equalizer, dynamic equaliser', ''],
  [
    'eq/tone',
    'tone control, tone stack, tilt, tilt eq, shelf, shelf eq, shelves, bass treble, bass boost, tone eq, treble booster, treble boost, low shelf, high shelf, brightener, riaa, phono',
    'tone, treble, loudness compensator, loudness contour',
    'presence',
  ],

  [
    'filter',
    '~filter, filtre, filters, vcf, svf, state variable, auto filter, resonant filter, formant filter, filterbank, filter bank, multimode filter, multi mode filter, vowel filter, talking filter',
    'resonant, formant, vowel, comb, iir, emphasis, de emphasis, deemphasis, pre emphasis, fir, biquad, karaoke, resonance',
    'sweep, pole',
  ],
  [
    'filter/filter',
    'lowpass, low pass, highpass, high pass, bandpass, band pass, allpass, all pass, lpf, hpf, bpf, notch, butterworth, comb filter, comb splitter, ladder filter, low cut, high cut, lowcut, highcut, band reject, dc remover, dc remove, dc blocker, dc block, dc offset remover, hi pass, lo pass, hi cut, lo cut, rumble filter, subsonic filter',
    'ladder, rumble, subsonic, infrasonic, resonator, resonators',
  ],
  ['filter/wah', '~wah, wah wah, auto wah, wahwah, envelope filter, touch wah, wah pedal', ''],
  [
    'filter/crossover',
    'crossover, x over, xover, band splitter, frequenzweiche, linkwitz riley',
    '',
    'split',
  ],

  [
    'distortion',
    '~distortion, distort, dist, verzerrer, clipping, foldover, distorter, lo fi, lofi, ~disto, decimator, ~decimate, diode, foldback',
    'clip, clipper, rectifier, aliasing, alias, degrade, destroy, destructor, crunch, grit, dirt, mangler, mangle, rectify, vinyl, wreck, crush, scream, grunge, metal, shred, drive pedal, telephone, megaphone, radio, walkie talkie',
    'wear, harmonics, harmonic, noise',
  ],
  [
    'distortion/saturation',
    '~saturation, ~saturator, saturate, saturated, tube saturation, tape saturation, tape machine, soft clip, soft clipper, warmth, triode, tubewarmth, tube warmth',
    'sat, tape, tube, valve, warm, warmer, console',
    'analogue, analog, transformer, sweetener, vintage',
  ],
  ['distortion/overdrive', '~overdrive, over drive, od', 'drive, ~drive', 'booster'],
  ['distortion/fuzz', '~fuzz', ''],
  [
    'distortion/amp',
    'guitar amp, bass amp, amp sim, amp simulator, amp model, amp head, amplifier simulator, amp emulation, preamp, pre amp',
    'amp, rig, guitar rig, pedal',
    'amplifier, stack, head',
  ],
  [
    'distortion/cabinet',
    'cabinet, cab, speaker, cab sim, cabinet simulator, speaker cabinet, speaker simulator, ir loader, cabinets',
    '',
  ],
  [
    'distortion/bit-crusher',
    'bit crusher, bit crush, ~crusher, bitcrusher, downsampler, down sampler, downsample, sample rate reducer, bit reducer, bits, bit depth',
    'crush',
    'bit, resample',
  ],
  [
    'distortion/waveshaper',
    'waveshaper, wave shaper, wave shaping, wave folder, wavefolder, wave fold, wave folding, ~wrapper, wave wrapper',
    'shaper, folder',
    'fold',
  ],
  [
    'distortion/exciter',
    'exciter, aural exciter, harmonic exciter, harmonic enhancer, bass enhancer, crystaliser, crystalizer',
    'enhancer, excite, psychoacoustic, psycho acoustic',
    'harmonic generator',
  ],

  [
    'reverb',
    '~reverb, ~verb, reverberator, reverberation, early reflection, early reflections, reverbs, nachhall, ~hallraum',
    'reflection, reflections, reflector, ambience, ~ambience, space, spaces, ambient, rev, ~verber, algorithmic reverb, echo chamber, halls, rooms, feedback delay network, fdn, cavern',
    'tail, diffuser, cave, schroeder, moorer',
  ],
  [
    'reverb/room',
    'room reverb, small room, chamber',
    'room, roomy, ambience, early reflection, room simulator, small space',
    'studio',
  ],
  ['reverb/hall', '~hall, concert hall, church, cathedral', ''],
  ['reverb/plate', 'plate, plate reverb, plates', ''],
  ['reverb/spring', 'spring reverb, spring tank', 'spring, springs'],
  [
    'reverb/convolution',
    'convolver, convolution, convolve, impulse response, impulse responses, convolution reverb, zero latency convolver',
    'ir',
  ],
  ['reverb/shimmer', 'shimmer, shimmer reverb', ''],

  [
    'delay',
    '~delay, echoes, retard, ~verzogerung, verzogerer, delay line, ping pong, pingpong, delays, delayer, delayed, echoing',
    'slap, slapback, haas, doubler, double tracker, adt, dub',
    'reverse, repeat, comparison',
  ],
  [
    'delay/delay',
    'stereo delay, delay line, ping pong delay, reverse delay, mod delay, simple delay',
    '',
  ],
  ['delay/tape-echo', '~echo, tape echo, tape delay, slap echo, slap back', 'slap'],
  ['delay/multitap', 'multitap, multi tap, taps, multi tap delay, tap delay', 'tap'],
  ['delay/looper', '~looper, loop pedal, live looper', 'loop, loops'],

  [
    'modulation',
    'modulation, modulator, ensemble effect',
    'lfo, ensemble, autopan, modulated, modulatable, wobble, wobbler',
    'mod',
  ],
  ['modulation/chorus', '~chorus, multi chorus', 'ensemble, doubler', 'dimension, voices'],
  [
    'modulation/flanger',
    '~flanger, flange, ~flange, flanging, thru zero, through zero, flangers',
    '',
  ],
  [
    'modulation/phaser',
    '~phaser, phasers, phasing, phasor, phase shifter, barber pole phaser',
    'phase, barber pole',
    '',
  ],
  ['modulation/tremolo', '~tremolo, trem, tremelo, ~tremelo', 'pulsator'],
  ['modulation/vibrato', '~vibrato, vibratory', 'vibe, ~vibe'],
  [
    'modulation/rotary',
    'rotary, rotor, rotary speaker, rotating speaker, rotary cabinet, rotator speaker, rotating',
    '',
  ],
  [
    'modulation/ring-modulator',
    'ring mod, ring modulator, ring modulation, ringmod, am modulator, ~ringmod, amplitude modulation, balanced modulator',
    '',
  ],
  ['modulation/auto-pan', 'auto pan, auto panner, autopan', ''],

  [
    'pitch',
    '~pitch, pitch scaler, pitch bender, transposer pedal, micro pitch',
    'detune, detuner, micro shift, voice changer, gender, varispeed',
    'semitone, tune',
  ],
  [
    'pitch/pitch-shifter',
    'pitch shifter, pitch shift, octaver, sub octave, suboctave, octave divider, pitchshift, rate shifter',
    'octave, shifter, octaves, frequency shifter, octavider, harmonic shift, formant shifter, transposer, transpose',
    'shift, subharmonic',
  ],
  [
    'pitch/pitch-correction',
    'pitch correct, auto tuner, autotuner, tuning correction, vocal tuner, pitch correction, pitch corrector, retune, autotalent, intonation',
    'tuned',
    'tune',
  ],
  ['pitch/harmoniser', 'harmoniser, harmonizer, harmony, harmonist', ''],
  ['pitch/vocoder', '~vocoder, voder, vocoding, phase vocoder, talkbox, talk box', ''],
  ['pitch/time-stretch', 'time stretch, timestretch, time stretcher', 'stretch'],

  [
    'spatial',
    'spatial, spatialiser, spatializer, stereo tools, stereo toolkit, stereo image, stereo imager, imager, 3 d, stereo field, spatialisation, spatialization, directional, azimuth, ambipan',
    'haas, image, stereo enhancer',
    'stereo, space',
  ],
  [
    'spatial/width',
    'width, wide, widen, widener, widening, stereo width, stereo enhancer, stereo expander, stereo widener, stereoiser, stereoizer, stereo spread, mono maker, bass mono, stereo processor, stereoize, stereoise, pseudo stereo',
    'mid side, spread, m s, shuffler',
    'matrix',
  ],
  [
    'spatial/panner',
    'panner, ~panner, panning, pan, panpot, stereo balance, binaural panner',
    'balance, panorama',
  ],
  ['spatial/surround', 'surround, surround pan, surround panner', ''],
  ['spatial/ambisonic', 'ambisonic, ambisonics, ambix, hoa, b format, bformat', 'rotator'],
  [
    'spatial/headphone',
    'headphone, headphones, crossfeed, cross feed, hrtf, binaural, binauraliser, binauralizer, head related',
    '',
  ],

  [
    'restoration',
    'restoration, restore, repair, de clip, declip, declipper, de clipper, de plosive, deplosive, de pop, de breath, debreath, de hiss, dehiss, de rustle, dewind, de wind',
    'plosive, plosives',
    'clean',
  ],
  [
    'restoration/de-noise',
    'denoise, de noise, denoiser, noise reduction, noise remover, noise removal, noise reducer, noise suppressor, noise repellent',
    '',
  ],
  [
    'restoration/de-click',
    'declick, de click, declicker, de crackle, decrackle, decrackler, click remover',
    '',
  ],
  ['restoration/de-hum', 'dehum, de hum, dehummer, hum remover, hum removal', 'hum'],
  ['restoration/de-reverb', 'dereverb, de reverb, de reverberation, dereverberation', ''],

  ['texture', 'texture, textures', '', 'drone'],
  ['texture/granular', 'granular, granulator, grains, grain, ~granular', ''],
  [
    'texture/spectral',
    'spectral, spectral freeze, frequency shifter, bode, spectral gate, spectral morph',
    'fft, freeze, blur, morph, smear',
  ],
  [
    'texture/glitch',
    'glitch, stutter, beat repeat, ~glitch, slicer, beat slicer',
    'repeater, scratch, buffer shuffler, gater, turntable',
    'chopper',
  ],

  ['strip', 'channel strip', ''],
  ['strip/channel-strip', 'strip, channel strip, console strip', '', 'channel'],
  [
    'strip/multi-effect',
    'multi fx, multi effect, multi effects, effects processor, effects unit, all in one effect, multifx, pedalboard, fx rack, effects rack, effect rack',
    'rack',
    'fx, effects',
  ],
  ['strip/mastering-chain', 'mastering, mastering chain, mastering suite', 'finisher, master', ''],

  [
    'meter',
    '~meter, metering, analyser, analyzer, ~analyser, ~analyzer, meters',
    'monitor, frequency tracker, tracker, display, visualiser, visualizer, hilbert, histogram',
    'detector, probe, statistics, measure',
  ],
  [
    'meter/level',
    'level meter, vu, vu meter, ppm, peak meter, dpm, true peak, peak program meter, rms meter, k meter, dynamic range meter, bit meter, level metering, dbtp, dbfs, program meter, quasi peak, bargraph, iec 60268, surround level, surround meter, surround levels',
    'rms, peak',
    'level',
  ],
  ['meter/loudness', 'loudness meter, loudness, lufs, ebu, r 128, ebu r 128', ''],
  [
    'meter/spectrum',
    'spectrum, spektrum, spectrum analyser, spectrum analyzer, spectrogram, sonogram, frequency analyser, frequency analyzer, spectral display, waterfall, rta, real time analyser, real time analyzer, fft analyzer, ~spectr',
    'spectral analyzer',
  ],
  ['meter/scope', '~scope, ~oscilloscope, sisco', 'waveform'],
  [
    'meter/phase',
    'correlation, correlator, phase meter, phase wheel, phasewheel, goniometer, vectorscope, stereo meter, phase correlation, phase scope, phase detector, stereo phase',
    'phase check',
  ],
  ['meter/tuner', 'tuner, guitar tuner, instrument tuner', 'tuning'],

  [
    'utility',
    'utility, utilities, delay compensation, sample delay, latency delay, phase rotation, phase rotate, phase rotator, silence, inverter, invert, polarity, phase invert, artificial latency, latency, dither, time align, time alignment',
    'offset, decay, dummy, tool, tools, signal, control, profiler, align, alignment, recorder, bpm counter, click track, parameters, state, z',
    'module, simple, input, output, null, bypass, cv',
  ],
  [
    'utility/gain',
    'gain, trim, volume, fader, ~amplifier, attenuator, amplify, simple amplifier, verstarker, volume control, mute, gainer, level control, booster pedal',
    'amp, vca, booster',
    'level, boost',
  ],
  [
    'utility/mixer',
    '~mixer, crossfade, xfade, cross fade, crossfader, summing, matrix mixer, mixers',
    'sum, blend, merge',
    'mix, bus',
  ],
  [
    'utility/router',
    'router, routing, patchbay, patch bay, audio switch, send, channel mapper, input selector, output selector, ab switch, a b switch, signal splitter, demuxer, muxer, demultiplexer, multiplexer, demux, mux',
    'selector, switch, splitter, matrix',
    'bus, multi',
  ],
  [
    'utility/converter',
    'converter, mid side matrix, ms matrix, mono to stereo, stereo to mono, ms to stereo, stereo to ms, mid side encoder, mid side decoder, matrix encoder, matrix decoder, down mix, downmix, up mix, upmix',
    'encoder, decoder, splitter, matrix, mid side',
    'm s, convert',
  ],
  [
    'utility/test-signal',
    'test tone, test tones, test signal, ~oscillator, osc, noise source, noise generator, white noise, pink noise, tone generator, signal generator, test generator, sine generator, impulse generator, impulses, metronome, sine wave, noise gen',
    'generator, sine, impulse, sweep generator, constant',
    'noise, tone, sinus, clock, beater',
  ],
  [
    'utility/envelope',
    'envelope follower, env follower, follower, envelope generator, peak follower, onset, onset trigger, trigger, drum trigger, audio to midi, audio to cv',
    'envelope',
    'env, lfo',
  ],

  [
    'synth',
    '~synth, synthesizer, synthesiser, ~synthesizer, synthetiseur, synths',
    'poly, polyphonic, monophonic',
    'lead, pad, pads, mono',
  ],
  [
    'synth/subtractive',
    'subtractive, analog synth, analogue synth, virtual analog, virtual analogue, mono synth, poly synth, bass synth, synth bass, polysynth, monosynth, acid, supersaw, string machine',
    '',
    'bassline',
  ],
  [
    'synth/fm',
    'fm synth, fm synthesizer, frequency modulation synth, phase modulation synth, phase distortion',
    'fm',
  ],
  ['synth/wavetable', 'wavetable, wave table', 'tables'],
  ['synth/additive', 'additive, partials, additive synth', ''],
  [
    'synth/physical-model',
    'physical model, physical modelling, physical modeling, plucked, karplus, karplus strong, string model, modal synth, bowed, resonator, gong model',
    'pluck, modelled, resonators',
  ],
  ['synth/modular', 'modular, modular synth', '', 'patch'],
  ['synth/vector', 'vector synth', 'vector'],
  ['sampler', '~sampler, samplers', 'sample', 'samples'],
  ['sampler/sampler', 'sampler, sampling', ''],
  [
    'sampler/sample-player',
    'sample player, soundfont, sound font, sf 2, sfz, rompler, sample library, soundfont player',
    'player, library',
  ],
  [
    'drums',
    'drum, drums, drumkit, ~drums, drummer',
    'kick, snare, cymbal, hi hat, hihat, clap, kick drum, bass drum',
    'beat, rhythm, groove',
  ],
  [
    'drums/drum-machine',
    'drum machine, drum synthesizer, drum module, percussion synth, beat box, beatbox, beats, rhythm box, drum synth',
    '',
  ],
  ['drums/drum-kit', 'drum kit, kit, drumkit', ''],
  ['keys', 'keyboard, keyboards', 'keys'],
  ['keys/piano', 'piano, grand piano, upright piano, pianos, klavier', 'upright, grand'],
  ['keys/electric-piano', 'electric piano, e piano, epiano, tine piano, reed piano', '', 'ep'],
  ['keys/organ', '~organ, drawbar, tonewheel, harmonium, orgel', ''],
  ['keys/clavinet', 'clav, clavinet, harpsichord', ''],
  ['acoustic', 'orchestra, orchestral', ''],
  [
    'acoustic/strings',
    'strings, string quartet, violin, viola, cello, quartet, string section',
    'string',
  ],
  ['acoustic/brass', 'brass, horns, horn, trumpet, trombone, tuba', ''],
  [
    'acoustic/woodwind',
    'woodwind, woodwinds, reeds, flute, clarinet, oboe, sax, saxophone, bassoon, accordion, winds',
    '',
  ],
  ['acoustic/guitar', 'strummed, ukulele, banjo, mandolin, acoustic guitar', 'guitar', ''],
  ['acoustic/bass', 'upright bass, double bass, contrabass, bass guitar', 'bass'],
  ['acoustic/voice', 'choir, voices, vocals', 'voice', 'vocal'],
  [
    'acoustic/percussion',
    'percussion, mallets, marimba, vibraphone, xylophone, timpani, glockenspiel, gong, tabla, congas',
    'bells',
    'bell',
  ],

  ['notes', 'midi, note effect, midi effect', 'note, notes, event, cc', 'velocity, channel'],
  ['notes/arpeggiator', 'arp, arpeggiator, arpeggio, ~arpeggiator', ''],
  ['notes/chord', 'chord, chords, chorder, fifths', ''],
  ['notes/scale', 'scale, scale quantizer, key quantizer, scales', 'quantizer, quantiser'],
  [
    'notes/sequencer',
    'sequencer, step sequencer, ~sequencer, step seq, pattern sequencer',
    'steps, step, seq',
    'pattern',
  ],
  ['notes/transposer', 'transpose, transposer, transposition, midi transpose', ''],
  [
    'notes/note-filter',
    'note filter, midi filter, channel filter, key range, keyrange, midi channel filter, velocity filter, key split, keysplit, event blocker, midi map, channel map, velocity range, velocity gamma, note to cc',
    'velocity',
  ],
  ['notes/humaniser', 'humanise, humanize, humaniser, humanizer, velocity randomizer', ''],
];

const rows: readonly Row[] = [...ownRows, ...circuitRows, ...instrumentRows, ...languageRows];

/** Words that hide another one, or that only sound like one: they speak for nothing. */
const traps =
  'bandlimited, band limited, non bandlimited, parameter, aggregate, navigate, diameter, perimeter, propagate, company, spring clean, plate glass, gate reverb gate, noninterpolating, linear interpolation, cubic spline interpolation, sampled, sample based, single sample, sample rate, fixed latency, low latency, zero latency, hall of, soundscape, landscape, microscope, telescope, kaleidoscope';

/** How clearly a word speaks. */
export type Clearness = 'clear' | 'hint' | 'faint';
/** What a word of a name speaks for. */
export interface Meaning {
  readonly type: string;
  readonly clearness: Clearness;
}

const joinedOf = (phrase: string): string => phrase.replace(/[^\p{L}\p{N}]/gu, '');

/** Meanings by phrase without spaces; no meaning at all for a trap. */
export const lexicon: ReadonlyMap<string, readonly Meaning[]> = (() => {
  const all = new Map<string, Meaning[]>();
  const clearnesses: readonly Clearness[] = ['clear', 'hint', 'faint'];
  for (const [type, ...columns] of rows) {
    for (const [i, column] of columns.entries()) {
      for (const phrase of (column ?? '')
        .split(',')
        .map(joinedOf)
        .filter((p) => p !== '')) {
        all.set(phrase, [
          ...(all.get(phrase) ?? []),
          { type, clearness: clearnesses[i] ?? 'faint' },
        ]);
      }
    }
  }
  for (const phrase of traps.split(',')) {
    all.set(joinedOf(phrase), []);
  }
  return all;
})();

/** Words that count inside a longer word, longest first. */
export const wordParts: readonly string[] = [
  ...new Set(
    rows.flatMap(([, ...columns]) =>
      columns
        .join(',')
        .split(',')
        .filter((p) => p.includes('~'))
        .map(joinedOf),
    ),
  ),
].sort((a, b) => b.length - a.length || (a < b ? -1 : 1));

/** The most words a phrase has. */
export const longestPhrase = 4;
