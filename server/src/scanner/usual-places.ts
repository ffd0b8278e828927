/**
 * Where plugins usually live, by format and system, and the `…_PATH` variables of the standards
 * that replace it.
 * LV2, LADSPA: their own documents; VST3, CLAP, AU and all of VST2: from memory.
 */
import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { posix, win32 } from 'node:path';
import type { Format } from '@clever-drawer/core/formats';

/** The machine that this runs on. */
export function thisMachine(): Machine & { readonly arch: string } {
  const { platform, arch, env } = process;
  const letters =
    platform === 'win32' ? Array.from({ length: 26 }, (_, at) => String.fromCharCode(65 + at)) : [];
  const drives = letters.map((letter) => `${letter}:`).filter((drive) => existsSync(`${drive}\\`));
  return { platform, arch, home: homedir(), environment: env, drives };
}

/** A directory where plugins usually live, and of which formats. */
export interface UsualPlace {
  readonly path: string;
  readonly formats: readonly Format[];
}

/** What of the machine decides where to look. */
export interface Machine {
  readonly platform: string;
  readonly home: string;
  /** As Node names it; where it is not said, directories of a processor's own are left out. */
  readonly arch?: string;
  /** Windows: the drives that are there, such as `D:`. */
  readonly drives?: readonly string[];
  readonly environment: Readonly<Record<string, string | undefined>>;
}

const variables: Partial<Record<Format, string>> = {
  LV2: 'LV2_PATH',
  CLAP: 'CLAP_PATH',
  LADSPA: 'LADSPA_PATH',
  VST2: 'VST_PATH',
};

/**
 * Directories where this machine's plugins usually live, whether or not they exist; one entry a
 * directory.
 */
export function usualPlaces(machine: Machine): UsualPlace[] {
  const usual = usualOn(machine);
  const places = new Map<string, Format[]>();
  for (const [format, paths] of Object.entries(usual) as [Format, string[]][]) {
    for (const path of fromVariable(machine, format) ?? paths) {
      places.set(path, [...(places.get(path) ?? []), format]);
    }
  }
  return [...places].map(([path, formats]) => ({ path, formats }));
}

function usualOn(machine: Machine): ReturnType<typeof onLinux> {
  switch (machine.platform) {
    case 'darwin':
      return onMacOs(machine);
    case 'win32':
      return onWindows(machine);
    default:
      return onLinux(machine);
  }
}

function fromVariable({ platform, environment }: Machine, format: Format): string[] | null {
  const listed = environment[variables[format] ?? '']
    ?.split(platform === 'win32' ? ';' : ':')
    .filter((path) => path !== '');
  return listed && listed.length > 0 ? listed : null;
}

/**
 * Directories where settings usually live: beside the plugins of LV2, and where the other formats
 * prescribe (VST3: “Preset Locations” of its developer portal, AU: the same on macOS; from memory).
 */
export function usualSettingPlaces(machine: Machine): UsualPlace[] {
  const lv2 = usualPlaces(machine).filter(({ formats }) => formats.includes('LV2'));
  const places = presetPlaces(machine);
  return [
    ...lv2.map(({ path }): UsualPlace => ({ path, formats: ['LV2'] })),
    ...places.map((path): UsualPlace => ({ path, formats: ['VST3', 'AU', 'LADSPA'] })),
  ];
}

function presetPlaces({ platform, home, environment }: Machine): string[] {
  switch (platform) {
    case 'darwin':
      return [posix.join(home, 'Library/Audio/Presets'), '/Library/Audio/Presets'];
    case 'win32':
      return [
        win32.join(home, 'Documents\\VST3 Presets'),
        win32.join(environment['APPDATA'] ?? win32.join(home, 'AppData\\Roaming'), 'VST3 Presets'),
        win32.join(environment['PROGRAMDATA'] ?? 'C:\\ProgramData', 'VST3 Presets'),
      ];
    default:
      return [
        posix.join(home, '.vst3/presets'),
        '/usr/local/share/vst3/presets',
        '/usr/share/vst3/presets',
        '/usr/local/share/ladspa/rdf',
        '/usr/share/ladspa/rdf',
        posix.join(home, '.ladspa/rdf'),
      ];
  }
}

type Usual = Partial<Record<Format, string[]>>;

/** Libraries of each processor stand in a directory named after it on Debian and its like (multiarch). */
const triplets: Readonly<Record<string, string>> = {
  x64: 'x86_64-linux-gnu',
  arm64: 'aarch64-linux-gnu',
  ia32: 'i386-linux-gnu',
  arm: 'arm-linux-gnueabihf',
};

function onLinux({ home, arch }: Machine): Usual {
  const triplet = triplets[arch ?? ''];
  const at = (name: string): string[] => [
    posix.join(home, `.${name}`),
    `/usr/local/lib/${name}`,
    `/usr/lib/${name}`,
    `/usr/lib64/${name}`,
    ...(triplet === undefined ? [] : [`/usr/lib/${triplet}/${name}`]),
  ];
  return {
    LV2: at('lv2'),
    VST3: at('vst3'),
    CLAP: at('clap'),
    LADSPA: at('ladspa'),
    VST2: [...at('vst'), ...at('lxvst')],
  };
}

function onMacOs({ home }: Machine): Usual {
  const at = (name: string): string[] => [
    posix.join(home, 'Library/Audio/Plug-Ins', name),
    `/Library/Audio/Plug-Ins/${name}`,
  ];
  return {
    VST3: at('VST3'),
    AU: at('Components'),
    CLAP: at('CLAP'),
    LV2: at('LV2'),
    VST2: at('VST'),
  };
}

/** Plugins of VST2 are often kept on another drive, at its top or among programs. */
const otherDrives = (drives: readonly string[] = []): string[] =>
  drives
    .filter((drive) => !/^c/i.test(drive))
    .flatMap((drive) => [`${drive}\\`, `${drive}\\Program Files`]);

function onWindows({ home, environment, drives }: Machine): Usual {
  const common = environment['COMMONPROGRAMFILES'] ?? 'C:\\Program Files\\Common Files';
  const local = environment['LOCALAPPDATA'] ?? win32.join(home, 'AppData\\Local');
  const roaming = environment['APPDATA'] ?? win32.join(home, 'AppData\\Roaming');
  // Programs of 32 bits and their plugins live in directories of their own.
  const common86 = environment['COMMONPROGRAMFILES(X86)'] ?? environment['CommonProgramFiles(x86)'];
  const programs = environment['PROGRAMFILES'] ?? 'C:\\Program Files';
  const programs86 = environment['PROGRAMFILES(X86)'] ?? environment['ProgramFiles(x86)'];
  const own = (name: string): string[] => [
    win32.join(common, name),
    ...(common86 === undefined ? [] : [win32.join(common86, name)]),
    win32.join(local, 'Programs\\Common', name),
  ];
  const vst2 = [
    programs,
    ...(programs86 === undefined ? [] : [programs86]),
    ...otherDrives(drives),
  ];
  return {
    VST3: own('VST3'),
    CLAP: own('CLAP'),
    LV2: [win32.join(roaming, 'LV2'), win32.join(common, 'LV2')],
    VST2: [
      ...vst2.map((directory) => win32.join(directory, 'VSTPlugins')),
      win32.join(common, 'VST2'),
    ],
  };
}
