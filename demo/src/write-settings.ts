/** The rooms' saved settings in files of their own, some of plugins that are gone. */
import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { placesOf, type DemoComputer, type DemoFormat } from './computers.ts';
import type { DemoPlugin } from './plugins.ts';
import { audioUnitCodes, escape, fileNameOf } from './write-programs.ts';
import { classId } from './write-vst3.ts';

/** What the rooms call what they saved. */
export const settingNames = [
  'Heron speaks',
  'Net loft, empty',
  'Under the pier',
  'Old harbour bell',
  'Curtain up',
  'Fog over the flats',
  'Accordion at dusk',
] as const;

/** The bank of those for the theatre. */
export const settingBank = 'Puppet theatre';

/** Every so many plugins of the format have settings. */
const every = 16;

/** A plugin that the rooms had once. */
const gone = { vendor: 'Old Ferry', name: 'Tide Organ' } as const;

/** Writes all settings of a computer; those of LV2 plugins lie in their bundles. */
export function writeSettings(
  directory: string,
  computer: DemoComputer,
  plugins: readonly DemoPlugin[],
): void {
  const root = join(directory, computer.presets);
  mkdirSync(root, { recursive: true });
  if (computer.id === 'rack') {
    writeFileSync(join(root, 'kestrel-quay.rdf'), ladspaSettings);
    return;
  }
  const isAudioUnit = computer.system === 'macos';
  for (const plugin of havingSettings(computer, plugins, isAudioUnit ? 'AU' : 'VST3')) {
    const at = join(root, plugin.vendor.name, fileNameOf(plugin));
    const names = settingNames.filter((_, n) => (plugin.number + n) % 3 === 0);
    for (const [n, name] of names.entries()) {
      const bank = n % 2 === 0 ? join(at, settingBank) : at;
      mkdirSync(bank, { recursive: true });
      if (isAudioUnit) {
        writeFileSync(join(bank, `${name}.aupreset`), audioUnitPreset(plugin, name));
      } else {
        writeFileSync(join(bank, `${name}.vstpreset`), vst3Preset(classId(plugin)));
      }
    }
  }
  writeGone(root, isAudioUnit);
}

function havingSettings(
  computer: DemoComputer,
  plugins: readonly DemoPlugin[],
  format: DemoFormat,
): DemoPlugin[] {
  return plugins
    .filter(
      (plugin) =>
        plugin.damage === null &&
        (format !== 'VST3' || plugin.hasModuleInfo) &&
        placesOf(computer, plugin).some((place) => place.format === format),
    )
    .filter((_, n) => n % every === 0);
}

/** Settings of what is no longer installed: they wait. */
function writeGone(root: string, isAudioUnit: boolean): void {
  if (isAudioUnit) {
    return;
  }
  const at = join(root, gone.vendor, gone.name, settingBank);
  mkdirSync(at, { recursive: true });
  const id = createHash('md5').update(`${gone.vendor}/${gone.name}`).digest('hex').toUpperCase();
  for (const name of settingNames.slice(0, 4)) {
    writeFileSync(join(at, `${name}.vstpreset`), vst3Preset(id));
  }
}

/** The container of VST 3: header, one chunk of state, and the list of chunks. */
function vst3Preset(id: string): Buffer {
  const state = Buffer.from('made up');
  const header = Buffer.alloc(48);
  header.write('VST3', 0, 'latin1');
  header.writeInt32LE(1, 4);
  header.write(id, 8, 'latin1');
  header.writeBigInt64LE(BigInt(header.length + state.length), 40);
  const list = Buffer.alloc(28);
  list.write('List', 0, 'latin1');
  list.writeInt32LE(1, 4);
  list.write('Comp', 8, 'latin1');
  list.writeBigInt64LE(BigInt(header.length), 12);
  list.writeBigInt64LE(BigInt(state.length), 20);
  return Buffer.concat([header, state, list]);
}

/** Four letters as the number that they are in a preset. */
const number = (letters: string): number => Buffer.from(letters, 'latin1').readUInt32BE();

function audioUnitPreset(plugin: DemoPlugin, name: string): string {
  const [type, subtype, manufacturer] = audioUnitCodes(plugin).map(number);
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
  <key>name</key><string>${escape(name)}</string>
  <key>type</key><integer>${type ?? 0}</integer>
  <key>subtype</key><integer>${subtype ?? 0}</integer>
  <key>manufacturer</key><integer>${manufacturer ?? 0}</integer>
  <key>version</key><integer>0</integer>
</dict>
</plist>
`;
}

/** LADSPA keeps settings in RDF beside the plugins; these are of one that only opening would tell. */
const ladspaSettings = `<?xml version="1.0"?>
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"
  xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:ladspa="http://ladspa.org/ontology#">
  <ladspa:Plugin rdf:about="http://ladspa.org/ontology#991889">
    <dc:title>${gone.name}</dc:title>
    <dc:creator>${gone.vendor}</dc:creator>
    <ladspa:hasSetting>
      <ladspa:Preset rdf:about="http://kestrelquay.invalid/settings#heron">
        <dc:title>Heron speaks</dc:title>
      </ladspa:Preset>
    </ladspa:hasSetting>
    <ladspa:hasSetting>
      <ladspa:Preset rdf:about="http://kestrelquay.invalid/settings#pier">
        <dc:title>Under the pier</dc:title>
      </ladspa:Preset>
    </ladspa:hasSetting>
  </ladspa:Plugin>
</rdf:RDF>
`;
