/** The made-up studio of Kestrel Quay as folders on the disk, one tree a computer. */
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { computers, placesOf, type DemoComputer, type DemoPlace } from './computers.ts';
import { makePlugins, type DemoPlugin } from './plugins.ts';
import { writeLv2 } from './write-lv2.ts';
import { program, writeAudioUnit, writeClap, writeLadspa, writeVst2 } from './write-programs.ts';
import { writeSettings } from './write-settings.ts';
import { writeVst3 } from './write-vst3.ts';

/** The seed of the studio that is shown. */
export const studioSeed = 1889;

export interface Studio {
  readonly directory: string;
  readonly computer: DemoComputer;
  readonly plugins: readonly DemoPlugin[];
  /** The directories to look through. */
  readonly places: readonly string[];
}

/** Plugins that arrive only with the second look, and are updated by it; one moves, one goes. */
const arriving = 3;
const updating = 2;

/**
 * Writes one computer's plugins into a directory, which is emptied first. `count` is the number of
 * sound plugins of the studio.
 */
export function writeStudio(
  directory: string,
  count?: number,
  computer: DemoComputer = computers[0] as DemoComputer,
): Studio {
  if (existsSync(directory)) {
    rmSync(directory, { recursive: true });
  }
  const plugins = makePlugins(studioSeed, count);
  for (const place of computer.places) {
    mkdirSync(join(directory, place.directory), { recursive: true });
  }
  for (const plugin of plugins) {
    for (const place of placesOf(computer, plugin)) {
      writeCopy(directory, computer, place, plugin);
    }
  }
  writeBroken(directory, computer);
  writeSettings(directory, computer, plugins);
  return {
    directory,
    computer,
    plugins,
    places: [
      ...computer.places.map((place) => join(directory, place.directory)),
      join(directory, computer.presets),
    ],
  };
}

function writeCopy(
  directory: string,
  { system }: DemoComputer,
  { format, directory: place }: DemoPlace,
  plugin: DemoPlugin,
): string {
  const at = join(directory, place);
  const byVendor = join(at, plugin.vendor.name);
  switch (format) {
    case 'LV2':
      return writeLv2(at, system, plugin);
    case 'VST3':
      return writeVst3(byVendor, system, plugin);
    case 'CLAP':
      return writeClap(at, system, plugin);
    case 'AU':
      return writeAudioUnit(at, plugin);
    case 'VST2':
      return writeVst2(byVendor, plugin, false);
    case 'VST2 32':
      // Nobody has updated these since.
      return writeVst2(at, { ...plugin, version: [0, plugin.version[1]] }, true);
    case 'LADSPA':
      return writeLadspa(at, plugin);
  }
}

/** Program files that nobody can open: cut off while copying, empty, or no program at all. */
function writeBroken(directory: string, { system, places }: DemoComputer): void {
  const at = (format: string): string | undefined =>
    places.find((place) => place.format === format)?.directory;
  const clap = at('CLAP');
  const old = at('VST2 32');
  if (clap !== undefined) {
    writeFileSync(
      join(directory, clap, 'Quernstone 500.clap'),
      program(system, 'CLAP').subarray(0, 90),
    );
    writeFileSync(join(directory, clap, 'Undertow.clap'), '');
  }
  if (old !== undefined) {
    writeFileSync(
      join(directory, old, 'lobster_readme.dll'),
      'This is a text that somebody called a library.\n',
    );
  }
}

/**
 * What was there some days ago, and the act that makes it what it is today. `moves` and `goes` are
 * names of plugins.
 */
export interface Lately {
  readonly toToday: () => void;
  readonly moves: string;
  readonly goes: string;
}

/** Takes a computer back to how it was some days ago. */
export function beforeLately({ directory, computer, plugins }: Studio): Lately {
  const place = computer.places.find((p) => p.format === 'LV2') as DemoPlace;
  const write = (plugin: DemoPlugin): string => writeCopy(directory, computer, place, plugin);
  const lv2 = plugins.filter(
    (p) =>
      p.damage === null && p.number % 9 !== 0 && placesOf(computer, p).some((one) => one === place),
  );
  const late = lv2.filter((p) => placesOf(computer, p).length === 1).slice(0, arriving);
  const others = lv2.filter((p) => !late.includes(p));
  const renewed = others.slice(4, 4 + updating);
  const [moving, going] = others.slice(10, 12);
  for (const plugin of late) {
    rmSync(write(plugin), { recursive: true });
  }
  for (const plugin of renewed) {
    write({ ...plugin, version: [plugin.version[0], plugin.version[1] + 1] });
  }
  const extra = going && write({ ...going, name: `${going.name} LE`, number: 9_001 });
  const toToday = (): void => {
    for (const plugin of late) {
      write(plugin);
    }
    for (const plugin of renewed) {
      write({ ...plugin, version: [plugin.version[0] + 2, 0] });
    }
    if (extra) {
      rmSync(extra, { recursive: true });
    }
    if (!moving) {
      return;
    }
    const from = write(moving);
    const shelf = join(dirname(from), moving.vendor.name);
    mkdirSync(shelf, { recursive: true });
    renameSync(from, join(shelf, 'moved.lv2'));
  };
  return { toToday, moves: moving?.name ?? '', goes: going ? `${going.name} LE` : '' };
}
