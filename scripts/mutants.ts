/**
 * `npm run mutants -- ROOM [--with ROOM…] [--count N] [--seed N]`: changes one operator at a time in a room
 * (a directory of sources, such as core/src/arrangement) and runs its tests, and those of the rooms named
 * with it. What no test notices is listed. Each file is put back behind its test; after a kill, git does it.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import ts from 'typescript';

const root = resolve(import.meta.dirname, '..');
/** A changed program may run for ever; that is noticed, too. Milliseconds. */
const patience = 120_000;

/** What becomes of each operator. */
const others: Readonly<Record<string, string>> = {
  '===': '!==',
  '!==': '===',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '&&': '||',
  '||': '&&',
  '??': '&&',
  '+': '-',
  '-': '+',
};

interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: string;
  readonly to: string;
  readonly text: string;
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    count: { type: 'string', default: '20' },
    seed: { type: 'string', default: '1' },
    with: { type: 'string', multiple: true, default: [] },
  },
});
const [room] = positionals;
if (room === undefined) {
  console.error('Name a room: npm run mutants -- core/src/arrangement');
  process.exit(2);
}
// Ctrl-C is heard by the tests, and what was changed is put back before this ends.
process.on('SIGINT', () => undefined);
const files = sourcesOf(room);
const mutants = drawn(files.flatMap(mutantsOf), Number(values.count), Number(values.seed));
if (mutants.length === 0 || !testsPass()) {
  console.error(`${room} has no operators, or its tests fail as it is.`);
  process.exit(2);
}
const missed = mutants.filter((mutant) => !isNoticed(mutant));
for (const { file, line, from, to } of missed) {
  console.log(`not noticed: ${file}:${line} ${from} → ${to}`);
}
const noticed = mutants.length - missed.length;
console.log(`${room}: ${noticed} of ${mutants.length} noticed`);
process.exit(noticed >= 0.75 * mutants.length ? 0 : 1);

/** The files of a room, without tests, texts and tables of words. */
function sourcesOf(directory: string): string[] {
  return execFileSync('git', ['ls-files', directory], { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((file) => /\.tsx?$/.test(file))
    .filter((file) => !/\.(?:test|test-data|data|d)\.tsx?$|texts\.ts$|index\.ts$/.test(file));
}

/** Each operator of a file, changed by itself. */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(join(root, file), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: Mutant[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isBinaryExpression(node)) {
      const at = node.operatorToken.getStart(source);
      const from = node.operatorToken.getText(source);
      const to = others[from];
      if (to !== undefined) {
        const line = source.getLineAndCharacterOfPosition(at).line + 1;
        const changed = text.slice(0, at) + to + text.slice(at + from.length);
        found.push({ file, line, from, to, text: changed });
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Some of them, the same for the same seed. */
function drawn(all: readonly Mutant[], count: number, seed: number): Mutant[] {
  let state = seed;
  const next = (): number => {
    // The constants of Numerical Recipes' generator.
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32;
    return state;
  };
  return all
    .map((mutant) => ({ mutant, rank: next() }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, count)
    .map(({ mutant }) => mutant);
}

/** Whether the tests of the room pass. */
function testsPass(): boolean {
  const { status, signal } = spawnSync(
    process.execPath,
    ['node_modules/jest/bin/jest.js', '--bail', room ?? '', ...values.with],
    {
      cwd: root,
      stdio: 'ignore',
      timeout: patience,
      env: {
        ...process.env,
        NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      },
    },
  );
  if (signal === 'SIGINT') {
    throw new Error('stopped');
  }
  return status === 0;
}

function isNoticed({ file, text }: Mutant): boolean {
  const path = join(root, file);
  const whole = readFileSync(path, 'utf8');
  writeFileSync(path, text);
  try {
    return !testsPass();
  } finally {
    writeFileSync(path, whole);
  }
}
