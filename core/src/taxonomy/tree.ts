/** The two-level tree of types: `group` or `group/type`. Terms are the trade's; ids never change. */
import type { Kind } from '../catalog/kind.ts';

/** A group of types, and the kind its plugins are of. */
export interface TypeGroup {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  /** Types below the group: id without the group, and the name shown. */
  readonly types: readonly { readonly id: string; readonly name: string }[];
}

/** Names that plain capitalising of the id would get wrong. */
const ownNames: Readonly<Record<string, string>> = {
  eq: 'EQ',
  'dynamic-eq': 'Dynamic EQ',
  'de-esser': 'De-esser',
  'bit-crusher': 'Bit crusher',
  fm: 'FM',
  'auto-pan': 'Auto-pan',
  'de-noise': 'De-noise',
  'de-click': 'De-click',
  'de-hum': 'De-hum',
  'de-reverb': 'De-reverb',
  'multi-effect': 'Multi-effect',
  parametric: 'Parametric EQ',
  graphic: 'Graphic EQ',
  tone: 'Tone',
  meter: 'Metering',
  strip: 'Strip',
  level: 'Level meter',
  loudness: 'Loudness meter',
  spectrum: 'Spectrum',
  notes: 'Note effect',
  cabinet: 'Speaker cabinet',
  reverb: 'Reverb',
  width: 'Width',
};
const nameOf = (id: string): string =>
  ownNames[id] ?? id.charAt(0).toUpperCase() + id.slice(1).replaceAll('-', ' ');

const group = (kind: Kind, id: string, types: string): TypeGroup => ({
  id,
  kind,
  name: nameOf(id),
  types: types.split(' ').map((t) => ({ id: `${id}/${t}`, name: nameOf(t) })),
});

/** All groups with their types, in the order in which they are offered. */
export const typeGroups: readonly TypeGroup[] = [
  group(
    'effect',
    'dynamics',
    'compressor multiband limiter gate expander de-esser transient-shaper leveller',
  ),
  group('effect', 'eq', 'parametric graphic dynamic-eq tone'),
  group('effect', 'filter', 'filter wah crossover'),
  group(
    'effect',
    'distortion',
    'saturation overdrive fuzz amp cabinet bit-crusher waveshaper exciter',
  ),
  group('effect', 'reverb', 'room hall plate spring convolution shimmer'),
  group('effect', 'delay', 'delay tape-echo multitap looper'),
  group(
    'effect',
    'modulation',
    'chorus flanger phaser tremolo vibrato rotary ring-modulator auto-pan',
  ),
  group('effect', 'pitch', 'pitch-shifter pitch-correction harmoniser vocoder time-stretch'),
  group('effect', 'spatial', 'width panner surround ambisonic headphone'),
  group('effect', 'restoration', 'de-noise de-click de-hum de-reverb'),
  group('effect', 'texture', 'granular spectral glitch'),
  group('effect', 'strip', 'channel-strip multi-effect mastering-chain'),
  group('tool', 'meter', 'level loudness spectrum scope phase tuner'),
  group('tool', 'utility', 'gain mixer router converter test-signal envelope'),
  group('instrument', 'synth', 'subtractive fm wavetable additive physical-model modular vector'),
  group('instrument', 'sampler', 'sampler sample-player'),
  group('instrument', 'drums', 'drum-machine drum-kit'),
  group('instrument', 'keys', 'piano electric-piano organ clavinet'),
  group('instrument', 'acoustic', 'strings brass woodwind guitar bass voice percussion'),
  group(
    'note-effect',
    'notes',
    'arpeggiator chord scale sequencer transposer note-filter humaniser',
  ),
];

const known = new Map(
  typeGroups.flatMap((g) => [
    [g.id, { name: g.name, group: g }] as const,
    ...g.types.map((t) => [t.id, { name: t.name, group: g }] as const),
  ]),
);

/** Whether there is a type of that id. */
export const isType = (id: string): boolean => known.has(id);

/** The name shown; an id that is not in the tree is shown as it is. */
export const typeName = (id: string): string => known.get(id)?.name ?? id;

/** The group of a type (or of a group itself): `delay/looper` → `delay`. */
export const groupOf = (id: string): string => {
  const at = id.indexOf('/');
  return at < 0 ? id : id.slice(0, at);
};

/** The kind of plugin that has this type. */
export const kindOfType = (id: string): Kind => known.get(id)?.group.kind ?? 'unknown';

/** Whether a type lies within another one: itself, or a type of that group. */
export const isWithin = (type: string, wanted: string): boolean =>
  type === wanted || type.startsWith(`${wanted}/`);
