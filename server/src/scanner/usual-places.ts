/**
 * Where plugins usually live, by format and system, and the `…_PATH` variables of the standards
 * that replace it.
 * LV2, LADSPA: their own documents; VST3, CLAP, AU and all of VST2: from memory.
 */
import { posix, win32 } from 'node:path';
import type { Format } from '@clever-drawer/core';

/** A directory where plugins usually live, and of which formats. */
export interface UsualPlace {
  readonly path: string;
  readonly formats: readonly Format[];
}

/** What of the machine decides where to look. */
export interface Machine {
  readonly platform: string;
  readonly home: string;
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

type Usual = Partial<Record<Format, string[]>>;

function onLinux({ home }: Machine): Usual {
  const at = (name: string): string[] => [
    posix.join(home, `.${name}`),
    `/usr/local/lib/${name}`,
    `/usr/lib/${name}`,
  ];
  return {
    LV2: at('lv2'),
    VST3: at('vst3'),
    CLAP: at('clap'),
    LADSPA: at('ladspa'),
    VST2: [...at('vst'), '/usr/lib/lxvst', '/usr/local/lib/lxvst'],
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

function onWindows({ home, environment }: Machine): Usual {
  const common = environment['COMMONPROGRAMFILES'] ?? 'C:\\Program Files\\Common Files';
  const local = environment['LOCALAPPDATA'] ?? win32.join(home, 'AppData\\Local');
  const roaming = environment['APPDATA'] ?? win32.join(home, 'AppData\\Roaming');
  const own = (name: string): string[] => [
    win32.join(common, name),
    win32.join(local, 'Programs\\Common', name),
  ];
  return {
    VST3: own('VST3'),
    CLAP: own('CLAP'),
    LV2: [win32.join(roaming, 'LV2'), win32.join(common, 'LV2')],
    VST2: ['C:\\Program Files\\VSTPlugins', win32.join(common, 'VST2')],
  };
}
