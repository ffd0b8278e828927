/**
 * Headers of real files against binutils: `readelf` on the ELF libraries of swh-plugins, `objdump`
 * on the PE libraries of libz-mingw-w64.
 */
import { describe, expect, it } from '@jest/globals';
import { filesOfPackage } from './debian-packages.test-data.ts';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Binary } from './binary-facts.ts';
import { readBinary, readMachines } from './binary.ts';
import { bytesSource } from './byte-source.ts';
import { readVersionResource } from './version-resource.ts';

const read = (path: string): Binary => {
  const result = readBinary(bytesSource(readFileSync(path)), path);
  if (!result.ok) {
    throw new Error(JSON.stringify(result.problems));
  }
  return result.value;
};
const tool = (program: string, ...args: string[]): string =>
  execFileSync(program, args, { encoding: 'utf8', maxBuffer: 1 << 26 });

describe('the header of an ELF library', () => {
  const files = filesOfPackage('swh-plugins', '.so').slice(0, 40);
  it('gives the machine and the exported names that readelf gives', () => {
    expect(files.length).toBeGreaterThan(20);
    for (const file of files) {
      const binary = read(file);
      expect(tool('readelf', '-h', file)).toMatch(
        binary.architectures[0] === 'x86_64'
          ? /Machine:\s+Advanced Micro Devices X86-64/
          : /Machine:\s+(AArch64|Intel 80386|ARM)/,
      );
      const symbols = tool('readelf', '--dyn-syms', '-W', file)
        .split('\n')
        .map((l) => l.trim().split(/\s+/))
        .filter((f) => /^\d+:$/.test(f[0] ?? '') && f[6] !== 'UND' && f[4] !== 'LOCAL' && f[7]);
      expect([...(binary.exports ?? [])].sort()).toEqual(
        [...new Set(symbols.map((f) => (f[7] ?? '').split('@')[0] ?? ''))].sort(),
      );
    }
  });
});

describe('the header of a PE library', () => {
  it('gives the machine and the exported names that objdump gives, in 32 and 64 bit', () => {
    for (const [path, machine] of [
      ['/usr/x86_64-w64-mingw32/lib/zlib1.dll', 'x86_64'],
      ['/usr/i686-w64-mingw32/lib/zlib1.dll', 'x86'],
    ] as const) {
      const binary = read(path);
      expect(binary).toMatchObject({ system: 'windows', architectures: [machine] });
      const table =
        tool('objdump', '-p', path).split('[Ordinal/Name Pointer] Table')[1]?.split('\n\n')[0] ??
        '';
      const names = [
        ...table.matchAll(/^\s*\[\s*\d+\](?: \+base\[\s*\d+\])?\s+(?:[0-9a-f]{4,}\s+)?(\S+)$/gm),
      ].map((m) => m[1] ?? '');
      expect(names.length).toBeGreaterThan(50);
      expect([...(binary.exports ?? [])].sort()).toEqual(names.sort());
    }
  });
  it('comes with a version resource where the file has one', () => {
    const { product, version } = readVersionResource(
      bytesSource(readFileSync('/usr/x86_64-w64-mingw32/lib/zlib1.dll')),
    );
    expect(product).toBe('zlib');
    expect(version).toMatch(/^1\.\d/);
    expect(readVersionResource(bytesSource(new Uint8Array(100)))).toEqual({
      product: null,
      company: null,
      version: null,
    });
  });
});

describe('the machines alone', () => {
  const files = [
    ...filesOfPackage('swh-plugins', '.so').slice(0, 5),
    '/usr/x86_64-w64-mingw32/lib/zlib1.dll',
    '/usr/i686-w64-mingw32/lib/zlib1.dll',
  ];
  it('are those of the whole header, also where the tables behind it are missing', () => {
    expect(files).toHaveLength(7);
    for (const file of files) {
      const bytes = readFileSync(file);
      const machines = { ok: true, value: read(file).architectures };
      expect(readMachines(bytesSource(bytes), file)).toEqual(machines);
      const cut = bytesSource(bytes.subarray(0, 512));
      expect(readMachines(cut, file)).toEqual(machines);
      expect(readBinary(cut, file).ok).toBe(false);
    }
  });
});

describe('a file that is no library', () => {
  it('ends in a problem that says so', () => {
    const code = (bytes: number[]): string | undefined => {
      const [whole, machines] = [readBinary, readMachines].map((reader) => {
        const r = reader(bytesSource(Uint8Array.from(bytes)), 'x');
        return r.ok ? undefined : r.problems[0]?.code;
      });
      expect(machines).toBe(whole);
      return whole;
    };
    expect(code([])).toBe('damaged');
    expect(code([0x7f, 0x45, 0x4c, 0x46, 2, 1])).toBe('damaged');
    expect(code([...Buffer.from('#!/bin/sh')])).toBe('not-a-plugin');
    expect(code([0xca, 0xfe, 0xba, 0xbe, 0, 0, 0, 200])).toBe('damaged');
  });
});
