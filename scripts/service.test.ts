import { afterAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { quoteForUnit, unitFor } from './service.ts';
import { readOptions } from './start-options.ts';

const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-unit-'));
afterAll(() => {
  rmSync(directory, { recursive: true });
});

/** A unit as it would be installed for a checkout at that path. */
function unitAt(checkout: string): string {
  mkdirSync(checkout, { recursive: true });
  const start = join(checkout, 'start');
  writeFileSync(start, '#!/bin/sh\n');
  chmodSync(start, 0o755);
  const options = readOptions(['--empty', '--private', '--data', join(checkout, 'data')], {});
  return unitFor(options, start, '/usr/bin:/bin');
}

describe('the unit of the service', () => {
  it.each(['plain', 'with spaces', 'with "quotes"', '100 % sure', 'a $HOME of its own'])(
    'is one that systemd takes, in a checkout called %j (systemd-analyze verify)',
    (name) => {
      const path = join(directory, 'clever-drawer.service');
      writeFileSync(path, unitAt(join(directory, name)));
      const output = execFileSync('systemd-analyze', ['verify', '--man=no', path], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      expect(output).toBe('');
    },
  );
  it('with a setting that is none is refused, so the check can fail', () => {
    const path = join(directory, 'clever-drawer.service');
    const unit = unitAt(join(directory, 'plain')).replace(/^ExecStart=.*$/m, 'ExecStart=start');
    writeFileSync(path, unit);
    expect(() =>
      execFileSync('systemd-analyze', ['verify', '--man=no', path], { stdio: 'pipe' }),
    ).toThrow();
  });
  it('may not gain rights, and as the system’s runs as the database’s user and writes where it was told', () => {
    const options = readOptions(['--data', '/srv/100 % mine', '--allow', '/srv/shelf'], {});
    const unit = unitFor(options, '/opt/clever-drawer/start', '/usr/bin');
    expect(unit).toContain('\nNoNewPrivileges=yes\n');
    const isSystems = process.getuid?.() === 0;
    expect([
      unit.includes('\nUser=postgres\n'),
      unit.includes('\nProtectSystem=strict\n'),
      unit.includes('\nPrivateTmp=yes\n'),
      unit.includes('\nReadWritePaths="/srv/100 %% mine" "/srv/shelf"\n'),
    ]).toEqual([isSystems, isSystems, isSystems, isSystems]);
  });
  it('doubles what systemd would replace', () => {
    expect(quoteForUnit('100 % of $HOME "here"')).toBe('"100 %% of $$HOME \\"here\\""');
  });
});

describe('what ./start is asked', () => {
  it('is one thing at a time', () => {
    expect(() => readOptions(['--install', '--status'], {})).toThrow(/one at a time/);
  });
  it.each([
    [['--dance'], {}],
    [['--log', 'loud'], {}],
    [[], { PORT: 'x' }],
    [[], { PORT: '70000' }],
  ])('is refused in words where it makes no sense: %j %j', (args, environment) => {
    expect(() => readOptions(args, environment)).toThrow(/./);
  });
  it('is the demo on its own data unless told otherwise', () => {
    expect(readOptions([], {})).toMatchObject({ task: 'run', isDemo: true, port: 4747 });
    expect(readOptions(['--empty'], {}).data).toMatch(/own$/);
  });
});
