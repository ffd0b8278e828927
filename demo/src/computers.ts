/** The three computers of Kestrel Quay: which plugins each has, in which formats and places. */
import { chanceFrom } from './chance.ts';
import type { TrackKind } from '@clever-drawer/core/loading';
import type { DemoPlugin } from './plugins.ts';

export type DemoFormat = 'LV2' | 'VST3' | 'AU' | 'CLAP' | 'VST2' | 'VST2 32' | 'LADSPA';
export type DemoSystem = 'windows' | 'macos' | 'linux';

export interface DemoPlace {
  readonly format: DemoFormat;
  /** Below the computer's directory. */
  readonly directory: string;
  /** Which share of the computer's plugins has a copy here. */
  readonly share: number;
}

export interface DemoComputer {
  readonly id: 'desk' | 'laptop' | 'rack';
  readonly name: string;
  readonly system: DemoSystem;
  /** Which share of all plugins the computer has. */
  readonly share: number;
  readonly places: readonly DemoPlace[];
  /** Where saved settings lie in files of their own. */
  readonly presets: string;
  readonly tracks: readonly { readonly name: string; readonly sort: TrackKind }[];
}

const audio = (...names: string[]) => names.map((name) => ({ name, sort: 'track' as const }));

export const computers: readonly DemoComputer[] = [
  {
    id: 'desk',
    name: 'Quay Room · desk computer',
    system: 'windows',
    share: 1,
    places: [
      { format: 'LV2', directory: 'Tools/lv2', share: 0.16 },
      { format: 'VST3', directory: 'Program Files/Common Files/VST3', share: 0.66 },
      { format: 'CLAP', directory: 'Program Files/Common Files/CLAP', share: 0.2 },
      { format: 'VST2', directory: 'Program Files/VstPlugins', share: 0.14 },
      { format: 'VST2 32', directory: 'Old plugins', share: 0.05 },
    ],
    presets: 'Documents/VST3 Presets',
    tracks: [
      ...audio('Narrator', 'Puppet · Heron', 'Puppet · Eel', 'Accordion'),
      { name: 'Sea bed', sort: 'instrument' },
      { name: 'Sea bed · notes', sort: 'notes' },
      { name: 'Brass pad', sort: 'instrument' },
      { name: 'Voices', sort: 'bus' },
      { name: 'Weather', sort: 'bus' },
      { name: 'Programme', sort: 'final' },
    ],
  },
  {
    id: 'laptop',
    name: 'Loft Room · laptop',
    system: 'macos',
    share: 0.5,
    places: [
      { format: 'AU', directory: 'Library/Audio/Plug-Ins/Components', share: 0.6 },
      { format: 'VST3', directory: 'Library/Audio/Plug-Ins/VST3', share: 0.5 },
      { format: 'CLAP', directory: 'Library/Audio/Plug-Ins/CLAP', share: 0.12 },
    ],
    presets: 'Library/Audio/Presets',
    tracks: [
      ...audio('Field left', 'Field right', 'Voice-over'),
      { name: 'Pads', sort: 'instrument' },
      { name: 'Air', sort: 'bus' },
      { name: 'Film mix', sort: 'final' },
    ],
  },
  {
    id: 'rack',
    name: 'Touring rack',
    system: 'linux',
    share: 0.3,
    places: [
      { format: 'LV2', directory: 'usr/lib/lv2', share: 0.7 },
      { format: 'VST3', directory: 'usr/lib/vst3', share: 0.25 },
      { format: 'CLAP', directory: 'usr/lib/clap', share: 0.2 },
      { format: 'LADSPA', directory: 'usr/lib/ladspa', share: 0.12 },
    ],
    presets: 'usr/share/ladspa/rdf',
    tracks: [
      ...audio('Stage left', 'Stage right'),
      { name: 'Hurdy-gurdy', sort: 'instrument' },
      { name: 'House', sort: 'final' },
    ],
  },
];

/**
 * The places that hold a copy of the plugin on that computer; none when the computer has it not.
 * Always the same.
 */
export function placesOf(computer: DemoComputer, plugin: DemoPlugin): DemoPlace[] {
  const chance = chanceFrom(
    plugin.number * 977 + computer.id.length * 31 + computer.id.charCodeAt(0),
  );
  if (plugin.damage !== null) {
    return computer.id === 'desk'
      ? computer.places.filter(
          (p) =>
            p.format ===
            (plugin.damage === 'json' || plugin.damage === 'no-classes' || plugin.damage === 'empty'
              ? 'VST3'
              : 'LV2'),
        )
      : [];
  }
  if (!chance.happens(computer.share)) {
    return [];
  }
  const chosen = computer.places.filter((place) => chance.happens(place.share));
  const usual = computer.places.find((place) => place.share > 0.5);
  if (chosen.length > 0) {
    return chosen;
  }
  if (usual) {
    return [usual];
  }
  return [];
}
