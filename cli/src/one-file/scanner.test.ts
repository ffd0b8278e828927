/** The scanner as one file, run by plain Node in an empty directory. */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync, spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { readCopiesFrame, readCopyLine } from '@clever-drawer/core/exchange';
import { compile } from '../../../server/src/opener/compiled.test-data.ts';

const root = resolve(import.meta.dirname, '../../..');
const base = mkdtempSync(join(tmpdir(), 'clever-drawer-one-file-'));
const empty = join(base, 'empty');
const place = join(base, 'place');
beforeAll(() => {
  execFileSync('node', ['--import', 'tsx', 'scripts/build-scanner.ts'], {
    cwd: root,
    stdio: 'ignore',
  });
  mkdirSync(empty);
  copyFileSync(join(root, 'web/dist/clever-drawer-scan.mjs'), join(empty, 'scan.mjs'));
  compile('misbehave-clap.c', join(place, 'echo.clap'), { HOW: 0 });
  compile('misbehave-ladspa.c', join(place, 'crash.so'), { HOW: 1 });
});
afterAll(() => {
  rmSync(base, { recursive: true });
});

const scan = (...args: string[]) =>
  spawnSync(process.execPath, ['scan.mjs', ...args], {
    cwd: empty,
    encoding: 'utf8',
    env: { PATH: process.env['PATH'] },
  });

describe('the scanner as one file', () => {
  it('reads and opens without anything installed, and leaves nothing behind', () => {
    const { stdout, status } = scan(place, '--open', '--timeout', '5');
    const copies = stdout
      .trim()
      .split('\n')
      .map((line, at) => readCopyLine(line, at + 1));
    expect(copies).toMatchObject([
      { ok: true, value: { format: 'LADSPA', status: 'failed' } },
      { ok: true, value: { name: 'Slipway Echo', examined: 'opened', audioOut: 2 } },
    ]);
    expect(status).toBe(1);
    expect(readdirSync(empty)).toEqual(['scan.mjs']);
  });
  it('only reads when it is not told to open', () => {
    const { stdout, status } = scan(place);
    expect(stdout).not.toContain('Slipway');
    expect(stdout.trim().split('\n')).toHaveLength(2);
    expect(status).toBe(0);
  });
  it('writes a file that says how many copies it has, and that it is whole', () => {
    const out = join(empty, 'copies.ndjson');
    const { stdout, stderr, status } = scan(place, '--out', out);
    expect([stdout, status]).toEqual(['', 0]);
    expect(stderr).toContain(`2 copies in ${out}.`);
    const lines = readFileSync(out, 'utf8').trim().split('\n');
    expect(lines.map(readCopiesFrame)).toEqual([{ copies: 2 }, null, null, { end: 2 }]);
    rmSync(out);
    expect(readdirSync(empty)).toEqual(['scan.mjs']);
    const nowhere = scan(place, '--out', join(empty, 'nowhere', 'copies.ndjson'));
    expect([nowhere.status, nowhere.stderr]).toEqual([
      2,
      expect.stringContaining('Choose another'),
    ]);
  });
  it('says how it is used, by the name it was called by', () => {
    expect(scan('--help').stdout).toContain('Use: node scan.mjs DIR… | --usual');
    expect(scan().status).toBe(2);
  });
});
