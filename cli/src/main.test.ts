import { execFileSync } from 'node:child_process';
import { describe, expect, it } from '@jest/globals';
import packageFacts from '../package.json' with { type: 'json' };
import { run } from './main.ts';

const commands = 'scan classify group match find settings order carry shelf backup restore take';

async function said(...args: string[]) {
  const out: string[] = [];
  const error: string[] = [];
  const status = await run(args, {
    out: (line) => out.push(line),
    error: (line) => error.push(line),
  });
  return { status, out: out.join('\n'), error: error.join('\n') };
}

describe('the command line', () => {
  it.each(['', ...commands.split(' ')])(
    'writes the help of %s to standard output',
    async (name) => {
      const { status, out, error } = await said(...name.split(' ').filter(Boolean), '--help');
      expect([status, error]).toEqual([0, '']);
      expect(out).toMatch(/^Use: /);
    },
  );
  it('writes its version', async () => {
    expect(await said('--version')).toEqual({ status: 0, out: packageFacts.version, error: '' });
  });
  it('says what is wrong on standard error, and leaves standard output alone', async () => {
    const nothing = await said();
    const unknown = await said('scam');
    expect([nothing.status, nothing.out, unknown.status, unknown.out]).toEqual([2, '', 2, '']);
    expect(unknown.error).toContain('There is no command "scam"');
  });
  it('is completed by bash: commands, and the options of each', async () => {
    const { out } = await said('completion');
    const completed = (line: string): string[] =>
      execFileSync('bash', [
        '-c',
        `${out}\nCOMP_WORDS=(${line}); COMP_CWORD=$((\${#COMP_WORDS[@]} - 1)); _clever_drawer; printf '%s\\n' "\${COMPREPLY[@]}"`,
      ])
        .toString()
        .split('\n')
        .filter(Boolean);
    expect(completed('clever-drawer s')).toEqual(['scan', 'settings', 'shelf']);
    expect(completed('clever-drawer scan --o')).toEqual(['--open', '--out']);
    expect(completed('clever-drawer take --comp')).toEqual(['--computer']);
  });
});
