/** Where plugins usually live, from the standards' own words (LV2 and VST3 on Linux; other systems from memory). */
import { join } from 'node:path';
import type { Format } from '@clever-drawer/core';

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

/** Directories where this machine's plugins usually live, whether or not they exist. */
export function usualPlaces({ platform, home, environment }: Machine): UsualPlace[] {
  const lv2Path = environment['LV2_PATH']?.split(platform === 'win32' ? ';' : ':').filter((p) => p !== '');
  const at = (format: Format, ...paths: string[]): UsualPlace[] => paths.map((path) => ({ path, formats: [format] }));
  if (platform === 'darwin') {
    const bases = [join(home, 'Library/Audio/Plug-Ins'), '/Library/Audio/Plug-Ins'];
    return [...at('LV2', ...(lv2Path ?? bases.map((b) => join(b, 'LV2')))), ...at('VST3', ...bases.map((b) => join(b, 'VST3')))];
  }
  if (platform === 'win32') {
    const common = environment['COMMONPROGRAMFILES'] ?? 'C:\\Program Files\\Common Files', local = environment['LOCALAPPDATA'] ?? join(home, 'AppData\\Local');
    const roaming = environment['APPDATA'] ?? join(home, 'AppData\\Roaming');
    return [...at('LV2', ...(lv2Path ?? [`${roaming}\\LV2`, `${common}\\LV2`])), ...at('VST3', `${common}\\VST3`, `${local}\\Programs\\Common\\VST3`)];
  }
  return [
    ...at('LV2', ...(lv2Path ?? [join(home, '.lv2'), '/usr/local/lib/lv2', '/usr/lib/lv2'])),
    ...at('VST3', join(home, '.vst3'), '/usr/local/lib/vst3', '/usr/lib/vst3'),
  ];
}
