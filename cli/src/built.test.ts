/** The command line as it is built: the same words and the same lines as from the source. */
import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { run } from './main.ts';

const program = resolve(import.meta.dirname, '../../dist/cli/main.mjs');
const examples = '/usr/lib/lv2/eg-amp.lv2';

async function fromSource(...args: string[]): Promise<string> {
  const out: string[] = [];
  const say = (line: string): void => {
    out.push(`${line}\n`);
  };
  await run(args, { out: say, error: say });
  return out.join('');
}

const built = (...args: string[]): string =>
  execFileSync('bash', ['-c', 'exec node "$0" "$@" 2>&1', program, ...args], { encoding: 'utf8' });

describe('the built command line', () => {
  it('is there once the pages and programs are built (npm run build)', () => {
    expect(existsSync(program)).toBe(true);
  });
  it.each([[['--help']], [['scan', examples]], [['settings', examples]], [['order', '--help']]])(
    'says what the source says: %j',
    async (args) => {
      expect(built(...args)).toBe(await fromSource(...args));
    },
  );
});
