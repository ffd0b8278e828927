/** The made-up studio of Kestrel Quay as folders on the disk. */
import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { makePlugins, type DemoPlugin } from './plugins.ts';
import { writeLv2 } from './write-lv2.ts';
import { writeVst3 } from './write-vst3.ts';

/** The seed of the studio that is shown. */
export const studioSeed = 1889;

export interface Studio {
  readonly directory: string;
  readonly plugins: readonly DemoPlugin[];
  /** The directories to look through. */
  readonly places: readonly string[];
}

const lv2In = (directory: string): string => join(directory, 'LV2');
const vst3In = (directory: string): string => join(directory, 'VST3');

/** Plugins that arrive only with the second look, are updated by it, and one each that moves and goes. */
const arriving = 3, updating = 2;

/** Writes the studio into a directory, which is emptied first. `count` is the number of sound plugins. */
export function writeStudio(directory: string, count?: number): Studio {
  if (existsSync(directory)) rmSync(directory, { recursive: true });
  mkdirSync(lv2In(directory), { recursive: true });
  mkdirSync(vst3In(directory), { recursive: true });
  const plugins = makePlugins(studioSeed, count);
  for (const plugin of plugins) writePlugin(directory, plugin);
  return { directory, plugins, places: [lv2In(directory), vst3In(directory)] };
}

function writePlugin(directory: string, plugin: DemoPlugin): string[] {
  return [
    ...(plugin.formats.includes('LV2') ? [writeLv2(lv2In(directory), plugin)] : []),
    ...(plugin.formats.includes('VST3') ? [writeVst3(join(vst3In(directory), plugin.vendor.name), plugin)] : []),
  ];
}

/** Takes the studio back to how it was some days ago; the returned act makes it what it is today. */
export function beforeLately(studio: Studio): () => void {
  const sound = studio.plugins.filter((p) => p.damage === null), lv2 = sound.filter((p) => p.formats.length === 1 && p.formats[0] === 'LV2' && p.number % 9 !== 0);
  const late = sound.slice(40, 40 + arriving), renewed = lv2.slice(10, 10 + updating), [moving, going] = lv2.slice(20, 22);
  for (const plugin of late) for (const path of writePlugin(studio.directory, plugin)) rmSync(path, { recursive: true });
  for (const plugin of renewed) writePlugin(studio.directory, { ...plugin, version: [plugin.version[0], plugin.version[1] + 1] });
  const extra = going && writeLv2(lv2In(studio.directory), { ...going, name: `${going.name} LE`, number: 9_001 });
  return () => {
    for (const plugin of late) writePlugin(studio.directory, plugin);
    for (const plugin of renewed) writePlugin(studio.directory, { ...plugin, version: [plugin.version[0] + 2, 0] });
    if (extra) rmSync(extra, { recursive: true });
    if (moving) {
      const from = writeLv2(lv2In(studio.directory), moving), shelf = join(lv2In(studio.directory), moving.vendor.name);
      mkdirSync(shelf, { recursive: true });
      renameSync(from, join(shelf, 'moved.lv2'));
    }
  };
}
