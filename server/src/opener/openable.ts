/** What of a copy can be opened here: programs of this system and this processor only. */
import { closeSync, constants, openSync, readdirSync, readSync } from 'node:fs';
import { join } from 'node:path';
import type { Format, FoundCopy } from '@clever-drawer/core/formats';

/** The machine that opens. */
export interface OpeningMachine {
  readonly platform: string;
  /** As Node names it: `x64`, `arm64`, `ia32`, … */
  readonly arch: string;
}

/** AU is made for macOS alone, where reading tells its facts. */
const opened: readonly Format[] = ['LADSPA', 'CLAP', 'VST3', 'VST2', 'LV2'];

const architectures: Readonly<Record<string, string>> = {
  x64: 'x86_64',
  arm64: 'arm64',
  ia32: 'x86',
  arm: 'arm',
};

/** Directories of a VST3 bundle for each machine (from memory of the published bundle layout). */
const bundleDirectories: Readonly<Record<string, readonly string[]>> = {
  'linux x64': ['x86_64-linux'],
  'linux arm64': ['aarch64-linux'],
  'linux ia32': ['i686-linux', 'i386-linux'],
  'linux arm': ['armv7l-linux'],
  'win32 x64': ['x86_64-win'],
  'win32 ia32': ['x86-win'],
  'win32 arm64': ['arm64-win', 'arm64x-win', 'arm64ec-win'],
  'darwin x64': ['MacOS'],
  'darwin arm64': ['MacOS'],
};

/** What a copy has to be for this machine, as far as its facts tell. */
export const openableHere = (machine: OpeningMachine) => ({
  formats: opened,
  architecture: architectures[machine.arch] ?? machine.arch,
});

/** The program to open for a copy on this machine; null where there is none. */
export function programFor(copy: FoundCopy, machine: OpeningMachine): string | null {
  const isSound = copy.status === 'ok' || copy.examined === 'opened';
  if (!opened.includes(copy.format) || copy.binary === null || !isSound) {
    return null;
  }
  const isFit = copy.architectures?.includes(architectures[machine.arch] ?? '') ?? true;
  const program = copy.format === 'VST3' ? programOfBundle(copy, machine) : copy.binary;
  return isFit && program !== null && isOfSystem(program, machine.platform) ? program : null;
}

function programOfBundle({ path, binary }: FoundCopy, { platform, arch }: OpeningMachine) {
  for (const directory of bundleDirectories[`${platform} ${arch}`] ?? []) {
    const inside = join(path, 'Contents', directory);
    const program = list(inside).find(
      (name) => platform === 'darwin' || /\.(so|vst3|dll)$/i.test(name),
    );
    if (program !== undefined) {
      return join(inside, program);
    }
  }
  // An older one is a single file.
  return binary === path ? binary : null;
}

function list(directory: string): string[] {
  try {
    return readdirSync(directory).sort();
  } catch {
    return [];
  }
}

/** How a program of each system begins (elf.h, winnt.h, mach-o/loader.h and fat.h). */
const beginnings: Readonly<Record<string, readonly string[]>> = {
  linux: ['7f454c46'],
  win32: ['4d5a'],
  darwin: ['cffaedfe', 'cefaedfe', 'cafebabe', 'cafebabf'],
};

function isOfSystem(program: string, platform: string): boolean {
  const head = beginningOf(program);
  return (beginnings[platform] ?? beginnings['linux'] ?? []).some((known) =>
    head.startsWith(known),
  );
}

function beginningOf(program: string): string {
  try {
    // A pipe that is called like a program is not waited for.
    const handle = openSync(program, constants.O_RDONLY | constants.O_NONBLOCK);
    try {
      const bytes = Buffer.alloc(4);
      readSync(handle, bytes, 0, 4, 0);
      return bytes.toString('hex');
    } finally {
      closeSync(handle);
    }
  } catch {
    return '';
  }
}
