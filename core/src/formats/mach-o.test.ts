/**
 * Mach-O libraries made and read by LLVM's tools (`llvm-mc`, `lld`, `llvm-lipo`, `llvm-nm`,
 * `llvm-readobj`), thin and fat.
 */
import { beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readBinary, readMachines } from './binary.ts';
import { bytesSource } from './byte-source.ts';

const tool = (program: string, ...args: string[]): string =>
  execFileSync(program, args, { encoding: 'utf8' });
const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-mach-o-'));
/** The assembler's name of each machine, and ours. */
const machines = { x86_64: 'x86_64', arm64: 'arm64' } as const;

/** Symbols outside, inside and merely wanted: only the first are exported. */
const source = `.globl _clap_entry
.globl _VSTPluginMain
.globl _a_name_that_is_rather_longer_than_the_others_to_fill_the_table_of_strings
.data
_clap_entry: .quad 1
.text
_VSTPluginMain: nop
_a_name_that_is_rather_longer_than_the_others_to_fill_the_table_of_strings: nop
_hidden: nop
`;

function build(machine: keyof typeof machines): string {
  const [assembly, object, library] = ['s', 'o', 'dylib'].map((ending) =>
    join(directory, `${machine}.${ending}`),
  ) as [string, string, string];
  writeFileSync(assembly, source);
  tool('llvm-mc', '-triple', `${machine}-apple-macos11`, '-filetype=obj', '-o', object, assembly);
  tool(
    'lld',
    '-flavor',
    'darwin',
    '-dylib',
    '-arch',
    machine,
    '-platform_version',
    'macos',
    '11.0',
    '11.0',
    '-o',
    library,
    object,
  );
  return library;
}

/** Debian gives this tool's name the version of LLVM. */
const lipo = (): string =>
  readdirSync('/usr/bin').find((name) => /^llvm-lipo(-\d+)?$/.test(name)) ?? 'llvm-lipo';

describe('the header of a Mach-O library', () => {
  const files: { path: string; architectures: string[] }[] = [];
  beforeAll(() => {
    const thin = Object.entries(machines).map(([machine, ours]) => ({
      path: build(machine as keyof typeof machines),
      architectures: [ours],
    }));
    const fat = join(directory, 'fat.dylib');
    tool(lipo(), '-create', ...thin.map((file) => file.path), '-output', fat);
    files.push(...thin, { path: fat, architectures: Object.values(machines) });
  });

  it('gives the machines that llvm-readobj gives and the exported names that llvm-nm gives', () => {
    expect(files).toHaveLength(3);
    for (const { path, architectures } of files) {
      const said = [
        ...tool('llvm-readobj', '--file-headers', path).matchAll(/^Arch: (\S+)$/gm),
      ].map((m) => (m[1] === 'aarch64' ? 'arm64' : m[1]));
      expect(said.sort()).toEqual([...architectures].sort());
      const names = [
        ...new Set(
          tool('llvm-nm', '-g', '--defined-only', '--format=just-symbols', path)
            .split('\n')
            .filter((line) => line.startsWith('_')),
        ),
      ].map((name) => name.slice(1));
      expect(names).toHaveLength(3);
      const bytes = bytesSource(readFileSync(path));
      const read = readBinary(bytes, path);
      if (!read.ok) {
        throw new Error(JSON.stringify(read.problems));
      }
      expect(read.value.system).toBe('macos');
      expect([...read.value.architectures].sort()).toEqual(said);
      expect(readMachines(bytes, path)).toEqual({ ok: true, value: read.value.architectures });
      expect([...(read.value.exports ?? [])].sort()).toEqual(names.sort());
    }
  });
});
