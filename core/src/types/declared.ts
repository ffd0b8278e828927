/** What the standards let a plugin declare, and which kind and types of ours that means: one row for each value. */
import type { Format } from '../formats/found-copy.ts';
import type { Kind } from '../catalog/kind.ts';
import { kindOfType } from './tree.ts';

/** Types it means; or only a kind, where the value says nothing more; or neither. */
export interface DeclaredRow {
  readonly types: readonly string[];
  readonly kind: Kind;
}

const is = (...types: string[]): DeclaredRow => ({ types, kind: kindOfType(types[0] ?? '') });
const only = (kind: Kind): DeclaredRow => ({ types: [], kind });

/** Classes of https://lv2plug.in/ns/lv2core, all below `lv2:Plugin`; checked against its `lv2core.ttl` in the tests. */
export const lv2Classes: Readonly<Record<string, DeclaredRow>> = {
  Plugin: only('unknown'), AllpassPlugin: is('filter/filter'), AmplifierPlugin: is('utility/gain'), AnalyserPlugin: is('meter'),
  BandpassPlugin: is('filter/filter'), ChorusPlugin: is('modulation/chorus'), CombPlugin: is('filter/filter'),
  CompressorPlugin: is('dynamics/compressor'), ConstantPlugin: is('utility/test-signal'), ConverterPlugin: is('utility/converter'),
  DelayPlugin: is('delay'), DistortionPlugin: is('distortion'), DynamicsPlugin: is('dynamics'), EQPlugin: is('eq'),
  EnvelopePlugin: is('utility/envelope'), ExpanderPlugin: is('dynamics/expander'), FilterPlugin: is('filter'),
  FlangerPlugin: is('modulation/flanger'), FunctionPlugin: is('utility'), GatePlugin: is('dynamics/gate'),
  GeneratorPlugin: only('unknown'), HighpassPlugin: is('filter/filter'), InstrumentPlugin: only('instrument'),
  LimiterPlugin: is('dynamics/limiter'), LowpassPlugin: is('filter/filter'), MIDIPlugin: is('notes'), MixerPlugin: is('utility/mixer'),
  ModulatorPlugin: is('modulation'), MultiEQPlugin: is('eq/graphic'), OscillatorPlugin: is('utility/test-signal'),
  ParaEQPlugin: is('eq/parametric'), PhaserPlugin: is('modulation/phaser'), PitchPlugin: is('pitch'), ReverbPlugin: is('reverb'),
  SimulatorPlugin: only('effect'), SpatialPlugin: is('spatial'), SpectralPlugin: is('texture/spectral'), UtilityPlugin: is('utility'),
  WaveshaperPlugin: is('distortion/waveshaper'),
};

/** Parts of VST3 sub-categories (`Fx|Delay` is `Fx` and `Delay`); checked against `ivstaudioprocessor.h` in the tests. */
export const vst3SubCategories: Readonly<Record<string, DeclaredRow>> = {
  Fx: only('effect'), Instrument: only('instrument'), Analyzer: is('meter'), Delay: is('delay'), Distortion: is('distortion'),
  Dynamics: is('dynamics'), EQ: is('eq'), Filter: is('filter'), Spatial: is('spatial'), Generator: is('utility/test-signal'),
  Mastering: is('strip/mastering-chain'), Modulation: is('modulation'), 'Pitch Shift': is('pitch'), Restoration: is('restoration'),
  Reverb: is('reverb'), Surround: is('spatial/surround'), Tools: is('utility'), Network: only('unknown'), External: only('unknown'),
  Drum: is('drums'), Piano: is('keys/piano'), Sampler: is('sampler'), Synth: is('synth'), OnlyRT: only('unknown'),
  OnlyOfflineProcess: only('unknown'), OnlyARA: only('unknown'), NoOfflineProcess: only('unknown'), 'Up-Downmix': is('utility/converter'),
  Ambisonics: is('spatial/ambisonic'), Mono: only('unknown'), Stereo: only('unknown'),
};

const LV2 = 'http://lv2plug.in/ns/lv2core#';
const notRows: DeclaredRow = only('unknown');

function rowOf(format: Format, declared: string): DeclaredRow {
  if (format === 'LV2') return declared.startsWith(LV2) ? (lv2Classes[declared.slice(LV2.length)] ?? notRows) : notRows;
  if (format === 'VST3') return vst3SubCategories[declared] ?? notRows;
  return notRows;
}

/**
 * Kind and types by what the copy declares, and by nothing else. Sub-categories may come joined by `|`.
 * A type that only says again what a narrower one says is left out.
 */
export function readDeclared(format: Format, declared: readonly string[]): DeclaredRow {
  const values = format === 'VST3' ? declared.flatMap((d) => d.split('|').map((part) => part.trim())) : declared;
  const rows = values.map((value) => rowOf(format, value));
  const types = [...new Set(rows.flatMap((row) => row.types))];
  const narrow = types.filter((t) => !types.some((other) => other.startsWith(`${t}/`)));
  return { types: narrow, kind: kindOf(format, rows) };
}

const precedence: readonly Kind[] = ['instrument', 'note-effect', 'effect', 'tool'];

function kindOf(format: Format, rows: readonly DeclaredRow[]): Kind {
  // "Fx|Instrument" is an effect that may also stand as an instrument: what stands first decides (ivstaudioprocessor.h).
  if (format === 'VST3') {
    const stated = rows.find((row) => row.types.length === 0 && row.kind !== 'unknown');
    if (stated?.kind === 'instrument') return 'instrument';
    const others = rows.filter((row) => row.types.length > 0);
    return others.length > 0 && others.every((row) => row.kind === 'tool') ? 'tool' : (stated?.kind ?? others[0]?.kind ?? 'unknown');
  }
  return precedence.find((kind) => rows.some((row) => row.kind === kind)) ?? 'unknown';
}
