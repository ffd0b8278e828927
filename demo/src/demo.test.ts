/** The made-up studio: always the same, and with all the untidiness that the work has to cope with. */
import { afterAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bytesSource, readBinary } from '@clever-drawer/core/readers';
import { lv2ClassesOf, vst3SubCategoriesOf } from './declare.ts';
import { computers, placesOf, type DemoComputer } from './computers.ts';
import { makePlugins, studioSize } from './plugins.ts';
import { typeWords, vendors } from './vocabulary.ts';
import { program } from './write-programs.ts';
import { studioSeed, writeStudio } from './write-studio.ts';

const desk = computers[0] as DemoComputer;

describe('the studio of Kestrel Quay', () => {
  const plugins = makePlugins(studioSeed);
  const sound = plugins.filter((p) => p.damage === null);
  it('is the same for the same seed', () => {
    expect(JSON.stringify(makePlugins(studioSeed))).toBe(JSON.stringify(plugins));
    expect(JSON.stringify(makePlugins(studioSeed + 1))).not.toBe(JSON.stringify(plugins));
  });
  it('has about 690 plugins by some 40 vendors, a few with over forty, all types, and names of their own', () => {
    expect(sound).toHaveLength(studioSize);
    expect(new Set(sound.map((p) => p.name)).size).toBeGreaterThan(studioSize - 3);
    const counts = vendors.map((v) => sound.filter((p) => p.vendor === v).length);
    expect(counts.filter((n) => n > 0)).toHaveLength(vendors.length);
    expect(counts.filter((n) => n > 40).length).toBeGreaterThanOrEqual(3);
    expect(new Set(sound.map((p) => p.type)).size).toBe(Object.keys(typeWords).length);
  });
  it('has wrong and missing categories, missing and misspelt vendors, both formats, and damage', () => {
    const share = (test: (p: (typeof sound)[number]) => boolean): number =>
      sound.filter(test).length / sound.length;
    expect(share((p) => p.declares === 'wrong')).toBeGreaterThan(0.04);
    expect(share((p) => placesOf(desk, p).length > 1)).toBeGreaterThan(0.2);
    const copies = plugins.reduce((sum, p) => sum + placesOf(desk, p).length, 0);
    expect(copies).toBeGreaterThan(850);
    expect(copies).toBeLessThan(1000);
    expect(share((p) => p.spelling.LV2 === null)).toBeGreaterThan(0.02);
    expect(
      share((p) => p.spelling.VST3 !== null && p.spelling.VST3 !== p.vendor.name),
    ).toBeGreaterThan(0.04);
    expect(plugins.filter((p) => p.damage !== null).length).toBe(8);
    expect(
      sound
        .filter((p) => p.declares === 'nothing')
        .flatMap((p) => [...lv2ClassesOf(p), ...vst3SubCategoriesOf(p)]),
    ).toEqual([]);
  });
  it('is valid LV2: the reference reader lists every bundle whose manifest is not damaged', () => {
    const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-demo-'));
    const { plugins: written } = writeStudio(directory, 400);
    const listed = execFileSync('lv2ls', {
      encoding: 'utf8',
      env: { ...process.env, LV2_PATH: join(directory, 'Tools/lv2') },
      stdio: ['ignore', 'pipe', 'ignore'],
    })
      .trim()
      .split('\n');
    const wanted = written.filter(
      (p) => placesOf(desk, p).some((place) => place.format === 'LV2') && p.damage !== 'turtle',
    );
    expect(wanted.length).toBeGreaterThan(40);
    expect(listed.length).toBe(wanted.length);
    rmSync(directory, { recursive: true });
  });
});

describe('the programs of the studio', () => {
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-programs-'));
  afterAll(() => {
    rmSync(directory, { recursive: true });
  });
  const write = (name: string, bytes: Uint8Array): string => {
    const path = join(directory, name);
    writeFileSync(path, bytes);
    return path;
  };
  const tool = (name: string, ...args: string[]): string =>
    execFileSync(name, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] });
  const ours = (bytes: Uint8Array) => {
    const r = readBinary(bytesSource(bytes), 'x');
    return r.ok ? [...r.value.architectures, ...(r.value.exports ?? [])] : r.problems;
  };
  it('are ELF to readelf and PE to objdump, with the entry points they should have', () => {
    const elf = program('linux', 'LADSPA');
    const dll = program('windows', 'VST2', true, {
      product: 'Gorse',
      company: 'Quoin',
      version: '1.2.0',
    });
    expect(tool('readelf', '--dyn-syms', '-W', write('a.so', elf))).toMatch(
      /GLOBAL DEFAULT\s+1 ladspa_descriptor/,
    );
    expect(tool('objdump', '-p', write('a.dll', dll))).toMatch(/VSTPluginMain/);
    expect(ours(elf)).toEqual(['x86_64', 'ladspa_descriptor', 'entry_of_nothing']);
    expect(ours(dll)).toEqual(['x86', 'VSTPluginMain', 'entry_of_nothing']);
    expect(ours(program('macos', 'CLAP'))).toEqual([
      'x86_64',
      'arm64',
      'clap_entry',
      'entry_of_nothing',
    ]);
  });
});
