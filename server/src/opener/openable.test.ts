/** What is opened on which machine, tried with files that begin as programs of each system do. */
import { afterAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { bareCopy, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import { programFor } from './openable.ts';

const base = mkdtempSync(join(tmpdir(), 'clever-drawer-openable-'));
afterAll(() => {
  rmSync(base, { recursive: true });
});

const heads = { linux: '7f454c46', win32: '4d5a9000', darwin: 'cffaedfe', fat: 'cafebabe' };
function program(path: string, head: keyof typeof heads): string {
  const full = join(base, path);
  mkdirSync(dirname(full), { recursive: true });
  writeFileSync(full, Buffer.from(`${heads[head]}0000`, 'hex'));
  return full;
}
const copyOf = (format: Format, path: string, more: Partial<FoundCopy> = {}): FoundCopy => ({
  ...bareCopy(format, path),
  binary: path,
  architectures: ['x86_64'],
  ...more,
});
const linux = { platform: 'linux', arch: 'x64' };
const windows = { platform: 'win32', arch: 'x64' };
const mac = { platform: 'darwin', arch: 'arm64' };

describe('a program', () => {
  it('is opened on its own system only', () => {
    const copy = copyOf('CLAP', program('one.clap', 'win32'));
    expect(programFor(copy, windows)).toBe(copy.binary);
    expect(programFor(copy, linux)).toBeNull();
    expect(programFor(copy, mac)).toBeNull();
  });
  it('is opened on its own processor only', () => {
    const path = program('two.clap', 'linux');
    expect(programFor(copyOf('CLAP', path, { architectures: ['x86'] }), linux)).toBeNull();
    expect(programFor(copyOf('CLAP', path, { architectures: ['x86', 'x86_64'] }), linux)).toBe(
      path,
    );
  });
  it('for macOS may hold several processors', () => {
    const path = program('three.clap', 'fat');
    const copy = copyOf('CLAP', path, { architectures: ['x86_64', 'arm64'] });
    expect(programFor(copy, mac)).toBe(path);
  });
  it('of AU is never opened: reading tells its facts', () => {
    expect(programFor(copyOf('AU', program('four.component', 'darwin')), mac)).toBeNull();
  });
  it('that could not even be read is not opened', () => {
    const copy = copyOf('CLAP', program('five.clap', 'linux'), { status: 'failed' });
    expect(programFor(copy, linux)).toBeNull();
  });
  it('that failed when it was opened may be tried again', () => {
    const path = program('six.clap', 'linux');
    const copy = copyOf('CLAP', path, { status: 'failed', examined: 'opened' });
    expect(programFor(copy, linux)).toBe(path);
  });
});

describe('a VST3 bundle for several machines', () => {
  const bundle = join(base, 'tide.vst3');
  const inside = {
    linux: program('tide.vst3/Contents/x86_64-linux/tide.so', 'linux'),
    arm: program('tide.vst3/Contents/aarch64-linux/tide.so', 'linux'),
    windows: program('tide.vst3/Contents/x86_64-win/tide.vst3', 'win32'),
    mac: program('tide.vst3/Contents/MacOS/tide', 'fat'),
  };
  const copy = copyOf('VST3', bundle, { binary: inside.arm, architectures: ['x86_64', 'arm64'] });

  it.each([
    ['linux', linux, inside.linux],
    ['linux on ARM', { platform: 'linux', arch: 'arm64' }, inside.arm],
    ['windows', windows, inside.windows],
    ['mac', mac, inside.mac],
  ])('gives the program of %s', (_, machine, path) => {
    expect(programFor(copy, machine)).toBe(path);
  });
  it('gives none where it holds none', () => {
    expect(programFor(copy, { platform: 'win32', arch: 'ia32' })).toBeNull();
  });
});
