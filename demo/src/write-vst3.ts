/**
 * VST3 bundles: `Contents` with a program per machine and, mostly, `moduleinfo.json` with its
 * trailing commas.
 */
import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { vst3SubCategoriesOf } from './declare.ts';
import type { DemoSystem } from './computers.ts';
import { drawPicture } from './picture.ts';
import type { DemoPlugin } from './plugins.ts';
import { fileNameOf, programOf, versionOf } from './write-programs.ts';

/** The class id, 32 hex digits, always the same for a plugin. */
export const classId = (plugin: DemoPlugin): string =>
  createHash('md5').update(`${plugin.vendor.name}/${plugin.name}`).digest('hex').toUpperCase();

const machines = { linux: 'x86_64-linux', windows: 'x86_64-win', macos: 'MacOS' } as const;
const endings = { linux: '.so', windows: '.vst3', macos: '' } as const;

/** Writes one bundle below the directory and gives its path. */
export function writeVst3(directory: string, system: DemoSystem, plugin: DemoPlugin): string {
  const bundle = join(directory, `${fileNameOf(plugin)}.vst3`);
  const contents = join(bundle, 'Contents');
  mkdirSync(contents, { recursive: true });
  if (plugin.damage === 'empty') {
    return bundle;
  }
  const machine = join(contents, machines[system]);
  mkdirSync(machine, { recursive: true });
  writeFileSync(
    join(machine, `${fileNameOf(plugin)}${endings[system]}`),
    programOf(plugin, system, 'VST3'),
  );
  if (!plugin.hasModuleInfo) {
    return bundle;
  }
  const place = plugin.number % 3 === 0 ? contents : join(contents, 'Resources');
  mkdirSync(place, { recursive: true });
  const info = moduleInfo(plugin);
  writeFileSync(
    join(place, 'moduleinfo.json'),
    plugin.damage === 'json' ? info.slice(0, Math.floor(info.length * 0.6)) : info,
  );
  if (plugin.hasPicture) {
    const snapshots = join(contents, 'Resources', 'Snapshots');
    mkdirSync(snapshots, { recursive: true });
    writeFileSync(join(snapshots, `${classId(plugin)}_snapshot.png`), drawPicture(plugin.number));
  }
  return bundle;
}

function moduleInfo(plugin: DemoPlugin): string {
  const vendor = plugin.spelling.VST3 === null ? '' : plugin.spelling.VST3;
  const version = versionOf(plugin);
  const text = JSON.stringify;
  const cls = (category: string, id: string): string => `    {
      "CID": ${text(id)},
      "Category": ${text(category)},
      "Name": ${text(plugin.name)},
      "Vendor": ${text(vendor)},
      "Version": ${text(version)},
      "SDKVersion": "VST 3.7.9",
      "Sub Categories": [
${vst3SubCategoriesOf(plugin)
  .map((c) => `        ${text(c)},\n`)
  .join('')}      ],
      "Class Flags": 0,
      "Snapshots": [
      ],
    },
`;
  const classes =
    plugin.damage === 'no-classes'
      ? ''
      : cls('Audio Module Class', classId(plugin)) +
        cls('Component Controller Class', classId(plugin).replace(/^../, 'C0'));
  return `{
  "Name": ${text(plugin.name)},
  "Version": ${text(version)},
  "Factory Info": {
    "Vendor": ${text(vendor)},
    "URL": "https://${plugin.vendor.mail.split('@')[1] ?? 'kestrelquay.invalid'}",
    "E-Mail": ${text(`mailto:${plugin.vendor.mail}`)},
    "Flags": {
      "Unicode": true,
      "Classes Discardable": false,
    },
  },
  "Classes": [
${classes}  ],
}
`;
}
