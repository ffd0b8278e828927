/**
 * What the standards let a plugin declare, and which kind and types of ours that means: one row for
 * each value.
 */
import type { Format } from '../formats/found-copy.ts';
import type { Kind } from '../catalog/kind.ts';
import { memoizeIn } from '../memoize.ts';
import { kindOfType } from './tree.ts';

/** Types it means; or only a kind, where the value says nothing more; or neither. */
export interface DeclaredRow {
  readonly types: readonly string[];
  readonly kind: Kind;
  /** Where it means one of these and does not say which. */
  readonly among?: readonly string[];
}

const is = (...types: string[]): DeclaredRow => ({ types, kind: kindOfType(types[0] ?? '') });
const only = (kind: Kind): DeclaredRow => ({ types: [], kind });

/**
 * Classes of https://lv2plug.in/ns/lv2core, all below `lv2:Plugin`; checked against its
 * `lv2core.ttl` in the tests.
 */
export const lv2Classes: Readonly<Record<string, DeclaredRow>> = {
  Plugin: only('unknown'),
  AllpassPlugin: is('filter/filter'),
  AmplifierPlugin: is('utility/gain'),
  AnalyserPlugin: is('meter'),
  BandpassPlugin: is('filter/filter'),
  ChorusPlugin: is('modulation/chorus'),
  CombPlugin: is('filter/filter'),
  CompressorPlugin: is('dynamics/compressor'),
  ConstantPlugin: is('utility/test-signal'),
  ConverterPlugin: is('utility/converter'),
  DelayPlugin: is('delay'),
  DistortionPlugin: is('distortion'),
  DynamicsPlugin: is('dynamics'),
  EQPlugin: is('eq'),
  EnvelopePlugin: is('utility/envelope'),
  ExpanderPlugin: is('dynamics/expander'),
  FilterPlugin: is('filter'),
  FlangerPlugin: is('modulation/flanger'),
  FunctionPlugin: is('utility'),
  GatePlugin: is('dynamics/gate'),
  GeneratorPlugin: only('unknown'),
  HighpassPlugin: is('filter/filter'),
  InstrumentPlugin: only('instrument'),
  LimiterPlugin: is('dynamics/limiter'),
  LowpassPlugin: is('filter/filter'),
  MIDIPlugin: is('notes'),
  MixerPlugin: is('utility/mixer'),
  ModulatorPlugin: is('modulation'),
  MultiEQPlugin: is('eq/graphic'),
  OscillatorPlugin: is('utility/test-signal'),
  ParaEQPlugin: is('eq/parametric'),
  PhaserPlugin: is('modulation/phaser'),
  PitchPlugin: is('pitch'),
  ReverbPlugin: is('reverb'),
  SimulatorPlugin: {
    ...only('effect'),
    among: ['distortion/amp', 'distortion/cabinet', 'reverb/room', 'modulation/rotary'],
  },
  SpatialPlugin: is('spatial'),
  SpectralPlugin: is('texture/spectral'),
  UtilityPlugin: is('utility'),
  WaveshaperPlugin: is('distortion/waveshaper'),
};

/**
 * Parts of VST3 sub-categories (`Fx|Delay` is `Fx` and `Delay`); checked against
 * `ivstaudioprocessor.h` in the tests.
 */
export const vst3SubCategories: Readonly<Record<string, DeclaredRow>> = {
  Fx: only('effect'),
  Instrument: only('instrument'),
  Analyzer: is('meter'),
  Delay: is('delay'),
  Distortion: is('distortion'),
  Dynamics: is('dynamics'),
  EQ: is('eq'),
  Filter: is('filter'),
  Spatial: is('spatial'),
  Generator: is('utility/test-signal'),
  Mastering: is('strip/mastering-chain'),
  Modulation: is('modulation'),
  'Pitch Shift': is('pitch'),
  Restoration: is('restoration'),
  Reverb: is('reverb'),
  Surround: is('spatial/surround'),
  Tools: is('utility'),
  Network: only('unknown'),
  External: only('unknown'),
  Drum: is('drums'),
  Piano: is('keys/piano'),
  Sampler: is('sampler'),
  Synth: is('synth'),
  OnlyRT: only('unknown'),
  OnlyOfflineProcess: only('unknown'),
  OnlyARA: only('unknown'),
  NoOfflineProcess: only('unknown'),
  'Up-Downmix': is('utility/converter'),
  Ambisonics: is('spatial/ambisonic'),
  Mono: only('unknown'),
  Stereo: only('unknown'),
};

/** AU component types (from memory of the AudioUnit headers). */
export const audioUnitTypes: Readonly<Record<string, DeclaredRow>> = {
  aufx: only('effect'),
  aumf: only('effect'),
  aumu: only('instrument'),
  aumi: is('notes'),
  augn: only('unknown'),
  aupn: is('spatial/panner'),
  aumx: is('utility/mixer'),
};

/** CLAP features (from memory of clap/plugin-features.h). */
export const clapFeatures: Readonly<Record<string, DeclaredRow>> = {
  instrument: only('instrument'),
  'audio-effect': only('effect'),
  'note-effect': is('notes'),
  'note-detector': only('unknown'),
  analyzer: is('meter'),
  synthesizer: is('synth'),
  sampler: is('sampler'),
  drum: is('drums'),
  'drum-machine': is('drums/drum-machine'),
  filter: is('filter'),
  phaser: is('modulation/phaser'),
  equalizer: is('eq'),
  'de-esser': is('dynamics/de-esser'),
  'phase-vocoder': is('texture/spectral'),
  granular: is('texture/granular'),
  'frequency-shifter': is('pitch/pitch-shifter'),
  'pitch-shifter': is('pitch/pitch-shifter'),
  distortion: is('distortion'),
  'transient-shaper': is('dynamics/transient-shaper'),
  compressor: is('dynamics/compressor'),
  expander: is('dynamics/expander'),
  gate: is('dynamics/gate'),
  limiter: is('dynamics/limiter'),
  flanger: is('modulation/flanger'),
  chorus: is('modulation/chorus'),
  delay: is('delay'),
  reverb: is('reverb'),
  tremolo: is('modulation/tremolo'),
  glitch: is('texture/glitch'),
  utility: is('utility'),
  'pitch-correction': is('pitch/pitch-correction'),
  restoration: is('restoration'),
  'multi-effects': is('strip/multi-effect'),
  mixing: only('unknown'),
  mastering: is('strip/mastering-chain'),
  mono: only('unknown'),
  stereo: only('unknown'),
  surround: is('spatial/surround'),
  ambisonic: is('spatial/ambisonic'),
};

/**
 * Classes of the LADSPA ontology that LV2 does not have; checked against swh-plugins' descriptions
 * in the tests.
 */
export const ladspaClasses: Readonly<Record<string, DeclaredRow>> = {
  ...lv2Classes,
  FrequencyMeterPlugin: is('meter/spectrum'),
  NotchPlugin: is('filter/filter'),
  TimePlugin: is('delay'),
  MeterPlugin: is('meter'),
};

/**
 * What opening finds in the flags and the category of a VST2 effect (from memory: the interface is no
 * longer published). Rooms are "delays and reverbs": which one is not said.
 */
export const vst2Categories: Readonly<Record<string, DeclaredRow>> = {
  synth: only('instrument'),
  analysis: is('meter'),
  mastering: only('effect'),
  spatial: is('spatial'),
  room: only('effect'),
  surround: is('spatial/surround'),
  restoration: is('restoration'),
  generator: only('unknown'),
};

const LADSPA = 'http://ladspa.org/ontology#';
const LV2 = 'http://lv2plug.in/ns/lv2core#';
const notRows: DeclaredRow = only('unknown');

/** The rows of a format, and how its declared values are looked up in them. */
const rowsOf: Partial<Record<Format, (declared: string) => DeclaredRow | undefined>> = {
  LV2: (value) => (value.startsWith(LV2) ? lv2Classes[value.slice(LV2.length)] : undefined),
  LADSPA: (value) =>
    value.startsWith(LADSPA) ? ladspaClasses[value.slice(LADSPA.length)] : undefined,
  VST3: (value) => vst3SubCategories[value],
  AU: (value) => audioUnitTypes[value],
  CLAP: (value) => clapFeatures[value],
  VST2: (value) => vst2Categories[value],
};

const rowOf = (format: Format, declared: string): DeclaredRow =>
  rowsOf[format]?.(declared) ?? notRows;

/** What was read before: few plugins declare what no other does. */
const readBefore = new Map<string, DeclaredRow>();
/** More than any catalog declares; what is kept stays bounded. */
const cacheSize = 10_000;

/**
 * Kind and types by what the copy declares, and by nothing else. Sub-categories may come joined by `|`.
 * A type that only says again what a narrower one says is left out.
 */
export const readDeclared = (format: Format, declared: readonly string[]): DeclaredRow =>
  memoizeIn(readBefore, cacheSize, [format, ...declared].join('\n'), () =>
    readNew(format, declared),
  );

/** What a copy declares, and in which format. */
export interface Declaration {
  readonly format: Format;
  readonly values: readonly string[];
}

/** All types that several copies declare. */
export const declaredTypes = (declared: readonly Declaration[]): string[] =>
  declared.flatMap(({ format, values }) => readDeclared(format, values).types);

function readNew(format: Format, declared: readonly string[]): DeclaredRow {
  const values =
    format === 'VST3' ? declared.flatMap((d) => d.split('|').map((part) => part.trim())) : declared;
  const rows = values.map((value) => rowOf(format, value));
  const types = [...new Set(rows.flatMap((row) => row.types))];
  const narrow = types.filter((t) => !types.some((other) => other.startsWith(`${t}/`)));
  const among = rows.flatMap((row) => row.among ?? []);
  return {
    types: narrow,
    kind: kindOf(format, rows),
    ...(narrow.length === 0 && among.length > 0 ? { among } : {}),
  };
}

const precedence: readonly Kind[] = ['instrument', 'note-effect', 'effect', 'tool'];

function kindOf(format: Format, rows: readonly DeclaredRow[]): Kind {
  // "Fx|Instrument" is an effect that may also stand as an instrument: what stands first decides
  // (ivstaudioprocessor.h).
  if (format === 'VST3' || format === 'CLAP') {
    const stated = rows.find((row) => row.types.length === 0 && row.kind !== 'unknown');
    if (stated?.kind === 'instrument') {
      return 'instrument';
    }
    const others = rows.filter((row) => row.types.length > 0);
    return others.length > 0 && others.every((row) => row.kind === 'tool')
      ? 'tool'
      : (stated?.kind ?? others[0]?.kind ?? 'unknown');
  }
  return precedence.find((kind) => rows.some((row) => row.kind === kind)) ?? 'unknown';
}
