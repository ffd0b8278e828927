/**
 * Names of parts and circuits that stand for a class of device (common practice of the trade, no
 * published source). They are hints: a tube is in amplifiers, and in much else.
 */
import type { Row } from './lexicon-rows.ts';

/** Rows as in lexicon.data.ts. */
export const circuitRows: readonly Row[] = [
  [
    'dynamics/compressor',
    'vari mu, variable mu, fet comp, fet compressor, vca compressor, diode bridge, bridge compressor, optical compressor, leveling amplifier, limiting amplifier, bus compressor, buss compressor',
    'fet, optical, vactrol, buss, vca',
  ],
  [
    'distortion/amp',
    'combo amp, power amp, tube amp, valve amp, head amp, el 34, el 84, kt 88, kt 66, 6 l 6, 6 v 6',
    'combo, 6 sn 7',
  ],
  [
    'distortion/saturation',
    '12 ax 7, 12 au 7, 12 at 7, ecc 83, ecc 82, pentode, germanium, transformer saturation, tape emulation, tape sim, reel to reel, magnetic',
    'preamplifier, transistor, jfet, mosfet, cassette, reel, hysteresis, wow, flutter',
  ],
  ['distortion/fuzz', 'germanium fuzz, silicon fuzz, octave fuzz', ''],
  ['delay', 'bbd, bucket brigade, analog delay, analogue delay, oil can, drum echo', ''],
  ['filter/filter', 'ota filter, sallen key, diode ladder, transistor ladder', 'ota'],
  ['synth/subtractive', '', 'dco'],
  ['utility/test-signal', 'vco', 'dco'],
  ['utility/envelope', 'adsr, ahdsr', ''],
];
