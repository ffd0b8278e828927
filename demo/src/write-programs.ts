/** Program files with real headers: what each system's copies of a plugin look like to a reader. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { misbehaviours, type Misbehaviour } from '@clever-drawer/core/loading';
import { kindOfType } from '@clever-drawer/core/taxonomy';
import type { DemoSystem } from './computers.ts';
import type { DemoPlugin } from './plugins.ts';
import { writeElf } from './programs/elf.ts';
import { writeMachO } from './programs/mach-o.ts';
import { writePe, type VersionFacts } from './programs/pe.ts';

export const fileNameOf = (plugin: DemoPlugin): string => plugin.name.replace(/[^\w -]/g, '');
export const versionOf = (plugin: DemoPlugin): string =>
  `${1 + (plugin.version[0] >> 1)}.${plugin.version[1]}.0`;

const entries = {
  VST3: 'GetPluginFactory',
  CLAP: 'clap_entry',
  VST2: 'VSTPluginMain',
  LADSPA: 'ladspa_descriptor',
  AU: 'PluginFactory',
  LV2: 'lv2_descriptor',
} as const;
const made = new Map<string, Buffer>();

/** A program of a system for a format. The plainer ones are all alike and made once. */
export function program(
  system: DemoSystem,
  format: keyof typeof entries,
  is32Bit = false,
  version: VersionFacts | null = null,
): Buffer {
  const key = `${system} ${format} ${is32Bit ? 32 : 64}`;
  const known = version === null ? made.get(key) : undefined;
  if (known) {
    return known;
  }
  const names = [entries[format], 'entry_of_nothing'];
  const bytes = writeFor(system, names, is32Bit, version);
  if (version === null) {
    made.set(key, bytes);
  }
  return bytes;
}

/** A few crash when they are opened, or say that they have no licence (core/src/host/misbehaviour.ts). */
export const misbehaviourOf = ({ number, damage }: DemoPlugin): Misbehaviour | null => {
  if (damage !== null) {
    return null;
  }
  if (number % 71 === 9) {
    return 'crash';
  }
  if (number % 83 === 11) {
    return 'no-licence';
  }
  return null;
};

/** The program of one plugin. */
export function programOf(
  plugin: DemoPlugin,
  system: DemoSystem,
  format: keyof typeof entries,
): Buffer {
  const does = misbehaviourOf(plugin);
  const bytes = program(system, format);
  return does === null ? bytes : Buffer.concat([bytes, Buffer.from(misbehaviours[does], 'latin1')]);
}

/** A CLAP file, or on macOS a bundle. Gives its path. */
export function writeClap(directory: string, system: DemoSystem, plugin: DemoPlugin): string {
  const path = join(directory, `${fileNameOf(plugin)}.clap`);
  if (system !== 'macos') {
    mkdirSync(directory, { recursive: true });
    writeFileSync(path, programOf(plugin, system, 'CLAP'));
    return path;
  }
  mkdirSync(join(path, 'Contents/MacOS'), { recursive: true });
  writeFileSync(
    join(path, 'Contents/MacOS', fileNameOf(plugin)),
    programOf(plugin, system, 'CLAP'),
  );
  return path;
}

/** A VST2 library for Windows; most say product, company and version. */
export function writeVst2(directory: string, plugin: DemoPlugin, is32Bit: boolean): string {
  const path = join(
    directory,
    `${fileNameOf(plugin)}${is32Bit && plugin.number % 2 === 0 ? ' x86' : ''}.dll`,
  );
  mkdirSync(directory, { recursive: true });
  const version =
    plugin.number % 6 === 0
      ? null
      : { product: plugin.name, company: plugin.spelling.VST3, version: versionOf(plugin) };
  writeFileSync(path, program('windows', 'VST2', is32Bit, version));
  return path;
}

export function writeLadspa(directory: string, plugin: DemoPlugin): string {
  const path = join(directory, `${fileNameOf(plugin).toLowerCase().replaceAll(' ', '_')}.so`);
  mkdirSync(directory, { recursive: true });
  writeFileSync(path, program('linux', 'LADSPA'));
  return path;
}

const audioUnitTypes = {
  effect: 'aufx',
  tool: 'aufx',
  instrument: 'aumu',
  'note-effect': 'aumi',
  unknown: 'aufx',
} as const;
const code = (n: number): string => n.toString(36).padStart(4, 'q').slice(-4);

/** Type, subtype and manufacturer of an audio unit. */
export const audioUnitCodes = (plugin: DemoPlugin): readonly [string, string, string] => [
  plugin.declares === 'wrong' ? 'aumf' : audioUnitTypes[kindOfType(plugin.type)],
  code(plugin.number),
  code(plugin.vendor.name.length * 977 + plugin.vendor.plugins),
];
export const escape = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** An AU bundle: a property list and a program for two machines. */
export function writeAudioUnit(directory: string, plugin: DemoPlugin): string {
  const name = fileNameOf(plugin);
  const path = join(directory, `${name}.component`);
  const contents = join(path, 'Contents');
  mkdirSync(join(contents, 'MacOS'), { recursive: true });
  writeFileSync(join(contents, 'MacOS', name), programOf(plugin, 'macos', 'AU'));
  const [type, subtype, manufacturer] = audioUnitCodes(plugin);
  const version = ((1 + (plugin.version[0] >> 1)) << 16) | (plugin.version[1] << 8);
  writeFileSync(
    join(contents, 'Info.plist'),
    `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
  <key>CFBundleExecutable</key><string>${escape(name)}</string>
  <key>AudioComponents</key>
  <array>
    <dict>
      <key>type</key><string>${type}</string>
      <key>subtype</key><string>${subtype}</string>
      <key>manufacturer</key><string>${manufacturer}</string>
      <key>name</key><string>${escape(`${plugin.spelling.VST3 ?? plugin.vendor.name}: ${plugin.name}`)}</string>
      <key>version</key><integer>${version}</integer>
    </dict>
  </array>
</dict>
</plist>
`,
  );
  return path;
}

function writeFor(
  system: DemoSystem,
  names: string[],
  is32Bit: boolean,
  version: VersionFacts | null,
): Buffer {
  switch (system) {
    case 'windows':
      return writePe(names, is32Bit, version);
    case 'macos':
      return writeMachO(names, ['x86_64', 'arm64']);
    case 'linux':
      return writeElf(names);
  }
}
